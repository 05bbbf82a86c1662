import { Text } from '@chakra-ui/react';
import { type Decisions } from '../../../core/document/project.ts';
import { type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { Length, shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { OpenSeams } from './OpenSeams.tsx';

type Lined = 'lined' | 'self' | 'none';

const LINED: readonly Way<Lined>[] = [
  { id: 'lined', words: 'lined' },
  { id: 'self', words: 'worn on both sides: the lining is the shell again' },
  { id: 'none', words: 'not lined' },
];

/** Whether it is lined, which parts, and what the lining does where the shell has more. */
export function LiningQuestions(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const { shell } = d.w.computed;
  const how: Lined = !l.on ? 'none' : l.self ? 'self' : 'lined';
  return (
    <>
      <Say>
        It is{' '}
        <ChoiceBlank
          label="It is"
          value={how}
          ways={LINED}
          onPick={(x) =>
            d.set(
              'lining',
              { on: x !== 'none', self: x === 'self' },
              x === 'none' ? 'Without lining' : x === 'self' ? 'Worn on both sides' : 'With lining',
            )
          }
        />
        . <LiningParts {...d} />
      </Say>
      {how === 'self' && (
        <Text color="quiet" fontSize="15px" mb="3">
          Both layers are cut alike, without facings, and seamed edge to edge. Before joining measure each pair of edges
          against each other: they have to agree within {formatLength(2, d.w.doc.units)}.
        </Text>
      )}
      {how === 'lined' && (
        <>
          <LiningDetails {...d} />
          {shell.some((p) => p.kind === 'sleeve') && <SleeveLining {...d} />}
          {shell.some((p) => p.kind === 'back' && hasBackPleat(p, l)) && <BackPleat {...d} />}
          <OpenSeams {...d} />
        </>
      )}
    </>
  );
}

/** Whether the shell is gathered or pleated anywhere. */
const isFull = ({ w }: Deciding): boolean =>
  w.computed.shell.some((p) => p.lines.some((l) => l.kind === 'gather' || l.kind === 'pleat')) ||
  w.computed.seams.some((s) => s.group === 'shell' && s.easeOf === 'gather');

type Parts = 'both' | 'body' | 'sleeves' | 'neither';
const PARTS: readonly Way<Parts>[] = [
  { id: 'both', words: 'Body and sleeves' },
  { id: 'body', words: 'The body alone' },
  { id: 'sleeves', words: 'The sleeves alone' },
  { id: 'neither', words: 'Neither body nor sleeves' },
];

/** Which parts are lined. */
function LiningParts(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const { has } = shellOf(d);
  if (!l.on || l.self) return null;
  const parts: Parts = l.body ? (l.sleeves ? 'both' : 'body') : l.sleeves ? 'sleeves' : 'neither';
  return (
    <>
      {has('sleeve') && has('front', 'back') && (
        <>
          <ChoiceBlank
            label="What is lined"
            value={parts}
            ways={PARTS}
            onPick={(x) =>
              d.set(
                'lining',
                { body: x === 'both' || x === 'body', sleeves: x === 'both' || x === 'sleeves' },
                `Lined: ${PARTS.find((p) => p.id === x)?.words.toLowerCase()}`,
              )
            }
          />{' '}
          {parts === 'body' || parts === 'neither' ? 'is' : 'are'} lined.{' '}
        </>
      )}
      {has('skirt-front', 'skirt-back') && (
        <>
          The skirt is{' '}
          <ChoiceBlank
            label="The skirt is"
            value={l.skirt ? 'yes' : 'no'}
            ways={[
              { id: 'yes', words: 'lined too' },
              { id: 'no', words: 'not lined' },
            ]}
            onPick={(x) => d.set('lining', { skirt: x === 'yes' }, x === 'yes' ? 'Skirt lined' : 'Skirt not lined')}
          />
          .{' '}
        </>
      )}
      {l.body && has('front') && has('back') && (
        <>
          The fronts are{' '}
          <ChoiceBlank
            label="The fronts are"
            value={l.fronts}
            ways={[
              { id: 'lined', words: 'lined as the rest is' },
              { id: 'double', words: 'cut twice, and the back only faced' },
            ]}
            onPick={(fronts) => d.set('lining', { fronts }, fronts === 'double' ? 'Fronts cut double' : 'Fronts lined')}
          />
          .
        </>
      )}
    </>
  );
}

/** A bodice has no pleat at the centre back, nor has a back with a zip in it, or one that is only faced. */
const hasBackPleat = (back: Piece, l: Decisions['lining']): boolean =>
  l.fronts === 'lined' &&
  (l.zip.length === 0 || l.zip.at !== 'centre-back') &&
  !back.ring.some((e) => e.role === 'waist');

function BackPleat(d: Deciding) {
  const length = d.w.doc.decisions.lining.pleatLength;
  const seamed = d.w.computed.shell.some(
    (p) => p.kind === 'back' && p.ring.some((e) => e.role === 'centre-back' && !e.onFold),
  );
  return (
    <Say>
      Along the centre back it has a pleat of{' '}
      <Length
        d={d}
        of="lining"
        key_="pleat"
        label="Centre back pleat, in all"
        least={0}
        most={60}
        help="{25–40 mm} in a coat, half of it on each side of the back; none in a bodice or beside a zip."
      />
      {seamed && (
        <>
          , running out{' '}
          <Length
            d={d}
            of="lining"
            key_="pleatLength"
            label="It goes down from the neck"
            least={0}
            most={800}
            help="0 for all the way to the hem, or to the vent."
            said={length > 0 ? `${formatLength(length, d.w.doc.units)} below the neck` : 'at the hem'}
          />
        </>
      )}
      .
    </Say>
  );
}

/** Where a sleeve lining is set into the lining's own armhole. */
function SleeveLining(d: Deciding) {
  return (
    <Say>
      At the underarm it is raised by{' '}
      <Length
        d={d}
        of="lining"
        key_="raise"
        label="Raise the underarm"
        least={0}
        most={25}
        help="The seam allowance stands up there inside."
      />{' '}
      and let out by <Length d={d} of="lining" key_="out" label="Let out the underarm" least={0} most={15} />. Its
      sleeve cap has{' '}
      <Length
        d={d}
        of="lining"
        key_="capEase"
        label="Ease in the lining's sleeve cap"
        least={0}
        most={40}
        usual={[10, 20]}
      />{' '}
      of ease.
    </Say>
  );
}

/** What a lining does with fullness, darts, pockets and an armhole without a sleeve. */
function LiningDetails(d: Deciding) {
  const l = d.w.doc.decisions.lining;
  const s = shellOf(d);
  const armhole = !s.has('sleeve') && s.edge('armhole', 'front', 'back');
  const pockets = s.seamed('pocket');
  if (!armhole && !isFull(d) && !s.darts && !pockets) return null;
  return (
    <Say>
      {armhole && (
        <>
          Its armhole is smaller by{' '}
          <Length d={d} of="lining" key_="smaller" label="Armhole of the lining smaller by" least={0} most={6} />.{' '}
        </>
      )}
      {isFull(d) && (
        <>
          Where the shell is gathered or pleated{' '}
          <ChoiceBlank
            label="Where the shell is gathered or pleated"
            value={l.fullness}
            ways={[
              { id: 'kept', words: 'the lining is too' },
              { id: 'out', words: 'the lining lies smooth: the fullness is folded out of it' },
            ]}
            onPick={(fullness) =>
              d.set('lining', { fullness }, fullness === 'out' ? 'Lining without gathers' : 'Lining gathered too')
            }
          />
          .{' '}
        </>
      )}
      {s.darts && (
        <>
          Darts are{' '}
          <ChoiceBlank
            label="Darts in the lining are"
            value={l.darts}
            ways={[
              { id: 'sewn', words: 'sewn as in the shell' },
              { id: 'pleats', words: 'laid as soft pleats' },
            ]}
            onPick={(darts) =>
              d.set('lining', { darts }, darts === 'sewn' ? 'Lining darts sewn' : 'Lining darts as pleats')
            }
          />
          .{' '}
        </>
      )}
      {pockets && (
        <>
          Pockets grown on to a seam are{' '}
          <ChoiceBlank
            label="Pockets grown on to a seam"
            value={l.pockets}
            ways={[
              { id: 'out', words: 'left out of the lining' },
              { id: 'kept', words: 'kept in the lining' },
            ]}
            onPick={(pockets_) =>
              d.set(
                'lining',
                { pockets: pockets_ },
                pockets_ === 'out' ? 'Pockets left out of the lining' : 'Pockets in the lining',
              )
            }
          />
          .
        </>
      )}
    </Say>
  );
}
