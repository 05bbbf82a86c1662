/** A saved document of any version, not looked at yet. */
export type Plain = Record<string, unknown>;

/** In version 1 a piece on the fold was cut once, whatever its count said. */
function onePerFold(shell: unknown): unknown {
  const pieces = (shell as { pieces?: { count?: number; ring?: { onFold?: boolean }[] }[] } | null)?.pieces;
  if (!Array.isArray(pieces)) return shell;
  const folded = (p: (typeof pieces)[number]): boolean =>
    Array.isArray(p?.ring) && p.ring.some((e) => e?.onFold === true);
  return { ...(shell as object), pieces: pieces.map((p) => (folded(p) ? { ...p, count: 1 } : p)) };
}

// What a later version knows beside the one before is filled in with what was so then: literals, for today's usual may change.

const TURNED = { shellSeam: 10, liningSeam: 10 };

/** What version 2 knows beside version 1, which had no such facings. */
const FACINGS_OF_EDGES = {
  facing: {
    bands: { armhole: 0, waist: 0, hem: 0, wrist: 0 },
    inOne: 0,
    turn: 1,
    finish: 'overlocked',
    bias: { neck: false, armhole: false, finished: 8, school: 'turned', shorter: 3 },
  },
  lining: { smaller: 3, darts: 'sewn', skirt: true, zip: { length: 0, ...TURNED } },
  interfacing: { collars: true, hems: 0, stay: 0 },
};

/** What version 3 knows beside version 2, as a project of version 2 was derived. */
const VENTS = {
  facing: { kind: 'separate', out: 3, breakAt: 250, deep: 0, hood: 50 },
  lining: {
    vent: { over: 'left', ...TURNED },
    slit: { at: 'side', length: 0, ...TURNED },
    self: false,
    body: true,
    sleeves: true,
    pockets: 'out',
    pleatLength: 0,
  },
  interfacing: { front: 'strip', stand: 'both', zip: 0, patches: false },
};
const RIB = { ribDepth: 60, ribShare: 85 };

/** What version 5 knows of the closing: its ends held where they were set, and its gaps to the millimetre. */
const CLOSINGS = {
  ...{ on: true, kind: 'single', fastener: 'button', show: false, side: 'right', diameter: 23, thickness: 4 },
  ...{ shape: 'flat', strip: 54, length: 600, measured: null, extension: 25, band: 0, by: 'count', count: 6, most: 7 },
  ...{ gap: 100, top: 18, topGive: 0, bottom: 180, bottomGive: 0, breakTop: false, pocketBottom: false },
  ...{ school: 'equal', firstGap: 70, group: { size: 2, inner: 35 }, rounding: 'fine' },
  ...{ stand: { hole: false, height: 30 }, bust: { want: 'no', own: false, at: 220, body: 0, garment: 0 } },
  ...{ waist: { keepClear: false, at: 400, belt: 40 }, keep: [], direction: 'horizontal', snug: false },
  ...{ start: 'past', keyhole: false, double: { columns: 1, across: 60, working: 2 }, answer: 0 },
  ...{ pins: [], others: [], done: [], tries: [] },
};

const MAKING = { bulk: 'medium', lace: false, methods: {}, extras: [], order: null, left: [] };

const decisionsOf = (doc: Plain): Record<string, Plain> => (doc.decisions ?? {}) as Record<string, Plain>;

function withFacingsOfEdges(doc: Plain): Plain {
  const d = decisionsOf(doc);
  return {
    ...doc,
    ...(doc.shell !== undefined && { shell: onePerFold(doc.shell) }),
    schema: 2,
    decisions: { ...d, ...withMore(d, FACINGS_OF_EDGES) },
  };
}

function withVents(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const old = d.lining ?? {};
  const ribbed = (key: 'hem' | 'wrist'): Plain => ({ ...RIB, ...(old[key] as Plain) });
  const merged = withMore(d, VENTS);
  return {
    ...doc,
    schema: 3,
    decisions: { ...d, ...merged, lining: { ...merged.lining, hem: ribbed('hem'), wrist: ribbed('wrist') } },
  };
}

/** Version 4 knows how the garment is put together: a project of version 3 by the usual methods. */
const withMaking = (doc: Plain): Plain => ({
  ...doc,
  schema: 4,
  decisions: { making: structuredClone(MAKING), ...decisionsOf(doc) },
});

/** Version 5 knows where every button goes and why. */
function withClosings(doc: Plain): Plain {
  const d = decisionsOf(doc);
  return { ...doc, schema: 5, decisions: { ...d, closure: { ...structuredClone(CLOSINGS), ...d.closure } } };
}

