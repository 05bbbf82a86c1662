import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { CUSTOM_COST, customOf } from './check/customs.ts';
import { factOf, mayLack } from './names.ts';
import { type Operation, type Section } from './types.ts';

const SECTION_RANK: Record<Section, number> = { prepare: 0, shell: 1, apart: 1, inside: 2, joining: 3, finish: 4 };
/** What a change costs: walking to another station, another section of the work, another foot or thread. */
const STATION_COST = 3;
const SECTION_COST = 8;
/** What a step costs for each that comes after it, by the rank of its section: the outside first, finishing last. */
const EARLY = 0.04;
const FOOT_COST = 1;
const BEAM = 40;

/**
 * Needs as numbers of the operations that make them. A need with a question mark that nobody makes is dropped; another is
 * refused by name.
 */
export function resolveNeeds(ops: Operation[]): Result<number[][]> {
  const makers = new Map<string, number[]>();
  ops.forEach((o, i) => {
    for (const m of o.makes) makers.set(m, [...(makers.get(m) ?? []), i]);
  });
  const findings: Finding[] = [];
  const needs = ops.map((o, i) => [
    ...new Set(
      o.needs.flatMap((n) => {
        const made = makers.get(factOf(n))?.filter((k) => k !== i);
        if (!made?.length && !mayLack(n) && !o.makes.includes(n))
          findings.push(stop('need-not-made', undefined, { operation: o.id, need: n }));
        return made ?? [];
      }),
    ),
  ]);
  return findings.length ? refuse(...findings) : ok(needs);
}

interface Line {
  /** Last operation, and what came before it. */
  at: number;
  before: Line | null;
  done: bigint;
  cost: number;
  count: number;
}

/** Whether a step that waits for another can't be done before it, or only usually isn't. */
export type Must = (step: Operation, made: Operation) => boolean;

/** Operations with all that the search asks of them, by their numbers. */
interface Task {
  ops: Operation[];
  bits: bigint[];
  /** What each waits for, and of that what it can't do without. */
  masks: bigint[];
  musts: bigint[];
  whole: ReadonlyMap<Section, bigint>;
}

const maskOf = (list: number[]): bigint => list.reduce((m, i) => m | (1n << BigInt(i)), 0n);

function taskOf(ops: Operation[], needs: number[][], must: Must): Task {
  const bits = ops.map((_, i) => 1n << BigInt(i));
  const musts = needs.map((list, i) => maskOf(list.filter((k) => must(ops[i] as Operation, ops[k] as Operation))));
  return { ops, bits, masks: needs.map(maskOf), musts, whole: sectionMasks(ops, bits) };
}

/**
 * Puts operations into a sequence in which all that must come before has, with little walking between stations, sections kept
 * together, few changes of foot and thread. What only usually comes before does so too, unless customs stand against each other:
 * then those give way that cost least. A beam search over ready operations; ties go to the earlier section and the given order, so
 * that a small change of the garment changes the plan little. Refuses a need nobody makes, and a circle of what must be.
 */
export function orderOperations(ops: Operation[], must: Must, width = BEAM): Result<Operation[]> {
  const needs = resolveNeeds(ops);
  if (!needs.ok) return needs;
  const task = taskOf(ops, needs.value, must);
  let beam: Line[] = [{ at: -1, before: null, done: 0n, cost: 0, count: 0 }];
  for (let k = 0; k < ops.length; k++) {
    const next = new Map<bigint, Map<number, Line>>();
    for (const p of beam) if (!expand(p, task, task.masks, next)) expand(p, task, task.musts, next);
    if (!next.size) return refuse(circle(task, beam[0] as Line));
    beam = [...next.values()]
      .flatMap((m) => [...m.values()])
      .sort(compare)
      .slice(0, width);
  }
  return ok(settled(sequenceOf(beam[0] as Line), ops, needs.value).map((i) => ops[i] as Operation));
}

/** All operations of each section, as bits. */
function sectionMasks(ops: Operation[], bits: bigint[]): ReadonlyMap<Section, bigint> {
  const whole = new Map<Section, bigint>();
  ops.forEach((o, i) => {
    whole.set(o.section, (whole.get(o.section) ?? 0n) | (bits[i] ?? 0n));
  });
  return whole;
}

function sequenceOf(line: Line): number[] {
  const out: number[] = [];
  for (let l: Line | null = line; l && l.at >= 0; l = l.before) out.push(l.at);
  return out.reverse();
}

/** By cost; equal ones by the first place where they differ, the earlier operation first. */
function compare(a: Line, b: Line): number {
  if (a.cost !== b.cost) return a.cost - b.cost;
  let first = 0;
  for (let x: Line | null = a, y: Line | null = b; x && y && x !== y; x = x.before, y = y.before)
    first = x.at - y.at || first;
  return first;
}

