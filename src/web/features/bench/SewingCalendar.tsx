import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { type CalendarAnswer } from '../../../contract/index.ts';
import { type Sitting, type Way, type Week, WITH_HELP } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { saveBench } from '../../data/benchlog.ts';
import { addressOf, useAsked } from '../../data/client.ts';
import { setDecision } from '../../data/setDecision.ts';
import { useAgain } from '../../data/useAgain.ts';
import { useWeek } from '../../data/useStash.ts';
import { AllWell } from '../../ui/Notes.tsx';
import { Empty, Page } from '../../ui/Page.tsx';
import { Blank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';
import {
  clockWords,
  dayWords,
  minutesWords,
  STATION_WORDS,
  spanWords,
  WAIT_WORDS,
  wayWords,
  workTitle,
} from '../../words/index.ts';
import { type Sewing } from './sewing.ts';
import { WeekSentences } from './WeekSentences.tsx';

interface Props {
  p: Sewing;
  question: string;
  tabs: ReactNode;
}

/** The day and the time it is here, anew whenever the page is looked at again. */
function useHere(): { today: string; clock: number } {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const look = (): void => setNow(new Date());
    document.addEventListener('visibilitychange', look);
    const every = setInterval(look, 10 * 60_000);
    return () => {
      document.removeEventListener('visibilitychange', look);
      clearInterval(every);
    };
  }, []);
  const two = (n: number): string => String(n).padStart(2, '0');
  return {
    today: `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`,
    clock: now.getHours() * 60 + now.getMinutes(),
  };
}

