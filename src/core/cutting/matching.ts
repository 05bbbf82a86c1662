import { type Join, type PanelEdge, type Surface } from '../garment/index.ts';
import { distance, endOf, type Path, type Point, pathLength, pointAlong, startOf } from '../geometry/index.ts';
import { type Piece } from '../pattern/index.ts';
import { type Cuttable } from './cutlist.ts';
import { type Match, MEETS, type Meet } from './meets.ts';
import { type LayFault } from './nesting/check.ts';
import { type Cloth, firstLine, foldLies, type Print } from './nesting/cloth.ts';
import { type Lying } from './nesting/lying.ts';
import { type Hold, laying } from './nesting/parts.ts';
import { liesOnScallops } from './nesting/scallops.ts';
import { offSteps } from './nesting/steps.ts';
import { pocketsOf } from './pockets.ts';

/** Lines that miss each other by less meet, mm. */
const MEET = 0.5;
/** How far two notches may be apart along a seam and still be the same, beyond what it is eased by, mm. Own figure. */
const SAME = 15;

interface Along {
  edge: PanelEdge;
  /** From the start of the chain to the start of the edge, mm. */
  from: number;
}

const chained = (edges: readonly PanelEdge[]): { along: Along[]; length: number } => {
  let length = 0;
  const along = edges.map((edge) => {
    const from = length;
    length += pathLength(edge.path);
    return { edge, from };
  });
  return { along, length };
};

interface Sided {
  piece: string;
  kind: Piece['kind'] | undefined;
  /** From the start of the seam, mm. */
  s: number;
  at: Point;
}

/** A point of a panel's edge on its piece, as that is drawn; `s` mm from the start of the edge as the panel runs it. */
function pointOf(edge: PanelEdge, s: number, pieces: ReadonlyMap<string, Piece>): Point | null {
  const path: Path | undefined = pieces.get(edge.piece)?.ring.find((e) => e.id === edge.edge)?.path;
  if (!path) return null;
  const length = pathLength(path);
  return pointAlong(path, Math.min(length, Math.max(0, edge.mirrored ? length - s : s)));
}

/** Notches of a chain; seen from its other end where it is run backwards. */
function notchesOf(edges: readonly PanelEdge[], back: boolean, pieces: ReadonlyMap<string, Piece>): Sided[] {
  const { along, length } = chained(edges);
  return along.flatMap(({ edge, from }) =>
    edge.notches.flatMap((n): Sided[] => {
      const at = pointOf(edge, n, pieces);
      const s = back ? length - from - n : from + n;
      return at ? [{ piece: edge.piece, kind: pieces.get(edge.piece)?.kind, s, at }] : [];
    }),
  );
}

function endPoints(j: Join, pieces: ReadonlyMap<string, Piece>): Match['ends'] {
  const [a0, a1, b0, b1] = [j.a[0], j.a.at(-1), j.b.at(-1), j.b[0]] as [PanelEdge, PanelEdge, PanelEdge, PanelEdge];
  const last = (e: PanelEdge): number => pathLength(e.path);
  const pairs = [
    [pointOf(a0, 0, pieces), pointOf(b0, last(b0), pieces)],
    [pointOf(a1, last(a1), pieces), pointOf(b1, 0, pieces)],
  ];
  return pairs.flatMap(([a, b]) => (a && b ? [{ a, b }] : []));
}

/** Seams round the neck: what stands up from it meets the back at its middle (common practice). */
const AT_BACK: ReadonlySet<Meet> = new Set<Meet>(['collar', 'stand', 'hood']);

