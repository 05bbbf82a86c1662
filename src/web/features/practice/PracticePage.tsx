import { Box, Button, Flex, Grid, Heading, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { PRACTICE, PRACTICES, type PracticeId, scrapsFrom } from '../../../core/bench/index.ts';
import { type StashCloth } from '../../../core/cutting/index.ts';
import { STASH } from '../../../core/document/project.ts';
import { formatLength, parseLength } from '../../../core/units.ts';
import { api, useAsked } from '../../data/client.ts';
import { useStash } from '../../data/useStash.ts';
import { Beside } from '../../ui/Beside.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { StrokeDrawing } from '../../ui/Worded.tsx';
import { CAUTION_WORDS, dayWords, PRACTICE_WORDS } from '../../words/index.ts';

const isPractice = (v: string | null): v is PracticeId => PRACTICES.includes(v as PracticeId);

/** What people get wrong, practised on scraps before it is sewn: cards, each a step at a time, with a look at the end that is noted. */
export function PracticePage() {
  const [asked, setAsked] = useSearchParams();
  const id = asked.get('card');
  return (
    <Beside question="What do I want to practise?" own={isPractice(id)}>
      {isPractice(id) ? (
        <Card key={id} id={id} onClose={() => setAsked({})} />
      ) : (
        <Cards onOpen={(card) => setAsked({ card })} />
      )}
    </Beside>
  );
}

function Cards({ onOpen }: { onOpen: (id: PracticeId) => void }) {
  const { data } = useAsked('GET /api/notebook', {});
  const last = (id: PracticeId): string | null =>
    data?.entries
      .filter((e) => e.entry.kind === 'practice' && e.entry.figures.card === id)
      .map((e) => e.entry.at)
      .sort()
      .at(-1) ?? null;
  return (
    <Grid templateColumns="repeat(auto-fill, minmax(330px, 1fr))" gap="5">
      {PRACTICES.map((id) => {
        const { title, why, drawn } = PRACTICE_WORDS[id];
        const when = last(id);
        return (
          <SheetBox as="article" key={id} mb="0">
            <Heading as="h2" fontSize="21px" fontWeight="600">
              {title}
            </Heading>
            <StrokeDrawing drawn={drawn} width={200} />
            <Text mb="1">{why}</Text>
            <Text color="quiet" mb="3">
              {when ? `Last practised on ${dayWords(when.slice(0, 10))}.` : 'Not practised yet.'}
            </Text>
            <Button colorPalette="leaf" minH="48px" onClick={() => onOpen(id)}>
              Practise it
            </Button>
          </SheetBox>
        );
      })}
    </Grid>
  );
}

function Card({ id, onClose }: { id: PracticeId; onClose: () => void }) {
  const { title, steps, drawn } = PRACTICE_WORDS[id];
  const [at, setAt] = useState(-1);
  const step = steps[at];
  return (
    <Box as="article" aria-label={title} maxW="760px">
      <Text fontSize="20px" color="quiet">
        {title}
        {step && ` · ${at + 1} of ${steps.length}`}
      </Text>
      <Box my="3">
        <StrokeDrawing drawn={drawn} width={420} />
      </Box>
      {at < 0 && <ToCut id={id} />}
      {step && (
        <>
          <Heading as="h1" fontSize={{ base: '34px', lg: '42px' }} fontWeight="600" lineHeight="1.15" my="2">
            {step[0]}
          </Heading>
          <Text fontSize="26px" lineHeight="1.4">
            {step[1]}
          </Text>
        </>
      )}
      {at >= steps.length && <Look id={id} onDone={onClose} />}
      <Flex gap="4" mt="8" wrap="wrap">
        <Button
          h="64px"
          px="6"
          fontSize="22px"
          variant="outline"
          borderWidth="2px"
          borderColor="leaf.solid"
          onClick={() => (at < 0 ? onClose() : setAt(at - 1))}
        >
          Back
        </Button>
        {at < steps.length && (
          <Button h="64px" px="8" fontSize="22px" colorPalette="leaf" onClick={() => setAt(at + 1)}>
            {at < 0 ? 'They are cut' : 'Done'}
          </Button>
        )}
      </Flex>
    </Box>
  );
}

/** What to cut, and out of which leftover. */
function ToCut({ id }: { id: PracticeId }) {
  const { stash } = useStash();
  const { scraps } = PRACTICE[id];
  const rests = (stash?.cloths ?? []).filter((c: StashCloth) => !c.used && c.of !== '');
  const from = scrapsFrom(rests, scraps);
  return (
    <>
      <Heading as="h1" fontSize={{ base: '34px', lg: '42px' }} fontWeight="600" lineHeight="1.15" my="2">
        Cut the scraps
      </Heading>
      <Box as="ul" fontSize="26px" m="0" pl="6">
        {scraps.map((s) => (
          <li key={`${s.width} ${s.length}`}>
            {s.count} of {formatLength(s.width, 'mm')} by {formatLength(s.length, 'mm')}
          </li>
        ))}
      </Box>
      <Text fontSize="20px" mt="3" color="honey">
        {CAUTION_WORDS.blades.full} {CAUTION_WORDS.iron.full}
      </Text>
      <Text fontSize="20px" mt="3">
        {from ? (
          <>
            They can be cut from {from.name}, which lies in <Link to="/stash">the stash</Link>.
          </>
        ) : rests.length ? (
          'No leftover in the stash is large enough for all of them: take any cloth like that of the garment.'
        ) : (
          'There are no leftovers in the stash: take any cloth like that of the garment.'
        )}
      </Text>
    </>
  );
}

/** The look at the end: measured where it can be, and noted. */
function Look({ id, onDone }: { id: PracticeId; onDone: () => void }) {
  const { title, check } = PRACTICE_WORDS[id];
  const { passes } = PRACTICE[id];
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = async (result: string, figures: Record<string, number | string>): Promise<void> => {
    try {
      // The notebook of what belongs to no project is begun when it is first asked for.
      await api.stash();
      await api.entry(STASH, {
        kind: 'practice',
        words: `${title}: ${result}`,
        figures: { ...figures, card: id, what: title, result },
      });
      onDone();
    } catch (e) {
      setWrong((e as Error).message);
    }
  };
  const measured = (): void => {
    const read = parseLength(text, 'mm');
    if (!read.ok || passes === null) setWrong('Say a length: 1.5 mm, or 1/16".');
    else
      void keep(
        `${formatLength(read.value, 'mm')} off, ${read.value <= passes ? 'it passes' : `more than ${formatLength(passes, 'mm')}: once more`}`,
        { by: read.value },
      );
  };
  return (
    <>
      <Heading as="h1" fontSize={{ base: '34px', lg: '42px' }} fontWeight="600" lineHeight="1.15" my="2">
        {check}
      </Heading>
      {wrong && (
        <Text role="alert" color="berry" fontSize="20px">
          {wrong}
        </Text>
      )}
      <Flex gap="4" wrap="wrap" align="center">
        {passes === null ? (
          <>
            <Answer words="No" onClick={() => void keep('nothing is caught, it passes', {})} />
            <Answer words="Yes" onClick={() => void keep('it is caught: once more', {})} />
          </>
        ) : (
          <>
            <Input
              aria-label="How much"
              placeholder="1 mm"
              w="9em"
              h="64px"
              fontSize="26px"
              borderColor="rule"
              value={text}
              onChange={(e) => setText(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && measured()}
            />
            <Answer words="Note it" onClick={measured} />
          </>
        )}
      </Flex>
    </>
  );
}

const Answer = ({ words, onClick }: { words: string; onClick: () => void }) => (
  <Button h="64px" px="8" fontSize="22px" colorPalette="leaf" onClick={onClick}>
    {words}
  </Button>
);
