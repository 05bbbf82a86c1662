import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { type Affine, apply, compose, translation } from '../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { type Caption, type Drawing, type Hint, type Shape } from './drawing.ts';
import { cornersOf, shapeData } from './shapes.ts';
import { type Drawn, readCorners, readPathData, readTransform } from './svgpath.ts';
import { AT_START, type Inherited, readCss, strokeOf, styleOf } from './svgstyle.ts';
import { lengthIn, nestedView, rootView, scaleOf, type View } from './svgunits.ts';

/** An element as the order-keeping XML reader gives it. */
type Node = Record<string, unknown> & { ':@'?: Record<string, string> };

const SKIPPED = new Set([
  'style',
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'metadata',
  'title',
  'desc',
  'filter',
  'linearGradient',
  'radialGradient',
  'namedview',
]);
const MAX_DEPTH = 64;
const MAX_SHAPES = 20000;
/** Elements walked, those met again through `use` included: a drawing that multiplies itself is cut short. */
const MAX_ELEMENTS = 80_000;

const tagOf = (n: Node): string => Object.keys(n).find((k) => k !== ':@') ?? '';
const local = (tag: string): string => tag.slice(tag.indexOf(':') + 1);
const kidsOf = (n: Node): Node[] => (n[tagOf(n)] as Node[] | undefined) ?? [];
const attrsOf = (n: Node): Record<string, string> => n[':@'] ?? {};

/** Refusals that need no parsing: empty, not text, not SVG, scripts and entities. */
function sniff(text: string): Finding | null {
  const head = text
    .slice(0, 4096)
    .replace(/^\uFEFF/, '')
    .trimStart();
  if (head === '') return stop('file-empty');
  if (/^(\u0089|\uFFFD)?PNG|^%PDF|^\uFFFD\uFFFD\uFFFD|^GIF8/.test(head))
    return stop('not-svg', undefined, { kind: 'picture' });
  const nul = /&#(?:0+|x0+);/i.exec(text);
  if (nul) {
    const line = text.slice(0, nul.index).split('\n').length;
    return stop('xml-broken', undefined, { line, detail: `${nul[0]} is no character of a text` });
  }
  if (/<!ENTITY/i.test(text)) return stop('svg-entities');
  if (/<(?:\w+:)?script[\s>/]/i.test(text)) return stop('svg-script');
  if (!/<(?:\w+:)?svg[\s>/]/.test(text)) return stop('not-svg', undefined, { kind: 'other' });
  return null;
}

/**
 * The text without long attribute values, for checking that it is well formed: there is nothing in them to be wrong, and
 * they are nearly all of a large drawing. Line breaks stay, so that a fault is still told by its line.
 */
const withoutLong = (text: string): string =>
  text.replace(/"[^"'<&]{400,}"/g, (v) => `"${v.includes('\n') ? v.replace(/[^\n]+/g, '') : ''}"`);

/**
 * Reads an SVG drawing: shapes and texts in millimetres. `unit` says what one drawing unit is where the file has no
 * physical size. Nothing is fetched, no script or entity is accepted.
 */
export function readSvg(text: string, unit?: string): Result<Drawing> {
  const early = sniff(text);
  if (early) return refuse(early);
  const valid = XMLValidator.validate(withoutLong(text));
  if (valid !== true)
    return refuse(stop('xml-broken', undefined, { line: valid.err.line, detail: valid.err.msg.slice(0, 120) }));
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    processEntities: true,
    trimValues: true,
    parseTagValue: false,
    parseAttributeValue: false,
  });
  let nodes: Node[];
  try {
    nodes = parser.parse(text) as Node[];
  } catch (e) {
    return refuse(stop('xml-broken', undefined, { line: 0, detail: String((e as Error).message).slice(0, 120) }));
  }
  const root = nodes.find((n) => local(tagOf(n)) === 'svg');
  if (!root) return refuse(stop('not-svg', undefined, { kind: 'other' }));
  const base = scaleOf(attrsOf(root), unit);
  if (!base.ok) return base;
  const w = new Walker(root);
  w.findings.push(...base.value.findings);
  w.children(root, {
    m: base.value.map,
    view: rootView(attrsOf(root)),
    group: w.group(null),
    layer: null,
    style: AT_START,
    depth: 0,
    uses: new Set(),
  });
  const stops = w.findings.filter((f) => f.severity === 'stop');
  if (stops.length) return refuse(...stops);
  return ok({ shapes: w.shapes, captions: w.captions, groupNames: w.groupNames, findings: w.findings });
}

