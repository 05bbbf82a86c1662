import DxfModule, { type IDxf, type IEntity, type IPoint } from 'dxf-parser';
import {
  type Affine,
  apply,
  compose,
  IDENTITY,
  line,
  mapPath,
  type Path,
  type Point,
  rotation,
  startOf,
  translation,
} from '../../geometry/index.ts';
import { type Finding, ok, type Result, refuse, stop } from '../../result.ts';
import { MM_PER_UNIT } from '../../units.ts';
import { type Caption, type Drawing, type Hint, type Shape, type Stroke } from '../drawing.ts';
import { bulgeArc, ellipseArc, splineFault, splinePath, throughPoints } from './curves.ts';
import { type Extra, scanDxf, sniffDxf } from './scan.ts';

// The package's entry is CommonJS in some loaders: its class is the default, or the default of that.
const DxfParser = ((DxfModule as unknown as { default?: typeof DxfModule }).default ?? DxfModule) as typeof DxfModule;

/** `$INSUNITS` of the DXF reference, in mm. */
const INSUNITS: Record<number, number> = {
  1: 25.4,
  2: 304.8,
  4: 1,
  5: 10,
  6: 1000,
  8: 25.4e-6,
  9: 0.0254,
  10: 914.4,
  14: 100,
};

/** Layer numbers of the published pattern-exchange convention (ASTM D6673, from memory). */
const LAYERS: Record<string, Hint> = {
  '1': 'boundary',
  '4': 'notch',
  '6': 'mirror',
  '7': 'grain',
  '8': 'internal',
  '11': 'cutout',
  '13': 'drill',
  '14': 'sew',
  '15': 'text',
};

const MAX_SHAPES = 20000;
const MAX_INSERTS = 20000;
const MAX_DEPTH = 24;
/** How far a fitted spline may stray, mm. */
const SPLINE_FIT = 0.002;

type Entity = IEntity & Record<string, unknown>;
type Blocks = Record<string, { position?: IPoint; entities?: Entity[] }>;

/**
 * Reads an ASCII DXF drawing (R12 to 2018) into millimetres, y down. `unit` says what one unit is where the file does
 * not. External references are never followed.
 */
export function readDxf(text: string, unit?: string): Result<Drawing> {
  const early = sniffDxf(text);
  if (early) return refuse(early);
  const scanned = scanDxf(text);
  if (!scanned.ok) return scanned;
  let dxf: IDxf | null;
  try {
    dxf = new DxfParser().parseSync(scanned.value.text);
  } catch (e) {
    return refuse(stop('dxf-broken', undefined, { line: 0, value: String((e as Error).message).slice(0, 80) }));
  }
  if (!dxf?.entities?.length) return refuse(stop('no-outlines'));
  const size = unitOf(dxf, unit);
  if (!size.ok) return size;
  const w = new Walker(dxf, scanned.value.extras, SPLINE_FIT / size.value.mm);
  const k = size.value.mm;
  w.entities((dxf.entities ?? []) as unknown as Entity[], {
    m: { a: k, b: 0, c: 0, d: -k, e: 0, f: 0 },
    layer: '0',
    group: w.group(null),
    depth: 0,
    blocks: [],
  });
  w.findings.push(...size.value.findings);
  for (const [kind, count] of scanned.value.ignored)
    w.findings.push({ code: 'dxf-part-ignored', severity: 'note', data: { kind, count } });
  const stops = w.findings.filter((f) => f.severity === 'stop');
  if (stops.length) return refuse(...stops);
  return ok({ shapes: w.shapes, captions: w.captions, groupNames: w.groupNames, findings: w.findings });
}

