import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { inUnit, type LengthUnit, MM_PER_INCH } from '../../core/units.ts';
import { LengthField } from './LengthField.tsx';
import { Slider } from './Slider.tsx';

interface Props {
  label: string;
  value: number;
  least: number;
  most: number;
  /** From and to what is said to be usual, where that is not all the slider goes over. */
  usual?: readonly [number, number];
  /** Least that may be typed, where that is not 0. */
  atLeast?: number;
  /** Most that may be typed, where that is not twice what the slider goes to. */
  atMost?: number;
  units: LengthUnit;
  help?: string;
  onPreview: (mm: number) => void;
  onValue: (mm: number) => void;
}

/** So long after its last step a slider shows what stands again, ms: by then what it came to is known. */
const SETTLES = 150;

/** Where the hand has a slider: at once, since the sentence round it follows a moment after the drawing. */
function useHeld(stands: number): [number, (v: number) => void] {
  const [held, setHeld] = useState<number | null>(null);
  useEffect(() => {
    if (held === null) return;
    const timer = setTimeout(() => setHeld(null), SETTLES);
    return () => clearTimeout(timer);
  }, [held]);
  return [held ?? stands, setHeld];
}

/** One length asked for in words: a slider for trying, a field for the exact figure. The slider saves when let go. */
export function Measure({ label, value, least, most, usual, atLeast = 0, atMost, units, help, ...to }: Props) {
  const { onValue } = to;
  // The slider goes by whole millimetres, or by sixteenths of an inch that are true ones.
  const step = units === 'mm' ? 1 : MM_PER_INCH / 16;
  const low = Math.floor(least / step) * step;
  const shown = Math.min(most, Math.max(low, value));
  return (
    <Box mb="4">
      <Flex justify="space-between" align="center" gap="3">
        <Text fontWeight="550">{label}</Text>
        <LengthField
          label={`${label}, exact`}
          value={value}
          units={units}
          least={atLeast}
          most={atMost ?? Math.max(most * 2, value)}
          asks={[Math.min(least, value), Math.max(most, value)]}
          usual={usual ?? [least, most]}
          onValue={onValue}
        />
      </Flex>
      <Slide label={label} low={low} most={most} step={step} shown={shown} {...to} />
      {help && (
        <Text fontSize="sm" color="quiet">
          {inUnit(help, units)}
        </Text>
      )}
    </Box>
  );
}

interface SlideProps extends Pick<Props, 'label' | 'most' | 'onPreview' | 'onValue'> {
  low: number;
  step: number;
  shown: number;
}

/** The slider by itself: as it moves it alone is drawn anew, and what hangs on it. */
function Slide({ label, low, most, step, shown, onPreview, onValue }: SlideProps) {
  const [at, setHeld] = useHeld(shown);
  return (
    <Slider
      label={label}
      min={low}
      max={most}
      step={step}
      value={at}
      onMove={(v) => {
        setHeld(v);
        onPreview(v);
      }}
      onEnd={onValue}
    />
  );
}
