import { Box, Button, Text } from '@chakra-ui/react';
import { type KeyboardEvent, type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { formatLength, inUnit, isUnusual, type LengthUnit, MM_PER_INCH } from '../../core/units.ts';
import { type Stroke } from '../words/terms.ts';
import { Ask, Pick } from './Ask.tsx';
import { Count } from './Count.tsx';
import { Measure } from './Measure.tsx';
import { NameField } from './NameField.tsx';
import { Opens } from './Opens.tsx';
import { StrokeDrawing } from './Worded.tsx';

/** A sentence with blanks: what is decided, as it would be said. */
export const Say = ({ children }: { children: ReactNode }) => (
  <Text as="div" fontSize="19px" lineHeight="1.8" mb="3">
    {children}
  </Text>
);

interface BlankProps {
  /** What is asked. */
  label: string;
  /** What stands in the sentence. */
  said: string;
  /** Out of the usual, or a guess, in words: seen in the sentence itself. */
  odd?: string | undefined;
  /** One step up or down of what is asked, by the arrow keys. */
  onStep?: (by: 1 | -1) => void;
  /** Puts back what stood before it was opened. */
  onBack?: () => void;
  /** The hand leaves it, or gives up what its arrow keys did. */
  onLeave?: () => void;
  onGiveUp?: () => void;
  onOpen?: () => void;
  /** What closes it once it is clicked: picked by keyboard it stays, so that the arrows can go on. */
  closedBy?: string;
  children: ReactNode;
}

/** Within the answers, so that the drawing stays in sight. */
const ANSWERS = () => document.querySelector<HTMLElement>('[aria-label="Answers"]');

/** A blank in a sentence: it opens where it stands; the arrow keys change it, Escape puts it back. */
export function Blank({ label, said, odd, onStep, onBack, onOpen, closedBy, children, ...hand }: BlankProps) {
  const [open, setOpen] = useState(false);
  const turn = (to: boolean): void => {
    if (to && !open) onOpen?.();
    setOpen(to);
  };
  const keys = (e: KeyboardEvent): void => {
    const by =
      e.key === 'ArrowUp' || e.key === 'ArrowRight' ? 1 : e.key === 'ArrowDown' || e.key === 'ArrowLeft' ? -1 : 0;
    if (e.key === 'Escape' && !open) hand.onGiveUp?.();
    if (!by || !onStep || open) return;
    e.preventDefault();
    onStep(by);
  };
  return (
    <Opens
      className="blank"
      words={said}
      data-odd={odd ? true : undefined}
      aria-haspopup="dialog"
      aria-label={`${label}: ${said}${odd ? `, ${odd}` : ''}`}
      onKeyDown={keys}
      onBlur={hand.onLeave}
      open={open}
      onOpen={turn}
      onEscape={() => onBack?.()}
      placement="bottom"
      within={ANSWERS}
      takesKeys
      content={{
        width: '352px',
        maxW: '94vw',
        p: '4',
        fontSize: '17px',
        bg: 'sheet',
        borderWidth: '1px',
        borderColor: 'leaf.border',
        boxShadow: '0 10px 30px rgba(44, 39, 34, 0.16)',
        'aria-label': label,
        // A click on a label reaches its radio only after it: then both may go.
        onClick: (e) => {
          if (closedBy && e.detail > 0 && (e.target as Element).closest(closedBy)) setTimeout(() => setOpen(false));
        },
        // Chosen out of a list it is done.
        onChange: (e) => {
          if (e.target instanceof HTMLSelectElement) setOpen(false);
        },
        // Taken by Enter it closes, unless something is asked or wrong.
        onKeyDown: (e) => {
          const { currentTarget } = e;
          if (e.key === 'Enter' && e.target instanceof HTMLInputElement)
            setTimeout(() => currentTarget.querySelector('[role=alert]') ?? setOpen(false));
        },
      }}
    >
      {children}
    </Opens>
  );
}

/** One of a few ways, with a small drawing where that tells more than words. */
export interface Way<T extends string> {
  id: T;
  words: string;
  drawn?: readonly Stroke[];
}

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  ways: readonly Way<T>[];
  onPick: (v: T) => void;
  /** What stands in the sentence, where that is not the way's own words. */
  said?: string;
  odd?: string | undefined;
  help?: string;
}

/** More ways than these, as the edges of a pattern, are a list to choose from. */
const MANY = 9;

/** A blank of which a few ways are the answers. */
export function ChoiceBlank<T extends string>({ label, value, ways, onPick, said, odd, help }: ChoiceProps<T>) {
  const before = useRef(value);
  const at = ways.findIndex((x) => x.id === value);
  const step = (by: 1 | -1): void => {
    const next = ways[(at + by + ways.length) % ways.length];
    if (next) onPick(next.id);
  };
  return (
    <Blank
      label={label}
      closedBy="label"
      said={said ?? ways[at]?.words ?? '…'}
      odd={odd}
      onStep={step}
      onOpen={() => {
        before.current = value;
      }}
      onBack={() => before.current !== value && onPick(before.current)}
    >
      {ways.length > MANY ? (
        <Pick
          label={`${label}, of a list`}
          value={value}
          options={ways.map((x): [T, string] => [x.id, x.words])}
          onPick={onPick}
        />
      ) : (
        <Ask
          question={label}
          value={value}
          answers={ways.map((x): [T, ReactNode] => [
            x.id,
            <>
              {x.drawn && <StrokeDrawing drawn={x.drawn} width={64} />}
              {x.words}
            </>,
          ])}
          onAnswer={onPick}
        />
      )}
      {help && (
        <Text fontSize="15px" color="quiet">
          {help}
        </Text>
      )}
    </Blank>
  );
}

