import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sentenceOf } from '../../contract/findings.ts';
import {
  BUTTON_SHAPES,
  CLOSING_KINDS,
  deriveClosure,
  FASTENERS,
  type Keep,
  LAYOUTS,
  PARTS,
  SCHOOLS,
  SMALL_KINDS,
  shoppingList,
  usualSmall,
} from '../../core/closure/index.ts';
import { CLOSING_ONLY } from '../../core/document/project.ts';
import { emptyDocument } from '../../core/document/usual.ts';
import { MM_PER_INCH, otherUnits } from '../../core/units.ts';
import { among, runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../test/shells.ts';
import {
  answerWhy,
  buyWords,
  CLOSING_WORDS,
  cureOf,
  FASTENER_WORDS,
  gapsWords,
  halvesWords,
  LAYOUT_WORDS,
  partFact,
  placeOf,
  reasonWords,
  SMALL_WORDS,
} from './index.ts';

const BROKEN = /undefined|NaN|\d mm\b|[{}]|Something is wrong/;

test('whatever is chosen: answers, reasons, findings and the list to buy are said in words, in inches without a millimetre', () => {
  const choices = fc.record({
    kind: fc.constantFrom(...CLOSING_KINDS),
    fastener: fc.constantFrom(...FASTENERS),
    shape: fc.constantFrom(...BUTTON_SHAPES),
    school: fc.constantFrom(...SCHOOLS),
    by: fc.constantFrom('count' as const, 'range' as const, 'gap' as const),
    count: fc.integer({ min: 1, max: 9 }),
    most: fc.integer({ min: 1, max: 9 }),
    diameter: fc.integer({ min: 8, max: 40 }),
    band: fc.constantFrom(0, 25),
    show: fc.boolean(),
    snug: fc.boolean(),
    keyhole: fc.boolean(),
    start: fc.constantFrom('past' as const, 'centred' as const),
    direction: fc.constantFrom('horizontal' as const, 'vertical' as const),
    stand: fc.record({ hole: fc.boolean(), height: fc.constant(32) }),
    bust: fc.record({
      want: fc.constantFrom('no' as const, 'near' as const, 'on' as const),
      own: fc.boolean(),
      at: fc.constant(200),
      body: fc.constantFrom(0, 1000),
      garment: fc.constantFrom(0, 1040),
    }),
    waist: fc.record({ keepClear: fc.boolean(), at: fc.constant(400), belt: fc.constantFrom(20, 60) }),
    keep: fc.boolean().map((pocket): Keep[] => (pocket ? [{ code: 'pocket', at: 520, width: 5 }] : [])),
    others: fc
      .array(fc.tuple(fc.constantFrom(...SMALL_KINDS), fc.constantFrom(...FASTENERS), fc.constantFrom(...LAYOUTS)), {
        maxLength: 3,
      })
      .map((list) =>
        list.map(([kind, fastener, layout], i) => ({ ...usualSmall(kind, `c${i}`), fastener, layout, diameter: 14 })),
      ),
  });
  let placed = 0;
  fc.assert(
    fc.property(coatFigures, choices, (figures, c) => {
      const doc = coatDocument(figures);
      const d = { ...doc.decisions, closure: { ...doc.decisions.closure, ...c } };
      const r = deriveClosure(piecesOf(doc), d, 'in');
      const said = [CLOSING_WORDS[c.kind], ...FASTENER_WORDS[c.fastener], ...halvesWords(c.fastener)];
      for (const f of r.ok ? r.value.findings : r.findings) said.push(sentenceOf(f, 'in'));
      if (r.ok) {
        placed += 1;
        for (const a of r.value.answers)
          said.push(answerWhy(a), gapsWords(a.gaps, 'in'), ...PARTS.map((k) => partFact(k, a, r.value, 'in')));
        said.push(
          ...r.value.reasons.map((x) => reasonWords(x, 'in')),
          ...r.value.buttons.map((b) => placeOf(b.at, 'in')),
        );
        for (const b of shoppingList(r.value)) {
          expect(b.count).toBeGreaterThan(0);
          said.push(...Object.values(buyWords(b, 'in')));
        }
        for (const s of r.value.small) said.push(SMALL_WORDS[s.choice.kind], LAYOUT_WORDS[s.choice.layout]);
        for (const x of r.value.reasons) expect(reasonWords(x, 'mm').startsWith(`${x.rule}:`)).toBe(false);
      }
      expect(said.filter((s) => BROKEN.test(s))).toEqual([]);
    }),
    runs(40),
  );
  expect(placed).toBeGreaterThan(among(20));
});

test('where nothing fits, each constraint offered to be let go makes room, and that is what its button does', () => {
  const doc = emptyDocument('Placket', CLOSING_ONLY);
  const seen = new Set<string>();
  const tight = fc.record({
    length: fc.constantFrom(200, 320, 500),
    count: fc.integer({ min: 2, max: 9 }),
    bottomGive: fc.constantFrom(0, 5),
    school: fc.constantFrom(...SCHOOLS),
    waist: fc.record({
      keepClear: fc.boolean(),
      at: fc.integer({ min: 20, max: 300 }),
      belt: fc.constantFrom(40, 120),
    }),
    bust: fc.record({
      want: fc.constantFrom('no' as const, 'on' as const),
      own: fc.constant(false),
      at: fc.constantFrom(101, 150),
      body: fc.constant(0),
      garment: fc.constant(0),
    }),
    pins: fc.constantFrom([], [{ index: 1, at: 77 }]).map((p) => [...p]),
  });
  fc.assert(
    fc.property(tight, (part) => {
      const closure = { ...doc.decisions.closure, diameter: 15, bottom: 20, ...part };
      const now = { ...doc, decisions: { ...doc.decisions, closure } };
      const r = deriveClosure([], now.decisions);
      if (r.ok) return;
      for (const f of r.findings) {
        const cure = f.code.startsWith('loosen') ? cureOf(f, now) : null;
        if (!cure) continue;
        seen.add(f.code);
        const after = deriveClosure([], cure.next.decisions);
        expect([f.code, part, after.ok]).toEqual([f.code, part, true]);
      }
    }),
    runs(65, true),
  );
  const all = 'count first group head last level pin zone'.split(' ').map((k) => `loosen-${k}`);
  expect([...seen].sort()).toEqual(all);
});

test('buttons are said in millimetres and lignes: 40 L are an inch (from memory of the button trade)', () => {
  const one = {
    what: 'button' as const,
    size: MM_PER_INCH,
    lignes: 40,
    count: 9,
    spare: 1,
    places: [{ place: 'front', count: 8 }],
  };
  expect(buyWords(one, 'mm')).toEqual({ what: '9 buttons, 25.4 mm (40 L)', where: '8 front + 1 spare' });
  expect(buyWords(one, 'in').what).toBe('9 buttons, 1" (40 L)');
});

test('inches typed where millimetres are asked, or centimetres, are recognised', () => {
  expect(otherUnits('24', 'mm', 100, 3000).map((o) => o.mm)).toEqual([24 * MM_PER_INCH, 240]);
  expect(otherUnits('61,2', 'mm', 100, 3000).map((o) => o.words)).toEqual(['61,2 in', '61,2 cm']);
  expect(otherUnits('612', 'in', 100, 3000).map((o) => o.mm)).toEqual([612]);
  expect(otherUnits('24 in', 'mm', 100, 3000)).toEqual([]);
});
