import { type Bend } from './clips.ts';
import { type CurveStep, curveStep } from './curvedseams.ts';
import { edgesOf, partOf } from './garmentmodel.ts';
import { type Fact, type Need, type SeamCode, when } from './names.ts';
import { type OperationCode } from './operationcodes.ts';
import { frenchFirst, PRESS_TO } from './seamfinishes.ts';
import { BESIDE_ZIP, halt, mouthsOf, type Sewing, stretchesOf } from './stretches.ts';
import { type Care, type CareHow, type Joint, type Laid, type Operation, type Section, type Station } from './types.ts';

// One run of stitching and what goes with it: neatening and pressing, by the way seams are finished.

/** What a method says of a step. */
export type More = Partial<Omit<Operation, 'needs' | 'makes' | 'code'>> & {
  code?: OperationCode;
  needs?: readonly Need[];
  makes?: readonly Fact[];
};

/** What a run of stitching is laid with. */
interface Bench extends Sewing {
  add(section: Section, station: Station, id: string, more: More): void;
  care(keys: string[], how: CareHow): Care[];
  flat(j: Joint): Laid[];
  turned(j: Joint): Laid[];
  isBare(j: Joint): boolean;
  slitShare(j: Joint): number;
  zipShare(j: Joint): number;
  belowZip(j: Joint): { from?: number };
  endsAtVent(j: Joint): boolean;
  allowanceOf(key: string): number;
  bends(joints: Joint[]): Bend[];
}

export interface SewOptions extends More {
  /** How far from its ends a joint stays unsewn for now, mm: a later step sews the rest. */
  short?: (j: Joint) => { from?: number; to?: number };
  /** How the layers lie, where not flat right sides together. */
  stack?: Laid[];
  care?: CareHow;
  /** Where the allowances are pressed: open, towards the parts of side a or b, between the layers; null: not pressed. */
  to_?: 'press-open' | 'press-to-a' | 'press-to-b' | null;
  /** Sewn as it is, whatever way of neatening is chosen. */
  plain?: boolean;
  /** This joint of the code alone, as a run of its own: where several of a code are sewn one after the other. */
  only?: Joint;
}

/** Joints that are sewn in one go. */
export interface Run {
  section: Section;
  joints: Joint[];
  first: Joint;
  /** Told from other runs by this: its seam's code, or the joint it sews alone. */
  name: string;
  codes: SeamCode[];
  o: SewOptions;
}

const sum = (joints: Joint[], key: 'lengthA' | 'lengthB'): number => joints.reduce((t, j) => t + j[key], 0);

/** The same seam of the other half of the body: left and right are two pieces there, and as long as each other. */
const alike =
  (j: Joint) =>
  (k: Joint): boolean =>
    k.code === j.code && Math.abs(k.lengthA - j.lengthA) < HALVES && Math.abs(k.lengthB - j.lengthB) < HALVES;
/** Halves that are drawn apart agree to this, mm. */
const HALVES = 1;

function baseOf(b: Bench, { joints, first, o }: Run): More {
  const all = edgesOf(joints);
  const narrow = Math.min(...all.map((k) => b.allowanceOf(k)));
  // Of a seam through both layers of a band or yoke, and of one on both halves, the length counts once.
  const once = joints.filter((j, i) => j === first || (!j.covers && !j.halfOf && !joints.slice(0, i).some(alike(j))));
  return {
    pieces: [...new Set(all.map(partOf))],
    sews: joints.flatMap((j) => stretchesOf(b, j, { ...b.belowZip(j), ...o.short?.(j) })),
    stack: o.stack ?? (first.closing ? b.turned(first) : b.flat(first)),
    allowance: first.allowance,
    easeOf: first.easeOf ?? null,
    cares: b.care(all, o.care ?? (first.closing ? 'enclosed' : 'seamed')),
    data: {
      a: sum(once, 'lengthA'),
      b: sum(once, 'lengthB'),
      ease: sum(once, 'lengthA') - sum(once, 'lengthB'),
      // Along some seams the allowance changes, as at a keyhole neck.
      ...(narrow < first.allowance - 0.5 && { narrow }),
    },
    thread: b.parts.get(partOf(all[0] ?? ''))?.material === 'lining' ? 'lining' : 'shell',
  };
}

