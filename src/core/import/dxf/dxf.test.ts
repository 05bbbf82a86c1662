import { describe, expect, test } from '@jest/globals';
import { type ShellPiece } from '../../document/project.ts';
import { pathLength, signedArea } from '../../geometry/index.ts';
import { outlineOf } from '../../pattern/index.ts';
import { importText, readerOf } from '../index.ts';

type G = [number, string | number];
const entity = (type: string, layer: string, ...g: G[]): G[] => [[0, type], [8, layer], ...g];
const at = (p: number[], code = 10): G[] => [
  [code, p[0] as number],
  [code + 10, p[1] as number],
];
const poly = (points: number[][], layer = '0', closed = true): G[] =>
  entity(
    'LWPOLYLINE',
    layer,
    [90, points.length],
    [70, closed ? 1 : 0],
    ...points.flatMap((p) => [...at(p), ...(p[2] ? ([[42, p[2]]] as G[]) : [])]),
  );
const section = (name: string, g: G[]): G[] => [[0, 'SECTION'], [2, name], ...g, [0, 'ENDSEC']];
const file = (entities: G[][], units: number | null = 4, blocks: G[][] = []): string =>
  [
    ...section(
      'HEADER',
      units === null
        ? []
        : [
            [9, '$INSUNITS'],
            [70, units],
          ],
    ),
    ...section('BLOCKS', blocks.flat()),
    ...section('ENTITIES', entities.flat()),
    [0, 'EOF'],
  ]
    .map(([c, v]) => `${c}\n${v}`)
    .join('\n');
const block = (name: string, ...body: G[][]): G[] => [
  [0, 'BLOCK'],
  [8, '0'],
  [2, name],
  [70, 0],
  ...at([0, 0]),
  ...body.flat(),
  [0, 'ENDBLK'],
  [8, '0'],
];

function pieces(text: string, unit?: string): ShellPiece[] {
  const r = importText(text, 'x.dxf', unit);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value.pieces;
}
const only = (text: string, unit?: string): ShellPiece => {
  const all = pieces(text, unit);
  expect(all).toHaveLength(1);
  return all[0] as ShellPiece;
};
const area = (p: ShellPiece): number => Math.abs(signedArea(outlineOf(p.ring as never)));
const perimeter = (p: ShellPiece): number => pathLength(outlineOf(p.ring as never));
const refused = (text: string, unit?: string) => {
  const r = importText(text, 'x.dxf', unit);
  return r.ok ? [] : r.findings.map((f) => f.code);
};
const square = (s: number, layer = '0') =>
  poly(
    [
      [0, 0],
      [s, 0],
      [s, s],
      [0, s],
    ],
    layer,
  );

describe('curves', () => {
  test('bulge: two half circles make a circle, a bulge of tan(22.5°) a quarter (DXF reference)', () => {
    const circle = only(
      file([
        poly([
          [0, 0, 1],
          [400, 0, 1],
        ]),
      ]),
    );
    expect(area(circle) / (Math.PI * 200 ** 2)).toBeCloseTo(1, 6);
    expect(perimeter(circle) / (Math.PI * 400)).toBeCloseTo(1, 6);
    // A quarter circle of radius 300 over its two radii: πr²/4.
    const quarter = only(
      file([
        poly([
          [0, 0],
          [300, 0, Math.tan(Math.PI / 8)],
          [0, 300],
        ]),
      ]),
    );
    expect(area(quarter) / ((Math.PI * 300 ** 2) / 4)).toBeCloseTo(1, 6);
    // The same bulge negative bends inward.
    const hollow = only(
      file([
        poly([
          [0, 0],
          [300, 0, -Math.tan(Math.PI / 8)],
          [0, 300],
        ]),
      ]),
    );
    expect(area(hollow)).toBeCloseTo(300 * 300 - (Math.PI * 300 ** 2) / 4, 0);
  });

  test('arcs, circles and ellipses by their formulas, whichever way they are drawn', () => {
    expect(area(only(file([entity('CIRCLE', '0', ...at([9, 9]), [40, 250])]))) / (Math.PI * 250 ** 2)).toBeCloseTo(
      1,
      6,
    );
    const ellipse = entity('ELLIPSE', '0', ...at([0, 0]), ...at([150, 200], 11), [40, 0.4], [41, 0], [42, 2 * Math.PI]);
    expect(area(only(file([ellipse]))) / (Math.PI * 250 * 100)).toBeCloseTo(1, 6);
    // A half disc from an arc of 270° to 90° and its chord; seen from behind (extrusion −z) it lies mirrored.
    const half = (extra: G[]) =>
      file([
        entity('ARC', '0', ...at([0, 0]), [40, 200], [50, 270], [51, 90], ...extra),
        entity('LINE', '0', ...at([0, -200]), ...at([0, 200], 11), ...extra),
      ]);
    for (const extra of [
      [],
      [
        [210, 0],
        [220, 0],
        [230, -1],
      ],
    ] as G[][]) {
      const p = only(half(extra));
      expect(area(p) / ((Math.PI * 200 ** 2) / 2)).toBeCloseTo(1, 6);
      const right = Math.max(...outlineOf(p.ring as never).map((s) => s.a.x));
      expect(right).toBeCloseTo(extra.length ? 0 : 200, 6);
    }
  });
});