/** Where the middle of the back lies on a chain round the neck: where a piece goes on as its own mirrored half; else half of one piece. */
function middleOf(edges: readonly PanelEdge[], back: boolean, pieces: ReadonlyMap<string, Piece>): Sided | null {
  const { along, length } = chained(edges);
  const turn = along.find(({ edge }, i) => {
    const before = along[i - 1]?.edge;
    return before?.piece === edge.piece && before.mirrored !== edge.mirrored;
  });
  const [only] = along.length === 1 ? along : [];
  const here = turn ?? only;
  const at = here && pointOf(here.edge, turn ? 0 : length / 2, pieces);
  if (!here || !at) return null;
  const s = turn ? turn.from : length / 2;
  return { piece: here.edge.piece, kind: pieces.get(here.edge.piece)?.kind, s: back ? length - s : s, at };
}

/** Where the lines of a seam should meet; null where its sides are of one piece: its two cuts lie level anyway. */
function matchOf(j: Join, pieces: ReadonlyMap<string, Piece>): Match | null {
  const code = MEETS.find((m) => m === j.code);
  if (!code) return null;
  const [mine, others] = [notchesOf(j.a, false, pieces), notchesOf(j.b, true, pieces)];
  const longer = chained(j.a).length - chained(j.b).length;
  const give = SAME + Math.abs(longer);
  // From whichever end it is nearer: what is eased lies between.
  const apart = (a: Sided, b: Sided): number => Math.min(Math.abs(a.s - b.s), Math.abs(a.s - b.s - longer));
  const pairs = mine
    .flatMap((a) => others.map((b) => ({ a, b, off: apart(a, b) })))
    .filter(({ a, b, off }) => off <= give && a.piece !== b.piece)
    // A sleeve meets the front (common practice).
    .sort((p, q) => Number(q.b.kind === 'front') - Number(p.b.kind === 'front') || p.off - q.off);
  const ends = endPoints(j, pieces);
  const [p0, q0] = AT_BACK.has(code) ? [middleOf(j.a, false, pieces), middleOf(j.b, true, pieces)] : [null, null];
  const middle = p0 && q0 && apart(p0, q0) <= give && p0.piece !== q0.piece ? [{ a: p0, b: q0 }] : [];
  const [best] = [...middle, ...pairs];
  if (best) return { code, a: { piece: best.a.piece, at: best.a.at }, b: { piece: best.b.piece, at: best.b.at }, ends };
  const [p, q, end] = [j.a[0]?.piece, j.b.at(-1)?.piece, ends[0]];
  return p && q && p !== q && end ? { code, a: { piece: p, at: end.a }, b: { piece: q, at: end.b }, ends } : null;
}

/** Where lines of a print can meet on a garment, each pair of pieces once for every sort of seam. */
export function matchesOf(surface: Surface, shell: readonly Piece[]): Match[] {
  const pieces = new Map(shell.map((p) => [p.id, p]));
  const out = new Map<string, Match>();
  for (const j of surface.joins) {
    const m = matchOf(j, pieces);
    const key = m && `${m.code} ${[m.a.piece, m.b.piece].sort().join(' ')}`;
    if (m && key && !out.has(key)) out.set(key, m);
  }
  for (const m of [...facingsOf(pieces), ...pocketsOf(shell)]) out.set(`${m.code} ${m.b.piece}`, m);
  return [...out.values()].sort((a, b) => MEETS.indexOf(a.code) - MEETS.indexOf(b.code));
}

/** How far a facing's edge may be drawn out from that of its front and still lie on it, mm: as that of a lapel is. Own figure. */
const DRAWN_OUT = 6;

/** Front facings, which lie on their fronts as they are drawn: a lapel that is turned out shows the lines of both. */
function facingsOf(pieces: ReadonlyMap<string, Piece>): Match[] {
  const edgeOf = (p: Piece | undefined): Path | undefined => p?.ring.find((e) => e.role === 'front-edge')?.path;
  return [...pieces.values()].flatMap((p): Match[] => {
    const front = pieces.get(p.parent ?? '');
    const [own, its] = [edgeOf(p), edgeOf(front)];
    if (p.material !== 'facing' || !front || !own || !its) return [];
    const ends = [startOf(own), endOf(own)].filter((e) =>
      [startOf(its), endOf(its)].some((i) => distance(e, i) < DRAWN_OUT),
    );
    // The lower one is not drawn out.
    const at = ends.sort((a, b) => b.y - a.y)[0];
    return at ? [{ code: 'facing', a: { piece: front.id, at }, b: { piece: p.id, at }, ends: [] }] : [];
  });
}

