import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { compute } from '../document/compute.ts';
import { nearestOn, type Point } from '../geometry/index.ts';
import { usualCutting } from './cloths.ts';
import { type ClothSaid, laid, layFaults, MEETS, matchesOf, type Placed, partsOf, standingOf } from './index.ts';

const DRAWN = fc.record({ made: fc.constantFrom(...Object.values(CUTS)), w: fc.integer({ min: 220, max: 300 }) });
const PRINT = fc.record({
  along: fc.integer({ min: 20, max: 400 }),
  across: fc.constantFrom(0, 25, 120),
  fromEnd: fc.integer({ min: 0, max: 50 }),
  fromSide: fc.integer({ min: 0, max: 50 }),
});

/** The shell cloth of a garment with a print, laid as far as so many steps go. */
function printed(doc: ReturnType<typeof documentOf>, more: Partial<ClothSaid>, steps: number) {
  const c = compute(doc);
  const usual = usualCutting();
  const cloth = { ...(usual.cloths[0] as ClothSaid), width: 1600, ...more };
  const choice = { ...usual, cloths: [cloth] };
  const { mine, holds } = standingOf(choice, cloth, c);
  let placed: Placed[] = [];
  for (const lay of laid(partsOf(mine, c.cutLines, cloth, holds).parts, cloth, 1)) {
    placed = lay.placed;
    if (--steps < 0) break;
  }
  const kept = { ...choice, lays: [{ cloth: cloth.id, placed }] };
  return { c, cloth, stands: standingOf(kept, cloth, c) };
}

const FIRST = { w: 260, l: 640, s: 120 };

/** A garment with a patch pocket, and its place drawn on the front: as a ring or by its mouth, straight or slanting. */
function pocketed(make: (typeof CUTS)[string], size: [number, number], drawn: 'ring' | 'mouth', slant: number) {
  const doc = structuredClone(documentOf(make(FIRST)));
  const pieces = doc.shell?.pieces ?? [];
  const front = pieces.find((p) => p.kind === 'front') as (typeof pieces)[number];
  const [w, h] = size;
  const { x, y } = front.grain.b;
  const corners = [
    { x: x - w / 2, y: y + slant },
    { x: x + w / 2, y },
    { x: x + w / 2, y: y + h },
    { x: x - w / 2, y: y + h },
  ];
  const sides = (at: typeof corners) => at.map((a, i) => ({ k: 'L' as const, a, b: at[(i + 1) % 4] as typeof a }));
  front.lines.push({ kind: 'placement', path: drawn === 'ring' ? sides(corners) : sides(corners).slice(0, 1) });
  const flat = corners.map((c, i) => ({ x: c.x + 5000, y: i < 2 ? y : c.y }));
  const ring = sides(flat).map((s, i) => ({
    ...{ id: `e${i + 1}`, role: 'plain' as const, confidence: 1, path: [s] },
    ...{ allowance: null, corner: null, onFold: false },
  }));
  pieces.push({
    ...{ id: 'pocket', name: 'Patch pocket', kind: 'other', count: 2, notches: [], lines: [], ring },
    grain: { a: { x: x + 5000, y: y + h * 0.8 }, b: { x: x + 5000, y: y + h * 0.2 } },
  });
  // The two outer ends of the mouth: one on the front, one on the pocket.
  return { doc, front: front.id, mouth: [corners[0], flat[0]] as [Point, Point] };
}

/** How far two places miss each other in a print that comes again every `step`, mm. */
const miss = (a: number, b: number, step: number): number =>
  Math.abs((a - b) / step - Math.round((a - b) / step)) * step;

