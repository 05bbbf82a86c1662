import {
  boxOf,
  distance,
  dot,
  endOf,
  insideRing,
  nearestOn,
  type Path,
  type Point,
  pathLength,
  pointAlong,
  startOf,
  sub,
} from '../geometry/index.ts';
import { type InternalLine, type Notch, type PieceKind, placeGrain, suggestRoles } from '../pattern/index.ts';
import { type ShellEdge, type ShellPiece } from '../project.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { closes, meantAsOutline, type Outline, partAtCorners, toOutline } from './outline.ts';
import { type Drawing, type Shape } from './svg.ts';

export interface Intake {
  pieces: ShellPiece[];
  findings: Finding[];
}

interface Draft {
  outline: Outline;
  inner: Shape[];
  captions: string[];
}

/** Longest line that is taken for a notch (mm). */
const NOTCH_LENGTH = 16;
/** Two notches closer than this are one double notch (mm). */
const DOUBLE_NOTCH = 9;

const says = (words: string, re: RegExp): boolean => re.test(words);

/**
 * Makes shell pieces of a drawing: closed outlines become pieces, line work inside them becomes marks, text inside names
 * them. All or nothing: any outline that cannot be used refuses the whole, each with its reason.
 */
export function assemble(drawing: Drawing): Result<Intake> {
  const findings = [...drawing.findings];
  const outlines = drawing.shapes
    .filter(closes)
    .map((s) => toOutline(s, findings))
    .filter((o): o is Outline => o !== null)
    .sort((a, b) => b.areaMm2 - a.areaMm2);
  const drafts = nest(withoutFrame(outlines, findings));
  for (const s of drawing.shapes.filter((x) => !closes(x))) place(s, drafts, findings);
  for (const c of drawing.captions) drafts.find((d) => insideRing(d.outline.points, c.at))?.captions.push(c.text);
  const stops = findings.filter((f) => f.severity === 'stop');
  if (stops.length) return refuse(...stops);
  if (!drafts.length) return refuse(stop('no-outlines'));
  drafts.sort((a, b) => drawing.shapes.indexOf(a.outline.shape) - drawing.shapes.indexOf(b.outline.shape));
  const names = namesOf(drafts, drawing);
  const pieces = drafts.map((d, i) => toPiece(d, `p${i + 1}`, names[i] as string, findings));
  checkSize(pieces, findings);
  return ok({ pieces, findings });
}

/** A page frame drawn round everything is no piece. */
function withoutFrame(outlines: Outline[], findings: Finding[]): Outline[] {
  const [frame, ...rest] = outlines;
  if (
    !frame ||
    rest.length < 2 ||
    frame.path.length !== 4 ||
    !rest.every((o) => insideRing(frame.points, startOf(o.path)))
  )
    return outlines;
  findings.push({ code: 'frame-dropped', severity: 'note', data: { label: frame.shape.label } });
  return rest;
}

/** Outlines inside a larger one are marks on it (pockets, placements). */
function nest(outlines: Outline[]): Draft[] {
  const drafts: Draft[] = [];
  for (const o of outlines) {
    const holder = drafts.find((d) => o.points.every((p) => insideRing(d.outline.points, p)));
    if (holder) holder.inner.push({ ...o.shape, path: o.path });
    else drafts.push({ outline: o, inner: [], captions: [] });
  }
  return drafts;
}

/** An open run belongs to the piece it lies in or crosses; one that was meant as an outline is refused with its gap. */
function place(s: Shape, drafts: Draft[], findings: Finding[]): void {
  const middle = pointAlong(s.path, pathLength(s.path) / 2);
  const holder =
    drafts.find((d) => insideRing(d.outline.points, middle)) ??
    drafts.find((d) => nearestOn(d.outline.path, middle).distance < NOTCH_LENGTH);
  if (holder) {
    holder.inner.push(s);
    return;
  }
  const label = s.name ?? s.label;
  const a = startOf(s.path);
  if (meantAsOutline(s.path)) {
    const gap = distance(a, endOf(s.path));
    findings.push(
      stop('outline-open', { piece: label, x: a.x, y: a.y }, { label, gap, x: Math.round(a.x), y: Math.round(a.y) }),
    );
  } else findings.push({ code: 'line-outside', severity: 'note', where: { x: a.x, y: a.y }, data: { label } });
}

/** Names: what a person called the outline, else its group if that holds only this outline, else text inside it. */
function namesOf(drafts: Draft[], drawing: Drawing): string[] {
  const perGroup = new Map<number, number>();
  for (const d of drafts) perGroup.set(d.outline.shape.group, (perGroup.get(d.outline.shape.group) ?? 0) + 1);
  const used = new Map<string, number>();
  return drafts.map((d, i) => {
    const g = d.outline.shape.group;
    const group = perGroup.get(g) === 1 ? drawing.groupNames[g] : null;
    const text = d.captions.find((c) => !/^(cut|place|grain|notch|\d)/i.test(c));
    const raw = d.outline.shape.name ?? group ?? text ?? `Piece ${i + 1}`;
    const short = raw.replace(/[\s.]+(outline|contour|path|shape|seam ?line|cut(ting)? ?line)$/i, '');
    const name = short.charAt(0).toUpperCase() + short.slice(1);
    const seen = used.get(name) ?? 0;
    used.set(name, seen + 1);
    return seen ? `${name} ${seen + 1}` : name;
  });
}

