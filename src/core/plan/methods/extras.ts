import { type LaidOn } from '../../pattern/index.ts';
import { type PlanBuilder } from '../builder.ts';
import { type Fact, type Need } from '../names.ts';
import { halt } from '../stretches.ts';
import { type Part } from '../types.ts';
import { PANELS, SKIRT, WAIST } from './groups.ts';
import { openHems, ribbed } from './hems.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';
import { lined } from './opening.ts';

const skirtOrBody = (b: PlanBuilder): string[] => {
  const skirt = [...b.of('skirt-front'), ...b.of('skirt-back')];
  return (skirt.length ? skirt : [...b.of('front'), ...b.of('back')]).map((p) => p.id);
};
const back = (b: PlanBuilder): string[] => b.of('back').map((p) => p.id);
const inner = (b: PlanBuilder): string[] => {
  const inside = b.g.making.parts.filter((p) => p.material === 'facing' && p.kind === 'back').map((p) => p.id);
  const whole = back(b).length ? back(b) : b.of('skirt-back').map((p) => p.id);
  return inside.length ? inside : whole;
};
const fronts = (b: PlanBuilder): string[] => b.of('front').map((p) => p.id);
const WHOLE: Need[] = ['done:side?', ...PANELS, ...SKIRT, ...WAIST, 'turned?'];

/** The pattern's own pieces for a thing that is laid or sewn on. */
const usedAs = (b: PlanBuilder, use: LaidOn): Part[] => b.g.making.parts.filter((p) => p.use === use);
const edgesIn = (b: PlanBuilder, use: LaidOn): string[] => b.edges(usedAs(b, use), 'plain', 'pocket');

/** What the pattern's pieces ask without a word of the sewist. */
export const impliedExtras = (b: PlanBuilder): string[] => [
  ...(usedAs(b, 'tie').length ? ['ties'] : []),
  ...(usedAs(b, 'patch-pocket').length ? ['patch-pockets'] : []),
];

/** The gap in the middle of a sash, mm. Own figure: as wide as two fingers and a turning tool ask. */
const TIE_GAP = 60;

/** A strip folded and sewn along, turned through its end, pressed. */
function tube(b: PlanBuilder, name: string, makes: Fact, long: number): void {
  const pieces = usedAs(b, 'tie').map((p) => p.id);
  const cares = b.care(edgesIn(b, 'tie'), 'enclosed');
  const middle = b.g.methods.ties === 'middle';
  b.add('apart', 'machine', `sew-${name}`, {
    code: 'sew-tube',
    pieces,
    cares,
    stops: halt(middle, 'tie-gap', TIE_GAP),
    data: { a: long * 2, long, ...(middle ? { gap: TIE_GAP } : { end: 1 }) },
  });
  // Through a gap in its middle each half has half the way to go.
  const way = middle ? long / 2 : long;
  b.add('apart', 'table', `turn-${name}`, {
    code: 'turn-tube',
    pieces,
    needs: [`step:sew-${name}`],
    data: { long: way },
  });
  b.add('apart', 'iron', `press-${name}`, {
    code: 'press-tube',
    pieces,
    needs: [`step:turn-${name}`],
    makes: middle ? [] : [makes],
    data: { long },
  });
  if (middle)
    b.add('apart', 'hand', `close-${name}`, {
      code: 'close-tube',
      pieces,
      needs: [`step:press-${name}`],
      makes: [makes],
      data: { a: TIE_GAP },
    });
}

const tied = (b: PlanBuilder): MisfitReason | null =>
  unless([...b.g.extras, ...impliedExtras(b)].includes('ties'), 'no-ties');

/** Where ties are turned: through their open end, or a gap in the middle, both ends closed. Schools. */
export const TIES = (['end', 'middle'] as const).map((id) => way('ties', id, 0, tied));

