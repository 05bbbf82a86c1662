import { type BandRole, type FacingKind, FINISHES, type Finish } from '../../core/document/project.ts';
import { type JoinCode } from '../../core/garment/index.ts';
import { formatLength, inUnit } from '../../core/units.ts';
import { Ask, Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { hide, Length, shellOf, Width } from './asking.tsx';
import { type Deciding } from './deciding.ts';

export function FacingQuestions(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  return (
    <>
      <Tick
        label="Face the front edges and the neck"
        checked={f.on}
        onTick={(on) => d.set('facing', { on }, on ? 'With facings' : 'Without facings')}
      />
      {hide(
        f.on,
        <>
          <FacingKindQuestion {...d} />
          <Length
            d={d}
            of="facing"
            key_="front"
            label="Front facing, width"
            least={50}
            most={140}
            help="{75–100 mm} is usual; it must reach past the buttonholes."
          />
          <Length
            d={d}
            of="facing"
            key_="shoulder"
            label="Width at the shoulder"
            least={30}
            most={90}
            help="Equal on front and back."
          />
          <BackDepth {...d} />
          {f.kind !== 'lapel' && (
            <Length
              d={d}
              of="facing"
              key_="radius"
              label="Rounding of the inner corner"
              least={0}
              most={120}
              help="So that the lining can be sewn round it."
            />
          )}
          <BandQuestions {...d} />
        </>,
      )}
    </>
  );
}

const KIND_ANSWERS: [FacingKind, string][] = [
  ['separate', 'a piece of its own'],
  ['cut-on', 'grown on, the edge a fold'],
  ['lapel', 'turned back with a lapel or shawl'],
];

/** Seams that a facing can go on across in one. */
const ACROSS: ReadonlySet<JoinCode> = new Set<JoinCode>(['panel', 'yoke', 'waist', 'other']);

/** Where neck or opening go on over several panels: whether their facing does. */
function PartsQuestion(d: Deciding) {
  const { shell, surface } = d.w.computed;
  const faced = new Set(
    shell.filter((p) => p.ring.some((e) => e.role === 'neckline' || e.role === 'front-edge')).map((p) => p.id),
  );
  const goesOn = surface.joins.some(
    (j) => ACROSS.has(j.code) && [j.a, j.b].every((side) => side.some((e) => faced.has(e.piece))),
  );
  if (!goesOn) return null;
  return (
    <Ask
      question="Over several panels the facing goes"
      value={d.w.doc.decisions.facing.over}
      answers={[
        ['one', 'in one across their seams'],
        ['parts', 'in parts, cut at each seam'],
      ]}
      onAnswer={(over) => d.set('facing', { over }, over === 'one' ? 'Facing in one' : 'Facing in parts')}
    />
  );
}

/** How the front edge is faced, and what a lapel asks besides. */
function FacingKindQuestion(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const front = d.w.computed.shell.find((p) => p.kind === 'front' && p.ring.some((e) => e.role === 'front-edge'));
  if (!front) return null;
  return (
    <>
      <Ask
        question="The front facing is"
        value={f.kind}
        answers={KIND_ANSWERS}
        onAnswer={(kind) =>
          d.set('facing', { kind }, `Front facing ${KIND_ANSWERS.find(([k]) => k === kind)?.[1] ?? kind}`)
        }
      />
      {f.kind === 'lapel' && (
        <>
          <Length
            d={d}
            of="facing"
            key_="out"
            label="Drawn out at the top of the lapel"
            least={0}
            most={10}
            help="{2–4 mm} by the cloth; {6 mm} for thick."
          />
          {!front.lines.some((l) => l.kind === 'roll-line') && (
            <Length
              d={d}
              of="facing"
              key_="breakAt"
              label="It begins to turn below the top of the edge"
              least={50}
              most={800}
              help="Where the roll line meets the front edge; draw it and it is taken from there."
            />
          )}
        </>
      )}
    </>
  );
}

/** A back facing round the neck, or down to the armholes. */
function BackDepth(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  return (
    <>
      <PartsQuestion {...d} />
      <Ask
        question="The back is faced"
        value={f.deep > 0 ? 'deep' : 'neck'}
        answers={[
          ['neck', 'round the neck'],
          ['deep', 'down to the armholes'],
        ]}
        onAnswer={(x) =>
          d.set('facing', { deep: x === 'deep' ? 160 : 0 }, x === 'deep' ? 'Deep back facing' : 'Back neck facing')
        }
      />
      {f.deep > 0 ? (
        <Length d={d} of="facing" key_="deep" label="Its depth at centre back" least={60} most={320} />
      ) : (
        <Length d={d} of="facing" key_="back" label="Back neck facing, depth" least={30} most={120} />
      )}
    </>
  );
}

const FINISH_WORDS: Record<Finish, string> = {
  overlocked: 'overlocked',
  bound: 'bound with a strip',
  pressed: 'pressed under {9.5 mm} and edge-stitched',
};

/** Facings along single edges, and how their outer edge is neatened. */
export function BandQuestions(d: Deciding) {
  const f = d.w.doc.decisions.facing;
  const units = d.w.doc.units;
  const s = shellOf(d);
  const lined = d.w.doc.decisions.lining.on;
  const band = (role: BandRole, label: string, usual: number, help?: string) => (
    <Width
      d={d}
      label={label}
      value={f.bands[role]}
      usual={usual}
      least={20}
      most={120}
      {...(help && { help })}
      put={(v, words) => d.set('facing', { bands: { ...f.bands, [role]: v } }, words)}
    />
  );
  const open = s.edge('armhole') && !s.has('sleeve') && !lined;
  const lying = f.inOne > 0 || Object.values(f.bands).some((v) => v > 0);
  return (
    <>
      {open && (
        <Width
          d={d}
          label="Face neck and armholes in one"
          value={f.inOne}
          usual={55}
          least={30}
          most={120}
          help="So far below the underarm, and as far below the neck."
          put={(inOne, words) => d.set('facing', { inOne }, words)}
        />
      )}
      {open && f.inOne === 0 && band('armhole', 'Face the armholes', 55, '{50–60 mm} is usual.')}
      {s.edge('cut-out') && !lined && band('cut-out', 'Face the cut-outs', 45, '{40–60 mm} is usual.')}
      {s.has('skirt-front', 'skirt-back') &&
        !s.has('front', 'back', 'waistband') &&
        band('waist', 'Face the waist', 55, '{50–60 mm} is usual; darts are closed first.')}
      <BiasQuestions d={d} armhole={s.edge('armhole') && !s.has('sleeve')} />
      {s.has('hood') && (
        <Width
          d={d}
          label="Face the opening of the hood"
          value={f.hood}
          usual={50}
          least={20}
          most={120}
          help="Its lining is what the facing leaves. No cords in hoods of children."
          put={(hood, words) => d.set('facing', { hood }, words)}
        />
      )}
      {band('hem', 'Face the hem', 60, 'In place of a turned hem: where the cloth is short, thick or flared.')}
      {s.has('sleeve') && band('wrist', 'Face the sleeve hems', 35, '{30–40 mm} is usual.')}
      {lying && (
        <>
          <Measure
            label="Drawn smaller, to roll inside"
            value={f.turn}
            least={0}
            most={4}
            units={units}
            help="{1 mm} for thin cloth, {3 mm} for thick."
            onPreview={(turn) => d.set('facing', { turn })}
            onValue={(turn) => d.set('facing', { turn }, `Facings ${formatLength(turn, units)} smaller`)}
          />
          <Ask
            question="Their outer edge is"
            value={f.finish}
            answers={FINISHES.map((x): [Finish, string] => [x, inUnit(FINISH_WORDS[x], units)])}
            onAnswer={(finish) => d.set('facing', { finish }, `Facing edges ${finish}`)}
          />
        </>
      )}
    </>
  );
}

/** Bias strips in place of shaped facings. */
function BiasQuestions({ d, armhole }: { d: Deciding; armhole: boolean }) {
  const { bias } = d.w.doc.decisions.facing;
  const units = d.w.doc.units;
  const put = (part: Partial<typeof bias>, label?: string) => d.set('facing', { bias: { ...bias, ...part } }, label);
  return (
    <>
      <Tick
        label="A bias strip at the neck instead"
        checked={bias.neck}
        onTick={(neck) => put({ neck }, neck ? 'Neck with a bias strip' : 'Neck faced')}
      />
      {armhole && (
        <Tick
          label="Bias strips at the armholes"
          checked={bias.armhole}
          onTick={(on) => put({ armhole: on }, on ? 'Armholes with bias strips' : 'No bias strips at the armholes')}
        />
      )}
      {(bias.neck || (armhole && bias.armhole)) && (
        <>
          <Ask
            question="The strip is"
            value={bias.school}
            answers={[
              ['turned', 'sewn to the seam and turned inside'],
              ['wrapped', 'wrapped round the trimmed edge'],
            ]}
            onAnswer={(school) => put({ school }, school === 'turned' ? 'Strip turned inside' : 'Strip wrapped round')}
          />
          <Measure
            label="Its finished width"
            value={bias.finished}
            least={4}
            most={30}
            units={units}
            onPreview={(finished) => put({ finished })}
            onValue={(finished) => put({ finished }, `Strip ${formatLength(finished, units)} wide`)}
          />
        </>
      )}
    </>
  );
}
