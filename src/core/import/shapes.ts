import { type Finding, stop } from '../result.ts';

/** A length attribute in user units; absolute units are turned into user units at 96 to the inch. */
function number(attrs: Record<string, string>, key: string, otherwise = 0): number {
  const raw = attrs[key];
  if (raw === undefined || raw.trim() === '') return otherwise;
  const m = /^([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(px|mm|cm|in|pt|pc)?$/i.exec(raw.trim());
  if (!m) return Number.NaN;
  const px: Record<string, number> = { px: 1, mm: 96 / 25.4, cm: 96 / 2.54, in: 96, pt: 96 / 72, pc: 16 };
  return Number(m[1]) * (px[(m[2] ?? 'px').toLowerCase()] ?? 1);
}

/**
 * Path data of a basic shape (SVG 2, chapter 10), null for an element that draws no line. A finding when a number in it
 * cannot be read.
 */
export function shapeData(tag: string, attrs: Record<string, string>, label: string): string | Finding | null {
  if (tag === 'path') return attrs.d?.trim() ? attrs.d : null;
  const read = readers[tag];
  if (!read) return null;
  const data = read(attrs);
  return data.includes('NaN') || data.includes('Infinity')
    ? stop('not-finite', { piece: label }, { label, value: badNumber(attrs) })
    : data;
}

const badNumber = (attrs: Record<string, string>): string =>
  (
    attrs.points ??
    Object.entries(attrs).find(
      ([k, v]) =>
        ['x', 'y', 'cx', 'cy', 'r', 'rx', 'ry', 'width', 'height', 'x1', 'y1', 'x2', 'y2'].includes(k) &&
        !Number.isFinite(Number.parseFloat(v)),
    )?.[1] ??
    'NaN'
  ).slice(0, 60);

/** Corners of a polyline or polygon; null for another element or where none are given. */
export function cornersOf(tag: string, attrs: Record<string, string>, label: string): number[] | Finding | null {
  if (tag !== 'polyline' && tag !== 'polygon') return null;
  const n = (attrs.points ?? '').match(/[^\s,]+/g)?.map(Number) ?? [];
  const bad = n.findIndex((v) => !Number.isFinite(v));
  if (bad >= 0) return stop('not-finite', { piece: label }, { label, value: badNumber(attrs) });
  return n.length < 4 ? null : n.slice(0, n.length - (n.length % 2));
}

const readers: Record<string, (attrs: Record<string, string>) => string> = {
  line: (a) => `M${number(a, 'x1')} ${number(a, 'y1')}L${number(a, 'x2')} ${number(a, 'y2')}`,
  rect,
  circle: (a) => oval(number(a, 'cx'), number(a, 'cy'), number(a, 'r'), number(a, 'r')),
  ellipse: (a) => oval(number(a, 'cx'), number(a, 'cy'), number(a, 'rx'), number(a, 'ry')),
};

function rect(a: Record<string, string>): string {
  const [x, y, w, h] = [number(a, 'x'), number(a, 'y'), number(a, 'width'), number(a, 'height')];
  const rx = Math.min(number(a, 'rx', number(a, 'ry')), w / 2);
  const ry = Math.min(number(a, 'ry', rx), h / 2);
  if (rx <= 0 || ry <= 0) return `M${x} ${y}H${x + w}V${y + h}H${x}Z`;
  const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  return `M${x + rx} ${y}H${x + w - rx}${arc(rx, ry)}V${y + h - ry}${arc(-rx, ry)}H${x + rx}${arc(-rx, -ry)}V${y + ry}${arc(rx, -ry)}Z`;
}

const oval = (cx: number, cy: number, rx: number, ry: number): string =>
  `M${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}Z`;
