import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../../demo/drawn.ts';
import { CUTS } from '../../../test/pile.ts';
import { runs } from '../../../test/runs.ts';
import { compute } from '../../document/compute.ts';
import { type ProjectDocument, type ShellPiece } from '../../document/project.ts';
import { pathLength } from '../../geometry/index.ts';
import { laidLine, type Piece, takesOf } from '../../pattern/index.ts';

const lineOf = (p: Piece | undefined): number =>
  p?.ring.filter((e) => e.role === 'facing-line').reduce((t, e) => t + pathLength(e.path), 0) ?? Number.NaN;

/** A skirt of the pile with one or two darts in each waist. */
function darted(w: number, darts: { share: number; width: number; length: number }[]): ProjectDocument {
  const doc = documentOf((CUTS.skirt as (typeof CUTS)[string])({ w, l: 640, s: 0 }));
  const pieces = (doc.shell?.pieces ?? []).filter((p) => p.kind !== 'waistband');
  const lay = (p: ShellPiece): ShellPiece => {
    const waist = p.ring.find((e) => e.role === 'waist');
    if (!waist) throw new Error('no waist');
    const lines = darts.map(({ share, width, length }) => {
      const made = laidLine(waist, { kind: 'dart', at: pathLength(waist.path) * share, width, length });
      if (!made.ok) throw new Error('off its edge');
      return made.value;
    });
    return { ...p, lines };
  };
  return { ...doc, shell: doc.shell && { ...doc.shell, pieces: pieces.map(lay) } };
}

const mm = (min: number, max: number) => fc.integer({ min, max });
const dart = (least: number, most: number) =>
  fc.record({ share: fc.double({ min: least, max: most, noNaN: true }), width: mm(14, 34), length: mm(60, 150) });

test('a skirt lined below a waist facing keeps its darts there, and is as wide as the facing once they are sewn', () => {
  fc.assert(
    fc.property(
      mm(240, 330),
      dart(0.3, 0.4),
      fc.option(dart(0.62, 0.72)),
      mm(30, 70),
      fc.constantFrom('sewn' as const, 'pleats' as const),
      (w, one, two, wide, choice) => {
        const doc = darted(w, two ? [one, two] : [one]);
        doc.decisions.facing.bands.waist = wide;
        doc.decisions.lining.darts = choice;
        const c = compute(doc);
        for (const kind of ['skirt-front', 'skirt-back']) {
          const lining = c.inside.find((p) => p.id === `${kind}-lining`);
          const facing = c.inside.find((p) => p.id === `${kind}-waist-facing`);
          const takes = lining ? takesOf(lining) : [];
          // A dart that ends within the facing leaves nothing to sew in the lining.
          const beyond = (two ? [one, two] : [one]).filter((d) => d.length > wide + 4);
          expect(takes.length).toBe(beyond.length);
          const taken = takes.reduce((t, k) => t + k.to - k.from, 0);
          // Similar triangles: so much of a dart's width is left at the facing line (common practice).
          const want = beyond.reduce((t, d) => t + (d.width * (d.length - wide)) / d.length, 0);
          expect(Math.abs(taken - want)).toBeLessThan(1);
          if (beyond.length < (two ? 2 : 1)) continue;
          // Each bend that is trued makes the facing up to half a millimetre shorter.
          expect(Math.abs(lineOf(lining) - taken - lineOf(facing))).toBeLessThan(two ? 1.2 : 0.7);
          expect(c.seams.find((s) => s.id === `inside-facing-line-${kind}-lining`)?.verdict).toBe('matches');
        }
        const off = c.seams.filter((s) => s.code === 'facing-side' && /too/.test(s.verdict));
        expect(off).toEqual([]);
      },
    ),
    runs(60),
  );
});
