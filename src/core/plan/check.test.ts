import { describe, expect, test } from '@jest/globals';
import { surfaceFrom } from '../../test/sheet.ts';
import {
  checkPlan,
  EMPTY_OPERATION,
  type GarmentModel,
  type Joint,
  type Laid,
  numbered,
  type Operation,
  type Part,
  type PartEdge,
} from './index.ts';

// Small garments and sequences set down by hand, each with one thing wrong.
const edge = (role: PartEdge['role'], length: number, onFold = false): PartEdge => ({
  id: role,
  role,
  length,
  onFold,
  allowance: 15,
  bends: [],
});
const part = (id: string, kind: Part['kind'], ring: PartEdge[], more: Partial<Part> = {}): Part => ({
  id,
  of: id,
  kind,
  material: 'shell',
  ring,
  paired: !ring.some((e) => e.onFold),
  layer: 'outer',
  covered: false,
  fused: null,
  cut: 2,
  darts: 0,
  pleats: 0,
  ...more,
});
const joint = (id: string, a: string, b: string, closing = false): Joint => ({
  id,
  code: id as Joint['code'],
  a: [a],
  b: [b],
  lengthA: 200,
  lengthB: 200,
  closing,
  allowance: 15,
});
const making = (parts: Part[], joints: Joint[], more: Partial<GarmentModel> = {}): GarmentModel => ({
  surface: surfaceFrom(parts, joints),
  parts,
  joints,
  passes: {},
  open: {},
  mouths: {},
  bulk: 'medium',
  lace: false,
  ...more,
});
const op = (id: string, more: Partial<Operation> = {}): Operation => ({
  ...EMPTY_OPERATION,
  id,
  code: id,
  section: 'shell',
  station: 'machine',
  pieces: (more.stack ?? []).map((l) => l.part),
  makes: [id],
  ...more,
});
const laid = (low: string, high: string, swings: Laid['swings'], up: Laid['up'] = 'wrong'): Laid[] => [
  { part: low, up: 'right', swings: 0 },
  { part: high, up, swings },
];
const whole = (j: string) => [{ joint: j, from: 0, to: 1 }];
const cares = (how: 'seamed' | 'overlocked' | 'enclosed' | 'hemmed', ...edges: string[]) =>
  edges.map((e) => ({ edge: e, how }));
const told = (ops: Operation[], m: GarmentModel) =>
  checkPlan(numbered(ops), m).map((f) => [f.code, f.data?.step ?? f.data?.piece ?? f.data?.seam]);

/** Front and back of a sack: side seams and nothing else. */
const SACK = making(
  [
    part('front', 'front', [edge('side', 200), edge('hem', 250, true)]),
    part('back', 'back', [edge('side', 200), edge('hem', 250, true)]),
  ],
  [joint('side', 'front/side', 'back/side')],
);
const SIDES = ['front/side', 'back/side'];
const sewn = op('sew', { sews: whole('side'), stack: laid('front', 'back', 1), cares: cares('seamed', ...SIDES) });
const neat = op('neat', { station: 'overlocker', cares: cares('overlocked', ...SIDES) });

