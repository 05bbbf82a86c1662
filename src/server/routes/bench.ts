import { type Context, Hono } from 'hono';
import { here, type TicksBody, ticksBody } from '../../contract/index.ts';
import { daysBetween, isDay } from '../../core/bench/index.ts';
import { type Store } from '../db/store.ts';
import { type AppParts } from '../parts.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';
import { body } from './body.ts';
import { sent } from './computed.ts';
import { type Desk, type When } from './desk.ts';
import { missing, written } from './projects.ts';

/** A day farther off than this is not looked at. Two years. */
const FARTHEST = 730;
/** So often a tick is tried anew where something else was kept in between. */
const TRIES = 5;

/** The day and the time that are asked about; else which word of the address is wrong, and a sentence. */
function whenOf(c: Context, now: Date): When | { wrong: string; words: string } {
  const { by, today, clock } = c.req.query();
  const place = here(now);
  const late = clock === undefined ? place.clock : Number(clock);
  if (clock !== undefined && !(/^\d{1,4}$/.test(clock) && late < 24 * 60))
    return { wrong: 'clock', words: 'The clock is said in minutes after midnight, 0 to 1439.' };
  for (const [wrong, day] of [
    ['by', by],
    ['today', today],
  ] as const)
    if (day !== undefined && !isDay(day))
      return { wrong, words: `"${day.slice(0, 40)}" is no day of the calendar: it is written as 2026-12-24.` };
  const from = today ?? place.today;
  if (by !== undefined && by < from) return { wrong: 'by', words: `${by} is past: today is ${from}.` };
  if (by !== undefined && daysBetween(from, by) > FARTHEST)
    return { wrong: 'by', words: 'That is more than two years off: nothing is laid out so far ahead.' };
  return { today: from, clock: late, now: now.toISOString(), ...(by !== undefined && { by }) };
}

/** What is done at the bench, and when there is time for the rest. */
export function benchRoutes(p: AppParts, desk: Desk): Hono {
  const r = new Hono();
  const { store } = p.opened;
  r.get('/projects/:id/progress', (c) => progressAnswer(c, store, desk));
  r.patch('/projects/:id/progress', async (c) => {
    const b = await body(c, ticksBody);
    return b.ok ? ticked(c, store, desk, b.value) : b.answer;
  });
  const laid = async (c: Context, part: 'calendar' | 'calendar.ics'): Promise<Response> => {
    const when = whenOf(c, p.now());
    if ('wrong' in when) return problem(c, 422, when.wrong, when.words);
    const at = await desk.at(c.req.param('id') ?? '', when);
    if (!at) return missing(c);
    const made = await desk.ask(at.held, { part, desk: at.desk });
    if (part === 'calendar.ics' || made.status !== 200) return sent(c, made);
    return reply(c, 'GET /api/projects/{id}/calendar', { ...JSON.parse(made.body as string), others: at.others });
  };
  r.get('/projects/:id/calendar', (c) => laid(c, 'calendar'));
  r.get('/projects/:id/export/calendar.ics', (c) => laid(c, 'calendar.ics'));
  r.get('/pace', async (c) => reply(c, 'GET /api/pace', { timed: await desk.timed() }));
  return r;
}

async function progressAnswer(c: Context, store: Store, desk: Desk): Promise<Response> {
  const id = c.req.param('id') ?? '';
  const s = await store.get(id);
  if (!s) return missing(c);
  const held = await store.text(id);
  const made = held && (await desk.ask(held, { part: 'progress' }));
  if (!made) return missing(c);
  if (made.status !== 200) return sent(c, made);
  return reply(c, 'GET /api/projects/{id}/progress', { revision: s.revision, ...JSON.parse(made.body as string) });
}

/** Ticks are laid on what is there: where that changed in between they are laid on it anew, unless a revision was said. */
async function ticked(c: Context, store: Store, desk: Desk, { revision, steps }: TicksBody): Promise<Response> {
  const id = c.req.param('id') ?? '';
  for (let n = 0; ; n++) {
    const s = await store.get(id);
    const held = await store.text(id);
    if (!s || !held) return missing(c);
    const made = await desk.ask(held, { part: 'ticks', ticks: steps });
    if (made.status !== 200) return sent(c, made);
    const { patch } = JSON.parse(made.body as string) as { patch: unknown[] };
    const on = revision ?? s.revision;
    if (!patch.length && on === s.revision) return progressAnswer(c, store, desk);
    const label = steps.length === 1 ? `Step ticked: ${steps[0]?.id}` : `${steps.length} steps ticked`;
    const done = await store.changed(id, { revision: on, label, patch: JSON.stringify(patch) });
    if (done.ok) return progressAnswer(c, store, desk);
    if (done.why !== 'stale' || revision !== undefined || n >= TRIES) return written(c, store, done);
  }
}
