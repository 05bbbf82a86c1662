import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { documentOf } from '../../demo/drawn.ts';
import { greenhouseCoat, pottingShirt, seedHallDress } from '../../demo/index.ts';
import { hoodedCoat, princessCoat, raglanCoat, twoPieceCoat } from '../../test/makes.ts';
import { curve, p, pieceOf, type Side, straight } from '../../test/parts.ts';
import { CUTS } from '../../test/pile.ts';
import { runs } from '../../test/runs.ts';
import { coatDocument, coatFigures, PLAIN_COAT, piecesOf } from '../../test/shells.ts';
import { UNLIKE } from '../../test/unlike.ts';
import { compute } from '../document/compute.ts';
import { type EdgeSaid, type ProjectDocument } from '../document/project.ts';
import {
  type Box,
  boxesTouch,
  boxOf,
  compose,
  mapPath,
  type Path,
  pathLength,
  pointAlong,
  rotation,
} from '../geometry/index.ts';
import { mapPiece, type Piece, type Role } from '../pattern/index.ts';
import { type Result } from '../result.ts';
import {
  type Join,
  joinsOf,
  loopsOf,
  openedOut,
  panelArea,
  panelsOf,
  partsOf,
  saidJoin,
  surfaceOf,
  unsaid,
  unsewn,
} from './index.ts';

function demo(made: Result<ProjectDocument>): ProjectDocument {
  if (!made.ok) throw new Error(JSON.stringify(made.findings));
  return made.value;
}
const garment = (pieces: Piece[]) => {
  const panels = pieces.flatMap(panelsOf);
  const surface = surfaceOf(panels, joinsOf(panels).joins);
  return { surface, loops: loopsOf(surface), parts: partsOf(surface), alone: unsewn(surface) };
};
/** Loops a garment has once it is sewn, by a role each of them has; common practice of the trade. */
const OPENINGS: [string, () => ProjectDocument, Role[]][] = [
  ['coat', () => demo(greenhouseCoat()), ['hem', 'wrist', 'wrist']],
  ['shirt', () => demo(pottingShirt()), ['cuff-edge', 'cuff-edge', 'hem']],
  ['dress', () => demo(seedHallDress()), ['armhole', 'armhole', 'hem', 'neckline', 'plain', 'plain']],
  ['princess coat', () => princessCoat(PLAIN_COAT, 'armhole'), ['hem', 'wrist', 'wrist']],
  ['shoulder princess coat', () => princessCoat(PLAIN_COAT, 'shoulder'), ['hem', 'wrist', 'wrist']],
  ['coat with two-piece sleeves', () => twoPieceCoat(PLAIN_COAT), ['hem', 'wrist', 'wrist']],
  ['raglan coat', () => raglanCoat(PLAIN_COAT), ['hem', 'wrist', 'wrist']],
  ['coat with a hood', () => hoodedCoat(PLAIN_COAT), ['hem', 'wrist', 'wrist']],
  ...(
    [
      ['jacket', ['hem', 'wrist', 'wrist']],
      ['waistcoat', ['armhole', 'armhole', 'hem']],
      ['shirt', ['cuff-edge', 'cuff-edge', 'hem']],
      ['shift', ['armhole', 'armhole', 'hem', 'neckline']],
      ['wrap', ['hem', 'wrist', 'wrist']],
      ['skirt', ['band-edge', 'hem']],
    ] as [string, Role[]][]
  ).map(([cut, roles]): [string, () => ProjectDocument, Role[]] => [
    `${cut} of another cut`,
    () => documentOf((CUTS[cut] as (typeof CUTS)[string])({ w: 262, l: 700, s: 126 })),
    roles,
  ]),
];

