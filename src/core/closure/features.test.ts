import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pottingShirt } from '../../demo/index.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, piecesOf } from '../../test/shells.ts';
import { type ProjectDocument } from '../document/project.ts';
import { runLength } from '../drafting/index.ts';
import { line, type Point, pathLength, polyline } from '../geometry/index.ts';
import { type InternalLine, type Piece } from '../pattern/index.ts';
import { type ClosureChoice, deriveClosure, measuredOn } from './index.ts';

const mm = (min: number, max: number) => fc.integer({ min, max });
const shirt = (): ProjectDocument => {
  const r = pottingShirt();
  if (!r.ok) throw new Error();
  return r.value;
};

/** The coat's closing with more drawn on its front, and the front itself. */
function drawn(
  doc: ProjectDocument,
  lines: (front: Piece, top: Point) => InternalLine[],
  part: Partial<ClosureChoice> = {},
) {
  const pieces = piecesOf(doc);
  const front = pieces.find((p) => p.kind === 'front') as Piece;
  const centre = front.lines.find((l) => l.kind === 'centre-front')?.path[0];
  if (!centre) throw new Error('no centre front');
  const x = centre.a.x;
  const neck = Math.min(
    ...front.ring.filter((e) => e.role === 'neckline').flatMap((e) => e.path.map((s) => Math.max(s.a.y, s.b.y))),
  );
  const changed = { ...front, lines: [...front.lines, ...lines(front, { x, y: neck })] };
  const d = { ...doc.decisions, closure: { ...doc.decisions.closure, ...part } };
  const r = deriveClosure(
    pieces.map((p) => (p === front ? changed : p)),
    d,
  );
  if (!r.ok) throw new Error(JSON.stringify(r.findings));
  // The line's own top: the neck seam at centre front.
  return { c: r.value, top: r.value.line[0]?.a ?? { x, y: neck } };
}

describe('what the pieces say', () => {
  test('a pocket near the line: its edges stay clear, by half a button and 5 mm; one at the side is out of the way', () => {
    fc.assert(
      fc.property(coatFigures, mm(15, 110), mm(330, 430), mm(60, 120), (figures, away, from, high) => {
        const { c, top } = drawn(coatDocument(figures), (_, t) => {
          const [a, b] = [
            { x: t.x + away, y: t.y + from },
            { x: t.x + away + 90, y: t.y + from + high },
          ];
          return [{ kind: 'placement', path: polyline([a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }, a]) }];
        });
        const zones = c.problem.zones.filter((z) => z.code === 'pocket');
        if (away > 60) {
          expect(zones).toEqual([]);
          return;
        }
        const offset = top.y;
        const reach = c.choice.diameter / 2 + 5;
        const edges = zones.map((z) => (z.from + z.to) / 2 + offset).sort((a, b) => a - b);
        expect((edges[1] ?? 0) - (edges[0] ?? 0)).toBeCloseTo(high, 3);
        for (const z of zones) expect(z.to - z.from).toBeCloseTo(2 * reach, 9);
        for (const b of c.buttons)
          for (const z of zones) expect(b.at > z.from + 1e-6 && b.at < z.to - 1e-6).toBe(false);
      }),
      runs(25),
    );
  });

  test('the lowest button level with the pocket’s upper edge, where that is asked', () => {
    const { c, top } = drawn(
      coatDocument(),
      (_, t) => [{ kind: 'placement', path: [line({ x: t.x + 30, y: t.y + 400 }, { x: t.x + 150, y: t.y + 400 })] }],
      { pocketBottom: true, bottomGive: 0, count: 4 },
    );
    expect(top.y + (c.buttons[3]?.at ?? 0)).toBeCloseTo(c.line[0] ? top.y + (c.features.pockets[0]?.from ?? 0) : 0, 6);
    expect(c.findings.map((f) => f.code)).not.toContain('button-near-hem');
  });

  test('a roll line: the break point is where it meets the front edge, straight across on the centre line', () => {
    const doc = coatDocument();
    Object.assign(doc.decisions.facing, { kind: 'lapel', breakAt: 90 });
    const { c, top } = drawn(
      doc,
      (front, t) => {
        const edge = front.ring.find((e) => e.role === 'front-edge')?.path[0];
        const x = edge?.a.x ?? 0;
        return [{ kind: 'roll-line', path: [line({ x: t.x + 60, y: t.y - 40 }, { x, y: t.y + 300 })] }];
      },
      { breakTop: true, count: 3 },
    );
    expect(c.features.break).not.toBeNull();
    expect(c.buttons[0]?.at).toBeCloseTo(c.features.break ?? 0, 9);
    // The drawn line is heeded, not the figure of 90.
    expect(c.features.break ?? 0).toBeGreaterThan(200);
    expect(Number.isFinite(top.y)).toBe(true);
  });

  test('a bust level that was measured counts before the underarm’s', () => {
    const placed = (want: 'near' | 'no') =>
      drawn(coatDocument(), () => [], {
        count: 6,
        bust: { want, own: true, at: 260, body: 0, garment: 0 },
        bottom: 150,
      }).c;
    const off = (want: 'near' | 'no') => Math.min(...placed(want).buttons.map((b) => Math.abs(b.at - 260)));
    expect(placed('near').problem.levels.map((l) => l.at)).toEqual([260]);
    expect(placed('near').reasons.map((r) => r.rule)).not.toContain('bust-underarm');
    expect(off('near')).toBeLessThan(off('no'));
  });

  test('a button near the bust is never farther from it than without that wish', () => {
    fc.assert(
      fc.property(coatFigures, mm(4, 8), (figures, count) => {
        const off = (want: 'no' | 'near') => {
          const doc = coatDocument(figures);
          const { c } = drawn(doc, () => [], {
            count,
            bust: { want, own: false, at: 0, body: 0, garment: 0 },
            bottom: 150,
          });
          const at = c.features.bust?.at ?? 0;
          return Math.min(...c.buttons.map((b) => Math.abs(b.at - at)));
        };
        expect(off('near')).toBeLessThanOrEqual(off('no') + 1e-9);
      }),
      runs(15),
    );
  });
});

describe('small closings measured on the pieces', () => {
  test('a detachable collar: half the neckline on the seam line, centre back to centre front (common practice)', () => {
    const doc = shirt();
    const pieces = piecesOf(doc);
    const of = (kind: Piece['kind']) => runLength(pieces.find((p) => p.kind === kind)?.ring ?? [], 'neckline');
    const m = measuredOn(pieces, 'collar', 16);
    expect(m.shoulder).toBeCloseTo(of('yoke'), 6);
    // The front's neckline runs on past centre front by about its extension, 16 in the demo.
    expect(of('yoke') + of('front') - (m.length ?? 0)).toBeGreaterThan(15.9);
    expect(of('yoke') + of('front') - (m.length ?? 0)).toBeLessThan(20);
    expect(measuredOn(pieces, 'hood', 16)).toEqual(m);
  });

  test('a cuff as it is drawn; what the pattern does not have is left as usual', () => {
    const pieces = piecesOf(shirt());
    const cuff = pieces.find((p) => p.kind === 'cuff');
    const m = measuredOn(pieces, 'cuff', 16);
    expect(m.length).toBeCloseTo(Math.max(...(cuff?.ring ?? []).map((e) => pathLength(e.path))), 6);
    expect(m.width).toBeCloseTo(65, 3);
    expect(measuredOn(pieces, 'waistband', 16)).toEqual({});
    expect(measuredOn([], 'collar', 16)).toEqual({});
  });
});
