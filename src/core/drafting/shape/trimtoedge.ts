import { crossings, extend, type Path, pathLength, stretch } from '../../geometry/index.ts';

/** Where the extended path first leaves through `edge`; `reach` is how far its ends are carried on. */
export function landing(path: Path, edge: Path, at: 'start' | 'end'): { onPath: number; onEdge: number } | null {
  const reach = 200;
  const long = at === 'start' ? extend(path, reach, 0) : extend(path, 0, reach);
  const found = crossings(long, edge);
  const own = at === 'start' ? reach : pathLength(path);
  const best = found.sort((x, y) => Math.abs(x.atA - own) - Math.abs(y.atA - own))[0];
  return best ? { onPath: best.atA - (at === 'start' ? reach : 0), onEdge: best.atB } : null;
}

/** The path cut or carried on so that it runs from `from` to `to` mm (negative or beyond its length: straight on). */
export function between(path: Path, from: number, to: number): Path {
  const before = Math.max(0, -from);
  const long = extend(path, before, Math.max(0, to - pathLength(path)));
  return stretch(long, from + before, to + before);
}
