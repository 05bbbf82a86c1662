import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GREENHOUSE_COAT } from '../../../demo/draft.ts';
import { p, pieceOf, straight } from '../../../test/parts.ts';
import { runs } from '../../../test/runs.ts';
import { coatDocument, coatFigures, mapShell, piecesOf } from '../../../test/shells.ts';
import { UNLIKE } from '../../../test/unlike.ts';
import { type Computed, compute } from '../../document/compute.ts';
import { type ProjectDocument, type ShellEdge } from '../../document/project.ts';
import {
  apply,
  boxOf,
  nearestOn,
  type Path,
  pathLength,
  pointAlong,
  reflection,
  selfCrossing,
} from '../../geometry/index.ts';
import { flatRing, outlineOf, type Piece, type Role, ringAreaOf, suggestRoles } from '../../pattern/index.ts';
import { changeSheet } from '../index.ts';
import { ventFigures } from './vent.ts';

const of = (piece: Piece | undefined, role: Role): Path =>
  piece?.ring.filter((e) => e.role === role).flatMap((e) => e.path) ?? [];
const lining = (doc: ProjectDocument, id: string): Piece | undefined =>
  compute(doc).inside.find((q) => q.id === id && q.material === 'lining');
const mm = (min: number, max: number) => fc.integer({ min, max });
/** Where a drawing begins: pieces lie side by side. */
const originOf = (c: Computed, kind: Piece['kind']): number =>
  Math.min(...c.shell.filter((q) => q.kind === kind).flatMap((q) => outlineOf(q.ring).map((s) => s.a.x))) +
  (kind === 'front' ? 18 : 0);
const vented = (figures = GREENHOUSE_COAT): ProjectDocument => coatDocument(figures);

