import { type Point, ringsArea } from '../../geometry/index.ts';
import { type Cloth, usable } from './cloth.ts';
import { type Laid } from './construct.ts';
import { convexHull } from './convex.ts';
import { TOUCH } from './nofit.ts';
import { type LayPart, type Way } from './parts.ts';

/** A part that has this share of its hull's area counts as convex: what lies in its hollows would be shut out. */
const FULL = 0.98;
/** Two go together where their common hull holds no more than this share of the smaller one besides them. Own figure. */
const WASTE = 0.02;
/**
 * Of two ways that lose as little the one where edges are as long as each other, go on straight at both ends, and what it makes fills its
 * box and is small: a share of the cloth's width squared. Own figures.
 */
const [UNLIKE, BENT, UNFILLED, LARGE] = [0.01, 0.005, 0.001, 0.002];
/** Less is no corner: the sine of the turn. */
const CORNER = 0.01;
/** Edges that stray no more from lying along each other are laid against each other, as far apart as they stray, mm. */
const ALONG = 0.3;
/** Edges that are shorter say nothing of how parts go together, mm. */
const SHORT = 5;

/** Parts that lie against each other so that hardly anything is lost, in a box from the origin. */
export interface Cluster {
  laid: Laid[];
  /** Their common hull, anticlockwise for y up. */
  hull: Point[];
  area: number;
  wide: number;
  long: number;
}

interface Pairing {
  a: Cluster;
  b: Cluster;
  /** How badly they go together, 0 well: above all what is lost, as a share of the smaller one. */
  cost: number;
  made: Cluster;
}

const moved = (laid: readonly Laid[], x: number, y: number): Laid[] =>
  laid.map((l) => ({ ...l, at: { x: l.at.x + x, y: l.at.y + y } }));

