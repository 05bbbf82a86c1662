import { expect, test } from '@jest/globals';
import { coatDocument } from '../../test/shells.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { compute, planOf } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { type LastChance, lastChances, type Plan } from './index.ts';

const made = (doc: ProjectDocument): { plan: Plan; walked: Map<string, number>; chances: Map<string, LastChance> } => {
  const c = compute(doc);
  const r = planOf(doc, c);
  if (!r.ok) throw new Error(doc.name);
  const chances = new Map(lastChances(r.value.steps, r.value.making).map((x) => [x.what, x]));
  return { plan: r.value, walked: new Map(c.seams.map((s) => [s.code, s.lengthAMm])), chances };
};

// Common practice: shoulders and sides are fitted before the sleeves are set, the length before the hem, holes before they are cut.
test('a coat: shoulders and width until the sleeves, length until the hem, holes until they are cut', () => {
  const { walked, chances } = made(coatDocument());
  expect(chances.get('shoulder')?.step.id).toBe('sew:cap');
  expect(chances.get('girth')?.step.id).toBe('sew:cap');
  expect(chances.get('length')?.step.id).toBe('sew-hem');
  expect(chances.get('holes')).toMatchObject({ step: { id: 'cut-holes' }, unpick: 0 });
  // Both shoulders, and 50 on either side of what was sewn across.
  expect(chances.get('shoulder')?.unpick).toBeCloseTo(2 * (walked.get('shoulder') ?? 0) + 100, 6);
});

test.each(['trousers lined to the knee', 'waistcoat of shoulder-princess panels', 'shirt with a yoke in front'])(
  '%s: nothing is promised longer than it holds: until then only its own seams were sewn, and they come before it',
  (name) => {
    const { plan, chances } = made((UNLIKE[name] as () => ProjectDocument)());
    for (const [what, codes] of [
      ['shoulder', ['shoulder']],
      ['girth', ['side', 'skirt-side']],
    ] as const) {
      const chance = chances.get(what);
      if (!chance) continue;
      const last = plan.steps.findLastIndex(
        (s) => s.sews.length > 0 && s.seams.some((x) => (codes as readonly string[]).includes(x.code)),
      );
      expect([what, chance.step.number > last + 1]).toEqual([what, true]);
      expect(chance.unpick).toBeGreaterThan(100);
    }
    // Without legs a hem goes round once, and is unpicked along all of it.
    expect(chances.get('length')?.unpick ?? 0).toBeGreaterThan(400);
  },
);
