import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { oval } from '../../test/cutin.ts';
import { runs } from '../../test/runs.ts';
import { sleevePiece } from '../../test/sleeves.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { type Computed, compute } from '../document/compute.ts';
import { type Decisions, type ProjectDocument } from '../document/project.ts';
import { proofOf } from '../document/proof/index.ts';
import { loopsCounted, loopsOf, partsOf } from '../garment/index.ts';
import { type Path, pathLength, signedArea } from '../geometry/index.ts';
import { sheetsFor } from '../output/index.ts';
import { cutRings, outlineOf, type Piece, ringAreaOf, ringPerimeter, ringsOf, sayOpening } from '../pattern/index.ts';

const mm = (min: number, max: number) => fc.integer({ min, max });
const NAME = 'cover-up with armholes cut in';
/** The cover-up with another line in place of its armhole, and other choices. */
function coverUp(path: Path | null, change: (d: Decisions, doc: ProjectDocument) => void = () => undefined) {
  const doc = (UNLIKE[NAME] as () => ProjectDocument)();
  const [line] = doc.shell?.pieces[0]?.lines ?? [];
  if (line && path) line.path = path;
  change(doc.decisions, doc);
  return doc;
}
const find = (c: Computed, id: string): Piece => {
  const found = c.pieces.find((p) => p.id === id);
  if (!found) throw new Error(`no ${id} among ${c.pieces.map((p) => p.id)}`);
  return found;
};
const opening = (p: Piece): Piece['ring'] => p.openings?.[0] ?? [];
const codes = (doc: ProjectDocument): string[] => compute(doc).findings.map((f) => f.code);
const net = (p: Piece): number => signedArea(ringsOf(p).flatMap(outlineOf));
const faults = (c: Computed) =>
  proofOf(c)
    .filter((k) => k.code !== 'hem')
    .flatMap((k) => k.faults.map((f) => [k.code, f]));

describe('an armhole cut into a piece', () => {
  // Steiner's formulas for a convex figure of area A and perimeter P: its parallel at distance r has A + P·r + π·r² and P + 2π·r.
  test('its facing is a ring as wide all round, cut for both sides; interfaced, and every edge walked', () => {
    fc.assert(
      fc.property(mm(55, 90), mm(80, 130), mm(25, 60), mm(0, 3), (wide, high, width, turn) => {
        const path = oval(260, 240, wide, high);
        const [area, round] = [Math.abs(signedArea(path)), pathLength(path)];
        const c = compute(
          coverUp(path, (d) => Object.assign(d.facing, { turn, bands: { ...d.facing.bands, armhole: width } })),
        );
        const facing = find(c, 'back-opening-1-facing');
        expect(facing.cut).toEqual({ count: 2, pair: true, onFold: false });
        const parallel = (r: number): number => area + round * r + Math.PI * r * r;
        expect(ringAreaOf(facing.ring) / parallel(width)).toBeCloseTo(1, 4);
        expect(ringPerimeter(facing.ring)).toBeCloseTo(round + 2 * Math.PI * width, 0);
        expect(ringAreaOf(opening(facing)) / parallel(turn)).toBeCloseTo(1, 4);
        // 3 mm inside both edges: common practice.
        const under = find(c, 'back-opening-1-facing-interfacing');
        expect(net(under) / (parallel(width - 3) - parallel(turn + 3))).toBeCloseTo(1, 2);
        expect(under.cut.count).toBe(2);
        expect(find(c, 'p1').openings).toHaveLength(1);
        expect(net(find(c, 'p1'))).toBeCloseTo(620 * 720 - area, 3);
        const own = c.seams.find((s) => s.id === 'closing-back-opening-1-facing-opening-1');
        expect(own?.differenceMm).toBeCloseTo(2 * Math.PI * turn, 0);
        expect(c.seams.filter((s) => /too/.test(s.verdict))).toEqual([]);
        expect(faults(c)).toEqual([]);
        expect(loopsOf(c.surface)).toHaveLength(3);
        expect(loopsCounted(c.surface)).toBe(3);
        expect(partsOf(c.surface)).toEqual([{ panels: ['p1'], loops: 3, handles: 0 }]);
      }),
      runs(12),
    );
  });

  test('is cut an allowance inside its seam line; where cut lines are drawn the seam lies farther in the cloth', () => {
    const path = oval(260, 240, 80, 110);
    const [area, round] = [Math.abs(signedArea(path)), pathLength(path)];
    const apart = (r: number): number => area + round * r + Math.PI * r * r;
    const cutArea = (c: Computed): number => -signedArea(cutRings(c.cutLines.get('p1') as never)[1] ?? []);
    const sewn = compute(coverUp(path));
    expect(cutArea(sewn) / (area - round * 15 + Math.PI * 225)).toBeCloseTo(1, 3);
    const cut = compute(coverUp(path, (_, doc) => doc.shell && Object.assign(doc.shell, { lines: 'cut' })));
    expect(cutArea(cut)).toBeCloseTo(area, 6);
    expect(ringAreaOf(opening(find(cut, 'p1'))) / apart(15)).toBeCloseTo(1, 4);
    // On paper it is a second line to cut along.
    const [sheet] = sheetsFor(sewn, ['p1'], false);
    expect(sheet?.items.filter((i) => i.kind === 'path' && i.stroke === 'cut')).toHaveLength(2);
  });

  test('lined, the lining has it where the shell has it; round a neck it begins at the facing', () => {
    const lined = (role: 'armhole' | 'neckline') =>
      compute(
        coverUp(oval(250, 350, 70, 115), (d, doc) => {
          d.lining.on = true;
          Object.assign(doc.shell?.pieces[0]?.lines[0] ?? {}, { role });
        }),
      );
    const arm = lined('armhole');
    expect(arm.inside.some((p) => p.id.includes('opening'))).toBe(false);
    expect(ringPerimeter(opening(find(arm, 'back-lining')))).toBeCloseTo(ringPerimeter(opening(find(arm, 'p1'))), 6);
    const neck = lined('neckline');
    expect(ringPerimeter(opening(find(neck, 'back-lining')))).toBeCloseTo(
      ringPerimeter(find(neck, 'back-opening-1-facing').ring),
      6,
    );
    for (const c of [arm, neck]) {
      expect(c.seams.filter((s) => /too/.test(s.verdict))).toEqual([]);
      expect(c.seams.filter((s) => s.id.includes('opening')).length).toBe(c === arm ? 1 : 2);
      expect(faults(c)).toEqual([]);
    }
  });

  test('can be bound: the strip is as long as the armhole, less a share and more its ends', () => {
    const bound = compute(coverUp(null, (d) => Object.assign(d.facing.bias, { armhole: true })));
    expect(bound.inside.some((p) => p.id.includes('opening'))).toBe(false);
    const strip = find(bound, 'armhole-bias');
    expect(strip.cut.count).toBe(2);
    const edge = strip.reasons.find((r) => r.rule === 'bias-length')?.inputs?.edge;
    expect(edge).toBeCloseTo(ringPerimeter(opening(find(bound, 'p1'))), 6);
  });

  test('takes a sleeve: its cap is sewn all round it, and the linings to each other', () => {
    const doc = coverUp(null, (d, whole) => {
      d.lining.on = true;
      whole.shell?.pieces.push({ ...sleevePiece(250, -60), id: 'p9' });
    });
    const c = compute(doc);
    const cap = c.surface.joins.filter((j) => j.code === 'cap');
    expect(cap).toHaveLength(2);
    expect(cap[0]?.b.map((e) => e.edge)).toEqual(['o1']);
    expect(c.seams.find((s) => s.code === 'lining-cap')?.b.map((x) => x.piece)).toEqual(['back-lining']);
  });
});

