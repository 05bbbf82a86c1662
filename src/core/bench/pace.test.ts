import { describe, expect, test } from '@jest/globals';
import { chance } from '../../test/spoil.ts';
import { estimateOf, minutesFor, paceOf, type Timed, timedOf } from './pace.ts';

const normal = (next: () => number): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());

const STATIONS = ['table', 'iron', 'machine', 'hand'];

/** A sewist of her own pace: overall, at each station, and from step to step; now and then the telephone rings. */
function sewist(seed: number) {
  const next = chance(seed);
  const all = Math.exp(0.5 * normal(next));
  const at = new Map(STATIONS.map((s) => [s, Math.exp(0.2 * normal(next))]));
  const step = () => {
    const station = STATIONS[Math.floor(next() * STATIONS.length)] as string;
    const kind = Math.floor(next() * 6);
    return { station, code: `${station}${kind}`, minutes: 2 + 12 * next() };
  };
  const sew = (s: ReturnType<typeof step>): Timed => {
    const rings = next() < 0.04 ? 4 : 1;
    const mine = s.minutes * all * (at.get(s.station) as number) * Math.exp(0.3 * normal(next)) * rings;
    return { code: s.code, station: s.station, planned: s.minutes, minutes: mine };
  };
  return { step, sew };
}

const many = <T>(n: number, make: () => T): T[] => Array.from({ length: n }, make);
const total = (list: Timed[]): number => list.reduce((t, x) => t + x.minutes, 0);

describe('pace', () => {
  test('the error of the estimate halves after five sittings of eight steps, and what is likely holds', () => {
    const off = { before: 0, after: 0 };
    let within = 0;
    const sewists = 200;
    for (let seed = 1; seed <= sewists; seed++) {
      const s = sewist(seed);
      const pace = paceOf(many(40, () => s.sew(s.step())));
      const coming = many(50, s.step);
      const took = total(coming.map(s.sew));
      const [plain, learnt] = [estimateOf(paceOf([]), coming), estimateOf(pace, coming)];
      off.before += Math.abs(Math.log(plain.minutes / took));
      off.after += Math.abs(Math.log(learnt.minutes / took));
      if (took >= learnt.low && took <= learnt.high) within++;
    }
    expect(off.after).toBeLessThan(off.before / 2);
    // Eight of ten are said; a seventh of a year of simulated sewists may stray from that.
    expect(within / sewists).toBeGreaterThan(0.68);
  });

  test('nothing timed is the handbook; a timer that was forgotten, or a step not done, teaches nothing', () => {
    const step = { code: 'sew', station: 'machine', minutes: 10 };
    expect(minutesFor(paceOf([]), step)).toBe(10);
    const log = { id: 'a', at: '', redone: 0, sewn: {}, under: '', code: 'sew', station: 'machine', planned: 10 };
    expect(
      timedOf([
        { ...log, state: 'done', minutes: 600 },
        { ...log, state: 'again', minutes: 12 },
        { ...log, state: 'done', minutes: null },
        { ...log, state: 'done', minutes: 14 },
      ]),
    ).toEqual([{ code: 'sew', station: 'machine', planned: 10, minutes: 14 }]);
  });

  test('one slow seam among many moves little; a station that is always slow is known by itself', () => {
    const steady = many(20, (): Timed => ({ code: 'sew', station: 'machine', planned: 10, minutes: 10 }));
    const once = paceOf([...steady, { code: 'sew', station: 'machine', planned: 10, minutes: 95 }]);
    expect(once.all).toBeCloseTo(1, 6);
    const hand = many(12, (): Timed => ({ code: 'hem-blind', station: 'hand', planned: 10, minutes: 22 }));
    const pace = paceOf([...steady, ...hand]);
    expect(pace.stations.machine).toBeCloseTo(1, 6);
    expect(pace.stations.hand).toBeCloseTo(2.2, 6);
    const { minutes, low, high } = estimateOf(pace, [{ code: 'sew', station: 'machine', minutes: 30 }]);
    expect(low).toBeLessThan(minutes);
    expect(high).toBeGreaterThan(minutes);
  });
});
