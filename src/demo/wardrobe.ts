import { type Decisions, type ProjectDocument } from '../core/document/project.ts';
import { type Drawn, documentOf, type Garment, piece } from './drawn.ts';

// More of the volunteers' wardrobe: garments of many panels, drawn by figures, mm. Made up. Neighbouring panels are drawn in
// place, so that their seams are the same line.

const SLEEVE = (half: number, high: number, long: number): Drawn =>
  piece(
    'Sleeve',
    'sleeve',
    [-half, high],
    [
      ['cap', -half * 0.55, high - 8, -half * 0.5, 0, 0, 0, half * 0.5, 0, half * 0.55, high - 8, half, high],
      ['underarm', half * 0.7, long],
      ['wrist', -half * 0.7, long],
      ['underarm', -half, high],
    ],
  );

/** A summer dress: a yoke in front, a bust piece below it, gathered lower fronts, side fronts, a keyhole in the back. */
const ORCHID_DRESS: Garment = {
  name: 'Orchid house dress',
  garment: 'dress',
  pieces: [
    piece(
      'Lower front',
      'front',
      [0, 980],
      [
        ['centre-front', 0, 262],
        ['yoke-seam', 240, 262],
        ['panel-seam', 238, 430, 262, 700, 290, 980],
        ['hem', 0, 980],
      ],
      'cut 1 on the fold',
    ),
    piece(
      'Front yoke',
      'other',
      [0, 150],
      [
        ['centre-front', 0, 88],
        ['neckline', 46, 88, 74, 52, 78, 0],
        ['shoulder', 182, 36],
        ['armhole', 168, 80, 166, 110, 168, 140],
        ['yoke-seam', 0, 150],
      ],
      'cut 1 on the fold',
    ),
    piece(
      'Bust piece',
      'other',
      [0, 262],
      [
        ['centre-front', 0, 150],
        ['yoke-seam', 168, 140],
        ['armhole', 170, 165, 176, 180, 184, 192],
        ['panel-seam', 172, 216, 166, 240, 162, 262],
        ['yoke-seam', 0, 262],
      ],
      'cut 1 on the fold',
    ),
    piece(
      'Side front',
      'front-side',
      [214, 980],
      [
        ['panel-seam', 186, 700, 160, 430, 162, 262],
        ['panel-seam', 166, 240, 172, 216, 184, 192],
        ['armhole', 198, 214, 216, 228, 236, 230],
        ['side', 226, 400, 252, 700, 280, 976],
        ['hem', 214, 980],
      ],
    ),
    piece(
      'Back',
      'back',
      [0, 980],
      [
        ['centre-back', 0, 250],
        ['cut-out', 60, 240, 60, 90, 12, 66],
        ['cut-out', 12, 24],
        ['neckline', 34, 24, 70, 12, 80, -10],
        ['shoulder', 184, 26],
        ['armhole', 166, 110, 178, 222, 232, 222],
        ['side', 222, 392, 248, 692, 276, 968],
        ['hem', 0, 980],
      ],
    ),
  ],
};

/** A wrap blouse: fronts that cross, a band of two layers about the waist, ties, and a peplum. */
const SOWER_BLOUSE: Garment = {
  name: "Seed sower's blouse",
  garment: 'blouse',
  pieces: [
    piece(
      'Front',
      'front',
      [-150, 420],
      [
        ['front-edge', -150, 380],
        ['neckline', -60, 300, 30, 170, 76, 0],
        ['shoulder', 190, 40],
        ['armhole', 170, 130, 184, 232, 240, 232],
        ['side', 232, 300, 228, 360, 226, 420],
        ['waist', -150, 420],
      ],
    ),
    piece(
      'Back',
      'back',
      [0, 420],
      [
        ['centre-back', 0, 8],
        ['neckline', 36, 8, 70, 0, 78, -18],
        ['shoulder', 192, 22],
        ['armhole', 172, 110, 184, 224, 236, 224],
        ['side', 228, 292, 224, 352, 222, 412],
        ['waist', 0, 420],
      ],
      'cut 1 on the fold',
    ),
    SLEEVE(184, 133, 560),
    piece(
      'Waistband',
      'waistband',
      [0, 50],
      [
        ['band-edge', 0, 0],
        ['waist', 1196, 0],
        ['band-edge', 1196, 50],
        ['waist', 0, 50],
      ],
      'cut 2',
    ),
    piece(
      'Tie',
      'other',
      [0, 0],
      [
        ['plain', 900, 0],
        ['plain', 925, 50],
        ['plain', 0, 50],
        ['plain', 0, 0],
      ],
      'cut 4',
    ),
    piece(
      'Peplum front',
      'skirt-front',
      [-160, 190],
      [
        ['front-edge', -150, 0],
        ['waist', -20, -4, 120, -4, 226, 0],
        ['side', 244, 90, 262, 190],
        ['hem', 120, 204, -20, 204, -160, 190],
      ],
    ),
    piece(
      'Peplum back',
      'skirt-back',
      [0, 200],
      [
        ['centre-back', 0, 8],
        ['waist', 80, 8, 150, 6, 222, 0],
        ['side', 240, 90, 258, 190],
        ['hem', 170, 198, 90, 200, 0, 200],
      ],
      'cut 1 on the fold',
    ),
  ],
};

