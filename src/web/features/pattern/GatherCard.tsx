import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type Gather } from '../../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';

interface Props {
  /** Length of the edge on its seam line, mm. */
  length: number;
  units: LengthUnit;
  onGather: (g: Omit<Gather, 'edge'>) => void;
}

/** Gathers from mark to mark: which stretch of the edge, and how long it is once it is drawn up. */
export function GatherCard({ length, units, onGather }: Props) {
  const [from, setFrom] = useState(0);
  const [to, setTo] = useState(length);
  const [drawnUp, setDrawnUp] = useState(length / 1.5);
  const each = (set: (mm: number) => void) => ({
    units,
    least: 0,
    most: length,
    atMost: length,
    onPreview: set,
    onValue: set,
  });
  const ratio = (to - from) / (drawnUp || 1);
  return (
    <Box mb="4">
      <Say>
        Gathers go from <LengthBlank label="Gathers begin" value={from} {...each(setFrom)} /> to{' '}
        <LengthBlank label="Gathers end" value={to} {...each(setTo)} />, drawn up to{' '}
        <LengthBlank label="Gathered to" value={drawnUp} {...each(setDrawnUp)} />.
      </Say>
      <Flex gap="3" align="center" wrap="wrap">
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          disabled={!(ratio >= 1 && ratio <= 6 && to > from)}
          onClick={() => onGather({ from, to, ratio })}
        >
          Gather it so
        </Button>
        <Text color="quiet" fontSize="15px">
          {ratio >= 1
            ? `${formatLength(to - from, units)} of cloth, ${ratio.toFixed(2)} times as long; its ends and quarters are notched on both sides.`
            : 'It cannot get longer by being gathered.'}
        </Text>
      </Flex>
    </Box>
  );
}