/** Every way a line goes on, with one of the operations for which these masks are done; false where there is none. */
function expand(p: Line, task: Task, ready: bigint[], next: Map<bigint, Map<number, Line>>): boolean {
  const { ops, bits, whole } = task;
  const last = ops[p.at];
  // Who leaves a section unfinished has to come back: that is paid at once, so that the search does not put it off unseen.
  const left = last ? (whole.get(last.section) ?? 0n) : 0n;
  const back = (p.done & left) === left ? 0 : SECTION_COST;
  let any = false;
  for (let i = 0; i < ops.length; i++) {
    const bit = bits[i] as bigint;
    if (p.done & bit || (p.done & (ready[i] as bigint)) !== ready[i]) continue;
    any = true;
    const o = ops[i] as Operation;
    const away = last && last.section !== o.section ? back : 0;
    const early = SECTION_RANK[o.section] * EARLY * (ops.length - p.count);
    const cost = p.cost + early + walkCost(last, o) + away + against(task, i, p.done);
    const made: Line = { at: i, before: p, done: p.done | bit, cost, count: p.count + 1 };
    const same = next.get(made.done) ?? new Map<number, Line>();
    if (!same.size) next.set(made.done, same);
    const known = same.get(i);
    if (!known || compare(made, known) < 0) same.set(i, made);
  }
  return any;
}

/** What it costs that an operation comes before others which usually precede it. */
function against({ ops, bits, masks }: Task, i: number, done: bigint): number {
  const missing = (masks[i] as bigint) & ~done;
  return missing ? ops.reduce((t, o, k) => t + (missing & (bits[k] as bigint) ? CUSTOM_COST[customOf(o)] : 0), 0) : 0;
}

/** Cost between neighbours `a` and `b` of a sequence. */
const between = (ops: Operation[], a: number | undefined, b: number | undefined): number =>
  a === undefined || b === undefined ? 0 : changeCost(ops[a], ops[b] as Operation);

/**
 * Among sequences that cost the same, the one nearest to the given order: each operation is moved where that costs less, or
 * nothing and brings an earlier given one forward. So one thing more in a garment moves little else.
 */
function settled(order: number[], ops: Operation[], needs: number[][]): number[] {
  const line = [...order];
  const place = new Map(order.map((i, at) => [i, at]));
  // A custom that gave way is no need any more.
  const own = needs.map((list, i) => new Set(list.filter((k) => (place.get(k) ?? 0) < (place.get(i) ?? 0))));
  for (let pass = 0; pass < 6; pass++) {
    let changed = false;
    for (let i = 0; i < line.length; i++) {
      const to = betterPlace(line, i, ops, own);
      if (to === i) continue;
      line.splice(to, 0, ...line.splice(i, 1));
      changed = true;
    }
    if (!changed) break;
  }
  return line;
}

const SAME = 1e-9;

/** The place to which the operation at `i` is better moved, within its needs and those that need it; `i` where there is none. */
function betterPlace(line: number[], i: number, ops: Operation[], needs: Set<number>[]): number {
  const o = line[i] as number;
  const rank = (k: number): number => SECTION_RANK[ops[k]?.section ?? 'shell'] * EARLY;
  const gap = between(ops, line[i - 1], line[i + 1]) - between(ops, line[i - 1], o) - between(ops, o, line[i + 1]);
  let [place, least] = [i, 0];
  const look = (
    j: number,
    left: number | undefined,
    right: number | undefined,
    shifted: number,
    earlier: boolean,
  ): void => {
    const delta = shifted + gap + between(ops, left, o) + between(ops, o, right) - between(ops, left, right);
    if (delta < least - SAME || (Math.abs(delta - least) < SAME && place === i && earlier)) {
      place = j;
      least = delta;
    }
  };
  for (let j = i - 1, shifted = 0; j >= 0 && !needs[o]?.has(line[j] as number); j--) {
    const at = line[j] as number;
    shifted += rank(o) - rank(at);
    look(j, line[j - 1], at, shifted, o < at);
  }
  for (let j = i + 1, shifted = 0; j < line.length && !needs[line[j] as number]?.has(o); j++) {
    const at = line[j] as number;
    shifted += rank(at) - rank(o);
    look(j, at, line[j + 1], shifted, (line[i + 1] as number) < o);
  }
  return place;
}

const changeCost = (last: Operation | undefined, o: Operation): number =>
  walkCost(last, o) + (last && last.section !== o.section ? SECTION_COST : 0);

/** What it costs to get from one operation to the next within a section. */
function walkCost(last: Operation | undefined, o: Operation): number {
  if (!last) return 0;
  const station = last.station !== o.station ? STATION_COST : 0;
  const machine = o.station === 'machine' && last.station === 'machine';
  const foot = machine && last.foot !== o.foot ? FOOT_COST : 0;
  const thread = machine && last.thread !== o.thread ? FOOT_COST : 0;
  return station + foot + thread;
}

/** What a sequence costs by the same measure; for comparing orders. */
export const costOf = (sequence: Operation[]): number =>
  sequence.reduce(
    (t, o, i) => t + SECTION_RANK[o.section] * EARLY * (sequence.length - i) + changeCost(sequence[i - 1], o),
    0,
  );

/** Operations that wait for each other in a ring, in the order in which they do. */
function circle({ ops, musts }: Task, p: Line): Finding {
  const left = ops.flatMap((_, i) => (p.done & (1n << BigInt(i)) ? [] : [i]));
  const waitsFor = (i: number): number | undefined => left.find((k) => (musts[i] as bigint) & (1n << BigInt(k)));
  const trail: number[] = [];
  for (let i = left[0]; i !== undefined && !trail.includes(i); i = waitsFor(i)) trail.push(i);
  const back = waitsFor(trail[trail.length - 1] ?? -1) ?? trail[0];
  const ring = trail.slice(trail.indexOf(back as number));
  return stop('needs-in-a-circle', undefined, { operations: ring.map((i) => ops[i]?.id).join(', ') });
}
