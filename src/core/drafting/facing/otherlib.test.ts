import { describe, expect, test } from '@jest/globals';
import { Clipper, ClipType, EndType, FillRule, JoinType, type Path64, type Paths64 } from 'clipper2-ts';
import fc from 'fast-check';
import { runs } from '../../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../../test/shells.ts';
import { UNLIKE } from '../../../test/unlike.ts';
import { compute } from '../../document/compute.ts';
import { type ProjectDocument } from '../../document/project.ts';
import { distance, endOf, flatten, type Path, type Point, signedArea, startOf } from '../../geometry/index.ts';
import { outlineOf, type Piece, type Role, ringAreaOf } from '../../pattern/index.ts';
import { edgeFacing } from '../index.ts';

/** Constructions made a second time with a clipping library on dense chords: no code of the product's geometry but the input. */
const UNIT = 1e4;
const into = (ring: Point[]): Path64 =>
  ring.map((p) => ({ x: Math.round(p.x * UNIT), y: Math.round(p.y * UNIT) }) as Path64[number]);
const areaOf = (paths: Paths64): number =>
  Math.abs(
    paths.reduce((sum, r) => {
      let a = 0;
      for (let i = 0, j = r.length - 1; i < r.length; j = i++) {
        const [p, q] = [r[j] as Path64[number], r[i] as Path64[number]];
        a += Number(p.x) * Number(q.y) - Number(q.x) * Number(p.y);
      }
      return sum + a / 2;
    }, 0),
  ) /
  UNIT ** 2;
const chords = (path: Path): Point[] => flatten(path, 0.002);
const ringOf = (p: Piece): Path64 => into(chords(outlineOf(p.ring)).slice(0, -1));
const of = (p: Piece, role: Role): Path => p.ring.filter((e) => e.role === role).flatMap((e) => e.path);
/** A run of chords carried on straight at both ends, so that a strip along it leaves the piece on both sides. */
function carriedOn(points: Point[], by: number): Point[] {
  const on = (a: Point, b: Point): Point => {
    const l = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: b.x + ((b.x - a.x) / l) * by, y: b.y + ((b.y - a.y) / l) * by };
  };
  const n = points.length;
  return [on(points[1] as Point, points[0] as Point), ...points, on(points[n - 2] as Point, points[n - 1] as Point)];
}

/** What lies within `width` of a run of edges, inside the piece. */
function within(piece: Piece, run: Path, width: number): number {
  const strip = Clipper.inflatePaths(
    [into(carriedOn(chords(run), 60))],
    width * UNIT,
    JoinType.Round,
    EndType.Butt,
    2,
    UNIT * 0.001,
  );
  return areaOf(Clipper.booleanOp(ClipType.Intersection, strip, [ringOf(piece)], FillRule.NonZero));
}

const TOP: ReadonlySet<Role> = new Set<Role>(['neckline', 'front-edge', 'cut-out']);
/** How far a run is carried on where it ends at another edge, mm. */
const ON = 60;

/** The faced edges of a facing, opening and neck apart, and how far its line lies from them at both ends; null for a band. */
function facedRuns({ ring }: Piece): { paths: Path[]; from: number; to: number } | null {
  const n = ring.length;
  const start = ring.findIndex((e, i) => TOP.has(e.role) && !TOP.has((ring[(i + n - 1) % n] as typeof e).role));
  if (start < 0) return null;
  const turned = [...ring.slice(start), ...ring.slice(0, start)];
  const end = turned.findIndex((e) => !TOP.has(e.role));
  const own = turned.slice(0, end);
  const points = carriedOn(
    flatten(
      own.flatMap((e) => e.path),
      0.02,
    ),
    ON,
  );
  const off = (q: Point): number => Math.min(...points.slice(1).map((b, i) => toChord(q, points[i] as Point, b)));
  const [before, after] = [turned[n - 1], turned[end]] as [(typeof ring)[number], (typeof ring)[number]];
  const opens = (e: (typeof ring)[number]): boolean => e.role === 'front-edge';
  const first = own.filter((e) => opens(e) === opens(own[0] as typeof before));
  const rest = own.filter((e) => !first.includes(e));
  const paths = [first, ...(rest.length ? [rest] : [])].map((edges) => edges.flatMap((e) => e.path));
  return { paths, from: off(startOf(before.path)), to: off(endOf(after.path)) };
}

