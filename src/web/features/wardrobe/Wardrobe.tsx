import { Box, Button, Flex, Grid, Heading, Image, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type Answer } from '../../../contract/index.ts';
import { emptyBench } from '../../../core/bench/log.ts';
import { careOf, cutFrom, toBuy } from '../../../core/cutting/index.ts';
import { compute } from '../../../core/document/compute.ts';
import { type ProjectDocument } from '../../../core/document/project.ts';
import { addressOf, api, useAsked } from '../../data/client.ts';
import { Beside } from '../../ui/Beside.tsx';
import { Empty, SheetBox } from '../../ui/Page.tsx';
import { careWords, dayWords, minutesWords } from '../../words/index.ts';

type Garment = Answer<'GET /api/wardrobe'>['garments'][number];

/** What was made: finished garments with a picture, what they took and cost, how they are cared for; and the next one from each. */
export function Wardrobe() {
  const { data, error } = useAsked('GET /api/wardrobe', {});
  return (
    <Beside question="What did I make?">
      {error && (
        <Text role="alert" color="berry">
          {error.message}
        </Text>
      )}
      {!data && !error && <Text color="quiet">Opening the wardrobe …</Text>}
      {data && !data.garments.length && (
        <Empty title="Nothing hangs in it yet">
          When every step of a project is done, its page of the sewing asks whether it is finished.
        </Empty>
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(330px, 1fr))" gap="5">
        {data?.garments.map((g) => (
          <One key={g.project} g={g} />
        ))}
      </Grid>
    </Beside>
  );
}

function One({ g }: { g: Garment }) {
  const { data } = useAsked('GET /api/projects/{id}', { id: g.project });
  const go = useNavigate();
  const [wrong, setWrong] = useState<string | null>(null);
  const next = async (doc: ProjectDocument): Promise<void> => {
    try {
      const made = await api.load({ woodbine: 1, project: afresh(doc) });
      await go(`/project/${made.id}/inside`);
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  return (
    <SheetBox as="article" p="0" mb="0" overflow="hidden">
      {g.picture && (
        <Image
          src={`${addressOf('GET /api/projects/{id}/pictures/{file}', { id: g.project, file: g.picture })}?size=small`}
          alt={g.name}
          w="100%"
          h="220px"
          objectFit="cover"
        />
      )}
      <Box p="4">
        <Heading as="h2" fontSize="21px" fontWeight="600">
          <Link to={`/project/${g.project}/sewing`}>{g.name}</Link>
        </Heading>
        <Text color="quiet" mb="2">
          Finished on {dayWords(g.finished)} {g.finished.slice(0, 4)}
          {g.minutes > 0 && `, ${minutesWords(g.minutes)} of sewing timed`}
        </Text>
        {data && <Took doc={data.document} />}
        {wrong && (
          <Text role="alert" color="berry">
            {wrong}
          </Text>
        )}
        <Flex gap="3" mt="3">
          <Button
            variant="outline"
            borderColor="rule"
            minH="44px"
            disabled={!data}
            onClick={() => data && void next(data.document)}
          >
            Begin the next one from it
          </Button>
        </Flex>
      </Box>
    </SheetBox>
  );
}

/** What it cost and how it is cared for, as far as that was said of its cloths. */
function Took({ doc }: { doc: ProjectDocument }) {
  const x = compute(doc);
  const { cutting, lining } = doc.decisions;
  const cost = toBuy(cutting, x, lining.zip.length, doc.units).reduce(
    (t, b) => t + (b.what === 'cloth' ? (b.needs * b.cloth.price) / 1000 : 0),
    0,
  );
  const used = cutting.cloths.filter(
    (c) => c.takes.some((m) => m !== 'interfacing') && cutFrom(cutting, c, x.pieces).length,
  );
  const care = careOf(
    used.map((c) => c.fibre),
    x.pieces.some((p) => p.material === 'interfacing'),
  );
  return (
    <>
      <Text>{cost > 0 ? `Its cloth cost about ${Math.round(cost)}.` : 'What its cloth cost was not said.'}</Text>
      <Text>{care ? careWords(care) : 'How it is washed follows once it is said what its cloths are made of.'}</Text>
    </>
  );
}

/** The same pattern and choices, nothing sewn yet. */
const afresh = (doc: ProjectDocument): ProjectDocument => ({
  ...doc,
  name: `${doc.name}, again`.slice(0, 200),
  decisions: { ...doc.decisions, bench: emptyBench(), notebook: [], cutting: { ...doc.decisions.cutting, have: [] } },
});
