import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sentenceOf } from '../../contract/findings.ts';
import { compute, planOf } from '../../core/document/compute.ts';
import { STAGES } from '../../core/import/index.ts';
import { checkPlan, makePlan, OPERATION_CODES, type PlanStep } from '../../core/plan/index.ts';
import { because } from '../../core/result.ts';
import { choices, features } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import {
  CAUTION_WORDS,
  cautionsOf,
  cureOf,
  partNames,
  planJson,
  planMarkdown,
  readingWords,
  reasonWords,
  SEAM_WORDS,
  sidesWords,
  stepWords,
  stopWords,
  toldOf,
} from './index.ts';

describe('words', () => {
  test('every reason, seam and step of a coat, joined or free, is said in words with its values', () => {
    for (const kind of ['joined', 'free'] as const) {
      const doc = coatDocument();
      doc.decisions.lining.hem.kind = kind;
      doc.decisions.lining.wrist.kind = kind;
      doc.decisions.closure.waist.keepClear = true;
      const c = compute(doc);
      const closure = c.closure?.ok ? c.closure.value.reasons : [];
      for (const r of [...c.inside.flatMap((p) => p.reasons), ...closure]) {
        expect(reasonWords(r, 'in').startsWith(`${r.rule}:`)).toBe(false);
        expect(reasonWords(r, 'in')).not.toMatch(/undefined|NaN|\bmm\b|[{}]/);
      }
      for (const s of c.seams) expect(SEAM_WORDS[s.code]).toBeDefined();
      const plan = planOf(doc, c);
      if (!plan.ok) throw new Error('no plan');
      const cautions = [...cautionsOf(plan.value.steps).values()].flat();
      expect(cautions.filter((w) => w.includes('wear glasses'))).toHaveLength(1);
      expect(cautions.filter((w) => w === 'Hot iron.').length).toBeGreaterThan(3);
    }
  });

  test('every step of any garment, every method, reason and fault of a plan is said in words, in inches without a millimetre', () => {
    fc.assert(
      fc.property(features, choices, fc.nat(999), (f, c, at) => {
        const r = makePlan(taskFrom(f), c, 1);
        const names = r.ok ? partNames(r.value.making, []) : {};
        for (const s of r.ok ? r.value.steps : []) {
          expect(OPERATION_CODES).toContain(s.code);
          const { title, how, check, slip } = stepWords(s, 'in', names);
          expect(title.length).toBeGreaterThan(4);
          const all = [title, how, check, slip, ...stopWords(s, 'in')].join(' ');
          expect(all).not.toMatch(/undefined|NaN|\d mm\b|[{}]/);
          if (s.about) expect(SEAM_WORDS[s.about]).toBeDefined();
          // What is said and what is drawn of the layers is one thing.
          const lie = sidesWords(s.stack) ?? '';
          if (/^Wrong sides together/.test(how)) expect([s.id, lie]).not.toEqual([s.id, 'Right sides together']);
          if (/^Right sides together/.test(how)) expect([s.id, lie]).not.toEqual([s.id, 'Wrong sides together']);
          for (const x of s.cautions) expect(CAUTION_WORDS[x]).toBeDefined();
        }
        // Faults of a plan whose step was taken out are told with steps by name, not by id.
        const gone = r.ok ? (r.value.steps[at % r.value.steps.length] as PlanStep) : null;
        const faults =
          r.ok && gone
            ? checkPlan(
                r.value.steps.filter((s) => s !== gone),
                r.value.making,
              )
            : [];
        for (const x of [...(r.ok ? r.value.findings : r.findings), ...faults]) {
          const said = sentenceOf(toldOf(x, r.ok ? r.value : null, 'in', names), 'in');
          expect(said).not.toMatch(/undefined|Something is wrong|\d mm\b/);
        }
      }),
      runs(18),
    );
  });

  test('the plan as Markdown and as JSON: a box and a number for every step, layers bottom to top', () => {
    const doc = coatDocument();
    const c = compute(doc);
    const plan = planOf(doc, c);
    if (!plan.ok) throw new Error('no plan');
    const said = {
      name: 'Coat',
      plan: plan.value,
      units: 'mm' as const,
      names: partNames(plan.value.making, c.pieces),
      pieces: c.pieces,
    };
    const md = planMarkdown(said);
    expect(md.match(/^- \[ \] \*\*\d+\. /gm)).toHaveLength(plan.value.steps.length);
    expect(md).toContain('## Put together');
    expect(md).toContain('- Front, 2 notches: a snip of 3 mm into the allowance');
    expect(md).toContain('with the grain: from the hem to the armhole');
    const json = JSON.parse(planJson(said));
    expect(json.steps.map((s: { number: number }) => s.number)).toEqual(plan.value.steps.map((s) => s.number));
    const edge = json.steps.find((s: { id: string }) => s.id === 'sew-edge');
    expect(edge.layers.before.map((l: { up: string }) => l.up)).toEqual(['right', 'wrong']);
  });

  test('how far a file is: shares go up from stage to stage, and every stage has its words', () => {
    const shares = STAGES.flatMap((stage) =>
      [0, 3, 12].map((done) => readingWords({ stage, done, of: stage === 'pages' || stage === 'pieces' ? 12 : 0 })),
    );
    for (const { words, share } of shares) {
      expect(words).toMatch(/^[A-Z].* …$/);
      expect(share).toBeLessThanOrEqual(1);
    }
    for (let i = 1; i < shares.length; i++)
      expect(shares[i]?.share ?? 0).toBeGreaterThanOrEqual(shares[i - 1]?.share ?? 1);
    expect(readingWords({ stage: 'pieces', done: 3, of: 12 }).words).toBe('Looking at the outlines: 3 of 12 …');
  });

  test("a handbook's figures and the sum are said in the unit of the rest", () => {
    const r = because('facing-front', 'memory', 88.9, { front: 88.9 });
    expect(reasonWords(r, 'mm')).toContain('88.9 mm wide. Handbooks: 75–100 mm at the hem');
    expect(reasonWords(r, 'in')).toContain('3 1/2" wide. Handbooks: 2 15/16"–3 15/16" at the hem');
    const hem = because('jump-pleat', 'derived', -10, { c: 15, H: 50, s: 10 });
    expect(reasonWords(hem, 'mm')).toContain('2 × 15 mm − (50 mm − 10 mm) = −10 mm');
    const round = because('facing-radius', 'memory', 65, { asked: 65 });
    expect(reasonWords(round, 'in')).not.toContain('found no room');
  });
});

