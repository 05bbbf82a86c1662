import { type Path, pathLength } from '../geometry/index.ts';
import { type Suggestion, UNSURE } from './roles.ts';
import { type PieceKind, type Role } from './types.ts';

/** A piece, and the ways its edges may be read, the likeliest by shape alone first. */
export interface Readings {
  paths: Path[];
  ranked: Suggestion[];
}

/** How much a rule that is not kept at all counts against the shape. Own figure: the shapes of two ways round differ by less. */
const WEIGHT = 0.12;
/** A ratio so far outside its range breaks the rule wholly. */
const SLACK = 0.25;
/** Rounds of looking whether another reading of one piece goes better with the others. */
const ROUNDS = 4;
/** Readings that come as near as this to the one taken leave it unsure. */
const CLOSE = 0.012;

/** Total length of each role in one piece, by half where it is drawn whole, and how many stretches it comes in. */
type Lengths = Map<Role, { total: number; runs: number[] }>;

function lengthsOf(paths: Path[], roles: Role[]): Lengths {
  const out: Lengths = new Map();
  const n = roles.length;
  const first = Math.max(
    0,
    roles.findIndex((r, i) => r !== roles[(i + n - 1) % n]),
  );
  for (let k = 0; k < n; k++) {
    const i = (first + k) % n;
    const role = roles[i] as Role;
    const length = pathLength(paths[i] as Path);
    const had = out.get(role) ?? { total: 0, runs: [] };
    if (k > 0 && roles[(i + n - 1) % n] === role) had.runs[had.runs.length - 1] = (had.runs.at(-1) as number) + length;
    else had.runs.push(length);
    out.set(role, { ...had, total: had.total + length });
  }
  return out;
}

interface Read {
  kind: PieceKind;
  lengths: Lengths;
  /** Two for a body drawn whole: its lengths are those of both halves. */
  halves: 1 | 2;
}

function readOf(paths: Path[], s: Suggestion): Read {
  const lengths = lengthsOf(paths, s.roles);
  return { kind: s.kind, lengths, halves: (lengths.get('side')?.runs.length ?? 0) > 1 ? 2 : 1 };
}

/** Length of a role over the pieces of these kinds: of one half of the garment, unlike fronts evened out. */
function over(all: Read[], kinds: PieceKind[], role: Role): number {
  return kinds.reduce((sum, kind) => {
    const own = all.filter((r) => r.kind === kind && r.lengths.has(role));
    const each = own.map((r) => (r.lengths.get(role)?.total ?? 0) / r.halves);
    return sum + (each.length ? each.reduce((a, b) => a + b, 0) / each.length : 0);
  }, 0);
}

/** How far a ratio lies outside its range, 0…1; nothing to say where a length is missing. */
function broken(a: number, b: number, least: number, most: number, slack = SLACK): number {
  if (a <= 0 || b <= 0) return 0;
  const off = Math.max(least - a / b, a / b - most, 0);
  return Math.min(1, off / slack);
}

const BODY = { front: ['front', 'front-side'], back: ['back', 'back-side'] } satisfies Record<string, PieceKind[]>;
const upper: PieceKind[] = ['front', 'front-side', 'back', 'back-side', 'yoke'];
const skirts: PieceKind[] = ['skirt-front', 'skirt-back'];

/**
 * What lengths sewn together have in common, and what one piece's own edges do. Ranges leave room for ease, darts and
 * gathers. Common practice; the ranges are our own.
 */
const ACROSS: ((all: Read[]) => number)[] = [
  (a) => broken(over(a, BODY.front, 'side'), over(a, BODY.back, 'side'), 0.95, 1.1),
  (a) => broken(over(a, ['skirt-front'], 'side'), over(a, ['skirt-back'], 'side'), 0.95, 1.06),
  (a) => broken(over(a, BODY.front, 'shoulder'), over(a, [...BODY.back, 'yoke'], 'shoulder'), 0.88, 1.1),
  (a) => broken(over(a, ['front'], 'panel-seam'), over(a, ['front-side'], 'panel-seam'), 0.94, 1.06),
  (a) => broken(over(a, ['back'], 'panel-seam'), over(a, ['back-side'], 'panel-seam'), 0.94, 1.06),
  (a) => broken(over(a, ['sleeve'], 'elbow-seam'), over(a, ['under-sleeve'], 'elbow-seam'), 0.94, 1.08),
  (a) => broken(over(a, ['sleeve'], 'forearm-seam'), over(a, ['under-sleeve'], 'forearm-seam'), 0.94, 1.06),
  (a) => broken(over(a, ['sleeve', 'under-sleeve'], 'cap'), over(a, upper, 'armhole'), 0.93, 1.18),
  (a) => broken(over(a, skirts, 'waist'), over(a, upper, 'waist'), 0.85, 2.6),
  (a) => broken(over(a, ['yoke'], 'yoke-seam'), over(a, ['back'], 'yoke-seam'), 0.6, 1.1),
  // A front is cut lower at the neck than its back.
  (a) => broken(over(a, ['back'], 'neckline'), over(a, ['front'], 'neckline'), 0, 0.9),
  // A garment has both a front and a back.
  (a) => alone(a, 'front', 'back') + alone(a, 'skirt-front', 'skirt-back'),
];

