import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { type Computed, compute } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { pathLength } from '../geometry/index.ts';
import { addLine, gatherLine, type Piece } from './index.ts';

const shirt = (): ProjectDocument => (UNLIKE['shirt with a yoke in front'] as () => ProjectDocument)();
const lower = (c: Computed): Piece => c.shell.find((p) => p.name === 'Lower front') as Piece;
const seamOf = (p: Piece) => p.ring.find((e) => e.role === 'yoke-seam');

/** The shirt whose lower front is gathered on to its yoke between two shares of its edge. */
function gathered(from: number, to: number, ratio: number): { doc: ProjectDocument; length: number } {
  const doc = shirt();
  const p = lower(compute(doc));
  const edge = seamOf(p) as Piece['ring'][number];
  const length = pathLength(edge.path);
  const line = gatherLine(edge, { from: from * length, to: to * length, ratio });
  if (!line.ok) throw new Error('no gathers');
  const shell = doc.shell as NonNullable<ProjectDocument['shell']>;
  doc.shell = { ...shell, pieces: shell.pieces.map((q) => (q.id === p.id ? addLine(q, line.value) : q)) };
  return { doc, length };
}

describe('gathers from mark to mark', () => {
  // Common practice: gathers take the stretch less the stretch by its ratio, as five pleats of 1 1/2" take 7 1/2".
  test('the seam is as much shorter as they take, ends and quarters are notched on both its sides, and the lining repeats them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0.75, max: 1, noNaN: true }),
        (from, to) => {
          // Drawn: the yoke's edge is 201 mm, what hangs from it 301.
          const ratio = ((to - from) * 301) / ((to - from) * 301 - 100);
          const { doc, length } = gathered(from, to, ratio);
          doc.decisions.lining.on = true;
          const [was, is] = [compute(shirt()), compute(doc)];
          const yoke = (c: Computed) =>
            c.seams.find((s) => [...s.a, ...s.b].some((x) => x.piece === lower(c).id && x.role === 'yoke-seam'));
          const takes = (to - from) * length * (1 - 1 / ratio);
          const walked = (c: Computed): number => {
            const s = yoke(c);
            return (s?.a.some((x) => x.piece === lower(c).id) ? s.lengthAMm : s?.lengthBMm) ?? 0;
          };
          expect(walked(was) - walked(is)).toBeCloseTo(takes, 1);
          expect(yoke(is)?.verdict).toBe('matches');
          // The parts of the seam between two notches are alike on both its sides, as far as the seam itself is.
          const other = is.shell.find((p) => p.name === 'Front yoke') as Piece;
          const own = (p: Piece): number[] => {
            const id = seamOf(p)?.id;
            const at = p.notches.filter((n) => n.edge === id).map((n) => n.at);
            return at.sort((x, y) => x - y);
          };
          const marks = own(lower(is));
          expect(marks.length).toBe(5);
          expect(own(other).length).toBe(5);
          const gaps = (list: number[]): number[] => list.slice(1).map((x, i) => x - (list[i] as number));
          for (const g of gaps(marks)) expect(g).toBeCloseTo(((to - from) * length) / 4, 1);
          const [a, b] = [walked(is), pathLength(seamOf(other)?.path ?? [])];
          for (const g of gaps(own(other))) expect(g).toBeCloseTo((((to - from) * length) / 4 / ratio) * (b / a), 1);
          const lining = is.inside.find((p) => p.material === 'lining' && p.parent === lower(is).id);
          expect(lining?.lines.some((l) => l.kind === 'gather' && l.ratio === ratio)).toBe(true);
        },
      ),
      runs(15),
    );
  });

  test('off the edge, hardly there, or out of all measure: refused', () => {
    const edge = { path: seamOf(lower(compute(shirt())))?.path ?? [] };
    for (const g of [
      { from: -5, to: 100, ratio: 2 },
      { from: 0, to: 5, ratio: 2 },
      { from: 0, to: 1e4, ratio: 2 },
      { from: 0, to: 100, ratio: 0.9 },
      { from: 0, to: 100, ratio: Number.NaN },
    ])
      expect(gatherLine(edge, g).ok).toBe(false);
  });
});
