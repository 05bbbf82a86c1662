import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gapBetween } from '../../test/checker.ts';
import { runs } from '../../test/runs.ts';
import { cubic, flatten, largestGap, line, type Path, selfCrossing, signedArea } from '../geometry/index.ts';
import { cutLine, type Edge, outlineOf, seamLineFromCut } from './index.ts';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const p = (x: number, y: number) => ({ x, y });
const edge = (id: string, path: Path, allowance: number): Edge => ({
  id,
  role: 'plain',
  path,
  allowance,
  corner: 'mitred',
  onFold: false,
});

describe('cut lines of bands and bags', () => {
  test('a stand whose upper edge steps in where the collar ends: no loop at its inner corners', () => {
    const figures = fc.record({ w: mm(150, 260), h: mm(20, 45), step: mm(1, 14), ext: mm(8, 30), bow: mm(-12, 12) });
    fc.assert(
      fc.property(figures, mm(0, 8), mm(3, 25), fc.boolean(), fc.boolean(), (f, r, allowance, one, sharp) => {
        const { w, h, step, ext, bow } = f;
        const inner = (from: number, to: number, a: number, b: number) =>
          sharp
            ? line(p(from, a), p(to, b))
            : cubic(p(from, a), p(from + (to - from) / 2, a - 0.5), p(to - (to - from) / 4, (a + b) / 2), p(to, b));
        const top: Path = [
          cubic(p(-w - ext, h), p(-w - ext, h * 0.5), p(-w - ext + r, step + 1), p(-w - 1, step)),
          inner(-w - 1, -w + 1, step, 0),
          cubic(p(-w + 1, 0), p(-w / 3, bow), p(w / 3, bow), p(w - 1, 0)),
          inner(w - 1, w + 1, 0, step),
          cubic(p(w + 1, step), p(w + ext - r, step + 1), p(w + ext, h * 0.5), p(w + ext, h)),
        ];
        const low: Path = [cubic(p(w + ext, h), p(w / 3, h - bow), p(-w / 3, h - bow), p(-w - ext, h))];
        const upper = one ? [edge('t', top, allowance)] : top.map((s, i) => edge(`t${i}`, [s], allowance));
        const { outline } = cutLine([...upper, edge('b', low, allowance)]);
        expect(largestGap(outline, true)).toBe(0);
        expect(selfCrossing(flatten(outline, 0.02).slice(0, -1))).toBeNull();
        expect(signedArea(outline)).toBeGreaterThan(0);
      }),
      runs(150),
    );
  });

  test('an outline with one corner, as of a pocket bag, is one edge that meets itself: cut line and back again', () => {
    fc.assert(
      fc.property(mm(120, 200), mm(90, 160), mm(5, 20), (long, wide, allowance) => {
        const bag: Path = [
          cubic(p(0, 0), p(wide * 0.5, 8), p(wide, long * 0.3), p(wide, long)),
          cubic(p(wide, long), p(wide, long * 1.5), p(wide * 0.3, long * 1.5), p(0, long)),
          line(p(0, long), p(0, 0)),
        ];
        const { outline } = cutLine([edge('e1', bag, allowance)]);
        expect(largestGap(outline, true)).toBe(0);
        expect(gapBetween(bag, outline).least).toBeCloseTo(allowance, 1);
        const back = seamLineFromCut([edge('e1', outline, allowance)]);
        expect(gapBetween(bag, outlineOf(back)).most).toBeLessThan(0.05);
      }),
      runs(40),
    );
  });
});
