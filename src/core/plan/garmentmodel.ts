import { type Surface } from '../garment/index.ts';
import { cornersAlong, meetAtCorner, type Point, pathLength } from '../geometry/index.ts';
import {
  type Edge,
  type EdgeMark,
  grainDirection,
  laidOn,
  type Piece,
  pointsOn,
  type Role,
  slantOf,
  type WalkedSeam,
} from '../pattern/index.ts';
import { bendsOf } from './clips.ts';
import { ventAngle } from './mitre.ts';
import { knownSeam, type SeamCode } from './names.ts';
import { planSeam } from './seamnames.ts';
import { type Bulk, type GarmentModel, type Joint, type Part, type PartEdge } from './types.ts';

export const keyOf = (part: string, edge: string): string => `${part}/${edge}`;
export const partOf = (key: string): string => key.slice(0, key.lastIndexOf('/'));

/** The same edge on another layer. */
const onPart = (key: string, part: string): string => keyOf(part, key.slice(key.lastIndexOf('/') + 1));

/** The pattern piece's own edge that an edge of a second layer, or of a facing grown on, is drawn as. */
export const drawnAs = (key: string, parts: ReadonlyMap<string, Part>): string =>
  onPart(key, parts.get(partOf(key))?.of ?? partOf(key));

/** Every edge of a layer: round it, and round the openings cut into it. */
export const partEdges = (p: Part): PartEdge[] => [...p.ring, ...(p.openings ?? []).flat()];

/** Every edge that these joints sew, as `part/edge`. */
export const edgesOf = (joints: Joint[]): string[] => joints.flatMap((j) => [...j.a, ...j.b]);

/** The edges before and behind an edge in the ring of its piece; none where the piece has no such edge. */
export function besideEdge(parts: ReadonlyMap<string, Part>, key: string): [PartEdge?, PartEdge?] {
  const ring = parts.get(partOf(key))?.ring ?? [];
  const i = ring.findIndex((e) => keyOf(partOf(key), e.id) === key);
  return i < 0 ? [] : [ring.at(i - 1), ring[(i + 1) % ring.length]];
}

/** The layer under (or inside) of a piece that is cut twice. */
export const under = (id: string): string => `${id}:in`;

/** Which way the right side of a layer looks in the finished garment: 1 outward, -1 inward. */
export function faceOf(p: Part, lace: boolean): 1 | -1 {
  if (p.layer === 'outer') return 1;
  return lace && p.material === 'lining' ? 1 : -1;
}

const edgeOf =
  (grain: Point, points: ReadonlyMap<string, EdgeMark[]>) =>
  (e: Edge, i: number, ring: Edge[]): PartEdge => ({
    id: e.id,
    role: e.role,
    length: pathLength(e.path),
    onFold: e.onFold,
    ...(e.grownOn && { grownOn: true }),
    allowance: e.allowance,
    bends: bendsOf(e.path),
    corners: cornersAlong(e.path),
    cornerAtEnd: meetAtCorner(e.path, ring[(i + 1) % ring.length]?.path ?? e.path),
    slant: slantOf(e.path, grain),
    ...(points.has(e.id) && { marks: points.get(e.id) ?? [] }),
  });

/** Pieces of a skirt. */
export const SKIRTS: ReadonlySet<Part['kind']> = new Set(['skirt-front', 'skirt-back']);

const FRONTS: ReadonlySet<Part['kind']> = new Set(['front', 'front-side', 'skirt-front', 'trouser-front']);
const BACKS: ReadonlySet<Part['kind']> = new Set(['back', 'back-side', 'skirt-back', 'trouser-back']);

/** Kinds made of two layers, as drawn without a fold along an edge. */
const DOUBLE: ReadonlySet<string> = new Set(['collar', 'stand', 'cuff', 'waistband']);

const isDouble = (p: Piece, yokes: boolean): boolean =>
  p.material === 'shell' && (p.kind === 'yoke' ? yokes : DOUBLE.has(p.kind));

/** Id of the part of a front that is its facing, grown on beyond the fold. */
export const grownOn = (id: string): string => `${id}:facing`;

