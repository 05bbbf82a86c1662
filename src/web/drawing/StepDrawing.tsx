import { useId } from 'react';
import { boxOf } from '../../core/geometry/index.ts';
import { outlineOf, type Piece } from '../../core/pattern/index.ts';
import { type PlanStep } from '../../core/plan/index.ts';
import { Hatches } from './Hatches.tsx';
import { PieceShape } from './PieceShape.tsx';

const HIGH = 150;
const MOST = 3;

interface Props {
  step: PlanStep;
  pieces: Piece[];
  /** Edges the step sews or finishes, as `piece/edge`. */
  lit: ReadonlySet<string>;
}

/** The pieces of a step, small, with the edges it is about drawn heavily. */
export function StepDrawing({ step, pieces, lit }: Props) {
  const hatch = useId();
  const ids = [...new Set(step.pieces.map((p) => p.replace(/:(in|facing)$/, '')))];
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
          <div key={p.id} style={{ textAlign: 'center', fontSize: 13 }}>
            <svg
              viewBox={`${box.minX - pad} ${box.minY - pad} ${w + 2 * pad} ${h + 2 * pad}`}
              width={(w + 2 * pad) / unit}
              height={(h + 2 * pad) / unit}
              role="img"
              aria-label={`${p.name}, with the edge of this step drawn heavily`}
            >
              <Hatches name={`${hatch}${i}`} unit={unit} />
              <PieceShape piece={p} cut={undefined} unit={unit} hatch={`${hatch}${i}`} lit={lit} label={false} />
            </svg>
            <div>{p.name}</div>
          </div>
        );
      })}
    </figure>
  );
}
