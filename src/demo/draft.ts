import {
  add,
  cubic,
  directionAlong,
  distance,
  line,
  outward,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  scale,
  sub,
  unit,
} from '../core/geometry/index.ts';

/** Body and style figures of a plain lined coat block, mm. Made up for this product. */
export interface CoatFigures {
  bust: number;
  ease: number;
  /** Centre back neck to hem. */
  length: number;
  neckWidth: number;
  frontNeckDepth: number;
  shoulder: number;
  shoulderSlope: number;
  armholeDepth: number;
  /** How much each side seam flares at the hem. */
  flare: number;
  /** Beyond centre front. */
  extension: number;
  sleeveLength: number;
  wrist: number;
  capEase: number;
  shoulderEase: number;
  /** A vent at the foot of a seam in the centre back: how far it reaches beyond it, and its height above the hem. */
  vent?: { width: number; height: number };
}

export const GREENHOUSE_COAT: CoatFigures = {
  bust: 960,
  ease: 170,
  length: 1020,
  neckWidth: 80,
  frontNeckDepth: 92,
  shoulder: 130,
  shoulderSlope: 0.33,
  armholeDepth: 235,
  flare: 38,
  extension: 28,
  sleeveLength: 605,
  wrist: 300,
  capEase: 28,
  shoulderEase: 6,
  vent: { width: 45, height: 340 },
};

export const CHORE_JACKET: CoatFigures = {
  bust: 1060,
  ease: 165,
  length: 690,
  neckWidth: 84,
  frontNeckDepth: 96,
  shoulder: 138,
  shoulderSlope: 0.32,
  armholeDepth: 250,
  flare: 8,
  extension: 22,
  sleeveLength: 620,
  wrist: 290,
  capEase: 24,
  shoulderEase: 5,
};

/** One drafted piece: its outline parted at the corners, clockwise on screen, and marks. */
export interface Drafted {
  name: string;
  text: string;
  edges: Path[];
  lines: { name: string; a: Point; b: Point }[];
  notches: { edge: number; at: number; double: boolean }[];
  /** Darts, each from the edge to its point and back. */
  darts?: Point[][];
}

const p = (x: number, y: number): Point => ({ x, y });

function body(f: CoatFigures, front: boolean) {
  const quarter = (f.bust + f.ease) / 4 + (front ? 4 : -4);
  const rise = 24;
  const neckDepth = front ? f.frontNeckDepth : 0;
  const shoulderLength = front ? f.shoulder : f.shoulder + f.shoulderEase;
  const neckPoint = p(f.neckWidth, -rise);
  const along = unit(p(1, f.shoulderSlope));
  const tip = add(neckPoint, scale(along, shoulderLength));
  const underarm = p(quarter, f.armholeDepth);
  const hemSide = p(quarter + f.flare, f.length - 10);
  const square = outward(scale(along, -1));
  const hollow = front ? 0.5 : 0.38;
  const armhole = cubic(
    tip,
    add(tip, scale(square, (underarm.y - tip.y) * hollow)),
    p(underarm.x - (underarm.x - tip.x) * (front ? 0.95 : 0.8), underarm.y),
    underarm,
  );
  return { quarter, neckDepth, neckPoint, tip, underarm, hemSide, armhole };
}

