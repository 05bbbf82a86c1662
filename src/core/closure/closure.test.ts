import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type CoatFigures, GREENHOUSE_COAT, pottingShirt } from '../../demo/index.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ProjectDocument, usualDecisions } from '../document/project.ts';
import { emptyDocument } from '../document/usual.ts';
import { distance, nearestOn, pathLength } from '../geometry/index.ts';
import {
  buttonhole,
  type ClosureChoice,
  countForGap,
  deriveClosure,
  type HoleChoice,
  lignes,
  loopLength,
  nearestSize,
  sewingOrder,
  shoppingList,
  smallOf,
  usualClosure,
  usualSmall,
} from './index.ts';

const hole = (part: Partial<HoleChoice> = {}) => buttonhole({ ...usualClosure(), ...part });
const derived = (doc: ProjectDocument, part: Partial<ClosureChoice> = {}) => {
  const d = { ...doc.decisions, closure: { ...doc.decisions.closure, ...part } };
  return deriveClosure(piecesOf(doc), d, doc.units);
};
const derive = (doc: ProjectDocument, part: Partial<ClosureChoice> = {}) => {
  const r = derived(doc, part);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
const coat = (f: CoatFigures = GREENHOUSE_COAT): ProjectDocument => coatDocument(f);
const shirt = (): ProjectDocument => {
  const r = pottingShirt();
  if (!r.ok) throw new Error();
  return r.value;
};
const alone = (part: Partial<ClosureChoice> = {}) => derive(emptyDocument('Placket', 'closing'), part);

describe('buttonhole', () => {
  test('opening = diameter + thickness, two bars of 1.5 more; half of a strip wrapped round it once (common practice)', () => {
    expect(hole()).toMatchObject({ opening: 27, overall: 30, outer: 3, inner: 24 });
    expect(hole({ shape: 'ball', diameter: 12, direction: 'vertical' }).opening).toBe(24);
    // A flat button's strip goes over and under it and round both rims: 2 (d + t).
    expect(hole({ shape: 'strip', strip: 2 * (23 + 4) }).opening).toBe(hole().opening);
    expect(hole({ snug: true }).opening).toBe(23);
    expect(hole({ start: 'centred' })).toMatchObject({ outer: 13.5, inner: 13.5 });
    expect(hole({ keyhole: true }).overall).toBe(33);
  });
  test('40 lignes are one inch; 18 L is 11.43 mm (from memory of the button trade), sold as 11.5', () => {
    expect(lignes(25.4)).toBe(40);
    expect(lignes(11.43)).toBeCloseTo(18, 9);
    expect(nearestSize('button', 11.43)).toBe(11.5);
  });
  test('from the middle outward (common practice), every hole once', () => {
    expect(sewingOrder(5)).toEqual([2, 1, 3, 0, 4]);
    expect(sewingOrder(4)).toEqual([1, 2, 0, 3]);
  });
  test('a loop and its seam let pass what the wrapped strip measures', () => {
    expect(loopLength(12, 3) + 6).toBe(30);
  });
});

describe('on the front', () => {
  test('buttons on centre front, holes start 3 mm past it towards the edge, over random coats', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const doc = coat(figures);
        const c = derive(doc, { count: 5, bottom: 100, rounding: 'fine', bottomGive: 0 });
        expect(c.extension).toBeCloseTo(figures.extension, 3);
        // The drawing is written with four decimals.
        expect(c.lengthMm).toBeCloseTo(figures.length + 12 - figures.frontNeckDepth, 3);
        const front = piecesOf(doc).find((p) => p.kind === 'front');
        const edge = front?.ring.find((e) => e.role === 'front-edge')?.path ?? [];
        for (const { on } of c.buttons) {
          if (!on) throw new Error('no piece');
          expect(on.centre.x - (c.line[0]?.a.x ?? 0)).toBeCloseTo(0, 3);
          expect(nearestOn(edge, on.a).distance).toBeCloseTo(figures.extension - 3, 3);
          expect(nearestOn(edge, on.b).distance).toBeCloseTo(figures.extension - 3 + c.hole.opening, 3);
          expect(distance(on.a, on.b)).toBeCloseTo(c.hole.opening, 9);
        }
        expect(c.buttons[0]?.at).toBeCloseTo(doc.decisions.closure.top, 9);
        expect(c.buttons[4]?.at).toBeCloseTo(c.lengthMm - 100, 6);
        // Chest level is that of the underarm, read off the drawing.
        expect(c.features.bust?.from).toBe('underarm');
        expect(c.features.bust?.at).toBeCloseTo(figures.armholeDepth - figures.frontNeckDepth, 0);
      }),
      runs(20),
    );
  });

  test('without a drawn centre front it lies the given extension inside the front edge; vertical holes lie along it', () => {
    const doc = coat();
    for (const p of doc.shell?.pieces ?? []) p.lines = [];
    const c = derive(doc, { extension: 20, direction: 'vertical' });
    expect(c.extension).toBeCloseTo(20, 6);
    for (const { on } of c.buttons) {
      expect(on?.a.x).toBeCloseTo(on?.b.x ?? 0, 9);
      expect(on?.a.y).toBeLessThan(on?.b.y ?? 0);
    }
    expect(pathLength(c.line)).toBeCloseTo(c.lengthMm, 9);
  });

  test('a belt keeps half its width and 10 mm clear; what is too narrow or too near is told with what would do', () => {
    const belted = derive(coat(), { count: 7, waist: { keepClear: true, at: 0, belt: 45 } });
    const zone = belted.problem.zones.find((z) => z.code === 'belt');
    expect((zone?.to ?? 0) - (zone?.from ?? 0)).toBeCloseTo(45 + 20, 9);
    for (const b of belted.buttons)
      expect(b.at > (zone?.from ?? 0) + 1e-6 && b.at < (zone?.to ?? 0) - 1e-6).toBe(false);
    const codes = (part: Partial<ClosureChoice>) => derive(coat(), part).findings.map((f) => f.code);
    expect(codes({})).toEqual([]);
    expect(codes({ diameter: 50, top: 40, count: 4 })).toEqual(['extension-narrow', 'facing-narrow']);
    expect(codes({ bottom: 60 })).toContain('button-near-hem');
    expect(codes({ top: 5 })).toContain('button-near-neck');
    expect(codes({ band: 20 })).toContain('button-wider-than-band');
    const refused = deriveClosure([], { ...usualDecisions(), closure: { ...usualClosure(), length: 0 } });
    expect(refused.ok ? null : refused.findings[0]?.code).toBe('closing-length');
  });

  test('lapel: the first button at the break point, where the lapel’s own drafting has it', () => {
    const doc = coat();
    Object.assign(doc.decisions.facing, { kind: 'lapel', breakAt: 220 });
    const c = derive(doc, { breakTop: true, count: 3 });
    const front = piecesOf(doc).find((p) => p.kind === 'front');
    const edge = front?.ring.find((e) => e.role === 'front-edge')?.path ?? [];
    const top = nearestOn(edge, c.buttons[0]?.on?.centre ?? { x: 0, y: 0 });
    const along = Math.min(top.at, pathLength(edge) - top.at);
    expect(along).toBeCloseTo(220, 0);
  });

  test('a shirt: the stand’s hole runs across halfway up it, the band’s lie along; the first gap is from hole to hole', () => {
    const c = derive(shirt(), {
      stand: { hole: true, height: 0 },
      school: 'first',
      firstGap: 70,
      count: 8,
      rounding: 'round',
    });
    const [first, second] = c.buttons;
    expect(first).toMatchObject({ onStand: true, direction: 'horizontal' });
    expect(second).toMatchObject({ onStand: false, direction: 'vertical' });
    expect((second?.at ?? 0) - (first?.at ?? 0)).toBeCloseTo(70, 9);
    expect(first?.at).toBeCloseTo(-(c.features.stand?.height ?? 0) / 2, 0);
    expect(first?.on?.piece).not.toBe(second?.on?.piece);
    // Demo figures: the stand is 34 high but for its rounded end.
    expect(c.features.stand?.height).toBeGreaterThan(25);
    expect(c.features.stand?.height).toBeLessThan(34);
  });

  test('double-breasted: columns mirrored about centre front, only the working rows are holes', () => {
    const c = derive(coat({ ...GREENHOUSE_COAT, extension: 85 }), {
      kind: 'double',
      double: { columns: 1, across: 60, working: 2 },
      count: 3,
    });
    expect(c.holes).toBe(2);
    const x0 = c.line[0]?.a.x ?? 0;
    for (const { on } of c.buttons) expect((on?.centre.x ?? 0) - x0).toBeCloseTo(-((on?.columns[0]?.x ?? 0) - x0), 3);
    expect(shoppingList(c)[0]).toMatchObject({ what: 'button', count: 3 * 2 + 1 + 1, spare: 1 });
    // Without a pattern the upper rows only show too.
    expect(alone({ by: 'count', count: 5, kind: 'double' }).holes).toBe(2);
    expect(derive(coat(), { kind: 'double', double: { columns: 1, across: 60, working: 2 } }).findings[0]?.code).toBe(
      'extension-narrow',
    );
  });
});

