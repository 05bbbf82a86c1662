import { type Plan, makePlan } from './assembly/index.ts';
import { type Closure, deriveClosure } from './closure/index.ts';
import { type Inside, deriveInside } from './inside/index.ts';
import { type CutLine, type Piece, type WalkedSeam, cutLine, shellPieces, shellSeams, walk } from './pattern/index.ts';
import { type ProjectDocument } from './project.ts';
import { type Finding, type Result } from './result.ts';
import { DERIVED_PASSES } from './tolerance.ts';

/** All consequences of a project's decisions. Nothing of it is ever stored. */
export interface Computed {
  shell: Piece[];
  inside: Piece[];
  /** Shell and derived together. */
  pieces: Piece[];
  cutLines: Map<string, CutLine>;
  seams: WalkedSeam[];
  hems: Inside['hems'];
  closure: Result<Closure> | null;
  findings: Finding[];
}

/** Pieces, cut lines, walked seams and closure of a project; pure, and fast enough to run while a slider moves. */
export function compute(doc: ProjectDocument): Computed {
  const d = doc.decisions;
  const base = doc.shell ? shellPieces(doc.shell, d.allowances) : { pieces: [], findings: [] };
  const shell = base.pieces;
  const inside = deriveInside(shell, d);
  const pieces = [...shell, ...inside.pieces];
  const cutLines = new Map(pieces.map((p) => [p.id, cutLine(p.ring)]));
  const shellWalked = walk(shellSeams(shell, doc.garment), shell);
  // Seams between two drafted pieces are held to the finer tolerance; those along the bought shell to the usual one.
  const insideWalked = inside.seams.flatMap((s) => walk([s], pieces, followsShell(s.code) ? undefined : DERIVED_PASSES));
  const closure = d.closure.on && shell.some((p) => p.kind === 'front') ? deriveClosure(shell, d) : null;
  return {
    shell,
    inside: inside.pieces,
    pieces,
    cutLines,
    seams: [...shellWalked, ...insideWalked],
    hems: inside.hems,
    closure,
    findings: [...base.findings, ...inside.findings, ...closureFindings(closure)],
  };
}

/** Lining seams whose two lengths come from the drawn shell and can be no better than it. */
const followsShell = (code: string): boolean => ['facing-shoulder', 'lining-shoulder', 'lining-side', 'lining-underarm'].includes(code);

const closureFindings = (c: Result<Closure> | null): Finding[] => (c ? (c.ok ? c.value.findings : c.findings) : []);

/** The making-up plan of what was computed. */
export function planOf(doc: ProjectDocument, c: Computed): Result<Plan> {
  const closure = c.closure?.ok ? c.closure.value : null;
  return makePlan({
    shell: c.shell,
    inside: c.inside,
    seams: c.seams,
    decisions: doc.decisions,
    buttons: closure?.buttons.length ?? 0,
    hole: closure ? { opening: closure.hole.opening, overall: closure.hole.overall } : null,
  });
}
