import { type BandRole, type Decisions } from '../../document/project.ts';
import { type JoinCode, type PanelEdge } from '../../garment/index.ts';
import { pathLength } from '../../geometry/index.ts';
import { type Edge, type Piece, type Role, type Seam, type Side, sideOf, takenOf } from '../../pattern/index.ts';
import { type Finding, stop } from '../../result.ts';
import { type Garment, namesOf, type Place, placeOf } from '../drafted.ts';
import { metByLining, rawEdged } from './belowfacing.ts';
import { allInOne, edgeFacing } from './edgefacing.ts';

/** Facings along edges, with the shell piece each belongs to. */
export interface Bands {
  pieces: { role: BandRole | 'in-one'; piece: Piece; shell: Piece }[];
  findings: Finding[];
}

/** Where pieces are worn that carry an edge of this role that can be faced. */
const CARRIERS: Record<BandRole, Place[]> = {
  armhole: ['body'],
  waist: ['skirt'],
  hem: ['body', 'skirt'],
  wrist: ['sleeve'],
  'cut-out': ['body', 'skirt', 'sleeve'],
};

const NAMES: Record<BandRole, string> = {
  armhole: 'armhole facing',
  waist: 'waist facing',
  hem: 'hem facing',
  wrist: 'wrist facing',
  'cut-out': 'cut-out facing',
};

/** Why an asked facing is left out, where something else takes its place; null when it can be drafted. */
function inItsPlace(role: BandRole, shell: Piece[], d: Decisions): string | null {
  const has = (...kinds: Piece['kind'][]): boolean => shell.some((p) => kinds.includes(p.kind));
  if (role === 'armhole' && has('sleeve')) return 'sleeve';
  if ((role === 'armhole' || role === 'cut-out') && d.lining.on) return 'lining';
  if (role === 'armhole' && d.facing.bias.armhole) return 'bias strip';
  if (role === 'waist' && has('waistband')) return 'waistband';
  if (role === 'waist' && has('front', 'back')) return 'bodice';
  if (role === 'hem' && d.lining.on && d.lining.hem.kind === 'rib') return 'rib';
  if (role === 'wrist' && d.lining.on && d.lining.wrist.kind === 'rib') return 'rib';
  return null;
}

/** All facings along edges that were asked for; what something else takes the place of is told, not drafted. */
export function edgeFacings(g: Garment, d: Decisions): Bands {
  const { shell } = g;
  const out: Bands = { pieces: [], findings: [] };
  if (d.facing.inOne > 0) inOne(g, d, out);
  for (const role of Object.keys(CARRIERS) as BandRole[]) {
    const width = d.facing.bands[role];
    const carriers = carriersOf(g, role);
    if (width <= 0 || !carriers.length) continue;
    const instead = inItsPlace(role, shell, d);
    if (instead) {
      out.findings.push({ code: 'facing-not-needed', severity: 'note', data: { role, instead } });
      continue;
    }
    if (role === 'armhole' && d.facing.inOne > 0) continue;
    for (const [shellPiece, base] of carriers) {
      const meet = role === 'armhole' ? facingsMeet(shellPiece, width, d) : null;
      if (meet) {
        out.findings.push(meet);
        continue;
      }
      const made = edgeFacing(shellPiece, {
        role,
        width,
        turn: role === 'hem' || role === 'wrist' ? 0 : d.facing.turn,
        finish: d.facing.finish,
        id: `${base}-${role}-facing`,
        name: `${shellPiece.name} ${NAMES[role]}`,
      });
      const lined = role === 'waist' && d.lining.on && d.lining.skirt;
      const joined = (role === 'hem' || role === 'wrist') && d.lining.on && d.lining[role].kind === 'joined';
      if (made.ok) {
        const { piece } = made.value;
        out.pieces.push({
          role,
          piece: lined ? metByLining(piece, d.allowances.seam) : joined ? rawEdged(piece) : piece,
          shell: shellPiece,
        });
      } else out.findings.push(...made.findings);
    }
  }
  return out;
}

/** The pieces of the shell that carry an edge, and what the ids of what is drafted from them begin with. */
const carriersOf = (g: Garment, role: BandRole): [Piece, string][] =>
  g.shell.flatMap((p): [Piece, string][] => {
    const place = placeOf(g, p);
    const base = g.drafted.find((x) => x.shell.id === p.id)?.base;
    return place && base && CARRIERS[role].includes(place) && p.ring.some((e) => e.role === role) ? [[p, base]] : [];
  });

