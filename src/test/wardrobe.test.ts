import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { sentenceOf } from '../contract/findings.ts';
import { compute, planOf } from '../core/document/compute.ts';
import { type Decisions, type ProjectDocument, type Shell } from '../core/document/project.ts';
import { proofOf } from '../core/document/proof/index.ts';
import { changeSheet } from '../core/drafting/index.ts';
import { mapPath } from '../core/geometry/index.ts';
import { coatSvg, DEMOS, jacketDxf } from '../demo/index.ts';
import {
  changeMark,
  changeWords,
  checkWords,
  reasonWords,
  seamWords,
  stepWords,
  verdictWords,
} from '../web/words/index.ts';
import { whereStopped } from '../web/words/progress.ts';

test('the pattern files of the demo are what their makers give', () => {
  const file = (name: string): string => readFileSync(`src/demo/files/${name}`, 'utf8');
  expect(file('greenhouse-coat.svg')).toBe(coatSvg());
  expect(file('chore-jacket.dxf')).toBe(jacketDxf());
});

test('what a lining lacks along the facing is said with the widths of the facing', () => {
  const made = DEMOS.find((d) => d.id === 'greenhouse-coat')?.make();
  if (!made?.ok) throw new Error('no coat');
  const x = compute(made.value);
  const { front, back } = made.value.decisions.facing;
  const said = x.inside.flatMap((p) => {
    const shell = x.shell.find((q) => q.id === p.parent);
    return p.material === 'lining' && shell ? changeSheet(shell, p).map((c) => changeWords(c, 'mm')) : [];
  });
  expect(said).toContainEqual(
    expect.stringContaining(`Front edge: cut away along the facing line, ${front} mm in at the hem`),
  );
  expect(said).toContainEqual(expect.stringContaining(`Neckline: cut away along the facing line, ${back} mm in`));
});

test('a step says all it sews in one run, and what a longer side is for: an overlap, a pleat, ease', () => {
  const steps = (id: string, change: (doc: ProjectDocument) => void = () => undefined) => {
    const made = DEMOS.find((d) => d.id === id)?.make();
    if (!made?.ok) throw new Error(`no ${id}`);
    change(made.value);
    const plan = planOf(made.value, compute(made.value));
    if (!plan.ok) throw new Error('no plan');
    return new Map(plan.value.steps.map((x) => [x.id, stepWords(x, 'mm')]));
  };
  // Both layers of a cuff run on past the sleeve for their button.
  const shirt = steps('potting-shirt');
  for (const id of ['sew:cuff', 'sew:cuff-in'])
    expect(shirt.get(id)?.check).toMatch(/^\S+ mm on \S+ mm: it runs on past it by 25 mm$/);
  const coat = steps('greenhouse-coat', (doc) => {
    doc.decisions.lining.pleat = 30;
  });
  expect(coat.get('sew:facing-line-back')?.check).toMatch(/: the pleat takes up 15 mm on each half$/);
  expect(coat.get('sew:cap')?.check).toMatch(/: ease in \S+ mm$/);
  expect(coat.get('understitch:edge')?.title).toBe('Understitch: front edges and neck');
  // A dress closed at the back has no front edges; its sides are sewn with those of the lining.
  const dress = steps('seed-hall-dress');
  expect(dress.get('sew-edge')?.title).toBe('Sew the inside to the shell: neck');
  expect(dress.get('sew:side')?.title).toBe('Sew: side seam and lining side seam');
  expect(dress.get('sew:waist-front')?.title).toBe('Sew: skirt to bodice');
});

