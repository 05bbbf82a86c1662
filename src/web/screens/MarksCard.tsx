import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { dropMark, type Mark } from '../../core/pattern/index.ts';
import { type ShellPiece } from '../../core/project.ts';
import { SheetBox } from '../parts/Page.tsx';

/** What is being placed in the drawing by clicking; a grainline takes two clicks. */
export type Placing = Mark['kind'] | 'grain';

const MARK_WORDS: Record<Mark['kind'], string> = {
  dot: 'Dot: stitching starts or stops',
  circle: 'Circle',
  square: 'Square: turn here',
  button: 'Button',
};

interface Props {
  piece: ShellPiece;
  placing: Placing | null;
  /** Whether a grainline's lower end is set already. */
  begun: boolean;
  onPlacing: (p: Placing | null) => void;
  onSave: (label: string, p: ShellPiece) => void;
}

const HINTS = {
  none: 'Choose what to place, then click in the drawing. On an edge, marks can also be set by its own card.',
  grain: 'Click its lower end in the drawing.',
  upper: 'Now its upper end.',
  mark: 'Click its place in the drawing.',
};

/** Grainline and marks of a piece, placed by clicking where the file does not say them. */
export function MarksCard({ piece, placing, begun, onPlacing, onSave }: Props) {
  const hint = placing === null ? 'none' : placing === 'grain' ? (begun ? 'upper' : 'grain') : 'mark';
  const choice = (kind: Placing, words: string) => (
    <Button
      key={kind}
      size="sm"
      variant={placing === kind ? 'solid' : 'outline'}
      colorPalette="leaf"
      aria-pressed={placing === kind}
      onClick={() => onPlacing(placing === kind ? null : kind)}
    >
      {words}
    </Button>
  );
  return (
    <SheetBox>
      <Heading as="h2" fontSize="18px" fontWeight="600" mb="2">
        Grainline and marks
      </Heading>
      <Flex gap="2" wrap="wrap" mb="2">
        {choice('grain', 'Grainline')}
        {(Object.keys(MARK_WORDS) as Mark['kind'][]).map((k) => choice(k, MARK_WORDS[k]))}
      </Flex>
      <Text color="quiet" fontSize="15px" aria-live="polite">
        {HINTS[hint]}
      </Text>
      {(piece.marks ?? []).map((m, i) => (
        <Flex key={i} align="center" gap="3" mt="1">
          <Text>{MARK_WORDS[m.kind].split(':')[0]}</Text>
          <Box>
            <Button
              size="xs"
              variant="ghost"
              onClick={() => onSave(`${piece.name}: ${m.kind} away`, dropMark(piece, i))}
            >
              take away
            </Button>
          </Box>
        </Flex>
      ))}
    </SheetBox>
  );
}
