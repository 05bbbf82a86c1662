import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { coatFigures, shellOf } from '../../test/shells.ts';
import { type ShellPiece } from '../document/project.ts';
import { distance, pathLength, pointAlong, signedArea } from '../geometry/index.ts';
import { dropNotch, isClosed, joinEdge, moveCorner, partEdge, setNotch } from './index.ts';

const value = <T>(r: { ok: true; value: T } | { ok: false; findings: { code: string }[] }): T => {
  if (!r.ok) throw new Error(r.findings.map((f) => f.code).join());
  return r.value;
};
const area = (p: ShellPiece): number => signedArea(p.ring.flatMap((e) => e.path));
/** Where each notch lies on the sheet. */
const places = (p: ShellPiece) =>
  p.notches
    .map((n) => pointAlong(p.ring.find((e) => e.id === n.edge)?.path ?? [], n.at))
    .sort((a, b) => a.x - b.x || a.y - b.y);
const sameOutline = (a: ShellPiece, b: ShellPiece): void => {
  expect(isClosed(b)).toBe(true);
  expect(area(b)).toBeCloseTo(area(a), 6);
  const [p, q] = [places(a), places(b)];
  expect(q).toHaveLength(p.length);
  for (const [i, x] of p.entries()) expect(distance(x, q[i] as typeof x)).toBeLessThan(1e-4);
};

describe('corners', () => {
  test('an edge parted and joined again is the edge; the outline and its notches never move', () => {
    fc.assert(
      fc.property(coatFigures, fc.nat(2), fc.nat(5), fc.double({ min: 0.1, max: 0.9, noNaN: true }), (f, i, k, t) => {
        const piece = shellOf(f).pieces[i] as ShellPiece;
        const edge = piece.ring[k % piece.ring.length] as ShellPiece['ring'][number];
        const parted = value(partEdge(piece, edge.id, pathLength(edge.path) * t));
        expect(parted.ring).toHaveLength(piece.ring.length + 1);
        expect(parted.ring.filter((e) => e.role === edge.role).length).toBeGreaterThan(1);
        sameOutline(piece, parted);
        const joined = value(joinEdge(parted, edge.id));
        sameOutline(piece, joined);
        expect(joined.ring.map((e) => [e.id, e.role])).toEqual(piece.ring.map((e) => [e.id, e.role]));
        const again = joined.ring.find((e) => e.id === edge.id);
        expect(pathLength(again?.path ?? [])).toBeCloseTo(pathLength(edge.path), 4);
      }),
      runs(40),
    );
  });

  test('a moved corner lies where it was put, its two edges keep their names, all others their lengths', () => {
    fc.assert(
      fc.property(coatFigures, fc.nat(2), fc.nat(5), fc.double({ min: 0.15, max: 0.85, noNaN: true }), (f, i, k, t) => {
        const piece = shellOf(f).pieces[i] as ShellPiece;
        const edge = piece.ring[k % piece.ring.length] as ShellPiece['ring'][number];
        const wish = pointAlong(edge.path, pathLength(edge.path) * t);
        const moved = value(moveCorner(piece, edge.id, pathLength(edge.path) * t));
        sameOutline(piece, moved);
        expect(moved.ring.map((e) => e.role).sort()).toEqual(piece.ring.map((e) => e.role).sort());
        expect(moved.ring.map((e) => e.id).sort()).toEqual(piece.ring.map((e) => e.id).sort());
        expect(Math.min(...moved.ring.map((e) => distance(e.path[0]?.a ?? { x: 0, y: 0 }, wish)))).toBeLessThan(1e-4);
        const changed = moved.ring.filter((e) => {
          const before = piece.ring.find((q) => q.id === e.id);
          return Math.abs(pathLength(e.path) - pathLength(before?.path ?? [])) > 1e-3;
        });
        expect(changed).toHaveLength(2);
      }),
      runs(40),
    );
  });

  test('too near an end, no such edge, the last corner: refused', () => {
    const piece = shellOf().pieces[0] as ShellPiece;
    const code = (r: ReturnType<typeof partEdge>) => (r.ok ? null : r.findings[0]?.code);
    expect(code(partEdge(piece, 'e1', 1))).toBe('corner-too-near');
    expect(code(partEdge(piece, 'e99', 50))).toBe('edge-unknown');
    let one = piece;
    while (one.ring.length > 1) one = value(joinEdge(one, one.ring[0]?.id ?? ''));
    expect(area(one)).toBeCloseTo(area(piece), 6);
    expect(code(joinEdge(one, one.ring[0]?.id ?? ''))).toBe('last-corner');
  });

  test('a notch takes the place of one that is nearer than 5 mm, and can be taken away', () => {
    const bare = { ...(shellOf().pieces[0] as ShellPiece), notches: [] };
    const one = setNotch(bare, 'e5', 100, 'single');
    const two = setNotch(setNotch(one, 'e5', 103, 'double'), 'e5', 200, 'single');
    expect(two.notches).toEqual([
      { edge: 'e5', at: 103, kind: 'double' },
      { edge: 'e5', at: 200, kind: 'single' },
    ]);
    expect(dropNotch(two, { edge: 'e5', at: 103, kind: 'double' }).notches).toHaveLength(1);
  });
});
