import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf, SKIRTS, under } from '../garmentmodel.ts';
import { COLLAR_SEAMS, type Fact, type Need, type RunName, type SeamCode, when } from '../names.ts';
import { halt } from '../stretches.ts';
import { type Joint, type Laid, type Part } from '../types.ts';
import { before, shouldersLate, sidesLate } from './body.ts';
import { LINING_PANELS, PANELS, SKIRT, WAIST } from './groups.ts';
import { unless, way } from './method.ts';
import { everywhere } from './opening.ts';
import { openingsOf } from './openings.ts';
import { haltsAtZip, shortOfZip } from './zips.ts';

const NECK: SeamCode[] = ['neckline-front', 'neckline-back', 'neckline-sleeve', 'band-neckline', 'neckline-cut-out'];
const ARMHOLE: SeamCode[] = ['armhole-front', 'armhole-back', 'band-armhole'];
const CENTRES: Need[] = [
  'done:centre-back?',
  'done:centre-front?',
  'done:lining-centre-back?',
  'done:lining-centre-front?',
  'done:facing-centre-back?',
  ...PANELS,
  ...LINING_PANELS,
];
const INSIDE_SHOULDERS: Need[] = ['done:facing-shoulder?', 'done:lining-shoulder?', 'done:facing-raglan?'];

/** A collar whose own seam closes the neck: the facing's upper edge is only basted to it. */
const neckBasted = (b: PlanBuilder): boolean =>
  ['complete', 'in-stages', 'band', 'covered', 'biased'].includes(b.g.methods.collar ?? '');

/** Seams of the collar that are closed in one run with front edges and neck. */
const WITH_COLLAR: Record<string, SeamCode[]> = {
  notched: ['collar-outer'],
  'under-facing': ['collar-neck', 'collar-neck-in'],
};

const FRONT_EDGE: SeamCode[] = ['front-edge'];

export const edgeCodes = (b: PlanBuilder): SeamCode[] =>
  FRONT_EDGE.concat(neckBasted(b) ? [] : NECK, WITH_COLLAR[b.g.methods.collar ?? ''] ?? []).filter((c) => b.has(c));

/** The collar, made up, lies between shell and facing. */
function edgeStack(b: PlanBuilder, own: Joint): Laid[] {
  const [shell, facing] = b.turned(own) as [Laid, Laid];
  const collar = b.of('collar').find((p) => p.layer === 'outer');
  if (b.g.methods.collar !== 'under-facing' || !collar) return [shell, facing];
  return [
    shell,
    { part: collar.id, up: 'wrong', swings: 1 },
    { part: under(collar.id), up: 'right', swings: 1 },
    facing,
  ];
}

/** Whether the run goes round the lower end of a facing, from the front edge on to the hem line. */
const pivots = (b: PlanBuilder, joints: Joint[]): boolean =>
  joints.some((j) => j.code === 'front-edge') && frontFacings(b).some((p) => p.ring.some((e) => e.role === 'hem'));

/** Graded, clipped, held by stitching, pressed: what follows every closed edge before or while it is turned. */
function finishEdge(
  b: PlanBuilder,
  name: RunName,
  joints: Joint[],
  o: { turnAfter: boolean; makes: Fact[]; layers?: number },
): void {
  const corners = b.corners(joints) + (pivots(b, joints) ? 1 : 0);
  const allowance = joints[0]?.allowance ?? 15;
  const works = joints.map((j) => j.id);
  const pieces = [...new Set(edgesOf(joints).map(partOf))];
  const held = b.g.methods.facing ?? 'understitched';
  const first = held === 'understitched-first';
  const done: Fact[] = [`held:${name}`, ...(o.turnAfter ? [] : o.makes)];
  b.add('joining', 'table', `grade:${name}`, {
    code: 'grade-edge',
    about: joints[0]?.code ?? null,
    pieces,
    works,
    needs: first ? [`step:understitch:${name}`] : [`sewn:${name}`],
    ...(first && { makes: done }),
    cautions: ['blades'],
    bends: b.bends(joints),
    data: { layers: o.layers ?? 2, allowance, corners, ...(first && { stitched: 1 }) },
  });
  const length = joints.reduce((t, j) => t + j.lengthA, 0);
  if (held === 'understitched' || first)
    b.add('joining', 'machine', `understitch:${name}`, {
      code: 'understitch',
      about: joints[0]?.code ?? null,
      pieces,
      works,
      needs: first ? [`sewn:${name}`] : [`step:grade:${name}`],
      makes: first ? [] : done,
      data: { a: length, corners },
    });
  else
    b.add('joining', 'iron', `roll:${name}`, {
      code: 'press-edge',
      about: joints[0]?.code ?? null,
      pieces,
      works,
      needs: [`step:grade:${name}`],
      makes: done,
    });
  if (held === 'topstitched')
    b.add('finish', 'machine', `topstitch:${name}`, {
      code: 'topstitch',
      about: joints[0]?.code ?? null,
      pieces,
      needs: ['turned?', `held:${name}`, ...o.makes],
      data: { in: 6, a: length, ...(b.g.methods.topstitch === 'above-rib' && { aboveRib: 1 }) },
      hard: true,
    });
}