describe('cures', () => {
  test('over random coats and any choices, a cure mends what it was offered for', () => {
    const mm = (max: number) => fc.integer({ min: 10, max });
    const choices = fc.record({
      front: mm(500),
      shoulder: mm(200),
      back: mm(1800),
      strip: mm(500),
      bottom: mm(1500),
      top: mm(40),
    });
    const seen = new Set<string>();
    fc.assert(
      fc.property(coatFigures, choices, fc.integer({ min: 1, max: 60 }), (figures, x, count) => {
        const doc = coatDocument(figures);
        const d = doc.decisions;
        Object.assign(d.facing, { front: x.front, shoulder: x.shoulder, back: x.back });
        d.interfacing.frontStrip = x.strip;
        Object.assign(d.closure, { bottom: x.bottom, top: x.top, count });
        for (const f of compute(doc).findings) {
          const cure = cureOf(f, doc);
          if (!cure) continue;
          seen.add(f.code);
          expect([f.code, cure.label, compute(cure.next).findings.map((g) => g.code)]).toEqual([
            f.code,
            cure.label,
            expect.not.arrayContaining([f.code]),
          ]);
        }
      }),
      runs(18, true),
    );
    expect([...seen].sort()).toEqual([
      'back-facing-too-deep',
      'button-near-hem',
      'button-near-neck',
      'facing-narrow',
      'front-facing-too-wide',
      'front-strip-too-wide',
      'no-room-for-buttons',
      'shoulder-too-short',
      'too-many-buttons',
    ]);
  });
});
