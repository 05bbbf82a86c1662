import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { emptyDocument } from '../document/usual.ts';
import { gape, lackOf } from './gaping.ts';
import { type ClosureChoice, deriveClosure, shoppingList, usualSmall } from './index.ts';

const alone = (part: Partial<ClosureChoice>) => {
  const { decisions } = emptyDocument('Placket', 'closing');
  const r = deriveClosure([], { ...decisions, closure: { ...decisions.closure, ...part } });
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};

describe('gaping', () => {
  test('a short gap at bust level bows like a string under an even pull, q·g²/8 (textbook), measured by 80 mm', () => {
    const g = gape([200, 210], 205, 900, 900);
    expect(g?.worst).toBeCloseTo((10 / 80) ** 2, 3);
    const two = gape([195, 215], 205, 900, 900);
    expect((two?.worst ?? 0) / (g?.worst ?? 1)).toBeCloseTo(4, 1);
  });
  test('enough ease and nothing pulls; none and it pulls in full; far from the bust nothing', () => {
    expect(lackOf(900, 980)).toBe(0);
    expect(lackOf(900, 900)).toBe(1);
    expect(gape([0, 90], 205, 900, 1000)?.worst).toBe(0);
    expect(gape([500, 590], 205, 900, 900)?.worst).toBe(0);
    expect(gape([0, 90], 205, 0, 900)).toBeNull();
  });
  test('a button on the bust halves the pull at least, against one gap across it', () => {
    const off = gape([20, 110, 200, 290, 380], 245, 940, 950)?.worst ?? 0;
    const on = gape([65, 155, 245, 335, 425], 245, 940, 950)?.worst ?? 0;
    expect(on).toBeLessThan(off);
    expect(off).toBeGreaterThan(0.9);
  });
});

describe('gaping and the list to buy, against sums of their own', () => {
  test('the bow between two buttons is the slack string’s: w″ = −(1 + cos(πx/R))/2, solved by hand', () => {
    const R = 150;
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 180 }), fc.integer({ min: 15, max: 110 }), (a, g) => {
        const bust = 150;
        const b = a + g;
        // Twice integrated: −x²/4 + (R²/2π²)(cos(πx/R)), and a straight line that makes both ends nothing.
        const w = (y: number) =>
          -((y - bust) ** 2) / 4 + (R ** 2 / (2 * Math.PI ** 2)) * Math.cos((Math.PI * (y - bust)) / R);
        const chord = (y: number) => w(a) + ((w(b) - w(a)) * (y - a)) / g;
        let most = 0;
        for (let i = 0; i <= 400; i++) most = Math.max(most, w(a + (g * i) / 400) - chord(a + (g * i) / 400));
        const found = gape([a, b], bust, 1000, 1000)?.worst ?? 0;
        expect(found).toBeCloseTo(most / (80 ** 2 / 8), 2);
      }),
      runs(60),
    );
  });

  test('half the ease that is lacking pulls half as much, wherever the buttons are', () => {
    const places = fc.array(fc.integer({ min: 30, max: 130 }), { minLength: 2, maxLength: 7 });
    fc.assert(
      fc.property(places, (gaps) => {
        const at = [0];
        for (const g of gaps) at.push((at[at.length - 1] as number) + g);
        const [full, half] = [gape(at, 200, 1000, 1000), gape(at, 200, 1000, 1040)];
        full?.gaps.forEach((v, i) => {
          expect(half?.gaps[i]).toBeCloseTo(v / 2, 9);
        });
        expect(full?.gaps).toHaveLength(gaps.length);
      }),
      runs(30),
    );
  });

  test('every button, half and hole of any garment is bought once, with one spare of each size of button', () => {
    const kinds = fc.constantFrom('cuff', 'tab', 'epaulette', 'back-neck', 'shoulder', 'waistband', 'collar', 'hood');
    const one = fc.record({
      kind: kinds,
      fastener: fc.constantFrom('button', 'snap', 'hook', 'loop'),
      layout: fc.constantFrom('one', 'side', 'line', 'link'),
      times: fc.integer({ min: 1, max: 4 }),
      diameter: fc.constantFrom(9, 11),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 4 }), fc.boolean(), (list, stand) => {
        const others = list.map(
          (x, i) => ({ ...usualSmall(x.kind as 'cuff', `c${i}`), ...x }) as ReturnType<typeof usualSmall>,
        );
        const c = alone({
          by: 'count',
          count: 6,
          diameter: 11,
          thickness: 2.5,
          others,
          stand: { hole: stand, height: 30 },
        });
        const want = { button: 6, snap: 0, hook: 0 };
        for (const o of others) {
          const mirrored = o.kind === 'collar' || o.kind === 'hood';
          const rows = o.kind === 'cuff' && o.layout === 'line' ? 2 : 1;
          const over = mirrored
            ? 5
            : o.kind === 'cuff'
              ? o.layout === 'link'
                ? 2
                : rows
              : o.kind === 'shoulder'
                ? o.count
                : 1;
          const links = o.kind === 'cuff' && o.layout === 'link';
          const under = links ? 0 : o.kind === 'cuff' && o.layout === 'side' ? 2 : over;
          if (o.fastener === 'button' || o.fastener === 'loop') want.button += under * o.times;
          else want[o.fastener as 'snap'] += over * o.times;
        }
        const list_ = shoppingList(c);
        const bought = (what: string) =>
          list_.filter((b) => b.what === what).reduce((n, b) => n + b.count - b.spare, 0);
        expect([bought('button'), bought('snap'), bought('hook')]).toEqual([want.button, want.snap, want.hook]);
        for (const b of list_.filter((x) => x.what === 'button')) {
          expect(b.spare).toBe(1);
          expect(b.places.reduce((n, p) => n + p.count, 0)).toBe(b.count - 1);
        }
        expect(new Set(list_.map((b) => `${b.what} ${b.size}`)).size).toBe(list_.length);
      }),
      runs(80),
    );
  });
});
