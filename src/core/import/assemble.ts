import { type ShellPiece } from '../document/project.ts';
import { boxOf, distance, endOf, insideRing, nearestOn, pathLength, pointAlong, startOf } from '../geometry/index.ts';
import { agreeing, companyOf, oddSize, type Suggestion } from '../pattern/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { capital, plainName } from '../text.ts';
import { HEAL_GAP, LIGHTEN } from '../tolerance.ts';
import { type Drawing, type Shape } from './drawing.ts';
import { joinLoose } from './join.ts';
import { NOTCH_LENGTH } from './marks.ts';
import { boxHas, type Draft, nest, withoutFrame } from './nest.ts';
import { closes, GAP_TOLD, meantAsOutline, type Outline, toOutline } from './outline.ts';
import { type Parted, partDraft, toPiece } from './piece.ts';
import { type Tell, untold } from './progress.ts';

export interface Imported {
  pieces: ShellPiece[];
  findings: Finding[];
}

const NO_OUTLINE = new Set(['notch', 'grain', 'drill', 'text', 'mirror', 'internal']);

/**
 * Makes shell pieces of a drawing: closed outlines become pieces, line work inside them becomes marks, text inside names
 * them. All or nothing: any outline that cannot be used refuses the whole, each with its reason.
 */
export function assemble(drawing: Drawing, tell: Tell = untold, garment?: string): Result<Imported> {
  const findings = [...drawing.findings];
  const { closed, open } = ringsOf(drawing.shapes, findings);
  const vast = vastIn(closed);
  if (vast.length) return refuse(...vast);
  const outlines = outlinesOf(closed, findings, tell).sort((a, b) => b.areaMm2 - a.areaMm2);
  noteLightened(outlines, findings);
  const drafts = nest(withoutFrame(outlines, findings));
  for (const s of open) place(s, drafts, findings);
  for (const c of drawing.captions) holderOf(drafts, c.at)?.captions.push(c.text);
  const stops = findings.filter((f) => f.severity === 'stop');
  if (stops.length) return refuse(...stops);
  const real = drafts.filter((d) => !isSmallMark(d, drafts));
  // With nothing left, what was passed over is the reason.
  if (!real.length) return refuse(...reasons(findings));
  const order = new Map(drawing.shapes.map((s, i) => [s.label + s.group, i]));
  const rank = (d: Draft): number => order.get(d.outline.shape.label + d.outline.shape.group) ?? 0;
  real.sort((a, b) => rank(a) - rank(b));
  const names = namesOf(real, drawing);
  const company = { ...companyOf(names), ...(garment && { garment }) };
  const parts = real.map((d, i) => partDraft(d, names[i] as string, company));
  const readings = agreeing(parts.map((p) => p.readings));
  const pieces = real.map((d, i) =>
    toPiece(d, parts[i] as Parted, readings[i] as Suggestion, `p${i + 1}`, names[i] as string, findings),
  );
  const both = real.filter((d) => d.seam).length;
  if (both) findings.push({ code: 'both-lines', severity: 'note', data: { count: both, of: pieces.length } });
  const size = oddSize(pieces);
  if (size) findings.push(size);
  return ok({ pieces, findings: withGapsAtOnce(findings) });
}

function reasons(findings: Finding[]): Finding[] {
  const empty = findings.filter((f) => f.code === 'zero-area').map((f) => ({ ...f, severity: 'stop' as const }));
  return empty.length ? empty : [stop('no-outlines')];
}

const sideOf = (s: Shape): number => {
  const b = boxOf(s.path);
  return Math.max(b.maxX - b.minX, b.maxY - b.minY);
};

/** Larger than this (mm) no piece is, in whatever unit it was meant; working one out would take minutes. */
const VAST = 100_000;

const vastIn = (closed: Shape[]): Finding[] =>
  closed
    .filter((s) => s.path.length && sideOf(s) > VAST)
    .slice(0, 5)
    .map((s) => stop('piece-vast', undefined, { label: s.label, side: sideOf(s) }));

/**
 * Outlines that can be pieces. What encloses nothing is passed over and told, and so is a shape that is no larger than a
 * letter beside the largest: lettering drawn as outlines is no reason to refuse a pattern.
 */
function outlinesOf(closed: Shape[], findings: Finding[], tell: Tell): Outline[] {
  const sides = closed.map((s) => (s.path.length ? sideOf(s) : 0));
  const largest = Math.max(0, ...sides);
  let letters = 0;
  const found = closed.flatMap((s, i): Outline[] => {
    if (i % EVERY === 0) tell({ stage: 'pieces', done: i, of: closed.length });
    const own: Finding[] = [];
    const made = toOutline(s, own);
    const small = (sides[i] as number) < LETTER && largest > 4 * LETTER;
    const empty = own.some((f) => f.code === 'zero-area');
    if (!made && small) {
      letters += 1;
      return [];
    }
    findings.push(...own.map((f) => (empty && f.severity === 'stop' ? { ...f, severity: 'note' as const } : f)));
    return made ? [made] : [];
  });
  if (letters) findings.push({ code: 'letters-passed', severity: 'note', data: { count: letters } });
  return found;
}

/** No letter or mark beside a pattern piece is larger (mm). */
const LETTER = 40;

/** Gaps that were closed, told at once with the largest. */
function withGapsAtOnce(findings: Finding[]): Finding[] {
  const gaps = findings.filter((f) => f.code === 'gap-healed');
  if (gaps.length < 2) return findings;
  const worst = gaps.reduce((m, f) => (Number(f.data?.gap) > Number(m.data?.gap) ? f : m));
  const one = { ...worst, data: { ...worst.data, count: gaps.length } };
  return [...findings.filter((f) => f.code !== 'gap-healed'), one];
}

