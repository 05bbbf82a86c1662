import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coatDocument, coatFigures, SEED } from '../../test/shells.ts';
import { compute, planOf } from '../compute.ts';
import { type ProjectDocument } from '../project.ts';
import { checkSequence, orderOperations } from './index.ts';
import { type Operation, type Plan, type PlanStep } from './types.ts';

const op = (id: string, needs: string[] = [], more: Partial<Operation> = {}): Operation => ({
  id,
  code: id,
  section: 'shell',
  station: 'machine',
  pieces: [],
  about: null,
  seams: [],
  needs,
  makes: [id],
  edges: [],
  sides: null,
  allowance: null,
  stops: [],
  press: null,
  cautions: [],
  data: {},
  ...more,
});

describe('ordering', () => {
  test('random graphs: every need comes first, and every operation once', () => {
    const graph = fc.array(
      fc.record({
        needs: fc.array(fc.nat(30), { maxLength: 4 }),
        station: fc.constantFrom('iron', 'machine', 'table'),
      }),
      {
        minLength: 1,
        maxLength: 26,
      },
    );
    fc.assert(
      fc.property(graph, fc.integer(), (nodes, salt) => {
        // Needs point to earlier nodes only, then the list is shuffled: a valid order exists but is not the given one.
        const ops = nodes.map((n, i) =>
          op(`n${i}`, [...new Set(n.needs.filter((k) => k < i).map((k) => `n${k}`))], { station: n.station as 'iron' }),
        );
        const shuffled = ops
          .map((o, i) => ({ o, key: Math.sin(salt + i * 12.9898) }))
          .sort((a, b) => a.key - b.key)
          .map((x) => x.o);
        const r = orderOperations(shuffled);
        if (!r.ok) throw new Error('refused');
        const place = new Map(r.value.map((o, i) => [o.id, i]));
        expect(place.size).toBe(ops.length);
        for (const o of r.value) for (const n of o.needs) expect(place.get(n)).toBeLessThan(place.get(o.id) as number);
      }),
      { seed: SEED, numRuns: 60 },
    );
  });

  test('a circle and a need nobody makes are refused by name', () => {
    const circle = orderOperations([op('a', ['b']), op('b', ['a']), op('c')]);
    expect(circle.ok ? null : circle.findings[0]).toMatchObject({
      code: 'needs-in-a-circle',
      data: { operations: 'a, b' },
    });
    const lost = orderOperations([op('a', ['thread'])]);
    expect(lost.ok ? null : lost.findings[0]).toMatchObject({
      code: 'need-not-made',
      data: { operation: 'a', need: 'thread' },
    });
  });

  test('work of one station is batched where the order allows', () => {
    const r = orderOperations([
      op('sew1'),
      op('press1', ['sew1'], { station: 'iron' }),
      op('sew2'),
      op('press2', ['sew2'], { station: 'iron' }),
    ]);
    expect(r.ok && r.value.map((o) => o.station)).toEqual(['machine', 'machine', 'iron', 'iron']);
  });
});

const planned = (doc: ProjectDocument): Plan => {
  const c = compute(doc);
  const r = planOf(doc, c);
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  return r.value;
};
const at = (plan: Plan, id: string): number => {
  const i = plan.steps.findIndex((s) => s.id === id);
  if (i < 0) throw new Error(`no step ${id} in ${plan.steps.map((s) => s.id).join(' ')}`);
  return i;
};
const with_ = (change: (d: ProjectDocument['decisions']) => void): ProjectDocument => {
  const doc = coatDocument();
  change(doc.decisions);
  return doc;
};

