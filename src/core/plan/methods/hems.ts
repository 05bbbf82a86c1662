import { type Role } from '../../pattern/index.ts';
import { type PlanBuilder } from '../builder.ts';
import { mitreMarks } from '../mitre.ts';
import { type Need, when } from '../names.ts';
import { type Part } from '../types.ts';
import { frontFaced, sidesLate } from './body.ts';
import { LINING_PANELS, LINING_SKIRT, LINING_SLEEVE, PANELS, SKIRT, SLEEVE } from './groups.ts';
import { type Method, unless, way } from './method.ts';
import { bagged, lined } from './opening.ts';
import { isVented } from './vents.ts';

/** What ends at the wrist or in a seam of its own has no hem of the garment. */
const UNHEMMED: ReadonlySet<string> = new Set(['sleeve', 'under-sleeve', 'hood', 'collar', 'cuff']);

const shellHems = (b: PlanBuilder): Part[] =>
  b.g.making.parts.filter(
    (p) => p.material === 'shell' && !UNHEMMED.has(p.kind) && p.ring.some((e) => e.role === 'hem'),
  );
const ids = (parts: Part[]): string[] => parts.map((p) => p.id);
const CLOSED: Need[] = ['done:side?', 'done:centre-back?', ...PANELS, ...SKIRT];

/** Hems pressed up while they can lie flat; sleeves of a bag too. */
export function pressHems(b: PlanBuilder): void {
  const parts = shellHems(b);
  if (!parts.length || !openHems(b).length ? !turnedUp(b) : ribbed(b) || hung(b)) return;
  const depth = parts[0]?.ring.find((e) => e.role === 'hem')?.allowance ?? 0;
  b.add('shell', 'iron', 'press-hem', {
    pieces: ids(parts),
    needs: CLOSED.filter((c) => !late(b).includes(c)),
    makes: ['hem:pressed'],
    press: 'hem-up',
    data: { depth },
  });
  if (b.has('wrist') && b.g.d.lining.wrist.kind === 'joined') {
    const sleeves = [...b.of('sleeve'), ...b.of('under-sleeve')];
    const wrist = sleeves[0]?.ring.find((e) => e.role === 'wrist')?.allowance ?? 0;
    b.add('shell', 'iron', 'press-wrist', {
      pieces: ids(sleeves),
      needs: SLEEVE,
      makes: ['wrist:pressed'],
      press: 'hem-up',
      data: { depth: wrist },
    });
  }
}

/** Sides sewn after the layers are joined: the hem cannot wait for them before that. */
const late = (b: PlanBuilder): Need[] => (sidesLate(b) ? ['done:side?'] : []);

const faced = (b: PlanBuilder): boolean => b.has('band-hem');
/** Hems that no seam takes. */
export function openHems(b: PlanBuilder): Part[] {
  return shellHems(b).filter((p) => b.unmet([p], 'hem').length > 0);
}
/** Hems that are turned up although a seam takes them: the lining is joined to their raw edge. */
const turnedUp = (b: PlanBuilder): boolean => bagged(b) && b.g.d.lining.hem.kind === 'joined' && !faced(b);
export const ribbed = (b: PlanBuilder): boolean => b.parts.has('hem-rib');
/** A ruffle or peplum is sewn to the raw lower edge: then it is not hemmed. */
const hung = (b: PlanBuilder): boolean =>
  b.g.extras.some((x) => x === 'ruffle' || x === 'peplum') && openHems(b).length > 0;

/** What a hem is made with. */
const HEM_AT = { blind: 'hand', machine: 'machine', rolled: 'machine', fused: 'iron' } as const;

function shellHem(b: PlanBuilder, id: keyof typeof HEM_AT): void {
  const parts = openHems(b);
  const cares = b.care(b.edges(parts, 'hem'), 'hemmed');
  const long = b.length(parts, 'hem') * 2;
  const depth = parts[0]?.ring.find((e) => e.role === 'hem')?.allowance ?? 0;
  const needs: Need[] = [
    ...CLOSED,
    'turned?',
    'hem:pressed',
    'vent:joined?',
    'done:waist-front?',
    'done:waist-back?',
    'front:ready?',
    'waist-lining:in?',
    'done:waistband?',
    'corner:mitred?',
    'sides:closed?',
  ];
  // Turned once, its raw edge is seen inside.
  if (id === 'blind' || id === 'fused')
    b.add('finish', 'overlocker', 'neaten-hem', {
      pieces: ids(parts),
      needs: CLOSED,
      makes: ['hem:edged'],
      data: { a: long },
    });
  b.add('finish', HEM_AT[id], `hem-${id}`, {
    pieces: ids(parts),
    needs: [...needs, 'hem:edged?'],
    ...(id === 'fused' && { cautions: ['fumes'] }),
    cares,
    makes: ['hem:done'],
    data: { depth, a: long },
  });
}

