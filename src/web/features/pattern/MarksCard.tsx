import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { type ShellPiece } from '../../../core/document/project.ts';
import { type Point } from '../../../core/geometry/index.ts';
import {
  addLine,
  addMark,
  clickedLine,
  dropLine,
  dropMark,
  type Laid,
  type Mark,
  setGrain,
} from '../../../core/pattern/index.ts';
import { ok, type Result } from '../../../core/result.ts';
import { Blank, Say } from '../../ui/Sentence.tsx';
import { WordButton } from '../../ui/WordButton.tsx';

/** What is being placed in the drawing by clicking; a grainline takes two clicks. */
export type Placing = Mark['kind'] | 'grain' | Laid['kind'];

/** How many clicks each needs: a grainline both ends, a pleat both lines at the edge, a dart its point besides. */
export const CLICKS: Record<Placing, number> = { dot: 1, circle: 1, square: 1, button: 1, grain: 2, pleat: 2, dart: 3 };

/** How far a pleat that was clicked reaches into the piece, mm; the line only shows it. */
const PLEAT_DEPTH = 80;

/** The piece with what was placed by these clicks, or why it cannot be. */
export function placed(p: ShellPiece, kind: Placing, clicks: Point[]): Result<ShellPiece> {
  const [a, b] = clicks as [Point, Point];
  if (kind === 'grain') return ok(setGrain(p, a, b));
  if (kind !== 'dart' && kind !== 'pleat') return ok(addMark(p, { kind, at: a }));
  const line = clickedLine(p, kind, clicks, PLEAT_DEPTH);
  return line.ok ? ok(addLine(p, line.value)) : line;
}

const MARK_WORDS: Record<Mark['kind'], string> = {
  dot: 'Dot: stitching starts or stops',
  circle: 'Circle',
  square: 'Square: turn here',
  button: 'Button',
};

interface Props {
  piece: ShellPiece;
  placing: Placing | null;
  /** How many places of it are clicked already. */
  clicks: number;
  /** Why what was clicked could not be placed. */
  wrong: string | null;
  onPlacing: (p: Placing | null) => void;
  onSave: (label: string, p: ShellPiece) => void;
}

const MARK_HINT = ['Click its place in the drawing.'];
const HINTS: Record<Placing, string[]> = {
  dot: MARK_HINT,
  circle: MARK_HINT,
  square: MARK_HINT,
  button: MARK_HINT,
  grain: ['Click its lower end in the drawing.', 'Now its upper end.'],
  pleat: ['Click where its first line meets the edge.', 'Now the second line, on the same edge.'],
  dart: ['Click where its first line meets the edge.', 'Now the second line, on the same edge.', 'Now its point.'],
};

const LINE_WORDS = { dart: 'Dart', pleat: 'Pleat', gather: 'Gathers' } as const;

/** Grainline and marks of a piece, placed by clicking where the file does not say them. */
export function MarksCard({ piece, placing, clicks, wrong, onPlacing, onSave }: Props) {
  const choice = (kind: Placing, words: string) => (
    <Button
      key={kind}
      variant="outline"
      borderColor="rule"
      w="100%"
      mb="2"
      minH="44px"
      justifyContent="flex-start"
      onClick={() => onPlacing(kind)}
    >
      {words}
    </Button>
  );
  return (
    <Box mb="4">
      <Say>
        <Blank label="Put into this piece" said="Put in a grainline, a dart or a mark" closedBy="button">
          {choice('grain', 'Grainline')}
          {choice('dart', 'Dart')}
          {choice('pleat', 'Pleat')}
          {(Object.keys(MARK_WORDS) as Mark['kind'][]).map((k) => choice(k, MARK_WORDS[k]))}
          <Text color="quiet" fontSize="15px">
            Then click in the drawing. On an edge, all of it can also be set beside that edge.
          </Text>
        </Blank>
        .
      </Say>
      <Text color="quiet" fontSize="15px" aria-live="polite">
        {placing !== null && (
          <>
            {HINTS[placing][clicks]}{' '}
            <WordButton textDecoration="underline" onClick={() => onPlacing(null)}>
              Not now
            </WordButton>
          </>
        )}
      </Text>
      {wrong && (
        <Text role="alert" color="berry">
          {wrong}
        </Text>
      )}
      {piece.lines.map((l, i) =>
        l.kind === 'dart' || l.kind === 'pleat' || l.kind === 'gather' ? (
          <Flex key={i} align="center" gap="3" mt="1">
            <Text>
              {LINE_WORDS[l.kind]}
              {l.ratio && `, ${l.ratio.toFixed(2)} times as long`}
            </Text>
            <Button
              size="xs"
              variant="ghost"
              onClick={() => onSave(`${piece.name}: ${l.kind} away`, dropLine(piece, i))}
            >
              take away
            </Button>
          </Flex>
        ) : null,
      )}
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
    </Box>
  );
}
