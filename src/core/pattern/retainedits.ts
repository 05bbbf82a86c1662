import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import { distance, dot, endOf, type Path, type Point, pathLength, startOf, sub, unit } from '../geometry/index.ts';
import { type Finding, warn } from '../result.ts';
import { type ClosedLine, closedLines, type OpeningRole, sayOpening } from './openings.ts';

/** Edges of a new size lie much like the old ones: mean unlikeness up to this counts as the same outline. */
const ALIKE = 0.35;

const chord = (p: Path): Point => unit(sub(endOf(p), startOf(p)));

/** How unlike two edges are: the angle between their chords, the change of their straightness and of their share. */
function unlike(a: ShellEdge, b: ShellEdge, wholeA: number, wholeB: number): number {
  const [la, lb] = [pathLength(a.path), pathLength(b.path)];
  const straight = (e: ShellEdge, l: number): number => distance(startOf(e.path), endOf(e.path)) / Math.max(1e-9, l);
  return (
    (1 - dot(chord(a.path), chord(b.path))) / 2 +
    Math.abs(straight(a, la) - straight(b, lb)) +
    Math.abs(Math.log(la / wholeA / (lb / wholeB))) * 0.3
  );
}

/** For each edge of `next` the edge of `old` it stands for, by the best turn of the ring; null when no turn fits. */
function matched(old: ShellEdge[], next: ShellEdge[]): ShellEdge[] | null {
  const n = next.length;
  if (old.length !== n) return null;
  const whole = (ring: ShellEdge[]): number => ring.reduce((s, e) => s + pathLength(e.path), 0);
  const [wholeOld, wholeNext] = [whole(old), whole(next)];
  let best = { turn: 0, cost: Number.POSITIVE_INFINITY };
  for (let turn = 0; turn < n; turn++) {
    const cost = next.reduce((s, e, i) => s + unlike(old[(i + turn) % n] as ShellEdge, e, wholeOld, wholeNext), 0) / n;
    if (cost < best.cost) best = { turn, cost };
  }
  return best.cost <= ALIKE ? next.map((_, i) => old[(i + best.turn) % n] as ShellEdge) : null;
}

/** What a hand has said of an edge goes on to the new one; what was only suggested is suggested anew. */
const keptEdge = (was: ShellEdge, now: ShellEdge): ShellEdge => ({
  ...now,
  ...(was.confidence === 1 && { role: was.role, confidence: 1 }),
  allowance: was.allowance ?? now.allowance,
  corner: was.corner ?? now.corner,
  onFold: was.onFold,
});

/** Darts, pleats and gathers of a piece: those laid by hand are not in the file of a new size. */
const laidBy = (p: ShellPiece): number =>
  p.lines.filter((l) => l.kind === 'dart' || l.kind === 'pleat' || l.kind === 'gather').length;

/** What was said of closed lines goes on to those of the new size, in the order they are drawn, where there are as many. */
function saidOfLines(was: ShellPiece, now: ShellPiece): ShellPiece {
  const [old, next] = [closedLines(was), closedLines(now)];
  if (old.length !== next.length) return now;
  return old.reduce((p, { line }, i) => {
    const role = line.role as OpeningRole | 'pocket' | undefined;
    return role ? sayOpening(p, (next[i] as ClosedLine).index, role) : p;
  }, now);
}

export interface Kept {
  pieces: ShellPiece[];
  /** How many pieces kept what was said of them. */
  kept: number;
  /** Where an edge of the pattern before is found now: by `piece/edge`. */
  edges: Map<string, { piece: string; edge: string }>;
  findings: Finding[];
}

/**
 * A pattern replaced by another size of it, or by a corrected file: pieces of the same name whose outline has the same edges
 * keep what was said of them by hand. Gives the new pieces, and how many kept it.
 */
export function retainEdits(old: ShellPiece[], next: ShellPiece[]): Kept {
  let kept = 0;
  const findings: Finding[] = [];
  const moved: Kept['edges'] = new Map();
  const pieces = next.map((p): ShellPiece => {
    const was = old.find((o) => o.name.toLowerCase() === p.name.toLowerCase());
    const edges = was && matched(was.ring, p.ring);
    if (!was || !edges) return p;
    kept += 1;
    p.ring.forEach((e, i) => {
      moved.set(`${was.id}/${edges[i]?.id}`, { piece: p.id, edge: e.id });
    });
    const ring = p.ring.map((e, i) => keptEdge(edges[i] as ShellEdge, e));
    const lost = laidBy(was) - laidBy(p);
    if (lost > 0) findings.push(warn('laid-lost', { piece: p.id }, { name: p.name, count: lost }));
    return saidOfLines(was, { ...p, kind: was.kind, count: was.count, ring });
  });
  if (kept) findings.unshift({ code: 'choices-kept', severity: 'note', data: { count: kept } });
  return { pieces, kept, edges: moved, findings };
}
