import {
  cubic,
  line,
  type Path,
  type Point,
  pathLength,
  pointAt,
  type Segment,
  splitSegment,
} from '../core/geometry/index.ts';
import { type CoatFigures, type Drafted, draftCoat } from './draft.ts';

const p = (x: number, y: number): Point => ({ x, y });

export const POTTING_SHIRT: CoatFigures = {
  bust: 1000,
  ease: 190,
  length: 760,
  neckWidth: 76,
  frontNeckDepth: 88,
  shoulder: 142,
  shoulderSlope: 0.33,
  armholeDepth: 252,
  flare: 4,
  extension: 16,
  sleeveLength: 560,
  wrist: 296,
  capEase: 8,
  shoulderEase: 0,
};

const YOKE = 92;
const PLEAT = 30;

/** The parameter at which a falling curve passes the height `y`. */
function atHeight(s: Segment, y: number): number {
  let [a, b] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const m = (a + b) / 2;
    if (pointAt(s, m).y < y) a = m;
    else b = m;
  }
  return (a + b) / 2;
}

/** The back parted at the yoke line, a pleat added at the centre back below it. */
function yokeAndBack(back: Drafted): [Drafted, Drafted] {
  const [, neck, shoulder, armhole, side, hem] = back.edges as [Path, Path, Path, Path, Path, Path];
  const curve = armhole[0] as Segment;
  const [upper, lower] = splitSegment(curve, atHeight(curve, YOKE));
  const out = upper.b;
  const foot = p(-PLEAT, (hem[hem.length - 1] as Segment).b.y);
  const yoke: Drafted = {
    name: 'Yoke',
    text: 'Yoke · cut 2 · place on fold',
    edges: [[line(p(0, YOKE), p(0, 0))], neck, shoulder, [upper], [line(out, p(0, YOKE))]],
    lines: [{ name: 'Grainline yoke', a: p(60, YOKE - 10), b: p(60, 30) }],
    notches: [{ edge: 4, at: 70, double: false }],
  };
  const lowerBack: Drafted = {
    ...back,
    name: 'Shirt back',
    text: 'Shirt back · cut 1 · place on fold',
    edges: [
      [line(foot, p(-PLEAT, YOKE))],
      [line(p(-PLEAT, YOKE), out)],
      [lower],
      side,
      [...hem, line((hem[hem.length - 1] as Segment).b, foot)],
    ],
    lines: [
      ...back.lines,
      { name: 'Pleat back, middle', a: p(-PLEAT + 0.5, YOKE), b: p(-PLEAT + 0.5, YOKE + 70) },
      { name: 'Pleat back, outer', a: p(0.5, YOKE), b: p(0.5, YOKE + 70) },
    ],
    notches: [
      { edge: 1, at: pathLength([line(p(-PLEAT, YOKE), out)]) - 70, double: false },
      { edge: 3, at: 195, double: false },
    ],
  };
  return [yoke, lowerBack];
}

/** A collar drawn whole, `half` its neck edge from centre back to the front. */
const collar = (half: number): Drafted => ({
  name: 'Collar',
  text: 'Collar · cut 2',
  edges: [
    [line(p(-half, 72), p(-half - 22, 0))],
    [line(p(-half - 22, 0), p(half + 22, 0))],
    [line(p(half + 22, 0), p(half, 72))],
    [line(p(half, 72), p(-half, 72))],
  ],
  lines: [{ name: 'Grainline collar', a: p(0, 62), b: p(0, 12) }],
  notches: [{ edge: 3, at: half, double: false }],
});

/** Its stand, drawn whole: the neck edge runs on by the extension at both ends. */
const stand = (half: number, top: number): Drafted => ({
  name: 'Collar stand',
  text: 'Collar stand · cut 2',
  edges: [
    [
      cubic(p(-half, 34), p(-half, 14), p(-top - 6, 0), p(-top, 0)),
      line(p(-top, 0), p(top, 0)),
      cubic(p(top, 0), p(top + 6, 0), p(half, 14), p(half, 34)),
    ],
    [line(p(half, 34), p(-half, 34))],
  ],
  lines: [{ name: 'Grainline collar stand', a: p(-20, 17), b: p(40, 17) }],
  notches: [{ edge: 1, at: half, double: false }],
});

const cuff = (length: number): Drafted => ({
  name: 'Cuff',
  text: 'Cuff · cut 4',
  edges: [
    [line(p(0, 0), p(length, 0))],
    [line(p(length, 0), p(length, 65))],
    [line(p(length, 65), p(0, 65))],
    [line(p(0, 65), p(0, 0))],
  ],
  lines: [{ name: 'Grainline cuff', a: p(length / 2, 55), b: p(length / 2, 10) }],
  notches: [],
});

/** A shirt with yoke, collar on a stand, cuffs, and two pleats at each wrist. */
export function draftShirt(f: CoatFigures = POTTING_SHIRT): Drafted[] {
  const [front, back, sleeve] = draftCoat(f) as [Drafted, Drafted, Drafted];
  const [yoke, lower] = yokeAndBack(back);
  const neckline = pathLength(front.edges[1] as Path) + pathLength(yoke.edges[1] as Path);
  const w = f.wrist / 2;
  const pleats = [-30, -10, 15, 35].map((x, i) => ({
    name: `Pleat sleeve ${i + 1}`,
    a: p(w / 2 + x, f.sleeveLength),
    b: p(w / 2 + x, f.sleeveLength - 60),
  }));
  return [
    { ...front, name: 'Shirt front', text: 'Shirt front · cut 2' },
    lower,
    yoke,
    { ...sleeve, lines: [...sleeve.lines, ...pleats] },
    collar(neckline - f.extension),
    stand(neckline, neckline - f.extension - 4),
    cuff(f.wrist - 40 + 25),
  ];
}
