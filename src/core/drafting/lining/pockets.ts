import { endOf, line, startOf } from '../../geometry/index.ts';
import { type Edge } from '../../pattern/index.ts';

/**
 * The ring without pockets grown on to a seam: the seam runs straight on across them. The lining leaves them out unless they
 * are wanted (common practice). Edges in walk order; a ring that is all pocket stays as it is.
 */
export function withoutPockets(ring: Edge[]): Edge[] {
  const first = ring.findIndex(
    (e, i) => e.role !== 'pocket' && ring[(i + ring.length - 1) % ring.length]?.role !== 'pocket',
  );
  if (first < 0 || !ring.some((e) => e.role === 'pocket')) return ring;
  const turned = [...ring.slice(first), ...ring.slice(0, first)];
  const out: Edge[] = [];
  for (const e of turned) {
    if (e.role === 'pocket') continue;
    const before = out[out.length - 1];
    const gap = before && (endOf(before.path).x !== startOf(e.path).x || endOf(before.path).y !== startOf(e.path).y);
    if (before && gap) before.path = [...before.path, line(endOf(before.path), startOf(e.path))];
    out.push({ ...e });
  }
  // In the order it was walked before.
  const from = out.findIndex((e) => e.id === ring.find((x) => x.role !== 'pocket')?.id);
  return [...out.slice(from), ...out.slice(0, from)];
}
