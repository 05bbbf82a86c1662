import { type ExtraId, type MethodId, type MisfitReason, type Topic } from '../../core/plan/index.ts';

/** What each choice about the making-up is about, and its methods: in a few words, and what they ask. */
type TopicWords = {
  [T in Topic]: {
    title: string;
    methods: Record<Exclude<MethodId<T>, 'none'>, readonly [name: string, asks: string]>;
  };
};

const TOPIC_WORDS: TopicWords = {
  seams: {
    title: 'Seams of the outside',
    methods: {
      overlocked: ['Pressed open, edges overlocked', 'Any cloth; an overlocker or a zigzag'],
      together: ['Overlocked together', 'Thin to medium cloth'],
      bound: ['Pressed open, edges bound', 'Cloth that frays; binding to match'],
      french: ['French seams', 'Thin cloth; straight or gently curved seams'],
      felled: ['Flat-felled', 'Firm cloth; a row of stitching shows'],
    },
  },
  neatening: {
    title: 'Raw edges neatened on',
    methods: {
      overlocker: ['An overlocker', 'An overlocker'],
      zigzag: ['The zigzag of the machine', 'Nothing in particular; a little longer'],
    },
  },
  curves: {
    title: 'Curved panel seams',
    methods: {
      'clipped-after': ['Curves clipped once they are sewn', 'Nothing in particular'],
      'clipped-before': [
        'Hollow edge clipped before it is joined',
        'A staystitched edge; it then lies flat under the needle',
      ],
      trimmed: ['Curves trimmed narrow, not clipped', 'Cloth that frays at clips; nothing left to let out'],
    },
  },
  darts: {
    title: 'Points of the darts',
    methods: {
      tied: ['Dart tails tied', 'Any cloth; a minute a dart'],
      backstitched: ['Darts stitched back', 'Cloth that hides it: it may show as a dimple'],
      'run-off': ['Darts run off the fold', 'Cloth that grips its thread'],
    },
  },
  'dart-press': {
    title: 'Upright darts pressed',
    methods: {
      'to-centre': ['Darts pressed to the centre', 'The usual'],
      'to-sides': ['Darts pressed to the sides', 'Where the allowances of a seam meet them from the middle'],
    },
  },
  yoke: {
    title: 'Yoke',
    methods: {
      rolled: ['Double, shoulders rolled', 'Thin to medium cloth; a cool head'],
      topstitched: ['Double, topstitched down', 'Any cloth; accurate folding'],
      single: ['Single', 'A cloth whose inside may show'],
      shaped: ['Single, with a shaped edge', 'Staystitching and clips'],
      inset: ['Inset with corners', 'Firm cloth that does not fray at once'],
    },
  },
  collar: {
    title: 'Collar',
    methods: {
      complete: ['Collar and stand made up, then to the neck', 'Accurate stand ends'],
      'in-stages': ['Stands to the neck first, collar after', 'Thick cloth; a neck that must fit'],
      band: ['Band', 'Nothing in particular'],
      notched: ['Notched, with facing', 'Exact notches; cloth that presses well'],
      'under-facing': ['Between neck and facing', 'A faced neck'],
      covered: ['Edge folded over the seam', 'Thin to medium cloth'],
      biased: ['Seam covered with bias strip', 'A bias strip of thin cloth'],
      hood: ['Hood', 'Nothing in particular'],
    },
  },
  front: {
    title: 'Front edge',
    methods: {
      faced: ['Faced', 'A facing'],
      zip: ['Zip between shell and facing', 'A zip that parts; a strip of interfacing'],
      band: ['Band of its own', 'Interfacing'],
      'cut-on': ['Band cut on, folded twice', 'Two sides that look alike, or thin cloth'],
      'self-faced': ['Facing in one with the front', 'Enough cloth beyond the edge'],
      concealed: ['Hidden placket', 'Thin to medium cloth'],
      half: ['Half placket', 'Exact corners'],
    },
  },
  legs: {
    title: 'Legs',
    methods: {
      'legs-first': ['Each leg closed, one slipped into the other', 'Nothing in particular'],
      'rise-first': ['Rise first, the inseam through both legs', 'Nothing in particular; easy to take in at the sides'],
    },
  },
  sleeves: {
    title: 'Sleeves',
    methods: {
      round: ['Set in the round', 'Ease worked into the cap'],
      flat: ['Sewn in flat, before the sides', 'Little ease in the cap'],
    },
  },
  slit: {
    title: 'Sleeve slit',
    methods: {
      bound: ['Bound', 'Thin cloth'],
      tower: ['Tower of two parts', 'Exact pressing'],
      hemmed: ['Hemmed', 'Thin cloth, wide sleeve'],
    },
  },
  cuff: {
    title: 'Cuff',
    methods: {
      band: ['Band with button', 'Interfacing'],
      'turn-back': ['Turned back', 'A deeper cuff, both sides good'],
      link: ['For links', 'Holes on both sides, no button'],
    },
  },
  'inner-edge': {
    title: 'Inner edge of collar, cuffs and bands',
    methods: {
      machine: ['Inner edge stitched from outside', 'Accurate folding; a row that shows'],
      hand: ['Inner edge felled by hand', 'Patience; nothing shows'],
    },
  },
  ties: {
    title: 'Ties',
    methods: {
      end: ['Ties turned through one end', 'Short ties, or cloth that slides'],
      middle: ['Ties turned through their middle', 'A long sash; a gap to close by hand'],
    },
  },
  topstitch: {
    title: 'Topstitching beside a rib',
    methods: {
      whole: ['Topstitched all the way', 'The rib holds still beside the edge'],
      'above-rib': ['Topstitched from above the rib', 'The rib stays free to give'],
    },
  },
  'wrist-when': {
    title: 'Sleeves hemmed',
    methods: {
      last: ['Hemmed last', 'Their length can still be tried on'],
      first: ['Hemmed before they are set in', 'A length that is sure; less cloth in the hand'],
    },
  },
  facing: {
    title: 'Keeping edges rolled in',
    methods: {
      understitched: ['Trimmed, then understitched', 'Any cloth; the least bulk'],
      'understitched-first': [
        'Understitched, then trimmed',
        'Cloth that frays: the wide allowances are held while they are sewn',
      ],
      topstitched: ['Topstitched', 'Even stitching; it shows'],
      rolled: ['Rolled and pressed only', 'Cloth that presses well'],
    },
  },
  'facing-when': {
    title: 'Facings and side seams',
    methods: {
      'after-sides': ['Facings after the side seams', 'Nothing in particular'],
      'before-sides': ['Facings flat, sides after', 'No sleeves'],
    },
  },
  armholes: {
    title: 'Armholes without sleeves',
    methods: {
      'pull-through': ['By machine, pulled through the shoulders', 'An open centre, wide shoulders'],
      'open-sides': ['By machine, turned through the open sides', 'The sides of the lining closed by hand'],
      slotted: ['Shoulders last, through slots', 'Short reaching in'],
      'shoulders-last': ['Shoulders last, lining felled', 'A little hand sewing'],
      felled: ['Lining felled by hand', 'Patience'],
    },
  },
  'lining-edge': {
    title: 'Lining to facing',
    methods: {
      machined: ['By machine, then both to the shell', 'Nothing in particular'],
      felled: ['Facing first, lining felled in by hand', 'Patience'],
    },
  },
  'lining-sides': {
    title: 'Sides of shell and lining',
    methods: {
      apart: ['Each by itself', 'Nothing in particular'],
      'one-run': ['In one run, hem to hem', 'Underarms that match'],
    },
  },
  opening: {
    title: 'Opening to turn it through',
    methods: {
      sleeve: ['In the sleeve lining', 'Closed by machine, not seen'],
      side: ['In the side seam of the lining', 'Closed by machine'],
      hem: ['In the hem', 'Closed by hand'],
    },
  },
  'lining-hem': {
    title: 'Hem of the lining',
    methods: { machine: ['By machine', 'Nothing in particular'], hand: ['By hand', 'Patience'] },
  },
  zip: {
    title: 'Inside to the zip',
    methods: { machine: ['By machine, to the tape', 'Teeth kept clear'], hand: ['Slipped by hand', 'Patience'] },
  },
  waist: {
    title: 'Waist',
    methods: {
      round: ['In the round, sides first', 'Nothing in particular'],
      flat: ['Flat, sides in one run after', 'Waist seams that meet'],
      band: ['Band, edge-stitched over the seam', 'Interfacing'],
      ditch: ['Band, stitched in the ditch', 'Interfacing; exact width'],
    },
  },
  hem: {
    title: 'Hem of the outside',
    methods: {
      blind: ['Turned up, blind by hand', 'Patience'],
      machine: ['Turned twice, by machine', 'A straight or gently curved hem'],
      fused: ['Fused with web', 'Cloth that bears heat; it may be undone again'],
      rolled: ['Rolled', 'Thin cloth'],
    },
  },
  wrist: {
    title: 'Sleeve ends',
    methods: {
      machine: ['Turned twice, by machine', 'Nothing in particular'],
      hand: ['By hand', 'Patience'],
      casing: ['Casing with elastic', 'A full sleeve'],
    },
  },
  corner: {
    title: 'Corner at the vent',
    methods: { plain: ['Folded plainly', 'Nothing in particular'], mitred: ['Mitred', 'Both hems pressed exactly'] },
  },
  pocket: { title: 'Pockets', methods: { 'in-seam': ['In the side seam', 'Nothing in particular'] } },
};

