import { type ShellEdge } from '../document/project.ts';
import {
  distance,
  endOf,
  nearestOn,
  type Path,
  type Point,
  partAtCorners,
  pathLength,
  pointAlong,
  signedArea,
  startOf,
} from '../geometry/index.ts';
import { type InternalLine, type Mark, type Notch } from '../pattern/index.ts';
import { type Shape } from './drawing.ts';
import { closes } from './outline.ts';

/** Longest line that is taken for a notch (mm). */
export const NOTCH_LENGTH = 16;
/** Two notches closer than this are one double notch (mm). */
const DOUBLE_NOTCH = 9;
/** A closed mark up to this across is a dot, circle or square where stitching starts, stops or turns (mm). */
const MARK_SIZE = 16;

const wordsOf = (s: Shape): string => `${s.name ?? ''} ${s.label} ${s.layer ?? ''} ${s.said ?? ''}`;
const says = (s: Shape, re: RegExp): boolean => re.test(wordsOf(s));

export const isGrain = (s: Shape): boolean => s.hint === 'grain' || (s.hint === null && says(s, /grain/i));

const NAMED_LINE = /grain|centre|center|waist|fold|dart|pleat|pocket|hem|roll|button/i;

function isNotch(s: Shape, ring: ShellEdge[]): boolean {
  if (s.hint === 'notch' || says(s, /notch/i)) return true;
  if (s.hint !== null || says(s, NAMED_LINE)) return false;
  const near = (p: Point) => ring.some((e) => nearestOn(e.path, p).distance < 1);
  if (!closes(s)) return pathLength(s.path) <= NOTCH_LENGTH;
  // A small triangle or diamond on the line is a notch cut outward.
  return (
    markSize(s) <= MARK_SIZE && partAtCorners(s.path).length <= 4 && !roundOrSquare(s) && s.path.some((x) => near(x.a))
  );
}

const markSize = (s: Shape): number => {
  const points = s.path.map((x) => x.a);
  return Math.max(...points.map((p) => Math.max(...points.map((q) => distance(p, q)))));
};

/** Circle by the isoperimetric ratio 4πA/P² (1 for a circle, π/4 for a square). */
function roundOrSquare(s: Shape): 'circle' | 'square' | null {
  const round = (4 * Math.PI * Math.abs(signedArea(s.path))) / pathLength(s.path) ** 2;
  if (round > 0.9) return 'circle';
  return Math.abs(round - Math.PI / 4) < 0.02 && partAtCorners(s.path).length === 4 ? 'square' : null;
}

/** Notches: ticks across or on the outline, by name, layer or size. Two close together are one double notch. */
export function notchesOf(inner: Shape[], ring: ShellEdge[]): Notch[] {
  const found: (Notch & { double: boolean })[] = [];
  for (const s of inner.filter((x) => isNotch(x, ring))) {
    const points = [startOf(s.path), pointAlong(s.path, pathLength(s.path) / 2), endOf(s.path)];
    const hits = ring.flatMap((e) => points.map((p) => ({ e, hit: nearestOn(e.path, p) })));
    const best = hits.sort((x, y) => x.hit.distance - y.hit.distance)[0];
    if (best && best.hit.distance < NOTCH_LENGTH)
      found.push({ edge: best.e.id, at: best.hit.at, kind: 'single', double: says(s, /double|back/i) });
  }
  found.sort((x, y) => (x.edge === y.edge ? x.at - y.at : x.edge < y.edge ? -1 : 1));
  const out: Notch[] = [];
  for (const n of found) {
    const before = out[out.length - 1];
    if (before && before.edge === n.edge && n.at - before.at < DOUBLE_NOTCH) {
      out[out.length - 1] = { edge: n.edge, at: (before.at + n.at) / 2, kind: 'double' };
    } else out.push({ edge: n.edge, at: n.at, kind: n.double ? 'double' : 'single' });
  }
  return out;
}

// A waist dart is a dart, and a pleat at the centre front a pleat: what is sewn is said before where it lies.
const LINE_WORDS: [RegExp, InternalLine['kind']][] = [
  [/dart/i, 'dart'],
  [/pleat|tuck/i, 'pleat'],
  [/cent(re|er)[ -]?front|\bcf\b/i, 'centre-front'],
  [/waist/i, 'waist'],
  [/fold/i, 'fold'],
  [/roll/i, 'roll-line'],
  [/pocket|placement/i, 'placement'],
];

/** A V whose both ends lie on one edge of the piece is a dart. */
function isDart(path: Path, ring: ShellEdge[]): boolean {
  if (partAtCorners([...path]).length < 2 || path.length < 2 || path.length > 4) return false;
  const [a, b] = [startOf(path), endOf(path)];
  const depth = Math.max(...path.slice(1).map((s) => distance(s.a, a)));
  if (distance(a, b) < 2 || distance(a, b) > depth * 1.2) return false;
  return ring.some((e) => nearestOn(e.path, a).distance < 1 && nearestOn(e.path, b).distance < 1);
}

const kindOf = (s: Shape, ring: ShellEdge[]): InternalLine['kind'] =>
  LINE_WORDS.find(([re]) => says(s, re))?.[1] ??
  (s.hint === 'mirror' ? 'fold' : closes(s) ? 'placement' : isDart(s.path, ring) ? 'dart' : 'other');

const isMark = (s: Shape): boolean =>
  s.hint === 'drill' || (closes(s) && markSize(s) <= MARK_SIZE && !says(s, NAMED_LINE) && roundOrSquare(s) !== null);

/** Lines drawn inside a piece that are neither grainline, notch nor mark. */
export function linesOf(inner: Shape[], ring: ShellEdge[]): InternalLine[] {
  const onFold = ring.some((e) => e.onFold);
  return inner
    .filter((s) => !isGrain(s) && !isNotch(s, ring) && !isMark(s))
    .map((s): InternalLine => ({ kind: kindOf(s, ring), path: s.path }))
    .filter((l) => !(l.kind === 'fold' && onFold));
}

/** Dots, circles and squares, where stitching starts, stops or turns; drill holes count as dots. */
export function marksOf(inner: Shape[], ring: ShellEdge[]): Mark[] {
  return inner
    .filter((s) => isMark(s) && !isNotch(s, ring))
    .map((s): Mark => {
      const points = s.path.map((x) => x.a);
      const mid = (key: 'x' | 'y') =>
        (Math.min(...points.map((p) => p[key])) + Math.max(...points.map((p) => p[key]))) / 2;
      const shape = closes(s) ? roundOrSquare(s) : null;
      const kind = /button/i.test(wordsOf(s))
        ? 'button'
        : shape === 'square'
          ? 'square'
          : markSize(s) < 4
            ? 'dot'
            : 'circle';
      return { kind, at: { x: mid('x'), y: mid('y') } };
    });
}