function draftFront(f: CoatFigures): Drafted {
  const b = body(f, true);
  const centre = p(0, b.neckDepth);
  const edgeTop = p(-f.extension, b.neckDepth - 1);
  const hemY = f.length + 12;
  const neck: Path = [
    line(edgeTop, centre),
    cubic(centre, p(b.neckPoint.x * 0.62, b.neckDepth), p(b.neckPoint.x - 6, b.neckDepth * 0.45), b.neckPoint),
  ];
  const hem: Path = [
    cubic(b.hemSide, p(b.hemSide.x * 0.6, hemY - 2), p(60, hemY), p(0, hemY)),
    line(p(0, hemY), p(-f.extension, hemY)),
  ];
  const armLength = pathLength([b.armhole]);
  return {
    name: 'Front',
    text: 'Front · cut 2',
    edges: [
      [line(p(-f.extension, hemY), edgeTop)],
      neck,
      [line(b.neckPoint, b.tip)],
      [b.armhole],
      [line(b.underarm, b.hemSide)],
      hem,
    ],
    lines: [
      { name: 'Grainline front', a: p(b.quarter * 0.5, f.length * 0.8), b: p(b.quarter * 0.5, f.length * 0.35) },
      { name: 'Centre front', a: p(0, hemY), b: centre },
      {
        name: 'Waist front',
        a: p(-f.extension, f.armholeDepth + 195),
        b: p(b.quarter + f.flare * 0.25, f.armholeDepth + 195),
      },
    ],
    notches: [
      { edge: 3, at: armLength - 95, double: false },
      { edge: 4, at: 195, double: false },
    ],
  };
}

function draftBack(f: CoatFigures): Drafted {
  const b = body(f, false);
  const armLength = pathLength([b.armhole]);
  const { vent } = f;
  const top = vent ? f.length - vent.height : f.length;
  return {
    name: 'Back',
    text: vent ? 'Back · cut 2' : 'Back · cut 1 · place on fold',
    edges: [
      [line(p(0, top), p(0, 0))],
      [cubic(p(0, 0), p(b.neckPoint.x * 0.55, 0), p(b.neckPoint.x - 9, -b.neckPoint.y * -0.35), b.neckPoint)],
      [line(b.neckPoint, b.tip)],
      [b.armhole],
      [line(b.underarm, b.hemSide)],
      [
        cubic(b.hemSide, p(b.hemSide.x * 0.6, f.length), p(60, f.length), p(0, f.length)),
        ...(vent ? [line(p(0, f.length), p(-vent.width, f.length))] : []),
      ],
      ...(vent
        ? [
            [line(p(-vent.width, f.length), p(-vent.width, top + vent.width / 2))],
            [line(p(-vent.width, top + vent.width / 2), p(0, top))],
          ]
        : []),
    ],
    lines: [{ name: 'Grainline back', a: p(b.quarter * 0.5, f.length * 0.8), b: p(b.quarter * 0.5, f.length * 0.35) }],
    notches: [
      { edge: 3, at: armLength - 105, double: true },
      { edge: 4, at: 195, double: false },
    ],
  };
}

function sleeveAt(armhole: number, height: number): { cap: Path; half: number } {
  const half = Math.min(armhole * 0.41, Math.sqrt(Math.max(1, (armhole / 2) ** 2 - height ** 2)) * 0.95);
  const l = p(-half, height);
  const r = p(half, height);
  const top = p(0, 0);
  const cap: Path = [
    cubic(l, p(-half * 0.62, height), p(-half * 0.72, height * 0.42), p(-half * 0.48, height * 0.2)),
    cubic(p(-half * 0.48, height * 0.2), p(-half * 0.33, height * 0.06), p(-half * 0.17, 0), top),
    cubic(top, p(half * 0.2, 0), p(half * 0.36, height * 0.1), p(half * 0.52, height * 0.28)),
    cubic(p(half * 0.52, height * 0.28), p(half * 0.7, height * 0.52), p(half * 0.58, height), r),
  ];
  return { cap, half };
}