/** Why a method does not fit this garment. */
const REASON_WORDS: Record<MisfitReason, string> = {
  'edge-has-ruffle': 'a ruffle is sewn to the lower edge already',
  'edge-has-rib': 'the lower edge ends in a rib',
  'edge-has-lining':
    'the lining is joined to the lower edge. Let the lining hang free, and it can be sewn to the raw edge of the outside',
  'edge-is-taken': 'no lower edge of the outside is free for it',
  'nothing-bare': 'every seam is covered by a lining',
  'armhole-is-round': 'no seam opens the armhole below, so the sleeve cannot be sewn in flat',
  'hem-hangs-free': 'the lining hangs free at the hem, so the garment is turned through that',
  'no-legs': 'there are no legs',
  'has-legs': 'there are legs to sew',
  'two-piece-round': 'a two-piece sleeve is closed before it is set',
  'raglan-flat': 'raglan seams are sewn flat',
  'sleeves-through-both': 'the sleeves are set through shell and lining at once',
  'no-sleeves': 'it has no sleeves',
  'has-sleeves': 'it has sleeves',
  'no-yoke': 'it has no yoke',
  'lining-covers-yoke': 'the lining covers the inside of the yoke',
  'no-stand': 'the pattern has no collar stand',
  'no-such-seam': 'a seam it was chosen for is not sewn bare any more',
  'seam-ends-open': 'that seam runs into an opening, or is eased',
  'no-inner-edge': 'nothing has an inner layer folded over a seam',
  'no-ties': 'there are no ties',
  'no-rib-below': 'no topstitched front edge meets a rib',
  'no-darts': 'no piece has a dart that is sewn',
  'no-curved-seams': 'no seam between panels is curved enough to need it',
  'no-collar': 'the pattern has no such collar',
  'no-band': 'the pattern has no band',
  'lapel-with-stand': 'a lapel turns back; a stand closes up to the neck',
  'no-lapel': 'the front facing is not turned back with a lapel',
  'is-lapel': 'the fronts turn back as a lapel',
  'neck-not-faced': 'the neck has no facing all round',
  'neck-is-faced': 'the neck is faced',
  'no-hood': 'the pattern has no hood',
  'has-collar': 'the pattern has a collar or hood',
  'front-closed': 'the front does not open',
  'front-not-faced': 'the front edge has no facing',
  'front-is-faced': 'the front edge has a facing or a band',
  'no-placket': 'the pattern has no band',
  'no-half-placket': 'the pattern has no half placket',
  'front-opens': 'the front opens',
  'no-cuff': 'the pattern has no cuff',
  'has-cuff': 'the pattern has a cuff',
  'cuff-needs-slit': 'a cuff needs a slit',
  'wrist-not-free': 'the sleeve ends in a cuff, a rib, a facing or the lining',
  'wrist-is-free': 'the sleeve must end somehow',
  'nothing-faced': 'no edge is faced',
  'sleeves-need-sides': 'sleeves come in between',
  'no-armhole-facing': 'the armholes have no facing',
  'no-closed-armholes': 'the armholes are not closed with an inside',
  'armholes-are-closed': 'the armholes are closed with the inside',
  'both-centres-closed':
    'centre back and centre front are both closed: shoulders and sides would form a ring. Leave the centre back open, or fell the armholes by hand',
  'strap-too-narrow': 'the shoulders are too narrow to pull it through',
  'hem-is-joined': 'the lining is joined to the hem; let it hang free under “What else do I cut?”',
  'hem-is-rib': 'the hem is a rib',
  'yoke-in-shoulder': 'the shoulders are closed with the yoke',
  'collar-needs-shoulders': 'the collar needs closed shoulders',
  'no-facing-line': 'no lining is sewn to a facing',
  'no-lining-sides': 'there are no lining sides',
  'no-opening-needed': 'it can be turned without one',
  'must-be-turned': 'it could not be turned',
  'seam-through-facing': 'a seam of the lining runs on through the facing',
  'seam-too-short': 'the seam is too short for the opening that this cloth needs',
  'seam-not-there': 'the lining has no such seam',
  'no-waist-seam': 'it has no waist seam',
  'no-waistband': 'it has no waistband',
  'no-sides': 'it has no side seams',
  'has-waist': 'it has a waist seam',
  'no-zip': 'it has no zip at the back',
  'has-zip': 'it has a zip',
  'hem-not-free': 'the hem is joined, faced or a rib',
  'hem-is-free': 'the hem must be hemmed',
  'lining-hem-not-free': 'no lining hangs free',
  'no-corner': 'it has no vent whose corner is hemmed',
  'no-pocket-bags': 'the pattern has no pocket bags',
  'has-pocket-bags': 'the pattern has pocket bags',
  'unknown-method': 'Woodbine does not know it',
};

