import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distanceToChain, gapBetween, samples, worstStep } from '../../test/checker.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, mapShell, piecesOf, shellOf } from '../../test/shells.ts';
import {
  boxOf,
  cubic,
  curvatureAt,
  distance,
  flatten,
  inflate,
  insideRing,
  line,
  type Point,
  pathLength,
  polyline,
  ringsArea,
  rotation,
  selfCrossing,
  signedArea,
  stretch,
  translation,
} from '../geometry/index.ts';
import {
  cutLine,
  type Edge,
  figuresOf,
  mapPiece,
  notchTick,
  outlineOf,
  type Piece,
  placeGrain,
  type Role,
  reverseRing,
  ringAreaOf,
  runsOf,
  seamLineFromCut,
  shellPieces,
  shellSeams,
  suggestRoles,
  walk,
} from './index.ts';

const p = (x: number, y: number): Point => ({ x, y });
const edge = (id: string, role: Role, points: Point[], allowance = 15, more: Partial<Edge> = {}): Edge => ({
  id,
  role,
  path: polyline(points),
  allowance,
  corner: 'mitred',
  onFold: false,
  ...more,
});
/** A square 100 × 100, clockwise on screen. */
const square = (allowances = [10, 10, 10, 10]): Edge[] => [
  edge('top', 'neckline', [p(0, 0), p(100, 0)], allowances[0]),
  edge('right', 'side', [p(100, 0), p(100, 100)], allowances[1]),
  edge('bottom', 'hem', [p(100, 100), p(0, 100)], allowances[2]),
  edge('left', 'side', [p(0, 100), p(0, 0)], allowances[3]),
];
const areaOfCut = (ring: Edge[]): number => signedArea(cutLine(ring).outline);
const has = (ring: Edge[], q: Point): boolean => cutLine(ring).outline.some((s) => distance(s.a, q) < 1e-6);

/** Whether the edge nowhere bends so tightly that its allowance cannot be kept or read back. */
const roomy = (e: Edge): boolean =>
  e.path.every((s) => [0, 0.1, 0.3, 0.5, 0.7, 0.9, 1].every((t) => 1 + curvatureAt(s, t) * e.allowance > 0.3));