describe('what is in the file', () => {
  test.each([
    [1, 25.4],
    [2, 304.8],
    [4, 1],
    [5, 10],
    [6, 1000],
  ])('$INSUNITS %i: one unit is %f mm', (code, mm) => {
    const side = 600 / mm;
    expect(area(only(file([square(side)], code)))).toBeCloseTo(360000, 4);
  });

  test('no unit is asked for with a guess; the units text of the exchange convention is believed', () => {
    const r = importText(file([square(30)], null), 'x.dxf');
    expect(r.ok ? null : r.findings[0]).toMatchObject({ code: 'no-units', data: { guess: 'cm' } });
    expect(perimeter(only(file([square(30)], null), 'in'))).toBeCloseTo(120 * 25.4, 6);
    const told = file([square(30, '1'), entity('TEXT', '15', ...at([5, 5]), [1, 'Units: ENGLISH'])], null);
    expect(perimeter(only(told))).toBeCloseTo(120 * 25.4, 6);
  });

  test('nested blocks, scaled, turned, mirrored and in rows: area by the determinant', () => {
    const inner = block('PATCH_POCKET', square(100));
    const outer = block(
      'OUTER',
      entity('INSERT', '0', [2, 'PATCH_POCKET'], ...at([10, 10]), [41, 2], [42, -3], [50, 30]),
    );
    const r = pieces(
      file([entity('INSERT', '0', [2, 'OUTER'], ...at([500, 0]), [41, -1.5], [42, 1.5], [50, 77])], 4, [inner, outer]),
    );
    expect(area(r[0] as ShellPiece)).toBeCloseTo(100 * 100 * 6 * 2.25, 4);
    expect(r[0]?.name).toBe('Patch pocket');
    const rows = pieces(
      file([entity('INSERT', '0', [2, 'PATCH_POCKET'], ...at([0, 0]), [70, 3], [71, 2], [44, 300], [45, 300])], 4, [
        inner,
      ]),
    );
    expect(rows).toHaveLength(6);
  });

  test('layers of the exchange convention (ASTM D6673, from memory): boundary, sew line, notch, grain, mirror, drill, text', () => {
    const g = file(
      [
        poly(
          [
            [0, 0],
            [300, 0],
            [300, 700],
            [0, 700],
            [0, 0],
          ],
          '1',
          false,
        ),
        poly(
          [
            [0, 15],
            [285, 15],
            [285, 685],
            [0, 685],
            [0, 15],
          ],
          '14',
          false,
        ),
        entity('POINT', '4', ...at([300, 350])),
        entity('LINE', '7', ...at([150, 100]), ...at([150, 600], 11)),
        entity('LINE', '6', ...at([0, 0]), ...at([0, 700], 11)),
        entity('POINT', '13', ...at([120, 300])),
        entity('LINE', '8', ...at([40, 350]), ...at([260, 350], 11)),
        entity('TEXT', '15', ...at([100, 500]), [1, 'Piece Name: BACK']),
        entity('TEXT', '15', ...at([100, 480]), [1, 'Quantity: 1']),
      ],
      4,
    );
    const p = only(g);
    expect([p.name, p.kind, p.count]).toEqual(['Back', 'back', 1]);
    expect(area(p)).toBeCloseTo(285 * 670, 6);
    expect(p.ring.map((e) => [e.role, Math.round((e.allowance ?? -1) * 100) / 100, e.onFold]).sort()).toEqual(
      expect.arrayContaining([['centre-back', 0, true]]),
    );
    expect(p.ring.filter((e) => !e.onFold).every((e) => Math.abs((e.allowance ?? 0) - 15) < 0.01)).toBe(true);
    expect(p.notches).toHaveLength(1);
    expect(p.grain).toEqual({ a: { x: 150, y: -100 }, b: { x: 150, y: -600 } });
    expect(p.marks).toEqual([{ kind: 'dot', at: expect.objectContaining({ y: -300 }) }]);
    expect(p.lines).toHaveLength(1);
  });

  test('MTEXT without its codes names the piece; layers that are off or frozen are left out', () => {
    const mtext = entity('MTEXT', '0', ...at([50, 50]), [1, '{\\fArial|b0|i0;\\H2.5x;Sleeve}\\Pcut 2']);
    expect(only(file([square(400), mtext])).name).toBe('Sleeve');
    const layers = `0\nSECTION\n2\nTABLES\n0\nTABLE\n2\nLAYER\n70\n2\n0\nLAYER\n2\nOFF\n70\n0\n62\n-3\n0\nLAYER\n2\nICE\n70\n1\n62\n3\n0\nENDTAB\n0\nENDSEC\n`;
    const hidden = file([
      square(400),
      poly(
        [
          [900, 0],
          [1300, 0],
          [1300, 500],
        ],
        'OFF',
      ),
      poly(
        [
          [1900, 0],
          [2300, 0],
          [2300, 500],
        ],
        'ICE',
      ),
    ]);
    expect(pieces(layers + hidden)).toHaveLength(1);
  });

  test('old polylines with vertices, a missing last line, and lines of any ending', () => {
    const old: G[] = [
      ...entity('POLYLINE', '0', [66, 1], [70, 1], ...at([0, 0])),
      ...[
        [0, 0],
        [400, 0],
        [400, 500],
      ].flatMap((p) => entity('VERTEX', '0', ...at(p))),
      [0, 'SEQEND'],
      [8, '0'],
    ];
    const text = file([old]);
    for (const t of [
      text,
      text.replace(/\n/g, '\r\n'),
      text.replace(/\n/g, '\r'),
      text.slice(0, -6),
      text.replace('0\nSEQEND\n8\n0\n', ''),
    ])
      expect(area(only(t))).toBeCloseTo(100000, 6);
  });
});

