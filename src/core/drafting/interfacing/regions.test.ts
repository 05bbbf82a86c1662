import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs } from '../../../test/runs.ts';
import { UNLIKE } from '../../../test/unlike.ts';
import { compute } from '../../document/compute.ts';
import { type ProjectDocument } from '../../document/project.ts';
import { proofOf } from '../../document/proof/index.ts';
import { nearestOn, type Path, pathLength, pointAlong, selfCrossing } from '../../geometry/index.ts';
import { flatRing, type Piece, ringAreaOf } from '../../pattern/index.ts';

const GARMENTS = Object.values(UNLIKE).slice(0, -1);

test('along any edge of any piece, or all of it, on shell or lining: as wide as was said, or told', () => {
  let drawn = 0;
  fc.assert(
    fc.property(
      fc.nat(99),
      fc.nat(99),
      fc.nat(99),
      fc.integer({ min: 10, max: 90 }),
      fc.constantFrom('shell' as const, 'lining' as const),
      (garment, which, at, width, on) => {
        const doc = (GARMENTS[garment % GARMENTS.length] as () => ProjectDocument)();
        doc.decisions.interfacing.trim = 'seam';
        const before = compute(doc);
        const shell = before.shell[which % before.shell.length] as Piece;
        const edge = at % 5 ? (shell.ring[at % shell.ring.length] as Piece['ring'][number]) : null;
        doc.decisions.interfacing.regions = [{ piece: shell.id, edge: edge?.id ?? null, width, on }];
        const c = compute(doc);
        const made = c.inside.find((p) => p.id === 'region-1-interfacing');
        if (!made) {
          const told = c.findings.filter((f) =>
            ['region-gone', 'band-too-wide', 'interfacing-swallowed'].includes(f.code),
          );
          expect(told.length).toBeGreaterThan(0);
          return;
        }
        drawn += 1;
        const under = c.pieces.find((p) => p.id === made.stiffens) as Piece;
        expect(under.material).toBe(on);
        expect(selfCrossing(flatRing(made.ring))).toBeNull();
        expect(proofOf(c).flatMap((k) => k.faults.filter((f) => f.piece === made.id))).toEqual([]);
        if (!edge) {
          expect(ringAreaOf(made.ring) / ringAreaOf(under.ring)).toBeCloseTo(1, 3);
          return;
        }
        const own: Path = under.ring.flatMap((e) => (e.id === edge.id || e.from?.edge === edge.id ? e.path : []));
        const inner = made.ring.flatMap((e) => (e.id === 'inner' ? e.path : []));
        // Never nearer than the lesser, nor farther than a corner carries it; in its middle just so wide.
        const off = [0.3, 0.5, 0.7].map((k) => nearestOn(own, pointAlong(inner, pathLength(inner) * k)).distance);
        expect(Math.min(...off.map((x) => Math.abs(x - width)))).toBeLessThan(width * 0.25);
      },
    ),
    runs(40),
  );
  expect(drawn).toBeGreaterThan(among(20));
});
