import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { hangsOn, takeBack } from '../../../core/bench/index.ts';
import { MENDS, type MendKind } from '../../../core/bench/log.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { inSentence } from '../../../core/text.ts';
import { instantNow, newId } from '../../data/benchlog.ts';
import { setDecision } from '../../data/setDecision.ts';
import { MEND_WORDS, stepWords } from '../../words/index.ts';
import { mendBefore, type Sewing, titleOf } from './sewing.ts';

interface Props {
  p: Sewing;
  step: PlanStep;
  onGo: (s: PlanStep | undefined) => void;
  onClose: () => void;
}

/** What usually goes wrong at a step and how it is mended; noted, put in as a step of its own, or taken back with what hangs on it. */
export function Wrong({ p, step, onGo, onClose }: Props) {
  const { slip } = stepWords(step, p.w.doc.units, p.names);
  const [words, setWords] = useState('');
  const { w, plan } = p;
  const { bench, notebook } = w.doc.decisions;
  const title = titleOf(p, step);
  const said = words.trim();
  const note = (): void => {
    const entry = {
      ...{
        id: newId(),
        at: instantNow(),
        kind: 'note' as const,
        words: said,
        step: step.id,
        piece: '',
        seam: '',
        cloth: '',
      },
      ...{ figures: {}, pictures: [], again: false },
    };
    w.save(`Noted: ${said.slice(0, 80)}`, {
      ...w.doc,
      decisions: { ...w.doc.decisions, notebook: [...notebook, entry] },
    });
    setWords('');
    onClose();
  };
  const mend = (kind: MendKind): void => {
    mendBefore(p, step, kind, said || `${MEND_WORDS[kind]}: ${inSentence(title)}`);
    onClose();
  };
  return (
    <Box
      as="section"
      aria-label="Something is wrong"
      borderWidth="2px"
      borderColor="honey"
      borderRadius="16px"
      p="5"
      my="3"
      fontSize="22px"
    >
      {slip ? (
        <Text mb="3">
          <b>The usual slip:</b> {slip}
        </Text>
      ) : (
        <Text mb="3">No slip is usual at this step. Say what happened, and put in what mends it.</Text>
      )}
      <Input
        aria-label="What is wrong"
        placeholder="What is wrong?"
        h="64px"
        fontSize="22px"
        borderColor="rule"
        maxLength={190}
        value={words}
        onChange={(e) => setWords(e.target.value)}
      />
      <Flex gap="3" wrap="wrap" mt="3">
        {MENDS.map((k) => (
          <Button key={k} h="64px" px="5" fontSize="20px" variant="outline" borderColor="rule" onClick={() => mend(k)}>
            {MEND_WORDS[k]} first
          </Button>
        ))}
        <Button h="64px" px="5" fontSize="20px" variant="outline" borderColor="rule" disabled={!said} onClick={note}>
          Only note it
        </Button>
      </Flex>
      <Back
        p={p}
        step={step}
        onGo={onGo}
        onClose={onClose}
        set={(ids) =>
          setDecision(w, 'bench', takeBack(bench, ids, instantNow()), {
            words: `Taken back: ${ids.length} ${ids.length === 1 ? 'step' : 'steps'}`,
            told: true,
          })
        }
        steps={plan.steps}
      />
    </Box>
  );
}

interface BackProps extends Props {
  steps: readonly PlanStep[];
  set: (ids: string[]) => void;
}

/** Taken back: this step, or one before it, with all that was sewn on it since. */
function Back({ p, step, steps, set, onGo, onClose }: BackProps) {
  const { bench } = p.w.doc.decisions;
  const done = new Set(bench.steps.flatMap((l) => (l.state === 'done' ? [l.id] : [])));
  const before = steps
    .filter((s) => done.has(s.id) && s.number <= step.number)
    .slice(-4)
    .reverse();
  if (!before.length) return null;
  return (
    <Box mt="4">
      <Text color="quiet" mb="1">
        Or take back what was sewn, with what hangs on it:
      </Text>
      {before.map((s) => {
        const ids = hangsOn(steps, bench, s.id);
        return (
          <Button
            key={s.id}
            variant="plain"
            px="0"
            minH="56px"
            h="auto"
            fontSize="20px"
            whiteSpace="normal"
            textAlign="left"
            display="block"
            color="leaf.fg"
            textDecoration="underline"
            onClick={() => {
              set(ids);
              onGo(s);
              onClose();
            }}
          >
            {s.number}. {titleOf(p, s)}
            {ids.length > 1 ? `, and ${ids.length - 1} after it` : ''}
          </Button>
        );
      })}
    </Box>
  );
}
