import { useMemo } from 'react';
import { type ClothSaid, type Placed, type Standing, standingOf } from '../../../core/cutting/index.ts';
import { type Workbook } from '../../data/useProject.ts';
import { layFaultWords } from '../../words/index.ts';

export interface Laid extends Standing {
  /** What is wrong with its lay, in sentences. */
  told: string[];
}

/** How a cloth stands, and what is wrong with its lay in sentences; `found`: a lay that is only looked for yet. */
export function useLaid(w: Workbook, cloth: ClothSaid, found?: readonly Placed[]): Laid {
  const { cutting } = w.doc.decisions;
  const { computed } = w;
  const { units } = w.doc;
  return useMemo(() => {
    const stands = standingOf(cutting, cloth, computed, found);
    const nameOf = (id: string): string => computed.pieces.find((p) => p.id === id)?.name ?? 'A piece';
    // That it is not there follows from its being too wide.
    const others = stands.faults.filter((f) => !stands.tooWide.some(({ piece }) => piece.id === f.piece));
    return { ...stands, told: [...new Set(others.map((f) => layFaultWords(f, nameOf, units)))] };
  }, [cutting, cloth, computed, found, units]);
}
