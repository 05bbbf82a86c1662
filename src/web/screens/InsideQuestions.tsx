import { Box, Heading, Text } from '@chakra-ui/react';
import { facedHem, liningHem } from '../../core/inside/hem.ts';
import { type Piece } from '../../core/pattern/index.ts';
import {
  type Decisions,
  type FacingKind,
  type FrontInterfacing,
  type HemChoice,
  type HemKind,
  type Trim,
} from '../../core/project.ts';
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
          <Tick
            label="Worn on both sides: the lining is the shell again"
            checked={l.self}
            onTick={(self) => d.set('lining', { self }, self ? 'Worn on both sides' : 'Worn on one side')}
          />
          {l.self && (
            <Text color="quiet" fontSize="15px" mb="3">
              Both layers are cut alike, without facings, and seamed edge to edge. Before joining measure each pair of
              edges against each other: they have to agree within {formatLength(2, d.w.doc.units)}.
            </Text>
          )}
        </>,
      )}
      {l.on && !l.self && (
        <>
          <LiningParts {...d} />
          <LiningDetails {...d} />
          {d.w.computed.shell.some((p) => p.kind === 'sleeve') && <SleeveLining {...d} />}
          {d.w.computed.shell.some((p) => p.kind === 'back' && hasBackPleat(p, l.zip.length)) && (
            <>
              <Length
                d={d}
                of="lining"
                key_="pleat"
                label="Centre back pleat, in all"
                least={0}
                most={60}
                help="{25–40 mm} in a coat, half of it on each side of the back; none in a bodice or beside a zip."
              />
              {d.w.computed.shell.some(
                (p) => p.kind === 'back' && p.ring.some((e) => e.role === 'centre-back' && !e.onFold),
              ) && (
                <Length
                  d={d}
                  of="lining"
                  key_="pleatLength"
                  label="It goes down from the neck"
                  least={0}
                  most={800}
                  help="Then it runs out; 0 for all the way to the hem, or to the vent."
                />
              )}
            </>
          )}
        </>
      )}
    </>
  );
}

/** Which parts are lined. */
function LiningParts(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const has = (kind: Piece['kind']): boolean => d.w.computed.shell.some((p) => p.kind === kind);
  return (
    <>
      {has('sleeve') && (has('front') || has('back')) && (
        <>
          <Tick
            label="Line the body"
            checked={l.body}
            onTick={(body) => d.set('lining', { body }, body ? 'Body lined' : 'Body not lined')}
          />
          <Tick
            label="Line the sleeves"
            checked={l.sleeves}
            onTick={(sleeves) => d.set('lining', { sleeves }, sleeves ? 'Sleeves lined' : 'Sleeves not lined')}
          />
        </>
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
  if (d.w.doc.decisions.lining.on && d.w.doc.decisions.lining.self)
    return <Text color="quiet">Worn on both sides: both layers are seamed together at hem and wrist.</Text>;
  return (
    <>
      <OneHem d={d} which="hem" title="At the hem" />
      <OneHem d={d} which="wrist" title="At the wrist" />
    </>
  );
}

const HEM_ANSWERS: [HemKind, string][] = [
  ['joined', 'sewn to the hem, with a fold'],
  ['free', 'hanging free'],
  ['rib', 'sewn with the shell to a rib'],
  ['edge', "seamed to the shell's edge"],
];
/** 80–90 % by handbooks, from memory. */
const RIB_SHARES: [string, string][] = [75, 80, 85, 90].map((n) => [String(n), `${n} %`]);

function OneHem({ d, which, title }: { d: Deciding; which: 'hem' | 'wrist'; title: string }) {
  const lining = d.w.doc.decisions.lining;
  const units = d.w.doc.units;
  const choice = lining[which];
  const faced = facedHem(d.w.doc.decisions, which);
  const allowance =
    d.w.computed.shell.flatMap((p) => p.ring).find((e) => e.role === which)?.allowance ??
    d.w.doc.decisions.allowances[which];
  const depth = faced ?? allowance;
  const made = liningHem(choice, allowance, faced);
  const put = (part: Partial<HemChoice>, label?: string) =>
    d.set('lining', { [which]: { ...choice, ...part } }, label && `${title}: ${label}`);
  const length = (key: Exclude<keyof HemChoice, 'kind' | 'ribShare'>, label: string, least: number, most: number) => (
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
        answers={HEM_ANSWERS}
        onAnswer={(kind) => put({ kind }, `lining ${HEM_ANSWERS.find(([x]) => x === kind)?.[1] ?? kind}`)}
      />
      {choice.kind === 'joined' && (
        <>
          {length('clearance', 'Fold stays above the hem', 5, 35)}
          {length('seam', 'Seam between lining and hem', 5, 15)}
        </>
      )}
      {choice.kind === 'free' && (
        <>
          {length('above', 'Lining ends above the hem', 5, 60)}
          {length('turn1', 'First turn', 5, 30)}
          {length('turn2', 'Second turn', 10, 50)}
        </>
      )}
      {choice.kind === 'rib' && (
        <>
          {length('ribDepth', 'Rib, finished depth', 20, 120)}
          <Ask
            question="Its length, of the edge it is stretched to"
            value={String(choice.ribShare)}
            answers={RIB_SHARES}
            onAnswer={(share) => put({ ribShare: Number(share) }, `rib ${share} % of the edge`)}
          />
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

const FRONT_ANSWERS: [FrontInterfacing, string][] = [
  ['strip', 'a strip along the edge'],
  ['shaped', 'shaped, from shoulder and underarm'],
  ['whole', 'the whole front'],
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
          <Ask
            question="On the front itself, under the facing"
            value={i.front}
            answers={FRONT_ANSWERS}
            onAnswer={(front) =>
              d.set('interfacing', { front }, `On the front: ${FRONT_ANSWERS.find(([x]) => x === front)?.[1] ?? front}`)
            }
          />
          {i.front === 'strip' && (
            <Length
              d={d}
              of="interfacing"
              key_="frontStrip"
              label="Strip along the front edge"
              least={0}
              most={120}
              help="Under buttons and buttonholes; 0 for none."
            />
          )}
          <MoreInterfacing {...d} />
        </>,
      )}
    </>
  );
}
