import { type Finding } from '../result.ts';
import { type Operation } from './types.ts';

/** Needs as ids, so that a sequence can be read without what it was planned from. */
export const withIds = (ops: Operation[], needs: number[][]): Operation[] =>
  ops.map((o, i) => ({ ...o, needs: (needs[i] ?? []).map((n) => ops[n]?.id ?? '') }));

/**
 * The sewist's own sequence of steps: known ones as she has them, new ones after the last they wait for, steps she left out
 * gone. `proposed` is in a valid order, its needs are ids.
 */
export function customOrder(proposed: Operation[], order: string[] | null, left: string[]): Operation[] {
  const out = new Set(left);
  const kept = proposed.filter((o) => !out.has(o.id));
  if (!order) return kept;
  const place = new Map(order.map((id, i) => [id, i]));
  const sequence = kept.filter((o) => place.has(o.id)).sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0));
  kept.forEach((o, i) => {
    if (place.has(o.id)) return;
    const after = Math.max(...[...o.needs, kept[i - 1]?.id ?? ''].map((n) => sequence.findIndex((s) => s.id === n)));
    sequence.splice(after + 1, 0, o);
  });
  return sequence;
}

/** The ids in a new order: `id` moved to place `to`. */
export function moved(ids: string[], id: string, to: number): string[] {
  const rest = ids.filter((x) => x !== id);
  rest.splice(Math.max(0, Math.min(to, rest.length)), 0, id);
  return rest;
}

/**
 * Which steps must be moved with one that goes to place `to`: earlier, all it waits for that would come after it; later, all
 * that wait for it and would come before. In their present order, the step itself among them.
 */
export function movesWith(steps: Operation[], id: string, to: number): string[] {
  const at = steps.findIndex((s) => s.id === id);
  const byId = new Map(steps.map((s, i) => [s.id, i]));
  const taken = new Set([id]);
  if (to < at) {
    for (let i = at; i >= to; i--) {
      const s = steps[i] as Operation;
      if (taken.has(s.id)) for (const n of s.needs) if ((byId.get(n) ?? -1) >= to) taken.add(n);
    }
  } else
    for (let i = at + 1; i <= to && i < steps.length; i++) {
      const s = steps[i] as Operation;
      if (s.needs.some((n) => taken.has(n))) taken.add(s.id);
    }
  return steps.filter((s) => taken.has(s.id)).map((s) => s.id);
}

/** The ids with all that must come along moved as one block. */
export function movedTogether(steps: Operation[], id: string, to: number): string[] {
  const block = movesWith(steps, id, to);
  const at = steps.findIndex((s) => s.id === id);
  const ids = steps.map((s) => s.id);
  const rest = ids.filter((x) => !block.includes(x));
  // Where the block goes among those that stay: before what stood at `to` when moving up, after it when moving down.
  const anchor = to < at ? ids.slice(to).find((x) => !block.includes(x)) : undefined;
  const last = ids
    .slice(0, to + 1)
    .reverse()
    .find((x) => !block.includes(x));
  const place = to < at ? (anchor ? rest.indexOf(anchor) : rest.length) : last ? rest.indexOf(last) + 1 : 0;
  rest.splice(place, 0, ...block);
  return rest;
}

/** What can be done about a fault of the sequence: the ids in an order without it, or a step brought back. */
export type Mend = { how: 'move'; order: string[]; with: string[] } | { how: 'restore'; step: string };

/** Faults of a step that comes before another it waits for. */
const WAITS: ReadonlySet<string> = new Set(['used-before-made', 'usual-otherwise', 'works-on-unsewn', 'covers-unsewn']);

/** The step brought after all it waits for, or out of reach of what closes it off; null where no move mends it. */
export function mendOf(f: Finding, steps: Operation[]): Mend | null {
  const [id, other] = [String(f.data?.step ?? ''), String(f.data?.other ?? '')];
  const place = (x: string): number => steps.findIndex((s) => s.id === x);
  const [at, to] = [place(id), place(other)];
  if (f.code === 'step-left-out' || f.code === 'usual-left-out') return { how: 'restore', step: other };
  if (at < 0 || to < 0) return null;
  // What it needs, and all that waits for in turn, goes before the step.
  if (WAITS.has(f.code) || f.code === 'end-closed' || f.code === 'edge-closed-off') {
    const [late, before] = WAITS.has(f.code) ? [other, at] : [id, to];
    return { how: 'move', order: movedTogether(steps, late, before), with: movesWith(steps, late, before) };
  }
  if (f.code === 'tubes-in-a-circle')
    return { how: 'move', order: movedTogether(steps, other, at), with: movesWith(steps, other, at) };
  return null;
}
