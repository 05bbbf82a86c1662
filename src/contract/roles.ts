import { type PieceKind, type Role } from '../core/pattern/types.ts';
import { inSentence } from '../core/text.ts';
import { listed } from './listed.ts';

/** What each edge is called. */
export const ROLE_WORDS: Record<Role, string> = {
  neckline: 'Neckline',
  shoulder: 'Shoulder',
  armhole: 'Armhole',
  side: 'Side seam',
  hem: 'Hem',
  'front-edge': 'Front edge',
  'centre-front': 'Centre front',
  'centre-back': 'Centre back',
  waist: 'Waist',
  cap: 'Sleeve cap',
  underarm: 'Underarm seam',
  wrist: 'Wrist',
  vent: 'Vent, long edge',
  'vent-top': 'Vent, upper edge',
  'yoke-seam': 'Yoke seam',
  'panel-seam': 'Princess seam',
  'forearm-seam': 'Forearm seam',
  'elbow-seam': 'Elbow seam',
  inseam: 'Inseam',
  rise: 'Rise',
  'cut-out': 'Cut-out',
  'stand-neck': 'Stand, neck edge',
  'stand-top': 'Stand, top edge',
  'collar-neck': 'Collar, neck edge',
  'collar-outer': 'Collar, outer edge',
  'cuff-seam': 'Cuff, sleeve edge',
  'cuff-edge': 'Cuff, free edge',
  'band-edge': 'Waistband, free edge',
  pocket: 'Pocket',
  'facing-line': 'Facing line',
  inner: 'Free inner edge',
  plain: 'Not named yet',
};

/** What each kind of piece is called. */
export const KIND_WORDS: Record<PieceKind, string> = {
  front: 'Front',
  back: 'Back',
  sleeve: 'Sleeve',
  'front-side': 'Side front',
  'back-side': 'Side back',
  'under-sleeve': 'Under-sleeve',
  hood: 'Hood',
  yoke: 'Yoke',
  collar: 'Collar',
  stand: 'Collar stand',
  cuff: 'Cuff',
  'skirt-front': 'Skirt front',
  'skirt-back': 'Skirt back',
  'trouser-front': 'Trouser front',
  'trouser-back': 'Trouser back',
  waistband: 'Waistband',
  placket: 'Placket or button band',
  other: 'Something else',
};

const ANY = { ...ROLE_WORDS, ...KIND_WORDS } as Record<string, string>;

/** An edge or piece as it is called within a sentence; words that are none of ours stay as they are. */
export const called = (id: string | number | undefined): string => {
  const words = ANY[String(id)];
  return words ? inSentence(words) : String(id ?? '');
};

/** Several of them, as they follow each other in a sentence. */
export const allCalled = (ids: string | number | undefined): string =>
  listed(
    String(ids ?? '')
      .split(/,\s*/)
      .filter(Boolean)
      .map(called),
  );