describe('cut line', () => {
  test('a square grows by its allowances, corners mitred', () => {
    expect(areaOfCut(square())).toBeCloseTo(120 * 120, 6);
    expect(areaOfCut(square([10, 20, 40, 0]))).toBeCloseTo(120 * 150, 6);
    expect(areaOfCut(square([0, 0, 0, 0]))).toBeCloseTo(100 * 100, 6);
    expect(areaOfCut(square([-3, -3, -3, -3]))).toBeCloseTo(94 * 94, 6);
  });

  test('even allowances give what the clipping library gives on its own', () => {
    fc.assert(
      fc.property(coatFigures, fc.double({ min: 4, max: 25, noNaN: true }), (figures, d) => {
        for (const piece of piecesOf(coatDocument(figures))) {
          const ring = piece.ring.map((e): Edge => ({ ...e, allowance: d, corner: 'mitred' }));
          const theirs = inflate([flatten(outlineOf(ring), 0.005).slice(0, -1)], d, 10);
          expect(Math.abs(areaOfCut(ring) / ringsArea(theirs) - 1)).toBeLessThan(1e-3);
        }
      }),
      runs(9),
    );
  });

  test('every edge keeps its own distance, over random coats', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        for (const piece of piecesOf(coatDocument(figures))) {
          const { outline, cleaned } = cutLine(piece.ring);
          expect(cleaned && piece.ring.every(roomy)).toBe(false);
          expect(worstStep(outline)).toBeLessThan(1e-6);
          const seam = flatten(outlineOf(piece.ring), 0.01);
          const least = Math.min(...piece.ring.map((e) => e.allowance));
          for (const q of samples(outline, 120)) {
            expect(distanceToChain(q, seam)).toBeGreaterThanOrEqual(least - 0.05);
          }
          for (const e of piece.ring.filter((x) => roomy(x))) {
            const away = gapBetween(stretch(e.path, 10, pathLength(e.path) - 10), outline, 12);
            expect(away.most).toBeLessThanOrEqual(e.allowance + 0.05);
          }
        }
      }),
      runs(10),
    );
  });

  test('a mirrored hem corner lies on the piece when the hem is folded up', () => {
    // A sleeve end tapering towards the wrist: the sides lean inward by 20 over 100.
    const ring = [
      edge('cap', 'cap', [p(0, 0), p(200, 0)]),
      edge('u1', 'underarm', [p(200, 0), p(180, 100)], 15, { corner: 'mirrored' }),
      edge('wrist', 'wrist', [p(180, 100), p(20, 100)], 40, { corner: 'mirrored' }),
      edge('u2', 'underarm', [p(20, 100), p(0, 0)]),
    ];
    const cut = cutLine(ring).outline;
    const low = cut.flatMap((s) => [s.a, s.b]).filter((q) => Math.abs(q.y - 140) < 1e-6);
    const width = Math.max(...low.map((q) => q.x)) - Math.min(...low.map((q) => q.x));
    // At 40 above the fold the seam lines are 160 + 2 · 40 · 0.2 apart; the allowance adds 15 across the slope.
    const slope = Math.hypot(1, 0.2);
    expect(width).toBeCloseTo(160 + 2 * 40 * 0.2 + 2 * 15 * slope, 4);
    const mitred = cutLine(ring.map((e) => ({ ...e, corner: 'mitred' as const }))).outline;
    const narrow = mitred.flatMap((s) => [s.a, s.b]).filter((q) => Math.abs(q.y - 140) < 1e-6);
    expect(Math.max(...narrow.map((q) => q.x)) - Math.min(...narrow.map((q) => q.x))).toBeCloseTo(
      160 - 2 * 40 * 0.2 + 2 * 15 * slope,
      4,
    );
  });

  test('a squared corner starts level with the seam it belongs to', () => {
    const ring = [
      edge('a', 'yoke-seam', [p(0, 0), p(100, 0)], 10, { corner: 'squared' }),
      edge('b', 'armhole', [p(100, 0), p(60, 80)], 10),
      edge('c', 'hem', [p(60, 80), p(0, 80)], 10),
      edge('d', 'side', [p(0, 80), p(0, 0)], 10),
    ];
    const onTop = cutLine(ring)
      .outline.flatMap((s) => [s.a, s.b])
      .filter((q) => Math.abs(q.y + 10) < 1e-6);
    const corner = cutLine(ring).outline.find((s) => Math.abs(s.a.x - s.b.x) < 1e-6 && s.a.y < -9 && s.b.y > -1);
    expect(corner).toBeDefined();
    expect(Math.max(...onTop.map((q) => q.x))).toBeCloseTo(100 + 10 * Math.hypot(1, 0.5), 4);
  });

  test('a fold edge stays where it is, its neighbours end on it', () => {
    const ring = square([10, 10, 40, 0]).map((e) => (e.id === 'left' ? { ...e, onFold: true } : e));
    expect(boxOf(cutLine(ring).outline).minX).toBeCloseTo(0, 9);
    expect(has(ring, p(0, -10))).toBe(true);
    expect(has(ring, p(0, 140))).toBe(true);
  });

  test('an allowance too large for a hollow is cleaned and says so', () => {
    const notch = [
      edge('v', 'plain', [p(0, 0), p(40, 0), p(50, 60), p(60, 0), p(100, 0)], -30),
      edge('r', 'side', [p(100, 0), p(100, 100)], 5),
      edge('b', 'hem', [p(100, 100), p(0, 100)], 5),
      edge('l', 'side', [p(0, 100), p(0, 0)], 5),
    ];
    const cut = cutLine(notch);
    expect(selfCrossing(flatten(cut.outline).slice(0, -1))).toBeNull();
  });

  test('the seam line inside a drawn cut line gives the cut line back', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        for (const piece of piecesOf(coatDocument(figures)).filter((x) => x.ring.every(roomy))) {
          const ring = piece.ring.map((e): Edge => ({ ...e, corner: 'mitred' }));
          const cutRing = seamLineFromCut(ring.map((e) => ({ ...e, allowance: -e.allowance })));
          const back = seamLineFromCut(cutRing.map((e, i) => ({ ...e, allowance: (ring[i] as Edge).allowance })));
          expect(ringAreaOf(back) / ringAreaOf(ring)).toBeCloseTo(1, 4);
          back.forEach((e, i) => {
            expect(Math.abs(pathLength(e.path) - pathLength((ring[i] as Edge).path))).toBeLessThan(0.2);
          });
        }
      }),
      runs(10),
    );
  });

  test('drawn as cut lines, allowances that swallow a piece are told and the piece stays', () => {
    const shell = { ...shellOf(), lines: 'cut' as const };
    const fine = shellPieces(shell, { seam: 15, hem: 40, wrist: 40 });
    expect(fine.findings).toEqual([]);
    expect(ringAreaOf((fine.pieces[0] as Piece).ring)).toBeLessThan(
      figuresOf((shell.pieces[0] as (typeof shell.pieces)[0]).ring.flatMap((e) => e.path)).areaMm2,
    );
    const swallowed = shellPieces(shell, { seam: 100, hem: 40, wrist: 40 });
    expect(swallowed.findings.map((f) => f.code)).toContain('allowance-swallows-piece');
  });
});

