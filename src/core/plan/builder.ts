import { type Role } from '../pattern/index.ts';
import { type Bend, together } from './clips.ts';
import { EMPTY_OPERATION } from './emptyoperation.ts';
import { besideEdge, edgesOf, faceOf, keyOf, partEdges, partOf } from './garmentmodel.ts';
import { type Fact, type Need, type SeamCode } from './names.ts';
import { type OperationCode } from './operationcodes.ts';
import { SEAM_WAYS, wayOf } from './seamfinishes.ts';
import { type More, type Run, type SewOptions, sewFelled, sewFrench, sewPlain } from './seamruns.ts';
import { BESIDE_ZIP, restOf, slitShare, zipShare } from './stretches.ts';
import {
  type Care,
  type CareHow,
  type Caution,
  type Garment,
  type Joint,
  type Laid,
  type Operation,
  type Part,
  type PartEdge,
  type SeamFinish,
  type SeamName,
  type Section,
  type Sewn,
  type Station,
} from './types.ts';

/** Usual cautions of a station. */
export const STATION_CAUTIONS: Partial<Record<Station, readonly Caution[]>> = {
  machine: ['pins'],
  overlocker: ['blades-machine'],
  iron: ['iron'],
  hand: ['needles'],
};

/** Collects operations; small helpers fill in what most of them share. */
export class PlanBuilder {
  ops: Operation[] = [];
  /** How each bare seam is neatened. */
  finishes: SeamFinish[] = [];
  readonly parts: Map<string, Part>;
  private readonly byCode = new Map<SeamCode, Joint[]>();
  constructor(readonly g: Garment) {
    this.parts = new Map(g.making.parts.map((p) => [p.id, p]));
    for (const j of g.making.joints) this.byCode.set(j.code, [...(this.byCode.get(j.code) ?? []), j]);
  }

  has(...codes: readonly SeamCode[]): boolean {
    return codes.some((c) => this.joints(c).length > 0);
  }

  joints(...codes: readonly SeamCode[]): Joint[] {
    return codes.flatMap((c) => this.byCode.get(c) ?? []);
  }

  /** Layers of a kind of piece. */
  of(kind: Part['kind'], material: Part['material'] = 'shell'): Part[] {
    return this.g.making.parts.filter((p) => p.kind === kind && p.material === material);
  }

  /** Raw edges of these roles on these parts; folds have none. */
  edges(parts: (Part | undefined)[], ...roles: Role[]): string[] {
    return parts.flatMap((p) =>
      p
        ? partEdges(p)
            .filter((e) => roles.includes(e.role) && !e.onFold)
            .map((e) => keyOf(p.id, e.id))
        : [],
    );
  }

  /** Those of them that no joint takes. */
  unmet(parts: (Part | undefined)[], ...roles: Role[]): string[] {
    const met = new Set(edgesOf(this.g.making.joints));
    return this.edges(parts, ...roles).filter((k) => !met.has(k));
  }

  care(keys: string[], how: CareHow): Care[] {
    return [...new Set(keys)].map((edge) => ({ edge, how }));
  }

  length(parts: (Part | undefined)[], ...roles: Role[]): number {
    return parts.reduce(
      (t, p) => t + (p ? partEdges(p) : []).filter((e) => roles.includes(e.role)).reduce((s, e) => s + e.length, 0),
      0,
    );
  }

  /**
   * A step; where there may be several of its kind it has an id of its own and names its kind. `raw`: done to a piece while it is made ready, so that it waits for its interfacing alone. */
  add(section: Section, station: Station, id: OperationCode, more?: More, raw?: boolean): void;
  add(section: Section, station: Station, id: string, more: More & { code: OperationCode }, raw?: boolean): void;
  add(section: Section, station: Station, id: string, more: More = {}, raw = false): void {
    // Without an overlocker its work is done with a zigzag.
    const zigzag = station === 'overlocker' && this.g.methods.neatening === 'zigzag';
    const at = zigzag ? 'machine' : station;
    const cautions = [...new Set([...(STATION_CAUTIONS[at] ?? []), ...(more.cautions ?? [])])];
    const pieces = [...new Set(more.pieces ?? more.stack?.map((l) => l.part) ?? [])];
    const first = raw || section === 'prepare';
    const ready = pieces.map((p) => (first || more.makes?.includes(`ready:${p}`) ? `fuse:${p}?` : `ready:${p}?`));
    this.ops.push({
      ...EMPTY_OPERATION,
      ...more,
      id,
      code: more.code ?? id,
      section,
      station: at,
      ...(zigzag && { data: { ...more.data, zigzag: 1 } }),
      pieces,
      seams: this.namesOf(more.sews?.length ? more.sews.map((x) => x.joint) : (more.works ?? [])),
      cautions,
      makes: [id, `step:${id}`, ...(more.makes ?? [])],
      needs: [
        ...new Set([...(id === 'cut' ? [] : ['cut']), ...(more.needs ?? []), ...(section === 'prepare' ? [] : ready)]),
      ],
    });
  }

