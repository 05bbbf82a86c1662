import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seamsOff } from '../../../test/checker.ts';
import { curve, p, pieceOf, straight } from '../../../test/parts.ts';
import { runs } from '../../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../../test/shells.ts';
import { type Computed, compute } from '../../document/compute.ts';
import { type Decisions, type ProjectDocument, usualDecisions } from '../../document/project.ts';
import { proofOf } from '../../document/proof/index.ts';
import {
  directionAlong,
  distance,
  endOf,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  ringsArea,
  selfCrossing,
  startOf,
  turn,
  union,
} from '../../geometry/index.ts';
import { flatRing, outlineOf, type Piece, type Role, ringAreaOf } from '../../pattern/index.ts';
import { deriveInside, splitFront, splitPiece } from '../index.ts';

const of = (piece: Piece | undefined, role: Role): Path =>
  piece?.ring.filter((e) => e.role === role).flatMap((e) => e.path) ?? [];
const find = (c: Computed, id: string): Piece => c.pieces.find((q) => q.id === id) as Piece;
const mm = (min: number, max: number) => fc.integer({ min, max });
const decided = (doc: ProjectDocument, facing: Partial<Decisions['facing']>): ProjectDocument => ({
  ...doc,
  decisions: { ...doc.decisions, facing: { ...doc.decisions.facing, ...facing } },
});
/** Everything that is walked or looked over holds, hems that flare apart. */
function holds(c: Computed): void {
  expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  const off = seamsOff(c);
  expect(off.map((s) => [s.code, s.differenceMm])).toEqual([]);
  const faults = proofOf(c).filter((k) => k.code !== 'hem' && k.code !== 'seams');
  expect(faults.flatMap((k) => k.faults)).toEqual([]);
  for (const q of c.pieces) expect([q.id, selfCrossing(flatRing(q.ring))]).toEqual([q.id, null]);
}

describe('a facing grown on', () => {
  test('the front is cut with it beyond the fold: mirrored neckline and shoulder, as often as before, nothing lost', () => {
    fc.assert(
      fc.property(coatFigures, mm(60, 100), (figures, width) => {
        const plain = decided(coatDocument(figures), { front: width });
        const doc = decided(plain, { kind: 'cut-on' });
        const [before, c] = [compute(plain), compute(doc)];
        if (before.findings.some((f) => f.severity === 'stop')) return;
        holds(c);
        const whole = find(c, 'p1');
        expect(whole.cut).toEqual(find(before, 'p1').cut);
        expect(c.inside.some((q) => q.id === 'front-facing')).toBe(false);
        const facing = find(before, 'front-facing');
        expect(ringAreaOf(whole.ring)).toBeCloseTo(ringAreaOf(find(before, 'p1').ring) + ringAreaOf(facing.ring), 3);
        for (const role of ['neckline', 'shoulder'] as const)
          expect(pathLength(of(whole, role))).toBeCloseTo(
            pathLength(of(find(before, 'p1'), role)) + pathLength(of(facing, role)),
            6,
          );
        expect(c.seams.some((s) => s.code === 'front-edge')).toBe(false);
        // Its interfacing, and the strip on the front, end at the crease untrimmed; 3 mm inside the seams elsewhere.
        const fold = whole.lines.find((l) => l.kind === 'fold')?.path ?? [];
        for (const id of ['front-facing-interfacing', 'front-edge-interfacing']) {
          const made = find(c, id);
          expect([made.cut.count, made.cut.onFold]).toEqual([2, false]);
          const along = flatRing(made.ring).filter((q) => nearestOn(fold, q).distance < 0.01);
          expect(along.length).toBeGreaterThan(1);
        }
      }),
      runs(15),
    );
  });

  test('a curved front edge cannot be folded: refused, and the lining still drafted', () => {
    const doc = decided(coatDocument(), { kind: 'cut-on' });
    const edge = doc.shell?.pieces[0]?.ring.find((e) => e.role === 'front-edge');
    if (!edge) throw new Error('no front edge');
    const [a, b] = [startOf(edge.path), endOf(edge.path)];
    edge.path = curve(a, p(a.x - 25, a.y - 300), p(b.x - 25, b.y + 300), b);
    const c = compute(doc);
    expect(c.findings.map((f) => f.code)).toContain('fold-not-straight');
    expect(c.inside.map((q) => q.id)).toEqual(expect.arrayContaining(['front-lining', 'back-facing']));
  });
});