describe('without a pattern, and on the garment', () => {
  test('a placket of 612 with seven or eight buttons of 15: placed, and the strip is as long', () => {
    const c = alone({ length: 612, by: 'range', count: 7, most: 8, diameter: 15, thickness: 3, top: 20, bottom: 60 });
    expect(c.piece).toBeNull();
    expect([7, 8]).toContain(c.buttons.length);
    expect(c.lengthMm).toBe(612);
  });

  test('measured 4 mm short: what is sewn or cut stays to the hair, the rest is spaced anew', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5 }), fc.integer({ min: -12, max: 12 }), (n, off) => {
        const part: Partial<ClosureChoice> = {
          by: 'count',
          length: 600,
          count: 7,
          top: 20,
          bottom: 50,
          bottomGive: 0,
          rounding: 'fine',
        };
        const before = alone(part);
        const done = before.buttons.slice(0, n).map((b, index) => ({
          line: 'front',
          index,
          at: b.at,
          state: index % 2 ? ('sewn' as const) : ('cut' as const),
        }));
        const after = alone({ ...part, measured: 600 + off, done });
        expect(after.buttons.slice(0, n).map((b) => b.at)).toEqual(before.buttons.slice(0, n).map((b) => b.at));
        expect(after.buttons[6]?.at).toBeCloseTo(550 + off, 9);
        const rest = after.gaps.slice(n);
        expect(Math.max(...rest) - Math.min(...rest)).toBeLessThanOrEqual(1 + 1e-9);
        // A hole only marked is not held.
        const marked = alone({
          ...part,
          measured: 600 + off,
          done: done.map((d) => ({ ...d, state: 'marked' as const })),
        });
        expect(marked.buttons.every((b) => b.held === 'no')).toBe(true);
      }),
      runs(30),
    );
  });

  test('a dragged button stays, the others are evened out on both sides of it', () => {
    const c = alone({
      by: 'count',
      length: 600,
      count: 7,
      top: 20,
      bottom: 60,
      bottomGive: 0,
      rounding: 'fine',
      pins: [{ index: 3, at: 290 }],
    });
    expect(c.buttons[3]).toMatchObject({ at: 290, held: 'yours' });
    const spread = (g: number[]) => Math.max(...g) - Math.min(...g);
    expect(spread(c.gaps.slice(0, 3))).toBeLessThanOrEqual(1);
    expect(spread(c.gaps.slice(3))).toBeLessThanOrEqual(1);
  });

  test('buttons of 15 along a band may stand 29 apart: hole of 18 with its bars 21, and 8 more; not 28', () => {
    const c = alone({ by: 'count', count: 3, length: 140, top: 20, bottom: 62, bottomGive: 0, rounding: 'fine' });
    expect(c.gaps).toEqual([29, 29]);
    const d = emptyDocument('Placket', 'closing');
    Object.assign(d.decisions.closure, {
      by: 'count',
      count: 3,
      length: 138,
      bottom: 62,
      bottomGive: 0,
      rounding: 'fine',
    });
    expect(derived(d).ok).toBe(false);
  });

  test('a wished gap gives the nearest number of buttons', () => {
    expect(countForGap(500, 100)).toBe(6);
    expect(countForGap(500, 90)).toBe(7);
    expect(alone({ length: 600, top: 20, bottom: 80, by: 'gap', gap: 100 }).gaps).toEqual([100, 100, 100, 100, 100]);
  });
});