/** A small part of two layers: sewn round, turned through its open edge, pressed. */
function made(b: PlanBuilder, name: 'tab' | 'flap'): void {
  b.add('apart', 'machine', `sew-${name}`, { data: { a: 400 } });
  b.add('apart', 'table', `turn-${name}`, { needs: [`step:sew-${name}`], data: { a: 100 } });
  b.add('apart', 'iron', `press-${name}`, { needs: [`step:turn-${name}`], data: { a: 200 } });
}

/** What hangs from the lower edge is sewn to it raw, in place of a hem, and its seam neatened. */
function onRawEdge(b: PlanBuilder, name: 'ruffle' | 'peplum', needs: Need[]): void {
  const parts = openHems(b);
  const pieces = parts.map((p) => p.id);
  const a = b.length(parts, 'hem') * 2;
  b.add('finish', 'machine', `sew-${name}`, {
    pieces,
    needs: [`${name}:made`, ...WHOLE, ...needs],
    makes: [`${name}:on`],
    hard: true,
    data: { a },
  });
  b.add('finish', 'overlocker', `neaten-${name}`, {
    pieces,
    needs: [`${name}:on`],
    cares: b.care(b.edges(parts, 'hem'), 'overlocked'),
    // Buttons come before a ruffle, and the last pressing before buttons: nothing of the hem may wait for it.
    makes: name === 'peplum' ? ['hem:done'] : [],
    data: { a },
  });
}

/** Why an extra finds no place on this garment; null where it does. */
export function extraMisfit(b: PlanBuilder, extra: string): MisfitReason | null {
  if (extra === 'ruffle' || extra === 'peplum') {
    if (extra === 'peplum' && b.g.extras.includes('ruffle')) return 'edge-has-ruffle';
    if (ribbed(b)) return 'edge-has-rib';
    return openHems(b).length ? null : lined(b) ? 'edge-has-lining' : 'edge-is-taken';
  }
  return null;
}

