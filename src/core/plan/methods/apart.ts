import { type PlanBuilder } from '../builder.ts';
import { partOf, under } from '../garmentmodel.ts';
import { type Fact, type Need, type SeamCode } from '../names.ts';
import { type Part } from '../types.ts';

export const outer = (b: PlanBuilder, kind: Part['kind']): string =>
  b.of(kind).find((p) => p.layer === 'outer')?.id ?? '';

/** What is done before anything crosses the neck, a facing along it apart. */
export const BEFORE_FACING: Need[] = [
  'done:shoulder?',
  'done:yoke-shoulder?',
  'done:yoke-shoulder-in?',
  'done:centre-back?',
  'done:raglan?',
  'front:ready?',
];

/** Everything that must be done before anything crosses the neck. */
export const BEFORE_NECK: Need[] = [...BEFORE_FACING, 'done:neckline-front?'];

/** Turn of cloth at the outer edge of a collar, mm: 2–4, thick cloth 6. From memory. */
const TURN = { thin: 2, medium: 3, thick: 6 } as const;

/** Two layers sewn along their outer edges, graded, turned through the open edge, pressed, topstitched. */
export function madeApart(
  b: PlanBuilder,
  kind: Part['kind'],
  code: SeamCode,
  o: { rows?: boolean; makes: Fact[]; needs?: Need[] },
): void {
  const id = outer(b, kind);
  const pieces = [id, under(id)];
  const j = b.joints(code)[0];
  if (!j) return;
  b.sew('apart', [code], {
    code: 'sew-part',
    to_: null,
    needs: o.needs ?? [],
    stops: [{ code: 'short-at-open-edge', mm: j.allowance }],
    data: { turn: TURN[b.g.making.bulk] },
  });
  b.add('apart', 'table', `trim:${code}`, {
    code: 'trim-part',
    about: code,
    pieces,
    works: [j.id],
    needs: [`sewn:${code}`],
    cautions: ['blades'],
    data: { layers: 2, allowance: j.allowance },
  });
  b.add('apart', 'table', `turn:${code}`, {
    code: 'turn-part',
    about: code,
    pieces,
    needs: [`step:trim:${code}`],
    turns: { how: 'part', parts: pieces },
  });
  const done: Fact[] = [`done:${code}`, ...o.makes];
  b.add('apart', 'iron', `press:${code}`, {
    code: 'press-part',
    about: code,
    pieces,
    needs: [`step:turn:${code}`],
    makes: o.rows ? [] : done,
  });
  if (o.rows)
    b.add('apart', 'machine', `topstitch:${code}`, {
      code: 'topstitch',
      about: code,
      pieces,
      needs: [`step:press:${code}`],
      makes: done,
      data: { in: 6, a: j.lengthA },
    });
}

/** The long edge that will cover the seam, pressed under before it is needed. */
export function pressUnder(b: PlanBuilder, part: string, about: string): void {
  b.add('apart', 'iron', `fold:${part}`, { code: 'press-under', about, pieces: [part], makes: [`under:${part}`] });
}

/** What lies inside the neck and is caught with it: facings and linings basted to its edge. */
export const basted = (b: PlanBuilder): string[] =>
  b
    .joints('neckline-front', 'neckline-back', 'neckline-sleeve', 'band-neckline')
    .flatMap((j) => [...j.a, ...j.b].map(partOf));