describe('roles', () => {
  const expectRoles = (pieces: { name: string; kind: string; ring: { role: string }[] }[]) => {
    const kinds = pieces.map((x) => x.kind);
    expect(kinds).toEqual(['front', 'back', 'sleeve']);
    expect(new Set(pieces[0]?.ring.map((e) => e.role))).toEqual(
      new Set(['front-edge', 'neckline', 'shoulder', 'armhole', 'side', 'hem']),
    );
    expect(new Set(pieces[1]?.ring.map((e) => e.role))).toEqual(
      new Set(['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'hem']),
    );
    expect(pieces[2]?.ring.map((e) => e.role).sort()).toEqual(['cap', 'underarm', 'underarm', 'wrist']);
  };

  test('random coats are named rightly, edge by edge', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const shell = shellOf(figures);
        expectRoles(shell.pieces);
        expect(shell.pieces[0]?.ring.map((e) => e.role)).toEqual([
          'front-edge',
          'neckline',
          'shoulder',
          'armhole',
          'side',
          'hem',
        ]);
      }),
      runs(32),
    );
  });

  test('drawn mirrored, and begun at any edge, the roles stay with their edges', () => {
    const shell = shellOf();
    const turned = mapShell(shell, { a: -1, b: 0, c: 0, d: 1, e: 900, f: 0 });
    for (const [i, piece] of turned.pieces.entries()) {
      for (let k = 0; k < piece.ring.length; k++) {
        const ring = [...piece.ring.slice(k), ...piece.ring.slice(0, k)];
        const s = suggestRoles(
          piece.name,
          ring.map((e) => e.path),
        );
        const wanted = ring.map((e) => shell.pieces[i]?.ring.find((q) => q.id === e.id)?.role);
        expect(s.roles).toEqual(wanted);
      }
    }
  });

  test('without a telling name the shape decides; a pocket is nothing of the kind', () => {
    const [front, , sleeve] = shellOf().pieces;
    expect(
      suggestRoles(
        'Piece 3',
        (sleeve?.ring ?? []).map((e) => e.path),
      ).kind,
    ).toBe('sleeve');
    expect(['front', 'back']).toContain(
      suggestRoles(
        'Piece 1',
        (front?.ring ?? []).map((e) => e.path),
      ).kind,
    );
    expect(
      suggestRoles(
        'Patch pocket',
        square().map((e) => e.path),
      ).roles,
    ).toEqual(['plain', 'plain', 'plain', 'plain']);
  });
});

