import { Box, Button, Flex, Table } from '@chakra-ui/react';
import { useState } from 'react';
import { Link } from 'react-router';
import { type AllowanceSaid, type Shell } from '../../../core/document/project.ts';
import { type Reallowed, type Role } from '../../../core/pattern/index.ts';
import { inSentence } from '../../../core/text.ts';
import { formatLength, type LengthUnit } from '../../../core/units.ts';
import { setDecision } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { ChoiceBlank, LengthBlank, Say } from '../../ui/Sentence.tsx';
import { ROLE_WORDS } from '../../words/index.ts';

/** Edges that can be cut otherwise: not on a fold, and of a piece whose cut line is drawn. */
function edgesOf(w: Workbook, shell: Shell, role?: Role): { piece: string; edge: string; role: Role }[] {
  const drawn = new Set(shell.pieces.filter((p) => (p.drawn ?? shell.lines) === 'cut').map((p) => p.id));
  return w.computed.shell.flatMap((p) =>
    drawn.has(p.id)
      ? p.ring
          .filter((e) => !e.onFold && (!role || e.role === role))
          .map((e) => ({ piece: p.id, edge: e.id, role: e.role }))
      : [],
  );
}

/** A bought pattern cut with allowances of one's own: the seams stay, and a sheet says what to trim off each edge. */
export function ReallowCard({ w, shell }: { w: Workbook; shell: Shell }) {
  const { reallowed } = w.doc.decisions;
  const edges = edgesOf(w, shell);
  const roles = [...new Set(edges.map((e) => e.role))];
  const [role, setRole] = useState<Role | null>(null);
  const [mm, setMm] = useState(w.doc.units === 'in' ? 6.35 : 6);
  const chosen = role && roles.includes(role) ? role : roles[0];
  const save = (label: string, next: AllowanceSaid[]): void =>
    setDecision(w, 'reallowed', next, { words: label, told: true });
  if (!chosen) return null;
  const cut = (): void => {
    const of = edgesOf(w, shell, chosen).map(({ piece, edge }) => ({ piece, edge, allowance: mm }));
    const rest = reallowed.filter((r) => !of.some((e) => e.piece === r.piece && e.edge === r.edge));
    save(`${ROLE_WORDS[chosen]} cut with ${formatLength(mm, w.doc.units)}`, [...rest, ...of]);
  };
  return (
    <Box mb="4">
      <Say>
        The seams stay where your pattern has them; its{' '}
        <ChoiceBlank
          label="Edges to cut otherwise"
          value={chosen}
          said={inSentence(ROLE_WORDS[chosen])}
          ways={roles.map((id) => ({ id, words: ROLE_WORDS[id] }))}
          onPick={setRole}
        />{' '}
        can be cut with{' '}
        <LengthBlank
          label="Allowance to cut them with"
          value={mm}
          units={w.doc.units}
          least={0}
          most={80}
          atMost={300}
          onPreview={setMm}
          onValue={setMm}
        />{' '}
        instead.
      </Say>
      <Flex gap="3" wrap="wrap" mb="2">
        <Button size="sm" variant="outline" borderColor="rule" onClick={cut}>
          Cut them so
        </Button>
        {reallowed.length > 0 && (
          <Button size="sm" variant="ghost" onClick={() => save('Cut with the allowances of the pattern', [])}>
            All as in the pattern
          </Button>
        )}
      </Flex>
      {w.computed.reallowed.length > 0 && (
        <>
          <Box as="ul" pl="5" mb="2">
            {w.computed.reallowed.map((c) => (
              <li key={`${c.piece}/${c.edge}`}>
                {c.name}, {inSentence(ROLE_WORDS[c.role])}: <b>{trimWords(c, w.doc.units)}</b>
              </li>
            ))}
          </Box>
          <Link to="trim" style={{ textDecoration: 'underline' }}>
            Print what to trim
          </Link>
        </>
      )}
    </Box>
  );
}

/** What to do to an edge of the pattern before cutting. */
const trimWords = (c: Reallowed, units: LengthUnit): string =>
  c.now < c.was ? `trim ${formatLength(c.was - c.now, units)} off` : `add ${formatLength(c.now - c.was, units)}`;

/** What to cut off each edge of the pattern, or to add. */
export function TrimSheet({ changes, units }: { changes: Reallowed[]; units: LengthUnit }) {
  const mm = (v: number): string => formatLength(v, units);
  return (
    <Table.Root size="sm">
      <HeadRow heads={['Piece', 'Edge', 'Pattern', 'Cut with', 'Before cutting']} />
      <Table.Body>
        {changes.map((c) => (
          <Table.Row key={`${c.piece}/${c.edge}`} bg="transparent">
            <Table.Cell>{c.name}</Table.Cell>
            <Table.Cell>{ROLE_WORDS[c.role]}</Table.Cell>
            <Table.Cell>{mm(c.was)}</Table.Cell>
            <Table.Cell>{mm(c.now)}</Table.Cell>
            <Table.Cell fontWeight="600">{trimWords(c, units)}</Table.Cell>
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}
