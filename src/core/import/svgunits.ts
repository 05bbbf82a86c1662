import { type Affine, compose, translation } from '../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { MM_PER_UNIT } from '../units.ts';

interface Sized {
  value: number;
  unit: string;
}

function sized(raw: string | undefined): Sized | null {
  const m = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i.exec(raw ?? '');
  return m ? { value: Number(m[1]), unit: (m[2] ?? '').toLowerCase() } : null;
}

/** `viewBox` as numbers; null when absent, a refusal when it is there but senseless. */
function viewBoxOf(raw: string | undefined): Result<[number, number, number, number] | null> {
  if (raw === undefined || raw.trim() === '') return ok(null);
  const n = raw
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  if (n.length !== 4 || n.some((v) => !Number.isFinite(v)) || (n[2] as number) <= 0 || (n[3] as number) <= 0) {
    return refuse(stop('viewbox-bad', undefined, { value: raw.slice(0, 60) }));
  }
  return ok(n as [number, number, number, number]);
}

/** Millimetres of one size attribute; null when it has no physical unit and none was said. */
function inMm(s: Sized | null, said: number | undefined): number | null {
  if (!s || s.unit === '%' || s.value <= 0) return null;
  const own = MM_PER_UNIT[s.unit];
  if (s.unit === '' || own === undefined) return said === undefined ? null : s.value * said;
  return s.value * (s.unit === 'px' && said !== undefined ? said : own);
}

/**
 * The map from drawing units to millimetres: physical `width`/`height` over the `viewBox` (SVG 2, section 8; the
 * default keeps proportions, so the smaller scale holds). Without a physical size, `unit` must say what one unit is.
 */
export function scaleOf(attrs: Record<string, string>, unit?: string): Result<{ map: Affine; findings: Finding[] }> {
  const said = unit === undefined ? undefined : MM_PER_UNIT[unit.toLowerCase()];
  if (unit !== undefined && said === undefined)
    return refuse(stop('unit-unknown', undefined, { unit: unit.slice(0, 20) }));
  const box = viewBoxOf(attrs.viewBox);
  if (!box.ok) return box;
  const width = sized(attrs.width);
  const height = sized(attrs.height);
  const findings: Finding[] = [];
  const own = width?.unit ?? '';
  if (unit !== undefined && box.value && own in MM_PER_UNIT && own !== 'px' && own !== unit.toLowerCase()) {
    findings.push({ code: 'unit-not-needed', severity: 'note', data: { said: unit, own } });
  }
  const w = inMm(width, said);
  const h = inMm(height, said);
  if (w === null && h === null) {
    if (said === undefined) return refuse(stop('no-units', undefined, guess(box.value, width, height)));
    const v = box.value;
    return ok({ map: v ? compose(even(said), translation(-v[0], -v[1])) : even(said), findings });
  }
  // Without a viewBox one drawing unit is one px, whatever unit the size is given in (SVG 2, section 8.1).
  if (!box.value) {
    if (said === undefined && own !== 'px') findings.push({ code: 'units-are-px', severity: 'note', data: { own } });
    return ok({ map: even(said ?? (MM_PER_UNIT.px as number)), findings });
  }
  const [x, y, bw, bh] = box.value;
  const sx = w === null ? Number.POSITIVE_INFINITY : w / bw;
  const sy = h === null ? Number.POSITIVE_INFINITY : h / bh;
  const free = /^\s*none/.test(attrs.preserveAspectRatio ?? '') && w !== null && h !== null;
  const k = Math.min(sx, sy);
  const map: Affine = free ? { a: sx, b: 0, c: 0, d: sy, e: 0, f: 0 } : even(k);
  if (!free && w !== null && h !== null && Math.abs(sx / sy - 1) > 0.005) {
    findings.push({ code: 'svg-stretched', severity: 'warn', data: { across: sx, down: sy, used: k } });
  }
  return ok({ map: compose(map, translation(-x, -y)), findings });
}

const even = (k: number): Affine => ({ a: k, b: 0, c: 0, d: k, e: 0, f: 0 });

/** Which unit would make a garment of the drawing: one that puts its larger side between 30 cm and 4 m. */
function guess(
  box: [number, number, number, number] | null,
  width: Sized | null,
  height: Sized | null,
): Record<string, string | number> {
  const larger = Math.max(box?.[2] ?? 0, box?.[3] ?? 0, width?.value ?? 0, height?.value ?? 0);
  const fits = ['mm', 'cm', 'in', 'px'].find((u) => {
    const mm = larger * (MM_PER_UNIT[u] as number);
    return mm >= 300 && mm <= 4000;
  });
  return { larger, ...(fits && { guess: fits }) };
}

/** Width and height of a viewport in its own user units, which shares of a hundred inside it are of. */
export interface View {
  w: number;
  h: number;
}

/** What the drawing's own viewport measures in user units: its viewBox, or else its size. */
export function rootView(attrs: Record<string, string>): View {
  const box = viewBoxOf(attrs.viewBox);
  if (box.ok && box.value) return { w: box.value[2], h: box.value[3] };
  return { w: lengthIn(attrs.width, 0, 0), h: lengthIn(attrs.height, 0, 0) };
}

/** A length in user units (96 px to the inch); a share of a hundred is of `whole`. */
export function lengthIn(raw: string | undefined, whole: number, otherwise: number): number {
  const s = sized(raw);
  if (!s) return otherwise;
  if (s.unit === '%') return (s.value * whole) / 100;
  return s.value * ((MM_PER_UNIT[s.unit || 'px'] ?? (MM_PER_UNIT.px as number)) / (MM_PER_UNIT.px as number));
}

/** How much of the spare room goes before the drawing, by the words of `preserveAspectRatio`. */
const BEFORE: Record<string, number> = { min: 0, mid: 0.5, max: 1 };

/**
 * The map from the units inside a nested viewport to those around it: its place, and its viewBox fitted to its size (SVG
 * 2, sections 8.2 and 8.6). `outer` is the viewport around it. Null for one without size, which draws nothing.
 */
export function nestedView(attrs: Record<string, string>, outer: View): Result<{ map: Affine; view: View } | null> {
  const box = viewBoxOf(attrs.viewBox);
  if (!box.ok) return box;
  const w = lengthIn(attrs.width, outer.w, outer.w);
  const h = lengthIn(attrs.height, outer.h, outer.h);
  const place = translation(lengthIn(attrs.x, outer.w, 0), lengthIn(attrs.y, outer.h, 0));
  if (!box.value) return ok({ map: place, view: { w, h } });
  if (w <= 0 || h <= 0) return ok(null);
  const [x, y, bw, bh] = box.value;
  const inner = { w: bw, h: bh };
  const fit = /^\s*(?:defer\s+)?(none|x(Min|Mid|Max)Y(Min|Mid|Max))(?:\s+(slice))?/i.exec(
    attrs.preserveAspectRatio ?? '',
  );
  if (fit?.[1]?.toLowerCase() === 'none') {
    const map: Affine = { a: w / bw, b: 0, c: 0, d: h / bh, e: 0, f: 0 };
    return ok({ map: compose(place, compose(map, translation(-x, -y))), view: inner });
  }
  const k = fit?.[4] ? Math.max(w / bw, h / bh) : Math.min(w / bw, h / bh);
  const spare = (room: number, word: string | undefined): number =>
    room * (BEFORE[(word ?? 'mid').toLowerCase()] ?? 0.5);
  const shift = translation(spare(w - k * bw, fit?.[2]), spare(h - k * bh, fit?.[3]));
  return ok({ map: compose(place, compose(shift, compose(even(k), translation(-x, -y)))), view: inner });
}
