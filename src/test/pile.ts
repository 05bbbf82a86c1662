import { type Role } from '../core/pattern/index.ts';
import { type Drawn, type Garment, piece } from '../demo/drawn.ts';

// Shells of many cuts, drafted from figures here and nowhere else, each edge with what it truly is. Made up.

/** The figures that a cut is drafted from, mm: half girth of a front, length, and how long the shoulder is. */
export interface Size {
  w: number;
  l: number;
  s: number;
}

const frontTo = (low: 'hem' | 'waist', edge: Role, z: Size, ext: number): Drawn =>
  piece(
    'Front',
    'front',
    [-ext, z.l],
    [
      [edge, -ext, 95],
      ['neckline', 38 - ext, 95, 74, 60, 78, 0],
      ['shoulder', 78 + z.s, 38],
      ['armhole', 78 + z.s - 22, 120, z.w - 70, 240, z.w, 240],
      ['side', z.w - 8, z.l],
      [low, z.w * 0.6, z.l + 8, z.w * 0.3, z.l, -ext, z.l],
    ],
  );

const backTo = (low: 'hem' | 'waist', z: Size, text?: string): Drawn =>
  piece(
    'Back',
    'back',
    [0, z.l],
    [
      ['centre-back', 0, 0],
      ['neckline', 30, 0, 70, -6, 80, -22],
      ['shoulder', 80 + z.s, 12],
      ['armhole', 80 + z.s - 8, 110, z.w - 66, 222, z.w - 6, 222],
      ['side', z.w - 10, z.l - 16],
      [low, z.w * 0.6, z.l - 4, z.w * 0.3, z.l, 0, z.l],
    ],
    text,
  );

const sleeve = (z: Size, long: number): Drawn => {
  const h = z.w * 0.52;
  const b = z.w * 0.72;
  return piece(
    'Sleeve',
    'sleeve',
    [-b, h],
    [
      ['cap', -b * 0.55, h - 8, -b * 0.5, 0, 0, 0, b * 0.5, 0, b * 0.55, h - 8, b, h],
      ['underarm', b * 0.66, long],
      ['wrist', -b * 0.66, long],
      ['underarm', -b, h],
    ],
  );
};

/** A collar's long edges are hollow or full by the figures; its short ends belong to the outer edge. */
const collar = (neck: number, high: number, point: number): Drawn =>
  piece(
    'Collar',
    'collar',
    [-neck, high],
    [
      ['collar-outer', -neck - point, -4],
      ['collar-outer', -neck * 0.4, 10, neck * 0.4, 10, neck + point, -4],
      ['collar-outer', neck, high],
      ['collar-neck', neck * 0.4, high - 6, -neck * 0.4, high - 6, -neck, high],
    ],
  );

/** A stand: its upper edge shorter than the lower, its ends rounded. */
const stand = (neck: number): Drawn =>
  piece(
    'Collar stand',
    'stand',
    [-neck - 18, 40],
    [
      [
        'stand-top',
        -neck - 18,
        14,
        -neck - 12,
        2,
        -neck + 6,
        0,
        -neck * 0.3,
        -4,
        neck * 0.3,
        -4,
        neck - 6,
        0,
        neck + 12,
        2,
        neck + 18,
        14,
        neck + 18,
        40,
      ],
      ['stand-neck', neck * 0.4, 34, -neck * 0.4, 34, -neck - 18, 40],
    ],
  );

const cuff = (long: number, high: number): Drawn =>
  piece(
    'Cuff',
    'cuff',
    [0, 0],
    [
      ['cuff-seam', long, 0],
      ['cuff-edge', long, high],
      ['cuff-edge', 0, high],
      ['cuff-edge', 0, 0],
    ],
  );

const skirt = (front: boolean, w: number, l: number, flare: number): Drawn =>
  piece(
    front ? 'Skirt front' : 'Skirt back',
    front ? 'skirt-front' : 'skirt-back',
    [0, l],
    [
      [front ? 'centre-front' : 'centre-back', 0, 14],
      ['waist', w * 0.4, 14, w * 0.75, 8, w, 0],
      ['side', w + 20, 70, w + 46, 150, w + 50, 210, w + 50 + flare, l - 14],
      ['hem', w * 0.7, l, w * 0.35, l, 0, l],
    ],
    front ? 'cut 1 on the fold' : 'cut 2',
  );

