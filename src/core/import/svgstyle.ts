import { type Stroke } from './drawing.ts';

type Declarations = Record<string, string>;

interface CssRule {
  tag: string | null;
  id: string | null;
  classes: string[];
  weight: number;
  says: Declarations;
}

/** What an element passes on to its children, as far as reading a pattern needs it. */
export interface Inherited {
  stroke: string;
  width: string;
  dash: string;
  visible: boolean;
  fill: string;
}

export const AT_START: Inherited = { stroke: '', width: '1', dash: 'none', visible: true, fill: '' };

const declarations = (text: string): Declarations =>
  Object.fromEntries(
    text
      .split(';')
      .map((d) => d.split(':'))
      .filter((p) => p.length >= 2)
      .map(([k, ...v]) => [
        (k as string).trim().toLowerCase(),
        v
          .join(':')
          .replace(/!important/i, '')
          .trim(),
      ]),
  );

/**
 * Style rules with simple selectors (element, class, id and their combination, in comma lists); others are passed over,
 * as are at-rules. Enough for what drawing programs write.
 */
export function readCss(text: string): CssRule[] {
  const plain = text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/@[^{};]*(?:;|\{(?:[^{}]*\{[^{}]*\})*[^{}]*\})/g, '');
  const rules: CssRule[] = [];
  for (const m of plain.matchAll(/([^{}]+)\{([^{}]*)\}/g)) {
    const says = declarations(m[2] as string);
    for (const selector of (m[1] as string).split(',')) {
      const s = /^\s*(\*|[\w-]+)?((?:[.#][\w-]+)*)\s*$/.exec(selector);
      if (!s || !selector.trim()) continue;
      const parts = (s[2] as string).match(/[.#][\w-]+/g) ?? [];
      const tag = s[1] && s[1] !== '*' ? s[1] : null;
      const id = parts.find((p) => p.startsWith('#'))?.slice(1) ?? null;
      const classes = parts.filter((p) => p.startsWith('.')).map((p) => p.slice(1));
      rules.push({ tag, id, classes, weight: (id ? 100 : 0) + classes.length * 10 + (tag ? 1 : 0), says });
    }
  }
  return rules.sort((a, b) => a.weight - b.weight);
}

/** Declarations of one element: attributes, then rules by weight, then its own style (CSS cascade, simple selectors). */
function declared(tag: string, attrs: Record<string, string>, rules: CssRule[]): Declarations {
  const classes = (attrs.class ?? '').split(/\s+/);
  const fitting = rules.filter(
    (r) => (!r.tag || r.tag === tag) && (!r.id || r.id === attrs.id) && r.classes.every((c) => classes.includes(c)),
  );
  return Object.assign({}, attrs, ...fitting.map((r) => r.says), declarations(attrs.style ?? ''));
}

/** The element's own look on top of what it inherits; `shown` is false where it and all inside it are not displayed. */
export function styleOf(
  tag: string,
  attrs: Record<string, string>,
  rules: CssRule[],
  from: Inherited,
): { style: Inherited; shown: boolean } {
  const d = declared(tag, attrs, rules);
  const own = (key: string, otherwise: string): string => {
    const v = d[key];
    return v === undefined || v === 'inherit' ? otherwise : v;
  };
  const visibility = own('visibility', from.visible ? 'visible' : 'hidden');
  return {
    shown: d.display !== 'none' && Number(d.opacity ?? '1') !== 0,
    style: {
      stroke: own('stroke', from.stroke),
      width: own('stroke-width', from.width),
      dash: own('stroke-dasharray', from.dash),
      fill: own('fill', from.fill),
      visible: visibility !== 'hidden' && visibility !== 'collapse',
    },
  };
}

const NAMED: Record<string, string> = {
  black: '#000000',
  white: '#ffffff',
  red: '#ff0000',
  green: '#008000',
  blue: '#0000ff',
  lime: '#00ff00',
  magenta: '#ff00ff',
  cyan: '#00ffff',
  yellow: '#ffff00',
  gray: '#808080',
  grey: '#808080',
  orange: '#ffa500',
  purple: '#800080',
};

/** A colour as `#rrggbb` where it can be read, else the file's own word. */
export function colourOf(raw: string): string {
  const c = raw.trim().toLowerCase();
  if (c === 'none' || c === 'transparent') return 'none';
  const short = /^#([0-9a-f])([0-9a-f])([0-9a-f])$/.exec(c);
  if (short)
    return `#${short
      .slice(1)
      .map((x) => x + x)
      .join('')}`;
  const rgb = /^rgb\(\s*([\d.]+)(%?)[\s,]+([\d.]+)%?[\s,]+([\d.]+)%?\s*\)$/.exec(c);
  if (rgb) {
    const scale = rgb[2] ? 2.55 : 1;
    const hex = [rgb[1], rgb[3], rgb[4]].map((v) =>
      Math.min(255, Math.round(Number(v) * scale))
        .toString(16)
        .padStart(2, '0'),
    );
    return `#${hex.join('')}`;
  }
  return NAMED[c] ?? c;
}

/** The stroke in mm; `scale` is the size of one user unit there. A dash list of odd length is doubled (SVG 2, 13.5.6). */
export function strokeOf(style: Inherited, scale: number): Stroke {
  const width = Number.parseFloat(style.width);
  const numbers = style.dash === 'none' ? [] : (style.dash.match(/[\d.]+/g) ?? []).map(Number);
  const dash = numbers.every((n) => n === 0) ? [] : numbers.length % 2 ? [...numbers, ...numbers] : numbers;
  return {
    colour: colourOf(style.stroke),
    width: Number.isFinite(width) ? width * scale : 0,
    dash: dash.map((n) => n * scale),
  };
}
