import {
  type Affine,
  type Box,
  boxOf,
  compose,
  endOf,
  IDENTITY,
  joinBoxes,
  mapPath,
  type Path,
  pathLength,
  rotation,
  startOf,
  stretch,
  translation,
  turn,
} from '../geometry/index.ts';
import { type PieceKind, type Role } from '../pattern/index.ts';
import { layFlat, pathOf } from './layflat.ts';
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
const BELOW: ReadonlySet<PieceKind> = new Set<PieceKind>(['skirt-front', 'skirt-back', 'waistband']);
/** Bands lie along what they are sewn to: by which edge, and whether that lies at their top or at their foot. */
const BANDS: Partial<Record<PieceKind, { role: Role; top: boolean }>> = {
  stand: { role: 'stand-neck', top: false },
  collar: { role: 'collar-neck', top: false },
  cuff: { role: 'cuff-seam', top: true },
  waistband: { role: 'waist', top: false },
};
const MIDDLE: PieceKind[] = ['back', 'skirt-back', 'yoke'];

/** A panel's part of a joined chain: the shares of the chain it takes up, and its path there. */
function partOn(chain: PanelEdge[], panel: string): { from: number; to: number; path: Path } | null {
  const lengths = chain.map((e) => pathLength(e.path));
  const all = lengths.reduce((t, l) => t + l, 0) || 1;
  const first = chain.findIndex((e) => e.panel === panel);
  const own = chain.filter((e) => e.panel === panel);
  if (first < 0) return null;
  const from = lengths.slice(0, first).reduce((t, l) => t + l, 0) / all;
  const path = pathOf(own);
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
  const back = pathOf([{ path: other.path }], true);
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
  const run = (p: Path): Path => (upward ? pathOf([{ path: p }], true) : p);
  // Over all its length, so that a seam round the hip does not turn what hangs from it away.
  const { motion } = layFlat(run(seam), run(found.own), 2 * pathLength(seam));
  return { panel, motion };
}

/** By how much a panel is turned to lie upright, by its grain or, a band, by the edge it is sewn on with (radians). */
function uprightBy(p: Panel): number {
  const band = BANDS[p.kind];
  const sewn = band ? p.ring.filter((e) => e.role === band.role) : [];
  const [from, to] = [sewn[0], sewn.at(-1)];
  if (!band || !from || !to) return turn(p.up, { x: 0, y: -1 });
  const [a, b] = [startOf(from.path), endOf(to.path)];
  // Clockwise on screen the upper edge runs to the right, the lower one to the left.
  return turn({ x: b.x - a.x, y: b.y - a.y }, { x: band.top ? 1 : -1, y: 0 });
}

/** Panels that are laid together, from the one in the middle outward; what bends least first. */
function laidTogether(first: Panel, s: Surface, left: Map<string, Panel>): OpenedPanel[] {
  const angle = uprightBy(first);
  const placed: OpenedPanel[] = [{ panel: first, motion: Math.abs(angle) < 1e-3 ? IDENTITY : rotation(angle) }];
  left.delete(first.id);
  for (;;) {
    let best: { cost: number; made: OpenedPanel } | null = null;
    for (const j of s.joins) {
      const cost = LAID[j.code];
      if (cost === undefined || (best && best.cost <= cost)) continue;
      const ids = [...j.a, ...j.b].map((e) => e.panel);
      const from = placed.find((o) => ids.includes(o.panel.id));
      const next = ids.map((id) => left.get(id)).find((q) => q !== undefined);
      const made = from && next && against(from, next, j);
      if (made) best = { cost, made };
    }
    if (!best) return placed;
    placed.push(best.made);
    left.delete(best.made.panel.id);
  }
}

function groupsOf(s: Surface): OpenedPanel[][] {
  const left = new Map(s.panels.map((p) => [p.id, p]));
  const rank = (p: Panel): number => {
    const at = MIDDLE.indexOf(p.kind);
    return at < 0 ? MIDDLE.length : at;
  };
  const out: OpenedPanel[][] = [];
  while (left.size) {
    const [first] = [...left.values()].sort((a, b) => rank(a) - rank(b) || panelArea(b) - panelArea(a));
    out.push(laidTogether(first as Panel, s, left));
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

/**
 * The garment laid open on the table, seen from the inside: the back in the middle, fronts beside it as their side seams
 * have them, sleeves at both sides, collars above, a skirt below, and whatever is sewn to nothing in a row at the bottom.
 */
export function openedOut(s: Surface): OpenedOut | null {
  const groups = groupsOf(s);
  const main = groups.find((g) => g.some((o) => o.panel.kind === 'back')) ?? groups[0];
  if (!main) return null;
  const all = [...main];
  const b = boxAll(main);
  let [left, right, top, low] = [b.minX - GAP, b.maxX + GAP, b.minY - GAP, b.maxY + GAP];
  const sides: OpenedPanel[][] = [];
  const rest: OpenedPanel[][] = [];
  const put = (g: OpenedPanel[], x: number, y: number): void => {
    const from = boxAll(g);
    all.push(...shifted(g, x - from.minX, y - from.minY));
  };
  const middle = (b.minX + b.maxX) / 2;
  const order = (g: OpenedPanel[]): number => ABOVE.indexOf(g[0]?.panel.kind ?? 'other');
  for (const g of groups.sort((x, y) => order(x) - order(y))) {
    if (g === main) continue;
    const kind = g[0]?.panel.kind ?? 'other';
    const [own, at] = [boxAll(g), placeOf(g, main, s)];
    const [w, h] = [own.maxX - own.minX, own.maxY - own.minY];
    if (SLEEVES.has(kind)) sides.push(g);
    else if (ABOVE.includes(kind)) {
      put(g, middle - w / 2, top - h);
      top -= h + GAP / 2;
    } else if (BELOW.has(kind)) {
      put(g, (at?.x ?? middle) - w / 2, low);
      low += h + GAP;
    } else rest.push(g);
  }
  const high = { left: b.minY, right: b.minY };
  for (const g of sides) {
    const own = boxAll(g);
    const at = placeOf(g, main, s);
    const side = (at ? at.x < middle : high.left <= high.right) ? 'left' : 'right';
    const y = Math.max(high[side], at ? Math.min(at.y, b.maxY) : b.minY);
    put(g, side === 'left' ? left - (own.maxX - own.minX) : right, high[side] > b.minY ? high[side] : y);
    high[side] = y + (own.maxY - own.minY) + GAP / 2;
  }
  [left, right] = [boxAll(all).minX, boxAll(all).maxX];
  low = boxAll(all).maxY + GAP;
  let x = left;
  for (const g of rest) {
    put(g, x, low);
    x = boxAll(all.slice(-g.length)).maxX + GAP / 2;
  }
  // Seen from the inside left and right change places.
  const inside = all.map((o) => ({ ...o, motion: compose({ ...IDENTITY, a: -1 }, o.motion) }));
  return { panels: inside, box: boxAll(inside) };
}
