import { Box, Button, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link } from 'react-router';
import { type JoinSaid } from '../../../core/document/project.ts';
import { isSaid, type PanelEdge, type Surface, saidJoin, unsaid, unsewnEdges } from '../../../core/garment/index.ts';
import { formatLength } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { Pick } from '../../ui/Ask.tsx';
import { ROLE_WORDS } from '../../words/index.ts';

/** An edge as it is called beside the drawing. */
const named = (s: Surface, e: PanelEdge): string => {
  const panel = s.panels.find((p) => p.id === e.panel);
  return `${panel?.name ?? e.piece} (${ROLE_WORDS[e.role].toLowerCase()})`;
};

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

/** Sewing an edge to another one: whether its partner is looked for, and what is said once it is found. */
export function useJoining(w: Workbook) {
  const { surface } = w.computed;
  const [on, setOn] = useState(false);
  const say = (words: string, joins: JoinSaid[]): void => {
    setOn(false);
    setDecision(w, 'joins', joins, { words, told: true });
  };
  const join = (edge: PanelEdge, e: PanelEdge): void => {
    if (e.key !== edge.key)
      say(`${named(surface, edge)} to ${named(surface, e)}`, saidJoin(w.doc.decisions.joins, edge, e));
  };
  return { on, setOn, say, join };
}

interface FateProps {
  w: Workbook;
  edge: PanelEdge;
  joining: ReturnType<typeof useJoining>;
}

/** What becomes of an edge, and how to say otherwise: by a click on its partner, or out of a list. */
export function EdgeFate({ w, edge, joining }: FateProps) {
  const { surface } = w.computed;
  const { joins } = w.doc.decisions;
  const others = [...surface.edges.values()].filter((e) => e.key !== edge.key);
  const half = (e: PanelEdge): string => (e.mirrored ? ', mirrored half' : '');
  return (
    <Box borderTopWidth="1px" borderColor="rule" pt="3" mt="2" mb="2">
      <Text fontWeight="600">{named(surface, edge)}</Text>
      <Text mb="2">
        {joining.on ? 'Click the edge it is sewn to, or choose it here.' : fateWords(w, edge)}{' '}
        <Link
          to={`/project/${w.id}/pattern?piece=${edge.piece}&edge=${edge.edge}`}
          style={{ textDecoration: 'underline' }}
        >
          See it on its piece
        </Link>
      </Text>
      {joining.on ? (
        <Box display="flex" gap="2" flexWrap="wrap" alignItems="center">
          <Box width="100%">
            <Pick
              label="The edge it is sewn to"
              value=""
              options={[
                ['', 'an edge …'],
                ...others.map((e): [string, string] => [e.key, named(surface, e) + half(e)]),
              ]}
              onPick={(key) => {
                const e = surface.edges.get(key);
                if (e) joining.join(edge, e);
              }}
            />
          </Box>
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => joining.setOn(false)}>
            Leave it
          </Button>
        </Box>
      ) : (
        <Box display="flex" gap="2" flexWrap="wrap">
          <Button size="sm" variant="outline" borderColor="rule" onClick={() => joining.setOn(true)}>
            Sew it to another edge
          </Button>
          <Button
            size="sm"
            borderColor="rule"
            variant="outline"
            onClick={() => joining.say(`${named(surface, edge)} stays open`, saidJoin(joins, edge, null))}
          >
            It stays open
          </Button>
          {isSaid(joins, edge) && (
            <Button
              size="sm"
              borderColor="rule"
              variant="outline"
              onClick={() => joining.say(`${named(surface, edge)} as suggested`, unsaid(joins, edge))}
            >
              As suggested
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}
