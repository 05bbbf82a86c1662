import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  doneIn,
  minutesFor,
  PRACTICE,
  PRACTICES,
  safeToLeave,
  stateOf,
  stepsLeft,
  touchedSteps,
} from '../../../core/bench/index.ts';
import { type EntryKind } from '../../../core/bench/notebook.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { inSentence } from '../../../core/text.ts';
import { formatLength } from '../../../core/units.ts';
import { pieceName } from '../../data/pieceName.ts';
import { usePace } from '../../data/usePace.ts';
import { StepLayers, StepPlace } from '../../drawing/StepScene.tsx';
import { BenchSides } from '../../ui/BenchFrame.tsx';
import { FigureRow } from '../../ui/FigureRow.tsx';
import { Lessons } from '../../ui/Lessons.tsx';
import { Worded } from '../../ui/Worded.tsx';
import {
  cautionsOf,
  factsOf,
  figuresOf,
  minutesWords,
  PRACTICE_WORDS,
  SECTION_WORDS,
  STATION_WORDS,
  STEP_STATE_WORDS,
  stepWords,
  touchedWords,
} from '../../words/index.ts';
import { Measuring } from './Measuring.tsx';
import { mark, type Sewing, titleOf } from './sewing.ts';
import { Wrong } from './Wrong.tsx';

interface Props {
  p: Sewing;
  step: PlanStep;
  onGo: (s: PlanStep | undefined) => void;
}

/** One step, legible at arm's length: what is done, three figures, where on the garment, how the layers turn, what comes next. */
export function BenchStep({ p, step: s, onGo }: Props) {
  const { w, plan, names } = p;
  const { units } = w.doc;
  const { bench } = w.doc.decisions;
  const { title, how } = stepWords(s, units, names);
  const sewn = useMemo(() => doneIn(bench), [bench]);
  const [open, setOpen] = useState<'measure' | 'wrong' | null>(null);
  const state = stateOf(bench, s.id);
  return (
    <BenchSides
      key={s.id}
      label={title}
      seen={
        <>
          <StepPlace step={s} plan={plan} computed={w.computed} sewn={sewn} units={units} height={360} />
          <Box my="2">
            <StepLayers step={s} plan={plan} names={names} units={units} />
          </Box>
          <After p={p} s={s} />
        </>
      }
    >
      <Text fontSize="22px" color="quiet">
        {SECTION_WORDS[s.section]} · {s.number} of {plan.steps.length} · {STATION_WORDS[s.station]}
        {state !== 'todo' && ` · ${STEP_STATE_WORDS[state]}`}
      </Text>
      <Heading as="h1" fontSize={{ base: '36px', lg: '44px' }} fontWeight="600" lineHeight="1.14" mt="1">
        {title}
      </Heading>
      {how && (
        <Text fontSize={{ base: '26px', lg: '28px' }} lineHeight="1.4" my="3">
          <Worded text={how} />
        </Text>
      )}
      <FigureRow figures={figuresOf(s, units).slice(0, 3)} size="bench" />
      <Taken p={p} s={s} />
      <Facts p={p} s={s} />
      <Otherwise p={p} s={s} />
      <Lessons w={w} step={s.id} seams={s.sews.map((x) => x.joint)} size="22px" />
      <Flex gap="4" wrap="wrap" my="4">
        <Big onClick={() => setOpen(open === 'measure' ? null : 'measure')} on={open === 'measure'}>
          I measured …
        </Big>
        <Big onClick={() => setOpen(open === 'wrong' ? null : 'wrong')} on={open === 'wrong'} odd>
          Something is wrong
        </Big>
        {state === 'done' ? (
          <Big onClick={() => mark(p, s, 'again')}>Not done after all</Big>
        ) : (
          <Big
            onClick={() => {
              mark(p, s, 'skipped');
              onGo(plan.steps[s.number]);
            }}
          >
            Not now
          </Big>
        )}
      </Flex>
      {open === 'measure' && <Measuring p={p} step={s} />}
      {open === 'wrong' && <Wrong p={p} step={s} onGo={onGo} onClose={() => setOpen(null)} />}
      <Sample p={p} s={s} />
      <Practise s={s} />
      <Cautions p={p} s={s} />
    </BenchSides>
  );
}

