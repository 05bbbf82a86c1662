import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seamsOff } from '../../test/checker.ts';
import { hoodedCoat, princessCoat, raglanCoat, twoPieceCoat } from '../../test/makes.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, PLAIN_COAT } from '../../test/shells.ts';
import { type Computed, compute } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { pathLength, selfCrossing } from '../geometry/index.ts';
import { flatRing, type Piece, type Role, ringAreaOf } from '../pattern/index.ts';

const length = (q: Piece | undefined, role: Role): number =>
  q?.ring.filter((e) => e.role === role).reduce((t, e) => t + pathLength(e.path), 0) ?? Number.NaN;
const find = (c: Computed, id: string): Piece => {
  const found = c.pieces.find((q) => q.id === id);
  if (!found) throw new Error(`there is no ${id} among ${c.pieces.map((q) => q.id).join(', ')}`);
  return found;
};
const rolesOf = (doc: ProjectDocument, name: string) =>
  doc.shell?.pieces.find((q) => q.name.replace('-', ' ') === name)?.ring.map((e) => e.role);

/** Every seam of the inside goes together and everything else that is proved holds; hems that flare are told apart. */
function holds(c: Computed): void {
  expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  const off = seamsOff(c);
  expect(off.map((s) => [s.code, s.differenceMm, s.ease])).toEqual([]);
  const proof = proofOf(c).filter((k) => k.code !== 'hem' && k.code !== 'seams');
  expect(proof.flatMap((k) => k.faults.map((f) => [k.code, f]))).toEqual([]);
  for (const q of c.inside) expect([q.id, selfCrossing(flatRing(q.ring))]).toEqual([q.id, null]);
}

describe('princess seams', () => {
  test('from the armhole or the shoulder: panels are named, lined each for itself, raised only where the underarm is', () => {
    fc.assert(
      fc.property(coatFigures, fc.constantFrom('armhole' as const, 'shoulder' as const), (figures, from) => {
        const doc = princessCoat(figures, from);
        Object.assign(doc.decisions.facing, { shoulder: 45, radius: 40, front: 75 });
        const middle = from === 'armhole' ? ['shoulder', 'armhole', 'panel-seam'] : ['shoulder', 'panel-seam'];
        expect(rolesOf(doc, 'Front')).toEqual(['front-edge', 'neckline', ...middle, 'hem']);
        const side = from === 'armhole' ? ['armhole'] : ['shoulder', 'armhole'];
        expect(rolesOf(doc, 'Side front')).toEqual(['panel-seam', ...side, 'side', 'hem']);
        const c = compute(doc);
        if (c.findings.some((f) => f.code === 'shoulder-too-short' || f.code === 'front-facing-too-wide')) return;
        holds(c);
        for (const code of ['panel-front', 'panel-back', 'side', 'shoulder', 'cap'])
          expect([code, c.seams.find((s) => s.id === `shell-${code}`)?.verdict]).toEqual([
            code,
            expect.stringMatching(/matches|as-meant/),
          ]);
        // The same coat in one piece has the same armhole, and its lining the same room.
        const one = compute({ ...coatDocument(figures), decisions: doc.decisions });
        const round = (x: Computed): number =>
          x.inside
            .filter((q) => q.material === 'lining')
            .reduce((t, q) => t + (Number.isNaN(length(q, 'armhole')) ? 0 : length(q, 'armhole')), 0);
        expect(Math.abs(round(c) - round(one))).toBeLessThan(6);
        expect(length(find(c, 'sleeve-lining'), 'cap')).toBeCloseTo(round(c) + 15, 2);
        expect(find(c, 'front-side-lining').reasons.map((r) => r.rule)).toContain('raise');
        expect(find(c, 'front-lining').reasons.map((r) => r.rule)).not.toContain('raise');
      }),
      runs(5),
    );
  });

  test('a facing wider than its panel goes on over the next one, which is laid to it; wider than the shoulder it is refused', () => {
    const doc = princessCoat(PLAIN_COAT, 'shoulder');
    doc.decisions.facing.shoulder = 110;
    const c = compute(doc);
    holds(c);
    const [front, facing] = [find(c, 'p1'), find(c, 'front-facing')];
    expect(length(facing, 'shoulder')).toBeCloseTo(110, 2);
    expect(length(front, 'shoulder')).toBeLessThan(110);
    // Both panels are lined from the facing line on.
    for (const id of ['front-lining', 'front-side-lining'])
      expect(find(c, id).ring.some((e) => e.role === 'facing-line')).toBe(true);
    doc.decisions.facing.shoulder = 400;
    const refused = compute(doc).findings.filter((f) => f.code === 'shoulder-too-short');
    expect(refused.length).toBeGreaterThan(0);
    doc.decisions.facing.shoulder = Number(refused[0]?.data?.most);
    expect(compute(doc).findings.map((f) => f.code)).not.toContain('shoulder-too-short');
  });

  test('without sleeves the armhole of the lining is smaller, and its panel seams stay as long on both panels', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const doc = princessCoat(figures, 'armhole');
        Object.assign(doc.decisions.facing, { shoulder: 45, radius: 40, front: 75 });
        if (doc.shell) doc.shell = { ...doc.shell, pieces: doc.shell.pieces.filter((q) => q.kind !== 'sleeve') };
        const c = compute(doc);
        if (c.findings.some((f) => f.severity === 'stop')) return;
        for (const half of ['front', 'back']) {
          const shell = c.seams.find((s) => s.id === `shell-panel-${half}`)?.differenceMm ?? Number.NaN;
          const inside = c.seams.find((s) => s.code === `lining-panel-${half}`)?.differenceMm ?? Number.NaN;
          expect([half, Math.abs(inside - shell) < 0.5, inside, shell]).toEqual([half, true, inside, shell]);
        }
      }),
      runs(8),
    );
  });
});

