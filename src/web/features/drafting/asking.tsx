import { Button } from '@chakra-ui/react';
import { type Part } from '../../../core/document/decided.ts';
import { type Decisions } from '../../../core/document/project.ts';
import { allEdges, type PieceKind, type Role } from '../../../core/pattern/index.ts';
import { formatLength } from '../../../core/units.ts';
import { blanks, type Fields } from '../../ui/fields.tsx';
import { type Extra, LengthBlank } from '../../ui/Sentence.tsx';
import { ROLE_WORDS } from '../../words/index.ts';
import { type Deciding } from './deciding.ts';

/** The fields of one part of the decisions as blanks. */
export const asked = <K extends 'facing' | 'lining' | 'interfacing', F extends Fields<Decisions[K]>>(
  d: Deciding,
  key: K,
  fields: F & Fields<Decisions[K]>,
) =>
  blanks<Decisions[K], F>(fields, d.w.doc.decisions[key], d.w.doc.units, (part, words) =>
    d.set(key, part as Part<K>, words),
  );

/** What the shell is made of, as far as the questions hang on it. */
export const shellOf = (d: Deciding) => {
  const { shell } = d.w.computed;
  return {
    has: (...kinds: PieceKind[]): boolean => shell.some((p) => kinds.includes(p.kind)),
    edge: (role: Role, ...kinds: PieceKind[]): boolean =>
      shell.some((p) => (!kinds.length || kinds.includes(p.kind)) && allEdges(p).some((e) => e.role === role)),
    darts: shell.some((p) => p.lines.some((l) => l.kind === 'dart')),
    lined: (piece: string): boolean => d.w.computed.inside.some((p) => p.material === 'lining' && p.parent === piece),
    seamed: (role: Role): boolean => shell.some((p) => p.ring.some((e) => e.role === role && !e.onFold)),
  };
};

/** An edge of the shell as it is chosen out of a list; all of a piece where there is no edge. */
export interface EdgeChoice {
  piece: string;
  edge: string | null;
  words: string;
}

/** Every edge of the shell that lies on no fold, and where it is asked for every piece as a whole. */
export const edgeChoices = (d: Deciding, whole = false): EdgeChoice[] =>
  d.w.computed.shell.flatMap((p): EdgeChoice[] => [
    ...p.ring
      .filter((e) => !e.onFold)
      .map((e) => ({ piece: p.id, edge: e.id, words: `${p.name}, ${ROLE_WORDS[e.role].toLowerCase()}` })),
    ...(whole ? [{ piece: p.id, edge: null, words: `${p.name}, all of it` }] : []),
  ]);

interface WidthProps {
  d: Deciding;
  /** What is added, as it is offered and kept in the history. */
  label: string;
  value: number;
  /** What is proposed when it is added, mm. */
  first: number;
  least: number;
  most: number;
  usual?: readonly [number, number];
  help?: string;
  /** The sentence it stands in, round its blank. */
  say: readonly [string, string];
  put: (v: number, label?: string) => void;
}

/** A width that may be none: offered under its name, and a sentence with its width once it is there. */
export function widthExtra({ d, label, value, first, say: [before, after], put, ...more }: WidthProps): Extra {
  const units = d.w.doc.units;
  return {
    label,
    on: value > 0,
    onAdd: () => put(first, label),
    said: (
      <>
        {before}{' '}
        <LengthBlank
          label={`${label}, width`}
          value={value}
          units={units}
          {...more}
          onPreview={(v) => put(v)}
          onValue={(v) => put(v, `${label}: ${formatLength(v, units)}`)}
        >
          <Button size="sm" variant="outline" borderColor="rule" mt="3" onClick={() => put(0, `No more: ${label}`)}>
            Leave it out
          </Button>
        </LengthBlank>
        {after}
      </>
    ),
  };
}