/** Neck and armhole faced apart have to find room side by side on the shoulder, a hair between them (mm). */
function facingsMeet(piece: Piece, armhole: number, d: Decisions): Finding | null {
  const edges = piece.ring.filter((e) => e.role === 'shoulder');
  const shoulder = edges.reduce((t, e) => t + pathLength(e.path), 0);
  const neck = d.facing.bias.neck ? 0 : d.facing.shoulder;
  if (!edges.length || neck + armhole + 2 <= shoulder + 0.01) return null;
  const most = Math.floor((shoulder - 2) / 2 + 1e-3);
  return stop('facings-meet', { piece: piece.id }, { name: piece.name, shoulder, neck, armhole, most });
}

function inOne(g: Garment, d: Decisions, out: Bands): void {
  const { shell } = g;
  if (d.lining.on || shell.some((p) => p.kind === 'sleeve')) {
    const instead = d.lining.on ? 'lining' : 'sleeve';
    out.findings.push({ code: 'facing-not-needed', severity: 'note', data: { role: 'in-one', instead } });
    return;
  }
  for (const { base, shell: own } of g.drafted) {
    const { kind } = own;
    const piece = shell.find((p) => p.id === own.id);
    if (!piece || (kind !== 'front' && kind !== 'back')) continue;
    const made = allInOne(piece, {
      centre: d.facing.inOne + depthOfNeck(piece),
      side: d.facing.inOne,
      narrower: 3,
      finish: d.facing.finish,
      ...(kind === 'front' && { down: { width: d.facing.front, seam: d.allowances.seam } }),
      id: `${base}-in-one-facing`,
      name: `${piece.name} facing, neck and armhole`,
    });
    if (made.ok) out.pieces.push({ role: 'in-one', piece: made.value, shell: piece });
    else out.findings.push(...made.findings);
  }
}

/** The facing reaches as far below the underarm as below the neck at the centre: how far the armhole lies deeper. */
function depthOfNeck(piece: Piece): number {
  const side = piece.ring.find((e) => e.role === 'side');
  const neck = piece.ring.find((e) => e.role === 'neckline');
  if (!side || !neck) return 0;
  const ys = (e: Edge): number[] => e.path.flatMap((s) => [s.a.y, s.b.y]);
  const up = Math.sign(piece.grain.a.y - piece.grain.b.y) || 1;
  const [underarm, hollow] =
    up > 0 ? [Math.min(...ys(side)), Math.max(...ys(neck))] : [Math.max(...ys(side)), Math.min(...ys(neck))];
  return Math.max(0, (underarm - hollow) * up);
}

/** All seams of facings along edges: to their own edge, to each other, to the lining. To its own edge: darts taken out of the shell, and what the turn of cloth takes meant. */
export const edgeFacingSeams = (g: Garment, bands: Bands, linings: Piece[]): Seam[] => [
  ...ownEdges(bands),
  ...endsOf(g, bands),
  ...toLinings(bands, linings),
];

/** A facing's lower edge to the lining that meets it; darts in the lining taken out. */
function toLinings(bands: Bands, linings: Piece[]): Seam[] {
  return bands.pieces.flatMap(({ role, piece, shell }): Seam[] =>
    linings
      .filter((q) => q.parent === shell.id)
      .flatMap((q): Seam[] => {
        const [own, line] = [piece.ring, q.ring].map((ring) => ring.filter((e) => e.role === 'facing-line')) as [
          Edge[],
          Edge[],
        ];
        if (role !== 'waist' || !own.length || !line.length) return [];
        // Beside a zip that goes on below the facing the lining ends short of it, by what it is cut back.
        const back = q.reasons.find((r) => r.rule === 'zip')?.value ?? 0;
        const ease = { min: Math.min(0, -back * 1.1), max: 0 };
        return [
          {
            id: `inside-facing-line-${q.id}`,
            code: 'facing-line-waist',
            group: 'inside',
            a: sideOf(q, line),
            b: sideOf(piece, own),
            ease,
            ...(back > 0 && { easeOf: 'zip' }),
          },
        ];
      }),
  );
}

/** Seams of the shell whose facings end at them: called after the edge on both sides of it. */
const ENDS: Partial<Record<JoinCode, Role[]>> = {
  shoulder: ['shoulder'],
  side: ['side'],
  panel: ['panel-seam'],
  underarm: ['underarm'],
  elbow: ['elbow-seam'],
  forearm: ['forearm-seam'],
  yoke: ['yoke-seam'],
  inseam: ['inseam'],
  rise: ['rise'],
};

