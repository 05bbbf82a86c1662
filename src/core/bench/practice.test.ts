import { expect, test } from '@jest/globals';
import { type StashCloth } from '../cutting/index.ts';
import { pathLength, polyline } from '../geometry/index.ts';
import { PRACTICE, PRACTICES, scrapsFrom } from './practice.ts';
import { type PracticeFigure, practiceSteps } from './practicesteps.ts';

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

const figure = (steps: ReturnType<typeof practiceSteps>, code: PracticeFigure) =>
  steps.flatMap((s) => s.figures).find((f) => f.code === code)?.value ?? Number.NaN;

test('what is drawn on the scraps is what the figures say, and lies on them', () => {
  for (const id of PRACTICES)
    for (const { figures, lines } of practiceSteps(id)) {
      expect(figures.length).toBeLessThanOrEqual(3);
      for (const { on, path } of lines) {
        const { width = 0, length = 0 } = PRACTICE[id].scraps.find((s) => s.as.includes(on)) ?? {};
        expect(path.filter((p) => p.x < 0 || p.y < 0 || p.x > width || p.y > length)).toEqual([]);
      }
    }
  // Both points as far from the middle of the scrap.
  const collar = practiceSteps('collar-points');
  const [, a, b] = collar[2]?.lines[0]?.path ?? [];
  const out = figure(collar, 'from-middle');
  expect([110 - (a?.x ?? 0), (b?.x ?? 0) - 110]).toEqual([out, out]);
  // Of two hems of 40 mm the line begins 80 mm from the corner, and goes through where the creases cross: common practice.
  const mitre = practiceSteps('mitre');
  expect(mitre[3]?.lines[0]?.path).toEqual([
    { x: 80, y: 0 },
    { x: 0, y: 80 },
  ]);
  expect(figure(mitre, 'mark-along')).toBe(80);
  // The cap is longer along its line by the ease that is said.
  const sleeve = practiceSteps('set-in-sleeve');
  const [cap, armhole] = (sleeve[3]?.lines ?? []).map((l) => pathLength(polyline([...l.path])));
  expect((cap ?? 0) - (armhole ?? 0)).toBeCloseTo(figure(sleeve, 'ease'), 1);
});

test('turned, the collar has both right sides outside; of the sandwich the yokes lie right sides out on either side', () => {
  const after = (id: 'collar-points' | 'sandwich-roll', code: string) =>
    practiceSteps(id)
      .find((s) => s.code === code)
      ?.layers?.after.map((side) => side.map((p) => `${p.part} ${p.up}`));
  expect(after('collar-points', 'turn')).toEqual([['upper-collar wrong', 'under-collar right']]);
  expect(after('sandwich-roll', 'press')).toEqual([['back right'], ['inner-yoke wrong', 'outer-yoke right']]);
});