/** Whether the front edge ends at the waist: at a band still to come, or where the skirt below does not open. */
const endsAtWaist = (b: PlanBuilder): boolean =>
  b.has('front-edge') &&
  (b.has('waistband') ||
    (b.has('waist-front') &&
      !edgesOf(b.joints('front-edge')).some((k) => SKIRTS.has(b.parts.get(partOf(k))?.kind ?? 'other'))));

/** Facings that lie along a front edge, of bodice and skirt. */
const frontFacings = (b: PlanBuilder): Part[] =>
  b.g.making.parts.filter((p) => p.material === 'facing' && p.ring.some((e) => e.role === 'front-edge'));

/** A facing grown on, where nothing is sewn along the neck: its lower ends folded back and sewn across at the hem line. */
function footOfFacing(b: PlanBuilder): void {
  const facing = frontFacings(b);
  const cares = b.care(b.edges(facing, 'hem'), 'enclosed');
  if (!cares.length) return;
  const pieces = facing.map((p) => p.id);
  b.add('joining', 'machine', 'foot-facing', {
    pieces,
    needs: ['edged:facings?', 'hem:pressed?'],
    cares,
    data: { a: 90 },
  });
}

/** Beside a shoulder that is sewn later, an edge is left open by the shoulder's allowance and this much to reach in, mm. Own figure. */
const SLOT = 15;

/** How far a joint stays open at the ends where it meets a shoulder. */
function shortOfShoulder(b: PlanBuilder, j: Joint): { from?: number; to?: number } {
  const mm = j.allowance + SLOT;
  const { first, last } = b.meets(j, 'shoulder');
  return { ...(first && { from: mm }), ...(last && { to: mm }) };
}

/** Front edges and neck: inside and shell right sides together, in one run. */
export function closeEdge(b: PlanBuilder): void {
  const codes = edgeCodes(b);
  const joints = b.joints(...codes);
  if (!joints.length) {
    footOfFacing(b);
    return;
  }
  const facing = frontFacings(b);
  const pivot = pivots(b, joints);
  const shoulders: Need[] = shouldersLate(b)
    ? []
    : ['done:shoulder?', 'done:yoke-shoulder?', 'done:yoke-shoulder-in?', 'done:yoke-back?', ...INSIDE_SHOULDERS];
  const whole: Need[] =
    sidesLate(b) || before(b) ? [] : ['done:lining-side?', 'done:lining-waist-front?', 'done:lining-waist-back?'];
  const inner: Need[] =
    b.g.methods['lining-edge'] === 'felled'
      ? []
      : ['done:facing-line-front?', 'done:facing-line-back?', 'done:facing-line-sleeve?', ...whole];
  const own = joints.find((j) => !COLLAR_SEAMS.has(j.code)) ?? (joints[0] as Joint);
  const stack = edgeStack(b, own);
  b.sew('joining', codes, {
    id: 'sew-edge',
    code: 'sew-edge',
    stack,
    makes: ['sewn:edge'],
    needs: [
      ...CENTRES,
      ...shoulders,
      ...inner,
      'neck:dressed?',
      'edge:dressed?',
      'layers:measured?',
      'edged:facings?',
      'facings:joined?',
      ...when(!sidesLate(b), 'hem:pressed?', 'liner:hemmed?'),
    ],
    cares: [...b.care(edgesOf(joints), 'enclosed'), ...b.care(b.edges(facing, 'hem'), 'enclosed')],
    to_: null,
    stops: [
      ...halt(pivot, 'pivot-at-hem'),
      ...halt(endsAtWaist(b), 'short-at-waist', own.allowance),
      ...halt(shouldersLate(b), 'short-of-shoulder', own.allowance + SLOT),
      ...haltsAtZip(b, joints),
    ],
    short: (j: Joint) => ({ ...shortOfZip(b, j), ...(shouldersLate(b) && shortOfShoulder(b, j)) }),
    cautions: ['thick-seam'],
    hard: true,
    data: {
      length: joints.reduce((t, j) => t + j.lengthA, 0),
      corners: b.corners(joints) + (pivot ? 1 : 0),
      ...(codes.some((c) => NECK.includes(c)) && { neck: 1 }),
    },
  });
  finishEdge(b, 'edge', joints, { turnAfter: true, makes: [], layers: stack.length });
}

