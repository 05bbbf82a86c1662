import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type Bulk, type PlanStep } from '../../core/plan/index.ts';
import { stepWords } from '../words/index.ts';
import { type Planning } from './planning.ts';
import { StepPictures } from './StepPictures.tsx';

/** Stitch length as it is set on the machine, 2.5 for a usual seam, and foot. Common practice. */
const STITCH: Record<string, string> = {
  topstitch: 'length 3',
  'baste-zip': 'basting stitch, zip foot',
  'sew-zip': 'length 2.5, zip foot',
  'ease-cap': 'length 4, loose upper thread',
};
/** Machine needles for the outside's cloth, in hundredths of a millimetre. From memory. */
const NEEDLE: Record<Bulk, string> = { thin: '70, sharp', medium: '80 or 90', thick: '100' };

const stitchOf = (s: PlanStep): string | null =>
  STITCH[s.code] ??
  (s.code.startsWith('baste')
    ? 'basting stitch, length 4 to 5'
    : s.station === 'machine' && s.sews.length
      ? 'length 2.5'
      : null);

/** Pieces, layers, stitch, what to check, and the common slip with its mend. */
export function StepDetails({ s, p, onOut }: { s: PlanStep; p: Planning; onOut: () => void }) {
  const { w, plan, names } = p;
  const { title, check, slip } = stepWords(s, w.doc.units, names);
  const pieces = s.pieces.length > 9 ? 'all of it' : s.pieces.map((x) => names[x] ?? x).join(', ');
  const facts: [string, string | null][] = [
    ['Pieces', pieces || null],
    ['Stitch', stitchOf(s)],
    ['Needle', s.station === 'machine' ? NEEDLE[plan.making.bulk] : null],
    [
      'Thread',
      s.sews.length && s.station === 'machine' ? `to match the ${s.thread === 'lining' ? 'lining' : 'outside'}` : null,
    ],
    ['Check', check],
    ['Common slip', slip],
  ];
  return (
    <Box pl={{ base: 0, lg: '70px' }} pt="2">
      <Box as="dl" m="0" mb="2">
        {facts
          .filter(([, words]) => words)
          .map(([term, words]) => (
            <Flex key={term} gap="2">
              <Text as="dt" color="quiet" minW="100px" flexShrink={0}>
                {term}
              </Text>
              <Text as="dd" m="0" maxW="70ch">
                {words}
              </Text>
            </Flex>
          ))}
      </Box>
      <StepPictures step={s} making={plan.making} pieces={w.computed.pieces} names={names} units={w.doc.units} />
      <Button size="xs" variant="outline" mt="2" aria-label={`Leave out: ${title}`} onClick={onOut}>
        Leave this step out
      </Button>
    </Box>
  );
}