/** Where an element stands: what it has from those around it. */
interface Place {
  m: Affine;
  /** The viewport it lies in. */
  view: View;
  group: number;
  layer: string | null;
  style: Inherited;
  depth: number;
  uses: ReadonlySet<string>;
}

/** Walks the element tree, collecting shapes and captions. Internal to one call of readSvg. */
class Walker {
  shapes: Shape[] = [];
  captions: Caption[] = [];
  groupNames: (string | null)[] = [];
  findings: Finding[] = [];
  private byId = new Map<string, Node>();
  private counts = new Map<string, number>();
  private rules: ReturnType<typeof readCss>;
  private full = false;
  private walked = 0;

  constructor(root: Node) {
    const stack: Node[] = [root];
    let css = '';
    while (stack.length) {
      const n = stack.pop() as Node;
      const id = attrsOf(n).id;
      if (id && !this.byId.has(id)) this.byId.set(id, n);
      if (local(tagOf(n)) === 'style') css += `${textOf(n)}\n`;
      const kids = n[tagOf(n)];
      if (Array.isArray(kids)) stack.push(...(kids as Node[]));
    }
    this.rules = readCss(css);
  }

  group(name: string | null): number {
    this.groupNames.push(name);
    return this.groupNames.length - 1;
  }

  children(n: Node, at: Place): void {
    if (at.depth > MAX_DEPTH) {
      this.findings.push(stop('svg-too-deep'));
      return;
    }
    for (const kid of kidsOf(n)) this.element(kid, { ...at, depth: at.depth + 1 });
  }

  private element(n: Node, at: Place): void {
    const tag = local(tagOf(n));
    const attrs = attrsOf(n);
    if (tag === '#text' || SKIPPED.has(tag) || this.isFull()) return;
    const { style, shown } = styleOf(tag, attrs, this.rules, at.style);
    if (!shown) return;
    const here: Place = { ...at, style, m: compose(at.m, readTransform(attrs.transform)) };
    if (tag === 'svg') this.nested(n, attrs, here);
    else if (tag === 'g' || tag === 'a' || tag === 'switch') {
      const layer = attrs['inkscape:groupmode'] === 'layer' ? givenName(n) : at.layer;
      this.children(n, { ...here, layer, group: this.group(givenName(n)) });
    } else if (tag === 'use') this.use(n, here);
    else if (tag === 'text') this.text(n, here);
    else if (tag === 'image' || tag === 'foreignObject')
      this.findings.push({ code: 'svg-part-ignored', severity: 'note', data: { tag } });
    else if (style.visible) this.shape(n, tag, here);
  }

  /** A drawing within the drawing, or a symbol put in its place: its units are its own. */
  private nested(n: Node, attrs: Record<string, string>, at: Place, name: string | null = null): void {
    const inner = nestedView(attrs, at.view);
    if (!inner.ok) this.findings.push(...inner.findings);
    else if (inner.value)
      this.children(n, {
        ...at,
        m: compose(at.m, inner.value.map),
        view: inner.value.view,
        group: this.group(name ?? givenName(n)),
      });
  }

  /** A drawing of more lines than any pattern has is read so far and the rest told, not silently dropped. */
  private isFull(): boolean {
    if (this.shapes.length <= MAX_SHAPES && ++this.walked <= MAX_ELEMENTS) return false;
    if (!this.full) this.findings.push(stop('too-many-lines', undefined, { most: MAX_SHAPES }));
    this.full = true;
    return true;
  }

  private use(n: Node, at: Place): void {
    const attrs = attrsOf(n);
    const ref = (attrs.href ?? attrs['xlink:href'] ?? '').trim();
    const target = ref.startsWith('#') ? this.byId.get(ref.slice(1)) : undefined;
    if (!target || at.uses.has(ref)) {
      this.findings.push({ code: 'svg-use-ignored', severity: 'warn', data: { ref: ref.slice(0, 60) } });
      return;
    }
    const m = compose(at.m, translation(lengthIn(attrs.x, at.view.w, 0), lengthIn(attrs.y, at.view.h, 0)));
    const inner: Place = { ...at, m, uses: new Set(at.uses).add(ref), depth: at.depth + 1 };
    if (inner.depth > MAX_DEPTH) this.findings.push(stop('svg-too-deep'));
    else if (/^(symbol|svg)$/.test(local(tagOf(target))))
      this.nested(target, sizedBy(attrs, attrsOf(target)), inner, givenName(n));
    else this.element(target, inner);
  }