/** Openings of garments of many panels, where they are not a front opening and two wrists; what is laid on is apart. */
const THEIRS: Record<string, Role[]> = {
  'cover-up with armholes cut in': ['armhole', 'armhole', 'hem'],
  'dress of yoke, bust piece and gathered front, a keyhole behind': ['armhole', 'armhole', 'hem', 'neckline'],
  'wrap blouse with a band, ties and peplum': ['hem', 'plain', 'plain', 'wrist', 'wrist'],
  'trousers lined to the knee': ['band-edge', 'hem', 'hem', 'plain', 'plain'],
  'dress with one shoulder and a cut-out': ['armhole', 'cut-out', 'hem', 'neckline'],
  'waistcoat of shoulder-princess panels': ['armhole', 'armhole', 'hem'],
  'skirt faced at the waist': ['hem', 'waist'],
  'skirt with a zip in its side': ['hem', 'waist'],
  'dress with one shoulder, pleats and a slit': ['armhole', 'cut-out', 'hem', 'neckline'],
  romper: ['armhole', 'armhole', 'hem', 'hem', 'neckline'],
  'dress of forty panels': ['cuff-edge', 'cuff-edge', 'hem'],
};
const BEYOND = Object.entries(UNLIKE).map(([name, make]): (typeof OPENINGS)[number] => [
  name,
  make,
  THEIRS[name] ?? ['hem', 'wrist', 'wrist'],
]);

