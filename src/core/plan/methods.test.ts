import { describe, expect, test } from '@jest/globals';
import { type Features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { coatDocument } from '../../test/shells.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { SHIRT, TOP } from '../../test/waycase.ts';
import { CASES } from '../../test/ways.ts';
import { compute, planOf, taskOf } from '../document/compute.ts';
import { type ProjectDocument, usualDecisions } from '../document/project.ts';
import { makePlan, type Plan, type PlanStep } from './index.ts';

const BASE: Features = { ...PLAIN, lining: 'none', buttons: false };
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

describe('ways of making', () => {
  test.each(CASES.map((c) => [c.name, c] as const))('%s', (_, c) => {
    const p = plan(c.more, c.methods, c.extras);
    const at = c.has.map((id) => [id, p.steps.indexOf(step(p, id))] as const);
    expect(at).toEqual([...at].sort((a, b) => a[1] - b[1]));
    expect((c.not ?? []).filter((id) => p.steps.some((s) => s.id === id))).toEqual([]);
  });

  test('schools change the hand that does it: felled by hand, neatened at the machine, half as far to turn', () => {
    const cuffs: Partial<Features> = { ...SHIRT, cuffs: true };
    const [machine, hand] = ['machine', 'hand'].map((by) => plan(cuffs, { 'inner-edge': by }));
    expect(step(machine as Plan, 'sew:cuff-in').station).toBe('machine');
    expect(step(hand as Plan, 'sew:cuff-in').station).toBe('hand');
    expect((hand as Plan).handMinutes).toBeGreaterThan((machine as Plan).handMinutes);
    // Felled from within, the inner layer is seen, wrong side of the garment up.
    expect(step(hand as Plan, 'sew:cuff-in').stack.map((l) => [l.part, l.up])).toEqual([
      ['cuff', 'wrong'],
      ['cuff:in', 'right'],
    ]);
    const zigzag = plan(SHIRT, { neatening: 'zigzag' });
    expect(zigzag.steps.filter((s) => s.station === 'overlocker')).toEqual([]);
    const [end, middle] = ['end', 'middle'].map((ties) => plan(SHIRT, { ties }, ['ties']));
    const far = (p?: Plan): number => step(p as Plan, 'turn-ties').data.long ?? 0;
    expect(far(middle)).toBe(far(end) / 2);
  });

  test('snaps are sewn on without a hole; twelve holes are more than the eight buttons that go with links', () => {
    const task = taskFrom({ ...BASE, ...SHIRT });
    const made = (more: Partial<typeof task>) => {
      const r = makePlan({ ...task, ...more }, usualDecisions().making);
      if (!r.ok) throw new Error(JSON.stringify(r.findings));
      return r.value;
    };
    const snapped = made({ buttons: 0, holes: 0, snaps: 6 });
    expect(step(snapped, 'sew-snaps').data.snaps).toBe(6);
    expect(snapped.steps.some((s) => s.id === 'sew-holes' || s.id === 'sew-buttons')).toBe(false);
    const linked = made({ buttons: 8, holes: 12, snaps: 0, hole: { opening: 13.5, overall: 16.5 } });
    expect([step(linked, 'sew-holes').data.holes, step(linked, 'sew-buttons').data.buttons]).toEqual([12, 8]);
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

  // Common practice: 2" of the neck stay open at each end beside a zip until the lining is on its tape.
  test('beside a zip the neck is left open at its ends, and closed once the inside is on the tape', () => {
    const dress: Partial<Features> = { sleeves: 'none', opening: 'zip', lining: 'free', neck: 'facing', skirt: true };
    const p = plan(dress, { armholes: 'pull-through' });
    const at = (id: string) => step(p, id).sews;
    const left = at('close-neck-ends');
    expect(left.length).toBeGreaterThan(0);
    for (const s of left) {
      const j = p.making.joints.find((x) => x.id === s.joint);
      // Half of it, where the back of the neck is shorter than twice that: 90 mm here.
      expect((s.to - s.from) * (j?.lengthA ?? 0)).toBeCloseTo(45, 6);
      const first = at('sew-edge').find((x) => x.joint === s.joint);
      expect([s.from, s.to]).toContain(s.from < 0.5 ? first?.from : first?.to);
    }
    expect(step(p, 'zip-lining').number).toBeLessThan(step(p, 'close-neck-ends').number);
    expect(step(p, 'sew-edge').stops).toContainEqual({ code: 'short-at-zip', mm: 45 });
    const byHand = plan(dress, { zip: 'hand' });
    expect(byHand.steps.some((s) => s.id === 'close-neck-ends')).toBe(false);
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

  test('a zip at the front and one at the back are two, each with steps of its own', () => {
    const both = taskFrom({ ...BASE, backSeam: true });
    both.d.lining.zip.length = 300;
    const r = makePlan(both, { ...usualDecisions().making, methods: { front: 'zip', zip: 'machine' } });
    if (!r.ok) throw new Error(JSON.stringify(r.findings));
    const ids = r.value.steps.map((s) => s.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(
      expect.arrayContaining(['baste-front-zip', 'check-front-zip', 'baste-zip', 'check-zip', 'sew-zip']),
    );
    expect(r.value.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  });
});

// Common practice: each bare seam is neatened by itself; a French or felled seam does not run on into an opening.
test('seam by seam: each bare seam in every way it can be is proved, the others stay as they were; what cannot be is told', () => {
  for (const name of [
    'shirt with a yoke in front',
    'trousers lined to the knee',
    'waistcoat of shoulder-princess panels',
  ]) {
    const doc = (UNLIKE[name] as () => ProjectDocument)();
    const c = compute(doc);
    const withOne = (finishes: Record<string, string>): Plan => {
      const { decisions: d } = doc;
      const r = makePlan(taskOf(doc, c), { ...d.making, finishes }, 1);
      if (!r.ok) throw new Error(r.findings[0]?.code);
      return r.value;
    };
    const usual = withOne({}).finishes;
    for (const f of usual)
      for (const way of f.ways) {
        const plan = withOne({ [f.seam]: way });
        expect([f.seam, way, plan.findings.filter((x) => x.severity === 'stop')]).toEqual([f.seam, way, []]);
        const ways = plan.finishes.map((x) => [
          x.seam,
          x.seam === f.seam ? way : usual.find((y) => y.seam === x.seam)?.way,
        ]);
        expect(plan.finishes.map((x) => [x.seam, x.way])).toEqual(ways);
      }
    const told = withOne({ 'no-such': 'felled' }).findings.find((x) => x.code === 'method-does-not-fit');
    expect(told?.data).toMatchObject({ reason: 'no-such-seam', method: 'felled' });
  }
});

// Common practice: sewists differ in whether they trim before they understitch.
test('understitched before or after it is trimmed: the order is as it was chosen, both are proved', () => {
  for (const [facing, order] of [
    ['understitched', ['grade-edge', 'understitch']],
    ['understitched-first', ['understitch', 'grade-edge']],
  ] as const) {
    const doc = coatDocument();
    const making = { ...doc.decisions.making, methods: { facing } };
    const r = planOf({ ...doc, decisions: { ...doc.decisions, making } }, compute(doc));
    if (!r.ok) throw new Error('no plan');
    expect(r.value.findings.filter((x) => x.severity === 'stop')).toEqual([]);
    const edge = r.value.steps.filter((s) => s.code === 'grade-edge' || s.code === 'understitch');
    expect(edge.slice(0, 2).map((s) => s.code)).toEqual(order);
  }
});
