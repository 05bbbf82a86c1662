import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { among, runs } from '../../test/runs.ts';
import {
  BUTTON_SHAPES,
  buttonhole,
  FASTENERS,
  LAYOUTS,
  lignes,
  nearestSize,
  SIZES,
  SMALL_KINDS,
  sewingOrder,
  smallOf,
  usualClosure,
  usualSmall,
} from './index.ts';

const mm = (min: number, max: number) => fc.integer({ min, max });
const shapes = fc.record({
  diameter: mm(6, 40),
  thickness: mm(1, 12),
  shape: fc.constantFrom(...BUTTON_SHAPES),
  direction: fc.constantFrom('horizontal' as const, 'vertical' as const),
  snug: fc.boolean(),
  start: fc.constantFrom('past' as const, 'centred' as const),
  keyhole: fc.boolean(),
});

test('a hole of any button: both ends about the centre, bars beyond them, never shorter than the button is wide', () => {
  fc.assert(
    fc.property(shapes, (s) => {
      const strip = 2 * (s.diameter + s.thickness);
      const h = buttonhole({ ...usualClosure(), ...s, strip });
      expect(h.outer + h.inner).toBeCloseTo(h.opening, 9);
      expect(h.opening).toBeGreaterThanOrEqual(s.diameter - 1e-9);
      expect(h.overall - h.opening).toBeCloseTo(s.keyhole ? 6 : 3, 9);
      expect(h.outer).toBeLessThanOrEqual(h.inner + 1e-9);
      if (s.start === 'centred') expect(h.outer).toBeCloseTo(h.inner, 9);
      // The wrapped strip serves every shape; measured on a flat button it says what diameter and thickness say.
      const flat = buttonhole({ ...usualClosure(), ...s, strip, snug: false, shape: 'flat' });
      const wrapped = buttonhole({ ...usualClosure(), ...s, strip, snug: false, shape: 'strip' });
      expect(wrapped.opening).toBeCloseTo(flat.opening, 9);
      const order = ['flat', 'domed', 'ball'] as const;
      const longer = order.map(
        (shape) =>
          buttonhole({ ...usualClosure(), ...s, snug: false, shape, thickness: Math.min(s.thickness, s.diameter / 2) })
            .opening,
      );
      expect([...longer].sort((a, b) => a - b)).toEqual(longer);
    }),
    runs(200),
  );
});

test('every small closing of every layout lies within its strip, holes and all, or says what is too narrow', () => {
  const some = fc.record({
    kind: fc.constantFrom(...SMALL_KINDS),
    layout: fc.constantFrom(...LAYOUTS),
    fastener: fc.constantFrom(...FASTENERS),
    length: mm(90, 800),
    width: mm(18, 90),
    lap: mm(20, 60),
    count: mm(1, 3),
    diameter: mm(7, 24),
  });
  let quiet = 0;
  fc.assert(
    fc.property(some, (part) => {
      const choice = { ...usualSmall(part.kind, 'c'), ...part, shoulder: part.length * 0.4 };
      const s = smallOf(choice, usualClosure());
      expect(s.spots.some((p) => p.over)).toBe(true);
      expect(s.hole !== null).toBe(part.fastener === 'button');
      expect(s.loop !== null).toBe(part.fastener === 'loop');
      for (const f of s.findings) for (const v of Object.values(f.data ?? {})) expect(v).not.toBeNaN();
      if (s.findings.length) return;
      quiet += 1;
      for (const p of s.spots) {
        expect(p.x).toBeGreaterThanOrEqual(0);
        expect(p.x).toBeLessThanOrEqual(choice.length);
        expect(p.y - choice.diameter / 2).toBeGreaterThanOrEqual(0);
        expect(p.y + choice.diameter / 2).toBeLessThanOrEqual(choice.width);
      }
      // Lapped, hole and button lie on each other: the end with the hole begins the lap short of the other's end.
      const lapped = part.kind === 'waistband' || (part.kind === 'cuff' && part.layout !== 'link');
      const [over, under] = [s.spots.find((p) => p.over), s.spots.find((p) => p.under && !p.over)];
      if (lapped) expect((over?.x ?? 0) + choice.length - choice.lap).toBeCloseTo(under?.x ?? 0, 9);
    }),
    runs(400),
  );
  expect(quiet).toBeGreaterThan(among(270));
});

test('sizes as they are sold: 18 L near 11.5, 24 L near 15, 36 L near 23, 44 L near 28 mm (size charts, from memory)', () => {
  for (const [l, size] of [
    [18, 11.5],
    [24, 15],
    [36, 23],
    [44, 28],
  ] as const) {
    expect(nearestSize('button', (l * 25.4) / 40)).toBe(size);
    expect(Math.round(lignes(size))).toBeGreaterThanOrEqual(l - 1);
    expect(Math.round(lignes(size))).toBeLessThanOrEqual(l + 1);
  }
  for (const f of FASTENERS) expect([...SIZES[f]].sort((a, b) => a - b)).toEqual(SIZES[f]);
});

test('holes from the middle outward: each once, and never nearer the middle than the one before', () => {
  for (let n = 1; n <= 20; n++) {
    const order = sewingOrder(n);
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i));
    const away = order.map((i) => Math.abs(i - (n - 1) / 2));
    expect([...away].sort((a, b) => a - b)).toEqual(away);
  }
});
