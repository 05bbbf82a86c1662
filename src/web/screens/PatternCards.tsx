import { Box, Button, Heading, Input, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { pathLength } from '../../core/geometry/index.ts';
import { CORNERS, type CornerRule, KINDS, type Piece, ROLES, takenOf } from '../../core/pattern/index.ts';
import { type ShellEdge, type ShellPiece } from '../../core/project.ts';
import { formatLength } from '../../core/units.ts';
import { type Workbook } from '../api/useProject.ts';
import { Pick, Tick } from '../parts/Ask.tsx';
import { LengthField } from '../parts/LengthField.tsx';
import { SheetBox } from '../parts/Page.tsx';
import { CORNER_WORDS, KIND_WORDS, ROLE_WORDS } from '../words/index.ts';

interface EdgeCardProps {
  w: Workbook;
  piece: ShellPiece;
  computed: Piece;
  edge: ShellEdge;
  onSave: (label: string, p: ShellPiece) => void;
}

/** The questions about one edge: what it is, whether it lies on a fold, its allowance, the corner at its end. */
export function EdgeCard({ w, piece, computed, edge, onSave }: EdgeCardProps) {
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
        {edge.confidence < 1 && ` Suggested, ${Math.round(edge.confidence * 100)} % sure.`}
      </Text>
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

/** The questions about a whole piece: its name, what it is, how many. */
export function PieceCard({
  piece,
  onSave,
  onRemove,
}: {
  piece: ShellPiece;
  onSave: (label: string, p: ShellPiece) => void;
  onRemove: () => void;
}) {
  const [name, setName] = useState(piece.name);
  useEffect(() => setName(piece.name), [piece.name]);
  const rename = () => {
    const clean = name.trim();
    if (clean && clean !== piece.name) onSave(`Name ${clean}`, { ...piece, name: clean });
    else setName(piece.name);
  };
  const fold = piece.ring.some((e) => e.onFold);
  return (
    <SheetBox>
      <label>
        <Text fontWeight="550" mb="1">
          Name of this piece
        </Text>
        <Input
          mb="3"
          bg="sheet"
          borderColor="rule"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          onBlur={rename}
          onKeyDown={(e) => e.key === 'Enter' && rename()}
        />
      </label>
      <Text mb="1" fontWeight="550">
        What is it?
      </Text>
      <Pick
        label="What is this piece?"
        value={piece.kind}
        options={KINDS.map((k) => [k, KIND_WORDS[k]])}
        onPick={(kind) => onSave(`${piece.name} is: ${KIND_WORDS[kind].toLowerCase()}`, { ...piece, kind })}
      />
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
