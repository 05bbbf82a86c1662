import { Box, Button, Heading, Text } from '@chakra-ui/react';
import { type ReactNode, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { here } from '../../../contract/here.ts';
import { doneIn, estimateOf, nextStep, stepsLeft, stretchFor, tickAll } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { instantNow, saveBench } from '../../data/benchlog.ts';
import { usePace } from '../../data/usePace.ts';
import { StepPlace } from '../../drawing/StepScene.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Lessons } from '../../ui/Lessons.tsx';
import { Page } from '../../ui/Page.tsx';
import { CountBlank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { minutesWords, spanWords } from '../../words/index.ts';
import { MeasuredList } from './MeasuredList.tsx';
import { SewnOtherwise } from './SewnOtherwise.tsx';
import { benchOf, type Sewing, titleOf } from './sewing.ts';
import { Tablet } from './Tablet.tsx';

interface Props {
  p: Sewing;
  question: string;
  tabs: ReactNode;
}

/** Where she stopped, what is next, and what can be done in the time there is. */
export function Now({ p, question, tabs }: Props) {
  const { w, plan } = p;
  const { bench } = w.doc.decisions;
  const pace = usePace(w);
  const sewn = useMemo(() => doneIn(bench), [bench]);
  const left = stepsLeft(plan.steps, bench);
  const next = nextStep(plan.steps, bench);
  const tall = useTall(190, 300);
  const done = plan.steps.filter((s) => sewn.has(s.id));
  return (
    <Page
      question={question}
      lead={
        left.length
          ? `${done.length} of ${plan.steps.length} steps are done. What is left takes ${spanWords(estimateOf(pace, left))}${pace.count ? ' for you' : ''}.`
          : 'Every step is done.'
      }
      side={
        <>
          {tabs}
          {next && (
            <Box mb="5">
              <Text color="quiet">{done.length ? 'You stopped before' : 'It begins with'}</Text>
              <Heading as="h2" fontSize="24px" fontWeight="600" lineHeight="1.2" mb="3">
                {next.number}. {titleOf(p, next)}
              </Heading>
              <Button asChild colorPalette="leaf" size="lg" minH="52px" fontSize="19px">
                <Link to={`/project/${w.id}/bench`}>To the machine</Link>
              </Button>
            </Box>
          )}
          <Lessons w={w} step="" size="17px" />
          <SewnOtherwise p={p} />
          {next && <InTheTime p={p} />}
          <OnPaper p={p} />
          <MeasuredList p={p} />
          <Tablet project={w.id} />
          {!left.length && <Finished p={p} />}
          <Text fontSize="15px" color="quiet">
            {pace.count
              ? `Your pace is learnt from ${pace.count} timed ${pace.count === 1 ? 'step' : 'steps'}: ${paceSaid(pace.all)}.`
              : 'The minutes are those of an unhurried home sewist. Start the clock at the bench, and they become yours.'}
          </Text>
        </>
      }
    >
      {next ? (
        <StepPlace step={next} plan={plan} computed={w.computed} sewn={sewn} units={w.doc.units} height={tall} />
      ) : (
        plan.steps[0] && (
          <StepPlace
            step={plan.steps.at(-1) as PlanStep}
            plan={plan}
            computed={w.computed}
            sewn={sewn}
            units={w.doc.units}
            height={tall}
          />
        )
      )}
    </Page>
  );
}

const paceSaid = (all: number): string => {
  const share = Math.round(Math.abs(all - 1) * 100);
  return share < 5
    ? 'much as the handbook says'
    : `${share} % ${all > 1 ? 'more' : 'less'} time than the handbook says`;
};

/** "I have 40 minutes": what can be done, to a place where it can be left. */
function InTheTime({ p }: { p: Sewing }) {
  const { w, plan } = p;
  const [minutes, setMinutes] = useState(40);
  const pace = usePace(w);
  const { steps, minutes: takes, fits } = stretchFor(plan.steps, w.doc.decisions.bench, pace, minutes);
  const last = steps.at(-1);
  if (!last) return null;
  return (
    <Box mb="4">
      <Say>
        I have{' '}
        <CountBlank
          label="Minutes I have"
          value={minutes}
          least={5}
          most={600}
          said={(n) => `${n} minutes`}
          onPreview={setMinutes}
          onValue={setMinutes}
        />
        .{' '}
        {fits
          ? `That is enough for ${steps.length === 1 ? 'one step' : `${steps.length} steps`}, about ${minutesWords(takes)}, to a place that is safe to leave:`
          : `There is no place to stop so soon: the next is after ${minutesWords(takes)}.`}
      </Say>
      <Box as="ol" listStyleType="none" m="0" p="0" mb="2">
        {shown(steps).map((s) =>
          typeof s === 'string' ? (
            <Text as="li" key={s} color="quiet">
              {s}
            </Text>
          ) : (
            <Text as="li" key={s.id}>
              <Text as="span" color="quiet">
                {s.number}
              </Text>{' '}
              {titleOf(p, s)}
            </Text>
          ),
        )}
      </Box>
    </Box>
  );
}

/** The first of them and the last, where they are many. */
function shown(steps: PlanStep[]): (PlanStep | string)[] {
  if (steps.length <= 6) return steps;
  return [...steps.slice(0, 4), `… ${steps.length - 5} more`, ...steps.slice(-1)];
}

/** What was ticked on paper, or sewn without the program, told at once. */
function OnPaper({ p }: { p: Sewing }) {
  const { w, plan } = p;
  const left = stepsLeft(plan.steps, w.doc.decisions.bench);
  const [upTo, setUpTo] = useState<number | null>(null);
  const first = left[0];
  if (!first || left.length < 2) return null;
  const to = upTo ?? first.number;
  const ids = left.filter((s) => s.number <= to).map((s) => s.id);
  return (
    <Say>
      Sewn without the program, or ticked on paper: all to step{' '}
      <CountBlank
        label="Sewn up to step"
        value={to}
        least={first.number}
        most={plan.steps.length}
        onPreview={setUpTo}
        onValue={setUpTo}
      />
      .{' '}
      <WordButton
        color="leaf.fg"
        textDecoration="underline"
        onClick={() => {
          saveBench(
            w,
            `Done: ${ids.length} ${ids.length === 1 ? 'step' : 'steps'}, to step ${to}`,
            tickAll(benchOf(p), ids, instantNow()),
          );
          setUpTo(null);
        }}
      >
        Tick {ids.length === 1 ? 'it' : `these ${ids.length}`}
      </WordButton>
    </Say>
  );
}

/** The day it was finished. */
function Finished({ p }: { p: Sewing }) {
  const { w } = p;
  const { bench } = w.doc.decisions;
  const put = (finished: string | null): void =>
    saveBench(w, finished ? 'Finished' : 'Not finished after all', { ...bench, finished });
  return bench.finished ? (
    <Say>
      It was finished on {bench.finished}.{' '}
      <WordButton textDecoration="underline" onClick={() => put(null)}>
        Not after all
      </WordButton>
    </Say>
  ) : (
    <Button colorPalette="leaf" minH="48px" mb="4" onClick={() => put(here(new Date()).today)}>
      It is finished
    </Button>
  );
}