/** Millimetres of one unit: by the header, by the units text of the exchange convention, or as said; else asked for. */
function unitOf(dxf: IDxf, unit: string | undefined): Result<{ mm: number; findings: Finding[] }> {
  const said = unit === undefined ? undefined : MM_PER_UNIT[unit.toLowerCase()];
  if (unit !== undefined && said === undefined)
    return refuse(stop('unit-unknown', undefined, { unit: unit.slice(0, 20) }));
  const own = INSUNITS[Number(dxf.header?.$INSUNITS ?? 0)];
  const findings: Finding[] = [];
  if (own !== undefined) {
    if (said !== undefined && said !== own)
      findings.push({ code: 'unit-not-needed', severity: 'note', data: { said: unit as string, own: nameOf(own) } });
    return ok({ mm: own, findings });
  }
  if (said !== undefined) return ok({ mm: said, findings });
  const words = textsOf(dxf).map((t) => /^units\s*:\s*(metric|english)/i.exec(t)?.[1]?.toLowerCase());
  const told = words.find(Boolean);
  if (told) return ok({ mm: told === 'metric' ? 1 : 25.4, findings });
  const larger = extentOf(dxf);
  const guess = ['mm', 'cm', 'in', 'm'].find((u) => {
    const mm = larger * (MM_PER_UNIT[u] as number);
    return mm >= 300 && mm <= 4000;
  });
  return refuse(stop('no-units', undefined, { larger, ...(guess && { guess }) }));
}

const nameOf = (mm: number): string => Object.entries(MM_PER_UNIT).find(([, v]) => v === mm)?.[0] ?? `${mm} mm`;

const allEntities = (dxf: IDxf): Entity[] => [
  ...((dxf.entities ?? []) as unknown as Entity[]),
  ...Object.values((dxf.blocks ?? {}) as unknown as Blocks).flatMap((b) => b.entities ?? []),
];

const textsOf = (dxf: IDxf): string[] =>
  allEntities(dxf).flatMap((e) => (typeof e.text === 'string' ? [e.text.trim()] : []));

/** Larger side of all coordinates met anywhere, in file units. */
function extentOf(dxf: IDxf): number {
  const box = {
    x0: Number.POSITIVE_INFINITY,
    x1: Number.NEGATIVE_INFINITY,
    y0: Number.POSITIVE_INFINITY,
    y1: Number.NEGATIVE_INFINITY,
  };
  for (const e of allEntities(dxf)) {
    for (const p of [
      ...((e.vertices as IPoint[] | undefined) ?? []),
      ...((e.controlPoints as IPoint[] | undefined) ?? []),
    ]) {
      box.x0 = Math.min(box.x0, p.x);
      box.x1 = Math.max(box.x1, p.x);
      box.y0 = Math.min(box.y0, p.y);
      box.y1 = Math.max(box.y1, p.y);
    }
  }
  return Math.max(0, box.x1 - box.x0, box.y1 - box.y0);
}

interface Place {
  m: Affine;
  /** Layer of the insert around, for entities on layer 0 of a block. */
  layer: string;
  group: number;
  depth: number;
  blocks: string[];
}

const FLIP: Affine = { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 };
const pt = (p: IPoint | undefined): Point => ({ x: p?.x ?? 0, y: p?.y ?? 0 });
const num = (v: unknown, otherwise: number): number => (typeof v === 'number' && Number.isFinite(v) ? v : otherwise);

/** Walks entities and blocks, collecting shapes and captions. Internal to one call of readDxf. */
class Walker {
  shapes: Shape[] = [];
  captions: Caption[] = [];
  groupNames: (string | null)[] = [];
  findings: Finding[] = [];
  private inserts = 0;
  private counts = new Map<string, number>();
  private layers: Record<string, { color?: number; visible?: boolean; frozen?: boolean }>;
  private dashes: Record<string, { pattern?: unknown[] }>;
  private blocks: Blocks;
  private byLayer: boolean;

  constructor(
    dxf: IDxf,
    private extras: Map<string, Extra>,
    /** How far a fitted spline may stray, in file units. */
    private fit: number,
  ) {
    this.layers = (dxf.tables?.layer?.layers ?? {}) as never;
    this.dashes = (dxf.tables?.lineType?.lineTypes ?? {}) as never;
    this.blocks = (dxf.blocks ?? {}) as unknown as Blocks;
    // The convention holds for a file whose pieces lie on layer 1 and whose layers are numbers.
    const used = new Set(allEntities(dxf).map((e) => String(e.layer ?? '0')));
    this.byLayer = used.has('1') && [...used].every((l) => /^\d{1,3}$/.test(l));
  }

  group(name: string | null): number {
    this.groupNames.push(name);
    return this.groupNames.length - 1;
  }

  entities(list: Entity[], at: Place): void {
    for (const e of list) {
      if (this.shapes.length > MAX_SHAPES) {
        this.findings.push(stop('too-many-lines', undefined, { most: MAX_SHAPES }));
        return;
      }
      this.entity(e, at);
    }
  }

