import { z } from 'zod';
import {
  BUTTON_SHAPES,
  CLOSING_KINDS,
  FASTENERS,
  HOLE_STATES,
  LAYOUTS,
  ROUNDINGS,
  SCHOOLS,
  SMALL_KINDS,
} from '../core/closure/choices.ts';
import {
  BIAS_SCHOOLS,
  BULKS,
  CAP_WAYS,
  DART_CHOICES,
  FACING_KINDS,
  FACING_PARTS,
  FINISHES,
  FRONT_INTERFACINGS,
  FRONT_LININGS,
  FULLNESS,
  HEM_KINDS,
  type ProjectDocument,
  SLIT_SEAMS,
  STRIP_KINDS,
  ZIP_SEAMS,
} from '../core/document/project.ts';
import { CORNERS, KINDS, LINE_KINDS, MARK_KINDS, ROLES } from '../core/pattern/types.ts';
import { MOST_LINES } from '../core/plan/index.ts';
import { bench, notebook, week } from './bench.ts';
import { cutting, stash } from './cutting.ts';
import { id, key, line, mm, path, pieceId, point, words } from './figures.ts';
import { CURRENT_SCHEMA, migrations, type Plain } from './migrations.ts';

const edge = z.strictObject({
  id,
  role: z.enum(ROLES),
  confidence: z.number().min(0).max(1),
  path,
  allowance: mm.nullable(),
  corner: z.enum(CORNERS).nullable(),
  onFold: z.boolean(),
});

const notch = z.strictObject({ edge: id, at: mm, kind: z.enum(['single', 'double']) });
const inner = z.strictObject({
  kind: z.enum(LINE_KINDS),
  path,
  role: z.enum(ROLES).optional(),
  ratio: z.number().min(1).max(6).optional(),
});
const mark = z.strictObject({ kind: z.enum(MARK_KINDS), at: point });

const shellPiece = z.strictObject({
  id,
  name: words.min(1),
  kind: z.enum(KINDS),
  ring: z.array(edge).min(1).max(400),
  count: z.number().int().min(1).max(99),
  grain: z.strictObject({ a: point, b: point }),
  notches: z.array(notch).max(400),
  lines: z.array(inner).max(2000),
  marks: z.array(mark).max(2000).optional(),
  drawn: z.enum(['cut', 'seam']).optional(),
});

/** What a pattern may hold: many times what one of the trade does. */
const MOST_PIECES = 1000;
const MOST_SEGMENTS = 100_000;

interface Drawn {
  path: unknown[];
}
const segmentsOf = (pieces: { ring: Drawn[]; lines: Drawn[] }[]): number =>
  pieces.reduce((n, p) => [...p.ring, ...p.lines].reduce((m, e) => m + e.path.length, n), 0);

const shell = z.strictObject({
  fileName: words,
  lines: z.enum(['cut', 'seam']),
  pieces: z
    .array(shellPiece)
    .max(MOST_PIECES, `a pattern has at most ${MOST_PIECES} pieces`)
    .refine((p) => segmentsOf(p) <= MOST_SEGMENTS, `a pattern has at most ${MOST_SEGMENTS} lines and curves`),
  trueSize: z.boolean().optional(),
});

const hem = z.strictObject({
  kind: z.enum(HEM_KINDS),
  clearance: mm,
  seam: mm,
  above: mm,
  turn1: mm,
  turn2: mm,
  ribDepth: mm.max(300),
  ribShare: z.number().min(40).max(100),
});

const turnedSeams = { shellSeam: mm.max(100), liningSeam: mm.max(100) };

const whole = (least: number, most: number) => z.number().int().min(least).max(most);
const button = z.number().min(3).max(100);

const small = z.strictObject({
  id,
  kind: z.enum(SMALL_KINDS),
  fastener: z.enum(FASTENERS),
  times: whole(1, 12),
  length: mm.min(1),
  width: mm.min(1).max(500),
  lap: mm.max(500),
  layout: z.enum(LAYOUTS),
  count: whole(1, 20),
  diameter: button,
  thickness: z.number().min(0).max(60),
  shoulder: mm,
});

/** A place on the closing line; the stand lies above its top. */
const along = z.number().min(-300).max(5000);
const order = whole(0, 59);

