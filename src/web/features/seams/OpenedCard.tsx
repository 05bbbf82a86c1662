import { Box, Button, Heading, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { type JoinSaid } from '../../../core/document/project.ts';
import { isSaid, type PanelEdge, type Surface, saidJoin, unsaid, unsewnEdges } from '../../../core/garment/index.ts';
import { type Material, type Piece } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { OpenedOut } from '../../drawing/OpenedOut.tsx';
import { useTall } from '../../drawing/useTall.ts';
import { Pick } from '../../ui/Ask.tsx';
import { Chip } from '../../ui/Chip.tsx';
import { SheetBox } from '../../ui/Page.tsx';
import { MATERIAL_WORDS, ROLE_WORDS } from '../../words/index.ts';

interface Props {
  w: Workbook;
  lit: ReadonlySet<string>;
  /** Chooses a seam in the list. */
  onChoose: (id: string) => void;
}

/** More pieces of cloth than this are not to be told apart in one drawing. */
const MOST = 200;

/** An edge as it is called beside the drawing. */
const named = (s: Surface, e: PanelEdge): string => {
  const panel = s.panels.find((p) => p.id === e.panel);
  return `${panel?.name ?? e.piece} (${ROLE_WORDS[e.role].toLowerCase()})`;
};

/** The garment laid open; a click on an edge chooses its seam, and says what becomes of it. */
export function OpenedCard({ w, lit, onChoose }: Props) {
  const { surface, seams } = w.computed;
  const [picked, setPicked] = useState<string | null>(null);
  const [joining, setJoining] = useState(false);
  const tall = useTall(380, 330);
  const [piece, setPiece] = useState<Piece | null>(null);
  const [shown, setShown] = useState<ReadonlySet<Material>>(NO_LAYERS);
  const drafted = useMemo(() => w.computed.inside.filter((p) => shown.has(p.material)), [w.computed, shown]);
  const alone = useMemo(() => new Set(unsewnEdges(surface).map((e) => `${e.piece}/${e.edge}`)), [surface]);
  const edge = picked === null ? undefined : surface.edges.get(picked);
  const say = (words: string, joins: JoinSaid[]): void => {
    setJoining(false);
    setDecision(w, 'joins', joins, { words, told: true });
  };
  const joinTo = (e: PanelEdge): void => {
    if (!edge || e.key === edge.key) return;
    say(`${named(surface, edge)} to ${named(surface, e)}`, saidJoin(w.doc.decisions.joins, edge, e));
  };
  const click = (e: PanelEdge): void => {
    if (joining) {
      joinTo(e);
      return;
    }
    setPicked(e.key);
    setPiece(null);
    const seam = seams.find((s) => [...s.a, ...s.b].some((x) => x.piece === e.piece && x.edge === e.edge));
    if (seam) onChoose(seam.id);
  };
  if (!surface.panels.length) return null;
  if (surface.panels.length > MOST)
    return (
      <Text color="quiet" mb="4">
        With more than {MOST} pieces of cloth the garment is not laid open here.
      </Text>
    );
  return (
    <SheetBox p="3" mb="5">
      <Heading as="h2" fontSize="20px" fontWeight="600">
        Opened out
      </Heading>
      <Text color="quiet" mb="2">
        The garment laid on the table, seen from the inside. Dashed is sewn, full lines stay open
        {alone.size > 0 && ', amber has nothing to be sewn to'}. Click an edge to see its seam.
      </Text>
      <LayerChips w={w} shown={shown} onShown={setShown} />
      <OpenedOut
        surface={surface}
        units={w.doc.units}
        height={tall}
        lit={lit}
        alone={alone}
        picked={picked}
        onEdge={click}
        shell={w.computed.shell}
        drafted={drafted}
        onPiece={setPiece}
      />
      {piece && <OnPiece w={w} piece={piece} />}
      {edge && <EdgeFate w={w} edge={edge} joining={joining} onJoining={setJoining} onJoin={joinTo} onSay={say} />}
    </SheetBox>
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

/** What an edge is sewn to, as a sentence. */
function fateWords(w: Workbook, e: PanelEdge): string {
  const { surface } = w.computed;
  const mm = (edges: PanelEdge[]) =>
    formatLength(
      edges.reduce((t, x) => t + x.sewn, 0),
      w.doc.units,
    );
  const join = surface.joins.find((j) => [...j.a, ...j.b].some((x) => x.key === e.key));
  if (!join) {
    if (surface.open.has(e.key)) return 'You said that it stays open.';
    return unsewnEdges(surface).some((x) => x.key === e.key)
      ? 'Nothing was found that it is sewn to.'
      : 'It stays open.';
  }
  const [own, other] = join.a.some((x) => x.key === e.key) ? [join.a, join.b] : [join.b, join.a];
  const to = [...new Set(other.map((x) => named(surface, x)))].join(', ');
  const along = own.length > 1 ? `together with what goes on beyond it, ${mm(own)}` : mm(own);
  return `It is sewn to ${to}: ${along} to ${mm(other)}.`;
}

interface FateProps {
  w: Workbook;
  edge: PanelEdge;
  joining: boolean;
  onJoining: (on: boolean) => void;
  onJoin: (e: PanelEdge) => void;
  onSay: (words: string, joins: JoinSaid[]) => void;
}

/** What becomes of an edge, and how to say otherwise: by a click on its partner, or out of a list. */
function EdgeFate({ w, edge, joining, onJoining, onJoin, onSay }: FateProps) {
  const { surface } = w.computed;
  const { joins } = w.doc.decisions;
  const others = [...surface.edges.values()].filter((e) => e.key !== edge.key);
  const half = (e: PanelEdge): string => (e.mirrored ? ', mirrored half' : '');
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" mt="2">
      <Text fontWeight="600">{named(surface, edge)}</Text>
      <Text mb="2">
        {joining ? 'Click the edge it is sewn to, or choose it here.' : fateWords(w, edge)}{' '}
        <Link
          to={`/project/${w.id}/pattern?piece=${edge.piece}&edge=${edge.edge}`}
          style={{ textDecoration: 'underline' }}
        >
          See it on its piece
        </Link>
      </Text>
      {joining ? (
        <Box display="flex" gap="2" flexWrap="wrap" alignItems="center">
          <Box width="20em">
            <Pick
              label="The edge it is sewn to"
              value=""
              options={[
                ['', 'an edge …'],
                ...others.map((e): [string, string] => [e.key, named(surface, e) + half(e)]),
              ]}
              onPick={(key) => {
                const e = surface.edges.get(key);
                if (e) onJoin(e);
              }}
            />
          </Box>
          <Button variant="outline" onClick={() => onJoining(false)}>
            Leave it
          </Button>
        </Box>
      ) : (
        <Box display="flex" gap="2" flexWrap="wrap">
          <Button variant="outline" onClick={() => onJoining(true)}>
            Sew it to another edge
          </Button>
          <Button
            variant="outline"
            onClick={() => onSay(`${named(surface, edge)} stays open`, saidJoin(joins, edge, null))}
          >
            It stays open
          </Button>
          {isSaid(joins, edge) && (
            <Button
              variant="outline"
              onClick={() => onSay(`${named(surface, edge)} as suggested`, unsaid(joins, edge))}
            >
              As suggested
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
