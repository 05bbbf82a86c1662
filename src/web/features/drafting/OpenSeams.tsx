import {
  type Decisions,
  SLIT_SEAMS,
  type SlitSeam,
  type TurnedSeams,
  ZIP_SEAMS,
  type ZipSeam,
} from '../../../core/document/project.ts';
import { ventSeam } from '../../../core/drafting/index.ts';
import { type Role } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { ChoiceBlank, LengthBlank, Say, type Way } from '../../ui/Sentence.tsx';
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

function AskLength({ d, put, ...more }: AskedLength) {
  const units = d.w.doc.units;
  return (
    <LengthBlank
      {...more}
      units={units}
      onPreview={(v) => put(v)}
      onValue={(v) => put(v, `${more.label}: ${formatLength(v, units)}`)}
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
      Its seam is {seam('shell', 'shellSeam')} on the shell and {seam('lining', 'liningSeam')} on the lining.
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
    <Say>
      {(seams.some(atCentre) || !seams.length) && (
        <>
          At the vent, as worn,{' '}
          <ChoiceBlank
            label="At the vent, as worn"
            value={vent.over}
            ways={[
              { id: 'left', words: 'left laps over right' },
              { id: 'right', words: 'right laps over left' },
            ]}
            onPick={(over) => put({ over }, over === 'left' ? 'Vent: left over right' : 'Vent: right over left')}
          />
          .{' '}
        </>
      )}
      {seams.some((seam) => !atCentre(seam)) && (
        <>
          At the vents of side and panel seams{' '}
          <ChoiceBlank
            label="At the vents of side and panel seams"
            value={vent.lap}
            ways={[
              { id: 'front', words: 'the front laps over the back' },
              { id: 'back', words: 'the back laps over the front' },
            ]}
            onPick={(lap) => put({ lap }, `Vents: the ${lap} on top`)}
          />
          .{' '}
        </>
      )}
      <Seams d={d} what="the vent" of={vent} put={put} />
    </Say>
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
  const ways: Way<SlitSeam | 'none'>[] = [
    { id: 'none', words: 'nowhere' },
    ...seams.map((at) => ({ id: at, words: `in the ${SLIT_WORDS[at]}` })),
  ];
  return (
    <Say>
      A slit is left open{' '}
      <ChoiceBlank
        label="A seam is left open as a slit"
        value={slit.length > 0 ? slit.at : 'none'}
        ways={ways}
        onPick={(at) =>
          at === 'none'
            ? put({ length: 0 }, 'No slit')
            : put({ at, length: slit.length || 180 }, `Slit in the ${SLIT_WORDS[at]}`)
        }
      />
      {slit.length > 0 && (
        <>
          ,{' '}
          <AskLength
            d={d}
            label="Slit, above the finished hem"
            value={slit.length}
            least={40}
            most={600}
            put={(length, w) => put({ length }, w)}
          />{' '}
          up from the finished hem
        </>
      )}
      . {slit.length > 0 && <Seams d={d} what="the slit" of={slit} put={put} />}
    </Say>
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
  const ways: Way<ZipSeam | 'none'>[] = [
    { id: 'none', words: 'nowhere' },
    ...seams.map((at) => ({ id: at, words: `in the ${ZIP_WORDS[at]}` })),
  ];
  return (
    <Say>
      There is a zip{' '}
      <ChoiceBlank
        label="There is a zip in a seam"
        value={zip.length > 0 ? zip.at : 'none'}
        ways={ways}
        onPick={(at) =>
          at === 'none'
            ? put({ length: 0 }, 'No zip')
            : put({ at, length: zip.length || 350 }, `Zip in the ${ZIP_WORDS[at]}`)
        }
      />
      {zip.length > 0 && (
        <>
          {zip.at === 'side' && (
            <>
              , on the{' '}
              <ChoiceBlank
                label="On which side, as worn"
                value={zip.on}
                ways={[
                  { id: 'left', words: 'left' },
                  { id: 'right', words: 'right' },
                ]}
                onPick={(on) => put({ on }, `Zip in the ${on} side seam`)}
              />{' '}
              as worn
            </>
          )}
          ,{' '}
          <AskLength
            d={d}
            label="Its length from the upper end of the seam"
            value={zip.length}
            least={100}
            most={700}
            put={(length, w) => put({ length }, w)}
          />{' '}
          long from the upper end of the seam. <Seams d={d} what="it" of={zip} put={put} />
        </>
      )}
      {zip.length === 0 && '.'}
    </Say>
  );
}