/** Version 6 keeps what was said of joins: in a project of version 5 nothing was. */
const withJoins = (doc: Plain): Plain => ({ ...doc, schema: 6, decisions: { joins: [], ...decisionsOf(doc) } });

/** Version 7 knows zips in other seams, fronts cut double, other allowances, redrawn caps and strips: version 6 had none. */
function withUnlikeSeams(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const lining = d.lining ?? {};
  const zip = { at: 'centre-back', on: 'left', ...(lining.zip as Plain) };
  return {
    ...doc,
    schema: 7,
    decisions: {
      ...{ reallowed: [], caps: [], sewn: [], strips: [] },
      ...d,
      facing: { over: 'one', ...d.facing },
      lining: { fronts: 'lined', ...lining, zip },
      interfacing: { regions: [], ...d.interfacing },
    },
  };
}

/**
 * Version 8 faces cut-outs, knows vents at other seams than a centre, linings cut in one across a seam or without the shell's
 * fullness, and the sewist's own sheet: in a project of version 7 there were none.
 */
function withCutOuts(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const bands = { 'cut-out': 0, ...(d.facing?.bands as Plain) };
  const vent = { lap: 'front', ...(d.lining?.vent as Plain) };
  return {
    ...doc,
    schema: 8,
    decisions: {
      ...d,
      facing: { ...d.facing, bands },
      lining: { fullness: 'kept', inOne: [], ...d.lining, vent },
      making: { sheet: null, ...d.making },
    },
  };
}

/**
 * Version 9 keeps how single seams are neatened by themselves, and which steps are done: version 8 had the first among the methods,
 * with a prefix, and no ticks.
 */
function withFinishes(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const methods = Object.entries((d.making?.methods ?? {}) as Record<string, string>);
  const single = (key: string): boolean => key.startsWith('seams:');
  const finishes = methods.flatMap(([key, way]) => (single(key) ? [[key.slice('seams:'.length), way]] : []));
  const making = {
    ...d.making,
    methods: Object.fromEntries(methods.filter(([key]) => !single(key))),
    finishes: Object.fromEntries(finishes),
    done: [],
  };
  return { ...doc, schema: 9, decisions: { ...d, making } };
}

/** Version 10 knows what is cut from what cloth: version 9 had no cloths. */
function withCloths(doc: Plain): Plain {
  const usual = { owned: 0, lies: 'single', oneWay: false, selvedge: 10, end: 10, gap: 4, flaws: [] };
  const cloths = [
    { id: 'shell', name: 'Shell cloth', takes: ['shell', 'facing'], width: 1400, ...usual },
    { id: 'lining', name: 'Lining cloth', takes: ['lining'], width: 1400, ...usual },
    { id: 'interfacing', name: 'Interfacing', takes: ['interfacing'], width: 900, ...usual },
  ];
  return { ...doc, schema: 10, decisions: { cutting: { cloths, moved: [], lays: [] }, ...decisionsOf(doc) } };
}

/** Version 11 knows prints that meet, shrinking and prices: of the cloths of version 10 nothing was said of these. */
function withPrints(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const more = {
    ...{ print: { along: 0, across: 0, fromEnd: 0, fromSide: 0 }, shrinks: { along: 0, across: 0 } },
    ...{ sort: 'plain', price: 0, meet: ['side', 'centre-front', 'centre-back', 'cap'], centre: true },
  };
  const cutting = d.cutting as Plain & { cloths: Plain[] };
  const cloths = cutting.cloths.map((c) => ({ ...structuredClone(more), ...c }));
  return { ...doc, schema: 11, decisions: { ...d, cutting: { ...cutting, cloths, have: [] } } };
}

/** Version 12 knows what one has: cloths of version 11 came from no stash, were whole, and pieces lay on their grain. */
function withStash(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const cutting = d.cutting as Plain & { cloths: Plain[] };
  const cloths = cutting.cloths.map((c) => ({ outline: [], stash: '', tilt: 0, ...c }));
  return {
    ...doc,
    schema: 12,
    decisions: { stash: { cloths: [], things: [] }, ...d, cutting: { ...cutting, cloths } },
  };
}

/**
 * Version 13 keeps when and with what each step was done, entries of a notebook, hours of the week and what cloths are made of: version 12 had ticks
 * alone, of which nobody knows what they were sewn with.
 */
