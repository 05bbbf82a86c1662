import { type PanelEdge } from '../../garment/index.ts';
import { pathLength } from '../../geometry/index.ts';
import { type Piece, type Role } from '../../pattern/index.ts';
import { type Garment } from '../drafted.ts';
import { beside } from '../shape/oriented.ts';

/** Where a piece of a body lining is raised for the sleeve that is set into it. */
export interface Underarms {
  /** No sleeve: the armhole is drawn smaller instead. */
  sleeveless: boolean;
  /** Seams that come up to the underarm, at whose upper ends the piece is raised. */
  seams: ReadonlySet<Role>;
  /** The underarm lies within the piece, between two seams: all of its armhole is raised. */
  between: boolean;
}

const SIDE: ReadonlySet<Role> = new Set<Role>(['side']);
const PANEL: ReadonlySet<Role> = new Set<Role>(['panel-seam']);
const NONE: ReadonlySet<Role> = new Set<Role>();

/**
 * Where the underarm of a piece lies: at its side seam; where an armhole meets no side seam at all, in the piece that holds
 * the armhole's middle, and at the seams with that. Common practice.
 */
export function underarmsOf(g: Garment, p: Piece, sleeveless: boolean): Underarms {
  const none = { sleeveless, seams: NONE, between: false };
  const own = beside(p.ring, 'armhole');
  if (sleeveless || own.includes('side')) return { ...none, seams: SIDE };
  const cap = g.joins.find((j) => j.code === 'cap' && [...j.a, ...j.b].some((e) => e.piece === p.id));
  const chain = cap && [cap.a, cap.b].find((side) => side.some((e) => e.piece === p.id && e.role === 'armhole'));
  if (!chain) return none;
  const pieces = new Map(g.shell.map((q) => [q.id, q]));
  // With a side seam anywhere in the armhole the underarm lies there, and not at this piece.
  if (chain.some((e) => beside(pieces.get(e.piece)?.ring ?? [], 'armhole').includes('side'))) return none;
  const round = fromShoulder(g, chain);
  const lengths = round.map((e) => pathLength(e.path));
  let left = lengths.reduce((t, l) => t + l, 0) / 2;
  const middle = round.find((_, i) => {
    left -= lengths[i] ?? 0;
    return left <= 0;
  });
  if (!middle) return none;
  if (middle.piece === p.id) return { ...none, seams: PANEL, between: true };
  const meets = g.joins.some(
    (j) =>
      j.code === 'panel' &&
      [j.a, j.b].some((side) => side.some((e) => e.piece === p.id)) &&
      [j.a, j.b].some((side) => side.some((e) => e.piece === middle.piece)),
  );
  return meets ? { ...none, seams: PANEL } : none;
}

/** An armhole begun at the shoulder, whichever edge it was found from: its middle is then the underarm. */
function fromShoulder(g: Garment, chain: PanelEdge[]): PanelEdge[] {
  const afterShoulder = (e: PanelEdge): boolean => {
    const ring = g.surface.panels.find((p) => p.id === e.panel)?.ring ?? [];
    return ring[(ring.findIndex((x) => x.key === e.key) + ring.length - 1) % ring.length]?.role === 'shoulder';
  };
  const first = chain.findIndex(afterShoulder);
  return first > 0 ? [...chain.slice(first), ...chain.slice(0, first)] : chain;
}
