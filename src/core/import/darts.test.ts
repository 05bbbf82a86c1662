import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CUTS } from '../../test/pile.ts';
import { PLAINLY, svgOfGarment } from '../../test/piletelling.ts';
import { runs } from '../../test/runs.ts';
import { type ShellPiece } from '../document/project.ts';
import {
  addScaled,
  directionAlong,
  line,
  outward,
  type Path,
  pathLength,
  pointAlong,
  stretch,
} from '../geometry/index.ts';
import { takenOf } from '../pattern/index.ts';
import { importSvg } from './index.ts';

const read = (text: string): ShellPiece[] => {
  const r = importSvg(text);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value.pieces;
};
/** The edge that a dart takes something out of, and how much, mm. */
function darted(p: ShellPiece | undefined): { length: number; taken: number } {
  const taken = p ? takenOf({ ring: p.ring as never, lines: p.lines }) : new Map<string, number>();
  const [id, mm] = [...taken][0] ?? ['', Number.NaN];
  expect(taken.size).toBe(1);
  return { length: pathLength(p?.ring.find((e) => e.id === id)?.path ?? []), taken: mm };
}

describe('darts as they are drawn', () => {
  // Common practice: some programs draw a dart as a V cut out of the edge, some as lines over it.
  test('a V cut into the outline is a dart: drawn as one, its mouth taken out of the edge when seams are walked', () => {
    const mm = (min: number, max: number) => fc.integer({ min, max });
    fc.assert(
      fc.property(
        mm(60, 150),
        mm(12, 40),
        fc.double({ min: 0.35, max: 0.6, noNaN: true }),
        mm(0, 359),
        fc.boolean(),
        (long, wide, at, turn, mirror) => {
          const made = (CUTS.dress as (typeof CUTS)[string])({ w: 270, l: 400, s: 126 });
          const skirt = made.pieces.find((p) => p.kind === 'skirt-front');
          const waist = skirt?.edges.find((e) => e.role === 'waist');
          if (!skirt || !waist) throw new Error('no waist');
          const length = pathLength(waist.path);
          const [a, b] = [length * at - wide / 2, length * at + wide / 2];
          const middle = pointAlong(waist.path, length * at);
          const apex = addScaled(middle, outward(directionAlong(waist.path, length * at)), -long);
          const [p, q] = [pointAlong(waist.path, a), pointAlong(waist.path, b)];
          const cut: Path = [line(p, apex), line(apex, q)];
          const whole = length - wide;
          waist.path = [...stretch(waist.path, 0, a), ...cut, ...stretch(waist.path, b, length)];
          const piece = read(svgOfGarment(made, { ...PLAINLY, turn, mirror })).find((x) => x.name === 'Skirt front');
          expect(piece?.ring).toHaveLength(4);
          expect(piece?.lines.map((l) => l.kind)).toEqual(['dart']);
          const { length: edge, taken } = darted(piece);
          expect(taken).toBeCloseTo(Math.hypot(p.x - q.x, p.y - q.y), 2);
          expect(edge - taken).toBeCloseTo(whole, 1);
        },
      ),
      runs(40),
    );
  });

  test.each([
    ['its name', '<path id="waist dart" d="M150 0L160 90L170 0"/>'],
    ['its class', '<path class="dart" d="M150 0L160 90L170 0"/>'],
    ['its class among others', '<polyline class="internal front_dart" points="150,0 160,90 170,0"/>'],
  ])('%s says that a line is a dart, whatever else it says', (_, drawn) => {
    const [piece] = read(
      `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="700mm" viewBox="0 0 400 700"><g id="Skirt front"><path d="M0 0H300L340 600H0Z"/>${drawn}</g></svg>`,
    );
    expect(piece?.lines.map((l) => l.kind)).toEqual(['dart']);
  });
});
