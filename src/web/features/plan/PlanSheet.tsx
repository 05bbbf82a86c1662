import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { marksToTransfer, type Plan } from '../../../core/plan/index.ts';
import { usePlan } from '../../data/usePlan.ts';
import { type Workbook } from '../../data/useProject.ts';
import { StepPictures } from '../../drawing/StepPictures.tsx';
import { Tick } from '../../ui/Ask.tsx';
import { PaperBox, PrintSheet } from '../../ui/PrintSheet.tsx';
import {
  cautionsOf,
  factsOf,
  minutesWords,
  partNames,
  SECTION_WORDS,
  STATION_WORDS,
  stepWords,
  transferWords,
} from '../../words/index.ts';

/** The plan as a sheet to print: large type, a box to tick before each step. */
export function PlanSheet({ w }: { w: Workbook }) {
  const { plan } = usePlan(w);
  const { name, units } = w.doc;
  const [drawn, setDrawn] = useState(true);
  useEffect(() => {
    document.title = `${name}, the steps · Woodbine`;
  }, [name]);
  if (!plan?.ok)
    return <Text color="quiet">{plan ? 'There is no plan to print yet.' : 'Working out the order …'}</Text>;
  const { steps, making, minutes } = plan.value;
  const names = partNames(making, w.computed.pieces);
  const cautions = cautionsOf(steps);
  return (
    <PrintSheet back="Back to the plan" to=".." title={`${name}: in what order`}>
      <Text color="quiet" mb="3">
        {steps.length} steps, about {minutesWords(minutes)}
      </Text>
      <Box mb="3" _print={{ display: 'none' }}>
        <Tick label="With the drawings: more paper" checked={drawn} onTick={setDrawn} />
      </Box>
      <Marks plan={plan.value} w={w} />
      <Box as="ol" listStyleType="none" m="0" p="0">
        {steps.map((s, i) => {
          const { title, how, check } = stepWords(s, units, names);
          return (
            // The last step never stands alone on a sheet.
            <li key={s.id} style={{ breakInside: 'avoid', ...(i === steps.length - 2 && { breakAfter: 'avoid' }) }}>
              {steps[i - 1]?.section !== s.section && (
                <Heading as="h2" fontSize="24px" fontWeight="600" mt="5" mb="2" color="leaf.fg">
                  {SECTION_WORDS[s.section]}
                </Heading>
              )}
              <Flex gap="4" py="2" borderTopWidth="1px" borderColor="rule">
                <PaperBox />
                <Box>
                  <Text fontSize="21px" fontWeight="650" lineHeight="1.3">
                    {s.number}. {title}
                  </Text>
                  <Text fontSize="16px" color="quiet">
                    {[STATION_WORDS[s.station], ...factsOf(s, units)].join(' · ')}
                  </Text>
                  <Text fontSize="19px">{how}</Text>
                  {check && <Text fontSize="19px">Check: {check}.</Text>}
                  {drawn && s.stack.length > 0 && (
                    <StepPictures step={s} plan={plan.value} pieces={w.computed.pieces} names={names} units={units} />
                  )}
                  {cautions.get(s.id)?.length ? <Text fontSize="16px">{cautions.get(s.id)?.join(' ')}</Text> : null}
                </Box>
              </Flex>
            </li>
          );
        })}
      </Box>
    </PrintSheet>
  );
}

/** What is marked before anything is sewn, to tick off with the rest. */
function Marks({ plan, w }: { plan: Plan; w: Workbook }) {
  const marks = marksToTransfer(plan.steps, plan.making, w.computed.pieces).filter((t) => t.steps.length);
  if (!marks.length) return null;
  return (
    <Box mb="4">
      <Heading as="h2" fontSize="24px" fontWeight="600" mt="5" mb="2" color="leaf.fg">
        Marks to carry over
      </Heading>
      {marks.map((t) => {
        const { what, how, steps } = transferWords(t);
        return (
          <Text key={`${t.piece}${t.what}`} fontSize="17px" style={{ breakInside: 'avoid' }}>
            <b>{w.computed.pieces.find((q) => q.id === t.piece)?.name}</b>, {what}: {how} ({steps})
          </Text>
        );
      })}
    </Box>
  );
}
