import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { type ReactNode, useEffect } from 'react';
import { type Closure, HOLE_SETTINGS, hasHoles, sewingOrder, shoppingList } from '../../../core/closure/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { PaperBox, PrintSheet } from '../../ui/PrintSheet.tsx';
import { buyWords, halvesWords, placeOf, SMALL_WORDS } from '../../words/index.ts';
import { layersOf } from './closing.ts';

/** A sheet to print: every place with a box to tick, the practice card with lines to write on, and what to buy. */
export function ClosingSheet({ w }: { w: Workbook }) {
  const { name } = w.doc;
  useEffect(() => {
    document.title = `${name}, buttons · Woodbine`;
  }, [name]);
  const result = w.computed.closure;
  if (!result?.ok) return <Text color="quiet">There is no closing to print yet.</Text>;
  const c = result.value;
  return (
    <PrintSheet back="Back to the garment" to="../garment" title={`${name}: buttons and holes`}>
      <Box fontSize="19px">
        <Places c={c} w={w} />
        {hasHoles(c.choice.fastener) && <Card c={c} w={w} />}
        <Part title="To buy">
          {shoppingList(c).map((b) => {
            const { what, where } = buyWords(b, w.doc.units);
            return (
              <Line key={`${b.what}${b.size}`}>
                <b>{what}</b> {where && `= ${where}`}
              </Line>
            );
          })}
        </Part>
      </Box>
    </PrintSheet>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="section" mt="5" style={{ breakInside: 'avoid' }}>
      <Heading as="h2" fontSize="24px" fontWeight="600" mb="2" color="leaf.fg">
        {title}
      </Heading>
      {children}
    </Box>
  );
}

/** A box to tick and what it is for. */
function Line({ children }: { children: ReactNode }) {
  return (
    <Flex gap="4" py="2" borderTopWidth="1px" borderColor="rule">
      <PaperBox />
      <Text>{children}</Text>
    </Flex>
  );
}

function Places({ c, w }: { c: Closure; w: Workbook }) {
  const { units } = w.doc;
  const [over, under] = halvesWords(c.choice.fastener);
  const mm = (v: number) => formatLength(v, units);
  return (
    <Part title={c.piece ? 'Places, from the neck seam down' : 'Places, from the top down'}>
      <Text mb="2">
        On top, wearer’s {c.choice.side}: {over}. Beneath: {under}.
        {hasHoles(c.choice.fastener) &&
          ` Sewn in this order: ${sewingOrder(c.buttons.length)
            .map((i) => i + 1)
            .join(', ')}.`}
      </Text>
      {c.buttons.map((b, i) => (
        <Line key={b.at}>
          <b>
            {i + 1}: {placeOf(b.at, units)}
          </b>
          {i > 0 && `, ${mm(c.gaps[i - 1] ?? 0)} from the one above`}
          {b.onStand && ', in the stand, across'}
        </Line>
      ))}
      {c.small.map((s) => (
        <Line key={s.choice.id}>
          <b>{SMALL_WORDS[s.choice.kind]}</b>:{' '}
          {s.spots
            .filter((p) => p.over)
            .map((p) => mm(p.x))
            .join(', ')}
          {s.choice.times > 1 && `, the same on all ${s.choice.times}`}
        </Line>
      ))}
    </Part>
  );
}

function Card({ c, w }: { c: Closure; w: Workbook }) {
  const mm = (v: number) => formatLength(v, w.doc.units);
  return (
    <Part title="Practice card">
      <Text>
        The same layers: {layersOf(w)}. Opening {mm(c.hole.opening)}, over all {mm(c.hole.overall)}. Until two in a row
        are good; then practise cutting.
      </Text>
      {Array.from({ length: HOLE_SETTINGS.practise + 2 }, (_, i) => (
        <Line key={i}>
          {i + 1}: opening ________ density ________ stabiliser ____________ the button goes through ______________
        </Line>
      ))}
    </Part>
  );
}
