import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { draftCoat, draftSvg } from '../../demo/index.ts';
import { runs } from '../../test/runs.ts';
import { coatFigures } from '../../test/shells.ts';
import { type ShellPiece } from '../document/project.ts';
import { type Path, pathLength, reversePath, signedArea } from '../geometry/index.ts';
import { pathData } from '../output/index.ts';
import { outlineOf } from '../pattern/index.ts';
import { type Imported, importSvg } from './index.ts';

const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="2000mm" height="2000mm" viewBox="0 0 2000 2000">${body}</svg>`;
function read(body: string): Imported {
  const r = importSvg(svg(body));
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
}
const only = (body: string): ShellPiece => {
  const { pieces } = read(body);
  expect(pieces).toHaveLength(1);
  return pieces[0] as ShellPiece;
};
const area = (p: ShellPiece): number => Math.abs(signedArea(outlineOf(p.ring as never)));
const codes = (body: string): string[] => {
  const r = importSvg(svg(body));
  return (r.ok ? r.value.findings : r.findings).map((f) => f.code);
};
const path = (p: Path, more = ''): string => `<path d="${pathData(p)}" ${more}/>`;
/** A shuffle that is the same each time. */
const mixed = <T>(list: T[], salt: number): T[] =>
  list
    .map((x, i) => ({ x, k: Math.sin(i * 12.9898 + salt * 78.233) }))
    .sort((a, b) => a.k - b.k)
    .map((v) => v.x);

describe('loose lines', () => {
  test('every edge a line of its own, in any order and direction: the same piece, joined', () => {
    fc.assert(
      fc.property(coatFigures, fc.nat(2), fc.nat(1000), (f, i, salt) => {
        const edges = draftCoat(f)[i]?.edges ?? [];
        const lines = mixed(edges.flat(), salt).map((s, k) => path(k % 2 ? [s] : reversePath([s])));
        const whole = edges.flat();
        const p = only(lines.join(''));
        expect(area(p) / Math.abs(signedArea(whole))).toBeCloseTo(1, 6);
        expect(pathLength(outlineOf(p.ring as never))).toBeCloseTo(pathLength(whole), 2);
        expect(p.ring).toHaveLength(edges.length);
      }),
      runs(25),
    );
  });

  test('gaps up to half a millimetre are closed and told; a wider one is refused with its place', () => {
    const sides = (gap: number) =>
      `<path d="M0 0H300"/><path d="M300 ${gap}V500"/><path d="M300 500H0"/><path d="M0 500V0"/>`;
    expect(codes(sides(0.4))).toContain('gap-healed');
    const r = importSvg(svg(sides(3)));
    expect(r.ok).toBe(false);
  });

  test('ticks and lines that end on the outline do not lead off it; two pieces sharing a side keep apart', () => {
    const square = (x: number) =>
      `<path d="M${x} 0H${x + 300}"/><path d="M${x + 300} 0V500"/><path d="M${x + 300} 500H${x}"/><path d="M${x} 500V0"/>`;
    const p = only(`${square(0)}<path d="M300 250h8"/><path d="M0 0L150 250" stroke="red"/>`);
    expect([area(p), p.notches.length, p.lines.length]).toEqual([150000, 1, 1]);
    expect(read(square(0) + square(400)).pieces).toHaveLength(2);
  });
});

describe('cut line and seam line', () => {
  const ring = (d: number) => `M${d} ${d}H${400 - d}V${700 - d}H${d}Z`;
  test('a dashed line inside a full one is the seam line; allowances are read off', () => {
    const p = only(
      `<path d="${ring(0)}"/><path d="${ring(15)}" stroke-dasharray="4 2"/><text x="90" y="90">Front</text>`,
    );
    expect([p.name, p.drawn, area(p)]).toEqual(['Front', 'seam', 370 * 670]);
    expect(p.ring.map((e) => e.allowance)).toEqual([15, 15, 15, 15]);
  });

  test('a deeper hem is read as it is; an uneven allowance is told', () => {
    const hem = only(`<path d="${ring(0)}"/><path d="M15 15H385V660H15Z" stroke-dasharray="4 2"/>`);
    expect(hem.ring.map((e) => e.allowance).sort()).toEqual([15, 15, 15, 40]);
    expect(codes(`<path d="${ring(0)}"/><path d="M15 15H385L370 660H15Z" stroke-dasharray="4 2"/>`)).toContain(
      'allowance-uneven',
    );
  });

  test('a pocket inside is no seam line', () => {
    const p = only(`<path d="${ring(0)}"/><path d="M120 300h150v170h-150z"/>`);
    expect([p.drawn, p.lines.map((l) => l.kind)]).toEqual([undefined, ['placement']]);
  });
});

describe('marks', () => {
  const front = '<path id="Front" d="M0 0H400V700H0Z"/>';
  test('circles, dots and squares are where stitching starts, stops or turns; a triangle on the line is a notch', () => {
    const p = only(
      `${front}<circle cx="60" cy="80" r="4"/><circle cx="90" cy="80" r="1"/><rect x="200" y="200" width="7" height="7"/><path d="M400 300l-6 -4v8z"/>`,
    );
    expect(p.marks?.map((m) => m.kind).sort()).toEqual(['circle', 'dot', 'square']);
    expect(p.marks?.find((m) => m.kind === 'square')?.at).toEqual({ x: 203.5, y: 203.5 });
    expect(p.notches).toHaveLength(1);
  });

  test('a V from the edge is a dart; lines are known by their names and layers', () => {
    const p = only(
      `${front}<path d="M150 0L165 120L180 0"/><g xmlns:inkscape="x" inkscape:groupmode="layer" inkscape:label="Roll line"><path d="M30 30L60 300"/></g>`,
    );
    expect(p.lines.map((l) => l.kind)).toEqual(['dart', 'roll-line']);
  });
});

describe('styles', () => {
  test('rules by element, class and id hide and dash as CSS says: the more special wins, the own style last', () => {
    const css =
      '<style>path{stroke-dasharray:3} .off{display:none} #Front.keep{display:inline} .gone,.x{visibility:hidden}</style>';
    const { pieces } =
      read(`${css}<path id="Front" class="off keep" d="M0 0H400V700H0Z"/><path class="off" d="M500 0H900V700H500Z"/>
      <g class="gone"><path d="M1000 0H1400V700H1000Z"/><path id="Back" style="visibility:visible" d="M1500 0H1900V700H1500Z"/></g>`);
    expect(pieces.map((p) => p.name)).toEqual(['Front', 'Back']);
  });

  test('a drawing that multiplies itself through use is cut short', () => {
    const levels = Array.from(
      { length: 20 },
      (_, i) => `<g id="l${i + 1}"><use href="#l${i}"/><use href="#l${i}"/></g>`,
    ).join('');
    expect(codes(`<defs><g id="l0"><path d="M0 0h1"/></g>${levels}</defs><use href="#l20"/>`)).toContain(
      'too-many-lines',
    );
  });
});

test('slivers that the rounding of figures leaves at the end of an outline are no edges', () => {
  fc.assert(
    fc.property(coatFigures, fc.constantFrom(1, 2, 3, 4), (figures, digits) => {
      // Every figure of the file rounded, and the outline closed by a step of its own of a few thousandths.
      const text = draftSvg(draftCoat(figures), figures.extension)
        .replace(/-?\d+\.\d+/g, (v) => Number(v).toFixed(Math.max(digits, 3)))
        .replace(/(-?[\d.]+) (-?[\d.]+)Z/g, (_, x, y) => `${Number(x) + 0.004} ${Number(y) - 0.002}L${x} ${y}Z`);
      const made = importSvg(text);
      if (!made.ok) throw new Error(JSON.stringify(made.findings));
      expect(made.value.pieces.map((p) => p.ring.length)).toEqual([6, 6, 4]);
      for (const p of made.value.pieces)
        p.ring.forEach((e, i) => {
          const next = p.ring[(i + 1) % p.ring.length];
          expect(e.path.at(-1)?.b).toEqual(next?.path[0]?.a);
        });
    }),
    runs(40),
  );
});