/** Trousers for wading, lined to the knee. */
const POND_TROUSERS: Garment = {
  name: 'Pond trousers',
  garment: 'trousers',
  pieces: [
    piece(
      'Trouser front',
      'trouser-front',
      [-44, 280],
      [
        ['rise', 0, 250, 4, 120, 8, 0],
        ['waist', 90, 4, 150, 2, 206, -6],
        ['side', 226, 90, 236, 200, 230, 300, 222, 620, 212, 1040],
        ['hem', 2, 1040],
        ['inseam', -4, 620, -24, 400, -44, 280],
      ],
    ),
    piece(
      'Trouser back',
      'trouser-back',
      [-96, 289.3],
      [
        ['rise', -20, 272, 16, 120, 34, -24],
        ['waist', 110, -16, 170, -10, 226, -4],
        ['side', 246, 92, 258, 202, 252, 302, 244, 622, 234, 1042],
        ['hem', 0, 1042],
        ['inseam', -8, 622, -52, 404, -96, 289.3],
      ],
    ),
    piece(
      'Waistband',
      'waistband',
      [0, 40],
      [
        ['band-edge', 0, 0],
        ['band-edge', 822, 0],
        ['band-edge', 822, 40],
        ['waist', 0, 40],
      ],
      'cut 2',
    ),
    piece(
      'Patch pocket',
      'other',
      [0, 0],
      [
        ['plain', 160, 0],
        ['plain', 160, 190],
        ['plain', 0, 190],
        ['plain', 0, 0],
      ],
    ),
  ],
};

/** A winter coat with a waist seam, its front opening through it, godets set into the side seams of the skirt. */
const WINTER_COAT: Garment = {
  name: 'Winter walk coat',
  garment: 'coat',
  pieces: [
    piece(
      'Front',
      'front',
      [-25, 430],
      [
        ['front-edge', -25, 92],
        ['neckline', 40, 92, 72, 56, 78, 0],
        ['shoulder', 204, 42],
        ['armhole', 184, 130, 194, 250, 262, 250],
        ['side', 250, 310, 246, 370, 246, 430],
        ['waist', -25, 430],
      ],
    ),
    piece(
      'Back',
      'back',
      [0, 430],
      [
        ['centre-back', 0, 14],
        ['neckline', 38, 14, 72, 4, 80, -16],
        ['shoulder', 208, 28],
        ['armhole', 186, 118, 196, 240, 256, 240],
        ['side', 244, 302, 240, 361, 240, 420],
        ['waist', 0, 430],
      ],
      'cut 1 on the fold',
    ),
    SLEEVE(202, 148, 620),
    piece(
      'Skirt front',
      'skirt-front',
      [-25, 690],
      [
        ['front-edge', -25, 0],
        ['waist', 246, 0],
        ['side', 262, 90, 270, 180, 274, 280],
        ['panel-seam', 284, 690],
        ['hem', -25, 690],
      ],
    ),
    piece(
      'Skirt back',
      'skirt-back',
      [0, 690],
      [
        ['centre-back', 0, 8],
        ['waist', 160, 8, 200, 4, 240, 0],
        ['side', 256, 90, 264, 180, 268, 280],
        ['panel-seam', 278, 690],
        ['hem', 0, 690],
      ],
      'cut 1 on the fold',
    ),
    piece(
      'Godet',
      'other',
      [-110, 395],
      [
        ['panel-seam', 0, 0],
        ['panel-seam', 110, 395],
        ['hem', 40, 415, -40, 415, -110, 395],
      ],
    ),
  ],
};

/** Lined, a zip in the back below the keyhole, no pleat; nothing buttons. */
function orchidChoices(d: Decisions): void {
  Object.assign(d.facing, { shoulder: 45, back: 60 });
  Object.assign(d.lining, { pleat: 0, zip: { ...d.lining.zip, length: 250 } });
  d.lining.hem = { ...d.lining.hem, kind: 'free', above: 25, turn1: 20, turn2: 20 };
  d.closure.on = false;
}

/** Its neck faced in parts, the band interfaced; it is tied, not buttoned. */
function sowerChoices(d: Decisions): void {
  Object.assign(d.facing, { front: 60, shoulder: 45, back: 55, radius: 0 });
  Object.assign(d.lining, { pleat: 0 });
  d.allowances = { seam: 15, hem: 20, wrist: 30 };
  d.lining.hem = { ...d.lining.hem, kind: 'free', above: 10, turn1: 10, turn2: 10 };
  d.lining.wrist = { ...d.lining.wrist, clearance: 10 };
  Object.assign(d.interfacing, { frontStrip: 0 });
  d.closure.on = false;
}

/** The lining hangs free and ends at the knee. */
function pondChoices(d: Decisions): void {
  d.lining.hem = { ...d.lining.hem, kind: 'free', above: 420, turn1: 10, turn2: 15 };
  d.closure.on = false;
}

/** Buttoned from neck to below the waist, the lining hanging free of the godets. */
function winterChoices(d: Decisions): void {
  d.lining.hem = { ...d.lining.hem, kind: 'free', above: 25, turn1: 15, turn2: 25 };
  d.closure.bottom = 520;
}

/** A garment of many panels as its makers chose it. */
const chosen = (g: Garment, choose: (d: Decisions) => void) => ({
  name: g.name,
  garment: g.garment,
  document: (): ProjectDocument => {
    const doc = documentOf(g);
    choose(doc.decisions);
    return doc;
  },
});

export const WARDROBE = {
  'orchid-house-dress': chosen(ORCHID_DRESS, orchidChoices),
  'seed-sowers-blouse': chosen(SOWER_BLOUSE, sowerChoices),
  'pond-trousers': chosen(POND_TROUSERS, pondChoices),
  'winter-walk-coat': chosen(WINTER_COAT, winterChoices),
};
