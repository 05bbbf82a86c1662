import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type Gather } from '../../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { LengthField } from '../../ui/LengthField.tsx';

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
  const ratio = (to - from) / (drawnUp || 1);
  return (
    <Box mb="3">
      <Text fontWeight="550" mb="1">
        Gathers, from mark to mark
      </Text>
      <Flex gap="2" align="center" wrap="wrap" mb="2">
        <Text>From</Text>
        <LengthField label="Gathers begin" value={from} units={units} most={length} onValue={setFrom} />
        <Text>to</Text>
        <LengthField label="Gathers end" value={to} units={units} most={length} onValue={setTo} />
        <Text>drawn up to</Text>
        <LengthField label="Gathered to" value={drawnUp} units={units} most={length} onValue={setDrawnUp} />
      </Flex>
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