/** Free linings hemmed by themselves, chains at the side seams. */
function liningHem(b: PlanBuilder, by: 'machine' | 'hand'): void {
  const parts = b.g.making.parts.filter((p) => p.material === 'lining' && p.ring.some((e) => e.role === 'hem'));
  const { turn1, turn2 } = b.g.d.lining.hem;
  const lateSide = b.ops.some((o) => o.section === 'joining' && o.makes.includes('done:lining-side'));
  b.add(lateSide ? 'finish' : 'inside', by, `lining-hem-${by}`, {
    code: 'lining-hem',
    pieces: ids(parts),
    needs: [
      'done:lining-side?',
      ...LINING_SKIRT,
      ...LINING_PANELS,
      'done:lining-waist-front?',
      'done:lining-centre-back?',
      'sides:closed?',
      ...when(b.g.methods['lining-edge'] !== 'felled', 'done:facing-line-front?'),
    ],
    cares: b.care(b.edges(parts, 'hem'), 'hemmed'),
    makes: lateSide ? ['lining:hemmed'] : ['lining:hemmed', 'liner:hemmed'],
    thread: 'lining',
    data: { turn1, turn2, a: b.length(parts, 'hem') * 2 },
  });
  b.add('finish', 'hand', 'thread-chains', {
    pieces: ids(parts),
    needs: ['hem:done?', 'lining:hemmed', 'turned?'],
    data: { a: 60 },
  });
}

/** Sleeve linings that end by themselves. */
export function liningWrist(b: PlanBuilder): void {
  const parts = b.g.making.parts.filter((p) => p.material === 'lining' && ['sleeve', 'under-sleeve'].includes(p.kind));
  const free = b.unmet(parts, 'wrist');
  if (!free.length || b.g.d.lining.wrist.kind === 'rib') return;
  const { turn1, turn2 } = b.g.d.lining.wrist;
  b.add('inside', 'machine', 'lining-wrist', {
    pieces: ids(parts),
    needs: LINING_SLEEVE,
    cares: b.care(free, 'hemmed'),
    makes: ['wrist-lining:hemmed'],
    thread: 'lining',
    data: { turn1, turn2, a: b.length(parts, 'wrist') },
  });
}

/** Whether the lower edge is parted at the front: by a front edge, whatever closes it. */
const opensInFront = (b: PlanBuilder): boolean =>
  frontFaced(b) || shellHems(b).some((p) => p.ring.some((e) => e.role === 'front-edge' && !e.onFold));

/** A rib stretched to the edge: to the shell, then the lining to its other edge; cuffs last, over both layers. */
export function ribs(b: PlanBuilder): void {
  for (const [id, role, needs] of [
    ['hem-rib', 'hem', CLOSED],
    ['wrist-rib', 'wrist', ['done:cap?', 'done:underarm?', 'turned?', 'inside:sleeves?']],
  ] as const) {
    const rib = b.parts.get(id);
    if (!rib) continue;
    const parts = role === 'hem' ? shellHems(b) : [...b.of('sleeve'), ...b.of('under-sleeve')];
    const linings = role === 'wrist' ? [...b.of('sleeve', 'lining'), ...b.of('under-sleeve', 'lining')] : [];
    const over = role === 'wrist' ? b.joints('wrist', 'wrist-under') : [];
    const own = b.care(b.edges([rib], ...rib.ring.map((e) => e.role)), 'enclosed');
    const cares = [...own, ...b.care(b.edges([...parts, ...linings], role), lined(b) ? 'enclosed' : 'overlocked')];
    const share = b.g.d.lining[role].ribShare;
    // Where the front opens the hem's rib is no ring: its ends are sewn across and turned, level with the front edges.
    const ends = role === 'hem' && opensInFront(b);
    b.add('apart', 'machine', `${ends ? 'end' : 'close'}:${id}`, {
      code: ends ? 'end-rib' : 'close-rib',
      pieces: [id],
      makes: [`made:${id}`],
      data: { share },
    });
    b.add(role === 'hem' ? 'shell' : 'joining', lined(b) ? 'machine' : 'overlocker', `sew:${id}`, {
      code: 'sew-rib',
      pieces: [...ids(parts), ...ids(linings), id],
      needs: [...needs.filter((n) => n !== 'done:side?' || !late(b).length), `made:${id}`],
      sews: over
        .filter((j) => !b.ops.some((o) => o.sews.some((s) => s.joint === j.id)))
        .map((j) => ({ joint: j.id, from: 0, to: 1 })),
      cares,
      makes: lined(b) ? [`${id}:on`] : [`${id}:on`, `${role}:done`],
      data: { share, a: b.length(parts, role) },
    });
  }
}

