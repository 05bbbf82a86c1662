import { type Computed } from '../../core/document/compute.ts';
import { CLOSING_ONLY, type ProjectDocument, STASH } from '../../core/document/project.ts';
import { whereStopped } from './progress.ts';

/** How a chapter of the workbook stands: nothing against it, something to look at, or not come to yet. */
export type Standing = 'well' | 'needs' | 'open';

export interface Chapter {
  path: string;
  name: string;
  question: string;
  standing: Standing;
}

export const STANDING_WORDS: Record<Standing, string> = {
  well: 'all well',
  needs: 'needs you',
  open: 'not looked at yet',
};

/** What is asked about the pattern itself before anything else of it can be relied on. */
const ASKED = /^Next: (see|name|say)/;

/** The chapters of what is no garment. */
const ALONE: Record<string, string[]> = {
  [CLOSING_ONLY]: ['buttons', 'paper', 'history'],
  [STASH]: ['stash', 'history'],
};

/** The chapters of a project, in the order of the work. What is worked out only when it is opened stands open. */
export function chaptersOf(doc: ProjectDocument, c: Computed): Chapter[] {
  const none = !doc.shell;
  const off = c.seams.some((s) => s.verdict === 'a-too-long' || s.verdict === 'a-too-short');
  const stops = c.findings.some((f) => f.severity === 'stop');
  const when = (open: boolean, needs: boolean): Standing => (open ? 'open' : needs ? 'needs' : 'well');
  const all: Chapter[] = [
    {
      path: 'pattern',
      name: 'Pattern',
      question: 'Is this my pattern?',
      standing: when(none, ASKED.test(whereStopped(doc, c))),
    },
    {
      path: 'seams',
      name: 'Seams',
      question: 'Will it go together?',
      standing: when(none || !c.seams.length, off),
    },
    { path: 'inside', name: 'Inside', question: 'What else do I cut?', standing: when(none, stops) },
    {
      path: 'buttons',
      name: 'Buttons',
      question: 'Where do the buttons go?',
      standing: when(!doc.decisions.closure.on || !c.closure, c.closure?.ok === false),
    },
    { path: 'stash', name: 'Stash', question: 'What do I have?', standing: 'open' },
    { path: 'cutting', name: 'Cloth', question: 'How much cloth?', standing: 'open' },
    { path: 'plan', name: 'Order', question: 'In what order?', standing: 'open' },
    {
      path: 'sewing',
      name: 'Sewing',
      question: 'What do I do now?',
      standing: when(!doc.decisions.bench.finished, false),
    },
    { path: 'paper', name: 'Paper', question: 'On to paper', standing: 'open' },
    { path: 'history', name: 'History', question: 'What did I change?', standing: 'open' },
  ];
  const alone = ALONE[doc.garment];
  return all.filter((x) => (alone ? alone.includes(x.path) : x.path !== 'stash'));
}
