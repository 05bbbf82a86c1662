import { type LayAnswer, type LayBody } from '../../contract/http.ts';
import { isPlain, type Laying, laid, lyingOutline, partsOfOutlines, plainCloth } from '../../core/cutting/index.ts';
import { type Point, ringsArea } from '../../core/geometry/index.ts';

/** A lay, or the piece whose outline crosses itself. */
export type LayMade = LayAnswer | { crossed: string };

/** Outlines to be laid on a strip. */
export interface LayJob {
  lay: LayBody;
}

const points = (ring: readonly (readonly [number, number])[]): Point[] => ring.map(([x, y]) => ({ x, y }));

/** Lays outlines on a strip as short as can be found in the time that is given; the same seed tries the same. */
export function layOutlines({ lay: b }: LayJob): LayMade {
  const cloth = plainCloth(b.widthMm, { gap: b.gapMm });
  const rings = new Map(b.pieces.map((p) => [p.id, points(p.outline)]));
  // Looked at here and not where it is asked: an outline may cross itself a million times.
  const crossed = b.pieces.find((p) => !isPlain(rings.get(p.id) ?? []));
  if (crossed) return { crossed: crossed.id };
  const parts = partsOfOutlines(b.pieces.map((p) => ({ ...p, ring: rings.get(p.id) ?? [] })));
  const until = performance.now() + b.seconds * 1000;
  let best: Laying | null = null;
  for (const lay of laid(parts, cloth, b.seed)) {
    best = lay;
    if (performance.now() > until) break;
  }
  const placed = (best?.placed ?? []).map(({ piece, copy, turn, mirrored, x, y }) => {
    const ring = lyingOutline(rings.get(piece) ?? [], turn, mirrored);
    const outline = ring.map((p): [number, number] => [p.x + x, p.y + y]);
    return { id: piece, copy, mirrored, turnDeg: turn, outline };
  });
  const length = Math.max(0, ...placed.flatMap((p) => p.outline.map(([, y]) => y)));
  const net = placed.reduce((t, p) => t + ringsArea([points(p.outline)]), 0);
  return {
    lengthMm: length,
    density: length ? net / (length * b.widthMm) : 0,
    placed,
    notPlaced: (best?.left ?? []).map(({ piece, copy }) => ({ id: piece, copy })),
  };
}