/** Shells of unlike cuts. `z` is the size; every figure follows from it. */
export const CUTS: Record<string, (z: Size) => Garment> = {
  jacket: (z) => ({
    name: 'Jacket',
    garment: 'jacket',
    pieces: [frontTo('hem', 'front-edge', z, 22), backTo('hem', z, 'on the fold'), sleeve(z, 600), collar(190, 70, 18)],
  }),
  'rounded jacket': (z) => ({
    name: 'Jacket with rounded fronts',
    garment: 'jacket',
    pieces: [
      piece(
        'Front',
        'front',
        [-20 + 62, z.l],
        [
          ['front-edge', -8, z.l, -20, z.l - 30, -20, z.l - 62, -20, 130],
          ['neckline', 20, 96, 60, 40, 78, 0],
          ['shoulder', 78 + z.s, 40],
          ['armhole', 60 + z.s, 130, z.w - 70, 246, z.w, 246],
          ['side', z.w + 6, z.l],
          ['hem', 42, z.l],
        ],
      ),
      backTo('hem', z, 'cut 2'),
      sleeve(z, 610),
    ],
  }),
  waistcoat: (z) => ({
    name: 'Waistcoat',
    garment: 'waistcoat',
    pieces: [
      piece(
        'Front',
        'front',
        [40, z.l + 60],
        [
          ['front-edge', -16, z.l + 6, -16, 250],
          ['neckline', 10, 170, 62, 70, 78, 0],
          ['shoulder', 78 + z.s * 0.8, 32],
          ['armhole', 60 + z.s * 0.7, 140, z.w - 80, 270, z.w - 4, 270],
          ['side', z.w - 10, z.l - 30],
          ['hem', 40, z.l + 60],
        ],
      ),
      backTo('hem', { ...z, l: z.l - 40 }, 'on the fold'),
    ],
  }),
  shirt: (z) => ({
    name: 'Shirt',
    garment: 'shirt',
    pieces: [
      frontTo('hem', 'front-edge', z, 18),
      piece(
        'Back',
        'back',
        [0, z.l],
        [
          ['centre-back', 0, 110],
          ['yoke-seam', 78 + z.s, 104],
          ['armhole', 70 + z.s, 170, z.w - 60, 232, z.w, 232],
          ['side', z.w - 6, z.l - 10],
          ['hem', z.w * 0.6, z.l, z.w * 0.3, z.l, 0, z.l],
        ],
        'on the fold',
      ),
      piece(
        'Yoke',
        'yoke',
        [0, 100],
        [
          ['centre-back', 0, 0],
          ['neckline', 30, 0, 66, -8, 80, -24],
          ['shoulder', 80 + z.s, 8],
          ['armhole', 78 + z.s, 92],
          ['yoke-seam', 0, 100],
        ],
        'cut 2 on the fold',
      ),
      sleeve(z, 560),
      collar(196, 62, 14),
      stand(200),
      cuff(250, 62),
    ],
  }),
  dress: (z) => ({
    name: 'Dress',
    garment: 'dress',
    pieces: [
      { ...frontTo('waist', 'centre-front', { ...z, l: 400 }, 0), name: 'Bodice front', text: 'on the fold' },
      { ...backTo('waist', { ...z, l: 396 }, 'cut 2'), name: 'Bodice back' },
      skirt(true, z.w - 20, 610, 40),
      skirt(false, z.w - 22, 610, 40),
    ],
  }),
  shift: (z) => ({
    name: 'Shift dress',
    garment: 'dress',
    pieces: [
      { ...frontTo('hem', 'centre-front', { ...z, l: 960 }, 0), text: 'cut 1 on the fold' },
      backTo('hem', { ...z, l: 950 }, 'cut 2'),
    ],
  }),
  wrap: (z) => ({
    name: 'Wrap coat',
    garment: 'coat',
    pieces: [
      piece(
        'Front',
        'front',
        [-120, z.l],
        [
          ['front-edge', -120, 420],
          ['neckline', -60, 330, 40, 180, 78, 0],
          ['shoulder', 78 + z.s, 40],
          ['armhole', 60 + z.s, 140, z.w - 74, 250, z.w, 250],
          ['side', z.w + 20, z.l],
          ['hem', -120, z.l],
        ],
      ),
      backTo('hem', z, 'on the fold'),
      sleeve(z, 590),
    ],
  }),
  skirt: (z) => ({
    name: 'Skirt',
    garment: 'skirt',
    pieces: [
      skirt(true, z.w - 30, 640, 90),
      skirt(false, z.w - 26, 640, 90),
      piece(
        'Waistband',
        'waistband',
        [0, 40],
        [
          ['band-edge', 0, 0],
          ['band-edge', 4 * z.w - 60, 0],
          ['band-edge', 4 * z.w - 60, 40],
          ['waist', 0, 40],
        ],
      ),
    ],
  }),
};