/** Things without pattern pieces of their own that the sewist adds; each knows what it must come before. */
const LAID = {
  ties: (b) => {
    tube(b, 'ties', 'tie:made', 800);
    b.add('shell', 'machine', 'baste-ties', {
      pieces: skirtOrBody(b),
      needs: ['tie:made'],
      makes: ['edge:dressed', ...skirtOrBody(b).map((p): Fact => `ready:${p}`)],
      data: { a: 80 },
    });
  },
  label: (b) =>
    b.add('inside', 'machine', 'sew-label', {
      pieces: inner(b),
      makes: ['label:on', ...inner(b).map((p): Fact => `ready:${p}`)],
      data: { a: 60 },
    }),
  hook: (b) =>
    b.add('finish', 'hand', 'hook-and-eye', {
      pieces: back(b),
      needs: ['turned?', 'zip:lined?', 'zip:in?', 'neck:closed?'],
      data: { a: 40 },
    }),
  'patch-pockets': (b) => {
    const patches = usedAs(b, 'patch-pocket').map((p) => p.id);
    const cares = b.care(edgesIn(b, 'patch-pocket'), 'folded');
    b.add('apart', 'iron', 'press-patch', { pieces: patches, cares });
    b.add('shell', 'machine', 'sew-patch', {
      pieces: [...patches, ...fronts(b)],
      needs: ['step:press-patch'],
      makes: ['pocket:set', ...fronts(b).map((p): Fact => `ready:${p}`)],
      data: { a: 1000, in: 3 },
    });
  },
  gathers: (b) =>
    b.add('shell', 'machine', 'gather', {
      pieces: skirtOrBody(b),
      foot: 'gathering',
      makes: skirtOrBody(b).map((p): Fact => `ready:${p}`),
      data: { a: 1200 },
    }),
  ruffle: (b) => {
    b.add('apart', 'machine', 'hem-ruffle', { data: { a: 2400 } });
    b.add('apart', 'machine', 'gather-ruffle', {
      needs: ['step:hem-ruffle'],
      foot: 'gathering',
      makes: ['ruffle:made'],
      data: { a: 2400 },
    });
    b.add('finish', 'machine', 'close-lowest', {
      pieces: fronts(b),
      needs: ['buttons:on?'],
      makes: ['front:buttoned'],
      data: { a: 40 },
    });
    onRawEdge(b, 'ruffle', ['buttons:on?', 'front:buttoned']);
  },
  peplum: (b) => {
    b.add('apart', 'machine', 'hem-peplum', { makes: ['peplum:made'], data: { a: 1100 } });
    onRawEdge(b, 'peplum', []);
  },
  // A casing at the wrists has steps of the same kinds.
  casing: (b) => {
    const pieces = skirtOrBody(b);
    const stops = halt(true, 'casing-gap', 50);
    b.add('joining', 'machine', 'stitch-casing:waist', {
      code: 'stitch-casing',
      pieces,
      needs: WHOLE,
      stops,
      data: { a: 900, gap: 50 },
    });
    b.add('joining', 'table', 'thread-elastic:waist', {
      code: 'thread-elastic',
      pieces,
      needs: ['step:stitch-casing:waist'],
      data: { lapped: 10 },
    });
    b.add('joining', 'machine', 'close-casing:waist', {
      code: 'close-casing',
      pieces,
      needs: ['step:thread-elastic:waist'],
      data: { a: 50 },
    });
  },
  cord: (b) => {
    b.add('shell', 'buttonhole', 'cord-holes', {
      pieces: fronts(b),
      makes: ['holes:cord', ...fronts(b).map((p): Fact => `ready:${p}`)],
      cautions: ['cords', 'ripper'],
    });
    b.add('finish', 'machine', 'cord-casing', { pieces: fronts(b), needs: ['holes:cord', ...WHOLE], data: { a: 700 } });
    b.add('finish', 'table', 'thread-cord', { pieces: fronts(b), needs: ['step:cord-casing'], cautions: ['cords'] });
  },
  tabs: (b) => {
    made(b, 'tab');
    b.add('shell', 'machine', 'baste-tab', {
      pieces: skirtOrBody(b),
      needs: ['step:press-tab'],
      makes: skirtOrBody(b).map((p): Fact => `ready:${p}`),
      data: { a: 80 },
    });
  },
  // Over the pocket that it covers, and before any seam crosses its end.
  flaps: (b) => {
    made(b, 'flap');
    b.add('shell', 'machine', 'set-flap', {
      pieces: fronts(b),
      needs: ['step:press-flap', 'step:sew-patch?'],
      makes: fronts(b).map((p): Fact => `ready:${p}`),
      data: { a: 300, in: 6 },
    });
  },
  // Caught in the side seams or under a waistband: on before any of them.
  'belt-loops': (b) =>
    b.add('shell', 'machine', 'belt-loops', {
      pieces: skirtOrBody(b),
      makes: ['loops:on'],
      data: { a: 300 },
    }),
  'detachable-collar': (b) => {
    b.add('apart', 'iron', 'stretch-collar', { cautions: ['iron'], data: { a: 900 } });
    b.add('apart', 'machine', 'sew-detachable', { needs: ['step:stretch-collar'], data: { a: 1100 } });
    b.add('apart', 'table', 'turn-detachable', { needs: ['step:sew-detachable'] });
    b.add('apart', 'iron', 'stretch-again', { needs: ['step:turn-detachable'], data: { a: 900 } });
    b.add('apart', 'buttonhole', 'band-holes', { foot: 'buttonhole', cautions: ['ripper'] });
    b.add('apart', 'machine', 'band-detachable', {
      needs: ['step:stretch-again', 'step:band-holes'],
      data: { a: 900 },
    });
    b.add('finish', 'hand', 'fasten-detachable', {
      needs: ['step:band-detachable', 'neck:closed?', 'turned?'],
      data: { a: 300 },
    });
  },
} satisfies Record<string, (b: PlanBuilder) => void>;
export type ExtraId = keyof typeof LAID;
export const EXTRA_IDS = Object.keys(LAID) as ExtraId[];
export const EXTRAS: Readonly<Record<string, ((b: PlanBuilder) => void) | undefined>> = LAID;
