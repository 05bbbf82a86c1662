import { type PieceKind, type Role } from './types.ts';

/** How an edge lies in its piece: place of its middle in the bounding box (0..1), direction, straightness, bulge, share. */
export interface Look {
  u: number;
  v: number;
  flat: number;
  upright: number;
  straight: number;
  /** Sagitta over chord, positive when the edge bulges out of the piece. */
  bulge: number;
  share: number;
}

const near = (x: number, want: number, slack: number): number => Math.max(0, 1 - Math.abs(x - want) / slack);
export const clamp = (x: number): number => Math.min(1, Math.max(0, x));

const centre = (l: Look): number =>
  0.35 * l.upright + 0.35 * near(l.u, 0, 0.5) + 0.15 * l.straight + 0.15 * clamp(l.share * 5);
const shoulder =
  (u: number) =>
  (l: Look): number =>
    0.35 * near(l.v, 0.03, 0.3) + 0.3 * l.flat + 0.2 * near(l.bulge, 0, 0.1) + 0.15 * near(l.u, u, 0.4);
const low = (l: Look): number => 0.5 * near(l.v, 1, 0.4) + 0.5 * l.flat;
const high = (l: Look): number => 0.5 * near(l.v, 0, 0.4) + 0.5 * l.flat;

const sleeveSide = (l: Look): number => 0.35 * l.upright + 0.2 * near(l.v, 0.6, 0.4) + 0.2 * Math.abs(l.u - 0.5) * 2;

/**
 * Places in a piece, and how well an edge fits each, 0..1; the centre line is taken to lie at the left, the top at the
 * top. One role can have several places: a waist is the lower end of a bodice and the upper end of a skirt.
 */
