import { type Bench } from '../bench.ts';
import { type Method, unless, way } from './method.ts';

const skirtOrBody = (b: Bench): string[] => {
  const skirt = [...b.of('skirt-front'), ...b.of('skirt-back')];
  return (skirt.length ? skirt : [...b.of('front'), ...b.of('back')]).map((p) => p.id);
};
const back = (b: Bench): string[] => b.of('back').map((p) => p.id);
const inner = (b: Bench): string[] => {
  const inside = b.g.making.parts.filter((p) => p.material === 'facing' && p.kind === 'back').map((p) => p.id);
  return inside.length ? inside : back(b);
};
const fronts = (b: Bench): string[] => b.of('front').map((p) => p.id);
const WHOLE = ['done:side?', 'done:skirt-side?', 'done:waist-front?', 'done:waist-back?', 'turned?'];

/** A strip folded and sewn along, turned through its end, pressed. */
function tube(b: Bench, name: string, makes: string, long: number): void {
  b.add('apart', 'machine', `sew-${name}`, { code: 'sew-tube', pieces: [], data: { a: long * 2, long } });
  b.add('apart', 'table', `turn-${name}`, { code: 'turn-tube', pieces: [], needs: [`sew-${name}`], data: { long } });
  b.add('apart', 'iron', `press-${name}`, {
    code: 'press-tube',
    pieces: [],
    needs: [`turn-${name}`],
    makes: [makes],
    data: { long },
  });
}

/** Things without pattern pieces of their own that the sewist adds; each knows what it must come before. */
export const EXTRAS: Record<string, (b: Bench) => void> = {
  ties: (b) => {
    tube(b, 'ties', 'tie:made', 800);
    b.add('joining', 'machine', 'baste-ties', {
      pieces: skirtOrBody(b),
      needs: ['tie:made'],
      makes: ['edge:dressed', ...skirtOrBody(b).map((p) => `ready:${p}`)],
      data: { a: 80 },
    });
  },
  label: (b) =>
    b.add('inside', 'machine', 'sew-label', {
      pieces: inner(b),
      makes: ['label:on', ...inner(b).map((p) => `ready:${p}`)],
      data: { a: 60 },
    }),
  hook: (b) =>
    b.add('finish', 'hand', 'hook-and-eye', {
      pieces: back(b),
      needs: ['turned?', 'zip:lined?', 'zip:in?', 'neck:closed?'],
      data: { a: 40 },
    }),
  'patch-pockets': (b) => {
    b.add('apart', 'iron', 'press-patch', { pieces: [], cares: [], data: {} });
    b.add('shell', 'machine', 'sew-patch', {
      pieces: fronts(b),
      needs: ['press-patch'],
      makes: ['pocket:set', ...fronts(b).map((p) => `ready:${p}`)],
      data: { a: 1000, in: 3 },
    });
  },
  gathers: (b) =>
    b.add('shell', 'machine', 'gather', {
      pieces: skirtOrBody(b),
      foot: 'gathering',
      makes: skirtOrBody(b).map((p) => `ready:${p}`),
      data: { a: 1200 },
    }),
  ruffle: (b) => {
    b.add('apart', 'machine', 'hem-ruffle', { data: { a: 2400 } });
    b.add('apart', 'machine', 'gather-ruffle', {
      needs: ['hem-ruffle'],
      foot: 'gathering',
      makes: ['ruffle:made'],
      data: { a: 2400 },
    });
    const needs = ['ruffle:made', ...WHOLE, 'buttons:on?', 'hem:done?'];
    b.add('finish', 'machine', 'close-lowest', {
      pieces: fronts(b),
      needs: ['buttons:on?'],
      makes: ['front:buttoned'],
      data: { a: 40 },
    });
    b.add('finish', 'machine', 'sew-ruffle', {
      pieces: skirtOrBody(b),
      needs: [...needs, 'front:buttoned'],
      makes: ['ruffle:on'],
      hard: true,
      data: { a: 1200 },
    });
    b.add('finish', 'overlocker', 'neaten-ruffle', { pieces: skirtOrBody(b), needs: ['ruffle:on'], data: { a: 1200 } });
  },
  peplum: (b) => {
    b.add('apart', 'machine', 'hem-peplum', { makes: ['peplum:made'], data: { a: 1100 } });
    b.add('finish', 'machine', 'sew-peplum', {
      pieces: fronts(b),
      needs: ['peplum:made', ...WHOLE],
      makes: ['peplum:on'],
      hard: true,
      data: { a: 900 },
    });
    b.add('finish', 'overlocker', 'neaten-peplum', { pieces: fronts(b), needs: ['peplum:on'], data: { a: 900 } });
  },
  casing: (b) => {
    b.add('joining', 'machine', 'stitch-casing', {
      pieces: skirtOrBody(b),
      needs: WHOLE,
      stops: [{ code: 'casing-gap', mm: 50 }],
      data: { a: 900 },
    });
    b.add('joining', 'table', 'thread-elastic', {
      pieces: skirtOrBody(b),
      needs: ['stitch-casing'],
      makes: ['elastic:in'],
    });
    b.add('joining', 'machine', 'close-casing', { pieces: skirtOrBody(b), needs: ['elastic:in'], data: { a: 50 } });
  },
  cord: (b) => {
    b.add('shell', 'buttonhole', 'cord-holes', {
      pieces: fronts(b),
      makes: ['holes:cord', ...fronts(b).map((p) => `ready:${p}`)],
      cautions: ['cords', 'ripper'],
    });
    b.add('finish', 'machine', 'cord-casing', { pieces: fronts(b), needs: ['holes:cord', ...WHOLE], data: { a: 700 } });
    b.add('finish', 'table', 'thread-cord', { pieces: fronts(b), needs: ['cord-casing'], cautions: ['cords'] });
  },
  'belt-loops': (b) =>
    b.add('shell', 'machine', 'belt-loops', { pieces: fronts(b), needs: [], makes: ['loops:on'], data: { a: 300 } }),
  'detachable-collar': (b) => {
    b.add('apart', 'iron', 'stretch-collar', { cautions: ['iron'], data: { a: 900 } });
    b.add('apart', 'machine', 'sew-detachable', { needs: ['stretch-collar'], data: { a: 1100 } });
    b.add('apart', 'table', 'turn-detachable', { needs: ['sew-detachable'] });
    b.add('apart', 'machine', 'band-detachable', { needs: ['turn-detachable'], data: { a: 900 } });
    b.add('finish', 'hand', 'fasten-detachable', {
      needs: ['band-detachable', 'neck:closed?', 'turned?'],
      data: { a: 300 },
    });
  },
};
export const EXTRA_IDS = Object.keys(EXTRAS);

