import { type Role } from '../pattern/index.ts';
import { besideEdge, drawnAs, keyOf, partOf } from './garmentmodel.ts';
import { type Direction, type GarmentModel, type Joint, type Operation, type Part } from './types.ts';

const NOWHERE: ReadonlySet<Role> = new Set<Role>(['plain']);

/** Between which edges an edge runs, in the direction it is sewn. */
function ends(parts: ReadonlyMap<string, Part>, edge: string, along: 1 | -1): Direction | null {
  const [before, behind] = besideEdge(parts, edge);
  if (!before || !behind || before.role === behind.role) return null;
  // Over a fold it runs on, and down again on the other half.
  if (before.onFold || behind.onFold) return null;
  if (NOWHERE.has(before.role) || NOWHERE.has(behind.role)) return null;
  const [from, to] = along > 0 ? [before.role, behind.role] : [behind.role, before.role];
  return { edge, along, from, to };
}

/** How many edges of the pattern one side of a seam runs along. */
const edgesAlong = (parts: ReadonlyMap<string, Part>, keys: string[]): number =>
  new Set(keys.map((k) => drawnAs(k, parts))).size;

/** Which way a seam is sewn: as its most slanted edge lies; both layers, left and right alike. None where it runs over several pieces. */
function ofJoint(parts: ReadonlyMap<string, Part>, j: Joint): Direction[] {
  if (edgesAlong(parts, j.a) > 1 || edgesAlong(parts, j.b) > 1) return [];
  const edges = [...j.a, ...j.b];
  const slant = (key: string): number => {
    const ring = parts.get(partOf(key))?.ring ?? [];
    return ring.find((e) => keyOf(partOf(key), e.id) === key)?.slant ?? 0;
  };
  const most = edges.reduce((best, key) => (Math.abs(slant(key)) > Math.abs(slant(best)) ? key : best), edges[0] ?? '');
  const lead = slant(most) && ends(parts, most, slant(most) > 0 ? 1 : -1);
  if (!lead) return [];
  return edges.flatMap((key): Direction[] => {
    const on = ends(parts, key, 1);
    if (on?.from === lead.from && on.to === lead.to) return [on];
    const back = ends(parts, key, -1);
    return back?.from === lead.from && back.to === lead.to ? [back] : [];
  });
}

/** Which way a step sews, where all it sews by machine runs one way; none where the grain does not tell, or it goes on over corners. */
export function directionsOf(o: Operation, making: GarmentModel, parts: ReadonlyMap<string, Part>): Direction[] {
  if (o.station !== 'machine' || !o.sews.length) return [];
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const share = (joint: string): number =>
    o.sews.filter((x) => x.joint === joint).reduce((t, x) => t + x.to - x.from, 0);
  const ways = o.sews.map(({ joint }) => {
    const j = joints.get(joint);
    // What is left to close of a seam is short: it is sewn as it lies.
    return j && !j.closing && share(joint) > 0.5 ? ofJoint(parts, j) : [];
  });
  const [first] = ways[0] ?? [];
  const alike = ways.every((w) => w[0]?.from === first?.from && w[0]?.to === first?.to);
  return first && alike ? ways.flat() : [];
}