  private entity(e: Entity, at: Place): void {
    const layer = String(e.layer ?? '0') === '0' ? at.layer : String(e.layer);
    const held = this.layers[layer];
    if (e.visible === false || e.inPaperSpace || held?.frozen || held?.visible === false) return;
    const extra = this.extras.get(String(e.handle));
    const m = extra?.flipped ? compose(at.m, FLIP) : at.m;
    const here = { ...at, m, layer };
    if (e.type === 'INSERT') this.insert(e, here);
    else if (e.type === 'TEXT' || e.type === 'MTEXT') this.text(e, here);
    else this.shape(e, here, extra?.weights ?? []);
  }

  private insert(e: Entity, at: Place): void {
    const name = String(e.name ?? '');
    const block = this.blocks[name];
    if (!block?.entities) return;
    if (at.blocks.includes(name) || at.depth >= MAX_DEPTH) {
      this.findings.push({ code: 'dxf-block-circle', severity: 'warn', data: { name: name.slice(0, 60) } });
      return;
    }
    const [columns, rows] = [Math.min(200, num(e.columnCount, 1) || 1), Math.min(200, num(e.rowCount, 1) || 1)];
    const p = pt(e.position as IPoint);
    const turn = rotation((num(e.rotation, 0) * Math.PI) / 180);
    const scaled: Affine = { ...IDENTITY, a: num(e.xScale, 1) || 1, d: num(e.yScale, 1) || 1 };
    const base = pt(block.position);
    for (let i = 0; i < columns; i++)
      for (let j = 0; j < rows; j++) {
        if (++this.inserts > MAX_INSERTS) return;
        const shift = apply(turn, { x: i * num(e.columnSpacing, 0), y: j * num(e.rowSpacing, 0) });
        const place = compose(
          translation(p.x + shift.x, p.y + shift.y),
          compose(turn, compose(scaled, translation(-base.x, -base.y))),
        );
        const group = this.group(/^\*/.test(name) ? null : name);
        this.entities(block.entities, {
          ...at,
          m: compose(at.m, place),
          group,
          depth: at.depth + 1,
          blocks: [...at.blocks, name],
        });
      }
  }

  private text(e: Entity, at: Place): void {
    const words = plainText(String(e.text ?? ''));
    const where = (e.startPoint ?? e.position) as IPoint | undefined;
    if (words && where && this.captions.length < MAX_SHAPES)
      for (const text of words.split('\n').filter(Boolean))
        this.captions.push({ text: text.slice(0, 200), at: apply(at.m, pt(where)), group: at.group });
  }

  private shape(e: Entity, at: Place, weights: number[]): void {
    const count = (this.counts.get(e.type) ?? 0) + 1;
    this.counts.set(e.type, count);
    const label = `${e.type} ${count}`;
    const made = pathOf(e, weights, this.fit);
    if (typeof made === 'string') {
      this.findings.push(stop('path-unreadable', { piece: label }, { label, detail: made }));
      return;
    }
    if (!made?.path.length) return;
    const path = mapPath(made.path, at.m);
    if (!path.every((s) => [s.a, s.b].every((q) => Math.abs(q.x) < 1e7 && Math.abs(q.y) < 1e7))) {
      const p = startOf(path);
      this.findings.push(stop('not-finite', { piece: label }, { label, value: `${p.x}, ${p.y}` }));
      return;
    }
    const hint = this.byLayer ? (LAYERS[at.layer] ?? null) : null;
    this.shapes.push({
      path,
      closed: made.closed,
      label,
      name: null,
      group: at.group,
      layer: at.layer,
      stroke: this.stroke(e, at),
      hint,
    });
  }

  private stroke(e: Entity, at: Place): Stroke {
    const colour = num(e.color, this.layers[at.layer]?.color ?? 0);
    const pattern = (this.dashes[String(e.lineType ?? '')]?.pattern ?? []).map((x) => Math.abs(Number(x)));
    const k = Math.sqrt(Math.abs(at.m.a * at.m.d - at.m.b * at.m.c));
    return {
      colour: `#${colour.toString(16).padStart(6, '0')}`,
      width: Math.max(0, num(e.lineweight, 0)) / 100,
      dash: pattern.every((x) => x === 0) ? [] : pattern.map((x) => x * k),
    };
  }
}

