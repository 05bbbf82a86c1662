import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seedHallDress } from '../../../demo/index.ts';
import { runs } from '../../../test/runs.ts';
import { coatDocument } from '../../../test/shells.ts';
import { compute } from '../../document/compute.ts';
import { type ProjectDocument, usualDecisions } from '../../document/project.ts';
import { pathLength } from '../../geometry/index.ts';
import { type Piece, type Role } from '../../pattern/index.ts';
import { biasCut, biasYield } from '../index.ts';

const bias = (more: Partial<ProjectDocument['decisions']['facing']['bias']> = {}) => ({
  ...usualDecisions().facing.bias,
  ...more,
});
const dress = (): ProjectDocument => {
  const made = seedHallDress();
  if (!made.ok) throw new Error('no dress');
  return made.value;
};
const of = (pieces: Piece[], role: Role): number =>
  pieces.flatMap((p) => p.ring.filter((e) => e.role === role)).reduce((s, e) => s + pathLength(e.path), 0);

describe('bias strips', () => {
  test('wrapped four times the finished width; turned inside seam, width and turn-under; 2 to 5 % shorter', () => {
    expect(biasCut(600, 15, bias({ school: 'wrapped', finished: 10, shorter: 5 }))).toEqual({
      edge: 600,
      length: 570 + 20,
      width: 40,
    });
    expect(biasCut(600, 15, bias({ school: 'turned', finished: 8, shorter: 2 }))).toEqual({
      edge: 600,
      length: 588 + 20,
      width: 15 + 8 + 6,
    });
  });

  test('a piece of cloth yields its area over the width, less the joins (common practice)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 1400 }),
        fc.integer({ min: 200, max: 1400 }),
        fc.integer({ min: 20, max: 60 }),
        (a, b, w) => {
          const length = biasYield(a, b, w);
          expect(length).toBeLessThanOrEqual((a * b) / w);
          expect(length).toBeGreaterThan(((a * b) / w) * 0.75);
          expect(biasYield(b, a, w)).toBe(length);
          expect(biasYield(a + 50, b, w)).toBeGreaterThan(length);
        },
      ),
      runs(100),
    );
    expect(biasYield(30, 900, 60)).toBe(0);
  });

  test('of the dress: once round the neck of both halves, and one for each armhole', () => {
    const doc = dress();
    doc.decisions.lining.on = false;
    doc.decisions.facing.bias = bias({ neck: true, armhole: true, shorter: 0 });
    const c = compute(doc);
    const body = c.shell.filter((p) => p.kind === 'front' || p.kind === 'back');
    const strip = (id: string): Piece => c.inside.find((p) => p.id === id) as Piece;
    const long = (p: Piece): number => pathLength(p.ring[0]?.path ?? []) - 20;
    expect(long(strip('neck-bias'))).toBeCloseTo(2 * of(body, 'neckline'), 6);
    expect(long(strip('armhole-bias'))).toBeCloseTo(of(body, 'armhole'), 6);
    expect([strip('neck-bias').cut.count, strip('armhole-bias').cut.count]).toEqual([1, 2]);
    for (const id of ['neck-bias', 'armhole-bias']) {
      const { a, b } = strip(id).grain;
      expect(Math.abs((b.y - a.y) / (b.x - a.x))).toBeCloseTo(1, 9);
    }
    expect(c.inside.map((p) => p.id)).not.toContain('front-facing');
  });

  test('in place of a neck facing the lining reaches the edge; wrapped, the allowance has to go', () => {
    const doc = dress();
    doc.decisions.facing.bias = bias({ neck: true, school: 'wrapped' });
    const c = compute(doc);
    const lining = c.inside.find((p) => p.id === 'front-lining') as Piece;
    const shell = c.shell.find((p) => p.kind === 'front') as Piece;
    expect(of([lining], 'neckline')).toBeCloseTo(of([shell], 'neckline'), 6);
    expect(c.findings.map((f) => [f.code, f.data?.allowance])).toContainEqual(['trim-for-binding', 15]);
    expect(c.seams.filter((s) => /too/.test(s.verdict))).toEqual([]);
  });

  test('with sleeves there is no strip for the armholes', () => {
    const doc = coatDocument();
    doc.decisions.facing.bias = bias({ armhole: true });
    expect(compute(doc).inside.map((p) => p.id)).not.toContain('armhole-bias');
  });
});
