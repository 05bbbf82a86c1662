import { joinWords } from '../../contract/words/seams.ts';
import {
  buyLength,
  type Cloth,
  type ClothSaid,
  type ClothSort,
  doubleTo,
  foldLies,
  type LayFault,
  type Lies,
  type Off,
  type ToBuy,
} from '../../core/cutting/index.ts';
import { type Piece } from '../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { buyWords } from './closing.ts';

/** What is wrong with a lay, as a sentence; `nameOf` a piece. */
export function layFaultWords(f: LayFault, nameOf: (id: string) => string, units: LengthUnit): string {
  const name = nameOf(f.piece);
  switch (f.code) {
    case 'off-cloth':
      return `${name} lies over the edge of the cloth, or within what is kept free there.`;
    case 'too-close':
      return `${name} and ${nameOf(f.other)} lie over each other, or closer than they should.`;
    case 'against-nap':
      return `${name} lies the other way up, and this cloth has an upper end.`;
    case 'off-grain':
      return `${name} lies ${Math.round(f.off * 10) / 10}° off its grain.`;
    case 'on-flaw':
      return `${name} lies on a flaw of the cloth, or where there is none.`;
    case 'off-fold':
      return `The fold of ${name} does not lie on the fold of the cloth.`;
    case 'off-scallops':
      return `The hem of ${name} does not lie on the scalloped edge.`;
    case 'off-layers':
      return `${name} lies over the end of the upper layer: it has to lie on two layers or on one.`;
    case 'cut-twice':
      return `${name} would be cut twice alike: lay it on one layer.`;
    case 'miscounted':
      return f.cut < f.meant
        ? `${name}: ${f.cut} of ${f.meant} are laid.`
        : `${name} is laid ${f.cut} times, and cut ${f.meant}.`;
    case 'not-a-pair':
      return `${name}: half of them have to lie with the other side up, to make pairs.`;
    case 'wrong-face':
      return `${name} is cut once and lies the wrong way about: it would come out mirrored.`;
    case 'off-print':
      return `The lines of ${name} and ${nameOf(f.other)} miss each other by ${formatLength(f.off, units)}.`;
    case 'off-line':
      return `The centre line of ${name} lies ${formatLength(f.off, units)} beside a line of the print.`;
    case 'unknown':
      return 'A piece that was laid is not cut from this cloth any more.';
  }
}

/** What two wishes of a print do to each other, as a sentence. */
export const missedWords = ({ match, off }: Off, nameOf: (id: string) => string, units: LengthUnit): string =>
  `${joinWords(`join-${match.code}`)}, ${nameOf(match.a.piece)} to ${nameOf(match.b.piece)}: lines miss each other by ${formatLength(off, units)}, since those of the other seams meet.`;

/** Where lines meet, and how far they miss each other where a side is eased. */
export const meetWords = ({ match: m, off }: Off, nameOf: (id: string) => string, units: LengthUnit): string =>
  `${joinWords(`join-${m.code}`)}, ${nameOf(m.a.piece)} to ${nameOf(m.b.piece)}${off > 1 ? `: at an end up to ${formatLength(off, units, 0)} off` : ''}`;

/** How a sort of cloth is laid and cut: common practice. */
export const SORT_NOTES: Record<ClothSort, string> = {
  plain: '',
  slippery:
    'Lay it on paper, in one layer, and cut one piece at a time: weights and chalk first, shears flat on the table.',
  directed: 'One layer, one piece at a time, all the same way up; look at each before it is cut.',
  lace: 'A scalloped edge is laid to the hem, so that no hem is turned: say which edges are. Cut between the figures, and sew darts on tissue.',
  fur: 'Cut from the wrong side, through the backing only, with the tip of a blade; the pile runs downward on every piece.',
};

/** Of pieces whose hems lie on the finished edge of a lace, what that means for them. */
export const hemmedWords = (pieces: readonly Piece[]): string =>
  `The finished edge is the hem of: ${pieces.map((p) => p.name).join(', ')}. They are cut along their hem line, without the hem's allowance, and their grain lies across the lace: leave out the steps of the plan that sew these hems.`;

/** Of a piece whose hem cannot lie on it, why, and what is done instead: common practice. */
export const bentWords = ({ piece, bend }: { piece: Piece; bend: number }, units: LengthUnit): string =>
  `The hem of ${piece.name} strays ${formatLength(bend, units, 0)} from a straight line square to its grain, so it cannot lie on the finished edge: cut the scallops off and sew them along the hem, or straighten the hem.`;

/** What a sort of cloth asks for and its lay does not heed yet. */
export function unheeded({ sort, lies, oneWay, otherSideUp, scallops, more, print }: ClothSaid): string | null {
  if (more.length && print.along + print.across > 0)
    return 'Its print is reckoned from the cut end of the first length alone: on the others see where its lines fall before you cut.';
  if (sort !== 'plain' && lies !== 'single')
    return 'Folded, its under layer slips or is not seen: lay it in one layer.';
  if (scallops !== 'none' && lies !== 'single') return 'Hems lie on its finished edge in one layer only.';
  if (sort === 'fur' && !otherSideUp) return 'It is cut from behind: lay it wrong side up, and its pieces face down.';
  if ((sort === 'directed' || sort === 'fur') && !oneWay)
    return 'It has an upper end: let its pieces lie all the same way.';
  return null;
}

/** How a cloth lies, in a word. */
export const LIES_WORDS: Record<Lies, string> = {
  ...{ single: 'single', folded: 'folded', crosswise: 'folded across', partly: 'folded in part' },
};