/** MTEXT without its formatting; a new paragraph is a new line. */
const plainText = (raw: string): string =>
  raw
    .replace(/\\P/g, '\n')
    .replace(/\\[A-Za-z][^;\\{}]*;/g, '')
    .replace(/[{}]/g, '')
    .replace(/\\~/g, ' ')
    .replace(/%%[cdpu]/gi, '')
    .trim();

type Made = { path: Path; closed: boolean };

/** An entity's path in its own coordinates (y up); null for what draws no line, a sentence for what cannot be drawn. */
function pathOf(e: Entity, weights: number[], fit: number): Made | string | null {
  if (e.type === 'LINE') {
    const [a, b] = (e.vertices as IPoint[] | undefined) ?? [];
    return a && b ? { path: [line(pt(a), pt(b))], closed: false } : null;
  }
  if (e.type === 'POINT') {
    const p = pt(e.position as IPoint);
    return { path: [line(p, { x: p.x + 0.01, y: p.y })], closed: false };
  }
  if (e.type === 'ARC' || e.type === 'CIRCLE') return arcOf(e);
  if (e.type === 'ELLIPSE') return ellipseOf(e);
  if (e.type === 'LWPOLYLINE' || e.type === 'POLYLINE') return polylineOf(e);
  return e.type === 'SPLINE' ? splineOf(e, weights, fit) : null;
}

const sweepOf = (from: number, to: number): number => {
  const s = (to - from) % (2 * Math.PI);
  return s <= 1e-12 ? s + 2 * Math.PI : s;
};

function arcOf(e: Entity): Made | string {
  const r = num(e.radius, 0);
  if (!(r > 0)) return `a radius of ${String(e.radius)}`;
  const whole = e.type === 'CIRCLE';
  const from = whole ? 0 : num(e.startAngle, 0);
  const sweep = whole ? 2 * Math.PI : sweepOf(from, num(e.endAngle, 0));
  return { path: ellipseArc(pt(e.center as IPoint), { x: r, y: 0 }, { x: 0, y: r }, from, sweep), closed: whole };
}

function ellipseOf(e: Entity): Made | string {
  const u = pt(e.majorAxisEndPoint as IPoint);
  const k = num(e.axisRatio, 0);
  if (!(k > 0) || (u.x === 0 && u.y === 0)) return 'an ellipse without axes';
  const from = num(e.startAngle, 0);
  const sweep = sweepOf(from, num(e.endAngle, 2 * Math.PI));
  const closed = Math.abs(sweep - 2 * Math.PI) < 1e-9;
  return { path: ellipseArc(pt(e.center as IPoint), u, { x: -u.y * k, y: u.x * k }, from, sweep), closed };
}

type Vertex = IPoint & { bulge?: number; splineControlPoint?: boolean };

function polylineOf(e: Entity): Made | null {
  const all = ((e.vertices as Vertex[] | undefined) ?? []).filter((v) => Number.isFinite(v.x) && Number.isFinite(v.y));
  const v = e.includesSplineFitVertices ? all.filter((x) => !x.splineControlPoint) : all;
  if (v.length < 2) return null;
  const closed = e.shape === true;
  const path: Path = [];
  for (let i = 0; i < v.length - (closed ? 0 : 1); i++) {
    const [a, b] = [v[i] as Vertex, v[(i + 1) % v.length] as Vertex];
    if (a.x !== b.x || a.y !== b.y) path.push(...bulgeArc(pt(a), pt(b), a.bulge ?? 0));
  }
  return path.length ? { path, closed } : null;
}

function splineOf(e: Entity, weights: number[], tolerance: number): Made | string | null {
  const closed = e.closed === true;
  const points = ((e.controlPoints as IPoint[] | undefined) ?? []).map(pt);
  const fit = ((e.fitPoints as IPoint[] | undefined) ?? []).map(pt);
  if (!points.length) return fit.length > 1 ? { path: throughPoints(fit, closed), closed } : null;
  const data = {
    degree: num(e.degreeOfSplineCurve, 3),
    knots: (e.knotValues as number[] | undefined) ?? [],
    points,
    weights,
  };
  const fault = splineFault(data);
  if (fault) return `a spline with ${fault}`;
  return { path: splinePath(data, tolerance), closed: false };
}
