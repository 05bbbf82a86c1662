import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { compute, planOf } from '../core/document/compute.ts';
import { usualDecisions } from '../core/document/project.ts';
import { checkPlan, makePlan, type Plan, type PlanStep } from '../core/plan/index.ts';
import { documentOf } from '../demo/drawn.ts';
import { toldOf } from '../web/words/index.ts';
import { choices, type Features, features, PLAIN } from './features.ts';
import { taskFrom } from './garments.ts';
import { CUTS } from './pile.ts';
import { among, runs } from './runs.ts';

const usual = usualDecisions().making;
const planned = (f: Parameters<typeof taskFrom>[0], c = usual): Plan | null => {
  const r = makePlan(taskFrom(f), c, 1);
  return r.ok ? r.value : null;
};
const at = (p: Plan, id: string): number => p.steps.findIndex((s) => s.id === id);
const stops = (steps: PlanStep[], p: Plan): string[] =>
  checkPlan(steps, p.making)
    .filter((f) => f.severity === 'stop')
    .map((f) => f.code);

// What a plan says and what it proves are the same. The trade's rules are common practice.
describe('what a plan says is so', () => {
  test('a pocket in a seam: sewn above and below its mouth only, its allowances apart; sewn shut it is refused', () => {
    let seen = 0;
    fc.assert(
      fc.property(features, choices, (f, c) => {
        const p = planned({ ...f, pockets: true }, { ...c, extras: [] });
        const [id, mouth] = Object.entries(p?.making.mouths ?? {})[0] ?? [];
        if (!p || !id || !mouth) return;
        seen += 1;
        const j = p.making.joints.find((x) => x.id === id);
        expect((mouth.to - mouth.from) * (j?.lengthA ?? 0)).toBeGreaterThan(60);
        const sewing = p.steps.filter((s) => s.sews.some((x) => x.joint === id));
        for (const s of sewing.flatMap((q) => q.sews.filter((x) => x.joint === id)))
          expect(s.to <= mouth.from + 1e-9 || s.from >= mouth.to - 1e-9).toBe(true);
        expect(sewing.some((s) => s.stops.some((k) => k.code === 'pocket-mouth'))).toBe(true);
        // Neatened each by itself, never both as one.
        const edges = new Set([...(j?.a ?? []), ...(j?.b ?? [])]);
        const together = p.steps.filter((s) => s.code === 'neaten-together' && s.cares.some((k) => edges.has(k.edge)));
        expect(together.map((s) => s.id)).toEqual([]);
        // The bag's halves before the seam, the bag round after it.
        const first = Math.min(...sewing.map((s) => p.steps.indexOf(s)));
        expect(at(p, 'bags-on')).toBeLessThan(first);
        expect(at(p, 'bags-round')).toBeGreaterThan(first);
        const shut = p.steps.map((s) =>
          s === sewing[0] ? { ...s, sews: [...s.sews, { joint: id, from: mouth.from, to: mouth.to }] } : s,
        );
        expect(stops(shut, p)).toContain('pocket-sewn-shut');
      }),
      runs(100),
    );
    expect(seen).toBeGreaterThan(among(30));
  });

  test('what stops short is left unsewn by that much, and sewn by a later step; without that step it is refused', () => {
    const SHORT = ['stop-above-hem', 'stop-below-zip', 'stop-before-facing'];
    const seen = new Set<string>();
    // Sides that hang, sewn in one run with their lining, come up seldom by themselves.
    const hanging = fc.tuple(
      features.map((f): Features => ({ ...f, sleeves: 'none', lining: 'free', skirt: false, neck: 'facing' })),
      choices.map((c) => ({ ...c, methods: { ...c.methods, armholes: 'slotted', 'lining-sides': 'one-run' } })),
    );
    fc.assert(
      fc.property(
        fc.oneof({ arbitrary: fc.tuple(features, choices), weight: 4 }, { arbitrary: hanging, weight: 1 }),
        ([f, c]) => {
          const p = planned(f, c);
          if (!p) return;
          for (const [i, s] of p.steps.entries())
            for (const stop of s.stops.filter((k) => SHORT.includes(k.code))) {
              const rest = p.steps
                .slice(i + 1)
                .flatMap((later) => later.sews.map((x) => ({ ...x, later })))
                .filter((x) => s.sews.some((y) => y.joint === x.joint) && x.later.code !== 'close-opening');
              const own = rest.filter((x) => ['close-sides', 'close-below-zip', 'tack-hem'].includes(x.later.code));
              expect([stop.code, own.length > 0]).toEqual([stop.code, true]);
              for (const x of own) {
                const long = p.making.joints.find((j) => j.id === x.joint)?.lengthA ?? 0;
                expect((x.to - x.from) * long).toBeLessThan(stop.mm + 0.5);
              }
              seen.add(stop.code);
              const without = p.steps.filter((q) => !own.some((x) => x.later === q)).map((q) => ({ ...q, needs: [] }));
              expect(stops(without, p)).toContain('seam-part-open');
            }
          // A side that ends at a waist has no hem to stop above.
          for (const s of p.steps.filter((q) => q.stops.some((k) => k.code === 'stop-above-hem')))
            for (const x of s.sews.filter((y) => y.to < 1)) {
              const j = p.making.joints.find((k) => k.id === x.joint);
              const parts = [...(j?.a ?? []), ...(j?.b ?? [])].map((k) => k.slice(0, k.lastIndexOf('/')));
              const hemmed = p.making.parts.some(
                (q) => parts.includes(q.id) && q.ring.some((e) => e.role === 'hem' || e.role === 'vent'),
              );
              expect(hemmed || p.making.mouths[x.joint] !== undefined || p.making.open[x.joint] !== undefined).toBe(
                true,
              );
            }
        },
      ),
      runs(300),
    );
    expect([...seen].sort()).toEqual([...SHORT].sort());
  });

  test('allowances that a layer is folded over are pressed into it: turned the other way, or open, they are found', () => {
    const seen = new Set<string>();
    const yoked = fc.tuple(
      features.map((f): Features => ({ ...f, yoke: true, lining: 'none' })),
      choices.map((c) => ({ ...c, methods: { ...c.methods, yoke: 'topstitched' } })),
    );
    fc.assert(
      fc.property(fc.oneof(fc.tuple(features, choices), yoked), ([f, c]) => {
        const p = planned(f, c);
        if (!p) return;
        for (const cover of p.making.joints.filter((j) => j.covers !== undefined))
          for (const [i, s] of p.steps.entries()) {
            // The pressing right before the cover is sewn counts.
            const works = (x: PlanStep): boolean => x.press !== null && x.works.includes(cover.covers ?? '');
            const sewn = p.steps.findIndex((x) => x.sews.some((y) => y.joint === cover.id));
            const folded = p.steps[sewn]?.stack.every((l) => l.swings === 0);
            if (!folded || !works(s) || i > sewn || p.steps.slice(i + 1, sewn).some(works)) continue;
            seen.add(cover.code);
            for (const wrong of [null, s.pieces.find((x) => x !== s.towards) ?? null]) {
              const steps = p.steps.map((x) => (x === s ? { ...x, towards: wrong } : x));
              expect(stops(steps, p)).toEqual(['pressed-away']);
            }
          }
      }),
      runs(80),
    );
    expect([...seen]).toEqual(expect.arrayContaining(['cuff-in', 'stand-neck-in', 'waistband-in', 'yoke-shoulder-in']));
  });

  test('a ruffle or peplum takes the raw edge and no hem is sewn there; where a lining has taken it, it is left out and told', () => {
    for (const extra of ['ruffle', 'peplum'])
      for (const lining of ['free', 'bagged', 'none'] as const) {
        const p = planned({ ...PLAIN, lining: lining as never }, { ...usual, extras: [extra] });
        if (!p) continue;
        const on = p.steps.find((s) => s.id === `sew-${extra}`);
        const hemmed = p.steps.filter((s) => /^hem-(blind|machine|rolled)$/.test(s.id));
        if (on) expect(hemmed).toEqual([]);
        else expect(p.findings.map((f) => f.code)).toContain('extra-does-not-fit');
        expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
      }
  });

  test('belt loops, ties and a label are on before any seam that goes over them', () => {
    fc.assert(
      fc.property(features, choices, (f, c) => {
        const p = planned(f, { ...c, extras: ['belt-loops', 'ties', 'label'] });
        if (!p) return;
        for (const code of ['side', 'skirt-side', 'waistband']) {
          const seam = p.steps.findIndex(
            (s) => s.sews.some((x) => x.joint === code || x.joint.endsWith(`-${code}`)) && s.about === code,
          );
          if (seam >= 0) expect([code, at(p, 'belt-loops') < seam]).toEqual([code, true]);
        }
        const edge = at(p, 'sew-edge');
        if (edge >= 0) for (const id of ['baste-ties', 'sew-label']) expect([id, at(p, id) < edge]).toEqual([id, true]);
      }),
      runs(80),
    );
  });

  test('a hem rib on a front that opens is no ring; facings in one on such a front are proved as they come', () => {
    const jacket = documentOf((CUTS.jacket as (typeof CUTS)[string])({ w: 262, l: 620, s: 126 }));
    jacket.decisions.lining.hem.kind = 'rib';
    const ribbed = planOf(jacket, compute(jacket));
    const ids = ribbed.ok ? ribbed.value.steps.map((s) => s.id) : [];
    expect(ids).toContain('end:hem-rib');
    expect(ids).not.toContain('close:hem-rib');
    for (const cut of ['waistcoat', 'jacket', 'rounded jacket']) {
      const doc = documentOf((CUTS[cut] as (typeof CUTS)[string])({ w: 262, l: 600, s: 120 }));
      if (doc.shell) doc.shell.pieces = doc.shell.pieces.filter((q) => q.kind === 'front' || q.kind === 'back');
      doc.decisions.lining.on = false;
      doc.decisions.facing.inOne = 60;
      const plan = planOf(doc, compute(doc));
      expect([cut, plan.ok ? plan.value.findings.filter((f) => f.severity === 'stop') : plan.findings]).toEqual([
        cut,
        [],
      ]);
    }
  });

  test('a step left out is called by its title', () => {
    const p = planned(PLAIN) as Plan;
    for (const s of p.steps) {
      const out = makePlan(taskFrom(PLAIN), { ...usual, left: [s.id] }, 1);
      if (!out.ok) throw new Error(s.id);
      for (const f of out.value.findings.filter((x) => x.code.endsWith('left-out'))) {
        const other = String(toldOf(f, out.value, 'mm', {}).data?.other);
        expect(other).toMatch(/^“[A-Z].*”$/);
        expect(other).not.toContain(s.id);
      }
    }
  });
});
