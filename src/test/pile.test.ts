import { rmSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sentenceOf } from '../contract/index.ts';
import { type Computed, compute, planOf } from '../core/document/compute.ts';
import { type ProjectDocument } from '../core/document/project.ts';
import { proofOf } from '../core/document/proof/index.ts';
import {
  boxOf,
  flatten,
  largestGap,
  nearestOn,
  pathLength,
  pointAlong,
  selfCrossing,
  stretch,
} from '../core/geometry/index.ts';
import { sheetsFor, svgOf } from '../core/output/index.ts';
import { pathData } from '../core/output/svg.ts';
import { cutRings, KINDS, OPENING_ROLES, outlineOf, type Piece, ROLES, ringsOf } from '../core/pattern/index.ts';
import { documentOf } from '../demo/drawn.ts';
import { DEMOS } from '../demo/index.ts';
import { type Opened } from '../server/db/open.ts';
import { appOf, asking } from './api.ts';
import { oval } from './cutin.ts';
import { freshFolder, openFolder } from './folder.ts';
import { CUTS, type Size } from './pile.ts';
import { runs } from './runs.ts';

const size: fc.Arbitrary<Size> = fc.record({
  w: fc.integer({ min: 225, max: 340 }),
  l: fc.integer({ min: 560, max: 1100 }),
  s: fc.integer({ min: 100, max: 150 }),
});
const trims = fc.constantFrom('inside' as const, 'seam' as const, 'caught' as const, 'whole' as const);
const choice = fc.record({
  lines: fc.constantFrom('seam' as const, 'seam' as const, 'cut' as const),
  kind: fc.constantFrom('separate' as const, 'cut-on' as const, 'lapel' as const),
  front: fc.constantFrom('strip' as const, 'whole' as const, 'shaped' as const),
  trim: trims,
  hem: fc.constantFrom('joined' as const, 'free' as const, 'rib' as const, 'edge' as const),
  deep: fc.constantFrom(0, 0, 180),
  inOne: fc.constantFrom(0, 0, 60),
  band: fc.constantFrom(0, 0, 50),
  zip: fc.constantFrom(0, 0, 300),
  slit: fc.constantFrom(0, 150),
  lining: fc.boolean(),
  seam: fc.constantFrom(6, 10, 15, 15.875),
  fullness: fc.constantFrom('kept' as const, 'out' as const),
  closed: fc.option(fc.nat(20)),
  lap: fc.constantFrom('front' as const, 'back' as const),
  opening: fc.option(
    fc.record({ role: fc.constantFrom(...OPENING_ROLES), on: fc.nat(5), wide: fc.integer({ min: 20, max: 90 }) }),
  ),
});
type Choice = typeof choice extends fc.Arbitrary<infer T> ? T : never;

