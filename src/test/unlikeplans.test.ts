import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compute, planOf } from '../core/document/compute.ts';
import { type ProjectDocument } from '../core/document/project.ts';
import { endOf, pathLength, pointAlong, selfCrossing, startOf } from '../core/geometry/index.ts';
import { flatRing } from '../core/pattern/index.ts';
import { type Plan, type PlanStep } from '../core/plan/index.ts';
import { choices, isPlanned } from './anychoices.ts';
import { cutCoat, cuttings } from './cutcoat.ts';
import { choices as making } from './features.ts';
import { among, runs } from './runs.ts';
import { coatDocument, coatFigures } from './shells.ts';
import { UNLIKE } from './unlike.ts';

const made = (name: string, change: (doc: ProjectDocument) => void = () => undefined): Plan => {
  const doc = (UNLIKE[name] as () => ProjectDocument)();
  change(doc);
  const plan = planOf(doc, compute(doc));
  if (!plan.ok) throw new Error(`${name}: ${plan.findings[0]?.code}`);
  return plan.value;
};
const NAMES = Object.keys(UNLIKE).filter((n) => n !== 'dress of forty panels');
const step = (p: Plan, id: string): PlanStep => {
  const found = p.steps.find((s) => s.id === id);
  if (!found) throw new Error(`no ${id}: ${p.steps.map((s) => s.id).join(' ')}`);
  return found;
};
/** Steps come one after the other. */
const inOrder = (p: Plan, ...ids: string[]): void => {
  const at = ids.map((id) => step(p, id).number);
  expect([ids, at]).toEqual([ids, [...at].sort((a, b) => a - b)]);
};
const sewn = (p: Plan, joint: string): [string, number, number][] =>
  p.steps.flatMap((s) =>
    s.sews.filter((x) => x.joint === joint).map((x): [string, number, number] => [s.id, x.from, x.to]),
  );

