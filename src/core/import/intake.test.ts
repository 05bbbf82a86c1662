import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { type ShellPiece } from '../document/project.ts';
import { boxOf, pathLength, signedArea } from '../geometry/index.ts';
import { outlineOf } from '../pattern/index.ts';
import { type Imported, importSvg } from './index.ts';

const svg = (body: string, head = 'width="1000mm" height="1000mm" viewBox="0 0 1000 1000"'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${body}</svg>`;

function read(text: string, unit?: string): Imported {
  const r = importSvg(text, unit);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
}
const only = (text: string, unit?: string): ShellPiece => {
  const { pieces } = read(text, unit);
  expect(pieces).toHaveLength(1);
  return pieces[0] as ShellPiece;
};
const outline = (p: ShellPiece) => outlineOf(p.ring as never);
const area = (p: ShellPiece): number => Math.abs(signedArea(outline(p)));
const perimeter = (p: ShellPiece): number => pathLength(outline(p));
const refused = (text: string, unit?: string): string[] => {
  const r = importSvg(text, unit);
  return r.ok ? [] : r.findings.map((f) => f.code);
};

describe('true size', () => {
  // CSS Values and Units 3, section 6.2: 1 in = 25.4 mm = 96 px = 72 pt = 6 pc.
  test.each([
    ['100mm', 100],
    ['10cm', 100],
    ['4in', 101.6],
    ['384px', 101.6],
    ['288pt', 101.6],
    ['24pc', 101.6],
  ])('a drawing %s wide', (width, mm) => {
    const square = svg('<path d="M0 0H50V50H0Z"/>', `width="${width}" height="${width}" viewBox="0 0 50 50"`);
    expect(perimeter(only(square))).toBeCloseTo(4 * mm, 9);
    expect(area(only(square))).toBeCloseTo(mm * mm, 6);
  });

  test('a physical size without a viewBox: one unit is one px of 1/96 inch (SVG 2, section 8.1)', () => {
    const size = 'width="20in" height="20in"';
    expect(perimeter(only(svg('<rect width="96" height="96"/>', size)))).toBeCloseTo(101.6, 9);
    expect(perimeter(only(svg('<rect width="4in" height="10.16cm"/>', size)))).toBeCloseTo(406.4, 9);
  });

  test('no physical size is asked for, with a guess; said, it is used', () => {
    const bare = svg('<path d="M0 0H600V900H0Z"/>', 'viewBox="0 0 600 900"');
    const r = importSvg(bare);
    expect(r.ok ? null : r.findings[0]).toMatchObject({ code: 'no-units', data: { guess: 'mm' } });
    expect(area(only(bare, 'mm'))).toBeCloseTo(540000, 6);
    expect(area(only(bare, 'cm'))).toBeCloseTo(54e6, 3);
    expect(refused(bare, 'ell')).toEqual(['unit-unknown']);
    expect(refused(svg('<path d="M0 0H9V9Z"/>', 'width="9mm" viewBox="0 0 0 9"'))).toEqual(['viewbox-bad']);
  });

  test('a viewBox of another shape keeps proportions (SVG 2, section 8.2) and says so', () => {
    const { pieces, findings } = read(
      svg('<path d="M0 0H300V300H0Z"/>', 'width="600mm" height="400mm" viewBox="0 0 400 400"'),
    );
    expect(area(pieces[0] as ShellPiece)).toBeCloseTo(300 * 300, 6);
    expect(findings.map((f) => f.code)).toContain('svg-stretched');
  });

  test('a piece of 4 cm is told, with the factor that would make a garment of it', () => {
    const small = read(svg('<path d="M0 0H30V40H0Z"/>')).findings.find((f) => f.code === 'size-odd');
    expect(small?.data).toMatchObject({ largest: 40, factor: 10 });
  });

  test('a piece of 150 metres is refused at once, with its name; 30 m may be millimetres taken for inches', () => {
    const long = importSvg(svg('<path id="Front" d="M0 0H300V150000H0Z"/>'));
    expect(long.ok ? [] : long.findings).toMatchObject([
      { code: 'piece-vast', data: { label: 'Front', side: 150_000 } },
    ]);
    expect(importSvg(svg('<path id="Front" d="M0 0H300V30000H0Z"/>')).ok).toBe(true);
  });
});

describe('line work', () => {
  test('arcs: circle, ellipse and rounded rectangle have the area of their formulas', () => {
    const r = 200;
    // A circle of cubics strays by at most 2.8e-4 of its radius: area within 0.06 %.
    const near = (p: ShellPiece, want: number) => expect(Math.abs(area(p) / want - 1)).toBeLessThan(6e-4);
    near(only(svg(`<circle cx="300" cy="300" r="${r}"/>`)), Math.PI * r * r);
    near(only(svg('<ellipse cx="300" cy="300" rx="200" ry="120"/>')), Math.PI * 200 * 120);
    near(only(svg('<rect x="10" y="10" width="300" height="200" rx="40"/>')), 300 * 200 - (4 - Math.PI) * 1600);
    near(
      only(svg('<path d="M100 300a200 120 30 1 0 346.41 0z"/>')),
      area(only(svg('<path d="M100 300a200 120 30 1 0 346.41 0z"/>'))),
    );
  });

  test('quadratics keep their area exactly: a parabola over its chord is two thirds of the box', () => {
    const p = only(svg('<path d="M0 400Q200 0 400 400Z"/>'));
    expect(area(p)).toBeCloseTo((2 / 3) * 400 * 200, 6);
    expect(only(svg('<path d="m0 400q200 -400 400 0z"/>')).ring).toHaveLength(2);
  });

  test('polygon, polyline and path say the same piece; relative, smooth and absolute commands too', () => {
    const shapes = [
      '<polygon points="0,0 300,0 300,200 0,200"/>',
      '<polyline points="0,0 300,0 300,200 0,200 0,0"/>',
      '<path d="M0,0h300v200h-300z"/>',
      '<path d="m0 0 300 0 0 200-300 0z"/>',
    ];
    for (const s of shapes) {
      expect(area(only(svg(s)))).toBeCloseTo(60000, 6);
      expect(only(svg(s)).ring).toHaveLength(4);
    }
    const smooth = only(svg('<path d="M0 200C0 100 100 0 200 0S400 100 400 200Z"/>'));
    const plain = only(svg('<path d="M0 200C0 100 100 0 200 0C300 0 400 100 400 200Z"/>'));
    expect(perimeter(smooth)).toBeCloseTo(perimeter(plain), 9);
  });

  test('nested transforms of every kind multiply as matrices: area by the determinant, over random ones', () => {
    const n = fc.double({ min: -2, max: 2, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(n, n, n, n), fc.double({ min: -180, max: 180, noNaN: true }), ([a, b, c, d], turn) => {
        fc.pre(Math.abs(a * d - b * c) > 0.05);
        const body = `<g transform="matrix(${a} ${b} ${c} ${d} 300 400)"><g transform="rotate(${turn}) translate(5,6) skewX(20)">
          <path transform="scale(1.5 -0.5)" d="M0 0H100V100H0Z"/></g></g>`;
        const want = Math.abs(a * d - b * c) * 1.5 * 0.5 * 100 * 100;
        expect(area(only(svg(body))) / want).toBeCloseTo(1, 9);
      }),
      runs(60),
    );
  });

  test('use and symbol are placed; what is hidden, defined only or a picture is not', () => {
    const body = `<defs><path id="a" d="M0 0H100V100H0Z"/><symbol id="s"><path d="M0 0H200V100H0Z"/></symbol></defs>
      <use href="#a" x="10" y="20"/><use xlink:href="#s" x="300"/><image href="x.png"/>
      <g style="display:none"><path d="M0 0H50V50H0Z"/></g><path visibility="hidden" d="M0 0H60V60H0Z"/>`;
    const { pieces, findings } = read(svg(body));
    expect(pieces.map((p) => Math.round(area(p)))).toEqual([10000, 20000]);
    expect(findings.map((f) => f.code)).toContain('svg-part-ignored');
    expect(read(svg('<use href="#x"/><path d="M0 0H500V500Z"/>')).findings.map((f) => f.code)).toContain(
      'svg-use-ignored',
    );
    expect(refused(svg('<g id="g"><use href="#g"/></g>'))).toEqual(['no-outlines']);
  });

  // SVG 2, sections 5.6, 8.2 and 8.6: a drawing within a drawing has units of its own, fitted and centred.
  test('a nested drawing, or a symbol, is fitted to the size it is given', () => {
    const square = '<path d="M0 0H100V100H0Z"/>';
    const box = (body: string) => {
      const { minX, minY, maxX, maxY } = boxOf(only(svg(body)).ring.flatMap((e) => e.path));
      return [minX, minY, maxX, maxY].map((v) => Math.round(v * 1e6) / 1e6);
    };
    const fits: [string, number[]][] = [
      ['x="10" y="20" width="300" height="300" viewBox="0 0 100 100"', [10, 20, 310, 320]],
      ['width="500" height="300" viewBox="0 0 100 100"', [100, 0, 400, 300]],
      ['width="500" height="300" viewBox="0 0 100 100" preserveAspectRatio="xMaxYMin"', [200, 0, 500, 300]],
      ['width="500" height="300" viewBox="0 0 100 100" preserveAspectRatio="none"', [0, 0, 500, 300]],
      ['width="400" height="300" viewBox="0 0 100 100" preserveAspectRatio="xMinYMin slice"', [0, 0, 400, 400]],
      ['width="50%" height="50%" viewBox="-100 -100 200 200"', [250, 250, 500, 500]],
      ['x="5" y="6"', [5, 6, 105, 106]],
    ];
    for (const [attrs, want] of fits) expect(box(`<svg ${attrs}>${square}</svg>`)).toEqual(want);
    const symbol = `<symbol id="s" viewBox="0 0 100 100">${square}</symbol>`;
    expect(box(`${symbol}<use href="#s" x="7" width="400" height="400"/>`)).toEqual([7, 0, 407, 400]);
  });
});

describe('marks and names', () => {
  const body = `<g id="Back">
      <path d="M0 0H300V800H0Z"/>
      <path id="Grainline" d="M150 200V600"/>
      <path class="notch" d="M300 400h6"/><path d="M300 300h6"/><path d="M300 305h6"/>
      <path id="waist line" d="M0 410H300"/>
      <text x="60" y="100">place on <tspan>fold</tspan>, cut 1</text>
    </g><text x="900" y="900">stray</text>`;
  test('a group with one outline names it; grainline, notches, lines and the fold are read', () => {
    const p = only(svg(body));
    expect(p.name).toBe('Back');
    expect(p.grain).toEqual({ a: { x: 150, y: 600 }, b: { x: 150, y: 200 } });
    expect(p.lines.map((l) => l.kind)).toEqual(['waist']);
    const side = p.ring.find((e) => e.path[0]?.a.x === 300 && e.path[0]?.b.x === 300);
    expect(p.notches).toEqual([
      { edge: side?.id, at: 302.5, kind: 'double' },
      { edge: side?.id, at: 400, kind: 'single' },
    ]);
    expect(p.count).toBe(1);
    expect(p.ring.filter((e) => e.onFold).map((e) => e.role)).toEqual(['centre-back']);
  });

  test('ids of programs are no names; text inside is; two of one name are told apart; a frame is no piece', () => {
    const square = (id: string, x: number, text: string) =>
      `<path id="${id}" d="M${x} 100h200v200h-200z"/><text x="${x + 20}" y="150">${text}</text>`;
    const frame = '<rect width="1000" height="1000"/>';
    const { pieces, findings } = read(
      svg(
        frame +
          square('path123', 50, 'Pocket') +
          square('rect_4', 300, 'Pocket') +
          square('belt-loop_outline', 600, 'x'),
      ),
    );
    expect(pieces.map((p) => p.name)).toEqual(['Pocket', 'Pocket 2', 'Belt loop']);
    expect(findings.map((f) => f.code)).toContain('frame-dropped');
  });
});

describe('what cannot be used is refused, with piece and place', () => {
  const good = '<path id="Front" d="M0 0H300V600H0Z"/>';
  test.each<[string, string, string[]]>([
    ['nothing', '', ['file-empty']],
    ['spaces', '  \n ', ['file-empty']],
    ['a picture', '\u0089PNG\r\n', ['not-svg']],
    ['a PDF', '%PDF-1.7', ['not-svg']],
    ['another page', '<html><body/></html>', ['not-svg']],
    ['a file cut off', svg(good).slice(0, -20), ['xml-broken']],
    ['tags crossed', svg('<g><path d="M0 0H9V9Z"></g></path>'), ['xml-broken']],
    ['an entity', `<!DOCTYPE svg [<!ENTITY a "b">]>${svg(good)}`, ['svg-entities']],
    ['a script', svg(`${good}<script>1</script>`), ['svg-script']],
    ['NaN', svg('<path id="Front" d="M0 0L NaN 5L9 9Z"/>'), ['path-unreadable']],
    ['an overflow', svg('<path id="Front" d="M0 0L1e999 5L9 9Z"/>'), ['not-finite']],
    ['NaN in a polygon', svg('<polygon id="Front" points="0,0 NaN,3 4,4"/>'), ['not-finite']],
    ['an overflow by transform', svg('<path transform="scale(1e300)" d="M0 0L1e9 5L9 9Z"/>'), ['not-finite']],
    ['no outline', svg('<text>Front</text>'), ['no-outlines']],
    ['no area', svg('<path d="M0 0L100 100L0 0Z"/>'), ['zero-area']],
    ['a bow tie', svg('<path id="Front" d="M0 0L200 200L200 0L0 200Z"/>'), ['crosses-itself']],
    ['an open outline', svg('<path id="Front" d="M0 0H300V600H0V3"/>'), ['outline-open']],
    ['groups without end', svg('<g>'.repeat(80) + good + '</g>'.repeat(80)), ['svg-too-deep']],
  ])('%s', (_, text, codes) => {
    expect(refused(text)).toEqual(codes);
  });

  test('the finding says where', () => {
    const bow = importSvg(svg('<path id="Front" d="M0 0L200 200L200 0L0 200Z"/>'));
    expect(bow.ok ? null : bow.findings[0]?.where).toEqual({ piece: 'Front', x: 100, y: 100 });
    const open = importSvg(svg('<path id="Front" d="M0 0H300V600H0V3"/>'));
    expect(open.ok ? null : open.findings[0]?.data?.gap).toBeCloseTo(3, 9);
  });

  test('one bad outline refuses all; every fault is named at once', () => {
    const r = refused(
      svg(`${good}<path id="A" d="M0 0L200 200L200 0L0 200Z"/><path id="B" d="M0 0L90 90L90 0L0 90Z"/>`),
    );
    expect(r.sort()).toEqual(['crosses-itself', 'crosses-itself']);
  });

  test('gaps up to half a millimetre are healed and told, larger ones are not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.051, max: 2, noNaN: true }), (gap) => {
        const r = importSvg(svg(`<path id="Front" d="M0 0H300V600H0V${gap}"/>`));
        if (gap > 0.5) return expect(r.ok ? [] : r.findings.map((f) => f.code)).toEqual(['outline-open']);
        if (!r.ok) throw new Error('refused');
        expect(r.value.findings.find((f) => f.code === 'gap-healed')?.data?.gap).toBeCloseTo(gap, 9);
        return expect(area(r.value.pieces[0] as ShellPiece)).toBeCloseTo(180000, -2);
      }),
      runs(40),
    );
  });

  test('doubled points are dropped and told', () => {
    const { pieces, findings } = read(svg('<path id="Front" d="M0 0H300L300 0V600H0Z"/>'));
    expect(pieces[0]?.ring).toHaveLength(4);
    expect(findings.find((f) => f.code === 'points-doubled')?.data).toMatchObject({ label: 'Front', count: 1 });
  });

  test('any text at all is answered, never thrown at', () => {
    const bits = fc.constantFrom(
      '<svg ',
      'viewBox="0 0 9 9" ',
      'width="9mm">',
      '<path d="',
      'M0 0',
      'L9 9',
      'A1 1 0 0 1 5 5',
      '"/>',
      '</svg>',
      '&amp;',
      '<g transform="',
      'rotate(',
      ')',
      '<use href="#a"',
      '\u0000',
      'é',
      ']]>',
    );
    fc.assert(
      fc.property(fc.array(bits, { maxLength: 24 }), (parts) => {
        const r = importSvg(parts.join(''));
        expect(r.ok ? r.value.pieces.length > 0 : r.findings.length > 0).toBe(true);
      }),
      runs(400),
    );
  });
});
