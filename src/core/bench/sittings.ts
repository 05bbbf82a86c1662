import { dayAfter, daysBetween, weekday } from './days.ts';
import { type Week } from './week.ts';

/** One thing to do, minutes; `after`: what has to be done before it. */
export interface Work {
  id: string;
  minutes: number;
  after: readonly string[];
  /** So many minutes have to go by before what waits for it, and before it once all it waits for is done. */
  waitAfter: number;
  waitBefore: number;
  /** Nothing is to be left lying after it: what comes next is done in the same sitting. */
  held: boolean;
  /** By daylight only. */
  byDay: boolean;
}

/** A stretch of time for sewing: from a minute after midnight of a day. */
export interface Slot {
  day: string;
  from: number;
  minutes: number;
  /** It begins by daylight. */
  light: boolean;
}

/** What is done of a work in one sitting; all of it where it is not longer than a sitting. */
export interface Done {
  id: string;
  /** When it is begun, minutes after midnight. */
  at: number;
  minutes: number;
  /** It goes on in a later sitting. */
  goesOn: boolean;
}

/** A sitting with whole works in it; `used`: how much of it goes by until the last is done. */
export interface Sitting extends Slot {
  done: Done[];
  used: number;
}

/** So many days are looked ahead. Own figure. */
const AHEAD = 730;
const DAY = 24 * 60;
/** Light until then, all year round, minutes after midnight. Own figure. */
const DUSK = 16 * 60;

/**
 * The time there is for sewing from a day on, without what other projects take of it (minutes by day). `clock`: so late it is on
 * the first day, minutes after midnight.
 */
export function slotsOf(
  week: Week,
  from: string,
  {
    busy = {},
    clock = 0,
    days = AHEAD,
  }: { busy?: Readonly<Record<string, number>>; clock?: number; days?: number } = {},
): Slot[] {
  const except = new Map(week.except.map((e) => [e.id, e.minutes]));
  return Array.from({ length: days }, (_, i) => dayAfter(from, i)).flatMap((day, i): Slot[] => {
    const usual = week.days[weekday(day)] ?? { from: 0, minutes: 0 };
    const all = except.get(day) ?? usual.minutes;
    const begins = Math.max(usual.from + (busy[day] ?? 0), i === 0 ? clock : 0);
    const minutes = Math.floor(usual.from + all - begins);
    return minutes > 0 ? [{ day, from: begins, minutes, light: begins < DUSK }] : [];
  });
}

/** Works that have to be done in one sitting. */
export interface Block {
  works: Work[];
  minutes: number;
}

/** Works in their order, those that must not be left between put together; a block longer than any sitting falls apart. */
export function blocksOf(works: readonly Work[], longest: number): Block[] {
  const blocks: Block[] = [];
  let open: Work[] = [];
  works.forEach((w, i) => {
    open.push(w);
    if (w.held && i < works.length - 1) return;
    const minutes = open.reduce((t, x) => t + x.minutes, 0);
    if (minutes <= longest + EVEN) blocks.push({ works: open, minutes });
    else blocks.push(...open.map((x) => ({ works: [x], minutes: x.minutes })));
    open = [];
  });
  return blocks;
}

/** Sums of minutes are not to differ by how they were added up. */
const EVEN = 1e-6;

/** What could not be laid into the time there is. */
export interface Laid {
  sittings: Sitting[];
  /** Works, or what is left of them, for which there was no time. */
  over: Done[];
}

/**
 * When what waits for a work can be begun, its own waiting included: minutes from the midnight before the first slot, below 0
 * before that.
 */
export type Ready = ReadonlyMap<string, number>;

/** From when on a block can be begun: all that its works wait for is done, and has waited. */
function readyAt(block: Block, ready: Ready): number {
  const own = new Set(block.works.map((w) => w.id));
  const times = block.works.flatMap((w) =>
    w.after.flatMap((id) => (own.has(id) ? [] : [(ready.get(id) ?? Number.NEGATIVE_INFINITY) + w.waitBefore])),
  );
  return Math.max(Number.NEGATIVE_INFINITY, ...times);
}

/** The time there is, and where each slot begins on one line of minutes. */
export interface Time {
  slots: readonly Slot[];
  starts: readonly number[];
  longest: number;
  /** Some of it is by daylight: then what asks for that waits for it. */
  light: boolean;
}

export function timeOf(slots: readonly Slot[]): Time {
  const first = slots[0]?.day ?? '';
  return {
    slots,
    starts: slots.map((s) => daysBetween(first, s.day) * DAY + s.from),
    longest: slots.reduce((most, s) => Math.max(most, s.minutes), 0),
    light: slots.some((s) => s.light),
  };
}

/** How far the time is filled: up to so many minutes of a slot; the first slot behind all is where it is over. */
export interface Front {
  slot: number;
  used: number;
  ready: Ready;
}

/** One piece of a work in a slot. */
interface Put extends Done {
  slot: number;
}

