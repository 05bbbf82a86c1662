import { type Piece, type PieceKind } from '../../pattern/index.ts';

/** The first piece of a kind: the one that facings and linings are drafted from. */
export const first = (pieces: Piece[], kind: PieceKind): Piece | undefined => pieces.find((p) => p.kind === kind);
