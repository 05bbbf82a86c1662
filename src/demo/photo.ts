import { flatten, type Point, pathLength, pointAlong } from '../core/geometry/index.ts';
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
export const sleeveClicks = (n: number): (Point & { corner: boolean })[] =>
  sleeve().flatMap((e, k) =>
    Array.from({ length: (k === 0 ? n : 0) + 1 }, (_, i) => ({
      ...seenBy(onTable(pointAlong(e, (pathLength(e) * i) / ((k === 0 ? n : 0) + 1)))),
      corner: i === 0,
    })),
  );

const polygon = (points: Point[], style: string): string =>
  `<polygon points="${points.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ')}" ${style}/>`;

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
