import { type Piece } from '../pattern/index.ts';
import { type Bench } from './build.ts';

/** Ease stitches along the cap, then the sleeve set in the round. */
export function setSleeve(
  b: Bench,
  section: 'shell' | 'inside',
  sleeve: Piece | undefined,
  seam: string,
  needs: string[],
): void {
  if (!sleeve || !b.seam(seam)) return;
  const ease = b.seam(seam)?.differenceMm ?? 0;
  const gather = `ease:${sleeve.id}`;
  b.add({
    id: gather,
    code: 'ease-cap',
    section,
    station: 'machine',
    pieces: [sleeve.id],
    needs: ['cut'],
    data: { ease },
  });
  b.join([seam], section, [gather, ...b.ifMade(...needs)], { cautions: ['pins', 'thick-seam'] });
}
