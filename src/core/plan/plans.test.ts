import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choices, type Features, features, PLAIN } from '../../test/features.ts';
import { taskFrom } from '../../test/garments.ts';
import { among, runs } from '../../test/runs.ts';
import { CASES } from '../../test/ways.ts';
import { usualDecisions } from '../document/project.ts';
import { checkPlan, EXTRA_IDS, METHODS, makePlan, numbered, type Plan, type PlanStep } from './index.ts';
import { mitreMarks } from './mitre.ts';

const GREEDY = 1;
const faults = (steps: PlanStep[], plan: Plan): string[] =>
  checkPlan(steps, plan.making)
    .filter((f) => f.severity === 'stop')
    .map((f) => f.code);

/** Why a garment can be refused before it is planned. */
const REFUSALS = ['lapel-with-stand', 'edge-has-no-finish', 'plan-no-opening'];

describe('plans of any garment', () => {
  test('a thousand garments with any methods: every plan is proved, or refused with a reason; every method is tried', () => {
    const used = new Set<string>();
    const refused = new Set<string>();
    let proved = 0;
    fc.assert(
      fc.property(features, choices, (f, c) => {
        const r = makePlan(taskFrom(f), c, GREEDY);
        if (!r.ok) {
          for (const x of r.findings) {
            expect(REFUSALS).toContain(x.code);
            refused.add(x.code);
          }
          return;
        }
        expect(r.value.findings.filter((x) => x.severity === 'stop')).toEqual([]);
        // Every step by a name of its own, and every temporary row taken out before it is shut in.
        const ids = r.value.steps.map((s) => s.id);
        expect(new Set(ids).size).toBe(ids.length);
        const shut = ids.indexOf('close-opening');
        if (ids.includes('ease:lining-cap') && shut >= 0) {
          const out = ids.indexOf('threads-inside');
          expect([out > ids.indexOf('sew:lining-cap'), out < shut]).toEqual([true, true]);
        }
        proved += 1;
        for (const [topic, m] of Object.entries(r.value.methods)) used.add(`${topic} ${m}`);
        for (const x of c.extras) used.add(x);
        // A choice that does not fit is told, with those that do, and never taken.
        for (const x of r.value.findings.filter((y) => y.code === 'method-does-not-fit'))
          expect(String(x.data?.instead).split(' ')).not.toContain(x.data?.method);
      }),
      runs(1000),
    );
    expect(proved).toBeGreaterThan(among(800));
    expect(REFUSALS).toEqual(expect.arrayContaining([...refused]));
    // What chance did not choose has a garment of its own that asks for it.
    for (const c of CASES) {
      for (const [topic, m] of Object.entries(c.methods)) used.add(`${topic} ${m}`);
      for (const x of c.extras ?? []) used.add(x);
    }
    const all = [...METHODS.filter((m) => m.id !== 'none').map((m) => `${m.topic} ${m.id}`), ...EXTRA_IDS];
    expect(all.filter((m) => !used.has(m))).toEqual([]);
  });

  test('mutants: whatever step is taken out, swapped with what it needs, or turned the wrong way up, the checker finds it', () => {
    const picks = fc.record({ at: fc.nat(999), which: fc.nat(99) });
    fc.assert(
      fc.property(features, choices, picks, (f, c, pick) => {
        const r = makePlan(taskFrom(f), { ...c, extras: [] }, GREEDY);
        if (!r.ok) return;
        const plan = r.value;
        const { steps } = plan;
        const at = pick.at % steps.length;
        const s = steps[at] as PlanStep;
        const without = steps.filter((x) => x !== s);
        const told = (list: PlanStep[], left: PlanStep[] = []): string =>
          checkPlan(list, plan.making, left)
            .map((x) => x.code)
            .join();
        if (steps.some((x) => x.needs.includes(s.id))) expect(told(without, [s])).toMatch(/(step|usual)-left-out/);
        // Without being told what needs what: by the cloth alone.
        const blind = (list: PlanStep[]): PlanStep[] => list.map((x) => ({ ...x, needs: [] }));
        expect(faults(blind(steps), plan)).toEqual([]);
        if (s.sews.length) expect(faults(blind(without), plan).join()).toMatch(/seam-(not-sewn|part-open)/);
        if (s.turns && s.turns.how !== 'part') expect(faults(blind(without), plan).length).toBeGreaterThan(0);
        if (s.sews.length) expect(faults(blind([...steps, s]), plan)).toContain('seam-sewn-twice');
        // A stop that is 10 mm longer leaves that much unsewn.
        const [sewn] = s.sews;
        const joint = plan.making.joints.find((j) => j.id === sewn?.joint);
        if (sewn && joint && (sewn.to - sewn.from) * joint.lengthA > 20) {
          const short = { ...s, sews: [{ ...sewn, to: sewn.to - 10 / joint.lengthA }, ...s.sews.slice(1)] };
          expect(faults(blind(steps.map((x) => (x === s ? short : x))), plan)).toContain('seam-part-open');
        }
        const need = s.needs[pick.which % Math.max(1, s.needs.length)];
        if (need) {
          const other = steps.findIndex((x) => x.id === need);
          const swapped = steps.map((x, i) => (i === at ? (steps[other] as PlanStep) : i === other ? s : x));
          expect(told(swapped)).toMatch(/used-before-made|usual-otherwise|works-on-unsewn|covers-unsewn/);
        }
        if (s.stack.length > 1) {
          const i = pick.which % s.stack.length;
          const stack = s.stack.map((l, k) =>
            k === i ? { ...l, up: l.up === 'right' ? ('wrong' as const) : ('right' as const) } : l,
          );
          expect(
            faults(
              steps.map((x) => (x === s ? { ...s, stack } : x)),
              plan,
            ),
          ).toContain('layer-faces-wrong');
        }
      }),
      runs(250),
    );
  });
});

