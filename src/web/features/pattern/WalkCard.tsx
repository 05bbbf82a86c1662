import { Link as Anchor, Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { ArrowRight } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { Link } from 'react-router';
import { type Shell, type ShellPiece } from '../../../core/document/project.ts';
import { isUnsure, seamFits } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { AllWell } from '../../ui/Notes.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { kindSaid, ROLE_WORDS, seamWords } from '../../words/index.ts';
import { Guess } from './EdgeSentences.tsx';
import { SizeCard } from './SizeCard.tsx';

/** Where the walk through the pattern is: its size, a piece by its id, or its end. */
export type Stop = string;
const SIZE = 'size';
const END = 'end';

interface Props {
  w: Workbook;
  shell: Shell;
  at: Stop;
  onGo: (to: Stop | null) => void;
  onEdge: (id: string | null) => void;
  onSave: (label: string, p: ShellPiece) => void;
}

/** A walk through the pattern that was put in: its size, each piece and what is unsure of it, and whether it goes together. */
export function WalkCard({ w, shell, at, onGo, onEdge, onSave }: Props) {
  const stops = [SIZE, ...shell.pieces.map((p) => p.id), END];
  const next = stops[stops.indexOf(at) + 1] ?? END;
  const piece = shell.pieces.find((p) => p.id === at);
  const sized = shell.trueSize;
  const card = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: at each stop its beginning is seen.
  useEffect(() => {
    card.current?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  // The size said, the walk goes on by itself.
  useEffect(() => {
    if (at === SIZE && sized) onGo(next);
  }, [at, sized, next, onGo]);
  return (
    <SheetBox ref={card} role="region" aria-label="A walk through the pattern" borderColor="leaf.border">
      <Flex justify="space-between" align="baseline" gap="3">
        <Text color="quiet" fontSize="15px">
          {at === SIZE
            ? 'First its size'
            : piece
              ? `Piece ${shell.pieces.indexOf(piece) + 1} of ${shell.pieces.length}`
              : 'The whole of it'}
        </Text>
        <Button variant="plain" size="sm" px="0" color="quiet" onClick={() => onGo(null)}>
          Leave the walk
        </Button>
      </Flex>
      {at === SIZE && <SizeCard w={w} shell={shell} />}
      {piece && (
        <OnePiece
          key={piece.id}
          {...{ w, shell, piece, onEdge, onSave }}
          onNext={() => onGo(next)}
          onEnd={() => onGo(END)}
        />
      )}
      {at === END && <TheEnd w={w} />}
    </SheetBox>
  );
}

interface PieceProps extends Pick<Props, 'w' | 'shell' | 'onEdge' | 'onSave'> {
  piece: ShellPiece;
  onNext: () => void;
  onEnd: () => void;
}

/** Gives the keyboard to what goes on, where it has nothing else: what was clicked in the walk is gone with its stop. */
function takeFocus(to: HTMLElement | null): void {
  if (document.activeElement === document.body) to?.focus({ preventScroll: true });
}

/** How many of a piece, in words. */
const howMany = (p: ShellPiece): string => {
  if (p.ring.some((e) => e.onFold)) return p.count > 1 ? 'cut twice, on the fold' : 'cut once, on the fold';
  return p.count === 2 ? 'cut as a mirrored pair' : p.count === 1 ? 'cut once' : `cut ${p.count} times`;
};

/** What a piece is, and its unsure edges with what they may be, the first of them lit in the drawing. */
function OnePiece({ shell, piece, onEdge, onSave, onNext, onEnd }: PieceProps) {
  const go = useRef<HTMLButtonElement>(null);
  const unsure = piece.ring.filter(isUnsure);
  const [first] = unsure;
  const anyUnsure = shell.pieces.some((p) => p.ring.some(isUnsure));
  const lit = first?.id;
  useEffect(() => {
    if (lit !== undefined) onEdge(lit);
  }, [lit, onEdge]);
  // With the words themselves: an Enter that comes at once is not lost.
  useLayoutEffect(() => takeFocus(go.current), []);
  const right = (): void => {
    if (unsure.length)
      onSave(`${piece.name}: names looked at`, {
        ...piece,
        ring: piece.ring.map((e) => (isUnsure(e) ? { ...e, confidence: 1 } : e)),
      });
    onNext();
  };
  return (
    <>
      <Text fontSize="19px" lineHeight="1.5" mb="2">
        This is <b>{piece.name}</b>: {kindSaid(piece.kind)}, {howMany(piece)}. Its edges:{' '}
        {piece.ring.map((e, i) => (
          <Box
            as="span"
            key={e.id}
            color={isUnsure(e) ? 'honey' : undefined}
            fontWeight={isUnsure(e) ? 600 : undefined}
          >
            {i > 0 && ', '}
            {ROLE_WORDS[e.role].toLowerCase()}
            {isUnsure(e) && '?'}
          </Box>
        ))}
        .
      </Text>
      {first && <Guess pieces={shell.pieces} piece={piece} edge={first} onSave={onSave} />}
      <Flex gap="2" wrap="wrap">
        <Button ref={go} colorPalette="leaf" minH="44px" onClick={right}>
          {unsure.length ? 'All right so: next' : 'Next'} <ArrowRight size={18} aria-hidden />
        </Button>
        {!anyUnsure && (
          <Button variant="outline" borderColor="rule" minH="44px" onClick={onEnd}>
            All {shell.pieces.length} are right
          </Button>
        )}
      </Flex>
      <Text fontSize="15px" color="quiet" mt="2">
        Enter goes on. If something else is wrong, say it below, or click an edge.
      </Text>
    </>
  );
}

/** Whether all seams go together, or which do not, the worst first. */
function TheEnd({ w }: { w: Workbook }) {
  const { seams } = w.computed;
  const off = seams.filter((s) => !seamFits(s)).sort((a, b) => Math.abs(b.differenceMm) - Math.abs(a.differenceMm));
  const on = useRef<HTMLAnchorElement>(null);
  useEffect(() => takeFocus(on.current), []);
  return (
    <>
      <Heading as="h2" fontSize="20px" fontWeight="600" mb="1">
        {off.length ? `${off.length} of ${seams.length} seams do not fit yet` : 'That is your pattern'}
      </Heading>
      {!seams.length && <Text mb="2">No seam follows from its edges yet: name a front and a back.</Text>}
      {seams.length > 0 && !off.length && <AllWell words={`All ${seams.length} seams go together.`} />}
      {off.length > 0 && (
        <Box as="ul" pl="5" mb="2">
          {off.slice(0, 6).map((s) => (
            <li key={s.id}>
              <Anchor asChild textDecoration="underline">
                <Link to={`../seams?seam=${s.id}`} relative="path">
                  {seamWords(s)}
                </Link>
              </Anchor>
              : {formatLength(Math.abs(s.differenceMm), w.doc.units)} off
            </li>
          ))}
        </Box>
      )}
      <Button asChild colorPalette="leaf" minH="44px" mt="2">
        <Link to="../inside" relative="path" ref={on}>
          On: what else do I cut? <ArrowRight size={18} aria-hidden />
        </Link>
      </Button>
    </>
  );
}
