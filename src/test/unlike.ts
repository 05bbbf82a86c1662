import { type ProjectDocument } from '../core/document/project.ts';
import { type Drawn, documentOf, piece } from '../demo/drawn.ts';

// Garments beyond one front and one back: more panels, unlike halves, yokes in front. Made up.

const SLEEVE: Drawn = piece(
  'Sleeve',
  'sleeve',
  [40, 600],
  [
    ['underarm', 0, 150],
    ['cap', 60, 150, 90, 0, 165, 0, 240, 0, 270, 150, 330, 150],
    ['underarm', 290, 600],
    ['wrist', 40, 600],
  ],
);
const back = (seam: 'panel-seam' | 'side', x = 190): Drawn =>
  piece(
    'Back',
    'back',
    [0, 690],
    [
      ['centre-back', 0, 22],
      ['neckline', 40, 22, 70, 10, 78, 0],
      ['shoulder', 198, 44],
      ['armhole', 175, 110, 180, 170, x, 200],
      [seam, x - 5, 350, x + 5, 500, x + 10, 690],
      ['hem', 0, 690],
    ],
    'cut 1 on the fold',
  );

/** A jacket of front, side panel and back: both seams of the panel are panel seams, its armhole goes over three pieces. */
function threePanels(): ProjectDocument {
  return documentOf({
    name: 'Three panels',
    garment: 'jacket',
    pieces: [
      piece(
        'Front',
        'front',
        [-20, 700],
        [
          ['front-edge', -20, 90],
          ['neckline', 50, 90, 75, 50, 80, 0],
          ['shoulder', 200, 40],
          ['armhole', 180, 120, 190, 180, 205, 200],
          ['panel-seam', 190, 350, 200, 500, 215, 690],
          ['hem', -20, 700],
        ],
      ),
      piece(
        'Side panel',
        'other',
        [10, 690],
        [
          ['panel-seam', -5, 500, -15, 350, 0, 200],
          ['armhole', 20, 225, 90, 225, 110, 200],
          ['panel-seam', 115, 350, 105, 500, 100, 690],
          ['hem', 10, 690],
        ],
      ),
      back('panel-seam'),
      SLEEVE,
    ],
  });
}

/** A jacket whose left front laps over and is wider than the right one; each is cut once. */
function unlikeFronts(): ProjectDocument {
  const front = (name: string, lap: number, way: 1 | -1): Drawn => {
    const x = (v: number): number => way * v;
    const down: Parameters<typeof piece>[3] = [
      ['neckline', x(50), 90, x(75), 50, x(80), 0],
      ['shoulder', x(200), 40],
      ['armhole', x(180), 120, x(190), 180, x(240), 210],
      ['side', x(235), 360, x(245), 510, x(250), 700],
      ['hem', x(-lap), 700],
    ];
    const up: Parameters<typeof piece>[3] = [
      ['hem', x(250), 700],
      ['side', x(245), 510, x(235), 360, x(240), 210],
      ['armhole', x(190), 180, x(180), 120, x(200), 40],
      ['shoulder', x(80), 0],
      ['neckline', x(75), 50, x(50), 90, x(-lap), 90],
      ['front-edge', x(-lap), 700],
    ];
    return way === 1
      ? piece(name, 'front', [x(-lap), 700], [['front-edge', x(-lap), 90], ...down])
      : piece(name, 'front', [x(-lap), 700], up);
  };
  const doc = documentOf({
    name: 'Unlike fronts',
    garment: 'jacket',
    pieces: [front('Left front', 110, 1), front('Right front', 15, -1), back('side', 190), SLEEVE],
  });
  for (const p of doc.shell?.pieces ?? []) if (p.kind === 'front') p.count = 1;
  return doc;
}

/** A shirt with a yoke in front, what hangs from it half as wide again and gathered. */
function frontYoke(): ProjectDocument {
  return documentOf({
    name: 'Front yoke',
    garment: 'shirt',
    pieces: [
      piece(
        'Front yoke',
        'other',
        [-16, 150],
        [
          ['front-edge', -16, 90],
          ['neckline', 50, 90, 75, 50, 80, 0],
          ['shoulder', 200, 40],
          ['armhole', 190, 80, 185, 120, 185, 150],
          ['yoke-seam', -16, 150],
        ],
      ),
      piece(
        'Lower front',
        'front',
        [-16, 700],
        [
          ['front-edge', -16, 150],
          ['yoke-seam', 285, 150],
          ['armhole', 285, 170, 300, 195, 320, 205],
          ['side', 315, 355, 325, 505, 330, 690],
          ['hem', -16, 700],
        ],
      ),
      back('side'),
      SLEEVE,
    ],
  });
}

/** Garments that no one front and back make up. */
export const UNLIKE: Record<string, () => ProjectDocument> = {
  'jacket of front, side panel and back': threePanels,
  'jacket of unlike fronts': unlikeFronts,
  'shirt with a yoke in front': frontYoke,
};
