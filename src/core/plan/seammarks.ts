import { besideEdge, keyOf, partOf } from './garmentmodel.ts';
import { type GarmentModel, type Operation, type Part, type SeamMark } from './types.ts';

/** Stitching that ends this near to a point ends at it, mm: a point is drawn, and sewn to, by hand. Own figure. */
const AT = 5;

/** Where stitching ends along an edge before its ends, mm from its start; a seam's own direction is not known, so both ways. */
function endsAlong(o: Operation, joint: string, length: number): number[] {
  const inner = o.sews
    .filter((x) => x.joint === joint)
    .flatMap((x) => [x.from, x.to])
    .filter((t) => t > 1e-6 && t < 1 - 1e-6);
  return inner.flatMap((t) => [t * length, (1 - t) * length]);
}

/** The points a step comes by, measured from the nearer end of their edge, and whether its stitching ends there. */
export function seamMarks(o: Operation, making: GarmentModel, parts: ReadonlyMap<string, Part>): SeamMark[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  return [...new Set(o.sews.map((x) => x.joint))].flatMap((id): SeamMark[] => {
    const j = joints.get(id);
    return [j?.a ?? [], j?.b ?? []].flatMap((keys) =>
      // Over several edges in a row a share of the whole tells nothing of one of them.
      keys.flatMap((key) => marksOf(key, parts, keys.length > 1 ? null : (length) => endsAlong(o, id, length))),
    );
  });
}

function marksOf(
  key: string,
  parts: ReadonlyMap<string, Part>,
  endsOn: ((length: number) => number[]) | null,
): SeamMark[] {
  const [before, behind] = besideEdge(parts, key);
  const edge = parts.get(partOf(key))?.ring.find((e) => keyOf(partOf(key), e.id) === key);
  if (!edge?.marks || !before || !behind) return [];
  const ends = endsOn?.(edge.length) ?? [];
  return edge.marks.map(({ turns, at }): SeamMark => {
    const first = at <= edge.length / 2;
    const meets = ends.length ? ends.some((e) => Math.abs(e - at) <= AT) : null;
    return { edge: key, turns, far: first ? at : edge.length - at, from: (first ? before : behind).role, meets };
  });
}
