import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../test/runs.ts';
import { coatDocument } from '../test/shells.ts';
import { applyPatch, byPlace, comparePatch, PatchFault, touch, valueAt } from './patch.ts';

const plain = (v: unknown): unknown => JSON.parse(JSON.stringify(v));
/** Values as documents hold them: objects, lists with ids, other lists, odd keys. */
const { value } = fc.letrec<{ value: unknown }>((tie) => ({
  value: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(1, 2, 'a', true, null, 0.5),
    fc.dictionary(fc.constantFrom('a', 'b', 'c/d', '~e', 'id'), tie('value'), { maxKeys: 4 }),
    fc.array(tie('value'), { maxLength: 4 }),
    fc
      .uniqueArray(fc.constantFrom('p1', 'p2', 'p3', 'p4', 'p5'), { maxLength: 5 })
      .chain((ids) => fc.tuple(...ids.map((id) => fc.record({ id: fc.constant(id), v: tie('value') })))),
  ),
}));

test('a patch makes the one of the other, whatever they are, and its like takes it back', () => {
  fc.assert(
    fc.property(value, value, (x, y) => {
      const [a, b] = [plain({ x }), plain({ x: y })];
      const frozen = JSON.stringify(a);
      expect(applyPatch(a, comparePatch(a, b))).toEqual(b);
      expect(applyPatch(b, comparePatch(b, a))).toEqual(a);
      expect(JSON.stringify(a)).toBe(frozen);
      expect(comparePatch(a, plain(a))).toEqual([]);
      // Through JSON, as it is sent and stored.
      expect(applyPatch(a, plain(comparePatch(a, b)) as never)).toEqual(b);
      expect(byPlace(a, comparePatch(a, b))).toBeNull();
    }),
    runs(300),
  );
});

describe('pieces and edges are named by their ids', () => {
  const doc = coatDocument();
  const pieces = doc.shell?.pieces ?? [];
  const renamed = {
    ...doc,
    shell: { ...doc.shell, pieces: pieces.map((p, i) => (i === 1 ? { ...p, name: 'Middle' } : p)) },
  };

  test('a change of a piece means that piece, though others were put in, taken out or moved meanwhile', () => {
    const patch = comparePatch(doc, renamed);
    expect(patch).toEqual([{ op: 'replace', path: `/shell/pieces/${pieces[1]?.id}/name`, value: 'Middle' }]);
    for (const meanwhile of [pieces.slice(1), [...pieces].reverse(), [{ ...pieces[0], id: 'new' }, ...pieces]]) {
      const there = { ...doc, shell: { ...doc.shell, pieces: meanwhile } };
      const names = (applyPatch(there, patch).shell.pieces as { id: string; name: string }[]).map((p) => [
        p.id,
        p.name,
      ]);
      expect(names.filter(([, name]) => name === 'Middle')).toEqual([[pieces[1]?.id, 'Middle']]);
    }
    expect(() => applyPatch({ ...doc, shell: { ...doc.shell, pieces: [pieces[0]] } }, patch)).toThrow(PatchFault);
  });

  test('one put in goes behind the one it was put behind; two changes that do not touch come out alike either way', () => {
    const edge = pieces[0]?.ring[2]?.id as string;
    const mine = [{ op: 'replace' as const, path: `/shell/pieces/${pieces[0]?.id}/ring/${edge}/allowance`, value: 20 }];
    const added = {
      ...doc,
      shell: { ...doc.shell, pieces: pieces.toSpliced(1, 0, { ...pieces[0], id: 'new' } as never) },
    };
    const theirs = comparePatch(doc, added);
    expect(theirs).toEqual([expect.objectContaining({ op: 'add', path: '/shell/pieces/new', after: pieces[0]?.id })]);
    expect(touch(mine, theirs)).toBe(false);
    expect(applyPatch(applyPatch(doc, mine), theirs)).toEqual(applyPatch(applyPatch(doc, theirs), mine));
    expect(touch(mine, [{ op: 'remove', path: `/shell/pieces/${pieces[0]?.id}` }])).toBe(true);
    expect(touch(mine, [{ op: 'remove', path: `/shell/pieces/${pieces[0]?.id}x` }])).toBe(false);
    expect(valueAt(applyPatch(doc, mine), mine[0]?.path as string)).toBe(20);
  });

  test('places are told, and what is not there is refused with where', () => {
    expect(byPlace(doc, [{ op: 'replace', path: '/shell/pieces/0/name', value: 'x' }])).toBe('/shell/pieces/0/name');
    expect(byPlace(doc, [{ op: 'remove', path: `/shell/pieces/${pieces[0]?.id}/ring/3` }])).not.toBeNull();
    // Patches older versions stored speak so: they are still understood.
    expect(applyPatch(doc, [{ op: 'replace', path: '/shell/pieces/1/name', value: 'Middle' }])).toEqual(renamed);
    for (const path of [
      '/nothing/here',
      '/shell/pieces/p77/name',
      '/__proto__/x',
      '/constructor/prototype/x',
      '/name/x',
      '/shell/pieces/99',
    ])
      for (const op of ['replace', 'add'] as const)
        if (op === 'replace' || path !== '/shell/pieces/99')
          expect(() => applyPatch(doc, [{ op, path, value: 1 }])).toThrow(PatchFault);
    expect(({} as { x?: number }).x).toBeUndefined();
  });
});
