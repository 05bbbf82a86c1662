import { Box, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type PanelEdge, unsewnEdges } from '../../../core/garment/index.ts';
import { type Material, type Piece, type WalkedSeam } from '../../../core/pattern/index.ts';
import { type Workbook } from '../../data/useProject.ts';
import { OpenedOut } from '../../drawing/OpenedOut.tsx';
import { Spread } from '../../drawing/Spread.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Chip } from '../../ui/Chip.tsx';
import { MATERIAL_WORDS } from '../../words/index.ts';

interface Props {
  w: Workbook;
  lit: ReadonlySet<string>;
  seam: WalkedSeam | undefined;
  /** The edge that was clicked. */
  picked: string | null;
  onEdge: (e: PanelEdge) => void;
}

/** More pieces of cloth than this are not to be told apart in one drawing. */
const MOST = 200;

/** The garment laid open, or the pieces of the seam that is looked at; a click on an edge chooses its seam. */
export function OpenedView({ w, lit, seam, picked, onEdge }: Props) {
  const { surface, pieces, cutLines } = w.computed;
  const many = surface.panels.length > MOST;
  const [apart, setApart] = useState(false);
  const tall = useTall(190, 330);
  const [piece, setPiece] = useState<Piece | null>(null);
  const [shown, setShown] = useState<ReadonlySet<Material>>(NO_LAYERS);
  const drafted = useMemo(() => w.computed.inside.filter((p) => shown.has(p.material)), [w.computed, shown]);
  const alone = useMemo(() => new Set(unsewnEdges(surface).map((e) => `${e.piece}/${e.edge}`)), [surface]);
  const opened = surface.panels.length > 0 && !many && !apart;
  const its = [...(seam?.a ?? []), ...(seam?.b ?? [])];
  return (
    <>
      <Box display="flex" gap="2" flexWrap="wrap" mb="2">
        {surface.panels.length > 0 && !many && (
          <Box display="flex" gap="2" role="group" aria-label="Drawn as" mr="3">
            <Chip on={opened} onClick={() => setApart(false)}>
              Opened out
            </Chip>
            <Chip on={!opened} onClick={() => setApart(true)}>
              Its pieces
            </Chip>
          </Box>
        )}
        {opened && <LayerChips w={w} shown={shown} onShown={setShown} />}
      </Box>
      {opened ? (
        <OpenedOut
          surface={surface}
          units={w.doc.units}
          height={tall}
          lit={lit}
          alone={alone}
          picked={picked}
          onEdge={(e) => {
            setPiece(null);
            onEdge(e);
          }}
          shell={w.computed.shell}
          drafted={drafted}
          onPiece={setPiece}
          place="seams"
        />
      ) : (
        <Spread
          pieces={pieces.filter((p) => its.some((s) => s.piece === p.id))}
          cutLines={cutLines}
          units={w.doc.units}
          height={tall}
          label="The pieces of this seam, its edges lit"
          lit={lit}
          place="seam-pieces"
        />
      )}
      {piece && opened ? (
        <OnPiece w={w} piece={piece} />
      ) : (
        <Text color="quiet" fontSize="15px">
          {opened
            ? `Laid on the table, seen from the inside. Dashed is sewn, full lines stay open${
                alone.size ? ', amber has nothing to be sewn to' : ''
              }. Click an edge to see its seam.`
            : many && `With more than ${MOST} pieces of cloth the garment is not laid open here.`}
        </Text>
      )}
    </>
  );
}

const NO_LAYERS: ReadonlySet<Material> = new Set();
const LAYERS: Material[] = ['facing', 'lining', 'interfacing'];

/** Which layers lie on the shell in the drawing. */
function LayerChips({
  w,
  shown,
  onShown,
}: {
  w: Workbook;
  shown: ReadonlySet<Material>;
  onShown: (s: ReadonlySet<Material>) => void;
}) {
  const there = LAYERS.filter((m) => w.computed.inside.some((p) => p.material === m));
  if (!there.length) return null;
  const toggled = (m: Material): ReadonlySet<Material> =>
    new Set(LAYERS.filter((x) => (x === m ? !shown.has(x) : shown.has(x))));
  return (
    <Box display="flex" gap="2" flexWrap="wrap" mb="2" role="group" aria-label="Layers on the shell">
      {there.map((m) => (
        <Chip key={m} on={shown.has(m)} onClick={() => onShown(toggled(m))}>
          {MATERIAL_WORDS[m].letter} · {MATERIAL_WORDS[m].word}
        </Chip>
      ))}
    </Box>
  );
}

/** A drafted piece that was clicked: what it is, and the way to where it is decided. */
function OnPiece({ w, piece }: { w: Workbook; piece: Piece }) {
  return (
    <Text borderTopWidth="1px" borderColor="rule" pt="3" mt="2">
      <b>{piece.name}</b>, {MATERIAL_WORDS[piece.material].word.toLowerCase()}.{' '}
      <Link to={`/project/${w.id}/inside?part=${piece.material}`} style={{ textDecoration: 'underline' }}>
        See how it is drafted
      </Link>
    </Text>
  );
}