describe('the lining beside a vent', () => {
  test('worked: E 60, s1 = s2 = 10 leaves the cut edge 40 inside centre back on the overlap; A 15 leaves R = 10 on the underlap', () => {
    const doc = vented();
    const [shell] = compute(doc).shell.filter((q) => q.kind === 'back') as [Piece];
    expect(ventFigures(shell, doc.decisions.lining.vent)).toEqual({
      net: expect.closeTo(45, 6),
      toCut: expect.closeTo(60, 6),
      inside: expect.closeTo(50, 6),
      beside: 5,
    });
    const edge = (id: string): number => {
      const long = of(lining(doc, id), 'vent');
      return pointAlong(long, pathLength(long) / 2).x - pointAlong(of(shell, 'centre-back'), 0).x;
    };
    // Seam lines; with the lining's own seam of 10 the cut edges lie at E − s1 − s2 = 40 and at −(45 − 5 + 10) = −50.
    expect(edge('back-lining') - 10).toBeCloseTo(40, 6);
    expect(edge('back-lining-under') - 10).toBeCloseTo(-50, 6);
    const why = (id: string) => lining(doc, id)?.reasons.find((r) => r.rule.startsWith('vent'));
    expect(why('back-lining')).toMatchObject({ value: expect.closeTo(100, 6), mark: 'derived' });
    expect(why('back-lining-under')).toMatchObject({ value: 10 });
  });

  test('whatever the coat, the vent and its seams: folded back and joined, lining and extension lie edge to edge', () => {
    fc.assert(
      fc.property(
        coatFigures,
        mm(25, 60),
        mm(180, 420),
        mm(5, 15),
        mm(5, 15),
        fc.boolean(),
        (figures, width, height, s1, s2, mirrored) => {
          const doc = vented({ ...figures, vent: { width, height: Math.min(height, figures.length * 0.4) } });
          Object.assign(doc.decisions.lining.vent, { shellSeam: s1, liningSeam: s2 });
          if (mirrored && doc.shell) doc.shell = mapShell(doc.shell, { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 });
          const c = compute(doc);
          expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
          const shell = c.shell.find((q) => q.kind === 'back') as Piece;
          const [over, under] = ['back-lining', 'back-lining-under'].map((id) => c.inside.find((q) => q.id === id));
          if (!over || !under) throw new Error('not lined');
          for (const half of [over, under]) expect(selfCrossing(flatRing(half.ring))).toBeNull();
          // The extension's raw edge lies 15 beyond its seam line; the seam with the lining s1 inside that.
          const centre = of(shell, 'centre-back');
          const foot = pointAlong(centre, mirrored ? pathLength(centre) : 0);
          const fold = reflection(foot, { x: 0, y: 1 });
          const raw = pathLength(of(over, 'vent'));
          for (const k of [0.3, 0.5, 0.7]) {
            const q = pointAlong(of(over, 'vent'), raw * k);
            expect(nearestOn(of(shell, 'vent'), apply(fold, q)).distance).toBeCloseTo(15 - s1, 4);
            const r = pointAlong(of(under, 'vent'), pathLength(of(under, 'vent')) * k);
            expect(nearestOn(of(shell, 'vent'), r).distance).toBeCloseTo(15 - s1, 4);
          }
          expect(over.ring.find((e) => e.role === 'vent')?.allowance).toBe(s2);
          const closing = c.seams.filter((s) => /vent|centre-back/.test(s.code) && s.group !== 'shell');
          expect(closing.map((s) => s.code).sort()).toEqual(['lining-centre-back', 'vent-over', 'vent-under']);
          expect(closing.map((s) => s.verdict).filter((v) => /too/.test(v))).toEqual([]);
          // Left and right differ by the strip between the two edges, and by nothing above the vent.
          const between = ringAreaOf(under.ring) - ringAreaOf(over.ring);
          expect(between).toBeGreaterThan(0);
          expect(boxOf(of(over, 'armhole'))).toEqual(boxOf(of(under, 'armhole')));
        },
      ),
      runs(12),
    );
  });

  test('the half that laps over is the one that was said; each is cut once, one of them face down', () => {
    const names = (mirrored: boolean, over: 'left' | 'right') => {
      const doc = vented();
      doc.decisions.lining.vent.over = over;
      if (mirrored && doc.shell) doc.shell = mapShell(doc.shell, { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 });
      return ['back-lining', 'back-lining-under'].map((id) => {
        const q = lining(doc, id);
        return [q?.name, q?.cut.count, q?.cut.turned ?? false];
      });
    };
    // Right side up, a lining for the left half has its centre back at the left: so is the coat drawn.
    expect(names(false, 'left')).toEqual([
      ['Left back lining, overlap', 1, false],
      ['Right back lining, underlap', 1, true],
    ]);
    expect(names(false, 'right')).toEqual([
      ['Right back lining, overlap', 1, true],
      ['Left back lining, underlap', 1, false],
    ]);
    expect(names(true, 'left')).toEqual([
      ['Left back lining, overlap', 1, true],
      ['Right back lining, underlap', 1, false],
    ]);
  });

  test('its pleat runs out above the vent, half of it at the neck', () => {
    const doc = vented();
    const [shell] = piecesOf(doc).filter((q) => q.kind === 'back') as [Piece];
    const x = pointAlong(of(shell, 'centre-back'), 0).x;
    const box = boxOf(of(lining(doc, 'back-lining'), 'centre-back'));
    expect([box.minX - x, box.maxX - x]).toEqual([expect.closeTo(-15, 6), expect.closeTo(0, 6)]);
  });

  test('without a seam in the centre back, or with half a vent, it is refused in words and the rest still stands', () => {
    const spoilt = (spoil: (e: ShellEdge) => void) => {
      const doc = vented();
      for (const e of doc.shell?.pieces.find((q) => q.kind === 'back')?.ring ?? []) spoil(e);
      const c = compute(doc);
      expect(c.inside.map((q) => q.id)).toEqual(
        expect.arrayContaining(['front-lining', 'back-facing', 'sleeve-lining']),
      );
      expect(c.inside.some((q) => q.id === 'back-lining')).toBe(false);
      return c.findings.filter((f) => f.severity === 'stop').map((f) => f.code);
    };
    expect(spoilt((e) => Object.assign(e, e.role === 'centre-back' && { onFold: true }))).toEqual([
      'vent-without-seam',
    ]);
    expect(spoilt((e) => Object.assign(e, e.role === 'vent-top' && { role: 'plain' }))).toEqual(['roles-missing']);
  });

  test('the change sheet says how much to cut off beside it', () => {
    const doc = vented();
    const [shell] = piecesOf(doc).filter((q) => q.kind === 'back') as [Piece];
    const off = (id: string) => changeSheet(shell, lining(doc, id) as Piece).find((k) => k.role === 'vent');
    expect(off('back-lining-under')).toMatchObject({ kind: 'off', least: expect.closeTo(-10, 3) });
    expect(off('back-lining')).toMatchObject({ kind: 'off', least: expect.closeTo(-100, 3) });
  });

  test('its edges are found by their place, in coats and skirts, from narrow to wide', () => {
    fc.assert(
      fc.property(coatFigures, mm(25, 60), mm(200, 320), (f, width, height) => {
        const doc = vented({ ...f, vent: { width, height: Math.min(height, f.length * 0.45) } });
        const back = doc.shell?.pieces.find((q) => q.kind === 'back');
        expect(back?.ring.map((e) => e.role)).toEqual([
          'centre-back',
          'neckline',
          'shoulder',
          'armhole',
          'side',
          'hem',
          'vent',
          'vent-top',
        ]);
        // Vents are seldom higher than half a skirt.
        const top = height + 130;
        const skirt = [
          straight(p(0, top), p(0, 12)),
          straight(p(0, 12), p(230, 0)),
          straight(p(230, 0), p(250, 600)),
          straight(p(250, 600), p(-width, 600)),
          straight(p(-width, 600), p(-width, top + 20)),
          straight(p(-width, top + 20), p(0, top)),
        ];
        expect(suggestRoles('Skirt back', skirt).roles).toEqual([
          'centre-back',
          'waist',
          'side',
          'hem',
          'vent',
          'vent-top',
        ]);
      }),
      runs(10),
    );
  });
});

