import { type ShellEdge, type ShellPiece } from '../document/project.ts';
import {
  distance,
  dot,
  endOf,
  nearestOn,
  type Path,
  type Point,
  partAtCorners,
  pathLength,
  pointAlong,
  startOf,
  sub,
} from '../geometry/index.ts';
import {
  type Company,
  type InternalLine,
  isDrawnWhole,
  longerBefore,
  type PieceKind,
  partRound,
  placeGrain,
  type Readings,
  type Rounded,
  readingsOf,
  type Suggestion,
  settled,
  withArcs,
} from '../pattern/index.ts';
import { type Finding } from '../result.ts';
import { takeCutDarts } from './cutdart.ts';
import { isGrain, linesOf, marksOf, notchesOf } from './marks.ts';
import { type Draft } from './nest.ts';

const says = (words: string, re: RegExp): boolean => re.test(words);

const saysFold = (words: string): boolean => says(words, /\bfold\b/i) && !says(words, /not on (the )?fold|no fold/i);

/** A draft with its outline parted, and the ways its edges may be read. */
export interface Parted {
  parted: Rounded[];
  readings: Readings;
  darts: Path[];
  drawn: Path;
  words: string;
  mirror: boolean;
  grain: { a: Point; b: Point } | null;
}

/** Parts a draft's outline into edges and proposes what they may be. `company`: what the names of all pieces say of each other. */
export function partDraft(d: Draft, name: string, company: Company): Parted {
  const drawn = (d.seam ?? d.outline).path;
  const cut = takeCutDarts(drawn);
  const parted = partAtCorners(cut.path, cut.feet).map(partRound);
  const grainLine = d.inner.filter(isGrain).sort((a, b) => pathLength(b.path) - pathLength(a.path))[0];
  const grain = grainLine ? upward(grainLine.path) : null;
  const words = [name, ...d.captions, ...d.inner.map((s) => s.name ?? s.label)].join(' · ');
  const mirror = d.inner.some((s) => s.hint === 'mirror');
  const paths = parted.flatMap((r) => withArcs(r, longerBefore(r)));
  const ranked = readingsOf(name, paths, {
    ...(grain && { grain: sub(grain.b, grain.a) }),
    fold: mirror || saysFold(words),
    ...company,
  });
  return { parted, readings: { paths, ranked }, darts: cut.darts, drawn, words, mirror, grain };
}

/** A draft as a shell piece: its edges with the roles of the reading taken, its fold, count, grainline and marks. */
export function toPiece(
  d: Draft,
  { parted, darts, drawn, words, mirror, grain }: Parted,
  suggestion: Suggestion,
  id: string,
  name: string,
  findings: Finding[],
): ShellPiece {
  if (darts.length)
    findings.push({
      code: 'darts-in-outline',
      severity: 'note',
      where: { piece: id },
      data: { name, count: darts.length },
    });
  const { paths, roles } = settled(parted, suggestion.roles);
  const allowances = d.seam ? readAllowances(paths, d.outline.path, name, id, findings) : null;
  const ring: ShellEdge[] = paths.map((path, i) => ({
    id: `e${i + 1}`,
    role: roles[i] ?? 'plain',
    confidence: suggestion.confidence,
    path,
    allowance: allowances?.[i] ?? null,
    corner: null,
    onFold: false,
  }));
  foldEdges(ring, suggestion.kind, mirror ? `${words} · fold` : words, { id, name }, findings);
  const marks = marksOf(d.inner, ring);
  return {
    id,
    name,
    kind: suggestion.kind,
    ring,
    count: countOf(words, suggestion.kind, ring),
    grain: grain ? along(grain, suggestion.up) : placeGrain(drawn, suggestion.up),
    notches: notchesOf(d.inner, ring),
    lines: [...linesOf(d.inner, ring), ...darts.map((path): InternalLine => ({ kind: 'dart', path }))],
    ...(marks.length && { marks }),
    ...(d.seam && { drawn: 'seam' as const }),
  };
}

/** How evenly a drawn allowance has to run (mm). */
const UNEVEN = 1.5;

/** Allowances read off where cut line and seam line are both drawn: their distance along the middle of each edge. */
function readAllowances(paths: Path[], cut: Path, name: string, id: string, findings: Finding[]): number[] {
  return paths.map((path, i) => {
    const l = pathLength(path);
    const found = [0.2, 0.35, 0.5, 0.65, 0.8].map((k) => nearestOn(cut, pointAlong(path, l * k)).distance);
    const sorted = [...found].sort((a, b) => a - b);
    const middle = sorted[2] as number;
    const [least, most] = [sorted[0] as number, sorted[4] as number];
    if (most - least > UNEVEN)
      findings.push({
        code: 'allowance-uneven',
        severity: 'warn',
        where: { piece: id, edge: `e${i + 1}` },
        data: { name, least, most, used: middle },
      });
    return Math.round(middle * 100) / 100;
  });
}

/** Which edge lies on the fold: said by name or text, or assumed for the straight centre back of a back, and told. */
function foldEdges(
  ring: ShellEdge[],
  kind: PieceKind,
  words: string,
  piece: { id: string; name: string },
  findings: Finding[],
): void {
  const said = saysFold(words);
  const centres = ring.filter(
    (e) =>
      e.role === 'centre-back' || e.role === 'centre-front' || (said && kind === 'front' && e.role === 'front-edge'),
  );
  const straight = centres.filter((e) => distance(startOf(e.path), endOf(e.path)) > pathLength(e.path) * 0.9999);
  // Two of it are a pair with a seam between them.
  const assumed = kind === 'back' && cutSaid(words) !== 2;
  if (straight.length !== 1 || centres.length !== 1 || !(said || assumed)) return;
  const edge = straight[0] as ShellEdge;
  // A drawn allowance there says that there is a seam.
  if (!said && edge.allowance !== null && edge.allowance > 1) return;
  edge.onFold = true;
  if (edge.role === 'front-edge') edge.role = 'centre-front';
  if (!said)
    findings.push({
      code: 'fold-assumed',
      severity: 'warn',
      where: { piece: piece.id, edge: edge.id },
      data: { name: piece.name },
    });
}

function countOf(words: string, kind: PieceKind, ring: ShellEdge[]): number {
  if (ring.some((e) => e.onFold)) return cutSaid(words) ?? 1;
  return cutSaid(words) ?? (kind === 'other' || isDrawnWhole({ kind, ring }) ? 1 : 2);
}

/** How many of a piece its words say to cut. */
function cutSaid(words: string): number | null {
  const said = /\bcut:?\s*(\d{1,2})\b/i.exec(words) ?? /\bquantity:?\s*(\d{1,2})\b/i.exec(words);
  return said && Number(said[1]) > 0 ? Number(said[1]) : null;
}

/** Grainline from its lower end to its upper end. */
function upward(path: Path): { a: Point; b: Point } {
  const [p, q] = [startOf(path), endOf(path)];
  return p.y >= q.y ? { a: p, b: q } : { a: q, b: p };
}

/** The grainline run the way the piece's top lies. */
const along = (g: { a: Point; b: Point }, up: Point): { a: Point; b: Point } =>
  dot(sub(g.b, g.a), up) >= 0 ? g : { a: g.b, b: g.a };
