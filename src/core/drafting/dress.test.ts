import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseDocument } from '../../contract/index.ts';
import { choreJacket, draftShirt, draftSvg, greenhouseCoat, pottingShirt, seedHallDress } from '../../demo/index.ts';
import { bodiceSides, pieceOf } from '../../test/parts.ts';
import { runs } from '../../test/runs.ts';
import { coatFigures, piecesOf, shellOf } from '../../test/shells.ts';
import { compute } from '../document/compute.ts';
import { type ProjectDocument, usualDecisions } from '../document/project.ts';
import { emptyDocument } from '../document/usual.ts';
import { nearestOn, type Path, pathLength, pointAlong, signedArea } from '../geometry/index.ts';
import { importSvg } from '../import/index.ts';
import { laidLine, outlineOf, type Piece, type Role, seamLineFromCut, takenOf, takesOf } from '../pattern/index.ts';
import { dartsIn, deriveInside, interfacingFor, WEIGHTS, type Weight } from './index.ts';
import { cutBack } from './lining/hem.ts';
import { joinYoke } from './shape/joinyoke.ts';

const of = (piece: Piece, role: Role): Path => piece.ring.filter((e) => e.role === role).flatMap((e) => e.path);
const fine = ['matches', 'ease-as-meant'];
const made = (doc: ReturnType<typeof seedHallDress>): ProjectDocument => {
  if (!doc.ok) throw new Error(JSON.stringify(doc.findings));
  return doc.value;
};

describe('the demo wardrobe', () => {
  test.each([
    ['coat', greenhouseCoat, ['Front facing', 'Left back lining, overlap', 'Right back lining, underlap']],
    ['jacket', choreJacket, ['Front facing', 'Back lining', 'Sleeve lining']],
    ['shirt', pottingShirt, ['Front facing', 'Collar interfacing', 'Collar stand interfacing', 'Cuff interfacing']],
    ['dress', seedHallDress, ['Front facing', 'Back neck facing', 'Back lining', 'Skirt back lining']],
  ] as const)('%s: every seam goes together, nothing is refused, no fault in the drafts', (_, make, names) => {
    const c = compute(made(make()));
    expect(c.seams.filter((s) => !fine.includes(s.verdict)).map((s) => [s.code, s.differenceMm])).toEqual([]);
    expect(c.findings.filter((f) => f.severity !== 'note').map((f) => f.code)).toEqual([]);
    expect(c.pieces.map((p) => p.name)).toEqual(expect.arrayContaining([...names]));
  });
});

