import { apart } from '../document/apart.ts';
import { type Decisions } from '../document/project.ts';
import { selfCrossing } from '../geometry/index.ts';
import { type Edge, flatRing, isDrawnWhole, type Piece, runsOf, type Seam } from '../pattern/index.ts';
import { type Finding, ok, type Result, stop } from '../result.ts';
import { biasStrips } from './facing/bias.ts';
import { type Bands, edgeFacingSeams, edgeFacings, noBands } from './facing/edgefacings.ts';
import { fromCrease } from './facing/grownon.ts';
import { neckFacings, type Parts } from './facing/neckfacings.ts';
import { hoodPieces } from './hood.ts';
import { moreInterfacings } from './interfacing/extras.ts';
import { shapedFront } from './interfacing/frontinterfacing.ts';
import { frontEdgeStrip, interfaceWhole } from './interfacing/interfacing.ts';
import { lineAll, lineSkirt } from './lining/linings.ts';
import { type Hems, type InsidePieces } from './pieces.ts';
import { ribs } from './ribs.ts';
import { insideSeams } from './seams.ts';
import { first } from './shape/find.ts';
import { joinYoke, withYoke } from './shape/joinyoke.ts';

export interface Inside {
  pieces: Piece[];
  /** Shell pieces that are cut otherwise than drawn: with a facing grown on. */
  recut: Piece[];
  seams: Seam[];
  findings: Finding[];
  hems: Hems;
  /** How shell pieces were parted into facing and lining, as they were drafted. */
  splits: Parted[];
  /** Shell pieces laid together to be drafted from: a back with its yoke. */
  joined: Piece[];
}

/** A shell piece (a back with its yoke taken in) and the two rings along its facing line. */
export interface Parted {
  piece: Piece;
  facing: Edge[];
  lining: Edge[];
}

/** The back, with the yoke taken in where it has one. */
function wholeBack(shell: Piece[]): Piece | undefined {
  const back = first(shell, 'back');
  const yoke = first(shell, 'yoke');
  return back && yoke ? (joinYoke(back, yoke) ?? back) : back;
}

/**
 * Everything that goes inside: facings, linings and interfacings with their seams. Pure; a piece that cannot be drafted
 * is left out with a finding and the rest still stand.
 */
export function deriveInside(all: Piece[], d: Decisions): Inside {
  const findings: Finding[] = [];
  // What is drawn whole is told, and drafted once it is halved.
  const shell = all.filter((p) => !isDrawnWhole(p));
  const front = first(shell, 'front');
  const back = apart('pattern', findings, first(shell, 'back'), () => wholeBack(shell));
  const sleeve = first(shell, 'sleeve');
  findings.push(...lacking(all), ...extras(shell));
  const p: InsidePieces = {
    front,
    back,
    sleeve,
    frontSide: first(shell, 'front-side'),
    backSide: first(shell, 'back-side'),
    underSleeve: first(shell, 'under-sleeve'),
  };
  const off: Bands = noBands();
  const bands = d.facing.on ? apart('facing', findings, off, () => edgeFacings(shell, d)) : off;
  const none = { pieces: [], findings: [] };
  const bias = d.facing.on ? apart('facing', findings, none, () => biasStrips(shell, d)) : none;
  findings.push(...bands.findings, ...bias.findings);
  const parts = apart<Parts>('facing', findings, none, () => neckFacings(p, shell, bands, d));
  findings.push(...parts.findings);
  const hems: Hems = { body: null, wrist: null };
  if (d.lining.on) {
    apart('lining', findings, undefined, () =>
      lineAll(p, parts, first(shell, 'cuff') !== undefined, d, findings, hems),
    );
    apart('lining', findings, undefined, () => lineSkirt(p, shell, bands, d, findings, hems));
  }
  const hood = first(shell, 'hood');
  if (hood) apart('hood', findings, undefined, () => hoodPieces(hood, d, p, findings), hood);
  const interfacing = d.interfacing.on ? interfacings(p, parts, shell, bands, d, findings) : [];
  const facings = facingsOf(p, bands, bias.pieces);
  const linings = liningsOf(p, d);
  const seams = apart('seams', findings, [], () => [...insideSeams(p, d, hems), ...edgeFacingSeams(bands, linings)]);
  const ribbing = apart('rib', findings, [], () => ribs(shell, d));
  const pieces = [...facings, ...ribbing, ...linings, ...interfacing].filter((q) => sound(q, findings));
  const joined = back && back !== first(shell, 'back') ? [{ ...back, id: withYoke(back) }] : [];
  const splits = d.lining.on ? partedOf(parts) : [];
  const there = new Set([...shell, ...pieces].map((q) => q.id));
  const both = seams.filter((s) => [...s.a, ...s.b].every((x) => there.has(x.piece)));
  return { pieces, recut: p.recut ? [p.recut] : [], seams: both, findings, hems, splits, joined };
}

/** A piece whose outline crosses itself is no piece: it is left out and told, with the place. */
function sound(q: Piece, findings: Finding[]): boolean {
  const hit = selfCrossing(flatRing(q.ring));
  if (!hit) return true;
  const where = { ...(q.parent && { piece: q.parent }), x: hit.x, y: hit.y };
  findings.push(stop('outline-crosses', where, { name: q.name }));
  return false;
}

