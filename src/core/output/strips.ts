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

const around = (p: Point, r: number, sides: number, turn = 0): Path => {
  const corner = (i: number): Point => {
    const a = turn + (2 * Math.PI * (i % sides)) / sides;
    return at(p.x + r * Math.cos(a), p.y + r * Math.sin(a));
  };
  return Array.from({ length: sides }, (_, i) => line(corner(i), corner(i + 1)));
};

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
  /** A ring as sixteen sides, and a square about its middle. */
  circle(p: Point, r: number): void {
    this.path(around(p, r, 16), 'mark');
  }
  square(p: Point, r: number): void {
    this.path(around(p, r, 4, Math.PI / 4), 'mark');
  }
  cross(p: Point, arm: number): void {
    this.path([line(at(p.x - arm, p.y), at(p.x + arm, p.y))], 'mark');
    this.path([line(at(p.x, p.y - arm), at(p.x, p.y + arm))], 'mark');
  }
}

/** The buttons of one piece: its own, or those of the shell piece it was made from where they lie on it. */
function buttonsOn(c: Closure, p: Piece): ButtonMark[] {
  const ring = flatRing(p.ring);
  return c.buttons.filter(({ on }) => {
    if (!on) return false;
    if (on.piece === p.id) return true;
    const made = p.parent === on.piece && (p.material === 'facing' || p.material === 'lining');
    return made && insideRing(ring, on.centre);
  });
}

/** Whether holes are cut in a piece, of which there are a left and a right one. */
export const holesOn = (c: Closure, p: Piece): boolean => p.cut.pair && buttonsOn(c, p).some((b) => b.hole);

/** Buttons and holes drawn on one piece. */
export function closureItems(c: Closure, p: Piece): Item[] {
  const pen = new Pen();
  for (const { on, hole } of buttonsOn(c, p)) {
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
  // Face up on the right side of the cloth, neck at the top: a wearer's right front has its edge at the right, a left one
  // at the left. Common practice.
  const edgeRight = (side === 'over') === (c.choice.side === 'right');
  const x = (inward: number): number => (edgeRight ? width - c.extension - inward : c.extension + inward);
  pen.frame(width, -stand, bottom);
  pen.path([line(at(x(-c.extension), -stand), at(x(-c.extension), bottom))], 'fold');
  pen.path([line(at(x(0), -stand), at(x(0), bottom))], 'seam');
  if (stand) pen.path([line(at(0, 0), at(width, 0))], 'seam');
  c.buttons.forEach((b, i) => {
    const ends = b.direction === 'horizontal';
    const end = (d: number): Point => (ends ? at(x(-outer - d), b.at) : at(x(-outer), b.at - d));
    if (side === 'over' && b.hole) pen.hole(end(c.hole.outer), end(-c.hole.inner), 3);
    if (c.choice.kind === 'double') doubleRow(pen, c, side, b, all, x);
    else pen.cross(at(x(0), b.at), 5);
    const where = b.at < 0 ? `${formatLength(-b.at, units)} above` : formatLength(b.at, units);
    pen.text(at(edgeRight ? 3 : width - 27, b.at + 6), 3.6, `${i + 1} · ${where}`, { bold: true });
  });
  const worn = c.choice.side === 'right' ? ['right', 'left'] : ['left', 'right'];
  const own = side === 'over' ? worn[0] : worn[1];
  // Words stand on the wide side, or run up along the edge: never across the centre line.
  const words = edgeRight ? 3 : width - 40;
  pen.text(at(words, Math.min(bottom - 8, 9)), 3.4, stand ? 'Neck seam: the line above' : 'Neck end');
  pen.text(at(words, bottom - 4), 3.4, 'Lower end');
  const edge = x(-c.extension) + (edgeRight ? -1.5 : 4.5);
  edgeTicks(pen, x(-c.extension), edgeRight ? -1 : 1, -stand, bottom);
  if (c.choice.kind === 'double') legend(pen, words, bottom);
  const up = Math.min(bottom - 4, 130);
  pen.text(at(edge, up), 3.2, `Front edge, fold · wearer’s ${own}`, { upward: true });
  const name = `Marking strip, ${own} front`;
  const box = { minX: 0, minY: -stand, maxX: width, maxY: bottom };
  return { id: `strip-${side}`, name, items: pen.items, box };
}

/** The front edge itself, drawn as one: short slanting strokes along it, on the side of the cloth. */
function edgeTicks(pen: Pen, x: number, inward: 1 | -1, top: number, bottom: number): void {
  for (let y = top + 6; y < bottom - 4; y += 12) pen.path([line(at(x, y), at(x + inward * 3, y + 3))], 'inner');
}

/**
 * One row of a double-breasted front. On the front that laps over: the hole at its edge where the row closes, a button to
 * show in every other place, and inside, on the wrong side, the button that holds the underlap. On the one beneath: the
 * buttons that work, and the hole for the inside button near its edge. Common practice.
 */
function doubleRow(
  pen: Pen,
  c: Closure,
  side: StripSide,
  b: ButtonMark,
  all: number[],
  x: (k: number) => number,
): void {
  const { outer } = columnsOf(c.choice);
  const first = c.buttons.find((q) => q.hole) === b;
  const place = (k: number): Point => at(x(-k), b.at);
  if (side === 'over') {
    for (const k of all) if (!(b.hole && k === outer)) pen.circle(place(k), 4);
    if (first) pen.square(place(-outer), 6.5);
    if (b.hole) pen.cross(place(outer), 5);
  } else {
    for (const k of all) if (b.hole && k < 0) pen.cross(place(k), 5);
    if (first)
      pen.hole(
        addScaled(place(outer), at(1, 0), -c.hole.opening / 2),
        addScaled(place(outer), at(1, 0), c.hole.opening / 2),
        3,
      );
  }
}

/** What the signs of a double-breasted strip mean. */
function legend(pen: Pen, x: number, bottom: number): void {
  const lines = [
    'Barred line: hole',
    'Cross: button that works',
    'Circle: button to show',
    'Square: button inside, on the wrong side',
  ];
  lines.forEach((text, i) => {
    pen.text(at(x, bottom - 24 + i * 4.5), 2.8, text);
  });
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
