import { type Closure, deriveClosure, opensInFront, shoppingList } from '../closure/index.ts';
import {
  deriveFacings,
  facedOf,
  holePatches,
  type Inside,
  type Strips,
  stripsOf,
  ventFolds,
  withLinings,
} from '../drafting/index.ts';
import {
  closedOpenings,
  furtherSeams,
  gatherMarks,
  joinedSurface,
  type Surface,
  sewnSo,
  surfaceOf,
  unsewn,
} from '../garment/index.ts';
import { weld } from '../geometry/index.ts';
import {
  type CutLine,
  cutLine,
  drawnOpenings,
  isDrawnWhole,
  oddSize,
  type Piece,
  patternFaults,
  type Reallowed,
  reallow,
  redrawnCaps,
  type Seam,
  shellPieces,
  shellSeams,
  type WalkedSeam,
  walk,
} from '../pattern/index.ts';
import { garmentModelOf, makePlan, type Plan, type Task } from '../plan/index.ts';
import { type Kept, remembered } from '../remember.ts';
import { type Finding, type Result, refuse, warn } from '../result.ts';
import { apart } from './apart.ts';
import { CLOSING_ONLY, type Decisions, type ProjectDocument, type Shell } from './project.ts';
import { resolveDecisions } from './resolve.ts';

/** All consequences of a project's decisions. Nothing of it is ever stored. */
export interface Computed {
  shell: Piece[];
  /** Sleeves whose caps are redrawn, as the file draws them. */
  before: Piece[];
  /** Edges cut with other allowances than the pattern's. */
  reallowed: Reallowed[];
  inside: Piece[];
  /** Those of them that face, ribs aside: known before the others. */
  faced: Piece[];
  /** Shell pieces that are cut otherwise than drawn; `pieces` holds them in place of the drawn ones. */
  recut: Piece[];
  /** Pieces cut by figures: ties, ruffles, loops. */
  strips: Piece[];
  /** Shell and derived together. */
  pieces: Piece[];
  cutLines: Map<string, CutLine>;
  seams: WalkedSeam[];
  /** The shell as it is put together: its panels of cloth, what is sewn to what, and what is left as openings. */
  surface: Surface;
  hems: Inside['hems'];
  splits: Inside['splits'];
  joined: Inside['joined'];
  closure: Result<Closure> | null;
  findings: Finding[];
}

interface ShellPart {
  shell: Piece[];
  /** Sleeves whose caps are redrawn, as they are drawn. */
  before: Piece[];
  reallowed: Reallowed[];
  cutLines: [string, CutLine][];
  seams: WalkedSeam[];
  surface: Surface;
  findings: Finding[];
}

/** What depends on the shell alone is kept while the sewist moves a slider about the inside. */
const shellParts: Kept<Shell, ShellPart> = new WeakMap();

function shellPart(doc: ProjectDocument, d: Decisions): ShellPart {
  const { shell } = doc;
  if (!shell) return NO_SHELL;
  const key = JSON.stringify([doc.garment, d.allowances, d.joins, d.reallowed, d.caps]);
  return remembered(shellParts, shell, key, () => madeOfShell(shell, doc, d));
}

function madeOfShell(shell: Shell, doc: ProjectDocument, d: Decisions): ShellPart {
  const { pieces: drawn, findings } = shellPieces(shell, d.allowances);
  const cut = reallow(drawn, d.reallowed);
  const asDrawn = sewnTogether(cut.pieces, doc, d, findings);
  const redrawn = apart('seams', findings, { pieces: cut.pieces, findings: [] }, () =>
    redrawnCaps(cut.pieces, asDrawn.walked, d.caps),
  );
  findings.push(...redrawn.findings);
  const before = cut.pieces.filter((p) => !redrawn.pieces.includes(p));
  const { pieces } = redrawn;
  const { seams, surface, walked } = before.length ? sewnTogether(pieces, doc, d, []) : asDrawn;
  // Where only the seam line is left as it was drawn, the cut line is worked out anew.
  const moved = new Set([...cut.changes.map((c) => c.piece), ...before.map((p) => p.id)]);
  const part: ShellPart = {
    shell: apart('pattern', findings, pieces, () => gatherMarks(pieces, surface)),
    before,
    reallowed: cut.changes,
    cutLines: cutLinesOf(pieces, findings, (p) => (moved.has(p.id) ? null : drawnCutLine(shell, p.id))),
    seams: walked,
    surface,
    findings,
  };
  findings.push(...pieces.flatMap(drawnWhole), ...apart('faults', findings, [], () => patternFaults(pieces, seams)));
  findings.push(...unsewn(part.surface));
  return part;
}

