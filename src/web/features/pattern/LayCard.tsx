import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type ShellEdge } from '../../../core/document/project.ts';
import { pathLength } from '../../../core/geometry/index.ts';
import { type Laid } from '../../../core/pattern/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { LengthField } from '../../ui/LengthField.tsx';

interface Props {
  edge: ShellEdge;
  /** Where its middle shall lie along the drawn edge, mm. */
  at: number;
  units: LengthUnit;
  onLay: (laid: Laid) => void;
}

/** A dart or pleat by its figures, its middle at the marked place: what the pattern's own words say, without clicking. */
export function LayCard({ edge, at, units, onLay }: Props) {
  const [width, setWidth] = useState(30);
  const [length, setLength] = useState(100);
  const most = pathLength(edge.path);
  return (
    <Box mb="3">
      <Text fontWeight="550" mb="1">
        Dart or pleat, its middle here
      </Text>
      <Flex gap="3" align="center" wrap="wrap" mb="2">
        <Text>Takes out</Text>
        <LengthField label="Taken out of the edge" value={width} units={units} most={most} onValue={setWidth} />
        <Text>Length</Text>
        <LengthField label="Length of the dart or pleat" value={length} units={units} most={1500} onValue={setLength} />
      </Flex>
      <Flex gap="2">
        {(['dart', 'pleat'] as const).map((kind) => (
          <Button
            key={kind}
            size="sm"
            variant="outline"
            borderColor="rule"
            onClick={() => onLay({ kind, at, width, length })}
          >
            {kind === 'dart' ? 'Dart here' : 'Pleat here'}
          </Button>
        ))}
      </Flex>
    </Box>
  );
}
