import {
  type Affine,
  type Box,
  boxOf,
  compose,
  endOf,
  IDENTITY,
  joinBoxes,
  joinPaths,
  mapPath,
  type Path,
  pathLength,
  reversePath,
  rotation,
  startOf,
  stretch,
  translation,
  turn,
} from '../geometry/index.ts';
import { type PieceKind, type Role } from '../pattern/index.ts';
import { layFlat } from './layflat.ts';
import { type Panel, type PanelEdge, panelArea } from './panels.ts';
import { type Join, type JoinCode, type Surface } from './surface.ts';

/** A panel where it lies when the garment is laid open, seen from the inside: its motion mirrors. */
export interface OpenedPanel {
  panel: Panel;
  motion: Affine;
}

export interface OpenedOut {
  panels: OpenedPanel[];
  box: Box;
}

/** Between parts that are not laid to each other, mm. */
const GAP = 60;
/** Seams that are laid together on the table, and how gladly: what bends least comes first. */
const LAID: Partial<Record<JoinCode, number>> = {
  yoke: 0.5,
  panel: 1,
  elbow: 1,
  'centre-back': 1,
  'centre-front': 1,
  side: 3,
};
const SLEEVES: ReadonlySet<PieceKind> = new Set<PieceKind>(['sleeve', 'under-sleeve', 'cuff']);
/** What lies above the neck, the nearest first. */
const ABOVE: PieceKind[] = ['stand', 'collar', 'hood'];
const BELOW: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'skirt-front',
  'skirt-back',
  'trouser-front',
  'trouser-back',
  'waistband',
]);
/** Bands lie along what they are sewn to: by which edge, and whether that lies at their top or at their foot. */
const BANDS: Partial<Record<PieceKind, { role: Role; top: boolean }>> = {
  stand: { role: 'stand-neck', top: false },
  collar: { role: 'collar-neck', top: false },
  cuff: { role: 'cuff-seam', top: true },
  waistband: { role: 'waist', top: false },
};
const MIDDLE: PieceKind[] = ['back', 'skirt-back', 'trouser-back', 'yoke'];

/** A panel's part of a joined chain: the shares of the chain it takes up, and its path there. */
function partOn(chain: PanelEdge[], panel: string): { from: number; to: number; path: Path } | null {
  const lengths = chain.map((e) => pathLength(e.path));
  const all = lengths.reduce((t, l) => t + l, 0) || 1;
  const first = chain.findIndex((e) => e.panel === panel);
  const own = chain.filter((e) => e.panel === panel);
  if (first < 0) return null;
  const from = lengths.slice(0, first).reduce((t, l) => t + l, 0) / all;
  const path = joinPaths(...own.map((e) => e.path));
  return { from, to: from + pathLength(path) / all, path };
}

/** The same stretch of a seam on both panels, run alike; null where they don't share one. */
function shared(a: PanelEdge[], b: PanelEdge[], p: string, q: string): { seam: Path; own: Path } | null {
  const [on, other] = [partOn(a, p), partOn(b, q)];
  if (!on || !other) return null;
  // Side b is run backwards along side a.
  const [from, to] = [1 - other.to, 1 - other.from];
  const [low, high] = [Math.max(on.from, from), Math.min(on.to, to)];
  if (high - low < 0.02) return null;
  const cut = (path: Path, x: number, y: number): Path => {
    const l = pathLength(path);
    return stretch(path, Math.max(0, x) * l, Math.min(1, y) * l);
  };
  const within = (v: number, x: number, y: number): number => (v - x) / (y - x || 1);
  const seam = cut(on.path, within(low, on.from, on.to), within(high, on.from, on.to));
  const back = reversePath(other.path);
  return { seam, own: cut(back, within(low, from, to), within(high, from, to)) };
}

const boxOfPanel = ({ panel, motion }: OpenedPanel): Box => boxOf(panel.ring.flatMap((e) => mapPath(e.path, motion)));
const boxAll = (list: OpenedPanel[]): Box => list.map(boxOfPanel).reduce(joinBoxes);
const shifted = (list: OpenedPanel[], x: number, y: number): OpenedPanel[] =>
  list.map((o) => ({ ...o, motion: compose(translation(x, y), o.motion) }));

