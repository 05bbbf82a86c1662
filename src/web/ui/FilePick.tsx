import { Box } from '@chakra-ui/react';
import { FolderInput } from 'lucide-react';

/** What a pattern is read from. */
export const PATTERN_FILES =
  '.svg,.dxf,.pdf,.png,.jpg,.jpeg,.webp,image/svg+xml,application/pdf,image/png,image/jpeg,image/webp';

/** A file to be chosen, as words with a sign before them. */
export function FilePick({
  words,
  accept,
  onPick,
}: {
  words: string;
  accept: string;
  onPick: (f: File | undefined) => void;
}) {
  return (
    <Box
      as="label"
      display="inline-flex"
      alignItems="center"
      gap="2"
      cursor="pointer"
      color="leaf.fg"
      fontWeight="600"
      minH="44px"
      css={{ '&:focus-within': { outline: '3px solid var(--chakra-colors-focus)' } }}
    >
      <FolderInput size={18} aria-hidden /> {words}
      <input
        type="file"
        accept={accept}
        style={{ position: 'absolute', opacity: 0, width: 1 }}
        onChange={(e) => {
          onPick(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </Box>
  );
}
