import { type Surface } from '../garment/index.ts';
import { ringsArea } from '../geometry/index.ts';
import { type Edge, type Piece } from '../pattern/index.ts';
import { type ClothSaid, type CuttingChoice, cutFrom } from './cloths.ts';
import { type Cuttable } from './cutlist.ts';
import { type Held, holdsOf, matchesOf, printFaults } from './matching.ts';
import { type Match } from './meets.ts';
import { type LayFault, layFaults } from './nesting/check.ts';
import { clothOf, onTable, type Placed, spanOf, usable, wideOf } from './nesting/cloth.ts';
import { type Lying, laidLength, lyingOf } from './nesting/lying.ts';
import { isCutSingly, layersFor, widthOf } from './nesting/parts.ts';
import { bentHems, isHem, isScalloped, liesOnScallops } from './nesting/scallops.ts';
import { isPatch } from './pockets.ts';

/** What is wider by less, mm, is not. */
const OVER = 0.05;

/** How a cloth stands: what is cut from it, how that lies, and what is wrong with it. Lengths in mm. */
export interface Standing extends Held {
  mine: Piece[];
  /** The lay that is kept; undefined where there is none yet. */
  kept: readonly Placed[] | undefined;
  lying: Lying[];
  /** So long the lay is, so much cloth it takes, and with what is kept to cut anew. */
  length: number;
  takes: number;
  needs: number;
  /** What two layers would cut wrongly: it is cut from one layer, elsewhere. */
  singly: Piece[];
  /** What is wider than can be used of it, and by how much. */
  tooWide: { piece: Piece; over: number }[];
  /** Patch pockets that are to meet the print and do not say where they go. */
  unplaced: Piece[];
  /** Of a lace with finished edges: whose hems lie on them, and whose bend by too much for it. */
  hemmed: Piece[];
  bent: { piece: Piece; bend: number }[];
  faults: LayFault[];
}

interface Made extends Cuttable {
  surface: Surface;
}

/** Where lines are to meet: at the seams that are wished, of pieces that are cut from it; those along the cloth at pockets alone. */
const matchesHere = (cloth: ClothSaid, mine: readonly Piece[], surface: Surface): Match[] =>
  matchesOf(surface, mine).filter(
    (m) => cloth.meet.includes(m.code) && (cloth.print.along > 0 || (cloth.print.across > 0 && m.across)),
  );

/** How long what is there of it lies on the table, without what is kept, mm. */
const there = (cloth: ClothSaid): number => onTable(cloth, cloth.owned - cloth.recut);

/** What lies beyond the end of the cloth that is there, or on what is kept of it; nothing where it is still to be bought. */
export function beyond(cloth: ClothSaid, lying: readonly Lying[]): Piece[] {
  if (!cloth.owned) return [];
  const end = there(cloth) - cloth.end;
  return [...new Set(lying.filter((q) => q.ring.some((p) => p.y > end)).map((q) => q.shape))];
}

/** Of so many pieces all choices of what to cut elsewhere are looked at; of more the largest go first. */
const FEW = 14;

/**
 * The fewest pieces that have to be cut from another cloth so that the rest is likely to fit on what is there, of these the smallest: what
 * is left fills its length as well as all of them do now.
 */
export function awayFrom(cloth: ClothSaid, lying: readonly Lying[]): Piece[] {
  if (!beyond(cloth, lying).length) return [];
  const areas = new Map<Piece, number>();
  for (const q of lying) areas.set(q.shape, (areas.get(q.shape) ?? 0) + ringsArea([q.ring]));
  const all = [...areas].sort((a, b) => b[1] - a[1]);
  const net = all.reduce((t, [, area]) => t + area, 0);
  const less = net * Math.max(0, 1 - there(cloth) / laidLength(cloth, lying));
  if (all.length > FEW) {
    const upTo = (n: number): number => all.slice(0, n).reduce((t, [, area]) => t + area, 0);
    return all.slice(0, all.findIndex((_, i) => upTo(i + 1) >= less) + 1).map(([p]) => p);
  }
  const choices = Array.from({ length: 2 ** all.length }, (_, k) => all.filter((_x, i) => (k >> i) & 1));
  const enough = choices
    .map((c) => ({ c, area: c.reduce((t, [, a]) => t + a, 0) }))
    .filter(({ c, area }) => c.length > 0 && area >= less);
  const best = enough.reduce((x, y) =>
    y.c.length < x.c.length || (y.c.length === x.c.length && y.area < x.area) ? y : x,
  );
  return best.c.map(([p]) => p);
}

