import { type Computed } from '../core/document/compute.ts';
import { type Box, pathLength } from '../core/geometry/index.ts';
import { pathData, ringsData } from '../core/output/index.ts';
import { allEdges, cutRings, type Figures, figuresOf, outlineOf, type Piece, ringsOf } from '../core/pattern/index.ts';

const boxAnswer = (b: Box) => ({ x: b.minX, y: b.minY, width: b.maxX - b.minX, height: b.maxY - b.minY, ...b });
const figures = (f: Figures) => ({ areaMm2: f.areaMm2, perimeterMm: f.perimeterMm, bbox: boxAnswer(f.bbox) });

/** A piece as the interface over HTTP answers it: figures on the seam line (net), and both lines as path data in mm. */
export function pieceAnswer(p: Piece, c: Pick<Computed, 'cutLines'>) {
  // Round the openings in it a line runs the other way: their area counts off.
  const rings = ringsOf(p).map(outlineOf);
  const seam = rings.flat();
  const cut = c.cutLines.get(p.id);
  return {
    id: p.id,
    name: p.name,
    kind: p.kind,
    material: p.material,
    ...figures(figuresOf(seam)),
    edges: allEdges(p).map((e) => ({
      id: e.id,
      role: e.role,
      lengthMm: pathLength(e.path),
      allowanceMm: e.allowance,
      corner: e.corner,
      onFold: e.onFold,
      from: e.from ?? null,
      d: pathData(e.path),
    })),
    seamLine: { ...figures(figuresOf(seam)), d: ringsData(rings) },
    cutLine: cut
      ? { ...figures(figuresOf(cutRings(cut).flat())), d: ringsData(cutRings(cut)), cleaned: cut.cleaned }
      : null,
    cut: p.cut,
    grain: p.grain,
    notches: p.notches,
    reasons: p.reasons,
    parent: p.parent ?? null,
  };
}

export const piecesAnswer = (c: Computed) => c.pieces.map((p) => pieceAnswer(p, c));

/** Every seam walked. `a` and `b` name their stretches; differenceMm is a − b. */
export const seamsAnswer = (c: Computed) => {
  const name = (id: string): string => c.pieces.find((p) => p.id === id)?.name ?? id;
  const side = (s: Computed['seams'][number]['a']): string => s.map((x) => `${name(x.piece)} · ${x.role}`).join(' + ');
  return c.seams.map((s) => ({
    id: s.id,
    name: s.code,
    group: s.group,
    a: side(s.a),
    b: side(s.b),
    aEdges: s.a,
    bEdges: s.b,
    lengthAMm: s.lengthAMm,
    lengthBMm: s.lengthBMm,
    differenceMm: s.differenceMm,
    easeMm: s.easeMm,
    easeRangeMm: s.ease,
    easeOf: s.easeOf ?? null,
    verdict: s.verdict,
  }));
};
