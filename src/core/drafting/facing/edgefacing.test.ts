import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bodiceSides, p, pieceOf, skirtSides, straight } from '../../../test/parts.ts';
import { runs } from '../../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../../test/shells.ts';
import { usualDecisions } from '../../document/project.ts';
import { joinedSurface } from '../../garment/index.ts';
import {
  distance,
  endDirection,
  insideRing,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  selfCrossing,
  signedArea,
  startDirection,
  turn,
} from '../../geometry/index.ts';
import { flatRing, laidLine, outlineOf, type Piece, type Role, takenOf, walk } from '../../pattern/index.ts';
import {
  allInOne,
  type Band,
  closeDarts,
  deriveInside,
  edgeFacing,
  edgeFacingSeams,
  edgeFacings,
  FINISH,
  garmentOf,
} from '../index.ts';

const garment = (shell: Piece[]) => garmentOf(shell, joinedSurface(shell, []).surface);

const band = (role: Band['role'], width: number, more: Partial<Band> = {}): Band => ({
  role,
  width,
  turn: 0,
  finish: 'overlocked',
  id: `${role}-facing`,
  name: `${role} facing`,
  ...more,
});
const of = (piece: Piece, role: Role): Path => piece.ring.filter((e) => e.role === role).flatMap((e) => e.path);
const mm = (min: number, max: number) => fc.integer({ min, max });
/** A facing that stands by itself: simple, clockwise, inside its shell, everywhere as wide as asked. */
function holds(facing: Piece, shell: Piece, role: Role, width: number): void {
  const chain = flatRing(facing.ring);
  expect(selfCrossing(chain)).toBeNull();
  expect(signedArea(outlineOf(facing.ring))).toBeGreaterThan(0);
  const outer = flatRing(shell.ring);
  const rim = outlineOf(shell.ring);
  for (const q of chain) expect(insideRing(outer, q) || nearestOn(rim, q).distance < 0.05).toBe(true);
  const inner = of(facing, 'inner');
  const own = of(facing, role);
  const length = pathLength(inner);
  for (let k = 0; k <= 20; k++) {
    const d = nearestOn(own, pointAlong(inner, (length * k) / 20)).distance;
    expect(d).toBeGreaterThan(width - 0.06);
    if (k > 4 && k < 16) expect(d).toBeLessThan(width + 0.06);
  }
}

describe('facings along an edge', () => {
  test('of armhole, hem and wrist over random coats: exact at the edge, parallel inside, or refused with what fits', () => {
    fc.assert(
      fc.property(coatFigures, mm(15, 130), fc.constantFrom('armhole', 'hem', 'wrist'), (figures, width, role) => {
        for (const shell of piecesOf(coatDocument(figures))) {
          if (!of(shell, role).length) continue;
          const made = edgeFacing(shell, band(role, width));
          if (!made.ok) {
            const [f] = made.findings;
            expect(f?.code).toBe('band-too-wide');
            const most = Number(f?.data?.most);
            expect(most).toBeLessThan(width);
            if (most > 0) expect(edgeFacing(shell, band(role, most)).ok).toBe(true);
            continue;
          }
          const { piece } = made.value;
          expect(pathLength(of(piece, role))).toBeCloseTo(pathLength(of(shell, role)), 6);
          holds(piece, shell, role, width);
        }
      }),
      runs(30),
    );
  });

  test('drawn smaller, its edge changes by the turn of cloth times the bend of the edge, and that is meant', () => {
    fc.assert(
      fc.property(coatFigures, fc.constantFrom(1, 2, 3), (figures, small) => {
        for (const shell of piecesOf(coatDocument(figures)).filter((q) => of(q, 'armhole').length)) {
          const made = edgeFacing(shell, band('armhole', 50, { turn: small }));
          if (!made.ok) continue;
          const edge = of(shell, 'armhole');
          const bend = turn(startDirection(edge), endDirection(edge));
          const change = pathLength(of(made.value.piece, 'armhole')) - pathLength(edge);
          // The ends slide along the neighbours, which do not stand quite square.
          expect(Math.abs(change + small * bend)).toBeLessThan(1.2 * small);
          const bands = { pieces: [{ role: 'armhole' as const, piece: made.value.piece, shell }], findings: [] };
          const seams = edgeFacingSeams(garment([shell]), bands, []);
          const [walked] = walk(seams, [made.value.piece, shell]);
          expect(walked?.verdict).toMatch(/matches|ease-as-meant/);
        }
      }),
      runs(30),
    );
  });

  test('the outer edge has what its finish asks: nothing, or 3/8" to press under', () => {
    const [front] = piecesOf(coatDocument()) as [Piece];
    const allowance = (finish: Band['finish']): number | undefined => {
      const made = edgeFacing(front, band('armhole', 50, { finish }));
      return made.ok ? made.value.piece.ring.find((e) => e.role === 'inner')?.allowance : undefined;
    };
    expect([allowance('overlocked'), allowance('bound'), allowance('pressed')]).toEqual([0, 0, 9.525]);
    expect(FINISH.pressed).toBeCloseTo((3 / 8) * 25.4, 9);
  });
});

