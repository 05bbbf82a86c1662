import { Box, Button, Flex, Grid, Input, Popover, Portal, Text } from '@chakra-ui/react';
import { Settings2, Volume2, VolumeX, X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { useAwake } from './useAwake.ts';
import { keepPedal, pedalKey, useHands } from './useHands.ts';
import { useVoice } from './useVoice.ts';

/** A tool at the top, for a hand with pins in it. */
export const Tool = ({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) => (
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

interface Props {
  /** Where one gets when it is left, and what that is called. */
  leave: { to: string; words: string };
  title: string;
  /** What is read aloud. */
  spoken: string;
  /** What else stands at the top. */
  tools?: ReactNode;
  /** On the button that goes on; none where there is nothing more. */
  go: string | null;
  onDone: () => void;
  onBack: () => void;
  first: boolean;
  /** Between the two buttons: how far it is. */
  far: ReactNode;
  children: ReactNode;
}

/**
 * The whole screen for one step, legible at arm's length: the way out, voice and pedal above; Back and Done below, large enough for a hand
 * that holds pins. Space, arrows and a pedal do as the buttons do.
 */
export function BenchFrame({ leave, title, spoken, tools, go, onDone, onBack, first, far, children }: Props) {
  useHands(onDone, onBack);
  return (
    <Flex direction="column" minH="100dvh" h={{ lg: '100dvh' }} bg="sheet" color="ink">
      <Flex
        as="header"
        align="center"
        gap="1"
        px={{ base: 2, lg: 6 }}
        pt="2"
        css={{ '@media print': { display: 'none' } }}
      >
        <Button asChild variant="ghost" h="52px" px="3" fontSize="18px">
          <Link to={leave.to} aria-label={leave.words}>
            <X size={24} aria-hidden /> Leave
          </Link>
        </Button>
        <Text fontSize="18px" color="quiet" truncate minW="0" flex="1">
          {title}
        </Text>
        {tools}
        <Voice words={spoken} />
        <Hands />
      </Flex>
      <Box as="main" flex="1" minH="0" overflow="auto" px={{ base: 5, lg: 10 }} pt="2" pb="4">
        {children}
      </Box>
      <Foot {...{ go, onDone, onBack, first, far }} />
    </Flex>
  );
}

/** What is done at the left, what is seen of it at the right; below it where there is no room beside. */
export const BenchSides = ({ label, seen, children }: { label: string; seen: ReactNode; children: ReactNode }) => (
  <Box
    as="article"
    aria-label={label}
    display={{ base: 'block', lg: 'grid' }}
    gridTemplateColumns="minmax(0, 1fr) minmax(0, 500px)"
    gap="9"
  >
    <Box>{children}</Box>
    <Box>{seen}</Box>
  </Box>
);

/** How far it is: in words and as a bar. */
export const HowFar = ({ words, share }: { words: string; share: number }) => (
  <>
    <Text fontSize="18px" color="quiet" textAlign="center" mb="1">
      {words}
    </Text>
    <Box
      h="12px"
      borderRadius="6px"
      bg="leaf.muted"
      role="progressbar"
      aria-label="How far it is"
      aria-valuenow={share}
      aria-valuemin={0}
      aria-valuemax={100}
    >
      <Box h="100%" w={`${share}%`} borderRadius="6px" bg="leaf.solid" />
    </Box>
  </>
);

/** Back, how far it is, and Done. On a telephone how far it is stands above them. */
function Foot({ go, onDone, onBack, first, far }: Pick<Props, 'go' | 'onDone' | 'onBack' | 'first' | 'far'>) {
  const big = { h: { base: '72px', md: '84px' }, borderRadius: '16px', fontSize: '28px', fontWeight: 650 } as const;
  return (
    <Grid
      as="footer"
      templateColumns={{ base: '120px 1fr', md: '120px 1fr 180px', lg: '220px 1fr 300px' }}
      templateAreas={{ base: '"far far" "back done"', md: '"back far done"' }}
      alignItems="center"
      gap={{ base: 3, lg: 6 }}
      px={{ base: 4, lg: 10 }}
      py={{ base: 3, md: 5 }}
      borderTopWidth="1px"
      borderColor="rule"
      position="sticky"
      bottom="0"
      bg="sheet"
      flexShrink={0}
    >
      <Button
        {...big}
        gridArea="back"
        variant="outline"
        borderWidth="2px"
        borderColor="leaf.solid"
        color="leaf.fg"
        disabled={first}
        onClick={onBack}
      >
        Back
      </Button>
      <Box gridArea="far" minW="0">
        {far}
      </Box>
      {go && (
        <Button {...big} gridArea="done" colorPalette="leaf" onClick={onDone}>
          {go}
        </Button>
      )}
    </Grid>
  );
}

/** The step read aloud; nothing where the browser has no voice. */
function Voice({ words }: { words: string }) {
  const voice = useVoice();
  if (!voice) return null;
  return (
    <Tool
      label={voice.speaks ? 'Stop reading' : 'Read it aloud'}
      onClick={() => (voice.speaks ? voice.hush() : voice.say(words))}
    >
      {voice.speaks ? <VolumeX size={24} aria-hidden /> : <Volume2 size={24} aria-hidden />}
    </Tool>
  );
}

const AWAKE = {
  held: 'The screen stays on as long as the bench is open.',
  none: 'This browser cannot keep the screen on: set the tablet to stay on by itself.',
  refused: 'The screen may go dark: the tablet does not allow it to be kept on, perhaps to save its battery.',
} as const;

/** What the keys do, which key a pedal types, and whether the screen stays on. */
function Hands() {
  const awake = useAwake();
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

/** Something that opens from a tool at the top. */
export const Opened = ({ label, words, open, onOpen, children }: OpenedProps) => (
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