/** A button for a hand with pins in it. */
function Big({
  children,
  onClick,
  on = false,
  odd = false,
}: {
  children: string;
  onClick: () => void;
  on?: boolean;
  odd?: boolean;
}) {
  const colour = odd ? 'honey' : 'leaf.fg';
  return (
    <Button
      h="64px"
      px="6"
      fontSize="22px"
      fontWeight="650"
      variant="outline"
      borderWidth="2px"
      borderRadius="16px"
      borderColor={odd ? 'honey' : 'leaf.solid'}
      color={colour}
      bg={on ? 'leaf.subtle' : undefined}
      aria-expanded={on}
      onClick={(e) => {
        e.currentTarget.blur();
        onClick();
      }}
    >
      {children}
    </Button>
  );
}

interface Of {
  p: Sewing;
  s: PlanStep;
}

/** What was measured, beside the plan's figures. */
function Taken({ p, s }: Of) {
  const last = p.w.doc.decisions.bench.measured.findLast((m) => m.step === s.id);
  if (!last) return null;
  return <Text fontSize="22px">Measured {last.values.map((v) => formatLength(v, p.w.doc.units)).join(' and ')}.</Text>;
}

function Facts({ p, s }: Of) {
  const facts = factsOf(s, p.w.doc.units, true);
  const { check } = stepWords(s, p.w.doc.units, p.names);
  return (
    <>
      {facts.length > 0 && <Text fontSize="22px">{facts.join(' · ')}</Text>}
      {check && (
        <Text fontSize="22px" color="quiet">
          Look first: {check}.
        </Text>
      )}
    </>
  );
}

/** It was sewn otherwise than the plan has it now. */
function Otherwise({ p, s }: Of) {
  const { w, plan } = p;
  const touched = useMemo(
    () => touchedSteps([s], w.computed.cutLines, w.doc.decisions).find((t) => t.step.id === s.id),
    [s, w.computed.cutLines, w.doc.decisions],
  );
  if (!touched || !plan.steps.includes(s)) return null;
  const { why, figures } = touchedWords(touched, w.doc.units, pieceName(w));
  return (
    <Text fontSize="22px" color="honey">
      It was sewn otherwise than it is planned now: {why}
      {figures && ` (${figures})`}.
    </Text>
  );
}

/** Steps at which something is tried whose figures are wanted again: written down in the form for it. */
const SAMPLES: Readonly<Record<string, EntryKind>> = { 'test-fuse': 'fusing', 'practise-holes': 'buttonhole' };

function Sample({ p, s }: Of) {
  const kind = SAMPLES[s.code];
  if (!kind) return null;
  return (
    <Text fontSize="20px" mt="2">
      <Link
        to={`/project/${p.w.id}/sewing/notebook?kind=${kind}&about=step/${s.id}`}
        style={{ textDecoration: 'underline' }}
      >
        Write down what held
      </Link>
    </Text>
  );
}

/** What can be tried on scraps first. */
function Practise({ s }: { s: PlanStep }) {
  const card = PRACTICES.find(
    (id) =>
      PRACTICE[id].before.includes(s.code) && (id !== 'collar-points' || s.pieces.some((q) => q.startsWith('collar'))),
  );
  if (!card) return null;
  return (
    <Text fontSize="20px" mt="2">
      <Link to={`/practice?card=${card}`} style={{ textDecoration: 'underline' }}>
        Try it on scraps first: {inSentence(PRACTICE_WORDS[card].title)}
      </Link>
    </Text>
  );
}

/** Safety, once and short. */
function Cautions({ p, s }: Of) {
  const all = useMemo(() => cautionsOf(p.plan.steps), [p.plan.steps]).get(s.id) ?? [];
  if (!all.length) return null;
  return (
    <Text fontSize="22px" color="honey" mt="3">
      {all.join(' ')}
    </Text>
  );
}

/** What comes next, how long this takes, and whether one can stop after it. */
function After({ p, s }: Of) {
  const { plan, w } = p;
  const pace = usePace(w);
  const left = stepsLeft(plan.steps, w.doc.decisions.bench);
  const at = left.findIndex((x) => x.id === s.id);
  const next = at >= 0 ? left[at + 1] : left.find((x) => x.number > s.number);
  const safe = at < 0 || (safeToLeave(left)[at] ?? true);
  return (
    <Box fontSize="22px" color="quiet">
      {next && (
        <Text>
          Next: {titleOf(p, next)}, {STATION_WORDS[next.station].toLowerCase()}
        </Text>
      )}
      <Text>
        {minutesWords(minutesFor(pace, s))} for this step ·{' '}
        {safe ? 'safe to stop after it' : 'go on after it, do not leave it so'}
      </Text>
    </Box>
  );
}