function choose(doc: ProjectDocument, o: Choice): void {
  const d = doc.decisions;
  if (doc.shell) doc.shell.lines = o.lines;
  d.allowances.seam = o.seam;
  const bands = { armhole: o.band, waist: o.band, hem: o.band, wrist: o.band, 'cut-out': o.band };
  Object.assign(d.facing, { kind: o.kind, deep: o.deep, inOne: o.inOne, bands });
  Object.assign(d.interfacing, { trim: o.trim, front: o.front, hems: 15, stay: 180, patches: true });
  Object.assign(d.lining, { on: o.lining, fullness: o.fullness });
  d.lining.vent.lap = o.lap;
  d.lining.hem.kind = o.hem;
  d.lining.zip.length = o.zip;
  d.lining.slit.length = o.slit;
  const pieces = doc.shell?.pieces ?? [];
  const seams = pieces.flatMap((p) =>
    p.ring.flatMap((e) => (/panel-seam|yoke-seam/.test(e.role) ? [{ piece: p.id, edge: e.id }] : [])),
  );
  const closed = seams[(o.closed ?? 0) % Math.max(1, seams.length)];
  if (o.closed !== null && closed) d.lining.inOne = [closed];
  const piece = o.opening && pieces[o.opening.on % pieces.length];
  if (!piece || !o.opening) return;
  const b = boxOf(piece.ring.flatMap((e) => e.path));
  const path = oval((b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2, o.opening.wide, 1.5 * o.opening.wide);
  piece.lines = [...piece.lines, { kind: 'opening', role: o.opening.role, path }];
}

/** Seam line and cut line of every drafted piece, and the cut line of every shell piece: one ring, exactly joined. */
function ringed(name: string, c: Computed): void {
  for (const p of c.pieces) {
    const cut = c.cutLines.get(p.id);
    const paths = [...ringsOf(p).map(outlineOf), ...(cut ? cutRings(cut) : [])];
    for (const path of paths) {
      expect([name, p.id, largestGap(path, true)]).toEqual([name, p.id, 0]);
      expect([name, p.id, selfCrossing(flatten(path, 0.01).slice(0, -1))]).toEqual([name, p.id, null]);
    }
  }
  const svg = svgOf(sheetsFor(c, null, true), 'x');
  for (const [, d] of svg.matchAll(/ d="([^"]+)"/g)) expect(d?.match(/M/g)).toHaveLength(1);
}

describe('shells of many cuts', () => {
  test('whatever is chosen, every outline is one closed ring that does not cross itself, on paper too', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(CUTS)), size, choice, (name, z, o) => {
        const doc = documentOf((CUTS[name] as (typeof CUTS)[string])(z));
        choose(doc, o);
        const c = compute(doc);
        ringed(name, c);
        expect(c.findings.filter((f) => f.code === 'part-failed')).toEqual([]);
        const faults = proofOf(c).filter((k) => k.code === 'outline' || k.code === 'inset' || k.code === 'union');
        expect([name, faults.flatMap((k) => k.faults.map((f) => [k.code, f]))]).toEqual([name, []]);
      }),
      runs(22),
    );
  });

  // Common practice: the facing of a rounded front goes round with it, its inner line ruled straight down to the hem.
  test('a rounded front is faced round its corner, lapel or not, and its interfacing lies 3 mm inside all along', () => {
    fc.assert(
      fc.property(
        size,
        fc.constantFrom('separate' as const, 'lapel' as const),
        fc.integer({ min: 65, max: 95 }),
        (z, kind, width) => {
          const doc = documentOf((CUTS['rounded jacket'] as (typeof CUTS)[string])(z));
          Object.assign(doc.decisions.facing, { kind, front: width, shoulder: 50, out: 3 });
          const c = compute(doc);
          const [shell, facing, under] = ['p1', 'front-facing', 'front-facing-interfacing'].map((id) =>
            c.pieces.find((p) => p.id === id),
          ) as [Piece, Piece, Piece];
          const edge = shell.ring.find((e) => e.role === 'front-edge')?.path ?? [];
          const own = facing.ring.filter((e) => e.role === 'front-edge').flatMap((e) => e.path);
          const from = nearestOn(own, edge[0]?.a as never).at < pathLength(own) / 2 ? 0 : pathLength(own) - 90;
          const corner = stretch(own, from, from + 90);
          for (const k of [0, 0.3, 0.6, 1])
            expect(nearestOn(edge, pointAlong(corner, pathLength(corner) * k)).distance).toBeLessThan(1e-3);
          const line = facing.ring.filter((e) => e.role === 'facing-line').flatMap((e) => e.path);
          const middle = pointAlong(line, pathLength(line) * 0.2);
          const low = facing.ring.some((e) => e.role === 'hem');
          expect(low).toBe(true);
          expect(
            Math.min(
              nearestOn(edge, middle).distance,
              nearestOn(edge, pointAlong(line, pathLength(line) * 0.8)).distance,
            ),
          ).toBeLessThan(width + 3.1);
          const rim = outlineOf(facing.ring);
          const inner = outlineOf(under.ring);
          for (let k = 0; k < 80; k++) {
            const d = nearestOn(rim, pointAlong(inner, (pathLength(inner) * k) / 80)).distance;
            expect(Math.abs(d - 3)).toBeLessThan(0.1);
          }
          ringed(kind, c);
        },
      ),
      runs(15),
    );
  });

  test('a path with a step in it is never written', () => {
    const step = (gap: number) => [
      { k: 'L' as const, a: { x: 0, y: 0 }, b: { x: 10, y: 0 } },
      { k: 'L' as const, a: { x: 10 + gap, y: 0 }, b: { x: 10, y: 10 } },
    ];
    expect(pathData(step(1e-4))).toBe('M0 0L10 0L10 10');
    expect(() => pathData(step(0.02))).toThrow('open by');
  });
});

