import { type ClothSaid } from '../../../core/cutting/index.ts';
import { setDecision, type Taken } from '../../data/setDecision.ts';
import { type Workbook } from '../../data/useProject.ts';

/** Decides something of one cloth: shown, or kept under its name and these words. */
export const putCloth =
  (w: Workbook, cloth: ClothSaid, how: Pick<Taken, 'told'> = {}) =>
  (part: Partial<ClothSaid>, words?: string): void =>
    setDecision(
      w,
      'cutting',
      { cloths: w.doc.decisions.cutting.cloths.map((c) => (c.id === cloth.id ? { ...c, ...part } : c)) },
      { ...how, words: words && `${cloth.name}: ${words}` },
    );
