import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Drawn, documentOf, piece } from '../../demo/drawn.ts';
import { runs } from '../../test/runs.ts';
import { mapShell } from '../../test/shells.ts';
import { type Computed, compute } from '../document/compute.ts';
import { type Shell, type ShellEdge, type ShellPiece } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { largestGap, nearestOn, pathLength } from '../geometry/index.ts';
import { addLine, laidLine, outlineOf, type Piece } from '../pattern/index.ts';

type Steps = Parameters<typeof piece>[3];
/** The lower part of a body from its shoulder on; the shoulder begins 90 mm from the centre. */
const BELOW: Steps = [
  ['shoulder', 205, 40],
  ['armhole', 188, 120, 195, 190, 250, 215],
  ['side', 245, 360, 250, 500, 255, 680],
  ['hem', 0, 680],
];
const back = (neck: Steps, low: number): Drawn =>
  piece('Back', 'back', [0, 680], [['centre-back', 0, low], ...neck, ...BELOW], 'cut 1 on the fold');
const front = (neck: Steps, low: number): Drawn =>
  piece('Front', 'front', [0, 680], [['front-edge', 0, low], ...neck, ...BELOW]);
const made = (pieces: Drawn[], back: number): Computed => {
  const doc = documentOf({ name: 'Necks', garment: 'coat', pieces });
  Object.assign(doc.decisions.facing, { back, shoulder: 60 });
  doc.decisions.closure.on = false;
  return compute(doc);
};
const find = (c: Computed, id: string): Piece => {
  const found = c.inside.find((p) => p.id === id);
  if (!found) throw new Error(`no ${id} among ${c.inside.map((p) => p.id)}`);
  return found;
};
const ROUND: Steps = [['neckline', 50, 100, 85, 60, 90, 0]];

describe('necks of other shapes', () => {
  // A square neck and a pointed one: two edges that meet in a corner.
  test.each([
    [
      'square',
      [
        ['neckline', 90, 90],
        ['neckline', 90, 0],
      ] as Steps,
      90,
      1,
    ],
    [
      'pointed',
      [
        ['neckline', 30, 100],
        ['neckline', 90, 0],
      ] as Steps,
      130,
      Math.SQRT2,
    ],
    [
      'with its corner at the shoulder',
      [
        ['neckline', 40, 14],
        ['neckline', 90, 0],
      ] as Steps,
      22,
      Math.hypot(40, 8) / 40,
    ],
  ])(
    'a %s neck with a facing deeper at the centre than at the shoulder is one ring, as wide at both ends as was asked',
    (_, neck, low, slant) => {
      for (const depth of [60, 75, 110]) {
        const c = made([back(neck, low), front(ROUND, 100)], depth);
        expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
        const facing = find(c, 'back-facing');
        expect(largestGap(outlineOf(facing.ring), true)).toBe(0);
        const long = (role: string): number =>
          facing.ring.filter((e) => e.role === role).reduce((t, e) => t + pathLength(e.path), 0);
        expect(long('shoulder')).toBeCloseTo(60, 2);
        // Square to the neck: along the centre by as much more as the neck slants there.
        expect(long('centre-back')).toBeCloseTo(depth * slant, 1);
        expect(find(c, 'back-lining').ring.some((e) => e.role === 'facing-line')).toBe(true);
      }
    },
  );

  // Common practice: what holds the edge of a V-necked front holds it up to the shoulder; a round neck has its facing.
  test('the strip along a V-necked front goes on to the shoulder, as wide there; that of a round neck ends in the neckline', () => {
    const strip = (neck: Steps, low: number): Piece =>
      find(made([back([['neckline', 60, 22, 85, 10, 90, 0]], 22), front(neck, low)], 60), 'front-edge-interfacing');
    const roles = (p: Piece): string[] => [...new Set(p.ring.map((e) => e.role))];
    for (const neck of [
      [['neckline', 90, 0]],
      [['neckline', 45, 190, 80, 90, 90, 0]],
      [['neckline', 10, 210, 60, 60, 90, 0]],
    ] as Steps[]) {
      const p = strip(neck, 260);
      expect(roles(p)).toContain('shoulder');
      const inner = p.ring.find((e) => e.role === 'inner')?.path ?? [];
      for (const e of p.ring.filter((e) => e.role === 'neckline')) {
        // Trimmed by 3 mm at the neck, free at its inner edge: 60 mm less 3.
        const middle = e.path[0]?.a as { x: number; y: number };
        expect(nearestOn(inner, middle).distance).toBeGreaterThan(50);
        expect(nearestOn(inner, middle).distance).toBeLessThan(66);
      }
    }
    expect(roles(strip(ROUND, 100))).not.toContain('shoulder');
  });

  // Common practice: what is in the way is closed before a facing is traced, and the cloth below keeps it.
  test('darts and pleats at neck and shoulder: closed in the facing, kept in the lining, and both go together wherever they lie', () => {
    const dart = fc.record({
      kind: fc.constantFrom('dart' as const, 'dart' as const, 'pleat' as const),
      at: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      width: fc.integer({ min: 6, max: 16 }),
      length: fc.integer({ min: 70, max: 140 }),
    });
    let closed = 0;
    fc.assert(
      fc.property(dart, fc.constantFrom('neckline' as const, 'shoulder' as const), fc.boolean(), (laid, role, over) => {
        const doc = documentOf({
          name: 'Darts',
          garment: 'coat',
          pieces: [back([['neckline', 60, 22, 85, 10, 90, 0]], 22), front(ROUND, 100)],
        });
        Object.assign(doc.decisions.facing, { back: 60, shoulder: 60 });
        Object.assign(doc.decisions.lining, { pleat: 0 });
        doc.decisions.closure.on = false;
        const shell = doc.shell as Shell;
        const [drawn] = shell.pieces as [ShellPiece];
        const edge = drawn.ring.find((e) => e.role === role) as ShellEdge;
        const line = laidLine(edge, { ...laid, at: laid.at * pathLength(edge.path) });
        if (!line.ok) return;
        shell.pieces[0] = addLine(drawn, line.value);
        const turned = mapShell(shell, { a: -1, b: 0, c: 0, d: 1, e: 900, f: 0 });
        const c = compute({ ...doc, shell: over ? turned : shell });
        expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
        const long = (p: Piece, r: string): number =>
          p.ring.filter((e) => e.role === r).reduce((t, e) => t + pathLength(e.path), 0);
        const facing = find(c, 'back-facing');
        const taken = role === 'neckline' ? laid.width : 0;
        // Width is laid along the chord: hardly more along the curve.
        const [own] = c.shell as [Piece];
        expect(Math.abs(long(facing, 'neckline') - (long(own, 'neckline') - taken))).toBeLessThan(0.6);
        expect(long(facing, 'shoulder')).toBeCloseTo(60, 1);
        const off = c.seams.filter(
          (s) => s.group !== 'shell' && s.verdict.startsWith('a-too') && s.code !== 'lining-shoulder',
        );
        expect(off.map((s) => [s.id, s.differenceMm])).toEqual([]);
        const faults = proofOf(c).filter((k) => k.code !== 'seams' && k.code !== 'hem');
        expect(faults.flatMap((k) => k.faults.map((f) => [k.code, f]))).toEqual([]);
        closed += facing.reasons.some((r) => r.rule === 'darts-closed') ? 1 : 0;
      }),
      runs(36),
    );
    expect(closed).toBeGreaterThan(4);
  });
});