describe('darts and pleats in the way', () => {
  /** A bodice front with a dart or pleat at its waist. */
  const darted = (
    sides: Parameters<typeof pieceOf>[1],
    kind: 'dart' | 'pleat',
    width: number,
    length: number,
  ): Piece => {
    const piece = pieceOf('front', sides, { name: 'Bodice front' });
    const waist = piece.ring.find((e) => e.role === 'waist') as Piece['ring'][number];
    const line = laidLine(waist, { kind, at: pathLength(waist.path) / 2, width, length });
    if (!line.ok) throw new Error('off its edge');
    return { ...piece, lines: [line.value] };
  };

  test('are closed before the facing is traced: it is as long as the edge when they are sewn', () => {
    fc.assert(
      fc.property(
        bodiceSides,
        fc.constantFrom('dart' as const, 'pleat' as const),
        mm(10, 40),
        mm(90, 170),
        mm(30, 60),
        (sides, kind, width, length, wide) => {
          const piece = darted(sides, kind, width, length);
          const made = edgeFacing(piece, band('waist', wide));
          if (!made.ok) throw new Error(JSON.stringify(made.findings));
          expect(made.value.closed).toBe(1);
          const sewn = pathLength(of(piece, 'waist')) - (takenOf(piece).get('e6') ?? 0);
          // The bend that closing leaves is trued, which takes less than 0.3 mm.
          const short = sewn - pathLength(of(made.value.piece, 'waist'));
          expect(short).toBeGreaterThan(-0.01);
          expect(short).toBeLessThan(0.31);
          expect(selfCrossing(flatRing(made.value.piece.ring))).toBeNull();
          const bands = { pieces: [{ role: 'waist' as const, piece: made.value.piece, shell: piece }], findings: [] };
          const seams = edgeFacingSeams(garment([piece]), bands, []);
          expect(walk(seams, [made.value.piece, piece])[0]).toMatchObject({ verdict: 'matches' });
        },
      ),
      runs(40),
    );
  });

  test('closing a dart turns what lies beyond it by twice the angle of half its width over its length', () => {
    fc.assert(
      fc.property(mm(10, 60), mm(60, 200), (width, length) => {
        const piece = pieceOf('skirt-front', [
          ['waist', straight(p(0, 0), p(240, 0))],
          ['side', straight(p(240, 0), p(240, 500))],
          ['hem', straight(p(240, 500), p(0, 500))],
          ['centre-front', straight(p(0, 500), p(0, 0))],
        ]);
        const line = laidLine(piece.ring[0] as Piece['ring'][number], { kind: 'dart', at: 120, width, length });
        if (!line.ok) throw new Error('off its edge');
        const closed = closeDarts({ ring: piece.ring, piece: { ...piece, lines: [line.value] } }, new Set(['waist']));
        const bent = turn(p(0, 1), startDirection(closed?.after.path ?? []));
        expect(Math.abs(bent)).toBeCloseTo(2 * Math.atan(width / 2 / length), 6);
        // Trued: in one line where the dart was, and hardly shorter for it.
        const [one, other] = (closed?.run ?? []).map((e) => e.path) as [Path, Path];
        expect(distance(endDirection(one), startDirection(other))).toBeLessThan(1e-6);
        for (const half of [one, other]) {
          expect(pathLength(half)).toBeGreaterThan(120 - width / 2 - 0.2);
          expect(pathLength(half)).toBeLessThan(120 - width / 2 + 1e-6);
        }
        // Nothing is torn: each stretch begins where the one before ends.
        expect(closed?.run[1]?.path[0]?.a).toEqual(closed?.run[0]?.path.at(-1)?.b);
      }),
      runs(40),
    );
  });

  test('facing of a waist and lining below it make up the skirt, before darts and hem', () => {
    fc.assert(
      fc.property(skirtSides, mm(30, 90), (sides, width) => {
        const shell = pieceOf('skirt-front', sides);
        const d = usualDecisions();
        d.facing.bands.waist = width;
        d.facing.turn = 0;
        // A joined hem of 40 with a seam of 10 and a clearance of 15 leaves the lining's seam line on the hem line.
        shell.ring = shell.ring.map((e) => (e.role === 'hem' ? { ...e, allowance: 40 } : e));
        const { pieces, findings } = deriveInside([shell], d);
        const area = (id: string): number => {
          const piece = pieces.find((q) => q.id === id);
          return piece ? Math.abs(signedArea(outlineOf(piece.ring))) : Number.NaN;
        };
        expect(findings.filter((f) => f.severity === 'stop')).toEqual([]);
        const whole = Math.abs(signedArea(outlineOf(shell.ring)));
        expect(area('skirt-front-waist-facing') + area('skirt-front-lining')).toBeCloseTo(whole, 1);
      }),
      runs(40),
    );
  });
});

