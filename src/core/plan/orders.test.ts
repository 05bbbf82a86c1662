import { describe, expect, test } from '@jest/globals';
import { type Features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { usualDecisions } from '../document/project.ts';
import { checkPlan, makePlan, moved, mustFollow, numbered, orderOperations, type Plan } from './index.ts';

// Orders set down by hand: what no sewist can do, and what many do, whatever the usual is. Common practice.
const GARMENTS: Record<string, [Partial<Features>, Record<string, string>, string[]]> = {
  shirt: [
    { yoke: true, collar: 'stand', neck: 'bare', lining: 'none', cuffs: true, darts: true },
    { slit: 'bound' },
    ['patch-pockets'],
  ],
  blouse: [
    { collar: 'band', neck: 'bare', lining: 'none' },
    { front: 'cut-on', sleeves: 'flat', wrist: 'casing', seams: 'french' },
    ['ruffle'],
  ],
  coat: [{}, {}, ['belt-loops']],
  hung: [{ lining: 'free', backSeam: true, vent: true }, { corner: 'mitred' }, []],
  bodice: [
    { opening: 'zip', sleeves: 'none', skirt: true, lining: 'free', darts: true },
    { armholes: 'pull-through' },
    [],
  ],
  jacket: [{ collar: 'hood', lining: 'rib', neck: 'facing', buttons: false }, { front: 'zip' }, []],
  dress: [{ lining: 'none', neck: 'facing', collar: 'one-piece', pockets: true }, {}, ['detachable-collar']],
};
type Name = keyof typeof GARMENTS;
/** A step put right before or after another, or left out. */
type Change = [Name, string, 'before' | 'after', string] | [Name, string, 'out'];

const usual = new Map<Name, Plan>();
function planned(name: Name, order: string[] | null = null, left: string[] = []): Plan {
  const [more, methods, extras] = GARMENTS[name] as (typeof GARMENTS)[string];
  const r = makePlan(taskFrom({ ...PLAIN, ...more }), { ...usualDecisions().making, methods, extras, order, left }, 1);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
}

function changed([name, id, how, other]: Change): Plan {
  const plan = usual.get(name) ?? planned(name);
  usual.set(name, plan);
  const ids = plan.steps.map((s) => s.id);
  for (const x of [id, ...(other ? [other] : [])]) if (!ids.includes(x)) throw new Error(`${name} has no ${x}`);
  if (how === 'out') return planned(name, null, [id]);
  const to = ids.filter((x) => x !== id).indexOf(other as string) + (how === 'after' ? 1 : 0);
  return planned(name, moved(ids, id, to));
}
const reds = (c: Change): string[] =>
  changed(c)
    .findings.filter((f) => f.severity === 'stop')
    .map((f) => f.code);

const IMPOSSIBLE: Change[] = [
  ['shirt', 'cut', 'after', 'sew-buttons'],
  ['shirt', 'cut-slit', 'out'],
  ['shirt', 'bind-slit', 'before', 'cut-slit'],
  ['shirt', 'press:side', 'before', 'sew:side'],
  ['shirt', 'sew:side', 'out'],
  ['shirt', 'hem-machine', 'out'],
  ['shirt', 'neaten:cap', 'before', 'sew:cap'],
  ['shirt', 'grade-yoke', 'before', 'sew:yoke-back'],
  ['shirt', 'pull-yoke', 'before', 'sew:yoke-shoulder-in'],
  ['shirt', 'press-yoke-shoulder', 'before', 'pull-yoke'],
  ['shirt', 'turn:collar-outer', 'before', 'sew:collar-outer'],
  ['shirt', 'turn:collar-outer', 'out'],
  ['shirt', 'trim:collar-outer', 'after', 'turn:collar-outer'],
  ['shirt', 'press:collar-outer', 'before', 'turn:collar-outer'],
  ['shirt', 'topstitch:collar-outer', 'before', 'turn:collar-outer'],
  ['shirt', 'sew:collar-outer', 'after', 'sew:collar-stand'],
  ['shirt', 'trim:collar-stand', 'after', 'turn:collar-stand'],
  ['shirt', 'turn:collar-stand', 'out'],
  ['shirt', 'clip:stand-neck', 'after', 'sew:stand-neck-in'],
  ['shirt', 'sew:stand-neck-in', 'before', 'sew:stand-neck'],
  ['shirt', 'sew:cuff-in', 'before', 'sew:cuff'],
  ['shirt', 'sew:cuff', 'before', 'bind-slit'],
  ['shirt', 'sew:cuff', 'before', 'gather-wrist'],
  ['blouse', 'french-2:side', 'before', 'french-1:side'],
  ['blouse', 'french-trim:side', 'after', 'french-2:side'],
  ['blouse', 'french-1:side', 'out'],
  ['blouse', 'thread-elastic', 'before', 'stitch-casing'],
  ['blouse', 'close-casing', 'before', 'thread-elastic'],
  ['blouse', 'stitch-casing', 'out'],
  ['blouse', 'sew-ruffle', 'before', 'gather-ruffle'],
  ['blouse', 'neaten-ruffle', 'before', 'sew-ruffle'],
  ['blouse', 'close-lowest', 'before', 'sew-buttons'],
  ['coat', 'turn', 'before', 'sew-edge'],
  ['coat', 'turn', 'out'],
  ['coat', 'grade:edge', 'after', 'turn'],
  ['coat', 'grade:edge', 'before', 'sew-edge'],
  ['coat', 'sew:lining-side', 'after', 'close-opening'],
  ['coat', 'sew:lining-cap', 'after', 'close-opening'],
  ['coat', 'sew-hem', 'after', 'turn'],
  ['coat', 'close-opening', 'before', 'turn'],
  ['coat', 'sew:shoulder', 'after', 'sew-edge'],
  ['hung', 'mark-mitre', 'before', 'press-hem'],
  ['hung', 'sew-mitre', 'after', 'hem-blind'],
  ['hung', 'trim-mitre', 'before', 'sew-mitre'],
  ['hung', 'sew:centre-back', 'out'],
  ['bodice', 'sew:side', 'before', 'turn'],
  ['bodice', 'press-turned', 'before', 'turn'],
  ['bodice', 'sew:shoulder', 'after', 'sew-armholes'],
  ['bodice', 'understitch:edge', 'before', 'sew-edge'],
  ['jacket', 'check-front-zip', 'before', 'baste-front-zip'],
  ['jacket', 'sew:hood-neck', 'after', 'sew-edge'],
  ['jacket', 'turn', 'out'],
  ['dress', 'baste-collar', 'after', 'sew-edge'],
  ['dress', 'turn:collar-outer', 'after', 'baste-collar'],
  ['dress', 'catch-facing', 'before', 'turn'],
  ['dress', 'bags-round', 'before', 'bags-on'],
  ['dress', 'turn-detachable', 'before', 'sew-detachable'],
  ['dress', 'fasten-detachable', 'before', 'band-detachable'],
  ['dress', 'sew-edge', 'out'],
];

const DONE: Change[] = [
  ['shirt', 'stay:front', 'out'],
  ['shirt', 'try-on', 'out'],
  ['shirt', 'press:side', 'out'],
  ['shirt', 'press:cap', 'out'],
  ['shirt', 'press:underarm', 'after', 'sew:cap'],
  ['shirt', 'press-darts:front', 'after', 'sew:yoke-shoulder'],
  ['shirt', 'darts:front', 'after', 'sew:yoke-back'],
  ['shirt', 'topstitch:collar-outer', 'out'],
  ['shirt', 'topstitch:yoke-back', 'out'],
  ['shirt', 'press:collar-outer', 'out'],
  ['shirt', 'sew:collar-outer', 'before', 'stay:front'],
  ['shirt', 'mark-holes', 'out'],
  ['shirt', 'practise-holes', 'out'],
  ['shirt', 'press-all', 'out'],
  ['shirt', 'sew-buttons', 'before', 'sew-holes'],
  ['shirt', 'cut-holes', 'after', 'sew-buttons'],
  ['shirt', 'sew-patch', 'after', 'sew:side'],
  ['shirt', 'press-patch', 'out'],
  ['shirt', 'hem-machine', 'before', 'sew:side'],
  ['shirt', 'neaten:side', 'after', 'sew:side'],
  ['shirt', 'ease:cap', 'out'],
  ['shirt', 'fold:cuff:in', 'after', 'sew:cuff'],
  ['shirt', 'stay-slit', 'out'],
  ['shirt', 'stitch-band', 'after', 'sew:yoke-shoulder'],
  ['shirt', 'clip:stand-neck', 'out'],
  ['shirt', 'press:stand-neck', 'out'],
  ['shirt', 'grade-yoke', 'out'],
  ['shirt', 'press-hem', 'out'],
  ['blouse', 'hem-ruffle', 'after', 'gather-ruffle'],
  ['blouse', 'press:french-2:side', 'out'],
  ['blouse', 'stitch-casing', 'before', 'french-1:side'],
  ['coat', 'understitch:edge', 'out'],
  ['coat', 'understitch:edge', 'after', 'turn'],
  ['coat', 'sew:lining-cap', 'before', 'sew:cap'],
  ['coat', 'try-on', 'after', 'sew-edge'],
  ['coat', 'press-wrist', 'out'],
  ['coat', 'sew:facing-shoulder', 'before', 'sew:facing-line-front'],
  ['hung', 'thread-chains', 'out'],
  ['hung', 'lining-hem-machine', 'after', 'hem-blind'],
  ['hung', 'neaten-hem', 'out'],
  ['hung', 'hem-wrist-machine', 'before', 'hem-blind'],
  ['bodice', 'press-turned', 'out'],
  ['bodice', 'check-zip', 'out'],
  ['bodice', 'close-below-zip', 'before', 'sew-zip'],
  ['bodice', 'press-darts:front', 'out'],
  ['bodice', 'zip-lining', 'after', 'lining-hem-machine'],
  ['jacket', 'check-front-zip', 'out'],
  ['dress', 'neaten-facing', 'after', 'sew-edge'],
  ['dress', 'press-bags', 'out'],
  ['dress', 'stretch-collar', 'out'],
];

describe('orders of making', () => {
  test.each(IMPOSSIBLE)('%s: %s %s %s can’t be done, and is red', (...c) => {
    expect(reds(c as Change)).not.toEqual([]);
  });

  test.each(DONE)('%s: %s %s %s is done by some, and never red', (...c) => {
    const { findings } = changed(c as Change);
    expect(findings.filter((f) => f.severity === 'stop')).toEqual([]);
    // What differs from the usual is told with a reason, or nothing waited for it.
    for (const f of findings.filter((x) => x.code.startsWith('usual-'))) expect(typeof f.data?.why).toBe('string');
  });

  test('customs that contradict each other: the order holds, the one that costs least gives way, told with its reason', () => {
    const whys: unknown[] = [];
    for (const name of Object.keys(GARMENTS)) {
      const { steps, making } = planned(name);
      const joints = new Map(making.joints.map((j) => [j.id, j]));
      // The first press usually comes before the try-on: here it also waits for that.
      const press = steps.find((s) => s.station === 'iron' && s.works.length > 0);
      const wished = steps.map((s) => (s === press ? { ...s, needs: [...s.needs, 'try-on'] } : s));
      const r = orderOperations(wished, mustFollow(joints), 4);
      if (!r.ok) throw new Error(JSON.stringify(r.findings));
      const found = checkPlan(numbered(r.value), making);
      expect(found.filter((f) => f.severity === 'stop')).toEqual([]);
      whys.push(...found.filter((f) => f.code === 'usual-otherwise').map((f) => f.data?.why));
    }
    // Pressing at once matters more than what was wished. In some garments the try-on does not wait for that press.
    expect(new Set(whys)).toEqual(new Set(['try-on-first']));
    expect(whys.length).toBeGreaterThan(3);
  });
});
