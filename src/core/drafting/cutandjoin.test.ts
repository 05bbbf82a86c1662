import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seamsOff } from '../../test/checker.ts';
import { type Cutting, cutUp } from '../../test/cutup.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { type Computed, compute } from '../document/compute.ts';
import { type ProjectDocument, type ShellPiece } from '../document/project.ts';
import { selfCrossing } from '../geometry/index.ts';
import { flatRing, type Material, type Role, ringAreaOf } from '../pattern/index.ts';

/** Where panels are cut from fronts and backs: a princess line, a yoke, a waist seam, a line down from the neck. */
const LINES: [Role, Role, Role][] = [
  ['shoulder', 'hem', 'panel-seam'],
  ['armhole', 'hem', 'panel-seam'],
  ['neckline', 'hem', 'panel-seam'],
  ['front-edge', 'armhole', 'yoke-seam'],
  ['front-edge', 'side', 'yoke-seam'],
];
const share = fc.double({ min: 0.35, max: 0.65, noNaN: true });
const bulge = fc.double({ min: -0.06, max: 0.06, noNaN: true });
const cutting: fc.Arbitrary<Cutting> = fc
  .tuple(fc.constantFrom(...LINES), share, share, bulge, bulge)
  .map(([[a, b, seam], from, to, x, y]) => ({ from: [a, from], to: [b, to], bulge: [x, y], seam }));

/** A coat with its front cut into panels; null where the same cloth would be cut twice. */
function cutCoat(doc: ProjectDocument, cuts: Cutting[], turn: number): ProjectDocument | null {
  const { shell } = doc;
  if (!shell) return null;
  let pieces: ShellPiece[] = shell.pieces;
  for (const [k, c] of cuts.entries()) {
    const front = pieces.find((p) => p.kind === 'front') as ShellPiece;
    const made = cutUp(front, c, `Panel ${k + 1}`, turn + k);
    if (!made) return null;
    pieces = [...pieces.flatMap((p) => (p === front ? [made[0]] : [p])), made[1]];
  }
  return { ...doc, shell: { ...shell, pieces } };
}

const areaOf = (c: Computed, material: Material, of: (p: string) => boolean): number =>
  c.inside.filter((p) => p.material === material && of(p.parent ?? '')).reduce((t, p) => t + ringAreaOf(p.ring), 0);
const ofFront = (id: string): boolean => id.startsWith('p1');

test('a front cut into panels anywhere and joined again has the facing, the lining and the seams of the uncut one', () => {
  const reached = new Map<string, number>();
  fc.assert(
    fc.property(
      coatFigures,
      fc.array(cutting, { minLength: 1, maxLength: 2 }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (figures, cuts, turn) => {
        const doc = coatDocument(figures);
        Object.assign(doc.decisions.lining, { raise: 0, out: 0 });
        doc.decisions.closure.on = false;
        const cut = cutCoat(doc, cuts, turn);
        const whole = compute(doc);
        if (!cut || whole.findings.some((f) => f.severity === 'stop')) return;
        const c = compute(cut);
        // Two cuts may cross each other: no panels come of that.
        if (c.shell.some((p) => selfCrossing(flatRing(p.ring)))) return;
        if (c.findings.some((f) => f.code === 'lining-sliver')) return;
        const lines = cuts.map((x) => `${x.from[0]} to ${x.to[0]}`).join(', ');
        expect([lines, c.findings.filter((f) => f.severity === 'stop')]).toEqual([lines, []]);
        for (const material of ['facing', 'lining'] as const) {
          const [was, is] = [areaOf(whole, material, ofFront), areaOf(c, material, ofFront)];
          expect([lines, material, Math.abs(is / was - 1) < 1e-3, is, was]).toEqual([lines, material, true, is, was]);
        }
        for (const p of c.inside) expect([p.id, selfCrossing(flatRing(p.ring))]).toEqual([p.id, null]);
        const off = seamsOff(c).filter((s) => s.easeOf !== 'flare');
        expect([lines, off.map((s) => [s.id, s.differenceMm])]).toEqual([lines, []]);
        reached.set(lines, (reached.get(lines) ?? 0) + 1);
      },
    ),
    runs(20, true),
  );
  expect(reached.size).toBeGreaterThan(4);
});
