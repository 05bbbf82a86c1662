import { Box, Button, Heading, Text } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { doneIn, mendsBefore, nextStep, stateOf, stepsLeft } from '../../../core/bench/index.ts';
import { type MendingStep } from '../../../core/bench/log.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { BenchFrame, HowFar } from '../../ui/BenchFrame.tsx';
import { MEND_WORDS, minutesWords, SECTION_WORDS, stepWords } from '../../words/index.ts';
import { BenchStep } from './BenchStep.tsx';
import { Clock } from './Clock.tsx';
import { keep, mark, type Sewing, titleOf } from './sewing.ts';
import { useTimer } from './useTimer.ts';

/** The plan a step at a time, on the whole screen: what do I do now? */
export function Bench({ w }: { w: Workbook }) {
  const { plan } = usePlan(w);
  const names = usePartNames(plan, w);
  useEffect(() => {
    document.title = `${w.doc.name} · Woodbine`;
  }, [w.doc.name]);
  if (!w.computed.shell.length) return <Nothing w={w} words="There is nothing to sew yet: put the pattern in first." />;
  if (!plan) return <Nothing w={w} words="Working out the order …" waits />;
  if (!plan.ok) return <Nothing w={w} words="There is no order of making yet: the plan says what is in its way." />;
  return <AtBench p={{ w, plan: plan.value, names }} />;
}

const Nothing = ({ w, words, waits = false }: { w: Workbook; words: string; waits?: boolean }) => (
  <Box p="8" fontSize="28px">
    <Text role="status" mb="4">
      {words}
    </Text>
    {!waits && (
      <Button asChild size="lg">
        <Link to={`/project/${w.id}/plan`}>To the plan</Link>
      </Button>
    )}
  </Box>
);

/** The step that is shown, and how the hand goes on from it and back. */
function useSteps(p: Sewing) {
  const { plan, w } = p;
  const { bench } = w.doc.decisions;
  const [asked, setAsked] = useSearchParams();
  const step = plan.steps.find((s) => s.id === asked.get('step')) ?? nextStep(plan.steps, bench) ?? plan.steps.at(-1);
  const [over, setOver] = useState(false);
  const go = (s: PlanStep | undefined): void => {
    setOver(false);
    if (s) setAsked({ step: s.id }, { replace: true });
  };
  const at = plan.steps.findIndex((s) => s.id === step?.id);
  const onward = (): void => {
    const left = stepsLeft(plan.steps.slice(at + 1), bench);
    const ahead = left.find((s) => stateOf(bench, s.id) !== 'skipped') ?? left[0];
    const then = ahead ?? plan.steps.find((s) => s.id !== step?.id && stateOf(bench, s.id) !== 'done');
    if (then) go(then);
    else setOver(true);
  };
  return { step, at, over, go, onward, back: () => (over ? setOver(false) : go(plan.steps[at - 1])) };
}

/** Shorter than this nobody sewed: the clock was started and stopped by mistake. Seconds. */
const LEAST = 20;

function AtBench({ p }: { p: Sewing }) {
  const { w, plan } = p;
  const { bench } = w.doc.decisions;
  const { step, at, over, go, onward, back } = useSteps(p);
  const timer = useTimer(w.id, step?.id ?? '');
  const state = step ? stateOf(bench, step.id) : 'todo';
  const mend = step && mendsBefore(bench, step.id).find((m) => !m.done);
  const done = (): void => {
    if (!step || over) return;
    if (mend) mended(p, mend);
    else if (state === 'done') go(plan.steps[at + 1]);
    else {
      mark(p, step, 'done', timer.seconds >= LEAST ? Math.round(timer.seconds / 6) / 10 : null);
      onward();
    }
  };
  if (!step) return <Nothing w={w} words="The plan has no steps." />;
  const { title, how, check } = stepWords(step, w.doc.units, p.names);
  return (
    <BenchFrame
      leave={{ to: `/project/${w.id}/sewing`, words: 'Leave the bench' }}
      title={`${w.doc.name}${w.again ? ' · not saved yet' : ''}`}
      spoken={[title, how, check ? `Check: ${check}` : ''].filter(Boolean).join('. ')}
      tools={<Clock p={p} step={step} timer={timer} />}
      go={over ? null : mend ? 'Mended' : state === 'done' ? 'Next' : 'Done'}
      onDone={done}
      onBack={back}
      first={at === 0 && !over}
      far={<Far p={p} step={step} />}
    >
      {over ? (
        <AllDone p={p} />
      ) : mend ? (
        <MendFirst m={mend} then={titleOf(p, step)} />
      ) : (
        <BenchStep p={p} step={step} onGo={go} />
      )}
    </BenchFrame>
  );
}

/** A mending step that is done. */
const mended = (p: Sewing, mend: MendingStep): void =>
  keep(p, `Mended: ${mend.words}`, (log) => ({
    ...log,
    mends: log.mends.map((m) => (m.id === mend.id ? { ...m, done: true } : m)),
  }));

/** What has to be mended before the step goes on. */
const MendFirst = ({ m, then }: { m: MendingStep; then: string }) => (
  <Box as="article" aria-label={m.words} maxW="34ch">
    <Text fontSize="22px" color="honey" fontWeight="600">
      {MEND_WORDS[m.kind]}, before it goes on
    </Text>
    <Heading as="h1" fontSize={{ base: '36px', lg: '46px' }} fontWeight="600" lineHeight="1.15" my="3">
      {m.words}
    </Heading>
    <Text fontSize="24px" color="quiet">
      Then: {then}
    </Text>
  </Box>
);

function AllDone({ p }: { p: Sewing }) {
  const { bench } = p.w.doc.decisions;
  const minutes = bench.steps.reduce((t, l) => t + (l.minutes ?? 0), 0);
  return (
    <Box as="article" aria-label="All done" maxW="40ch">
      <Heading as="h1" fontSize="46px" fontWeight="600" lineHeight="1.15" my="3">
        Every step is done
      </Heading>
      <Text fontSize="26px" mb="6">
        {minutes > 0 ? `${minutesWords(minutes)} of sewing were timed.` : 'Nothing of it was timed.'}
      </Text>
      <Button asChild size="xl" minH="64px" fontSize="22px" colorPalette="leaf">
        <Link to={`/project/${p.w.id}/sewing`}>What is next</Link>
      </Button>
    </Box>
  );
}

/** How far it is: in its part of the work, and in all of it. */
function Far({ p, step }: { p: Sewing; step: PlanStep }) {
  const { steps } = p.plan;
  const { bench } = p.w.doc.decisions;
  const done = useMemo(() => doneIn(bench), [bench]);
  const all = steps.reduce((t, s) => t + s.minutes, 0);
  const did = steps.reduce((t, s) => t + (done.has(s.id) ? s.minutes : 0), 0);
  const share = all ? Math.round((100 * did) / all) : 0;
  const part = steps.filter((s) => s.section === step.section);
  const of = (list: readonly PlanStep[]): string => `${list.filter((s) => done.has(s.id)).length} of ${list.length}`;
  return <HowFar words={`${SECTION_WORDS[step.section]}: ${of(part)} · all: ${of(steps)}`} share={share} />;
}
