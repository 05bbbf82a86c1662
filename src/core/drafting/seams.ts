import { type Decisions } from '../document/project.ts';
import { endDirection, startDirection, turn } from '../geometry/index.ts';
import { type Piece, type Role, runsOf, type Seam, type Side, sideOf } from '../pattern/index.ts';
import { hoodSeams } from './hood.ts';
import { endsAbove, hemSeams, ventSeams } from './lining/hemseams.ts';
import { backPleat, sleeveSides } from './lining/lining.ts';
import { type Hems, type InsidePieces, type Join, shellCapEase } from './pieces.ts';
import { runLength } from './shape/oriented.ts';

/** A lining cut back beside a zip ends so much before the facing it is sewn to. */
function besideZip(back: Piece | undefined, d: Decisions): Partial<Seam> | null {
  const centre = back?.ring.find((e) => e.role === 'centre-back');
  if (!centre || centre.onFold || d.lining.zip.length <= 0) return null;
  const step = centre.allowance - d.lining.zip.shellSeam;
  return { ease: { min: -step * 1.1, max: 0 }, easeOf: 'zip' };
}

/** Edges of a piece put together from several belong to the piece they were drawn on. */
const ofOwnPiece = (p: Piece, role: Role): Side[] =>
  runsOf(p.ring, role)
    .flat()
    .map((e) =>
      e.from && p.material === 'shell'
        ? { piece: e.from.piece, edge: e.from.edge, role }
        : { piece: p.id, edge: e.id, role },
    );

const EXACT = { min: 0, max: 0 };

type Some = Piece | undefined;

/** Edges of one role on all of these pieces; of shell pieces, on the piece they were drawn on. */
const on = (role: Role, ...pieces: Some[]): Side[] => pieces.flatMap((p) => (p ? ofOwnPiece(p, role) : []));

/** The pieces, the choices, and where the seams are put. */
interface Sewing {
  p: InsidePieces;
  d: Decisions;
  hems: Hems;
  join: Join;
}

/** The seams among facing, lining and shell, with the ease that is meant on each. */
export function insideSeams(p: InsidePieces, d: Decisions, hems: Hems): Seam[] {
  const seams: Seam[] = [];
  const join: Join = (group, code, a, b, more = {}) => {
    if (a.length && b.length) seams.push({ id: `${group}-${code}`, code, group, a, b, ease: EXACT, ...more });
  };
  const s: Sewing = { p, d, hems, join };
  facingSeams(s);
  liningSeams(s);
  if (p.sleeveLining) sleeveSeams(s, p.sleeveLining);
  hoodSeams(p, on, join);
  edgeSeams(s);
  for (const [lining, under] of [
    [p.backLining, p.backUnderlap],
    [p.skirtBackLining, p.skirtUnderlap],
  ])
    if (lining && under) seams.push(...seams.flatMap((x) => alsoUnder(x, lining, under)));
  ventSeams(p.back, p.backLining, p.backUnderlap, d, hems.body, join);
  ventSeams(p.skirtBack, p.skirtBackLining, p.skirtUnderlap, d, hems.body, join);
  seams.push(...hemSeams(p, d, hems));
  if (p.sleeveLining && !hems.wrist) {
    const linings = on('wrist', p.sleeveLining, p.underSleeveLining);
    join('closing', 'wrist-to-cuff', linings, on('wrist', p.sleeve, p.underSleeve));
  }
  return seams;
}

const SHOULDER_EASE = { ease: { min: 0, max: 10 }, easeOf: 'shoulder' };
/** As between the panels of the shell. */
const PANEL_EASE = { ease: { min: -3, max: 10 }, easeOf: 'panel' };

/** Half the centre-back pleat, taken up where the lining meets what has none; beside a zip the lining ends short. */
function pleatOf({ p, d }: Sewing): Partial<Seam> {
  const half = p.back ? backPleat(p.back, d) / 2 : 0;
  return besideZip(p.back, d) ?? { ease: { min: half, max: half }, ...(half > 0 && { easeOf: 'pleat' }) };
}

