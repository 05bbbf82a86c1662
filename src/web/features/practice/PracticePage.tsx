import { Button, Grid, Heading, Text } from '@chakra-ui/react';
import { useSearchParams } from 'react-router';
import { PRACTICES, type PracticeId } from '../../../core/bench/index.ts';
import { useAsked } from '../../data/client.ts';
import { Beside } from '../../ui/Beside.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { StrokeDrawing } from '../../ui/Worded.tsx';
import { dayWords, PRACTICE_WORDS } from '../../words/index.ts';
import { PracticeCard } from './PracticeCard.tsx';

const isPractice = (v: string | null): v is PracticeId => PRACTICES.includes(v as PracticeId);

/** What people get wrong, practised on scraps before it is sewn: cards, each a step at a time, with a look at the end that is noted. */
export function PracticePage() {
  const [asked, setAsked] = useSearchParams();
  const id = asked.get('card');
  if (isPractice(id)) return <PracticeCard key={id} id={id} />;
  return (
    <Beside question="What do I want to practise?">
      <Cards onOpen={(card) => setAsked({ card })} />
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
