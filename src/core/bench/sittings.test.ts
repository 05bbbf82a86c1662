import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs } from '../../test/runs.ts';
import { isDay } from './days.ts';
import { type Laid, layBackward, layForward, type Slot, slotsOf, type Work } from './sittings.ts';
import { soonerOrder } from './sooner.ts';
import { usualWeek } from './week.ts';

const DAY = 24 * 60;
const FIRST = '2026-03-27';

/** Evenings and days one after the other, over the day on which clocks are put forward. */
const slots = fc
  .array(fc.record({ skip: fc.integer({ min: 1, max: 3 }), minutes: fc.integer({ min: 1, max: 12 }) }), {
    minLength: 1,
    maxLength: 6,
  })
  .map((list) => {
    let day = -1;
    return list.map(({ skip, minutes }): Slot => {
      day += skip;
      const date = new Date(Date.UTC(2026, 2, 27 + day)).toISOString().slice(0, 10);
      return { day: date, from: 1080, minutes: minutes * 10, light: false };
    });
  });

/** Works in an order that can be kept, some of which wait, or are held. */
const works = (most: number) =>
  fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 9 }),
        after: fc.array(fc.nat(8), { maxLength: 2 }),
        wait: fc.constantFrom(0, 0, 0, 60, 1440),
        before: fc.constantFrom(0, 0, 0, 0, 1440),
        held: fc.constantFrom(false, false, true),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((list) =>
      list.map(
        (x, i): Work => ({
          id: `w${i}`,
          minutes: x.minutes * 10,
          after: i ? [...new Set(x.after.map((k) => `w${k % i}`))] : [],
          ...{ waitAfter: x.wait, waitBefore: x.before, held: x.held && i < list.length - 1, byDay: false },
        }),
      ),
    );