/** A facing's neck edge basted to the neck, where a stand or covering collar closes it. */
export function basteNeck(b: PlanBuilder): void {
  if (!neckBasted(b) || !b.has(...NECK)) return;
  const joints = b.joints(...NECK);
  const first = joints[0] as Joint;
  b.sew('joining', NECK, {
    id: 'baste-neck',
    code: 'baste-neck',
    stack: b.lapped(first),
    care: 'enclosed',
    to_: null,
    needs: ['turned?', 'held:edge?', ...INSIDE_SHOULDERS, 'done:shoulder?', 'done:yoke-shoulder?'],
    makes: NECK.map((c): Fact => `done:${c}`),
  });
}

/** Sleeveless: each armhole closed between shell and inside. */
export function closeArmholes(b: PlanBuilder, o: { by: 'machine' | 'hand'; needs: Need[]; short: boolean }): void {
  const joints = b.joints(...ARMHOLE);
  const first = joints[0];
  if (!first) return;
  if (o.by === 'hand') {
    b.sew('finish', ARMHOLE, {
      id: 'fell-armholes',
      station: 'hand',
      code: 'fell-armholes',
      stack: b.lapped(first),
      care: 'enclosed',
      to_: null,
      needs: o.needs,
      makes: ['armholes:closed'],
    });
    return;
  }
  b.sew('joining', ARMHOLE, {
    id: 'sew-armholes',
    code: 'sew-armholes',
    needs: o.needs,
    makes: ['sewn:armholes'],
    to_: null,
    hard: true,
    data: { smaller: b.g.d.lining.smaller },
    ...(o.short && {
      short: (j: Joint) => shortOfShoulder(b, j),
      stops: [{ code: 'short-of-shoulder', mm: first.allowance + SLOT }],
    }),
  });
  finishEdge(b, 'armholes', joints, { turnAfter: true, makes: [] });
}

/** Edges of a facing that are neatened where no seam takes them. */
const FREE = [
  'facing-line',
  'inner',
  'shoulder',
  'side',
  'waist',
  'armhole',
  'underarm',
  'elbow-seam',
  'forearm-seam',
  'vent',
  'panel-seam',
  'vent-top',
] as const;

/** Facings that lie free: their edge neatened, or pressed under, or bound; caught down afterwards. */
export function facingEdges(b: PlanBuilder): void {
  const facings = b.g.making.parts.filter((p) => p.material === 'facing');
  const free = b.unmet(facings, ...FREE);
  if (!sidesLate(b)) b.sew('inside', ['facing-side', 'facing-side-zip'], { makes: ['facings:joined'] });
  for (const code of [
    'facing-wrist',
    'facing-centre-front',
    'facing-skirt-centre-back',
    'facing-skirt-centre-front',
    'facing-hood-centre-back',
  ] as const)
    b.sew(code.includes('hood') ? 'apart' : 'inside', [code], { makes: ['facings:joined'] });
  if (!free.length) return;
  const { finish } = b.g.d.facing;
  const how = finish === 'bound' ? 'bound' : finish === 'pressed' ? 'folded' : 'overlocked';
  const pieces = [...new Set(free.map(partOf))];
  b.add('inside', finish === 'overlocked' ? 'overlocker' : 'machine', 'neaten-facing', {
    code: `neaten-facing-${finish}`,
    pieces,
    needs: [
      ...when(!shouldersLate(b), ...INSIDE_SHOULDERS),
      ...when(!sidesLate(b), 'done:facing-side?'),
      'done:facing-centre-back?',
    ],
    cares: b.care(free, how),
    makes: ['edged:facings'],
    data: { a: b.length(facings, 'facing-line', 'inner') },
  });
  b.add('finish', 'hand', 'catch-facing', {
    pieces,
    needs: ['turned?', 'held:edge?', 'held:armholes?', 'neck:closed?'],
    data: { a: 120 },
  });
}

