import { curvatureAt } from '../geometry/index.ts';
import { outlineOf, type Piece } from '../pattern/index.ts';
import { type Bench } from './build.ts';
import { bag, hangFree, liningHem, wrists } from './hems.ts';
import { bagged } from './inside.ts';

/** Shell and inside joined along front edges and neck, then hems and wrists, turned and closed. */
export function joining(b: Bench): void {
  const edges = ['closing-front-edge', 'closing-neckline-front', 'closing-neckline-back'].filter((id) => b.seam(id));
  const neckSeams = b.ifMade(
    'press:shell-shoulder',
    'press:inside-facing-shoulder',
    'press:inside-lining-shoulder',
    'press:shell-cap',
    'press:inside-lining-cap',
    'press:inside-lining-side',
    'press:shell-side',
    'press-hem',
    'try-on',
    'neaten',
  );
  const facing = b.piece('front-facing');
  if (edges.length) {
    if (!bagged(b)) liningHem(b);
    sewEdge(b, edges, [...neckSeams, ...b.ifMade('lining-hem')], facing);
  }
  const held = b.ifMade('understitch');
  wrists(b, held);
  vent(b, held);
  if (bagged(b)) bag(b, held);
  else hangFree(b, held);
}

/** The lining to both sides of a vent, and across its top. */
function vent(b: Bench, held: string[]): void {
  const seams = ['closing-vent-over-back', 'closing-vent-under-back'].flatMap((id) => b.seam(id) ?? []);
  const sides = seams.flatMap((s) => [...s.a, ...s.b]);
  if (!seams.length) return;
  b.add({
    id: 'sew-vent',
    code: 'sew-vent',
    section: 'joining',
    station: 'machine',
    pieces: [...new Set(sides.map((s) => s.piece))],
    seams: seams.map((s) => s.id),
    needs: [
      ...held,
      ...b.ifMade(
        'press-vent',
        'press:inside-lining-centre-back-back',
        'press:inside-lining-side',
        'press-hem',
        'lining-hem',
      ),
    ],
    edges: [...new Set(sides.map((s) => `${s.piece}/${s.edge}`))],
    sides: 'right-together',
    allowance: b.g.decisions.lining.vent.liningSeam,
    stops: [{ code: 'stop-at-vent-top', mm: 0 }],
    cautions: ['pins'],
    data: { over: seams[0]?.lengthAMm ?? 0, under: seams[1]?.lengthAMm ?? 0 },
  });
}

function sewEdge(b: Bench, ids: string[], needs: string[], facing: Piece | undefined): void {
  const seams = b.withUnder(ids);
  const sides = seams.flatMap((s) => [...s.a, ...s.b]);
  const first = seams[0];
  b.add({
    id: 'sew-edge',
    code: 'sew-edge',
    section: 'joining',
    station: 'machine',
    pieces: [...new Set(sides.map((s) => s.piece))],
    seams: seams.map((s) => s.id),
    needs,
    edges: [...new Set(sides.map((s) => `${s.piece}/${s.edge}`)), ...b.edges(facing, 'hem')],
    sides: 'right-together',
    allowance: first ? b.allowanceOf(first) : 0,
    stops: facing ? [{ code: 'pivot-at-hem', mm: 0 }] : [],
    cautions: ['pins', 'thick-seam'],
    data: { length: ids.reduce((t, id) => t + (b.seam(id)?.lengthAMm ?? 0), 0) },
  });
  b.add({
    id: 'grade',
    code: 'grade-edge',
    section: 'joining',
    station: 'table',
    pieces: [],
    needs: ['sew-edge'],
    cautions: ['blades'],
    data: gradeFigures(b, first ? b.allowanceOf(first) : 15),
  });
  b.add({
    id: 'understitch',
    code: 'understitch',
    section: 'joining',
    station: 'machine',
    pieces: facing ? [facing.id, 'back-facing'] : [],
    needs: ['grade'],
    cautions: ['pins'],
  });
}

/** Steps of the grading and the spacing of clips round the tightest part of the neck: a quarter of its radius, 6–20 mm. */
function gradeFigures(b: Bench, allowance: number): Record<string, number> {
  const necks = [b.shell('front'), b.shell('back')].flatMap((p) =>
    p ? outlineOf(p.ring.filter((e) => e.role === 'neckline')) : [],
  );
  const tightest = Math.max(
    1e-6,
    ...necks.flatMap((s) => [0.1, 0.3, 0.5, 0.7, 0.9].map((t) => Math.abs(curvatureAt(s, t)))),
  );
  return {
    wide: Math.round(allowance * 0.66),
    narrow: Math.round(allowance * 0.4),
    radius: 1 / tightest,
    every: Math.min(20, Math.max(6, 0.25 / tightest)),
  };
}
