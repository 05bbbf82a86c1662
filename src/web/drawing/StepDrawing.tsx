import { useId } from 'react';
import { boxOf, directionAlong, pathLength, pointAlong } from '../../core/geometry/index.ts';
import { type Edge, outlineOf, type Piece } from '../../core/pattern/index.ts';
import { drawnAs, type Part, type PlanStep } from '../../core/plan/index.ts';
import { Hatches } from './Hatches.tsx';
import { PieceShape } from './PieceShape.tsx';

const HIGH = 150;
const MOST = 3;

interface Props {
  step: PlanStep;
  pieces: Piece[];
  /** Edges the step sews or finishes, as `piece/edge`. */
  lit: ReadonlySet<string>;
  parts: Part[];
}

/** The edges of a piece that a step sews one way rather than the other. */
const arrows = (p: Piece, step: PlanStep, parts: ReadonlyMap<string, Part>): { edge: Edge; along: 1 | -1 }[] =>
  p.ring.flatMap((edge) => {
    const way = step.directions.find((w) => drawnAs(w.edge, parts) === `${p.id}/${edge.id}`);
    return way ? [{ edge, along: way.along }] : [];
  });

/** Which way the stitching runs along an edge: an arrow inside it, halfway. */
function Arrow({ edge, along, unit }: { edge: Edge; along: 1 | -1; unit: number }) {
  const half = pathLength(edge.path) / 2;
  const [at, way] = [pointAlong(edge.path, half), directionAlong(edge.path, half)];
  const d = { x: way.x * along, y: way.y * along };
  // Outlines run clockwise on screen: inside is to the right of the way.
  const [x, y] = [at.x - 10 * unit * way.y, at.y + 10 * unit * way.x];
  const reach = Math.min(16 * unit, half * 0.7);
  const to = (ahead: number, aside: number): string =>
    `${x + d.x * ahead - d.y * aside} ${y + d.y * ahead + d.x * aside}`;
  const wing = 6 * unit;
  return (
    <path
      d={`M${to(-reach, 0)}L${to(reach, 0)}M${to(reach - wing, wing * 0.7)}L${to(reach, 0)}L${to(reach - wing, -wing * 0.7)}`}
      fill="none"
      stroke="var(--chakra-colors-ink)"
      strokeWidth={1.8 * unit}
    />
  );
}

/** The pieces of a step, small, with the edges it is about drawn heavily. */
export function StepDrawing({ step, pieces, lit, parts }: Props) {
  const hatch = useId();
  const byId = new Map(parts.map((p) => [p.id, p]));
  const ids = [...new Set(step.pieces.map((p) => byId.get(p)?.of ?? p))];
  const shown = ids
    .flatMap((id) => pieces.find((p) => p.id === id) ?? [])
    .filter((p) => p.ring.some((e) => lit.has(`${p.id}/${e.id}`)))
    .slice(0, MOST);
  if (!shown.length) return null;
  return (
    <figure style={{ margin: 0, display: 'flex', gap: 12, alignItems: 'flex-end' }}>
      {shown.map((p, i) => {
        const box = boxOf(outlineOf(p.ring));
        const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
        const unit = Math.max(h / HIGH, w / 150);
        const pad = 5 * unit;
        return (
          <div key={p.id} style={{ textAlign: 'center', fontSize: 14 }}>
            <svg
              viewBox={`${box.minX - pad} ${box.minY - pad} ${w + 2 * pad} ${h + 2 * pad}`}
              width={(w + 2 * pad) / unit}
              height={(h + 2 * pad) / unit}
              role="img"
              aria-label={`${p.name}, with the edge of this step drawn heavily${arrows(p, step, byId).length ? ', and an arrow along it the way it is sewn' : ''}`}
            >
              <Hatches name={`${hatch}${i}`} unit={unit} />
              <PieceShape piece={p} cut={undefined} unit={unit} hatch={`${hatch}${i}`} lit={lit} label={false} />
              {arrows(p, step, byId).map(({ edge, along }) => (
                <Arrow key={edge.id} edge={edge} along={along} unit={unit} />
              ))}
            </svg>
            <div>{p.name}</div>
          </div>
        );
      })}
    </figure>
  );
}
