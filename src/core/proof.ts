import { type Computed } from './compute.ts';
import { effective } from './effective.ts';
import {
  directionAlong,
  endDirection,
  nearestOn,
  offsetPath,
  outward,
  type Point,
  pathLength,
  pointAlong,
  ringsArea,
  startDirection,
  turn,
  union,
} from './geometry/index.ts';
import { splitShell } from './inside/index.ts';
import { cutLine, type Edge, flatRing, grainDirection, notchesMeet, type WalkedSeam } from './pattern/index.ts';
import { type Decisions } from './project.ts';

/** One thing looked over: how often it was looked at, and where it does not hold. */
export interface Check {
  code: 'seams' | 'notches' | 'union' | 'grain' | 'hem' | 'cut';
  /** How many of it were looked at; none is no proof. */
  looked: number;
  faults: { piece: string; edge?: string; value: number }[];
  /** The worst that was found, mm, mm² (union), degrees (grain) or per cent (hem). */
  worst: number;
}

/** How far grainlines may lie from each other (degrees), a piece's area from that of its parts (mm²). */
const GRAIN_OFF = 0.1;
const AREA_OFF = 5;
/** More than this share of a hem's length cannot be eased in where it lands (3 %, handbook figure from memory). */
const HEM_OFF = 3;
/** A cut line may stray so far from its distance to the seam line (mm). */
const CUT_OFF = 0.1;
const NOTCH_OFF = 1;

const fits = (s: WalkedSeam): boolean => s.verdict === 'matches' || s.verdict === 'ease-as-meant';

/** Every derived seam walked to its partner. */
function seams(c: Computed): Check {
  const inside = c.seams.filter((s) => s.group !== 'shell');
  const off = inside.filter((s) => !fits(s));
  const beyond = (s: WalkedSeam): number => Math.abs(s.differenceMm - s.easeMm);
  return {
    code: 'seams',
    looked: inside.length,
    faults: off.map((s) => ({ piece: s.a[0]?.piece ?? '', ...(s.a[0] && { edge: s.a[0].edge }), value: beyond(s) })),
    worst: Math.max(0, ...inside.map(beyond)),
  };
}

/** Notches of the inside land on those of what they are sewn to. */
function notches(c: Computed): Check {
  const found = c.seams
    .filter((s) => s.group !== 'shell' && s.easeOf === undefined)
    .flatMap((s) => {
      const apart = notchesMeet(s, c.pieces);
      return apart === null ? [] : [{ seam: s, apart }];
    });
  return {
    code: 'notches',
    looked: found.length,
    faults: found.filter((f) => f.apart > NOTCH_OFF).map((f) => ({ piece: f.seam.a[0]?.piece ?? '', value: f.apart })),
    worst: Math.max(0, ...found.map((f) => f.apart)),
  };
}

