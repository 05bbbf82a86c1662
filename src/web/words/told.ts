import { stepWords } from '../../contract/words/plan.ts';
import { SEAM_WORDS } from '../../contract/words/seams.ts';
import { type Plan, type PlanStep } from '../../core/plan/index.ts';
import { type Finding } from '../../core/result.ts';
import { capital } from '../../core/text.ts';
import { type LengthUnit } from '../../core/units.ts';
import { extraWords, methodWords, reasonOf, topicWords } from './methods.ts';

/** A step as it is called in a sentence: its number and title. */
export const stepName = (s: PlanStep, unit: LengthUnit, names: Record<string, string>): string =>
  `step ${s.number} “${stepWords(s, unit, names).title}”`;

/** A finding about the plan, its ids put into words. */
export function toldOf(f: Finding, plan: Plan | null, unit: LengthUnit, names: Record<string, string>): Finding {
  const data = { ...f.data };
  const step = (id: unknown): string => {
    const s = plan?.steps.find((x) => x.id === id);
    const out = plan?.left.find((x) => x.id === id);
    // A step that is left out has no number; one that is not known any more has no title.
    if (out) return `“${stepWords(out, unit, names).title}”`;
    return s ? stepName(s, unit, names) : 'a step that is not in the plan';
  };
  for (const key of ['step', 'other']) if (data[key] !== undefined) data[key] = step(data[key]);
  if (typeof data.step === 'string') data.step = capital(data.step);
  if (typeof data.seam === 'string') data.seam = SEAM_WORDS[data.seam] ?? data.seam;
  if (typeof data.piece === 'string') data.piece = names[data.piece] ?? data.piece;
  if (f.code === 'extra-does-not-fit') {
    data.extra = extraWords(String(data.extra));
    data.reason = reasonOf(String(data.reason));
  }
  if (f.code === 'method-does-not-fit') {
    const topic = String(data.topic);
    const instead = String(data.instead)
      .split(' ')
      .filter((m) => m && m !== 'none');
    data.method = methodWords(topic, String(data.method));
    data.instead = instead.map((m) => methodWords(topic, m)).join(', ');
    data.reason = reasonOf(String(data.reason));
    data.topic = topicWords(topic);
  }
  return { ...f, data };
}