/** One-piece sleeve whose cap is longer than the armhole by the wished ease: its width is fixed, its height solved. */
function draftSleeve(f: CoatFigures, armhole: number): Drafted {
  const half = armhole * 0.405;
  const stretched = (h: number): Path =>
    sleeveAt(armhole, h).cap.map((s) => {
      const k = half / sleeveAt(armhole, h).half;
      const m = (q: Point): Point => p(q.x * k, q.y);
      return s.k === 'C' ? cubic(m(s.a), m(s.c), m(s.d), m(s.b)) : line(m(s.a), m(s.b));
    });
  let lo = 40;
  let hi = armhole * 0.6;
  for (let i = 0; i < 60; i++) {
    const h = (lo + hi) / 2;
    if (pathLength(stretched(h)) > armhole + f.capEase) hi = h;
    else lo = h;
  }
  const height = (lo + hi) / 2;
  const cap = stretched(height);
  const w = f.wrist / 2;
  const [l, r] = [p(-half, height), p(half, height)];
  const [wl, wr] = [p(-w, f.sleeveLength), p(w, f.sleeveLength)];
  const capLength = pathLength(cap);
  return {
    name: 'Sleeve',
    text: 'Sleeve · cut 2',
    edges: [cap, [line(r, wr)], [line(wr, wl)], [line(wl, l)]],
    lines: [{ name: 'Grainline sleeve', a: p(0, f.sleeveLength * 0.85), b: p(0, height * 0.8) }],
    notches: [
      { edge: 0, at: 106, double: true },
      { edge: 0, at: capLength / 2, double: false },
      { edge: 0, at: capLength - 96, double: false },
    ],
  };
}

/** Front, back (on the fold) and sleeve of the coat on their seam lines. */
export function draftCoat(f: CoatFigures): Drafted[] {
  const front = draftFront(f);
  const back = draftBack(f);
  const armhole = pathLength(front.edges[3] as Path) + pathLength(back.edges[3] as Path);
  return [front, back, draftSleeve(f, armhole)];
}

const n = (v: number): string => v.toFixed(4).replace(/\.?0+$/, '');
const xy = (q: Point): string => `${n(q.x)} ${n(q.y)}`;

const pathData = (path: Path): string =>
  path.map((s) => (s.k === 'L' ? `L${xy(s.b)}` : `C${xy(s.c)} ${xy(s.d)} ${xy(s.b)}`)).join('');

function pieceSvg(d: Drafted, x: number, y: number): string {
  const first = (d.edges[0] as Path)[0] as Path[number];
  const outline = `M${xy(first.a)}${d.edges.map(pathData).join('')}Z`;
  const lines = d.lines.map((l) => `<path id="${l.name}" d="M${xy(l.a)}L${xy(l.b)}"/>`).join('\n    ');
  const darts = (d.darts ?? [])
    .map((q, i) => `<path id="Dart ${d.name.toLowerCase()} ${i + 1}" d="M${q.map(xy).join('L')}"/>`)
    .join('\n    ');
  const notches = d.notches
    .flatMap((m) => (m.double ? [-2.5, 2.5] : [0]).map((o) => tick(d.edges[m.edge] as Path, m.at + o)))
    .join('\n    ');
  const mid = d.lines[0] as Drafted['lines'][number];
  const at = sub(mid.a, p(-12, distance(mid.a, mid.b) / 2));
  return `<g id="${d.name}" transform="translate(${n(x)} ${n(y)})">
    <title>${d.name}</title>
    <path d="${outline}"/>
    ${lines}
    ${darts}
    ${notches}
    <text x="${n(at.x)}" y="${n(at.y)}" font-size="16" fill="#333" stroke="none">${d.text}</text>
  </g>`;
}

function tick(path: Path, at: number): string {
  const a = pointAlong(path, at);
  const out = outward(directionAlong(path, at));
  return `<path class="notch" d="M${xy(a)}L${xy(add(a, scale(out, 6)))}"/>`;
}

/** The drafted pieces as a full-size SVG drawing in millimetres, seam lines only. */
export function draftSvg(pieces: Drafted[], extension: number): string {
  let x = 40 + extension;
  const groups = pieces.map((d) => {
    const xs = d.edges.flat().flatMap((s) => [s.a.x, s.b.x]);
    const left = Math.min(...xs);
    const at = x - Math.min(0, left);
    x = at + Math.max(...xs) + 60;
    return pieceSvg(d, at, 60);
  });
  const height = Math.max(...pieces.flatMap((d) => d.edges.flat().map((s) => s.b.y))) + 120;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(x)}mm" height="${n(height)}mm" viewBox="0 0 ${n(x)} ${n(height)}" fill="none" stroke="#222" stroke-width="0.6">
  ${groups.join('\n  ')}
</svg>
`;
}
