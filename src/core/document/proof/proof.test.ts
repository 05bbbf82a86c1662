import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seedHallDress } from '../../../demo/index.ts';
import { runs } from '../../../test/runs.ts';
import { coatDocument, coatFigures } from '../../../test/shells.ts';
import { changeSheet } from '../../drafting/index.ts';
import { mapPath, rotation } from '../../geometry/index.ts';
import { outlineOf, type Piece } from '../../pattern/index.ts';
import { compareInside } from '../compare.ts';
import { type Computed, compute } from '../compute.ts';
import { type ProjectDocument } from '../project.ts';
import { type Check, proofOf } from './index.ts';

const INCH = 25.4;
const check = (c: Computed, code: Check['code']): Check | undefined => proofOf(c).find((k) => k.code === code);
describe('the proof', () => {
  test('holds over random coats and choices, hems that are too curved told apart', () => {
    const choices = fc.record({
      front: fc.integer({ min: 60, max: 110 }),
      raise: fc.integer({ min: 0, max: 20 }),
      pleat: fc.integer({ min: 0, max: 50 }),
      free: fc.boolean(),
    });
    fc.assert(
      fc.property(coatFigures, choices, (figures, x) => {
        const doc = coatDocument(figures);
        doc.decisions.facing.front = x.front;
        Object.assign(doc.decisions.lining, { raise: x.raise, pleat: x.pleat });
        if (x.free) doc.decisions.lining.hem.kind = 'free';
        const c = compute(doc);
        if (c.findings.some((f) => f.severity === 'stop')) return;
        const proof = proofOf(c);
        expect(proof.map((k) => k.code)).toEqual(expect.arrayContaining(['seams', 'union', 'grain', 'hem', 'cut']));
        for (const k of proof.filter((q) => q.code !== 'hem' && q.code !== 'seams'))
          expect([k.code, k.faults]).toEqual([k.code, []]);
        // A hem that tapers or flares by more than can be eased is told, and nothing else is.
        const off = c.seams.filter((s) => s.group !== 'shell' && /too/.test(s.verdict));
        expect(off.map((s) => s.easeOf)).toEqual(off.map(() => 'flare'));
        expect(proof.find((k) => k.code === 'seams')?.faults).toHaveLength(off.length);
      }),
      runs(20),
    );
  });

  // What is spoilt on purpose has to be found, and by the check that is there for it.
  const spoilt = (id: string, spoil: (p: Piece) => Piece): Computed => {
    const doc = coatDocument();
    const c = compute(doc);
    const change = (p: Piece): Piece => (p.id === id ? spoil(p) : p);
    return { ...c, inside: c.inside.map(change), pieces: c.pieces.map(change) };
  };

  test('a grainline turned by a degree', () => {
    const c = spoilt('back-lining', (p) => {
      const [{ a, b }] = [p.grain];
      const turned = mapPath([{ k: 'L', a, b }], rotation(Math.PI / 180))[0];
      return { ...p, grain: { a: turned?.a ?? a, b: turned?.b ?? b } };
    });
    expect(check(c, 'grain')?.faults).toEqual([{ piece: 'back-lining', value: expect.closeTo(1, 3) }]);
  });

  test('a cut line that runs too near, a notch that slipped, a seam that is off', () => {
    const c = spoilt('sleeve-lining', (p) => p);
    const lining = c.inside.find((p) => p.id === 'sleeve-lining') as Piece;
    c.cutLines.set('sleeve-lining', { outline: outlineOf(lining.ring), cleaned: false });
    const cut = check(c, 'cut');
    expect(new Set(cut?.faults.map((f) => f.piece))).toEqual(new Set(['sleeve-lining']));
    expect(cut?.worst).toBeCloseTo(15, 6);
    const slipped = spoilt('front-lining', (p) => ({
      ...p,
      notches: p.notches.map((n) =>
        p.ring.find((e) => e.id === n.edge)?.role === 'side' ? { ...n, at: n.at + 7 } : n,
      ),
    }));
    expect(check(slipped, 'notches')?.faults[0]?.value).toBeCloseTo(7, 1);
    const off = spoilt('front-lining', (p) => p);
    off.seams = off.seams.map((s) => (s.code === 'lining-side' ? { ...s, verdict: 'a-too-long', differenceMm: 4 } : s));
    expect(check(off, 'seams')?.faults).toEqual([
      { piece: 'front-lining', edge: expect.any(String), value: expect.closeTo(4, 6) },
    ]);
  });

  test('a hem that bends too much for its depth, by the difference of two arcs', () => {
    const doc = coatDocument();
    const front = doc.shell?.pieces[0];
    const hem = front?.ring.find((e) => e.role === 'hem');
    if (!hem) throw new Error('no hem');
    hem.allowance = 80;
    const deep = check(compute(doc), 'hem');
    hem.allowance = 20;
    const shallow = check(compute({ ...doc, shell: doc.shell && { ...doc.shell } }), 'hem');
    const of = (k: Check | undefined) => k?.faults.find((f) => f.piece === front?.id)?.value ?? 0;
    // 2·H·bend over the length, so four times the depth is nearly four times the difference.
    expect(of(deep) / (shallow?.worst ?? 1)).toBeGreaterThan(3.5);
    expect(shallow?.faults).toEqual([]);
  });
});