  private namesOf(ids: string[]): SeamName[] {
    const own = this.g.making.joints.filter((j) => ids.includes(j.id));
    return own.map(({ code, between }) => ({ code, ...(between && { between }) }));
  }

  /** Curved stretches along these joints: of each on the side that is more hollow, since that is the one which must spread. */
  bends(joints: Joint[]): Bend[] {
    const hollow = (bends: Bend[]): number => bends.reduce((t, b) => t + (b.how === 'clip' ? b.length : 0), 0);
    return together(
      joints.flatMap((j) => {
        const [a, b] = [j.a, j.b].map((keys) => keys.flatMap((k) => this.edge(k)?.bends ?? [])) as [Bend[], Bend[]];
        return hollow(b) > hollow(a) ? b : a;
      }),
    );
  }

  /** Corners of the outside along these joints, on each half: within their edges, and where one goes on into the next. */
  corners(joints: Joint[]): number {
    const keys = new Set(edgesOf(joints));
    const outer = this.g.making.parts.filter((p) => p.layer === 'outer');
    return outer.reduce((total, p) => {
      const sewn = (i: number): boolean => keys.has(keyOf(p.id, p.ring[i % p.ring.length]?.id ?? ''));
      const own = p.ring.reduce((t, e, i) => {
        if (!sewn(i)) return t;
        return t + (e.corners ?? 0) + (e.cornerAtEnd && p.ring.length > 1 && sewn(i + 1) ? 1 : 0);
      }, 0);
      return total + own;
    }, 0);
  }

  /** Layers of a plain seam: the side that may be longer below, right side up; the other on it. */
  flat(j: Joint): Laid[] {
    const [a, b] = [partOf(j.a[0] ?? ''), partOf(j.b[0] ?? '')];
    return [
      { part: a, up: 'right', swings: 0 },
      { part: b, up: this.alike(a, b) ? 'wrong' : 'right', swings: 1 },
    ];
  }

  /** Layers of an edge that is closed: the outer below, right side up; the inner on it, turned under it afterwards. */
  turned(j: Joint): Laid[] {
    const { outer, inner } = this.sides(j);
    return [
      { part: outer, up: 'right', swings: 0 },
      { part: inner, up: this.alike(outer, inner) ? 'right' : 'wrong', swings: 2 },
    ];
  }

  /** An edge laid or folded over a seam and stitched: both as they are worn. */
  lapped(j: Joint): Laid[] {
    const { outer, inner } = this.sides(j);
    return this.asWorn(outer, inner);
  }

  /** The same as a hand sees them that fells from within. */
  fromInside(j: Joint): Laid[] {
    return this.seenFromWithin(this.lapped(j));
  }

  /** Layers as they are worn, turned over. */
  seenFromWithin(worn: Laid[]): Laid[] {
    return [...worn].reverse().map((l) => ({ ...l, up: l.up === 'right' ? 'wrong' : 'right' }));
  }

  /** Layers as they are worn, seen from outside: the outermost on top, named first. */
  asWorn(...layers: string[]): Laid[] {
    const up = (id: string): Laid['up'] => {
      const p = this.parts.get(id);
      return !p || faceOf(p, this.g.making.lace) === 1 ? 'right' : 'wrong';
    };
    return [...layers].reverse().map((part) => ({ part, up: up(part), swings: 0 }));
  }

  /** Whether the right sides of both are to look the same way in the finished garment. */
  alike(a: string, b: string): boolean {
    const [p, q] = [this.parts.get(a), this.parts.get(b)];
    return !p || !q || faceOf(p, this.g.making.lace) === faceOf(q, this.g.making.lace);
  }

  private sides(j: Joint): { outer: string; inner: string } {
    const [a, b] = [partOf(j.a[0] ?? ''), partOf(j.b[0] ?? '')];
    return this.parts.get(a)?.layer === 'inner' ? { outer: b, inner: a } : { outer: a, inner: b };
  }

  /**
   * One run over all joints of these codes, and its pressing. Joints of the outside that nothing covers are made by the chosen
   * way of neatening seams.
   */
  sew(section: Section, codes: readonly SeamCode[], o: SewOptions = {}): void {
    const all = this.joints(...codes);
    const usual = all[0]?.easeOf;
    // What is longer for another reason is no part of the same run, where it is another seam at all.
    const apart = o.only || o.id ? [] : all.filter((j) => j.between && j.easeOf !== usual);
    for (const j of apart) this.run(section, [j.code], { ...o, only: j }, [j]);
    this.run(section, codes, o, o.only ? [o.only] : all.filter((j) => !apart.includes(j)));
  }

