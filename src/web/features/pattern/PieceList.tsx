import { Box, Button, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { type Shell, type ShellPiece } from '../../../core/document/project.ts';
import { boxOf } from '../../../core/geometry/index.ts';
import { isUnsure, outlineOf } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { upright } from '../../drawing/upright.ts';
import { KIND_WORDS } from '../../words/index.ts';

/** Pieces listed at once; a pattern with more is looked through by name. */
const SHOWN = 40;
/** From so many pieces on the list scrolls by itself, so that the questions below stay near. */
const LONG = 6;

interface Props {
  w: Workbook;
  shell: Shell;
  chosen: string;
  onChoose: (id: string) => void;
}

/** The pieces of the pattern, one of them chosen; a long list can be narrowed by name. */
export function PieceList({ w, shell, chosen, onChoose }: Props) {
  const [sought, setSought] = useState('');
  const [most, setMost] = useState(SHOWN);
  const words = sought.trim().toLowerCase();
  const found = shell.pieces.filter((p) => p.name.toLowerCase().includes(words));
  const long = shell.pieces.length > LONG;
  return (
    <Box mb="4">
      {shell.pieces.length > SHOWN && (
        <Input
          mb="2"
          bg="sheet"
          borderColor="rule"
          placeholder={`Find one of ${shell.pieces.length} pieces by its name`}
          aria-label="Find a piece by its name"
          value={sought}
          onChange={(e) => setSought(e.target.value)}
        />
      )}
      <Box {...(long && { maxH: '380px', overflowY: 'auto', p: '1', m: '-1' })}>
        {found.slice(0, most).map((p) => (
          <PieceButton key={p.id} w={w} p={p} chosen={p.id === chosen} onChoose={onChoose} />
        ))}
        {found.length === 0 && <Text color="quiet">No piece is called so.</Text>}
        {found.length > most && (
          <Button size="sm" variant="ghost" w="full" onClick={() => setMost(most + SHOWN)}>
            Show {Math.min(SHOWN, found.length - most)} more of {found.length}
          </Button>
        )}
      </Box>
    </Box>
  );
}

interface PieceButtonProps {
  w: Workbook;
  p: ShellPiece;
  chosen: boolean;
  onChoose: (id: string) => void;
}

function PieceButton({ w, p, chosen, onChoose }: PieceButtonProps) {
  const piece = w.computed.shell.find((q) => q.id === p.id);
  const box = piece && boxOf(outlineOf(upright(piece, undefined).piece.ring));
  const unsure = p.ring.filter(isUnsure).length;
  const unnamed = p.ring.filter((e) => e.role === 'plain').length;
  return (
    <Button
      variant="outline"
      w="full"
      h="auto"
      minH="44px"
      gap="3"
      py="1"
      mb="1"
      justifyContent="flex-start"
      textAlign="left"
      whiteSpace="normal"
      bg={chosen ? 'leaf.subtle' : 'sheet'}
      borderColor={chosen ? 'leaf.solid' : 'rule'}
      aria-pressed={chosen}
      onClick={() => onChoose(p.id)}
    >
      <Text as="span" fontWeight="650" mr="auto">
        {p.name}
      </Text>
      <Text as="span" fontSize="15px" color="quiet" fontWeight="400" textAlign="right">
        {[
          KIND_WORDS[p.kind] !== p.name && KIND_WORDS[p.kind],
          box &&
            `${formatLength(box.maxX - box.minX, w.doc.units, 0)} × ${formatLength(box.maxY - box.minY, w.doc.units, 0)}`,
          unsure > 0 && `${unsure} edge${unsure === 1 ? '' : 's'} guessed`,
          unnamed > 0 && `${unnamed} edge${unnamed === 1 ? '' : 's'} not named`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </Button>
  );
}