/** An edge topstitched beside a zip or a closing runs over the end of the rib, or begins above it: schools. */
export const TOPSTITCHES = (['whole', 'above-rib'] as const).map((id) =>
  way('topstitch', id, 1, (b) =>
    unless(
      b.g.methods.facing === 'topstitched' && b.of('front').length > 0 && ribbed(b) && opensInFront(b),
      'no-rib-below',
    ),
  ),
);

/** Corner where two hems meet, at vents and slits: mitred, or folded plainly one over the other. */
function mitre(b: PlanBuilder): void {
  const parts = shellHems(b).filter(isVented);
  const depth = (p: Part | undefined, role: Role): number => p?.ring.find((e) => e.role === role)?.allowance ?? 0;
  const corner = (p: Part, side: number) =>
    mitreMarks({ hem: depth(p, 'hem'), side, angle: p.vent?.angle ?? Math.PI / 2 });
  // The one that laps over folds its extension back; the one below only turns its edge.
  const over = parts.find((p) => p.vent?.fold);
  const under = parts.find((p) => !p.vent?.fold) ?? parts.at(-1);
  const fold = over?.vent?.fold ?? 0;
  const [above, below] = [over && corner(over, fold), under && corner(under, depth(under, 'vent'))];
  const hem = depth(parts[0], 'hem');
  const first = {
    pieces: ids(parts),
    data: {
      hem,
      ...(above && { fold, ...above }),
      ...(below && { side: depth(under, 'vent'), underHem: below.alongHem, underSide: below.alongSide }),
    },
  };
  b.add('shell', 'table', 'mark-mitre', { ...first, needs: ['hem:pressed', 'vent:pressed?'] });
  b.add('shell', 'machine', 'sew-mitre', { ...first, needs: ['step:mark-mitre'], data: { ...first.data, a: hem * 2 } });
  b.add('shell', 'table', 'trim-mitre', {
    ...first,
    needs: ['step:sew-mitre'],
    makes: ['corner:mitred'],
    cautions: ['blades'],
  });
}

/** An unlined shirt's hem is turned twice and stitched. */
const unlined: Method['usual'] = (b) => !lined(b);

const free = (b: PlanBuilder): boolean => openHems(b).length > 0 && !ribbed(b) && !hung(b);
const vented = (b: PlanBuilder): boolean => shellHems(b).some(isVented);
const liningFree = (b: PlanBuilder): boolean =>
  b.g.making.parts.some((p) => p.material === 'lining' && p.ring.some((e) => e.role === 'hem')) &&
  !bagged(b) &&
  !ribbed(b);

export const HEMS = [
  ...(['blind', 'machine', 'rolled', 'fused'] as const).map((id) => ({
    ...way(
      'hem',
      id,
      id === 'blind' || id === 'fused' ? 0 : 1,
      (b) => unless(free(b), 'hem-not-free'),
      (b) => shellHem(b, id),
    ),
    ...(id === 'machine' && { usual: unlined }),
  })),
  way('hem', 'none', 0, (b) => unless(!free(b), 'hem-is-free')),
  ...(['machine', 'hand'] as const).map((by) =>
    way(
      'lining-hem',
      by,
      0,
      (b) => unless(liningFree(b), 'lining-hem-not-free'),
      (b) => liningHem(b, by),
    ),
  ),
  way('corner', 'plain', 0, (b) => unless(vented(b), 'no-corner')),
  way(
    'corner',
    'mitred',
    0,
    (b) => unless(vented(b) && !ribbed(b) && !hung(b) && (openHems(b).length > 0 || turnedUp(b)), 'no-corner'),
    mitre,
  ),
];
