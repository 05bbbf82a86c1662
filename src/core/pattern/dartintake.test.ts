import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { curve, p, pieceOf, straight } from '../../test/parts.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ShellPiece } from '../document/project.ts';
import {
  addScaled,
  endOf,
  insideRing,
  type Point,
  pathLength,
  polyline,
  startOf,
  sub,
  unit,
} from '../geometry/index.ts';
import { addLine, clickedLine, dropLine, flatRing, laidLine, type Piece, takenOf, takesOf } from './index.ts';

/** A piece whose upper edge e1 is this bent. */
const withTop = (bend: number, lines: Piece['lines'] = []): Piece =>
  pieceOf(
    'front',
    [
      ['waist', curve(p(0, 0), p(130, bend), p(260, bend), p(400, 0))],
      ['side', straight(p(400, 0), p(400, 500))],
      ['hem', straight(p(400, 500), p(0, 500))],
      ['front-edge', straight(p(0, 500), p(0, 0))],
    ],
    { lines },
  );
const shellPiece = (): ShellPiece => coatDocument().shell?.pieces[0] as ShellPiece;

describe('darts and pleats laid by figures', () => {
  const figures = fc.record({
    kind: fc.constantFrom('dart' as const, 'pleat' as const),
    bend: fc.integer({ min: -60, max: 60 }),
    width: fc.integer({ min: 4, max: 90 }),
    length: fc.integer({ min: 20, max: 220 }),
    at: fc.integer({ min: 60, max: 330 }),
  });

  test('each takes its width out of its edge, and lies inside the piece', () => {
    fc.assert(
      fc.property(figures, ({ bend, ...laid }) => {
        const piece = withTop(bend);
        const line = laidLine(piece.ring[0] as Piece['ring'][number], laid);
        if (!line.ok) throw new Error('should lie on the edge');
        const made = { ...piece, lines: [line.value] };
        expect([...takenOf(made).keys()]).toEqual(['e1']);
        expect(takenOf(made).get('e1')).toBeCloseTo(laid.width, 3);
        const [take] = takesOf(made);
        expect(((take?.from ?? 0) + (take?.to ?? 0)) / 2).toBeCloseTo(laid.at, 3);
        expect(insideRing(flatRing(piece.ring), line.value.path[0]?.b as Point)).toBe(true);
        if (take?.legs) expect(take.legs[0]).toBeCloseTo(take.legs[1], 0);
      }),
      runs(120),
    );
  });

  test('one that does not lie on its edge, or is nothing, is refused with the figures', () => {
    const edge = withTop(0).ring[0] as Piece['ring'][number];
    for (const bad of [
      { at: 5, width: 30, length: 80 },
      { at: 395, width: 30, length: 80 },
      { at: 200, width: 500, length: 80 },
      { at: 200, width: 0, length: 80 },
      { at: 200, width: 30, length: Number.NaN },
    ]) {
      const r = laidLine(edge, { kind: 'dart', ...bad });
      expect(r.ok ? null : [r.findings[0]?.code, r.findings[0]?.data?.edge]).toEqual([
        'take-off-edge',
        expect.closeTo(400),
      ]);
    }
  });
});

