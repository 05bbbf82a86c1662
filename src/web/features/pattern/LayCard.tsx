import { Box, Button, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { type ShellEdge } from '../../../core/document/project.ts';
import { pathLength } from '../../../core/geometry/index.ts';
import { type Laid } from '../../../core/pattern/index.ts';
import { type LengthUnit } from '../../../core/units.ts';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';

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
  const each = { units, least: 0 };
  return (
    <Box mb="4">
      <Say>
        Or a dart or pleat, its middle here: it takes out{' '}
        <LengthBlank
          label="Taken out of the edge"
          value={width}
          most={Math.min(most, 120)}
          atMost={most}
          {...each}
          onPreview={setWidth}
          onValue={setWidth}
        />{' '}
        and is{' '}
        <LengthBlank
          label="Length of the dart or pleat"
          value={length}
          most={400}
          atMost={1500}
          {...each}
          onPreview={setLength}
          onValue={setLength}
        />{' '}
        long.
      </Say>
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
