import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { STASH } from '../core/document/project.ts';
import { serving } from '../test/api.ts';

const { ask } = serving('bench');

async function demo(name: string): Promise<string> {
  return (await ask('POST', '/api/projects/demo', { demo: name })).json.id;
}
const progress = async (id: string) => (await ask('GET', `/api/projects/${id}/progress`)).json;
const tick = (id: string, steps: object[], more: object = {}) =>
  ask('PATCH', `/api/projects/${id}/progress`, { steps, ...more });
const done = (p: { steps: { id: string; state: string }[] }): string[] =>
  p.steps.filter((s) => s.state === 'done').map((s) => s.id);
const HERE = 'today=2026-03-27&clock=600';
/** The time of day and the length of a sitting, minutes. */
interface Sitting {
  day: string;
  from: number;
  minutes: number;
  used: number;
  done: { id: string }[];
}

describe('the bench over HTTP', () => {
  test('steps ticked at once from several places are all kept; what is no step, or made on an older state, is refused', async () => {
    const id = await demo('chore-jacket');
    const ids: string[] = (await progress(id)).steps.map((s: { id: string }) => s.id);
    const at = '2026-03-01T18:00:00.000Z';
    const answers = await Promise.all(ids.slice(0, 4).map((s) => tick(id, [{ id: s, state: 'done', at, minutes: 7 }])));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200]);
    const after = await progress(id);
    expect(done(after)).toEqual(ids.slice(0, 4));
    expect(after.steps[0]).toMatchObject({ at, minutes: 7, redone: 0, touched: false });
    // Ticked once more, as by two tabs: nothing is done twice. Taken back it is to do.
    expect(done((await tick(id, [{ id: ids[0], state: 'done', at, minutes: 7 }])).json)).toHaveLength(4);
    expect(done((await tick(id, [{ id: ids[0], state: 'todo' }])).json)).toEqual(ids.slice(1, 4));
    expect((await ask('GET', '/api/pace')).json.timed).toHaveLength(3);
    const wrong = await tick(id, [{ id: 'sew:nothing', state: 'done' }]);
    expect([wrong.status, wrong.json.detail]).toEqual([
      422,
      'There is no step "sew:nothing" in the plan of this project.',
    ]);
    expect((await tick(id, [{ id: ids[5], state: 'done' }], { revision: 0 })).status).toBe(409);
    for (const bad of [
      [],
      [{ id: ids[5], state: 'sewn' }],
      [{ id: ids[5], state: 'done', at: 'today' }],
      [{ id: ids[5], state: 'done', minutes: -1 }],
    ])
      expect((await tick(id, bad)).status).toBe(422);
    expect(done(await progress(id))).toEqual(ids.slice(1, 4));
  });

  test.each([
    ['by=2026-03-26', 'by', /2026-03-26 is past: today is 2026-03-27/],
    ['by=2026-02-30', 'by', /"2026-02-30" is no day/],
    ['by=24.12.2026', 'by', /is no day/],
    ['by=2031-01-01', 'by', /two years/],
    ['today=yesterday', 'today', /is no day/],
    ['clock=1440', 'clock', /minutes after midnight/],
  ])('a calendar asked with %s is refused in words', async (query, where, words) => {
    const id = await demo('chore-jacket');
    const answer = await ask('GET', `/api/projects/${id}/calendar?${query.startsWith('by') ? `${HERE}&` : ''}${query}`);
    expect([answer.status, answer.json.type]).toEqual([422, `urn:woodbine:problem:${where}`]);
    expect(answer.json.detail).toMatch(words);
  });

  test('a day that cannot be met says by how much, and what is said to be enough is', async () => {
    const id = await demo('potting-shirt');
    const at = async (by: string) => (await ask('GET', `/api/projects/${id}/calendar?${HERE}&by=${by}`)).json;
    const c = await at('2026-04-01');
    expect(c.behind).toBeGreaterThan(0);
    const undone = c.sittings
      .filter((s: Sitting) => s.day > '2026-04-01')
      .reduce((t: number, s: Sitting) => t + s.used, 0);
    expect(c.behind).toBeCloseTo(undone, 6);
    const later = c.ways.find((w: { how: string }) => w.how === 'later');
    expect((await at(later.day)).behind).toBe(0);
    expect((await at(later.day)).sittings).toEqual(c.sittings);
    // As late as it may begin, it still ends in time.
    const { latest } = await at('2026-05-01');
    expect(latest.at(-1).day <= '2026-05-01').toBe(true);
    expect(latest[0].day > c.sittings[0].day).toBe(true);
    // Without any hours nothing is laid out, and that is no fault.
    const stash = (await ask('GET', '/api/stash')).json;
    const days = stash.document.decisions.week.days.map((d: object) => ({ ...d, minutes: 0 }));
    const change = (value: unknown, revision: number) =>
      ask('PATCH', `/api/projects/${STASH}`, {
        revision,
        change: { label: 'x', patch: [{ op: 'replace', path: '/decisions/week/days', value }] },
      });
    expect((await change(days, stash.revision)).status).toBe(200);
    const none = await at('2026-05-01');
    expect([none.sittings, none.done, none.behind > 0, none.ways]).toEqual([[], null, true, expect.anything()]);
    await change(stash.document.decisions.week.days, stash.revision + 1);
  });

  test('several projects share the hours: the one wanted sooner first, and no evening is filled twice', async () => {
    const [coat, dress] = [await demo('greenhouse-coat'), await demo('seed-hall-dress')];
    const wanted = async (id: string, by: string): Promise<void> => {
      const { revision } = (await ask('GET', `/api/projects/${id}`)).json;
      const patch = [{ op: 'replace', path: '/decisions/bench/by', value: by }];
      expect((await ask('PATCH', `/api/projects/${id}`, { revision, change: { label: 'x', patch } })).status).toBe(200);
    };
    await wanted(coat, '2026-05-01');
    await wanted(dress, '2026-04-20');
    const at = async (id: string) => (await ask('GET', `/api/projects/${id}/calendar?${HERE}`)).json;
    const [first, second] = [await at(dress), await at(coat)];
    expect(first.others).toEqual([]);
    expect(second.others.length).toBeGreaterThan(0);
    const taken = new Map<string, number>(
      second.others.map((o: { day: string; minutes: number }) => [o.day, o.minutes]),
    );
    expect([...taken.keys()]).toEqual(first.sittings.map((s: Sitting) => s.day));
    for (const s of second.sittings as Sitting[]) {
      const own = first.sittings.find((x: Sitting) => x.day === s.day);
      if (own) expect(s.from).toBeGreaterThanOrEqual(own.from + own.used - 1e-6);
    }
  });

  test('the iCalendar file is as RFC 5545 has it, and another reader finds the sittings in it', async () => {
    const id = await demo('chore-jacket');
    const named = await ask('GET', `/api/projects/${id}`);
    const name = 'Coat; "red", a\\b';
    await ask('PATCH', `/api/projects/${id}`, {
      revision: named.json.revision,
      change: { label: 'x', patch: [{ op: 'replace', path: '/name', value: name }] },
    });
    // Clocks are put forward in between, in Europe on the last Sunday of March.
    const query = `${HERE}&by=2026-04-30`;
    const c = (await ask('GET', `/api/projects/${id}/calendar?${query}`)).json;
    const file = await ask('GET', `/api/projects/${id}/export/calendar.ics?${query}`);
    expect(file.type).toBe('text/calendar; charset=utf-8');
    // 3.1: lines end in CRLF, and are at most 75 octets long; 3.6.1: each event has a UID of its own and a stamp in UTC.
    expect(file.text).not.toMatch(/[^\r]\n/);
    for (const row of file.text.split('\r\n')) expect(Buffer.byteLength(row)).toBeLessThanOrEqual(75);
    const unfolded = file.text.replace(/\r\n[ \t]/g, '');
    const uids = [...unfolded.matchAll(/^UID:(.*)$/gm)].map((m) => m[1]);
    expect(new Set(uids).size).toBe(uids.length);
    expect(uids).toHaveLength(c.sittings.length + 1);
    expect(unfolded.match(/^DTSTAMP:\d{8}T\d{6}Z\r$/gm)).toHaveLength(uids.length);
    // 3.3.5, form 1: a time of the place, so that 19:30 is 19:30 before and after clocks change. 3.3.11: what has to be escaped is.
    expect(unfolded.match(/^DTSTART:\d{8}T\d{6}\r$/gm)).toHaveLength(c.sittings.length);
    expect(unfolded).toContain('SUMMARY:Coat\\; "red"\\, a\\\\b');
    const read = new ICAL.Component(ICAL.parse(file.text)).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    expect(read.map((e) => e.summary.startsWith(name))).toEqual(read.map(() => true));
    (c.sittings as Sitting[]).forEach((s, i) => {
      const { startDate, duration, description } = read[i] as (typeof read)[number];
      expect(startDate.zone.tzid).toBe('floating');
      expect([startDate.toString().slice(0, 10), startDate.hour * 60 + startDate.minute]).toEqual([
        s.day,
        Math.floor(s.from),
      ]);
      expect(Math.abs(duration.toSeconds() / 60 - s.used)).toBeLessThanOrEqual(1);
      expect(description.split('\n')).toHaveLength(s.done.length);
    });
    expect(read.at(-1)?.startDate.isDate).toBe(true);
    expect(read.at(-1)?.startDate.toString()).toBe('2026-04-30');
  });
});
