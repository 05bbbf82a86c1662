import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import {
  CUSTOM_COST,
  costOf,
  customOf,
  customOrder,
  EMPTY_OPERATION,
  mendOf,
  moved,
  movedTogether,
  movesWith,
  type Operation,
  orderOperations,
} from './index.ts';

const op = (id: string, needs: string[] = [], more: Partial<Operation> = {}): Operation => ({
  ...EMPTY_OPERATION,
  id,
  code: id,
  section: 'shell',
  station: 'machine',
  needs,
  makes: [id],
  ...more,
});

const graph = (most: number) =>
  fc.array(
    fc.record({
      needs: fc.array(fc.nat(most), { maxLength: 3 }),
      station: fc.constantFrom('iron' as const, 'machine' as const, 'table' as const),
      section: fc.constantFrom('shell' as const, 'inside' as const),
      thread: fc.constantFrom('shell' as const, 'lining' as const),
    }),
    { minLength: 1, maxLength: most },
  );
/** Needs point to earlier nodes only, then the list is shuffled: a valid order exists but is not the given one. */
const opsOf = (nodes: { needs: number[]; station: Operation['station'] }[], salt: number): Operation[] =>
  nodes
    .map((n, i) =>
      op(`n${i}`, [...new Set(n.needs.filter((k) => k < i).map((k) => `n${k}`))], { ...n, needs: undefined as never }),
    )
    .map((o, i) => ({ ...o, needs: [...new Set((nodes[i]?.needs ?? []).filter((k) => k < i).map((k) => `n${k}`))] }))
    .map((o, i) => ({ o, key: Math.sin(salt + i * 12.9898) }))
    .sort((a, b) => a.key - b.key)
    .map((x) => x.o);

const valid = (ops: Operation[]): boolean => {
  const done = new Set<string>();
  return ops.every((o) => {
    const ready = o.needs.every((n) => done.has(n));
    done.add(o.id);
    return ready;
  });
};

/** The cheapest of all valid sequences, by trying every one. */
function cheapest(ops: Operation[]): number {
  let best = Number.POSITIVE_INFINITY;
  const go = (line: Operation[], rest: Operation[]): void => {
    if (!rest.length) best = Math.min(best, costOf(line));
    for (const o of rest)
      if (o.needs.every((n) => line.some((x) => x.id === n)))
        go(
          [...line, o],
          rest.filter((x) => x !== o),
        );
  };
  go([], ops);
  return best;
}

const always = (): boolean => true;

