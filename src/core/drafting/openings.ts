import { type Decisions } from '../document/project.ts';
import { pathLength } from '../geometry/index.ts';
import {
  type Edge,
  grainDirection,
  liesIn,
  type OpeningRole,
  outlineOf,
  type Piece,
  placeGrain,
  reverseRing,
  type Seam,
  seamLineFromCut,
  sideOf,
  withOpenings,
} from '../pattern/index.ts';
import { because, type Finding, ok, type Result, warn } from '../result.ts';
import { type Garment, isSleeved } from './drafted.ts';
import { FINISH } from './facing/edgefacing.ts';
import { trimmed } from './interfacing/interfacing.ts';
import { derivePiece } from './shape/derivepiece.ts';
import { tooWide } from './shape/largestfit.ts';

/** A facing round one opening cut into a shell piece, and which of its openings that is. */
export interface OpeningFacing {
  piece: Piece;
  shell: Piece;
  opening: Edge[];
}

export interface OpeningFacings {
  pieces: OpeningFacing[];
  findings: Finding[];
}

const roleOf = (o: Edge[]): OpeningRole => (o[0]?.role ?? 'cut-out') as OpeningRole;

/** An edge of an opening as something drafted from its piece repeats it. */
const repeated = (shell: Piece, e: Edge): Edge => ({
  ...e,
  from: { piece: shell.id, edge: e.id, start: 0, end: pathLength(e.path) },
});

/** The opening `width` mm farther into the cloth all round, corners where its sides meet; its edges keep their ids. */
const widened = (o: Edge[], width: number): Edge[] =>
  width === 0
    ? o
    : seamLineFromCut(o.map((e) => ({ ...e, allowance: width }))).map((e, i) => ({
        ...e,
        allowance: o[i]?.allowance ?? 0,
      }));

/** Width of the facing round an opening, mm: as along an edge of its role; 0 where a lining or a sleeve takes its place. */
function widthOf(g: Garment, shell: Piece, role: OpeningRole, d: Decisions): number {
  if (!d.facing.on) return 0;
  if (role === 'neckline') return d.facing.bias.neck ? 0 : d.facing.shoulder;
  if (d.lining.on || (role === 'armhole' && (d.facing.bias.armhole || isSleeved(g, shell)))) return 0;
  return d.facing.bands[role];
}

const NAMES: Record<OpeningRole, string> = {
  armhole: 'armhole facing',
  neckline: 'neck facing',
  'cut-out': 'cut-out facing',
};

/** Whether the ring round a facing finds room: inside the piece, clear of its other openings. */
const hasRoom = (shell: Piece, opening: Edge[], outer: Edge[]): boolean =>
  liesIn(outlineOf(outer), shell.ring) === 'inside' &&
  (shell.openings ?? []).every((o) => o === opening || liesIn(outlineOf(o), reverseRing(outer)) === 'outside');

/**
 * Facings round the openings cut into pieces: rings of cloth, so wide all round as a facing along such an edge is, their own
 * edge drawn in by the turn of cloth. One without room is refused with the widest that has some.
 */
export function openingFacings(g: Garment, d: Decisions): OpeningFacings {
  const out: OpeningFacings = { pieces: [], findings: [] };
  for (const { shell, base } of g.drafted)
    for (const [i, opening] of (shell.openings ?? []).entries()) {
      const role = roleOf(opening);
      const width = widthOf(g, shell, role, d);
      if (width <= 0) continue;
      if (!hasRoom(shell, opening, widened(opening, width))) {
        const finding = tooWide(shell, 'band-too-wide', width, (w) => hasRoom(shell, opening, widened(opening, w)));
        out.findings.push({ ...finding, data: { ...finding.data, role } });
        continue;
      }
      out.pieces.push({
        piece: facingRound(shell, opening, `${base}-opening-${i + 1}-facing`, width, d),
        shell,
        opening,
      });
    }
  return out;
}

function facingRound(shell: Piece, opening: Edge[], id: string, width: number, d: Decisions): Piece {
  const lined = d.lining.on;
  const { turn, finish } = d.facing;
  const outer = reverseRing(widened(opening, width)).map(
    (e, i): Edge => ({
      ...e,
      id: `${opening[0]?.id}-inner-${i + 1}`,
      role: lined ? 'facing-line' : 'inner',
      allowance: lined ? d.allowances.seam : FINISH[finish],
    }),
  );
  const made = derivePiece(shell, {
    id,
    name: `${shell.name} ${NAMES[roleOf(opening)]}`,
    material: 'facing',
    ring: outer,
    reasons: [
      because('band-width', 'memory', width, { width }),
      ...(turn ? [because('turn-of-cloth', 'memory', turn, { turn })] : []),
      ...(lined ? [] : [because(`finish-${finish}`, 'practice', FINISH[finish])]),
    ],
  });
  const own = widened(opening, turn).map((e) => repeated(shell, e));
  return withOpenings({ ...made, grain: placeGrain(outlineOf(outer), grainDirection(shell), [outlineOf(own)]) }, [own]);
}