describe('walking', () => {
  const wave = (top: number): Edge => ({
    ...edge('e', 'side', [p(0, 0), p(1, 0)]),
    path: [cubic(p(0, 0), p(100, top), p(200, -top), p(300, 0))],
  });
  const piece = (id: string, ring: Edge[]): Piece => ({
    id,
    name: id,
    kind: 'other',
    material: 'shell',
    ring,
    cut: { count: 1, pair: false, onFold: false },
    grain: { a: p(0, 1), b: p(0, 0) },
    notches: [],
    lines: [],
    reasons: [],
  });
  const sew = (la: number, lb: number, ease = { min: 0, max: 0 }) => {
    const a = piece('a', [edge('x', 'side', [p(0, 0), p(la, 0)])]);
    const b = piece('b', [edge('y', 'side', [p(0, 0), p(lb, 0)])]);
    return walk(
      [
        {
          id: 's',
          code: 's',
          group: 'shell',
          a: [{ piece: 'a', edge: 'x', role: 'side' }],
          b: [{ piece: 'b', edge: 'y', role: 'side' }],
          ease,
        },
      ],
      [a, b],
    )[0];
  };

  test('up to 1.5 mm passes, more is told with its sign; meant ease passes in its range', () => {
    expect(sew(400, 401.5)?.verdict).toBe('matches');
    expect(sew(400, 401.6)?.verdict).toBe('a-too-short');
    expect(sew(405, 400)?.verdict).toBe('a-too-long');
    expect(sew(405, 400, { min: 0, max: 10 })).toMatchObject({ verdict: 'ease-as-meant', differenceMm: 5, easeMm: 5 });
    expect(sew(530, 500, { min: 20, max: 40 })?.verdict).toBe('ease-as-meant');
    expect(sew(500, 505, { min: 20, max: 40 })).toMatchObject({ verdict: 'a-too-short', easeMm: 20 });
    expect(sew(545, 500, { min: 20, max: 40 })?.verdict).toBe('a-too-long');
  });

  test('curves are walked by their arc', () => {
    const a = piece('a', [wave(90)]);
    const b = piece('b', [wave(90)]);
    const side = (id: string) => [{ piece: id, edge: 'e', role: 'side' as const }];
    const [s] = walk(
      [{ id: 's', code: 's', group: 'shell', a: side('a'), b: side('b'), ease: { min: 0, max: 0 } }],
      [a, b],
    );
    expect(s?.lengthAMm).toBeGreaterThan(300);
    expect(s?.differenceMm).toBeCloseTo(0, 9);
  });

  test('seams follow from the roles; the cap ease drafted is the ease walked; a shirt takes less', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const pieces = piecesOf(coatDocument(figures));
        const seams = walk(shellSeams(pieces), pieces);
        expect(seams.map((s) => s.code)).toEqual(['shoulder', 'side', 'underarm', 'cap']);
        const cap = seams.find((s) => s.code === 'cap');
        expect(cap?.differenceMm).toBeCloseTo(figures.capEase, 1);
        expect(seams.every((s) => s.verdict === 'matches' || s.verdict === 'ease-as-meant')).toBe(true);
        expect(walk(shellSeams(pieces, 'shirt'), pieces).find((s) => s.code === 'cap')?.verdict).toBe('a-too-long');
      }),
      runs(10),
    );
  });
});

describe('pieces', () => {
  test('turning a ring round twice changes nothing; runs of a role are found across the seam of the list', () => {
    const ring = square();
    expect(reverseRing(reverseRing(ring))).toEqual(ring);
    expect(runsOf(ring, 'side').map((r) => r.map((e) => e.id))).toEqual([['right'], ['left']]);
    const wrapped = [
      edge('b', 'hem', [p(0, 0), p(1, 0)]),
      edge('c', 'side', [p(1, 0), p(1, 1)]),
      edge('a', 'hem', [p(1, 1), p(0, 0)]),
    ];
    expect(runsOf(wrapped, 'hem').map((r) => r.map((e) => e.id))).toEqual([['a', 'b']]);
  });

  test('figures do not change when a piece is moved, turned or mirrored, and notches stay at their places', () => {
    for (const piece of piecesOf(coatDocument())) {
      for (const m of [translation(300, -40), rotation(1.1), { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 }]) {
        const moved = mapPiece(piece, m);
        expect(figuresOf(outlineOf(moved.ring)).areaMm2).toBeCloseTo(figuresOf(outlineOf(piece.ring)).areaMm2, 3);
        expect(
          figuresOf(cutLine(moved.ring).outline).areaMm2 / figuresOf(cutLine(piece.ring).outline).areaMm2,
        ).toBeCloseTo(1, 5);
        expect(signedArea(outlineOf(moved.ring))).toBeGreaterThan(0);
        moved.notches.forEach((n, i) => {
          const now = notchTick(moved.ring.find((e) => e.id === n.edge) as Edge, n.at).a;
          const old = piece.notches[i] as Piece['notches'][number];
          const was = notchTick(piece.ring.find((e) => e.id === old.edge) as Edge, old.at).a;
          expect(
            distance(now, { x: m.a * was.x + m.c * was.y + m.e, y: m.b * was.x + m.d * was.y + m.f }),
          ).toBeLessThan(1e-6);
        });
      }
    }
  });

  test('a grainline lies inside its piece, parallel to the direction asked', () => {
    for (const piece of piecesOf(coatDocument())) {
      for (const angle of [0, 0.4, Math.PI / 4]) {
        const d = { x: Math.sin(angle), y: -Math.cos(angle) };
        const g = placeGrain(outlineOf(piece.ring), d);
        const flat = flatten(outlineOf(piece.ring));
        expect(insideRing(flat, g.a) && insideRing(flat, g.b)).toBe(true);
        const l = distance(g.a, g.b);
        expect(((g.b.x - g.a.x) * d.x + (g.b.y - g.a.y) * d.y) / l).toBeCloseTo(1, 9);
      }
    }
  });

  test('line helper makes closed rings', () => {
    expect(worstStep([line(p(0, 0), p(1, 0)), line(p(1, 0), p(0, 0))])).toBe(0);
  });
});
