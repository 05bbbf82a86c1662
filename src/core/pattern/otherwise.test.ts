import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { p, pieceOf, straight } from '../../test/parts.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import {
  boxOf,
  cubic,
  mapPath,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  selfCrossing,
} from '../geometry/index.ts';
import { type Edge, flatRing, sewnOtherwise, type WalkedSeam } from './index.ts';

// A pattern cut, sewn or drawn otherwise than it came.

describe('other allowances', () => {
  test('the seams stay, only the cut moves: inside and seams are the same, and each edge is trimmed by the difference', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.constantFrom('side', 'neckline', 'shoulder', 'armhole'),
        fc.integer({ min: 0, max: 25 }),
        (figures, role, mm) => {
          const doc = coatDocument(figures);
          (doc.shell as { lines: string }).lines = 'cut';
          const before = compute(doc);
          doc.decisions.reallowed = before.shell.flatMap((x) =>
            x.ring.filter((e) => e.role === role && !e.onFold).map((e) => ({ piece: x.id, edge: e.id, allowance: mm })),
          );
          const after = compute(doc);
          expect(after.seams.map((s) => [s.id, s.lengthAMm, s.lengthBMm])).toEqual(
            before.seams.map((s) => [s.id, s.lengthAMm, s.lengthBMm]),
          );
          expect(after.reallowed.map((r) => r.was - r.now)).toEqual(
            doc.decisions.reallowed.filter(() => mm !== 15).map(() => 15 - mm),
          );
          for (const x of after.shell) {
            expect(x.ring.map((e) => e.path)).toEqual(before.shell.find((b) => b.id === x.id)?.ring.map((e) => e.path));
            // The new cut line runs the new allowance from the middle of the edge.
            const [e] = x.ring.filter((r) => r.role === role && !r.onFold);
            const cut = after.cutLines.get(x.id)?.outline ?? [];
            const middle = e && pointAlong(e.path, pathLength(e.path) / 2);
            if (middle) expect(Math.abs(nearestOn(cut, middle).distance - mm)).toBeLessThan(0.05);
          }
        },
      ),
      runs(10),
    );
  });
});

/** The coat with its sleeve's cap pressed flat, so that it is too short for the armhole. */
function shortCap(figures: Parameters<typeof coatDocument>[0], flat: number): ProjectDocument {
  const doc = coatDocument(figures);
  for (const x of doc.shell?.pieces ?? []) {
    if (x.kind !== 'sleeve') continue;
    const cap = x.ring.filter((e) => e.role === 'cap');
    const low = boxOf(cap.flatMap((e) => e.path)).maxY;
    const m = { a: 1, b: 0, c: 0, d: flat, e: 0, f: low * (1 - flat) };
    x.ring = x.ring.map((e) => (e.role === 'cap' ? { ...e, path: mapPath(e.path, m) } : e));
  }
  return doc;
}

describe('a sleeve cap too short for its armhole', () => {
  test('redrawn either way it is longer by the ease that was said, to the last tenth; lifted at its top or deeper at the underarm', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.double({ min: 0.72, max: 0.86, noNaN: true }),
        fc.integer({ min: 0, max: 30 }),
        (figures, flat, ease) => {
          const doc = shortCap(figures, flat);
          const drawn = compute(doc);
          const sleeve = drawn.shell.find((x) => x.kind === 'sleeve');
          const seam = (c: typeof drawn): WalkedSeam => c.seams.find((s) => s.code === 'cap') as WalkedSeam;
          for (const way of ['lifted', 'deepened'] as const) {
            doc.decisions.caps = [{ piece: sleeve?.id ?? '', way, ease }];
            const c = compute(doc);
            const redrawn = c.shell.find((x) => x.kind === 'sleeve');
            const told = c.findings.find((f) => f.code === `cap-not-${way}`);
            // Hollowing has its limit: then it is told, and the cap is as it was drawn.
            if (told) {
              expect([way, redrawn]).toEqual(['deepened', sleeve]);
              continue;
            }
            expect(seam(c).differenceMm).toBeCloseTo(ease, 1);
            expect(seam(c).lengthBMm).toBe(seam(drawn).lengthBMm);
            expect(c.before).toEqual([sleeve]);
            expect(selfCrossing(flatRing(redrawn?.ring ?? []))).toBeNull();
            const [top, was] = [redrawn, sleeve].map((x) => boxOf((x?.ring ?? []).flatMap((e) => e.path)).minY) as [
              number,
              number,
            ];
            if (way === 'deepened') expect(top).toBeCloseTo(was, 2);
            // All other edges are those that were drawn.
            const rest = (x: typeof sleeve): Edge[] => (x?.ring ?? []).filter((e) => e.role !== 'cap');
            expect(rest(redrawn)).toEqual(rest(sleeve));
          }
        },
      ),
      runs(12),
    );
  });
});

describe('sewn otherwise than the allowance says', () => {
  const walked = (path: Path, allowance = 15): [WalkedSeam, Parameters<typeof sewnOtherwise>[1]] => {
    const piece = pieceOf('front', [
      ['neckline', path],
      ['side', straight(p(0, 0), p(0, 1))],
    ]);
    (piece.ring[0] as Edge).allowance = allowance;
    const side = [{ piece: 'front', edge: 'e1', role: 'neckline' as const }];
    const lengthAMm = pathLength(path);
    const seam = { id: 's', code: 'x', group: 'shell' as const, a: side, b: side, ease: { min: 0, max: 0 } };
    return [{ ...seam, lengthAMm, lengthBMm: lengthAMm, differenceMm: 0, easeMm: 0, verdict: 'matches' }, [piece]];
  };

  // 3 mm over three quarters of a turn is 14 mm: d × turning angle, derived; here in quarter circles by their usual cubics.
  test('a neck of three quarters of a turn sewn 3 mm narrower is 14 mm longer or shorter', () => {
    const k = 0.5522847498 * 80;
    const quarter = cubic(p(0, -80), p(k, -80), p(80, -k), p(80, 0));
    const turned = (i: number): Path => {
      const [c, s] = [Math.cos((i * Math.PI) / 2), Math.sin((i * Math.PI) / 2)];
      return mapPath([quarter], { a: c, b: s, c: -s, d: c, e: 0, f: 0 });
    };
    const round = [0, 1, 2].flatMap(turned);
    const made = sewnOtherwise(...walked(round), 12);
    expect((made?.lengthA ?? 0) - pathLength(round)).toBeCloseTo((3 * 3 * Math.PI) / 2, 1);
    expect(Math.round((made?.lengthA ?? 0) - pathLength(round))).toBe(14);
  });

  // As the trade has it (common practice): a tie sewn 3/8" instead of 5/8" is 1/2" wider before folding; a French seam of 1/4" + 1/4" on
  // a 3/8" pattern leaves each piece 1/8" the larger.
  test('straight edges keep their length, and the garment gains or loses the difference twice', () => {
    const edge = straight(p(0, 0), p(500, 0));
    const tie = sewnOtherwise(...walked(edge, 15.875), 9.525);
    expect([tie?.across, tie?.lengthA]).toEqual([expect.closeTo(12.7, 6), expect.closeTo(500, 6)]);
    expect(sewnOtherwise(...walked(edge, 9.525), 6.35 + 6.35)?.across).toBeCloseTo(-6.35, 6);
    expect(sewnOtherwise(...walked(edge, 15.875), 6.35 + 9.525)?.across).toBeCloseTo(0, 6);
  });
});
