import { Box, Button, Dialog, Flex, Heading, Portal, Text } from '@chakra-ui/react';
import { pieceName } from '../data/pieceName.ts';
import { type Workbook } from '../data/useProject.ts';
import { partNames, stepWords, touchedWords } from '../words/index.ts';

/** So many steps are named; the others are counted. */
const NAMED = 6;

/** A choice that would have otherwise what is cut or sewn already: named, and asked about before it is kept. */
export function Contradicts({ w }: { w: Workbook }) {
  const { contradicts: c } = w;
  if (!c) return null;
  const names = partNames(c.plan.making, w.computed.pieces);
  const { units } = w.doc;
  const first = c.touched[0];
  return (
    <Dialog.Root open role="alertdialog" onOpenChange={(e) => !e.open && w.leaveIt()} size="lg">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" borderWidth="2px" borderColor="honey" p="5" aria-label="This is sewn otherwise">
            <Heading as="h2" fontSize="22px" fontWeight="600" mb="2">
              This is {first?.step.code === 'cut' && c.touched.length === 1 ? 'cut' : 'sewn'} otherwise already
            </Heading>
            {first && (
              <Text mb="2">
                With “{c.label}”, {touchedWords(first, units, pieceName(w)).why}.
              </Text>
            )}
            <Box as="ul" listStyleType="none" m="0" p="0" mb="2">
              {c.touched.slice(0, NAMED).map((t) => {
                const { figures } = touchedWords(t, units, pieceName(w));
                return (
                  <Text as="li" key={t.step.id}>
                    {t.step.number}. {stepWords(t.step, units, names).title}
                    {figures && (
                      <Text as="span" color="quiet">
                        {' '}
                        ({figures})
                      </Text>
                    )}
                  </Text>
                );
              })}
              {c.touched.length > NAMED && <Text color="quiet">and {c.touched.length - NAMED} more.</Text>}
            </Box>
            {c.gone.length > 0 && (
              <Text mb="2">
                {c.gone.length === 1 ? 'A step that is done is' : `${c.gone.length} steps that are done are`} no more in
                the plan then.
              </Text>
            )}
            <Text color="quiet" mb="4">
              What is done stays done. If you keep the choice, the page of the sewing asks whether it is done again.
            </Text>
            <Flex gap="3" wrap="wrap">
              <Button colorPalette="leaf" minH="44px" onClick={w.leaveIt} autoFocus>
                Leave it as it is sewn
              </Button>
              <Button variant="outline" borderColor="honey" minH="44px" onClick={w.keepIt}>
                Keep the choice
              </Button>
            </Flex>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