export function sewPlain(b: Bench, r: Run, way: string): void {
  const { section, first, codes, o, joints } = r;
  const { care: _c, to_, plain: _p, short: _s, only: _o, ...more } = o;
  const id = o.id ?? `sew:${r.name}`;
  const base = baseOf(b, r);
  for (const j of joints) if (b.slitShare(j)) b.g.making.open[j.id] = b.slitShare(j);
  const ends = [...codes.map((c): Fact => `done:${c}`), ...joints.map((j): Fact => `joined:${j.id}`)];
  if (way === 'overlocked') neatenRun(b, r, 'neaten', [], [`neatened:${r.name}`]);
  const press = to_ === undefined ? pressOf(first, way) : to_;
  const vented = joints.some((j) => b.endsAtVent(j));
  const curve = press ? curveStep(b, joints, way, id) : null;
  const early = curve?.code === 'clip-before';
  if (curve && early) curveRun(b, r, curve);
  const needs = [
    ...(more.needs ?? []),
    ...when(way === 'overlocked', `neatened:${r.name}`),
    ...when(early, `step:clip-before:${r.name}`),
    // The edges that a zip is sewn to above are neatened all along before their seam is begun.
    ...when(
      joints.some((j) => b.zipShare(j) > 0),
      'zip:edged?',
    ),
  ];
  // Of a run over covered and bare seams the bare ones are neatened by themselves.
  const mixed = way === 'covered' && !o.plain ? joints.filter((j) => b.isBare(j)) : [];
  const doneAt = way === 'together' || way === 'bound' ? 'neatened' : press ? 'pressed' : 'sewn';
  b.add(section, o.station ?? 'machine', id, {
    ...base,
    code: 'sew',
    about: first.code,
    ...more,
    needs,
    makes: [...codes.map((c): Fact => `sewn:${c}`), ...(doneAt === 'sewn' ? ends : []), ...(more.makes ?? [])],
    stops: [
      ...(more.stops ?? []),
      ...halt(
        joints.some((j) => b.belowZip(j).from),
        'stop-below-zip',
        BESIDE_ZIP,
      ),
      ...halt(vented, 'stop-at-vent-top'),
      ...mouthsOf(b, joints),
    ],
    data: { ...base.data, ...(vented && base.thread === 'shell' && { ventBelow: 1 }), ...more.data },
  });
  if (curve && !early) curveRun(b, r, curve);
  if (doneAt === 'neatened')
    neatenRun(b, r, way === 'bound' ? 'bind-seam' : 'neaten-together', [press ? `pressed:${id}` : `step:${id}`], ends);
  if (mixed.length) neatenRun(b, { ...r, joints: mixed }, 'neaten-together', [`step:${id}`], []);
  if (press) pressRun(b, r, [o.id ?? r.name, id], press, doneAt === 'pressed' ? ends : [], joints);
}

const curveRun = (b: Bench, { section, first, name }: Run, curve: CurveStep): void =>
  b.add(section, 'table', `${curve.code}:${name}`, { ...curve, about: first.code, cautions: ['blades'] });

function neatenRun(
  b: Bench,
  { section, first, joints, codes, name }: Run,
  code: 'neaten' | 'neaten-together' | 'bind-seam',
  needs: Need[],
  makes: Fact[],
): void {
  const keys = edgesOf(joints);
  const bind = code === 'bind-seam';
  b.add(section, bind ? 'machine' : 'overlocker', `${bind ? 'bind' : 'neaten'}:${name}`, {
    code,
    about: first.code,
    pieces: keys.map(partOf),
    works: joints.map((j) => j.id),
    cares: b.care(keys, bind ? 'bound' : 'overlocked'),
    needs,
    makes: [...makes, ...(needs.length ? [] : codes.map((c): Fact => `edged:${c}`))],
    data: { a: sum(joints, 'lengthA') * (code === 'neaten-together' ? 1 : 2) },
  });
}

