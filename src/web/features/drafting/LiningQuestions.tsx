import { Text } from '@chakra-ui/react';
import { type Decisions } from '../../../core/document/project.ts';
import { type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { ChoiceBlank, Say, type Way } from '../../ui/Sentence.tsx';
import { asked, shellOf } from './asking.tsx';
import { type Deciding } from './deciding.ts';
import { LINING, pleatFields } from './fields/lining.ts';
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
  const f = asked(d, 'lining', LINING);
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
      {has('skirt-front', 'skirt-back') && <>The skirt {f.skirt}. </>}
      {l.body && has('front') && has('back') && <>The fronts are {f.fronts}.</>}
    </>
  );
}

/** A bodice has no pleat at the centre back, nor has a back with a zip in it, or one that is only faced. */
const hasBackPleat = (back: Piece, l: Decisions['lining']): boolean =>
  l.fronts === 'lined' &&
  (l.zip.length === 0 || l.zip.at !== 'centre-back') &&
  !back.ring.some((e) => e.role === 'waist');

function BackPleat(d: Deciding) {
  const seamed = d.w.computed.shell.some(
    (p) => p.kind === 'back' && p.ring.some((e) => e.role === 'centre-back' && !e.onFold),
  );
  const down = (mm: number): string => (mm > 0 ? `${formatLength(mm, d.w.doc.units)} below the neck` : 'at the hem');
  return (
    <Say>
      Along the centre back it has a pleat of {asked(d, 'lining', LINING).pleat}
      {seamed && <>, running out {asked(d, 'lining', pleatFields(down)).pleatLength}</>}.
    </Say>
  );
}

/** Where a sleeve lining is set into the lining's own armhole. */
function SleeveLining(d: Deciding) {
  const f = asked(d, 'lining', LINING);
  return (
    <Say>
      At the underarm it is raised by {f.raise} and let out by {f.out}. Its sleeve cap has {f.capEase} of ease.
    </Say>
  );
}

/** What a lining does with fullness, darts, pockets and an armhole without a sleeve. */
function LiningDetails(d: Deciding) {
  const f = asked(d, 'lining', LINING);
  const s = shellOf(d);
  const armhole = !s.has('sleeve') && s.edge('armhole', 'front', 'back');
  const pockets = s.seamed('pocket');
  if (!armhole && !isFull(d) && !s.darts && !pockets) return null;
  return (
    <Say>
      {armhole && <>Its armhole is smaller by {f.smaller}. </>}
      {isFull(d) && <>Where the shell is gathered or pleated {f.fullness}. </>}
      {s.darts && <>Darts are {f.darts}. </>}
      {pockets && <>Pockets grown on to a seam are {f.pockets}.</>}
    </Say>
  );
}
