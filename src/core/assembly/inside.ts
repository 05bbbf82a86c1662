import { type Bench } from './build.ts';
import { setSleeve } from './sleeve.ts';

/** Length of the opening left for turning, mm: 120–200 by handbooks, from memory. */
export const OPENING = 150;

/** Both lining hems held to the shell's: the coat is then closed all round and is turned through an opening. */
export const bagged = (b: Bench): boolean => {
  const l = b.g.decisions.lining;
  return (
    l.on &&
    l.hem.kind === 'joined' &&
    b.seam('closing-hem-front') !== undefined &&
    b.seam('inside-lining-underarm') !== undefined
  );
};

/** Facings and lining made up into one inside. A bagged lining leaves its opening in the left sleeve's underarm seam. */
export function inside(b: Bench): void {
  const fused = (id: string) => b.ifMade(`fuse:${id}-interfacing`);
  b.join(['inside-facing-line-front'], 'inside', fused('front-facing'));
  b.join(['inside-facing-line-back'], 'inside', [...fused('back-facing'), ...b.ifMade('pleat')]);
  b.join(['inside-facing-centre-back'], 'inside', fused('back-facing'));
  const flat = b.ifMade('press:inside-facing-line-front', 'press:inside-facing-line-back');
  b.join(
    ['inside-facing-shoulder', 'inside-lining-shoulder'].filter((id) => b.seam(id)),
    'inside',
    [...flat, ...fused('front-facing'), ...fused('back-facing'), ...b.ifMade('pleat')],
  );
  b.join(['inside-lining-centre-back-back'], 'inside', b.ifMade('pleat'));
  b.join(['inside-lining-side'], 'inside', []);
  const opening = bagged(b) ? [{ code: 'opening', mm: OPENING }] : [];
  b.join(['inside-lining-underarm'], 'inside', [], { stops: opening });
  const shoulders = b.ifMade('press:inside-facing-shoulder', 'press:inside-lining-shoulder');
  setSleeve(b, 'inside', b.piece('sleeve-lining'), 'inside-lining-cap', [
    ...shoulders,
    'press:inside-lining-side',
    'press:inside-lining-underarm',
  ]);
  const facingEdges = ['front-facing', 'back-facing']
    .filter((id) => b.piece(id))
    .flatMap((id) => b.edges(b.piece(id), 'facing-line'));
  if (facingEdges.length && !b.linings().length) {
    b.add({
      id: 'neaten',
      code: 'neaten-facing',
      section: 'inside',
      station: 'machine',
      pieces: ['front-facing', 'back-facing'].filter((id) => b.piece(id)),
      needs: ['cut', ...shoulders],
      edges: facingEdges,
    });
  }
}