describe('joins of a whole garment', () => {
  test.each([...OPENINGS, ...BEYOND])(
    '%s: all seams are found, and its openings are what is left',
    (_, make, roles) => {
      const { loops, parts, alone } = garment(piecesOf(make()));
      const known = new Set([
        'hem',
        'wrist',
        'armhole',
        'cuff-edge',
        'band-edge',
        'plain',
        'neckline',
        'cut-out',
        'waist',
      ]);
      const named = loops.map((l) => ['hem', ...known].find((r) => l.roles.includes(r as Role)));
      expect(named.sort()).toEqual(roles);
      expect(parts.every((part) => part.handles === 0)).toBe(true);
      expect(alone).toEqual([]);
    },
  );

  // A head needs about 560 mm (common practice).
  test('a neck too narrow for a head and a waist that nothing opens are told with their length; a zip opens either', () => {
    const told = (cut: 'shift' | 'skirt', zip = 0): [string, number][] => {
      const doc = documentOf((CUTS[cut] as (typeof CUTS)[string])({ w: 262, l: 700, s: 126 }));
      doc.decisions.lining.zip.length = zip;
      return compute(doc)
        .findings.filter((f) => f.code === 'neck-narrow' || f.code === 'waist-closed')
        .map((f) => [f.code, Number(f.data?.round)]);
    };
    const [[code, round]] = told('shift') as [[string, number]];
    expect([code, round < 560 && round > 200]).toEqual(['neck-narrow', true]);
    expect(told('skirt').map(([c]) => c)).toEqual(['waist-closed']);
    expect([...told('shift', 300), ...told('skirt', 200)]).toEqual([]);
  });

  test('pieces may lie anywhere, turned or mirrored on the table: the same seams are found', () => {
    fc.assert(
      fc.property(
        coatFigures,
        fc.array(fc.record({ turn: fc.integer({ min: 0, max: 3 }), over: fc.boolean() }), {
          minLength: 9,
          maxLength: 9,
        }),
        (figures, laid) => {
          const pieces = piecesOf(coatDocument(figures)).map((q, i) => {
            const { turn = 0, over = false } = laid[i % laid.length] ?? {};
            const about = rotation((turn * Math.PI) / 2);
            return mapPiece(q, over ? compose(about, { a: -1, b: 0, c: 0, d: 1, e: 0, f: 0 }) : about);
          });
          const { loops, alone } = garment(pieces);
          expect([loops.length, alone]).toEqual([3, []]);
          for (const q of pieces.flatMap(panelsOf)) expect(panelArea(q)).toBeGreaterThan(0);
        },
      ),
      runs(12),
    );
  });

  test('seams of pieces beyond the usual ones are walked too, each once, and named by what they join', () => {
    const further = (name: string) =>
      compute((UNLIKE[name] as () => ProjectDocument)())
        .seams.filter((s) => s.between)
        .map((s) => [s.code, s.between?.join(' to '), s.verdict, Math.round(s.differenceMm)]);
    expect(further('jacket of front, side panel and back')).toEqual([
      ['join-panel', 'Front to Side panel', 'matches', 0],
      ['join-panel', 'Side panel to Back', 'matches', 0],
      expect.arrayContaining(['join-cap']),
      ['lining-panel', 'Front lining to Side panel lining', 'matches', 0],
      ['lining-panel', 'Side panel lining to Back lining', 'matches', 0],
      ['hem-panel', 'Side panel lining to Side panel', 'ease-as-meant', -3],
    ]);
    // Gathered by half as much again: 301 mm on to 201 mm, as drawn.
    expect(further('shirt with a yoke in front')).toContainEqual([
      'join-yoke',
      'Lower front to Front yoke',
      'ease-as-meant',
      100,
    ]);
  });

  test('what was said goes before what is suggested, on both halves of the body; taken back it is suggested again', () => {
    const pieces = piecesOf(princessCoat(PLAIN_COAT, 'armhole'));
    const panels = pieces.flatMap(panelsOf);
    const at = (name: string, role: Role): EdgeSaid => {
      const q = pieces.find((x) => x.name === name) as Piece;
      return { piece: q.id, edge: q.ring.find((e) => e.role === role)?.id ?? '', mirrored: false };
    };
    const partner = (joins: Join[], e: EdgeSaid): string[] =>
      joins
        .flatMap((j) => [[j.a, j.b] as const, [j.b, j.a] as const])
        .filter(([x]) => x.some((q) => q.piece === e.piece && q.edge === e.edge))
        .map(([, y]) => y.map((q) => `${q.piece}/${q.role}`).join());
    const [front, side, back] = [at('Front', 'panel-seam'), at('Side front', 'panel-seam'), at('Back', 'panel-seam')];
    const usual = partner(joinsOf(panels).joins, front);
    expect(usual).toEqual([`${side.piece}/panel-seam`, `${side.piece}/panel-seam`]);
    const wrong = saidJoin([], front, back);
    expect(partner(joinsOf(panels, wrong).joins, front)).toEqual([
      `${back.piece}/panel-seam`,
      `${back.piece}/panel-seam`,
    ]);
    // Said again it takes the place of what was said before; said open, nothing is sewn to it, nor complained of.
    const again = saidJoin(wrong, side, front);
    expect(again).toHaveLength(1);
    expect(partner(joinsOf(panels, again).joins, back)).toHaveLength(2);
    const open = joinsOf(panels, saidJoin([], front, null));
    expect(partner(open.joins, front)).toEqual([]);
    const told = unsewn(surfaceOf(panels, open.joins, open.open)).map((f) => f.data?.name);
    expect(told).not.toContain('Front');
    expect(partner(joinsOf(panels, unsaid(again, side)).joins, front)).toEqual(usual);
    // An edge that is gone: counted, and nothing else is harmed.
    expect(joinsOf(panels, saidJoin([], { ...front, edge: 'e99' }, side))).toMatchObject({ lost: 1 });
  });

  test('a seam of which something else was said is no longer walked as the usual one', () => {
    const doc = coatDocument();
    const [front, back] = ['front', 'back'].map((kind) => piecesOf(doc).find((q) => q.kind === kind) as Piece);
    const at = (q: Piece | undefined, role: Role): EdgeSaid => ({
      piece: q?.id ?? '',
      edge: q?.ring.find((e) => e.role === role)?.id ?? '',
      mirrored: false,
    });
    const codes = (): string[] =>
      compute(doc)
        .seams.filter((s) => s.group === 'shell')
        .map((s) => s.code);
    const usual = codes();
    doc.decisions.joins = saidJoin([], at(front, 'side'), at(back, 'hem'));
    expect(codes()).toEqual([...usual.filter((c) => c !== 'side'), 'join-other']);
    doc.decisions.joins = saidJoin([], at(front, 'side'), null);
    expect(codes()).toEqual(usual.filter((c) => c !== 'side'));
    doc.decisions.joins = saidJoin([], at(front, 'side'), { ...at(back, 'side'), mirrored: true });
    expect(codes()).toEqual(usual);
  });

  test('a side seam without a partner is told, and where', () => {
    const pieces = piecesOf(coatDocument()).filter((q) => q.kind !== 'back');
    expect(garment(pieces).alone.map((f) => [f.code, f.data?.name, f.data?.roles])).toEqual([
      ['edges-alone', 'Front', 'shoulder, side'],
      ['edges-alone', 'Sleeve', 'cap'],
    ]);
  });

  test('however many panels a skirt is cut into along curves, each is sewn to its own neighbours again', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ bend: fc.integer({ min: -25, max: 25 }), high: fc.integer({ min: 60, max: 620 }) }), {
          minLength: 1,
          maxLength: 6,
        }),
        (cuts) => {
          const [wide, tall] = [90, 700];
          // Each cut is notched at a place of its own, as a pattern is.
          const line = (k: number): Path => {
            const c = cuts[k] as (typeof cuts)[number];
            const [top, low] = [wide * (k + 1), (wide + 30) * (k + 1)];
            return curve(p(top, 0), p(top + c.bend, 200), p(low + c.bend, 500), p(low, tall));
          };
          const pieces = Array.from({ length: cuts.length + 1 }, (_, k): Piece => {
            const [left, right] = [k ? line(k - 1) : null, k < cuts.length ? line(k) : null];
            const at = (path: Path | null, x: number, end: 0 | 1) =>
              path ? pointAlong(path, end ? pathLength(path) : 0) : p(x, end ? tall : 0);
            const [a, b] = [at(left, 0, 0), at(right, wide * (k + 1), 0)];
            const [c, d] = [at(right, (wide + 30) * (k + 1), 1), at(left, 0, 1)];
            const sides: Side[] = [
              ['waist', straight(a, b)],
              [right ? 'panel-seam' : 'side', right ?? straight(b, c)],
              ['hem', straight(c, d)],
              [
                left ? 'panel-seam' : 'centre-front',
                left
                  ? left
                      .map((s) => ({ ...s }))
                      .reverse()
                      .map((s) =>
                        s.k === 'C' ? { k: 'C' as const, a: s.b, c: s.d, d: s.c, b: s.a } : { ...s, a: s.b, b: s.a },
                      )
                  : straight(d, a),
              ],
            ];
            const notches = [
              ...(right ? [{ edge: 'e2', at: cuts[k]?.high ?? 0, kind: 'single' as const }] : []),
              ...(left
                ? [{ edge: 'e4', at: pathLength(left) - (cuts[k - 1]?.high ?? 0), kind: 'single' as const }]
                : []),
            ];
            return pieceOf('other', sides, {
              id: `g${k}`,
              name: `Gore ${k + 1}`,
              notches,
              cut: { count: 1, pair: false, onFold: false },
            });
          });
          fc.pre(cuts.every((c, i) => cuts.every((o, k) => k === i || Math.abs(c.high - o.high) > 30)));
          const panels = pieces.flatMap(panelsOf);
          const joins = joinsOf(panels).joins.filter((j) => j.code === 'panel');
          const pairs = joins.map((j) => [j.a[0]?.panel, j.b[0]?.panel].sort().join());
          expect(pairs.sort()).toEqual(cuts.map((_, k) => `g${k},g${k + 1}`).sort());
          expect(partsOf(surfaceOf(panels, joins))).toMatchObject([{ loops: 1, handles: 0 }]);
        },
      ),
      runs(300),
    );
  });
});

