import { type Material } from '../pattern/index.ts';
import { graded } from './clips.ts';
import { type GarmentModel, type Laid, type Operation, type Part, type Up } from './types.ts';

/** One layer on the table. */
export interface Ply {
  part: string;
  material: Material;
  up: Up;
  /** Interfacing on its wrong side. */
  fused: boolean;
  hem?: boolean;
}

/** Where a seam allowance lies once it is pressed: over to one side of the seam, or between the layers; its width, mm. */
export interface Lying {
  part: string;
  over: 'left' | 'right' | 'between';
  width: number;
}

/** How a layer gets from where it is sewn to where it lies when it is done. */
export interface Turned {
  ply: Ply;
  /** Its place in the stack for the seam, 0 undermost. */
  from: number;
  /** The stack it comes to lie in, and its place there. */
  to: { side: 'left' | 'right'; place: number };
  /** Half turns about the seam on the way: over it above 0, under it below. */
  halves: number;
}

/** A joining in section: plies bottom to top with their raw edges together, and as they lie when it is done. */
export interface Layers {
  before: Ply[];
  /** Stacks side by side from left to right, each bottom to top. */
  after: Ply[][];
  allowances: Lying[];
  /** The way from the one to the other, in the order of `before`. */
  turned: Turned[];
}

const other = (up: Up): Up => (up === 'right' ? 'wrong' : 'right');

/** Seams along which a strip of interfacing at the front edge lies. */
const ALONG: ReadonlySet<string> = new Set(['front-edge', 'neckline-front', 'neckline-back']);

/** A piece fused all over, or along the seam that is looked at. */
const isFused = (p: Part, along: boolean): boolean => p.fused !== null && (along || p.fused === `${p.of}-interfacing`);

const plyOf = (l: Laid, parts: Map<string, Part>, along: boolean): Ply[] => {
  const p = parts.get(l.part);
  return p
    ? [{ part: l.part, material: p.material, up: l.up, fused: isFused(p, along), ...(l.hem && { hem: true }) }]
    : [];
};

/** A layer as it is laid for a seam, undermost first, and how often it swings over about it. */
export interface Stacked {
  ply: Ply;
  swings: Laid['swings'];
}

/** What becomes of allowances once they are sewn: pressed open, towards a layer, or not at all; graded, or as wide as before. */
export interface Worked {
  press: 'open' | { towards: string } | null;
  graded: boolean;
}

/** Steps that leave each layer another width. */
const GRADES: ReadonlySet<string> = new Set(['grade', 'grade-edge', 'trim-part', 'clip-neck']);

/** What the steps after it do to the allowances of a step, until its seam is sewn again. */
function workedAfter(step: Operation, steps: readonly Operation[]): Worked {
  const own = new Set(step.sews.map((x) => x.joint));
  const after = steps.slice(steps.findIndex((s) => s.id === step.id) + 1);
  const again = after.findIndex((s) => s.sews.some((x) => own.has(x.joint)));
  const works = after.slice(0, again < 0 ? undefined : again + 1).filter((s) => s.works.some((j) => own.has(j)));
  const pressed = works.find((s) => s.press !== null);
  const towards = pressed?.towards;
  return {
    press: towards ? { towards } : pressed ? 'open' : null,
    graded: works.some((s) => GRADES.has(s.code)),
  };
}

/** The layers of a step of a plan in section; null where it joins none. */
export function layersOf(step: Operation, plan: { making: GarmentModel; steps: readonly Operation[] }): Layers | null {
  const { making, steps } = plan;
  const parts = new Map(making.parts.map((p) => [p.id, p]));
  const { stack } = step;
  const sewn = new Set(step.sews.map((x) => x.joint));
  const along = making.joints.some((j) => sewn.has(j.id) && ALONG.has(j.code));
  if (stack.length < 2) return null;
  const laid = stack.flatMap((l) => plyOf(l, parts, along).map((ply) => ({ ply, swings: l.swings })));
  return layersFrom(laid, step.allowance ?? 0, workedAfter(step, steps));
}

/**
 * Layers in section, and how they turn about a seam with an allowance (mm). What swings once about the seam lies beside what stays; what
 * swings twice ends under it. Layers that lie below the one that stays swing out from below, those above from above.
 */
export function layersFrom(stack: readonly Stacked[], allowance: number, worked: Worked): Layers {
  const stays = stack.findIndex((l) => l.swings === 0);
  const laid = stack.map((l, from) => ({ ...l, from, above: from > stays }));
  const pick = (swings: number, above: boolean) => laid.filter((x) => x.swings === swings && x.above === above);
  const still = laid.filter((x) => x.swings === 0);
  // Twice about the seam: from above it comes to lie below, in the order it had. Once: what lay on top lies undermost.
  const left = [...pick(2, true), ...still, ...pick(2, false)];
  const right = [...pick(1, false).reverse(), ...pick(1, true).reverse()];
  const end = ({ ply, swings }: (typeof laid)[number]): Ply => (swings === 1 ? { ...ply, up: other(ply.up) } : ply);
  const after = (right.length ? [left, right] : [left]).map((side) => side.map(end));
  const turned = laid.map((x): Turned => {
    const side = right.includes(x) ? 'right' : 'left';
    const place = (side === 'right' ? right : left).indexOf(x);
    return { ply: x.ply, from: x.from, to: { side, place }, halves: x.swings * (x.above ? 1 : -1) };
  });
  return { before: laid.map((x) => x.ply), after, allowances: lying(stack, after, allowance, worked), turned };
}

/** Allowances open or to one side, as they are pressed, none where they are not; or between the layers, the widest towards the outside. */
function lying(stack: readonly Stacked[], after: Ply[][], width: number, { press, graded: grades }: Worked): Lying[] {
  // Laid on each other as they are worn, allowances stay what they are.
  if (stack.every((l) => l.swings === 0)) return [];
  const [left = [], right] = after;
  if (!right || left.length > 1 || right.length > 1) {
    const all = [...(right ?? []), ...left].reverse();
    const widths = grades ? graded(width, all.length) : all.map(() => width);
    return all.map((p, i) => ({ part: p.part, over: 'between', width: widths[i] ?? 3 }));
  }
  const [a, b] = [left[0], right[0]];
  if (!a || !b || press === null) return [];
  if (press === 'open')
    return [
      { part: a.part, over: 'left', width },
      { part: b.part, over: 'right', width },
    ];
  const over = press.towards === a.part ? 'left' : 'right';
  return [a, b].map(({ part }) => ({ part, over, width }));
}

/** Layers at the thickest place of a step once it is done: those that lie on each other, and the allowances among them. */
export function bulkOf(step: Operation, plan: Parameters<typeof layersOf>[1]): number {
  const l = layersOf(step, plan);
  if (!l) return 0;
  const on = (side: 'left' | 'right'): number => l.allowances.filter((a) => a.over === side).length;
  const between = l.allowances.filter((a) => a.over === 'between').length;
  const [left = [], right = []] = l.after;
  const thick = (plies: Ply[]): number => plies.reduce((t, p) => t + (p.fused ? 2 : 1), 0);
  return Math.max(thick(left) + on('left'), thick(right) + on('right')) + between;
}
