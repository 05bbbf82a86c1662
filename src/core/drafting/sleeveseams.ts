import { isRaglan, type Piece, type Role, type Side } from '../pattern/index.ts';
import {
  type Along,
  along,
  capsBySide,
  capsOf,
  type Drafted,
  edgesOn,
  endOf,
  frontsDouble,
  isSleeved,
  linedAs,
  placeOf,
} from './drafted.ts';
import { shellCapEase } from './pieces.ts';
import { isUsual, reaching, type Sewing, SHOULDER_EASE } from './sewing.ts';
import { runLength } from './shape/oriented.ts';

/** The lining of a sleeve, and a raglan sleeve's facing, to what it is set into. */
export function intoArmhole(s: Sewing, x: Drafted): void {
  const { g, d, within, put } = s;
  // Upper and under-sleeve share a cap: it is sewn once.
  if (x.shell.kind === 'under-sleeve') return;
  for (const caps of capsBySide(g, x.shell)) {
    const of = (which: 'facing' | 'lining' | 'both', side: 'cap' | 'armhole'): Along => {
      const found = caps.map((c) => along(within, which, c[side]));
      return { sides: found.flatMap((f) => f.sides), whole: found.every((f) => f.whole) };
    };
    const raglan = isRaglan(x.shell);
    if (raglan) {
      const [own, other] = [of('facing', 'cap').sides, of('facing', 'armhole').sides];
      // Beside fronts cut double only the back has a facing for it.
      put('inside', 'facing-raglan', frontsDouble(d) ? reaching(s, own, other) : own, other);
    }
    const [cap, armhole] = [of('lining', 'cap'), of(raglan ? 'lining' : 'both', 'armhole')];
    if (!cap.whole || !armhole.whole) continue;
    if (raglan) put('inside', 'lining-raglan', cap.sides, armhole.sides, { ...SHOULDER_EASE, easeOf: 'cap' });
    else {
      const meant = d.lining.self ? shellCapEase(g, x.shell) : d.lining.capEase;
      put('inside', 'lining-cap', cap.sides, armhole.sides, { ease: { min: meant, max: meant }, easeOf: 'cap' });
    }
  }
}

/** Sleeveless: each lining's armhole to the shell's, smaller by what was drawn in over its turn. */
export function armholes({ g, d, put, putFor }: Sewing): void {
  const reach = d.lining.smaller * Math.PI + 2 * d.lining.smaller;
  const rolled = { ease: { min: -reach, max: reach }, easeOf: 'turn' };
  const open = g.drafted.filter((x) => placeOf(g, x.shell) === 'body' && !isSleeved(g, x.shell));
  for (const half of ['front', 'back'] as const) {
    const own = open.filter((x) => isUsual(x) && (x.base === half || x.base === `${half}-side`));
    const inside = own.flatMap((x) => [
      ...(half === 'back' ? edgesOn(x.facing, 'armhole') : []),
      ...edgesOn(x.lining, 'armhole'),
    ]);
    const [main] = own;
    const shell =
      half === 'back' && main && !main.lining
        ? asFarAs('armhole', main.facing, main.shell)
        : own.flatMap(linedAs).flatMap((x) => edgesOn(x.shell, 'armhole'));
    put('closing', `armhole-${half}`, inside, shell, rolled);
  }
  for (const x of open)
    if (!isUsual(x))
      putFor(
        x,
        `armhole-${endOf(x) === 'back' ? 'back' : 'front'}`,
        [...edgesOn(x.facing, 'armhole'), ...edgesOn(x.lining, 'armhole')],
        linedAs(x).flatMap((y) => edgesOn(y.shell, 'armhole')),
        rolled,
      );
}

/** As far along an edge of the longer piece as the shorter one reaches. */
function asFarAs(role: Role, short: Piece | undefined, long: Piece): Side[] {
  const [s, l] = [short ? runLength(short.ring, role) : 0, runLength(long.ring, role)];
  const share = l > 0 ? Math.min(1, s / l) : 1;
  return edgesOn(long, role).map((side) => ({ ...side, share }));
}

/** A sleeve that ends in a cuff is lined to the cuff's seam. */
export function toCuff({ g, put, hems }: Sewing, x: Drafted): void {
  if (placeOf(g, x.shell) !== 'sleeve' || !x.lining || hems.wrist || x.shell.kind === 'under-sleeve') return;
  const caps = capsOf(g, x.shell).flatMap((c) => c.cap.map((e) => e.piece));
  const all = g.drafted.filter((y) => y === x || (y.shell.kind === 'under-sleeve' && caps.includes(y.shell.id)));
  const linings = all.flatMap((y) => edgesOn(y.lining, 'wrist'));
  put(
    'closing',
    'wrist-to-cuff',
    linings,
    all.flatMap((y) => edgesOn(y.shell, 'wrist')),
  );
}
