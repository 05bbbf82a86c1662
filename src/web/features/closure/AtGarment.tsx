import { Box, Button, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { Download } from 'lucide-react';
import { Link } from 'react-router';
import { HOLE_STATES, type HoleState, hasHoles, shoppingList, statesOf } from '../../../core/closure/index.ts';
import { formatLength } from '../../../core/units.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { buyWords, placeOf, SMALL_WORDS, STATE_WORDS } from '../../words/index.ts';
import { ticked, type ViewProps } from './closing.ts';

/** What was measured on the garment itself, which overrides the drawing. */
function Side({ w, c, put }: ViewProps) {
  const { units } = w.doc;
  const { measured } = c.choice;
  const off = c.lengthMm - c.drawnMm;
  return (
    <SheetBox>
      <Text fontWeight="550" mb="1">
        The finished closing, measured on the garment
      </Text>
      <Flex align="center" gap="3">
        <LengthField
          label="Measured on the garment"
          value={c.lengthMm}
          units={units}
          least={Math.max(20, c.drawnMm * 0.5)}
          most={c.drawnMm * 1.5}
          onValue={(v) => put({ measured: v }, `Measured on the garment: ${formatLength(v, units)}`)}
        />
        {measured !== null && (
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => put({ measured: null }, 'As drawn')}>
            As drawn
          </Button>
        )}
      </Flex>
      <Text color="quiet" fontSize="15px" mt="2">
        {measured === null
          ? `Drawn it is ${formatLength(c.drawnMm, units)}. Measured from the neck seam to the lower end it may come out otherwise.`
          : `${formatLength(Math.abs(off), units)} ${off < 0 ? 'shorter' : 'longer'} than drawn: what is not yet sewn was spaced anew; what is sewn or cut stays.`}
      </Text>
    </SheetBox>
  );
}

function Main(p: ViewProps) {
  return (
    <>
      <Ticks {...p} />
      <BuyList {...p} />
    </>
  );
}

interface HoleRow {
  line: string;
  index: number;
  at: number;
  name: string;
  where: string;
  states: readonly HoleState[];
}

/** Every hole (or snap) of the garment: down the front, then those of cuffs and the rest, one by one. */
function rowsOf({ w, c }: ViewProps): HoleRow[] {
  const { units } = w.doc;
  const front = c.buttons.map((b, index) => ({
    line: 'front',
    index,
    at: b.at,
    name: `${hasHoles(c.choice.fastener) ? 'Hole' : 'Place'} ${index + 1}`,
    states: statesOf(c.choice.fastener),
    where: `${placeOf(b.at, units)}${b.onStand ? ' (stand)' : ''}`,
  }));
  const small = c.small.flatMap((s) => {
    const over = s.spots.filter((p) => p.over);
    return Array.from({ length: s.choice.times * over.length }, (_, index) => {
      const at = over[index % over.length]?.x ?? 0;
      const name = `${SMALL_WORDS[s.choice.kind]} ${index + 1}`;
      return {
        line: s.choice.id,
        index,
        at,
        name,
        where: formatLength(at, units),
        states: statesOf(s.choice.fastener),
      };
    });
  });
  return [...front, ...small];
}

/** One line a hole, a tick for each thing done to it. */
function Ticks(p: ViewProps) {
  const { c, put } = p;
  const rows = rowsOf(p);
  const stateOf = (r: HoleRow): number => {
    const done = c.choice.done.find((d) => d.line === r.line && d.index === r.index);
    return done ? HOLE_STATES.indexOf(done.state) : -1;
  };
  const ready = (r: HoleRow): boolean => stateOf(r) >= HOLE_STATES.indexOf(r.states[r.states.length - 1] as HoleState);
  const finished = rows.filter(ready).length;
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        {finished === rows.length ? 'All done' : `${finished} of ${rows.length} done`}
      </Heading>
      <Text color="quiet" mb="2">
        A hole that is sewn or cut stays where it is, whatever is decided afterwards.
      </Text>
      <Table.Root size="sm" css={{ '& td, & th': { borderColor: 'rule' } }}>
        <Table.Header>
          <Table.Row bg="transparent">
            <Table.ColumnHeader>From the top</Table.ColumnHeader>
            {HOLE_STATES.map((s) => (
              <Table.ColumnHeader key={s}>{STATE_WORDS[s]}</Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.map((r) => (
            <Table.Row key={`${r.line}${r.index}`} bg="transparent">
              <Table.Cell>
                <b>{r.line === 'front' ? r.index + 1 : r.name}</b> · {r.where}
              </Table.Cell>
              {HOLE_STATES.map((s, k) => (
                <Table.Cell key={s}>
                  {r.states.includes(s) && (
                    <Box as="label" display="inline-flex" minW="44px" minH="44px" alignItems="center" cursor="pointer">
                      <input
                        type="checkbox"
                        aria-label={`${r.name} ${STATE_WORDS[s]}`}
                        checked={stateOf(r) >= k}
                        onChange={(e) => {
                          const { line, index, at } = r;
                          const on = e.target.checked;
                          put(
                            { done: ticked(c.choice, { line, index, at }, s, on) },
                            `${r.name} ${on ? '' : 'not '}${STATE_WORDS[s]}`,
                          );
                        }}
                        style={{ width: 24, height: 24 }}
                      />
                    </Box>
                  )}
                </Table.Cell>
              ))}
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </SheetBox>
  );
}

function BuyList({ w, c }: ViewProps) {
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="2">
        To buy
      </Heading>
      <Box as="ul" listStyleType="none">
        {shoppingList(c).map((b) => {
          const said = buyWords(b, w.doc.units);
          return (
            <Box as="li" key={`${b.what}${b.size}`} py="1" borderBottomWidth="1px" borderColor="rule">
              <b>{said.what}</b>
              {said.where && (
                <Text as="span" color="quiet">
                  {' '}
                  = {said.where}
                </Text>
              )}
            </Box>
          );
        })}
      </Box>
      <Flex gap="3" mt="4" wrap="wrap">
        <Button asChild colorPalette="leaf" minH="44px">
          <a href={`/api/projects/${w.id}/export/pattern.pdf?pieces=&strip=1`} download>
            <Download size={18} aria-hidden /> Marking strips, 1:1
          </a>
        </Button>
        <Button asChild variant="outline" borderColor="rule" minH="44px">
          <Link to={`/project/${w.id}/buttons/sheet`}>Sheet to print: places, practice card, list</Link>
        </Button>
        <Button asChild variant="outline" borderColor="rule" minH="44px">
          <Link to={`/project/${w.id}/paper`}>Print with the pattern</Link>
        </Button>
      </Flex>
    </SheetBox>
  );
}

export const AtGarment = { Side, Main };
