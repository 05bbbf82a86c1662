import { Box, Heading, Table, Text } from '@chakra-ui/react';
import { lazy, Suspense } from 'react';
import { type Closure, PARTS, type Placement } from '../../../core/closure/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { SheetBox } from '../../ui/Page.tsx';
import { answerWhy, countWords, PART_WORDS, partFact } from '../../words/index.ts';
import { type ViewProps } from './closing.ts';

const GapeChart = lazy(() => import('../../drawing/GapeChart.tsx'));

const LETTERS = ['A', 'B', 'C'];
const points = (v: number): string => `${Math.round(v * 10) / 10}`;

/** The three best answers side by side: what each is good at, and what it gives up for that. */
export function Answers({ w, c, put }: ViewProps) {
  const { units } = w.doc;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="22px" fontWeight="600" mb="1">
        {c.answers.length === 1 ? 'The only answer' : `The ${c.answers.length} best answers`}
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
                  <label style={{ display: 'flex', gap: 8, alignItems: 'center', cursor: 'pointer', minHeight: 32 }}>
                    <input
                      type="radio"
                      name="answer"
                      checked={i === c.chosen}
                      onChange={() => put({ answer: i }, `Answer ${LETTERS[i]}`)}
                    />
                    {LETTERS[i]}: {countWords(c, a.at.length)}
                  </label>
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
