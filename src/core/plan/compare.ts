import { type Decisions } from '../document/project.ts';
import { OPENING } from './check/index.ts';
import { bulkOf } from './layers.ts';
import { methodsOf } from './methods/catalogue.ts';
import { TOPICS, type Topic } from './methods/method.ts';
import { makePlan, type Task } from './plan.ts';

/** One way of making a part of the garment, beside its rivals: what the whole garment then asks. */
export interface Rival {
  method: string;
  chosen: boolean;
  /** Why it does not fit, as a code; then there are no figures. */
  reason: string | null;
  steps: number;
  minutes: number;
  handMinutes: number;
  /** Openings left for turning, mm together. */
  opening: number;
  /** Layers at the thickest place. */
  bulk: number;
  /** Rows of stitching seen outside. */
  rows: number;
  /** Things the checker finds. */
  faults: number;
}

/** All methods of a topic with what the garment asks by each; those that do not fit with the reason. */
export function compareMethods(task: Task, choices: Decisions['making'], topic: Topic): Rival[] {
  const now = makePlan(task, choices);
  return methodsOf(topic)
    .filter((m) => m.id !== 'none')
    .map((m): Rival => {
      const plan = makePlan(task, {
        ...choices,
        order: null,
        left: [],
        methods: { ...choices.methods, [topic]: m.id },
      });
      const none = {
        method: m.id,
        chosen: false,
        reason: 'unknown-method',
        steps: 0,
        minutes: 0,
        handMinutes: 0,
        opening: 0,
        bulk: 0,
        rows: m.rows,
        faults: 0,
      };
      if (!plan.ok) return { ...none, reason: plan.findings[0]?.code ?? none.reason };
      const { value } = plan;
      const misfit = value.findings.find((f) => f.code === 'method-does-not-fit' && f.data?.topic === topic);
      if (misfit) return { ...none, reason: String(misfit.data?.reason) };
      const opened = value.steps.some((s) => s.stops.some((x) => x.code === 'opening'));
      return {
        method: m.id,
        chosen: now.ok && now.value.methods[topic] === m.id,
        reason: null,
        steps: value.steps.length,
        minutes: value.minutes,
        handMinutes: value.handMinutes,
        opening: opened ? OPENING[task.making.bulk] : 0,
        bulk: Math.max(0, ...value.steps.map((s) => bulkOf(s, value))),
        rows: m.rows,
        faults: value.findings.filter((f) => f.severity === 'stop').length,
      };
    });
}

/** Topics in which this garment leaves a choice. */
export const openTopics = (methods: Record<string, string>): Topic[] =>
  TOPICS.filter(
    (t) => methods[t] !== undefined && methods[t] !== 'none' && methodsOf(t).filter((m) => m.id !== 'none').length > 1,
  );
