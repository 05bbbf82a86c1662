import { Box, Flex, Text } from '@chakra-ui/react';
import { CircleAlert, CircleCheck } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { sentenceOf } from '../../contract/findings.ts';
import { type Computed } from '../../core/document/compute.ts';
import { proofOf } from '../../core/document/proof/index.ts';
import { type Finding } from '../../core/result.ts';
import { type LengthUnit } from '../../core/units.ts';
import { type Workbook } from '../data/useProject.ts';
import { later } from '../ui/later.tsx';
import { checkWords } from '../words/index.ts';

/** Something to look at: in a sentence, how much it matters, and where it is seen. */
interface Matter {
  words: string;
  stop: boolean;
  to: string;
}

const placeOf = (f: Finding, c: Computed): string => {
  const closing = c.closure && (c.closure.ok ? c.closure.value.findings : c.closure.findings);
  if (closing?.includes(f)) return 'buttons';
  const piece = f.where?.piece;
  const edge = f.where && 'edge' in f.where && f.where.edge ? `&edge=${f.where.edge}` : '';
  return piece && c.shell.some((p) => p.id === piece) ? `pattern?piece=${piece}${edge}` : 'inside';
};

function mattersOf(units: LengthUnit, c: Computed): Matter[] {
  const off = c.seams.filter((s) => s.verdict === 'a-too-long' || s.verdict === 'a-too-short').length;
  const seams: Matter[] = off
    ? [{ words: `${off} of ${c.seams.length} seams do not fit yet`, stop: true, to: 'seams' }]
    : [];
  const told = c.findings.filter((f) => f.severity !== 'note');
  const nameOf = (id: string): string => c.pieces.find((p) => p.id === id)?.name ?? id;
  const failed = proofOf(c).filter((k) => k.faults.length > 0);
  return [
    ...seams,
    ...failed.flatMap((k) =>
      checkWords(k, nameOf, units).map((words) => ({ words, stop: k.code !== 'hem', to: 'inside' })),
    ),
    ...told.map((f) => ({
      words: sentenceOf(f, units),
      stop: f.severity === 'stop',
      to: placeOf(f, c),
    })),
  ].sort((a, b) => Number(b.stop) - Number(a.stop));
}

/** The line at the foot: that it holds, or what is to be looked at, each leading to its place. */
export const Verdict = later(({ w }: { w: Workbook }) => {
  const c = w.computed;
  const matters = useMemo(() => mattersOf(w.doc.units, c), [w.doc.units, c]);
  if (!c.shell.length) return null;
  const [first] = matters;
  return (
    <Flex
      as="footer"
      aria-label="How it stands"
      borderTopWidth="1px"
      borderColor="rule"
      bg="sheet"
      minH="44px"
      px={{ base: 4, lg: 6 }}
      gap="4"
      align="center"
      fontSize="15px"
      flexShrink={0}
      _print={{ display: 'none' }}
    >
      {first ? (
        <>
          <Flex color={first.stop ? 'berry' : 'honey'} gap="2" align="center" flexShrink={0} fontWeight="650">
            <CircleAlert size={18} aria-hidden />
            {matters.length === 1 ? '1 thing to look at' : `${matters.length} things to look at`}
          </Flex>
          <Box flex="1" minW="0" lineClamp={{ base: 2, lg: 1 }}>
            <Link to={`/project/${w.id}/${first.to}`} title={first.words} style={{ textDecoration: 'underline' }}>
              {first.words}
            </Link>
          </Box>
        </>
      ) : (
        <Flex color="good" gap="2" align="center" fontWeight="650">
          <CircleCheck size={18} aria-hidden />
          <Text>
            {c.seams.length
              ? `Holds: ${c.seams.length} seams meet, ${c.pieces.length} pieces to cut`
              : `${c.pieces.length} pieces, no seam walked yet`}
          </Text>
        </Flex>
      )}
    </Flex>
  );
});
