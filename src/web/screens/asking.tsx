import { Box, Text } from '@chakra-ui/react';
import { type Decisions } from '../../core/document/project.ts';
import { allEdges, type PieceKind, type Role } from '../../core/pattern/index.ts';
import { formatLength } from '../../core/units.ts';
import { Tick } from '../parts/Ask.tsx';
import { Measure } from '../parts/Measure.tsx';
import { ROLE_WORDS } from '../words/index.ts';
import { type Deciding } from './deciding.ts';

type Lengths<T> = { [K in keyof T]: T[K] extends number ? K : never }[keyof T];

interface AskLength<K extends keyof Decisions> {
  of: K;
  key: Lengths<Decisions[K]> & string;
  label: string;
  least: number;
  most: number;
  help?: string;
}

/** One length of the decisions, previewed while the slider moves and saved under its label. */
export function Length<K extends keyof Decisions>({
  d,
  of,
  key_,
  label,
  least,
  most,
  help,
}: Omit<AskLength<K>, 'key'> & { d: Deciding; key_: AskLength<K>['key'] }) {
  const units = d.w.doc.units;
  const value = (d.w.doc.decisions[of] as Record<string, unknown>)[key_] as number;
  const part = (v: number) => ({ [key_]: v }) as Partial<Decisions[K]>;
  return (
    <Measure
      label={label}
      value={value}
      least={least}
      most={most}
      units={units}
      {...(help && { help })}
      onPreview={(v) => d.set(of, part(v))}
      onValue={(v) => d.set(of, part(v), `${label}: ${formatLength(v, units)}`)}
    />
  );
}

export const hide = (on: boolean, children: React.ReactNode) => (on ? children : <Text color="quiet">Left out.</Text>);

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
  label: string;
  value: number;
  /** What is proposed when it is switched on, mm. */
  usual: number;
  least: number;
  most: number;
  help?: string;
  put: (v: number, label?: string) => void;
}

/** A width that may be none: a tick, and a slider when there is one. */
export function Width({ d, label, value, usual, least, most, help, put }: WidthProps) {
  const units = d.w.doc.units;
  return (
    <Box mb="3">
      <Tick
        label={label}
        checked={value > 0}
        onTick={(on) => put(on ? usual : 0, on ? label : `No ${label.toLowerCase()}`)}
      />
      {value > 0 && (
        <Measure
          label="Its width"
          value={value}
          least={least}
          most={most}
          units={units}
          {...(help && { help })}
          onPreview={(v) => put(v)}
          onValue={(v) => put(v, `${label}: ${formatLength(v, units)}`)}
        />
      )}
    </Box>
  );
}
