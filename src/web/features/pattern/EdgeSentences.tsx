import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { type ShellEdge, type ShellPiece } from '../../../core/document/project.ts';
import { saidJoin } from '../../../core/garment/index.ts';
import { pathLength } from '../../../core/geometry/index.ts';
import { CORNERS, isUnsure, othersFor, type Piece, ROLES, readAs, takenOf } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { ChoiceBlank, LengthBlank, Say } from '../../ui/Sentence.tsx';
import { CORNER_WORDS, ROLE_WORDS } from '../../words/index.ts';

/** The deepest hem of a garment that is still usual, mm. Own figure. */
const USUAL_ALLOWANCE = 80;
/** The most that is typed for an allowance, mm. */
const MOST_ALLOWANCE = 300;

interface Props {
  w: Workbook;
  /** All pieces of the pattern: what an edge is depends on what it is sewn to. */
  pieces: ShellPiece[];
  piece: ShellPiece;
  computed: Piece;
  edge: ShellEdge;
  /** Whether it asks about a guess itself; on the walk that is asked above. */
  asks: boolean;
  onPreview: (p: ShellPiece) => void;
  onSave: (label: string, p: ShellPiece) => void;
}

/** What one edge is, as it would be said: its role, its fold, its allowance, the corner at its end. */
export function EdgeSentences({ w, pieces, piece, computed, edge, asks, onPreview, onSave }: Props) {
  const now = computed.ring.find((e) => e.id === edge.id);
  if (!now) return null;
  const units = w.doc.units;
  const taken = takenOf(computed).get(edge.id) ?? 0;
  const guess = isUnsure(edge);
  const made = (part: Partial<ShellEdge>): ShellPiece => ({
    ...piece,
    // A mirrored pair laid on a fold is one piece.
    ...(part.onFold && piece.count === 2 && { count: 1 }),
    ring: piece.ring.map((e) => (e.id === edge.id ? { ...e, ...part } : e)),
  });
  const set = (label: string, part: Partial<ShellEdge>): void =>
    onSave(`${piece.name}, ${ROLE_WORDS[part.role ?? edge.role].toLowerCase()}: ${label}`, made(part));
  return (
    <>
      {asks && guess && <Guess pieces={pieces} piece={piece} edge={edge} onSave={onSave} />}
      <Say>
        {piece.name}: this edge is{' '}
        <ChoiceBlank
          label="What this edge is"
          value={edge.role}
          said={edge.role === 'plain' ? 'not named yet' : `the ${ROLE_WORDS[edge.role].toLowerCase()}`}
          odd={guess ? 'a guess' : edge.role === 'plain' ? 'not named yet' : undefined}
          ways={ROLES.map((id) => ({ id, words: ROLE_WORDS[id] }))}
          help={guess || edge.confidence === 1 ? undefined : `Suggested, ${Math.round(edge.confidence * 100)} % sure.`}
          onPick={(role) => set('named', { role, confidence: 1 })}
        />
        , {formatLength(pathLength(now.path), units)} on the seam line
        {taken > 0 && `, ${formatLength(taken, units)} of it taken out by darts or pleats`}. It lies{' '}
        <ChoiceBlank
          label="On a fold of the cloth"
          value={edge.onFold ? 'fold' : 'cut'}
          ways={[
            { id: 'cut', words: 'on no fold' },
            { id: 'fold', words: 'on a fold of the cloth' },
          ]}
          onPick={(v) => set(v === 'fold' ? 'on the fold' : 'not on the fold', { onFold: v === 'fold' })}
        />
        {!edge.onFold && (
          <>
            , cut with an allowance of{' '}
            <LengthBlank
              label="Allowance of this edge"
              value={now.allowance}
              units={units}
              least={0}
              most={USUAL_ALLOWANCE}
              atMost={MOST_ALLOWANCE}
              usual={[0, USUAL_ALLOWANCE]}
              onPreview={(allowance) => onPreview(made({ allowance }))}
              onValue={(allowance) => set(`allowance ${formatLength(allowance, units)}`, { allowance })}
            >
              {edge.allowance !== null && (
                <Button
                  size="sm"
                  variant="outline"
                  borderColor="rule"
                  mt="2"
                  onClick={() => set('usual allowance', { allowance: null })}
                >
                  As usual
                </Button>
              )}
            </LengthBlank>
          </>
        )}
        . The corner at its end is{' '}
        <ChoiceBlank
          label="Corner at its end"
          value={now.corner}
          said={CORNER_WORDS[now.corner].split(':')[0]?.toLowerCase() ?? ''}
          ways={CORNERS.map((id) => ({ id, words: CORNER_WORDS[id] }))}
          onPick={(corner) => set('corner', { corner })}
        />
        .
      </Say>
    </>
  );
}

interface GuessProps {
  pieces: ShellPiece[];
  piece: ShellPiece;
  edge: ShellEdge;
  onSave: (label: string, p: ShellPiece) => void;
}

/** An edge named by its shape alone: that it is so, or what else it could be, which names the whole piece anew. */
export function Guess({ pieces, piece, edge, onSave }: GuessProps) {
  const others = useMemo(() => othersFor(pieces, piece, edge.id).slice(0, 3), [pieces, piece, edge.id]);
  const sure = (p: ShellPiece): ShellPiece => ({
    ...p,
    ring: p.ring.map((e) => (e.id === edge.id ? { ...e, confidence: 1 } : e)),
  });
  const name = `${piece.name}, ${ROLE_WORDS[edge.role].toLowerCase()}`;
  return (
    <Box mb="3" p="2" borderLeftWidth="4px" borderColor="honey" role="note">
      <Text mb="2">This is a guess from the shape. Is it so?</Text>
      <Flex gap="2" wrap="wrap">
        <Button
          size="sm"
          variant="outline"
          borderColor="rule"
          onClick={() => onSave(`${name}: looked at`, sure(piece))}
        >
          It is the {ROLE_WORDS[edge.role].toLowerCase()}
        </Button>
        {others.map(({ role, reading }) => (
          <Button
            key={role}
            size="sm"
            variant="outline"
            borderColor="rule"
            onClick={() => onSave(`${name} is: ${ROLE_WORDS[role].toLowerCase()}`, sure(readAs(piece, reading)))}
          >
            {ROLE_WORDS[role]}, and the others after it
          </Button>
        ))}
      </Flex>
    </Box>
  );
}

/** An edge of which nothing is known yet: it is named above, sewn to another, or stays open. */
export function Unsaid({ w, piece, name, edge }: { w: Workbook; piece: string; name: string; edge: string }) {
  const stayOpen = (): void => {
    const { joins } = w.doc.decisions;
    const halves = [...w.computed.surface.edges.values()].filter((e) => e.piece === piece && e.edge === edge);
    setDecision(
      w,
      'joins',
      halves.reduce((all, e) => saidJoin(all, e, null), joins),
      { words: `${name}: an edge stays open`, told: true },
    );
  };
  return (
    <Box mb="3" p="2" borderLeftWidth="4px" borderColor="honey" role="note">
      <Text mb="2">
        Nothing says yet what becomes of this edge. Name it above, sew it to another in the garment laid open, or say
        that it stays open.
      </Text>
      <Flex gap="3" wrap="wrap" align="center">
        <Button size="sm" variant="outline" borderColor="rule" onClick={stayOpen}>
          It stays open
        </Button>
        <Link to="../seams" relative="path" style={{ textDecoration: 'underline' }}>
          The garment laid open
        </Link>
      </Flex>
    </Box>
  );
}
