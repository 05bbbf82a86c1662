import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { runs } from '../../test/runs.ts';
import { LookBack } from './history.ts';

test('what undo and redo take, looked for backwards, is what two stacks kept from the beginning say', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('do', 'undo', 'redo', 'lost' as const), { maxLength: 60 }), (asked) => {
      const rows: Parameters<LookBack['take']>[0][] = [];
      const undo: number[] = [];
      let redo: number[] = [];
      for (const kind of asked) {
        const revision = rows.length + 1;
        const of = kind === 'undo' ? undo.at(-1) : kind === 'redo' ? redo.at(-1) : null;
        if (of === undefined) continue;
        rows.push({ revision, kind: kind as 'do', of });
        if (kind === 'do') {
          undo.push(revision);
          redo = [];
        } else if (kind === 'undo') redo.push(undo.pop() as number);
        else if (kind === 'redo') undo.push(redo.pop() as number);
      }
      const look = new LookBack();
      let looked = 0;
      for (const r of [...rows].reverse()) {
        looked += 1;
        if (look.take(r)) break;
      }
      expect([look.tops.undo ?? null, look.tops.redo ?? null]).toEqual([undo.at(-1) ?? null, redo.at(-1) ?? null]);
      // After a plain change nothing further back is read.
      if (rows.at(-1)?.kind === 'do') expect(looked).toBe(1);
    }),
    runs(400),
  );
});