/** Seams whose facings are named by the pieces they join. */
const ACROSS: ReadonlySet<Role> = new Set<Role>(['panel-seam', 'yoke-seam', 'inseam', 'rise']);

/** The short ends of facings to each other across the seams of the shell; round a wrist, to its own other end. */
function endsOf(g: Garment, bands: Bands): Seam[] {
  const seen = new Map<string, number>();
  return g.joins.flatMap((j) =>
    (ENDS[j.code] ?? []).flatMap((r) =>
      (['armhole', 'waist', 'hem', 'in-one', 'wrist', 'cut-out'] as const).flatMap((role): Seam[] => {
        const on = (chain: PanelEdge[]): Side[] => endsOn(bands, role, r, chain);
        // The longer side of a seam, the back's, first.
        const [a, b] = isBackOf(g, j.a) ? [on(j.a), on(j.b)] : [on(j.b), on(j.a)];
        if (!a.length || !b.length) return [];
        const name = role === 'wrist' ? `ends-${a[0]?.piece}-${r}` : `ends-${role}-${r}`;
        const again = seen.get(name) ?? 0;
        seen.set(name, again + 1);
        const own = role === 'wrist' ? 'facing-wrist' : `facing-${r}`;
        const code = ACROSS.has(r) ? 'facing-across' : own;
        const id = `inside-${name}${again ? `-${again + 1}` : ''}`;
        const between =
          code === 'facing-across' &&
          namesOf(
            bands.pieces.map((x) => x.piece),
            a,
            b,
          );
        return [{ id, code, group: 'inside', a, b, ease: { min: 0, max: 0 }, ...(between && { between }) }];
      }),
    ),
  );
}

const isBackOf = (g: Garment, chain: PanelEdge[]): boolean =>
  chain.some((e) => g.shell.find((p) => p.id === e.piece)?.kind.includes('back'));

/** Ends of the facings of one kind along a chain of shell edges. */
const endsOn = (bands: Bands, role: Bands['pieces'][number]['role'], r: Role, chain: PanelEdge[]): Side[] =>
  bands.pieces
    .filter((b) => b.role === role)
    .flatMap(({ piece }) =>
      sideOf(
        piece,
        piece.ring.filter(
          (e) => e.role === r && !e.onFold && chain.some((x) => x.piece === e.from?.piece && x.edge === e.from.edge),
        ),
      ),
    );

function ownEdges(bands: Bands): Seam[] {
  return bands.pieces.flatMap(({ role, piece, shell }): Seam[] => {
    const roles = role === 'in-one' ? (['neckline', 'armhole', 'front-edge'] as const) : ([role] as const);
    return roles.flatMap((r): Seam[] => {
      const [own, outer] = [piece.ring.filter((e) => e.role === r), shell.ring.filter((e) => e.role === r)];
      if (!own.length || !outer.length) return [];
      const taken = takenOf(shell);
      const length = (edges: Edge[]): number => edges.reduce((s, e) => s + pathLength(e.path), 0);
      const meant = length(own) - outer.reduce((s, e) => s + pathLength(e.path) - (taken.get(e.id) ?? 0), 0);
      // Only what is drawn in on purpose is meant; a facing that is off by more was traced wrong.
      const small = Math.abs(meant) < 0.05 ? 0 : Math.max(-MOST_DRAWN_IN, Math.min(MOST_DRAWN_IN, meant));
      return [
        {
          id: `closing-${piece.id}-${r}`,
          code: r === 'front-edge' ? r : `band-${r}`,
          group: 'closing',
          a: sideOf(piece, own),
          b: sideOf(shell, outer),
          ease: { min: Math.min(0, small), max: Math.max(0, small) },
          ...(small !== 0 && { easeOf: 'turn' }),
        },
      ];
    });
  });
}

/** Most that the turn of cloth changes the length of an edge by, mm: 3 mm over a whole turn. */
const MOST_DRAWN_IN = 3 * 2 * Math.PI;

/** Width of the facing along an edge of this piece, mm; 0 where there is none. */
export const facedAt = (bands: Bands, shell: Piece, role: BandRole): number =>
  bands.pieces
    .find((b) => b.shell.id === shell.id && b.role === role)
    ?.piece.reasons.find((r) => r.rule === 'band-width')?.value ?? 0;

export const noBands = (): Bands => ({ pieces: [], findings: [] });