describe('the coat', () => {
  /** Common practice as a partial order: interface, staystitch, seams each pressed before they are crossed, sleeves, lining, edge, hems, holes, buttons. */
  const USUAL: [string, string][] = [
    ['cut', 'test-fuse'],
    ['test-fuse', 'fuse:front-facing-interfacing'],
    ['fuse:front-edge-interfacing', 'stay:p1'],
    ['stay:p1', 'sew:shell-shoulder'],
    ['sew:shell-shoulder', 'press:shell-shoulder'],
    ['press:shell-shoulder', 'sew:shell-cap'],
    ['press:shell-side', 'sew:shell-cap'],
    ['press:shell-underarm', 'sew:shell-cap'],
    ['fuse:front-facing-interfacing', 'sew:inside-facing-line-front'],
    ['pleat', 'sew:inside-facing-line-back'],
    ['press:inside-lining-cap', 'sew-edge'],
    ['press:shell-cap', 'sew-edge'],
    ['sew-edge', 'grade'],
    ['grade', 'understitch'],
    ['press-all', 'holes'],
    ['practise', 'holes'],
    ['holes', 'cut-holes'],
    ['cut-holes', 'buttons'],
  ];

  test('keeps the usual order of a bagged lining, and is found sound', () => {
    const plan = planned(coatDocument());
    const bagged: [string, string][] = [
      ['understitch', 'sew-hem'],
      ['sew-wrist', 'turn'],
      ['sew-hem', 'turn'],
      ['turn', 'close-opening'],
      ['close-opening', 'press-all'],
    ];
    for (const [a, b] of [...USUAL, ...bagged]) expect([a, b, at(plan, a) < at(plan, b)]).toEqual([a, b, true]);
    expect(plan.findings).toEqual([]);
    const underarm = plan.steps[at(plan, 'sew:inside-lining-underarm')];
    expect(underarm?.stops).toEqual([{ code: 'opening', mm: 150 }]);
  });

  test('a lining that hangs free is hemmed before it is closed in, and the shell after: no opening is left', () => {
    const plan = planned(
      with_((d) => {
        d.lining.hem.kind = 'free';
        d.lining.wrist.kind = 'free';
      }),
    );
    const free: [string, string][] = [
      ['lining-hem', 'sew-edge'],
      ['turn', 'shell-hem'],
      ['shell-hem', 'chains'],
      ['lining-wrist', 'shell-wrist'],
    ];
    for (const [a, b] of [...USUAL, ...free]) expect([a, b, at(plan, a) < at(plan, b)]).toEqual([a, b, true]);
    expect(plan.steps.flatMap((s) => s.stops.map((p) => p.code))).not.toContain('opening');
    expect(plan.findings).toEqual([]);
  });

  test('every mixture of choices over random coats gives a sound plan, each piece cut, each seam once', () => {
    const flag = fc.boolean();
    const choices = fc.record({
      facing: flag,
      lining: flag,
      interfacing: flag,
      buttons: flag,
      hem: flag,
      wrist: flag,
      pleat: flag,
    });
    fc.assert(
      fc.property(coatFigures, choices, (figures, x) => {
        const doc = coatDocument(figures);
        const d = doc.decisions;
        d.facing.on = x.facing;
        d.lining.on = x.lining;
        d.interfacing.on = x.interfacing;
        d.closure.on = x.buttons;
        d.lining.hem.kind = x.hem ? 'joined' : 'free';
        d.lining.wrist.kind = x.wrist ? 'joined' : 'free';
        d.lining.pleat = x.pleat ? 30 : 0;
        const c = compute(doc);
        const r = planOf(doc, c);
        if (!r.ok) throw new Error(JSON.stringify(r.findings));
        expect(r.value.findings.filter((f) => f.severity === 'stop')).toEqual([]);
        const sewn = r.value.steps.flatMap((s) => s.seams);
        expect(new Set(sewn).size).toBe(sewn.length);
        expect([...new Set(sewn)].sort()).toEqual(c.seams.map((s) => s.id).sort());
        expect(r.value.steps[0]?.pieces).toHaveLength(c.pieces.length);
        for (const s of r.value.steps) for (const n of s.after) expect(n).toBeLessThan(s.number);
      }),
      { seed: SEED, numRuns: 40 },
    );
  });

  test('the checker finds every kind of spoilt plan', () => {
    const doc = coatDocument();
    const c = compute(doc);
    const { steps } = planned(doc);
    const codes = (spoilt: PlanStep[]): string[] => [...new Set(checkSequence(spoilt, c.pieces).map((f) => f.code))];
    const without = (id: string) => steps.filter((s) => s.id !== id);
    const turnedFirst = [...steps].sort((a, b) => Number(b.id === 'turn') - Number(a.id === 'turn'));
    expect(codes(without('sew-wrist'))).toEqual(['used-before-made', 'edge-left-raw']);
    expect(codes(without('close-opening'))).toContain('opening-never-closed');
    expect(codes(steps.map((s) => ({ ...s, stops: [] })))).toEqual(['no-way-to-turn']);
    expect(codes([...steps, steps[at(planned(doc), 'sew:shell-side')] as PlanStep])).toEqual(['seam-sewn-twice']);
    expect(codes(turnedFirst)).toContain('used-before-made');
  });
});
