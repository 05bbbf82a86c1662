import {
  type Decisions,
  SLIT_SEAMS,
  type SlitSeam,
  type TurnedSeams,
  ZIP_SEAMS,
  type ZipSeam,
} from '../../core/document/project.ts';
import { ventSeam } from '../../core/drafting/index.ts';
import { type Role } from '../../core/pattern/index.ts';
import { formatLength } from '../../core/units.ts';
import { Ask, Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';

type Open = 'vent' | 'slit' | 'zip';
type Put<K extends Open> = (part: Partial<Decisions['lining'][K]>, label?: string) => void;

/** Saves one part of what is decided about a vent, a slit or a zip. */
const putOf =
  <K extends Open>(d: Deciding, key: K): Put<K> =>
  (part, label) =>
    d.set('lining', { [key]: { ...d.w.doc.decisions.lining[key], ...part } }, label);

interface AskedLength {
  d: Deciding;
  label: string;
  value: number;
  least: number;
  most: number;
  put: (v: number, label?: string) => void;
}

function AskLength({ d, label, value, least, most, put }: AskedLength) {
  const units = d.w.doc.units;
  return (
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
}

/** The two seams with an allowance that is turned in. */
function Seams({ d, what, of, put }: { d: Deciding; what: string; of: TurnedSeams; put: Put<Open> }) {
  const seam = (where: string, key: keyof TurnedSeams) => (
    <AskLength
      d={d}
      label={`Seam with ${what}, on the ${where}`}
      value={of[key]}
      least={3}
      most={25}
      put={(v, w) => put({ [key]: v }, w)}
    />
  );
  return (
    <>
      {seam('shell', 'shellSeam')}
      {seam('lining', 'liningSeam')}
    </>
  );
}

/** Where the shell opens and the lining is cut back: a vent, a slit, a zip. */
export function OpenSeams(d: Deciding) {
  const s = shellOf(d);
  return (
    <>
      {s.edge('vent') && <Vent {...d} />}
      <Slit {...d} />
      {ZIP_SEAMS.some(s.seamed) && <Zip {...d} />}
    </>
  );
}

function Vent(d: Deciding) {
  const { vent } = d.w.doc.decisions.lining;
  const put = putOf(d, 'vent');
  const seams = d.w.computed.shell.flatMap((p) => ventSeam(p) ?? []);
  const atCentre = (seam: Role): boolean => seam === 'centre-back' || seam === 'centre-front';
  return (
    <>
      {(seams.some(atCentre) || !seams.length) && (
        <Ask
          question="At the vent, as worn"
          value={vent.over}
          answers={[
            ['left', 'left laps over right'],
            ['right', 'right laps over left'],
          ]}
          onAnswer={(over) => put({ over }, over === 'left' ? 'Vent: left over right' : 'Vent: right over left')}
        />
      )}
      {seams.some((seam) => !atCentre(seam)) && (
        <Ask
          question="At the vents of side and panel seams"
          value={vent.lap}
          answers={[
            ['front', 'the front laps over the back'],
            ['back', 'the back laps over the front'],
          ]}
          onAnswer={(lap) => put({ lap }, `Vents: the ${lap} on top`)}
        />
      )}
      <Seams d={d} what="the vent" of={vent} put={put} />
    </>
  );
}

const SLIT_WORDS: Record<SlitSeam, string> = {
  side: 'side seams',
  'centre-back': 'centre back',
  'centre-front': 'centre front',
};

function Slit(d: Deciding) {
  const { slit } = d.w.doc.decisions.lining;
  const put = putOf(d, 'slit');
  const { seamed } = shellOf(d);
  const seams = SLIT_SEAMS.filter((at) => at === 'side' || seamed(at));
  return (
    <>
      <Tick
        label="A seam is left open as a slit"
        checked={slit.length > 0}
        onTick={(on) => put({ length: on ? 180 : 0 }, on ? 'With a slit' : 'No slit')}
      />
      {slit.length > 0 && (
        <>
          <Ask
            question="Which seam"
            value={slit.at}
            answers={seams.map((at): [SlitSeam, string] => [at, SLIT_WORDS[at]])}
            onAnswer={(at) => put({ at }, `Slit in the ${SLIT_WORDS[at]}`)}
          />
          <AskLength
            d={d}
            label="Slit, above the finished hem"
            value={slit.length}
            least={40}
            most={600}
            put={(length, w) => put({ length }, w)}
          />
          <Seams d={d} what="the slit" of={slit} put={put} />
        </>
      )}
    </>
  );
}

const ZIP_WORDS: Record<ZipSeam, string> = {
  'centre-back': 'centre back',
  'centre-front': 'centre front',
  side: 'one side seam',
};

function Zip(d: Deciding) {
  const { zip } = d.w.doc.decisions.lining;
  const put = putOf(d, 'zip');
  const { seamed } = shellOf(d);
  const seams = ZIP_SEAMS.filter((at) => seamed(at) || at === zip.at);
  const first = seams.find(seamed) ?? zip.at;
  return (
    <>
      <Tick
        label="There is a zip in a seam"
        checked={zip.length > 0}
        onTick={(on) => put(on ? { length: 350, at: first } : { length: 0 }, on ? 'With a zip' : 'No zip')}
      />
      {zip.length > 0 && (
        <>
          <Ask
            question="Which seam the zip is in"
            value={zip.at}
            answers={seams.map((at): [ZipSeam, string] => [at, ZIP_WORDS[at]])}
            onAnswer={(at) => put({ at }, `Zip in the ${ZIP_WORDS[at]}`)}
          />
          {zip.at === 'side' && (
            <Ask
              question="On which side, as worn"
              value={zip.on}
              answers={[
                ['left', 'left'],
                ['right', 'right'],
              ]}
              onAnswer={(on) => put({ on }, `Zip in the ${on} side seam`)}
            />
          )}
          <AskLength
            d={d}
            label="Its length from the upper end of the seam"
            value={zip.length}
            least={100}
            most={700}
            put={(length, w) => put({ length }, w)}
          />
          <Seams d={d} what="it" of={zip} put={put} />
        </>
      )}
    </>
  );
}