/** A front with its facing grown on, as two layers that a fold joins. */
function parted(p: Part): Part[] {
  if (!p.ring.some((e) => e.grownOn)) return [p];
  const crease: PartEdge = {
    id: 'crease',
    role: 'front-edge',
    length: 0,
    onFold: true,
    allowance: 0,
    bends: [],
  };
  // The rings run on from one side of the fold to the other; each half gets the fold in its place.
  const first = p.ring.findIndex((e, i) => !e.grownOn && p.ring[(i + p.ring.length - 1) % p.ring.length]?.grownOn);
  const turned = [...p.ring.slice(first), ...p.ring.slice(0, first)];
  const [own, beyond] = [turned.filter((e) => !e.grownOn), turned.filter((e) => e.grownOn)];
  const facing: Part = {
    ...p,
    id: grownOn(p.id),
    material: 'facing',
    layer: 'inner',
    covered: true,
    ring: [crease, ...beyond],
    darts: 0,
    pleats: 0,
  };
  return [
    { ...p, ring: [crease, ...own] },
    { ...facing, fused: null },
  ];
}

/** The piece an interfacing is fused to: the one it lies under, else the one it was drafted from. */
const fusedTo = (q: Piece): string | undefined => (q.material === 'interfacing' ? (q.stiffens ?? q.parent) : undefined);

/** How the garment is made, as far as its layers tell of it. */
export interface Made {
  bulk: Bulk;
  lace: boolean;
  /** The yoke can be made double. */
  yokes: boolean;
  /** Both layers of the stand are interfaced. */
  standBoth: boolean;
  /** How far the extensions of vents fold back, mm, by piece. */
  folds: Readonly<Record<string, number>>;
}

/** Layers of cloth of the pieces, without interfacing, which is noted on the layer it is fused to. */
export function partsOf(pieces: Piece[], how: Pick<Made, 'yokes' | 'standBoth' | 'folds'>): Part[] {
  const cloth = pieces.filter((p) => p.material !== 'interfacing');
  const lined = new Set(cloth.filter((p) => p.material === 'lining').map((p) => p.parent));
  return cloth.flatMap((p): Part[] => {
    const fused = pieces.find((q) => fusedTo(q) === p.id);
    const double = isDouble(p, how.yokes);
    const use = laidOn(p);
    const edge = edgeOf(grainDirection(p), pointsOn(p.ring, p.marks));
    const part: Part = {
      id: p.id,
      of: p.id,
      kind: p.kind,
      material: p.material,
      ring: p.ring.map(edge),
      ...(p.openings && { openings: p.openings.map((o) => o.map(edge)) }),
      paired: p.cut.pair || p.cut.count > 1,
      layer: p.material === 'shell' ? 'outer' : 'inner',
      covered: p.material !== 'shell' || double || lined.has(p.id),
      fused: fused?.id ?? null,
      ...(use && { use }),
      ...(how.folds[p.id] !== undefined && { vent: { fold: how.folds[p.id] ?? 0, angle: ventAngle(p.ring) } }),
      darts: p.lines.filter((l) => l.kind === 'dart').length,
      cut: p.cut.count,
      pleats: p.lines.filter((l) => l.kind === 'pleat').length,
    };
    if (!double) return parted(part);
    const inner: Part = { ...part, id: under(p.id), layer: 'inner' };
    return [part, p.kind === 'stand' && !how.standBoth ? { ...inner, fused: null } : inner];
  });
}

const jointOf = (s: WalkedSeam, parts: Map<string, Part>): Joint => {
  const key = (x: { piece: string; edge: string }): string => {
    const beyond = parts.get(grownOn(x.piece))?.ring.some((e) => e.id === x.edge && e.grownOn);
    return keyOf(beyond ? grownOn(x.piece) : x.piece, x.edge);
  };
  const first = s.a[0];
  const on = first && parts.get(first.piece);
  const edge = on && partEdges(on).find((e) => e.id === first.edge);
  const [a, b] = [s.a.map(key), s.b.map(key)];
  // A seam across the body, walked from side to side, is told as others are: on one half.
  const both = [a, b].every((keys) => keys.length === 2 * new Set(keys).size);
  const share = both ? 0.5 : 1;
  return {
    id: s.id,
    code: planSeam(s, parts),
    ...(s.between && { between: s.between }),
    a: both ? [...new Set(a)] : a,
    b: both ? [...new Set(b)] : b,
    lengthA: s.lengthAMm * share,
    lengthB: s.lengthBMm * share,
    closing: s.group === 'closing',
    ...(s.easeOf && { easeOf: s.easeOf }),
    allowance: edge?.allowance ?? 0,
  };
};

