import { Box, Button, Heading, Table, Text } from '@chakra-ui/react';
import { lazy, Suspense } from 'react';
import { buyLength, type ClothSaid, type Holds } from '../../../core/cutting/index.ts';
import { type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { type Then, TRIED, useWhatIf } from '../../data/useWhatIf.ts';
import { ifWords, LIES_WORDS } from '../../words/index.ts';

const LengthChart = lazy(() => import('../../drawing/LengthChart.tsx'));

/** Widths that are sold, mm: common practice. */
const WIDTHS = [900, 1120, 1150, 1400, 1500] as const;

interface Props {
  w: Workbook;
  cloth: ClothSaid;
  mine: Piece[];
  holds: Holds;
  onTake: (part: Pick<ClothSaid, 'width' | 'lies'>, words: string) => void;
}

/** What the same pieces take of other widths, in one layer and folded. */
export function WhatIf({ w, cloth, mine, holds, onTake }: Props) {
  const { found, left, start, stop } = useWhatIf();
  const { units } = w.doc;
  const mm = (v: number): string => formatLength(v, units, 0);
  const widths = [...new Set([...WIDTHS, cloth.width])].sort((a, b) => a - b);
  const cell = (width: number, lies: ClothSaid['lies']): Then | undefined =>
    found.find((f) => f.width === width && f.lies === lies && !f.free && !f.turned);
  const whole = found.filter((f) => f.missing === 0 && !f.free && !f.turned);
  const figure = (width: number, lies: ClothSaid['lies']): number | null => {
    const c = cell(width, lies);
    if (!c || c.missing) return null;
    const length = buyLength(c.length, units);
    return cloth.price > 0 ? Math.ceil((cloth.price * length) / 1000) : length;
  };
  const least = Math.min(...whole.map((f) => f.length * f.width));
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" mb="3">
      <Heading as="h2" fontSize="19px" fontWeight="600" mb="1">
        What if
      </Heading>
      {found.length === 0 && left === 0 ? (
        <Button
          variant="outline"
          borderColor="rule"
          minH="44px"
          onClick={() => start({ pieces: mine, cutLines: w.computed.cutLines, cloth, holds }, widths)}
        >
          Try other widths, single and folded
        </Button>
      ) : (
        <>
          <Table.Root size="sm">
            <Table.Header>
              <Table.Row bg="transparent">
                <Table.ColumnHeader color="quiet">Width</Table.ColumnHeader>
                {TRIED.map((lies) => (
                  <Table.ColumnHeader key={lies} color="quiet">
                    {LIES_WORDS[lies]}
                  </Table.ColumnHeader>
                ))}
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {widths.map((width) => (
                <Table.Row key={width} bg="transparent">
                  <Table.Cell>{mm(width)}</Table.Cell>
                  {TRIED.map((lies) => {
                    const c = cell(width, lies);
                    const now = width === cloth.width && lies === cloth.lies;
                    return (
                      <Table.Cell key={lies} px="0">
                        {c ? (
                          <Button
                            variant="plain"
                            minH="44px"
                            px="2"
                            textAlign="left"
                            whiteSpace="normal"
                            fontWeight={now ? 700 : 450}
                            color={c.missing ? 'quiet' : c.length * c.width === least ? 'leaf.fg' : 'ink'}
                            aria-label={`${mm(width)} wide, ${LIES_WORDS[lies]}: ${mm(buyLength(c.length, units))}. Take this width`}
                            onClick={() => onTake({ width, lies }, `${mm(width)} wide, ${LIES_WORDS[lies]}`)}
                          >
                            {mm(buyLength(c.length, units))}
                            {cloth.price > 0 && `, ${Math.ceil((cloth.price * buyLength(c.length, units)) / 1000)}`}
                            {c.missing > 0 && `, without ${c.missing}`}
                          </Button>
                        ) : (
                          <Text px="2" color="quiet">
                            …
                          </Text>
                        )}
                      </Table.Cell>
                    );
                  })}
                </Table.Row>
              ))}
            </Table.Body>
          </Table.Root>
          <Text fontSize="15px" color="quiet" mb="2" role="status">
            {left > 0
              ? `${left} more to look at, two seconds each.`
              : `As cut off the bolt, as far as two seconds each find it${cloth.price ? ', and what that costs' : ''}. Green takes the least cloth; “without” counts pieces that do not fit so. Click one to take it.`}
          </Text>
          {left === 0 && (
            <>
              <Suspense fallback={null}>
                <LengthChart
                  rows={widths.map((width) => ({
                    // Without its unit: five of them stand side by side.
                    width: mm(width).replace(' mm', ''),
                    single: figure(width, 'single'),
                    folded: figure(width, 'folded'),
                  }))}
                  names={LIES_WORDS}
                  said={(v) => (cloth.price > 0 ? String(v) : mm(v))}
                />
              </Suspense>
              {ifWords(found, cloth, units).map((words) => (
                <Text key={words} fontSize="15px" mb="2">
                  {words}
                </Text>
              ))}
            </>
          )}
          {left > 0 && (
            <Button size="sm" variant="outline" borderColor="rule" onClick={stop}>
              Stop
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