/** Sittings from today on: how far each gets, whether the day that is wanted is met, and what would help where it is not. */
export function SewingCalendar({ p, question, tabs }: Props) {
  const { w } = p;
  const here = useHere();
  const { week, put, trouble } = useWeek();
  const query = `?today=${here.today}&clock=${here.clock}`;
  const { data, error, mutate } = useAsked(
    'GET /api/projects/{id}/calendar',
    { id: w.id },
    { keepPreviousData: true },
    query,
  );
  useAgain(w.revision, () => void mutate());
  useAgain(week, () => void mutate());
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
            <Flex gap="3" wrap="wrap" mt="3" css={{ '@media print': { display: 'none' } }}>
              <Button asChild variant="outline" borderColor="rule" minH="44px">
                <a href={`${addressOf('GET /api/projects/{id}/export/calendar.ics', { id: w.id })}${query}`} download>
                  Into my calendar (.ics)
                </a>
              </Button>
              <Button variant="outline" borderColor="rule" minH="44px" onClick={() => window.print()}>
                Print
              </Button>
            </Flex>
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
          onChange={(e) => /^\d{4}-/.test(e.target.value) && e.target.value >= today && set(e.target.value)}
        />
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
  const { w } = p;
  const take = (x: Way): void => {
    const { making, bench } = w.doc.decisions;
    const words = wayWords(x);
    if (x.how === 'leave')
      setDecision(w, 'making', { left: [...new Set([...making.left, ...x.steps])] }, { words, told: true });
    else if (x.how === 'order')
      setDecision(w, 'making', { order: orderWith(p.plan.steps, x.steps) }, { words, told: true });
    else if (x.how === 'later') saveBench(w, words, { ...bench, by: x.day });
    else if (x.how === 'day')
      void put(words, (v) => ({
        ...v,
        except: [...v.except.filter((e) => e.id !== x.day), { id: x.day, minutes: x.minutes }],
      }));
    else
      void put(words, (v) => ({
        ...v,
        days: v.days.map((d) => (d.minutes ? { ...d, minutes: Math.min(1440 - d.from, d.minutes + x.minutes) } : d)),
      }));
  };
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

/** The order of all steps, those that are done where they are, the others in the order found. */
function orderWith(steps: readonly PlanStep[], found: readonly string[]): string[] {
  const there = new Set(found);
  const rest = [...found];
  return steps.map((s) => (there.has(s.id) ? (rest.shift() as string) : s.id));
}

function Sittings({ p, c }: { p: Sewing; c: CalendarAnswer }) {
  const steps = useMemo(() => new Map(p.plan.steps.map((s) => [s.id, s])), [p.plan.steps]);
  if (!c.sittings.length)
    return (
      <Empty title={c.left.minutes ? 'No hours are laid out' : 'Nothing is left to sew'}>
        {c.left.minutes
          ? 'Say when in the week there is time for sewing, and what is done when is laid out here.'
          : 'Every step is done.'}
      </Empty>
    );
  return (
    <Box as="ol" listStyleType="none" m="0" p="0" aria-label="Sittings">
      {c.sittings.map((s) => (
        <OneSitting key={s.day} p={p} c={c} s={s} steps={steps} />
      ))}
    </Box>
  );
}

interface SittingProps {
  p: Sewing;
  c: CalendarAnswer;
  s: Sitting;
  steps: ReadonlyMap<string, PlanStep>;
}

/** One sitting: when, how full it is, and its steps by where they are done, so that one walks little. */
function OneSitting({ p, c, s, steps }: SittingProps) {
  const runs: { station: string; ids: Sitting['done'] }[] = [];
  for (const d of s.done) {
    const at = steps.get(d.id);
    const station = at ? STATION_WORDS[at.station] : 'Wash tub';
    const last = runs.at(-1);
    if (last?.station === station) last.ids.push(d);
    else runs.push({ station, ids: [d] });
  }
  const others = c.others.filter((o) => o.day === s.day);
  const late = c.by !== null && s.day > c.by;
  return (
    <Box
      as="li"
      mb="4"
      style={{ breakInside: 'avoid' }}
      borderLeftWidth="4px"
      borderColor={late ? 'honey' : 'leaf.border'}
      pl="4"
    >
      <Flex align="baseline" gap="3" wrap="wrap">
        <Heading as="h2" fontSize="20px" fontWeight="600">
          {s.day === c.today ? 'Today' : dayWords(s.day, 'long')}
        </Heading>
        <Text color="quiet">
          {clockWords(s.from)} to {clockWords(s.from + s.used)}, of {minutesWords(s.minutes)}
          {late ? ' · after the day it is wanted' : ''}
        </Text>
      </Flex>
      <Box h="6px" maxW="420px" borderRadius="3px" bg="leaf.muted" mb="2" aria-hidden>
        <Box
          h="100%"
          borderRadius="3px"
          bg={late ? 'honey' : 'leaf.solid'}
          w={`${Math.min(100, (100 * s.used) / s.minutes)}%`}
        />
      </Box>
      {others.map((o) => (
        <Text key={o.project} fontSize="15px" color="quiet">
          Before it {minutesWords(o.minutes)} for {o.name}.
        </Text>
      ))}
      {runs.map((r) => (
        <Flex key={r.ids[0]?.id} gap="3">
          <Text color="quiet" minW="92px" flexShrink={0} fontSize="15px" pt="1px">
            {r.station}
          </Text>
          <Box>
            {r.ids.map((d) => (
              <Text key={d.id} fontSize="16px" lineHeight="1.45">
                {workTitle(d.id, steps, p.w.doc.units, p.names)}
                {c.waits[d.id] ? <Quiet>, {WAIT_WORDS[c.waits[d.id] as keyof typeof WAIT_WORDS]}</Quiet> : null}
                {WITH_HELP.has(steps.get(d.id)?.code ?? '') ? <Quiet>, better with a helper to mark it</Quiet> : null}
                {d.goesOn ? <Quiet> (goes on next time)</Quiet> : null}
              </Text>
            ))}
          </Box>
        </Flex>
      ))}
    </Box>
  );
}

const Quiet = ({ children }: { children: ReactNode }) => (
  <Text as="span" color="quiet">
    {children}
  </Text>
);
