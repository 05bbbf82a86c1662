import { type EdgeSaid, type JoinSaid } from '../document/project.ts';

/** The same edge of the pattern, on whichever half of the body. */
const same = (x: EdgeSaid, y: EdgeSaid): boolean => x.piece === y.piece && x.edge === y.edge;
const speaksOf = (j: JoinSaid, e: EdgeSaid): boolean => same(j.a, e) || (j.b !== null && same(j.b, e));

/** Whether anything was said of an edge. */
export const isSaid = (joins: JoinSaid[], e: EdgeSaid): boolean => joins.some((j) => speaksOf(j, e));

/** What was said of joins without what was said of an edge: it is suggested again. */
export const unsaid = (joins: JoinSaid[], e: EdgeSaid): JoinSaid[] => joins.filter((j) => !speaksOf(j, e));

/** An edge said to be sewn to another, or to stay open (null), in place of whatever was said of either. */
export function saidJoin(joins: JoinSaid[], a: EdgeSaid, b: EdgeSaid | null): JoinSaid[] {
  const rest = unsaid(b ? unsaid(joins, b) : joins, a);
  const most = Math.max(0, ...joins.map((j) => Number(j.id.slice(1)) || 0));
  const plain = ({ piece, edge, mirrored }: EdgeSaid): EdgeSaid => ({ piece, edge, mirrored });
  return [...rest, { id: `j${most + 1}`, a: plain(a), b: b && plain(b) }];
}
