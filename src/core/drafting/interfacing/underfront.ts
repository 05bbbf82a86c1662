import { type Decisions } from '../../document/project.ts';
import { type JoinCode } from '../../garment/index.ts';
import { type Piece, type PieceKind, type Role, runsOf } from '../../pattern/index.ts';
import { ok, type Result, refuse } from '../../result.ts';
import { type Drafted, type Garment, laidId, placeOf } from '../drafted.ts';
import { fromCrease } from '../facing/grownon.ts';
import { asDrawn } from '../shape/laytogether.ts';
import { frontEdgeStrip, interfaceWhole } from './interfacing.ts';
import { shapedFront, shapedPanels } from './shaped.ts';

/** What lies beneath the facing on a front that opens: a strip along its edge, a shaped piece, or all of it. */
export function underFront(g: Garment, x: Drafted, d: Decisions): Result<Piece>[] {
  const { base, title, laid } = x;
  const { trim, frontStrip, front: how } = d.interfacing;
  const front = laid?.laid.piece ?? x.shell;
  // Laid together with others its interfacing is drafted with theirs.
  const within = g.drafted.some((y) => y.over?.includes(x));
  if (within || x.shell.kind === 'hood' || !runsOf(front.ring, 'front-edge').length) return [];
  if (how === 'whole') return panelsOf(g, x).flatMap((y) => underWhole(y, trim));
  const sided = front.ring.some((e) => e.role === 'side');
  const panels = how === 'shaped' && !sided && !x.recut ? shapedPanels(g, x, d) : null;
  if (panels) return panels;
  const edged = x.recut ? creased(front) : front;
  const strip = how === 'strip' || !SHAPED_OVER.some((r) => front.ring.some((e) => e.role === r));
  const split = laid?.split ?? x.split;
  if (strip ? frontStrip <= 0 : !split) return [];
  const made = strip || !split ? frontEdgeStrip(edged, frontStrip, trim) : shapedFront(edged, split, trim);
  if (!made.ok) return [refuse(...made.findings.map((f) => ({ ...f, where: { ...f.where, piece: x.shell.id } })))];
  const named =
    base === 'front' ? made.value : { ...made.value, id: `${base}-interfacing`, name: `${title} interfacing` };
  if (laid) return [ok({ ...asDrawn(laid.laid, named), stiffens: laidId(x) })];
  return [ok(x.recut ? fromCrease(named, front) : named)];
}

/** Edges that a front interfacing shaped as a tailor's goes over; what has none of them has a strip. */
const SHAPED_OVER: Role[] = ['shoulder', 'armhole', 'side'];

/** Seams between the panels of a front, and what is no part of one. */
const BETWEEN: ReadonlySet<JoinCode> = new Set<JoinCode>(['panel', 'yoke']);
const BEHIND: ReadonlySet<PieceKind> = new Set<PieceKind>(['back', 'back-side', 'yoke']);

/** All panels that a front is cut into, which are interfaced with it; not those that are sewn to a back's panels as well. */
function panelsOf(g: Garment, x: Drafted): Drafted[] {
  const beside = (y: Drafted): Drafted[] => {
    const ids = g.joins
      .filter((j) => BETWEEN.has(j.code))
      .map((j) => [...j.a, ...j.b].map((e) => e.piece))
      .filter((pieces) => pieces.includes(y.shell.id))
      .flat();
    return g.drafted.filter((z) => z !== y && ids.includes(z.shell.id));
  };
  const isBehind = (y: Drafted): boolean => BEHIND.has(y.shell.kind);
  const found = [x, ...(x.over ?? [])];
  for (const y of found)
    for (const z of beside(y))
      if (!found.includes(z) && placeOf(g, z.shell) === 'body' && !isBehind(z) && !beside(z).some(isBehind))
        found.push(z);
  return found;
}

/** All of a piece. */
function underWhole({ shell, base, title, recut }: Drafted, trim: Decisions['interfacing']['trim']): Result<Piece>[] {
  const own = recut ? creased(shell) : shell;
  const named = base === 'front' ? { id: base, name: title } : { id: own.id, name: own.name };
  const made = interfaceWhole({ ...own, ...named }, own, trim);
  if (!made.ok) return [made];
  const piece = { ...made.value, stiffens: shell.id };
  return [ok(recut ? fromCrease(piece, shell) : piece)];
}

/** A front whose edge is the crease of a facing grown on. */
const creased = (front: Piece): Piece => ({
  ...front,
  ring: front.ring.map((e) => (e.role === 'front-edge' ? { ...e, onFold: true } : e)),
});
