import { type ReactElement } from 'react';
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
import { blanks } from '../../ui/fields.tsx';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { SLIT, VENT, ZIP } from './fields/lining.ts';

type Open = 'vent' | 'slit' | 'zip';
type Put<K extends Open> = (part: Partial<Decisions['lining'][K]>, label?: string) => void;

/** Saves one part of what is decided about a vent, a slit or a zip. */
const putOf =
  <K extends Open>(d: Deciding, key: K): Put<K> =>
  (part, label) =>
    d.set('lining', { [key]: { ...d.w.doc.decisions.lining[key], ...part } }, label);

/** The two seams with an allowance that is turned in. */
const Seams = ({ f }: { f: Record<keyof TurnedSeams, ReactElement> }) => (
  <>
    Its seam is {f.shellSeam} on the shell and {f.liningSeam} on the lining.
  </>
);

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
  const f = blanks(VENT, d.w.doc.decisions.lining.vent, d.w.doc.units, putOf(d, 'vent'));
  const seams = d.w.computed.shell.flatMap((p) => ventSeam(p) ?? []);
  const atCentre = (seam: Role): boolean => seam === 'centre-back' || seam === 'centre-front';
  return (
    <Say>
      {(seams.some(atCentre) || !seams.length) && <>At the vent, as worn, {f.over}. </>}
      {seams.some((seam) => !atCentre(seam)) && <>At the vents of side and panel seams {f.lap}. </>}
      <Seams f={f} />
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
  const f = blanks(SLIT, slit, d.w.doc.units, put);
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
      {slit.length > 0 && <>, {f.length} up from the finished hem</>}. {slit.length > 0 && <Seams f={f} />}
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
  const f = blanks(ZIP, zip, d.w.doc.units, put);
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
          {zip.at === 'side' && <>, on the {f.on} as worn</>}, {f.length} long from the upper end of the seam.{' '}
          <Seams f={f} />
        </>
      )}
      {zip.length === 0 && '.'}
    </Say>
  );
}
