import { type ShellPiece } from '../core/document/project.ts';
import { type Drawn, documentOf, piece } from '../demo/drawn.ts';

/** A sleeve by the height of its cap and by how much narrower it is on either side, mm. */
export const sleeve = (high: number, less = 0): Drawn =>
  piece(
    'Sleeve',
    'sleeve',
    [40, 600],
    [
      ['underarm', less, high],
      ['cap', 60 + less, high, 90, 0, 165, 0, 240, 0, 270 - less, high, 330 - less, high],
      ['underarm', 290, 600],
      ['wrist', 40, 600],
    ],
  );
export const SLEEVE = sleeve(150);
/** The same as a piece of a pattern. */
export const sleevePiece = (high: number, less: number): ShellPiece =>
  documentOf({ name: 'Sleeve', garment: 'shirt', pieces: [sleeve(high, less)] }).shell?.pieces[0] as ShellPiece;
