import { type Decisions } from '../../document/project.ts';
import { pathLength } from '../../geometry/index.ts';
import { allEdges, isRaglan, type Piece, type Side } from '../../pattern/index.ts';
import { type Kept, remembered } from '../../remember.ts';
import { type Finding, warn } from '../../result.ts';
import {
  along,
  capsOf,
  type Drafted,
  edgesOn,
  frontsDouble,
  type Garment,
  isDoubled,
  isSleeved,
  ofKind,
  placeOf,
  withinOf,
} from '../drafted.ts';
import { type Bands, facedAt } from '../facing/edgefacings.ts';
import { type OpeningFacing, openingsWithin } from '../openings.ts';
import { type Hems, shellCapEase } from '../pieces.ts';
import { orient, runLength, type Split, withParents } from '../shape/oriented.ts';
import { closeUp } from './inone.ts';
import { bodyLining, type LiningPiece, raglanLining, sleeveLining } from './lining.ts';
import { skirtLining } from './skirt.ts';
import { smoothed } from './smooth.ts';
import { underarmsOf } from './underarm.ts';

/** A piece that is lined to its edges: no facing was asked for, or it reaches none. */
function unsplit(piece: Piece): Split {
  // The middle panel of a princess front or back has neither armhole nor side.
  const oriented = orient(piece, 'armhole', 'side') ??
    orient(piece, 'side', 'hem') ??
    orient(piece, 'neckline', 'shoulder') ?? { piece, ring: withParents(piece), sign: 1 as const };
  return { oriented, facing: [], lining: oriented.ring, ends: { first: 0, shoulder: 0 }, cornerRadius: 0 };
}

/** What is lined, and where the lining's lower edges come to lie. */
export interface Lining {
  g: Garment;
  d: Decisions;
  bands: Bands;
  /** Facings round openings cut in. */
  round: OpeningFacing[];
  findings: Finding[];
  hems: Hems;
}

/** Lines every piece that has a place in the garment's lining: what its facing leaves. */
export function lineAll(l: Lining): void {
  const { g, d, findings, hems } = l;
  const at = (place: ReturnType<typeof placeOf>): Drafted[] => g.drafted.filter((x) => placeOf(g, x.shell) === place);
  if (d.lining.body) for (const x of at('body')) lineBody(l, x);
  if (d.lining.skirt) for (const x of at('skirt')) lineSkirt(l, x);
  // One rule for all of it; where pieces carry unlike hems, the front's is the one that is told.
  const hemmed = [...g.drafted].sort((x, y) => Number(y.shell.kind === 'front') - Number(x.shell.kind === 'front'));
  hems.body = hemmed.find((x) => x.hem)?.hem ?? null;
  if (d.lining.sleeves) lineSleeves(l, at('sleeve'));
  findings.push(...withoutZip(g, d));
  const left = g.drafted.filter((x) => placeOf(g, x.shell) === null && x.shell.kind === 'other');
  if (left.length) findings.push(notLined('not-lined', left));
  closeUp(g, d, findings);
  const faced = g.drafted.filter((x) => x.covered && !x.lining);
  if (faced.length) findings.push(notLined('all-faced', faced));
}

/** A zip that no lining was cut back for: its seam is not there, lies on a fold, or is covered above it. */
function withoutZip(g: Garment, d: Decisions): Finding[] {
  const { length, at } = d.lining.zip;
  const told = g.drafted.some((x) => [x.lining, x.under].some((p) => p?.reasons.some((r) => r.rule.startsWith('zip'))));
  const lined = g.drafted.some((x) => x.lining);
  return length > 0 && lined && !told ? [warn('zip-without-seam', undefined, { role: at, length })] : [];
}

/** What is sewn to nothing is laid on the shell, and what a facing covers needs none: told once for all of it. */
const notLined = (code: 'not-lined' | 'all-faced', left: Drafted[]): Finding => ({
  code,
  severity: 'note',
  where: { piece: left[0]?.shell.id ?? '' },
  data: { names: left.map((x) => x.shell.name).join(', ') },
});

function taken(l: Lining, x: Drafted, made: LiningPiece): void {
  l.findings.push(...made.findings);
  if (made.piece) {
    const open = openingsWithin(made.piece, x.shell, l.round, l.findings);
    x.lining = l.d.lining.fullness === 'out' ? smoothed(l.g, x.shell, open, l.findings) : open;
  }
  if (made.under) x.under = made.under;
  x.hem = made.hem;
}

/** Linings of pieces that no facing parts hang on no width of one; those of others on how the facing parts them. */
const MADE: Kept<Piece | Split, LiningPiece> = new WeakMap();
const keyOf = ({ lining, allowances, facing }: Decisions, ...more: unknown[]): string =>
  JSON.stringify([lining, allowances, facing.on, facing.bands, ...more]);

function lineBody(l: Lining, x: Drafted): void {
  const { g, d } = l;
  const faced = d.facing.on && !d.facing.bias.neck;
  const doubled = isDoubled(g, x, d);
  if (frontsDouble(d) && !doubled) return;
  // Where the facing was refused, so is the lining that would begin at its line.
  if (x.covered || (faced && x.refused)) return;
  const arms = underarmsOf(g, x.shell, !isSleeved(g, x.shell));
  const named = { id: x.base, name: x.title };
  // A second layer is set into the armhole with the first one: they are alike (common practice).
  const own = doubled ? { ...d, lining: { ...d.lining, raise: 0, out: 0 } } : d;
  const made = remembered(MADE, x.split ?? x.shell, keyOf(own, named, [...arms.seams], arms), () =>
    bodyLining(x.split ?? unsplit(x.shell), own, arms, named),
  );
  const second = made.piece && doubled ? { ...made.piece, name: `${x.title}, second layer` } : made.piece;
  taken(l, x, { ...made, piece: second });
}

