import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { type Affine, apply, compose, type Path, type Point, translation } from '../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../result.ts';
import { shapeData } from './shapes.ts';
import { readPathData, readTransform } from './svgpath.ts';
import { scaleOf } from './svgunits.ts';

/** One run of line work from the file, in mm. */
export interface Shape {
  path: Path;
  closed: boolean;
  /** What the file calls it, for messages: its id, label, or kind and number. */
  label: string;
  /** A name a person gave it, if any. */
  name: string | null;
  /** The innermost group it stands in. */
  group: number;
}

/** Text in the drawing, at its anchor in mm. */
export interface Caption {
  text: string;
  at: Point;
  group: number;
}

export interface Drawing {
  shapes: Shape[];
  captions: Caption[];
  groupNames: (string | null)[];
  findings: Finding[];
}

/** An element as the order-keeping XML reader gives it. */
type Node = Record<string, unknown> & { ':@'?: Record<string, string> };

const SKIPPED = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'metadata',
  'style',
  'title',
  'desc',
  'filter',
  'linearGradient',
  'radialGradient',
  'namedview',
]);
const MAX_DEPTH = 64;
const MAX_SHAPES = 20000;

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
    return stop('not-svg', undefined, { kind: 'picture-or-pdf' });
  if (/<!ENTITY/i.test(text)) return stop('svg-entities');
  if (/<(?:\w+:)?script[\s>/]/i.test(text)) return stop('svg-script');
  if (!/<(?:\w+:)?svg[\s>/]/.test(text)) return stop('not-svg', undefined, { kind: 'other' });
  return null;
}

/**
 * Reads an SVG drawing: shapes and texts in millimetres. `unit` says what one drawing unit is where the file has no
 * physical size. Nothing is fetched, no script or entity is accepted.
 */
export function readSvg(text: string, unit?: string): Result<Drawing> {
  const early = sniff(text);
  if (early) return refuse(early);
  const valid = XMLValidator.validate(text);
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
  w.children(root, base.value.map, w.group(null), 0, new Set());
  const stops = w.findings.filter((f) => f.severity === 'stop');
  if (stops.length) return refuse(...stops);
  return ok({ shapes: w.shapes, captions: w.captions, groupNames: w.groupNames, findings: w.findings });
}

/** Walks the element tree, collecting shapes and captions. Internal to one call of readSvg. */
class Walker {
  shapes: Shape[] = [];
  captions: Caption[] = [];
  groupNames: (string | null)[] = [];
  findings: Finding[] = [];
  private byId = new Map<string, Node>();
  private counts = new Map<string, number>();

  constructor(root: Node) {
    const stack: Node[] = [root];
    while (stack.length) {
      const n = stack.pop() as Node;
      const id = attrsOf(n).id;
      if (id && !this.byId.has(id)) this.byId.set(id, n);
      const kids = n[tagOf(n)];
      if (Array.isArray(kids)) stack.push(...(kids as Node[]));
    }
  }

  group(name: string | null): number {
    this.groupNames.push(name);
    return this.groupNames.length - 1;
  }

  children(n: Node, m: Affine, group: number, depth: number, uses: Set<string>): void {
    if (depth > MAX_DEPTH) {
      this.findings.push(stop('svg-too-deep'));
      return;
    }
    for (const kid of kidsOf(n)) this.element(kid, m, group, depth + 1, uses);
  }

  private element(n: Node, m: Affine, group: number, depth: number, uses: Set<string>): void {
    const tag = local(tagOf(n));
    const attrs = attrsOf(n);
    if (tag === '#text' || SKIPPED.has(tag) || hidden(attrs) || this.shapes.length > MAX_SHAPES) return;
    const here = compose(m, readTransform(attrs.transform));
    if (tag === 'g' || tag === 'a' || tag === 'svg' || tag === 'switch') {
      const offset =
        tag === 'svg' ? compose(here, translation(Number(attrs.x ?? 0) || 0, Number(attrs.y ?? 0) || 0)) : here;
      this.children(n, offset, this.group(givenName(n)), depth, uses);
    } else if (tag === 'use') this.use(n, here, group, depth, uses);
    else if (tag === 'text') this.text(n, here, group);
    else if (tag === 'image' || tag === 'foreignObject')
      this.findings.push({ code: 'svg-part-ignored', severity: 'note', data: { tag } });
    else this.shape(n, tag, here, group);
  }

  private use(n: Node, m: Affine, group: number, depth: number, uses: Set<string>): void {
    const attrs = attrsOf(n);
    const ref = (attrs.href ?? attrs['xlink:href'] ?? '').trim();
    const target = ref.startsWith('#') ? this.byId.get(ref.slice(1)) : undefined;
    if (!target || uses.has(ref)) {
      this.findings.push({ code: 'svg-use-ignored', severity: 'warn', data: { ref: ref.slice(0, 60) } });
      return;
    }
    const moved = compose(m, translation(Number(attrs.x ?? 0) || 0, Number(attrs.y ?? 0) || 0));
    const inner = new Set(uses).add(ref);
    if (local(tagOf(target)) === 'symbol')
      this.children(target, moved, this.group(givenName(n) ?? givenName(target)), depth, inner);
    else this.element(target, moved, group, depth + 1, inner);
  }

  private text(n: Node, m: Affine, group: number): void {
    const attrs = attrsOf(n);
    const words = textOf(n).replace(/\s+/g, ' ').trim();
    const inner = kidsOf(n)
      .map(attrsOf)
      .find((a) => a.x !== undefined);
    const at = apply(m, {
      x: Number.parseFloat(attrs.x ?? inner?.x ?? '0') || 0,
      y: Number.parseFloat(attrs.y ?? inner?.y ?? '0') || 0,
    });
    if (words) this.captions.push({ text: words.slice(0, 200), at, group });
  }

  private shape(n: Node, tag: string, m: Affine, group: number): void {
    const attrs = attrsOf(n);
    const number = (this.counts.get(tag) ?? 0) + 1;
    this.counts.set(tag, number);
    const name = givenName(n);
    const label = name ?? attrs.id ?? `${tag} ${number}`;
    const data = shapeData(tag, attrs, label);
    if (data === null) return;
    if (typeof data !== 'string') {
      this.findings.push(data);
      return;
    }
    const runs = readPathData(data, m, label);
    if (!runs.ok) this.findings.push(...runs.findings);
    else for (const r of runs.value) this.shapes.push({ ...r, label, name, group });
  }
}

function hidden(attrs: Record<string, string>): boolean {
  const style = attrs.style ?? '';
  const says = (key: string, value: string) =>
    attrs[key] === value || new RegExp(`(?:^|;)\\s*${key}\\s*:\\s*${value}\\b`).test(style);
  return says('display', 'none') || says('visibility', 'hidden');
}

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