/** Lays one panel against another that lies already, along a join, best at the end that lies higher. */
function against(placed: OpenedPanel, panel: Panel, j: Join): OpenedPanel | null {
  const found = shared(j.a, j.b, placed.panel.id, panel.id) ?? shared(j.b, j.a, placed.panel.id, panel.id);
  if (!found) return null;
  const seam = mapPath(found.seam, placed.motion);
  const upward = endOf(seam).y < startOf(seam).y;
  const run = (p: Path): Path => (upward ? reversePath(p) : p);
  // Over all its length, so that a seam round the hip does not turn what hangs from it away.
  const { motion } = layFlat(run(seam), run(found.own), 2 * pathLength(seam));
  return { panel, motion };
}

/** By how much a panel is turned to lie upright, by its grain or, a band, by the edge it is sewn on with (radians). */
function uprightBy(p: Panel): number {
  const band = BANDS[p.kind];
  // A band between two others is sewn on along both its long edges: it lies by the first.
  const is = (e: PanelEdge | undefined): boolean => e?.role === band?.role;
  const first = band ? p.ring.findIndex((e, i) => is(e) && !is(p.ring.at(i - 1))) : -1;
  const turned = first < 0 ? [] : [...p.ring.slice(first), ...p.ring.slice(0, first)];
  const end = turned.findIndex((e) => !is(e));
  const sewn = turned.slice(0, end < 0 ? turned.length : end);
  const [from, to] = [sewn[0], sewn.at(-1)];
  if (!band || !from || !to) return turn(p.up, { x: 0, y: -1 });
  const [a, b] = [startOf(from.path), endOf(to.path)];
  // Clockwise on screen the upper edge runs to the right, the lower one to the left.
  return turn({ x: b.x - a.x, y: b.y - a.y }, { x: band.top ? 1 : -1, y: 0 });
}

/** Seams of the table by the panels they go over. */
function seamsByPanel(s: Surface): Map<string, Join[]> {
  const out = new Map<string, Join[]>();
  for (const j of s.joins)
    if (LAID[j.code] !== undefined)
      for (const id of new Set([...j.a, ...j.b].map((e) => e.panel))) out.set(id, [...(out.get(id) ?? []), j]);
  return out;
}

/** Panels that are laid together, from the one in the middle outward; what bends least first. */
function laidTogether(first: Panel, seams: Map<string, Join[]>, left: Map<string, Panel>): OpenedPanel[] {
  const angle = uprightBy(first);
  const placed: OpenedPanel[] = [{ panel: first, motion: Math.abs(angle) < 1e-3 ? IDENTITY : rotation(angle) }];
  left.delete(first.id);
  const ways = placed.flatMap((from) => (seams.get(from.panel.id) ?? []).map((j) => ({ from, j })));
  while (ways.length) {
    ways.sort((x, y) => (LAID[x.j.code] ?? 0) - (LAID[y.j.code] ?? 0));
    const { from, j } = ways.shift() as (typeof ways)[number];
    for (const id of new Set([...j.a, ...j.b].map((e) => e.panel))) {
      const next = left.get(id);
      const made = next && against(from, next, j);
      if (!made) continue;
      placed.push(made);
      left.delete(id);
      ways.push(...(seams.get(id) ?? []).map((k) => ({ from: made, j: k })));
    }
  }
  return placed;
}

function groupsOf(s: Surface): OpenedPanel[][] {
  const left = new Map(s.panels.map((p) => [p.id, p]));
  const seams = seamsByPanel(s);
  const rank = (p: Panel): number => {
    const at = MIDDLE.indexOf(p.kind);
    return at < 0 ? MIDDLE.length : at;
  };
  const out: OpenedPanel[][] = [];
  while (left.size) {
    const [first] = [...left.values()].sort((a, b) => rank(a) - rank(b) || panelArea(b) - panelArea(a));
    out.push(laidTogether(first as Panel, seams, left));
  }
  return out;
}

/** Where a part is sewn on to what lies already: the middle of that edge. */
function placeOf(group: OpenedPanel[], main: OpenedPanel[], s: Surface): { x: number; y: number } | null {
  const own = new Set(group.map((o) => o.panel.id));
  for (const j of s.joins) {
    const other = j.a.some((e) => own.has(e.panel)) ? j.b : j.b.some((e) => own.has(e.panel)) ? j.a : [];
    const boxes = other.flatMap((e) => {
      const on = main.find((o) => o.panel.id === e.panel);
      return on ? [boxOf(mapPath(e.path, on.motion))] : [];
    });
    if (!boxes.length) continue;
    const b = boxes.reduce(joinBoxes);
    return { x: (b.minX + b.maxX) / 2, y: b.minY };
  }
  return null;
}

