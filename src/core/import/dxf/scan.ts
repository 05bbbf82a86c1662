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

/**
 * Hands over the file's records one after another, each beginning with a group of code 0, up to its end. Refuses a line
 * that should be a code and is none. Nothing is kept, so that a large file leaves little behind.
 */
function eachRecord(text: string, take: (r: Group[]) => Finding | null): Finding | null {
  let record: Group[] | null = null;
  let at = text.charCodeAt(0) === 0xfeff ? 1 : 0;
  const old = /\r(?!\n)/.test(text);
  const line = (): string | null => {
    if (at >= text.length) return null;
    const feed = text.indexOf('\n', at);
    const stopAt = feed < 0 ? text.length : feed;
    // A carriage return alone ends a line too, in files of old Macintoshes.
    const back = old ? text.indexOf('\r', at) : -1;
    const end = back >= 0 && back < stopAt - 1 ? back : stopAt;
    const found = text.slice(at, end);
    at = end + 1;
    return found.trim();
  };
  for (let n = 1; ; n += 2) {
    const raw = line();
    const value = raw === null ? null : line();
    if (raw === null || value === null) break;
    const code = Number(raw);
    if (raw === '' || raw.length > 5 || !Number.isInteger(code))
      return stop('dxf-broken', undefined, { line: n, value: raw.slice(0, 40) });
    if (code === 0) {
      const bad = record && take(record);
      if (bad) return bad;
      record = [{ code, value }];
      if (value === 'EOF') break;
    } else record?.push({ code, value });
  }
  return record && take(record);
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
  const w = new Writer();
  let section = '';
  const bad = eachRecord(text, (r) => {
    const kind = (r[0] as Group).value;
    if (kind === 'SECTION') section = r.find((g) => g.code === 2)?.value ?? '';
    if (section === 'HEADER' && kind === 'SECTION') w.header(r);
    else if (section === 'TABLES') w.table(kind, r);
    else if (section === 'BLOCKS' || section === 'ENTITIES') {
      const bad = r.find((g) => isNumber(g.code) && !Number.isFinite(Number(g.value)));
      if (bad && READ.has(kind))
        return stop('not-finite', { piece: kind }, { label: kind, value: bad.value.slice(0, 40) });
      w.record(section, kind, r);
    }
    return null;
  });
  return bad ? refuse(bad) : ok(w.done());
}

/** Collects the parts of the cleaned file. Internal to one call of scanDxf. */
class Writer {
  private head: string[] = [];
  private layers: string[] = [];
  private types: string[] = [];
  private parts = { BLOCKS: [] as string[], ENTITIES: [] as string[] };
  private extras = new Map<string, Extra>();
  private ignored = new Map<string, number>();
  /** The section of a polyline that has no end yet. */
  private openPolyline: 'BLOCKS' | 'ENTITIES' | null = null;
  private openBlock = false;
  private handle = 0;

  header(r: Group[]): void {
    for (let i = 0; i + 1 < r.length; i++) {
      const [g, v] = [r[i] as Group, r[i + 1] as Group];
      if (g.code === 9 && (g.value === '$INSUNITS' || g.value === '$MEASUREMENT') && /^\d+$/.test(v.value))
        this.head.push(written([g, v]));
    }
  }

  table(kind: string, r: Group[]): void {
    const keep = r.filter((g) => [2, 6, 62, 70, 73, 40, 49].includes(g.code));
    if (kind === 'LAYER') this.layers.push(written([r[0] as Group, ...keep]));
    if (kind === 'LTYPE') this.types.push(written([r[0] as Group, ...keep.filter((g) => g.code !== 70)]));
  }

  record(section: 'BLOCKS' | 'ENTITIES', kind: string, r: Group[]): void {
    const part = this.parts[section];
    if (kind === 'VERTEX') {
      if (this.openPolyline) part.push(this.numbered(r));
      return;
    }
    this.closePolyline();
    if (kind === 'BLOCK' || kind === 'ENDBLK') this.block(part, kind, r);
    else if (READ.has(kind)) {
      if (section === 'BLOCKS' && !this.openBlock) return;
      part.push(this.numbered(r));
      this.openPolyline = kind === 'POLYLINE' ? section : null;
    } else if (!SILENT.has(kind) && kind !== 'SECTION') this.ignored.set(kind, (this.ignored.get(kind) ?? 0) + 1);
  }

  private block(part: string[], kind: string, r: Group[]): void {
    if (this.openBlock) part.push('0\nENDBLK');
    this.openBlock = kind === 'BLOCK';
    if (!this.openBlock) return;
    const name = r.find((g) => g.code === 2);
    const xref = Number(r.find((g) => g.code === 70)?.value ?? 0) & 4;
    if (xref) this.ignored.set('XREF', (this.ignored.get('XREF') ?? 0) + 1);
    const at = ['10', '20'].map((c) => r.find((g) => g.code === Number(c)));
    part.push(`0\nBLOCK\n2\n${name?.value ?? '?'}\n10\n${at[0]?.value ?? '0'}\n20\n${at[1]?.value ?? '0'}`);
  }

  /** In the section it stands in: a file that is cut off within it, or goes on with the next, leads the parser astray. */
  private closePolyline(): void {
    if (this.openPolyline) this.parts[this.openPolyline].push('0\nSEQEND\n8\n0');
    this.openPolyline = null;
  }

  /** The entity under a handle of ours, without codes the parser does not know, and what it would lose set aside. */
  private numbered(r: Group[]): string {
    const handle = String(++this.handle);
    const weights =
      (r[0] as Group).value === 'SPLINE' ? r.filter((g) => g.code === 41).map((g) => Number(g.value)) : [];
    const flipped = Number(r.find((g) => g.code === 230)?.value ?? 1) < 0;
    if (weights.length || flipped) this.extras.set(handle, { weights, flipped });
    let vertices = 0;
    for (const g of r) if (g.code === 10) vertices++;
    // Joined once: a text grown bit by bit is kept as its bits, and large files have millions.
    const out: (string | number)[] = [0, (r[0] as Group).value, 5, handle];
    for (const g of r) {
      if (g.code === 90) out.push(90, vertices);
      else if (g.code !== 0 && g.code !== 5 && g.code < 90) out.push(g.code, g.value);
    }
    return out.join('\n');
  }

  done(): Scanned {
    this.closePolyline();
    if (this.openBlock) this.parts.BLOCKS.push('0\nENDBLK');
    const section = (name: string, body: string[]): string[] => [`0\nSECTION\n2\n${name}`, ...body, '0\nENDSEC'];
    const table = (name: string, rows: string[]): string[] =>
      rows.length ? [`0\nTABLE\n2\n${name}\n70\n${rows.length}`, ...rows, '0\nENDTAB'] : [];
    const all = [
      section('HEADER', this.head),
      section('TABLES', [...table('LTYPE', this.types), ...table('LAYER', this.layers)]),
      section('BLOCKS', this.parts.BLOCKS),
      section('ENTITIES', this.parts.ENTITIES),
    ];
    return { text: `${all.flat().join('\n')}\n0\nEOF`, extras: this.extras, ignored: this.ignored };
  }
}

const written = (groups: Group[]): string => groups.map((g) => `${g.code}\n${g.value}`).join('\n');
