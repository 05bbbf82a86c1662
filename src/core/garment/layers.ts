import { compose, mapPath, type Path } from '../geometry/index.ts';
import { allEdges, outlineOf, type Piece, ringsOf } from '../pattern/index.ts';
import { type OpenedOut } from './openedout.ts';
import { copiesOn } from './panels.ts';

/** A piece drafted from the shell where it lies in the garment laid open; on the fold it lies there twice. */
export interface Layered {
  piece: Piece;
  panel: string;
  /** As often as it lies there: its outline, and round the openings cut into it. */
  outlines: Path[][];
  /** Its edges, of every copy. */
  edges: { edge: string; path: Path }[];
}

/** A piece that is cut as a strip or put together from several lies nowhere on its shell piece. */
const liesOnShell = (p: Piece): boolean => p.ring.some((e) => e.from !== undefined);

/**
 * Facings, linings and interfacings on the panels they were drafted from, each where it lies on the table. Where left and right
 * differ each lies on its own half.
 */
export function layersOf(opened: OpenedOut, shell: Piece[], drafted: Piece[]): Layered[] {
  return opened.panels.flatMap(({ panel, motion }): Layered[] => {
    const parent = shell.find((p) => p.id === panel.piece);
    if (!parent) return [];
    const own = (p: Piece): boolean => {
      if (p.parent !== parent.id || !liesOnShell(p)) return false;
      const oneHalf = p.cut.count === 1 && !p.cut.onFold && panel.half !== 'whole';
      return !oneHalf || (panel.half === 'mirrored') === Boolean(p.cut.turned);
    };
    const copies = copiesOn(parent, panel.half).map((m) => compose(motion, m));
    return drafted.filter(own).map((piece) => ({
      piece,
      panel: panel.id,
      outlines: copies.map((m) => ringsOf(piece).map((ring) => mapPath(outlineOf(ring), m))),
      edges: copies.flatMap((m) => allEdges(piece).map((e) => ({ edge: e.id, path: mapPath(e.path, m) }))),
    }));
  });
}