interface LengthProps {
  label: string;
  value: number;
  least: number;
  most: number;
  atLeast?: number;
  atMost?: number;
  /** From and to what is usual, mm: outside it the blank is amber. */
  usual?: readonly [number, number];
  units: LengthUnit;
  help?: string;
  onPreview: (mm: number) => void;
  onValue: (mm: number) => void;
  /** Another way to say it than by its length. */
  said?: string;
  /** What else can be done there: leaving it out. */
  children?: ReactNode;
}

/** So long after the last arrow key what it came to is kept, ms. */
const RESTS = 700;

/** Steps by the arrow keys are shown at once, and kept as one change when the hand rests or goes on. */
function useSteps({ value, onPreview, onValue }: Pick<LengthProps, 'value' | 'onPreview' | 'onValue'>) {
  const waits = useRef<{ v: number; timer: ReturnType<typeof setTimeout> } | null>(null);
  const kept = useRef(onValue);
  kept.current = onValue;
  const giveUp = useCallback((): number | null => {
    const w = waits.current;
    waits.current = null;
    if (w) clearTimeout(w.timer);
    return w?.v ?? null;
  }, []);
  const keep = useCallback((): void => {
    const v = giveUp();
    if (v !== null) kept.current(v);
  }, [giveUp]);
  useEffect(() => keep, [keep]);
  const step = (to: (from: number) => number): void => {
    const v = to(giveUp() ?? value);
    onPreview(v);
    waits.current = { v, timer: setTimeout(keep, RESTS) };
  };
  return { step, onLeave: keep, onGiveUp: giveUp };
}

/** A blank that is a length: slider and field, what is usual and why. */
export function LengthBlank({ usual, said, children, help, ...m }: LengthProps) {
  const before = useRef(m.value);
  const { step: go, ...hand } = useSteps(m);
  const range = usual && `${formatLength(usual[0], m.units)} to ${formatLength(usual[1], m.units)} is usual.`;
  const step = m.units === 'mm' ? 1 : MM_PER_INCH / 16;
  const within = (v: number): number => Math.min(m.atMost ?? m.most * 2, Math.max(m.atLeast ?? 0, v));
  return (
    <Blank
      closedBy="[data-done]"
      label={m.label}
      said={said ?? formatLength(m.value, m.units)}
      odd={usual !== undefined && isUnusual(m.value, usual) ? 'not usual' : undefined}
      onStep={(by) => go((from) => within(from + by * step))}
      {...hand}
      onOpen={() => {
        before.current = m.value;
      }}
      onBack={() => before.current !== m.value && m.onValue(before.current)}
    >
      <Measure {...m} {...(usual && { usual })} />
      {(range || help) && (
        <Text fontSize="15px" color="quiet">
          {[range, help && inUnit(help, m.units)].filter(Boolean).join(' ')}
        </Text>
      )}
      {children}
    </Blank>
  );
}

interface CountProps
  extends Pick<LengthProps, 'label' | 'value' | 'least' | 'most' | 'help' | 'onPreview' | 'onValue'> {
  said?: (n: number) => string;
}

/** A blank that is a whole number. */
export function CountBlank({ said, help, ...c }: CountProps) {
  const before = useRef(c.value);
  const { step, ...hand } = useSteps(c);
  return (
    <Blank
      label={c.label}
      said={said?.(c.value) ?? String(c.value)}
      onStep={(by) => step((from) => Math.min(c.most, Math.max(c.least, from + by)))}
      {...hand}
      onOpen={() => {
        before.current = c.value;
      }}
      onBack={() => before.current !== c.value && c.onValue(before.current)}
    >
      <Count {...c} label={`${c.label}, number`} />
      {help && (
        <Text fontSize="15px" color="quiet">
          {help}
        </Text>
      )}
    </Blank>
  );
}

interface NameProps {
  label: string;
  value: string;
  onName: (v: string) => void;
  /** How it is said when it is nothing, where it may be. */
  none?: string;
}

/** A blank that is a name. */
export const NameBlank = ({ label, value, onName, none }: NameProps) => (
  <Blank label={label} said={value || (none ?? '')}>
    <Text fontWeight="600" mb="2">
      {label}
    </Text>
    <NameField label={`${label}, in words`} value={value} onName={onName} empty={none !== undefined} mb="0" />
  </Blank>
);

/** Something that may be added to what is said: its name, and how it is said once it is there. */
export interface Extra {
  label: string;
  on: boolean;
  said: ReactNode;
  onAdd: () => void;
}

/** What is there besides, each in its sentence, and a blank that offers the rest. */
export function Besides({ label, offer, extras }: { label: string; offer: string; extras: Extra[] }) {
  const left = extras.filter((x) => !x.on);
  const there = extras.filter((x) => x.on);
  if (!extras.length) return null;
  return (
    <Say>
      {there.map((x) => (
        <Box as="span" key={x.label}>
          {x.said}{' '}
        </Box>
      ))}
      {left.length > 0 && (
        <Blank label={label} said={offer} closedBy="button">
          <Text fontWeight="600" mb="2">
            {label}
          </Text>
          {left.map((x) => (
            <Button
              key={x.label}
              variant="outline"
              borderColor="rule"
              w="100%"
              mb="2"
              minH="44px"
              whiteSpace="normal"
              justifyContent="flex-start"
              onClick={x.onAdd}
            >
              {x.label}
            </Button>
          ))}
        </Blank>
      )}
    </Say>
  );
}
