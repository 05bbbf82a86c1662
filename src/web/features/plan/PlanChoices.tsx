import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { taskOf } from '../../../core/document/compute.ts';
import { BULKS } from '../../../core/document/project.ts';
import { EXTRA_IDS, fittingIds, openTopics, type Topic } from '../../../core/plan/index.ts';
import { Ask, Pick, Tick } from '../../ui/Ask.tsx';
import { EXTRA_WORDS, methodWords, topicWords } from '../../words/index.ts';
import { type Planning, takeMethods } from './planning.ts';
import { SeamFinishes } from './SeamFinishes.tsx';

const BULK_WORDS = { thin: 'thin', medium: 'medium', thick: 'thick' } as const;

interface Props {
  p: Planning;
  topic: Topic | null;
  onCompare: (t: Topic) => void;
}

/** How it is made: one choice for every part that can be made in more than one way; one of them is compared beside. */
export function PlanChoices({ p, topic, onCompare }: Props) {
  const { w, plan, set } = p;
  const { making } = w.doc.decisions;
  const task = taskOf(w.doc, w.computed);
  const topics = openTopics(plan.methods);
  const lined = w.computed.inside.some((q) => q.material === 'lining');
  return (
    <>
      <Ask
        question="The cloth is"
        value={making.bulk}
        answers={BULKS.map((b): [typeof b, string] => [b, BULK_WORDS[b]])}
        onAnswer={(bulk) => set(`Cloth: ${bulk}`, { bulk })}
      />
      {lined && (
        <Tick
          label="Lace outside: the lining shows its right side through it"
          checked={making.lace}
          onTick={(lace) => set(lace ? 'Lace outside' : 'No lace', { lace })}
        />
      )}
      {topics.map((t) => {
        const fit = fittingIds(t, {
          ...task,
          methods: plan.methods,
          extras: making.extras,
          finishes: making.finishes,
        });
        return <TopicChoice key={t} p={p} topic={t} fit={fit} compared={topic === t} onCompare={() => onCompare(t)} />;
      })}
      <SeamFinishes p={p} />
      <Text fontWeight="550" mt="2">
        Also to be sewn
      </Text>
      <Box>
        {EXTRA_IDS.map((x) => (
          <Tick
            key={x}
            label={EXTRA_WORDS[x] ?? x}
            checked={making.extras.includes(x)}
            onTick={(on) =>
              set(`${EXTRA_WORDS[x]}${on ? '' : ' left out'}`, {
                extras: on ? [...making.extras, x] : making.extras.filter((y) => y !== x),
              })
            }
          />
        ))}
      </Box>
    </>
  );
}

interface TopicProps {
  p: Planning;
  topic: Topic;
  /** The ways that fit. */
  fit: string[];
  compared: boolean;
  onCompare: () => void;
}

/** One part that can be made in more than one way: the way taken, and all of them side by side on request. */
function TopicChoice({ p, topic, fit, compared, onCompare }: TopicProps) {
  const { plan, w } = p;
  const title = topicWords(topic);
  const ways = fit.filter((m) => m !== 'none');
  const { methods } = w.doc.decisions.making;
  return (
    <Box mb="3" pl="3" ml="-3" borderLeftWidth="4px" borderColor={compared ? 'leaf.solid' : 'transparent'}>
      <Flex align="baseline" justify="space-between" gap="2">
        <Text fontWeight="550">{title}</Text>
        <Button
          size="xs"
          variant="plain"
          textDecoration="underline"
          aria-label={`Compare: ${title}`}
          aria-pressed={compared}
          onClick={onCompare}
        >
          compare
        </Button>
      </Flex>
      {ways.length > 1 ? (
        <Pick
          label={title}
          value={plan.methods[topic] ?? ''}
          options={ways.map((m): [string, string] => [m, methodWords(topic, m)])}
          onPick={(m) => takeMethods(p, `${title}: ${methodWords(topic, m)}`, { ...methods, [topic]: m })}
        />
      ) : (
        <Text color="quiet">{methodWords(topic, plan.methods[topic] ?? '')}</Text>
      )}
    </Box>
  );
}