describe('what cannot be used', () => {
  const circle = file([entity('INSERT', '0', [2, 'A'], ...at([0, 0])), square(400)], 4, [
    block('A', entity('INSERT', '0', [2, 'A'], ...at([0, 0]))),
  ]);
  test.each<[string, string, string[]]>([
    ['empty', '', ['file-empty']],
    ['binary', 'AutoCAD Binary DXF\r\n\u001a\u0000', ['dxf-binary']],
    ['something else', '\u0089PNG\r\n', ['not-dxf']],
    ['a broken code', file([square(400)]).replace('\n90\n', '\nninety\n'), ['dxf-broken']],
    ['NaN', file([entity('LINE', '0', [10, 'NaN'], [20, 0], [11, 5], [21, 5])]), ['not-finite']],
    ['infinite', file([entity('CIRCLE', '0', ...at([0, 0]), [40, '1e999'])]), ['not-finite']],
    [
      'a spline short of knots',
      file([
        entity('SPLINE', '0', [71, 3], [40, 0], [40, 1], ...at([0, 0]), ...at([9, 9]), ...at([5, 0]), ...at([1, 0])),
      ]),
      ['path-unreadable'],
    ],
    ['nothing drawn', file([entity('TEXT', '0', ...at([0, 0]), [1, 'Front'])]), ['no-outlines']],
    [
      'an open outline',
      file([
        poly(
          [
            [0, 0],
            [300, 0],
            [300, 500],
            [0, 500],
            [0, 9],
          ],
          '0',
          false,
        ),
      ]),
      ['outline-open'],
    ],
  ])('%s', (_, text, codes) => expect(refused(text)).toEqual(codes));

  test('a block that holds itself is read once and told', () => {
    const r = importText(circle, 'x.dxf');
    expect(r.ok && r.value.findings.map((f) => f.code)).toContain('dxf-block-circle');
  });

  test('files are known by what they hold, not by their name', () => {
    expect(readerOf('  0\nSECTION', 'x.svg').kind).toBe('dxf');
    expect(readerOf('<svg/>', 'x.dxf').kind).toBe('svg');
    expect(readerOf('hello', 'x.dxf').kind).toBe('dxf');
  });
});