describe('opened out', () => {
  test.each([...OPENINGS, ...BEYOND])(
    '%s: every panel once, moved as cloth moves; the back between the fronts, sleeves beside',
    (_, make) => {
      const pieces = piecesOf(make());
      const { surface } = garment(pieces);
      const opened = openedOut(surface);
      expect(opened?.panels.map((o) => o.panel.id).sort()).toEqual(surface.panels.map((q) => q.id).sort());
      const boxes = (...kinds: string[]): Box[] =>
        (opened?.panels ?? [])
          .filter((o) => kinds.includes(o.panel.kind))
          .map((o) => boxOf(o.panel.ring.flatMap((e) => mapPath(e.path, o.motion))));
      for (const { motion: m } of opened?.panels ?? []) {
        // Seen from the inside it is mirrored, and nothing is stretched.
        expect(m.a * m.d - m.b * m.c).toBeCloseTo(-1, 9);
        expect(Math.hypot(m.a, m.b)).toBeCloseTo(1, 9);
      }
      const middle = (list: Box[]): number[] => list.map((b) => (b.minX + b.maxX) / 2).sort((x, y) => x - y);
      const [fronts, backs] = [middle(boxes('front')), middle(boxes('back'))];
      if (fronts.length === 2)
        for (const x of backs) expect(x > (fronts[0] as number) && x < (fronts[1] as number)).toBe(true);
      for (const sleeve of boxes('sleeve'))
        for (const body of boxes('front', 'back')) expect(boxesTouch(sleeve, body)).toBe(false);
    },
  );
});
