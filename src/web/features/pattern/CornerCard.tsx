import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { sentenceOf } from '../../../contract/findings.ts';
import { type ShellEdge, type ShellPiece } from '../../../core/document/project.ts';
import { pathLength, pointAlong } from '../../../core/geometry/index.ts';
import {
  addLine,
  addMark,
  drawnPlace,
  dropNotch,
  gatherLine,
  grainAlong,
  joinEdge,
  type Laid,
  laidLine,
  moveCorner,
  type Piece,
  partEdge,
  setNotch,
} from '../../../core/pattern/index.ts';
import { ok, type Result } from '../../../core/result.ts';
import { formatLength } from '../../../core/units.ts';
import { type Workbook } from '../../data/useProject.ts';
import { LengthBlank, Say } from '../../ui/Sentence.tsx';
import { ROLE_WORDS } from '../../words/index.ts';
import { GatherCard } from './GatherCard.tsx';
import { LayCard } from './LayCard.tsx';

/** The piece with a dart or pleat laid on its edge, or why it does not lie there. */
function laidOn(piece: ShellPiece, edge: ShellEdge, laid: Laid): Result<ShellPiece> {
  const line = laidLine(edge, laid);
  return line.ok ? ok(addLine(piece, line.value)) : line;
}

interface Props {
  w: Workbook;
  piece: ShellPiece;
  computed: Piece;
  edge: ShellEdge;
  /** The marked place, mm along the edge as it is drawn on screen. */
  mark: number | null;
  onMark: (at: number | null) => void;
  onSave: (label: string, p: ShellPiece) => void;
}

/** Corners and notches of one edge: parted, joined, moved and set at the marked place. */
export function CornerCard({ w, piece, computed, edge, mark, onMark, onSave }: Props) {
  const [wrong, setWrong] = useState<string | null>(null);
  const units = w.doc.units;
  const now = computed.ring.find((e) => e.id === edge.id);
  const next = piece.ring[(piece.ring.indexOf(edge) + 1) % piece.ring.length];
  if (!now) return null;
  const length = pathLength(now.path);
  const at = mark === null ? null : drawnPlace(edge, now, mark);
  const role = ROLE_WORDS[edge.role].toLowerCase();
  const put = (label: string, made: Result<ShellPiece>) => {
    setWrong(made.ok ? null : made.findings.map((f) => sentenceOf(f, units)).join(' '));
    if (!made.ok) return;
    onSave(`${piece.name}, ${role}: ${label}`, made.value);
    onMark(null);
  };
  const button = (words: string, work: () => void) => (
    <Button size="sm" variant="outline" borderColor="rule" onClick={work}>
      {words}
    </Button>
  );
  return (
    <Box mb="4">
      <Say>
        {at === null ? 'To part it or notch it, set a mark on it, ' : 'A mark stands on it '}
        <LengthBlank
          label="Mark on this edge"
          value={mark ?? length / 2}
          units={units}
          least={0}
          most={length}
          atMost={length}
          help="Or click the edge once more; or Shift and an arrow key."
          onPreview={onMark}
          onValue={onMark}
        />{' '}
        from its start{at === null ? '.' : ':'}
      </Say>
      {at !== null && (
        <Flex gap="2" wrap="wrap" mb="3">
          {button('Part the edge here', () => put('parted', partEdge(piece, edge.id, at)))}
          {button('The corner belongs here', () => put('corner moved', moveCorner(piece, edge.id, at)))}
          {button('Notch here', () => put('notch', { ok: true, value: setNotch(piece, edge.id, at, 'single') }))}
          {button('Start or stop dot here', () =>
            put('dot', { ok: true, value: addMark(piece, { kind: 'dot', at: pointAlong(edge.path, at) }) }),
          )}
          {button('Double notch here', () =>
            put('double notch', { ok: true, value: setNotch(piece, edge.id, at, 'double') }),
          )}
        </Flex>
      )}
      {at !== null && (
        <LayCard edge={edge} at={at} units={units} onLay={(laid) => put(laid.kind, laidOn(piece, edge, laid))} />
      )}
      <GatherCard
        key={edge.id}
        length={length}
        units={units}
        onGather={(g) => {
          const line = gatherLine(now, g);
          put('gathered', line.ok ? ok(addLine(piece, line.value)) : line);
        }}
      />
      {wrong && (
        <Text role="alert" color="berry" mb="2">
          {wrong}
        </Text>
      )}
      <Flex gap="2" wrap="wrap">
        {next &&
          next !== edge &&
          button(`Join with the ${ROLE_WORDS[next.role].toLowerCase()} after it`, () =>
            put('joined', joinEdge(piece, edge.id)),
          )}
        {button('Lay the grainline along this edge', () => put('grainline', ok(grainAlong(piece, edge))))}
      </Flex>
      {piece.notches
        .filter((n) => n.edge === edge.id)
        .map((n) => (
          <Flex key={n.at} align="center" gap="3" mt="2">
            <Text>
              {n.kind === 'double' ? 'Double notch' : 'Notch'} at {formatLength(n.at, units)}
            </Text>
            <Box>
              <Button
                size="xs"
                variant="ghost"
                onClick={() => onSave(`${piece.name}, ${role}: notch away`, dropNotch(piece, n))}
              >
                take away
              </Button>
            </Box>
          </Flex>
        ))}
    </Box>
  );
}