const PLACES = {
  'front-edge': { role: 'front-edge', fit: centre },
  'centre-front': { role: 'centre-front', fit: centre },
  'centre-back': { role: 'centre-back', fit: centre },
  neckline: {
    role: 'neckline',
    fit: (l: Look) => 0.3 * near(l.u, 0.15, 0.5) + 0.3 * near(l.v, 0.04, 0.4) + 0.4 * clamp(-l.bulge * 6),
  },
  // A strapless bodice: its top runs from the centre to the side seam, or to the armhole below a strap.
  'bust-top': {
    role: 'neckline',
    fit: (l: Look) => 0.35 * near(l.v, 0.08, 0.35) + 0.4 * l.flat + 0.25 * near(l.u, 0.35, 0.5),
  },
  shoulder: { role: 'shoulder', fit: shoulder(0.5) },
  armhole: {
    role: 'armhole',
    fit: (l: Look) =>
      0.3 * near(l.u, 0.85, 0.5) + 0.25 * near(l.v, 0.2, 0.4) + 0.25 * clamp(-l.bulge * 8) + 0.2 * l.upright,
  },
  side: {
    role: 'side',
    fit: (l: Look) => 0.35 * l.upright + 0.3 * near(l.u, 0.95, 0.5) + 0.2 * near(l.v, 0.6, 0.5) + 0.15 * l.straight,
  },
  hem: { role: 'hem', fit: low },
  // Beyond the centre line, at the foot of it: its long edge upright, its upper edge across.
  vent: {
    role: 'vent',
    fit: (l: Look) => 0.3 * l.upright + 0.4 * near(l.u, 0, 0.07) + 0.3 * near(l.v, 0.85, 0.4),
  },
  'vent-top': {
    role: 'vent-top',
    fit: (l: Look) =>
      0.4 * near(l.u, 0.04, 0.2) + 0.3 * near(l.v, 0.7, 0.4) + 0.2 * l.straight + 0.1 * near(l.share, 0.02, 0.05),
  },
  cap: {
    role: 'cap',
    fit: (l: Look) => 0.4 * near(l.v, 0, 0.5) + 0.35 * clamp(l.bulge * 4) + 0.25 * clamp(l.share * 3),
  },
  underarm: {
    role: 'underarm',
    fit: (l: Look) => 0.5 * l.upright + 0.25 * near(l.v, 0.6, 0.4) + 0.25 * Math.abs(l.u - 0.5) * 2,
  },
  wrist: { role: 'wrist', fit: low },
  'waist-below': { role: 'waist', fit: low },
  'waist-above': { role: 'waist', fit: (l: Look) => 0.85 * high(l) + 0.15 * clamp(-l.bulge * 12) },
  'yoke-seam-above': {
    role: 'yoke-seam',
    fit: (l: Look) => 0.5 * high(l) + 0.25 * near(l.bulge, 0, 0.08) + 0.25 * clamp(l.share * 5),
  },
  'yoke-seam-below': { role: 'yoke-seam', fit: low },
  'yoke-armhole': { role: 'armhole', fit: (l: Look) => 0.5 * l.upright + 0.5 * near(l.u, 1, 0.4) },
  'yoke-armhole-far': { role: 'armhole', fit: (l: Look) => 0.5 * l.upright + 0.5 * near(l.u, 0, 0.4) },
  // The other half of a piece drawn whole.
  'armhole-far': {
    role: 'armhole',
    fit: (l: Look) =>
      0.3 * near(l.u, 0.15, 0.5) + 0.25 * near(l.v, 0.2, 0.4) + 0.25 * clamp(-l.bulge * 8) + 0.2 * l.upright,
  },
  'side-far': {
    role: 'side',
    fit: (l: Look) => 0.35 * l.upright + 0.3 * near(l.u, 0.05, 0.5) + 0.2 * near(l.v, 0.6, 0.5) + 0.15 * l.straight,
  },
  'neck-middle': {
    role: 'neckline',
    fit: (l: Look) => 0.3 * near(l.u, 0.5, 0.4) + 0.3 * near(l.v, 0.1, 0.4) + 0.4 * clamp(-l.bulge * 6),
  },
  'shoulder-right': { role: 'shoulder', fit: shoulder(0.8) },
  'shoulder-left': { role: 'shoulder', fit: shoulder(0.2) },
  // Princess seams: at the right of the middle panel, at the left of the side panel.
  'panel-right': {
    role: 'panel-seam',
    fit: (l: Look) =>
      0.35 * l.upright + 0.3 * near(l.u, 0.9, 0.5) + 0.2 * near(l.v, 0.6, 0.5) + 0.15 * clamp(l.share * 3),
  },
  // Of the two long edges of a side panel it is the one that reaches higher, and is curved.
  'panel-left': {
    role: 'panel-seam',
    fit: (l: Look) =>
      0.25 * l.upright +
      0.25 * near(l.u, 0.1, 0.5) +
      0.2 * near(l.v, 0.46, 0.3) +
      0.15 * clamp(l.share * 3) +
      0.15 * clamp(Math.abs(l.bulge) * 20),
  },
  'armhole-short': {
    role: 'armhole',
    fit: (l: Look) => 0.35 * near(l.v, 0.13, 0.25) + 0.35 * near(l.u, 0.85, 0.4) + 0.3 * clamp(0.5 - l.bulge * 5),
  },
  'armhole-side': {
    role: 'armhole',
    fit: (l: Look) => 0.55 * near(l.v, 0.08, 0.3) + 0.45 * clamp(-l.bulge * 6),
  },
  'shoulder-narrow': { role: 'shoulder', fit: shoulder(0.3) },
  'raglan-seam': {
    role: 'armhole',
    fit: (l: Look) => 0.3 * near(l.v, 0.17, 0.35) + 0.3 * near(l.u, 0.65, 0.4) + 0.4 * clamp(l.share * 5),
  },
  // Of a trouser leg, its centre at the left: the rise runs down from the waist, the inseam on from there.
  rise: {
    role: 'rise',
    fit: (l: Look) => 0.35 * near(l.u, 0.1, 0.4) + 0.4 * near(l.v, 0.13, 0.25) + 0.25 * l.upright,
  },
  inseam: {
    role: 'inseam',
    fit: (l: Look) => 0.35 * near(l.u, 0.15, 0.4) + 0.4 * near(l.v, 0.65, 0.35) + 0.25 * l.upright,
  },
  // The seams of a two-piece sleeve: the elbow's bulges out, the forearm's is hollow.
  elbow: { role: 'elbow-seam', fit: (l: Look) => sleeveSide(l) + 0.25 * clamp(0.5 + l.bulge * 8) },
  forearm: { role: 'forearm-seam', fit: (l: Look) => sleeveSide(l) + 0.25 * clamp(0.5 - l.bulge * 8) },
  'under-cap': { role: 'cap', fit: (l: Look) => 0.6 * high(l) + 0.4 * clamp(-l.bulge * 6) },
  'raglan-right': { role: 'cap', fit: (l: Look) => 0.5 * near(l.v, 0.2, 0.3) + 0.5 * near(l.u, 0.8, 0.4) },
  'raglan-left': { role: 'cap', fit: (l: Look) => 0.5 * near(l.v, 0.2, 0.3) + 0.5 * near(l.u, 0.2, 0.4) },
  'neck-top': { role: 'neckline', fit: (l: Look) => 0.6 * high(l) + 0.4 * near(l.share, 0.06, 0.1) },
  face: { role: 'front-edge', fit: (l: Look) => 0.6 * l.upright + 0.4 * near(l.u, 0, 0.5) },
  crown: { role: 'centre-back', fit: (l: Look) => 0.5 * clamp(l.share * 2) + 0.5 * clamp(l.bulge * 5) },
  'hood-neck': { role: 'neckline', fit: low },
  // The longer long edge of a collar and its ends; of a stand the longer one meets the neck.
  'collar-outer': { role: 'collar-outer', fit: (l: Look) => 0.7 * near(l.v, 0, 0.75) + 0.3 * clamp(l.share * 2) },
  'collar-neck': { role: 'collar-neck', fit: (l: Look) => 0.5 * low(l) + 0.5 * clamp(l.share * 2.6) },
  'stand-top': { role: 'stand-top', fit: (l: Look) => 0.7 * near(l.v, 0, 0.75) + 0.3 * clamp(l.share * 2) },
  'stand-neck': { role: 'stand-neck', fit: (l: Look) => 0.5 * low(l) + 0.5 * clamp(l.share * 2.6) },
  'cuff-seam': { role: 'cuff-seam', fit: (l: Look) => 0.7 * high(l) + 0.3 * clamp(l.share * 2.5) },
  'cuff-edge': { role: 'cuff-edge', fit: (l: Look) => near(l.v, 1, 0.8) },
  'band-waist': { role: 'waist', fit: (l: Look) => 0.7 * low(l) + 0.3 * clamp(l.share * 2) },
  'band-edge': { role: 'band-edge', fit: (l: Look) => near(l.v, 0, 0.8) },
} satisfies Record<string, { role: Role; fit: (l: Look) => number }>;

