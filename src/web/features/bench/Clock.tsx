import { Box, Input, Text } from '@chakra-ui/react';
import { Pause, Play } from 'lucide-react';
import { useState } from 'react';
import { stateOf } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { Opened, Tool } from '../../ui/BenchFrame.tsx';
import { mark, type Sewing } from './sewing.ts';
import { type useTimer } from './useTimer.ts';

interface Props {
  p: Sewing;
  step: PlanStep;
  timer: ReturnType<typeof useTimer>;
}

/** Seconds as they are read off a clock. */
const ran = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** The clock of a step: it runs while one sews, and is corrected by hand. */
export function Clock({ p, step, timer }: Props) {
  const turn = (): void => {
    // Whoever starts the clock has begun.
    if (!timer.running && stateOf(p.w.doc.decisions.bench, step.id) === 'todo') mark(p, step, 'doing');
    timer.turn();
  };
  return (
    <>
      <Tool label={timer.running ? 'Stop the clock' : 'Start the clock'} onClick={turn}>
        {timer.running ? <Pause size={22} aria-hidden /> : <Play size={22} aria-hidden />}
        <Box as="span" minW="3.2em" fontWeight="600">
          {ran(timer.seconds)}
        </Box>
      </Tool>
      <Minutes timer={timer} />
    </>
  );
}

/** The minutes corrected by hand: the telephone rang, or the clock was forgotten. */
function Minutes({ timer }: { timer: Props['timer'] }) {
  const [open, setOpen] = useState(false);
  return (
    <Opened label="Correct the minutes" words="…" open={open} onOpen={setOpen}>
      <Text fontWeight="600" mb="2">
        Minutes at this step
      </Text>
      <Input
        aria-label="Minutes at this step"
        type="number"
        min={0}
        max={1440}
        h="52px"
        fontSize="22px"
        defaultValue={Math.round(timer.seconds / 60)}
        onChange={(e) => {
          const m = e.target.valueAsNumber;
          if (m >= 0 && m <= 1440) timer.set(m * 60);
        }}
      />
      <Text fontSize="16px" color="quiet" mt="2">
        The clock runs only while it is started and this page is seen. Your pace is learnt from it.
      </Text>
    </Opened>
  );
}
