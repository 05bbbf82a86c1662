import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { Link, useSearchParams } from 'react-router';
import { estimateOf, nextStep } from '../../../core/bench/index.ts';
import { openTopics, TOPICS, type Topic } from '../../../core/plan/index.ts';
import { addressOf } from '../../data/client.ts';
import { usePace } from '../../data/usePace.ts';
import { usePartNames } from '../../data/usePartNames.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { AllWell, Findings } from '../../ui/Notes.tsx';
import { Empty, Page, SheetBox } from '../../ui/Page.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { minutesWords, planJson, planMarkdown, spanWords, toldOf } from '../../words/index.ts';
import { CompareMethods } from './CompareMethods.tsx';
import { LastChances } from './LastChances.tsx';
import { MarksToTransfer } from './MarksToTransfer.tsx';
import { OwnOrder } from './OwnOrder.tsx';
import { PlanChoices } from './PlanChoices.tsx';
import { type Planning, setMaking } from './planning.ts';
import { SheetCompare } from './SheetCompare.tsx';
import { SmallSums } from './SmallSums.tsx';
import { StepList, useDoing } from './StepList.tsx';
import { StepPage } from './StepPage.tsx';

const QUESTION = 'In what order, and which side up?';

/** In what order, and which side up? */
export function PlanPage({ w }: { w: Workbook }) {
  const { plan, behind } = usePlan(w);
  const names = usePartNames(plan, w);
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

type Tab = 'steps' | 'ways' | 'notes';
const TABS: [Tab, string][] = [
  ['steps', 'Steps'],
  ['ways', 'How it is made'],
  ['notes', 'Besides'],
];

/** What there is besides the steps, each with an address of its own. */
const NOTES = [
  ['chances', 'The last chance to change it'],
  ['marks', 'Marks to carry over'],
  ['sheet', 'Compare with your own instructions'],
  ['sums', 'Small sums'],
  ['out', 'On paper and as files'],
] as const;
type Note = (typeof NOTES)[number][0];

/** The list at the left, and what is opened of it beside: a step, the ways of making a part, or a note. All have an address. */
function Planned({ p, behind }: { p: Planning; behind: boolean }) {
  const { plan } = p;
  const pace = usePace(p.w);
  const [asked, setAsked] = useSearchParams();
  const see = TABS.find(([t]) => t === asked.get('see'))?.[0] ?? 'steps';
  const first = nextStep(plan.steps, p.w.doc.decisions.bench) ?? plan.steps[0];
  const step = plan.steps.find((s) => s.id === asked.get('step')) ?? first;
  const open = openTopics(plan.methods);
  const topic = open.find((t) => t === asked.get('topic')) ?? open.find((t) => TOPICS.includes(t)) ?? null;
  const note = NOTES.find(([n]) => n === asked.get('note'))?.[0] ?? 'chances';
  const doing = useDoing(p, (id) => setAsked({ step: id }, { replace: true }));
  return (
    <Page
      question={QUESTION}
      lead={`${plan.steps.length} steps, ${spanWords(estimateOf(pace, plan.steps))}${pace.count ? ' for you' : ''}, of them ${minutesWords(plan.handMinutes)} by hand; ${plan.stationChanges} walks between table, iron and machines.${behind ? ' Working it out …' : ''}`}
      side={
        <>
          <Told p={p} />
          <Tabs
            words="What of the plan"
            tabs={TABS}
            at={see}
            onTab={(t) => setAsked(t === 'steps' ? {} : { see: t }, { replace: true })}
          />
          {see === 'steps' && <StepList p={p} at={step?.id ?? ''} doing={doing} />}
          {see === 'ways' && (
            <PlanChoices
              p={p}
              topic={topic}
              onCompare={(t: Topic) => setAsked({ see: 'ways', topic: t }, { replace: true })}
            />
          )}
          {see === 'notes' && (
            <Notes at={note} onNote={(n) => setAsked({ see: 'notes', note: n }, { replace: true })} />
          )}
        </>
      }
    >
      {see === 'steps' && step && <StepPage p={p} s={step} doing={doing} />}
      {see === 'ways' && topic && <CompareMethods p={p} topic={topic} />}
      {see === 'notes' && <NotePage p={p} note={note} />}
    </Page>
  );
}

/** Faults of the order itself, which a move can mend, are told with their cure; the others as they are. */
function Told({ p }: { p: Planning }) {
  const { w, plan, names } = p;
  const own = w.doc.decisions.making.order !== null || w.doc.decisions.making.left.length > 0;
  if (own) return <OwnOrder p={p} />;
  const told = plan.findings.map((f) => toldOf(f, plan, w.doc.units, names));
  const proved = !told.some((f) => f.severity !== 'note');
  return (
    <>
      {proved && (
        <Box as="details">
          <Box
            as="summary"
            listStyleType="none"
            cursor="pointer"
            css={{ '&::-webkit-details-marker': { display: 'none' } }}
          >
            <AllWell words="Proved: it can be sewn in this order. What was looked at?" />
          </Box>
          <Text fontSize="15px" color="quiet" mb="2">
            Every stretch of every seam is sewn as often as it should be, no raw edge is left, every layer faces the
            right way, nothing is needed before it is made, and all that is turned has a way out.
          </Text>
        </Box>
      )}
      <Findings findings={told} w={w} />
    </>
  );
}

/** The list of what there is besides the steps. */
const Notes = ({ at, onNote }: { at: Note; onNote: (n: Note) => void }) => (
  <Box as="ul" listStyleType="none" m="0" p="0">
    {NOTES.map(([n, words]) => (
      <Box as="li" key={n}>
        <Button
          variant="plain"
          px="3"
          minH="48px"
          w="100%"
          justifyContent="flex-start"
          aria-current={n === at ? 'true' : undefined}
          bg={n === at ? 'sheet' : undefined}
          borderLeftWidth="4px"
          borderRadius="0"
          borderColor={n === at ? 'leaf.solid' : 'transparent'}
          fontWeight={n === at ? 650 : 450}
          onClick={() => onNote(n)}
        >
          {words}
        </Button>
      </Box>
    ))}
  </Box>
);

const NotePage = ({ p, note }: { p: Planning; note: Note }) => (
  <Box as="article" aria-label={NOTES.find(([n]) => n === note)?.[1]}>
    <Heading as="h2" fontSize="26px" fontWeight="600" mb="3">
      {NOTES.find(([n]) => n === note)?.[1]}
    </Heading>
    {note === 'chances' && <LastChances p={p} />}
    {note === 'marks' && <MarksToTransfer p={p} />}
    {note === 'sheet' && <SheetCompare p={p} />}
    {note === 'sums' && <SmallSums p={p} />}
    {note === 'out' && <Out p={p} />}
  </Box>
);

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
      <Button asChild variant="outline">
        <Link to="sheet">Sheet to print, with boxes to tick</Link>
      </Button>
      <Button asChild variant="outline">
        <a href={addressOf('GET /api/projects/{id}/export/plan.html', { id: w.id })} download>
          One page with everything in it, for a tablet
        </a>
      </Button>
      <Button variant="outline" onClick={() => save(planMarkdown(said), 'text/markdown', 'md')}>
        Markdown
      </Button>
      <Button variant="outline" onClick={() => save(planJson(said), 'application/json', 'json')}>
        JSON
      </Button>
    </Flex>
  );
}
