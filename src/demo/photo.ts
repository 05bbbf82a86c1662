import { flatten, type Point, pathLength, pointAlong } from '../core/geometry/index.ts';
import { bent, type Lens } from '../core/import/photo/calibrate.ts';
import { draftCoat, GREENHOUSE_COAT } from './draft.ts';

export const PHOTO = { width: 2400, height: 1800 };

/** A camera over the table, tilted and turned: where a place on the table (mm) lies in the made-up picture (px). */
export function seenBy(p: Point): Point {
  const [tilt, turn, height, f] = [0.24, 0.08, 1250, 2300];
  const [x, y] = [p.x - 330, p.y - 300];
  const [u, v] = [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)];
  const depth = height + v * Math.sin(tilt);
  return { x: PHOTO.width / 2 + (f * u) / depth, y: PHOTO.height / 2 + (f * v * Math.cos(tilt)) / depth };
}

/** A sheet of A4 lies at the left of the table, the sleeve's paper piece at its right. */
export const SHEET: Point[] = [
  { x: 0, y: 0 },
  { x: 210, y: 0 },
  { x: 210, y: 297 },
  { x: 0, y: 297 },
];
const SLEEVE_AT = { x: 460, y: 0 };

const sleeve = () => draftCoat(GREENHOUSE_COAT)[2]?.edges ?? [];
const onTable = (p: Point): Point => ({ x: p.x + SLEEVE_AT.x, y: p.y + SLEEVE_AT.y });

/** Points somebody might click along the sleeve in the picture: corners, and `n` between on each edge. */
export const sleeveClicks = (n: number): (Point & { corner: boolean })[] => clicksAlong(n, (p) => seenBy(onTable(p)));

const clicksAlong = (n: number, see: (p: Point) => Point): (Point & { corner: boolean })[] =>
  sleeve().flatMap((e, k) =>
    Array.from({ length: (k === 0 ? n : 0) + 1 }, (_, i) => ({
      ...see(pointAlong(e, (pathLength(e) * i) / ((k === 0 ? n : 0) + 1))),
      corner: i === 0,
    })),
  );

const polygon = (points: Point[], style: string): string =>
  `<polygon points="${points.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ')}" ${style}/>`;

/** The wide lens of the second made-up picture bends straight lines outward, as telephones do. */
const WIDE: Lens = {
  centre: { x: PHOTO.width / 2, y: PHOTO.height / 2 },
  half: Math.hypot(PHOTO.width, PHOTO.height) / 2,
  k: -0.08,
};

/** Where a place on the mat (mm) lies in the picture taken with the wide lens (px). */
export const seenWide = (p: Point): Point => bent(WIDE, seenBy(p));

/** The mat: squares of 50 mm, a heavier line every 100; the sleeve lies on it. */
export const MAT = { width: 700, height: 600, square: 50 };
const ON_MAT = { x: 350, y: 10 };

/** Points somebody might click along the sleeve on the mat. */
export const sleeveOnMat = (n: number): (Point & { corner: boolean })[] =>
  clicksAlong(n, (p) => seenWide({ x: p.x + ON_MAT.x, y: p.y + ON_MAT.y }));

/** The second made-up photograph: a mat with its grid under a wide lens, the sleeve on it. */
export function matPhotoSvg(): string {
  const line = (a: Point, b: Point, width: number): string => {
    const along = Array.from({ length: 41 }, (_, i) =>
      seenWide({ x: a.x + ((b.x - a.x) * i) / 40, y: a.y + ((b.y - a.y) * i) / 40 }),
    );
    const points = along.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ');
    return `<polyline points="${points}" fill="none" stroke="#e8e2cf" stroke-width="${width}"/>`;
  };
  const { width: w, height: h, square } = MAT;
  const heavy = (v: number): number => (v % 100 ? 1.5 : 3);
  const down = Array.from({ length: w / square + 1 }, (_, i) => i * square);
  const across = Array.from({ length: h / square + 1 }, (_, i) => i * square);
  const piece = flatten(sleeve().flat(), 0.5).map((p) => seenWide({ x: p.x + ON_MAT.x, y: p.y + ON_MAT.y }));
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${PHOTO.width}" height="${PHOTO.height}" viewBox="0 0 ${PHOTO.width} ${PHOTO.height}">
<rect width="100%" height="100%" fill="#35564a"/>
${down.map((x) => line({ x, y: 0 }, { x, y: h }, heavy(x))).join('\n')}
${across.map((y) => line({ x: 0, y }, { x: w, y }, heavy(y))).join('\n')}
${polygon(piece, 'fill="#e9ddbd" fill-opacity="0.85" stroke="#4a3f2c" stroke-width="2"')}
</svg>`;
}

/** The made-up photograph as a drawing, to be turned into pixels: a sheet and a sleeve on a dark table. */
export function photoSvg(): string {
  const planks = Array.from({ length: 14 }, (_, i) => {
    const y = -250 + i * 90;
    return polygon(
      [
        { x: -500, y },
        { x: 1300, y },
        { x: 1300, y: y + 86 },
        { x: -500, y: y + 86 },
      ].map(seenBy),
      `fill="${i % 2 ? '#6b543f' : '#735b45'}"`,
    );
  });
  const piece = flatten(sleeve().flat(), 0.5).map((p) => seenBy(onTable(p)));
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${PHOTO.width}" height="${PHOTO.height}" viewBox="0 0 ${PHOTO.width} ${PHOTO.height}">
<rect width="100%" height="100%" fill="#57432f"/>
${planks.join('\n')}
${polygon(SHEET.map(seenBy), 'fill="#fbfaf5"')}
${polygon(piece, 'fill="#e9ddbd" stroke="#4a3f2c" stroke-width="2"')}
</svg>`;
}
