import { type Closure, type ClosureChoice, HOLE_STATES, type HoleState, stepsOf } from '../../../core/closure/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { type Moving } from '../../drawing/ClosureDrawing.tsx';

/** Changes part of the closing: shown while it moves, saved under a label. */
export type Put = (part: Partial<ClosureChoice>, label?: string) => void;

export interface ViewProps {
  w: Workbook;
  c: Closure;
  put: Put;
}

export const putClosing =
  (w: Workbook): Put =>
  (part, words) =>
    setDecision(w, 'closure', part, { words });

const without = <T extends { index: number }>(list: T[], index: number): T[] => list.filter((x) => x.index !== index);

/** Buttons moved in the drawing stay where they are put, and the rest is spaced anew about them. */
export function movingOf(w: Workbook, c: Closure, put: Put): Moving {
  const { pins } = w.doc.decisions.closure;
  // Moved in a rival answer, its number is kept; the rest is then the best about the moved one.
  const own = c.chosen > 0 ? { by: 'count' as const, count: c.buttons.length, answer: 0 } : {};
  const held = (index: number, at: number) => [...without(pins, index), { index, at }];
  return {
    step: stepsOf('fine', w.doc.units).step,
    move: (index, at) => put({ ...own, pins: held(index, at) }),
    drop: (index, at) =>
      put({ ...own, pins: held(index, at) }, `Button ${index + 1} at ${formatLength(at, w.doc.units)}`),
    release: (index) => put({ pins: without(pins, index) }, `Button ${index + 1} let go`),
  };
}

/** What the practice holes are sewn through: the layers of the front. */
export const layersOf = (w: Workbook): string =>
  w.computed.shell.length
    ? `shell, ${w.doc.decisions.interfacing.on ? 'interfacing, ' : ''}${w.doc.decisions.facing.on ? 'facing' : 'the band folded under'}`
    : 'the same cloth, interfacing and folds as the band';

/** Pins after the number of buttons has changed: each held by the button that would stand nearest to it. */
export function repinned(c: Closure | null, pins: ClosureChoice['pins'], n: number): ClosureChoice['pins'] {
  const [first, last] = [c?.answers[c.chosen]?.at[0], c?.answers[c.chosen]?.at.slice(-1)[0]];
  if (first === undefined || last === undefined || last <= first) return [];
  const out = new Map<number, { index: number; at: number }>();
  for (const { at } of pins) {
    const index = Math.min(n - 1, Math.max(0, Math.round(((at - first) / (last - first)) * (n - 1))));
    out.set(index, { index, at });
  }
  return [...out.values()];
}

/** With a stand's hole or without, every button keeps its own marks: the numbers move by one. */
export function standPut(c: ClosureChoice, hole: boolean): Partial<ClosureChoice> {
  const by = hole ? 1 : -1;
  const shifted = <T extends { index: number }>(list: T[]): T[] =>
    list.map((x) => ({ ...x, index: x.index + by })).filter((x) => x.index >= 0);
  const front = shifted(c.done.filter((d) => d.line === 'front'));
  return {
    stand: { ...c.stand, hole },
    pins: shifted(c.pins),
    done: [...front, ...c.done.filter((d) => d.line !== 'front')],
    ...(c.by === 'count' && { count: Math.max(1, c.count + by) }),
  };
}

/** The marks after a tick at one hole of a line: to `state`, or back to before it. `at`: where it lies. */
export function ticked(
  c: ClosureChoice,
  hole: { line: string; index: number; at: number },
  state: HoleState,
  on: boolean,
): ClosureChoice['done'] {
  const rest = c.done.filter((d) => d.line !== hole.line || d.index !== hole.index);
  const to = on ? state : HOLE_STATES[HOLE_STATES.indexOf(state) - 1];
  return to ? [...rest, { ...hole, state: to }] : rest;
}
