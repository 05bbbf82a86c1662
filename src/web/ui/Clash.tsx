import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { type Differing } from '../data/merging.ts';
import { type Workbook } from '../data/useProject.ts';
import { shownValue } from '../words/index.ts';

/** The project was changed in another tab or place while something was changed here: what is what, and which holds. */
export function Clash({ w }: { w: Workbook }) {
  const { clash } = w;
  if (!clash) return null;
  const figures = clash.differing.filter((d) => isPlain(d.theirs) && isPlain(d.mine)).slice(0, 3);
  return (
    <Box
      role="alertdialog"
      aria-label="Changed elsewhere meanwhile"
      bg="sheet"
      borderWidth="2px"
      borderColor="honey"
      borderRadius="6px"
      p="4"
      m="4"
    >
      <Heading as="h2" fontSize="20px" fontWeight="600">
        This project was changed elsewhere meanwhile
      </Heading>
      <Text>
        There: {clash.elsewhere.length ? clash.elsewhere.join(', ') : 'a change'}. Here: {clash.label}, which is not
        kept yet. What you see now is how it is there.
      </Text>
      {figures.map((d) => (
        <Text key={d.path}>
          It is now {shownValue(d.theirs, w.doc.units)}; yours is {shownValue(d.mine, w.doc.units)}.
        </Text>
      ))}
      {!clash.patch && (
        <Text>What you changed here is no longer there in the same way, so it cannot be put on top. Do it again.</Text>
      )}
      <Flex gap="3" mt="3" wrap="wrap">
        {clash.patch && (
          <Button size="sm" colorPalette="leaf" onClick={w.keepMine}>
            {chosen('Keep mine', figures, (d) => shownValue(d.mine, w.doc.units))}
          </Button>
        )}
        <Button size="sm" variant="outline" borderColor="rule" onClick={w.takeTheirs}>
          {chosen('Take theirs', figures, (d) => shownValue(d.theirs, w.doc.units))}
        </Button>
      </Flex>
    </Box>
  );
}

const isPlain = (v: unknown): boolean => ['number', 'string', 'boolean'].includes(typeof v);
const chosen = (words: string, figures: Differing[], of: (d: Differing) => string): string =>
  figures.length === 1 && figures[0] ? `${words}: ${of(figures[0])}` : words;