describe('linings of a dress', () => {
  test('darts laid as soft pleats take out of the lining what the darts take out of the shell', () => {
    fc.assert(
      fc.property(
        bodiceSides,
        fc.integer({ min: 12, max: 40 }),
        fc.integer({ min: 80, max: 150 }),
        (sides, width, length) => {
          const bare = pieceOf('front', sides);
          const waist = bare.ring.find((e) => e.role === 'waist') as Piece['ring'][number];
          const line = laidLine(waist, { kind: 'dart', at: pathLength(waist.path) / 2, width, length });
          if (!line.ok) throw new Error('off its edge');
          const shell = { ...bare, lines: [line.value] };
          const sewn = dartsIn(shell, shell.ring, 'sewn');
          const pleats = dartsIn(shell, shell.ring, 'pleats');
          expect([sewn.map((l) => l.kind), pleats.map((l) => l.kind)]).toEqual([['dart'], ['pleat']]);
          for (const lines of [sewn, pleats])
            expect(takenOf({ ring: shell.ring, lines }).get(waist.id)).toBeCloseTo(width, 3);
          // A soft pleat is held 30 mm down and opens above.
          expect(pathLength(pleats[0]?.path.slice(0, 1) ?? [])).toBeCloseTo(30, 6);
          expect(takesOf({ ring: shell.ring, lines: pleats })[0]?.apex).toBeNull();
        },
      ),
      runs(40),
    );
  });

  test('without sleeves the armhole of the lining lies 3 mm inside the shell, and no underarm is raised', () => {
    fc.assert(
      fc.property(coatFigures, fc.constantFrom(2, 3, 5), (figures, smaller) => {
        const shell = piecesOf({ ...emptyDocument('Vest', 'coat'), shell: shellOf(figures) }).filter(
          (p) => p.kind !== 'sleeve',
        );
        const d = usualDecisions();
        d.lining.smaller = smaller;
        const { pieces, seamsBetween } = deriveInside(shell, d);
        const seams = seamsBetween([]);
        for (const kind of ['front', 'back'] as const) {
          const lining = pieces.find((p) => p.id === `${kind}-lining`);
          const outer = of(shell.find((p) => p.kind === kind) as Piece, 'armhole');
          const own = of(lining as Piece, 'armhole');
          for (const k of [0.2, 0.4, 0.6, 0.8])
            expect(nearestOn(outer, pointAlong(own, pathLength(own) * k)).distance).toBeCloseTo(smaller, 1);
          expect(lining?.reasons.map((r) => r.rule)).toContain('armhole-smaller');
          expect(lining?.reasons.map((r) => r.rule)).not.toContain('raise');
        }
        expect(seams.map((s) => s.code)).toEqual(expect.arrayContaining(['armhole-front', 'armhole-back']));
      }),
      runs(25),
    );
  });

  // Worked checks of the trade: A 1", s 1/2" + 1/2" → 1"; A 15, 10 + 10 → 10; A = s1 = s2 → 0 (common practice, derived).
  test.each([
    [25.4, 12.7, 12.7, 25.4],
    [15, 10, 10, 10],
    [15, 15, 15, 0],
  ])('beside a zip with allowance %p and seams %p and %p the lining is cut back %p', (a, s1, s2, back) => {
    expect(cutBack(a, s1, s2)).toBeCloseTo(back, 9);
    const doc = made(seedHallDress());
    const shellDoc = doc.shell;
    if (!shellDoc) throw new Error('no shell');
    for (const p of shellDoc.pieces)
      p.ring = p.ring.map((e) => (e.role === 'centre-back' ? { ...e, allowance: a } : e));
    Object.assign(doc.decisions.lining.zip, { length: 300, shellSeam: s1, liningSeam: s2 });
    const c = compute(doc);
    const shell = c.shell.find((p) => p.kind === 'back') as Piece;
    const lining = c.inside.find((p) => p.id === 'back-lining') as Piece;
    const [lower, edge] = lining.ring.filter((e) => e.role === 'centre-back') as Piece['ring'];
    if (!lower || !edge) throw new Error('not parted at the end of the zip');
    expect([lower.allowance, edge.allowance]).toEqual([a, s2]);
    // 150 mm below the neck: the cut edge of the lining against the cut edge of the shell.
    const shellEdge = of(shell, 'centre-back');
    const at = pointAlong(shellEdge, pathLength(shellEdge) - 150);
    const inside = nearestOn(edge.path, at).distance;
    expect(a + inside - s2).toBeCloseTo(back, 6);
    // Below the zip it is the seam again.
    const low = pointAlong(shellEdge, 5);
    expect(nearestOn(lower.path, low).distance).toBeLessThan(0.01);
    expect(c.seams.filter((s) => !fine.includes(s.verdict))).toEqual([]);
  });

  test('a zip longer than the bodice runs on into the skirt', () => {
    const doc = made(seedHallDress());
    const depth = (length: number): number => {
      doc.decisions.lining.zip.length = length;
      const c = compute(doc);
      const lining = c.inside.find((p) => p.id === 'skirt-back-lining') as Piece;
      const edge = of(lining, 'centre-back');
      const rim = of(c.shell.find((p) => p.kind === 'skirt-back') as Piece, 'centre-back');
      const samples = Array.from({ length: 200 }, (_, i) => pointAlong(edge, (pathLength(edge) * i) / 199));
      return (samples.filter((q) => nearestOn(rim, q).distance > 4.9).length / 200) * pathLength(edge);
    };
    const bodice = pathLength(of(compute(doc).shell.find((p) => p.kind === 'back') as Piece, 'centre-back'));
    expect(depth(bodice - 40)).toBe(0);
    expect(depth(bodice + 120)).toBeGreaterThan(110);
    expect(depth(bodice + 120)).toBeLessThan(130);
  });
});