describe('a print', () => {
  test('goes on over a patch pocket from the piece it is stitched on, along and across, on the left and on the right; without a place it is told', () => {
    const cuts = Object.values(CUTS).filter((m) => m(FIRST).pieces.some((p) => p.kind === 'front'));
    fc.assert(
      fc.property(
        fc.constantFrom(...cuts),
        fc.tuple(fc.integer({ min: 90, max: 160 }), fc.integer({ min: 100, max: 180 })),
        fc.constantFrom('ring' as const, 'mouth' as const),
        fc.constantFrom(0, 0, 40),
        fc.record({ along: fc.constantFrom(0, 45, 64), across: fc.constantFrom(0, 30, 75) }),
        fc.boolean(),
        (make, size, drawn, slant, repeat, centre) => {
          const { doc, front, mouth } = pocketed(make, size, drawn, slant);
          const print = { ...repeat, fromEnd: 7, fromSide: 11 };
          const { stands } = printed(doc, { print, oneWay: true, meet: ['pocket', 'side'], centre }, 8);
          const has = repeat.along + repeat.across > 0;
          expect(stands.unplaced.map((p) => p.id)).toEqual(has && slant ? ['pocket'] : []);
          expect(stands.faults).toEqual([]);
          if (!has || slant) return;
          const of = (id: string, mirrored: boolean) =>
            stands.lying.find((q) => q.piece === id && q.mirrored === mirrored);
          const both = [false, true].filter((m) => of('pocket', m) && of(front, m));
          expect(both.length).toBeGreaterThan(0);
          for (const m of both) {
            const [[f], [p]] = [of(front, m)?.place([mouth[0]]) ?? [], of('pocket', m)?.place([mouth[1]]) ?? []];
            if (!f || !p) throw new Error('not laid');
            if (repeat.along) expect(miss(f.y, p.y, repeat.along)).toBeLessThan(0.5);
            if (repeat.across) expect(miss(f.x, p.x, repeat.across)).toBeLessThan(0.5);
          }
          // The other half of a front on the fold, and the pocket that goes there.
          const whole = of(front, false);
          const fold = whole?.shape.ring.find((e) => e.onFold)?.path[0];
          const [[f], [c], [p]] = [
            whole?.place([mouth[0]]) ?? [],
            fold ? (whole?.place([fold.a]) ?? []) : [],
            of('pocket', true)?.place([mouth[1]]) ?? [],
          ];
          if (f && c && p && repeat.across) expect(miss(2 * c.x - f.x, p.x, repeat.across)).toBeLessThan(0.5);
        },
      ),
      runs(8),
    );
  });

  test('meets a collar, a stand and a hood at the centre of the back', () => {
    const found = Object.entries(CUTS).flatMap(([name, make]) => {
      const doc = documentOf(make(FIRST));
      const c = compute(doc);
      return matchesOf(c.surface, c.shell)
        .filter((m) => m.code === 'collar' || m.code === 'stand')
        .map((m) => ({ name, m, c }));
    });
    expect(found.length).toBeGreaterThan(2);
    for (const { m, c } of found)
      for (const { piece, at } of [m.a, m.b]) {
        const p = c.shell.find((q) => q.id === piece);
        const folds = p?.ring.filter((e) => e.onFold || e.role === 'centre-back') ?? [];
        // On its fold or its seam there; drawn whole, half way along the edge.
        if (folds.length) expect(Math.min(...folds.map((e) => nearestOn(e.path, at).distance))).toBeLessThan(0.01);
      }
  });

  test('meets at the seams that are wished, of any garment in stripes or checks, and what can’t meet is told', () => {
    fc.assert(
      fc.property(DRAWN, PRINT, fc.boolean(), fc.boolean(), ({ made, w }, print, oneWay, all) => {
        const doc = documentOf(made({ w, l: 640, s: 120 }));
        const { c, cloth, stands } = printed(doc, { print, oneWay, ...(all && { meet: [...MEETS] }) }, 40);
        const { lying, meeting, mine } = stands;
        expect(layFaults({ cloth, placed: lying, length: stands.length }, mine, c.cutLines)).toEqual([]);
        expect(stands.faults).toEqual([]);
        // From where the points lie on the cloth: of two cuts that lie the same way, whole repeats from each other.
        for (const { match: m } of meeting)
          for (const q of lying.filter((x) => x.piece === m.a.piece))
            for (const r of lying.filter((x) => x.piece === m.b.piece && x.turn === q.turn)) {
              const [y, z] = [q.place([m.a.at])[0]?.y ?? 0, r.place([m.b.at])[0]?.y ?? 0];
              const over = Math.abs((y - z) / print.along - Math.round((y - z) / print.along)) * print.along;
              expect(over).toBeLessThan(0.5);
            }
      }),
      runs(12),
    );
  });

  test('of a coat joins front and back at the side, the sleeve to the front; a piece moved off it is told', () => {
    const print = { along: 64, across: 0, fromEnd: 0, fromSide: 0 };
    const doc = documentOf((CUTS.coat ?? Object.values(CUTS)[0])?.({ w: 260, l: 640, s: 120 }) as never);
    const { c, cloth, stands } = printed(doc, { print }, 10);
    expect(stands.meeting.map((m) => m.match.code)).toContain('side');
    // A facing that is turned out shows beside its front: at any height of the edge their lines are the same.
    const shown = printed(doc, { print, meet: ['facing', 'side'] }, 10).stands;
    expect(shown.faults).toEqual([]);
    const [met] = shown.meeting.filter((m) => m.match.code === 'facing').map((m) => m.match);
    const front = shown.lying.find((q) => q.piece === met?.a.piece);
    const facing = shown.lying.find((q) => q.piece === met?.b.piece && q.turn === front?.turn);
    for (const e of facing ? [met?.b.at ?? { x: 0, y: 0 }, { x: met?.b.at.x ?? 0, y: (met?.b.at.y ?? 0) - 200 }] : []) {
      const [y, z] = [front?.place([e])[0]?.y ?? 0, facing?.place([e])[0]?.y ?? 9];
      expect(Math.abs((y - z) / 64 - Math.round((y - z) / 64)) * 64).toBeLessThan(0.5);
    }
    expect(met).toBeDefined();
    const moved = stands.lying.map((q, i) => (i ? q : { ...q, y: q.y + 7 }));
    const choice = { ...usualCutting(), cloths: [cloth], lays: [{ cloth: cloth.id, placed: moved }] };
    const faults = standingOf(choice, cloth, c).faults.filter((f) => f.code === 'off-print');
    expect(faults.length).toBeGreaterThan(0);
    for (const f of faults) expect('off' in f && f.off).toBeCloseTo(7, 6);
  });

  test('that shrinks is laid larger: what is left of a piece after washing is what was drawn', () => {
    const doc = documentOf(Object.values(CUTS)[0]?.({ w: 260, l: 640, s: 120 }) as never);
    const [plain, wet] = [0, 10].map((along) => printed(doc, { shrinks: { along, across: along / 2 } }, 0));
    for (const q of plain?.stands.lying ?? []) {
      const r = wet?.stands.lying.find((x) => x.piece === q.piece && x.copy === q.copy);
      const size = (of: typeof q | undefined, k: 'x' | 'y'): number =>
        Math.max(...(of?.ring ?? []).map((p) => p[k])) - Math.min(...(of?.ring ?? []).map((p) => p[k]));
      expect(size(r, 'y') * 0.9).toBeCloseTo(size(q, 'y'), 6);
      expect(size(r, 'x') * 0.95).toBeCloseTo(size(q, 'x'), 6);
    }
  });

  test('and what is pinned stays where it is, the rest laid round it', () => {
    fc.assert(
      fc.property(DRAWN, fc.nat(5), ({ made, w }, k) => {
        const { c, cloth, stands } = printed(documentOf(made({ w, l: 640, s: 120 })), {}, 5);
        const pin = stands.lying[k % stands.lying.length] as Placed;
        const pinned = [{ ...pin, y: pin.y + 300, pinned: true }];
        const { parts } = partsOf(stands.mine, c.cutLines, cloth);
        let steps = 40;
        for (const lay of laid(parts, cloth, 2, pinned)) {
          expect(lay.placed).toHaveLength(stands.lying.length);
          expect(lay.placed.find((q) => q.piece === pin.piece && q.copy === pin.copy)).toMatchObject({
            x: pin.x,
            y: pin.y + 300,
          });
          expect(layFaults(lay, stands.mine, c.cutLines)).toEqual([]);
          steps -= 10;
          if (steps < 0) break;
        }
      }),
      runs(8),
    );
  });
});