const NO_SHELL: ShellPart = {
  shell: [],
  before: [],
  reallowed: [],
  cutLines: [],
  seams: [],
  surface: surfaceOf([], []),
  findings: [],
};

/** The pieces as they are joined, and every seam walked. */
function sewnTogether(pieces: Piece[], doc: ProjectDocument, d: Decisions, findings: Finding[]) {
  const seams = apart('seams', findings, [], () => shellSeams(pieces, doc.garment));
  const surface = apart('joins', findings, surfaceOf([], []), () => joined(pieces, d, findings));
  const walked = apart('seams', findings, [], () => walkAll(seams, surface, pieces));
  return { seams, surface, walked };
}

/** Both sides of every seam: of the usual ones as far as they are sewn so, and of what goes beyond them. */
function walkAll(usual: Seam[], surface: Surface, pieces: Piece[]): WalkedSeam[] {
  const seams = sewnSo(surface, usual);
  return walk([...seams, ...furtherSeams(surface, seams)], pieces);
}

/** All pieces as they are put together. */
function joined(pieces: Piece[], d: Decisions, findings: Finding[]): Surface {
  const { surface, lost } = joinedSurface(pieces, d.joins);
  if (lost) findings.push({ code: 'joins-lost', severity: 'warn', data: { count: lost } });
  return surface;
}

const CUT: Kept<Piece['ring'], CutLine> = new WeakMap();

/** The cut line of a piece that was drafted here, by itself; null where it has none, which is told with those of all pieces. */
export const ownCutLine = (p: Piece): CutLine | null => cutLinesOf([p], [])[0]?.[1] ?? null;

/** Cut lines of all pieces, each on its own: a piece without one is told, and goes on no paper. */
const cutLinesOf = (
  pieces: Piece[],
  findings: Finding[],
  drawn: (p: Piece) => CutLine | null = () => null,
): [string, CutLine][] =>
  pieces.flatMap((p): [string, CutLine][] => {
    const line = (ring: Piece['ring']): CutLine => remembered(CUT, ring, '', () => cutLine(ring));
    const own = (): CutLine => {
      const openings = p.openings?.map((o) => line(o).outline);
      return openings ? { ...line(p.ring), openings } : line(p.ring);
    };
    const made = apart('cut-line', findings, null, () => drawn(p) ?? own(), p);
    return made ? [[p.id, made]] : [];
  });

/** A piece drawn whole is drafted from one half: told, with the cure. */
const drawnWhole = (p: Piece): Finding[] =>
  isDrawnWhole(p) ? [warn('drawn-whole', { piece: p.id }, { name: p.name })] : [];

/** Where the file draws cut lines they are the cut lines, to the letter; allowances only say where the seam lies inside. */
function drawnCutLine(shell: Shell, id: string): CutLine | null {
  const drawn = shell.pieces.find((p) => p.id === id);
  return drawn && (drawn.drawn ?? shell.lines) === 'cut'
    ? {
        outline: weld(
          drawn.ring.flatMap((e) => e.path),
          true,
        ),
        cleaned: false,
        ...(drawn.lines.some((l) => l.kind === 'opening') && { openings: drawnOpenings(drawn) }),
      }
    : null;
}

/** Pieces, cut lines, walked seams and closure of a project; pure, and fast enough to run while a slider moves. */
export function compute(doc: ProjectDocument): Computed {
  const d = resolveDecisions(doc.decisions);
  const { shell, ...base } = shellPart(doc, d);
  const size = doc.shell?.trueSize ? null : oddSize(shell);
  const findings: Finding[] = size ? [size] : [];
  const closure = closes(shell, doc)
    ? apart<Result<Closure> | null>('closure', findings, null, () => deriveClosure(shell, d, doc.units))
    : null;
  const facings = deriveFacings(shell, d, base.surface);
  // While a slider moves most of what follows is not looked at before the next step: it is worked out once it is.
  const rest = once(() => restOf(d, { base, shell, facings, closure }));
  const told = once(() => [...base.findings, ...findings, ...rest().findings()]);
  const faced = facedOf(facings) ?? rest().inside.pieces;
  return {
    ...base,
    shell,
    recut: facings.recut,
    closure,
    faced: faced.filter((p) => p.material === 'facing' && !p.id.endsWith('-rib')),
    get inside() {
      return rest().drafted;
    },
    get strips() {
      return rest().strips.pieces;
    },
    get pieces() {
      return rest().pieces;
    },
    get cutLines() {
      return rest().cutLines();
    },
    get seams() {
      return rest().seams();
    },
    get hems() {
      return rest().inside.hems;
    },
    get splits() {
      return rest().inside.splits;
    },
    get joined() {
      return rest().inside.joined;
    },
    get findings() {
      return told();
    },
  };
}