describe('a yoke taken into the lining', () => {
  test('yoke and back together are the back they were parted from, without the pleat', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const read = importSvg(draftSvg(draftShirt({ ...figures, shoulderEase: 0 }), figures.extension));
        if (!read.ok) throw new Error(JSON.stringify(read.findings));
        const shell = { fileName: 'shirt.svg', lines: 'seam' as const, pieces: read.value.pieces };
        const pieces = piecesOf({ ...emptyDocument('Shirt', 'shirt'), shell });
        const find = (kind: Piece['kind']): Piece => pieces.find((p) => p.kind === kind) as Piece;
        const whole = joinYoke(find('back'), find('yoke'));
        const plain = piecesOf({ ...emptyDocument('Coat', 'coat'), shell: shellOf({ ...figures, shoulderEase: 0 }) });
        const back = plain.find((p) => p.kind === 'back') as Piece;
        if (!whole) throw new Error('not taken in');
        const area = (p: Piece): number => Math.abs(signedArea(outlineOf(p.ring)));
        expect(area(whole) / area(back)).toBeCloseTo(1, 4);
        for (const role of ['neckline', 'shoulder', 'armhole', 'side', 'hem', 'centre-back'] as const)
          expect([role, pathLength(of(whole, role))]).toEqual([role, expect.closeTo(pathLength(of(back, role)), 1)]);
      }),
      runs(25),
    );
  });

  test('a lined shirt: the lining has no yoke seam, and every seam still goes together', () => {
    const doc = made(pottingShirt());
    doc.decisions.lining.on = true;
    doc.decisions.allowances.hem = 40;
    const c = compute(doc);
    const lining = c.inside.find((p) => p.id === 'back-lining');
    expect(lining?.ring.some((e) => e.role === 'yoke-seam')).toBe(false);
    expect(lining?.ring.some((e) => e.role === 'shoulder')).toBe(true);
    expect(c.seams.filter((s) => !fine.includes(s.verdict)).map((s) => [s.code, s.differenceMm])).toEqual([]);
  });
});

describe('more interfacing', () => {
  test('the usual set for a cloth: none where it shows, more the heavier it is, always a project that can be saved', () => {
    const doc = made(greenhouseCoat());
    const count = (weight: Weight): number => {
      Object.assign(doc.decisions.interfacing, interfacingFor(weight));
      expect(parseDocument(doc).ok).toBe(true);
      return compute(doc).inside.filter((p) => p.material === 'interfacing').length;
    };
    const [sheer, light, medium, heavy] = WEIGHTS.map(count) as [number, number, number, number];
    // Two facings and the front edge, in light cloth patches behind the holes, in heavy cloth a strip for each of three
    // hems and the stay.
    expect([sheer, light, medium, heavy]).toEqual([0, 4, 3, 7]);
  });

  test('collar, stand and cuff end 3 mm inside their seams; hem strips are hem and 15 wide, on the bias', () => {
    const doc = made(pottingShirt());
    doc.decisions.interfacing.hems = 15;
    doc.decisions.interfacing.stay = 180;
    const c = compute(doc);
    for (const kind of ['collar', 'stand', 'cuff'] as const) {
      const shell = c.shell.find((p) => p.kind === kind) as Piece;
      const own = c.inside.find((p) => p.id === `${shell.id}-interfacing`) as Piece;
      const inset = shell.ring.map((e) => ({ ...e, allowance: 3 }));
      const want = Math.abs(signedArea(outlineOf(seamLineFromCut(inset))));
      expect(Math.abs(signedArea(outlineOf(own.ring)))).toBeCloseTo(want, 3);
      expect(own.cut).toEqual(shell.cut);
    }
    const front = c.shell.find((p) => p.kind === 'front') as Piece;
    const strip = c.inside.find((p) => p.id === `${front.id}-hem-interfacing`) as Piece;
    const [long, wide] = [pathLength(strip.ring[0]?.path ?? []), pathLength(strip.ring[1]?.path ?? [])];
    expect([long, wide]).toEqual([expect.closeTo(pathLength(of(front, 'hem')), 6), 20 + 15]);
    const { a, b } = strip.grain;
    expect(Math.abs((b.y - a.y) / (b.x - a.x))).toBeCloseTo(1, 9);
    const stay = c.inside.find((p) => p.id === 'back-stay-interfacing');
    expect(pathLength(of(stay as Piece, 'centre-back'))).toBeCloseTo(180 - 3, 0);
    expect(c.findings).toEqual([]);
  });
});
