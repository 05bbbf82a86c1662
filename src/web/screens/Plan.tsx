import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type Plan, type Topic } from '../../core/plan/index.ts';
import { type Result } from '../../core/result.ts';
import { usePlan } from '../api/usePlan.ts';
import { type Workbook } from '../api/useProject.ts';
import { AllWell, Findings } from '../parts/Notes.tsx';
import { Empty, Page, SheetBox } from '../parts/Page.tsx';
import { minutesWords, partNames, planJson, planMarkdown, toldOf } from '../words/index.ts';
import { LastChances } from './LastChances.tsx';
import { MarksToTransfer } from './MarksToTransfer.tsx';
import { OwnOrder } from './OwnOrder.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { PlanSteps } from './PlanSteps.tsx';
import { type Planning, setMaking } from './planning.ts';
import { SheetCompare } from './SheetCompare.tsx';
import { SmallSums } from './SmallSums.tsx';

const QUESTION = 'In what order, and which side up?';

/** In what order, and which side up? */
export function PlanPage({ w }: { w: Workbook }) {
  const { plan, behind } = usePlan(w);
  const names = useNames(plan, w);
  if (!w.computed.shell.length)
    return (
      <Page question={QUESTION}>
        <Empty title="Nothing to sew yet">
          The plan follows from the pieces and their seams. Put the pattern in first.
        </Empty>
      </Page>
    );
  if (!plan)
    return (
      <Page question={QUESTION}>
        <Text color="quiet" role="status">
          Working out the order …
        </Text>
      </Page>
    );
  if (!plan.ok)
    return (
      <Page question={QUESTION}>
        <SheetBox>
          <Findings findings={plan.findings.map((f) => toldOf(f, null, w.doc.units, names))} w={w} />
        </SheetBox>
      </Page>
    );
  return <Planned p={{ w, plan: plan.value, names, set: setMaking(w) }} behind={behind} />;
}

/** What the pieces are called: the same object as long as they are called the same. */
function useNames(plan: Result<Plan> | null, w: Workbook): Planning['names'] {
  const pieces = w.computed.pieces;
  const said = useMemo(() => JSON.stringify(plan?.ok ? partNames(plan.value.making, pieces) : {}), [plan, pieces]);
  return useMemo(() => JSON.parse(said), [said]);
}

/** Faults of the order itself, which a move can mend, are told with their cure; the others as they are. */
function Planned({ p, behind }: { p: Planning; behind: boolean }) {
  const { w, plan, names } = p;
  const [topic, setTopic] = useState<Topic | null>(null);
  const own = w.doc.decisions.making.order !== null || w.doc.decisions.making.left.length > 0;
  const told = plan.findings.map((f) => toldOf(f, plan, w.doc.units, names));
  return (
    <Page
      question={QUESTION}
      lead={`${plan.steps.length} steps, about ${minutesWords(plan.minutes)}, of them ${minutesWords(plan.handMinutes)} by hand; ${plan.stationChanges} walks between table, iron and machines.${behind ? ' Working it out …' : ''}`}
    >
      <SheetBox py="2">
        {own ? (
          <OwnOrder p={p} />
        ) : told.some((f) => f.severity !== 'note') ? (
          <Findings findings={told} w={w} />
        ) : (
          <>
            <AllWell words="Proved: every stretch of every seam is sewn as often as it should be, no raw edge is left, every layer faces the right way, nothing is needed before it is made, and all that is turned has a way out." />
            <Findings findings={told} w={w} />
          </>
        )}
      </SheetBox>
      <PlanChoices p={p} topic={topic} onCompare={setTopic} />
      <LastChances p={p} />
      <MarksToTransfer p={p} />
      <Out p={p} />
      <PlanSteps p={p} />
      <SheetCompare p={p} />
      <SmallSums p={p} />
    </Page>
  );
}

/** On paper and as files. */
function Out({ p: { w, plan, names } }: { p: Planning }) {
  const said = { name: w.doc.name, plan, units: w.doc.units, names, pieces: w.computed.pieces };
  const save = (text: string, type: string, ending: string): void => {
    const url = URL.createObjectURL(new Blob([text], { type }));
    const a = document.createElement('a');
    a.href = url;
    a.download = `${w.doc.name.replace(/[^\w-]+/g, '-').toLowerCase()}-plan.${ending}`;
    a.click();
    URL.revokeObjectURL(url);
  };
  return (
    <Flex gap="3" align="center" wrap="wrap" mb="4">
      <Heading as="h2" fontSize="21px" fontWeight="600" mr="auto">
        The steps
      </Heading>
      <Box asChild>
        <Link to="sheet" style={{ textDecoration: 'underline', fontWeight: 600 }}>
          Sheet to print, with boxes to tick
        </Link>
      </Box>
      <Button size="sm" variant="outline" onClick={() => save(planMarkdown(said), 'text/markdown', 'md')}>
        Markdown
      </Button>
      <Button size="sm" variant="outline" onClick={() => save(planJson(said), 'application/json', 'json')}>
        JSON
      </Button>
    </Flex>
  );
}
