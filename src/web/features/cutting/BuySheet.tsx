import { Box, Table, Text } from '@chakra-ui/react';
import { useEffect, useMemo } from 'react';
import { putBack, type ToBuy, takenFor, takenOut, thingsFor, toBuy } from '../../../core/cutting/index.ts';
import { capital } from '../../../core/text.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { useStash } from '../../data/useStash.ts';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { PrintSheet } from '../../ui/PrintSheet.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { toBuyWords } from '../../words/index.ts';

/** What the garment takes, to be bought or to be had: a sheet to take along. */
export function BuySheet({ w }: { w: Workbook }) {
  const { name, units, decisions } = w.doc;
  const { cutting, lining } = decisions;
  const list = useMemo(
    () => toBuy(cutting, w.computed, lining.zip.length, units),
    [cutting, w.computed, lining.zip.length, units],
  );
  useEffect(() => {
    document.title = `${name}, to buy · Woodbine`;
  }, [name]);
  const cost = list.reduce((t, b) => t + (b.what === 'cloth' && !b.have ? b.cost : 0), 0);
  const tick = (key: string, have: boolean, words: string): void =>
    setDecision(
      w,
      'cutting',
      { have: have ? [...cutting.have, key] : cutting.have.filter((k) => k !== key) },
      { words: `${words}: ${have ? 'there' : 'to buy'}` },
    );
  return (
    <PrintSheet back="Back to the cloth" to=".." title={`${name}: to buy and to have`}>
      {list.length === 0 ? (
        <Text color="quiet">Put the pattern in on the first page: what it takes is listed here.</Text>
      ) : (
        <Box overflowX="auto">
          <Table.Root size="sm">
            <HeadRow heads={['I have it', 'What', 'Why']} />
            <Table.Body>
              {list.map((b) => {
                const { what, why } = toBuyWords(b, units);
                return (
                  <Table.Row key={b.key} bg="transparent" css={{ breakInside: 'avoid' }}>
                    <Table.Cell>
                      <Box as="label" display="flex" minH="44px" minW="44px" alignItems="center" cursor="pointer">
                        <input
                          type="checkbox"
                          aria-label={`I have it: ${what}`}
                          checked={b.have}
                          disabled={b.what === 'cloth' && b.buy === 0}
                          onChange={(e) => tick(b.key, e.target.checked, what)}
                          style={{ width: 22, height: 22 }}
                        />
                      </Box>
                    </Table.Cell>
                    <Table.Cell fontWeight="600">{capital(what)}</Table.Cell>
                    <Table.Cell>
                      {why}
                      <InStash w={w} b={b} what={what} onHave={(have) => tick(b.key, have, what)} />
                    </Table.Cell>
                  </Table.Row>
                );
              })}
            </Table.Body>
          </Table.Root>
          {cost > 0 && <Text mt="3">The cloth that is still to be bought costs about {Math.ceil(cost)}.</Text>}
        </Box>
      )}
    </PrintSheet>
  );
}

interface InStashProps {
  w: Workbook;
  b: ToBuy;
  what: string;
  onHave: (have: boolean) => void;
}

/** What of the stash would do, taken out of it by a click, and what was taken out, put back by another; what is too little is told. */
function InStash({ w, b, what, onHave }: InStashProps) {
  const { stash, put, trouble } = useStash();
  const [best] = b.have ? [] : thingsFor(b, stash?.things ?? []);
  const by = { project: w.id, key: b.key };
  const out = takenFor(stash?.things ?? [], by);
  if (trouble) return <Text role="alert">{trouble}</Text>;
  if (out.length) {
    const back = async (): Promise<void> => {
      const kept = await put(`Put back by ${w.doc.name}: ${what}`, (s) => putBack(s, by));
      if (kept && b.have) onHave(false);
    };
    return (
      <Text fontSize="15px" color="quiet">
        Taken out of the stash: {out.map(({ thing, count }) => `${count} of “${thing.name}”`).join(', ')}.{' '}
        <WordButton color="leaf.fg" onClick={() => void back()}>
          Put {out.length === 1 && out[0]?.count === 1 ? 'it' : 'them'} back
        </WordButton>
      </Text>
    );
  }
  if (!best) return null;
  const { thing, takes, lacks } = best;
  const take = async (): Promise<void> => {
    const kept = await put(`${takes} of ${thing.name} for ${w.doc.name}: ${what}`, (s) =>
      takenOut(s, thing.id, { ...by, name: w.doc.name, count: takes }),
    );
    if (kept) onHave(true);
  };
  return (
    <Text fontSize="15px" color="quiet">
      In the stash: {thing.count} of “{thing.name}”
      {lacks > 0 ? (
        `, ${lacks} too few.`
      ) : (
        <>
          .{' '}
          <WordButton color="leaf.fg" onClick={() => void take()}>
            {takes === 1 ? 'Take it from there' : `Take ${takes} from there`}
          </WordButton>
        </>
      )}
    </Text>
  );
}
