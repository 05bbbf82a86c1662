import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { usualDecisions } from '../core/document/project.ts';
import { FINDING_CODES } from '../core/findingcodes.ts';
import { runs } from '../test/runs.ts';
import { coatDocument, coatFigures } from '../test/shells.ts';
import { parseDocument, sentenceOf } from './index.ts';

type Plain = Record<string, unknown>;

/** A step that was ticked before it was kept when and with what. */
const TICKED = {
  ...{ id: 'cut', state: 'done' as const, at: '1970-01-01T00:00:00.000Z', minutes: null, redone: 0 },
  ...{ code: '', station: '', planned: 0, sewn: {}, under: '' },
};

/** What version 4 knew of the closing. */
const CLOSURE_BEFORE = 'on by count gap diameter thickness top bottom extension direction side waist'.split(' ');

describe('saved documents', () => {
  test('random coats survive a round through JSON to the last digit', () => {
    fc.assert(
      fc.property(coatFigures, (figures) => {
        const doc = coatDocument(figures);
        const back = parseDocument(JSON.parse(JSON.stringify(doc)));
        expect(back.ok && back.document).toEqual(doc);
      }),
      runs(15),
    );
  });

  test('the usual decisions are within what the contract allows', () => {
    const doc = { ...coatDocument(), decisions: usualDecisions() };
    expect(parseDocument(doc).ok).toBe(true);
  });

  test('projects of earlier versions are read as they were derived then; a piece on the fold was cut once', () => {
    const now = coatDocument();
    const { making } = now.decisions;
    Object.assign(making, { methods: { seams: 'overlocked' }, finishes: { side: 'french' } });
    const about = { step: '', piece: '', seam: '', cloth: '', figures: {}, pictures: [], again: false };
    const written = { id: 'e1', at: '2026-11-28T10:00:00.000Z', kind: 'note' as const, words: 'Pins', ...about };
    now.decisions.notebook = [written];
    now.decisions.stash.things = [{ id: 's1', name: 'Horn', kind: 'other', size: 0, count: 8, note: '', taken: [] }];
    const bare = (version: number) => {
      const doc = structuredClone(now) as unknown as Plain;
      doc.schema = version;
      const d = doc.decisions as Record<string, Plain>;
      for (const c of (d.cutting as { cloths: Plain[] }).cloths)
        for (const key of ['otherSideUp', 'foldFar', ...(version < 15 ? ['more', 'scallops'] : [])]) delete c[key];
      for (const t of (d.stash as { things: Plain[] }).things) delete t.taken;
      if (version > 13) return doc;
      for (const e of d.notebook as unknown as Plain[]) delete e.seam;
      for (const c of (d.cutting as { cloths: Plain[] }).cloths) for (const key of ['foldedBy', 'recut']) delete c[key];
      for (const t of (d.stash as { things: Plain[] }).things) for (const key of ['kind', 'size']) delete t[key];
      if (version > 12) return doc;
      for (const key of ['bench', 'notebook', 'week']) delete d[key];
      Object.assign(d.making as Plain, { done: ['cut'] });
      for (const c of (d.cutting as { cloths: Plain[] }).cloths) delete c.fibre;
      if (version > 11) return doc;
      delete d.stash;
      for (const c of (d.cutting as { cloths: Plain[] }).cloths)
        for (const key of ['outline', 'stash', 'tilt']) delete c[key];
      if (version > 10) return doc;
      if (version > 9) {
        delete (d.cutting as { have?: unknown }).have;
        for (const c of (d.cutting as { cloths: Plain[] }).cloths)
          for (const key of ['print', 'shrinks', 'sort', 'price', 'meet', 'centre']) delete c[key];
        return doc;
      }
      delete d.cutting;
      if (version > 8) return doc;
      const { finishes, methods, done, ...making } = d.making as { finishes: Plain; methods: Plain; done: string[] };
      const single = Object.entries(finishes).map(([seam, way]) => [`seams:${seam}`, way]);
      expect(done).toEqual(['cut']);
      d.making = { ...making, methods: { ...methods, ...Object.fromEntries(single) } };
      if (version > 7) return doc;
      delete (d.facing as { bands: Plain }).bands['cut-out'];
      delete (d.lining as { vent: Plain }).vent.lap;
      for (const key of ['inOne', 'fullness']) delete d.lining?.[key];
      delete d.making?.sheet;
      if (version > 6) return doc;
      for (const key of ['reallowed', 'caps', 'sewn', 'strips']) delete d[key];
      delete d.lining?.fronts;
      delete d.facing?.over;
      delete d.interfacing?.regions;
      const zip = d.lining?.zip as Plain;
      for (const key of ['at', 'on']) delete zip[key];
      if (version > 5) return doc;
      delete d.joins;
      if (version > 4) return doc;
      const { closure } = doc.decisions as Record<string, Plain>;
      for (const key of Object.keys(closure ?? {})) if (!CLOSURE_BEFORE.includes(key)) delete closure?.[key];
      if (version > 3) return doc;
      delete (doc.decisions as Plain).making;
      if (version > 2) return doc;
      const { facing, lining, interfacing } = doc.decisions as Record<string, Plain>;
      for (const key of ['vent', 'slit', 'self', 'body', 'sleeves', 'pockets', 'pleatLength']) delete lining?.[key];
      for (const key of ['front', 'stand', 'zip', 'patches']) delete interfacing?.[key];
      for (const at of ['hem', 'wrist'])
        for (const key of ['ribDepth', 'ribShare']) delete (lining as Record<string, Plain>)[at]?.[key];
      for (const key of ['kind', 'out', 'breakAt', 'deep', 'hood']) delete facing?.[key];
      if (version > 1) return doc;
      for (const key of ['bands', 'inOne', 'turn', 'finish', 'bias']) delete facing?.[key];
      for (const key of ['smaller', 'darts', 'skirt', 'zip']) delete lining?.[key];
      for (const key of ['collars', 'hems', 'stay']) delete interfacing?.[key];
      (doc.shell as { pieces: { count: number }[] }).pieces[1] = {
        ...(now.shell?.pieces[1] as object),
        count: 4,
      };
      return doc;
    };
    // Buttons stay where they stood: the lowest was not moved, and gaps were not rounded.
    const then = structuredClone(now);
    Object.assign(then.decisions.closure, { bottomGive: 0, rounding: 'fine' });
    const plain = usualDecisions().making;
    for (const version of [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]) {
      const read = parseDocument(bare(version));
      const was = structuredClone(version > 4 ? now : then);
      // How it is put together was not kept before version 4.
      if (version < 4) was.decisions.making = plain;
      // What was ticked is done: with what, and when, nobody knows.
      if (version < 13) was.decisions.notebook = [];
      if (version < 12) was.decisions.stash.things = [];
      if (version > 8 && version < 13) was.decisions.bench.steps = [TICKED];
      expect(read.ok && read.document).toEqual(was);
    }
  });

  test('of version 15, flaws and lines of a cloth that was seen mirrored lie on its other side; on a fold they stay', () => {
    const flaws = [{ x0: 100, x1: 150, y0: 300, y1: 350 }];
    for (const lies of ['single', 'folded'] as const) {
      const doc = coatDocument();
      const [cloth] = doc.decisions.cutting.cloths;
      Object.assign(cloth ?? {}, {
        lies,
        width: 1400,
        flaws,
        print: { along: 0, across: 60, fromEnd: 0, fromSide: 20 },
      });
      const read = parseDocument({ ...doc, schema: 15 });
      // 1400 is 23 times 60 and 20: a line 20 from one selvedge is followed by one on the other.
      const seen = read.ok ? read.document.decisions.cutting.cloths[0] : null;
      expect(seen?.flaws[0]).toMatchObject(lies === 'single' ? { x0: 1250, x1: 1300, y0: 300 } : { x0: 100, x1: 150 });
      expect(seen?.print.fromSide).toBe(lies === 'single' ? 0 : 20);
    }
  });

  // biome-ignore lint/suspicious/noExplicitAny: documents are spoilt on purpose.
  test.each<[string, (d: any) => void, RegExp]>([
    [
      'a newer version',
      (d) => {
        d.schema = 17;
      },
      /schema: .*version 17/,
    ],
    [
      'a number lost',
      (d) => {
        d.decisions.facing.front = null;
      },
      /decisions\.facing\.front/,
    ],
    [
      'an infinite length',
      (d) => {
        d.decisions.lining.pleat = Number.POSITIVE_INFINITY;
      },
      /decisions\.lining\.pleat/,
    ],
    [
      'something unknown',
      (d) => {
        d.decisions.facing.colour = 'red';
      },
      /decisions\.facing: .*colour/,
    ],
    [
      'a role nobody knows',
      (d) => {
        d.shell.pieces[0].ring[0].role = 'gusset';
      },
      /ring\.0\.role/,
    ],
    [
      'two pieces of one id',
      (d) => {
        d.shell.pieces[1].id = 'p1';
      },
      /two pieces have the id p1/,
    ],
    [
      'an edge id twice',
      (d) => {
        d.shell.pieces[0].ring[1].id = 'e1';
      },
      /edge id twice/,
    ],
    [
      'a notch on no edge',
      (d) => {
        d.shell.pieces[0].notches[0].edge = 'e99';
      },
      /notch on an edge that is not there/,
    ],
    [
      'an open outline',
      (d) => {
        d.shell.pieces[2].ring[3].path[0].b.y += 1;
      },
      /outline of Sleeve is open after edge e4/,
    ],
    [
      'an id that is a path',
      (d) => {
        d.shell.pieces[0].id = '../x';
      },
      /pieces\.0\.id/,
    ],
  ])('%s is refused with its place', (_, spoil, words) => {
    const doc = structuredClone(coatDocument());
    spoil(doc);
    const r = parseDocument(doc);
    expect(r.ok ? '' : r.problems.map((p) => `${p.path}: ${p.message}`).join('; ')).toMatch(words);
  });
});

describe('words', () => {
  test('sentences say lengths in the chosen unit and leave no gap open', () => {
    for (const code of FINDING_CODES)
      expect(sentenceOf({ code, severity: 'stop', data: {} }, 'in')).toMatch(/^["A-Z][^{}]*[.?]$/);
    const f = { code: 'facing-narrow' as const, severity: 'warn' as const, data: { width: 76.2, least: 101.6 } };
    expect(sentenceOf(f, 'in')).toContain('3" wide');
    expect(sentenceOf(f, 'in')).toContain('reach 4"');
    expect(sentenceOf(f, 'mm')).toContain('76.2 mm');
  });
});