/** Pocket bags in the side seam: each half to its edge before the seam, sewn round in one with it. */
function inSeam(b: Bench): void {
  const bags = b.of('other').filter((p) => p.ring.every((e) => e.role === 'plain' || e.role === 'pocket'));
  const keys = b.edges(bags, 'plain', 'pocket');
  const onto = b.has('skirt-side')
    ? [...b.of('skirt-front'), ...b.of('skirt-back')]
    : [...b.of('front'), ...b.of('back')];
  const pieces = [...bags, ...onto].map((p) => p.id);
  b.add('shell', 'machine', 'bags-on', { pieces, makes: ['bags:on'], data: { a: 720 } });
  b.add('shell', 'iron', 'press-bags', { pieces, needs: ['bags:on'], makes: ['pocket:set'] });
  b.add('shell', 'machine', 'bags-round', {
    pieces,
    needs: ['done:side?', 'done:skirt-side?', 'pocket:set'].filter((n) =>
      b.has('skirt-side') ? n !== 'done:side?' : n !== 'done:skirt-side?',
    ),
    data: { a: 1300 },
    makes: ['bags:sewn'],
  });
  b.add('shell', 'overlocker', 'neaten-bags', {
    pieces,
    needs: ['bags:sewn'],
    cares: b.care(keys, 'overlocked'),
    data: { a: 1300 },
  });
}

const bags = (b: Bench): boolean =>
  b
    .of('other')
    .some(
      (p) => p.ring.every((e) => e.role === 'plain' || e.role === 'pocket') && !['hem-rib', 'wrist-rib'].includes(p.id),
    );
export const POCKETS: Method[] = [
  way('pocket', 'in-seam', 0, (b) => unless(bags(b), 'no-pocket-bags'), inSeam),
  way('pocket', 'none', 0, (b) => unless(!bags(b), 'has-pocket-bags')),
];
