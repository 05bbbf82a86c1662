import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { pathLength, ringsArea } from '../geometry/index.ts';
import {
  atTable,
  clothFor,
  cutEdges,
  cutFrom,
  density,
  laid,
  laidLength,
  lyingOf,
  partsOf,
  plainCloth,
  usualCutting,
  withEdge,
} from './index.ts';

const CLOTH = plainCloth(1500, { selvedge: 10, end: 10, gap: 4 });
const GARMENT = fc.record({ made: fc.constantFrom(...Object.values(CUTS)), w: fc.integer({ min: 220, max: 300 }) });

describe('at the table', () => {
  test('grainlines run along the selvedge, large pieces come first, and the cloth holds what it is said to', () => {
    fc.assert(
      fc.property(GARMENT, ({ made, w }) => {
        const c = compute(documentOf(made({ w, l: 640, s: 120 })));
        const pieces = c.pieces.filter((p) => p.material === 'shell');
        const { parts } = partsOf(pieces, c.cutLines, CLOTH);
        const { value } = laid(parts, CLOTH, 1).next();
        if (!value) throw new Error('nothing laid');
        const lying = lyingOf(CLOTH, value.placed, pieces, c.cutLines);
        const rows = atTable(lying, CLOTH);
        expect(rows.map((r) => r.number)).toEqual(lying.map((_, i) => i + 1));
        for (const [i, { across, along, lying: q }] of rows.entries()) {
          expect(across[0]).toBeCloseTo(across[1], 6);
          expect(along[1]).toBeGreaterThan(along[0]);
          const before = rows[i - 1]?.lying.ring;
          if (before) expect(ringsArea([q.ring])).toBeLessThanOrEqual(ringsArea([before]) + 1e-6);
        }
        // The cloth is as long as the lay itself says, and no fuller than it can be.
        expect(laidLength(CLOTH, lying)).toBeCloseTo(value.length, 6);
        const net = lying.reduce((t, q) => t + ringsArea([q.ring]), 0);
        expect(density(CLOTH, lying) * CLOTH.width * value.length).toBeCloseTo(net, 0);
        expect(density(CLOTH, lying)).toBeLessThan(1);
      }),
      runs(10),
    );
  });

  test('each piece is cut from one cloth: by its material, or where it was moved to; what no cloth takes is from none', () => {
    fc.assert(
      fc.property(GARMENT, fc.nat(), ({ made, w }, pick) => {
        const { pieces } = compute(documentOf(made({ w, l: 640, s: 120 })));
        const usual = usualCutting();
        const piece = pieces[pick % pieces.length];
        if (!piece) return;
        const all = (c: typeof usual) => c.cloths.flatMap((x) => cutFrom(c, x, pieces).map((p) => p.id)).sort();
        expect(all(usual)).toEqual(pieces.map((p) => p.id).sort());
        const moved = { ...usual, moved: [{ piece: piece.id, cloth: 'interfacing' }] };
        expect(clothFor(moved, piece)?.id).toBe('interfacing');
        expect(all(moved)).toEqual(all(usual));
        // A cloth that is there no more takes nothing along: the piece goes where its material does.
        const gone = { ...usual, moved: [{ piece: piece.id, cloth: 'gone' }] };
        expect(clothFor(gone, piece)?.id).toBe(clothFor(usual, piece)?.id);
        const bare = { ...usual, cloths: usual.cloths.filter((x) => !x.takes.includes(piece.material)) };
        expect(clothFor(bare, piece)).toBeUndefined();
      }),
      runs(30),
    );
  });

  test('edges of a cut line go once round it, and one that was measured names its piece', () => {
    fc.assert(
      fc.property(GARMENT, fc.nat(), ({ made, w }, pick) => {
        const { pieces, cutLines } = compute(documentOf(made({ w, l: 640, s: 120 })));
        for (const p of pieces) {
          const cut = cutLines.get(p.id);
          if (!cut) continue;
          const edges = cutEdges(p, cut);
          const round = edges.reduce((t, e) => t + e.length, 0);
          expect(Math.abs(round - pathLength(cut.outline))).toBeLessThan(1);
          // A tape is read to the millimetre.
          const meant = edges[pick % edges.length];
          const found = meant ? withEdge(Math.round(meant.length), pieces, cutLines) : [];
          for (const f of found) expect(Math.abs(f.length - (meant?.length ?? 0))).toBeLessThan(3.5 + 0.005 * f.length);
          if (found.length < 6) expect(found.map((f) => f.piece.id)).toContain(p.id);
        }
      }),
      runs(15),
    );
  });
});
