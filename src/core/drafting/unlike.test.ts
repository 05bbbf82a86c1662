import { describe, expect, test } from '@jest/globals';
import { mapShell } from '../../test/shells.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { type Computed, compute, planOf } from '../document/compute.ts';
import { type ProjectDocument, type Shell } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { loopsCounted, loopsOf, partsOf } from '../garment/index.ts';
import { nearestOn, pathLength, pointAlong, selfCrossing } from '../geometry/index.ts';
import { flatRing, type Piece, type Role, ringAreaOf, ringPerimeter } from '../pattern/index.ts';

const made = (name: keyof typeof UNLIKE): Computed => compute((UNLIKE[name] as () => ProjectDocument)());
const find = (c: Computed, id: string): Piece => {
  const found = c.pieces.find((p) => p.id === id);
  if (!found) throw new Error(`no ${id} among ${c.pieces.map((p) => p.id)}`);
  return found;
};
const length = (p: Piece, role: Role): number =>
  p.ring.filter((e) => e.role === role).reduce((t, e) => t + pathLength(e.path), 0);

describe('garments that no one front and back make up', () => {
  test.each(Object.keys(UNLIKE))('%s: drafted, and every seam and outline of its inside holds', (name) => {
    const c = made(name);
    expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(c.inside.length).toBeGreaterThan(2);
    // A hem that flares by more than can be eased is told apart; nothing else is off.
    const off = c.seams.filter((s) => s.group !== 'shell' && s.verdict.startsWith('a-too') && s.easeOf !== 'flare');
    expect(off.map((s) => [s.id, s.differenceMm])).toEqual([]);
    const proof = proofOf(c).filter((k) => k.code !== 'hem' && k.code !== 'seams');
    expect(proof.flatMap((k) => k.faults.map((f) => [k.code, f]))).toEqual([]);
    for (const p of c.inside) expect([p.id, selfCrossing(flatRing(p.ring))]).toEqual([p.id, null]);
    expect(loopsOf(c.surface).length).toBe(loopsCounted(c.surface));
    expect(partsOf(c.surface).every((p) => p.handles === 0 || p.loops > 0)).toBe(true);
    // Every panel with a place in the lining has one, or it is told.
    const told = new Set(
      c.findings.flatMap((f) =>
        f.code === 'not-lined' || f.code === 'all-faced' ? String(f.data?.names).split(', ') : [],
      ),
    );
    const lined = new Set(c.inside.filter((p) => p.material === 'lining').map((p) => p.parent));
    const bands = ['waistband', 'collar', 'stand', 'cuff'];
    if (lined.size)
      expect(
        c.shell.filter((p) => !lined.has(p.id) && !told.has(p.name) && !bands.includes(p.kind)).map((p) => p.name),
      ).toEqual([]);
  });

  test.each(Object.keys(UNLIKE))(
    '%s: its pattern turned over, as for the other half of the body, has the same inside',
    (name) => {
      const doc = (UNLIKE[name] as () => ProjectDocument)();
      // By what they are and how large: numbers that tell like seams apart follow the order they are found in.
      const figures = (c: Computed): [string, number, number][] =>
        [
          ...c.inside.map((p): [string, number, number] => [p.id, ringAreaOf(p.ring) / 1000, ringPerimeter(p.ring)]),
          ...c.seams.map((s): [string, number, number] => [`${s.code} ${s.verdict}`, s.lengthAMm, s.lengthBMm]),
        ].sort((a, b) => (a[0] === b[0] ? a[1] - b[1] : a[0] < b[0] ? -1 : 1));
      const over = mapShell(doc.shell as Shell, { a: -1, b: 0, c: 0, d: 1, e: 2000, f: 0 });
      const [is, was] = [figures(compute({ ...doc, shell: over })), figures(compute(doc))];
      expect(is.map((x) => x[0])).toEqual(was.map((x) => x[0]));
      const apart = (k: 1 | 2): number[] => is.map((x, i) => Math.abs(x[k] - (was[i] as typeof x)[k]));
      expect(Math.max(...apart(1), ...apart(2))).toBeLessThan(0.5);
    },
  );
});