describe('a closed line inside a piece', () => {
  test('is asked about until it is said what it is, and cut out only then', () => {
    const unsaid = coverUp(null, (_, doc) => {
      const [p] = doc.shell?.pieces ?? [];
      if (p) p.lines = p.lines.map(({ path }) => ({ kind: 'placement', path }));
    });
    expect(codes(unsaid)).toContain('cut-in');
    expect(find(compute(unsaid), 'p1').openings).toBeUndefined();
    const [p] = unsaid.shell?.pieces ?? [];
    if (!p || !unsaid.shell) throw new Error('no piece');
    const said = (role: 'armhole' | 'pocket') =>
      ({ ...unsaid, shell: { ...unsaid.shell, pieces: [sayOpening(p, 0, role)] } }) as ProjectDocument;
    expect(codes(said('pocket'))).not.toContain('cut-in');
    expect(find(compute(said('pocket')), 'p1').openings).toBeUndefined();
    expect(codes(said('armhole'))).not.toContain('cut-in');
    expect(find(compute(said('armhole')), 'p1').openings).toHaveLength(1);
  });

  test('that no opening can be is left out and told', () => {
    expect(codes(coverUp(oval(40, 240, 70, 110)))).toContain('opening-crosses');
    expect(codes(coverUp(oval(900, 240, 70, 110)))).toContain('opening-crosses');
    expect(codes(coverUp(oval(260, 240, 18, 110)))).toContain('opening-small');
    const twice = coverUp(null, (_, doc) =>
      doc.shell?.pieces[0]?.lines.push({ kind: 'opening', role: 'cut-out', path: oval(250, 210, 40, 40) }),
    );
    expect(codes(twice)).toContain('opening-crosses');
    expect(find(compute(twice), 'p1').openings).toHaveLength(1);
  });

  test('faced wider than there is room for it is refused with the width there is, to the millimetre', () => {
    // 100 from the fold to the opening's edge.
    const wide = (armhole: number) =>
      compute(coverUp(oval(170, 240, 70, 110), (d) => Object.assign(d.facing.bands, { armhole }))).findings;
    const [told] = wide(120).filter((f) => f.code === 'band-too-wide');
    expect(told?.data?.most).toBe(100);
    expect(wide(100).map((f) => f.code)).not.toContain('band-too-wide');
  });

  test('that a facing’s edge goes through is told', () => {
    const doc = coverUp(oval(500, 240, 70, 110), (d) => Object.assign(d.facing, { front: 100 }));
    expect(codes(doc)).toContain('opening-across');
    // 60 from the neck, and 40 round an opening that begins 95 below it.
    expect(codes(coverUp(null))).toContain('facings-over');
    expect(codes(coverUp(oval(250, 230, 70, 115)))).not.toContain('facings-over');
  });
});