/** A point of the centre line of a piece: its fold, the edge it is sewn or closed at, or the line drawn on it; null where it has none. */
export function centreOf(p: Piece): Point | null {
  const drawn = p.lines.find((l) => l.kind === 'centre-front')?.path;
  const edge = p.ring.find((e) => e.onFold || e.role === 'centre-back' || e.role === 'centre-front')?.path;
  const path = drawn ?? edge;
  if (!path) return null;
  const [a, b] = [startOf(path), endOf(path)];
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

/** How far lines miss each other at a seam, mm: where they meet, at its ends, by as much as a side is eased; else at its notch. */
export interface Off {
  match: Match;
  off: number;
}

/** Where the print has to lie on each piece, at which seams its lines meet then, and which wish can't hold beside the others. */
export interface Held {
  holds: Map<string, Hold>;
  meeting: Off[];
  missed: Off[];
}

type Height = (piece: string, at: Point) => number | null;

type Lays = ReadonlyMap<string, ReturnType<typeof laying>>;

/** How each piece lies upright: how high a point of it lies along its grain, and how far across, mm. */
function laysOf({ pieces, cutLines }: Cuttable, cloth: Cloth): Lays {
  return new Map(
    pieces.flatMap((p) => {
      const cut = cutLines.get(p.id);
      // With its hem on the edge of the cloth a piece lies across the print.
      return cut && !liesOnScallops(p, cloth)
        ? [[p.id, laying(p, cut, cloth, { turn: 0, mirrored: false })] as const]
        : [];
    }),
  );
}

/**
 * Where the print has to lie on each piece so that its lines meet: along the cloth at the seams that are wished, across it on the centre
 * lines. The first piece of those that hang together lies as low as it can; what the others can't keep is told.
 */
export function holdsOf(matches: readonly Match[], centres: boolean, cut: Cuttable, cloth: Cloth): Held {
  const lays = laysOf(cut, cloth);
  const height: Height = (piece, at) => lays.get(piece)?.([at])[0]?.y ?? null;
  const along = new Map<string, { at: Point; rise: number }>();
  const [meeting, missed]: [Off[], Off[]] = [[], []];
  const { print } = cloth;
  const free = new Set(matches);
  const rise = (piece: string, at: Point): number | null => {
    const known = along.get(piece);
    const [h, from] = [height(piece, at), known && height(piece, known.at)];
    return known && h !== null && typeof from === 'number' ? known.rise + h - from : null;
  };
  while (free.size) {
    const linked = [...free].find((m) => along.has(m.a.piece) || along.has(m.b.piece));
    const match = linked ?? ([...free][0] as Match);
    free.delete(match);
    const [a, b] = [match.a, match.b];
    const [ha, hb] = [height(a.piece, a.at), height(b.piece, b.at)];
    if (ha === null || hb === null) continue;
    if (!linked) along.set(a.piece, { at: a.at, rise: cloth.end + ha - print.fromEnd });
    const [ra, rb] = [rise(a.piece, a.at), rise(b.piece, b.at)];
    const off = ra !== null && rb !== null ? offSteps(ra, { from: rb, step: print.along }) : 0;
    if (off > MEET) missed.push({ match, off });
    else meeting.push({ match, off: offAtEnds(match, ha - hb, height) });
    if (ra === null) along.set(a.piece, { at: a.at, rise: rb as number });
    else if (rb === null) along.set(b.piece, { at: b.at, rise: ra });
  }
  const holds = new Map<string, Hold>([...along].map(([piece, at]) => [piece, { along: at }]));
  for (const p of centres && print.across > 0 ? cut.pieces.filter((q) => !liesOnScallops(q, cloth)) : []) {
    const at = centreOf(p);
    if (at) holds.set(p.id, { ...holds.get(p.id), across: { at, rise: 0 } });
  }
  const sideways = print.across > 0 ? meeting.filter(({ match }) => match.across) : [];
  for (const { match: m } of sideways)
    holdAcross(
      m,
      holds,
      lays,
      cut.pieces.find((p) => p.id === m.a.piece),
    );
  return { holds, meeting, missed };
}

/** Across the cloth a piece lies so on its own line as the one it is stitched on does there; that lies on a line there where nothing else says how. */
function holdAcross({ a, b }: Match, holds: Map<string, Hold>, lays: Lays, on: Piece | undefined): void {
  const x = (piece: string, at: Point): number => lays.get(piece)?.([at])[0]?.x ?? 0;
  // Both halves of a piece on the fold lie alike only where its fold lies on a line.
  const fold = on?.cut.onFold ? centreOf(on) : null;
  const under = holds.get(a.piece)?.across ?? { at: fold ?? a.at, rise: 0 };
  holds.set(a.piece, { ...holds.get(a.piece), across: under });
  const rise = under.rise + x(a.piece, a.at) - x(a.piece, under.at);
  holds.set(b.piece, { ...holds.get(b.piece), across: { at: b.at, rise } });
}

/** How far lines miss each other at the ends of a seam whose points lie `apart` in height on the two pieces, mm. */
const offAtEnds = (m: Match, apart: number, height: Height): number =>
  Math.max(
    0,
    ...m.ends.map((e) => {
      const [x, y] = [height(m.a.piece, e.a), height(m.b.piece, e.b)];
      return x === null || y === null ? 0 : Math.abs(x - y - apart);
    }),
  );

/** Where a point of a cut lies in the print, as that is seen on the piece: turned round, from the other side. */
const inPrint = (q: Lying, at: Point, { fromEnd }: Print): number => {
  const y = (q.place([at])[0] as Point).y - fromEnd;
  return q.turn === 180 ? -y : y;
};

/** The same across the cloth: seen from the other side where it lies turned round or mirrored, not both. */
const acrossPrint = (q: Lying, at: Point, cloth: Cloth): number => {
  const x = (q.place([at])[0] as Point).x - firstLine(cloth);
  return (q.turn === 180) !== q.mirrored ? -x : x;
};

/** Which lines of the print do not meet as they should, of a lay made by whomever: out of where the pieces lie alone. */
export function printFaults(
  lying: readonly Lying[],
  matches: readonly Match[],
  centres: boolean,
  cloth: Cloth,
): LayFault[] {
  const { along, across } = cloth.print;
  const seams = matches.flatMap(({ a, b, across: sideways }): LayFault[] => {
    const placed = [a, b].flatMap(({ piece, at }) => lying.filter((q) => q.piece === piece).map((q) => ({ q, at })));
    const apart = (where: (q: Lying, at: Point) => number, step: number): number => {
      const places = placed.map(({ q, at }) => where(q, at));
      return Math.max(0, ...places.map((v) => offSteps(v, { from: places[0] as number, step })));
    };
    const off = Math.max(
      along > 0 ? apart((q, at) => inPrint(q, at, cloth.print), along) : 0,
      // Of a piece on the fold of the cloth its two halves lie alike.
      sideways && across > 0 && !foldLies(cloth) ? apart((q, at) => acrossPrint(q, at, cloth), across) : 0,
    );
    return off > MEET ? [{ code: 'off-print', piece: a.piece, other: b.piece, off }] : [];
  });
  const lines = (centres && across > 0 ? lying : []).flatMap((q): LayFault[] => {
    const at = centreOf(q.shape);
    if (!at || (foldLies(cloth) && q.shape.cut.onFold)) return [];
    const off = offSteps((q.place([at])[0] as Point).x, { from: firstLine(cloth), step: across });
    return off > MEET ? [{ code: 'off-line', piece: q.piece, copy: q.copy, off }] : [];
  });
  return [...seams, ...lines];
}