describe('by their own figures', () => {
  test('a left front that laps over has its own facing, as long as the edge it is sewn to', () => {
    const c = made('jacket of unlike fronts');
    const neck = (shell: string): number => length(find(c, shell), 'neckline');
    // The left front reaches 95 mm farther: 110 beyond the centre, the right one 15.
    expect(neck('p1') - neck('p2')).toBeGreaterThan(80);
    expect(length(find(c, 'front-facing'), 'neckline')).toBeCloseTo(neck('p1'), 3);
    expect(length(find(c, 'front.p2-facing'), 'neckline')).toBeCloseTo(neck('p2'), 3);
  });

  test('a facing goes on in one over a yoke and over a waist seam, and shares of both panels lie under it', () => {
    const shirt = made('shirt with a yoke in front');
    expect(length(find(shirt, 'front-facing'), 'front-edge')).toBeCloseTo(60 + 550, 3);
    const coat = made('coat with a waist seam and godets');
    // As drawn: 338 from neck to waist, 690 below.
    expect(length(find(coat, 'front-facing'), 'front-edge')).toBeCloseTo(338 + 690, 3);
    for (const id of ['front-lining', 'skirt-front-lining'])
      expect(find(coat, id).ring.some((e) => e.role === 'facing-line')).toBe(true);
  });

  // R = 2A − s1 − s2 from the shell's cut edge, as in the sum of the trade: A 15, 10 + 10 gives 10; the seam line lies A − s1 inside.
  test('a zip in one side seam: both halves cut alike, and the line to cut along on the left half beside it', () => {
    const c = made('skirt with a zip in its side');
    for (const id of ['skirt-front-lining', 'skirt-back-lining']) {
      const p = find(c, id);
      expect(p.reasons.filter((r) => r.rule.startsWith('zip')).map((r) => [r.rule, r.value])).toEqual([
        ['zip-left', 10],
      ]);
      const [line] = p.lines.filter((l) => l.kind === 'cut-away');
      const side = p.ring.filter((e) => e.role === 'side').flatMap((e) => e.path);
      const { on, path } = line ?? { on: undefined, path: [] };
      expect(on).toBe('left');
      // Of 200 mm the waist facing takes 50; the rest lies 5 inside the seam line, and runs out to it over 50.
      expect(pathLength(path)).toBeGreaterThan(195);
      expect(pathLength(path)).toBeLessThan(205);
      const off = (at: number): number => nearestOn(side, pointAlong(path, at)).distance;
      const [a, b] = [off(2), off(pathLength(path) - 2)].sort((x, y) => x - y) as [number, number];
      expect(a).toBeLessThan(0.5);
      expect(b).toBeCloseTo(5, 2);
    }
    const doc = (UNLIKE['skirt with a zip in its side'] as () => ProjectDocument)();
    // On the fold there is no seam for a zip: told, and never left out without a word.
    doc.decisions.lining.zip.at = 'centre-back';
    expect(compute(doc).findings.map((f) => f.code)).toContain('zip-without-seam');
  });

  test('a facing in parts is cut at every seam of its panels, as wide there on both sides', () => {
    for (const name of ['coat with a waist seam and godets', 'shirt with a yoke in front']) {
      const doc = (UNLIKE[name] as () => ProjectDocument)();
      doc.decisions.facing.over = 'parts';
      const [parts, one] = [compute(doc), made(name)];
      const facings = (c: Computed): number => c.inside.filter((p) => p.material === 'facing').length;
      expect(facings(parts)).toBe(facings(one) + 1);
      expect(parts.findings.filter((f) => f.severity === 'stop')).toEqual([]);
      const across = parts.seams.filter((s) => s.code === 'facing-across');
      expect(across.map((s) => s.verdict)).toEqual(['matches']);
      expect(across[0]?.lengthAMm).toBeCloseTo(doc.decisions.facing.front, 0);
    }
  });

  test('a raglan jacket with hood and ribs closed by a zip: its strip runs on into both', () => {
    const doc = (UNLIKE['raglan jacket with hood and ribs'] as () => ProjectDocument)();
    doc.decisions.making.methods = { front: 'zip' };
    doc.decisions.interfacing.zip = 25;
    const c = compute(doc);
    const edge = length(c.shell.find((p) => p.kind === 'front') as Piece, 'front-edge');
    const strip = find(c, 'zip-interfacing');
    // 50 into the hood, and all the depth of the rib.
    expect(ringAreaOf(strip.ring)).toBeCloseTo((edge + 50 + doc.decisions.lining.hem.ribDepth) * 25, 0);
    expect(strip.cut.count).toBe(2);
  });

  test('a closing line runs from the neck over yoke and lower front, over bodice and skirt', () => {
    const buttonsOn = (name: string): string[] => {
      const { closure } = made(name);
      if (!closure?.ok) throw new Error('does not close');
      return [...new Set(closure.value.buttons.map((b) => b.on?.piece ?? 'none'))];
    };
    // Front and skirt front of the coat; yoke and lower front of the shirt.
    expect(buttonsOn('coat with a waist seam and godets')).toEqual(['p1', 'p4']);
    expect(buttonsOn('shirt with a yoke in front')).toEqual(['p1', 'p2']);
  });

  test('a seam that gives shape is never closed up in the lining: told with how far its sides part, and kept', () => {
    const doc = (UNLIKE['waistcoat of shoulder-princess panels'] as () => ProjectDocument)();
    const front = doc.shell?.pieces[0];
    const edge = front?.ring.find((e) => e.role === 'panel-seam')?.id ?? '';
    doc.decisions.lining.inOne = [{ piece: front?.id ?? '', edge }];
    // As drawn both sides of the seam are one curve; over a bust the side panel's is rounder.
    const [side] = (doc.shell?.pieces ?? []).filter((p) => p.kind === 'front-side');
    const seam = side?.ring.find((e) => e.role === 'panel-seam');
    if (seam) seam.path = seam.path.map((s) => (s.k === 'C' ? { ...s, c: { ...s.c, x: s.c.x - 25 } } : s));
    doc.decisions.facing.shoulder = 35;
    const c = compute(doc);
    expect(c.inside.map((p) => p.id)).toEqual(expect.arrayContaining(['front-lining', 'front-side-lining']));
    const [told] = c.findings.filter((f) => f.code === 'closed-up-bent');
    expect(told?.data?.misfit).toBeGreaterThan(3);
    doc.decisions.lining.inOne = [{ piece: 'gone', edge: 'e1' }];
    expect(compute(doc).findings.map((f) => f.code)).toContain('closed-up-not');
  });

  test('trousers lined to the knee: the lining ends as far above the hem as was said', () => {
    const c = made('trousers lined to the knee');
    const side = (id: string): number => length(find(c, id), 'side');
    // 420 above the hem, 10 + 15 turned up below it: the pattern of it is cut 395 + 40 shorter than the leg's cut edge.
    const seam = side('p1') - side('trouser-front-lining');
    expect(seam).toBeGreaterThan(385);
    expect(seam).toBeLessThan(425);
  });

  // Common practice: fronts lined with themselves and a back that is faced.
  test.each(['raglan coat', 'jacket of front, side panel and back', 'waistcoat of shoulder-princess panels'])(
    '%s with fronts cut double: each front again, no facing there, the back faced and not lined',
    (name) => {
      const doc = (UNLIKE[name] as () => ProjectDocument)();
      Object.assign(doc.decisions.lining, { fronts: 'double', smaller: 0, pleat: 0 });
      doc.decisions.lining.hem.kind = 'edge';
      const c = compute(doc);
      expect(c.findings.filter((f) => f.severity === 'stop')).toEqual([]);
      expect(c.inside.some((p) => p.id === 'front-facing')).toBe(false);
      const front = find(c, 'front-lining');
      expect(front.name).toContain('second layer');
      const shell = c.shell.find((p) => p.id === front.parent) as Piece;
      expect(ringAreaOf(front.ring) / ringAreaOf(shell.ring)).toBeCloseTo(1, 6);
      expect(find(c, 'back-facing').ring.some((e) => e.role === 'facing-line')).toBe(true);
      expect(c.inside.some((p) => p.id === 'back-lining')).toBe(false);
      const off = c.seams.filter((s) => s.group !== 'shell' && s.verdict.startsWith('a-too') && s.easeOf !== 'flare');
      expect(off.map((s) => [s.id, s.differenceMm])).toEqual([]);
      const faults = proofOf(c).filter((k) => k.code !== 'hem' && k.code !== 'seams');
      expect(faults.flatMap((k) => k.faults.map((f) => [k.code, f]))).toEqual([]);
      expect(c.seams.some((s) => s.id === 'closing-front-edge')).toBe(true);
      // A lining joined at the hem would be turned after the sides that catch the second layer: refused, never called proved.
      const plan = planOf(doc, c);
      expect(!plan.ok && plan.findings.map((f) => f.code)).toEqual(['plan-fronts-double']);
    },
  );
});
