import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { compute, taskOf } from '../document/compute.ts';
import { type StripSaid } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { boxOf, pathLength } from '../geometry/index.ts';
import { outlineOf, type Piece, ringAreaOf } from '../pattern/index.ts';

const usual: StripSaid = {
  id: 's1',
  kind: 'tie',
  name: 'Strip',
  count: 2,
  length: 900,
  width: 30,
  ratio: 2,
  hem: 10,
  to: null,
};
const withStrip = (s: Partial<StripSaid>) => {
  const doc = coatDocument();
  const hem = doc.shell?.pieces.find((p) => p.kind === 'back');
  const to = hem && { piece: hem.id, edge: hem.ring.find((e) => e.role === 'hem')?.id ?? '' };
  doc.decisions.strips = [{ ...usual, to: to ?? null, ...s }];
  const c = compute(doc);
  const [piece] = c.strips;
  const back = c.shell.find((p) => p.kind === 'back') as Piece;
  // The back lies on the fold: its hem is there twice.
  const round = 2 * back.ring.filter((e) => e.role === 'hem').reduce((t, e) => t + pathLength(e.path), 0);
  return { doc, c, piece: piece as Piece, round };
};
const size = (p: Piece): [number, number] => {
  const b = boxOf(outlineOf(p.ring));
  return [b.maxX - b.minX, b.maxY - b.minY];
};

describe('pieces cut by figures', () => {
  // 3/8" seams on a tie finished 1/2" wider before folding, and so on: a tie is cut twice its finished width (common practice).
  test('a tie is twice as wide as finished on its seam line; loops are four times as wide, in one strip', () => {
    expect(size(withStrip({}).piece)).toEqual([900, 60]);
    expect(withStrip({}).piece.cut.count).toBe(2);
    const loops = withStrip({ kind: 'belt-loops', count: 5, length: 60, width: 10 }).piece;
    expect(size(loops)).toEqual([5 * (60 + 24), 40]);
    expect([loops.cut.count, loops.lines.length]).toEqual([1, 4]);
  });

  test('a ruffle and a flounce fit their edge when they are sewn, whatever the figures; a ring has the area of a ring', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('ruffle' as const, 'flounce' as const),
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.integer({ min: 20, max: 400 }),
        (kind, ratio, width) => {
          const { c, piece, round } = withStrip({ kind, ratio, width });
          const seam = c.seams.find((s) => s.id === 'closing-strip-s1');
          expect([seam?.verdict, seam?.lengthBMm]).toEqual(['matches', expect.closeTo(round, 6)]);
          // A cubic quarter is longer than its circle by no more than 0.03 %.
          expect(Math.abs((seam?.lengthAMm ?? 0) / round - 1)).toBeLessThan(3e-4);
          if (kind === 'ruffle') {
            expect(piece.cut.count * size(piece)[0]).toBeCloseTo(round * ratio, 6);
            expect(size(piece)[0]).toBeLessThanOrEqual(1400);
          } else {
            const r = round / (2 * Math.PI);
            const ring = (Math.PI / 2) * ((r + width) ** 2 - r ** 2);
            expect(Math.abs(ringAreaOf(piece.ring) / ring - 1)).toBeLessThan(1e-3);
          }
          const faults = proofOf(c).flatMap((k) => k.faults.filter((f) => f.piece === piece.id));
          expect(faults).toEqual([]);
        },
      ),
      runs(20),
    );
  });

  test('one whose edge is gone is told; none is a panel to be planned for', () => {
    const lost = withStrip({ kind: 'ruffle', to: { piece: 'p9', edge: 'e1' } });
    expect(lost.c.strips).toEqual([]);
    expect(lost.c.findings.map((f) => f.code)).toContain('strip-without-edge');
    const { doc, c } = withStrip({});
    expect(c.pieces.map((p) => p.id)).toContain('strip-s1');
    expect(taskOf(doc, c).making.parts.map((p) => p.id)).not.toContain('strip-s1');
  });
});
