import { useMemo } from 'react';
import {
  type ClothSaid,
  cutFrom,
  isCutSingly,
  laidLength,
  layFaults,
  lyingOf,
  type Placed,
  usable,
  widthOf,
} from '../../../core/cutting/index.ts';
import { type Workbook } from '../../data/useProject.ts';

const NONE: readonly Placed[] = [];
/** What is wider by less, mm, is not. */
const OVER = 0.05;

/** What is cut from a cloth, how it lies now, and what is wrong with that; `found`: a lay that is only looked for yet. */
export function useLaid(w: Workbook, cloth: ClothSaid, found?: readonly Placed[]) {
  const { cutting } = w.doc.decisions;
  const { pieces, cutLines } = w.computed;
  const mine = useMemo(() => cutFrom(cutting, cloth, pieces), [cutting, cloth, pieces]);
  const kept = cutting.lays.find((l) => l.cloth === cloth.id)?.placed;
  const placed = found ?? kept ?? NONE;
  const lying = useMemo(() => lyingOf(cloth, placed, mine, cutLines), [cloth, placed, mine, cutLines]);
  const length = laidLength(cloth, lying);
  const singly = useMemo(() => mine.filter((p) => isCutSingly(p, cloth)), [mine, cloth]);
  const tooWide = useMemo(() => {
    const [from, to] = usable(cloth);
    return mine.flatMap((p) => {
      const cut = cutLines.get(p.id);
      const over = cut && !isCutSingly(p, cloth) ? widthOf(p, cut, cloth) - (to - from) : 0;
      return over > OVER ? [{ piece: p, over }] : [];
    });
  }, [mine, cloth, cutLines]);
  // While a shorter one is looked for nothing is wrong with it that could be mended.
  const faults = useMemo(
    () =>
      found || !kept
        ? []
        : layFaults(
            { cloth, placed: kept, length },
            mine,
            cutLines,
            singly.map((p) => p.id),
          ),
    [found, kept, cloth, length, mine, cutLines, singly],
  );
  return { mine, kept, placed, lying, length, singly, tooWide, faults };
}