const edges = (p: Part, ...roles: Role[]): PartEdge[] =>
  partEdges(p).filter((e) => roles.includes(e.role) && !e.onFold);
const keys = (p: Part, ...roles: Role[]): string[] => edges(p, ...roles).map((e) => keyOf(p.id, e.id));
const length = (p: Part, ...roles: Role[]): number => edges(p, ...roles).reduce((t, e) => t + e.length, 0);

/** A joint of a layer with its like under it, along edges of the same roles. */
function twin(code: SeamCode, a: Part, b: Part, ...roles: Role[]): Joint | null {
  const [x, y] = [keys(a, ...roles), keys(b, ...roles)];
  if (!x.length || !y.length) return null;
  const allowance = edges(a, ...roles)[0]?.allowance ?? 0;
  const lengths = { lengthA: length(a, ...roles), lengthB: length(b, ...roles) };
  return { id: `twin-${code}`, code, a: x, b: y, ...lengths, closing: true, allowance };
}

/** The outer edges along which two layers of one piece are joined, by kind. */
const OUTER: Partial<Record<Part['kind'], [SeamCode, Role]>> = {
  collar: ['collar-outer', 'collar-outer'],
  cuff: ['cuff-edge', 'cuff-edge'],
  waistband: ['band-edge', 'band-edge'],
};

/** Seams of the outside whose edge the under layer covers, to be closed a second time on that layer. */
export const COVERED_BY: Readonly<Record<string, Part['kind']>> = {
  'stand-neck': 'stand',
  'collar-neck': 'collar',
  'collar-stand': 'stand',
  cuff: 'cuff',
  waistband: 'waistband',
  'yoke-back': 'yoke',
  'yoke-shoulder': 'yoke',
};

/** Seams of the outside, each with its like on the under layer. */
const UNDER: Readonly<Partial<Record<SeamCode, SeamCode>>> = {
  'stand-neck': 'stand-neck-in',
  'collar-neck': 'collar-neck-in',
  'collar-stand': 'collar-stand-in',
  cuff: 'cuff-in',
  waistband: 'waistband-in',
  'yoke-back': 'yoke-back-in',
  'yoke-shoulder': 'yoke-shoulder-in',
};

/** Joints that the pieces' second layers bring with them. */
export function layerJoints(parts: Part[], joints: Joint[]): Joint[] {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const out: Joint[] = [];
  for (const p of parts) {
    const inner = byId.get(under(p.id));
    const [code, role] = OUTER[p.kind] ?? [];
    const made = inner && code && role ? twin(code, inner, p, role) : null;
    if (made) out.push(made);
    // A band without a collar is closed along its upper edge.
    const alone = p.kind === 'stand' && inner && !joints.some((j) => j.code === 'collar-stand');
    const top = alone ? twin('stand-top', inner, p, 'stand-top') : null;
    if (top) out.push(top);
  }
  const on = (key: string, kind: Part['kind']): boolean => byId.get(partOf(key))?.kind === kind;
  for (const j of joints) {
    const kind = COVERED_BY[j.code];
    const code = UNDER[j.code];
    if (!kind || !code || ![...j.a, ...j.b].some((k) => on(k, kind) && byId.has(under(partOf(k))))) continue;
    const swap = (list: string[]): string[] =>
      list.map((k) => (byId.has(under(partOf(k))) ? onPart(k, under(partOf(k))) : k));
    // The collar between two stands has an upper and an under layer of its own.
    out.push({ ...j, id: `${j.id}:in`, code, a: swap(j.a), b: swap(j.b), closing: true, covers: j.id });
  }
  return out;
}