/** Tells once how many outlines of very many short lines are kept as few curves. */
function noteLightened(outlines: Outline[], findings: Finding[]): void {
  const light = outlines.filter((o) => o.path.length * 2 <= o.shape.path.length);
  if (!light.length) return;
  const from = light.reduce((n, o) => n + o.shape.path.length, 0);
  const to = light.reduce((n, o) => n + o.path.length, 0);
  findings.push({
    code: 'lines-lightened',
    severity: 'note',
    data: { count: light.length, from, to, within: LIGHTEN },
  });
}

/** Outlines between two words on how far it is. */
const EVERY = 16;

/** Closed outlines, those joined from loose lines among them, and what stays open. */
function ringsOf(shapes: Shape[], findings: Finding[]): { closed: Shape[]; open: Shape[] } {
  const mayJoin = (s: Shape): boolean => !closes(s) && !NO_OUTLINE.has(s.hint ?? '');
  const { rings, rest } = joinLoose(shapes.filter(mayJoin));
  for (const r of rings)
    if (r.gap > GAP_TOLD)
      findings.push({
        code: 'gap-healed',
        severity: 'note',
        where: { piece: r.name ?? r.label },
        data: { label: r.name ?? r.label, gap: r.gap },
      });
  const closed = [...shapes.filter((s) => closes(s) && s.hint !== 'text'), ...rings];
  return {
    closed,
    open: [...rest, ...shapes.filter((s) => !closes(s) && NO_OUTLINE.has(s.hint ?? '') && s.hint !== 'text')],
  };
}

/** Dots and squares that lie by themselves beside the pieces are no pieces. */
const isSmallMark = (d: Draft, all: Draft[]): boolean =>
  d.outline.areaMm2 < 300 && all.some((o) => o.outline.areaMm2 > 50 * d.outline.areaMm2);

const holderOf = (drafts: Draft[], p: { x: number; y: number }): Draft | undefined =>
  drafts.find((d) => boxHas(d.box, p) && insideRing(d.outline.points, p));

/** An open run belongs to the piece it lies in or crosses; one that was meant as an outline is refused with its gap. */
function place(s: Shape, drafts: Draft[], findings: Finding[]): void {
  const middle = pointAlong(s.path, pathLength(s.path) / 2);
  const holder =
    holderOf(drafts, middle) ??
    drafts.find(
      (d) => boxHas(d.box, middle, NOTCH_LENGTH) && nearestOn(d.outline.path, middle).distance < NOTCH_LENGTH,
    );
  if (holder) {
    holder.inner.push(s);
    return;
  }
  const label = s.name ?? s.label;
  const a = startOf(s.path);
  if (meantAsOutline(s.path)) {
    const gap = distance(a, endOf(s.path));
    const where = { label, gap, x: Math.round(a.x), y: Math.round(a.y), heal: HEAL_GAP };
    findings.push(stop('outline-open', { piece: label, x: a.x, y: a.y }, where));
  } else findings.push({ code: 'line-outside', severity: 'note', where: { x: a.x, y: a.y }, data: { label } });
}

/** Words in a piece that say something else than its name. */
const NO_NAME =
  /^(cut|place|grain|notch|fold|seam|hem|size|sizes|style|quantity|material|fabric|annotation|category|rule|sample|author|creation|units|\d)/i;

/** Names: what a person called the outline, else its group if that holds only this outline, else text inside it. */
function namesOf(drafts: Draft[], drawing: Drawing): string[] {
  const perGroup = new Map<number, number>();
  for (const d of drafts) perGroup.set(d.outline.shape.group, (perGroup.get(d.outline.shape.group) ?? 0) + 1);
  const used = new Map<string, number>();
  return drafts.map((d, i) => {
    const g = d.outline.shape.group;
    const group = perGroup.get(g) === 1 ? drawing.groupNames[g] : null;
    const said = d.captions.map((c) => /^piece ?name\s*:\s*(.+)$/i.exec(c)?.[1]).find(Boolean);
    const text = d.captions.find((c) => !NO_NAME.test(c.trim()) && /\p{L}{2}|\p{Lo}/u.test(c));
    const raw = said ?? d.outline.shape.name ?? d.seam?.shape.name ?? group ?? firstPart(text) ?? `Piece ${i + 1}`;
    const short = calm(plainName(raw).trim()).replace(
      /[\s.]+(outline|contour|path|shape|seam ?line|cut(ting)? ?line|seam|cut)$/i,
      '',
    );
    const name = plainName(capital(short), 80) || `Piece ${i + 1}`;
    const seen = used.get(name) ?? 0;
    used.set(name, seen + 1);
    return seen ? `${name} ${seen + 1}` : name;
  });
}

/** Names of blocks are often written all in capitals with underscores. */
const calm = (name: string): string =>
  /^[A-Z0-9 _.-]{3,}$/.test(name) && /[A-Z]{3}/.test(name) ? name.replace(/_/g, ' ').toLowerCase() : name;

/** "Front · cut 2" names a front: what comes before the count or the fold. */
const firstPart = (text: string | undefined): string | undefined =>
  text?.split(/\s*[·,;|]\s*|\s+[-–](?:\s+|$)|\s+(?=cut \d)|\s+(?=on (?:the )?fold)/i)[0] || undefined;
