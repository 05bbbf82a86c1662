import { Box, CloseButton, Dialog, Flex, Input, Portal, Text } from '@chakra-ui/react';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { usePlan } from '../data/usePlan.ts';
import { type Workbook } from '../data/useProject.ts';
import { StrokeDrawing } from '../ui/Worded.tsx';
import { allFound, chaptersOf, FOUND_WORDS, type Found, finderOf } from '../words/index.ts';

interface Props {
  w: Workbook;
  onClose: () => void;
}

/** Finds pages, pieces, seams, steps, settings and words of the trade by their names, and goes there. */
export function Finder({ w, onClose }: Props) {
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && onClose()} placement="top" size="lg">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" borderWidth="1px" borderColor="leaf.border">
            <Asked w={w} onClose={onClose} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

function Asked({ w, onClose }: Props) {
  const { plan } = usePlan(w);
  const go = useNavigate();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const { doc, computed } = w;
  const all = useMemo(
    () => allFound(doc, computed, chaptersOf(doc, computed), plan?.ok ? plan.value : null),
    [doc, computed, plan],
  );
  const find = useMemo(() => finderOf(all), [all]);
  const found = text.trim() ? find(text) : all.filter((f) => f.kind === 'page');
  const here = found[Math.min(at, found.length - 1)];
  const take = (f: Found): void => {
    if (f.to === null) return;
    onClose();
    go(`/project/${w.id}/${f.to}`);
  };
  const keys = (e: KeyboardEvent): void => {
    const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (by) {
      e.preventDefault();
      setAt((i) => Math.max(0, Math.min(found.length - 1, Math.min(i, found.length - 1) + by)));
    }
    if (e.key === 'Enter' && here) take(here);
  };
  return (
    <Box p="4">
      <Flex align="center" gap="2">
        <Dialog.Title srOnly>Find</Dialog.Title>
        <Input
          aria-label="Find a page, piece, seam, step, setting or word"
          role="combobox"
          aria-expanded={found.length > 0}
          aria-controls="found"
          aria-activedescendant={here ? `found-${found.indexOf(here)}` : undefined}
          placeholder="A piece, a seam, a step, a word of the trade …"
          size="lg"
          bg="paper"
          borderColor="rule"
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setAt(0);
          }}
          onKeyDown={keys}
        />
        <Dialog.CloseTrigger asChild position="static">
          <CloseButton size="md" />
        </Dialog.CloseTrigger>
      </Flex>
      <Box id="found" role="listbox" aria-label="Found" mt="2" maxH="60vh" overflow="auto">
        {found.map((f, i) => (
          <Flex
            key={f.id}
            id={`found-${i}`}
            role="option"
            aria-selected={f === here}
            align="center"
            gap="3"
            px="3"
            minH="44px"
            borderRadius="md"
            cursor={f.to === null ? 'default' : 'pointer'}
            bg={f === here ? 'leaf.subtle' : undefined}
            onClick={() => (f.to === null ? setAt(i) : take(f))}
          >
            <Box flex="1" minW="0" py="1">
              <Text fontWeight={f === here ? 650 : 450}>{f.words}</Text>
              {f.term && f === here ? (
                <Flex gap="4" align="center" wrap="wrap">
                  <StrokeDrawing drawn={f.term.drawn} width={120} />
                  <Text flex="1 1 220px">{f.more}</Text>
                </Flex>
              ) : (
                <Text fontSize="15px" color="quiet" truncate>
                  {f.more}
                </Text>
              )}
            </Box>
            <Text fontSize="14px" color="quiet" flexShrink={0}>
              {FOUND_WORDS[f.kind]}
            </Text>
          </Flex>
        ))}
        {!found.length && (
          <Text px="3" py="2" color="quiet">
            Nothing here is called so.
          </Text>
        )}
      </Box>
    </Box>
  );
}