function withBench(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const { done = [], ...making } = (d.making ?? {}) as Plain & { done?: string[] };
  const at = '1970-01-01T00:00:00.000Z';
  const step = { state: 'done', at, minutes: null, redone: 0, code: '', station: '', planned: 0, sewn: {}, under: '' };
  const steps = [...new Set(done)].map((id) => ({ id, ...structuredClone(step) }));
  const days = [0, 90, 0, 90, 0, 180, 0].map((minutes, i) => ({ from: i === 5 ? 600 : 1170, minutes }));
  const more = {
    bench: { steps, choices: [], mends: [], measured: [], by: null, finished: null },
    notebook: [],
    week: { days, except: [] },
  };
  const known = (of: unknown): Plain => {
    const { cloths, ...rest } = of as Plain & { cloths: Plain[] };
    return { ...rest, cloths: cloths.map((c) => ({ fibre: 'unsaid', ...c })) };
  };
  const { cutting, stash } = d;
  return { ...doc, schema: 13, decisions: { ...more, ...d, making, cutting: known(cutting), stash: known(stash) } };
}

/**
 * Version 14: an entry of the notebook may be about a seam, a cloth may lie double in a strip along its fold and be kept in part, and of
 * things it is known what they are and how large. */
function withThings(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const notebook = (d.notebook as unknown as Plain[]).map((e) => ({ seam: '', ...e }));
  const cutting = d.cutting as Plain & { cloths: Plain[] };
  const cloths = cutting.cloths.map((c) => ({ foldedBy: 0, recut: 0, ...c }));
  const stash = d.stash as Plain & { things: Plain[] };
  const things = stash.things.map((t) => ({ kind: 'other', size: 0, ...t }));
  const decisions = { ...d, notebook, cutting: { ...cutting, cloths }, stash: { ...stash, things } };
  return { ...doc, schema: 14, decisions };
}

/** Version 15: pieces may be laid on several lengths of a cloth at once, and a lace has a finished edge that hems lie on. */
function withLengths(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const cutting = d.cutting as Plain & { cloths: Plain[] };
  const cloths = cutting.cloths.map((c) => ({ more: [], scallops: 'none', ...c }));
  return { ...doc, schema: 15, decisions: { ...d, cutting: { ...cutting, cloths } } };
}

/**
 * Version 16: of a thing of the stash it is known for what it was taken out, of a cloth which side lies up, and where its fold. Before, a
 * lay was drawn mirrored on the screen: what was seen and said there of a cloth in one layer, or folded across, lies on its other side.
 */
function withSides(doc: Plain): Plain {
  const d = decisionsOf(doc);
  const cutting = d.cutting as Plain & { cloths: Seen[] };
  const cloths = cutting.cloths.map((c) => ({ otherSideUp: false, foldFar: false, ...c, ...seenRight(c) }));
  const stash = d.stash as Plain & { things: Plain[] };
  const things = stash.things.map((t) => ({ taken: [], ...t }));
  return { ...doc, schema: 16, decisions: { ...d, cutting: { ...cutting, cloths }, stash: { ...stash, things } } };
}

type Seen = Plain & { lies: string; width: number; stash: string } & {
  flaws: (Plain & { x0: number; x1: number })[];
  print: Plain & { across: number; fromSide: number };
};

/** Flaws and lines of a cloth that was looked at; one of the stash was told by its right side. */
function seenRight({ lies, width, stash, flaws, print }: Seen): Plain {
  if (lies === 'folded' || lies === 'partly') return {};
  const { across, fromSide } = print;
  return {
    flaws: stash ? flaws : flaws.map((f) => ({ ...f, x0: width - f.x1, x1: width - f.x0 })),
    print: across > 0 ? { ...print, fromSide: (((width - fromSide) % across) + across) % across } : print,
  };
}

/** Parts of the decisions with what they lack. */
const withMore = (d: Record<string, Plain>, added: Record<string, Plain>): Record<string, Plain> =>
  Object.fromEntries(Object.entries(structuredClone(added)).map(([key, more]) => [key, { ...more, ...d[key] }]));

/** Forward migrations: `migrations[n]` takes a document of version n to n + 1. */
export const migrations: Record<number, (doc: Plain) => Plain> = {
  1: withFacingsOfEdges,
  2: withVents,
  3: withMaking,
  4: withClosings,
  5: withJoins,
  6: withUnlikeSeams,
  7: withCutOuts,
  8: withFinishes,
  9: withCloths,
  10: withPrints,
  11: withStash,
  12: withBench,
  13: withThings,
  14: withLengths,
  15: withSides,
};
export const CURRENT_SCHEMA = 16;
