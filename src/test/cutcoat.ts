import fc from 'fast-check';
import { type ProjectDocument, type ShellPiece } from '../core/document/project.ts';
import { type Role } from '../core/pattern/index.ts';
import { type Cutting, cutUp } from './cutup.ts';

/** Where panels are cut from fronts and backs: a princess line, a yoke, a waist seam, a line down from the neck. */
const DOWN: [Role, Role, Role][] = [
  ['shoulder', 'hem', 'panel-seam'],
  ['armhole', 'hem', 'panel-seam'],
  ['neckline', 'hem', 'panel-seam'],
];
const LINES = {
  front: [...DOWN, ['front-edge', 'armhole', 'yoke-seam'], ['front-edge', 'side', 'yoke-seam']],
  back: [...DOWN, ['centre-back', 'armhole', 'yoke-seam'], ['centre-back', 'side', 'yoke-seam']],
} satisfies Record<string, [Role, Role, Role][]>;
export type Half = keyof typeof LINES;
const share = fc.double({ min: 0.35, max: 0.65, noNaN: true });
const bulge = fc.double({ min: -0.06, max: 0.06, noNaN: true });
const cutting = (half: Half): fc.Arbitrary<Cutting> =>
  fc
    .tuple(fc.constantFrom(...(LINES[half] as [Role, Role, Role][])), share, share, bulge, bulge)
    .map(([[a, b, seam], from, to, x, y]) => ({ from: [a, from], to: [b, to], bulge: [x, y], seam }));
export const cuttings = fc
  .constantFrom<Half>('front', 'back')
  .chain((half) => fc.array(cutting(half), { minLength: 1, maxLength: 2 }).map((cuts) => ({ half, cuts })));

/** A coat with its front or back cut into panels; null where the same cloth would be cut twice. */
export function cutCoat(doc: ProjectDocument, half: Half, cuts: Cutting[], turn: number): ProjectDocument | null {
  const { shell } = doc;
  if (!shell) return null;
  let pieces: ShellPiece[] = shell.pieces;
  for (const [k, c] of cuts.entries()) {
    const piece = pieces.find((p) => p.kind === half) as ShellPiece;
    const made = cutUp(piece, c, `Panel ${k + 1}`, turn + k);
    if (!made) return null;
    pieces = [...pieces.flatMap((p) => (p === piece ? [made[0]] : [p])), made[1]];
  }
  return { ...doc, shell: { ...shell, pieces } };
}