describe('change sheets', () => {
  const changes = (doc: ProjectDocument, id: string) => {
    const c = compute(doc);
    const made = c.inside.find((p) => p.id === id) as Piece;
    const shell = c.shell.find((p) => p.id === made.parent) as Piece;
    return changeSheet(shell, made);
  };
  const at = (doc: ProjectDocument, id: string, role: string) => changes(doc, id).find((x) => x.role === role);

  // Worked checks of the trade (common practice, derived): what comes off a lining cut from the shell.
  test.each([
    ['c 40, 20 + 20 on a hem of 40: the whole hem', 40, 40, 20, 20, 40],
    ['c 15, 15 + 25 on a hem of 40: 15', 40, 15, 15, 25, 15],
    ['c 1 1/2", 1/4" + 1/4" on 1 1/2": 2 1/2"', 1.5 * INCH, 1.5 * INCH, INCH / 4, INCH / 4, 2.5 * INCH],
    ['c 2", 1/2" + 1/2" on 1 1/2": 2 1/2"', 1.5 * INCH, 2 * INCH, INCH / 2, INCH / 2, 2.5 * INCH],
  ])('%s', (_, hem, above, turn1, turn2, off) => {
    const doc = coatDocument();
    doc.decisions.allowances.hem = hem;
    doc.decisions.lining.hem = { ...doc.decisions.lining.hem, kind: 'free', above, turn1, turn2 };
    const change = at(doc, 'front-lining', 'hem');
    expect(change?.kind).toBe('off');
    expect(-(change?.least ?? 0)).toBeCloseTo(off, 1);
    expect(-(change?.most ?? 0)).toBeCloseTo(off, 1);
  });

  test('half the pleat is added at the fold, front edge and neckline go with the facing, the shoulder stays', () => {
    const doc = coatDocument();
    doc.decisions.lining.pleat = 40;
    const back = at(doc, 'back-lining', 'centre-back');
    expect(back).toMatchObject({
      kind: 'add',
      onFold: true,
      least: expect.closeTo(20, 1),
      most: expect.closeTo(20, 1),
    });
    expect(at(doc, 'front-lining', 'front-edge')?.kind).toBe('away');
    expect(at(doc, 'front-lining', 'neckline')?.kind).toBe('away');
    expect(at(doc, 'front-lining', 'shoulder')?.kind).toBe('same');
  });

  test('without sleeves 3 mm come off the armhole, beside a zip R comes off the centre back', () => {
    const made = seedHallDress();
    if (!made.ok) throw new Error('no dress');
    const doc = made.value;
    expect(at(doc, 'front-lining', 'armhole')).toMatchObject({ kind: 'off', least: expect.closeTo(-3, 1) });
    expect(at(doc, 'back-lining', 'centre-back')).toMatchObject({ kind: 'off', least: expect.closeTo(-10, 1) });
    expect(at(doc, 'skirt-front-lining', 'waist')?.kind).toBe('same');
  });
});

describe('two choices compared', () => {
  test('the same choices do not differ; what a wider facing gains the lining loses', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.integer({ min: 70, max: 85 }),
        fc.integer({ min: 2, max: 20 }),
        (figures, w, more) => {
          const doc = coatDocument(figures);
          doc.decisions.facing.front = w;
          doc.decisions.interfacing.on = false;
          const before = compute(doc);
          expect(compareInside(before, compute(doc))).toEqual([]);
          const now = compute({
            ...doc,
            decisions: { ...doc.decisions, facing: { ...doc.decisions.facing, front: w + more } },
          });
          if (now.findings.some((f) => f.severity === 'stop')) return;
          const found = compareInside(before, now);
          expect(found.map((f) => f.id)).toEqual(['front-facing', 'front-lining']);
          const [facing, lining] = found.map((f) => (f.now?.area ?? 0) - (f.before?.area ?? 0)) as [number, number];
          expect(facing).toBeGreaterThan(0);
          // Below the hem line the lining is shorter than the shell: only so much is not in both.
          expect(Math.abs(facing + lining)).toBeLessThan(Math.max(60, 0.02 * facing));
        },
      ),
      runs(15),
    );
  });

  test('a piece that is new or gone is said so', () => {
    const doc = coatDocument();
    const before = compute(doc);
    const without = compute({
      ...doc,
      decisions: { ...doc.decisions, lining: { ...doc.decisions.lining, on: false } },
    });
    const gone = compareInside(before, without).filter((f) => f.now === null);
    expect(gone.map((f) => f.name)).toEqual(['Front lining', 'Back lining', 'Sleeve lining']);
    expect(compareInside(without, before).filter((f) => f.before === null)).toHaveLength(3);
  });
});