function clusterOf(laid: readonly Laid[], hullOf: readonly Point[]): Cluster {
  const hull = convexHull(hullOf);
  const [xs, ys] = [hull.map((p) => p.x), hull.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  const [wide, long] = [Math.max(...xs) - x, Math.max(...ys) - y];
  const at = hull.map((p) => ({ x: p.x - x, y: p.y - y }));
  return { laid: moved(laid, -x, -y), hull: at, area: ringsArea([at]), wide, long };
}

const alone = (part: LayPart, way: Way): Cluster => clusterOf([{ part, way, at: { x: 0, y: 0 } }], way.outline);

/** The cluster turned half round; null where one of its parts may not lie so. */
function turnedRound({ laid, hull, wide, long }: Cluster): Cluster | null {
  const over: Laid[] = [];
  for (const { part, way, at } of laid) {
    const other = part.ways.find((w) => w.mirrored === way.mirrored && (w.turn - way.turn + 360) % 360 === 180);
    if (!other) return null;
    over.push({ part, way: other, at: { x: wide - at.x - way.wide, y: long - at.y - way.long } });
  }
  return clusterOf(
    over,
    hull.map((p) => ({ x: wide - p.x, y: long - p.y })),
  );
}

/** The ways a cluster may be laid beside another: a part alone in all of its own. */
function waysOf(c: Cluster): Cluster[] {
  const [one] = c.laid;
  if (c.laid.length === 1 && one) return one.part.ways.map((w) => alone(one.part, w));
  const over = turnedRound(c);
  return over ? [c, over] : [c];
}

interface Contact extends Point {
  /** The shorter of the two edges, mm, and which share of the longer it is. */
  along: number;
  share: number;
}

/** Where `b` would have to lie so that an edge of its hull lies along one of `a`'s, end to end with it at one of their ends. */
function* contacts(a: Cluster, b: Cluster, gap: number): Generator<Contact> {
  for (const [i, p] of a.hull.entries()) {
    const q = a.hull[(i + 1) % a.hull.length] as Point;
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const long = Math.hypot(dx, dy);
    for (const [j, r] of b.hull.entries()) {
      const s = b.hull[(j + 1) % b.hull.length] as Point;
      const [ex, ey] = [s.x - r.x, s.y - r.y];
      const other = Math.hypot(ex, ey);
      const along = Math.min(long, other);
      const stray = Math.abs(dx * ey - dy * ex) / long;
      if (dx * ex + dy * ey >= 0 || stray > ALONG || along < SHORT) continue;
      const [ox, oy] = [(dy / long) * (gap + stray), (-dx / long) * (gap + stray)];
      const share = along / Math.max(long, other);
      yield { x: q.x - r.x + ox, y: q.y - r.y + oy, along, share };
      yield { x: p.x - s.x + ox, y: p.y - s.y + oy, along, share };
    }
  }
}

const corners = (r: readonly Point[]): number =>
  r.filter((p, i) => {
    const [a, b] = [r[(i + r.length - 1) % r.length] as Point, r[(i + 1) % r.length] as Point];
    const [ux, uy, vx, vy] = [p.x - a.x, p.y - a.y, b.x - p.x, b.y - p.y];
    return ux * vy - uy * vx > CORNER * Math.hypot(ux, uy) * Math.hypot(vx, vy);
  }).length;

/** How two lie best against each other; null where too much would be lost. */
function pairing(a: Cluster, b: Cluster, ways: readonly Cluster[], cloth: Cloth, doubt: number): Pairing | null {
  const [from, to] = usable(cloth);
  const least = Math.min(a.area, b.area);
  let best: Pairing | null = null;
  for (const way of ways)
    for (const { x, y, along, share } of contacts(a, way, cloth.gap)) {
      const hull = convexHull([...a.hull, ...way.hull.map((p) => ({ x: p.x + x, y: p.y + y }))]);
      // The strip that is kept between them is lost wherever they lie.
      const waste = (ringsArea([hull]) - a.area - b.area - cloth.gap * along) / least;
      if (waste > Math.min(WASTE, best?.cost ?? WASTE)) continue;
      const made = clusterOf([...a.laid, ...moved(way.laid, x, y)], hull);
      const bent = corners(made.hull) - corners(a.hull) - corners(way.hull) + 4;
      const cost =
        waste +
        UNLIKE * (1 - share) +
        BENT * bent +
        UNFILLED * (1 - made.area / (made.wide * made.long)) +
        (LARGE * made.area) / (to - from) ** 2 +
        doubt;
      if (made.wide <= to - from + TOUCH && cost < (best?.cost ?? Number.POSITIVE_INFINITY))
        best = { a, b, cost, made };
    }
  return best;
}

/**
 * Parts put together two and two where they lie against each other without loss, those that lose least first, until no two do: pairwise
 * clustering, as published for strip packing (Elkeran 2013, from memory). What is hollow stays alone. `doubt`: what is added to how badly
 * two go together, another each time it is asked: of ways that are as good now one comes first, now the other.
 */
export function clusters(parts: readonly LayPart[], cloth: Cloth, doubt: () => number): Cluster[] {
  const full = ({ outline }: Way): boolean => ringsArea([outline]) >= FULL * ringsArea([convexHull(outline)]);
  const [together, single] = [new Map<Cluster, Cluster[]>(), [] as Cluster[]];
  for (const p of parts) {
    const [way] = p.ways;
    if (!way) continue;
    const c = alone(p, way);
    if (p.atFold || p.within || !full(way)) single.push(c);
    else together.set(c, waysOf(c));
  }
  let pairs: Pairing[] = [];
  const meet = (a: Cluster, others: Iterable<readonly [Cluster, readonly Cluster[]]>): void => {
    for (const [b, ways] of others) {
      const found = pairing(a, b, ways, cloth, doubt());
      if (found) pairs.push(found);
    }
  };
  const met: [Cluster, Cluster[]][] = [];
  for (const one of together) {
    meet(one[0], met);
    met.push(one);
  }
  while (pairs.length) {
    const { a, b, made } = pairs.reduce((x, y) => (y.cost < x.cost ? y : x));
    pairs = pairs.filter((p) => ![p.a, p.b].some((c) => c === a || c === b));
    together.delete(a);
    together.delete(b);
    meet(made, together);
    together.set(made, waysOf(made));
  }
  return [...together.keys(), ...single];
}

/** A cluster as one part, and how its own parts lie in each of its ways. */
export function asPart(c: Cluster, copy: number): { part: LayPart; within: Map<Way, Laid[]> } {
  const [one] = c.laid;
  const within = new Map<Way, Laid[]>();
  if (c.laid.length === 1 && one) {
    for (const way of one.part.ways) within.set(way, [{ part: one.part, way, at: { x: 0, y: 0 } }]);
    return { part: one.part, within };
  }
  for (const [k, { laid, hull, wide, long }] of waysOf(c).entries())
    within.set({ turn: 180 * k, mirrored: false, outline: hull, wide, long }, laid);
  return { part: { piece: '', copy, atFold: false, ways: [...within.keys()] }, within };
}
