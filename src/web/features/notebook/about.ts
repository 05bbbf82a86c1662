import { type Entry } from '../../../core/bench/notebook.ts';
import { type Workbook } from '../../data/useProject.ts';
import { type Way } from '../../ui/Sentence.tsx';
import { seamWords } from '../../words/index.ts';

/** What an entry can be about: nothing in particular, a step that was begun, a piece, a seam, a cloth. */
export function abouts(w: Workbook, titleOf: (step: string) => string, now: string): Way<string>[] {
  const { bench, cutting } = w.doc.decisions;
  const begun = bench.steps.slice(-40).map((s) => `step/${s.id}`);
  const steps = now.startsWith('step/') && !begun.includes(now) ? [now, ...begun] : begun;
  return [
    { id: '', words: 'nothing in particular' },
    ...steps.map((id) => ({ id, words: `the step “${titleOf(id.slice('step/'.length))}”` })),
    ...w.computed.pieces.map((p) => ({ id: `piece/${p.id}`, words: p.name })),
    ...w.computed.seams.map((s) => ({ id: `seam/${s.id}`, words: `the seam “${seamWords(s)}”` })),
    ...cutting.cloths.map((c) => ({ id: `cloth/${c.name}`, words: `the cloth “${c.name}”` })),
  ];
}

/** The same as an entry keeps it. */
export function aboutOf(about: string): Pick<Entry, 'step' | 'piece' | 'seam' | 'cloth'> {
  const at = about.indexOf('/');
  const [of, id] = [about.slice(0, at), about.slice(at + 1)];
  return {
    step: of === 'step' ? id : '',
    piece: of === 'piece' ? id : '',
    seam: of === 'seam' ? id : '',
    cloth: of === 'cloth' ? id.slice(0, 64) : '',
  };
}
