import { type Finding, ok, type Result, refuse, stop } from '../../result.ts';

/** One group of a DXF file: its code and its value as written. */
interface Group {
  code: number;
  value: string;
}

/** What the parser package leaves out of an entity, by the handle given to it here. */
export interface Extra {
  /** Weights of a rational spline. */
  weights: number[];
  /** Drawn seen from behind: its x runs the other way. */
  flipped: boolean;
}

export interface Scanned {
  text: string;
  extras: Map<string, Extra>;
  /** Kinds of entities that were passed over, with how many. */
  ignored: Map<string, number>;
}

const READ = new Set([
  'LINE',
  'ARC',
  'CIRCLE',
  'ELLIPSE',
  'POLYLINE',
  'LWPOLYLINE',
  'SPLINE',
  'INSERT',
  'TEXT',
  'MTEXT',
  'POINT',
]);
/** Parts of an entity that stand by themselves in the file, or that draw nothing. */
const SILENT = new Set(['VERTEX', 'SEQEND', 'ATTRIB', 'ENDBLK', 'VIEWPORT', 'ENDSEC', 'EOF']);

/** Refusals that need no reading. */
export function sniffDxf(text: string): Finding | null {
  const head = text.slice(0, 400).trimStart();
  if (head === '') return stop('file-empty');
  if (head.startsWith('AutoCAD Binary DXF')) return stop('dxf-binary');
  if (!/^\s*(999|0)\s*[\r\n]/.test(text.slice(0, 400).replace(/^\uFEFF/, ''))) return stop('not-dxf');
  return null;
}

function groupsOf(text: string): Result<Group[]> {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const out: Group[] = [];
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const raw = (lines[i] as string).trim();
    if (raw === '' && i + 2 >= lines.length) break;
    if (!/^-?\d{1,4}$/.test(raw))
      return refuse(stop('dxf-broken', undefined, { line: i + 1, value: raw.slice(0, 40) }));
    out.push({ code: Number(raw), value: (lines[i + 1] as string).trim() });
    if (out[out.length - 1]?.code === 0 && out[out.length - 1]?.value === 'EOF') break;
  }
  return ok(out);
}

/** Groups cut into records, each beginning with a group of code 0. */
function recordsOf(groups: Group[]): Group[][] {
  const out: Group[][] = [];
  for (const g of groups) {
    if (g.code === 0) out.push([g]);
    else out[out.length - 1]?.push(g);
  }
  return out;
}

/** Codes whose values are numbers with a point or whole ones; a value that is neither would lead the reader astray. */
const isNumber = (code: number): boolean =>
  (code >= 10 && code <= 59) || (code >= 60 && code <= 99) || (code >= 210 && code <= 239);

/**
 * Reads the groups of a DXF text and writes out again only what a pattern needs, in an order the parser package can rely
 * on: units, layers and line types, blocks, entities, every polyline with its end. A file without its last line is read
 * as far as it goes. Refuses numbers that are none.
 */
export function scanDxf(text: string): Result<Scanned> {
  const read = groupsOf(text);
  if (!read.ok) return read;
  const w = new Writer();
  let section = '';
  for (const r of recordsOf(read.value)) {
    const kind = (r[0] as Group).value;
    if (kind === 'SECTION') section = r.find((g) => g.code === 2)?.value ?? '';
    if (section === 'HEADER' && kind === 'SECTION') w.header(r);
    else if (section === 'TABLES') w.table(kind, r);
    else if (section === 'BLOCKS' || section === 'ENTITIES') {
      const bad = r.find((g) => isNumber(g.code) && !Number.isFinite(Number(g.value)));
      if (bad && READ.has(kind))
        return refuse(stop('not-finite', { piece: kind }, { label: kind, value: bad.value.slice(0, 40) }));
      w.record(section, kind, r);
    }
  }
  return ok(w.done());
}

/** Collects the parts of the cleaned file. Internal to one call of scanDxf. */
class Writer {
  private head: Group[] = [];
  private layers: Group[][] = [];
  private types: Group[][] = [];
  private parts = { BLOCKS: [] as Group[], ENTITIES: [] as Group[] };
  private extras = new Map<string, Extra>();
  private ignored = new Map<string, number>();
  private openPolyline = false;
  private openBlock = false;
  private handle = 0;

