import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { usualDecisions } from '../../core/document/project.ts';
import { lookOver, makePlan, type Plan, sheetLines } from '../../core/plan/index.ts';
import { choices, features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { runs } from '../../test/runs.ts';
import { matcherOf, partNames, suggested } from './index.ts';

const SHIRT = { yoke: true, collar: 'stand', neck: 'bare', lining: 'none', cuffs: true, darts: true } as const;
const shirt = (): Plan => {
  const making = { ...usualDecisions().making, methods: { slit: 'bound' }, extras: ['patch-pockets'] };
  const r = makePlan(taskFrom({ ...PLAIN, ...SHIRT }), making);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
const pieces = ['front', 'back', 'yoke', 'sleeve', 'collar', 'stand', 'cuff'].map((id) => ({ id, name: id }));

/** A sheet as sewists write one, each line with a step that it is. Made up. */
const SHEET: [string, string][] = [
  ['Cut out all pieces and transfer the marks.', 'cut'],
  ['Staystitch the front necklines.', 'stay:front'],
  ['Stitch the front darts to a point.', 'darts:front'],
  ['Press darts down.', 'press-darts:front'],
  ['Hem the top of the patch pockets, iron the sides under and topstitch the pockets to the fronts.', 'sew-patch'],
  ['Sandwich the back between the two yokes and stitch.', 'sew:yoke-back'],
  ['Join the fronts to the outer yoke at the shoulders.', 'sew:yoke-shoulder'],
  ['Stitch the collar pieces together along the outer edge.', 'sew:collar-outer'],
  ['Trim the collar seam and clip the corners.', 'trim:collar-outer'],
  ['Turn the collar right side out.', 'turn:collar-outer'],
  ['Edgestitch or topstitch the collar.', 'topstitch:collar-outer'],
  ['Attach the stand to the neck.', 'sew:stand-neck'],
  ['Cut the slit in the sleeve.', 'cut-slit'],
  ['Bind the slit.', 'bind-slit'],
  ['Set in the sleeves, easing the cap.', 'sew:cap'],
  ['Sew the side seams.', 'sew:side'],
  ['Gather the wrists.', 'gather-wrist'],
  ['Attach the cuffs to the sleeves.', 'sew:cuff'],
  ['Turn up the hem and machine stitch it.', 'hem-machine'],
  ['Make the buttonholes.', 'sew-holes'],
  ['Cut the buttonholes open.', 'cut-holes'],
  ['Sew on the buttons.', 'sew-buttons'],
];

describe('the sewist’s own sheet', () => {
  test('is parted into lines, whatever marks them', () => {
    expect(sheetLines('1. Cut.\n2) Sew the side\n   seams.\n\nStep 3: Press.')).toEqual([
      'Cut.',
      'Sew the side seams.',
      'Press.',
    ]);
    expect(sheetLines('- Cut\n• Sew')).toEqual(['Cut', 'Sew']);
    expect(sheetLines('Cut.\nSew.')).toEqual(['Cut.', 'Sew.']);
    expect(sheetLines('1. Cut. 2. Sew 5 mm from the edge. 3. Press.')).toEqual([
      'Cut.',
      'Sew 5 mm from the edge.',
      'Press.',
    ]);
    expect(sheetLines(' \n\n')).toEqual([]);
    expect(sheetLines('x'.repeat(9000))[0]).toHaveLength(500);
    expect(sheetLines(Array.from({ length: 900 }, (_, i) => `${i + 1}. y`).join('\n'))).toHaveLength(400);
  });

  test('its lines are matched by their words: nearly all rightly at once, the rest among the first six', () => {
    const plan = shirt();
    const find = matcherOf(plan, 'mm', partNames(plan.making, pieces));
    const missed = SHEET.filter(([line, id]) => !suggested(find(line)).includes(id));
    expect(missed.length).toBeLessThanOrEqual(2);
    for (const [line, id] of SHEET)
      expect([line, find(line).map((l) => l.id)]).toEqual([line, expect.arrayContaining([id])]);
    expect(find('Feed the cat.')).toEqual([]);
  });

  test('says what it forgets, what comes in another order, and whether that order holds', () => {
    const plan = shirt();
    const known = SHEET.map(([, id]) => [id]);
    const seen = lookOver(plan, known);
    const forgotten = (needed: boolean): string[] =>
      seen.forgotten.filter((f) => f.needed === needed).map((f) => f.step.id);
    // Without them seams are missing; without interfacing, pressing, trying on the garment can be made.
    expect(forgotten(true)).toEqual(expect.arrayContaining(['sew:yoke-shoulder-in', 'sew:cuff-in', 'sew:underarm']));
    expect(forgotten(false)).toEqual(expect.arrayContaining(['try-on', 'press:side', 'press-all']));
    expect(seen.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    // The cap before the sides, as this sheet has it, is told: the plan sews sleeves in the round.
    expect(seen.moved.map((m) => m.step.id)).toEqual(expect.arrayContaining([expect.stringMatching(/sew:(cap|side)/)]));
    // What a line needs and the sheet does not say comes before it.
    const short = lookOver(plan, [['trim:collar-outer'], ['sew:side']]);
    expect(short.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(short.order.indexOf('sew:collar-outer')).toBeLessThan(short.order.indexOf('trim:collar-outer'));
    // Turning a collar before it is sewn can't be.
    const wrong = lookOver(plan, [['turn:collar-outer'], ['sew:collar-outer']]);
    expect(wrong.findings.some((f) => f.severity === 'stop')).toBe(true);
  });

  test('the plan’s own order as a sheet forgets nothing and moves nothing', () => {
    fc.assert(
      fc.property(features, choices, (f, c) => {
        const r = makePlan(taskFrom(f), c, 1);
        if (!r.ok) return;
        const seen = lookOver(
          r.value,
          r.value.steps.map((s) => [s.id]),
        );
        expect([seen.forgotten, seen.moved, seen.order]).toEqual([[], [], r.value.steps.map((s) => s.id)]);
      }),
      runs(40),
    );
  });
});