describe('small closings', () => {
  const small = (kind: Parameters<typeof usualSmall>[0], part: Partial<ReturnType<typeof usualSmall>> = {}) =>
    smallOf({ ...usualSmall(kind, 's1'), ...part }, usualClosure());

  test('eight front holes and link cuffs are twelve holes (common practice), and links take no button', () => {
    const doc = shirt();
    const links = { ...usualSmall('cuff', 'cuffs'), layout: 'link' as const };
    const c = derive(doc, { count: 8, stand: { hole: true, height: 0 }, school: 'first', others: [links] });
    expect(c.holes + (c.small[0]?.holes ?? 0)).toBe(12);
    expect(c.small[0]?.buttons).toBe(0);
    expect(shoppingList(c)[0]).toMatchObject({ count: 9, spare: 1 });
  });

  test('cuffs: one; two side by side draw the cuff closer with one hole; two in line, one above the other', () => {
    expect([small('cuff').holes, small('cuff').buttons]).toEqual([2, 2]);
    const side = small('cuff', { layout: 'side' });
    expect([side.holes, side.buttons]).toEqual([2, 4]);
    const line = small('cuff', { layout: 'line' });
    expect([line.holes, line.buttons]).toEqual([4, 4]);
    expect(new Set(line.spots.map((p) => p.y)).size).toBe(2);
    // Hole and button meet: both lie half the lap from their own ends.
    const [a, b] = small('cuff').spots;
    expect(a?.x).toBeCloseTo(240 - (b?.x ?? 0), 9);
  });

  test('a detachable collar: centre back, a little below the shoulder seam and near the end, both halves alike (practice)', () => {
    const c = small('collar', { length: 215, shoulder: 85 });
    expect(c.spots.map((p) => p.x)[0]).toBe(0);
    expect(c.spots[1]?.x).toBeGreaterThan(85);
    expect(c.spots[1]?.x).toBeLessThan(85 + 25);
    expect(215 - (c.spots[2]?.x ?? 0)).toBeLessThan(20);
    const list = shoppingList(alone({ others: [usualSmall('collar', 'c')] }));
    expect(list.find((b) => b.what === 'snap')).toMatchObject({ count: 5, size: 9 });
  });

  test('what does not fit is told with what would', () => {
    const codes = (kind: Parameters<typeof usualSmall>[0], part: Partial<ReturnType<typeof usualSmall>>) =>
      small(kind, part).findings.map((f) => f.code);
    expect(codes('cuff', { diameter: 70 })).toContain('button-wider-than-band');
    expect(codes('waistband', { lap: 15 })).toContain('lap-narrow');
    expect(codes('shoulder', { count: 9 })).toEqual(['too-many-buttons']);
    // Across a shoulder's band a hole of 13.5 reaches 10.5 in from its middle, its bar 1.5 more: 25 leaves half a millimetre.
    expect(codes('shoulder', { width: 25 })).toEqual(['hole-near-edge']);
    expect(codes('cuff', { layout: 'line', width: 40, diameter: 15 })).toEqual(['lap-narrow', 'rows-close']);
    for (const kind of ['cuff', 'tab', 'epaulette', 'back-neck', 'shoulder', 'waistband', 'collar', 'hood'] as const)
      expect([kind, codes(kind, {})]).toEqual([kind, []]);
  });
});