/** Ends of a facing along an edge that nothing else takes: folded in with it. */
function loose(b: PlanBuilder, joints: Joint[]): string[] {
  const facings = joints
    .flatMap((j) => [...j.a, ...j.b].map((k) => b.parts.get(partOf(k))))
    .filter((p) => p?.material === 'facing');
  return b.unmet(facings, 'front-edge', 'centre-back', 'centre-front', 'hem', 'wrist');
}

/** Whether a lining hangs from the facing of a waist. */
const isHung = (b: PlanBuilder, code: SeamCode): boolean => code === 'band-waist' && b.has('facing-line-waist');

/** What is turned with a band: all of it where a lining hangs from its facing. */
const turnedWith = (b: PlanBuilder, code: SeamCode): string[] =>
  isHung(b, code) ? everywhere(b) : [...new Set(edgesOf(b.joints(code)).map(partOf))];

/** Bands along edges, each sewn to its own: waist, hem, wrist. */
export function faceBands(b: PlanBuilder): void {
  for (const [code, needs] of [
    ['band-waist', [...SKIRT, 'done:side?', 'done:facing-line-waist?']],
    ['band-hem', ['done:side?', ...PANELS, ...SKIRT, ...WAIST]],
    ['band-wrist', ['done:underarm?', 'done:elbow?', 'done:forearm?']],
    ...openingsOf(b).map((code): [SeamCode, Need[]] => [code, ['done:side?', ...PANELS, ...SKIRT, ...WAIST]]),
  ] as [SeamCode, Need[]][]) {
    if (!b.has(code)) continue;
    const joints = b.joints(code);
    b.sew('joining', [code], {
      needs: [...needs, 'facings:joined?', 'edged:facings?', 'turned?'],
      to_: null,
      makes: [`sewn:${code}`],
    });
    finishEdge(b, code, joints, { turnAfter: false, makes: [`done:${code}`] });
    b.add('joining', 'table', `fold-${code}`, {
      code: 'fold-in',
      cares: b.care(loose(b, joints), 'folded'),
      about: code,
      pieces: [...new Set(edgesOf(joints).map(partOf))],
      needs: [`held:${code}`],
      // Only with a lining that hangs from it is it a bag; else what is folded in is the facing alone.
      turns: { how: isHung(b, code) ? 'bag' : 'part', parts: turnedWith(b, code) },
      makes: [`folded:${code}`],
    });
  }
}

/** Bias strips in place of facings: wrapped round the trimmed edge, or sewn on and turned inside. */
export function biasEdges(b: PlanBuilder): void {
  const { bias } = b.g.d.facing;
  for (const [id, role, needs] of [
    ['neck-bias', 'neckline', ['done:shoulder?', 'done:yoke-shoulder-in?', 'done:yoke-shoulder?']],
    ['armhole-bias', 'armhole', ['done:shoulder?', 'done:side?', 'done:yoke-shoulder-in?']],
  ] as const) {
    const strip = b.parts.get(id);
    if (!strip) continue;
    const shell = b.unmet(
      b.g.making.parts.filter((p) => p.material === 'shell' && ['front', 'back', 'yoke'].includes(p.kind)),
      role,
    );
    const own = b.edges([strip], ...strip.ring.map((e) => e.role));
    b.add('joining', 'machine', id, {
      code: `bias-${bias.school}`,
      pieces: [id, ...new Set(shell.map(partOf))],
      needs: [...needs, 'neck:dressed?', 'done:centre-back?'],
      cares: b.care([...shell, ...own], 'bound'),
      makes: [role === 'neckline' ? 'neck:closed' : 'armholes:closed'],
      data: { finished: bias.finished, a: strip.ring.reduce((t, e) => Math.max(t, e.length), 0) },
      hard: true,
    });
  }
}

const someEdge = (b: PlanBuilder): boolean =>
  b.has('front-edge', ...NECK, ...ARMHOLE, 'band-waist', 'band-hem', 'band-wrist');

export const FACINGS = [
  ...(['understitched', 'understitched-first', 'topstitched', 'rolled'] as const).map((id) =>
    way('facing', id, id === 'topstitched' ? 1 : 0, (b) => unless(someEdge(b), 'nothing-faced')),
  ),
  way('facing-when', 'after-sides', 0, (b) => unless(someEdge(b), 'nothing-faced')),
  way('facing-when', 'before-sides', 0, (b) => {
    if (!someEdge(b)) return 'nothing-faced';
    if (b.has('cap', 'raglan')) return 'sleeves-need-sides';
    return unless(b.has('facing-side') && b.has('band-armhole'), 'no-armhole-facing');
  }),
];

export const hasArmholes = (b: PlanBuilder): boolean => b.has(...ARMHOLE);