/** The table with what lies on it already: the main part first, and the room that is taken round it. */
interface Table {
  s: Surface;
  main: OpenedPanel[];
  all: OpenedPanel[];
  /** Box of the main part; how far up and down other parts reach. */
  box: Box;
  top: number;
  low: number;
  /** How far down sleeves reach at either side. */
  sides: { left: number; right: number };
}

function put(t: Table, g: OpenedPanel[], x: number, y: number): void {
  const from = boxAll(g);
  t.all.push(...shifted(g, x - from.minX, y - from.minY));
}

const sizeOf = (g: OpenedPanel[]): { w: number; h: number } => {
  const b = boxAll(g);
  return { w: b.maxX - b.minX, h: b.maxY - b.minY };
};
const middleOf = (b: Box): number => (b.minX + b.maxX) / 2;

function putAbove(t: Table, g: OpenedPanel[]): void {
  const { w, h } = sizeOf(g);
  put(t, g, middleOf(t.box) - w / 2, t.top - h);
  t.top -= h + GAP / 2;
}

function putBelow(t: Table, g: OpenedPanel[]): void {
  const { w, h } = sizeOf(g);
  put(t, g, (placeOf(g, t.main, t.s)?.x ?? middleOf(t.box)) - w / 2, t.low);
  t.low += h + GAP;
}

/** A sleeve at the side of its armhole, at its height; below those that lie there already. */
function putBeside(t: Table, g: OpenedPanel[]): void {
  const { w, h } = sizeOf(g);
  const at = placeOf(g, t.main, t.s);
  const side = (at ? at.x < middleOf(t.box) : t.sides.left <= t.sides.right) ? 'left' : 'right';
  const free = t.sides[side] === t.box.minY;
  const y = free && at ? Math.min(Math.max(t.box.minY, at.y), t.box.maxY) : t.sides[side];
  put(t, g, side === 'left' ? t.box.minX - GAP - w : t.box.maxX + GAP, y);
  t.sides[side] = y + h + GAP / 2;
}

function putInRow(t: Table, groups: OpenedPanel[][]): void {
  const b = boxAll(t.all);
  let x = b.minX;
  for (const g of groups) {
    put(t, g, x, b.maxY + GAP);
    x += sizeOf(g).w + GAP / 2;
  }
}

/**
 * The garment laid open on the table, seen from the inside: the back in the middle, fronts beside it as their side seams
 * have them, sleeves at both sides, collars above, a skirt below, and whatever is sewn to nothing in a row at the bottom.
 * Null for no panels.
 */
export function openedOut(s: Surface): OpenedOut | null {
  const groups = groupsOf(s);
  const main = groups.find((g) => g.some((o) => o.panel.kind === 'back')) ?? groups[0];
  if (!main) return null;
  const box = boxAll(main);
  const sides = { left: box.minY, right: box.minY };
  const t: Table = { s, main, all: [...main], box, top: box.minY - GAP, low: box.maxY + GAP, sides };
  const kindOf = (g: OpenedPanel[]): PieceKind => g[0]?.panel.kind ?? 'other';
  const others = groups.filter((g) => g !== main);
  const above = others.filter((g) => ABOVE.includes(kindOf(g)));
  for (const g of above.sort((x, y) => ABOVE.indexOf(kindOf(x)) - ABOVE.indexOf(kindOf(y)))) putAbove(t, g);
  for (const g of others) if (BELOW.has(kindOf(g))) putBelow(t, g);
  for (const g of others) if (SLEEVES.has(kindOf(g))) putBeside(t, g);
  putInRow(
    t,
    others.filter((g) => !ABOVE.includes(kindOf(g)) && !BELOW.has(kindOf(g)) && !SLEEVES.has(kindOf(g))),
  );
  // Seen from the inside left and right change places.
  const inside = t.all.map((o) => ({ ...o, motion: compose({ ...IDENTITY, a: -1 }, o.motion) }));
  return { panels: inside, box: boxAll(inside) };
}
