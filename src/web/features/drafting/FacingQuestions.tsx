import { type FacingKind } from '../../../core/document/project.ts';
import { type JoinCode } from '../../../core/garment/index.ts';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { Length } from './asking.tsx';
import { BandSentences } from './BandSentences.tsx';
import { type Deciding } from './deciding.ts';

/** What is faced, and how wide. */
export function FacingQuestions(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const { on } = f;
  return (
    <>
      <Say>
        The front edges and the neck{' '}
        <ChoiceBlank
          label="Front edges and neck"
          value={on ? 'yes' : 'no'}
          ways={[
            { id: 'yes', words: 'are faced' },
            { id: 'no', words: 'are not faced' },
          ]}
          onPick={(x) => d.set('facing', { on: x === 'yes' }, x === 'yes' ? 'With facings' : 'Without facings')}
        />
        .
      </Say>
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

const KINDS: readonly Way<FacingKind>[] = [
  {
    id: 'separate',
    words: 'a piece of its own',
    drawn: [
      ['fill', 'M16 8H46V52H16Z'],
      ['edge', 'M16 8V52M16 8H46V52H16'],
      ['under', 'M62 8H108V52H62Z'],
      ['edge', 'M62 8V52'],
    ],
  },
  {
    id: 'cut-on',
    words: 'grown on, the edge a fold',
    drawn: [
      ['fill', 'M20 8H56V52H20Z'],
      ['under', 'M56 8H108V52H56Z'],
      ['fold', 'M56 4V56'],
      ['edge', 'M20 8H108M20 8V52H108'],
    ],
  },
  {
    id: 'lapel',
    words: 'turned back with a lapel or shawl',
    drawn: [
      ['under', 'M40 52V30L74 8H108V52Z'],
      ['fill', 'M40 30L74 8L84 24Z'],
      ['fold', 'M40 30L74 8'],
      ['edge', 'M40 52V30L84 24L74 8'],
    ],
  },
];

/** How the front edge is faced, how wide, and what a lapel asks besides. */
function FrontSentence(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const front = d.w.computed.shell.find((p) => p.kind === 'front' && p.ring.some((e) => e.role === 'front-edge'));
  const widths = (
    <>
      <Length
        d={d}
        of="facing"
        key_="front"
        label="Front facing, width"
        least={50}
        most={140}
        usual={[75, 100]}
        help="It must reach past the buttonholes."
      />{' '}
      wide and{' '}
      <Length
        d={d}
        of="facing"
        key_="shoulder"
        label="Width at the shoulder"
        least={30}
        most={90}
        help="Equal on front and back."
      />{' '}
      at the shoulder
    </>
  );
  const round = f.kind !== 'lapel' && (
    <>
      , its inner corner rounded by{' '}
      <Length
        d={d}
        of="facing"
        key_="radius"
        label="Rounding of the inner corner"
        least={0}
        most={120}
        help="So that the lining can be sewn round it."
      />
    </>
  );
  return (
    <Say>
      The front facing is{' '}
      {front && (
        <>
          <ChoiceBlank
            label="The front facing"
            value={f.kind}
            ways={KINDS}
            onPick={(kind) =>
              d.set('facing', { kind }, `Front facing ${KINDS.find((k) => k.id === kind)?.words ?? kind}`)
            }
          />
          ,{' '}
        </>
      )}
      {widths}
      {round}.
      {front && f.kind === 'lapel' && <LapelSentence d={d} drawn={front.lines.some((l) => l.kind === 'roll-line')} />}
    </Say>
  );
}

function LapelSentence({ d, drawn }: { d: Deciding; drawn: boolean }) {
  return (
    <>
      {' '}
      At the top of the lapel it is drawn out by{' '}
      <Length
        d={d}
        of="facing"
        key_="out"
        label="Drawn out at the top of the lapel"
        least={0}
        most={10}
        usual={[2, 6]}
        help="{2–4 mm} by the cloth; {6 mm} for thick."
      />
      .
      {!drawn && (
        <>
          {' '}
          The edge begins to turn{' '}
          <Length
            d={d}
            of="facing"
            key_="breakAt"
            label="It begins to turn below the top of the edge"
            least={50}
            most={800}
            help="Where the roll line meets the front edge; draw it and it is taken from there."
          />{' '}
          below its top.
        </>
      )}
    </>
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
  const f = d.w.doc.decisions.facing;
  const deep = f.deep > 0;
  return (
    <Say>
      The back is faced{' '}
      <ChoiceBlank
        label="The back is faced"
        value={deep ? 'deep' : 'neck'}
        ways={[
          {
            id: 'neck',
            words: 'round the neck',
            drawn: [
              ['under', 'M20 10H100V56H20Z'],
              ['fill', 'M38 10Q60 24 82 10H96Q60 46 24 10Z'],
              ['edge', 'M20 56V10H38Q60 24 82 10H100V56'],
            ],
          },
          {
            id: 'deep',
            words: 'down to the armholes',
            drawn: [
              ['under', 'M20 10H100V56H20Z'],
              ['fill', 'M20 10H38Q60 24 82 10H100V38Q60 46 20 38Z'],
              ['edge', 'M20 56V10H38Q60 24 82 10H100V56'],
            ],
          },
        ]}
        onPick={(x) =>
          d.set('facing', { deep: x === 'deep' ? 160 : 0 }, x === 'deep' ? 'Deep back facing' : 'Back neck facing')
        }
      />
      ,{' '}
      {deep ? (
        <Length d={d} of="facing" key_="deep" label="Its depth at centre back" least={60} most={320} />
      ) : (
        <Length d={d} of="facing" key_="back" label="Back neck facing, depth" least={30} most={120} />
      )}{' '}
      deep.
      {goesOn(d) && (
        <>
          {' '}
          Over several panels the facing goes{' '}
          <ChoiceBlank
            label="Over several panels the facing goes"
            value={f.over}
            ways={[
              { id: 'one', words: 'in one across their seams' },
              { id: 'parts', words: 'in parts, cut at each seam' },
            ]}
            onPick={(over) => d.set('facing', { over }, over === 'one' ? 'Facing in one' : 'Facing in parts')}
          />
          .
        </>
      )}
    </Say>
  );
}