describe('neck and armhole in one', () => {
  test('shoulder narrower by 3 mm, everything else of the piece, its lower line square to both edges', () => {
    fc.assert(
      fc.property(coatFigures, mm(40, 90), (figures, depth) => {
        for (const shell of piecesOf(coatDocument(figures)).filter((q) => q.kind !== 'sleeve')) {
          const made = allInOne(shell, {
            centre: depth + 140,
            side: depth,
            narrower: 3,
            finish: 'bound',
            id: 'x',
            name: 'x',
          });
          if (!made.ok) throw new Error(JSON.stringify(made.findings));
          const facing = made.value;
          expect(pathLength(of(facing, 'shoulder'))).toBeCloseTo(pathLength(of(shell, 'shoulder')) - 3, 6);
          expect(pathLength(of(facing, 'neckline'))).toBeCloseTo(pathLength(of(shell, 'neckline')), 6);
          expect(pathLength(of(facing, 'side'))).toBeCloseTo(depth, 6);
          expect(selfCrossing(flatRing(facing.ring))).toBeNull();
          const low = facing.ring.findIndex((e) => e.role === 'inner');
          const [before, inner, after] = [-1, 0, 1].map((k) => facing.ring.at((low + k) % facing.ring.length)?.path);
          expect(Math.abs(turn(endDirection(before ?? []), startDirection(inner ?? [])))).toBeCloseTo(Math.PI / 2, 2);
          expect(Math.abs(turn(endDirection(inner ?? []), startDirection(after ?? [])))).toBeCloseTo(Math.PI / 2, 2);
        }
      }),
      runs(40),
    );
  });
});

test('a facing something else takes the place of is told, not drafted', () => {
  const shell = piecesOf(coatDocument());
  const d = usualDecisions();
  d.facing.bands = { armhole: 55, waist: 55, hem: 0, wrist: 35, 'cut-out': 0 };
  const codes = (more: () => void): [string, unknown, unknown][] => {
    more();
    return edgeFacings(garment(shell), d).findings.map((f) => [f.code, f.data?.role, f.data?.instead]);
  };
  expect(codes(() => undefined)).toEqual([['facing-not-needed', 'armhole', 'sleeve']]);
  d.lining.wrist = { ...d.lining.wrist, kind: 'rib' };
  expect(codes(() => undefined)).toContainEqual(['facing-not-needed', 'wrist', 'rib']);
  d.lining.wrist = { ...d.lining.wrist, kind: 'joined' };
  d.facing.inOne = 60;
  expect(codes(() => undefined)).toContainEqual(['facing-not-needed', 'in-one', 'lining']);
  d.lining.on = false;
  const vest = shell.filter((q) => q.kind !== 'sleeve');
  const made = edgeFacings(garment(vest), d);
  expect(made.pieces.map((b) => b.role)).toEqual(['in-one', 'in-one']);
  d.facing.inOne = 0;
  expect(edgeFacings(garment(vest), d).pieces.map((b) => b.piece.id)).toEqual([
    'front-armhole-facing',
    'back-armhole-facing',
  ]);
});
