import { type WalkedSeam } from '../pattern/index.ts';
import { knownSeam, type SeamCode } from './names.ts';
import { type Part } from './types.ts';

const LOWER: ReadonlySet<Part['kind']> = new Set(['skirt-front', 'skirt-back', 'trouser-front', 'trouser-back']);

/** What the plan calls the seams of pieces beyond the usual ones: as their like of the usual pieces, where there is one. */
const PLAIN: Readonly<Record<string, SeamCode>> = {
  'join-shoulder': 'shoulder',
  'join-cap': 'cap',
  'join-underarm': 'underarm',
  'join-elbow': 'elbow',
  'join-forearm': 'forearm',
  'join-stand': 'stand-neck',
  'join-collar': 'collar-neck',
  'join-cuff': 'cuff',
  'join-hood': 'hood-neck',
  'join-yoke': 'yoke-join',
  'join-inseam': 'inseam',
  'join-rise': 'rise',
  'join-other': 'other',
};

/** The same of seams in the lower half of the body: another name, for they are sewn with the skirt. */
const BY_HEIGHT: Readonly<Record<string, readonly [upper: SeamCode, lower: SeamCode]>> = {
  'join-side': ['side', 'skirt-side'],
  'join-panel': ['panel', 'skirt-panel'],
  'join-centre-back': ['centre-back', 'skirt-centre-back'],
  'join-centre-front': ['centre-front', 'skirt-centre-front'],
  'lining-panel': ['lining-panel', 'lining-skirt-panel'],
  'lining-side': ['lining-side', 'lining-skirt-side'],
};

/** Seams of the lining without a name of their own, by what the edge is called. */
const INNER: Readonly<Record<string, SeamCode>> = {
  inseam: 'lining-inseam',
  rise: 'lining-rise',
  'yoke-seam': 'lining-yoke-join',
};

/** What is sewn round an opening cut into a piece, where the like along an edge has a name as well. */
const OPENINGS: Readonly<Record<string, SeamCode>> = {
  'band-armhole': 'opening-armhole',
  'band-neckline': 'opening-neckline',
  'band-cut-out': 'opening-cut-out',
};

/** What has no name in the plan is at least sewn. */
const GENERAL: Readonly<Record<WalkedSeam['group'], SeamCode>> = {
  shell: 'other',
  inside: 'lining-other',
  closing: 'band-cut-out',
};

const isNeckFacing = (p: Part | undefined): boolean =>
  p?.material === 'facing' && p.ring.some((e) => e.role === 'neckline');

/** The name by which the plan knows a walked seam; `parts`: layers by their ids. */
export function planSeam(s: WalkedSeam, parts: ReadonlyMap<string, Part>): SeamCode {
  const kinds = [...s.a, ...s.b].flatMap((x) => parts.get(x.piece)?.kind ?? []);
  if (s.code === 'join-waist') return kinds.includes('waistband') ? 'waistband' : 'waist-front';
  if (s.code === 'lining-other') return INNER[s.a[0]?.role ?? ''] ?? 'lining-other';
  const opening = OPENINGS[s.code];
  if (
    opening &&
    s.b.some((x) =>
      parts
        .get(x.piece)
        ?.openings?.flat()
        .some((e) => e.id === x.edge),
    )
  )
    return opening;
  // A keyhole is faced in one with the neck it goes on into, and sewn in one run with it.
  if (s.code === 'band-cut-out' && s.a.some((x) => isNeckFacing(parts.get(x.piece)))) return 'neckline-cut-out';
  const height = BY_HEIGHT[s.code];
  if (height && kinds.includes('hood')) return 'hood-centre-back';
  if (height) return height[kinds.some((k) => LOWER.has(k)) ? 1 : 0];
  return PLAIN[s.code] ?? knownSeam(s.code) ?? GENERAL[s.group];
}
