import { type Computed } from '../compute.ts';
import { closureItems, pieceSheet, type Sheet, stripSheet } from './items.ts';

/** Sheets of the wanted pieces; the front carries the buttonholes. */
export function sheetsFor(x: Computed, wanted: string[] | null, strip: boolean): Sheet[] {
  const closure = x.closure?.ok ? x.closure.value : null;
  const sheets = x.pieces
    .filter((p) => !wanted || wanted.includes(p.id))
    .flatMap((p): Sheet[] => {
      const cut = x.cutLines.get(p.id);
      if (!cut) return [];
      const sheet = pieceSheet(p, cut);
      return [closure?.piece === p.id ? { ...sheet, items: [...sheet.items, ...closureItems(closure)] } : sheet];
    });
  return strip && closure ? [...sheets, stripSheet(closure)] : sheets;
}