function pressRun(
  b: Bench,
  { section, first, codes, name }: Run,
  [named, after]: [string, string],
  press: OperationCode,
  ends: Fact[],
  joints: Joint[],
): void {
  const keys = edgesOf(joints);
  b.add(section, 'iron', `press:${named}`, {
    code: press,
    about: first.code,
    pieces: keys.map(partOf),
    works: joints.map((j) => j.id),
    needs: [`step:${after}`, `step:clip-curve:${name}?`, `step:trim-curve:${name}?`],
    makes: [`pressed:${after}`, ...ends, ...(ends.length ? [] : codes.map((c): Fact => `flat:${c}`))],
    press,
    towards: sideOf(first, press),
    data: { a: sum(joints, 'lengthA') },
  });
}

/** The layer on the side that allowances are pressed to. */
function sideOf(j: Joint, press: OperationCode): string | null {
  const [key] = press === 'press-to-a' ? j.a : press === 'press-to-b' ? j.b : [];
  return key ? partOf(key) : null;
}

function pressOf(j: Joint, way: string): NonNullable<SewOptions['to_']> {
  if (PRESS_TO[j.code]) return PRESS_TO[j.code] as 'press-to-a';
  return way === 'together' ? 'press-to-b' : 'press-open';
}

/** Wrong sides first, trimmed, then right sides: both allowances together are the pattern's. */
export function sewFrench(b: Bench, r: Run): void {
  const { section, first, codes, o, joints } = r;
  const first_ = frenchFirst(first.allowance);
  const keys = edgesOf(joints);
  const stack = b.flat(first);
  const base = baseOf(b, r);
  for (const j of joints) b.g.making.passes[j.id] = 2;
  b.add(section, 'machine', `french-1:${r.name}`, {
    ...base,
    code: 'french-first',
    about: first.code,
    needs: o.needs ?? [],
    stack: stack.map((l) => ({ ...l, up: l.up === 'right' ? 'wrong' : 'right' })),
    cares: [],
    allowance: first_,
    data: { ...base.data, first: first_, second: first.allowance - first_ },
  });
  b.add(section, 'table', `french-trim:${r.name}`, {
    code: 'french-trim',
    about: first.code,
    pieces: keys.map(partOf),
    works: joints.map((j) => j.id),
    needs: [`step:french-1:${r.name}`],
    cautions: ['blades'],
    data: { trim: Math.max(2, first_ - 3), second: first.allowance - first_ },
  });
  b.add(section, 'machine', `french-2:${r.name}`, {
    ...base,
    code: 'french-second',
    about: first.code,
    needs: [`step:french-trim:${r.name}`],
    makes: codes.map((c): Fact => `sewn:${c}`),
    stack,
    cares: b.care(keys, 'enclosed'),
    allowance: first.allowance - first_,
  });
  pressRun(
    b,
    r,
    [`french-2:${r.name}`, `french-2:${r.name}`],
    'press-to-b',
    [...codes.map((c): Fact => `done:${c}`), ...joints.map((j): Fact => `joined:${j.id}`)],
    joints,
  );
}

/** Sewn, one allowance trimmed, the other folded over it and stitched down. */
export function sewFelled(b: Bench, r: Run): void {
  const { section, first, codes, o, joints } = r;
  const keys = edgesOf(joints);
  const base = baseOf(b, r);
  for (const j of joints) b.g.making.passes[j.id] = 2;
  b.add(section, 'machine', `fell-1:${r.name}`, {
    ...base,
    code: 'sew',
    about: first.code,
    needs: o.needs ?? [],
    cares: b.care(keys, 'seamed'),
  });
  b.add(section, 'table', `fell-trim:${r.name}`, {
    code: 'fell-trim',
    about: first.code,
    pieces: keys.map(partOf),
    works: joints.map((j) => j.id),
    needs: [`step:fell-1:${r.name}`],
    cautions: ['blades'],
    data: { narrow: Math.max(3, first.allowance * 0.4) },
  });
  b.add(section, 'machine', `fell-2:${r.name}`, {
    ...base,
    code: 'fell-second',
    about: first.code,
    needs: [`step:fell-trim:${r.name}`],
    makes: [...codes.flatMap((c): Fact[] => [`sewn:${c}`, `done:${c}`]), ...joints.map((j): Fact => `joined:${j.id}`)],
    stack: b.flat(first).map((l) => ({ ...l, up: 'right', swings: 0 })),
    cares: b.care(keys, 'enclosed'),
    hard: true,
  });
}
