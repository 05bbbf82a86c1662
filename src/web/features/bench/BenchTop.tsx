import { Box, Button, Flex, Input, Popover, Portal, Text } from '@chakra-ui/react';
import { Pause, Play, Settings2, Volume2, VolumeX, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { stateOf } from '../../../core/bench/index.ts';
import { type PlanStep } from '../../../core/plan/index.ts';
import { stepWords } from '../../words/index.ts';
import { mark, type Sewing } from './sewing.ts';
import { useAwake } from './useAwake.ts';
import { keepPedal, pedalKey } from './useHands.ts';
import { type useTimer } from './useTimer.ts';
import { useVoice } from './useVoice.ts';

interface Props {
  p: Sewing;
  step: PlanStep;
  timer: ReturnType<typeof useTimer>;
}

const Tool = ({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) => (
  <Button
    variant="ghost"
    h="52px"
    px="3"
    fontSize="18px"
    aria-label={label}
    title={label}
    onClick={(e) => {
      // The space bar goes on with the work, not with the last thing that was touched.
      e.currentTarget.blur();
      onClick();
    }}
  >
    {children}
  </Button>
);

/** Seconds as they are read off a clock. */
const ran = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** The way out, the timer, the voice, and what the screen and a pedal do. */
export function BenchTop({ p, step, timer }: Props) {
  const voice = useVoice();
  const awake = useAwake();
  const turn = (): void => {
    // Whoever starts the clock has begun.
    if (!timer.running && stateOf(p.w.doc.decisions.bench, step.id) === 'todo') mark(p, step, 'doing');
    timer.turn();
  };
  const { title, how, check } = stepWords(step, p.w.doc.units, p.names);
  const words = [title, how, check ? `Check: ${check}` : ''].filter(Boolean).join('. ');
  return (
    <Flex
      as="header"
      align="center"
      gap="1"
      px={{ base: 2, lg: 6 }}
      pt="2"
      css={{ '@media print': { display: 'none' } }}
    >
      <Button asChild variant="ghost" h="52px" px="3" fontSize="18px">
        <Link to={`/project/${p.w.id}/sewing`} aria-label="Leave the bench">
          <X size={24} aria-hidden /> Leave
        </Link>
      </Button>
      <Text fontSize="18px" color="quiet" truncate minW="0" flex="1">
        {p.w.doc.name}
        {p.w.again ? ' · not saved yet' : ''}
      </Text>
      <Tool label={timer.running ? 'Stop the clock' : 'Start the clock'} onClick={turn}>
        {timer.running ? <Pause size={22} aria-hidden /> : <Play size={22} aria-hidden />}
        <Box as="span" minW="3.2em" fontWeight="600">
          {ran(timer.seconds)}
        </Box>
      </Tool>
      <Minutes timer={timer} />
      {voice && (
        <Tool
          label={voice.speaks ? 'Stop reading' : 'Read it aloud'}
          onClick={() => (voice.speaks ? voice.hush() : voice.say(words))}
        >
          {voice.speaks ? <VolumeX size={24} aria-hidden /> : <Volume2 size={24} aria-hidden />}
        </Tool>
      )}
      <Hands awake={awake} />
    </Flex>
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

const AWAKE = {
  held: 'The screen stays on as long as the bench is open.',
  none: 'This browser cannot keep the screen on: set the tablet to stay on by itself.',
  refused: 'The screen may go dark: the tablet does not allow it to be kept on, perhaps to save its battery.',
} as const;

/** What the keys do, which key a pedal types, and whether the screen stays on. */
function Hands({ awake }: { awake: keyof typeof AWAKE }) {
  const [open, setOpen] = useState(false);
  const [pedal, setPedal] = useState(pedalKey);
  return (
    <Opened label="Keys, pedal and screen" words={<Settings2 size={24} aria-hidden />} open={open} onOpen={setOpen}>
      <Text fontSize="18px" mb="3">
        Space or → is Done, ← is Back. {AWAKE[awake]}
      </Text>
      <Text fontWeight="600" mb="1">
        A foot pedal that types a key
      </Text>
      <Input
        aria-label="Press the pedal here"
        placeholder="Press it here"
        h="52px"
        fontSize="18px"
        readOnly
        value={pedal === ' ' ? 'Space' : pedal}
        onKeyDown={(e) => {
          if (e.key === 'Tab' || e.key === 'Escape') return;
          e.preventDefault();
          keepPedal(e.key);
          setPedal(e.key);
        }}
      />
    </Opened>
  );
}

interface OpenedProps {
  label: string;
  words: ReactNode;
  open: boolean;
  onOpen: (open: boolean) => void;
  children: ReactNode;
}

const Opened = ({ label, words, open, onOpen, children }: OpenedProps) => (
  <Popover.Root open={open} onOpenChange={(e) => onOpen(e.open)} positioning={{ placement: 'bottom-end' }}>
    <Popover.Trigger asChild>
      <Button variant="ghost" h="52px" px="3" fontSize="18px" aria-label={label} title={label}>
        {words}
      </Button>
    </Popover.Trigger>
    <Portal>
      <Popover.Positioner>
        <Popover.Content
          bg="sheet"
          p="4"
          w="360px"
          maxW="94vw"
          borderWidth="1px"
          borderColor="leaf.border"
          fontSize="18px"
          aria-label={label}
        >
          {open && children}
        </Popover.Content>
      </Popover.Positioner>
    </Portal>
  </Popover.Root>
);