// All rooms together: what is chosen for the demos, worked out and said.
describe('the demo wardrobe in words', () => {
  test('where it stopped: ready to cut; unnamed edges of known pieces first, those of a pocket bag not at all', () => {
    const stopped = DEMOS.map((demo) => {
      const made = demo.make();
      if (!made.ok) throw new Error(demo.id);
      return { doc: made.value, words: whereStopped(made.value, compute(made.value)) };
    });
    for (const { words } of stopped) expect(words).toMatch(/^Ready to cut: \d+ pieces, every seam matches$/);
    // Centimetres taken for millimetres are never ready to cut.
    const tiny = structuredClone((stopped[0] as (typeof stopped)[number]).doc);
    for (const p of tiny.shell?.pieces ?? [])
      for (const e of p.ring) e.path = mapPath(e.path, { a: 0.1, b: 0, c: 0, d: 0.1, e: 0, f: 0 });
    const asked = { ...tiny, shell: { ...(tiny.shell as Shell), trueSize: false } };
    expect(whereStopped(asked, compute(asked))).toContain('true size');
    const { doc } = stopped[3] as (typeof stopped)[number];
    const edge = doc.shell?.pieces[0]?.ring[0];
    if (edge) edge.role = 'plain';
    expect(whereStopped(doc, compute(doc))).toBe('Next: name the edges of 1 piece');
    expect(whereStopped({ ...doc, shell: null }, compute({ ...doc, shell: null }))).toBe('Next: put the pattern in');
  });

  test('whatever is chosen for the four demos: every reason, seam, change and finding is said in whole sentences', () => {
    const tweaks: ((d: Decisions) => void)[] = [
      () => undefined,
      (d) =>
        Object.assign(d.facing, { bands: { armhole: 55, waist: 55, hem: 60, wrist: 35 }, turn: 2, finish: 'pressed' }),
      (d) => {
        d.lining.on = false;
        Object.assign(d.facing, { turn: 2, shoulder: 40, bands: { armhole: 45, waist: 0, hem: 0, wrist: 0 } });
      },
      (d) => {
        d.lining.on = false;
        Object.assign(d.facing, { inOne: 60, finish: 'bound', bands: { armhole: 55, waist: 50, hem: 60, wrist: 35 } });
      },
      (d) => {
        d.facing.bias = { ...d.facing.bias, neck: true, armhole: true, school: 'wrapped' };
        Object.assign(d.interfacing, { hems: 15, stay: 190 });
      },
      (d) => {
        d.lining.on = true;
        d.facing.bias = { ...d.facing.bias, neck: true, school: 'turned' };
      },
      (d) => {
        Object.assign(d.facing, { kind: 'cut-on', deep: 150 });
        Object.assign(d.interfacing, { front: 'shaped', patches: true, zip: 25, on: true });
        Object.assign(d.lining.hem, { kind: 'rib' });
        Object.assign(d.lining.slit, { length: 120 });
      },
      (d) => {
        Object.assign(d.facing, { kind: 'lapel', deep: 20 });
        Object.assign(d.lining, { on: true, pleat: 2000 });
        Object.assign(d.lining.wrist, { kind: 'edge' });
        Object.assign(d.interfacing, { front: 'whole', trim: 'whole' });
      },
      (d) => {
        Object.assign(d.lining, { on: true, self: true });
        Object.assign(d.interfacing, { frontStrip: 4 });
      },
    ];
    const seen = new Set<string>();
    for (const demo of DEMOS)
      for (const tweak of tweaks) {
        const made = demo.make();
        if (!made.ok) throw new Error(demo.id);
        tweak(made.value.decisions);
        const c = compute(made.value);
        for (const r of [...c.inside, ...c.recut].flatMap((p) => p.reasons)) {
          seen.add(r.rule);
          expect(reasonWords(r, 'in').startsWith(`${r.rule}:`)).toBe(false);
          expect(reasonWords(r, 'in')).not.toMatch(/undefined|NaN|\bmm\b|[{}]/);
        }
        for (const s of c.seams) {
          expect([s.code, seamWords(s)]).not.toEqual([s.code, s.code]);
          expect(verdictWords(s.verdict, s.easeOf)).not.toMatch(/undefined/);
        }
        for (const f of c.findings) expect(sentenceOf(f, 'in')).toMatch(/^["A-Z].*[.?]$/);
        for (const made2 of c.inside.filter((p) => p.material === 'lining')) {
          const shell = c.shell.find((p) => p.id === made2.parent);
          for (const change of shell ? changeSheet(shell, made2) : [])
            for (const unit of ['mm', 'in'] as const) {
              expect(changeWords(change, unit)).toMatch(/^[A-Z].*\.$/);
              expect(`${changeWords(change, unit)} ${changeMark(change, unit)}`).not.toMatch(/undefined|NaN|--|−-/);
              if (unit === 'in') expect(changeMark(change, unit)).not.toContain('mm');
            }
        }
      }
    for (const rule of ['band-width', 'darts-closed', 'turn-of-cloth', 'shoulder-narrower', 'finish-bound', 'zip'])
      expect([...seen]).toContain(rule);
    for (const rule of [
      'cut-on',
      'lapel-out',
      'facing-deep',
      'vent-over',
      'slit',
      'rib-length',
      'to-edge',
      'hole-patch',
    ])
      expect([...seen]).toContain(rule);
    for (const rule of ['bias-wrapped', 'bias-turned', 'bias-yield', 'hem-strip', 'back-stay', 'armhole-smaller'])
      expect([...seen]).toContain(rule);
  });

  test('all demos hold, and are said in whole sentences in either unit', () => {
    for (const demo of DEMOS) {
      const made = demo.make();
      if (!made.ok) throw new Error(demo.id);
      const c = compute(made.value);
      const proof = proofOf(c);
      expect(proof.filter((k) => k.code !== 'hem').flatMap((k) => k.faults)).toEqual([]);
      for (const units of ['mm', 'in'] as const)
        for (const words of proof.flatMap((k) => checkWords(k, (id) => id, units))) {
          expect(words).toMatch(/^[A-Z].*\.$/);
          expect(words).not.toMatch(/undefined|NaN/);
          if (units === 'in') expect(words).not.toMatch(/\d mm\b/);
        }
    }
  });
});
