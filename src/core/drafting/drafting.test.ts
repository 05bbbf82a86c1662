import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { gapBetween, liesIn, worstStep } from '../../test/checker.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, mapShell, piecesOf, shellOf } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type Decisions, type ProjectDocument } from '../document/project.ts';
import {
  curvatureAt,
  difference,
  distance,
  endOf,
  intersection,
  type Path,
  pathLength,
  pointAlong,
  ringsArea,
  rotation,
  selfCrossing,
  signedArea,
  startOf,
  stretch,
  union,
} from '../geometry/index.ts';
import { type Edge, fitCap, flatRing, outlineOf, type Piece, ringAreaOf, roleSide, runsOf } from '../pattern/index.ts';
import { deriveInside, orient, run, runLength, runPath, splitPiece } from './index.ts';

const piece = (pieces: Piece[], id: string): Piece => {
  const found = pieces.find((p) => p.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const only = (e: Edge[]): Path => e.flatMap((x) => x.path);
const derive = (doc: ProjectDocument, change: (d: Decisions) => void = () => undefined) => {
  change(doc.decisions);
  return deriveInside(piecesOf(doc), doc.decisions);
};
/** How the front parts along its facing line; none where it can't. */
const splitOf = (doc: ProjectDocument) => {
  const made = splitPiece(piecesOf(doc).find((p) => p.kind === 'front') as Piece, doc.decisions);
  return made?.ok ? made.value : undefined;
};
/** Widths each random coat can take: a facing well inside its shoulder and front. */
const widths = fc.record({
  front: fc.double({ min: 70, max: 110, noNaN: true }),
  shoulder: fc.double({ min: 40, max: 65, noNaN: true }),
  back: fc.double({ min: 45, max: 95, noNaN: true }),
  radius: fc.double({ min: 0, max: 80, noNaN: true }),
});
describe('facings', () => {
  test('facing and lining make up the shell, exactly, before any ease', () => {
    fc.assert(
      fc.property(coatFigures, widths, (figures, w) => {
        const doc = coatDocument(figures);
        Object.assign(doc.decisions.facing, w);
        for (const kind of ['front', 'back'] as const) {
          const whole = piecesOf(doc).find((p) => p.kind === kind) as Piece;
          const made = splitPiece(whole, doc.decisions);
          if (!made?.ok) {
            expect(made?.findings.length).toBeGreaterThan(0);
            continue;
          }
          const split = made.value;
          const [facing, lining] = [[flatRing(split.facing)], [flatRing(split.lining)]];
          expect(Math.abs(ringAreaOf(split.facing) + ringAreaOf(split.lining) - ringAreaOf(whole.ring))).toBeLessThan(
            0.5,
          );
          expect(ringsArea(intersection(facing, lining))).toBeLessThan(15);
          expect(ringsArea(difference(union(facing, lining), [flatRing(whole.ring)]))).toBeLessThan(15);
          expect(worstStep(outlineOf(split.facing))).toBeLessThan(1e-4);
          expect(worstStep(outlineOf(split.lining))).toBeLessThan(1e-4);
        }
      }),
      runs(14),
    );
  });

  test('the front facing runs parallel to edge and neckline, its corner rounded', () => {
    fc.assert(
      fc.property(coatFigures, widths, (figures, w) => {
        const doc = coatDocument(figures);
        Object.assign(doc.decisions.facing, w);
        const split = splitOf(doc);
        if (!split) return;
        const line = only(run(split.facing, 'facing-line'));
        const edge = only(run(split.facing, 'front-edge'));
        const neck = only(run(split.facing, 'neckline'));
        const length = pathLength(line);
        // The line is stored from shoulder to hem within the facing.
        const low = stretch(line, length * 0.7, length - 1);
        expect(gapBetween(low, edge).most).toBeLessThan(w.front + 0.05);
        expect(gapBetween(low, edge).least).toBeGreaterThan(w.front - 0.05);
        expect(distance(startOf(line), endOf(neck))).toBeCloseTo(w.shoulder, 1);
        const level = gapBetween(stretch(line, 0, 15), neck);
        expect(level.most - level.least).toBeLessThan(0.1);
        const bends = line.flatMap((s) => [0.2, 0.5, 0.8].map((t) => Math.abs(curvatureAt(s, t))));
        if (split.cornerRadius > 10) expect(Math.max(...bends)).toBeGreaterThan(0.9 / split.cornerRadius);
      }),
      runs(14),
    );
  });

  test('shoulder widths of front and back are equal, and facings keep the shell edges they came from', () => {
    const inside = derive(coatDocument());
    const [front, back] = [piece(inside.pieces, 'front-facing'), piece(inside.pieces, 'back-facing')];
    expect(Math.abs(runLength(front.ring, 'shoulder') - runLength(back.ring, 'shoulder'))).toBeLessThan(0.02);
    const shell = piecesOf(coatDocument());
    for (const p of inside.pieces.filter((q) => q.material !== 'interfacing')) {
      for (const e of p.ring) {
        expect(e.from).toBeDefined();
        const parent = shell.find((q) => q.id === e.from?.piece)?.ring.find((q) => q.id === e.from?.edge);
        expect(parent).toBeDefined();
        if (e.role === 'facing-line' || p.material === 'lining' || !parent || !e.from) continue;
        const { start, end } = e.from;
        expect(Math.abs(Math.abs(end - start) - pathLength(e.path))).toBeLessThan(1e-4);
        expect(distance(pointAlong(parent.path, start), startOf(e.path))).toBeLessThan(1e-4);
        expect(distance(pointAlong(parent.path, end), endOf(e.path))).toBeLessThan(1e-4);
      }
    }
  });

  test('too wide, too deep, shoulder too short, roles missing: refused with reason and range, the rest still drafted', () => {
    const wide = derive(coatDocument(), (d) => {
      d.facing.front = 400;
    });
    expect(wide.findings[0]).toMatchObject({ code: 'front-facing-too-wide', where: { piece: 'p1' } });
    expect(wide.pieces.map((p) => p.id)).toEqual(
      expect.arrayContaining(['back-facing', 'back-lining', 'sleeve-lining']),
    );
    const shoulder = derive(coatDocument(), (d) => {
      d.facing.shoulder = 170;
    });
    expect(shoulder.findings.map((f) => f.code)).toContain('shoulder-too-short');
    const most = shoulder.findings.find((f) => f.code === 'shoulder-too-short')?.data?.most as number;
    expect(
      derive(coatDocument(), (d) => {
        d.facing.shoulder = most;
      }).findings,
    ).toEqual([]);
    const nameless = coatDocument();
    const front = nameless.shell?.pieces[0];
    for (const e of front?.ring ?? []) if (e.role === 'neckline') e.role = 'plain';
    const missing = derive(nameless).findings.filter((f) => f.code === 'roles-missing');
    // Only what lacks is named, and once what is there is there.
    expect(missing.length).toBeGreaterThan(0);
    for (const f of missing) expect(f.data?.roles).toBe('neckline');
  });

  test('a rounding that finds no room is made smaller and says so', () => {
    const doc = coatDocument();
    doc.decisions.facing.radius = 20000;
    const split = splitOf(doc);
    expect(split?.cornerRadius).toBeLessThan(20000);
  });
});

describe('linings', () => {
  const shellCap = (doc: ProjectDocument): number => runLength(piecesOf(doc)[2]?.ring as Edge[], 'cap');

  test('the underarm is raised along the seam and let out across it, on body and sleeve alike', () => {
    const doc = coatDocument();
    const flat = derive(coatDocument(), (d) => {
      d.lining.raise = 0;
      d.lining.out = 0;
    });
    const raised = derive(doc, (d) => {
      d.lining.raise = 12;
      d.lining.out = 5;
    });
    for (const id of ['front-lining', 'back-lining']) {
      const [a, b] = [
        orient(piece(flat.pieces, id), 'armhole', 'side'),
        orient(piece(raised.pieces, id), 'armhole', 'side'),
      ];
      const [was, now] = [endOf(runPath(a?.ring as Edge[], 'armhole')), endOf(runPath(b?.ring as Edge[], 'armhole'))];
      expect(distance(was, now)).toBeCloseTo(Math.hypot(12, 5), 3);
      expect(now.y).toBeLessThan(was.y - 10);
      const side = runLength(piece(raised.pieces, id).ring, 'side') - runLength(piece(flat.pieces, id).ring, 'side');
      expect(side).toBeCloseTo(12, 0);
    }
    const sleeve = (x: typeof flat) =>
      runsOf(piece(x.pieces, 'sleeve-lining').ring, 'underarm').map((r) => pathLength(only(r)));
    for (const [i, l] of sleeve(raised).entries()) expect(l - (sleeve(flat)[i] as number)).toBeCloseTo(12, 0);
  });

  test('the raised armhole keeps its upper half and has no kink', () => {
    const inside = derive(coatDocument());
    const shell = piecesOf(coatDocument())[0] as Piece;
    const now = orient(piece(inside.pieces, 'front-lining'), 'armhole', 'side')?.ring as Edge[];
    const was = orient(shell, 'armhole', 'side')?.ring as Edge[];
    const [a, b] = [runPath(was, 'armhole'), runPath(now, 'armhole')];
    expect(gapBetween(stretch(b, 0, pathLength(a) * 0.45), a).most).toBeLessThan(0.005);
    const kinks = b.slice(1).map((s, i) => {
      const [d, e] = [stretch([b[i] as Path[number]], 0, 1e9), [s]];
      const [u, v] = [endOf(d), startOf(e)];
      return distance(u, v);
    });
    expect(Math.max(0, ...kinks)).toBeLessThan(1e-6);
  });

  test('cap ease is exactly the ease chosen', () => {
    fc.assert(
      fc.property(coatFigures, fc.double({ min: 8, max: 22, noNaN: true }), (figures, ease) => {
        const inside = derive(coatDocument(figures), (d) => {
          d.lining.capEase = ease;
        });
        const armhole = ['front-lining', 'back-lining'].reduce(
          (s, id) => s + runLength(piece(inside.pieces, id).ring, 'armhole'),
          0,
        );
        expect(runLength(piece(inside.pieces, 'sleeve-lining').ring, 'cap') - armhole).toBeCloseTo(ease, 3);
      }),
      runs(14),
    );
  });

  test('a cap no height can fit is refused', () => {
    const o = orient(piecesOf(coatDocument())[2] as Piece, 'cap', 'underarm');
    expect(fitCap(o?.ring as Edge[], 5000)).toBeNull();
    expect(fitCap(o?.ring as Edge[], shellCap(coatDocument()))?.heightChange).toBeCloseTo(0, 2);
  });

  test('half the pleat lies beyond the centre back, which stays on the fold and upright', () => {
    const inside = derive(coatDocument(), (d) => {
      d.lining.pleat = 40;
    });
    const none = derive(coatDocument(), (d) => {
      d.lining.pleat = 0;
    });
    const [a, b] = [piece(inside.pieces, 'back-lining'), piece(none.pieces, 'back-lining')];
    const fold = a.ring.find((e) => e.onFold) as Edge;
    const was = b.ring.find((e) => e.onFold) as Edge;
    expect(Math.abs(startOf(fold.path).x - startOf(was.path).x)).toBeCloseTo(20, 6);
    expect(ringAreaOf(a.ring) - ringAreaOf(b.ring)).toBeCloseTo(20 * pathLength(was.path), -2);
    expect(a.cut).toEqual({ count: 1, pair: false, onFold: true });
    expect(a.lines.some((l) => l.kind === 'pleat')).toBe(true);
    expect(b.lines).toEqual([]);
  });

  test('free and joined hems move the lower edge where the formulas say', () => {
    const at = (change: (d: Decisions) => void) => derive(coatDocument(), change);
    const base = at((d) => {
      d.lining.hem = { ...d.lining.hem, kind: 'joined', clearance: 15, seam: 10 };
    });
    const free = at((d) => {
      d.lining.hem = { ...d.lining.hem, kind: 'free', above: 15, turn1: 15, turn2: 25 };
    });
    const side = (x: typeof base) => runLength(piece(x.pieces, 'front-lining').ring, 'side');
    // Joined at L = 0 lies on the finished hem; free at 15 above is 15 shorter along an almost upright side.
    expect(side(base) - side(free)).toBeCloseTo(15, 0);
    const hem = piece(free.pieces, 'front-lining').ring.find((e) => e.role === 'hem') as Edge;
    expect(hem.allowance).toBe(40);
    const deep = at((d) => {
      d.allowances.hem = 50;
    });
    expect(side(deep) - side(base)).toBeCloseTo(10, 0);
  });

  test('notches of the shell come along, and lie on the edges they came with', () => {
    const inside = derive(coatDocument());
    const front = piece(inside.pieces, 'front-lining');
    expect(front.notches).toHaveLength(2);
    expect(
      piece(inside.pieces, 'sleeve-lining')
        .notches.map((n) => n.kind)
        .sort(),
    ).toEqual(['double', 'single', 'single']);
    for (const p of inside.pieces)
      for (const n of p.notches)
        expect(p.ring.some((e) => e.id === n.edge && n.at <= pathLength(e.path) + 1e-6)).toBe(true);
    const side = (id: string) => {
      const o = orient(piece(inside.pieces, id), 'armhole', 'side');
      const e = run(o?.ring as Edge[], 'side')[0] as Edge;
      const n = piece(inside.pieces, id).notches.find((q) => q.edge === e.id);
      return o?.sign === 1 ? n?.at : pathLength(e.path) - (n?.at ?? 0);
    };
    expect(Math.abs((side('front-lining') ?? 0) - (side('back-lining') ?? 0))).toBeLessThan(0.5);
  });
});

describe('interfacing', () => {
  test.each([
    ['inside', -3],
    ['seam', 0],
    ['caught', 3],
  ] as const)('%s ends %d mm from the seam line, never trimmed at the fold', (trim, d) => {
    const inside = derive(coatDocument(), (x) => {
      x.interfacing.trim = trim;
    });
    const facing = piece(inside.pieces, 'back-facing');
    const inter = piece(inside.pieces, 'back-facing-interfacing');
    const neck = gapBetween(stretch(only(run(inter.ring, 'neckline')), 5, 60), only(run(facing.ring, 'neckline')));
    expect(neck.most).toBeCloseTo(Math.abs(d), 1);
    expect(Math.sign(ringAreaOf(inter.ring) - ringAreaOf(facing.ring))).toBe(Math.sign(d));
    const fold = (p: Piece) => startOf((p.ring.find((e) => e.onFold) as Edge).path).x;
    expect(fold(inter)).toBeCloseTo(fold(facing), 6);
    expect(inter.cut).toEqual(facing.cut);
  });

  test('the front strip lies within the front and is as wide as asked', () => {
    const doc = coatDocument();
    const inside = derive(doc, (x) => {
      x.interfacing.frontStrip = 60;
    });
    const strip = piece(inside.pieces, 'front-edge-interfacing');
    const front = piecesOf(doc)[0] as Piece;
    expect(liesIn(outlineOf(strip.ring), flatRing(front.ring), 0.01)).toBe(true);
    const inner = only(run(strip.ring, 'inner'));
    const gap = gapBetween(stretch(inner, 10, pathLength(inner) - 10), only(run(front.ring, 'front-edge')));
    expect(gap.most).toBeCloseTo(60, 1);
    expect(
      derive(coatDocument(), (x) => {
        x.interfacing.frontStrip = 600;
      }).findings.map((f) => f.code),
    ).toContain('front-strip-too-wide');
  });
});

describe('the whole inside', () => {
  test('every seam of random coats walks as meant, every ring is simple and closed', () => {
    fc.assert(
      fc.property(coatFigures, widths, fc.boolean(), (figures, w, free) => {
        const doc = coatDocument(figures);
        Object.assign(doc.decisions.facing, w);
        if (free) doc.decisions.lining.hem.kind = 'free';
        const c = compute(doc);
        if (c.findings.some((f) => f.severity === 'stop')) return;
        for (const p of c.inside) {
          expect(worstStep(outlineOf(p.ring))).toBeLessThan(1e-4);
          expect(selfCrossing(flatRing(p.ring))).toBeNull();
          expect(signedArea(outlineOf(p.ring))).toBeGreaterThan(0);
        }
        // A hem that narrows by more than 3 % is told, as advice: no fault of the draft.
        const wide = (s: (typeof c.seams)[number]) =>
          s.easeOf === 'flare' && Math.abs(s.differenceMm) > s.lengthBMm * 0.03;
        const off = c.seams.filter((s) => (s.verdict === 'a-too-long' || s.verdict === 'a-too-short') && !wide(s));
        expect(off.map((s) => `${s.code} ${s.differenceMm.toFixed(2)}`)).toEqual([]);
      }),
      runs(14),
    );
  });

  test('moving, turning or mirroring the pattern changes no figure', () => {
    const figures = (doc: ProjectDocument) => {
      const c = compute(doc);
      return {
        areas: Object.fromEntries(c.pieces.map((p) => [p.id, ringAreaOf(p.ring)])),
        seams: Object.fromEntries(c.seams.map((s) => [s.id, [s.lengthAMm, s.lengthBMm]])),
      };
    };
    const doc = coatDocument();
    const base = figures(doc);
    for (const m of [
      { ...rotation(0.7), e: 300, f: -120 },
      { a: -1, b: 0, c: 0, d: 1, e: 40, f: 0 },
      { ...rotation(Math.PI / 2), e: 0, f: 0 },
    ]) {
      const moved = figures({ ...doc, shell: mapShell(shellOf(), m) });
      for (const [id, area] of Object.entries(base.areas))
        expect([id, Math.abs((moved.areas[id] as number) / area - 1) < 5e-5]).toEqual([id, true]);
      for (const [id, [a, b]] of Object.entries(base.seams) as [string, [number, number]][]) {
        expect(Math.abs((moved.seams[id]?.[0] as number) - a)).toBeLessThan(0.01);
        expect(Math.abs((moved.seams[id]?.[1] as number) - b)).toBeLessThan(0.01);
      }
    }
  });

  test('nothing is lined or faced when it was not asked for; without facings the lining reaches the edge', () => {
    const bare = derive(coatDocument(), (d) => {
      d.facing.on = d.lining.on = d.interfacing.on = false;
    });
    expect(bare.pieces).toEqual([]);
    const toEdge = derive(coatDocument(), (d) => {
      d.facing.on = false;
    });
    expect(toEdge.pieces.map((p) => p.id)).toEqual([
      'front-lining',
      'back-lining',
      'sleeve-lining',
      'front-edge-interfacing',
    ]);
    expect(roleSide(piece(toEdge.pieces, 'front-lining'), 'front-edge')).toHaveLength(1);
    expect(toEdge.seamsBetween([]).map((s) => s.code)).toEqual(
      expect.arrayContaining(['front-edge', 'neckline-front', 'neckline-back']),
    );
  });
});
