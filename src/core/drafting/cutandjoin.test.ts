import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seamsOff } from '../../test/checker.ts';
import { cutCoat, cuttings, type Half } from '../../test/cutcoat.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures } from '../../test/shells.ts';
import { type Computed, compute } from '../document/compute.ts';
import { FRONT_INTERFACINGS } from '../document/project.ts';
import { selfCrossing } from '../geometry/index.ts';
import { flatRing, type Material, ringAreaOf, ringPerimeter } from '../pattern/index.ts';

const under = fc.constantFrom(...FRONT_INTERFACINGS);

const areaOf = (c: Computed, material: Material, of: (p: string) => boolean): number =>
  c.inside.filter((p) => p.material === material && of(p.parent ?? '')).reduce((t, p) => t + ringAreaOf(p.ring), 0);
const of =
  (half: Half) =>
  (id: string): boolean =>
    id.startsWith(half === 'front' ? 'p1' : 'p2');

test('a front or back cut into panels anywhere and joined again has the facing, the lining and the seams of the uncut one', () => {
  const reached = new Map<string, number>();
  fc.assert(
    fc.property(
      coatFigures,
      cuttings,
      fc.double({ min: -3, max: 3, noNaN: true }),
      under,
      (figures, { half, cuts }, turn, front) => {
        const doc = coatDocument(figures);
        Object.assign(doc.decisions.lining, { raise: 0, out: 0, pleat: 0 });
        doc.decisions.closure.on = false;
        // Up to the seam line, so that the shares of both panels meet.
        Object.assign(doc.decisions.interfacing, { trim: 'seam', front });
        const cut = cutCoat(doc, half, cuts, turn);
        const whole = compute(doc);
        if (!cut || whole.findings.some((f) => f.severity === 'stop')) return;
        const c = compute(cut);
        // Two cuts may cross each other: no panels come of that.
        if (c.shell.some((p) => selfCrossing(flatRing(p.ring)))) return;
        if (c.findings.some((f) => f.code === 'lining-sliver')) return;
        const lines = `${half}: ${cuts.map((x) => `${x.from[0]} to ${x.to[0]}`).join(', ')}`;
        expect([lines, c.findings.filter((f) => f.severity === 'stop')]).toEqual([lines, []]);
        for (const material of ['facing', 'lining', 'interfacing'] as const) {
          const [was, is] = [areaOf(whole, material, of(half)), areaOf(c, material, of(half))];
          expect([lines, material, Math.abs(is / was - 1) < 1e-3, is, was]).toEqual([lines, material, true, is, was]);
        }
        for (const p of c.inside) expect([p.id, selfCrossing(flatRing(p.ring))]).toEqual([p.id, null]);
        const off = seamsOff(c).filter((s) => s.easeOf !== 'flare');
        expect([lines, off.map((s) => [s.id, s.differenceMm])]).toEqual([lines, []]);
        reached.set(lines, (reached.get(lines) ?? 0) + 1);
      },
    ),
    runs(20, true),
  );
  expect(reached.size).toBeGreaterThan(4);
});

test('a seam closed up in the lining leaves it as it is without the seam', () => {
  let closed = 0;
  fc.assert(
    fc.property(coatFigures, cuttings, fc.double({ min: -3, max: 3, noNaN: true }), (figures, { half, cuts }, turn) => {
      const doc = coatDocument(figures);
      Object.assign(doc.decisions.lining, { raise: 0, out: 0, pleat: 0 });
      doc.decisions.closure.on = false;
      const cut = cutCoat(doc, half, cuts.slice(0, 1), turn);
      const whole = compute(doc);
      if (!cut || whole.findings.some((f) => f.severity === 'stop')) return;
      const seam = compute(cut).surface.joins.find((j) => j.code === 'panel' || j.code === 'yoke')?.a[0];
      const linings = (c: Computed) => c.inside.filter((p) => p.material === 'lining' && of(half)(p.parent ?? ''));
      if (!seam || linings(compute(cut)).length < 2) return;
      cut.decisions.lining.inOne = [{ piece: seam.piece, edge: seam.edge }];
      const c = compute(cut);
      expect(c.findings.filter((f) => f.code.startsWith('closed-up'))).toEqual([]);
      const [was, is] = [linings(whole), linings(c)].map((list) =>
        list.map((p) => [ringAreaOf(p.ring), ringPerimeter(p.ring)]),
      );
      expect([is?.length, Math.abs((is?.[0]?.[0] ?? 0) / (was?.[0]?.[0] ?? 1) - 1) < 1e-3, is, was]).toEqual([
        1,
        true,
        is,
        was,
      ]);
      expect(Math.abs((is?.[0]?.[1] ?? 0) / (was?.[0]?.[1] ?? 1) - 1)).toBeLessThan(2e-3);
      for (const p of c.inside) expect([p.id, selfCrossing(flatRing(p.ring))]).toEqual([p.id, null]);
      const off = seamsOff(c).filter((s) => s.easeOf !== 'flare');
      expect([half, cuts[0], off.map((s) => [s.id, s.differenceMm])]).toEqual([half, cuts[0], []]);
      closed += 1;
    }),
    runs(12, true),
  );
  expect(closed).toBeGreaterThan(2);
});