function facingSeams(s: Sewing): void {
  const { p, d, hems, join } = s;
  // A back faced down to the armholes takes the shoulders of facing and lining.
  const deep = p.backFacing?.ring.some((e) => e.role === 'armhole' && !p.sleeveFacing) ?? false;
  const back = on('shoulder', p.backFacing);
  if (deep && p.frontLining)
    join(
      'inside',
      'facing-shoulder',
      back,
      on('shoulder', p.frontFacing, p.frontLining, p.frontSideLining),
      SHOULDER_EASE,
    );
  else
    join(
      'inside',
      'facing-shoulder',
      deep ? asFarAs('shoulder', p.frontFacing, p.backFacing) : back,
      on('shoulder', p.frontFacing),
    );
  if (p.sleeveFacing)
    join('inside', 'facing-raglan', on('cap', p.sleeveFacing), on('armhole', p.frontFacing, p.backFacing));
  const open = p.backFacing?.ring.filter((e) => e.role === 'centre-back' && !e.onFold) ?? [];
  if (p.backFacing && open.length && d.lining.zip.length <= 0)
    join('inside', 'facing-centre-back', sideOf(p.backFacing, open), sideOf(p.backFacing, open));
  const toHem = p.frontFacing?.ring.some((e) => e.role === 'hem');
  const line = (lining: Some, facing: Some): [Side[], Side[]] => [on('facing-line', lining), on('facing-line', facing)];
  join('inside', 'facing-line-front', ...line(p.frontLining, p.frontFacing), toHem ? endsAbove(hems.body) : {});
  join('inside', 'facing-line-back', ...line(p.backLining, p.backFacing), pleatOf(s));
  join('inside', 'facing-line-sleeve', ...line(p.sleeveLining, p.sleeveFacing));
}

/** Unlined, a deep back facing is sewn only as far as the shorter of the two reaches: the share of the longer one's edge. */
function asFarAs(role: Role, short: Some, long: Some): Side[] {
  const length = (q: Some): number => (q ? runLength(q.ring, role) : 0);
  const share = length(long) > 0 ? Math.min(1, length(short) / length(long)) : 1;
  return on(role, long).map((side) => ({ ...side, share }));
}

function liningSeams({ p, join }: Sewing): void {
  const [fronts, backs] = [
    [p.frontLining, p.frontSideLining],
    [p.backLining, p.backSideLining],
  ];
  if (p.backLining?.ring.some((e) => e.role === 'shoulder'))
    join('inside', 'lining-shoulder', on('shoulder', ...backs), on('shoulder', ...fronts), SHOULDER_EASE);
  for (const [code, whole] of [
    ['lining-panel-front', fronts],
    ['lining-panel-back', backs],
  ] as const)
    join('inside', code, on('panel-seam', whole[1]), on('panel-seam', whole[0]), PANEL_EASE);
  join('inside', 'lining-side', on('side', ...fronts), on('side', ...backs));
  join('inside', 'lining-skirt-side', on('side', p.skirtFrontLining), on('side', p.skirtBackLining));
  join('inside', 'lining-waist-front', on('waist', p.skirtFrontLining), on('waist', ...fronts));
  join('inside', 'lining-waist-back', on('waist', p.skirtBackLining), on('waist', ...backs));
}

function sleeveSeams({ p, d, join }: Sewing, sleeve: Piece): void {
  const [one] = sleeveSides(sleeve);
  const under = p.underSleeveLining;
  if (one === 'underarm') {
    const [u1, u2] = runsOf(sleeve.ring, 'underarm');
    if (u1 && u2) join('inside', 'lining-underarm', sideOf(sleeve, u1), sideOf(sleeve, u2));
  } else {
    const elbow = { ease: { min: 0, max: 14 }, easeOf: 'elbow' };
    const forearm = { ease: { min: -7, max: 4 }, easeOf: 'forearm' };
    join('inside', 'lining-elbow', on('elbow-seam', sleeve), on('elbow-seam', under), elbow);
    join('inside', 'lining-forearm', on('forearm-seam', sleeve), on('forearm-seam', under), forearm);
  }
  if (!p.frontLining || !p.backLining) return;
  const body = [p.frontLining, p.frontSideLining, p.backLining, p.backSideLining];
  const raglan = sleeve.kind === 'sleeve' && p.sleeve?.ring.some((e) => e.role === 'neckline');
  if (raglan)
    join('inside', 'lining-raglan', on('cap', sleeve), on('armhole', ...body), { ...SHOULDER_EASE, easeOf: 'cap' });
  else {
    const meant = d.lining.self ? shellCapEase(p) : d.lining.capEase;
    const ease = { min: meant, max: meant };
    join('inside', 'lining-cap', on('cap', sleeve, under), on('armhole', ...body, p.backFacing), {
      ease,
      easeOf: 'cap',
    });
  }
}