  header(r: Group[]): void {
    for (let i = 0; i + 1 < r.length; i++) {
      const [g, v] = [r[i] as Group, r[i + 1] as Group];
      if (g.code === 9 && (g.value === '$INSUNITS' || g.value === '$MEASUREMENT') && /^\d+$/.test(v.value))
        this.head.push(g, v);
    }
  }

  table(kind: string, r: Group[]): void {
    const keep = r.filter((g) => [2, 6, 62, 70, 73, 40, 49].includes(g.code));
    if (kind === 'LAYER') this.layers.push([r[0] as Group, ...keep]);
    if (kind === 'LTYPE') this.types.push([r[0] as Group, ...keep.filter((g) => g.code !== 70)]);
  }

  record(section: 'BLOCKS' | 'ENTITIES', kind: string, r: Group[]): void {
    const part = this.parts[section];
    if (kind === 'VERTEX') {
      if (this.openPolyline) part.push(...this.numbered(r));
      return;
    }
    this.closePolyline(section);
    if (kind === 'BLOCK' || kind === 'ENDBLK') this.block(part, kind, r);
    else if (READ.has(kind)) {
      if (section === 'BLOCKS' && !this.openBlock) return;
      part.push(...this.numbered(r));
      this.openPolyline = kind === 'POLYLINE';
    } else if (!SILENT.has(kind) && kind !== 'SECTION') this.ignored.set(kind, (this.ignored.get(kind) ?? 0) + 1);
  }

  private block(part: Group[], kind: string, r: Group[]): void {
    if (this.openBlock) part.push({ code: 0, value: 'ENDBLK' });
    this.openBlock = kind === 'BLOCK';
    if (!this.openBlock) return;
    const name = r.find((g) => g.code === 2);
    const xref = Number(r.find((g) => g.code === 70)?.value ?? 0) & 4;
    if (xref) this.ignored.set('XREF', (this.ignored.get('XREF') ?? 0) + 1);
    const at = ['10', '20'].map((c) => r.find((g) => g.code === Number(c)));
    part.push({ code: 0, value: 'BLOCK' }, name ?? { code: 2, value: '?' });
    part.push({ code: 10, value: at[0]?.value ?? '0' }, { code: 20, value: at[1]?.value ?? '0' });
  }

  private closePolyline(section: 'BLOCKS' | 'ENTITIES'): void {
    if (this.openPolyline) this.parts[section].push({ code: 0, value: 'SEQEND' }, { code: 8, value: '0' });
    this.openPolyline = false;
  }

  /** The entity under a handle of ours, without codes the parser does not know, and what it would lose set aside. */
  private numbered(r: Group[]): Group[] {
    const handle = String(++this.handle);
    const weights =
      (r[0] as Group).value === 'SPLINE' ? r.filter((g) => g.code === 41).map((g) => Number(g.value)) : [];
    const flipped = Number(r.find((g) => g.code === 230)?.value ?? 1) < 0;
    if (weights.length || flipped) this.extras.set(handle, { weights, flipped });
    const vertices = r.filter((g) => g.code === 10).length;
    const kept = r
      .map((g) => (g.code === 90 ? { code: 90, value: String(vertices) } : g))
      .filter((g) => g.code !== 5 && g.code < 100 && !(g.code >= 90 && g.code !== 90));
    return [r[0] as Group, { code: 5, value: handle }, ...kept.slice(1)];
  }

  done(): Scanned {
    this.closePolyline('ENTITIES');
    if (this.openBlock) this.parts.BLOCKS.push({ code: 0, value: 'ENDBLK' });
    const section = (name: string, body: Group[]): Group[] => [
      { code: 0, value: 'SECTION' },
      { code: 2, value: name },
      ...body,
      { code: 0, value: 'ENDSEC' },
    ];
    const table = (name: string, rows: Group[][]): Group[] =>
      rows.length
        ? [
            { code: 0, value: 'TABLE' },
            { code: 2, value: name },
            { code: 70, value: String(rows.length) },
            ...rows.flat(),
            { code: 0, value: 'ENDTAB' },
          ]
        : [];
    const all = [
      ...section('HEADER', this.head),
      ...section('TABLES', [...table('LTYPE', this.types), ...table('LAYER', this.layers)]),
      ...section('BLOCKS', this.parts.BLOCKS),
      ...section('ENTITIES', this.parts.ENTITIES),
      { code: 0, value: 'EOF' },
    ];
    return { text: all.map((g) => `${g.code}\n${g.value}`).join('\n'), extras: this.extras, ignored: this.ignored };
  }
}
