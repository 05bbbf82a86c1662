import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMOS } from '../../demo/index.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument } from '../../test/shells.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { compute, planOf } from '../document/compute.ts';
import { type ProjectDocument } from '../document/project.ts';
import { type Path, polyline, reversePath } from '../geometry/index.ts';
import { type Piece, slantOf } from '../pattern/index.ts';
import { marksToTransfer, type Plan } from './index.ts';

const made = (doc: ProjectDocument): { plan: Plan; pieces: Piece[] } => {
  const c = compute(doc);
  const r = planOf(doc, c);
  if (!r.ok) throw new Error(doc.name);
  return { plan: r.value, pieces: c.pieces };
};
const demo = (name: string): ProjectDocument => {
  const r = DEMOS.map((d) => d.make()).find((x) => x.ok && x.value.name === name);
  if (!r?.ok) throw new Error(name);
  return r.value;
};
/** Unlike garments and their plans, each made once. */
let known: ReturnType<typeof made>[] | null = null;
const unlike = (): ReturnType<typeof made>[] => {
  known ??= Object.values(UNLIKE).map((make) => made(make()));
  return known;
};

const way = (plan: Plan, id: string): string | undefined => {
  const [first] = plan.steps.find((s) => s.id === id)?.directions ?? [];
  return first && `${first.from} to ${first.to}`;
};

// Common practice (stitching with the grain, from memory of sewing handbooks): from wide to narrow, shoulders from the neck out.
test('with the grain: a flared side from the hem, a tapered one from the armhole, a shoulder from the neck, a sleeve from above', () => {
  const coat = made(coatDocument()).plan;
  expect(way(coat, 'sew:side')).toBe('hem to armhole');
  expect(way(coat, 'sew:shoulder')).toBe('neckline to armhole');
  expect(way(coat, 'sew:underarm')).toBe('cap to wrist');
  const blouse = made(demo("Seed sower's blouse")).plan;
  expect(way(blouse, 'sew:side')).toBe('armhole to waist');
  // Set in, it runs round over two pieces, with the grain on neither side throughout.
  expect(way(coat, 'sew:cap')).toBeUndefined();
});

test('turned or mirrored, an edge is sewn from the same end; on the straight grain from either', () => {
  const turn = (p: { x: number; y: number }, by: number) => ({
    x: p.x * Math.cos(by) - p.y * Math.sin(by),
    y: p.x * Math.sin(by) + p.y * Math.cos(by),
  });
  const line = (b: { x: number; y: number }): Path => polyline([{ x: 0, y: 0 }, b]);
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      (at, by) => {
        const [b, grain] = [turn({ x: 300, y: 0 }, at), { x: 0, y: -1 }];
        const slant = slantOf(line(b), grain);
        // Near a quarter between the threads either may lead.
        const between = Math.abs(Math.sin(2 * at)) > 0.999;
        if (!between) expect(slantOf(line(turn(b, by)), turn(grain, by))).toBeCloseTo(slant, 9);
        // A mirrored outline would run the other way round: its edges are turned.
        const mirrored = reversePath(line({ x: -b.x, y: b.y }));
        expect(slantOf(mirrored, grain)).toBeCloseTo(-slant, 9);
        expect(slant === 0).toBe(Math.abs(Math.sin(2 * at)) < 2 * Math.sin(0.02618) * Math.cos(0.02618) - 1e-12);
      },
    ),
    runs(300),
  );
});

test('both layers and both halves run alike, between the edges that lie beside them', () => {
  for (const { plan } of unlike()) {
    for (const s of plan.steps) {
      expect(new Set(s.directions.map((d) => `${d.from} ${d.to}`)).size).toBeLessThanOrEqual(1);
      for (const d of s.directions) {
        expect(d.from).not.toBe(d.to);
        expect(plan.making.joints.some((j) => [...j.a, ...j.b].includes(d.edge))).toBe(true);
      }
    }
  }
});

test('marks to carry over: each drawn mark once, with the steps that go by it', () => {
  const dress = made(demo('Seed hall dress'));
  const marks = marksToTransfer(dress.plan.steps, dress.plan.making, dress.pieces);
  const darts = dress.plan.steps.filter((s) => s.code === 'sew-darts').map((s) => s.number);
  const bodice = dress.pieces.find((p) => p.name === 'Bodice front');
  expect(marks.find((t) => t.piece === bodice?.id && t.what === 'dart')?.steps.every((n) => darts.includes(n))).toBe(
    true,
  );
  for (const { plan, pieces } of [made(coatDocument()), made(demo('Potting shirt')), ...unlike()]) {
    const all = marksToTransfer(plan.steps, plan.making, pieces);
    const inPlan = new Set(plan.making.parts.map((p) => p.of));
    const drawn = pieces.filter((p) => inPlan.has(p.id));
    const count = (what: string): number => all.filter((t) => t.what === what).reduce((n, t) => n + t.count, 0);
    expect(count('notch')).toBe(drawn.reduce((n, p) => n + p.notches.length, 0));
    expect(count('dart')).toBe(drawn.reduce((n, p) => n + p.lines.filter((l) => l.kind === 'dart').length, 0));
    for (const t of all) expect(t.steps).toEqual([...new Set(t.steps)].sort((a, b) => a - b));
    // A dart is sewn: no plan leaves one without its step.
    expect(all.filter((t) => t.what === 'dart' && !t.steps.length)).toEqual([]);
  }
});