export type Place = keyof typeof PLACES;

/** What other pieces there are: some makes of a piece come only beside others. */
export interface Company {
  /** A yoke, so that a back can end below it. */
  yoke?: boolean;
  /** Side panels beside the front, beside the back: those end in princess seams. */
  frontPanels?: boolean;
  backPanels?: boolean;
  /** An under-sleeve. */
  twoPiece?: boolean;
  /** A raglan sleeve. */
  raglan?: boolean;
  /** What they make, as said at the start: a shirt has no skirt. */
  garment?: string;
}

/** Places that come only in such company; `always`: then no other make of the piece does. */
const ONLY_WITH: { place: Place; company: keyof Omit<Company, 'garment'>; always: boolean; kind?: PieceKind }[] = [
  { place: 'yoke-seam-above', company: 'yoke', always: false },
  { place: 'panel-right', company: 'frontPanels', always: true, kind: 'front' },
  { place: 'panel-right', company: 'backPanels', always: true, kind: 'back' },
  { place: 'elbow', company: 'twoPiece', always: true },
  { place: 'raglan-seam', company: 'raglan', always: true },
  { place: 'raglan-right', company: 'raglan', always: true },
];

/** Those makes of a piece that go with the other pieces. */
export function inCompany(kind: PieceKind, templates: Place[][], company: Company): Place[][] {
  const conditions = ONLY_WITH.filter((o) => !o.kind || o.kind === kind);
  const fitting = templates.filter((t) => conditions.every((o) => !t.includes(o.place) || company[o.company]));
  const only = fitting.filter((t) => conditions.some((o) => o.always && t.includes(o.place)));
  return only.length ? only : fitting;
}

export const fitOf = (place: Place, l: Look): number => PLACES[place].fit(l);
export const roleOf = (place: Place): Role => PLACES[place].role;

const SIDE_PANEL: Place[][] = [
  ['panel-left', 'armhole-side', 'side', 'hem'],
  ['panel-left', 'shoulder-narrow', 'armhole', 'side', 'hem'],
  ['panel-left', 'armhole-side', 'side', 'waist-below'],
  ['panel-left', 'shoulder-narrow', 'armhole', 'side', 'waist-below'],
];

const WHOLE_BODY = (low: Place): Place[] => [
  'neck-middle',
  'shoulder-right',
  'armhole',
  'side',
  low,
  'side-far',
  'armhole-far',
  'shoulder-left',
];
const LEG: Place[] = ['rise', 'waist-above', 'side', 'hem', 'inseam'];
const WHOLE_SKIRT: Place[] = ['waist-above', 'side', 'hem', 'side-far'];

