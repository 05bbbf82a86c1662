import { expect, test } from '@jest/globals';
import { type StashCloth } from '../cutting/index.ts';
import { PRACTICE, scrapsFrom } from './practice.ts';

const rest = (id: string, width: number, length: number, more: Partial<StashCloth> = {}): StashCloth => ({
  ...{ id, name: id, sort: 'plain', fibre: 'cotton', width, length, price: 0, note: '', of: 's1', used: null },
  ...{ shrinks: { along: 0, across: 0 }, outline: [], flaws: [], ...more },
});
/** Two rectangles of 220 by 90. */
const { scraps } = PRACTICE['collar-points'];

test('scraps come from the smallest leftover that holds them all: by its outline, clear of its holes, turned where that helps', () => {
  const [small, narrow, large] = [rest('small', 215, 200), rest('narrow', 95, 460), rest('large', 500, 500)];
  expect(scrapsFrom([large, small, narrow], scraps)?.id).toBe('narrow');
  expect(scrapsFrom([small], scraps)).toBeNull();
  // As wide and long at its widest, but half of it is gone; or it has a hole where they would lie.
  const half = [
    { x: 0, y: 0 },
    { x: 240, y: 0 },
    { x: 0, y: 200 },
  ];
  expect(scrapsFrom([rest('triangle', 240, 200, { outline: half })], scraps)).toBeNull();
  expect(scrapsFrom([rest('whole', 240, 200)], scraps)?.id).toBe('whole');
  const hole = { x0: 100, x1: 140, y0: 60, y1: 140 };
  expect(scrapsFrom([rest('holed', 240, 200, { flaws: [hole] })], scraps)).toBeNull();
});