describe('ordering', () => {
  test('random graphs: every need comes first, and every operation once', () => {
    fc.assert(
      fc.property(graph(26), fc.integer(), (nodes, salt) => {
        const r = orderOperations(opsOf(nodes, salt), always);
        if (!r.ok) throw new Error('refused');
        expect(new Set(r.value.map((o) => o.id)).size).toBe(nodes.length);
        expect(valid(r.value)).toBe(true);
      }),
      runs(60),
    );
  });

  test('as little walking as in the best of all orders, found by trying every one', () => {
    fc.assert(
      fc.property(graph(7), fc.integer(), (nodes, salt) => {
        const ops = opsOf(nodes, salt);
        const r = orderOperations(ops, always);
        expect(r.ok && costOf(r.value)).toBeCloseTo(cheapest(ops), 6);
      }),
      runs(60),
    );
  });

  test('a need nobody makes and a circle of needs are refused by name; one that may be lacking is dropped', () => {
    expect(orderOperations([op('a', ['b'])], always)).toMatchObject({
      ok: false,
      findings: [{ code: 'need-not-made', data: { operation: 'a', need: 'b' } }],
    });
    const ring = orderOperations([op('a', ['c']), op('b', ['a']), op('c', ['b']), op('d')], always);
    expect(ring).toMatchObject({
      ok: false,
      findings: [{ code: 'needs-in-a-circle', data: { operations: 'a, c, b' } }],
    });
    expect(orderOperations([op('a', ['nothing?'])], always).ok).toBe(true);
  });

  test('customs that stand against each other give way as cheaply as in the best of all orders, what must be never', () => {
    const codes = ['press', 'try-on', 'fuse', 'turn', 'grade', 'hem-blind'];
    const node = fc.record({
      must: fc.array(fc.nat(5), { maxLength: 2 }),
      usual: fc.array(fc.nat(5), { maxLength: 2 }),
    });
    fc.assert(
      fc.property(fc.array(node, { minLength: 6, maxLength: 6 }), (nodes) => {
        // What must be points to earlier ones only, customs anywhere: rings of them are the rule.
        const musts = nodes.map((n, i) => new Set(n.must.filter((k) => k < i).map((k) => `n${k}`)));
        const ops = nodes.map((n, i) => {
          const usual = n.usual.filter((k) => k !== i).map((k) => `n${k}`);
          return op(`n${i}`, [...new Set([...(musts[i] ?? []), ...usual])], { code: codes[i] ?? '' });
        });
        const must = (o: Operation, made: Operation): boolean => musts[ops.indexOf(o)]?.has(made.id) ?? false;
        const lost = (line: Operation[]): number =>
          line.reduce((t, o, i) => {
            const late = line.slice(i + 1).filter((x) => o.needs.includes(x.id));
            return late.some((x) => must(o, x)) ? Infinity : late.reduce((u, x) => u + CUSTOM_COST[customOf(x)], t);
          }, 0);
        const best = (line: Operation[], rest: Operation[]): number =>
          rest.length
            ? Math.min(
                ...rest.map((o) =>
                  best(
                    [...line, o],
                    rest.filter((x) => x !== o),
                  ),
                ),
              )
            : lost(line);
        const r = orderOperations(ops, must);
        expect(r.ok && lost(r.value)).toBe(best([], ops));
      }),
      runs(60),
    );
  });
});

describe('an order of one’s own', () => {
  const steps = [
    op('cut'),
    op('stay', ['cut']),
    op('sew', ['stay']),
    op('press', ['sew']),
    op('hem', ['press']),
    op('label'),
  ];
  const ids = steps.map((s) => s.id);

  test('over random graphs and moves: what moves along makes the order valid again', () => {
    fc.assert(
      fc.property(graph(14), fc.nat(13), fc.nat(13), (nodes, from, to) => {
        const r = orderOperations(opsOf(nodes, 3), always);
        if (!r.ok) throw new Error('refused');
        const s = r.value[from % r.value.length] as Operation;
        const next = movedTogether(r.value, s.id, to % r.value.length);
        expect([...next].sort()).toEqual(r.value.map((o) => o.id).sort());
        expect(valid(next.map((id) => r.value.find((o) => o.id === id) as Operation))).toBe(true);
      }),
      runs(200),
    );
  });

  test('worked: a step moved up takes what it waits for, moved down what waits for it; new steps find their place', () => {
    expect(moved(ids, 'hem', 1)).toEqual(['cut', 'hem', 'stay', 'sew', 'press', 'label']);
    expect(movesWith(steps, 'press', 1)).toEqual(['stay', 'sew', 'press']);
    expect(movesWith(steps, 'sew', 5)).toEqual(['sew', 'press', 'hem']);
    const own = customOrder(steps, ['cut', 'label', 'stay', 'press', 'hem'], ['hem']).map((s) => s.id);
    expect(own).toEqual(['cut', 'label', 'stay', 'sew', 'press']);
    const wrong = customOrder(steps, moved(ids, 'press', 0), []);
    const mend = mendOf({ code: 'used-before-made', severity: 'stop', data: { step: 'press', other: 'sew' } }, wrong);
    expect(mend).toEqual({
      how: 'move',
      order: ['cut', 'stay', 'sew', 'press', 'hem', 'label'],
      with: ['cut', 'stay', 'sew'],
    });
    expect(mendOf({ code: 'step-left-out', severity: 'stop', data: { step: 'hem', other: 'press' } }, steps)).toEqual({
      how: 'restore',
      step: 'press',
    });
  });
});
