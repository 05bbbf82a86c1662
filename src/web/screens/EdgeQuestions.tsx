import { Box, Text } from '@chakra-ui/react';
import { interfacingFor, WEIGHTS, type Weight } from '../../core/inside/index.ts';
import { type PieceKind, type Role } from '../../core/pattern/index.ts';
import { type BandRole, type Decisions, FINISHES, type Finish, SLIT_SEAMS, type SlitSeam } from '../../core/project.ts';
import { formatLength, inUnit } from '../../core/units.ts';
import { Ask, Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { type Deciding } from './deciding.ts';

/** What the shell is made of, as far as the questions hang on it. */
const shellOf = (d: Deciding) => {
  const { shell } = d.w.computed;
  return {
    has: (...kinds: PieceKind[]): boolean => shell.some((p) => kinds.includes(p.kind)),
    edge: (role: Role, ...kinds: PieceKind[]): boolean =>
      shell.some((p) => kinds.includes(p.kind) && p.ring.some((e) => e.role === role)),
    darts: shell.some((p) => p.lines.some((l) => l.kind === 'dart')),
    seamed: (role: Role): boolean => shell.some((p) => p.ring.some((e) => e.role === role && !e.onFold)),
    seamedBack: shell.some(
      (p) =>
        (p.kind === 'back' || p.kind === 'skirt-back') && p.ring.some((e) => e.role === 'centre-back' && !e.onFold),
    ),
  };
};

interface WidthProps {
  d: Deciding;
  label: string;
  value: number;
  /** What is proposed when it is switched on, mm. */
  usual: number;
  least: number;
  most: number;
  help?: string;
  put: (v: number, label?: string) => void;
}

/** A width that may be none: a tick, and a slider when there is one. */
function Width({ d, label, value, usual, least, most, help, put }: WidthProps) {
  const units = d.w.doc.units;
  return (
    <Box mb="3">
      <Tick
        label={label}
        checked={value > 0}
        onTick={(on) => put(on ? usual : 0, on ? label : `No ${label.toLowerCase()}`)}
      />
      {value > 0 && (
        <Measure
          label="Its width"
          value={value}
          least={least}
          most={most}
          units={units}
          {...(help && { help })}
          onPreview={(v) => put(v)}
          onValue={(v) => put(v, `${label}: ${formatLength(v, units)}`)}
        />
      )}
    </Box>
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
  const open = s.edge('armhole', 'front', 'back') && !s.has('sleeve') && !lined;
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
      {s.has('skirt-front', 'skirt-back') &&
        !s.has('front', 'back', 'waistband') &&
        band('waist', 'Face the waist', 55, '{50–60 mm} is usual; darts are closed first.')}
      <BiasQuestions d={d} armhole={s.edge('armhole', 'front', 'back') && !s.has('sleeve')} />
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

const SLIT_WORDS: Record<SlitSeam, string> = {
  side: 'side seams',
  'centre-back': 'centre back',
  'centre-front': 'centre front',
};

/** What a lining does with darts, a zip, a skirt and an armhole without a sleeve. */
export function LiningDetails(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const units = d.w.doc.units;
  const s = shellOf(d);
  const vent = (part: Partial<Decisions['lining']['vent']>, label?: string) =>
    d.set('lining', { vent: { ...l.vent, ...part } }, label);
  const slit = (part: Partial<Decisions['lining']['slit']>, label?: string) =>
    d.set('lining', { slit: { ...l.slit, ...part } }, label);
  const zip = (part: Partial<Decisions['lining']['zip']>, label?: string) =>
    d.set('lining', { zip: { ...l.zip, ...part } }, label);
  const length = (
    label: string,
    value: number,
    least: number,
    most: number,
    put: (v: number, words?: string) => void,
  ) => (
    <Measure
      label={label}
      value={value}
      least={least}
      most={most}
      units={units}
      onPreview={(v) => put(v)}
      onValue={(v) => put(v, `${label}: ${formatLength(v, units)}`)}
    />
  );
  return (
    <>
      {!s.has('sleeve') &&
        s.edge('armhole', 'front', 'back') &&
        length('Armhole of the lining smaller by', l.smaller, 0, 6, (smaller, w) => d.set('lining', { smaller }, w))}
      {s.has('skirt-front', 'skirt-back') && (
        <Tick
          label="Line the skirt too"
          checked={l.skirt}
          onTick={(skirt) => d.set('lining', { skirt }, skirt ? 'Skirt lined' : 'Skirt not lined')}
        />
      )}
      {s.darts && (
        <Ask
          question="Darts in the lining are"
          value={l.darts}
          answers={[
            ['sewn', 'sewn as in the shell'],
            ['pleats', 'laid as soft pleats'],
          ]}
          onAnswer={(darts) =>
            d.set('lining', { darts }, darts === 'sewn' ? 'Lining darts sewn' : 'Lining darts as pleats')
          }
        />
      )}
      {s.edge('vent', 'back', 'skirt-back') && (
        <>
          <Ask
            question="At the vent, as worn"
            value={l.vent.over}
            answers={[
              ['left', 'left laps over right'],
              ['right', 'right laps over left'],
            ]}
            onAnswer={(over) => vent({ over }, over === 'left' ? 'Vent: left over right' : 'Vent: right over left')}
          />
          {length('Seam with the vent, on the shell', l.vent.shellSeam, 3, 25, (v, w) => vent({ shellSeam: v }, w))}
          {length('Seam with the vent, on the lining', l.vent.liningSeam, 3, 25, (v, w) => vent({ liningSeam: v }, w))}
        </>
      )}
      {s.seamed('pocket') && (
        <Ask
          question="Pockets grown on to a seam"
          value={l.pockets}
          answers={[
            ['out', 'left out of the lining'],
            ['kept', 'kept in the lining'],
          ]}
          onAnswer={(pockets) =>
            d.set('lining', { pockets }, pockets === 'out' ? 'Pockets left out of the lining' : 'Pockets in the lining')
          }
        />
      )}
      <Tick
        label="A seam is left open as a slit"
        checked={l.slit.length > 0}
        onTick={(on) => slit({ length: on ? 180 : 0 }, on ? 'With a slit' : 'No slit')}
      />
      {l.slit.length > 0 && (
        <>
          <Ask
            question="Which seam"
            value={l.slit.at}
            answers={SLIT_SEAMS.filter((at) => at === 'side' || s.seamed(at)).map((at): [SlitSeam, string] => [
              at,
              SLIT_WORDS[at],
            ])}
            onAnswer={(at) => slit({ at }, `Slit in the ${SLIT_WORDS[at]}`)}
          />
          {length('Slit, above the finished hem', l.slit.length, 40, 600, (v, w) => slit({ length: v }, w))}
          {length('Seam with the slit, on the shell', l.slit.shellSeam, 3, 25, (v, w) => slit({ shellSeam: v }, w))}
          {length('Seam with the slit, on the lining', l.slit.liningSeam, 3, 25, (v, w) => slit({ liningSeam: v }, w))}
        </>
      )}
      {s.seamedBack && (
        <>
          <Tick
            label="There is a zip in the centre back"
            checked={l.zip.length > 0}
            onTick={(on) => zip({ length: on ? 350 : 0 }, on ? 'Zip in the centre back' : 'No zip')}
          />
          {l.zip.length > 0 && (
            <>
              {length('Its length from the neck', l.zip.length, 100, 700, (v, w) => zip({ length: v }, w))}
              {length('Seam with it, on the shell', l.zip.shellSeam, 3, 25, (v, w) => zip({ shellSeam: v }, w))}
              {length('Seam with it, on the lining', l.zip.liningSeam, 3, 25, (v, w) => zip({ liningSeam: v }, w))}
            </>
          )}
        </>
      )}
    </>
  );
}

const WEIGHT_WORDS: Record<Weight, [string, string]> = {
  sheer: ['shows through', 'None: it would be seen.'],
  light: ['light', 'Only what carries buttons or has to stand.'],
  medium: ['medium', 'Facings, front edge, collar, cuffs and bands.'],
  heavy: ['heavy', 'Hems and upper back besides, as in coats and jackets.'],
};

/** The usual set for a cloth, as a beginning: each answer below can still be changed. */
export function ClothQuestion(d: Deciding) {
  const now = d.w.doc.decisions.interfacing;
  const weight = WEIGHTS.find(
    (x) => JSON.stringify(interfacingFor(x)) === JSON.stringify({ ...interfacingFor(x), ...now }),
  );
  return (
    <Box mb="3">
      <Ask
        question="The usual set for cloth that is"
        value={weight ?? ''}
        answers={WEIGHTS.map((x): [Weight | '', string] => [x, WEIGHT_WORDS[x][0]])}
        onAnswer={(x) => x && d.set('interfacing', interfacingFor(x), `Interfacing for cloth: ${WEIGHT_WORDS[x][0]}`)}
      />
      <Text color="quiet" fontSize="15px">
        {weight ? WEIGHT_WORDS[weight][1] : 'Your own set; an answer here begins anew with the usual one.'}
      </Text>
    </Box>
  );
}

/** Interfacings beside those of the facings. */
export function MoreInterfacing(d: Deciding) {
  const i = d.w.doc.decisions.interfacing;
  const s = shellOf(d);
  return (
    <>
      {s.has('collar', 'stand', 'cuff', 'waistband', 'placket') && (
        <Tick
          label="Interface collar, stand, cuffs, waistband and placket"
          checked={i.collars}
          onTick={(collars) =>
            d.set('interfacing', { collars }, collars ? 'Collars interfaced' : 'Collars not interfaced')
          }
        />
      )}
      {s.has('stand') && i.collars && (
        <Ask
          question="The collar stand"
          value={i.stand}
          answers={[
            ['both', 'both layers'],
            ['one', 'one layer'],
          ]}
          onAnswer={(stand) =>
            d.set('interfacing', { stand }, stand === 'both' ? 'Stand: both layers' : 'Stand: one layer')
          }
        />
      )}
      {d.w.doc.decisions.lining.zip.length > 0 && (
        <Width
          d={d}
          label="Strips along the zip"
          value={i.zip}
          usual={25}
          least={15}
          most={50}
          help="In knit and soft cloth, on the wrong side; {25 mm} is usual."
          put={(zip, words) => d.set('interfacing', { zip }, words)}
        />
      )}
      {d.w.doc.decisions.closure.on && s.has('front') && (
        <Tick
          label="A patch behind each buttonhole"
          checked={i.patches}
          onTick={(patches) => d.set('interfacing', { patches }, patches ? 'Patches behind buttonholes' : 'No patches')}
        />
      )}
      <Width
        d={d}
        label="Bias strips in the hems"
        value={i.hems}
        usual={15}
        least={5}
        most={30}
        help="So much wider than the hem, to reach past its fold; {15 mm} is usual."
        put={(hems, words) => d.set('interfacing', { hems }, words)}
      />
      {s.has('back') && (
        <Width
          d={d}
          label="A stay for the upper back"
          value={i.stay}
          usual={200}
          least={100}
          most={320}
          help="Its depth at centre back."
          put={(stay, words) => d.set('interfacing', { stay }, words)}
        />
      )}
      <Text color="quiet" fontSize="15px">
        Fuse a test square first. Where the cloth shows through, leave it out.
      </Text>
    </>
  );
}