interface Begun {
  base: Omit<ShellPart, 'shell'>;
  shell: Piece[];
  facings: ReturnType<typeof deriveFacings>;
  closure: Computed['closure'];
}

/** What is drafted from the facings, and what of all that is asked for later still. */
function restOf(d: Decisions, { base, shell, facings, closure }: Begun) {
  const findings: Finding[] = [];
  const inside = withLinings(facings, d);
  findings.push(...inside.findings);
  const strips = stripsAndOpenings(shell, d, base.surface, findings);
  const patched = apart('patch', findings, [], () => patches(shell, d, closure));
  const drafted = [...inside.pieces, ...patched, ...strips.pieces];
  const recut = new Map(inside.recut.map((p) => [p.id, p]));
  const pieces = [...shell.map((p) => recut.get(p.id) ?? p), ...drafted];
  const made = once(() => {
    const own: Finding[] = [];
    return { lines: cutLinesOf([...inside.recut, ...drafted], own), findings: own };
  });
  const walked = once(() => {
    const own: Finding[] = [];
    const seams = apart('seams', own, [], () => walk([...inside.seamsBetween(own), ...strips.seams], pieces));
    return { seams, findings: own };
  });
  return {
    ...{ inside, strips, drafted, pieces },
    cutLines: once(() => new Map([...base.cutLines, ...made().lines])),
    seams: once(() => [...base.seams, ...walked().seams]),
    findings: once(() => [...findings, ...made().findings, ...walked().findings, ...closureFindings(closure)]),
  };
}

/** What is worked out when it is first asked for, and then known. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

const NO_STRIPS: Strips = { pieces: [], seams: [], findings: [] };

/** Pieces cut by figures; and whether a body comes in where the garment closes on itself, which is told. */
function stripsAndOpenings(shell: Piece[], d: Decisions, surface: Surface, findings: Finding[]): Strips {
  const opened = d.lining.zip.length > 0;
  findings.push(...apart('joins', findings, [], () => closedOpenings(surface, opened)));
  const strips = apart('strips', findings, NO_STRIPS, () => stripsOf(shell, d));
  findings.push(...strips.findings);
  return strips;
}

/** Something closes: a front of the pattern, or, without a pattern, a line that was measured. */
const closes = (shell: Piece[], doc: ProjectDocument): boolean =>
  doc.decisions.closure.on && (doc.garment === CLOSING_ONLY || opensInFront(shell));

/** Patches behind the buttonholes, as many as there are. */
function patches(shell: Piece[], d: Decisions, closure: Result<Closure> | null): Piece[] {
  const front = shell.find((p) => p.kind === 'front');
  if (!front || !closure?.ok || !closure.value.holes || !d.interfacing.on || !d.interfacing.patches) return [];
  return [holePatches(front, closure.value.hole.overall, Math.max(1, closure.value.holes))];
}

const closureFindings = (c: Result<Closure> | null): Finding[] => (c ? (c.ok ? c.value.findings : c.findings) : []);

/** What the making-up plan works from. */
export function taskOf(doc: ProjectDocument, c: Computed): Task {
  const d = resolveDecisions(doc.decisions);
  const { bulk, lace } = d.making;
  const closure = c.closure?.ok ? c.closure.value : null;
  const buy = closure ? shoppingList(closure) : [];
  const count = (buttons: boolean): number =>
    buy
      .filter((x) => x.what !== 'thread' && x.what !== 'cord' && (x.what === 'button') === buttons)
      .reduce((n, x) => n + x.count - x.spare, 0);
  const how = {
    bulk,
    lace,
    yokes: !c.pieces.some((p) => p.material === 'lining'),
    standBoth: d.interfacing.stand === 'both',
    folds: ventFolds(c.pieces, d.lining.vent),
  };
  return {
    making: garmentModelOf(
      // Ties, ruffles and loops are planned as what they are, not as panels.
      c.pieces.filter((p) => !c.strips.includes(p)),
      c.seams,
      c.surface,
      how,
    ),
    d,
    buttons: count(true),
    snaps: count(false),
    holes: closure ? closure.holes + closure.small.reduce((n, s) => n + s.holes, 0) : 0,
    hole: closure ? { opening: closure.hole.opening, overall: closure.hole.overall } : null,
  };
}

/** The making-up plan of what was computed. */
export function planOf(doc: ProjectDocument, c: Computed): Result<Plan> {
  const findings: Finding[] = [];
  const made = apart('plan', findings, null, () => makePlan(taskOf(doc, c), doc.decisions.making));
  return made ?? refuse(...findings);
}