const closure = z.strictObject({
  on: z.boolean(),
  kind: z.enum(CLOSING_KINDS),
  fastener: z.enum(FASTENERS),
  show: z.boolean(),
  side: z.enum(['right', 'left']),
  diameter: button,
  thickness: z.number().min(0).max(60),
  shape: z.enum(BUTTON_SHAPES),
  strip: z.number().min(5).max(400),
  length: mm.min(1),
  measured: mm.min(1).nullable(),
  extension: mm,
  band: mm.max(500),
  by: z.enum(['count', 'range', 'gap']),
  count: whole(1, 60),
  most: whole(1, 60),
  gap: z.number().min(5).max(1000),
  top: mm,
  topGive: mm.max(100),
  bottom: mm,
  bottomGive: mm.max(100),
  breakTop: z.boolean(),
  pocketBottom: z.boolean(),
  school: z.enum(SCHOOLS),
  firstGap: z.number().min(5).max(1000),
  group: z.strictObject({ size: whole(2, 3), inner: z.number().min(5).max(500) }),
  rounding: z.enum(ROUNDINGS),
  stand: z.strictObject({ hole: z.boolean(), height: mm.max(200) }),
  bust: z.strictObject({ want: z.enum(['no', 'near', 'on']), own: z.boolean(), at: mm, body: mm, garment: mm }),
  waist: z.strictObject({ keepClear: z.boolean(), at: mm, belt: mm }),
  keep: z
    .array(
      z.strictObject({ code: z.enum(['waist-seam', 'pocket', 'cross-seam', 'other']), at: mm, width: mm.max(1000) }),
    )
    .max(12),
  direction: z.enum(['horizontal', 'vertical']),
  snug: z.boolean(),
  start: z.enum(['past', 'centred']),
  keyhole: z.boolean(),
  double: z.strictObject({ columns: whole(1, 3), across: mm.max(300), working: order }),
  answer: whole(0, 2),
  pins: z.array(z.strictObject({ index: order, at: along })).max(60),
  others: z.array(small).max(12),
  done: z.array(z.strictObject({ line: id, index: order, at: along, state: z.enum(HOLE_STATES) })).max(400),
  tries: z
    .array(
      z.strictObject({
        opening: z.number().min(1).max(200),
        density: z.number().min(0.1).max(3),
        stabiliser: z.enum(['under', 'over', 'none']),
        words,
      }),
    )
    .max(40),
});

const edgeSaid = z.strictObject({ piece: pieceId, edge: id, mirrored: z.boolean() });

const strip = z.strictObject({
  id,
  kind: z.enum(STRIP_KINDS),
  name: words.trim().min(1),
  count: whole(1, 60),
  length: mm.min(1),
  width: mm.min(1).max(2000),
  ratio: z.number().min(1).max(6),
  hem: mm.max(300),
  to: z.strictObject({ piece: pieceId, edge: id }).nullable(),
});

const decisions = z.strictObject({
  allowances: z.strictObject({ seam: mm.max(100), hem: mm.max(300), wrist: mm.max(300) }),
  facing: z.strictObject({
    on: z.boolean(),
    front: mm,
    shoulder: mm,
    back: mm,
    radius: mm,
    kind: z.enum(FACING_KINDS),
    out: mm.max(20),
    breakAt: mm,
    deep: mm,
    hood: mm,
    bands: z.strictObject({ armhole: mm, waist: mm, hem: mm, wrist: mm, 'cut-out': mm }),
    inOne: mm,
    turn: mm.max(10),
    over: z.enum(FACING_PARTS),
    finish: z.enum(FINISHES),
    bias: z.strictObject({
      neck: z.boolean(),
      armhole: z.boolean(),
      finished: mm.min(2).max(60),
      school: z.enum(BIAS_SCHOOLS),
      shorter: z.number().min(0).max(10),
    }),
  }),
  lining: z.strictObject({
    on: z.boolean(),
    pleat: mm,
    pleatLength: mm,
    raise: mm,
    out: mm,
    capEase: mm,
    smaller: mm.max(20),
    pockets: z.enum(['out', 'kept']),
    darts: z.enum(DART_CHOICES),
    self: z.boolean(),
    body: z.boolean(),
    sleeves: z.boolean(),
    skirt: z.boolean(),
    fronts: z.enum(FRONT_LININGS),
    zip: z.strictObject({ length: mm, at: z.enum(ZIP_SEAMS), on: z.enum(['left', 'right']), ...turnedSeams }),
    fullness: z.enum(FULLNESS),
    inOne: z.array(z.strictObject({ piece: pieceId, edge: id })).max(200),
    vent: z.strictObject({ over: z.enum(['left', 'right']), lap: z.enum(['front', 'back']), ...turnedSeams }),
    slit: z.strictObject({ at: z.enum(SLIT_SEAMS), length: mm, ...turnedSeams }),
    hem,
    wrist: hem,
  }),
  interfacing: z.strictObject({
    on: z.boolean(),
    trim: z.enum(['inside', 'seam', 'caught', 'whole']),
    frontStrip: mm,
    front: z.enum(FRONT_INTERFACINGS),
    stand: z.enum(['both', 'one']),
    zip: mm.max(200),
    patches: z.boolean(),
    collars: z.boolean(),
    hems: mm.max(100),
    stay: mm,
    regions: z
      .array(z.strictObject({ piece: pieceId, edge: id.nullable(), width: mm.min(1), on: z.enum(['shell', 'lining']) }))
      .max(200),
  }),
  closure,
  joins: z.array(z.strictObject({ id, a: edgeSaid, b: edgeSaid.nullable() })).max(2000),
  reallowed: z.array(z.strictObject({ piece: pieceId, edge: id, allowance: mm.max(300) })).max(4000),
  caps: z.array(z.strictObject({ piece: id, way: z.enum(CAP_WAYS), ease: mm.max(100) })).max(100),
  sewn: z.array(z.strictObject({ seam: key, first: mm.max(100), second: mm.max(100) })).max(400),
  strips: z.array(strip).max(60),
  making: z.strictObject({
    bulk: z.enum(BULKS),
    lace: z.boolean(),
    methods: z.record(key, key),
    finishes: z.record(key, key),
    extras: z.array(key).max(40),
    order: z.array(key).max(400).nullable(),
    left: z.array(key).max(400),
    sheet: z
      .array(z.strictObject({ text: line, steps: z.array(key).max(40).nullable() }))
      .max(MOST_LINES)
      .nullable(),
  }),
  cutting,
  bench,
  notebook,
  week,
  stash,
  paper: z.strictObject({
    size: z.enum(['a4', 'letter']),
    pieces: z.array(pieceId).max(4000).nullable(),
    strip: z.boolean(),
  }),
});

