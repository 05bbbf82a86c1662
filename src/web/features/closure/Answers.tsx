import { Box, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { lazy, type PointerEvent, Suspense } from 'react';
import { type Closure, PARTS, type Placement } from '../../../core/closure/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { SheetBox } from '../../ui/Page.tsx';
import { answerWhy, countWords, PART_WORDS, partFact } from '../../words/index.ts';
import { type ViewProps } from './closing.ts';

const GapeChart = lazy(() => import('../../drawing/GapeChart.tsx'));

const LETTERS = ['A', 'B', 'C'];
const points = (v: number): string => `${Math.round(v * 10) / 10}`;

/** High and wide a small line of buttons is, px. */
const SMALL = { high: 120, wide: 44 };

/** The best answers as small lines beside the large one: each is tried while the pointer or the keyboard is on it, and taken by a click. */
export function Thumbnails({ w, c, put }: ViewProps) {
  if (c.answers.length < 2) return null;
  const most = Math.max(...c.answers.flatMap((a) => a.at), 1);
  const least = Math.min(...c.answers.flatMap((a) => a.at), 0);
  const y = (at: number): number => 8 + ((at - least) / (most - least)) * (SMALL.high - 16);
  const preview = (i: number): void => {
    if (i !== c.chosen) put({ answer: i });
  };
  return (
    <Flex
      as="fieldset"
      aria-label="The best answers"
      direction={{ base: 'row', md: 'column' }}
      gap="2"
      border="0"
      p="0"
      m="0"
      flexShrink={0}
      onPointerLeave={() => w.trying && w.cancel()}
    >
      {c.answers.map((a, i) => (
        <Flex
          as="label"
          key={LETTERS[i]}
          align="center"
          gap="2"
          p="2"
          minW={{ md: '150px' }}
          minH="44px"
          cursor="pointer"
          borderWidth="1px"
          borderRadius="8px"
          borderColor={i === c.chosen ? 'leaf.solid' : 'rule'}
          bg={i === c.chosen ? 'leaf.subtle' : 'sheet'}
          onPointerEnter={(e: PointerEvent) => e.pointerType === 'mouse' && preview(i)}
        >
          <svg width={SMALL.wide} height={SMALL.high} aria-hidden>
            <path d={`M22 2V${SMALL.high - 2}`} stroke="var(--chakra-colors-quiet)" strokeDasharray="5 3" />
            {a.at.map((at) => (
              <circle
                key={at}
                cx={22}
                cy={y(at)}
                r={5}
                fill="var(--chakra-colors-sheet)"
                stroke="var(--chakra-colors-ink)"
                strokeWidth={1.5}
              />
            ))}
          </svg>
          <Box>
            <Flex gap="2" align="center" fontWeight={i === c.chosen ? 650 : 450}>
              <input
                type="radio"
                name="answer"
                checked={i === c.chosen}
                onChange={() => undefined}
                // Tried under the pointer it is the one that stands already: a click takes it all the same.
                onClick={() => (w.trying || i !== c.chosen) && put({ answer: i }, `Answer ${LETTERS[i]}`)}
              />
              {LETTERS[i]}: {countWords(c, a.at.length)}
            </Flex>
            <Text fontSize="14px" color="quiet">
              {points(a.total)} {points(a.total) === '1' ? 'point' : 'points'}
            </Text>
          </Box>
        </Flex>
      ))}
    </Flex>
  );
}

/** The three best answers side by side: what each is good at, and what it gives up for that. */
export function Answers({ w, c }: Pick<ViewProps, 'w' | 'c'>) {
  const { units } = w.doc;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="22px" fontWeight="600" mb="1">
        {c.answers.length === 1 ? 'The only answer' : `The ${c.answers.length} best answers, in figures`}
      </Heading>
      <Text color="quiet" mb="3">
        Every placing in whole steps was weighed; the fewer points, the better.
      </Text>
      <Box overflowX="auto">
        <Table.Root size="sm" css={{ '& td, & th': { verticalAlign: 'top', borderColor: 'rule' } }}>
          <Table.Header>
            <Table.Row bg="transparent">
              <Table.ColumnHeader>Answer</Table.ColumnHeader>
              {c.answers.map((a, i) => (
                <Table.ColumnHeader key={i} bg={i === c.chosen ? 'leaf.subtle' : undefined} minW="104px">
                  {LETTERS[i]}: {countWords(c, a.at.length)}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            <Row head="Why" cells={c.answers.map((a) => [answerWhy(a), null])} chosen={c.chosen} />
            {PARTS.filter((p) => shown(p, c)).map((p) => (
              <Row
                key={p}
                head={PART_WORDS[p]}
                cells={c.answers.map((a) => [partFact(p, a, c, units), a.score[p]])}
                chosen={c.chosen}
              />
            ))}
            {c.gaping && <PullRow c={c} />}
            <Row head="Points" cells={c.answers.map((a) => [points(a.total), null])} chosen={c.chosen} strong />
          </Table.Body>
        </Table.Root>
      </Box>
      {c.gaping ? <Pull c={c} units={units} /> : <NoPull />}
    </SheetBox>
  );
}

/** Parts that play a role here. */
const shown = (p: keyof Placement['score'], c: Closure): boolean =>
  (p !== 'level' || c.problem.levels.length > 0) && (p !== 'clear' || c.problem.zones.length > 0);

interface RowProps {
  head: string;
  cells: [string, number | null][];
  chosen: number;
  strong?: boolean;
}

function Row({ head, cells, chosen, strong = false }: RowProps) {
  const least = Math.min(...cells.map(([, v]) => v ?? 0));
  return (
    <Table.Row bg="transparent">
      <Table.Cell fontWeight="600">{head}</Table.Cell>
      {cells.map(([words, v], i) => (
        <Table.Cell key={i} bg={i === chosen ? 'leaf.subtle' : undefined} fontWeight={strong ? 650 : undefined}>
          {words}
          {v !== null && v > 0.05 && (
            <Text as="span" color={v > least + 0.05 ? 'berry' : 'quiet'} fontSize="14px" display="block">
              {points(v)} {points(v) === '1' ? 'point' : 'points'}
            </Text>
          )}
        </Table.Cell>
      ))}
    </Table.Row>
  );
}

function PullRow({ c }: { c: Closure }) {
  const worst = (c.gaping ?? []).map((g) => `${Math.round(g.worst * 100)} %`);
  return <Row head="Most pull in a gap" cells={worst.map((v) => [v, null])} chosen={c.chosen} />;
}

function Pull({ c, units }: { c: Closure; units: LengthUnit }) {
  return (
    <Box mt="4">
      <Heading as="h3" fontSize="18px" fontWeight="600">
        Where it would gape
      </Heading>
      <Suspense fallback={<Text color="quiet">Drawing …</Text>}>
        <GapeChart c={c} units={units} names={c.answers.map((_, i) => `answer ${LETTERS[i]}`)} />
      </Suspense>
    </Box>
  );
}

const NoPull = () => (
  <Text color="quiet" fontSize="15px" mt="3">
    Give the measures round body and garment at bust level, at the left, and the pull between the buttons is estimated.
  </Text>
);