describe('the checker', () => {
  test('a sound little plan has nothing against it', () => {
    expect(told([sewn, neat], SACK)).toEqual([]);
  });

  test('passes: not at all, in part, too often, and a French seam once only', () => {
    expect(told([neat], SACK)).toEqual([['seam-not-sewn', '']]);
    const part_ = { ...sewn, sews: [{ joint: 'side', from: 0, to: 0.6 }] };
    const found = checkPlan(numbered([part_, neat]), SACK)[0];
    expect([found?.code, found?.data?.mm]).toEqual(['seam-part-open', 80]);
    const rest = op('rest', { sews: [{ joint: 'side', from: 0.6, to: 1 }] });
    expect(told([part_, rest, neat], SACK)).toEqual([]);
    const over = op('over', { sews: [{ joint: 'side', from: 0.5, to: 1 }] });
    expect(told([part_, over, neat], SACK).map((x) => x[0])).toEqual(['seam-sewn-twice']);
    const french = { ...SACK, passes: { side: 2 } };
    expect(told([sewn, neat], french).map((x) => x[0])).toEqual(['seam-part-open']);
    expect(told([sewn, { ...sewn, id: 'second' }, neat], french)).toEqual([]);
    // A slit stays open below: sewing it shut is a fault.
    const slit = { ...SACK, open: { side: 0.25 } };
    expect(told([{ ...sewn, sews: [{ joint: 'side', from: 0, to: 0.75 }] }, neat], slit)).toEqual([]);
    expect(told([sewn, neat], slit).map((x) => x[0])).toEqual(['seam-sewn-twice']);
  });

  test('raw edges: a plain seam is enough under a lining, not without; a fold has none', () => {
    expect(told([sewn], SACK)).toEqual([
      ['edge-left-raw', 'front'],
      ['edge-left-raw', 'back'],
    ]);
    const lined = { ...SACK, parts: SACK.parts.map((p) => ({ ...p, covered: true })) };
    expect(told([sewn], lined)).toEqual([]);
    const more = { ...SACK, parts: [...SACK.parts, part('bag', 'other', [edge('pocket', 300)])] };
    const note = checkPlan(numbered([sewn, neat]), more);
    expect(note.map((f) => [f.code, f.severity])).toEqual([['piece-not-planned', 'note']]);
  });

  test('faces: right sides together and opened look the same way; wrong to right do not', () => {
    expect(told([{ ...sewn, stack: laid('front', 'back', 1, 'right') }, neat], SACK)).toEqual([
      ['layer-faces-wrong', 'sew'],
    ]);
    // Turned under, a facing looks inward, as it should; merely opened out it would look outward.
    const facing = part('facing', 'front', [edge('neckline', 200)], {
      material: 'facing',
      layer: 'inner',
      covered: true,
    });
    const m = making(
      [part('front', 'front', [edge('neckline', 200)]), facing],
      [joint('neck', 'front/neckline', 'facing/neckline', true)],
    );
    const close = op('close', {
      sews: whole('neck'),
      stack: laid('front', 'facing', 2),
      cares: cares('enclosed', 'front/neckline', 'facing/neckline'),
    });
    const faces = (o: Operation, lace = false) => told([o], { ...m, lace }).filter((x) => x[0] === 'layer-faces-wrong');
    expect(faces(close)).toEqual([]);
    expect(faces({ ...close, stack: laid('front', 'facing', 1) })).toHaveLength(1);
    // Behind lace a lining looks outward with it.
    const lining = { ...m, parts: m.parts.map((p) => (p.id === 'facing' ? { ...p, material: 'lining' as const } : p)) };
    const lace = (o: Operation) => told([o], { ...lining, lace: true }).filter((x) => x[0] === 'layer-faces-wrong');
    expect(lace(close)).toHaveLength(1);
    expect(lace({ ...close, stack: laid('front', 'facing', 2, 'right') })).toEqual([]);
  });

  /** A tube top: front and back on the fold, faced along the upper edge. */
  const ring = [edge('neckline', 200), edge('side', 300), edge('hem', 260), edge('centre-front', 300, true)];
  const inner = { material: 'lining' as const, layer: 'inner' as const, covered: true };
  const TOP = making(
    [
      part('front', 'front', ring, { covered: true }),
      part('back', 'back', ring, { covered: true }),
      part('front-in', 'front', ring, inner),
      part('back-in', 'back', ring, inner),
    ],
    [
      joint('side', 'front/side', 'back/side'),
      joint('side-in', 'front-in/side', 'back-in/side'),
      joint('neck-front', 'front/neckline', 'front-in/neckline', true),
      joint('neck-back', 'back/neckline', 'back-in/neckline', true),
      joint('hem-front', 'front/hem', 'front-in/hem', true),
      joint('hem-back', 'back/hem', 'back-in/hem', true),
    ],
  );
  const all = TOP.parts.map((p) => p.id);
  const seam = (id: string, a: string, b: string) =>
    op(id, { sews: whole(id), stack: laid(a, b, 1), cares: cares('seamed', `${a}/side`, `${b}/side`) });
  const closes = (id: string, role: string, more: Partial<Operation> = {}) =>
    op(id, {
      sews: [...whole(`${id}-front`), ...whole(`${id}-back`)],
      stack: laid('front', 'front-in', 2),
      cares: cares('enclosed', ...all.map((p) => `${p}/${role}`)),
      ...more,
    });
  const turn = op('turn', { station: 'table', turns: { how: 'bag', parts: all }, pieces: all });
  const [side, sideIn] = [seam('side', 'front', 'back'), seam('side-in', 'front-in', 'back-in')];
  const reachedHem = closes('hem', 'hem', { reached: true });

  test('turning: through the hem; not when neck and hem of a ring are both sewn flat; never, when it is forgotten', () => {
    const good = [side, sideIn, closes('neck', 'neckline'), turn, reachedHem];
    expect(told(good, TOP)).toEqual([]);
    const bad = told([side, sideIn, closes('neck', 'neckline'), closes('hem', 'hem'), turn], TOP);
    expect(bad).toEqual(
      expect.arrayContaining([
        ['tubes-in-a-circle', 'turn'],
        ['no-way-to-turn', 'turn'],
      ]),
    );
    expect(
      told(
        good.filter((s) => s !== turn),
        TOP,
      ),
    ).toEqual([['never-turned', 'neck']]);
    // With the sides open the flat bag turns, but for want of an opening.
    const flat = told([closes('neck', 'neckline'), closes('hem', 'hem'), turn, side, sideIn], TOP).map((x) => x[0]);
    expect(flat).not.toContain('tubes-in-a-circle');
    expect(flat).not.toContain('no-way-to-turn');
  });

  test('an opening must be long enough for the cloth', () => {
    const small = {
      ...TOP,
      parts: TOP.parts.map((p) => ({ ...p, ring: p.ring.map((e) => (e.role === 'hem' ? { ...e, length: 70 } : e)) })),
    };
    const good = [side, sideIn, closes('neck', 'neckline'), turn, reachedHem];
    expect(told(good, { ...small, bulk: 'thin' })).toEqual([]);
    const thick = checkPlan(numbered(good), { ...small, bulk: 'medium' });
    expect(thick.map((f) => [f.code, f.data?.open, f.data?.least])).toEqual([['no-way-to-turn', 140, 150]]);
  });

  test('closed ends: a seam into an edge closed between the layers, unless that stopped short or both layers go in one run', () => {
    const late = (stops: Operation['stops']) => [closes('neck', 'neckline', { stops }), turn, side, sideIn, reachedHem];
    expect(told(late([]), TOP)).toEqual([
      ['end-closed', 'side'],
      ['end-closed', 'side-in'],
    ]);
    expect(told(late([{ code: 'short-of-shoulder', mm: 15 }]), TOP)).toEqual([]);
    const run = op('both', {
      sews: [...whole('side'), ...whole('side-in')],
      stack: laid('front', 'back', 1),
      pieces: all,
      cares: [...side.cares, ...sideIn.cares],
    });
    expect(told([closes('neck', 'neckline'), turn, run, reachedHem], TOP)).toEqual([]);
  });

  test('closed off: trimming after turning, pressing between the layers once the opening is shut', () => {
    const trim = op('trim', { station: 'table', works: ['neck-front'] });
    const base = [side, sideIn, closes('neck', 'neckline')];
    expect(told([...base, trim, turn, reachedHem], TOP)).toEqual([]);
    expect(told([...base, turn, trim, reachedHem], TOP)).toEqual([['edge-closed-off', 'trim']]);
    const shut = op('shut', { code: 'close-opening' });
    const press = op('press', { station: 'iron', works: ['side-in'] });
    expect(told([...base, press, turn, reachedHem, shut], TOP)).toEqual([]);
    expect(told([...base, turn, reachedHem, shut, press], TOP)).toEqual([['edge-closed-off', 'press']]);
  });

  test('what usually comes before is amber with its reason; what there is nothing to do to without it is red', () => {
    const needy = { ...neat, needs: ['press'] };
    const press = op('press', { station: 'iron', code: 'press-hem' });
    const first = (ops: Operation[], left: Operation[] = []) => checkPlan(numbered(ops), SACK, numbered(left))[0];
    expect(first([needy, press, sewn])).toEqual({
      code: 'usual-otherwise',
      severity: 'warn',
      data: { step: 'neat', other: 'press', why: 'press-first' },
    });
    expect(first([needy, sewn], [press])).toMatchObject({ code: 'usual-left-out', severity: 'warn' });
    const thread = op('thread-elastic', { pieces: ['front'] });
    const close = op('close-casing', { pieces: ['front'], needs: ['thread-elastic'] });
    const red = { severity: 'stop', data: { step: 'close-casing', other: 'thread-elastic' } };
    expect(first([close, thread, sewn])).toMatchObject({ code: 'used-before-made', ...red });
    expect(first([close, sewn], [thread])).toMatchObject({ code: 'step-left-out', ...red });
    // Nobody knows it any more: what it was is not known either.
    expect(first([needy, sewn])).toMatchObject({ code: 'step-left-out', severity: 'stop' });
  });

  test('allowances are pressed and trimmed once there is a seam, and cut before they are shut in', () => {
    const trim = op('trim', { station: 'table', works: ['side'] });
    expect(told([trim, sewn], SACK)).toContainEqual(['works-on-unsewn', 'trim']);
    const cover: Joint = { ...joint('side-in', 'front/side', 'back/side', true), covers: 'side' };
    const both = { ...SACK, joints: [...SACK.joints, cover] };
    const over = op('over', { sews: whole('side-in'), cares: cares('enclosed', ...SIDES) });
    expect(told([sewn, trim, over], both)).toEqual([]);
    expect(told([sewn, over, trim], both)).toEqual([['edge-closed-off', 'trim']]);
    expect(told([over, sewn], both)).toContainEqual(['covers-unsewn', 'over']);
  });
});