test('a range the wrong way round is told, not turned', () => {
  const doc = emptyDocument('Placket', 'closing');
  const closure = { ...doc.decisions.closure, by: 'range' as const, count: 9, most: 8 };
  const r = deriveClosure([], { ...doc.decisions, closure });
  expect(!r.ok && r.findings.map((f) => [f.code, f.data])).toEqual([['range-turned', { least: 9, most: 8 }]]);
});

test('bad figures anywhere never break the derivation: refused, or finite', () => {
  const doc = emptyDocument('Placket', 'closing');
  fc.assert(
    fc.property(
      fc.record({
        length: fc.constantFrom(1, 30, 300, 5000),
        count: fc.integer({ min: 1, max: 60 }),
        diameter: fc.constantFrom(3, 15, 100),
        top: fc.constantFrom(0, 20, 5000),
        bottom: fc.constantFrom(0, 80, 4000),
        by: fc.constantFrom('count' as const, 'range' as const, 'gap' as const),
        gap: fc.constantFrom(5, 80, 1000),
        school: fc.constantFrom('equal' as const, 'first' as const, 'groups' as const),
        waist: fc.record({ keepClear: fc.boolean(), at: fc.constantFrom(0, 200), belt: fc.constantFrom(0, 40, 5000) }),
      }),
      (part) => {
        const x = compute({ ...doc, decisions: { ...doc.decisions, closure: { ...doc.decisions.closure, ...part } } });
        if (x.closure?.ok) expect(x.closure.value.buttons.every((b) => Number.isFinite(b.at))).toBe(true);
        else expect(x.findings.length).toBeGreaterThan(0);
      },
    ),
    runs(40),
  );
});