/** Edges of an inner yoke that are caught with the outer one's in armhole and neck. */
function withInnerYoke(j: Joint, byId: Map<string, Part>): Joint {
  const more = (list: string[]): string[] =>
    list.flatMap((k) => {
      const p = byId.get(partOf(k));
      const inner = p?.kind === 'yoke' ? byId.get(under(p.id)) : undefined;
      return inner ? [k, onPart(k, inner.id)] : [k];
    });
  const caught = ['cap', 'stand-neck', 'collar-neck', 'hood-neck'].includes(j.code);
  return caught ? { ...j, a: more(j.a), b: more(j.b) } : j;
}

/** Centre seams that no walked seam names: of a skirt, and of linings beside a zip. */
function centreJoints(parts: Part[], joints: Joint[]): Joint[] {
  const known = new Set(edgesOf(joints));
  return parts.flatMap((p): Joint[] =>
    (['centre-back', 'centre-front'] as const).flatMap((role): Joint[] => {
      const free = edges(p, role).filter((e) => !known.has(keyOf(p.id, e.id)));
      if (!free.length || !p.paired) return [];
      const list = free.map((e) => keyOf(p.id, e.id));
      const total = free.reduce((t, e) => t + e.length, 0);
      const of = p.material === 'shell' ? '' : `${p.material}-`;
      const on = SKIRTS.has(p.kind) ? 'skirt-' : p.kind === 'hood' ? 'hood-' : '';
      const code = knownSeam(`${of}${on}${role}`) ?? (p.material === 'shell' ? 'other' : 'lining-other');
      const allowance = free[0]?.allowance ?? 0;
      return [
        {
          id: `centre-${p.id}-${role}`,
          code,
          a: list,
          b: list,
          lengthA: total,
          lengthB: total,
          closing: false,
          allowance,
        },
      ];
    }),
  );
}

/** Facings to each other, at shoulder and side, and round a wrist, where no walked seam does. */
function facingJoints(parts: Part[], joints: Joint[]): Joint[] {
  const known = new Set(edgesOf(joints));
  const facings = parts.filter((p) => p.material === 'facing');
  const free = (role: Role, which: (p: Part) => boolean): string[] =>
    facings
      .filter(which)
      .flatMap((p) => keys(p, role))
      .filter((k) => !known.has(k));
  const of = (list: string[]): number =>
    facings.reduce((t, p) => t + p.ring.reduce((s, e) => s + (list.includes(keyOf(p.id, e.id)) ? e.length : 0), 0), 0);
  const made = (code: string, a: string[], b: string[]): Joint[] =>
    a.length && b.length
      ? [
          {
            id: `facings-${code}-${a[0]}`,
            code: knownSeam(`facing-${code}`) ?? 'facing-across',
            a,
            b,
            lengthA: of(a),
            lengthB: of(b),
            closing: false,
            allowance: 15,
          },
        ]
      : [];
  const pairs = (['shoulder', 'side'] as const).flatMap((role) =>
    made(
      role,
      free(role, (p) => BACKS.has(p.kind)),
      free(role, (p) => FRONTS.has(p.kind)),
    ),
  );
  const rings = facings.flatMap((p) =>
    (['underarm', 'elbow-seam', 'forearm-seam'] as const).flatMap((role) => {
      const [a, b] = keys(p, role).filter((k) => !known.has(k));
      return a && b ? made('wrist', [a], [b]) : [];
    }),
  );
  return [...pairs, ...rings];
}

/** The garment as the plan sees it, from its pieces and walked seams. */
export function garmentModelOf(pieces: Piece[], seams: WalkedSeam[], surface: Surface, how: Made): GarmentModel {
  const parts = partsOf(pieces, how);
  return completed(
    parts,
    seams.map((s) => jointOf(s, new Map(parts.map((p) => [p.id, p])))),
    surface,
    how,
  );
}

/** Parts and the joints between them, with those that second layers and open centre lines add. */
export function completed(
  parts: Part[],
  walked: Joint[],
  surface: Surface,
  how: { bulk: Bulk; lace: boolean },
): GarmentModel {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const joints = walked.map((j) => withInnerYoke(j, byId));
  const all = [...joints, ...layerJoints(parts, walked)];
  return {
    surface,
    parts,
    joints: [...all, ...centreJoints(parts, all), ...facingJoints(parts, all)],
    passes: {},
    open: {},
    mouths: {},
    bulk: how.bulk,
    lace: how.lace,
  };
}
