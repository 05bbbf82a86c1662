import { type JoinCode } from '../../../core/garment/index.ts';
import { ChoiceBlank, Say } from '../../ui/Sentence.tsx';
import { asked } from './asking.tsx';
import { BandSentences } from './BandSentences.tsx';
import { type Deciding } from './deciding.ts';
import { BACK_WAYS, FACING } from './fields/facing.ts';

/** What is faced, and how wide. */
export function FacingQuestions(d: Deciding) {
  const { on } = d.w.doc.decisions.facing;
  return (
    <>
      <Say>The front edges and the neck {asked(d, 'facing', FACING).on}.</Say>
      {on && (
        <>
          <FrontSentence {...d} />
          <BackSentence {...d} />
          <BandSentences {...d} />
        </>
      )}
    </>
  );
}

/** How the front edge is faced, how wide, and what a lapel asks besides. */
function FrontSentence(d: Deciding) {
  const { kind } = d.w.doc.decisions.facing;
  const f = asked(d, 'facing', FACING);
  const front = d.w.computed.shell.find((p) => p.kind === 'front' && p.ring.some((e) => e.role === 'front-edge'));
  const drawn = front?.lines.some((l) => l.kind === 'roll-line');
  return (
    <Say>
      The front facing is {front && <>{f.kind}, </>}
      {f.front} wide and {f.shoulder} at the shoulder
      {kind !== 'lapel' && <>, its inner corner rounded by {f.radius}</>}.
      {front && kind === 'lapel' && <> At the top of the lapel it is drawn out by {f.out}.</>}
      {front && kind === 'lapel' && !drawn && <> The edge begins to turn {f.breakAt} below its top.</>}
    </Say>
  );
}

/** Seams that a facing can go on across in one. */
const ACROSS: ReadonlySet<JoinCode> = new Set<JoinCode>(['panel', 'yoke', 'waist', 'other']);

/** Whether neck or opening go on over several panels. */
function goesOn({ w }: Deciding): boolean {
  const { shell, surface } = w.computed;
  const faced = new Set(
    shell.filter((p) => p.ring.some((e) => e.role === 'neckline' || e.role === 'front-edge')).map((p) => p.id),
  );
  return surface.joins.some(
    (j) => ACROSS.has(j.code) && [j.a, j.b].every((side) => side.some((e) => faced.has(e.piece))),
  );
}

/** A back facing round the neck, or down to the armholes; over several panels in one or in parts. */
function BackSentence(d: Deciding) {
  const deep = d.w.doc.decisions.facing.deep > 0;
  const f = asked(d, 'facing', FACING);
  return (
    <Say>
      The back is faced{' '}
      <ChoiceBlank
        label="The back is faced"
        value={deep ? 'deep' : 'neck'}
        ways={BACK_WAYS}
        onPick={(x) =>
          d.set('facing', { deep: x === 'deep' ? 160 : 0 }, x === 'deep' ? 'Deep back facing' : 'Back neck facing')
        }
      />
      , {deep ? f.deep : f.back} deep.{goesOn(d) && <> Over several panels the facing goes {f.over}.</>}
    </Say>
  );
}
