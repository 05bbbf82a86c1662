import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { CircleAlert, CircleCheck } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { seamFits, type WalkedSeam } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Lessons } from '../../ui/Lessons.tsx';
import { cureWords, GROUP_WORDS, seamWords, verdictWords } from '../../words/index.ts';
import { CapCard } from './CapCard.tsx';
import { LinedInOne } from './LinedInOne.tsx';
import { SewnSentence } from './SewnSentence.tsx';

interface Props {
  w: Workbook;
  chosen: string | undefined;
  /** What becomes of the edge that was clicked, said with its seam. */
  fate: ReactNode;
  onChoose: (id: string) => void;
}

/** The seams in their groups, a line each; the chosen one opens where it stands. */
export function SeamGroups({ w, chosen, fate, onChoose }: Props) {
  return (['shell', 'inside', 'closing'] as const).map((g) => {
    const seams = w.computed.seams.filter((s) => s.group === g);
    if (!seams.length) return null;
    return (
      <Box as="section" key={g} aria-label={GROUP_WORDS[g]} mb="4">
        <Flex justify="space-between" color="quiet" fontSize="15px" mb="1">
          <Text fontWeight="600">{GROUP_WORDS[g]}</Text>
          <Text>Difference</Text>
        </Flex>
        {seams.map((s) => (
          <SeamLine key={s.id} w={w} seam={s} open={s.id === chosen} fate={fate} onChoose={onChoose} />
        ))}
      </Box>
    );
  });
}

interface LineProps extends Omit<Props, 'chosen'> {
  seam: WalkedSeam;
  open: boolean;
}

/** One seam: whether it fits, and by how much; opened, what was measured and how it is sewn. */
function SeamLine({ w, seam, open, fate, onChoose }: LineProps) {
  const fits = seamFits(seam);
  const mm = (v: number): string => formatLength(v, w.doc.units);
  const line = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (open) line.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  return (
    <Box
      ref={line}
      borderTopWidth="1px"
      borderColor="rule"
      mx="-2"
      px="2"
      {...(open && { bg: 'sheet', borderRadius: '6px', borderWidth: '1px', borderColor: 'leaf.border', pb: '2' })}
    >
      <Flex
        as="button"
        w="100%"
        minH="44px"
        gap="2"
        align="center"
        textAlign="left"
        cursor="pointer"
        aria-expanded={open}
        onClick={() => onChoose(seam.id)}
      >
        <Box as="span" color={fits ? 'good' : 'berry'}>
          {fits ? <CircleCheck size={18} aria-label="fits" /> : <CircleAlert size={18} aria-label="does not fit" />}
        </Box>
        <Text as="span" mr="auto" fontWeight={open ? 650 : 400}>
          {seamWords(seam)}
        </Text>
        <Text as="span" fontWeight="600" whiteSpace="nowrap">
          {mm(seam.differenceMm)}
        </Text>
      </Flex>
      {open && (
        <>
          <Heading as="h2" srOnly>
            {seamWords(seam)}
          </Heading>
          <Text mb="2">
            {verdictWords(seam.verdict, seam.easeOf)}: {mm(seam.lengthAMm)} to {mm(seam.lengthBMm)}.
            {!fits && ` ${cureWords(seam.easeOf, w.doc.units)}`}
          </Text>
          <Lessons w={w} seams={[seam.id]} size="16px" />
          <SewnSentence w={w} seam={seam} />
          <LinedInOne w={w} seam={seam} />
          <CapCard w={w} seam={seam} />
          {fate}
        </>
      )}
    </Box>
  );
}
