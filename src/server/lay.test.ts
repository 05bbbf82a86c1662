import { describe, expect, test } from '@jest/globals';
import { serving } from '../test/api.ts';

const { ask } = serving('lay');
const box = (w: number, h: number) => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const asked = (pieces: object[], more: object = {}) =>
  ask('POST', '/api/lay', { widthMm: 100, seconds: 0.2, pieces, ...more });

describe('outlines laid over HTTP', () => {
  test('four squares fill a strip twice as wide, at a distance too; what is wider than it is named', async () => {
    const { status, json } = await asked([
      { id: 'square', outline: box(50, 50), count: 4 },
      { id: 'beam', outline: box(120, 10), turns: [0] },
    ]);
    expect(status).toBe(200);
    expect(json.lengthMm).toBeCloseTo(100, 1);
    expect(json.density).toBeCloseTo(1, 3);
    expect(json.placed.map((p: { id: string; copy: number }) => `${p.id}${p.copy}`).sort()).toEqual([
      'square0',
      'square1',
      'square2',
      'square3',
    ]);
    for (const p of json.placed)
      for (const [x, y] of p.outline) {
        expect(x).toBeGreaterThanOrEqual(-0.01);
        expect(x).toBeLessThanOrEqual(100.01);
        expect(y).toBeLessThanOrEqual(json.lengthMm + 0.01);
      }
    expect(json.notPlaced).toEqual([{ id: 'beam', copy: 0 }]);
    // A quarter turn makes the beam fit; ten millimetres between them leave room for one square beside another no more.
    const turned = await asked([{ id: 'beam', outline: box(120, 10), turns: [0, 90] }]);
    expect(turned.json.placed[0].turnDeg).toBe(90);
    const apart = await asked([{ id: 'square', outline: box(50, 50), count: 2 }], { gapMm: 10 });
    expect(apart.json.lengthMm).toBeCloseTo(110, 1);
  });

  test('the same seed gives the same lay; a mirrored one is said to be so', async () => {
    // Two right triangles make a square only if one is turned or mirrored.
    const triangle = {
      id: 't',
      outline: [
        [0, 0],
        [60, 0],
        [0, 60],
      ],
      count: 2,
      turns: [0, 180],
      mirror: true,
    };
    const [a, b] = [await asked([triangle], { widthMm: 61 }), await asked([triangle], { widthMm: 61 })];
    expect(a.json).toEqual(b.json);
    expect(a.json.lengthMm).toBeLessThan(62);
    const [p, q] = a.json.placed;
    expect([p.turnDeg, p.mirrored]).not.toEqual([q.turnDeg, q.mirrored]);
  });

  test.each([
    [
      'an outline that crosses itself',
      [
        {
          id: 'bow',
          outline: [
            [0, 0],
            [50, 50],
            [50, 0],
            [0, 50],
          ],
        },
      ],
      /"bow" crosses itself/,
    ],
    [
      'one without an inside',
      [
        {
          id: 'line',
          outline: [
            [0, 0],
            [50, 50],
            [25, 25],
          ],
        },
      ],
      /has no inside/,
    ],
    [
      'one id twice',
      [
        { id: 'a', outline: box(1, 1) },
        { id: 'a', outline: box(2, 2) },
      ],
      /pieces: .*same id/,
    ],
    ['too many', [{ id: 'a', outline: box(1, 1), count: 501 }], /pieces\.0\.count/],
    [
      'a corner that is none',
      [
        {
          id: 'a',
          outline: [
            [0, 0],
            [1, null],
            [1, 1],
          ],
        },
      ],
      /outline\.1/,
    ],
  ])('%s is refused in words', async (_, pieces, words) => {
    const { status, json } = await asked(pieces);
    expect(status).toBe(422);
    expect(json.detail).toMatch(words);
  });
});
