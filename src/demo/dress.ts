import { cubic, line, type Path, type Point, pathLength, startOf } from '../core/geometry/index.ts';
import { laidLine } from '../core/pattern/index.ts';
import { type Drafted } from './draft.ts';

const p = (x: number, y: number): Point => ({ x, y });

/** A dart square to its edge: its middle along it, its width and its length; both lines alike. */
function dartOn(edge: Path, at: number, width: number, length: number): Point[] {
  const made = laidLine({ path: edge }, { kind: 'dart', at, width, length });
  if (!made.ok) throw new Error('the dart lies off its edge');
  return [startOf(made.value.path), ...made.value.path.map((s) => s.b)];
}

/** Half of a sleeveless bodice down to the waist, its centre at the left. */
function bodice(front: boolean): Drafted {
  const quarter = front ? 252 : 240;
  const neckDepth = front ? 95 : 22;
  const neck = p(72, -20);
  const tip = p(168, 14);
  const underarm = p(quarter, 205);
  const waistSide = p(front ? 226 : 212, 392);
  const waistCentre = p(0, front ? 404 : 398);
  const armhole: Path = [cubic(tip, p(tip.x - (front ? 22 : 10), 90), p(quarter - (front ? 78 : 62), 205), underarm)];
  // Square to the side seam, so that it runs on smoothly into the other half.
  const lean = (quarter - waistSide.x) / (waistSide.y - underarm.y);
  const waist: Path = [
    cubic(waistSide, p(waistSide.x - 60, waistSide.y - 60 * lean), p(70, waistCentre.y), waistCentre),
  ];
  const dart = front ? dartOn(waist, pathLength(waist) - 92, 32, 138) : dartOn(waist, pathLength(waist) - 90, 26, 155);
  const side: Path = [line(underarm, waistSide)];
  return {
    name: front ? 'Bodice front' : 'Bodice back',
    text: front ? 'Bodice front · cut 1 · place on fold' : 'Bodice back · cut 2',
    edges: [
      [line(waistCentre, p(0, neckDepth))],
      [cubic(p(0, neckDepth), p(38, neckDepth), front ? p(63, 34) : p(63, 6), neck)],
      [line(neck, tip)],
      armhole,
      side,
      waist,
    ],
    lines: [{ name: `Grainline ${front ? 'bodice front' : 'bodice back'}`, a: p(40, 360), b: p(40, 140) }],
    darts: [dart],
    notches: [
      { edge: 3, at: pathLength(armhole) - 80, double: !front },
      { edge: 4, at: 90, double: false },
    ],
  };
}

const taken = (d: Drafted): number => {
  const waist = d.edges[5] as Path;
  const [[a, , b]] = d.darts as [Point[]];
  return pathLength(waist) - (a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0);
};

/** Half of an A-line skirt whose waist, darts sewn, is as long as the bodice's. */
function skirt(front: boolean, waistLength: number): Drafted {
  const width = front ? 24 : 28;
  const at = (w: number): Path => [cubic(p(0, 22), p(w * 0.4, 22), p(w - 60, 22), p(w, 0))];
  let w = waistLength + width;
  for (let i = 0; i < 20; i++) w += waistLength + width - pathLength(at(w));
  const waist = at(w);
  const hip = w + 52;
  const low = p(hip + 34, 590);
  const side: Path = [cubic(p(w, 0), p(w + 26, 70), p(hip - 6, 130), p(hip, 200)), line(p(hip, 200), low)];
  const centre = front ? 'skirt front' : 'skirt back';
  return {
    name: front ? 'Skirt front' : 'Skirt back',
    text: front ? 'Skirt front · cut 1 · place on fold' : 'Skirt back · cut 2',
    edges: [[line(p(0, 602), p(0, 22))], waist, side, [cubic(low, p(hip * 0.7, 601), p(hip * 0.35, 602), p(0, 602))]],
    lines: [{ name: `Grainline ${centre}`, a: p(60, 520), b: p(60, 180) }],
    darts: [dartOn(waist, 95, width, front ? 98 : 124)],
    notches: [{ edge: 2, at: 205, double: false }],
  };
}

/** A pocket bag for the side seam. */
const pocket = (): Drafted => ({
  name: 'Pocket bag',
  text: 'Pocket bag · cut 4',
  edges: [
    [line(p(0, 180), p(0, 0))],
    [cubic(p(0, 0), p(60, 8), p(130, 70), p(140, 190)), cubic(p(140, 190), p(146, 270), p(40, 280), p(0, 180))],
  ],
  lines: [{ name: 'Grainline pocket bag', a: p(60, 200), b: p(60, 90) }],
  notches: [],
});

/** A sleeveless dress with a waist seam, waist darts, in-seam pockets and a zip in the centre back. */
export function draftDress(): Drafted[] {
  const [front, back] = [bodice(true), bodice(false)];
  return [front, back, skirt(true, taken(front)), skirt(false, taken(back)), pocket()];
}
