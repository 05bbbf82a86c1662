import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choices, type Features, features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { play } from '../../test/player.ts';
import { among, runs, SEED } from '../../test/runs.ts';
import { usualDecisions } from '../document/project.ts';
import { checkPlan, makePlan, type Plan, type PlanStep } from './index.ts';

/** Small garments: their features, and the ways some of their parts are made. */
const GARMENTS: Record<string, [Partial<Features>, Record<string, string>]> = {
  sack: [{ opening: 'none', sleeves: 'none', neck: 'bias', lining: 'none', buttons: false }, {}],
  faced: [{ sleeves: 'none', neck: 'in-one', lining: 'none', buttons: false }, {}],
  vest: [{ sleeves: 'none', lining: 'joined', buttons: false }, { armholes: 'open-sides' }],
  bodice: [{ opening: 'zip', sleeves: 'none', skirt: true, lining: 'free' }, { armholes: 'pull-through' }],
  skirt: [{ skirt: true, waistband: true, lining: 'none', opening: 'none', buttons: false }, {}],
  trousers: [{ skirt: true, waistband: true, legs: true, lining: 'free', opening: 'none', buttons: false }, {}],
  collared: [
    { collar: 'band', neck: 'bare', lining: 'none', buttons: false },
    { front: 'cut-on', seams: 'french' },
  ],
  cuffed: [{ cuffs: true, neck: 'facing', lining: 'none', buttons: false }, { slit: 'bound' }],
};

const plans = Object.entries(GARMENTS).map(([name, [more, methods]]): [string, Plan] => {
  const r = makePlan(taskFrom({ ...PLAIN, ...more }), { ...usualDecisions().making, methods, extras: [] });
  if (!r.ok) throw new Error(name);
  return [name, r.value];
});

const change = fc.record({
  what: fc.constantFrom('move', 'move', 'move', 'near', 'near', 'out', 'twice'),
  at: fc.nat(999),
  to: fc.nat(999),
});
/** Steps moved anywhere or a little, left out, or done twice. */
function changed(steps: PlanStep[], { what, at, to }: { what: string; at: number; to: number }): PlanStep[] {
  const i = at % steps.length;
  const s = steps[i] as PlanStep;
  if (what === 'twice' && !s.sews.length) return steps;
  if (what === 'twice') return [...steps.slice(0, to % (steps.length + 1)), s, ...steps.slice(to % (steps.length + 1))];
  const rest = steps.filter((_, k) => k !== i);
  if (what === 'out') return rest;
  const place = what === 'near' ? Math.max(0, i - 3 + (to % 7)) : to % (rest.length + 1);
  return [...rest.slice(0, place), s, ...rest.slice(place)];
}

/** Orders of garments, changed a little: how often checker and player say the same. */
function agree(garments: fc.Arbitrary<[string, Plan]>, draws: number): { can: number; not: number } {
  const seen = { can: 0, not: 0 };
  const few = fc.array(change, { minLength: 1, maxLength: 2 });
  fc.assert(
    fc.property(garments, few, ([name, plan], changes) => {
      const steps = changes.reduce(changed, plan.steps);
      const left = plan.steps.filter((s) => !steps.some((x) => x.id === s.id));
      const told = checkPlan(steps, plan.making, left).filter((f) => f.severity === 'stop');
      const played = play(steps, plan.making, plan.steps);
      if (told.length > 0 !== played.length > 0)
        throw new Error(`${name}: ${JSON.stringify([told, played.slice(0, 3), steps.map((s) => s.id)])}`);
      seen[told.length ? 'not' : 'can'] += 1;
    }),
    { ...runs(draws), reporter: firstOnly },
  );
  return seen;
}

/** The first order they differ on, without the garment's whole description. */
function firstOnly(out: { failed: boolean; errorInstance?: unknown }): void {
  if (out.failed) throw out.errorInstance;
}

// The words of the trade, played twice over: by the checker, and by brute force.
test('small garments in random orders: the checker and a player by brute force agree on what can be done', () => {
  const { can, not } = agree(fc.constantFrom(...plans), 10_000);
  expect(Math.min(can, not)).toBeGreaterThan(among(3000));
});

test('any garments in random orders: the same', () => {
  const made = fc
    .sample(fc.tuple(features, choices), { numRuns: 60, seed: SEED })
    .flatMap(([f, c]): [string, Plan][] => {
      const r = makePlan(taskFrom(f), { ...c, extras: [] }, 1);
      return r.ok ? [[JSON.stringify([f, c.methods]), r.value]] : [];
    });
  const { can, not } = agree(fc.constantFrom(...made), 4000);
  expect(Math.min(can, not)).toBeGreaterThan(among(1000));
});