/**
 * What the ring of such a piece must have, clockwise on screen, with the centre line at the left. A piece drawn the other
 * way round is met by the reversed order. The first is the usual one: a later one has to fit clearly better.
 */
export const TEMPLATES: Record<Exclude<PieceKind, 'other' | 'placket'>, Place[][]> = {
  front: [
    ['front-edge', 'neckline', 'shoulder', 'armhole', 'side', 'hem'],
    ['front-edge', 'neckline', 'shoulder', 'armhole', 'side', 'waist-below'],
    ['front-edge', 'neckline', 'shoulder', 'armhole-short', 'panel-right', 'hem'],
    ['front-edge', 'neckline', 'shoulder', 'panel-right', 'hem'],
    ['front-edge', 'neckline', 'shoulder', 'armhole-short', 'panel-right', 'waist-below'],
    ['front-edge', 'neckline', 'shoulder', 'panel-right', 'waist-below'],
    ['front-edge', 'neckline', 'raglan-seam', 'side', 'hem'],
    ['front-edge', 'bust-top', 'side', 'hem'],
    ['front-edge', 'bust-top', 'side', 'waist-below'],
    ['front-edge', 'bust-top', 'armhole', 'side', 'hem'],
    ['front-edge', 'bust-top', 'armhole', 'side', 'waist-below'],
    WHOLE_BODY('hem'),
    WHOLE_BODY('waist-below'),
  ],
  'front-side': SIDE_PANEL,
  'back-side': SIDE_PANEL,
  back: [
    ['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'hem'],
    ['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'waist-below'],
    ['centre-back', 'yoke-seam-above', 'armhole', 'side', 'hem'],
    ['centre-back', 'neckline', 'shoulder', 'armhole', 'side', 'hem', 'vent', 'vent-top'],
    ['centre-back', 'neckline', 'shoulder', 'armhole-short', 'panel-right', 'hem'],
    ['centre-back', 'neckline', 'shoulder', 'panel-right', 'hem'],
    ['centre-back', 'neckline', 'shoulder', 'armhole-short', 'panel-right', 'hem', 'vent', 'vent-top'],
    ['centre-back', 'neckline', 'shoulder', 'armhole-short', 'panel-right', 'waist-below'],
    ['centre-back', 'neckline', 'shoulder', 'panel-right', 'waist-below'],
    ['centre-back', 'neckline', 'raglan-seam', 'side', 'hem'],
    ['centre-back', 'bust-top', 'side', 'hem'],
    ['centre-back', 'bust-top', 'side', 'waist-below'],
    ['centre-back', 'bust-top', 'armhole', 'side', 'hem'],
    ['centre-back', 'bust-top', 'armhole', 'side', 'waist-below'],
    WHOLE_BODY('hem'),
    WHOLE_BODY('waist-below'),
  ],
  sleeve: [
    ['cap', 'underarm', 'wrist', 'underarm'],
    ['cap', 'elbow', 'wrist', 'forearm'],
    ['neck-top', 'raglan-right', 'underarm', 'wrist', 'underarm', 'raglan-left'],
  ],
  'under-sleeve': [['under-cap', 'elbow', 'wrist', 'forearm']],
  hood: [['face', 'crown', 'hood-neck']],
  yoke: [
    ['centre-back', 'neckline', 'shoulder', 'yoke-armhole', 'yoke-seam-below'],
    ['neck-middle', 'shoulder-right', 'yoke-armhole', 'yoke-seam-below', 'yoke-armhole-far', 'shoulder-left'],
  ],
  collar: [
    ['collar-outer', 'collar-neck'],
    ['centre-back', 'collar-outer', 'collar-neck'],
  ],
  stand: [
    ['stand-top', 'stand-neck'],
    ['centre-back', 'stand-top', 'stand-neck'],
  ],
  cuff: [['cuff-seam', 'cuff-edge']],
  'skirt-front': [['centre-front', 'waist-above', 'side', 'hem'], WHOLE_SKIRT],
  'skirt-back': [
    ['centre-back', 'waist-above', 'side', 'hem'],
    ['centre-back', 'waist-above', 'side', 'hem', 'vent', 'vent-top'],
    WHOLE_SKIRT,
  ],
  'trouser-front': [LEG],
  'trouser-back': [LEG],
  waistband: [['band-edge', 'band-waist']],
};