function toPiece(d: Draft, id: string, name: string, findings: Finding[]): ShellPiece {
  const paths = partAtCorners(d.outline.path);
  const grainLine = d.inner.find((s) => says(s.name ?? s.label, /grain/i));
  const grain = grainLine ? upward(grainLine.path) : null;
  const suggestion = suggestRoles(name, paths, grain ? sub(grain.b, grain.a) : undefined);
  const words = [name, ...d.captions, ...d.inner.map((s) => s.name ?? s.label)].join(' · ');
  const ring: ShellEdge[] = paths.map((path, i) => ({
    id: `e${i + 1}`,
    role: suggestion.roles[i] ?? 'plain',
    confidence: suggestion.confidence,
    path,
    allowance: null,
    corner: null,
    onFold: false,
  }));
  foldEdges(ring, suggestion.kind, words, { id, name }, findings);
  return {
    id,
    name,
    kind: suggestion.kind,
    ring,
    count: countOf(words, suggestion.kind, ring),
    grain: grain ? along(grain, suggestion.up) : placeGrain(d.outline.path, suggestion.up),
    notches: notchesOf(d, ring),
    lines: linesOf(d, ring),
  };
}

/** Which edge lies on the fold: said by name or text, or assumed for the straight centre back of a back, and told. */
function foldEdges(
  ring: ShellEdge[],
  kind: PieceKind,
  words: string,
  piece: { id: string; name: string },
  findings: Finding[],
): void {
  const said = says(words, /\bfold\b/i) && !says(words, /not on (the )?fold|no fold/i);
  const centres = ring.filter(
    (e) =>
      e.role === 'centre-back' || e.role === 'centre-front' || (said && kind === 'front' && e.role === 'front-edge'),
  );
  const straight = centres.filter((e) => distance(startOf(e.path), endOf(e.path)) > pathLength(e.path) * 0.9999);
  if (straight.length !== 1 || centres.length !== 1 || !(said || kind === 'back')) return;
  const edge = straight[0] as ShellEdge;
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
  if (ring.some((e) => e.onFold)) return 1;
  const said = /\bcut\s*(\d{1,2})\b/i.exec(words);
  return said ? Number(said[1]) : kind === 'other' ? 1 : 2;
}

/** Grainline from its lower end to its upper end. */
function upward(path: Path): { a: Point; b: Point } {
  const [p, q] = [startOf(path), endOf(path)];
  return p.y >= q.y ? { a: p, b: q } : { a: q, b: p };
}

/** The grainline run the way the piece's top lies. */
const along = (g: { a: Point; b: Point }, up: Point): { a: Point; b: Point } =>
  dot(sub(g.b, g.a), up) >= 0 ? g : { a: g.b, b: g.a };

const isNotch = (s: Shape): boolean =>
  !closes(s) &&
  (says(s.name ?? s.label, /notch/i) || pathLength(s.path) <= NOTCH_LENGTH) &&
  !says(s.name ?? s.label, /grain|centre|center|waist|fold/i);

function notchesOf(d: Draft, ring: ShellEdge[]): Notch[] {
  const found: (Notch & { double: boolean })[] = [];
  for (const s of d.inner.filter(isNotch)) {
    const points = [startOf(s.path), pointAlong(s.path, pathLength(s.path) / 2), endOf(s.path)];
    const hits = ring.flatMap((e) => points.map((p) => ({ e, hit: nearestOn(e.path, p) })));
    const best = hits.sort((x, y) => x.hit.distance - y.hit.distance)[0];
    if (best && best.hit.distance < NOTCH_LENGTH) {
      found.push({ edge: best.e.id, at: best.hit.at, kind: 'single', double: says(s.name ?? s.label, /double|back/i) });
    }
  }
  found.sort((x, y) => (x.edge === y.edge ? x.at - y.at : x.edge < y.edge ? -1 : 1));
  const out: Notch[] = [];
  for (const n of found) {
    const before = out[out.length - 1];
    if (before && before.edge === n.edge && n.at - before.at < DOUBLE_NOTCH) {
      out[out.length - 1] = { edge: n.edge, at: (before.at + n.at) / 2, kind: 'double' };
    } else out.push({ edge: n.edge, at: n.at, kind: n.double ? 'double' : 'single' });
  }
  return out;
}

function linesOf(d: Draft, ring: ShellEdge[]): InternalLine[] {
  const out: InternalLine[] = [];
  for (const s of d.inner) {
    const words = s.name ?? s.label;
    if (says(words, /grain/i) || isNotch(s)) continue;
    const kind = /cent(re|er)[ -]?front|\bcf\b/i.test(words)
      ? 'centre-front'
      : /waist/i.test(words)
        ? 'waist'
        : /fold/i.test(words)
          ? 'fold'
          : closes(s)
            ? 'placement'
            : 'other';
    if (kind === 'fold' && ring.some((e) => e.onFold)) continue;
    out.push({ kind, path: s.path });
  }
  return out;
}

/** A largest piece under 15 cm or over 3 m is a unit mistake more often than a garment. */
function checkSize(pieces: ShellPiece[], findings: Finding[]): void {
  const sides = pieces.map((p) => {
    const b = boxOf(p.ring.flatMap((e) => e.path));
    return Math.max(b.maxX - b.minX, b.maxY - b.minY);
  });
  const largest = Math.max(...sides);
  if (largest >= 150 && largest <= 3000) return;
  const factor = [10, 25.4, 25.4 / 96, 0.1, 1 / 25.4, 96 / 25.4].find((k) => largest * k >= 300 && largest * k <= 1800);
  findings.push({ code: 'size-odd', severity: 'warn', data: { largest, ...(factor && { factor }) } });
}
