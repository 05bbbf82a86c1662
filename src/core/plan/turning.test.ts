import { expect, test } from '@jest/globals';
import { surfaceFrom } from '../../test/sheet.ts';
import { handlesClosed } from '../garment/index.ts';
import { type Joint, type Part } from './index.ts';

const part = (id: 'front' | 'back', folded: boolean): Part => ({
  id,
  of: id,
  kind: id,
  material: 'shell',
  layer: 'outer',
  covered: true,
  fused: null,
  cut: 2,
  darts: 0,
  pleats: 0,
  paired: !folded,
  ring: (['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'hem'] as const).map((role, i) => ({
    id: role,
    role: i === 0 && id === 'front' ? ('centre-front' as const) : role,
    length: 100,
    onFold: i === 0 && folded,
    allowance: 15,
    bends: [],
  })),
});

const joint = (role: string): Joint => {
  const self = { 'centre-front': 'front', 'centre-back': 'back' }[role];
  const [a, b] = self ? [`${self}/centre-back`, `${self}/centre-back`] : [`front/${role}`, `back/${role}`];
  return {
    id: role,
    code: role as Joint['code'],
    a: [a],
    b: [b],
    lengthA: 100,
    lengthB: 100,
    closing: false,
    allowance: 15,
  };
};

const handlesOf = (parts: Part[], sewn: Joint[], shut: ReadonlySet<string>): number =>
  handlesClosed(surfaceFrom(parts, sewn), (e) => shut.has(`${e.piece}/${e.edge}`));

/** The rule of the trade: neck and armholes closed, parts joined only by tubes; no circle of parts may hold a tube. */
function turnsByRule(parts: Part[], sewn: string[]): boolean {
  const copies = (id: string): string[] => (parts.find((p) => p.id === id)?.paired ? [`${id} L`, `${id} R`] : [id, id]);
  const [fronts, backs] = [copies('front'), copies('back')] as [string[], string[]];
  const group = new Map<string, string>();
  const find = (x: string): string => (group.has(x) ? find(group.get(x) as string) : x);
  const join = (a: string, b: string): boolean => {
    const [x, y] = [find(a), find(b)];
    if (x !== y) group.set(x, y);
    return x !== y;
  };
  const [fl, fr] = fronts as [string, string];
  const [bl, br] = backs as [string, string];
  const pairsOf: Record<string, [string, string][]> = {
    side: [
      [fl, bl],
      [fr, br],
    ],
    'centre-front': [[fl, fr]],
    'centre-back': [[bl, br]],
    shoulder: [
      [fl, bl],
      [fr, br],
    ],
  };
  for (const s of sewn.filter((x) => x !== 'shoulder')) for (const [a, b] of pairsOf[s] ?? []) join(a, b);
  return !sewn.includes('shoulder') || (pairsOf.shoulder ?? []).every(([a, b]) => join(a, b));
}

// Rule: parts and tubes without a circle (common practice); surface: Euler's characteristic. Two accounts of one fact.
test('a bodice closed at neck and armholes: the surface and the rule of parts and tubes agree in all sixty-four cases', () => {
  let turned = 0;
  for (const folded of [
    [true, true],
    [true, false],
    [false, true],
    [false, false],
  ] as const)
    for (let mask = 0; mask < 16; mask++) {
      const parts = [part('front', folded[0]), part('back', folded[1])];
      const sewn = ['shoulder', 'side', 'centre-front', 'centre-back'].filter(
        (s, i) => mask & (1 << i) && !(s === 'centre-front' && folded[0]) && !(s === 'centre-back' && folded[1]),
      );
      const shut = new Set(['front', 'back'].flatMap((p) => [`${p}/neckline`, `${p}/armhole`]));
      const flat = handlesOf(parts, sewn.map(joint), shut) === 0;
      expect([folded, sewn, flat]).toEqual([folded, sewn, turnsByRule(parts, sewn)]);
      turned += flat ? 1 : 0;
    }
  expect(turned).toBeGreaterThan(20);
  expect(turned).toBeLessThan(60);
});

test('known surfaces: a ring closed at both borders is a torus, at one a sphere with holes', () => {
  const ring = [part('front', true), part('back', true)];
  const sides = [joint('side'), joint('shoulder')];
  const edges = (...roles: string[]) => new Set(roles.flatMap((r) => [`front/${r}`, `back/${r}`]));
  expect(handlesOf(ring, sides, edges('neckline'))).toBe(0);
  expect(handlesOf(ring, sides, edges('neckline', 'hem'))).toBe(1);
  // All four borders of a sleeveless body, closed twice over: three handles, as for a sphere with four tubes.
  expect(handlesOf(ring, sides, edges('neckline', 'hem', 'armhole'))).toBe(3);
});

// Euler's formula, a fact of topology: a sheet with k borders, closed along m of them with its like, has m − 1 handles.
test('a ring of any number of panels, closed along one border or both', () => {
  const edge = (id: string, role: 'neckline' | 'side' | 'hem') => ({
    id,
    role,
    length: 100,
    onFold: false,
    allowance: 15,
    bends: [],
  });
  for (let n = 2; n <= 7; n++) {
    const parts = Array.from({ length: n }, (_, i): Part => {
      const ring = [edge('neck', 'neckline'), edge('right', 'side'), edge('hem', 'hem'), edge('left', 'side')];
      return { ...part('front', false), id: `p${i}`, of: `p${i}`, ring, paired: false };
    });
    const seams = parts.map(
      (_, i): Joint => ({ ...joint('side'), id: `s${i}`, a: [`p${i}/right`], b: [`p${(i + 1) % n}/left`] }),
    );
    const shut = (...ids: string[]) => new Set(parts.flatMap((p) => ids.map((id) => `${p.id}/${id}`)));
    expect(handlesOf(parts, seams, shut('neck'))).toBe(0);
    expect(handlesOf(parts, seams, shut('neck', 'hem'))).toBe(1);
    expect(handlesOf(parts, seams.slice(1), shut('neck', 'hem'))).toBe(0);
  }
});
