import { describe, expect, test } from '@jest/globals';
import { type Features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { usualDecisions } from '../project.ts';
import { makePlan, type Plan, type PlanStep } from './index.ts';

const BASE: Features = { ...PLAIN, lining: 'none', buttons: false };
const SHIRT: Partial<Features> = { neck: 'bare', collar: 'band' };
const TOP: Partial<Features> = { sleeves: 'none', neck: 'bare', lining: 'free', opening: 'zip' };

function plan(more: Partial<Features>, methods: Record<string, string> = {}, extras: string[] = []): Plan {
  const r = makePlan(taskFrom({ ...BASE, ...more }), { ...usualDecisions().making, methods, extras });
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  expect(r.value.findings.filter((f) => f.severity !== 'note')).toEqual([]);
  for (const [topic, m] of Object.entries(methods)) expect([topic, r.value.methods[topic]]).toEqual([topic, m]);
  return r.value;
}
const step = (p: Plan, id: string): PlanStep => {
  const s = p.steps.find((x) => x.id === id);
  if (!s) throw new Error(`no step ${id} among ${p.steps.map((x) => x.id).join(' ')}`);
  return s;
};

interface Case {
  name: string;
  more: Partial<Features>;
  methods: Record<string, string>;
  extras?: string[];
  /** Steps it has, in this order. */
  has: string[];
  /** Steps it has not. */
  not?: string[];
}

// What each way of making asks, as partial orders. Common practice.
const CASES: Case[] = [
  {
    name: 'seams overlocked and pressed open: edges neatened before they are sewn',
    more: SHIRT,
    methods: { seams: 'overlocked' },
    has: ['neaten:side', 'sew:side', 'press:side'],
  },
  {
    name: 'seams overlocked together: sewn first',
    more: SHIRT,
    methods: { seams: 'together' },
    has: ['sew:side', 'press:side', 'neaten:side'],
  },
  {
    name: 'seams bound: after pressing',
    more: SHIRT,
    methods: { seams: 'bound' },
    has: ['sew:side', 'press:side', 'bind:side'],
  },
  {
    name: 'French seams: two passes with a trim between; the eased cap is overlocked all the same',
    more: SHIRT,
    methods: { seams: 'french' },
    has: ['french-1:side', 'french-trim:side', 'french-2:side', 'sew:cap', 'neaten:cap'],
    not: ['sew:side', 'french-1:cap'],
  },
  {
    name: 'flat-felled',
    more: SHIRT,
    methods: { seams: 'felled' },
    has: ['fell-1:side', 'fell-trim:side', 'fell-2:side'],
  },
  {
    name: 'sleeves in the round: underarm and side first',
    more: SHIRT,
    methods: { sleeves: 'round' },
    has: ['sew:underarm', 'press:underarm', 'ease:cap', 'sew:cap'],
  },
  {
    name: 'sleeves flat: cap first, then side and underarm in one run',
    more: SHIRT,
    methods: { sleeves: 'flat' },
    has: ['sew:shoulder', 'ease:cap', 'sew:cap', 'sew:side'],
    not: ['sew:underarm'],
  },
  {
    name: 'bound slit and band cuff',
    more: { ...SHIRT, cuffs: true },
    methods: { slit: 'bound', cuff: 'band' },
    has: [
      'stay-slit',
      'cut-slit',
      'bind-slit',
      'press-slit',
      'sew:underarm',
      'gather-wrist',
      'sew:cuff',
      'sew:cuff-in',
    ],
  },
  {
    name: 'tower slit and link cuff',
    more: { ...SHIRT, cuffs: true },
    methods: { slit: 'tower', cuff: 'link' },
    has: ['press-tower', 'sew-tower', 'cut-tower', 'stitch-tower', 'sew:cuff'],
    not: ['cut-slit'],
  },
  {
    name: 'hemmed slit and turned-back cuff: no row of stitching on it',
    more: { ...SHIRT, cuffs: true },
    methods: { slit: 'hemmed', cuff: 'turn-back' },
    has: ['cut-slit', 'hem-slit', 'sew:cuff-edge', 'turn:cuff-edge', 'sew:cuff', 'sew:cuff-in', 'turn-back-cuff'],
    not: ['topstitch:cuff-edge'],
  },
  {
    name: 'sleeve ends in a casing',
    more: SHIRT,
    methods: { wrist: 'casing' },
    has: ['press-wrist', 'stitch-casing', 'thread-elastic', 'close-casing'],
  },
  {
    name: 'collar and stand made up, then to the neck',
    more: { neck: 'bare', collar: 'stand' },
    methods: { collar: 'complete', front: 'cut-on' },
    has: [
      'topstitch:collar-outer',
      'sew:collar-stand',
      'turn:collar-stand',
      'sew:stand-neck',
      'clip:stand-neck',
      'press:stand-neck',
      'sew:stand-neck-in',
    ],
  },
  {
    name: 'stands to the neck first, the collar laid between them after',
    more: { neck: 'bare', collar: 'stand' },
    methods: { collar: 'in-stages' },
    has: ['sew:stand-neck', 'clip:stand-neck', 'sew:collar-stand', 'sew:collar-stand-in'],
    not: ['turn:collar-stand'],
  },
  {
    name: 'band alone: closed along its upper edge',
    more: SHIRT,
    methods: { collar: 'band' },
    has: ['fold:stand:in', 'sew:stand-top', 'turn:stand-top', 'sew:stand-neck', 'sew:stand-neck-in'],
  },
  {
    name: 'one-piece collar between neck and facing',
    more: { collar: 'one-piece' },
    methods: { collar: 'under-facing' },
    has: ['topstitch:collar-outer', 'baste-collar', 'sew-edge', 'grade:edge', 'understitch:edge', 'turn'],
    not: ['sew:collar-neck'],
  },
  {
    name: 'one-piece collar whose edge covers the seam',
    more: { collar: 'one-piece', neck: 'bare' },
    methods: { collar: 'covered' },
    has: ['fold:collar:in', 'sew:collar-outer', 'sew:collar-neck', 'clip:collar-neck', 'sew:collar-neck-in'],
  },
  {
    name: 'collar seam covered with bias strip',
    more: { collar: 'one-piece', neck: 'bare' },
    methods: { collar: 'biased' },
    has: ['topstitch:collar-outer', 'sew:collar-neck'],
    not: ['sew:collar-neck-in'],
  },
  {
    name: 'notched: under collar to shell, upper to facing, outer edges with the fronts',
    more: { collar: 'one-piece', neck: 'lapel' },
    methods: { collar: 'notched' },
    has: ['sew:collar-neck', 'match-notches', 'sew-edge', 'turn'],
    not: ['sew:collar-outer', 'topstitch:collar-outer'],
  },
  {
    name: 'hood, unlined: its opening hemmed, its neck bound',
    more: { collar: 'hood', neck: 'bare' },
    methods: { collar: 'hood' },
    has: ['hem-hood', 'sew:hood-neck', 'bind-neck'],
  },
  {
    name: 'hood, lined: turned before it meets the neck',
    more: { collar: 'hood', lining: 'free' },
    methods: { collar: 'hood' },
    has: ['sew:hood-crown', 'sew:hood-edge', 'turn:hood', 'sew:hood-neck', 'sew-edge'],
    not: ['bind-neck'],
  },
  {
    name: 'double yoke, topstitched down',
    more: { ...SHIRT, yoke: true },
    methods: { yoke: 'topstitched' },
    has: ['sew:yoke-back', 'fold-yoke', 'sew:yoke-shoulder-in'],
    not: ['pull-yoke'],
  },
  {
    name: 'single yoke',
    more: { ...SHIRT, yoke: true },
    methods: { yoke: 'single' },
    has: ['sew:yoke-back', 'sew:yoke-shoulder'],
    not: ['sew:yoke-shoulder-in', 'grade-yoke'],
  },
  {
    name: 'shaped yoke: staystitched',
    more: { ...SHIRT, yoke: true },
    methods: { yoke: 'shaped' },
    has: ['stay-yoke', 'sew:yoke-back', 'sew:yoke-shoulder'],
  },
  {
    name: 'band cut on, folded twice',
    more: SHIRT,
    methods: { front: 'cut-on' },
    has: ['press-band', 'stitch-band', 'sew:stand-neck'],
  },
  {
    name: 'facing in one with the front',
    more: SHIRT,
    methods: { front: 'self-faced' },
    has: ['neaten-self', 'press-self', 'sew:stand-neck'],
  },
  {
    name: 'hidden placket',
    more: SHIRT,
    methods: { front: 'concealed' },
    has: ['press-fly', 'stitch-fly', 'tack-fly', 'sew:stand-neck'],
  },
  {
    name: 'a band of its own: pressed under before it is sewn on',
    more: { ...SHIRT, placket: true },
    methods: { front: 'band' },
    has: ['fold-placket', 'sew-placket', 'press-placket', 'cover-placket', 'sew:stand-neck'],
  },
  {
    name: 'half placket: sewn before it is cut',
    more: { ...SHIRT, placket: true, opening: 'none' },
    methods: { front: 'half' },
    has: ['half-bands', 'half-cut', 'half-press', 'half-box', 'sew:stand-neck'],
  },
  {
    name: 'zip at the front: basted, looked at, sewn with the edge',
    more: {},
    methods: { front: 'zip' },
    has: ['strip-zip', 'baste-zip', 'check-zip', 'sew-edge', 'turn'],
  },
  {
    name: 'facing understitched, and topstitched, and only rolled',
    more: {},
    methods: { facing: 'topstitched' },
    has: ['sew-edge', 'grade:edge', 'roll:edge', 'turn', 'topstitch:edge'],
    not: ['understitch:edge'],
  },
  {
    name: 'facing only rolled',
    more: {},
    methods: { facing: 'rolled' },
    has: ['grade:edge', 'roll:edge', 'turn'],
    not: ['understitch:edge', 'topstitch:edge'],
  },
  {
    name: 'neck and armhole faced in one, flat: sides of shell and facing in one run afterwards',
    more: { sleeves: 'none', neck: 'in-one', opening: 'zip' },
    methods: { 'facing-when': 'before-sides' },
    has: ['sew-edge', 'sew-armholes', 'turn', 'sew:side', 'neaten:sides'],
  },
  {
    name: 'slotted shoulders: neck and armholes stop short, sides closed, shoulders through the slots',
    more: TOP,
    methods: { armholes: 'slotted' },
    has: ['sew:side', 'sew-edge', 'sew-armholes', 'turn', 'sew:shoulder', 'close-slots'],
    not: ['fell-shoulders'],
  },
  {
    name: 'shoulders last: the lining felled over them',
    more: TOP,
    methods: { armholes: 'shoulders-last' },
    has: ['sew-armholes', 'turn', 'sew:shoulder', 'fell-shoulders', 'close-slots'],
  },
  {
    name: 'armholes felled by hand: any opening will do',
    more: { ...TOP, opening: 'none' },
    methods: { armholes: 'felled' },
    has: ['sew:side', 'sew-edge', 'turn', 'fell-armholes'],
    not: ['sew-armholes'],
  },
  {
    name: 'lining felled to the facing, after the facing is in',
    more: { lining: 'free' },
    methods: { 'lining-edge': 'felled' },
    has: ['sew:facing-shoulder', 'sew-edge', 'turn', 'fell-lining'],
    not: ['sew:facing-line-front'],
  },
  ...(['sleeve', 'side', 'hem'] as const).map(
    (at): Case => ({
      name: `a bag turned through an opening in the ${at}`,
      more: { lining: 'joined' },
      methods: { opening: at },
      has: ['sew-edge', 'sew-wrist', 'sew-hem', 'turn', 'tack-hem', 'close-opening'],
    }),
  ),
  {
    name: 'free lining hemmed by hand',
    more: { lining: 'free' },
    methods: { 'lining-hem': 'hand' },
    has: ['lining-hem-hand', 'thread-chains'],
    not: ['lining-hem-machine'],
  },
  {
    name: 'zip: lining slipped to its tape by hand',
    more: { ...TOP, skirt: true },
    methods: { zip: 'hand' },
    has: ['neaten-zip', 'baste-zip', 'check-zip', 'sew-zip', 'fell-zip'],
    not: ['zip-lining'],
  },
  {
    name: 'waist flat: before the sides, which then run from hem to armhole',
    more: { ...SHIRT, skirt: true },
    methods: { waist: 'flat' },
    has: ['sew:waist-front', 'press:waist-front', 'sew:side'],
    not: ['sew:skirt-side'],
  },
  {
    name: 'waist in the round',
    more: { ...SHIRT, skirt: true },
    methods: { waist: 'round' },
    has: ['sew:skirt-side', 'press:skirt-side', 'sew:waist-front'],
  },
  {
    name: 'waistband edge-stitched over its seam, the zip in before it',
    more: { skirt: true, waistband: true, opening: 'zip', lining: 'free' },
    methods: { waist: 'band' },
    has: ['sew:skirt-side', 'sew-zip', 'sew:waist-front-lining', 'sew:waistband', 'sew:waistband-in', 'hem-blind'],
  },
  {
    name: 'waistband stitched in the ditch',
    more: { skirt: true, waistband: true },
    methods: { waist: 'ditch' },
    has: ['fold:band:in', 'sew:band-edge', 'turn:band-edge', 'sew:waistband', 'sew:waistband-in'],
  },
  {
    name: 'hem by machine',
    more: SHIRT,
    methods: { hem: 'machine' },
    has: ['press-hem', 'hem-machine'],
    not: ['neaten-hem'],
  },
  { name: 'hem rolled', more: SHIRT, methods: { hem: 'rolled' }, has: ['press-hem', 'hem-rolled'] },
  { name: 'hem blind by hand', more: SHIRT, methods: { hem: 'blind' }, has: ['press-hem', 'neaten-hem', 'hem-blind'] },
  {
    name: 'in-seam pockets: bags on before the side is sewn, round after',
    more: { ...SHIRT, pockets: true },
    methods: {},
    has: ['bags-on', 'press-bags', 'sew:side', 'bags-round', 'neaten-bags'],
  },
  {
    name: 'peplum and ties, hook, label, loops, cord',
    more: SHIRT,
    methods: {},
    extras: ['peplum', 'ties', 'hook', 'label', 'belt-loops', 'cord'],
    has: ['hem-peplum', 'sew-peplum', 'neaten-peplum', 'press-all'],
  },
  {
    name: 'ties are turned before they are caught; holes for a cord before its casing',
    more: SHIRT,
    methods: {},
    extras: ['ties', 'cord'],
    has: ['sew-ties', 'turn-ties', 'press-ties', 'baste-ties', 'press-all'],
  },
  {
    name: 'cord',
    more: SHIRT,
    methods: {},
    extras: ['cord'],
    has: ['cord-holes', 'sew:side', 'cord-casing', 'thread-cord'],
  },
  {
    name: 'gathers and a casing',
    more: SHIRT,
    methods: {},
    extras: ['gathers', 'casing'],
    has: ['gather', 'sew:side', 'stitch-casing', 'thread-elastic', 'close-casing'],
  },
  {
    name: 'patch pockets',
    more: SHIRT,
    methods: {},
    extras: ['patch-pockets'],
    has: ['press-patch', 'sew-patch', 'sew:side'],
  },
];

describe('ways of making', () => {
  test.each(CASES.map((c) => [c.name, c] as const))('%s', (_, c) => {
    const p = plan(c.more, c.methods, c.extras);
    const at = c.has.map((id) => [id, p.steps.indexOf(step(p, id))] as const);
    expect(at).toEqual([...at].sort((a, b) => a[1] - b[1]));
    expect((c.not ?? []).filter((id) => p.steps.some((s) => s.id === id))).toEqual([]);
  });

  // 1/4" + 3/8" of 5/8", 2/5 and 3/5 of any other. Common practice.
  test('a French seam splits the allowance: both passes together, the trim below the second', () => {
    const p = plan(SHIRT, { seams: 'french' });
    const [one, trim, two] = ['french-1:side', 'french-trim:side', 'french-2:side'].map((id) => step(p, id));
    expect([one?.allowance, two?.allowance]).toEqual([6, 9]);
    expect((one?.allowance ?? 0) + (two?.allowance ?? 0)).toBe(15);
    expect(trim?.data.trim).toBeLessThan(two?.allowance ?? 0);
    expect(one?.stack.map((l) => l.up)).toEqual(['wrong', 'right']);
    expect(two?.stack.map((l) => l.up)).toEqual(['right', 'wrong']);
  });

  test('the opening of a bag is as long as the cloth is thick, stitched up last; wrists finished last serve instead', () => {
    for (const [bulk, mm] of [
      ['thin', 120],
      ['medium', 150],
      ['thick', 200],
    ] as const) {
      const p = plan({ lining: 'joined', bulk }, { opening: 'side' });
      expect(step(p, 'sew:lining-side').stops).toEqual([{ code: 'opening', mm }]);
      const [a, b] = step(p, 'sew:lining-side').sews.filter((x) => x.joint.startsWith('lining-side'));
      const closed = step(p, 'close-opening').sews[0];
      expect([a?.from, b?.to]).toEqual([0, 1]);
      expect([closed?.from, closed?.to]).toEqual([a?.to, b?.from]);
      expect(400 * ((closed?.to ?? 0) - (closed?.from ?? 0))).toBeCloseTo(mm, 6);
    }
    const cuffed = plan({ lining: 'joined', cuffs: true });
    expect(cuffed.steps.flatMap((s) => s.stops.map((x) => x.code))).not.toContain('opening');
  });

  test('stitching that must wait stops short: shoulders at slots, edges at a waist, made parts at their open edge', () => {
    const stops = (p: Plan, id: string) => step(p, id).stops.map((x) => x.code);
    expect(stops(plan(TOP, { armholes: 'slotted' }), 'sew-edge')).toContain('short-of-shoulder');
    expect(stops(plan({ skirt: true }), 'sew-edge')).toContain('short-at-waist');
    expect(stops(plan({ ...SHIRT, cuffs: true }), 'sew:cuff-edge')).toEqual(['short-at-open-edge']);
    expect(stops(plan(SHIRT), 'sew:side')).toEqual([]);
    expect(stops(plan({ ...TOP, skirt: true }), 'sew:skirt-centre-back')).toEqual(['stop-below-zip']);
  });

  test('minutes follow the seams: longer seams take longer, hand sewing longer than a machine; the total is their sum', () => {
    const p = plan({ lining: 'free' });
    expect(p.minutes).toBeCloseTo(
      p.steps.reduce((t, s) => t + s.minutes, 0),
      9,
    );
    expect(p.handMinutes).toBeCloseTo(
      p.steps.reduce((t, s) => t + (s.station === 'hand' ? s.minutes : 0), 0),
      9,
    );
    expect(step(p, 'sew:side').minutes).toBeGreaterThan(step(p, 'sew:shoulder').minutes);
    const [hand, machine] = (['hand', 'machine'] as const).map(
      (m) => plan({ lining: 'free' }, { 'lining-hem': m }).minutes,
    );
    expect(hand).toBeGreaterThan(machine as number);
    expect(p.steps.every((s) => s.minutes > 0 && s.minutes < 120)).toBe(true);
  });

  test('where the allowance changes along a seam, as round a keyhole, the narrowest is told with it', () => {
    const task = taskFrom({ ...BASE });
    const narrow = (role: string) => ({
      ...task,
      making: {
        ...task.making,
        parts: task.making.parts.map((p) => ({
          ...p,
          ring: p.ring.map((e) => (e.role === role ? { ...e, allowance: 6 } : e)),
        })),
      },
    });
    const edge = (t: typeof task) => {
      const r = makePlan(t, usualDecisions().making);
      return r.ok ? step(r.value, 'sew-edge') : null;
    };
    expect(edge(task)?.data.narrow).toBeUndefined();
    expect(edge(narrow('neckline'))).toMatchObject({ allowance: 15, data: { narrow: 6 } });
  });
});
