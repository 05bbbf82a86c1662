import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import { type PlanStep } from '../../../core/plan/index.ts';
import { StepScene } from '../../drawing/StepScene.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { FigureRow } from '../../ui/FigureRow.tsx';
import { Worded } from '../../ui/Worded.tsx';
import { cautionsOf, factsOf, figuresOf, minutesWords, NEEDLE, STATION_WORDS, stepWords } from '../../words/index.ts';
import { Complaint } from './OwnOrder.tsx';
import { type Planning } from './planning.ts';
import { type Doing } from './StepList.tsx';

interface Props {
  p: Planning;
  s: PlanStep;
  doing: Doing;
}

/** One step: what is done, its figures, where on the garment, how the layers lie, and what may go wrong. */
export function StepPage({ p, s, doing }: Props) {
  const { w, plan, names } = p;
  const { units } = w.doc;
  const { title, how } = stepWords(s, units, names);
  const facts = factsOf(s, units, true);
  const cautions = useMemo(() => cautionsOf(plan.steps), [plan.steps]).get(s.id) ?? [];
  const amiss = plan.findings.filter((f) => f.severity !== 'note' && f.data?.step === s.id);
  return (
    <Box as="article" aria-label={title}>
      <Text color="quiet" fontSize="15px">
        Step {s.number} of {plan.steps.length} · {STATION_WORDS[s.station]} · {minutesWords(s.minutes)}
        {s.after.length > 0 && ` · after ${s.after.join(', ')}`}
      </Text>
      <Heading as="h2" fontSize="28px" fontWeight="600" lineHeight="1.2" mb="1">
        {title}
      </Heading>
      {how && (
        <Text fontSize="19px" maxW="68ch" mb="2">
          <Worded text={how} />
        </Text>
      )}
      <FigureRow figures={figuresOf(s, units)} size="page" />
      {facts.length > 0 && <Text mb="1">{facts.join(' · ')}</Text>}
      {cautions.length > 0 && (
        <Text fontSize="15px" color="honey" maxW="75ch">
          {cautions.join(' ')}
        </Text>
      )}
      {amiss.length > 0 && (
        <Box as="ul" listStyleType="none" m="0" p="0">
          {amiss.map((f, i) => (
            <Complaint key={`${f.code}${i}`} f={f} p={p} />
          ))}
        </Box>
      )}
      <Drawings s={s} p={p} />
      <More s={s} p={p} />
      <Moves s={s} p={p} doing={doing} title={title} />
    </Box>
  );
}

/** Where on the garment it is with all that comes before it sewn, and the layers as they lie and turn. */
function Drawings({ s, p }: Omit<Props, 'doing'>) {
  const { w, plan, names } = p;
  const sewn = useMemo(() => new Set(plan.steps.slice(0, s.number - 1).map((x) => x.id)), [plan.steps, s.number]);
  const tall = useTall(420, 300);
  return <StepScene step={s} {...{ plan, names, sewn }} computed={w.computed} units={w.doc.units} height={tall} />;
}

/** Pieces, needle and thread, what to check, and the common slip with its mend. */
function More({ s, p }: Omit<Props, 'doing'>) {
  const { w, plan, names } = p;
  const { check, slip } = stepWords(s, w.doc.units, names);
  const sews = s.station === 'machine' && s.sews.length > 0;
  const facts: [string, string | null][] = [
    ['Pieces', s.pieces.length > 9 ? 'all of it' : s.pieces.map((x) => names[x] ?? x).join(', ') || null],
    ['Needle', s.station === 'machine' ? NEEDLE[plan.making.bulk] : null],
    ['Thread', sews ? `to match the ${s.thread === 'lining' ? 'lining' : 'outside'}` : null],
    ['Check', check],
    ['Common slip', slip],
  ];
  return (
    <Box as="dl" m="0" mb="3">
      {facts
        .filter(([, words]) => words)
        .map(([term, words]) => (
          <Flex key={term} gap="2">
            <Text as="dt" color="quiet" minW="110px" flexShrink={0}>
              {term}
            </Text>
            <Text as="dd" m="0" maxW="70ch">
              {words}
            </Text>
          </Flex>
        ))}
    </Box>
  );
}

/** To the steps beside it, and this one elsewhere or out. */
function Moves({ s, p, doing, title }: Props & { title: string }) {
  const { plan, set, w } = p;
  const [before, next] = [plan.steps[s.number - 2], plan.steps[s.number]];
  const out = (): void => set(`Step left out: ${title}`, { left: [...w.doc.decisions.making.left, s.id] });
  return (
    <Flex gap="2" wrap="wrap" align="center" borderTopWidth="1px" borderColor="rule" pt="3">
      <Button variant="outline" disabled={!before} onClick={() => before && doing.open(before.id)}>
        <ChevronLeft size={18} aria-hidden /> Step before
      </Button>
      <Button colorPalette="leaf" disabled={!next} onClick={() => next && doing.open(next.id)}>
        Next step <ChevronRight size={18} aria-hidden />
      </Button>
      <Flex gap="2" ml="auto" wrap="wrap">
        <Button variant="ghost" aria-label={`Earlier: ${title}`} onClick={() => doing.move(s.id, -1)}>
          Do it earlier
        </Button>
        <Button variant="ghost" aria-label={`Later: ${title}`} onClick={() => doing.move(s.id, 1)}>
          Do it later
        </Button>
        <Button variant="ghost" aria-label={`Leave out: ${title}`} onClick={out}>
          Leave it out
        </Button>
      </Flex>
    </Flex>
  );
}
