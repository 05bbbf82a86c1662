import { Button, Dialog, Flex, Input, Portal, Text } from '@chakra-ui/react';
import { type FormEvent, useState } from 'react';
import { CLOSING_ONLY, GARMENTS } from '../../../core/document/project.ts';
import { Pick } from '../../ui/Ask.tsx';
import { garmentOf, nameOf } from '../../words/begin.ts';

interface Props {
  file: File;
  words: Record<string, string>;
  onBegin: (name: string, garment: string) => void;
  onClose: () => void;
}

/** A project from a file that was dropped: what it is and what it is called, guessed from the file, in one sentence. */
export function ShelfBegin({ file, words, onBegin, onClose }: Props) {
  const [name, setName] = useState(nameOf(file.name));
  const [garment, setGarment] = useState(garmentOf(file.name));
  const submit = (e: FormEvent): void => {
    e.preventDefault();
    if (name.trim()) onBegin(name.trim(), garment);
  };
  return (
    <Dialog.Root open onOpenChange={(e) => !e.open && onClose()} placement="center" size="md">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" p="6" borderWidth="1px" borderColor="leaf.border">
            <Dialog.Title fontFamily="heading" fontSize="24px" mb="3">
              Begin with “{file.name}”
            </Dialog.Title>
            <form onSubmit={submit}>
              <Flex wrap="wrap" align="center" gap="3" fontSize="19px">
                <Text>It is a pattern of a</Text>
                <Pick
                  label="What it is a pattern of"
                  value={garment}
                  options={GARMENTS.filter((g) => g !== CLOSING_ONLY).map((g) => [g, (words[g] ?? g).toLowerCase()])}
                  onPick={setGarment}
                />
                <Text>called</Text>
                <Input
                  aria-label="Name of the project"
                  bg="paper"
                  borderColor="rule"
                  flex="1 1 220px"
                  value={name}
                  maxLength={120}
                  onChange={(e) => setName(e.target.value)}
                />
              </Flex>
              <Flex gap="3" mt="5" justify="flex-end">
                <Button variant="outline" borderColor="rule" minH="44px" onClick={onClose}>
                  Not now
                </Button>
                <Button type="submit" colorPalette="leaf" minH="44px" autoFocus disabled={!name.trim()}>
                  Begin
                </Button>
              </Flex>
            </form>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
