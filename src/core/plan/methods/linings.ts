import { type PlanBuilder } from '../builder.ts';
import { TUBE } from '../check/index.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Need, type SeamCode, when } from '../names.ts';
import { halt } from '../stretches.ts';
import { type Joint } from '../types.ts';
import { bag, turnThrough } from './bag.ts';
import { before, easeCap, liningArmholes, setThroughBoth, shouldersLate, sidesLate } from './body.ts';
import { basteNeck, closeArmholes, closeEdge, hasArmholes } from './edges.ts';
import { LINING_PANELS, LINING_SKIRT, LINING_SLEEVE, SHOULDERS } from './groups.ts';
import { liningLegs } from './legs.ts';
import { type Method, unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';
import { bagged, lined, linings, openIn, opening, openingLength, openSeam, sewnLength, widestHem } from './opening.ts';
import { furtherLiningPanels, liningSkirtPanels } from './panels.ts';
import { pleatedOverSeam } from './prepare.ts';
import { flatLate, lateSides, liningWaist, sidesOnceTurned } from './sides.ts';
import { lineVents } from './vents.ts';
import { besideZip } from './zips.ts';

const felled = (b: PlanBuilder): boolean => b.g.methods['lining-edge'] === 'felled';

/** A seam of the lining, with the opening for turning left in it where it is the chosen one. */
function liningSeam(b: PlanBuilder, codes: readonly SeamCode[], needs: Need[]): void {
  const open = codes.find((c) => openSeam(b, opening(b)) === c && b.has(c));
  const stops = halt(open !== undefined, 'opening', openingLength(b));
  b.sew('inside', codes, { needs, stops });
  if (open) openIn(b, `sew:${b.joints(...codes)[0]?.code}`, open);
}

/** Facings and lining made up into one inside, or each for itself where the lining is felled in by hand. */
export function insideBody(b: PlanBuilder): void {
  b.sew('inside', ['lining-panel-front']);
  b.sew('inside', ['lining-panel-back']);
  furtherLiningPanels(b);
  const panels = LINING_PANELS;
  b.sew('inside', ['facing-centre-back']);
  b.sew('inside', ['facing-centre-front']);
  b.sew('inside', ['facing-across'], { makes: ['facings:joined'] });
  if (!felled(b)) facingLines(b, panels);
  b.sew('inside', ['lining-centre-back'], { needs: panels });
  layBackPleat(b);
  b.sew('inside', ['lining-centre-front'], { needs: panels });
  if (!shouldersLate(b)) {
    const flat: Need[] = ['done:facing-line-front?', 'done:facing-line-back?', 'done:lining-centre-back?', ...panels];
    if (felled(b)) {
      b.sew('inside', ['facing-shoulder']);
      b.sew('inside', ['lining-shoulder'], { needs: panels });
    } else b.sew('inside', ['facing-shoulder', 'lining-shoulder'], { needs: flat });
    b.sew('inside', ['facing-raglan'], { needs: felled(b) ? panels : flat });
  }
  if (!sidesLate(b) || before(b)) liningSeam(b, ['lining-side', 'lining-side-zip'], panels);
  liningSeam(b, ['lining-underarm'], []);
  b.sew('inside', ['lining-forearm']);
  b.sew('inside', ['lining-elbow'], { needs: ['done:lining-forearm?'] });
  const sleeves: Need[] = [...LINING_SLEEVE, ...LINING_PANELS];
  if (b.has('lining-cap')) easeCap(b, 'sleeve', 'inside', 'lining-cap');
  const shoulders: Need[] = ['done:facing-shoulder?', 'done:lining-shoulder?', 'done:lining-side?'];
  b.sew('inside', ['lining-cap'], {
    needs: [...sleeves, ...shoulders, 'eased:lining-cap?'],
    makes: ['inside:sleeves'],
  });
  b.sew('inside', ['lining-raglan'], { needs: [...sleeves, 'done:lining-side?'], makes: ['inside:sleeves'] });
  liningSkirt(b);
}

/** A pleat over the seam of the lining's centre back is laid once that is sewn, and held by the facing above it. */
function layBackPleat(b: PlanBuilder): void {
  const pieces = [...pleatedOverSeam(b)];
  if (!pieces.length) return;
  b.add('inside', 'machine', 'pleats:centre-back', {
    code: 'baste-pleats',
    pieces,
    needs: ['done:lining-centre-back'],
    data: { pleats: 1, pleat: b.g.d.lining.pleat, overSeam: 1 },
  });
}

/** Seams of the inside that run through lining and facing in one: those two are joined before. */
const throughBoth = (b: PlanBuilder): string[][] =>
  b.g.making.joints.flatMap((j) =>
    [j.a, j.b].map((keys) => [...new Set(keys.map(partOf))]).filter((parts) => mixed(b, parts)),
  );
const mixed = (b: PlanBuilder, parts: string[]): boolean =>
  new Set(parts.map((p) => b.parts.get(p)?.material)).size > 1;

/** Lines between front facing and lining: all in one, or one by one where panels wait for some of them. */
function frontLines(b: PlanBuilder, panels: Need[]): void {
  const first = throughBoth(b);
  const isFirst = (j: Joint): boolean => first.some((parts) => edgesOf([j]).every((k) => parts.includes(partOf(k))));
  const lines = b.joints('facing-line-front');
  if (!lines.some(isFirst)) b.sew('inside', ['facing-line-front'], { needs: panels });
  else for (const only of lines) b.sew('inside', ['facing-line-front'], { only, needs: isFirst(only) ? [] : panels });
}

function facingLines(b: PlanBuilder, panels: Need[]): void {
  frontLines(b, panels);
  const back: Need[] = ['done:facing-centre-back?', ...when(pleatedOverSeam(b).size > 0, 'step:pleats:centre-back')];
  b.sew('inside', ['facing-line-back'], { needs: [...panels, ...back] });
  b.sew('inside', ['facing-line-sleeve']);
}

function liningSkirt(b: PlanBuilder): void {
  b.sew('inside', ['lining-skirt-centre-back']);
  b.sew('inside', ['lining-skirt-centre-front']);
  if (!flatLate(b)) liningSeam(b, ['lining-skirt-side', 'lining-skirt-side-zip'], ['done:lining-skirt-centre-back?']);
  liningSkirtPanels(b);
  liningLegs(b);
  if (!sidesLate(b)) liningWaist(b, ['done:lining-side?']);
  // Facing and lining each closed to a ring first, then sewn to each other in the round.
  b.sew('inside', ['facing-line-waist'], {
    needs: [
      'done:facing-side?',
      'done:facing-skirt-centre-back?',
      'done:facing-skirt-centre-front?',
      ...LINING_SKIRT,
      'done:lining-skirt-centre-front?',
    ],
  });
}

/** Worn on both sides, neither layer may hang out of the other: each is held against the other before any edge is joined. */
function measureLayers(b: PlanBuilder): void {
  if (!b.g.d.lining.on || !b.g.d.lining.self || !lined(b)) return;
  b.add('joining', 'table', 'measure-layers', {
    pieces: b.g.making.parts.filter((p) => p.material === 'shell' || p.material === 'lining').map((p) => p.id),
    needs: [
      ...when(!shouldersLate(b), ...SHOULDERS, 'done:lining-shoulder?'),
      ...when(!sidesLate(b), 'done:side?', 'done:lining-side?'),
    ],
    makes: ['layers:measured'],
  });
}

/** Layers that are joined: edge, armholes, wrists, vents and hem, the turning between them. */
export function joinLayers(b: PlanBuilder): void {
  measureLayers(b);
  closeEdge(b);
  const armholes = b.g.methods.armholes ?? 'none';
  const turnsFirst = ['felled'].includes(armholes) || !hasArmholes(b);
  if (hasArmholes(b) && !turnsFirst)
    closeArmholes(b, {
      by: 'machine',
      needs: [
        'held:edge?',
        'facings:joined?',
        ...when(
          !shouldersLate(b),
          'done:shoulder?',
          'done:yoke-shoulder?',
          'done:yoke-back?',
          'done:facing-shoulder?',
          'done:lining-shoulder?',
        ),
      ],
      short: shouldersLate(b),
    });
  if (bagged(b)) bag(b);
  else turnThrough(b);
  if (hasArmholes(b) && armholes === 'felled')
    closeArmholes(b, {
      by: 'hand',
      needs: ['turned?', 'done:shoulder?', 'done:side?', 'done:lining-side?'],
      short: false,
    });
  basteNeck(b);
  setThroughBoth(b);
  fellCaps(b);
  if (shouldersLate(b)) lateShoulders(b);
  if (b.g.methods.armholes === 'open-sides') sidesOnceTurned(b);
  else if (sidesLate(b)) lateSides(b);
  if (felled(b)) fellLining(b);
  lineVents(b);
}

/** Sleeve linings in an unlined body: their caps slipped over the armhole seam by hand. */
function fellCaps(b: PlanBuilder): void {
  const armholes = b.has('raglan') ? liningArmholes(b) : [];
  const keys = [...b.unmet(linings(b), 'cap'), ...armholes];
  if (!keys.length) return;
  b.add('finish', 'hand', 'fell-caps', {
    pieces: [...new Set(keys.map(partOf))],
    needs: [
      'done:cap?',
      'done:raglan?',
      'done:lining-underarm?',
      'done:lining-elbow?',
      'wrist:joined?',
      'wrist-lining:hemmed?',
    ],
    cares: b.care(keys, 'enclosed'),
    thread: 'lining',
    data: { a: 500 },
  });
}

/** A slit: its edges turned in, the lining joined to them as at a zip; or hemmed. */
export function finishSlit(b: PlanBuilder): void {
  const open = b.g.making.joints.filter((j) => b.slitShare(j) > 0);
  if (!open.length) return;
  const pieces = [...new Set(edgesOf(open).map(partOf))];
  b.add('finish', 'machine', lined(b) ? 'line-slit' : 'hem-slit-edges', {
    pieces,
    needs: [...open.map((j): Need => `done:${j.code}?`), 'hem:pressed?', 'turned?', 'lining:hemmed?'],
    makes: ['slit:done'],
    data: { slit: b.g.d.lining.slit.length, a: b.g.d.lining.slit.length * 2 },
  });
}

/** Shoulders last: the shell's sewn right sides together through the slot, the lining's folded in over them. */
function lateShoulders(b: PlanBuilder): void {
  const slotted = b.g.methods.armholes === 'slotted';
  b.sew('joining', ['shoulder'], { needs: ['turned'], reached: true, plain: true, care: 'enclosed' });
  b.sew(
    'joining',
    ['facing-shoulder', 'lining-shoulder'],
    slotted
      ? { needs: ['done:shoulder'], reached: true, plain: true }
      : {
          id: 'fell-shoulders',
          station: 'hand',
          code: 'fell-shoulders',
          needs: ['done:shoulder'],
          to_: null,
          plain: true,
          care: 'enclosed',
        },
  );
  const short = b.ops.filter((o) => ['sew-edge', 'sew-armholes'].includes(o.id));
  const open = short.flatMap((o) => b.rest(o.id, [...new Set(o.seams.map((x) => x.code))]));
  const zip = besideZip(b, open);
  const rest = open.filter((s) => !zip.includes(s));
  b.add('joining', 'machine', 'close-slots', {
    pieces: [...new Set(rest.flatMap((s) => edgesOf(b.g.making.joints.filter((j) => j.id === s.joint))).map(partOf))],
    needs: ['done:shoulder?', 'done:facing-shoulder?', 'done:lining-shoulder?'],
    sews: rest,
    makes: ['armholes:closed', 'neck:closed'],
    reached: true,
    data: { a: 120 },
  });
}

/** The lining, made up for itself, slipped to the facings by hand. */
function fellLining(b: PlanBuilder): void {
  const codes: SeamCode[] = ['facing-line-front', 'facing-line-back', 'facing-line-sleeve'];
  const j = b.joints(...codes)[0];
  if (!j) return;
  b.sew('finish', codes, {
    id: 'fell-lining',
    station: 'hand',
    code: 'fell-lining',
    stack: b.fromInside(j),
    care: 'enclosed',
    to_: null,
    needs: ['turned?', 'held:edge?', 'done:lining-side?', 'inside:sleeves?', 'done:lining-shoulder?', 'done:cap?'],
    makes: ['lining:in'],
  });
}

/** Turned through side seams that are still open, or through wrists, a bag needs no opening of its own. */
const needsOpening = (b: PlanBuilder): boolean => bagged(b) && !wristsOpen(b) && b.g.methods.armholes !== 'open-sides';

/** Wrists that are finished after the turning serve as the way. */
const wristsOpen = (b: PlanBuilder): boolean =>
  b.has('lining-cap', 'lining-raglan') && (!b.has('wrist') || b.g.d.lining.wrist.kind === 'rib') && bagged(b);

/** Whether the opening finds room in this seam, with a stitch left at both ends. */
const roomy = (b: PlanBuilder, code: SeamCode): boolean => sewnLength(b, code) * 0.9 >= openingLength(b);

const hemRoomy = (b: PlanBuilder): boolean => {
  const code = widestHem(b);
  return code !== undefined && roomy(b, code);
};

const openable =
  (at: string): Method['fits'] =>
  (b) => {
    const code = openSeam(b, at);
    if (!needsOpening(b)) return 'no-opening-needed';
    return code && b.has(code) ? unless(roomy(b, code), 'seam-too-short') : 'seam-not-there';
  };

/** Both sleeveless and lined or faced there. */
const armholed = (b: PlanBuilder): MisfitReason | null => unless(hasArmholes(b), 'no-closed-armholes');

/** Whether a shoulder, closed at neck and armhole, is too narrow to pull anything through. */
const narrow = (b: PlanBuilder): boolean =>
  b.joints('shoulder', 'yoke-shoulder').some((j) => j.lengthA < TUBE[b.g.making.bulk]);

const pullThrough = (b: PlanBuilder): MisfitReason | null => {
  const none = armholed(b);
  if (none) return none;
  if (narrow(b)) return 'strap-too-narrow';
  const front = b.of('front').some((p) => p.ring.some((e) => e.role === 'front-edge'));
  // A yoke runs across the back: an open centre back below it does not open the ring of the shoulders.
  const parted = b.joints('centre-back', 'centre-front').some((j) => b.zipShare(j) >= 1);
  const open = front || (parted && !b.has('yoke-shoulder'));
  if (!open) return 'both-centres-closed';
  return unless(!bagged(b), 'hem-is-joined');
};

/** Bagged through its side seams: whatever else is closed lies along one border, as long as the front opens. */
const openSides = (b: PlanBuilder): MisfitReason | null => {
  const none = armholed(b);
  if (none) return none;
  if (narrow(b)) return 'strap-too-narrow';
  if (!bagged(b)) return 'hem-hangs-free';
  if (!b.has('side') || !b.has('lining-side')) return 'no-sides';
  if (b.has('waist-front', 'waist-back', 'lining-waist-front', 'lining-waist-back')) return 'has-waist';
  return unless(
    b.of('front').some((p) => p.ring.some((e) => e.role === 'front-edge')),
    'both-centres-closed',
  );
};

/** Shoulders sewn last: none with a yoke in them, none where a collar closes with the neck seam. */
const late = (b: PlanBuilder): MisfitReason | null => {
  const none = armholed(b);
  if (none) return none;
  if (b.has('collar-neck', 'hood-neck')) return 'collar-needs-shoulders';
  return unless(!b.has('yoke-shoulder') && b.has('shoulder'), 'yoke-in-shoulder');
};

export const LININGS = [
  way('armholes', 'pull-through', 0, pullThrough),
  way('armholes', 'open-sides', 0, openSides),
  way('armholes', 'slotted', 0, late),
  way('armholes', 'shoulders-last', 0, late),
  way('armholes', 'felled', 0, armholed),
  way('armholes', 'none', 0, (b) => unless(!hasArmholes(b), 'armholes-are-closed')),
  way('lining-edge', 'machined', 0, (b) => unless(b.has('facing-line-front', 'facing-line-back'), 'no-facing-line')),
  way('lining-edge', 'felled', 0, (b) =>
    !b.has('facing-line-front', 'facing-line-back')
      ? 'no-facing-line'
      : bagged(b)
        ? 'hem-is-joined'
        : throughBoth(b).length
          ? 'seam-through-facing'
          : unless(!hasArmholes(b), 'armholes-are-closed'),
  ),
  way('lining-sides', 'apart', 0, (b) => unless(b.has('lining-side', 'lining-skirt-side'), 'no-lining-sides')),
  way('lining-sides', 'one-run', 0, (b) =>
    !b.has('lining-side')
      ? 'no-lining-sides'
      : bagged(b)
        ? 'hem-is-joined'
        : b.has('cap') && !b.has('lining-cap')
          ? null
          : unless(!b.has('cap', 'raglan', 'vent-over'), 'sleeves-need-sides'),
  ),
  way('opening', 'sleeve', 0, openable('sleeve')),
  way('opening', 'side', 0, openable('side')),
  way('opening', 'hem', 0, (b) => {
    if (!needsOpening(b)) return 'no-opening-needed';
    return b.g.d.lining.hem.kind === 'rib' ? 'hem-is-rib' : unless(hemRoomy(b), 'seam-too-short');
  }),
  way('opening', 'none', 0, (b) => unless(!needsOpening(b), 'must-be-turned')),
];