function lineSkirt(l: Lining, x: Drafted): void {
  const { g, d } = l;
  if (x.covered) return;
  const back = ofKind(g, 'back');
  const covered = back ? runLength(back.shell.ring, d.lining.zip.at) : 0;
  const named = { id: x.base, name: x.title };
  const facing = facedAt(l.bands, x.shell, 'waist');
  const made = x.split
    ? bodyLining(x.split, d, underarmsOf(g, x.shell, true), named)
    : remembered(MADE, x.shell, keyOf(d, named, facing, covered), () =>
        skirtLining(x.shell, facing, covered, d, named),
      );
  taken(l, x, made);
}

/** Sleeves after the bodies they are set into: their caps are fitted to the lining's armholes. */
function lineSleeves(l: Lining, sleeves: Drafted[]): void {
  const { g, d } = l;
  const unders = sleeves.filter((x) => x.shell.kind === 'under-sleeve');
  for (const x of sleeves) {
    if (x.shell.kind === 'under-sleeve' && sleeves.some((y) => underOf(g, y, unders) === x)) continue;
    const under = underOf(g, x, unders);
    const cuffed = isCuffed(g, x.shell);
    const { length, whole } = armholeFor(g, x, 'both');
    const fitted = whole && length > 0 && !d.lining.self ? length : null;
    const named = { id: x.base, name: x.title, under: under?.base ?? '' };
    const made = isRaglan(x.shell)
      ? raglan(l, x, cuffed)
      : remembered(MADE, x.shell, keyOf(d, fitted, cuffed, named, under?.shell.id), () =>
          sleeveLining(x.shell, under?.shell, fitted, cuffed, d, named),
        );
    const { under: low, ...own } = made;
    taken(l, x, own);
    l.hems.wrist ??= made.hem;
    if (under && low) Object.assign(under, { lining: low, hem: made.hem });
  }
}

/** The under-sleeve of a sleeve: what its elbow seam is sewn to; where no seam was found, the only one there is. */
function underOf(g: Garment, x: Drafted, unders: Drafted[]): Drafted | undefined {
  if (x.shell.kind !== 'sleeve' || !unders.length) return undefined;
  const ids = g.joins
    .filter((j) => j.code === 'elbow')
    .map((j) => [...j.a, ...j.b].map((e) => e.piece))
    .find((pieces) => pieces.includes(x.shell.id));
  return unders.find((u) => ids?.includes(u.shell.id)) ?? (ids || x.base !== 'sleeve' ? undefined : unders[0]);
}

/** A sleeve that ends in a cuff: by its seam, else by there being cuffs. */
function isCuffed(g: Garment, p: Piece): boolean {
  const cuffs = g.joins.filter((j) => j.code === 'cuff');
  const own = cuffs.some((j) => [...j.a, ...j.b].some((e) => e.piece === p.id));
  return own || (!cuffs.length && g.shell.some((q) => q.kind === 'cuff'));
}

/**
 * The armhole inside that a sleeve is set into, of the lining alone or with the facings that reach it: its length, mm, and
 * whether all of it is there. Where no seam was found it is every armhole there is.
 */
function armholeFor(g: Garment, x: Drafted, which: 'lining' | 'both'): { length: number; whole: boolean } {
  const caps = capsOf(g, x.shell);
  const within = withinOf(g);
  const inside = g.drafted.flatMap((y) => [y.facing, y.lining]);
  const lengthOf = (sides: Side[]): number =>
    sides.reduce((t, s) => {
      const piece = inside.find((q) => q?.id === s.piece);
      const e = piece && allEdges(piece).find((r) => r.id === s.edge);
      return t + (e ? pathLength(e.path) : 0);
    }, 0);
  if (!caps.length) {
    const bodies = g.drafted.filter((y) => y.shell.ring.some((e) => e.role === 'armhole'));
    const sides = bodies.flatMap((y) => [
      ...(which === 'both' ? edgesOn(y.facing, 'armhole') : []),
      ...edgesOn(y.lining, 'armhole'),
    ]);
    return { length: lengthOf(sides), whole: bodies.every((y) => y.lining) };
  }
  const found = caps.map((c) => along(within, which, c.armhole));
  return { length: lengthOf(found.flatMap((f) => f.sides)), whole: found.every((f) => f.whole) };
}

/** A raglan sleeve's lining below its neck facing; all of it where there is none. */
function raglan({ g, d }: Lining, x: Drafted, cuffed: boolean): LiningPiece {
  const oriented = orient(x.shell, 'neckline', 'cap');
  const whole = oriented && { oriented, facing: [], lining: oriented.ring, ends: NO_ENDS, cornerRadius: 0 };
  const faced = d.facing.on && !d.facing.bias.neck;
  const top = faced ? x.split : whole;
  const named = { id: x.base, name: x.title };
  const { length, whole: lined } = armholeFor(g, x, 'lining');
  if (!top) return sleeveLining(x.shell, undefined, null, cuffed, d, { ...named, under: '' });
  // Beside a body that is not lined all round it is sewn to the shell's own seam.
  if (!lined) {
    const own = { ...d, lining: { ...d.lining, raise: 0, out: 0 } };
    return raglanLining(x.shell, top, runLength(top.lining, 'cap'), cuffed, own, named);
  }
  return raglanLining(x.shell, top, length + shellCapEase(g, x.shell), cuffed, d, named);
}

const NO_ENDS = { first: 0, shoulder: 0 };
