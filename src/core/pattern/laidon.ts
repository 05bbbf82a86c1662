import { type Piece } from './types.ts';

/** Pieces that are no panel of the garment: bags behind a seam, pockets stitched on, ties. */
export type LaidOn = 'pocket-bag' | 'patch-pocket' | 'tie';

/** What the name of such a piece says, the more telling word first. Common practice of pattern makers. */
const NAMED: readonly [RegExp, LaidOn][] = [
  [/\b(patch|breast|chest|cargo)\b/i, 'patch-pocket'],
  [/\bpocket/i, 'pocket-bag'],
  [/\b(tie|ties|sash|bow)\b/i, 'tie'],
];

/** Names of parts of a pocket that neither hangs behind a seam nor is stitched on by its edges. */
const NEITHER = /\b(flap|welt|facing|lining|interfacing|tab)\b/i;

/** What a piece without any named seam is for, as its name tells; null where that is not told. */
export function laidOn({ kind, name, ring }: Pick<Piece, 'kind' | 'name' | 'ring'>): LaidOn | null {
  const bare = kind === 'other' && ring.every((e) => e.role === 'plain' || e.role === 'pocket');
  return bare && !NEITHER.test(name) ? (NAMED.find(([is]) => is.test(name))?.[1] ?? null) : null;
}
