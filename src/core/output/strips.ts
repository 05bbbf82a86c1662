import {
  type ButtonMark,
  type Closure,
  columnsOf,
  holeEnds,
  type Small,
  type SmallKind,
  standHeight,
} from '../closure/index.ts';
import { addScaled, insideRing, line, outward, type Path, type Point, sub, unit } from '../geometry/index.ts';
import { flatRing, type Piece } from '../pattern/index.ts';
import { formatLength, type LengthUnit } from '../units.ts';
import { type Item, type Sheet, type Stroke } from './items.ts';

const at = (x: number, y: number): Point => ({ x, y });

/** Draws on one sheet. */
class Pen {
  items: Item[] = [];
  path(path: Path, stroke: Stroke): void {
    this.items.push({ kind: 'path', path, stroke });
  }
  text(p: Point, size: number, text: string, more: { bold?: boolean; upward?: boolean } = {}): void {
    this.items.push({ kind: 'text', at: p, size, text, ...more });
  }
  frame(width: number, top: number, bottom: number): void {
    const corners = [at(0, top), at(width, top), at(width, bottom), at(0, bottom)];
    this.path(
      corners.map((c, i) => line(c, corners[(i + 1) % 4] as Point)),
      'cut',
    );
  }
  /** A hole as a line with both ends barred. */
  hole(a: Point, b: Point, bar: number): void {
    const n = outward(unit(sub(b, a)));
    this.path([line(a, b)], 'mark');
    for (const p of [a, b]) this.path([line(addScaled(p, n, bar), addScaled(p, n, -bar))], 'mark');
  }
  cross(p: Point, arm: number): void {
    this.path([line(at(p.x - arm, p.y), at(p.x + arm, p.y))], 'mark');
    this.path([line(at(p.x, p.y - arm), at(p.x, p.y + arm))], 'mark');
  }
}

/** Buttons and holes drawn on one piece: its own, or those of the shell piece it was made from where they lie on it. */
export function closureItems(c: Closure, p: Piece): Item[] {
  const pen = new Pen();
  const ring = flatRing(p.ring);
  const own = (b: ButtonMark): boolean => {
    if (!b.on) return false;
    if (b.on.piece === p.id) return true;
    const made = p.parent === b.on.piece && (p.material === 'facing' || p.material === 'lining');
    return made && insideRing(ring, b.on.centre);
  };
  for (const { on, hole } of c.buttons.filter(own)) {
    if (!on) continue;
    if (hole) pen.hole(on.a, on.b, 2.5);
    for (const q of [on.centre, ...on.columns]) pen.cross(q, 4);
  }
  return pen.items;
}

const STRIP_WIDTH = 60;

/** Which front a strip is laid on: the one with the holes, or the one with the buttons, its mirror image. */
export type StripSide = 'over' | 'under';

/**
 * The marking strip of one front, 1:1: laid along the front edge from the neck seam down, the stand above it. One long
 * side is the front edge (a fold), the long dashes the centre line; every button has its centre, every hole both ends.
 */
export function stripSheet(c: Closure, side: StripSide, units: LengthUnit = 'mm'): Sheet {
  const pen = new Pen();
  const { outer, all } = columnsOf(c.choice);
  const width = Math.max(STRIP_WIDTH, c.extension + Math.max(outer, c.hole.opening) + 24);
  const stand = c.choice.stand.hole ? standHeight(c.choice, c.features) : 0;
  const bottom = c.lengthMm;
  // The strip with the buttons is the mirror image: its front edge lies on the right.
  const x = (inward: number): number => (side === 'over' ? c.extension + inward : width - c.extension - inward);
  pen.frame(width, -stand, bottom);
  pen.path([line(at(x(-c.extension), -stand), at(x(-c.extension), bottom))], 'fold');
  pen.path([line(at(x(0), -stand), at(x(0), bottom))], 'seam');
  if (stand) pen.path([line(at(0, 0), at(width, 0))], 'seam');
  c.buttons.forEach((b, i) => {
    const ends = b.direction === 'horizontal';
    const end = (d: number): Point => (ends ? at(x(-outer - d), b.at) : at(x(-outer), b.at - d));
    if (side === 'over' && b.hole) pen.hole(end(c.hole.outer), end(-c.hole.inner), 3);
    for (const k of all) pen.cross(at(x(-k), b.at), 5);
    const where = b.at < 0 ? `${formatLength(-b.at, units)} above` : formatLength(b.at, units);
    pen.text(at(side === 'over' ? width - 27 : 3, b.at + 6), 3.6, `${i + 1} · ${where}`, { bold: true });
  });
  const worn = c.choice.side === 'right' ? ['right', 'left'] : ['left', 'right'];
  const own = side === 'over' ? worn[0] : worn[1];
  // Words stand on the wide side, or run up along the edge: never across the centre line.
  const words = side === 'over' ? width - 40 : 3;
  pen.text(at(words, Math.min(bottom - 8, 9)), 3.4, stand ? 'Neck seam: the line above' : 'Neck end');
  pen.text(at(words, bottom - 4), 3.4, 'Lower end');
  const edge = x(-c.extension) + (side === 'over' ? 4.5 : -1.5);
  const up = Math.min(bottom - 4, 130);
  pen.text(at(edge, up), 3.2, `Front edge, fold · wearer’s ${own}`, { upward: true });
  const name = `Marking strip, ${own} front`;
  const box = { minX: 0, minY: -stand, maxX: width, maxY: bottom };
  return { id: `strip-${side}`, name, items: pen.items, box };
}

const SMALL_NAMES: Record<SmallKind, string> = {
  cuff: 'Cuff',
  tab: 'Tab',
  epaulette: 'Epaulette',
  'back-neck': 'Back neck opening',
  shoulder: 'Shoulder opening',
  waistband: 'Waistband',
  collar: 'Detachable collar, half',
  hood: 'Detachable hood, half',
};

/** The marking strip of a small closing, laid from its overlapping end (or centre back) along it. */
export function smallSheet(s: Small): Sheet {
  const name = SMALL_NAMES[s.choice.kind];
  const pen = new Pen();
  const { length, width } = s.choice;
  const [w, h] = [Math.max(length, 30), Math.max(width, 18)];
  pen.frame(w, 0, h);
  for (const p of s.spots) {
    const ends = holeEnds(s, p);
    if (ends) pen.hole(...ends, 2.5);
    pen.cross(at(p.x, p.y), p.over ? 4 : 2.5);
  }
  pen.text(at(3, h - 2.5), 3.2, s.choice.times > 1 ? `${name}, the same on all ${s.choice.times}` : name);
  return { id: `strip-${s.choice.id}`, name, items: pen.items, box: { minX: 0, minY: 0, maxX: w, maxY: h } };
}
