import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { CLOSING_ONLY, type ProjectDocument } from '../../../core/document/project.ts';
import { emptyDocument } from '../../../core/document/usual.ts';
import { Count } from '../../ui/Count.tsx';
import { LengthField } from '../../ui/LengthField.tsx';

/** Buttons without any pattern: how long the placket is, how wide a button, how many. */
export function OnlyClosing({ onBegin }: { onBegin: (doc: ProjectDocument) => void }) {
  const [length, setLength] = useState(600);
  const [across, setAcross] = useState(15);
  const [least, setLeast] = useState(7);
  const [most, setMost] = useState(8);
  const begin = () => {
    const doc = emptyDocument('Buttons on a placket', CLOSING_ONLY);
    const count = Math.min(least, most);
    Object.assign(doc.decisions.closure, { length, diameter: across, count, most: Math.max(least, most) });
    onBegin(doc);
  };
  const line = (label: string, field: ReactNode) => (
    <Flex justify="space-between" align="center" gap="3" mb="2">
      <Text>{label}</Text>
      {field}
    </Flex>
  );
  return (
    <Box as="details" mb="3">
      <Box as="summary" cursor="pointer" color="leaf.fg" fontWeight="600" minH="40px" alignContent="center">
        Only buttons, without a pattern
      </Box>
      <Box pt="2">
        {line(
          'The placket is long',
          <LengthField
            label="The placket is long"
            value={length}
            units="mm"
            least={40}
            most={3000}
            onValue={setLength}
          />,
        )}
        {line(
          'A button is wide',
          <LengthField label="A button is wide" value={across} units="mm" least={5} most={60} onValue={setAcross} />,
        )}
        <Count label="At least" value={least} least={1} most={40} onValue={setLeast} />
        <Count label="At most" value={most} least={1} most={40} onValue={setMost} />
        <Button colorPalette="leaf" w="full" minH="44px" onClick={begin}>
          Place them
        </Button>
      </Box>
    </Box>
  );
}
