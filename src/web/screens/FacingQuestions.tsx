import { type BandRole, type FacingKind, FINISHES, type Finish } from '../../core/document/project.ts';
import { type JoinCode } from '../../core/garment/index.ts';
import { formatLength, inUnit } from '../../core/units.ts';
import { Besides, ChoiceBlank, type Extra, LengthBlank, Say, type Way } from '../parts/Sentence.tsx';
import { Length, shellOf, widthExtra } from './asking.tsx';
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

const FINISH_WORDS: Record<Finish, string> = {
  overlocked: 'overlocked',
  bound: 'bound with a strip',
  pressed: 'pressed under {9.5 mm} and edge-stitched',
};

/** Facings along single edges, and how their outer edge is neatened. */
function BandSentences(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const { units } = d.w.doc;
  const s = shellOf(d);
  const lined = d.w.doc.decisions.lining.on;
  const band = (
    role: BandRole,
    label: string,
    what: string,
    first: number,
    usual?: readonly [number, number],
    help?: string,
  ): Extra =>
    widthExtra({
      d,
      label,
      value: f.bands[role],
      first,
      least: 20,
      most: 120,
      ...(usual && { usual }),
      ...(help && { help }),
      say: [`${what} faced,`, ' deep.'],
      put: (v, words) => d.set('facing', { bands: { ...f.bands, [role]: v } }, words),
    });
  const open = s.edge('armhole') && !s.has('sleeve') && !lined;
  const waist = s.has('skirt-front', 'skirt-back') && !s.has('front', 'back', 'waistband');
  const extras: Extra[] = [
    ...(open
      ? [
          widthExtra({
            d,
            label: 'Face neck and armholes in one',
            value: f.inOne,
            first: 55,
            least: 30,
            most: 120,
            help: 'So far below the underarm, and as far below the neck.',
            say: ['Neck and armholes are faced in one,', ' deep.'],
            put: (inOne, words) => d.set('facing', { inOne }, words),
          }),
        ]
      : []),
    ...(open && f.inOne === 0 ? [band('armhole', 'Face the armholes', 'The armholes are', 55, [50, 60])] : []),
    ...(s.edge('cut-out') && !lined ? [band('cut-out', 'Face the cut-outs', 'The cut-outs are', 45, [40, 60])] : []),
    ...(waist ? [band('waist', 'Face the waist', 'The waist is', 55, [50, 60], 'Darts are closed first.')] : []),
    ...biasExtras(d, s.edge('armhole') && !s.has('sleeve')),
    ...(s.has('hood')
      ? [
          widthExtra({
            d,
            label: 'Face the opening of the hood',
            value: f.hood,
            first: 50,
            least: 20,
            most: 120,
            help: 'Its lining is what the facing leaves. No cords in hoods of children.',
            say: ['The opening of the hood is faced,', ' wide.'],
            put: (hood, words) => d.set('facing', { hood }, words),
          }),
        ]
      : []),
    band(
      'hem',
      'Face the hem',
      'The hem is',
      60,
      undefined,
      'In place of a turned hem: where the cloth is short, thick or flared.',
    ),
    ...(s.has('sleeve') ? [band('wrist', 'Face the sleeve hems', 'The sleeve hems are', 35, [30, 40])] : []),
  ];
  const lying = f.inOne > 0 || Object.values(f.bands).some((v) => v > 0);
  return (
    <>
      <Besides label="What else is faced" offer="Face another edge" extras={extras} />
      {lying && (
        <Say>
          Edges of facings that lie free are{' '}
          <ChoiceBlank
            label="Their outer edge"
            value={f.finish}
            ways={FINISHES.map((id) => ({ id, words: inUnit(FINISH_WORDS[id], units) }))}
            onPick={(finish) => d.set('facing', { finish }, `Facing edges ${finish}`)}
          />
          , and the facings drawn{' '}
          <LengthBlank
            label="Drawn smaller, to roll inside"
            value={f.turn}
            least={0}
            most={4}
            usual={[1, 3]}
            units={units}
            help="{1 mm} for thin cloth, {3 mm} for thick."
            onPreview={(turn) => d.set('facing', { turn })}
            onValue={(turn) => d.set('facing', { turn }, `Facings ${formatLength(turn, units)} smaller`)}
          />{' '}
          smaller, to roll inside.
        </Say>
      )}
    </>
  );
}

/** Bias strips in place of shaped facings, at the neck and at armholes. */
function biasExtras(d: Deciding, armhole: boolean): Extra[] {
  const { bias } = d.w.doc.decisions.facing;
  const { units } = d.w.doc;
  const put = (part: Partial<typeof bias>, label?: string) => d.set('facing', { bias: { ...bias, ...part } }, label);
  const strip = (key: 'neck' | 'armhole', label: string, where: string): Extra => ({
    label,
    on: bias[key],
    onAdd: () => put({ [key]: true }, label),
    said: (
      <>
        {where} is a bias strip{' '}
        <ChoiceBlank
          label={`${label}: how`}
          value={bias.school}
          ways={[
            { id: 'turned', words: 'sewn to the seam and turned inside' },
            { id: 'wrapped', words: 'wrapped round the trimmed edge' },
            { id: 'none', words: 'left out again' },
          ]}
          onPick={(x) =>
            x === 'none'
              ? put({ [key]: false }, `No more: ${label}`)
              : put({ school: x }, x === 'turned' ? 'Strip turned inside' : 'Strip wrapped round')
          }
        />
        ,{' '}
        <LengthBlank
          label={`${label}: its finished width`}
          value={bias.finished}
          least={4}
          most={30}
          units={units}
          onPreview={(finished) => put({ finished })}
          onValue={(finished) => put({ finished }, `Strip ${formatLength(finished, units)} wide`)}
        />{' '}
        wide when it is finished.
      </>
    ),
  });
  return [
    strip('neck', 'A bias strip at the neck instead', 'At the neck'),
    ...(armhole ? [strip('armhole', 'Bias strips at the armholes', 'At the armholes')] : []),
  ];
}