describe('a two-piece sleeve', () => {
  test('upper and under-sleeve are raised alike; together their caps are the armhole and the ease', () => {
    fc.assert(
      fc.property(coatFigures, fc.integer({ min: 0, max: 20 }), (figures, raise) => {
        const doc = twoPieceCoat(figures);
        expect(rolesOf(doc, 'Upper sleeve')).toEqual(['cap', 'elbow-seam', 'wrist', 'forearm-seam']);
        expect(rolesOf(doc, 'Under sleeve')).toEqual(['cap', 'elbow-seam', 'wrist', 'forearm-seam']);
        doc.decisions.lining.raise = raise;
        const c = compute(doc);
        holds(c);
        const [upper, under] = [find(c, 'sleeve-lining'), find(c, 'under-sleeve-lining')];
        const armhole = length(find(c, 'front-lining'), 'armhole') + length(find(c, 'back-lining'), 'armhole');
        expect(length(upper, 'cap') + length(under, 'cap')).toBeCloseTo(armhole + 15, 2);
        for (const role of ['elbow-seam', 'forearm-seam'] as const) {
          const grown =
            length(upper, role) -
            length(
              c.shell.find((q) => q.name === 'Upper sleeve'),
              role,
            );
          expect(Math.abs(grown - raise)).toBeLessThan(1);
          expect(Math.abs(length(upper, role) - length(under, role))).toBeLessThan(0.5);
        }
        expect(under.cut).toEqual({ count: 2, pair: true, onFold: false });
      }),
      runs(5),
    );
  });
});

describe('raglan sleeves', () => {
  test('neck facing goes on over the sleeve, and the raglan seams of the lining are as long on both sides', () => {
    fc.assert(
      fc.property(coatFigures, fc.integer({ min: 30, max: 70 }), (figures, width) => {
        const doc = raglanCoat(figures);
        expect(rolesOf(doc, 'Front')).toEqual(['front-edge', 'neckline', 'armhole', 'side', 'hem']);
        expect(rolesOf(doc, 'Raglan sleeve')).toEqual(['neckline', 'cap', 'underarm', 'wrist', 'underarm', 'cap']);
        doc.decisions.facing.shoulder = width;
        const c = compute(doc);
        if (c.findings.some((f) => /too/.test(f.code))) return;
        holds(c);
        const facing = find(c, 'sleeve-facing');
        for (const e of facing.ring.filter((x) => x.role === 'cap')) expect(pathLength(e.path)).toBeCloseTo(width, 1);
        const body = length(find(c, 'front-lining'), 'armhole') + length(find(c, 'back-lining'), 'armhole');
        expect(length(find(c, 'sleeve-lining'), 'cap')).toBeCloseTo(body, 2);
        const shell = c.shell.find((q) => q.kind === 'sleeve') as Piece;
        const out = find(c, 'sleeve-lining').reasons.find((r) => r.rule === 'out-raglan');
        expect(Math.abs((out?.value ?? 99) - 5)).toBeLessThan(20);
        expect(length(facing, 'neckline')).toBeCloseTo(length(shell, 'neckline'), 6);
      }),
      runs(5),
    );
  });
});

describe('a hood', () => {
  test('facing and lining make it up; without a facing the lining is the hood again', () => {
    fc.assert(
      fc.property(coatFigures, fc.integer({ min: 20, max: 100 }), (figures, width) => {
        const doc = hoodedCoat(figures);
        expect(rolesOf(doc, 'Hood')).toEqual(['front-edge', 'centre-back', 'neckline']);
        doc.decisions.facing.hood = width;
        const c = compute(doc);
        holds(c);
        const hood = c.shell.find((q) => q.kind === 'hood') as Piece;
        const [facing, lining] = [find(c, 'hood-facing'), find(c, 'hood-lining')];
        expect(ringAreaOf(facing.ring) + ringAreaOf(lining.ring)).toBeCloseTo(ringAreaOf(hood.ring), 0);
        doc.decisions.facing.hood = 0;
        expect(ringAreaOf(find(compute(doc), 'hood-lining').ring)).toBeCloseTo(ringAreaOf(hood.ring), 6);
      }),
      runs(5),
    );
  });
});
