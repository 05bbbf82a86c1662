import { type Path, weld } from '../geometry/index.ts';
import { plainName } from '../text.ts';
import { arrange, type Item, type Sheet, type Stroke } from './items.ts';

/** A coordinate with at most four decimals and no trailing zeros. */
export const num = (v: number): string => {
  const s = v.toFixed(4).replace(/\.?0+$/, '');
  return s === '-0' ? '0' : s;
};

const drawn = (path: Path): string =>
  path
    .map((s, i) => {
      const start = i ? '' : `M${num(s.a.x)} ${num(s.a.y)}`;
      return s.k === 'L'
        ? `${start}L${num(s.b.x)} ${num(s.b.y)}`
        : `${start}C${num(s.c.x)} ${num(s.c.y)} ${num(s.d.x)} ${num(s.d.y)} ${num(s.b.x)} ${num(s.b.y)}`;
    })
    .join('');

/**
 * SVG path data of one joined path, in mm; lines and cubics stay what they are. One subpath: a path whose segments do not
 * follow each other (a step over WELD) throws OpenOutline, so that no line is ever drawn that nobody drafted.
 */
export const pathData = (path: Path): string => drawn(weld(path, false));

/** The same of a closed outline, its last segment ending where the first begins. */
export const outlineData = (path: Path): string => `${drawn(weld(path, true))}Z`;

/** The same of several closed rings, an outline and the openings in it, as one path. */
export const ringsData = (rings: Path[]): string => rings.map(outlineData).join('');

const STYLE: Record<Stroke, string> = {
  cut: 'stroke-width="0.6"',
  seam: 'stroke-width="0.35" stroke-dasharray="4 2"',
  fold: 'stroke-width="0.6" stroke-dasharray="10 2 2 2"',
  grain: 'stroke-width="0.4"',
  notch: 'stroke-width="0.6"',
  inner: 'stroke-width="0.3" stroke-dasharray="1.5 1.5"',
  mark: 'stroke-width="0.5"',
  frame: 'stroke-width="0.2"',
};

/** Text as it may stand in XML: its own signs escaped, and what no XML document may hold left out. */
export const escapeXml = (s: string): string =>
  plainName(s, s.length).replace(
    /[<>&"']/g,
    (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;', "'": '&#39;' })[c] as string,
  );

function itemSvg(i: Item): string {
  if (i.kind === 'path') {
    const d = i.stroke === 'cut' ? outlineData(i.path) : pathData(i.path);
    return `<path class="${i.stroke}" d="${d}" ${STYLE[i.stroke]}/>`;
  }
  const weight = i.bold ? ' font-weight="600"' : '';
  const turned = i.upward ? ` transform="rotate(-90 ${num(i.at.x)} ${num(i.at.y)})"` : '';
  return `<text${turned} x="${num(i.at.x)}" y="${num(i.at.y)}" font-size="${num(i.size)}"${weight} fill="#000" stroke="none">${escapeXml(i.text)}</text>`;
}

/** All sheets side by side as one full-size SVG in millimetres. */
export function svgOf(sheets: Sheet[], title: string): string {
  const placed = arrange(sheets, 1500, 20);
  return svgAsTheyLie(placed.sheets, title, placed);
}

/** Sheets where they lie as one full-size SVG in millimetres, on a plane of this size from (0, 0). */
export function svgAsTheyLie(sheets: readonly Sheet[], title: string, size: { width: number; height: number }): string {
  const margin = 10;
  const w = size.width + 2 * margin;
  const h = size.height + 2 * margin;
  const groups = sheets
    .map(
      (s) => `<g id="${escapeXml(s.id)}"><title>${escapeXml(s.name)}</title>\n${s.items.map(itemSvg).join('\n')}\n</g>`,
    )
    .join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${num(w)}mm" height="${num(h)}mm" viewBox="${-margin} ${-margin} ${num(w)} ${num(h)}" fill="none" stroke="#000" font-family="sans-serif">
<title>${escapeXml(title)}</title>
${groups}
</svg>
`;
}