/** A block put where it can be done first, not before what is filled already; and how far it is filled then. */
export function fill(t: Time, front: Front, block: Block): { front: Front; puts: Put[] } {
  const puts: Put[] = [];
  const ready = new Map(front.ready);
  const { slot, used } = fillOn(t, { ...front, ready }, block, puts);
  return { front: { slot, used, ready }, puts };
}

/** The same on the front itself, for where many are filled one after another. */
function fillOn(t: Time, front: Front & { ready: Map<string, number> }, block: Block, puts: Put[] | null): Front {
  const from = readyAt(block, front.ready);
  const long = block.minutes > t.longest + EVEN;
  const dark = t.light && block.works.some((w) => w.byDay);
  let [k, used] = [front.slot, front.used];
  for (; k < t.slots.length; k++, used = 0) {
    const s = t.slots[k] as Slot;
    // A wait that ends within the sitting is sat out.
    const begin = Math.max(used, from - (t.starts[k] as number));
    const room = long ? used < EVEN && begin + EVEN < s.minutes : begin + block.minutes <= s.minutes + EVEN;
    if (!room || (dark && !s.light)) continue;
    used = begin;
    break;
  }
  for (const w of block.works)
    for (let left = w.minutes; ; k++, used = 0) {
      const now = Math.min(left, (t.slots[k]?.minutes ?? Number.POSITIVE_INFINITY) - used);
      left -= now;
      puts?.push({ slot: k, id: w.id, at: (t.slots[k]?.from ?? 0) + used, minutes: now, goesOn: left > EVEN });
      used += now;
      if (left <= EVEN) break;
    }
  const end = k < t.slots.length ? (t.starts[k] as number) + used : Number.POSITIVE_INFINITY;
  for (const w of block.works) front.ready.set(w.id, end + w.waitAfter);
  front.slot = k;
  front.used = used;
  return front;
}

/** The slot in which the last of these blocks is done, one after another. */
export function lastSlot(t: Time, blocks: readonly Block[], past: Ready): number {
  const front = { slot: 0, used: 0, ready: new Map(past) };
  for (const b of blocks) fillOn(t, front, b, null);
  return front.slot;
}

/**
 * Works in the order given, laid into sittings from the first on, as early as each can be: a sitting ends where the next block
 * has no room in it, or has to wait. For a given order nothing is done sooner by leaving an earlier sitting emptier, so this is
 * the earliest. A work longer than the longest sitting is begun in an empty one and goes on in the next. `past`: when what is
 * done already lets others begin.
 */
export function layForward(works: readonly Work[], slots: readonly Slot[], past: Ready = new Map()): Laid {
  const t = timeOf(slots);
  let front: Front = { slot: 0, used: 0, ready: past };
  const sittings = slots.map((s): Sitting => ({ ...s, done: [], used: 0 }));
  const over: Done[] = [];
  for (const block of blocksOf(works, t.longest)) {
    const filled = fill(t, front, block);
    front = filled.front;
    for (const { slot, ...done } of filled.puts) {
      const s = sittings[slot];
      if (s) s.used = done.at + done.minutes - s.from;
      (s?.done ?? over).push(done);
    }
  }
  return { sittings: sittings.filter((s) => s.done.length), over };
}

/**
 * The same works as late as they can be and still be done with the last slot: laid from the end. What no time is left for at the
 * beginning is `over`.
 */
export function layBackward(works: readonly Work[], slots: readonly Slot[]): Laid {
  const [first, last] = [slots[0]?.day ?? '', slots.at(-1)?.day ?? ''];
  // Time run backwards: what waits for a work comes before it, and the end of an evening is its beginning.
  const back = slots.toReversed().map((s): Slot & { of: Slot } => {
    return { ...s, day: dayAfter(first, daysBetween(s.day, last)), from: DAY - s.from - s.minutes, of: s };
  });
  const waiting = new Map<string, string[]>();
  for (const w of works) for (const id of w.after) waiting.set(id, [...(waiting.get(id) ?? []), w.id]);
  const list = works.toReversed();
  const turned = list.map(
    (w, i): Work => ({
      ...w,
      after: waiting.get(w.id) ?? [],
      waitAfter: w.waitBefore,
      waitBefore: w.waitAfter,
      held: list[i + 1]?.held ?? false,
    }),
  );
  const of = new Map(back.map((s) => [s.day, s.of]));
  const { sittings, over } = layForward(turned, back);
  return {
    over,
    sittings: sittings.toReversed().map((s): Sitting => {
      const slot = of.get(s.day) as Slot;
      // A work that goes on later is begun in the sitting before.
      const end = slot.from + slot.minutes;
      const done = s.done
        .toReversed()
        .map((d): Done => ({ ...d, at: end - (d.at - s.from) - d.minutes, goesOn: begunBefore(d, s, sittings) }));
      return { ...slot, from: slot.from + slot.minutes - s.used, minutes: s.used, done, used: s.used };
    }),
  };
}

/** Whether more of a work lies in a sitting before this one, of sittings laid backwards: then it goes on after this one. */
function begunBefore(d: Done, s: Sitting, sittings: readonly Sitting[]): boolean {
  const at = sittings.indexOf(s);
  return sittings.slice(0, at).some((x) => x.done.some((y) => y.id === d.id));
}
