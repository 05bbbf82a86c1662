import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { type ReactNode, useMemo } from 'react';
import { type CalendarAnswer } from '../../../contract/index.ts';
import { type Sitting, WITH_HELP } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { Empty } from '../../ui/Page.tsx';
import { clockWords, dayWords, minutesWords, STATION_WORDS, WAIT_WORDS, workTitle } from '../../words/index.ts';
import { type Sewing } from './sewing.ts';

/** The sittings one after another, each with its steps by where they are done. */
export function Sittings({ p, c }: { p: Sewing; c: CalendarAnswer }) {
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