describe('a lapel', () => {
  test('its facing is the edge itself up to the break point, and lies out over it by the turn of cloth at the top', () => {
    fc.assert(
      fc.property(coatFigures, mm(1, 6), mm(120, 400), mm(60, 95), (figures, out, breakAt, width) => {
        const doc = decided(coatDocument(figures), { kind: 'lapel', out, breakAt, front: width });
        const c = compute(doc);
        if (c.findings.some((f) => f.severity === 'stop')) return;
        holds(c);
        const [edge, own] = [of(find(c, 'p1'), 'front-edge'), of(find(c, 'front-facing'), 'front-edge')];
        const from = pathLength(edge) - breakAt;
        const off = (s: number): number => nearestOn(edge, pointAlong(own, s)).distance;
        for (const k of [0.1, 0.5, 0.95]) expect(off(from * k)).toBeLessThan(1e-6);
        expect(off(pathLength(own) - 0.01)).toBeCloseTo(out, 1);
        const rising = [0.2, 0.4, 0.6, 0.8, 1].map((k) => off(from + (pathLength(own) - from) * k - 0.01));
        expect([...rising].sort((x, y) => x - y)).toEqual(rising);
        // The inner line leaves the shoulder square, so that facing and lining run on smoothly into the back.
        const line = of(find(c, 'front-lining'), 'facing-line');
        const shoulder = of(find(c, 'p1'), 'shoulder');
        const bend = turn(directionAlong(line, pathLength(line)), directionAlong(shoulder, 60));
        expect(Math.abs(bend)).toBeCloseTo(Math.PI / 2, 3);
      }),
      runs(18),
    );
  });

  test('a drawn roll line says where it breaks', () => {
    const doc = decided(coatDocument(), { kind: 'lapel', out: 4, breakAt: 60 });
    const front = doc.shell?.pieces[0];
    const [edge] = front?.ring.filter((e) => e.role === 'front-edge') ?? [];
    if (!front || !edge) throw new Error('no front edge');
    const at = pointAlong(edge.path, pathLength(edge.path) - 310);
    front.lines.push({ kind: 'roll-line', path: straight(at, p(at.x + 70, at.y - 330)) });
    const own = of(find(compute(doc), 'front-facing'), 'front-edge');
    const off = (up: number): number => nearestOn(edge.path, pointAlong(own, pathLength(own) - up)).distance;
    expect([off(320) < 1e-6, off(200) > 0.3, off(1) > 3.9]).toEqual([true, true, true]);
  });

  test('a shawl: the facing takes the whole collar to its seam at centre back', () => {
    // Front edge and collar in one, its seam at centre back, the neck edge of the collar, shoulder, armhole, side, hem.
    const front = pieceOf('front', [
      [
        'front-edge',
        [...straight(p(-25, 700), p(-25, 320)), ...curve(p(-25, 320), p(-60, 200), p(-40, -20), p(20, -120))],
      ],
      ['centre-back', straight(p(20, -120), p(95, -95))],
      ['neckline', curve(p(95, -95), p(80, -60), p(76, -30), p(74, 0))],
      ['shoulder', straight(p(74, 0), p(200, 40))],
      ['armhole', curve(p(200, 40), p(185, 150), p(200, 225), p(265, 235))],
      ['side', straight(p(265, 235), p(285, 700))],
      ['hem', straight(p(285, 700), p(-25, 700))],
    ]);
    const facing = {
      ...usualDecisions().facing,
      kind: 'lapel' as const,
      front: 80,
      shoulder: 50,
      breakAt: 420,
      out: 3,
    };
    const split = splitFront(front, facing, 15);
    if (!split.ok) throw new Error(JSON.stringify(split.findings));
    expect(split.value.facing.map((e) => e.role)).toEqual([
      'front-edge',
      'centre-back',
      'neckline',
      'shoulder',
      'facing-line',
      'hem',
    ]);
    expect(split.value.lining.map((e) => e.role)).toEqual(['facing-line', 'shoulder', 'armhole', 'side', 'hem']);
    const both = union([flatRing(split.value.facing), flatRing(split.value.lining)]);
    expect(Math.abs(ringsArea(both))).toBeCloseTo(ringAreaOf(front.ring), 0);
    const d = usualDecisions();
    d.facing = facing;
    const made = deriveInside([front], d).pieces.find((q) => q.id === 'front-facing');
    const seam = of(made, 'centre-back');
    expect(pathLength(seam) - pathLength(of(front, 'centre-back'))).toBeGreaterThan(2.5);
    expect(made && selfCrossing(flatRing(made.ring))).toBeNull();
  });
});

describe('a deep back facing', () => {
  test('reaches square across to the armhole at its depth, or says which depths do', () => {
    fc.assert(
      fc.property(coatFigures, mm(20, 330), fc.boolean(), (figures, deep, sleeved) => {
        const plain = coatDocument(figures);
        const doc = decided(plain, { deep });
        if (!sleeved && doc.shell)
          doc.shell = { ...doc.shell, pieces: doc.shell.pieces.filter((q) => q.kind !== 'sleeve') };
        const c = compute(doc);
        const refused = c.findings.find((f) => f.code === 'deep-facing-range');
        if (refused) {
          const { least, most } = refused.data as Record<string, number>;
          expect(deep < Number(least) || deep > Number(most)).toBe(true);
          for (const fits of [least, most])
            expect(compute(decided(doc, { deep: Number(fits) })).findings.map((f) => f.code)).not.toContain(
              refused.code,
            );
          return;
        }
        if (c.findings.some((f) => f.severity === 'stop')) return;
        holds(c);
        const [shell] = piecesOf(doc).filter((q) => q.kind === 'back') as [Piece];
        const line = of(find(c, 'back-facing'), 'facing-line');
        const neck = pointAlong(of(shell, 'centre-back'), pathLength(of(shell, 'centre-back')));
        expect(Math.min(distance(startOf(line), neck), distance(endOf(line), neck))).toBeCloseTo(deep, 6);
        expect(nearestOn(outlineOf(shell.ring), pointAlong(line, pathLength(line) / 2)).distance).toBeGreaterThan(10);
        const parts = splitPiece(shell, doc.decisions);
        expect(parts?.ok && parts.value.facing.map((e) => e.role)).toContain('shoulder');
        expect(c.seams.find((s) => s.code === 'facing-shoulder')?.verdict).toMatch(/matches|as-meant/);
      }),
      runs(14),
    );
  });
});
