import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  type Closure,
  type ClosureChoice,
  deriveClosure,
  HOLE_STATES,
  usualPlacket,
} from '../../../core/closure/index.ts';
import { usualDecisions } from '../../../core/document/project.ts';
import { runs } from '../../../test/runs.ts';
import { repinned, standPut, ticked } from './closing.ts';

const closing = (part: Partial<ClosureChoice>): Closure => {
  const closure = { ...usualPlacket(), by: 'count' as const, length: 620, ...part };
  const r = deriveClosure([], { ...usualDecisions(), closure });
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};

describe('ticks at the holes', () => {
  test('a tick stands for all before it; taken away, the one before it is left; other holes are untouched', () => {
    const states = fc.constantFrom(...HOLE_STATES);
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(6), states, fc.boolean()), { maxLength: 12 }), (presses) => {
        let c = usualPlacket();
        const expected = new Map<number, number>();
        for (const [index, state, on] of presses) {
          c = { ...c, done: ticked(c, { line: 'front', index, at: index * 80 }, state, on) };
          expected.set(index, HOLE_STATES.indexOf(state) - (on ? 0 : 1));
        }
        for (let i = 0; i < 7; i++) {
          const mine = c.done.filter((d) => d.index === i);
          const level = expected.get(i) ?? -1;
          expect(mine.map((d) => d.state)).toEqual(level < 0 ? [] : [HOLE_STATES[level]]);
        }
      }),
      runs(100),
    );
  });

  test('a sewn hole keeps its place through any later choice that leaves room for it', () => {
    const before = closing({ count: 7 });
    const at = before.buttons[3]?.at ?? 0;
    const done = ticked(before.choice, { line: 'front', index: 3, at }, 'cut', true);
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 9 }),
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 30, max: 120 }),
        (count, top, bottom) => {
          const after = closing({ count, top, bottom, done });
          expect(after.buttons[3]).toMatchObject({ at, held: 'sewn', state: 'cut' });
        },
      ),
      runs(40),
    );
  });
});

describe('numbers that move', () => {
  test('with the stand’s hole every mark and pin moves down by one, and back again without it', () => {
    const c: ClosureChoice = {
      ...usualPlacket(),
      by: 'count',
      count: 7,
      pins: [{ index: 2, at: 170 }],
      done: [
        { line: 'front', index: 0, at: 20, state: 'sewn' },
        { line: 'c1', index: 0, at: 13, state: 'cut' },
      ],
    };
    const on = { ...c, ...standPut(c, true) };
    expect(on.count).toBe(8);
    expect(on.pins).toEqual([{ index: 3, at: 170 }]);
    expect(on.done).toEqual([
      { line: 'front', index: 1, at: 20, state: 'sewn' },
      { line: 'c1', index: 0, at: 13, state: 'cut' },
    ]);
    expect({ ...on, ...standPut(on, false) }).toEqual(c);
    // A mark on the stand itself goes with it.
    const marked = { ...on, done: [{ line: 'front', index: 0, at: -16, state: 'cut' as const }] };
    expect(standPut(marked, false).done).toEqual([]);
  });

  test('a dragged button stays where it is when their number changes: it becomes the one that would stand nearest', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: -8, max: 8 }),
        fc.integer({ min: 4, max: 11 }),
        (index, off, n) => {
          const c = closing({ count: 7 });
          const at = (c.buttons[index]?.at ?? 0) + off;
          const pins = repinned(c, [{ index, at }], n);
          expect(pins).toHaveLength(1);
          const after = closing({ count: n, pins });
          expect(after.buttons.some((b) => Math.abs(b.at - at) < 1e-9 && b.held === 'yours')).toBe(true);
          const nearest = closing({ count: n }).buttons.map((b) => Math.abs(b.at - at));
          expect(nearest[pins[0]?.index ?? 0]).toBeLessThanOrEqual(Math.min(...nearest) + 8);
        },
      ),
      runs(40),
    );
    expect(repinned(null, [{ index: 1, at: 90 }], 5)).toEqual([]);
  });
});