describe('darts and pleats as files draw them', () => {
  test('drawn on to the cut line, a dart takes out what lies between its lines on the seam line', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 60 }), fc.integer({ min: 60, max: 200 }), (half, depth) => {
        const apex = p(200, depth);
        const on = [p(200 - half, 0), p(200 + half, 0)] as [Point, Point];
        // Both lines run on 15 mm beyond the seam line, as they do on paper.
        const beyond = on.map((q) => addScaled(q, unit(sub(q, apex)), 15)) as [Point, Point];
        for (const [a, b] of [on, beyond]) {
          const [take, ...more] = takesOf(withTop(0, [{ kind: 'dart', path: polyline([a, apex, b]) }]));
          expect(more).toEqual([]);
          expect((take?.to ?? 0) - (take?.from ?? 0)).toBeCloseTo(2 * half, 4);
          for (const leg of take?.legs ?? []) expect(leg).toBeCloseTo(Math.hypot(half, depth), 4);
        }
      }),
      runs(60),
    );
  });

  test('lines of pleats go by twos in order; fish-eye darts and other lines take nothing', () => {
    const single = (x: number) => ({ kind: 'pleat' as const, path: straight(p(x, -10), p(x, 60)) });
    const piece = withTop(0, [
      single(250),
      single(40),
      single(70),
      single(210),
      { kind: 'dart', path: straight(p(200, 200), p(210, 260), p(200, 330), p(190, 260), p(200, 200)) },
      { kind: 'placement', path: straight(p(300, 0), p(320, 60), p(340, 0)) },
    ]);
    expect(takesOf(piece).map((t) => [t.kind, Math.round(t.from), Math.round(t.to)])).toEqual([
      ['pleat', 40, 70],
      ['pleat', 210, 250],
    ]);
    expect(takenOf(piece).get('e1')).toBeCloseTo(70, 6);
  });
});

describe('placed by clicks', () => {
  test('feet are set onto the edge, the point stays where it was clicked', () => {
    const piece = shellPiece();
    const side = piece.ring.find((e) => e.role === 'side');
    if (!side) throw new Error('no side');
    const [a, b] = [startOf(side.path), endOf(side.path)];
    const along = unit(sub(b, a));
    const off = (at: number, by: number) => addScaled(addScaled(a, along, at), { x: -along.y, y: along.x }, by);
    const point = off(70, 120);
    const r = clickedLine(piece, 'dart', [off(90, 6), off(60, -4), point], 80);
    if (!r.ok) throw new Error('refused');
    const made = addLine(piece, r.value);
    expect(takenOf({ ring: piece.ring as Piece['ring'], lines: made.lines }).get(side.id)).toBeCloseTo(30, 1);
    expect(made.lines.at(-1)?.path.some((s) => s.b.x === point.x && s.b.y === point.y)).toBe(true);
    expect(dropLine(made, made.lines.length - 1)).toEqual(piece);
    const pleat = clickedLine(piece, 'pleat', [off(60, 3), off(90, 3)], 80);
    expect(pleat.ok && pathLength(pleat.value.path)).toBeCloseTo(80 + 30 + 80, 1);
    const hem = piece.ring.find((e) => e.role === 'hem');
    const two = clickedLine(piece, 'pleat', [off(60, 3), startOf(hem?.path ?? [])], 80);
    // The hem begins where the side ends: one step along it lies on another edge.
    const inHem = clickedLine(piece, 'pleat', [off(60, 3), hem?.path[0] ? hem.path[0].b : point], 80);
    expect([two.ok || two.findings[0]?.code, inHem.ok ? 'ok' : inHem.findings[0]?.code]).toEqual([
      expect.anything(),
      'feet-on-two-edges',
    ]);
  });

  test('a dart in the front side alone makes the coat say so, and the same in the back mends it', () => {
    const doc = coatDocument();
    const shell = doc.shell;
    if (!shell) throw new Error('no shell');
    const lay = (kind: 'front' | 'back') => {
      shell.pieces = shell.pieces.map((q) => {
        if (q.kind !== kind) return q;
        const edge = q.ring.find((e) => e.role === 'side');
        const line = edge && laidLine(edge, { kind: 'dart', at: 80, width: 24, length: 110 });
        return line?.ok ? addLine(q, line.value) : q;
      });
      doc.shell = { ...shell };
      return compute(doc).seams.find((s) => s.id === 'shell-side');
    };
    expect(lay('front')).toMatchObject({ verdict: 'a-too-short', differenceMm: expect.closeTo(-24, 1) });
    expect(lay('back')).toMatchObject({ verdict: 'matches' });
  });
});