/** A saved project: every number finite and in range, nothing unknown in it, ids that belong together. */
export const projectDocument = z
  .strictObject({
    schema: z.literal(16),
    name: words.trim().min(1),
    garment: words.min(1).max(40),
    units: z.enum(['mm', 'in']),
    shell: shell.nullable(),
    decisions,
  })
  .superRefine((doc, ctx) => {
    const ids = new Set<string>();
    doc.shell?.pieces.forEach((p, i) => {
      const where = ['shell', 'pieces', i];
      if (ids.has(p.id)) ctx.addIssue({ code: 'custom', path: where, message: `two pieces have the id ${p.id}` });
      ids.add(p.id);
      const edges = new Set(p.ring.map((e) => e.id));
      if (edges.size !== p.ring.length)
        ctx.addIssue({ code: 'custom', path: where, message: `piece ${p.name} has an edge id twice` });
      p.notches.forEach((n) => {
        if (!edges.has(n.edge))
          ctx.addIssue({
            code: 'custom',
            path: where,
            message: `piece ${p.name} has a notch on an edge that is not there`,
          });
      });
      p.ring.forEach((e, k) => {
        const next = p.ring[(k + 1) % p.ring.length];
        const end = e.path[e.path.length - 1]?.b;
        const start = next?.path[0]?.a;
        if (end && start && Math.hypot(end.x - start.x, end.y - start.y) > 0.01) {
          ctx.addIssue({
            code: 'custom',
            path: [...where, 'ring', k],
            message: `the outline of ${p.name} is open after edge ${e.id}`,
          });
        }
      });
    });
  });

export type Parsed =
  | { ok: true; document: ProjectDocument }
  | { ok: false; problems: { path: string; message: string }[] };

/** Reads a saved document of any version, migrating it forward; says what is wrong and where. */
export function parseDocument(raw: unknown): Parsed {
  let doc = raw;
  const version = (raw as { schema?: unknown } | null)?.schema;
  if (typeof version === 'number' && version > CURRENT_SCHEMA) {
    return {
      ok: false,
      problems: [
        { path: 'schema', message: `this file is of version ${version}; this Woodbine reads up to ${CURRENT_SCHEMA}` },
      ],
    };
  }
  for (let v = typeof version === 'number' ? version : CURRENT_SCHEMA; v < CURRENT_SCHEMA; v++) {
    doc = migrations[v]?.(doc as Plain) ?? doc;
  }
  const read = projectDocument.safeParse(doc);
  if (read.success) return { ok: true, document: read.data as ProjectDocument };
  return { ok: false, problems: problemsOf(read.error) };
}

/** The first of what is wrong, each with its place; kept short, however much there is. */
export const problemsOf = (e: z.ZodError): { path: string; message: string }[] =>
  e.issues.slice(0, 20).map((i) => ({ path: i.path.join('.').slice(0, 200), message: i.message.slice(0, 200) }));

/** The file a project is saved to and loaded from. */
export const projectFile = z.strictObject({ woodbine: z.literal(1), project: z.unknown() });