const make = (more: Partial<Features>, methods: Record<string, string> = {}, extras: string[] = []): Plan => {
  const r = makePlan(taskFrom({ ...PLAIN, ...more }), { ...usualDecisions().making, methods, extras });
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  expect(r.value.findings.filter((f) => f.severity !== 'note')).toEqual([]);
  return r.value;
};
/** Ids that the plan has in this order, with anything in between. */
function inOrder(plan: Plan, ...ids: string[]): void {
  const at = ids.map((id) => [id, plan.steps.findIndex((s) => s.id === id)] as const);
  expect(at.filter(([, i]) => i < 0)).toEqual([]);
  expect(at).toEqual([...at].sort((a, b) => a[1] - b[1]));
}

// Orders of making as they are usual, taken as partial orders. Common practice.
describe('known orders', () => {
  test('shirt: yoke by sandwich and roll, collar made complete, stand, neck', () => {
    const p = make({ yoke: true, collar: 'stand', neck: 'bare', lining: 'none', cuffs: true, darts: true });
    inOrder(p, 'press-darts:front', 'sew:yoke-shoulder', 'sew:stand-neck');
    inOrder(
      p,
      'sew:yoke-back',
      'grade-yoke',
      'press-yoke',
      'topstitch:yoke-back',
      'sew:yoke-shoulder',
      'sew:yoke-shoulder-in',
      'pull-yoke',
      'press-yoke-shoulder',
      'topstitch:yoke-shoulder',
      'sew:stand-neck',
    );
    inOrder(
      p,
      'sew:collar-outer',
      'trim:collar-outer',
      'turn:collar-outer',
      'press:collar-outer',
      'topstitch:collar-outer',
      'sew:collar-stand',
      'sew:stand-neck',
      'clip:stand-neck',
      'sew:stand-neck-in',
      'sew-holes',
      'sew-buttons',
    );
    inOrder(p, 'stay-slit', 'cut-slit', 'bind-slit', 'sew:underarm', 'sew:cuff', 'sew:cuff-in');
  });

  test('bodice pulled through its shoulders: neck, understitch, armholes, pull, press, sides and skirt, zip', () => {
    const p = make({ opening: 'zip', sleeves: 'none', skirt: true, lining: 'free' }, { armholes: 'pull-through' });
    inOrder(
      p,
      'stay:front',
      'sew:shoulder',
      'sew-edge',
      'grade:edge',
      'understitch:edge',
      'sew-armholes',
      'grade:armholes',
      'turn',
      'press-turned',
      'sew:side',
      'sew:waist-front',
      'baste-zip',
      'check-zip',
      'sew-zip',
      'zip-lining',
    );
    inOrder(p, 'sew:facing-shoulder', 'sew-edge');
    expect(p.steps.find((s) => s.id === 'sew:side')?.sews.map((x) => x.joint.replace(/-\d+$/, ''))).toEqual([
      'side',
      'lining-side',
    ]);
    // The same with the side seams first: the shoulders then form a closed loop, and the step to blame is named.
    const side = p.steps.find((s) => s.id === 'sew:side') as PlanStep;
    const first = numbered([...p.steps.slice(0, 20), side, ...p.steps.slice(20).filter((s) => s !== side)]);
    const told = checkPlan(first, p.making).find((f) => f.code === 'tubes-in-a-circle');
    expect(told?.data).toMatchObject({ step: 'turn', other: 'sew:side' });
  });

  test('jacket with rib and zip: rib on, lining to its other edge, zip basted, turned, crossings looked at, cuffs last', () => {
    const p = make({ collar: 'hood', lining: 'rib', neck: 'facing', buttons: false }, { front: 'zip' });
    inOrder(p, 'strip-zip', 'baste-front-zip', 'check-front-zip', 'sew-edge', 'sew-hem', 'turn', 'sew:wrist-rib');
    inOrder(p, 'sew:side', 'sew:hem-rib', 'sew-hem');
    inOrder(p, 'sew:hood-edge', 'sew:hood-neck', 'sew-edge');
    expect(p.steps.some((s) => s.stops.some((x) => x.code === 'opening'))).toBe(false);
  });

  test('coat whose lining hangs free: tried on, lining hemmed, shell hemmed by hand, chains; holes before buttons', () => {
    const p = make({ lining: 'free' });
    inOrder(
      p,
      'press-hem',
      'try-on',
      'sew-edge',
      'turn',
      'neaten-hem',
      'hem-blind',
      'thread-chains',
      'press-all',
      'practise-holes',
      'sew-holes',
      'cut-holes',
      'sew-buttons',
    );
    inOrder(p, 'sew:lining-side', 'lining-hem-machine', 'thread-chains');
  });

  test('blouse: bands folded before the neck, sleeves flat, side and underarm in one, elastic; buttoned, then the ruffle', () => {
    const p = make(
      { collar: 'band', neck: 'bare', lining: 'none', buttons: true },
      { front: 'cut-on', sleeves: 'flat', wrist: 'casing', seams: 'french' },
      ['ruffle'],
    );
    inOrder(p, 'press-band', 'stitch-band', 'sew:stand-neck');
    inOrder(
      p,
      'sew:cap',
      'french-1:side',
      'french-trim:side',
      'french-2:side',
      'stitch-casing',
      'thread-elastic',
      'close-casing',
      'sew-holes',
      'sew-buttons',
      'close-lowest',
      'sew-ruffle',
    );
    inOrder(p, 'hem-ruffle', 'gather-ruffle', 'sew-ruffle');
  });

  test('worn on both sides: each layer whole, neck, turned, then the sleeve ends between the layers', () => {
    const p = make({ lining: 'edge', neck: 'bare', opening: 'none', buttons: false });
    inOrder(
      p,
      'press:cap',
      'measure-layers',
      'sew-edge',
      'grade:edge',
      'turn',
      'sew-wrist',
      'sew-hem',
      'close-opening',
    );
    inOrder(p, 'sew:shoulder', 'measure-layers');
    inOrder(p, 'sew:lining-cap', 'sew-edge');
  });

  // Unequal hems, common practice: 40 and 20 are marked 40 and 80 from the cut corner. Askew, checked by folding paper in figures:
  // each crease brings its end of the line to the one inner corner, as far from both edges as both hems are deep, twice over.
  test('a mitre is marked by the depths and the angle of its own corner', () => {
    const square = mitreMarks({ hem: 40, side: 20, angle: Math.PI / 2 });
    expect([square.alongHem, square.alongSide].map(Math.round)).toEqual([40, 80]);
    for (const [hem, side, angle] of [
      [40, 55, 1.5],
      [30, 15, 1.8],
      [25, 25, 1.2],
    ] as const) {
      const { alongHem, alongSide } = mitreMarks({ hem, side, angle });
      const n = { x: Math.sin(angle), y: -Math.cos(angle) };
      const turned = [
        { x: alongHem, y: 2 * hem },
        { x: alongSide * Math.cos(angle) + 2 * side * n.x, y: alongSide * Math.sin(angle) + 2 * side * n.y },
      ];
      expect(turned[0]?.x).toBeCloseTo(turned[1]?.x ?? 0, 9);
      expect(turned[0]?.y).toBeCloseTo(turned[1]?.y ?? 0, 9);
    }
    const { steps } = make({ backSeam: true, vent: true, lining: 'free' }, { corner: 'mitred' });
    expect(steps.find((s) => s.id === 'mark-mitre')?.data).toMatchObject({
      hem: 40,
      underHem: expect.closeTo(30, 6),
      underSide: expect.closeTo(80, 6),
    });
  });

  test('inset yoke, mitre, lace over lining, detachable collar', () => {
    inOrder(
      make(
        { yoke: true, neck: 'bias', lining: 'none', collar: 'none', opening: 'none', buttons: false },
        { yoke: 'inset' },
      ),
      'corners-yoke',
      'snip-yoke',
      'sew:yoke-shoulder',
      'sew:yoke-back',
    );
    inOrder(
      make({ backSeam: true, vent: true, lining: 'free' }, { corner: 'mitred' }),
      'press-hem',
      'mark-mitre',
      'sew-mitre',
      'trim-mitre',
      'hem-blind',
    );
    const lace = make(
      { lace: true, sleeves: 'none', neck: 'bare', lining: 'free', opening: 'none', buttons: false },
      { armholes: 'slotted' },
    );
    inOrder(lace, 'sew:side', 'sew-armholes', 'turn', 'sew:shoulder', 'close-slots');
    inOrder(
      make({}, {}, ['detachable-collar']),
      'stretch-collar',
      'sew-detachable',
      'turn-detachable',
      'stretch-again',
      'band-detachable',
      'fasten-detachable',
    );
  });

  test('what contradicts itself is refused with the reason and what fits', () => {
    const ask = (more: Partial<Features>, methods: Record<string, string>) =>
      makePlan(taskFrom({ ...PLAIN, ...more }), { ...usualDecisions().making, methods });
    const closed = ask(
      { sleeves: 'none', opening: 'none', lining: 'free', buttons: false },
      { armholes: 'pull-through' },
    );
    expect(closed.ok && closed.value.findings[0]).toMatchObject({
      code: 'method-does-not-fit',
      data: { reason: 'both-centres-closed', instead: 'slotted shoulders-last felled' },
    });
    expect(ask({ neck: 'lapel', collar: 'stand' }, {})).toMatchObject({
      ok: false,
      findings: [{ code: 'lapel-with-stand' }],
    });
    expect(ask({ neck: 'bare', lining: 'none', opening: 'none', sleeves: 'none' }, {})).toMatchObject({
      ok: false,
      findings: [{ code: 'edge-has-no-finish', data: { role: 'neckline' } }, { data: { role: 'armhole' } }],
    });
    const task = taskFrom({ ...PLAIN, collar: 'stand', neck: 'bare', lining: 'none' });
    const once = { ...task, making: { ...task.making, parts: task.making.parts.map((p) => ({ ...p, cut: 1 })) } };
    const few = makePlan(once, usualDecisions().making);
    expect(few.ok && few.value.findings.map((f) => [f.code, f.data?.piece, f.data?.need])).toEqual([
      ['cut-too-few', 'stand', 2],
      ['cut-too-few', 'collar', 2],
    ]);
    const narrow = ask({ sleeves: 'none', opening: 'zip', lining: 'free', strap: 25 }, { armholes: 'pull-through' });
    expect(narrow.ok && narrow.value.findings[0]?.data?.reason).toBe('strap-too-narrow');
  });
});

/** How many of the ids have to be moved to bring the one order into the other: all but the longest run they share. */
function movedBetween(a: string[], b: string[]): number {
  const place = new Map(b.map((id, i) => [id, i]));
  const ends: number[] = [];
  for (const id of a) {
    const at = place.get(id) ?? -1;
    const k = ends.findIndex((e) => e >= at);
    ends[k < 0 ? ends.length : k] = at;
  }
  return a.length - ends.length;
}

test('the plan changes little when little changes: lengths change nothing, one thing more moves at most one other', () => {
  const ids = (p: Plan): string[] => p.steps.map((s) => s.id);
  const plan = make({});
  expect(ids(make({ strap: 95 }))).toEqual(ids(plan));
  // Belt loops are caught in the side seams, which wait for them.
  for (const extra of ['label', 'hook', 'belt-loops']) {
    const more = ids(make({}, {}, [extra]));
    expect(more.length).toBeGreaterThan(plan.steps.length);
    expect(
      movedBetween(
        ids(plan),
        more.filter((id) => ids(plan).includes(id)),
      ),
    ).toBeLessThanOrEqual(extra === 'belt-loops' ? 2 : 1);
  }
});