/** The number of the day, by a count of its own. */
const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T12:00:00Z`) / 864e5);
const clock = (s: Slot): number => dayNumber(s.day) * DAY + s.from;

/** What must hold of any laying: every work once and whole, none begun before what it waits for, no sitting over its hours. */
function sound(laid: Laid, list: Work[], time: Slot[]): void {
  const minutes = new Map<string, number>();
  const [begun, ended] = [new Map<string, number>(), new Map<string, number>()];
  for (const s of laid.sittings) {
    const slot = time.find((x) => x.day === s.day) as Slot;
    expect(s.used).toBeLessThanOrEqual(slot.minutes + 1e-6);
    expect(s.from).toBeGreaterThanOrEqual(slot.from - 1e-6);
    expect(s.from + s.used).toBeLessThanOrEqual(slot.from + slot.minutes + 1e-6);
    let free = s.from;
    for (const d of s.done) {
      expect(d.at).toBeGreaterThanOrEqual(free - 1e-6);
      free = d.at + d.minutes;
      minutes.set(d.id, (minutes.get(d.id) ?? 0) + d.minutes);
      if (!begun.has(d.id)) begun.set(d.id, dayNumber(s.day) * DAY + d.at);
      ended.set(d.id, dayNumber(s.day) * DAY + free);
    }
    expect(free).toBeLessThanOrEqual(s.from + s.used + 1e-6);
  }
  for (const o of laid.over) minutes.set(o.id, (minutes.get(o.id) ?? 0) + o.minutes);
  const longest = Math.max(...time.map((s) => s.minutes));
  const over = new Set(laid.over.map((o) => o.id));
  const runs_: Work[][] = [[]];
  for (const w of list) {
    expect(minutes.get(w.id)).toBeCloseTo(w.minutes, 6);
    runs_.at(-1)?.push(w);
    if (!w.held) runs_.push([]);
    for (const id of w.after) {
      const before = list.find((x) => x.id === id) as Work;
      const together = runs_.some((r) => r.includes(before) && r.includes(w));
      if (over.has(w.id) || over.has(id) || together) continue;
      const wait = before.waitAfter + w.waitBefore;
      expect((begun.get(w.id) as number) + 1e-6).toBeGreaterThanOrEqual((ended.get(id) as number) + wait);
    }
  }
  // What is held together lies in one sitting where any is long enough.
  for (const r of runs_) {
    if (r.reduce((t, w) => t + w.minutes, 0) > longest || r.some((w) => over.has(w.id))) continue;
    const at = new Set(
      r.flatMap((w) => laid.sittings.flatMap((s, i) => (s.done.some((d) => d.id === w.id) ? [i] : []))),
    );
    expect(at.size).toBeLessThanOrEqual(1);
  }
}

/**
 * The earliest slot in which an order can end, by trying every slot for every block: no block is put anywhere by a rule. Null where
 * it can't. Works that take longer than the longest slot are left out of these cases.
 */
function earliest(order: Work[], time: Slot[]): number | null {
  const blocks: Work[][] = [[]];
  for (const w of order) {
    blocks.at(-1)?.push(w);
    if (!w.held) blocks.push([]);
  }
  const full = blocks.filter((b) => b.length);
  let best: number | null = null;
  const at = (n: number, slot: number, used: number, ended: ReadonlyMap<string, number>): void => {
    const block = full[n];
    if (!block) {
      if (best === null || slot < best) best = slot;
      return;
    }
    for (let k = slot; k < time.length; k++) {
      const s = time[k] as Slot;
      const own = new Set(block.map((w) => w.id));
      const minutes = block.reduce((t, w) => t + w.minutes, 0);
      const waits = block.flatMap((w) =>
        w.after.flatMap((id) => (own.has(id) ? [] : [(ended.get(id) ?? Number.POSITIVE_INFINITY) + w.waitBefore])),
      );
      const begin = Math.max(k === slot ? used : 0, ...waits.map((at) => at - clock(s)));
      if (begin + minutes > s.minutes) continue;
      const end = clock(s) + begin + minutes;
      at(
        n + 1,
        k,
        begin + minutes,
        new Map([...ended, ...block.map((w): [string, number] => [w.id, end + w.waitAfter])]),
      );
    }
  };
  at(0, 0, 0, new Map());
  return best;
}

/** Every order of blocks in which nothing comes before what it waits for. */
function orders(list: Work[]): Work[][] {
  const blocks: Work[][] = [[]];
  for (const w of list) {
    blocks.at(-1)?.push(w);
    if (!w.held) blocks.push([]);
  }
  const full = blocks.filter((b) => b.length);
  const out: Work[][] = [];
  const go = (rest: Work[][], done: Work[]): void => {
    if (!rest.length) out.push(done);
    for (const b of rest) {
      const known = new Set([...done, ...b].map((w) => w.id));
      if (b.every((w) => w.after.every((id) => known.has(id))))
        go(
          rest.filter((x) => x !== b),
          [...done, ...b],
        );
    }
  };
  go(full, []);
  return out;
}

const fitsIn = (list: Work[], time: Slot[]): boolean => {
  const longest = Math.max(...time.map((s) => s.minutes));
  let run = 0;
  for (const w of list) {
    run += w.minutes;
    if (run > longest) return false;
    if (!w.held) run = 0;
  }
  return true;
};
const endOf = (laid: Laid, time: Slot[]): number | null =>
  laid.over.length ? null : time.findIndex((s) => s.day === laid.sittings.at(-1)?.day);

describe('sittings', () => {
  test('every work once, order and waits held, no sitting over its hours, forwards and backwards', () => {
    fc.assert(
      fc.property(works(9), slots, (list, time) => {
        sound(layForward(list, time), list, time);
        sound(layBackward(list, time), list, time);
      }),
      runs(400),
    );
  });

  test('as early, and as late, as trying every slot for every work finds', () => {
    fc.assert(
      fc.property(works(6), slots, (list, time) => {
        fc.pre(fitsIn(list, time));
        const best = earliest(list, time);
        expect(endOf(layForward(list, time), time)).toBe(best);
        // Backwards it fits exactly where it does forwards, and cannot be begun in a later slot and still fit.
        const late = layBackward(list, time);
        expect(late.over.length === 0).toBe(best !== null);
        if (best === null) return;
        const begins = time.findIndex((s) => s.day === late.sittings[0]?.day);
        expect(earliest(list, time.slice(begins))).not.toBeNull();
        expect(earliest(list, time.slice(begins + 1))).toBeNull();
      }),
      runs(300),
    );
  });

  test('the other order found is one that can be kept, never later, and as early as any of few works', () => {
    let found = 0;
    fc.assert(
      fc.property(works(5), slots, (list, time) => {
        fc.pre(fitsIn(list, time));
        const given = endOf(layForward(list, time), time) ?? time.length;
        const best = Math.min(...orders(list).map((o) => earliest(o, time) ?? time.length));
        const other = soonerOrder(list, time, new Map(), 400);
        if (!other) {
          expect(given).toBe(best);
          return;
        }
        found++;
        sound(layForward(other, time), other, time);
        expect(endOf(layForward(other, time), time)).toBe(best);
        expect(best).toBeLessThan(given);
      }),
      runs(1000),
    );
    expect(found).toBeGreaterThan(among(20));
  });

  test('a later day is never harder to meet, and more hours neither', () => {
    fc.assert(
      fc.property(works(8), slots, fc.nat(5), (list, time, more) => {
        const left = (t: Slot[]): number => layForward(list, t).over.reduce((n, o) => n + o.minutes, 0);
        // Where no sitting is long enough for a work it is parted: that is another work.
        fc.pre(fitsIn(list, time.slice(0, 1)));
        for (let k = 1; k < time.length; k++)
          expect(left(time.slice(0, k + 1))).toBeLessThanOrEqual(left(time.slice(0, k)) + 1e-6);
        const longer = time.map((s) => ({ ...s, minutes: s.minutes + more * 10 }));
        expect(left(longer)).toBeLessThanOrEqual(left(time) + 1e-6);
      }),
      runs(200),
    );
  });

  test('days are days of a calendar: over a change of clocks, a leap year and the end of a month', () => {
    const days = slotsOf(usualWeek(), FIRST, { days: 10 }).map((s) => s.day);
    // 27 March 2026 is a Friday, common knowledge; clocks change in Europe on Sunday the 29th.
    expect(days).toEqual(['2026-03-28', '2026-03-31', '2026-04-02', '2026-04-04']);
    expect(['2028-02-29', '2027-02-29', '2026-13-01', '2026-1-1', ''].map(isDay)).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
    const off = {
      ...usualWeek(),
      except: [
        { id: '2026-03-28', minutes: 0 },
        { id: '2026-03-30', minutes: 45 },
      ],
    };
    expect(slotsOf(off, FIRST, { days: 5 }).map((s) => [s.day, s.minutes])).toEqual([
      ['2026-03-30', 45],
      ['2026-03-31', 90],
    ]);
    // Late on the first day only what is left of it counts; what others take is not there.
    const late = slotsOf(usualWeek(), '2026-03-31', { clock: 20 * 60, days: 1, busy: { '2026-03-31': 10 } });
    expect(late).toEqual([{ day: '2026-03-31', from: 20 * 60, minutes: 60, light: false }]);
  });
});
