import { type Computed } from '../compute.ts';
import { type LengthUnit } from '../units.ts';
import { pieceSheet, type Sheet } from './items.ts';
import { closureItems, smallSheet, stripSheet } from './strips.ts';

/** Sheets of the wanted pieces, with what is buttoned marked on them; then the marking strips. */
export function sheetsFor(x: Computed, wanted: string[] | null, strip: boolean, units: LengthUnit = 'mm'): Sheet[] {
  const closure = x.closure?.ok ? x.closure.value : null;
  const sheets = x.pieces
    .filter((p) => !wanted || wanted.includes(p.id))
    .flatMap((p): Sheet[] => {
      const cut = x.cutLines.get(p.id);
      if (!cut) return [];
      const sheet = pieceSheet(p, cut);
      return [closure ? { ...sheet, items: [...sheet.items, ...closureItems(closure, p)] } : sheet];
    });
  if (!strip || !closure) return sheets;
  const small = closure.small.map(smallSheet);
  return [...sheets, stripSheet(closure, 'over', units), stripSheet(closure, 'under', units), ...small];
}
