import { Box, Heading, Text } from '@chakra-ui/react';
import { liningHem } from '../../core/inside/hem.ts';
import { type Piece } from '../../core/pattern/index.ts';
import { type Decisions, type FacingKind, type HemChoice, type Trim } from '../../core/project.ts';
import { formatLength, inUnit } from '../../core/units.ts';
import { HemSection } from '../drawing/HemSection.tsx';
import { Ask, Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { Findings, Why } from '../parts/Notes.tsx';
import { type Deciding } from './deciding.ts';
import { BandQuestions, ClothQuestion, LiningDetails, MoreInterfacing } from './EdgeQuestions.tsx';

type Lengths<T> = { [K in keyof T]: T[K] extends number ? K : never }[keyof T];

interface AskLength<K extends keyof Decisions> {
  of: K;
  key: Lengths<Decisions[K]> & string;
  label: string;
  least: number;
  most: number;
  help?: string;
}

/** One length of the decisions, previewed while the slider moves and saved under its label. */
function Length<K extends keyof Decisions>({
  d,
  of,
  key_,
  label,
  least,
  most,
  help,
}: Omit<AskLength<K>, 'key'> & { d: Deciding; key_: AskLength<K>['key'] }) {
  const units = d.w.doc.units;
  const value = (d.w.doc.decisions[of] as Record<string, unknown>)[key_] as number;
  const part = (v: number) => ({ [key_]: v }) as Partial<Decisions[K]>;
  return (
    <Measure
      label={label}
      value={value}
      least={least}
      most={most}
      units={units}
      {...(help && { help })}
      onPreview={(v) => d.set(of, part(v))}
      onValue={(v) => d.set(of, part(v), `${label}: ${formatLength(v, units)}`)}
    />
  );
}

const hide = (on: boolean, children: React.ReactNode) => (on ? children : <Text color="quiet">Left out.</Text>);

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

export function LiningQuestions(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  return (
    <>
      <Tick
        label="Line it"
        checked={l.on}
        onTick={(on) => d.set('lining', { on }, on ? 'With lining' : 'Without lining')}
      />
      {hide(
        l.on,
        <>
          <LiningDetails {...d} />
          {d.w.computed.shell.some((p) => p.kind === 'sleeve') && <SleeveLining {...d} />}
          {d.w.computed.shell.some((p) => p.kind === 'back' && hasBackPleat(p, l.zip.length)) && (
            <Length
              d={d}
              of="lining"
              key_="pleat"
              label="Centre back pleat, in all"
              least={0}
              most={60}
              help="{25–40 mm} in a coat, half of it on each side of the back; none in a bodice or beside a zip."
            />
          )}
        </>,
      )}
    </>
  );
}

/** A bodice has no pleat at the centre back, nor has a back with a zip. */
const hasBackPleat = (back: Piece, zip: number): boolean => zip === 0 && !back.ring.some((e) => e.role === 'waist');

/** Where a sleeve lining is set into the lining's own armhole. */
function SleeveLining(d: Deciding) {
  return (
    <>
      <Length
        d={d}
        of="lining"
        key_="raise"
        label="Raise the underarm"
        least={0}
        most={25}
        help="The seam allowance stands up there inside."
      />
      <Length d={d} of="lining" key_="out" label="Let out the underarm" least={0} most={15} />
      <Length
        d={d}
        of="lining"
        key_="capEase"
        label="Ease in the lining's sleeve cap"
        least={0}
        most={40}
        help="{10–20 mm} is usual."
      />
    </>
  );
}

export function HemQuestions(d: Deciding) {
  return (
    <>
      <OneHem d={d} which="hem" title="At the hem" />
      <OneHem d={d} which="wrist" title="At the wrist" />
    </>
  );
}

function OneHem({ d, which, title }: { d: Deciding; which: 'hem' | 'wrist'; title: string }) {
  const lining = d.w.doc.decisions.lining;
  const units = d.w.doc.units;
  const choice = lining[which];
  const depth =
    d.w.computed.shell.flatMap((p) => p.ring).find((e) => e.role === which)?.allowance ??
    d.w.doc.decisions.allowances[which];
  const made = liningHem(choice, depth);
  const put = (part: Partial<HemChoice>, label?: string) =>
    d.set('lining', { [which]: { ...choice, ...part } }, label && `${title}: ${label}`);
  const length = (key: Exclude<keyof HemChoice, 'kind'>, label: string, least: number, most: number) => (
    <Measure
      label={label}
      value={choice[key]}
      least={least}
      most={most}
      units={units}
      onPreview={(v) => put({ [key]: v })}
      onValue={(v) => put({ [key]: v }, `${label.toLowerCase()} ${formatLength(v, units)}`)}
    />
  );
  return (
    <Box mb="5">
      <Heading as="h3" fontSize="18px" fontWeight="600" mb="2">
        {title}
      </Heading>
      <Ask
        question="The lining is"
        value={choice.kind}
        answers={[
          ['joined', 'sewn to the hem, with a fold'],
          ['free', 'hanging free'],
        ]}
        onAnswer={(kind) => put({ kind }, kind === 'joined' ? 'lining joined' : 'lining free')}
      />
      {choice.kind === 'joined' ? (
        <>
          {length('clearance', 'Fold stays above the hem', 5, 35)}
          {length('seam', 'Seam between lining and hem', 5, 15)}
        </>
      ) : (
        <>
          {length('above', 'Lining ends above the hem', 5, 60)}
          {length('turn1', 'First turn', 5, 30)}
          {length('turn2', 'Second turn', 10, 50)}
        </>
      )}
      {made.ok ? (
        <>
          <HemSection depth={depth} choice={choice} hem={made.value} units={units} />
          <Why reasons={[made.value.reason]} units={units} about="there" />
        </>
      ) : (
        <Findings findings={made.findings} w={d.w} />
      )}
    </Box>
  );
}

const TRIMS: [Trim, string][] = [
  ['inside', '{3 mm} inside the seam: least bulk'],
  ['seam', 'up to the seam line'],
  ['caught', '{3 mm} into the allowance: caught'],
  ['whole', 'the whole piece'],
];

export function InterfacingQuestions(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  return (
    <>
      <ClothQuestion {...d} />
      <Tick
        label="Interface facings and front edge"
        checked={i.on}
        onTick={(on) => d.set('interfacing', { on }, on ? 'With interfacing' : 'Without interfacing')}
      />
      {hide(
        i.on,
        <>
          <Ask
            question="It ends"
            value={i.trim}
            answers={TRIMS.map(([t, words]): [Trim, string] => [t, inUnit(words, d.w.doc.units)])}
            onAnswer={(trim) => d.set('interfacing', { trim }, 'Interfacing ends elsewhere')}
          />
          <Length
            d={d}
            of="interfacing"
            key_="frontStrip"
            label="Strip along the front edge"
            least={0}
            most={120}
            help="Under buttons and buttonholes; 0 for none."
          />
          <MoreInterfacing {...d} />
        </>,
      )}
    </>
  );
}
