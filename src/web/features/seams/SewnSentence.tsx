import { Box, Text } from '@chakra-ui/react';
import { type SewnSaid } from '../../../core/document/project.ts';
import { FRENCH, sewnOtherwise, takenBy, type WalkedSeam } from '../../../core/pattern/index.ts';
import { formatLength, inUnit } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { ChoiceBlank, LengthBlank, Say } from '../../ui/Sentence.tsx';

/** One pass, so wide: what is not one of the usual French seams. */
const ONE = 'one';
const keyOf = (first: number, second: number): string => (second > 0 ? `${first}+${second}` : ONE);

/** How a seam is sewn, where that is not as its allowance says: narrower, wider, or French; and what comes of it. */
export function SewnSentence({ w, seam }: { w: Workbook; seam: WalkedSeam }) {
  const { units, decisions } = w.doc;
  const said = decisions.sewn.find((s) => s.seam === seam.id);
  const made = sewnOtherwise(seam, w.computed.pieces, said ? takenBy(said) : 0);
  if (!made || made.allowance <= 0) return null;
  const mm = (v: number): string => formatLength(v, units);
  const put = (next: Omit<SewnSaid, 'seam'> | null, words?: string): void => {
    const rest = decisions.sewn.filter((s) => s.seam !== seam.id);
    setDecision(w, 'sewn', next ? [...rest, { seam: seam.id, ...next }] : rest, { words, told: true });
  };
  const pick = (key: string): void => {
    if (key === '') put(null, 'Sewn as allowed');
    else if (key === ONE) put({ first: made.allowance, second: 0 }, 'Sewn at a width of its own');
    else {
      const [first, second] = key.split('+').map(Number) as [number, number];
      put({ first, second }, `French seam, ${mm(first)} and ${mm(second)}`);
    }
  };
  return (
    <>
      <Say>
        It is sewn{' '}
        <ChoiceBlank
          label="How this seam is sewn"
          value={said ? keyOf(said.first, said.second) : ''}
          {...(said && said.second === 0 && { said: 'at a width of its own' })}
          ways={[
            { id: '', words: `${mm(made.allowance)} from the edge, as allowed` },
            ...FRENCH.map(([a, b]) => ({ id: keyOf(a, b), words: `French: ${mm(a)}, then ${mm(b)}` })),
            { id: ONE, words: 'at another width …' },
          ]}
          onPick={pick}
        />
        {said && said.second === 0 && (
          <>
            ,{' '}
            <LengthBlank
              label="From the edge"
              value={said.first}
              units={units}
              least={0}
              most={40}
              atMost={100}
              usual={[3, 40]}
              onPreview={(first) => put({ first, second: 0 })}
              onValue={(first) => put({ first, second: 0 }, `Sewn ${mm(first)} from the edge`)}
            />{' '}
            from the edge
          </>
        )}
        .
      </Say>
      {said && <Comes w={w} seam={seam} said={said} />}
    </>
  );
}

/** What is lost or won by it: across the seam and along it. */
function Comes({ w, seam, said }: { w: Workbook; seam: WalkedSeam; said: SewnSaid }) {
  const made = sewnOtherwise(seam, w.computed.pieces, takenBy(said));
  if (!made) return null;
  const mm = (v: number): string => formatLength(Math.abs(v), w.doc.units);
  const { across, lengthA, lengthB } = made;
  const [a, b] = [lengthA - seam.lengthAMm, lengthB - seam.lengthBMm];
  const along = (v: number, was: number, is: number): string =>
    `from ${mm(was)} to ${mm(is)}${v < 0 ? ', shorter' : ''}`;
  const same = Math.abs(across) < 0.05;
  return (
    <Box mb="2" role="status">
      <Text>
        {same
          ? 'Both passes together take just what the pattern allows: nothing is lost or won.'
          : across > 0
            ? `The garment is ${mm(across)} wider across this seam, each time it is sewn.`
            : `The garment is ${mm(across)} narrower across this seam, each time it is sewn.`}
        {!same && Math.max(Math.abs(a), Math.abs(b)) >= 0.5
          ? ` Along it the seam goes ${along(a, seam.lengthAMm, lengthA)} on one side, ${along(b, seam.lengthBMm, lengthB)} on the other.`
          : ''}
      </Text>
      {said.second > 0 && (
        <Text color="quiet" fontSize="15px">
          {inUnit(
            'Wrong sides together first. Trim to less than the second pass, {3 mm} on curves, turn, then right sides together.',
            w.doc.units,
          )}
        </Text>
      )}
    </Box>
  );
}
