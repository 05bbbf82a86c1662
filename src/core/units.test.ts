import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../test/runs.ts';
import { asShown, formatLength, type LengthUnit, MM_PER_UNIT, parseLength } from './units.ts';

const mm = (text: string, unit: LengthUnit = 'mm'): number => {
  const read = parseLength(text, unit);
  if (!read.ok) throw new Error(`refused ${text}`);
  return read.value;
};

describe('lengths as people type them', () => {
  test.each<[string, number]>([
    ['5/8"', 15.875],
    ['1 1/2 in', 38.1],
    ['15 mm', 15],
    ['1.5cm', 15],
    ['1,5 cm', 15],
    ['2.5 m', 2500],
    // One yard is 0.9144 m exactly (international yard and pound agreement, 1959).
    ['1 1/8 yd', 1028.7],
    ['15', 15],
    ['3/8"', 9.525],
    ['2 1/2″', 63.5],
    ['½ in', 12.7],
    ['1½"', 38.1],
    ['.5 in', 12.7],
    ['-10 mm', -10],
    [' 40MM ', 40],
  ])('%s is %d mm', (text, want) => expect(mm(text)).toBeCloseTo(want, 9));

  test('a bare number is in the unit shown', () => {
    expect(mm('1', 'in')).toBeCloseTo(25.4, 9);
    expect(mm('5/8', 'in')).toBeCloseTo(15.875, 9);
    expect(mm('20 mm', 'in')).toBe(20);
    // Common practice: buttons by the ligne, 40 to the inch.
    expect(mm('24L', 'mm')).toBeCloseTo(15.24, 9);
  });

  test.each(['', 'abc', '1/0', '5 ells', '1//2', '1 2 3', 'NaN', 'Infinity', '1e400', '--3'])(
    '%p is refused',
    (text) => {
      expect(parseLength(text, 'mm').ok).toBe(false);
    },
  );

  test('what is written is read again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1600 }), (sixteenths) => {
        const length = (sixteenths / 16) * 25.4;
        expect(mm(formatLength(length, 'in'), 'in')).toBeCloseTo(length, 9);
      }),
      runs(200),
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 50000 }), (tenths) => {
        expect(mm(formatLength(tenths / 10, 'mm'))).toBeCloseTo(tenths / 10, 9);
      }),
      runs(200),
    );
  });

  test('inches are rounded to 1/16 and reduced', () => {
    // A difference is that of the figures that stand beside it: 11 13/16 less 11 7/16.
    expect(formatLength(asShown(300.9, 'in') - asShown(291.4, 'in'), 'in')).toBe('3/8"');
    expect(formatLength(15.875, 'in')).toBe('5/8"');
    expect(formatLength(15, 'in')).toBe('9/16"');
    expect(formatLength(38.1, 'in')).toBe('1 1/2"');
    expect(formatLength(25.4, 'in')).toBe('1"');
    expect(formatLength(0, 'in')).toBe('0"');
    expect(formatLength(-12.7, 'in')).toBe('−1/2"');
    expect(formatLength(-0.04, 'mm')).toBe('0 mm');
  });

  test('drawing units are those of CSS (Values and Units, section 6.2)', () => {
    expect(MM_PER_UNIT.px).toBeCloseTo(25.4 / 96, 12);
    expect(MM_PER_UNIT.pt).toBeCloseTo(25.4 / 72, 12);
    expect(MM_PER_UNIT.pc).toBeCloseTo(25.4 / 6, 12);
    expect(MM_PER_UNIT.q).toBe(0.25);
  });

  test('5/8 inch is not 15 mm: over two sides of four seams it is 7 mm of girth', () => {
    expect(Math.round((mm('5/8"') - 15) * 2 * 4)).toBe(7);
  });
});
