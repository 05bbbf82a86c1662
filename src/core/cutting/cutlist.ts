import { signedArea } from '../geometry/index.ts';
import { type CutLine, cutRings, type Piece } from '../pattern/index.ts';
import { plainName } from '../text.ts';
import { type LengthUnit, MM_PER_INCH } from '../units.ts';

export interface CutListRow {
  name: string;
  material: Piece['material'];
  count: number;
  how: 'pair' | 'fold' | 'single' | 'face down';
  /**
   * Area of cloth one piece takes, by its cut line, mm²; a piece on the fold counts both halves. Null where there is no
   * cut line.
   */
  areaMm2: number | null;
}

const ORDER: Piece['material'][] = ['shell', 'facing', 'lining', 'interfacing'];

/** Pieces and their cut lines by id. */
export interface Cuttable {
  pieces: readonly Piece[];
  cutLines: ReadonlyMap<string, CutLine>;
}

/** Area of cloth one of a piece takes, mm²; of one on the fold both halves; null where it has no cut line. */
export function areaOf(p: Piece, { cutLines }: Pick<Cuttable, 'cutLines'>): number | null {
  const cut = cutLines.get(p.id);
  return cut ? Math.abs(signedArea(cutRings(cut).flat())) * (p.cut.onFold ? 2 : 1) : null;
}

/** An area in the sewist's unit, with its name: whole cm², or square inches. */
export const formatArea = (mm2: number, units: LengthUnit): string =>
  units === 'mm' ? `${(mm2 / 100).toFixed(0)} cm²` : `${(mm2 / MM_PER_INCH ** 2).toFixed(0)} sq in`;

/** What to cut and how often, by material. */
export function cutList(c: Cuttable): CutListRow[] {
  return [...c.pieces]
    .sort((a, b) => ORDER.indexOf(a.material) - ORDER.indexOf(b.material))
    .map((p) => ({
      name: p.name,
      material: p.material,
      count: p.cut.count,
      how: p.cut.onFold ? 'fold' : p.cut.pair ? 'pair' : p.cut.turned ? 'face down' : 'single',
      areaMm2: areaOf(p, c),
    }));
}

/** Signs a spreadsheet takes for the beginning of a formula, full-width ones too, and after spaces. */
const FORMULA = /^\s*[=+\-@\uff1d\uff0b\uff0d\uff20]/;

/** A CSV field (RFC 4180) on one line; what a spreadsheet would take for a formula is held back with an apostrophe. */
function field(words: string): string {
  const v = plainName(words, words.length);
  return `"${(FORMULA.test(v) ? `'${v}` : v).replace(/"/g, '""')}"`;
}

/** The cut list as CSV (RFC 4180, CRLF), areas in the sewist's unit. */
export function cutListCsv(c: Cuttable, units: LengthUnit): string {
  const [unit, factor] = units === 'mm' ? ['cm2', 100] : ['sq in', MM_PER_INCH ** 2];
  const area = (mm2: number | null): string => (mm2 === null ? '' : (mm2 / Number(factor)).toFixed(1));
  const rows = cutList(c).map((r) => [r.name, r.material, String(r.count), r.how, area(r.areaMm2)]);
  const head = ['Piece', 'Material', 'Cut', 'How', `Area of one, ${unit}`];
  return `${[head, ...rows].map((r) => r.map(field).join(',')).join('\r\n')}\r\n`;
}
