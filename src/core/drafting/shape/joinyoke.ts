import {
  compose,
  crossings,
  endDirection,
  endOf,
  extend,
  mapPath,
  pathLength,
  reversePath,
  rotation,
  translation,
  turn,
} from '../../geometry/index.ts';
import { type Edge, type Piece } from '../../pattern/index.ts';
import { cutRun, orient, run } from './oriented.ts';

/** What a back is called where it was laid together with its yoke for drafting. */
export const withYoke = (back: Piece): string => `${back.id}-with-yoke`;

/** How far a centre back is carried down to look for the hem, mm. */
const REACH = 3000;

/**
 * Yoke and back as one piece for facings and lining, which take the yoke in (common practice): the yoke is laid to the back
 * at the armhole end of their seam, and its centre back carried straight down to the hem, so that a pleat below the yoke
 * is left out. Edges know which piece they come from. Null where either lacks the edges for it.
 */
export function joinYoke(back: Piece, yoke: Piece): Piece | null {
  const b = orient(back, 'yoke-seam', 'armhole');
  const y = orient(yoke, 'centre-back', 'neckline');
  if (!b || !y) return null;
  const flip = b.sign !== y.sign;
  const [seamB, seamY] = [run(b.ring, 'yoke-seam'), run(y.ring, 'yoke-seam')];
  const hem = run(b.ring, 'hem');
  if (!seamB.length || !seamY.length || !hem.length || flip) return null;
  const [pathB, pathY] = [seamB.flatMap((e) => e.path), reversePath(seamY.flatMap((e) => e.path))];
  // Walked alike, both run from centre back to armhole; the yoke is turned about the armhole end.
  const from = endOf(pathY);
  const to = endOf(pathB);
  const m = compose(
    translation(to.x, to.y),
    compose(rotation(turn(endDirection(pathY), endDirection(pathB))), translation(-from.x, -from.y)),
  );
  const upper = y.ring.filter((e) => e.role !== 'yoke-seam').map((e): Edge => ({ ...e, path: mapPath(e.path, m) }));
  const centre = upper.find((e) => e.role === 'centre-back');
  if (!centre) return null;
  const down = extend(centre.path, REACH, 0);
  const hemPath = hem.flatMap((e) => e.path);
  const hit = crossings(down, hemPath).sort((p, q) => q.atA - p.atA)[0];
  const own = hit ? hit.atB : pathLength(hemPath);
  const foot = hit ? hit.point : endOf(hemPath);
  const lowerRing = b.ring.filter((e) => e.role !== 'yoke-seam' && e.role !== 'centre-back' && e.role !== 'hem');
  const path: Edge['path'] = [{ k: 'L', a: foot, b: endOf(centre.path) }];
  const whole: Edge = { ...centre, path };
  const ids = new Set<string>();
  const ring = [whole, ...upper.filter((e) => e.role !== 'centre-back'), ...lowerRing, ...cutRun(hem, 0, own)].map(
    (e) => {
      const id = ids.has(e.id) ? `${e.id}-${e.from?.piece ?? 'b'}` : e.id;
      ids.add(id);
      return { ...e, id };
    },
  );
  return { ...back, ring, lines: back.lines.filter((l) => l.kind !== 'pleat') };
}