/** How a cloth is laid out on the table, as one is told it. */
export const layWords = (c: ClothSaid, units: LengthUnit): string =>
  ({
    single: `in one layer, ${upWords(c)}`,
    folded: `folded lengthwise, ${upWords(c)}`,
    crosswise: c.oneWay
      ? `cut across in the middle, one half turned round so that the nap runs one way, ${upWords(c)}`
      : `folded across, its two ends on each other, ${upWords(c)}`,
    partly: `its edge folded over so that ${formatLength(doubleTo(c), units, 0)} lie double along the fold, ${upWords(c)}`,
  })[c.lies];

/** Which side of a cloth lies up: usually its right side in one layer, and its wrong sides where it lies double. */
export const SIDE_WORDS: Record<Lies, readonly [usual: string, other: string]> = {
  single: ['right side up', 'wrong side up'],
  folded: ['right sides together', 'wrong sides together'],
  crosswise: ['right sides together', 'wrong sides together'],
  partly: ['right sides together, the rest right side up', 'wrong sides together, the rest wrong side up'],
};
const upWords = ({ lies, otherSideUp }: ClothSaid): string => SIDE_WORDS[lies][otherSideUp ? 1 : 0];

/** From where one measures across a cloth: its fold or selvedge, where that is drawn. */
export const acrossFrom = (c: Cloth): string =>
  foldLies(c) ? 'fold' : c.lies === 'crosswise' ? 'selvedges drawn below' : 'selvedge drawn below';

/** What is found of a cloth as it could be. */
interface Could {
  width: number;
  lies: Lies;
  length: number;
  /** So many pieces do not fit so. */
  missing: number;
  free?: boolean;
  turned?: boolean;
}

/** What the cloth as it is would take if it lay otherwise, had nap or had none, or its print need not meet. */
export function ifWords(found: readonly Could[], cloth: ClothSaid, units: LengthUnit): string[] {
  const mm = (v: number): string => formatLength(v, units, 0);
  const here = found.filter((f) => f.width === cloth.width && f.missing === 0);
  const taken = (lies: Lies): number | undefined => here.find((f) => f.lies === lies && !f.free && !f.turned)?.length;
  const bought = (f: number | undefined): number => buyLength(f ?? 0, units);
  const more = (by: number): string => (by === 0 ? 'just as much' : `${mm(Math.abs(by))} ${by > 0 ? 'more' : 'less'}`);
  const [now, single, folded] = [taken(cloth.lies), taken('single'), taken('folded')];
  const [free, turned] = [here.find((f) => f.free), here.find((f) => f.turned)];
  const out: string[] = [];
  if (single && folded) out.push(`Folded takes ${more(bought(folded) - bought(single))} than in one layer.`);
  if (turned && now) {
    const by = more(bought(turned.length) - bought(now));
    out.push(
      cloth.oneWay
        ? `If pieces may lie either way up, it takes ${by}.`
        : `With nap, or a print that has an upper end, it takes ${by}.`,
    );
  }
  if (free) out.push(`If its print need not meet, ${mm(bought(free.length))} of the cloth as it is now would do.`);
  return out.map((w) => w.replace('just as much than', 'just as much as'));
}

/** What is there of a cloth against what the lay takes of it, mm. */
export function enoughWords(cloth: ClothSaid, length: number, units: LengthUnit): string {
  const mm = (v: number): string => formatLength(v, units, 0);
  const kept = cloth.recut > 0 ? ` With the ${mm(cloth.recut)} that are kept to cut anew.` : '';
  if (!cloth.owned) return `To be bought: ${mm(buyLength(length, units))}, as it is cut off the bolt.${kept}`;
  const over = cloth.owned - length;
  return over >= 0
    ? `Of the ${mm(cloth.owned)} that are there, ${mm(over)} are left.${kept}`
    : `The ${mm(cloth.owned)} that are there are ${mm(-over)} too short.${kept}`;
}

const metres = (mm: number, units: LengthUnit): string =>
  units === 'mm' ? `${Math.ceil(mm / 1000)} m` : `${Math.ceil(mm / 914.4)} yd`;

/** One thing that a garment takes, and why so much of it. */
export function toBuyWords(b: ToBuy, units: LengthUnit): { what: string; why: string } {
  const mm = (v: number): string => formatLength(v, units, 0);
  switch (b.what) {
    case 'cloth': {
      const { name, width, owned } = b.cloth;
      const takes = b.guessed
        ? `about ${mm(b.needs)} by the areas of its pieces: not laid yet`
        : `${mm(b.needs)} as it is laid`;
      const there = owned > 0 ? `; ${mm(owned)} are there` : '';
      const price = b.cost > 0 ? `; about ${Math.ceil(b.cost)}` : '';
      const buy = b.buy > 0 ? mm(b.buy) : 'nothing more';
      return { what: `${name}, ${mm(width)} wide: ${buy}`, why: `${takes}${there}${price}` };
    }
    case 'zip':
      return { what: `zip, ${mm(b.length)}`, why: 'as long as its opening; a longer one is cut to it' };
    case 'thread':
      return {
        what: `thread for the ${b.of}, about ${metres(b.buy, units)}`,
        why: `rough: ${metres(b.seams, units)} of seams, sewn and made neat, in whole reels`,
      };
    case 'notion': {
      const { what, where } = buyWords(b.notion, units);
      return { what, why: where };
    }
  }
}