/** Facings of one piece that come to lie over each other: told, for the cloth gets thick there and shows. */
export function facingsOver(faced: OpeningFacing[], facings: Piece[]): Finding[] {
  return faced.flatMap(({ piece, shell }) =>
    facings
      .filter((f) => f.parent === shell.id && f.id !== piece.id && f.ring.some((e) => e.from))
      .filter(
        (f) =>
          liesIn(outlineOf(piece.ring), f.ring) !== 'outside' || liesIn(outlineOf(f.ring), piece.ring) !== 'outside',
      )
      .map((f) => warn('facings-over', { piece: shell.id }, { name: piece.name, other: f.name })),
  );
}

/**
 * A facing, lining or interfacing with the openings of its shell piece that lie in it. Where an opening is faced the lining
 * begins at the facing's line. One that the piece's edge goes through is told: it is not cut there.
 */
export function openingsWithin(p: Piece, shell: Piece, faced: OpeningFacing[], findings: Finding[]): Piece {
  if (!shell.openings || p.openings) return p;
  const kept = shell.openings.flatMap((o): Edge[][] => {
    const facing = p.material === 'lining' ? faced.find((f) => f.opening === o) : undefined;
    const own = facing ? reverseRing(facing.piece.ring) : o.map((e) => repeated(shell, e));
    const lies = liesIn(outlineOf(own), p.ring);
    if (lies === 'across') findings.push(across(p, shell.id, o, 'stop'));
    return lies === 'inside' ? [own] : [];
  });
  return withOpenings(p, kept);
}

/** That an opening is not cut into a piece whose edge goes through it. */
const across = (p: Piece, shell: string, o: Edge[], code: 'stop' | 'warn'): Finding => ({
  code: 'opening-across',
  severity: code,
  where: { piece: shell, ...(o[0] && { edge: o[0].id }) },
  data: { name: p.name },
});

/** An interfacing with the openings of what it stiffens, trimmed there as along its edges; told where its edge goes through one. */
export function interfacedWithin(
  p: Piece,
  under: Piece,
  trim: Decisions['interfacing']['trim'],
  findings: Finding[],
): Result<Piece> {
  const kept: Edge[][] = [];
  for (const o of under.openings ?? []) {
    const lies = liesIn(outlineOf(o), p.ring);
    if (lies === 'across') findings.push(across(p, p.parent ?? under.id, o, 'warn'));
    if (lies !== 'inside') continue;
    const made = trimmed(p, o, trim);
    if (!made.ok) return made;
    kept.push(made.value);
  }
  return ok(withOpenings(p, kept));
}

/** Seams along openings cut in: facing or lining to the shell, and lining to facing. */
export function openingSeams(g: Garment, faced: OpeningFacing[]): Seam[] {
  return g.drafted.flatMap(({ shell, lining }) =>
    (shell.openings ?? []).flatMap((o, i): Seam[] => {
      const facing = faced.find((f) => f.opening === o)?.piece;
      const role = roleOf(o);
      const length = (edges: Edge[]): number => edges.reduce((t, e) => t + pathLength(e.path), 0);
      const own = facing?.openings?.[0] ?? lining?.openings?.find((x) => x[0]?.from?.edge === o[0]?.id);
      const inside = facing ?? lining;
      // A sleeve is sewn into shell and lining apart.
      if (!own || !inside || (role === 'armhole' && isSleeved(g, shell))) return [];
      const meant = length(own) - length(o);
      const closing: Seam = {
        id: `closing-${inside.id}-opening-${i + 1}`,
        code: `band-${role}`,
        group: 'closing',
        a: sideOf(inside, own),
        b: sideOf(shell, o),
        ease: { min: Math.min(0, meant), max: Math.max(0, meant) },
        ...(Math.abs(meant) > 0.05 && { easeOf: 'turn' }),
      };
      const met = facing && lining?.openings?.find((x) => facing.ring.some((e) => e.id === x[0]?.id));
      if (!met || !lining || !facing) return [closing];
      return [
        closing,
        {
          id: `inside-facing-line-opening-${facing.id}`,
          code: 'facing-line-opening',
          group: 'inside',
          a: sideOf(lining, met),
          b: sideOf(facing, facing.ring),
          ease: { min: 0, max: 0 },
        },
      ];
    }),
  );
}