const partedOf = ({ front, back, sleeve }: Parts): Parted[] =>
  [front, back, sleeve].flatMap((s) => (s ? [{ piece: s.oriented.piece, facing: s.facing, lining: s.lining }] : []));

const there = (pieces: (Piece | undefined)[]): Piece[] => pieces.filter((q): q is Piece => q !== undefined);

function facingsOf(p: InsidePieces, bands: Bands, bias: Piece[]): Piece[] {
  const neck = [p.recut ? undefined : p.frontFacing, p.backFacing, p.sleeveFacing, p.hoodFacing];
  return [...there(neck), ...bands.pieces.map((b) => b.piece), ...bias];
}

function liningsOf(p: InsidePieces, d: Decisions): Piece[] {
  const body = [p.frontLining, p.frontSideLining, p.backLining, p.backUnderlap, p.backSideLining];
  const sleeves = [p.sleeveLining, p.underSleeveLining];
  const all = there([...body, ...sleeves, p.hoodLining, p.skirtFrontLining, p.skirtBackLining, p.skirtUnderlap]);
  return d.lining.self ? all.map((q) => ({ ...q, name: q.name.replace(/ lining/, ', second layer') })) : all;
}

function interfacings(
  p: InsidePieces,
  parts: Parts,
  shell: Piece[],
  bands: Bands,
  d: Decisions,
  findings: Finding[],
): Piece[] {
  const whole = (made: () => Result<Piece>[], of?: Piece): Piece[] =>
    apart('interfacing', findings, [], () => made().flatMap((r) => taken(r, findings)), of);
  return [
    ...whole(() => interfaceAll(p, d)),
    ...whole(() => underFront(p, parts, d), p.front),
    ...bands.pieces.flatMap((b) => whole(() => [interfaceWhole(b.piece, b.shell, d.interfacing.trim)], b.shell)),
    ...apart('interfacing', findings, [], () => moreInterfacings(shell, p.back, d, findings)),
  ];
}

/** What could be made; why not, where it could not. */
function taken<T>(r: Result<T>, findings: Finding[]): T[] {
  if (!r.ok) findings.push(...r.findings);
  return r.ok ? [r.value] : [];
}

/** A front or back that is not there; a skirt by itself has neither. */
function lacking(shell: Piece[]): Finding[] {
  const skirt = first(shell, 'skirt-front') ?? first(shell, 'skirt-back');
  const kinds = (['front', 'back'] as const).filter((kind) => !first(shell, kind));
  if (!shell.length || (skirt && kinds.length === 2)) return [];
  return kinds.map((kind) => ({ ...stop('piece-missing', undefined, { kind }), severity: 'warn' }));
}

/** Facings and lining are drafted from one front, one back and one sleeve: a second of a kind is told, not passed over. */
function extras(shell: Piece[]): Finding[] {
  return shell.flatMap((p): Finding[] => {
    const used = p.kind === 'other' ? p : first(shell, p.kind);
    if (!used || used === p) return [];
    const data = { name: p.name, kind: p.kind, used: used.name };
    return [{ code: 'second-of-kind', severity: 'warn', where: { piece: p.id }, data }];
  });
}

function interfaceAll(p: InsidePieces, d: Decisions): Result<Piece>[] {
  const { trim } = d.interfacing;
  const out: Result<Piece>[] = [];
  if (p.frontFacing && p.front) {
    const { front } = p;
    const made = interfaceWhole({ ...p.frontFacing, id: 'front-facing' }, front, trim);
    // Grown on, it lies under the front itself, as that is cut.
    out.push(p.recut && made.ok ? ok({ ...fromCrease(made.value, front), stiffens: front.id }) : made);
  }
  if (p.backFacing && p.back) out.push(interfaceWhole(p.backFacing, p.back, trim));
  if (p.hoodFacing && p.hood) out.push(interfaceWhole(p.hoodFacing, p.hood, trim));
  if (p.sleeveFacing && p.sleeve) out.push(interfaceWhole(p.sleeveFacing, p.sleeve, trim));
  return out;
}

/** What lies beneath the facing on the front itself: a strip along its edge, a shaped piece, or all of it. */
function underFront(p: InsidePieces, parts: Parts, d: Decisions): Result<Piece>[] {
  const { front } = p;
  const { trim, frontStrip, front: how } = d.interfacing;
  if (!front || !runsOf(front.ring, 'front-edge').length) return [];
  const edged = p.recut ? creased(front) : front;
  const cut = (made: Result<Piece>): Result<Piece> => (p.recut && made.ok ? ok(fromCrease(made.value, front)) : made);
  if (how === 'whole') {
    const all = interfaceWhole({ ...edged, id: 'front', name: 'Front' }, edged, trim);
    const named = all.ok ? ok({ ...all.value, stiffens: front.id }) : all;
    return [cut(named), ...(p.frontSide ? [interfaceWhole(p.frontSide, p.frontSide, trim)] : [])];
  }
  if (how === 'strip' && frontStrip <= 0) return [];
  const split = parts.front;
  if (how === 'shaped' && !split) return [];
  return [cut(how === 'shaped' && split ? shapedFront(edged, split, trim) : frontEdgeStrip(edged, frontStrip, trim))];
}

/** A front whose edge is the crease of a facing grown on. */
const creased = (front: Piece): Piece => ({
  ...front,
  ring: front.ring.map((e) => (e.role === 'front-edge' ? { ...e, onFold: true } : e)),
});