describe('garments that no one front and one back make up', () => {
  test.each(Object.keys(UNLIKE))('%s: its plan is proved as the pattern comes', (name) => {
    expect(made(name).findings.filter((f) => f.severity !== 'warn')).toEqual([]);
  });

  test('whatever is chosen for them, the plan is proved or refused with a reason', () => {
    let planned = 0;
    fc.assert(
      fc.property(fc.constantFrom(...NAMES), choices, making, (name, c, how) => {
        const doc = (UNLIKE[name] as () => ProjectDocument)();
        const { facing, lining } = doc.decisions;
        const { on, kind, finish, bands } = c.facing;
        Object.assign(facing, { on, kind, finish });
        Object.assign(facing.bands, bands);
        for (const part of ['zip', 'slit'] as const) Object.assign(lining[part], c.lining[part]);
        for (const part of ['hem', 'wrist'] as const) lining[part].kind = c.lining[part].kind;
        Object.assign(lining, { on: c.lining.on, self: c.lining.self, fronts: c.lining.fronts });
        planned += isPlanned(doc, compute(doc), how) ? 1 : 0;
      }),
      runs(100),
    );
    expect(planned).toBeGreaterThan(among(45));
  });

  test('a coat cut into panels anywhere, made in any way: its plan is proved or refused with a reason', () => {
    let planned = 0;
    fc.assert(
      fc.property(
        coatFigures,
        cuttings,
        fc.double({ min: -3, max: 3, noNaN: true }),
        choices,
        making,
        (figures, { half, cuts }, turn, c, how) => {
          const doc = cutCoat(coatDocument(figures), half, cuts, turn);
          if (!doc) return;
          const { facing, lining } = doc.decisions;
          Object.assign(facing, { on: c.facing.on, kind: c.facing.kind, finish: c.facing.finish });
          Object.assign(lining, { on: c.lining.on, self: c.lining.self, fronts: c.lining.fronts });
          for (const part of ['hem', 'wrist'] as const) lining[part].kind = c.lining[part].kind;
          const cut = compute(doc);
          // Cuts that cross make no panels; what can't be drafted is told, and leaves its edges raw.
          const told = cut.findings.some((f) => f.severity === 'stop' || f.code === 'lining-sliver');
          if (told || cut.shell.some((p) => selfCrossing(flatRing(p.ring)))) return;
          planned += isPlanned(doc, cut, how) ? 1 : 0;
        },
      ),
      runs(60),
    );
    expect(planned).toBeGreaterThan(among(20));
  });

  // Common practice for each, as partial orders.
  test('trousers both ways: legs closed and slipped into each other, or rise first and the inseam through both', () => {
    const legs = made('trousers lined to the knee');
    inOrder(legs, 'sew-patch', 'sew:skirt-side', 'sew:inseam', 'sew:rise', 'sew:waist-front-lining', 'sew:waistband');
    expect(step(legs, 'sew:rise').code).toBe('sew-rise-round');
    const flat = made('trousers lined to the knee', (doc) => {
      doc.decisions.making.methods = { legs: 'rise-first' };
    });
    inOrder(flat, 'sew:rise', 'sew:inseam');
    inOrder(flat, 'sew:skirt-side', 'sew:inseam', 'sew:waistband');
    expect(step(flat, 'sew:inseam').code).toBe('sew-inseam-through');
  });

  test('a curved panel seam: clipped once it is sewn, its hollow edge before, or trimmed; none of it at straight ones', () => {
    const by = (curves: string): Plan =>
      made('dress of yoke, bust piece and gathered front, a keyhole behind', (doc) => {
        doc.decisions.making.methods = { curves };
      });
    const of = (p: Plan, code: string): PlanStep[] => p.steps.filter((s) => s.code === code);
    const [after, before, trimmed] = ['clipped-after', 'clipped-before', 'trimmed'].map(by) as [Plan, Plan, Plan];
    for (const p of [after, before, trimmed]) expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    for (const clip of of(after, 'clip-curve')) {
      const name = clip.id.slice('clip-curve:'.length);
      inOrder(after, `sew:${name}`, clip.id, `press:${name}`);
      inOrder(before, `clip-before:${name}`, `sew:${name}`, `press:${name}`);
      inOrder(trimmed, `sew:${name}`, `trim-curve:${name}`, `press:${name}`);
      // Only the side that has to spread is clipped before.
      expect(new Set(step(before, `clip-before:${name}`).bends.map((b) => b.how))).toEqual(new Set(['clip']));
    }
    expect(of(after, 'clip-curve').length).toBeGreaterThan(0);
    for (const way of [after, before, trimmed])
      expect(way.steps.filter((s) => /^(clip|trim)-(curve|before):(side|shoulder|skirt-side)/.test(s.id))).toEqual([]);
    expect(made('trousers lined to the knee').methods.curves).toBeUndefined();
  });

  test('a yoke in front: the gathers are drawn in, sewn on, pressed away from themselves; shoulders after', () => {
    const p = made('shirt with a yoke in front');
    inOrder(p, 'gather:shell-yoke-1', 'sew:shell-yoke-1', 'press:shell-yoke-1', 'sew:shoulder', 'sew:cap');
    inOrder(p, 'gather:shell-cap-1', 'sew:cap', 'threads-out');
    expect(step(p, 'press:shell-yoke-1').press).toBe('press-to-b');
    // A panel that runs across a yoke seam is sewn after it.
    const dress = made('dress of yoke, bust piece and gathered front, a keyhole behind');
    inOrder(dress, 'sew:shell-yoke-1', 'sew:shell-panel-5');
    inOrder(dress, 'sew:shell-yoke-2', 'sew:shell-panel-5');
  });

  test('a zip in one side: that seam is begun below it and closed after, the other side is sewn whole', () => {
    const p = made('skirt with a zip in its side');
    expect(sewn(p, 'shell-skirt-side')).toEqual([['sew:skirt-side', 0, 1]]);
    const zip = sewn(p, 'shell-skirt-side:zip').sort((a, b) => a[1] - b[1]);
    expect(zip.map((x) => x[0])).toEqual(['sew-zip', 'close-below-zip', 'sew:skirt-side']);
    // 200 of 648; the seam begins 50 below the zip, so that the foot comes in.
    expect((zip[0]?.[2] ?? 0) * 648).toBeCloseTo(200, 0);
    expect(((zip[2]?.[1] ?? 0) - (zip[0]?.[2] ?? 0)) * 648).toBeCloseTo(50, 0);
    inOrder(p, 'baste-zip', 'check-zip', 'sew-zip', 'close-below-zip', 'zip-lining');
  });

  test('points of the pattern: stitching that ends at one says so, one it does not end at is told, others are passed by', () => {
    const p = made('skirt with a zip in its side', (doc) => {
      for (const piece of doc.shell?.pieces ?? [])
        piece.marks = piece.ring
          .filter((e) => e.role === 'side')
          .flatMap((e) =>
            [200, 150].map((mm) => {
              const down = pathLength(e.path);
              const top = startOf(e.path).y < endOf(e.path).y;
              return { kind: 'dot' as const, at: pointAlong(e.path, top ? mm : down - mm) };
            }),
          );
    });
    const at = (id: string): (boolean | null)[] =>
      step(p, id)
        .marks.filter((m) => Math.abs(m.far - 200) < 1)
        .map((m) => m.meets);
    expect(new Set(at('sew-zip'))).toEqual(new Set([true]));
    const wrong = step(p, 'sew-zip').marks.filter((m) => Math.abs(m.far - 150) < 1);
    expect(new Set(wrong.map((m) => [m.meets, m.from].join()))).toEqual(new Set(['false,waist']));
  });

  test('a band between two pieces: to the one, to the other, its inner layer over both; ties first', () => {
    const p = made('wrap blouse with a band, ties and peplum');
    inOrder(p, 'sew-ties', 'turn-ties', 'press-ties', 'baste-ties', 'sew-edge');
    inOrder(p, 'sew-edge', 'sew:waist-lining', 'sew:shell-waist-1', 'sew:shell-waist-1:in');
    inOrder(p, 'sew:waist-front-lining', 'sew:shell-waist-2', 'sew:shell-waist-2:in');
    expect(p.steps.some((s) => s.id === 'bags-on')).toBe(false);
  });

  test('openings: a keyhole in one run with the neck, a cut-out from within, a ring through its own opening', () => {
    const dress = made('dress of yoke, bust piece and gathered front, a keyhole behind');
    expect(step(dress, 'sew-edge').sews.map((x) => x.joint)).toContain('closing-cut-out-back');
    const slotted = made('dress with one shoulder and a cut-out');
    inOrder(slotted, 'turn', 'sew:band-cut-out');
    expect(step(slotted, 'sew:band-cut-out').reached).toBe(true);
    const cover = made('cover-up with armholes cut in');
    inOrder(cover, 'sew:opening-armhole', 'grade:opening-armhole', 'fold-opening-armhole');
    expect(step(cover, 'fold-opening-armhole').turns?.how).toBe('part');
  });

  test('a waistcoat is bagged through its open sides: all else is closed, it is turned, then the sides', () => {
    const p = made('waistcoat of shoulder-princess panels');
    inOrder(p, 'sew:facing-shoulder', 'sew-edge', 'sew-armholes', 'turn', 'sew:side', 'fell-sides');
    inOrder(p, 'sew-hem', 'turn');
    expect(step(p, 'fell-sides').station).toBe('hand');
  });

  test('fronts cut double: turned first, their second layer basted and taken into the side seams with the first', () => {
    const p = made('jacket of unlike fronts', (doc) => {
      Object.assign(doc.decisions.lining, { fronts: 'double', smaller: 0, pleat: 0 });
      doc.decisions.lining.hem.kind = 'free';
    });
    expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    inOrder(p, 'sew-edge', 'turn', 'baste-fronts', 'sew:side', 'sew:cap');
  });

  test('a vent in either side: the seam stops at its top, the vent is pressed after it and lined before the turning', () => {
    const p = made('jacket with a vent in either side');
    inOrder(p, 'sew:side', 'press-vent:p1', 'sew-vent', 'turn');
    expect(step(p, 'sew:side').stops.map((x) => x.code)).toContain('stop-at-vent-top');
  });
});
