import { useMemo } from 'react';
import { type Summary } from '../../../contract/index.ts';
import { compute } from '../../../core/document/compute.ts';
import { CLOSING_ONLY } from '../../../core/document/project.ts';
import { type ProjectAnswer } from '../../data/client.ts';
import { Spread } from '../../drawing/Spread.tsx';
import { whereStopped } from '../../words/progress.ts';
import { ShelfFront } from './ShelfFront.tsx';

const NO_CUT = new Map();

/** The front of a card once its project is there: worked out and drawn. Fetched after the shelf itself stands. */
export function ShelfCover({ project, data }: { project: Summary; data: ProjectAnswer }) {
  const computed = useMemo(() => compute(data.document), [data]);
  return (
    <ShelfFront
      name={project.name}
      where={whereStopped(data.document, computed)}
      picture={
        computed.shell.length ? (
          <div aria-hidden inert>
            <Spread pieces={computed.shell} cutLines={NO_CUT} units={data.document.units} height={165} label="" plain />
          </div>
        ) : project.garment === CLOSING_ONLY ? (
          'A closing, without a pattern'
        ) : (
          'No pattern in it yet'
        )
      }
    />
  );
}
