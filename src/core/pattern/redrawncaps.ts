import { type CapSaid, type CapWay } from '../document/project.ts';
import { pathLength } from '../geometry/index.ts';
import { because, type Finding, type Result, refuse, stop } from '../result.ts';
import { deepenCap, fitCap } from './capfit.ts';
import { type WalkedSeam } from './seam.ts';
import { type Piece } from './types.ts';

/** A sleeve with its cap redrawn, and how: mm its cap is lifted by, or hollowed out towards the underarm. */
export interface RedrawnCap {
  piece: Piece;
  by: number;
  /** Its new length, mm. */
  length: number;
}

const NOT = { lifted: 'cap-not-lifted', deepened: 'cap-not-deepened' } as const satisfies Record<CapWay, string>;

const capOf = (p: Piece): number => p.ring.reduce((t, e) => t + (e.role === 'cap' ? pathLength(e.path) : 0), 0);

/** What a sleeve's cap is to be as long as, mm: its armhole with the ease that is wished, less what another piece has of the cap. */
function targetOf(sleeve: Piece, seam: WalkedSeam, ease: number): number {
  const own = new Set(sleeve.ring.filter((e) => e.role === 'cap').map((e) => `${sleeve.id}/${e.id}`));
  const mine = seam.a.filter((s) => own.has(`${s.piece}/${s.edge}`)).length;
  const rest = mine < seam.a.length ? seam.lengthAMm - capOf(sleeve) : 0;
  return seam.lengthBMm + ease - rest;
}

/** The seam of a sleeve's cap with its armhole, as it was walked. */
export const capSeam = (seams: WalkedSeam[], sleeve: string): WalkedSeam | undefined =>
  seams.find((s) => s.group === 'shell' && s.a.some((x) => x.piece === sleeve && x.role === 'cap'));

/**
 * A sleeve's cap redrawn to be longer than its armhole by `ease` mm: hollowed out towards the underarm, or lifted at its top
 * (both common practice for a cap that is too short). Refuses what neither way reaches.
 */
export function redrawCap(sleeve: Piece, seam: WalkedSeam, way: CapWay, ease: number): Result<RedrawnCap> {
  const target = targetOf(sleeve, seam, ease);
  const made = way === 'lifted' ? fitCap(sleeve.ring, target) : deepenCap(sleeve.ring, target);
  if (!made) return refuse(stop(NOT[way], { piece: sleeve.id }, { name: sleeve.name, cap: capOf(sleeve), target }));
  const by = 'deeper' in made ? made.deeper : made.heightChange;
  const reasons = [...sleeve.reasons, because(`cap-${way}`, 'practice', by, { target, ease, before: capOf(sleeve) })];
  return { ok: true, value: { piece: { ...sleeve, ring: made.ring, reasons }, by, length: target } };
}

/** All sleeves whose caps are to be redrawn, in place of those drawn; what cannot be done stays as drawn and is told. */
export function redrawnCaps(
  pieces: Piece[],
  seams: WalkedSeam[],
  said: CapSaid[],
): { pieces: Piece[]; findings: Finding[] } {
  const findings: Finding[] = [];
  const drawn = pieces.map((p) => {
    const own = said.find((c) => c.piece === p.id);
    const seam = own && capSeam(seams, p.id);
    if (!own || !seam) return p;
    const made = redrawCap(p, seam, own.way, own.ease);
    if (made.ok) return made.value.piece;
    findings.push(...made.findings);
    return p;
  });
  return { pieces: drawn, findings };
}