/** Facing and lining together are the shell, before any ease: areas by polygon clipping. */
function wholeness(c: Computed, d: Decisions): Check {
  if (!d.facing.on || !d.lining.on) return { code: 'union', looked: 0, faults: [], worst: 0 };
  const parts = splitShell(c.shell, d);
  const found = [parts.front, parts.back, parts.sleeve].flatMap((s) => {
    if (!s) return [];
    const whole = ringsArea([flatRing(s.oriented.piece.ring)]);
    const both = ringsArea(union([flatRing(s.facing), flatRing(s.lining)]));
    return [{ piece: s.oriented.piece.id, value: Math.abs(Math.abs(both) - Math.abs(whole)) }];
  });
  return {
    code: 'union',
    looked: found.length,
    faults: found.filter((f) => f.value > AREA_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** Grainlines of the inside run as their shell's; strips on the bias are meant to differ. */
function grains(c: Computed): Check {
  const found = c.inside
    .filter((p) => !p.reasons.some((r) => r.rule === 'hem-strip' || r.rule === 'bias-length'))
    .flatMap((p) => {
      const parent = c.shell.find((s) => s.id === p.parent);
      if (!parent) return [];
      const [a, b] = [grainDirection(p), grainDirection(parent)];
      const off = (Math.asin(Math.min(1, Math.abs(a.x * b.y - a.y * b.x))) * 180) / Math.PI;
      return [{ piece: p.id, value: off }];
    });
  return {
    code: 'grain',
    looked: found.length,
    faults: found.filter((f) => f.value > GRAIN_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** The raw edge of a turned hem against the place it lands on: what is longer has to be eased in. */
function hems(c: Computed): Check {
  // Where a cuff is sewn on, the wrist is no hem.
  const cuffed = c.shell.some((p) => p.kind === 'cuff');
  const found = c.shell.flatMap((p) =>
    (cuffed ? (['hem'] as const) : (['hem', 'wrist'] as const)).flatMap((role) => {
      const edges = p.ring.filter((e) => e.role === role && !e.onFold && e.allowance > 0);
      const depth = edges[0]?.allowance ?? 0;
      if (!edges.length) return [];
      const path = edges.flatMap((e) => e.path);
      const [raw, place] = [pathLength(offsetPath(path, depth)), pathLength(offsetPath(path, -depth))];
      // Mirrored corners shorten both alike; what is left comes from the hem's own curve.
      const over = ((raw - place) / place) * 100;
      return [{ piece: p.id, edge: edges[0]?.id ?? '', value: Math.abs(over) }];
    }),
  );
  return {
    code: 'hem',
    looked: found.length,
    faults: found.filter((f) => f.value > HEM_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** A place straight out from an edge by its allowance: the cut line has to run through it. Rings run clockwise. */
function outside(e: Edge, share: number): Point {
  const at = pathLength(e.path) * share;
  const [p, n] = [pointAlong(e.path, at), outward(directionAlong(e.path, at))];
  return { x: p.x + n.x * e.allowance, y: p.y + n.y * e.allowance };
}

/** Within the allowance of another edge, or of its own beyond a tight hollow, a place is no part of the cut line. */
const isOwn = (ring: Edge[], p: Point): boolean =>
  ring.every((e) => nearestOn(e.path, p).distance > e.allowance - CUT_OFF / 2);

/**
 * How much of an edge's own cut line a corner takes away, mm along the edge: two lines at distances a and b from their
 * edges, which turn by θ, meet (b − a cos θ)/sin θ from the corner; inward of it at a hollow corner, beyond it else.
 */
function takenAt(a: number, b: number, angle: number): number {
  const theta = Math.abs(angle);
  if (theta < 0.05 || theta > Math.PI - 0.05) return 0;
  const meets = (b - a * Math.cos(theta)) / Math.sin(theta);
  return Math.max(0, angle < 0 ? meets : -meets);
}

const PLACES = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9];

/** Shares of an edge at which the cut line is its own: not taken by its corners or by another edge's allowance. */
function ownPlaces(ring: Edge[], i: number): number[] {
  const n = ring.length;
  const [before, e, after] = [ring[(i + n - 1) % n], ring[i], ring[(i + 1) % n]] as [Edge, Edge, Edge];
  const length = pathLength(e.path);
  const from = takenAt(e.allowance, before.allowance, turn(endDirection(before.path), startDirection(e.path))) / length;
  const to = takenAt(e.allowance, after.allowance, turn(endDirection(e.path), startDirection(after.path))) / length;
  const left = 1 - from - to;
  return left <= 0 ? [] : PLACES.map((k) => from + left * k).filter((k) => isOwn(ring, outside(e, k)));
}

/** Every cut line keeps its distance from its seam line, looked at from the middle of each edge. */
function cutDistances(c: Computed): Check {
  const found = [...c.inside, ...c.recut].flatMap((p) => {
    const outline = (c.cutLines.get(p.id) ?? cutLine(p.ring)).outline;
    return p.ring.flatMap((e, i) => {
      const off = (k: number): number => nearestOn(outline, outside(e, k)).distance;
      // Beside a corner a place can be cut off; the best of three near the middle is its own.
      const value = Math.min(...[0.4, 0.5, 0.6].map(off));
      if (value <= CUT_OFF) return [{ piece: p.id, edge: e.id, value }];
      // A stub between corners, a hollow tighter than the allowance: looked at where the cut line is its own, if anywhere.
      const own = ownPlaces(p.ring, i).map(off);
      return own.length ? [{ piece: p.id, edge: e.id, value: Math.min(...own) }] : [];
    });
  });
  return {
    code: 'cut',
    looked: found.length,
    faults: found.filter((f) => f.value > CUT_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** All that is looked over when the inside is drafted: a short list that holds, or says where it does not. */
export const proofOf = (c: Computed, d: Decisions): Check[] =>
  [seams(c), notches(c), wholeness(c, effective(d)), grains(c), hems(c), cutDistances(c)].filter((k) => k.looked > 0);
