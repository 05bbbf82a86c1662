import { usualClosure } from '../core/closure/choices.ts';
import { usualDecisions } from '../core/document/project.ts';

/** A saved document of any version, not looked at yet. */
export type Plain = Record<string, unknown>;

/** In version 1 a piece on the fold was cut once, whatever its count said. */
function onePerFold(shell: unknown): unknown {
  const pieces = (shell as { pieces?: { count?: number; ring?: { onFold?: boolean }[] }[] } | null)?.pieces;
  if (!Array.isArray(pieces)) return shell;
  const folded = (p: (typeof pieces)[number]): boolean =>
    Array.isArray(p?.ring) && p.ring.some((e) => e?.onFold === true);
  return { ...(shell as object), pieces: pieces.map((p) => (folded(p) ? { ...p, count: 1 } : p)) };
}

/** Decisions that version 2 knows beside those of version 1, as a project of version 1 was derived: none of them. */
function withFacingsOfEdges(doc: Plain): Plain {
  const d = (doc.decisions ?? {}) as Record<string, Plain>;
  const { facing, lining, interfacing } = usualDecisions();
  const added = {
    facing: { bands: facing.bands, inOne: 0, turn: facing.turn, finish: facing.finish, bias: facing.bias },
    lining: { smaller: lining.smaller, darts: lining.darts, skirt: lining.skirt, zip: lining.zip },
    interfacing: { collars: interfacing.collars, hems: 0, stay: 0 },
  };
  return {
    ...doc,
    ...(doc.shell !== undefined && { shell: onePerFold(doc.shell) }),
    schema: 2,
    decisions: { ...d, ...withUsual(d, added) },
  };
}

/** Decisions that version 3 knows beside those of version 2, as a project of version 2 was derived. */
function withVents(doc: Plain): Plain {
  const d = (doc.decisions ?? {}) as Record<string, Plain>;
  const { facing, lining, interfacing } = usualDecisions();
  const { kind, out, breakAt, deep, hood } = facing;
  const { vent, slit, self, body, sleeves, pockets, pleatLength } = lining;
  const { front, stand, zip, patches } = interfacing;
  const { ribDepth, ribShare } = lining.hem;
  const old = (d.lining ?? {}) as Record<string, Plain>;
  const ribbed = (key: 'hem' | 'wrist'): Plain => ({ ribDepth, ribShare, ...old[key] });
  const added = {
    facing: { kind, out, breakAt, deep, hood },
    lining: { vent, slit, self, body, sleeves, pockets, pleatLength },
    interfacing: { front, stand, zip, patches },
  };
  const merged = withUsual(d, added);
  return {
    ...doc,
    schema: 3,
    decisions: { ...d, ...merged, lining: { ...merged.lining, hem: ribbed('hem'), wrist: ribbed('wrist') } },
  };
}

/** Version 4 knows how the garment is put together: a project of version 3 by the usual methods. */
const withMaking = (doc: Plain): Plain => ({
  ...doc,
  schema: 4,
  decisions: { making: usualDecisions().making, ...(doc.decisions as Plain) },
});

/**
 * Version 5 knows where every button goes and why: a project of version 4 as it was, its ends held where they were set and
 * its gaps to the millimetre.
 */
function withClosings(doc: Plain): Plain {
  const d = (doc.decisions ?? {}) as Record<string, Plain>;
  const asItWas = { ...usualClosure(), bottomGive: 0, rounding: 'fine' };
  return { ...doc, schema: 5, decisions: { ...d, closure: { ...asItWas, ...d.closure } } };
}

/** Version 6 keeps what was said of joins: in a project of version 5 nothing was. */
const withJoins = (doc: Plain): Plain => ({ ...doc, schema: 6, decisions: { joins: [], ...(doc.decisions as Plain) } });

/** Parts of the decisions with what they lack. */
const withUsual = (d: Record<string, Plain>, added: Record<string, Plain>): Record<string, Plain> =>
  Object.fromEntries(Object.entries(added).map(([key, more]) => [key, { ...more, ...d[key] }]));

/** Forward migrations: `migrations[n]` takes a document of version n to n + 1. */
export const migrations: Record<number, (doc: Plain) => Plain> = {
  1: withFacingsOfEdges,
  2: withVents,
  3: withMaking,
  4: withClosings,
  5: withJoins,
};
export const CURRENT_SCHEMA = 6;
