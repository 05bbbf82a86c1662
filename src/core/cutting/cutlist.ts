import { type Piece, ringAreaOf } from '../pattern/index.ts';

export interface CutListRow {
  name: string;
  material: Piece['material'];
  count: number;
  how: 'pair' | 'fold' | 'single' | 'face down';
  /** Area on the seam line of one piece, mm²; a piece on the fold counts both halves. */
  areaMm2: number;
}

const ORDER: Piece['material'][] = ['shell', 'facing', 'lining', 'interfacing'];

/** What to cut and how often, by material. */
export function cutList(pieces: Piece[]): CutListRow[] {
  return [...pieces]
    .sort((a, b) => ORDER.indexOf(a.material) - ORDER.indexOf(b.material))
    .map((p) => ({
      name: p.name,
      material: p.material,
      count: p.cut.count,
      how: p.cut.onFold ? 'fold' : p.cut.pair ? 'pair' : p.cut.turned ? 'face down' : 'single',
      areaMm2: ringAreaOf(p.ring) * (p.cut.onFold ? 2 : 1),
    }));
}

/** A CSV field (RFC 4180); a leading sign that a spreadsheet would take for a formula is held back with an apostrophe. */
const field = (v: string): string => `"${(/^[=+\-@\t\r]/.test(v) ? `'${v}` : v).replace(/"/g, '""')}"`;

/** The cut list as CSV (RFC 4180, CRLF). */
export function cutListCsv(pieces: Piece[]): string {
  const rows = cutList(pieces).map((r) => [r.name, r.material, String(r.count), r.how, (r.areaMm2 / 100).toFixed(1)]);
  const head = ['Piece', 'Material', 'Cut', 'How', 'Area cm2'];
  return `${[head, ...rows].map((r) => r.map(field).join(',')).join('\r\n')}\r\n`;
}
