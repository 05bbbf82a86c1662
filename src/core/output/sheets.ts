import { type Closure } from '../closure/index.ts';
import { type Computed } from '../document/compute.ts';
import { type Piece } from '../pattern/index.ts';
import { type LengthUnit } from '../units.ts';
import { pieceSheet, type Sheet } from './items.ts';
import { closureItems, holesOn, smallSheet, stripSheet } from './strips.ts';

/** What else each piece says: the project and its date, which of the pieces it is, and on which front its holes are cut. */
function aboutPiece(x: Computed, p: Piece, closure: Closure | null, about: string): string[] {
  const number = `piece ${x.pieces.indexOf(p) + 1} of ${x.pieces.length}`;
  const holes = closure && holesOn(closure, p) ? [`Buttonholes on the wearer’s ${closure.choice.side} front only`] : [];
  return [[about, number].filter(Boolean).join(' · '), ...holes];
}

/**
 * Sheets of the wanted pieces, with what is buttoned marked on them; then the marking strips. `about`: the project and the
 * date, printed on every piece.
 */
export function sheetsFor(
  x: Computed,
  wanted: string[] | null,
  strip: boolean,
  units: LengthUnit = 'mm',
  about = '',
): Sheet[] {
  const closure = x.closure?.ok ? x.closure.value : null;
  const sheets = x.pieces
    .filter((p) => !wanted || wanted.includes(p.id))
    .flatMap((p): Sheet[] => {
      const cut = x.cutLines.get(p.id);
      if (!cut) return [];
      const sheet = pieceSheet(p, cut, aboutPiece(x, p, closure, about), units);
      return [closure ? { ...sheet, items: [...sheet.items, ...closureItems(closure, p)] } : sheet];
    });
  if (!strip || !closure) return sheets;
  const small = closure.small.map(smallSheet);
  return [...sheets, stripSheet(closure, 'over', units), stripSheet(closure, 'under', units), ...small];
}
