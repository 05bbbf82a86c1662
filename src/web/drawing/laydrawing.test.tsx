/** @jest-environment jsdom */

import { ChakraProvider } from '@chakra-ui/react';
import { afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { type ClothSaid, type Lying, lyingOf, type Placed, usualCutting } from '../../core/cutting/index.ts';
import { type Point, ringArea } from '../../core/geometry/index.ts';
import { cutLine, type Piece } from '../../core/pattern/index.ts';
import { asInBrowser } from '../../test/window.ts';
import { system } from '../theme/system.ts';
import { LayDrawing } from './LayDrawing.tsx';

beforeAll(asInBrowser);
afterEach(cleanup);

/** A piece that is no mirror image of itself: 200 by 300, a corner cut off at its upper right. */
const at: Point[] = [
  { x: 0, y: 0 },
  { x: 120, y: 0 },
  { x: 200, y: 160 },
  { x: 200, y: 300 },
  { x: 0, y: 300 },
];
const piece = {
  ...{ id: 'flap', name: 'Flap', kind: 'other', material: 'shell', notches: [], lines: [], reasons: [] },
  ...{ cut: { count: 1, pair: false, onFold: false }, grain: { a: { x: 60, y: 250 }, b: { x: 60, y: 50 } } },
  ring: at.map((a, i) => ({
    ...{ id: `e${i}`, role: 'plain', onFold: false, allowance: 0 },
    path: [{ k: 'L', a, b: at[(i + 1) % at.length] }],
  })),
} as unknown as Piece;

const lines = new Map([['flap', cutLine(piece.ring)]]);
const cloth = usualCutting().cloths[0] as ClothSaid;

function drawn(of: ClothSaid, placed: Partial<Placed>) {
  const move = jest.fn<(q: Lying, to: Point) => void>();
  const [q] = lyingOf(
    of,
    [{ piece: 'flap', copy: 0, turn: 0, mirrored: false, x: 40, y: 60, ...placed }],
    [piece],
    lines,
  ) as [Lying];
  const { container } = render(
    <ChakraProvider value={system}>
      <LayDrawing
        {...{ cloth: of, lying: [q], length: 900, faulty: new Set<string>(), units: 'mm', height: 400 }}
        hand={{ move, turn: () => undefined, pin: () => undefined }}
      />
    </ChakraProvider>,
  );
  const cut = container.querySelector('[data-cut]') as SVGGElement;
  const d = cut.querySelector('path')?.getAttribute('d') ?? '';
  const ring = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }));
  return { ring, cut, move, q };
}

describe('a lay on the screen', () => {
  test('shows each piece as it lies: never mirrored, face down only where it is laid so, from either side of the table', () => {
    for (const foldFar of [false, true])
      for (const turn of [0, 180])
        for (const mirrored of [false, true]) {
          const { ring } = drawn({ ...cloth, lies: 'folded', foldFar }, { turn, mirrored });
          expect(Math.sign(ringArea(ring))).toBe((mirrored ? -1 : 1) * Math.sign(ringArea(at)));
          expect(Math.abs(ringArea(ring))).toBeCloseTo(Math.abs(ringArea(at)), 0);
          cleanup();
        }
  });

  test('its length runs to the right, with the left selvedge or the fold nearest; an arrow moves a piece the way it points', () => {
    const near = drawn(cloth, {});
    // 40 from the selvedge that is nearest, which is drawn at 1400; 60 from the cut end.
    expect(Math.max(...near.ring.map((p) => p.y))).toBeCloseTo(1400 - 40, 1);
    expect(Math.min(...near.ring.map((p) => p.x))).toBeCloseTo(60, 1);
    fireEvent.keyDown(near.cut, { key: 'ArrowDown' });
    fireEvent.keyDown(near.cut, { key: 'ArrowRight' });
    expect(near.move.mock.calls.map(([, to]) => to)).toEqual([
      { x: 30, y: 60 },
      { x: 40, y: 70 },
    ]);
    cleanup();
    const far = drawn({ ...cloth, lies: 'folded', foldFar: true }, {});
    expect(Math.min(...far.ring.map((p) => p.y))).toBeCloseTo(40, 1);
    expect(Math.max(...far.ring.map((p) => p.x))).toBeCloseTo(900 - 60, 1);
    fireEvent.keyDown(far.cut, { key: 'ArrowDown' });
    fireEvent.keyDown(far.cut, { key: 'ArrowRight' });
    expect(far.move.mock.calls.map(([, to]) => to)).toEqual([
      { x: 50, y: 60 },
      { x: 40, y: 50 },
    ]);
  });
});