/** Edges called anything, folded anywhere, pieces called anything: as a sewist may leave them half-way. */
const spoiling = fc.array(
  fc.record({
    piece: fc.nat(20),
    edge: fc.nat(20),
    role: fc.constantFrom(...ROLES),
    fold: fc.constantFrom(false, false, false, true),
    kind: fc.option(fc.constantFrom(...KINDS), { freq: 4 }),
    allowance: fc.option(fc.constantFrom(0, 6, 15, 40, 90)),
  }),
  { minLength: 1, maxLength: 6 },
);
type Spoiling = typeof spoiling extends fc.Arbitrary<infer T> ? T : never;

const BASES: ProjectDocument[] = [
  ...DEMOS.flatMap((d) => {
    const made = d.make();
    return made.ok ? [made.value] : [];
  }),
  ...Object.values(CUTS).map((cut) => documentOf(cut({ w: 262, l: 700, s: 126 }))),
];

function spoilt(base: ProjectDocument, changes: Spoiling, o: Choice): ProjectDocument {
  const doc = structuredClone(base);
  const pieces = doc.shell?.pieces ?? [];
  choose(doc, o);
  for (const c of changes) {
    const p = pieces[c.piece % pieces.length];
    const e = p?.ring[c.edge % p.ring.length];
    if (!p || !e) continue;
    Object.assign(e, { role: c.role, onFold: c.fold, allowance: c.allowance });
    if (c.kind) p.kind = c.kind;
  }
  return doc;
}

describe('no state of a project locks it', () => {
  test('any names on any edges: every part answers, what is drafted is whole, what is not is told', () => {
    fc.assert(
      fc.property(fc.constantFrom(...BASES), spoiling, choice, (base, changes, o) => {
        const doc = spoilt(base, changes, o);
        const c = compute(doc);
        expect(c.shell).toHaveLength(doc.shell?.pieces.length ?? 0);
        for (const p of c.inside)
          expect(c.cutLines.get(p.id) || c.findings.some((f) => f.where?.piece === p.id)).toBeTruthy();
        for (const f of c.findings) expect(sentenceOf(f)).toMatch(/^["A-Z].*[.?]$/);
        svgOf(sheetsFor(c, null, true), 'x');
        proofOf(c);
        planOf(doc, c);
        for (const p of c.inside)
          expect([p.id, selfCrossing(flatten(outlineOf(p.ring), 0.05).slice(0, -1))]).toEqual([p.id, null]);
      }),
      runs(15),
    );
  });

  describe('over HTTP', () => {
    const folder = freshFolder('pile');
    let opened: Opened;
    beforeAll(async () => {
      opened = await openFolder(folder);
    }, 60_000);
    afterAll(async () => {
      await opened.close();
      rmSync(folder, { recursive: true, force: true });
    });
    const { ask } = asking(() => appOf(opened));

    test('every route answers 200, findings and all', async () => {
      // The front that has an edge and no hem, buttons on; the shirt whose drawn lines are cut lines.
      const noHem = documentOf((CUTS.jacket as (typeof CUTS)[string])({ w: 262, l: 700, s: 126 }));
      for (const e of noHem.shell?.pieces[0]?.ring ?? []) if (e.role === 'hem') e.role = 'plain';
      const cut = structuredClone(BASES.find((b) => b.garment === 'shirt') as ProjectDocument);
      if (cut.shell) cut.shell.lines = 'cut';
      cut.decisions.allowances.seam = 15;
      const random = fc.sample(fc.tuple(fc.constantFrom(...BASES), spoiling, choice), runs(5));
      for (const doc of [noHem, cut, ...random.map(([b, s, o]) => spoilt(b, s, o))]) {
        const made = await ask('POST', '/api/projects/import', { woodbine: 1, project: doc });
        expect([made.status, made.json?.detail]).toEqual([201, undefined]);
        for (const part of [
          'pieces',
          'seams',
          'closure',
          'plan',
          'cutting',
          'export/pieces.svg',
          'export/cut-list.csv',
        ])
          expect([part, (await ask('GET', `/api/projects/${made.json.id}/${part}`)).status]).toEqual([part, 200]);
      }
    });
  });
});
