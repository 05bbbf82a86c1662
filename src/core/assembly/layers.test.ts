import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coatDocument, coatFigures, PLAIN_COAT, SEED } from '../../test/shells.ts';
import { compute, planOf } from '../compute.ts';
import { type ProjectDocument } from '../project.ts';
import { checkSequence, gradingOf, type Layers, layersOf, type PlanStep, type Ply } from './index.ts';

function planned(doc: ProjectDocument) {
  const c = compute(doc);
  const plan = planOf(doc, c);
  if (!plan.ok) throw new Error(JSON.stringify(plan.findings));
  const { steps } = plan.value;
  const graded = gradingOf(steps);
  const of = (s: PlanStep): Layers | null => layersOf(s, c, graded);
  return { c, steps, of, at: (code: string) => of(steps.find((s) => s.code === code) as PlanStep) as Layers };
}

const say = (p: Ply): string => `${p.piece} ${p.up}${p.hem ? ' hem' : ''}`;

describe('layers', () => {
  test('of every joining over random coats: right sides touch, no cloth is lost, and outer faces end outward', () => {
    const choices = fc.record({ vent: fc.boolean(), free: fc.boolean(), cutOn: fc.boolean(), lined: fc.boolean() });
    fc.assert(
      fc.property(coatFigures, choices, (figures, x) => {
        const vent = x.vent ? { vent: { width: 40, height: figures.length * 0.3 } } : {};
        const doc = coatDocument({ ...figures, ...vent });
        doc.decisions.lining.on = x.lined;
        doc.decisions.lining.hem.kind = x.free ? 'free' : 'joined';
        doc.decisions.facing.kind = x.cutOn ? 'cut-on' : 'separate';
        const { c, steps, of } = planned(doc);
        const joinings = steps.filter((s) => s.sides === 'right-together');
        expect(joinings.length).toBeGreaterThan(5);
        for (const s of joinings) {
          const l = of(s);
          if (!l) throw new Error(`${s.id} has no layers`);
          const [low, high] = l.before as [Ply, Ply];
          expect([s.id, low.up, high.up]).toEqual([s.id, 'right', 'wrong']);
          const ids = (plies: Ply[]): string[] => [...new Set(plies.map((p) => p.piece))].sort();
          expect(ids(l.after.flat())).toEqual(ids(l.before));
          // What is seen from above is the right side; what lies under it turns its right side down, to the body.
          for (const stack of l.after) {
            expect(stack.map((p) => p.up)).toEqual([...stack.slice(1).map(() => 'wrong'), 'right']);
          }
          const top = l.after.map((stack) => stack[stack.length - 1] as Ply);
          if (l.after.length === 1) expect(top[0]?.material).toBe('shell');
          for (const p of l.before.filter((q) => q.fused))
            expect(c.inside.find((q) => q.id === p.fused)?.material).toBe('interfacing');
        }
        for (const s of steps.filter((q) => q.sides !== 'right-together')) expect(of(s)).toBeNull();
      }),
      { seed: SEED, numRuns: 20, endOnFailure: true },
    );
  });

  test('worked: shoulder pressed open, cap into the sleeve, facing under the shell with its allowances graded', () => {
    const { at } = planned(coatDocument());
    expect(at('sew-shoulder').before.map(say)).toEqual(['p2 right', 'p1 wrong']);
    expect(at('sew-shoulder').after.map((x) => x.map(say))).toEqual([['p2 right'], ['p1 right']]);
    expect(at('sew-shoulder').allowances.map((a) => [a.piece, a.over, a.width])).toEqual([
      ['p2', 'left', 15],
      ['p1', 'right', 15],
    ]);
    expect(at('sew-cap').allowances.map((a) => a.over)).toEqual(['left', 'left']);
    const edge = at('sew-edge');
    expect(edge.before.map(say)).toEqual(['p1 right', 'front-facing wrong']);
    expect(edge.before.map((p) => p.fused)).toEqual(['front-edge-interfacing', 'front-facing-interfacing']);
    expect(edge.after.map((x) => x.map(say))).toEqual([['front-facing wrong', 'p1 right']]);
    // Of 15: two thirds to the outside, two fifths inside (common practice: 10 and 6).
    expect(edge.allowances.map((a) => [a.piece, a.over, a.width])).toEqual([
      ['p1', 'between', 10],
      ['front-facing', 'between', 6],
    ]);
    expect(at('sew-hem').after.map((x) => x.map(say))).toEqual([['front-lining wrong', 'p1 wrong hem', 'p1 right']]);
    expect(at('sew-facing-line-front').allowances.map((a) => a.over)).toEqual(['left', 'left']);
  });
});

describe('a coat with a vent', () => {
  const { steps, c } = planned(coatDocument({ ...PLAIN_COAT, vent: { width: 45, height: 300 } }));
  const place = (id: string): number => steps.findIndex((s) => s.id === id);

  test('is sewn down to it, pressed, and its lining joined to both sides before the hem closes it', () => {
    const order = ['sew:shell-centre-back', 'press-vent', 'sew-vent', 'sew-hem', 'turn'].map(place);
    expect(order.every((at) => at >= 0)).toBe(true);
    expect([...order].sort((a, b) => a - b)).toEqual(order);
    expect(steps[place('sew:shell-centre-back')]?.code).toBe('sew-centre-back-vent');
    expect(place('sew:inside-lining-centre-back-back')).toBeLessThan(place('sew-vent'));
    // Both linings of the back are sewn on wherever one is.
    const side = steps[place('sew:inside-lining-side')];
    expect(side?.pieces).toEqual(expect.arrayContaining(['back-lining', 'back-lining-under', 'front-lining']));
    expect(side?.seams).toEqual(['inside-lining-side', 'inside-lining-side-under']);
  });

  test('every edge of it is taken care of, and the checker tells when the vent is forgotten', () => {
    const pieces = [...c.shell, ...c.inside];
    expect(checkSequence(steps, pieces)).toEqual([]);
    const forgotten = checkSequence(
      steps.filter((s) => s.id !== 'sew-vent'),
      pieces,
    );
    const raw = forgotten.filter((f) => f.code === 'edge-left-raw').map((f) => `${f.where?.piece} ${f.data?.role}`);
    expect(raw.sort()).toEqual([
      'back-lining vent',
      'back-lining vent-top',
      'back-lining-under vent',
      'back-lining-under vent-top',
      'p2 vent',
      'p2 vent-top',
    ]);
    expect(forgotten.map((f) => f.code)).toContain('used-before-made');
  });
});
