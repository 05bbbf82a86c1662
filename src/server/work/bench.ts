import { createEvents, type EventAttributes } from 'ics';
import { comparePatch } from '../../contract/index.ts';
import {
  aboutNames,
  dayWords,
  notebookMarkdown,
  partNames,
  spanWords,
  stepNames,
  WAIT_WORDS,
  workTitle,
} from '../../contract/words/index.ts';
import {
  type Calendar,
  calendarOf,
  estimateOf,
  forgetStep,
  goneSteps,
  paceOf,
  setStep,
  standingOfProject,
  stateOf,
  stepsLeft,
  timedOf,
  touchedSteps,
} from '../../core/bench/index.ts';
import { type Computed, planOf } from '../../core/document/compute.ts';
import { type ProjectDocument } from '../../core/document/project.ts';
import { type Plan } from '../../core/plan/index.ts';
import { problemBody } from '../problem.ts';
import { type Answered, type Asked, type AtDesk } from './ask.ts';
import { noPlan } from './noplan.ts';
import { slug } from './slug.ts';

const json = (body: unknown): Answered => ({ status: 200, type: 'application/json', body: JSON.stringify(body) });

/** What is done, with what is not so any more, and what is left. */
function progress(x: Computed, doc: ProjectDocument, plan: Plan): unknown {
  const { bench } = doc.decisions;
  const logs = new Map(bench.steps.map((l) => [l.id, l]));
  const touched = new Set(touchedSteps(plan.steps, x.cutLines, doc.decisions).map((t) => t.step.id));
  return {
    steps: plan.steps.map((s) => {
      const log = logs.get(s.id);
      return {
        ...{ id: s.id, number: s.number, state: stateOf(bench, s.id), touched: touched.has(s.id) },
        ...{ at: log?.at ?? null, minutes: log?.minutes ?? null, redone: log?.redone ?? 0 },
      };
    }),
    gone: goneSteps(plan.steps, bench).map(({ id, at }) => ({ id, at })),
    left: estimateOf(paceOf(timedOf(bench.steps)), stepsLeft(plan.steps, bench)),
  };
}

/** Steps ticked elsewhere, as on paper, as a change of the document. */
function ticked(x: Computed, doc: ProjectDocument, plan: Plan, { ticks = [], now }: Asked): Answered {
  const known = new Set([...plan.steps, ...doc.decisions.bench.steps].map((s) => s.id));
  const unknown = ticks.find((t) => !known.has(t.id));
  if (unknown) return problemBody(422, 'step', `There is no step "${unknown.id}" in the plan of this project.`);
  const at = { steps: plan.steps, cut: x.cutLines, d: doc.decisions };
  const bench = ticks.reduce(
    (log, t) =>
      t.state === 'todo'
        ? forgetStep(log, t.id)
        : setStep({ ...at, d: { ...at.d, bench: log } }, t.id, t.state, t.at ?? now, t.minutes),
    doc.decisions.bench,
  );
  const next = { ...doc, decisions: { ...doc.decisions, bench } };
  return json({ patch: comparePatch(doc, next) });
}

/** The sittings of a project in the time that is left for it. */
export function calendarAt(doc: ProjectDocument, plan: Plan, desk: AtDesk): Calendar {
  const { today, clock, by, busy, week, timed, now } = desk;
  const since = (at: string): number => (Date.parse(at) - Date.parse(now)) / 60_000 + clock;
  const { steps, making } = plan;
  return calendarOf({
    steps,
    making,
    log: doc.decisions.bench,
    pace: paceOf(timed),
    week,
    today,
    clock,
    by,
    busy,
    since,
  });
}

/** What of a project counts for the others. */
export const standing = (doc: ProjectDocument): Answered => json(standingOfProject(doc));

/** What is asked of the bench of a project. */
export function benchAnswer(x: Computed, doc: ProjectDocument, asked: Asked): Answered {
  const plan = planOf(doc, x);
  if (!plan.ok) return noPlan();
  if (asked.part === 'progress') return json(progress(x, doc, plan.value));
  if (asked.part === 'ticks') return ticked(x, doc, plan.value, asked);
  return json(calendarAt(doc, plan.value, asked.desk as AtDesk));
}

/** A sitting as an event: in the time of the place, whatever zone or summer time holds there on that day. */
function eventOf(
  doc: ProjectDocument,
  plan: Plan,
  names: Record<string, string>,
  c: Calendar,
  i: number,
): EventAttributes {
  const s = c.sittings[i] as Calendar['sittings'][number];
  const [y, m, d] = s.day.split('-').map(Number) as [number, number, number];
  const steps = new Map(plan.steps.map((x) => [x.id, x]));
  const lines = s.done.map((w) => {
    const wait = c.waits[w.id];
    const title = workTitle(w.id, steps, doc.units, names);
    return `${title}${wait && wait !== 'washed' ? `, ${WAIT_WORDS[wait]}` : ''}${w.goesOn ? ' (goes on next time)' : ''}`;
  });
  return {
    uid: `${s.day}-${i}-${slug(doc.name)}@woodbine`,
    start: [y, m, d, Math.floor(s.from / 60), Math.round(s.from % 60)],
    startInputType: 'local',
    startOutputType: 'local',
    duration: { minutes: Math.max(1, Math.round(s.used)) },
    title: `${doc.name}: ${s.done.length === 1 ? '1 step' : `${s.done.length} steps`}`,
    description: lines.join('\n'),
  };
}

/** The sittings as an iCalendar file (RFC 5545), each with its steps; the day it is wanted for as a day of its own. */
export function calendarFile(x: Computed, doc: ProjectDocument, desk: AtDesk): Answered {
  const plan = planOf(doc, x);
  if (!plan.ok) return noPlan();
  const c = calendarAt(doc, plan.value, desk);
  if (!c.sittings.length)
    return problemBody(
      404,
      'nothing',
      'There is nothing to put into a calendar: no step is left, or no hours are said.',
    );
  const names = partNames(plan.value.making, x.pieces);
  const events = c.sittings.map((_, i) => eventOf(doc, plan.value, names, c, i));
  const made = createEvents([...events, ...(c.by ? [wishedDay(doc, c)] : [])], {
    productId: '-//Woodbine//Sewing//EN',
    calName: doc.name,
  });
  if (made.error || !made.value) throw made.error ?? new Error('no calendar was made');
  return { status: 200, type: 'text/calendar; charset=utf-8', body: made.value, name: `${slug(doc.name)}.ics` };
}

function wishedDay(doc: ProjectDocument, c: Calendar): EventAttributes {
  const by = c.by as string;
  const [y, m, d] = by.split('-').map(Number) as [number, number, number];
  return {
    uid: `${by}-wished-${slug(doc.name)}@woodbine`,
    start: [y, m, d],
    duration: { days: 1 },
    title: `${doc.name}: wanted today`,
    description: `${spanWords(c.left)} were left on ${dayWords(c.today)}.`,
  };
}

/** The notebook as Markdown, its pictures under the names they have beside it. */
export function notebookFile(x: Computed, doc: ProjectDocument, files: Record<string, string>): Answered {
  const plan = planOf(doc, x);
  const made = plan.ok ? plan.value : null;
  const parts = made ? partNames(made.making, x.pieces) : {};
  const names = aboutNames(x, stepNames(made, doc.units, parts));
  const of = { name: doc.name, units: doc.units, entries: doc.decisions.notebook, names };
  return {
    status: 200,
    type: 'text/markdown; charset=utf-8',
    body: notebookMarkdown(of, (picture) => files[picture] ?? null),
  };
}
