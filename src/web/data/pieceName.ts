import { type Workbook } from './useProject.ts';

/** What a piece is called; what is no more there by its id. */
export const pieceName =
  (w: Workbook) =>
  (id: string): string =>
    w.computed.pieces.find((p) => p.id === id)?.name ?? id;
