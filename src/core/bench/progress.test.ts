import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choices } from '../../test/anychoices.ts';
import { choices as making } from '../../test/features.ts';
import { among, runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { compute, taskOf } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { makePlan, type PlanStep } from '../plan/index.ts';
import { lessonsFor } from './lessons.ts';
import { judge } from './measuring.ts';
import { paceOf } from './pace.ts';
import {
  type AtBench,
  doneIn,
  hangsOn,
  keepAsSewn,
  nextStep,
  redoOf,
  setStep,
  stepsLeft,
  takeBack,
  tickAll,
} from './progress.ts';
import { goneSteps, touchedSteps } from './sewn.ts';
import { stretchFor } from './stretch.ts';

const AT = '2026-11-30T18:30:00.000Z';

/** A project at its bench; null where it can't be planned. */
function benchOf(doc: ProjectDocument): AtBench | null {
  const x = compute(doc);
  const plan = makePlan(taskOf(doc, x), doc.decisions.making, 1);
  return plan.ok ? { steps: plan.value.steps, cut: x.cutLines, d: doc.decisions } : null;
}
const COAT = coatDocument();
const PLAIN = benchOf(COAT) as AtBench;
const touchedAt = (b: AtBench): string[] => touchedSteps(b.steps, b.cut, b.d).map((t) => t.step.id);
const withBench = (doc: ProjectDocument, bench: AtBench['d']['bench']): ProjectDocument => ({
  ...doc,
  decisions: { ...doc.decisions, bench },
});

/** Figures that a step says of itself, read without what progress keeps of them. */
const figures = (s: PlanStep): string =>
  JSON.stringify([s.code, s.allowance, s.stops, Object.entries(s.data).map(([k, v]) => [k, Math.round(v * 10)])]);

describe('progress', () => {
  test('is kept through any changes of choices: what is still the same stays done, what is not is named, nothing is lost', () => {
    let [planned, touched, gone] = [0, 0, 0];
    const before = new Map(PLAIN.steps.map((s) => [s.id, figures(s)]));
    fc.assert(
      fc.property(
        choices,
        making,
        fc.integer({ min: 1, max: PLAIN.steps.length }),
        fc.boolean(),
        (c, how, upTo, all) => {
          const ids = PLAIN.steps.slice(0, upTo).map((s) => s.id);
          const bench = tickAll(PLAIN, ids, AT);
          const doc = structuredClone(withBench(COAT, bench));
          const d = doc.decisions;
          Object.assign(d.facing, all ? c.facing : { front: c.facing.front });
          if (all) Object.assign(d.lining, c.lining);
          if (all) d.making = how;
          const now = benchOf(doc);
          if (!now) return;
          planned++;
          const named = new Set(touchedAt(now));
          const there = new Set(now.steps.map((s) => s.id));
          for (const s of now.steps) {
            if (s.id === 'cut') continue;
            // Whatever is named was sewn, and is another than it was; whatever was sewn and is not named is as it was.
            if (named.has(s.id))
              expect([s.id, ids.includes(s.id), figures(s)]).not.toEqual([s.id, true, before.get(s.id)]);
            else if (ids.includes(s.id)) expect(doneIn(d.bench).has(s.id)).toBe(true);
            if (ids.includes(s.id) && figures(s) === before.get(s.id)) expect([...named]).not.toContain(s.id);
          }
          expect(
            goneSteps(now.steps, d.bench)
              .map((l) => l.id)
              .sort(),
          ).toEqual(ids.filter((id) => !there.has(id)).sort());
          touched += named.size;
          gone += ids.filter((id) => !there.has(id)).length;
          // Asked about once: what stays as it was sewn is not named again.
          const kept = { ...now, d: { ...d, bench: keepAsSewn(now, [...named]) } };
          expect(touchedAt(kept)).toEqual([]);
          // The choices as they were: all is as it was.
          expect(touchedAt({ ...PLAIN, d: { ...COAT.decisions, bench: d.bench } })).toEqual([]);
        },
      ),
      runs(100),
    );
    expect(planned).toBeGreaterThan(among(50));
    expect(touched).toBeGreaterThan(among(50));
    expect(gone).toBeGreaterThan(among(50));
  });

  test('a wider facing names the seams it is sewn with, from what to what, and what was decided', () => {
    const bench = tickAll(
      PLAIN,
      PLAIN.steps.map((s) => s.id),
      AT,
    );
    const doc = structuredClone(withBench(COAT, bench));
    doc.decisions.facing.front += 20;
    const now = benchOf(doc) as AtBench;
    const all = touchedSteps(now.steps, now.cut, now.d);
    expect(all[0]?.step.id).toBe('cut');
    expect(all[0]?.differs.every((x) => /facing|lining|front/.test(x.key))).toBe(true);
    expect(all.length).toBeGreaterThan(1);
    for (const t of all)
      expect(t.choices).toEqual([
        { path: 'facing/front', was: COAT.decisions.facing.front, now: doc.decisions.facing.front },
      ]);
    // Only what is drafted otherwise is cut anew, and only what hangs on it is sewn over: the outside stays as it is.
    const redo = redoOf(all, now, taskOf(doc, compute(doc)).making.parts);
    expect(redo.pieces.length).toBeGreaterThan(0);
    expect(redo.pieces.every((id) => /facing|lining|front/.test(id))).toBe(true);
    expect(redo.steps).not.toContain('cut');
    expect(redo.steps).toContain('sew:facing-line-front');
    expect(redo.steps.filter((id) => /^sew:(side|shoulder|cap|centre-back|underarm)$/.test(id))).toEqual([]);
    // Sleeves and shoulders have nothing to do with it.
    expect(all.map((t) => t.step.id).filter((id) => /shoulder|sleeve|dart/.test(id))).toEqual([]);
  });

  test('taken back, a step takes what hangs on it along; sewn again it counts as sewn over', () => {
    const ids = PLAIN.steps.map((s) => s.id);
    const bench = tickAll(PLAIN, ids.slice(0, 20), AT);
    const id = ids[8] as string;
    const back = hangsOn(PLAIN.steps, bench, id);
    expect(back[0]).toBe(id);
    const left = takeBack(bench, back, AT);
    // What stays done needs none of what was taken back.
    const done = doneIn(left);
    for (const s of PLAIN.steps) if (done.has(s.id)) expect(s.needs.filter((n) => back.includes(n))).toEqual([]);
    expect(nextStep(PLAIN.steps, left)?.id).toBe(id);
    const again = setStep({ ...PLAIN, d: { ...PLAIN.d, bench: left } }, id, 'done', AT, 12);
    expect(again.steps.find((l) => l.id === id)).toMatchObject({ state: 'done', redone: 1, minutes: 12 });
  });

  test('a stretch for so many minutes ends where nothing is half done, and is the longest that does', () => {
    const pace = paceOf([]);
    for (const minutes of [5, 40, 90, 240]) {
      const s = stretchFor(PLAIN.steps, PLAIN.d.bench, pace, minutes);
      expect(s.steps.map((x) => x.id)).toEqual(PLAIN.steps.slice(0, s.steps.length).map((x) => x.id));
      expect(s.minutes).toBeCloseTo(
        s.steps.reduce((t, x) => t + x.minutes, 0),
        6,
      );
      if (s.fits) expect(s.minutes).toBeLessThanOrEqual(minutes);
      const held = ['mark-holes', 'mark-mitre', 'snip-corners', 'yoke-roll'];
      expect(held).not.toContain(s.steps.at(-1)?.code);
    }
    expect(stepsLeft(PLAIN.steps, PLAIN.d.bench)).toHaveLength(PLAIN.steps.length);
  });

  // 1.5 mm (1/16") passes, and woven cloth eases in a little: common practice.
  test.each([
    [[412, 411], 'alike'],
    [[412, 408], 'ease'],
    [[412, 396], 'unpick'],
    [[405], 'ease'],
  ] as const)('measured %j: %s', (values, match) => {
    const step = { ...(PLAIN.steps[0] as PlanStep), data: { a: 412, b: 412 } };
    const j = judge(step, values, 2);
    expect(j.match).toBe(match);
    expect(j.each).toBeCloseTo(Math.abs(j.over) / 4, 9);
  });

  test('a lesson comes back at its step, and where one begins with the same pattern, cloth or sort of garment', () => {
    const entry = (id: string, more: object) => ({
      ...{
        id,
        at: `2026-11-0${id}T10:00:00.000Z`,
        kind: 'note' as const,
        words: id,
        step: '',
        piece: '',
        seam: '',
        cloth: '',
      },
      ...{ figures: {}, pictures: [], again: true, ...more },
    });
    const from = (project: string, garment: string, pattern: string, e: ReturnType<typeof entry>) => ({
      ...{ project, name: project, garment, pattern, entry: e },
    });
    const all = [
      from('a', 'coat', 'x.svg', entry('1', { step: 'sew:cap' })),
      from('b', 'shirt', 'y.svg', entry('2', {})),
      from('b', 'shirt', 'y.svg', entry('3', { cloth: 'Moss poplin' })),
      from('c', 'dress', 'x.svg', entry('4', {})),
      from('c', 'dress', 'x.svg', entry('5', { again: false })),
      from('d', 'coat', '', entry('6', {})),
      from('c', 'dress', 'x.svg', entry('7', { seam: 'shell-cap' })),
    ];
    const told = (here: object) =>
      lessonsFor(all, {
        project: 'd',
        garment: 'coat',
        pattern: 'x.svg',
        step: '',
        seams: [],
        cloths: [],
        ...here,
      }).map((w) => w.entry.id);
    expect(told({ step: 'sew:cap' })).toEqual(['1']);
    expect(told({ step: 'sew:side' })).toEqual([]);
    // Of a seam wherever it is sewn, and where one looks at it.
    expect(told({ step: 'sew:cap', seams: ['shell-cap'] })).toEqual(['7', '1']);
    expect(told({ seams: ['shell-cap'] })).toEqual(['7']);
    // Of this project first, then the newest.
    expect(told({})).toEqual(['6', '4']);
    expect(told({ garment: 'shirt', pattern: '', cloths: [' moss POPLIN'] })).toEqual(['3', '2']);
  });
});
