import { CLOSABLE } from '../../../core/drafting/index.ts';
import { type WalkedSeam } from '../../../core/pattern/index.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Findings } from '../../ui/Notes.tsx';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { seamWords } from '../../words/index.ts';

/** Whether the lining has a seam of the shell too, or is cut in one across it; nothing at seams of another kind. */
export function LinedInOne({ w, seam }: { w: Workbook; seam: WalkedSeam }) {
  const { lining } = w.doc.decisions;
  const [side] = seam.a;
  const is = (e: { piece: string; edge: string }): boolean =>
    [...seam.a, ...seam.b].some((x) => x.piece === e.piece && x.edge === e.edge);
  const join = w.computed.surface.joins.find((j) => [...j.a, ...j.b].some(is));
  if (seam.group !== 'shell' || !side || !join || !CLOSABLE.has(join.code) || !lining.on || lining.self) return null;
  const closed = lining.inOne.some(is);
  const put = (on: boolean): void => {
    const rest = lining.inOne.filter((e) => !is(e));
    const inOne = on ? [...rest, { piece: side.piece, edge: side.edge }] : rest;
    setDecision(
      w,
      'lining',
      { inOne },
      { words: `${seamWords(seam)}: lining ${on ? 'in one' : 'seamed too'}`, told: true },
    );
  };
  const pieces = [...seam.a, ...seam.b].map((x) => x.piece);
  const told = w.computed.findings.filter(
    (f) => f.code.startsWith('closed-up') && pieces.includes(f.where?.piece ?? ''),
  );
  return (
    <>
      <Say>
        The lining{' '}
        <ChoiceBlank
          label="The lining at this seam"
          value={closed ? 'in-one' : 'seamed'}
          ways={[
            { id: 'seamed', words: 'has this seam too' },
            { id: 'in-one', words: 'is cut in one across it' },
          ]}
          onPick={(v) => put(v === 'in-one')}
        />
        .
      </Say>
      {closed && <Findings findings={told} w={w} />}
    </>
  );
}