  private run(section: Section, codes: readonly SeamCode[], o: SewOptions, all: Joint[]): void {
    // Where a zip takes all of a seam nothing is left to sew.
    const joints = all.filter((j) => this.zipShare(j) < 1);
    const first = joints[0];
    if (!first) return;
    const gathered = this.drawnIn(section, joints);
    const bare = !o.plain && joints.every((j) => this.isBare(j));
    const mouth = joints.some((j) => this.g.making.mouths[j.id]);
    const parted = mouth || joints.some((j) => this.slitShare(j) > 0 || this.zipShare(j) > 0);
    const name = o.only?.id ?? first.code;
    const way = bare ? this.finished(name, first, parted, mouth) : 'covered';
    const own = { ...o, needs: [...(o.needs ?? []), ...gathered] };
    const run: Run = { section, joints, first, name, codes: codes.filter((c) => this.has(c)), o: own };
    if (way === 'french') sewFrench(this, run);
    else if (way === 'felled') sewFelled(this, run);
    else sewPlain(this, run, way);
  }

  /** How a bare seam is neatened: as it is chosen for itself, else as all are; noted with the ways it could be. */
  private finished(seam: string, j: Joint, parted: boolean, mouth: boolean): string {
    const can = (w: string): string => wayOf(w, j.code, parted, mouth);
    const { methods, finishes } = this.g;
    const way = can(finishes[seam] ?? methods.seams ?? 'overlocked');
    const ways = SEAM_WAYS.filter((w) => can(w) === w);
    const name = { code: j.code, ...(j.between && { between: j.between }) };
    if (!this.finishes.some((f) => f.seam === seam)) this.finishes.push({ seam, name, way, ways });
    return way;
  }

  /** Rows of gathering along the sides that are much longer than what they are sewn to; a cuff's are drawn in with its slit. */
  private drawnIn(section: Section, joints: Joint[]): Fact[] {
    return joints.flatMap((j): Fact[] => {
      const id = `gather:${j.id}`;
      if (j.easeOf !== 'gather' || j.code === 'cuff' || j.code === 'cuff-in' || this.ops.some((o) => o.id === id))
        return [];
      this.add(section === 'joining' ? 'shell' : section, 'machine', id, {
        code: 'gather',
        about: j.code,
        pieces: j.a.map(partOf),
        foot: 'gathering',
        data: { a: j.lengthA, b: j.lengthB },
      });
      return [`step:${id}`];
    });
  }

  /** What is sewn before a joint that runs across it: the joints between the pieces on one of its sides, by their names. */
  across(j: Joint): Need[] {
    return [j.a, j.b].flatMap((side): Need[] => {
      const on = new Set(side.map(partOf));
      const inside = (keys: string[]): boolean => keys.some((k) => on.has(partOf(k)));
      if (on.size < 2) return [];
      return this.g.making.joints
        .filter((k) => k.id !== j.id && !k.closing && inside(k.a) && inside(k.b))
        .map((k): Need => `joined:${k.id}?`);
    });
  }

  allowanceOf(key: string): number {
    return this.edge(key)?.allowance ?? 0;
  }

  private edge(key: string): PartEdge | undefined {
    const p = this.parts.get(partOf(key));
    return p && partEdges(p).find((x) => keyOf(p.id, x.id) === key);
  }

  zipShare(j: Joint): number {
    return zipShare(this, j);
  }

  /** The seam of the outside below a zip begins a little further down, so that the zip foot comes in. */
  belowZip(j: Joint): { from?: number } {
    const outer = this.parts.get(partOf(j.a[0] ?? ''))?.layer === 'outer';
    return outer && this.zipShare(j) > 0 ? { from: BESIDE_ZIP } : {};
  }

  /** At which ends of a joint its edge of the outside meets an edge of a role. */
  meets(j: Joint, role: Role): { first: boolean; last: boolean } {
    const side = [j.a, j.b].find((keys) => this.parts.get(partOf(keys[0] ?? ''))?.layer === 'outer') ?? j.b;
    const is = (key: string, at: 0 | 1): boolean => besideEdge(this.parts, key)[at]?.role === role;
    const [start = '', end = start, second = ''] = [side[0], side.at(-1), side[1]];
    if (partOf(start) !== partOf(end)) return { first: is(start, 0) || is(start, 1), last: is(end, 0) || is(end, 1) };
    // Of several edges on one piece the order tells which way they run.
    const order = (key: string): number =>
      this.parts.get(partOf(key))?.ring.findIndex((e) => keyOf(partOf(key), e.id) === key) ?? -1;
    const back = side.length > 1 && partOf(second) === partOf(start) && order(start) > order(second);
    return { first: is(start, back ? 1 : 0), last: is(end, back ? 0 : 1) };
  }

  /** Whether a seam runs down to a vent. */
  endsAtVent(j: Joint): boolean {
    // A hem lies beside the long edge of a vent, the seam above it beside the short one.
    return edgesOf([j]).some((k) => besideEdge(this.parts, k).some((e) => e?.role === 'vent-top'));
  }

  slitShare(j: Joint): number {
    return slitShare(this, j);
  }

  /** What a step left short of a joint's ends, to be sewn by a later one. */
  rest(op: string, codes: readonly SeamCode[], at?: 'top' | 'foot'): Sewn[] {
    return restOf(this, op, codes, at);
  }

  /** Whether a joint lies open on the inside of the garment. */
  isBare(j: Joint): boolean {
    return !j.closing && [...j.a, ...j.b].some((k) => this.parts.get(partOf(k))?.covered === false);
  }
}
