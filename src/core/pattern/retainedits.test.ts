import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { oval } from '../../test/cutin.ts';
import { runs } from '../../test/runs.ts';
import { coatFigures, PLAIN_COAT, shellOf } from '../../test/shells.ts';
import { type ShellPiece } from '../document/project.ts';
import { line, mapPath, type Path, rotation } from '../geometry/index.ts';
import { retainEdits } from './index.ts';

/** The same piece as another file might hold it: begun at another edge, a little turned, nothing said of it. */
const anew = (p: ShellPiece, start: number, angle: number): ShellPiece => {
  const k = start % p.ring.length;
  const ring = [...p.ring.slice(k), ...p.ring.slice(0, k)].map((e, i) => ({
    ...e,
    id: `e${i + 1}`,
    confidence: 0.8,
    path: mapPath(e.path, rotation(angle)),
  }));
  return { ...p, ring };
};

test('another size of the same pattern keeps names, folds and allowances at the edges they were said of', () => {
  fc.assert(
    fc.property(
      coatFigures,
      coatFigures,
      fc.nat(5),
      fc.double({ min: -0.15, max: 0.15, noNaN: true }),
      (small, large, start, angle) => {
        const old = shellOf(small).pieces.map((p) => ({
          ...p,
          count: p.count + 1,
          // Every edge named by hand; its allowance tells later which edge it was.
          ring: p.ring.map((e, i) => ({
            ...e,
            confidence: 1,
            allowance: 5 + i,
            onFold: i === 0,
            corner: 'squared' as const,
          })),
        }));
        const truth = shellOf(large).pieces;
        const next = truth.map((p) => anew(p, start, angle));
        const { pieces, kept } = retainEdits(old, next);
        expect(kept).toBe(3);
        pieces.forEach((p, n) => {
          const was = old[n] as (typeof old)[number];
          expect([p.count, p.kind]).toEqual([was.count, was.kind]);
          p.ring.forEach((e, i) => {
            const own = (i + start) % p.ring.length;
            expect([e.role, e.allowance, e.onFold, e.corner]).toEqual([
              was.ring[own]?.role,
              5 + own,
              own === 0,
              'squared',
            ]);
            // The outline itself is the new one's.
            expect(e.path).toEqual(next[n]?.ring[i]?.path);
          });
        });
      },
    ),
    runs(15),
  );
});

test('a piece of another name or with other edges begins anew; suggestions stay suggestions', () => {
  const [front, back] = shellOf().pieces as [ShellPiece, ShellPiece];
  const said = { ...front, ring: front.ring.map((e) => ({ ...e, role: 'plain' as const, confidence: 1 })) };
  expect(retainEdits([said], [{ ...front, name: 'Fronts' }]).kept).toBe(0);
  expect(retainEdits([{ ...said, name: 'Back' }], [{ ...back, ring: back.ring.slice(1) }]).kept).toBe(0);
  expect(retainEdits([said], [front]).pieces[0]?.ring.every((e) => e.role === 'plain')).toBe(true);
  const guessed = { ...said, ring: said.ring.map((e) => ({ ...e, confidence: 0.7 })) };
  expect(retainEdits([guessed], [front]).pieces[0]?.ring.map((e) => e.role)).toEqual(front.ring.map((e) => e.role));
});

test('what was said of closed lines goes on to the new size; darts laid by hand are not in it, and that is told', () => {
  const [p] = shellOf(PLAIN_COAT).pieces as [ShellPiece];
  const round = (k: number): Path => mapPath(oval(110, 300, 60, 60), { a: k, b: 0, c: 0, d: k, e: 0, f: 0 });
  const dart = { kind: 'dart' as const, path: [line({ x: 0, y: 0 }, { x: 10, y: 80 })] };
  const was = { ...p, lines: [{ kind: 'opening' as const, role: 'armhole' as const, path: round(1) }, dart] };
  const now = { ...p, lines: [{ kind: 'placement' as const, path: round(1.1) }] };
  const { pieces, findings } = retainEdits([was], [now]);
  expect(pieces[0]?.lines).toEqual([{ kind: 'opening', role: 'armhole', path: round(1.1) }]);
  expect(findings.map((f) => [f.code, f.data?.count])).toEqual([
    ['choices-kept', 1],
    ['laid-lost', 1],
  ]);
});
