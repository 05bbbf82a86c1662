import { Box, Flex, Slider, Text } from '@chakra-ui/react';
import { inUnit, type LengthUnit } from '../../core/units.ts';
import { LengthField } from './LengthField.tsx';

interface Props {
  label: string;
  value: number;
  least: number;
  most: number;
  step?: number;
  units: LengthUnit;
  help?: string;
  onPreview: (mm: number) => void;
  onValue: (mm: number) => void;
}

/** One length asked for in words: a slider for trying, a field for the exact figure. The slider saves when let go. */
export function Measure({ label, value, least, most, step = 1, units, help, onPreview, onValue }: Props) {
  const shown = Math.min(most, Math.max(least, value));
  return (
    <Box mb="4">
      <Flex justify="space-between" align="center" gap="3">
        <Text fontWeight="550">{label}</Text>
        <LengthField
          label={`${label}, exact`}
          value={value}
          units={units}
          least={0}
          most={Math.max(most * 2, value)}
          onValue={onValue}
        />
      </Flex>
      <Slider.Root
        size="md"
        colorPalette="leaf"
        min={least}
        max={most}
        step={step}
        value={[shown]}
        aria-label={[label]}
        onValueChange={(d) => onPreview(d.value[0] ?? value)}
        onValueChangeEnd={(d) => onValue(d.value[0] ?? value)}
      >
        <Slider.Control>
          <Slider.Track bg="rule">
            <Slider.Range />
          </Slider.Track>
          <Slider.Thumbs />
        </Slider.Control>
      </Slider.Root>
      {help && (
        <Text fontSize="sm" color="quiet">
          {inUnit(help, units)}
        </Text>
      )}
    </Box>
  );
}