describe('a slit', () => {
  test('the lining stops beside it: cut back by 2A − s1 − s2 up to its top, and is the seam again above', () => {
    fc.assert(
      fc.property(coatFigures, mm(80, 300), mm(5, 15), mm(5, 15), (figures, length, s1, s2) => {
        const doc = coatDocument(figures);
        doc.decisions.lining.slit = { at: 'side', length, shellSeam: s1, liningSeam: s2 };
        doc.decisions.lining.out = 0;
        doc.decisions.lining.raise = 0;
        const c = compute(doc);
        for (const kind of ['front', 'back'] as const) {
          const shell = c.shell.find((q) => q.kind === kind) as Piece;
          const made = c.inside.find((q) => q.id === `${kind}-lining`) as Piece;
          const side = of(shell, 'side');
          const at = (up: number): number => {
            const q = pointAlong(side, pathLength(side) - up);
            return nearestOn(outlineOf(made.ring), q).distance;
          };
          expect(at(length / 2)).toBeCloseTo(15 - s1, 3);
          expect(at(length + 60)).toBeCloseTo(0, 3);
          const why = made.reasons.find((r) => r.rule === 'slit');
          expect(why?.value).toBe(30 - s1 - s2);
        }
        expect(c.seams.filter((s) => s.code === 'lining-side').map((s) => s.verdict)).toEqual(['matches']);
      }),
      runs(10),
    );
  });

  test('a zip above and a slit below are cut back each in its place', () => {
    const back = pieceOf(
      'skirt-back',
      [
        ['centre-back', straight(p(0, 600), p(0, 12))],
        ['waist', straight(p(0, 12), p(230, 0))],
        ['side', straight(p(230, 0), p(250, 600))],
        ['hem', straight(p(250, 600), p(0, 600))],
      ],
      { name: 'Skirt back' },
    );
    const doc = coatDocument();
    const shell = { fileName: 'x', lines: 'seam' as const, pieces: [] };
    Object.assign(doc.decisions.lining, {
      zip: { ...doc.decisions.lining.zip, length: 200 },
      slit: { at: 'centre-back', length: 180, shellSeam: 5, liningSeam: 10 },
    });
    shell.pieces.push({
      ...back,
      count: 2,
      ring: back.ring.map((e) => ({ ...e, confidence: 1, allowance: null, corner: null })),
    } as never);
    const made = lining({ ...doc, shell }, 'skirt-back-lining');
    const x = (y: number): number => nearestOn(of(made, 'centre-back'), { x: 0, y }).point.x;
    expect([x(100), x(350), x(550)].map((v) => Math.round(v * 100) / 100)).toEqual([5, 0, 10]);
  });
});

describe('a vent between two pieces', () => {
  const sided = (lap: 'front' | 'back', s1 = 10): ProjectDocument => {
    const doc = (UNLIKE['jacket with a vent in either side'] as () => ProjectDocument)();
    Object.assign(doc.decisions.lining, { raise: 0, out: 0, pleat: 0 });
    Object.assign(doc.decisions.lining.vent, { lap, shellSeam: s1 });
    return doc;
  };

  // As at a centre back: E 40 + 15, s1 = s2 = 10 leaves the cut edge E − s1 − s2 = 35 inside the seam; A 15 leaves R = 10.
  test.each(['front', 'back'] as const)(
    '%s over: its lining is cut back for the fold, the other for the turned edge',
    (lap) => {
      const doc = sided(lap);
      const c = compute(doc);
      for (const kind of ['front', 'back'] as const) {
        const made = lining(doc, `${kind}-lining`);
        expect(made?.cut).toEqual(
          kind === 'front' ? { count: 2, pair: true, onFold: false } : { count: 1, pair: false, onFold: true },
        );
        const long = of(made, 'vent');
        const x = kind === 'front' ? 244 : 194;
        const at = pointAlong(long, pathLength(long) / 2).x - originOf(c, kind) - x;
        // The seam line lies the lining's own seam, 10, beyond the cut edge.
        expect(at).toBeCloseTo(kind === lap ? -(35 + 10) : 40 - 5, 6);
        expect(made?.reasons.find((r) => r.rule.startsWith('vent'))).toMatchObject({ value: kind === lap ? 90 : 10 });
      }
      expect(c.seams.filter((s) => s.group !== 'shell' && /too/.test(s.verdict) && s.easeOf !== 'flare')).toEqual([]);
      expect(c.seams.map((s) => s.code)).toEqual(expect.arrayContaining(['vent-over', 'vent-under', 'lining-side']));
    },
  );
});
