import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { type ShellEdge, type ShellPiece } from '../../../core/document/project.ts';
import { saidJoin } from '../../../core/garment/index.ts';
import { pathLength } from '../../../core/geometry/index.ts';
import {
  CORNERS,
  type CornerRule,
  isUnsure,
  KINDS,
  othersFor,
  type Piece,
  ROLES,
  readAs,
  renamedAs,
  takenOf,
} from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Pick, Tick } from '../../ui/Ask.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { CORNER_WORDS, KIND_WORDS, ROLE_WORDS } from '../../words/index.ts';

/** The deepest hem of a garment that is still usual, mm. Own figure. */
const USUAL_ALLOWANCE = 80;

interface EdgeCardProps {
  w: Workbook;
  /** All pieces of the pattern: what an edge is depends on what it is sewn to. */
  pieces: ShellPiece[];
  piece: ShellPiece;
  computed: Piece;
  edge: ShellEdge;
  /** Whether it asks about a guess itself; on the walk that is asked above. */
  asks: boolean;
  onSave: (label: string, p: ShellPiece) => void;
}

/** The questions about one edge: what it is, whether it lies on a fold, its allowance, the corner at its end. */
export function EdgeCard({ w, pieces, piece, computed, edge, asks, onSave }: EdgeCardProps) {
  const now = computed.ring.find((e) => e.id === edge.id);
  if (!now) return null;
  const units = w.doc.units;
  const taken = takenOf(computed).get(edge.id) ?? 0;
  const set = (label: string, part: Partial<ShellEdge>) =>
    onSave(`${piece.name}, ${ROLE_WORDS[part.role ?? edge.role].toLowerCase()}: ${label}`, {
      ...piece,
      // A mirrored pair laid on a fold is one piece.
      ...(part.onFold && piece.count === 2 && { count: 1 }),
      ring: piece.ring.map((e) => (e.id === edge.id ? { ...e, ...part } : e)),
    });
  return (
    <SheetBox>
      <Heading as="h2" fontSize="20px" fontWeight="600">
        {ROLE_WORDS[edge.role]}
      </Heading>
      <Text mb="3" color="quiet">
        {formatLength(pathLength(now.path), units)} on the seam line
        {taken > 0 && `, ${formatLength(taken, units)} of it taken out by darts or pleats`}.
        {edge.confidence < 1 && !isUnsure(edge) && ` Suggested, ${Math.round(edge.confidence * 100)} % sure.`}
      </Text>
      {asks && isUnsure(edge) && <Guess pieces={pieces} piece={piece} edge={edge} onSave={onSave} />}
      <Text mb="1" fontWeight="550">
        What is this edge?
      </Text>
      <Pick
        label="What is this edge?"
        value={edge.role}
        options={ROLES.map((r) => [r, ROLE_WORDS[r]])}
        onPick={(role) => set('named', { role, confidence: 1 })}
      />
      <Box mt="2">
        <Tick
          label="It lies on a fold of the cloth"
          checked={edge.onFold}
          onTick={(onFold) => set(onFold ? 'on the fold' : 'not on the fold', { onFold })}
        />
      </Box>
      {!edge.onFold && (
        <Box mt="2" display="flex" alignItems="center" gap="3" flexWrap="wrap">
          <Text fontWeight="550">Allowance</Text>
          <LengthField
            label="Allowance of this edge"
            value={now.allowance}
            units={units}
            most={300}
            usual={[0, USUAL_ALLOWANCE]}
            onValue={(allowance) => set(`allowance ${formatLength(allowance, units)}`, { allowance })}
          />
          {edge.allowance !== null && (
            <Button size="xs" variant="ghost" onClick={() => set('usual allowance', { allowance: null })}>
              as usual
            </Button>
          )}
        </Box>
      )}
      <Text mt="3" mb="1" fontWeight="550">
        Corner at its end
      </Text>
      <Pick
        label="Corner at its end"
        value={now.corner}
        options={CORNERS.map((c): [CornerRule, string] => [c, CORNER_WORDS[c]])}
        onPick={(corner) => set('corner', { corner })}
      />
    </SheetBox>
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
          size="xs"
          variant="outline"
          borderColor="rule"
          onClick={() => onSave(`${name}: looked at`, sure(piece))}
        >
          It is the {ROLE_WORDS[edge.role].toLowerCase()}
        </Button>
        {others.map(({ role, reading }) => (
          <Button
            key={role}
            size="xs"
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

/** The questions about a whole piece: its name, what it is, how many. */
export function PieceCard({
  pieces,
  piece,
  onSave,
  onRemove,
}: {
  pieces: ShellPiece[];
  piece: ShellPiece;
  onSave: (label: string, p: ShellPiece) => void;
  onRemove: () => void;
}) {
  const fold = piece.ring.some((e) => e.onFold);
  const unsure = piece.ring.filter(isUnsure).length;
  return (
    <SheetBox>
      <Text mb="1" fontWeight="550">
        Name of this piece
      </Text>
      <NameField
        label="Name of this piece"
        value={piece.name}
        onName={(name) => onSave(`Name ${name}`, { ...piece, name })}
      />
      <Text mb="1" fontWeight="550">
        What is it?
      </Text>
      <Pick
        label="What is this piece?"
        value={piece.kind}
        options={KINDS.map((k) => [k, KIND_WORDS[k]])}
        onPick={(kind) => onSave(`${piece.name} is: ${KIND_WORDS[kind].toLowerCase()}`, renamedAs(pieces, piece, kind))}
      />
      {unsure > 0 && (
        <Box mt="3" p="2" borderLeftWidth="4px" borderColor="honey" role="note">
          <Text mb="2">
            {unsure === 1 ? 'One edge is' : `${unsure} edges are`} named by shape alone, the wide lines in the drawing.
            Click each and look whether it is so; saying what the piece is names them anew.
          </Text>
          <Button
            size="xs"
            variant="outline"
            borderColor="rule"
            onClick={() =>
              onSave(`${piece.name}: names looked at`, {
                ...piece,
                ring: piece.ring.map((e) => (isUnsure(e) ? { ...e, confidence: 1 } : e)),
              })
            }
          >
            All its names are right
          </Button>
        </Box>
      )}
      <Text mt="3" mb="1" fontWeight="550">
        How many to cut?
      </Text>
      {fold ? (
        <Pick
          label="How many to cut?"
          value={String(piece.count)}
          options={[
            ['1', 'One, on the fold'],
            ['2', 'Two, each on the fold'],
          ]}
          onPick={(c) => onSave(`${piece.name}: cut ${c} on the fold`, { ...piece, count: Number(c) })}
        />
      ) : (
        <Pick
          label="How many to cut?"
          value={String(piece.count)}
          options={[
            ['1', 'One'],
            ['2', 'Two, a mirrored pair'],
            ['4', 'Four'],
          ]}
          onPick={(c) => onSave(`${piece.name}: cut ${c}`, { ...piece, count: Number(c) })}
        />
      )}
      <Text mt="3" color="quiet" fontSize="15px">
        Click an edge in the drawing to name it.
      </Text>
      <Button size="xs" variant="ghost" mt="2" color="berry" onClick={onRemove}>
        This is no piece of mine: remove it
      </Button>
    </SheetBox>
  );
}

/** An edge of which nothing is known yet: it is named above, sewn to another, or stays open. */
export function UnsaidCard({ w, piece, name, edge }: { w: Workbook; piece: string; name: string; edge: string }) {
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
    <SheetBox borderLeftWidth="4px" borderLeftColor="honey">
      <Text mb="2">
        Nothing says yet what becomes of this edge. Name it above, sew it to another in the garment laid open, or say
        that it stays open.
      </Text>
      <Flex gap="2" wrap="wrap" align="center">
        <Button size="sm" variant="outline" borderColor="rule" onClick={stayOpen}>
          It stays open
        </Button>
        <Link to="../seams" relative="path" style={{ textDecoration: 'underline' }}>
          The garment laid open
        </Link>
      </Flex>
    </SheetBox>
  );
}
