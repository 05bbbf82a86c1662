import { describe, expect, test } from '@jest/globals';
import { type Garment } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { PLAINLY, svgOfGarment, type Telling } from '../../test/piletelling.ts';
import { type ShellPiece } from '../document/project.ts';
import { distance, type Path, type Point, pathLength, pointAlong } from '../geometry/index.ts';
import { type Notch, renamedAs } from '../pattern/index.ts';
import { importSvg, untold } from './index.ts';

const SIZES = [
  { w: 260, l: 700, s: 120 },
  { w: 230, l: 580, s: 105 },
];
const LIES = [{}, { turn: 90 }, { turn: 180 }, { turn: 37 }, { mirror: true }, { turn: 180, mirror: true }].map(
  (t): Telling => ({ ...PLAINLY, ...t }),
);

const read = (svg: string, garment?: string): ShellPiece[] => {
  const r = importSvg(svg, undefined, untold, garment);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value.pieces;
};
const lengths = (edges: { role: string; path: Path }[]): Map<string, number> => {
  const out = new Map<string, number>();
  for (const { role, path } of edges) out.set(role, (out.get(role) ?? 0) + pathLength(path));
  return out;
};

/** Every piece without a telling name, what it is corrected by hand, one after the other. */
function corrected(pieces: ShellPiece[], g: Garment): ShellPiece[] {
  return g.pieces.reduce((now, { kind }, i) => now.map((p, k) => (k === i ? renamedAs(now, p, kind) : p)), pieces);
}

/** What is said of the pieces: their names, afterwards by hand, by the garment alone, or nothing. */
type Way = 'names' | 'hand' | 'garment' | 'nothing';

/** Length of the outlines of one cut that is called what it is, and of all, over every size and way of lying. */
function called(cut: string, way: Way): { right: number; all: number } {
  let [right, all] = [0, 0];
  // How far less is known without names shows in one size as well.
  for (const z of way === 'names' || way === 'hand' ? SIZES : SIZES.slice(0, 1))
    for (const t of LIES) {
      const g = (CUTS[cut] as (typeof CUTS)[string])(z);
      const found = read(svgOfGarment(g, { ...t, named: way === 'names' }), way === 'garment' ? g.garment : undefined);
      const pieces = way === 'hand' ? corrected(found, g) : found;
      for (const [i, p] of g.pieces.entries()) {
        const got = lengths(pieces[i]?.ring ?? []);
        for (const [role, length] of lengths(p.edges)) {
          // A front on the fold is told by its words alone; its edge is the centre front.
          const other = role === 'centre-front' ? (got.get('front-edge') ?? 0) : 0;
          right += Math.min(length, (got.get(role) ?? 0) + other);
          all += length;
        }
      }
    }
  return { right, all };
}

describe('what edges are called', () => {
  const each = (way: Way) => Object.keys(CUTS).map((cut) => ({ cut, ...called(cut, way) }));
  const share = (all: { right: number; all: number }[]): number =>
    all.reduce((s, e) => s + e.right, 0) / all.reduce((s, e) => s + e.all, 0);

  test('of named pieces nearly all, however they lie: round fronts, wraps, collars, skirts', () => {
    const found = each('names');
    expect(share(found)).toBeGreaterThan(0.97);
    const low = found.filter((e) => e.right / e.all < 0.99).map((e) => e.cut);
    for (const cut of ['wrap', 'skirt', 'rounded jacket', 'dress']) expect(low).not.toContain(cut);
  });

  test('of pieces without a telling name, once a hand has said what each is', () => {
    expect(share(each('hand'))).toBeGreaterThan(0.96);
  });

  // A shirt has no skirt (common practice): what is made narrows down what its pieces can be.
  test('of pieces without a telling name more, where it is said what they make', () => {
    const [told, untoldOf] = [share(each('garment')), share(each('nothing'))];
    expect(told).toBeGreaterThan(untoldOf + 0.01);
    expect(told).toBeGreaterThan(0.78);
  });

  // A cuff or waistband with round corners is sewn by its one straight edge (common practice).
  test('a band of two edges is sewn by the straight one, however it lies', () => {
    const d = 'M0,0 L240,0 L240,40 C240,51 231,60 220,60 L20,60 C9,60 0,51 0,40 Z';
    for (const [name, sewn, free] of [
      ['Cuff', 'cuff-seam', 'cuff-edge'],
      ['Waistband', 'waist', 'band-edge'],
    ])
      for (const lie of ['', 'rotate(90)', 'rotate(180)', 'rotate(37)', 'scale(-1 1)', 'scale(1 -1)']) {
        const [piece] = read(
          `<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="900mm" viewBox="-450 -450 900 900"><path id="${name}" transform="${lie}" d="${d}"/></svg>`,
        );
        const long = (role?: string) => pathLength(piece?.ring.find((e) => e.role === role)?.path ?? []);
        expect([lie, long(sewn)]).toEqual([lie, expect.closeTo(240, 3)]);
        expect(long(free)).toBeGreaterThan(300);
      }
  });

  test('named anew, a round corner is parted or joined as its sides are called; notches stay where they are', () => {
    const g = (CUTS['rounded jacket'] as (typeof CUTS)[string])(SIZES[0] as (typeof SIZES)[number]);
    const pieces = read(svgOfGarment(g));
    const front = pieces[0] as ShellPiece;
    const marked = {
      ...front,
      notches: front.ring.map((e): Notch => ({ edge: e.id, at: pathLength(e.path) / 3, kind: 'single' })),
    };
    const spots = (p: ShellPiece) =>
      p.notches.map((n) => pointAlong(p.ring.find((e) => e.id === n.edge)?.path ?? [], n.at));
    const other = renamedAs(pieces, marked, 'skirt-front');
    expect(other.ring.every((e) => !['armhole', 'shoulder', 'front-edge'].includes(e.role))).toBe(true);
    const back = renamedAs(pieces, other, 'front');
    expect([...lengths(back.ring)].sort()).toEqual([...lengths(front.ring)].sort());
    for (const p of [other, back])
      for (const [i, at] of spots(marked).entries()) expect(distance(at, spots(p)[i] as Point)).toBeLessThan(0.01);
  });

  // Two readings of one shape: which is right shows only beside the pieces it is sewn to.
  test('a reading that hardly beats another is told as unsure', () => {
    const g = (CUTS.skirt as (typeof CUTS)[string])(SIZES[0] as (typeof SIZES)[number]);
    const named = read(svgOfGarment(g));
    const unnamed = read(svgOfGarment(g, { ...PLAINLY, named: false }));
    const surest = (p: ShellPiece): number => Math.max(...p.ring.map((e) => e.confidence));
    expect(surest(named[0] as ShellPiece)).toBeGreaterThan(0.7);
    expect(surest(unnamed[1] as ShellPiece)).toBeLessThanOrEqual(0.6);
  });
});
