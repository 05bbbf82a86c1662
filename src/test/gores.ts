import { type ProjectDocument } from '../core/document/project.ts';
import { type Drawn, documentOf, piece } from '../demo/drawn.ts';

// A long dress of very many panels, made up: princess bodice, sleeves in two, and a skirt of gores that falls lower behind.

/** Half a bodice in two panels, seamed from the shoulder. */
const bodice = (back: boolean): Drawn[] => [
  piece(
    back ? 'Back' : 'Front',
    back ? 'back' : 'front',
    [back ? 0 : -18, 420],
    [
      [back ? 'centre-back' : 'front-edge', back ? 0 : -18, back ? 20 : 100],
      back ? ['neckline', 40, 20, 74, 12, 80, 0] : ['neckline', 40, 100, 74, 60, 80, 0],
      ['shoulder', 140, back ? 18 : 20],
      ['panel-seam', 138, 150, 108, 300, 96, 420],
      ['waist', back ? 0 : -18, 420],
    ],
  ),
  piece(
    back ? 'Side back' : 'Side front',
    back ? 'back-side' : 'front-side',
    [96, 420],
    [
      ['panel-seam', 108, 300, 138, 150, 140, back ? 18 : 20],
      ['shoulder', 198, 40],
      ['armhole', 180, 120, 190, 190, 236, 215],
      ['side', 220, 320, 208, 380, 204, 420],
      ['waist', 96, 420],
    ],
  ),
];

/** One gore of a skirt: the places of its seams at the waist, how long they are, and what they are called. */
function gore(
  name: string,
  x: number,
  width: number,
  left: number,
  right: number,
  roles: [Drawn['edges'][number]['role'], Drawn['edges'][number]['role']],
): Drawn {
  const flare = 26;
  return piece(
    name,
    name.startsWith('Back') ? 'skirt-back' : 'skirt-front',
    [x - flare, left],
    [
      [roles[0], x, 0],
      ['waist', x + width, 0],
      [roles[1], x + width + flare, right],
      ['hem', x - flare, left],
    ],
  );
}

/** Gores from the centre to the side, their seams longer towards the back. */
function gores(back: boolean, many: number, girth: number): Drawn[] {
  const centre = back ? 'centre-back' : 'front-edge';
  const word = back ? 'Back' : 'Front';
  const step = 9;
  return Array.from({ length: many }, (_, i) => {
    const far = (k: number): number => 800 + (back ? 2 * many - k : k) * step;
    const [first, last] = [i === 0, i === many - 1];
    return gore(`${word} gore ${i + 1}`, 0, girth / many, far(i), far(i + 1), [
      first ? centre : 'panel-seam',
      last ? 'side' : 'panel-seam',
    ]);
  });
}

/** `many` gores to a quarter of the skirt: with seven it has forty panels. */
export function goredDress(many = 7): ProjectDocument {
  const front = 222;
  const back = 204;
  const doc = documentOf({
    name: 'Dress of gores',
    garment: 'dress',
    pieces: [...bodice(false), ...bodice(true), ...gores(false, many, front), ...gores(true, many, back), ...sleeves()],
  });
  doc.decisions.lining.pleat = 0;
  return doc;
}

const sleeves = (): Drawn[] => [
  piece(
    'Sleeve',
    'sleeve',
    [40, 600],
    [
      ['underarm', 28, 130],
      ['cap', 88, 130, 110, 0, 165, 0, 220, 0, 242, 130, 302, 130],
      ['underarm', 290, 600],
      ['wrist', 40, 600],
    ],
  ),
  piece(
    'Cuff',
    'cuff',
    [0, 70],
    [
      ['cuff-edge', 0, 0, 275, 0, 275, 70],
      ['cuff-seam', 0, 70],
    ],
  ),
];
