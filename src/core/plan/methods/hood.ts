import { type PlanBuilder } from '../builder.ts';
import { edgesOf, partOf } from '../garmentmodel.ts';
import { type Laid } from '../types.ts';
import { BEFORE_FACING, outer } from './apart.ts';

/** Hood and its lining or facing round the opening; without them it is hemmed. */
function roundOpening(b: PlanBuilder, id: string): void {
  const bare = !b.has('hood-edge');
  if (bare) {
    b.add('apart', 'machine', 'hem-hood', {
      pieces: [id],
      needs: ['done:hood-centre-back?'],
      cares: b.care(b.edges(b.of('hood'), 'front-edge'), 'hemmed'),
      makes: ['collar:made'],
      cautions: ['cords'],
    });
  } else {
    b.sew('apart', ['hood-facing-line']);
    b.sew('apart', ['hood-crown'], { needs: ['done:hood-facing-line?'] });
    b.sew('apart', ['hood-edge'], {
      needs: ['done:hood-centre-back?', 'done:hood-crown?', 'done:hood-facing-line?', 'done:facing-hood-centre-back?'],
      to_: null,
      cautions: ['cords'],
    });
    b.add('apart', 'table', 'turn:hood', {
      code: 'turn-part',
      about: 'hood-edge',
      pieces: [id],
      needs: ['sewn:hood-edge'],
      turns: {
        how: 'part',
        parts: [id, ...b.of('hood', 'lining').map((p) => p.id), ...b.of('hood', 'facing').map((p) => p.id)],
      },
    });
    b.add('apart', 'iron', 'press:hood-edge', {
      code: 'press-part',
      about: 'hood-edge',
      pieces: [id],
      needs: ['step:turn:hood'],
      makes: ['collar:made', 'done:hood-edge'],
    });
  }
}

/** Hood made up, then between shell and inside at the neck. */
export function hood(b: PlanBuilder): void {
  const id = outer(b, 'hood');
  roundOpening(b, id);
  const all = b.joints('hood-neck');
  const shell = all.find((j) => !j.closing);
  if (!shell) return;
  const neck = [...shell.a, ...shell.b].map(partOf).find((p) => p !== id) ?? '';
  const inner = all.find((j) => j.closing);
  const lining = inner
    ? ([...inner.a, ...inner.b].map(partOf).find((p) => b.parts.get(p)?.layer === 'inner') ?? '')
    : '';
  const between = b.has('neckline-front', 'neckline-back');
  const facing = b.of('hood', 'facing');
  const ends = b.unmet(facing, 'neckline');
  const stack: Laid[] = [
    { part: neck, up: 'right', swings: 0 },
    { part: id, up: 'wrong', swings: 1 },
  ];
  if (lining) stack.push({ part: lining, up: b.alike(neck, lining) ? 'wrong' : 'right', swings: 1 });
  b.sew('joining', ['hood-neck'], {
    code: 'hood-neck',
    stack,
    pieces: [...new Set([...edgesOf(all).map(partOf), ...facing.map((p) => p.id)])],
    cares: b.care([...edgesOf(all), ...ends], between || lining ? 'enclosed' : 'seamed'),
    plain: true,
    to_: null,
    needs: [...BEFORE_FACING, 'collar:made'],
    makes: between ? ['neck:dressed'] : ['neck:dressed', 'done:hood-neck'],
    hard: true,
  });
  if (!between && !lining)
    b.add('joining', 'machine', 'bind-neck', {
      code: 'bind-seam',
      about: 'hood-neck',
      works: [shell.id],
      pieces: [neck, id],
      needs: ['sewn:hood-neck'],
      cares: b.care([...shell.a, ...shell.b], 'bound'),
      makes: ['done:hood-neck', 'neck:closed'],
      data: { a: shell.lengthA },
    });
}
