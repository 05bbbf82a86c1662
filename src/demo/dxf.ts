import { type Path, type Point, startOf } from '../core/geometry/index.ts';
import { CHORE_JACKET, type CoatFigures, type Drafted, draftCoat } from './draft.ts';

type Group = [number, string | number];

const xy = (p: Point, x: number, y: number, code = 10): Group[] => [
  [code, p.x + x],
  [code + 10, -(p.y + y)],
];

/** A path as LINE and SPLINE entities; a cubic is a spline of one span. */
const entities = (path: Path, layer: string, x: number, y: number): Group[] =>
  path.flatMap((s): Group[] =>
    s.k === 'L'
      ? [[0, 'LINE'], [8, layer], ...xy(s.a, x, y), ...xy(s.b, x, y, 11)]
      : [
          [0, 'SPLINE'],
          [8, layer],
          [70, 8],
          [71, 3],
          [72, 8],
          [73, 4],
          ...[0, 0, 0, 0, 1, 1, 1, 1].map((k): Group => [40, k]),
          ...[s.a, s.c, s.d, s.b].flatMap((p) => xy(p, x, y)),
        ],
  );

function pieceGroups(d: Drafted, x: number, y: number): Group[] {
  const start = startOf(d.edges[0] as Path);
  return [
    ...d.edges.flatMap((e) => entities(e, 'Outline', x, y)),
    ...d.lines.flatMap((l) =>
      entities([{ k: 'L', a: l.a, b: l.b }], l.name.startsWith('Grain') ? 'Grainline' : l.name, x, y),
    ),
    [0, 'TEXT'],
    [8, 'Text'],
    ...xy({ x: start.x + 90, y: 380 }, x, y),
    [40, 16],
    [1, d.text.replace(/ · /g, ', ')],
  ];
}

/** Drafted pieces as an ASCII DXF drawing in millimetres, made up for the demo. */
export function draftDxf(pieces: Drafted[]): string {
  const body = pieces.flatMap((d, i) => pieceGroups(d, 60 + i * 520, 60));
  const all: Group[] = [
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$ACADVER'],
    [1, 'AC1015'],
    [9, '$INSUNITS'],
    [70, 4],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...body,
    [0, 'ENDSEC'],
    [0, 'EOF'],
  ];
  return `${all.map(([c, v]) => `${c}\n${typeof v === 'number' && c < 60 ? Number(v.toFixed(6)) : v}`).join('\n')}\n`;
}

export const jacketDxf = (figures: CoatFigures = CHORE_JACKET): string => draftDxf(draftCoat(figures));
