import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { type CalendarAnswer } from '../../../contract/index.ts';
import { type SewingDay, type Way, type Week } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { saveBench } from '../../data/benchlog.ts';
import { addressOf } from '../../data/client.ts';
import { setDecision } from '../../data/setDecision.ts';
import { useWeek } from '../../data/useStash.ts';
import { AllWell } from '../../ui/Notes.tsx';
import { Page } from '../../ui/Page.tsx';
import { Blank, Say } from '../../ui/Sentence.tsx';
import { TakeAway } from '../../ui/TakeAway.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import { dayWords, minutesWords, spanWords, wayWords } from '../../words/index.ts';
import { Sittings } from './Sittings.tsx';
import { type Sewing } from './sewing.ts';
import { useCalendar } from './useCalendar.ts';
import { WeekSentences } from './WeekSentences.tsx';

interface Props {
  p: Sewing;
  question: string;
  tabs: ReactNode;
}

/** Sittings from today on: how far each gets, whether the day that is wanted is met, and what would help where it is not. */
export function SewingCalendar({ p, question, tabs }: Props) {
  const { w } = p;
  const { week, put, trouble } = useWeek();
  const { data, error, here, query } = useCalendar(w, week);
  const said = trouble ?? error?.message;
  return (
    <Page
      question={question}
      lead={data ? leadOf(data) : 'Laying out the hours …'}
      side={
        <>
          {tabs}
          {said && (
            <Text role="alert" color="berry">
              {said}
            </Text>
          )}
          <Wanted p={p} today={here.today} />
          {data && <Verdict p={p} c={data} week={week} put={put} />}
          {week && <WeekSentences week={week} put={put} today={here.today} />}
          {data && data.sittings.length > 0 && (
            <TakeAway
              file={`${addressOf('GET /api/projects/{id}/export/calendar.ics', { id: w.id })}${query}`}
              words="Into my calendar (.ics)"
            />
          )}
        </>
      }
    >
      {data && <Sittings p={p} c={data} />}
    </Page>
  );
}

const leadOf = (c: CalendarAnswer): string =>
  c.left.minutes === 0
    ? 'Every step is done.'
    : `What is left takes ${spanWords(c.left)}.${c.done ? ` Sewn as laid out here it is done on ${dayWords(c.done, 'long')}.` : ''}`;

/** The day it is wanted for. */
function Wanted({ p, today }: { p: Sewing; today: string }) {
  const { w } = p;
  const { bench } = w.doc.decisions;
  const set = (by: string | null): void =>
    saveBench(w, by ? `Wanted for ${dayWords(by)}` : 'Wanted for no day', { ...bench, by });
  const [past, setPast] = useState<string | null>(null);
  const take = (day: string): void => {
    // While it is typed a year has fewer digits, or begins with noughts.
    if (!/^[12]\d{3}-\d\d-\d\d$/.test(day)) return;
    setPast(day < today ? day : null);
    if (day >= today) set(day);
  };
  return (
    <Say>
      It is wanted{' '}
      <Blank
        label="The day it is wanted for"
        said={bench.by ? `for ${dayWords(bench.by, 'long')}` : 'for no certain day'}
      >
        <Text fontWeight="600" mb="2">
          The day it is wanted for
        </Text>
        <Input
          type="date"
          aria-label="The day it is wanted for"
          min={today}
          h="48px"
          bg="sheet"
          borderColor="rule"
          value={bench.by ?? ''}
          onChange={(e) => take(e.target.value)}
        />
        {past && (
          <Text role="alert" color="berry" mt="2">
            {dayWords(past)} is past.
          </Text>
        )}
        {bench.by && (
          <WordButton mt="3" minH="44px" textDecoration="underline" onClick={() => set(null)}>
            No certain day
          </WordButton>
        )}
      </Blank>
      .{bench.by && bench.by < today ? ' That day is past.' : ''}
    </Say>
  );
}

interface VerdictProps {
  p: Sewing;
  c: CalendarAnswer;
  week: Week | null;
  put: ReturnType<typeof useWeek>['put'];
}

/** Whether it is done in time, said plainly; and what would help, as buttons. */
function Verdict({ p, c, week, put }: VerdictProps) {
  const take = (x: Way): void => takeWay(p, put, x);
  if (!c.left.minutes) return null;
  const hours = week?.days.some((d) => d.minutes > 0) || (week?.except.length ?? 0) > 0;
  return (
    <Box mb="4">
      {!hours && <Text color="honey">No hours for sewing are said: say below when there are some.</Text>}
      {c.behind > 0 && c.by && (
        <Text role="status" fontSize="19px" fontWeight="600" color="honey">
          {c.by === c.today ? 'For today' : `For ${dayWords(c.by)}`} you are {minutesWords(c.behind)} short.
        </Text>
      )}
      {c.behind === 0 && c.by && (
        <AllWell
          words={`In time${c.spare >= 5 ? `, with ${minutesWords(c.spare)} to spare` : ''}.${c.latest[0] && c.latest[0].day > c.today ? ` It can wait until ${dayWords(c.latest[0].day)}, not longer.` : ''}`}
        />
      )}
      {c.noDaylight && <Text color="quiet">The try-on is best by daylight: none of your hours are.</Text>}
      {c.ways.length > 0 && (
        <Flex direction="column" gap="2" mt="2" align="flex-start">
          {c.behind > 0 && <Text color="quiet">What would help:</Text>}
          {c.ways.map((x) => (
            <Button
              key={x.how}
              variant="outline"
              borderColor={c.behind > 0 ? 'honey' : 'rule'}
              minH="44px"
              h="auto"
              py="2"
              whiteSpace="normal"
              textAlign="left"
              onClick={() => take(x)}
            >
              {wayWords(x)}
              {c.behind > 0 && !x.enough ? ', not enough by itself' : ''}
            </Button>
          ))}
        </Flex>
      )}
    </Box>
  );
}

/** Takes what would help: in the plan, in the hours, or in the day it is wanted for. */
function takeWay({ w, plan }: Sewing, put: VerdictProps['put'], x: Way): void {
  const { making, bench } = w.doc.decisions;
  const words = wayWords(x);
  const told = { words, told: true };
  if (x.how === 'leave') setDecision(w, 'making', { left: [...new Set([...making.left, ...x.steps])] }, told);
  else if (x.how === 'order') setDecision(w, 'making', { order: orderWith(plan.steps, x.steps) }, told);
  else if (x.how === 'later') saveBench(w, words, { ...bench, by: x.day });
  else if (x.how === 'day') {
    const day = { id: x.day, minutes: x.minutes };
    void put(words, (v) => ({ ...v, except: [...v.except.filter((e) => e.id !== x.day), day] }));
  } else {
    const longer = (d: SewingDay): SewingDay =>
      d.minutes ? { ...d, minutes: Math.min(1440 - d.from, d.minutes + x.minutes) } : d;
    void put(words, (v) => ({ ...v, days: v.days.map(longer) }));
  }
}

/** The order of all steps, those that are done where they are, the others in the order found. */
function orderWith(steps: readonly PlanStep[], found: readonly string[]): string[] {
  const there = new Set(found);
  const rest = [...found];
  return steps.map((s) => (there.has(s.id) ? (rest.shift() as string) : s.id));
}
