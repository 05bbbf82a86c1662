import { type Decisions } from '../../document/project.ts';
import { type Join, type JoinCode } from '../../garment/index.ts';
import { IDENTITY, pathLength } from '../../geometry/index.ts';
import { type Edge, type Notch, type Piece } from '../../pattern/index.ts';
import { because, type Finding, warn } from '../../result.ts';
import { inSentence } from '../../text.ts';
import { type Drafted, type Garment } from '../drafted.ts';
import { type Laid, layTogether } from '../shape/laytogether.ts';

/** Seams of the shell that a lining may be cut across in one. */
export const CLOSABLE: ReadonlySet<JoinCode> = new Set<JoinCode>(['panel', 'yoke', 'other']);

/** Panels whose seam lines part by more than this along it do not lie flat together, mm. */
const FLAT = 3;

/**
 * Linings of panels whose seam is closed up by choice, as a yoke usually is (common practice): laid together along it and
 * cut in one. What lies apart by more than 3 mm along the seam is shaped by it and keeps it: told, with how far.
 */
export function closeUp(g: Garment, d: Decisions, findings: Finding[]): void {
  for (const { piece, edge } of d.lining.inOne) {
    const join = g.joins.find(
      (j) => CLOSABLE.has(j.code) && [...j.a, ...j.b].some((e) => e.piece === piece && e.edge === edge),
    );
    const panels = join ? drawnOn(g, join) : [];
    const name = g.shell.find((p) => p.id === piece)?.name ?? piece;
    const [x, y] = panels;
    // A seam between parts that are in one already is closed by that.
    if (x && x === y) continue;
    if (!join || !x?.lining || !y?.lining || panels.length > 2 || x.under || y.under) {
      findings.push(warn('closed-up-not', { piece }, { name }));
      continue;
    }
    const [base, other] = y.lining.cut.onFold ? [y, x] : [x, y];
    const laid = laidAlong(base, other, join);
    const names = `${base.shell.name}, ${other.shell.name}`;
    if (!laid || laid.misfit > FLAT)
      findings.push(warn('closed-up-bent', { piece }, { names, misfit: laid?.misfit ?? 0 }));
    else taken(base, other, laid);
  }
}

/** The panels a seam is of, each as the one its lining is cut in one with. */
const drawnOn = (g: Garment, j: Join): Drafted[] => [
  ...new Set(
    [...j.a, ...j.b].flatMap((e) =>
      g.drafted.filter((x) => [x, ...(x.linedWith ?? [])].some((y) => y.shell.id === e.piece && (x.lining || y === x))),
    ),
  ),
];

/** A lining's own edges as the shell's that they repeat, so that the shell's seam is found on it. */
function asShell(x: Drafted, lining: Piece): Piece {
  const own = (e: Edge): boolean => e.from?.piece === x.shell.id;
  const once = (e: Edge): boolean => lining.ring.filter((o) => own(o) && o.from?.edge === e.from?.edge).length === 1;
  const ring = lining.ring.map((e) => (own(e) && once(e) ? { ...e, id: e.from?.edge ?? e.id } : e));
  return { ...lining, id: x.shell.id, ring };
}

function laidAlong(base: Drafted, other: Drafted, join: Join): Laid | null {
  const lining = base.lining as Piece;
  const start: Laid = { piece: lining, parts: [{ piece: lining, motion: IDENTITY }], misfit: 0 };
  const length = join.a.reduce((t, e) => t + pathLength(e.path), 0);
  // Over all of the seam: it has to lie flat as a whole.
  return layTogether(start, asShell(other, other.lining as Piece), join, 'start', 2 * length);
}

/** Both linings as the one piece that is cut. */
function taken(base: Drafted, other: Drafted, laid: Laid): void {
  const [own, further] = [base.lining as Piece, other.lining as Piece];
  const named = asShell(other, further);
  // What was drafted for the other panel still knows which stretch of the shell it repeats.
  const was = new Map(named.ring.map((e, i) => [e.id, (further.ring[i] as Edge).from]));
  const ring = laid.piece.ring.map((e): Edge => {
    const from = e.from?.piece === other.shell.id ? was.get(e.from.edge) : e.from;
    const { from: _, ...rest } = e;
    return from ? { ...rest, from } : rest;
  });
  const motion = laid.parts.at(-1)?.motion ?? IDENTITY;
  const turned = motion.a * motion.d - motion.b * motion.c < 0;
  const notches = further.notches.flatMap((n): Notch[] => {
    const before = further.ring.find((e) => e.id === n.edge);
    const now = ring.find((e) => e.from && e.role === before?.role && e.from === before.from);
    const length = now ? pathLength(now.path) : 0;
    if (!before || !now || Math.abs(length - pathLength(before.path)) > 0.1) return [];
    return [{ ...n, edge: now.id, at: turned ? length - n.at : n.at }];
  });
  const there = new Set(ring.map((e) => e.id));
  base.lining = {
    ...own,
    name: `${base.title} and ${inSentence(other.title)} lining`,
    ring,
    lines: laid.piece.lines,
    notches: [...own.notches.filter((n) => there.has(n.edge)), ...notches],
    reasons: [...own.reasons, because('lined-in-one', 'choice', laid.misfit)],
  };
  base.linedWith = [...(base.linedWith ?? []), other, ...(other.linedWith ?? [])];
  delete other.lining;
  delete other.linedWith;
}
