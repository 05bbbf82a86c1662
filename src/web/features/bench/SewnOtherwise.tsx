import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { CircleAlert } from 'lucide-react';
import { useMemo } from 'react';
import { listed } from '../../../contract/listed.ts';
import {
  goneSteps,
  keepAsSewn,
  nextStep,
  redoOf,
  type Touched,
  takeBack,
  touchedSteps,
} from '../../../core/bench/index.ts';
import { capital } from '../../../core/text.ts';
import { instantNow, newId, saveBench } from '../../data/benchlog.ts';
import { pieceName } from '../../data/pieceName.ts';
import { touchedWords } from '../../words/index.ts';
import { benchOf, type Sewing, titleOf } from './sewing.ts';

/** What was sewn otherwise than the plan has it by now, by what was decided since: asked about, never undone by itself. */
export function SewnOtherwise({ p }: { p: Sewing }) {
  const { w, plan } = p;
  const { decisions, units } = w.doc;
  const touched = useMemo(
    () => touchedSteps(plan.steps, w.computed.cutLines, decisions),
    [plan.steps, w.computed.cutLines, decisions],
  );
  const gone = goneSteps(plan.steps, decisions.bench);
  if (!touched.length && !gone.length) return null;
  const groups = new Map<string, Touched[]>();
  for (const t of touched) {
    const { why } = touchedWords(t, units, pieceName(w));
    groups.set(why, [...(groups.get(why) ?? []), t]);
  }
  return (
    <Box as="section" aria-label="Sewn otherwise" borderLeftWidth="4px" borderColor="honey" pl="4" mb="5">
      {[...groups].map(([why, list]) => (
        <Group key={why} p={p} why={why} list={list} />
      ))}
      {gone.length > 0 && (
        <Text>
          {gone.length === 1 ? 'A step that was done is' : `${gone.length} steps that were done are`} no more in the
          plan. With the choices as they were, {gone.length === 1 ? 'it is' : 'they are'} done again.
        </Text>
      )}
    </Box>
  );
}

function Group({ p, why, list }: { p: Sewing; why: string; list: Touched[] }) {
  const { w, plan } = p;
  const ids = list.map((t) => t.step.id);
  const redo = redoOf(list, benchOf(p), plan.making.parts);
  const again = redo.pieces.map(pieceName(w));
  const numbers = listed(list.slice(0, 8).map((t) => String(t.step.number)));
  const more = list.length > 8 ? ` and ${list.length - 8} more` : '';
  const figures = list.length === 1 && list[0] ? touchedWords(list[0], w.doc.units, pieceName(w)).figures : '';
  const doAgain = (): void => {
    const at = instantNow();
    // What is cut stays cut but for these pieces: cutting them anew comes before the first step that goes on.
    const kept = keepAsSewn(
      benchOf(p),
      ids.filter((id) => id === 'cut'),
    );
    const log = takeBack(kept, redo.steps, at);
    const first = redo.steps[0] ?? nextStep(plan.steps, log)?.id;
    const words = `Cut anew: ${listed(again)}`.slice(0, 190);
    const mends =
      again.length && first ? [{ id: newId(), before: first, kind: 'recut' as const, words, done: false, at }] : [];
    saveBench(w, `To do again: ${redo.steps.length} steps`, { ...log, mends: [...log.mends, ...mends] });
  };
  return (
    <Box mb="3">
      <Flex gap="2" align="flex-start">
        <Box color="honey" flexShrink={0} mt="3px">
          <CircleAlert size={20} aria-label="Look at this" />
        </Box>
        <Text>
          {capital(why)}:{' '}
          {list.length === 1 && list[0]
            ? `step ${numbers}, “${titleOf(p, list[0].step)}”, was`
            : `steps ${numbers}${more} were`}{' '}
          done before that
          {figures && ` (${figures})`}.
        </Text>
      </Flex>
      <Flex gap="3" wrap="wrap" mt="2">
        <Button
          variant="outline"
          borderColor="rule"
          minH="44px"
          onClick={() => saveBench(w, 'It stays as it was sewn', keepAsSewn(benchOf(p), ids))}
        >
          It stays as it was sewn
        </Button>
        <Button variant="outline" borderColor="rule" minH="44px" onClick={doAgain}>
          {again.length > 0 && `Cut ${again.length > 3 ? `${again.length} pieces` : listed(again)} anew`}
          {again.length > 0 && redo.steps.length > 0 && ', and '}
          {redo.steps.length > 0 &&
            `${again.length ? 'do' : 'Do'} ${redo.steps.length === 1 ? 'the step' : `${redo.steps.length} steps`} again`}
        </Button>
      </Flex>
    </Box>
  );
}
