import { type Decisions } from '../document/project.ts';
import { addScaled, line as straight } from '../geometry/index.ts';
import { type Piece } from '../pattern/index.ts';
import { because, type Finding, ok, type Reason, type Result, refuse, stop } from '../result.ts';
import { type LengthUnit } from '../units.ts';
import { buttonhole, type Hole } from './buttonhole.ts';
import { checksOf } from './checks.ts';
import { type ClosureChoice, columnsOf } from './choices.ts';
import { hasHoles } from './fasteners.ts';
import { type Features, featuresOf, NO_FEATURES, type OnStand, standOf } from './features.ts';
import { gape } from './gaping.ts';
import { closingRuns, type LineRun, placeOn } from './line.ts';
import { type ButtonMark, type Closure, type OnPiece } from './model.ts';
import { type Placement, placeAgain } from './placement.ts';
import { NEAR, type Problem } from './problem.ts';
import { smallOf } from './small.ts';
import { bustLevel, problemOf } from './wishes.ts';

interface Where {
  runs: LineRun[];
  features: Features;
  stand: OnStand | null;
  length: number;
}

/** The line and what bears on it, from the pieces where there is a front, else from the length that was measured. */
function whereOf(shell: Piece[], d: Decisions): Result<Where> {
  const c = d.closure;
  if (!shell.some((p) => p.kind === 'front'))
    return c.length > 0
      ? ok({ runs: [], features: NO_FEATURES, stand: null, length: c.length })
      : refuse(stop('closing-length', undefined, { length: c.length }));
  const runs = closingRuns(shell, c.extension);
  if (!runs.ok) return runs;
  const features = featuresOf(shell, runs.value, d.facing.on && d.facing.kind === 'lapel' ? d.facing.breakAt : null);
  const piece = shell.find((p) => p.id === features.stand?.piece);
  const stand = piece ? standOf(piece, runs.value[0]?.extension ?? c.extension) : null;
  const whole = runs.value.reduce((s, r) => s + r.length, 0);
  if (c.kind !== 'half') return ok({ runs: runs.value, features, stand, length: whole });
  // A half placket ends where it is slit to, far from hem and waist seam.
  return ok({
    runs: runs.value,
    features: { ...features, hem: 0, waistSeam: null },
    stand,
    length: Math.min(c.length, whole),
  });
}

/** A grown-on collar has no neckline to measure from. */
const fromBreak = ([run]: LineRun[]): Finding[] =>
  run && !run.piece.ring.some((e) => e.role === 'neckline')
    ? [{ code: 'closing-from-break', severity: 'note', where: { piece: run.piece.id } }]
    : [];

/** Buttons, holes and checks of all closings. Refuses with the range that would work. */
export function deriveClosure(shell: Piece[], d: Decisions, units: LengthUnit = 'mm'): Result<Closure> {
  const c = d.closure;
  if (c.by === 'range' && c.count > c.most)
    return refuse(stop('range-turned', undefined, { least: c.count, most: c.most }));
  const where = whereOf(shell, d);
  if (!where.ok) return where;
  const { runs, features, length: drawn } = where.value;
  const length = c.measured ?? drawn;
  const hole = buttonhole(c);
  const { problem, reasons } = problemOf(c, features, hole, length, units);
  const placed = placedAsBefore(problem, c) ?? placeAgain(problem);
  if (!placed.ok) return placed;
  const answers = placed.value;
  const chosen = Math.min(c.answer, answers.length - 1);
  const answer = answers[chosen] as Placement;
  const buttons = answer.at.map((at, index) => markAt(c, where.value, hole, at, index, answer.at.length));
  const extension = runs[0]?.extension ?? c.extension;
  const { body, garment } = c.bust;
  const small = c.others.map((s) => smallOf(s, c));
  const pulls = answers.map((a) => gape(a.at, bustLevel(c, features), body, garment));
  return ok({
    piece: runs[0]?.piece.id ?? null,
    line: runs[0]?.path ?? [straight({ x: 0, y: 0 }, { x: 0, y: length })],
    lengthMm: length,
    drawnMm: drawn,
    extension,
    side: runs[0]?.side ?? -1,
    features,
    problem,
    answers,
    chosen,
    hole,
    gaps: answer.gaps,
    buttons,
    holes: buttons.filter((b) => b.hole).length,
    gaping: pulls.every((g) => g !== null) ? pulls : null,
    small,
    choice: c,
    findings: [
      ...fromBreak(runs),
      ...checksOf(d, { extension, hole, features, buttons, gaps: answer.gaps, length }),
      ...small.flatMap((s) => s.findings),
    ],
    reasons: [...gapReason(answer), ...reasons, ...(hasHoles(c.fastener) ? hole.reasons : [])],
  });
}

/**
 * A hole that is sewn where the chosen placing had it moves no other button: that placing stands, as it was before the
 * hole held it. Null where nothing is sewn, or the holes lie otherwise.
 */
function placedAsBefore(p: Problem, c: ClosureChoice): Result<Placement[]> | null {
  const sewn = p.pins.filter((q) => q.sewn);
  if (!sewn.length || c.measured !== null) return null;
  const free = placeAgain({ ...p, pins: p.pins.filter((q) => !q.sewn) });
  if (!free.ok) return null;
  const at = free.value[Math.min(c.answer, free.value.length - 1)]?.at ?? [];
  return sewn.every((q) => Math.abs((at[q.index] ?? Number.NaN) - q.at) < NEAR) ? free : null;
}

function gapReason({ at }: Placement): Reason[] {
  const n = at.length;
  const [first, last] = [at[0] as number, at[n - 1] as number];
  return n > 1 ? [because('equal-gap', 'practice', (last - first) / (n - 1), { first, last, n })] : [];
}

/** Of double rows the lowest ones close, the upper ones only show; a stand's hole runs across whatever the band's do. */
function markAt(c: ClosureChoice, w: Where, band: Hole, at: number, index: number, n: number): ButtonMark {
  const onStand = c.stand.hole && index === 0;
  const done = c.done.find((x) => x.line === 'front' && x.index === index);
  const fixed = done?.state === 'sewn' || done?.state === 'cut';
  const hole = onStand ? buttonhole({ ...c, direction: 'horizontal' }) : band;
  return {
    at,
    onStand,
    held: fixed ? 'sewn' : c.pins.some((p) => p.index === index) ? 'yours' : 'no',
    state: done?.state ?? null,
    hole: hasHoles(c.fastener) && (c.kind !== 'double' || n - index <= c.double.working),
    direction: hole.direction,
    on: w.runs.length ? onPiece(c, w, hole, at, onStand) : null,
  };
}

function onPiece(c: ClosureChoice, w: Where, hole: Hole, at: number, onStand: boolean): OnPiece | null {
  if (onStand && w.stand && w.features.stand) {
    const { centre, along } = w.stand;
    const ends = { a: addScaled(centre, along, hole.outer), b: addScaled(centre, along, -hole.inner) };
    return { piece: w.features.stand.piece, centre, ...ends, columns: [] };
  }
  const { run, point, down, edgeward } = placeOn(w.runs, at);
  const out = hole.direction === 'horizontal' ? edgeward : { x: -down.x, y: -down.y };
  const { outer, all } = columnsOf(c);
  const centre = addScaled(point, edgeward, outer);
  return {
    piece: run.piece.id,
    centre,
    a: addScaled(centre, out, hole.outer),
    b: addScaled(centre, out, -hole.inner),
    columns: all.filter((k) => k !== outer).map((k) => addScaled(point, edgeward, k)),
  };
}
