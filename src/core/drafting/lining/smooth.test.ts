import { describe, expect, test } from '@jest/globals';
import { seamsOff } from '../../../test/checker.ts';
import { UNLIKE } from '../../../test/unlike.ts';
import { type Computed, compute } from '../../document/compute.ts';
import { type Fullness, type ProjectDocument } from '../../document/project.ts';
import { proofOf } from '../../document/proof/index.ts';
import { pathLength, selfCrossing } from '../../geometry/index.ts';
import { flatRing, type Piece, type Role, ringAreaOf } from '../../pattern/index.ts';

const made = (name: string, fullness: Fullness): Computed => {
  const doc = (UNLIKE[name] as () => ProjectDocument)();
  Object.assign(doc.decisions.lining, { on: true, fullness, raise: 0, out: 0 });
  return compute(doc);
};
const find = (c: Computed, id: string): Piece => c.pieces.find((p) => p.id === id) as Piece;
const length = (p: Piece, role: Role): number =>
  p.ring.filter((e) => e.role === role).reduce((t, e) => t + pathLength(e.path), 0);

describe('a lining without the fullness of its shell', () => {
  test('of a front gathered on to its yoke: as wide there as the yoke’s, all other edges as long as they were', () => {
    const [kept, out] = [made('shirt with a yoke in front', 'kept'), made('shirt with a yoke in front', 'out')];
    const [was, is] = [find(kept, 'front-lining'), find(out, 'front-lining')];
    const yoke = length(find(out, 'other.p1-lining'), 'yoke-seam');
    expect(length(was, 'yoke-seam') - yoke).toBeGreaterThan(60);
    expect(length(is, 'yoke-seam')).toBeCloseTo(yoke, 0);
    for (const role of ['side', 'armhole', 'facing-line'] as const)
      expect(length(is, role)).toBeCloseTo(length(was, role), 6);
    // Trued where it was parted: a hair shorter.
    expect(Math.abs(length(is, 'hem') - length(was, 'hem'))).toBeLessThan(1);
    // A wedge is folded out: half of its width at the yoke times the height below it.
    const take = is.reasons.find((r) => r.rule === 'fullness-out')?.value ?? 0;
    const wedge = (take * length(is, 'facing-line')) / 2;
    expect((ringAreaOf(was.ring) - ringAreaOf(is.ring)) / wedge).toBeCloseTo(1, 1);
    expect(take).toBeCloseTo(length(was, 'yoke-seam') - yoke, 0);
  });

  test.each([
    ['shirt with a yoke in front', 'front-lining'],
    ['dress of yoke, bust piece and gathered front, a keyhole behind', null],
    ['dress with one shoulder, pleats and a slit', 'front-lining'],
  ] as const)('%s: every outline is whole, every seam walks, no gathers or pleats are left', (name, id) => {
    const c = made(name, 'out');
    expect(c.findings.map((f) => f.code)).not.toContain('fullness-kept');
    const off = (x: Computed): string[] =>
      seamsOff(x)
        .filter((y) => y.easeOf !== 'flare')
        .map((y) => y.id);
    const before = off(made(name, 'kept'));
    expect(off(c).filter((y) => !before.includes(y))).toEqual([]);
    for (const p of c.inside) expect([p.id, selfCrossing(flatRing(p.ring))]).toEqual([p.id, null]);
    expect(
      proofOf(c)
        .filter((k) => k.code === 'outline' || k.code === 'cut')
        .flatMap((k) => k.faults),
    ).toEqual([]);
    const linings = c.inside.filter((p) => p.material === 'lining');
    expect(linings.some((p) => p.reasons.some((r) => r.rule === 'fullness-out'))).toBe(true);
    expect(linings.flatMap((p) => p.lines.filter((l) => l.kind === 'gather'))).toEqual([]);
    if (id) expect(find(c, id).lines.filter((l) => l.kind === 'pleat')).toEqual([]);
  });
});