/** Distance of a point from a chord. */
function toChord(q: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.max(0, Math.min(1, ((q.x - a.x) * dx + (q.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(q.x - a.x - t * dx, q.y - a.y - t * dy);
}

/** What lies to the right of a run, from `a` wide evenly to `b`: a strip beside each chord, a disc where two meet. */
function besideRun(path: Path, a: number, b: number, first: boolean, last: boolean): Paths64 {
  const drawn = flatten(path, 0.05);
  const long = carriedOn(drawn, ON);
  const points = long.slice(first ? 0 : 1, last ? undefined : -1);
  const along = points.map((q, i) => (i ? distance(points[i - 1] as Point, q) : 0));
  const length = along.reduce((t, l) => t + l, 0) - (first ? ON : 0) - (last ? ON : 0);
  let at = first ? -ON : 0;
  const widths = along.map((l) => {
    at += l;
    const t = Math.min(1, Math.max(0, at / length));
    return a + (b - a) * t * t * (3 - 2 * t);
  });
  return Clipper.union(
    points.flatMap((q, i): Paths64 => {
      const [p, w] = [points[i - 1], widths[i] as number];
      const l = along[i] as number;
      if (!p || l < 1e-9) return [];
      const n = { x: -(q.y - p.y) / l, y: (q.x - p.x) / l };
      const v = widths[i - 1] as number;
      const beside = into([p, q, { x: q.x + n.x * w, y: q.y + n.y * w }, { x: p.x + n.x * v, y: p.y + n.y * v }]);
      const turn = (k: number): Point => ({
        x: q.x + w * Math.cos(k * (Math.PI / 12)),
        y: q.y + w * Math.sin(k * (Math.PI / 12)),
      });
      return i < points.length - 1 ? [beside, into(Array.from({ length: 24 }, (_, k) => turn(k)))] : [beside];
    }),
    FillRule.NonZero,
  );
}

describe('against a clipping library', () => {
  test('a facing along armhole, hem or wrist is what lies within its width of the edge: area within 0.1 %', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.integer({ min: 25, max: 60 }),
        fc.constantFrom('armhole', 'hem', 'wrist'),
        (f, w, role) => {
          for (const shell of piecesOf(coatDocument(f)).filter((p) => of(p, role).length)) {
            const made = edgeFacing(shell, {
              role,
              width: w,
              turn: 0,
              finish: 'bound',
              id: 'x',
              name: 'x',
            });
            if (!made.ok) continue;
            const area = Math.abs(signedArea(outlineOf(made.value.piece.ring)));
            const other = within(shell, of(shell, role), w);
            expect(Math.abs(area / other - 1)).toBeLessThan(1e-3);
          }
        },
      ),
      runs(9),
    );
  });

  test('facing and lining overlap nowhere and leave nothing out', () => {
    fc.assert(
      fc.property(coatFigures, fc.integer({ min: 60, max: 110 }), (figures, front) => {
        const doc = coatDocument(figures);
        doc.decisions.facing.front = front;
        // Nothing raised, no pleat, and a joined hem whose seam line lies on the hem line: the parts as they were split.
        Object.assign(doc.decisions.lining, { raise: 0, out: 0, pleat: 0 });
        const c = compute(doc);
        for (const kind of ['front', 'back'] as const) {
          const [facing, lining] = ['facing', 'lining'].map((m) => c.inside.find((p) => p.id === `${kind}-${m}`));
          const shell = c.shell.find((p) => p.kind === kind);
          if (!facing || !lining || !shell) continue;
          const [a, b] = [[ringOf(facing)], [ringOf(lining)]];
          const both = areaOf(Clipper.booleanOp(ClipType.Intersection, a, b, FillRule.NonZero));
          const all = areaOf(Clipper.booleanOp(ClipType.Union, a, b, FillRule.NonZero));
          expect(both).toBeLessThan(5);
          expect(Math.abs(all / areaOf([ringOf(shell)]) - 1)).toBeLessThan(1e-4);
        }
      }),
      runs(7),
    );
  });

  test('beside a vent: the back less its facing, its extension, and what the extension covers when it is folded in', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.integer({ min: 25, max: 60 }),
        fc.integer({ min: 5, max: 15 }),
        (figures, width, s1) => {
          const height = figures.length * 0.3;
          const doc = coatDocument({ ...figures, vent: { width, height } });
          Object.assign(doc.decisions.lining, { raise: 0, out: 0, pleat: 0 });
          doc.decisions.lining.vent.shellSeam = s1;
          const c = compute(doc);
          const [shell, facing, over, under] = [
            c.shell.find((p) => p.kind === 'back'),
            ...['back-facing', 'back-lining', 'back-lining-under'].map((id) => c.inside.find((p) => p.id === id)),
          ];
          if (!shell || !facing || !over || !under) return;
          // The drawing's own figures: centre back upright, the extension's upper edge falls by half its width.
          const centre = of(shell, 'centre-back')[0] as Path[number];
          const x = centre.a.x;
          const top = Math.max(centre.a.y, centre.b.y);
          const low = top + height + 200;
          const wing = (from: number, to: number): Path64 =>
            into([
              { x: x + from, y: top + Math.abs(from) / 2 },
              { x: x + to, y: top + Math.abs(to) / 2 },
              { x: x + to, y: low },
              { x: x + from, y: low },
            ]);
          const less = (a: Paths64, b: Paths64): Paths64 =>
            Clipper.booleanOp(ClipType.Difference, a, b, FillRule.NonZero);
          const body = less([ringOf(shell)], [ringOf(facing)]);
          const beside = 15 - s1;
          const expected = {
            over: less(less(body, [wing(0, -width - 5)]), [wing(0, width + beside)]),
            under: less(body, [wing(-width + beside, -width - 5)]),
          };
          for (const [piece, other] of [
            [over, expected.over],
            [under, expected.under],
          ] as const) {
            expect(Math.abs(areaOf([ringOf(piece)]) / areaOf(other) - 1)).toBeLessThan(1e-3);
            const stray = [...less([ringOf(piece)], other), ...less(other, [ringOf(piece)])];
            expect(stray.reduce((sum, r) => sum + areaOf([r]), 0)).toBeLessThan(areaOf(other) * 1e-3);
          }
        },
      ),
      runs(7),
    );
  });

  // A facing's width is laid along the edges it comes out at, so that it goes on across the seams there; the line keeps off the
  // edge as far as it is there: from one end evenly to the other, and with an opening apart along that and along the neck.
  test.each(Object.keys(UNLIKE))(
    '%s: every facing of one panel is what lies that far from neck and opening',
    (name) => {
      const doc = (UNLIKE[name] as () => ProjectDocument)();
      const width = 45;
      const wide = { front: width, back: width, shoulder: width };
      Object.assign(doc.decisions.facing, { ...wide, over: 'parts', radius: 0, turn: 0 });
      const c = compute(doc);
      for (const q of c.inside) {
        const shell = c.shell.find((p) => p.id === q.parent);
        const runs = facedRuns(q);
        const one = q.ring.every((e) => !e.from || e.from.piece === shell?.id);
        if (q.material !== 'facing' || !shell || !runs || !one || shell.kind === 'hood') continue;
        if (q.reasons.some((r) => r.rule === 'darts-closed')) continue;
        const strips = runs.paths.flatMap((path, k, all) => {
          const [first, last] = [k === 0, k === all.length - 1];
          const [a, b] = all.length === 1 ? [runs.from, runs.to] : first ? [runs.from, runs.from] : [runs.to, runs.to];
          return besideRun(path, a, b, first, last);
        });
        const want = areaOf(Clipper.booleanOp(ClipType.Intersection, strips, [ringOf(shell)], FillRule.NonZero));
        const is = ringAreaOf(q.ring);
        // Where the width changes along a bent neck the two ways of measuring it differ by a hair.
        const near = runs.paths.length > 1 ? 2e-3 : 0.012;
        expect([q.id, Math.abs(is / want - 1) < near, is, want]).toEqual([q.id, true, is, want]);
      }
    },
  );
});