  private text(n: Node, at: Place): void {
    const attrs = attrsOf(n);
    const words = textOf(n).replace(/\s+/g, ' ').trim();
    const inner = kidsOf(n)
      .map(attrsOf)
      .find((a) => a.x !== undefined);
    const where = apply(at.m, {
      x: Number.parseFloat(attrs.x ?? inner?.x ?? '0') || 0,
      y: Number.parseFloat(attrs.y ?? inner?.y ?? '0') || 0,
    });
    if (words && at.style.visible) this.captions.push({ text: words.slice(0, 200), at: where, group: at.group });
  }

  private shape(n: Node, tag: string, at: Place): void {
    const attrs = attrsOf(n);
    const number = (this.counts.get(tag) ?? 0) + 1;
    this.counts.set(tag, number);
    const name = givenName(n);
    const label = name ?? attrs.id ?? `${tag} ${number}`;
    const runs = drawnOf(tag, attrs, at.m, label);
    if (!runs) return;
    if (!runs.ok) {
      this.findings.push(...runs.findings);
      return;
    }
    const stroke = strokeOf(at.style, Math.sqrt(Math.abs(at.m.a * at.m.d - at.m.b * at.m.c)));
    for (const r of runs.value)
      this.shapes.push({
        ...r,
        label,
        name,
        group: at.group,
        layer: at.layer,
        stroke,
        hint: hintOf(attrs.class),
        ...(attrs.class && { said: attrs.class }),
      });
  }
}

/** A symbol or drawing is as large as the `use` that puts it there says, or else as it says itself (SVG 2, section 5.6). */
const sizedBy = (use: Record<string, string>, own: Record<string, string>): Record<string, string> => ({
  ...own,
  ...(use.width !== undefined && { width: use.width }),
  ...(use.height !== undefined && { height: use.height }),
});

/** What an element draws; null for one that draws nothing. */
function drawnOf(tag: string, attrs: Record<string, string>, m: Affine, label: string): Result<Drawn[]> | null {
  const corners = cornersOf(tag, attrs, label);
  if (Array.isArray(corners)) return readCorners(corners, tag === 'polygon', m, label);
  const data = corners ?? shapeData(tag, attrs, label);
  if (data === null) return null;
  return typeof data === 'string' ? readPathData(data, m, label) : refuse(data);
}

/** Classes that say what a line is, as Woodbine itself writes them. */
const CLASS_HINTS: Record<string, Hint> = {
  cut: 'boundary',
  seam: 'sew',
  notch: 'notch',
  grain: 'grain',
  inner: 'internal',
  mark: 'internal',
};

const hintOf = (classes: string | undefined): Hint | null =>
  (classes ?? '')
    .split(/\s+/)
    .map((c) => CLASS_HINTS[c.toLowerCase()] ?? null)
    .find((h) => h !== null) ?? null;

const MACHINE_ID =
  /^(path|rect|g|svg|layer|polygon|polyline|line|ellipse|circle|group|shape|use|text|tspan|_)[-_ ]?[\dx-]*[-_\d]*$/i;

/** The name a person gave the element: a label, a title, or an id that a program did not make up. */
function givenName(n: Node): string | null {
  const a = attrsOf(n);
  const title = kidsOf(n).find((k) => local(tagOf(k)) === 'title');
  const given = a['inkscape:label'] ?? a['aria-label'] ?? a['data-name'] ?? (title ? textOf(title) : undefined) ?? a.id;
  if (!given || MACHINE_ID.test(given.trim())) return null;
  return given.replace(/[_-]+/g, ' ').replace(/\s+/g, ' ').trim().slice(0, 80) || null;
}

function textOf(n: Node): string {
  const kids = n[tagOf(n)];
  if (!Array.isArray(kids)) return String(n['#text'] ?? kids ?? '');
  return (kids as Node[]).map((k) => (tagOf(k) === '#text' ? String(k['#text']) : textOf(k))).join(' ');
}