/** The inside to the shell's front edge, neck, waist and, without sleeves, armholes. */
function edgeSeams(s: Sewing): void {
  const { p, d, join } = s;
  const out = drawnOutBy(p, d);
  // A lining that reaches the front edge ends at its own height.
  const low = p.frontFacing ? out : endsAbove(s.hems.body);
  const front = p.frontFacing ?? p.frontLining;
  join('closing', 'front-edge', on('front-edge', front), on('front-edge', p.front), low);
  join('closing', 'neckline-front', on('neckline', front), on('neckline', p.front), out);
  const back = p.backFacing ?? p.backLining;
  join('closing', 'neckline-back', on('neckline', back), on('neckline', p.back), p.backFacing ? {} : pleatOf(s));
  join('closing', 'neckline-sleeve', on('neckline', p.sleeveFacing ?? p.sleeveLining), on('neckline', p.sleeve));
  if (!p.frontLining) join('closing', 'waist-front-lining', on('waist', p.skirtFrontLining), on('waist', p.skirtFront));
  if (!p.backLining)
    join(
      'closing',
      'waist-back-lining',
      on('waist', p.skirtBackLining),
      on('waist', p.skirtBack),
      besideZip(p.skirtBack, d) ?? {},
    );
  if (p.sleeve) return;
  // Sleeveless: each lining's armhole to the shell's, smaller by what was drawn in over its turn.
  const reach = d.lining.smaller * Math.PI + 2 * d.lining.smaller;
  const rolled = { ease: { min: -reach, max: reach }, easeOf: 'turn' };
  join(
    'closing',
    'armhole-front',
    on('armhole', p.frontLining, p.frontSideLining),
    on('armhole', p.front, p.frontSide),
    rolled,
  );
  const backs = on('armhole', p.backFacing, p.backLining, p.backSideLining);
  const shell = p.backLining ? on('armhole', p.back, p.backSide) : asFarAs('armhole', p.backFacing, p.back);
  join('closing', 'armhole-back', backs, shell, rolled);
}

/**
 * The facing of a lapel differs from the shell's edge by what is drawn out over its turns, and at its upper corner by how
 * far both edges run on: out/sin and out·cot of the corner's turn. Derived.
 */
function drawnOutBy(p: InsidePieces, d: Decisions): Partial<Seam> {
  const { out } = d.facing;
  if (d.facing.kind !== 'lapel' || out <= 0 || !p.frontFacing || !p.front) return {};
  const { ring } = p.front;
  const corner = ring.findIndex((e, i) => {
    const roles = [e.role, ring[(i + 1) % ring.length]?.role];
    return roles.includes('front-edge') && roles.includes('neckline');
  });
  const [e, next] = [ring[corner], ring[(corner + 1) % ring.length]];
  const angle = e && next ? turn(endDirection(e.path), startDirection(next.path)) : Math.PI / 2;
  const runOn = out / Math.max(0.2, Math.abs(Math.sin(angle)));
  return { ease: { min: -runOn, max: runOn + out * Math.PI }, easeOf: 'lapel' };
}

/** A seam of the half that laps over is sewn on the half that lies under as well. */
function alsoUnder(s: Seam, lining: Piece, under: Piece): Seam[] {
  if (![...s.a, ...s.b].some((x) => x.piece === lining.id)) return [];
  const put = (side: Side): Side => (side.piece === lining.id ? { ...side, piece: under.id } : side);
  return [{ ...s, id: `${s.id}-under`, a: s.a.map(put), b: s.b.map(put) }];
}