export const EXTRA_WORDS: Record<ExtraId, string> = {
  ties: 'Ties in a seam',
  label: 'A label',
  hook: 'Hook and eye',
  'patch-pockets': 'Patch pockets',
  tabs: 'Tabs in a seam',
  flaps: 'Pocket flaps',
  gathers: 'Gathers at the waist',
  ruffle: 'A ruffle at the lower edge',
  peplum: 'A peplum',
  casing: 'A casing with elastic at the waist',
  cord: 'A cord in a casing',
  'belt-loops': 'Belt loops',
  'detachable-collar': 'A detachable collar',
};

/** The same by names that come from a saved document, which may know others. */
const TOPICS: Readonly<
  Record<string, { title: string; methods: Readonly<Record<string, readonly [string, string]>> } | undefined>
> = TOPIC_WORDS;
const REASONS: Readonly<Record<string, string | undefined>> = REASON_WORDS;
const EXTRAS: Readonly<Record<string, string | undefined>> = EXTRA_WORDS;

export const topicWords = (topic: string): string => TOPICS[topic]?.title ?? topic;

/** A method by its name. */
export const methodWords = (topic: string, method: string): string => TOPICS[topic]?.methods[method]?.[0] ?? method;

/** What a method asks for. */
export const methodAsks = (topic: string, method: string): string => TOPICS[topic]?.methods[method]?.[1] ?? '';

/** Why something does not fit this garment. */
export const reasonOf = (reason: string): string => REASONS[reason] ?? reason;

/** What the sewist added, by its name. */
export const extraWords = (extra: string): string => EXTRAS[extra] ?? 'What you added';
