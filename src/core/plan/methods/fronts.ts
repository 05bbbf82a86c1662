import { type PlanBuilder } from '../builder.ts';
import { type Fact, when } from '../names.ts';
import { type OperationCode } from '../operationcodes.ts';
import { type More } from '../seamruns.ts';
import { type Part } from '../types.ts';
import { frontFaced, shouldersLate } from './body.ts';
import { unless, way } from './method.ts';
import { type MisfitReason } from './misfits.ts';

const fronts = (b: PlanBuilder): Part[] => b.of('front').filter((p) => p.ring.some((e) => e.role === 'front-edge'));
const edge = (b: PlanBuilder): string[] => b.edges(b.of('front'), 'front-edge');
const long = (b: PlanBuilder): number => b.length(b.of('front'), 'front-edge');

/** A step at the front edge of both fronts. */
function front(b: PlanBuilder, id: OperationCode, station: 'iron' | 'machine' | 'table', more: More = {}): void {
  b.add('shell', station, id, { pieces: fronts(b).map((p) => p.id), ...more, data: { a: long(b), ...more.data } });
}

/** The band folded twice: as wide as it is finished, each time; 2 1/2 of its width lie beyond centre front. Common practice. */
function cutOnBand(b: PlanBuilder): void {
  const width = b.g.d.closure.extension * 2;
  front(b, 'press-band', 'iron', { press: 'press-band', data: { width, beyond: 2.5 * width } });
  front(b, 'stitch-band', 'machine', {
    needs: ['step:press-band'],
    cares: b.care(edge(b), 'folded'),
    makes: ['front:flat', 'front:ready'],
    data: { width },
  });
}

/** Folded back along the edge as a facing in one with the front; its raw edge neatened. */
function selfFaced(b: PlanBuilder): void {
  front(b, 'neaten-self', 'machine', { cares: b.care(edge(b), 'overlocked') });
  front(b, 'press-self', 'iron', {
    needs: ['step:neaten-self'],
    makes: ['front:flat', 'front:ready'],
    press: 'press-band',
  });
}

/** A band of its own: one long edge pressed under, ends closed, sewn to the front, folded and stitched over the seam. */
function separateBand(b: PlanBuilder): void {
  const bands = b.of('placket');
  const all = b.care(
    bands.flatMap((p) => p.ring.filter((e) => !e.onFold).map((e) => `${p.id}/${e.id}`)),
    'enclosed',
  );
  b.add('apart', 'iron', 'fold-placket', {
    code: 'press-under',
    about: 'front-edge',
    pieces: bands.map((p) => p.id),
    makes: ['placket:folded'],
  });
  const pieces = [...fronts(b), ...bands].map((p) => p.id);
  const [f, p] = [fronts(b)[0]?.id ?? '', bands[0]?.id ?? ''];
  front(b, 'sew-placket', 'machine', {
    pieces,
    stack: [
      { part: f, up: 'right', swings: 0 },
      { part: p, up: 'wrong', swings: 1 },
    ],
    needs: ['placket:folded'],
    cares: [...b.care(edge(b), 'enclosed'), ...all],
  });
  front(b, 'press-placket', 'iron', { pieces, needs: ['step:sew-placket'], press: 'press-to-b' });
  front(b, 'cover-placket', 'machine', {
    pieces,
    needs: ['step:press-placket'],
    makes: ['front:flat', 'front:ready'],
    hard: true,
  });
}

/** The right band folded once more so that a layer with the holes lies hidden under the front. */
function concealed(b: PlanBuilder): void {
  const width = b.g.d.closure.extension * 2;
  front(b, 'press-fly', 'iron', { press: 'press-band', data: { width } });
  front(b, 'stitch-fly', 'machine', { needs: ['step:press-fly'], cares: b.care(edge(b), 'folded'), data: { width } });
  front(b, 'tack-fly', 'machine', { needs: ['step:stitch-fly'], makes: ['front:flat', 'front:ready'] });
}

/** A zip between shell and facing along the front: basted, the crossings looked at, then one side after the other. */
function zipFront(b: PlanBuilder): void {
  b.add('shell', 'iron', 'strip-zip', {
    code: 'fuse-zip',
    pieces: fronts(b).map((p) => p.id),
    data: { a: long(b) },
    makes: fronts(b).map((p): Fact => `ready:${p.id}`),
    cautions: ['fumes'],
  });
  b.add('joining', 'machine', 'baste-front-zip', {
    code: 'baste-zip',
    pieces: fronts(b).map((p) => p.id),
    foot: 'zip',
    needs: [...when(!shouldersLate(b), 'done:shoulder?'), 'neck:dressed?'],
    makes: ['front-zip:basted'],
    data: { a: long(b) },
  });
  b.add('joining', 'table', 'check-front-zip', {
    code: 'check-zip',
    pieces: fronts(b).map((p) => p.id),
    needs: ['front-zip:basted'],
    makes: ['edge:dressed'],
  });
}

/** Only the upper part opens: both sides of a cut bound by bands, the lower end boxed. */
function half(b: PlanBuilder): void {
  const pieces = [...b.of('front'), ...b.of('placket')].map((p) => p.id);
  const bands = b.of('placket').flatMap((p) => p.ring.filter((e) => !e.onFold).map((e) => `${p.id}/${e.id}`));
  b.add('shell', 'machine', 'half-bands', { pieces, makes: ['half:sewn'] });
  b.add('shell', 'table', 'half-cut', { pieces, needs: ['half:sewn'], cautions: ['blades'] });
  b.add('shell', 'iron', 'half-press', { pieces, needs: ['step:half-cut'], press: 'press-band' });
  b.add('shell', 'machine', 'half-box', {
    pieces,
    needs: ['step:half-press'],
    cares: b.care(bands, 'enclosed'),
    makes: ['front:flat', 'front:ready'],
    hard: true,
  });
}

const opens = (b: PlanBuilder): boolean => fronts(b).length > 0;
const faced = (b: PlanBuilder): boolean => frontFaced(b);
const bare = (b: PlanBuilder): MisfitReason | null =>
  !opens(b) ? 'front-closed' : unless(!faced(b) && !b.of('placket').length, 'front-is-faced');

export const FRONTS = [
  way('front', 'faced', 0, (b) => (!opens(b) ? 'front-closed' : unless(faced(b), 'front-not-faced'))),
  way('front', 'zip', 1, (b) => (!opens(b) ? 'front-closed' : unless(faced(b), 'front-not-faced')), zipFront),
  way(
    'front',
    'band',
    1,
    (b) => (!opens(b) ? 'front-closed' : unless(b.of('placket').length > 0 && !faced(b), 'no-placket')),
    separateBand,
  ),
  way('front', 'cut-on', 1, bare, cutOnBand),
  way('front', 'self-faced', 0, bare, selfFaced),
  way('front', 'concealed', 1, bare, concealed),
  way('front', 'half', 1, (b) => unless(!opens(b) && b.of('placket').length > 0, 'no-half-placket'), half),
  way('front', 'none', 0, (b) => unless(!opens(b) && !b.of('placket').length, 'front-opens')),
];
