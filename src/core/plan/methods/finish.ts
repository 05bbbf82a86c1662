import { type PlanBuilder } from '../builder.ts';
import { type Fact, factOf, type Need, SEAM_CODES, when } from '../names.ts';
import { type Operation } from '../types.ts';

/** What tells that a seam is finished. */
const DONE: ReadonlySet<string> = new Set([...SEAM_CODES.map((c): Fact => `done:${c}`), 'done:slit', 'done:zip']);

/** The try-on: once the outside holds together, before what is hard to unpick. Sides sewn late are waited for. */
export function tryOn(b: PlanBuilder): void {
  const pieces = b.g.making.parts.filter((p) => p.material === 'shell' && p.layer === 'outer').map((p) => p.id);
  const late = b.ops.some((o) => o.section === 'joining' && o.makes.includes('done:side'));
  const joins = (o: Operation): boolean => o.section === 'shell' && !o.hard && o.makes.some((m) => DONE.has(m));
  const joined = b.ops.filter(joins).map((o): Need => `step:${o.id}`);
  if (!joined.length) return;
  const needs = [
    ...joined,
    ...when(late, 'done:side', 'done:waist-front?', 'done:waist-back?'),
    ...when(!late, 'hem:pressed?'),
  ];
  b.add(late ? 'joining' : 'shell', 'table', 'try-on', { pieces, needs, cautions: ['pins-on'] });
}

/** Rows and bastings that only hold something until it is sewn; what is basted within an allowance stays there. */
const TEMPORARY: ReadonlySet<string> = new Set([
  'baste-zip',
  'baste-pleats',
  'gather',
  'gather-wrist',
  'gather-ruffle',
  'ease-cap',
]);

/**
 * Every temporary thread comes out again, once what it held is sewn: of the lining before the opening is closed, after which
 * they would stay in; all others at the end. Common practice.
 */
export function threadsOut(b: PlanBuilder): void {
  const shut = b.ops.find((o) => o.code === 'close-opening');
  const inner = (o: Operation): boolean =>
    shut !== undefined && o.pieces.length > 0 && o.pieces.every((p) => b.parts.get(p)?.material === 'lining');
  const put = (
    id: 'threads-inside' | 'threads-out' | 'threads-out:ruffle',
    of: Operation[],
    section: 'joining' | 'finish',
    makes: Fact[],
  ): void => {
    if (!of.length) return;
    // Not what only says that a piece is ready.
    const made = new Set(of.flatMap((o) => o.makes.filter((m) => !o.pieces.some((p) => m === `ready:${p}`))));
    const held = b.ops.filter((o) => o.needs.some((n) => made.has(factOf(n))));
    b.add(section, 'hand', id, {
      code: id === 'threads-inside' ? id : 'threads-out',
      pieces: [...new Set(of.flatMap((o) => o.pieces))],
      needs: [...of, ...held].map((o): Need => `step:${o.id}`),
      cautions: ['ripper'],
      makes,
      data: { rows: of.length },
    });
  };
  const all = b.ops.filter((o) => TEMPORARY.has(o.code));
  put('threads-inside', all.filter(inner), 'joining', ['threads:inside']);
  if (shut) shut.needs = [...shut.needs, 'threads:inside?'];
  const isRuffle = (o: Operation): boolean => o.code === 'gather-ruffle';
  const outside = all.filter((o) => !inner(o) && !isRuffle(o));
  put('threads-out', outside, 'finish', []);
  put('threads-out:ruffle', all.filter(isRuffle), 'finish', []);
}

/** Last pressing, then buttonholes practised, sewn, cut, and buttons; holes under a hood or casing come before it. */
export function finish(b: PlanBuilder): void {
  const before = b.ops
    .filter((o) => !['sew-ruffle', 'neaten-ruffle', 'close-lowest', 'threads-out:ruffle'].includes(o.id))
    .map((o): Need => `step:${o.id}`);
  b.add('finish', 'iron', 'press-all', { needs: before, press: 'edges-roll', makes: ['pressed:all'] });
  const front = b.of('front').map((p) => p.id);
  holes(b, front);
  const { buttons, snaps } = b.g;
  if (buttons)
    b.add('finish', 'hand', 'sew-buttons', {
      pieces: front,
      needs: ['pressed:all', 'holes:cut?'],
      cautions: ['small-parts'],
      makes: ['buttons:on'],
      data: { buttons },
    });
  if (snaps)
    b.add('finish', 'hand', 'sew-snaps', {
      pieces: front,
      needs: ['pressed:all'],
      cautions: ['small-parts'],
      makes: buttons ? [] : ['buttons:on'],
      data: { snaps },
    });
}

/** Holes practised, marked, sewn and cut, in that order. */
function holes(b: PlanBuilder, front: string[]): void {
  const { hole, holes: n } = b.g;
  if (!n || !hole) return;
  const data = { holes: n, opening: hole.opening, overall: hole.overall };
  b.add('finish', 'buttonhole', 'practise-holes', { needs: ['pressed:all'], foot: 'buttonhole', data });
  b.add('finish', 'table', 'mark-holes', { pieces: front, needs: ['pressed:all'], data });
  b.add('finish', 'buttonhole', 'sew-holes', {
    pieces: front,
    needs: ['step:practise-holes', 'step:mark-holes'],
    foot: 'buttonhole',
    cautions: ['thick-seam'],
    hard: true,
    data,
  });
  b.add('finish', 'table', 'cut-holes', {
    pieces: front,
    needs: ['step:sew-holes'],
    cautions: ['ripper'],
    makes: ['holes:cut'],
    data,
  });
}
