import { type Piece, type Role } from '../../core/pattern/index.ts';
import { lastChances, layersOf, marksToTransfer, type Plan, type PlanStep } from '../../core/plan/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { called } from '../index.ts';
import { lastChanceWords } from './lastchance.ts';
import { cautionsOf, minutesWords, SECTION_WORDS, STATION_WORDS, sidesWords, stepWords, stopWords } from './plan.ts';
import { transferWords } from './transfer.ts';

interface Said {
  name: string;
  plan: Plan;
  units: LengthUnit;
  names: Record<string, string>;
  pieces: Piece[];
}

/** The allowance; where it changes along the seam, the narrowest too. */
function allowanceWords(s: PlanStep, units: LengthUnit): string | null {
  if (s.allowance === null || s.allowance <= 0) return null;
  const { narrow } = s.data;
  const less = narrow === undefined ? '' : `, ${formatLength(narrow, units)} where its edge has less`;
  return `allowance ${formatLength(s.allowance, units)}${less}`;
}

/** What lies at an end of an edge; a panel seam is no princess seam everywhere. */
const endName = (role: Role): string => (role === 'panel-seam' ? 'panel seam' : called(role));

/** From which end a seam is sewn, where its cloth lies flatter from one than from the other. */
function directionWords({ directions: [first] }: PlanStep): string | null {
  return first ? `with the grain: from the ${endName(first.from)} to the ${endName(first.to)}` : null;
}

/** Points that the pattern has along a seam, each once: where they lie, and whether the stitching ends there. */
function markWords({ marks }: PlanStep, units: LengthUnit): string[] {
  const words = marks.map(({ far, from, meets, turns }) => {
    const where = far < 1 ? `at the ${endName(from)}` : `${formatLength(far, units)} from the ${endName(from)}`;
    if (meets) return `its end is the point the pattern has ${where}`;
    if (meets === false) return `the pattern has a point ${where}, this ends elsewhere: look which is meant`;
    const what = turns ? 'turn on the needle there' : 'start, stop or turn there';
    return `the pattern has a point ${where}: ${what} if your pattern asks for it`;
  });
  return [...new Set(words)];
}

/** What is to be known at a step, besides its instruction; without its allowance where that is told beside. */
export function factsOf(s: PlanStep, units: LengthUnit, beside = false): string[] {
  const allowance = beside && s.data.narrow === undefined ? null : allowanceWords(s, units);
  const one = [sidesWords(s.stack), allowance, directionWords(s)];
  return [...one, ...stopWords(s, units), ...markWords(s, units)].filter((x): x is string => Boolean(x));
}

/** The plan as Markdown, with a box to tick before each step. */
export function planMarkdown({ name, plan, units, names, pieces }: Said): string {
  const cautions = cautionsOf(plan.steps);
  const lines = [`# ${name}: in what order`, '', `${plan.steps.length} steps, about ${minutesWords(plan.minutes)}.`];
  const chances = lastChances(plan.steps, plan.making).map((x) => lastChanceWords(x, units, names));
  if (chances.length) lines.push('', 'The last chance to change it:', '');
  for (const { what, until, after } of chances) lines.push(`- ${what}: ${until}; ${after}.`);
  const marks = marksToTransfer(plan.steps, plan.making, pieces);
  if (marks.length) lines.push('', 'Marks to carry over from the pattern to the cloth:', '');
  for (const t of marks) {
    const { what, how, steps } = transferWords(t);
    lines.push(`- ${pieces.find((q) => q.id === t.piece)?.name}, ${what}: ${how} (${steps}).`);
  }
  let section = '';
  for (const s of plan.steps) {
    if (s.section !== section) lines.push('', `## ${SECTION_WORDS[s.section]}`, '');
    section = s.section;
    const { title, how, check } = stepWords(s, units, names);
    lines.push(`- [ ] **${s.number}. ${title}** (${STATION_WORDS[s.station]}, ${minutesWords(s.minutes)})`);
    for (const more of [
      factsOf(s, units).join(' · '),
      how,
      check ? `Check: ${check}.` : '',
      (cautions.get(s.id) ?? []).join(' '),
    ])
      if (more) lines.push(`  ${more}`);
  }
  return `${lines.join('\n')}\n`;
}

/** The plan as JSON: steps with their words, layers and what they wait for. */
export function planJson({ name, plan, units, names }: Said): string {
  const steps = plan.steps.map((s) => ({
    number: s.number,
    id: s.id,
    ...stepWords(s, units, names),
    section: s.section,
    station: s.station,
    pieces: s.pieces.map((p) => names[p] ?? p),
    allowanceMm: s.allowance,
    stops: s.stops,
    after: s.after,
    minutes: Math.round(s.minutes * 10) / 10,
    layers: layersOf(s, plan),
  }));
  return `${JSON.stringify({ name, methods: plan.methods, minutes: Math.round(plan.minutes), handMinutes: Math.round(plan.handMinutes), steps }, null, 2)}\n`;
}