const alone = (all: Read[], front: PieceKind, back: PieceKind): number => {
  const [f, b] = [front, back].map((k) => all.filter((r) => r.kind === k).length) as [number, number];
  return (f === 0) === (b === 0) || f + b < 2 ? 0 : 0.5;
};

const total = (lengths: Lengths, role: Role): number => lengths.get(role)?.total ?? 0;

const WITHIN: ((r: Read) => number)[] = [
  // Both underarm edges of a sleeve are sewn to each other.
  ({ kind, lengths }) => {
    const [a, b] = lengths.get('underarm')?.runs ?? [];
    return kind === 'sleeve' && a && b ? broken(a, b, 0.95, 1.05) : 0;
  },
  // A piece drawn whole has two sides alike.
  ({ lengths, halves }) => {
    const [a, b] = lengths.get('side')?.runs ?? [];
    return halves === 2 && a && b ? broken(a, b, 0.99, 1.01, 0.03) : 0;
  },
  // A skirt is hardly narrower at its hem than at its waist.
  ({ kind, lengths }) => (skirts.includes(kind) ? broken(total(lengths, 'waist'), total(lengths, 'hem'), 0, 1.05) : 0),
  // The neck edge of a collar or stand is one of its two long ones; the other has the short ends beside it.
  ({ lengths }) =>
    broken(total(lengths, 'collar-neck'), total(lengths, 'collar-outer'), 0.45, 1) +
    broken(total(lengths, 'stand-neck'), total(lengths, 'stand-top'), 0.6, 1.1),
  ({ kind, lengths }) =>
    kind === 'front' || kind === 'back' ? broken(total(lengths, 'neckline'), total(lengths, 'side'), 0, 1.3) : 0,
  // A back reaches higher at its centre than below the arm, and its neck is shorter than its armhole.
  ({ kind, lengths }) =>
    kind === 'back'
      ? broken(total(lengths, 'side'), total(lengths, 'centre-back') + total(lengths, 'vent'), 0, 1) +
        broken(total(lengths, 'neckline'), total(lengths, 'armhole'), 0, 1)
      : 0,
];

/**
 * One reading for each piece, so that shapes are met and what is sewn together is of a length: begins with the likeliest
 * of each and changes one or two at a time while that is better for all. A reading that hardly beats another is unsure.
 */
export function agreeing(pieces: Readings[]): Suggestion[] {
  const reads = pieces.map((p) => p.ranked.map((s) => readOf(p.paths, s)));
  const worth = (pick: number[]): number => {
    const all = pick.map((k, i) => reads[i]?.[k] as Read);
    const shape = pick.reduce((s, k, i) => s + (pieces[i]?.ranked[k]?.believed ?? 0), 0);
    const across = ACROSS.reduce((s, rule) => s + rule(all), 0);
    const within = all.reduce((s, r) => s + WITHIN.reduce((t, rule) => t + rule(r), 0), 0);
    return shape - WEIGHT * (across + within);
  };
  let pick = pieces.map(() => 0);
  for (let round = 0; round < ROUNDS; round++) {
    const before = worth(pick);
    pick = better(pieces, pick, worth);
    if (worth(pick) <= before + 1e-9) break;
  }
  const best = worth(pick);
  return pick.map((k, i) => {
    const s = pieces[i]?.ranked[k] as Suggestion;
    const rival = pieces[i]?.ranked.some(
      (_, o) => o !== k && worth(pick.map((v, j) => (j === i ? o : v))) > best - CLOSE,
    );
    return rival ? { ...s, confidence: Math.min(s.confidence, UNSURE) } : s;
  });
}

/** The best change of one piece after the other, then of two at a time: a front and a back may both lie upside down. */
function better(pieces: Readings[], from: number[], worth: (pick: number[]) => number): number[] {
  let pick = from;
  let best = worth(pick);
  const attempt = (next: number[]): void => {
    const w = worth(next);
    if (w > best + 1e-9) [pick, best] = [next, w];
  };
  const many = (i: number): number => pieces[i]?.ranked.length ?? 0;
  const open = pieces.map((_, i) => i).filter((i) => many(i) > 1);
  for (const i of open) for (let k = 0; k < many(i); k++) attempt(pick.map((v, j) => (j === i ? k : v)));
  if (open.length > MOST_PAIRED) return pick;
  for (const i of open)
    for (const j of open.filter((o) => o > i))
      for (let a = 0; a < many(i); a++)
        for (let b = 0; b < many(j); b++) attempt(pick.map((v, m) => (m === i ? a : m === j ? b : v)));
  return pick;
}

/** Patterns of more pieces than this are settled one piece at a time. */
const MOST_PAIRED = 14;
