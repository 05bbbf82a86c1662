import { describe, expect, test } from '@jest/globals';
import { shellOf } from '../../test/shells.ts';
import { type ShellPiece } from '../document/project.ts';
import { addMark, dropMark, grainAlong, setGrain } from './index.ts';

describe('grainline and marks', () => {
  const front = shellOf().pieces[0] as ShellPiece;
  test('a grainline laid along an edge is parallel to it and keeps its upper end up', () => {
    const side = front.ring.find((e) => e.role === 'side');
    if (!side) throw new Error('no side');
    const { a, b } = grainAlong(front, side).grain;
    const [s, t] = [side.path[0]?.a, side.path[0]?.b];
    if (!s || !t) throw new Error('no path');
    const cross = (b.x - a.x) * (t.y - s.y) - (b.y - a.y) * (t.x - s.x);
    expect(Math.abs(cross) / Math.hypot(b.x - a.x, b.y - a.y) / Math.hypot(t.x - s.x, t.y - s.y)).toBeLessThan(1e-9);
    expect(b.y).toBeLessThan(a.y);
    expect(setGrain(front, { x: 1, y: 2 }, { x: 3, y: 4 }).grain).toEqual({ a: { x: 1, y: 2 }, b: { x: 3, y: 4 } });
  });
  test('marks come and go; the last one leaves nothing behind', () => {
    const two = addMark(addMark(front, { kind: 'dot', at: { x: 1, y: 1 } }), { kind: 'square', at: { x: 2, y: 2 } });
    expect(dropMark(two, 0).marks).toEqual([{ kind: 'square', at: { x: 2, y: 2 } }]);
    expect(dropMark(dropMark(two, 0), 0)).toEqual(front);
  });
});
