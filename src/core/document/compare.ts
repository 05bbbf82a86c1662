import { ringAreaOf, ringPerimeter } from '../pattern/index.ts';
import { type Computed } from './compute.ts';

/** How one derived piece differs between two choices: areas in mm², lengths of the outline in mm; null where it is missing. */
export interface PieceDifference {
  id: string;
  name: string;
  before: { area: number; outline: number } | null;
  now: { area: number; outline: number } | null;
}

const figures = (ring: Computed['inside'][number]['ring']) => ({
  area: ringAreaOf(ring),
  outline: ringPerimeter(ring),
});

/** Differences smaller than this are none: mm² and mm. */
const NONE = { area: 1, outline: 0.05 };

/** Pieces of the inside that are not the same after a change of choices, in the order they are drafted. */
export function compareInside(before: Computed, now: Computed): PieceDifference[] {
  const ids = [...new Set([...now.inside, ...before.inside].map((p) => p.id))];
  return ids.flatMap((id): PieceDifference[] => {
    const [a, b] = [before, now].map((c) => c.inside.find((p) => p.id === id));
    const [was, is] = [a ? figures(a.ring) : null, b ? figures(b.ring) : null];
    const same =
      was && is && Math.abs(was.area - is.area) < NONE.area && Math.abs(was.outline - is.outline) < NONE.outline;
    return same ? [] : [{ id, name: (b ?? a)?.name ?? id, before: was, now: is }];
  });
}