/** How wide a strip has to lie double so that all that is on the fold finds room in it, whole mm; null where no fold does that. */
export function deeperFold(cloth: ClothSaid, tooWide: Standing['tooWide']): number | null {
  const over = Math.max(0, ...tooWide.filter(({ piece }) => piece.cut.onFold).map((t) => t.over));
  const to = Math.ceil(cloth.foldedBy + over);
  return cloth.lies === 'partly' && over > 0 && to <= cloth.width / 2 ? to : null;
}

/** Only the free hem of an outer piece lies on the finished edge of a lace: none that is sewn to a cuff, a band or a ruffle, and no facing's. */
function withFreeHems(pieces: Piece[], cloth: ClothSaid, surface: Surface): Piece[] {
  if (!isScalloped(cloth)) return pieces;
  const sewn = new Set(surface.joins.flatMap((j) => [...j.a, ...j.b]).map((e) => `${e.piece} ${e.edge}`));
  const free = (p: Piece, e: Edge): boolean => p.material === 'shell' && !sewn.has(`${p.id} ${e.id}`);
  return pieces.map((p) => ({
    ...p,
    ring: p.ring.map((e) => (isHem(e) && !free(p, e) ? { ...e, role: 'plain' as const } : e)),
  }));
}

/** How a cloth stands with the lay that is kept for it; `found`: with one that is only looked for yet, of which no fault is told. */
export function standingOf(
  choice: CuttingChoice,
  cloth: ClothSaid,
  { pieces, cutLines, surface }: Made,
  found?: readonly Placed[],
): Standing {
  const mine = withFreeHems(cutFrom(choice, cloth, pieces), cloth, surface);
  const kept = choice.lays.find((l) => l.cloth === cloth.id)?.placed;
  const lying = lyingOf(cloth, found ?? kept ?? [], mine, cutLines);
  const length = laidLength(cloth, lying);
  const takes = clothOf(cloth, length);
  const singly = mine.filter((p) => isCutSingly(p, cloth));
  const tooWide = mine.flatMap((piece) => {
    const cut = cutLines.get(piece.id);
    if (!cut || isCutSingly(piece, cloth)) return [];
    const [from, to] = liesOnScallops(piece, cloth)
      ? [0, wideOf(cloth)]
      : (spanOf(cloth, layersFor(piece, cut, cloth)) ?? usable(cloth));
    const over = widthOf(piece, cut, cloth) - (to - from);
    return over > OVER ? [{ piece, over }] : [];
  });
  const held = holdsOf(matchesHere(cloth, mine, surface), cloth.centre, { pieces: mine, cutLines }, cloth);
  // What can't meet beside the others is told as such, and is no fault of the lay.
  const meeting = held.meeting.map((m) => m.match);
  const faults =
    found || !kept
      ? []
      : [
          ...layFaults({ cloth, placed: [...kept], length }, mine, cutLines),
          ...printFaults(lying, meeting, cloth.centre, cloth),
        ];
  const hems = { hemmed: mine.filter((p) => liesOnScallops(p, cloth)), bent: bentHems(mine, cloth) };
  const wished = cloth.meet.includes('pocket') && cloth.print.along + cloth.print.across > 0;
  const met = [...held.meeting, ...held.missed].map((m) => m.match.b.piece);
  const unplaced = wished ? mine.filter((p) => isPatch(p) && !met.includes(p.id)) : [];
  const more = { singly, tooWide, unplaced, faults };
  return { mine, kept, lying, length, takes, needs: takes + cloth.recut, ...more, ...hems, ...held };
}
