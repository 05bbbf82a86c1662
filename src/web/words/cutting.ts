import {
  buyLength,
  type ClothSaid,
  type LayFault,
  type Lies,
  type Match,
  type Missed,
  type ToBuy,
} from '../../core/cutting/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { buyWords } from './closing.ts';
import { joinWords } from './pattern.ts';

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
    case 'on-flaw':
      return `${name} lies on a flaw of the cloth.`;
    case 'off-fold':
      return `The fold of ${name} does not lie on the fold of the cloth.`;
    case 'cut-twice':
      return `${name} would be cut twice alike: lay it on one layer.`;
    case 'miscounted':
      return f.cut < f.meant
        ? `${name}: ${f.cut} of ${f.meant} are laid.`
        : `${name} is laid ${f.cut} times, and cut ${f.meant}.`;
    case 'not-a-pair':
      return `${name}: half of them have to lie with the other side up, to make pairs.`;
    case 'off-print':
      return `The lines of ${name} and ${nameOf(f.other)} miss each other by ${formatLength(f.off, units)}.`;
    case 'off-line':
      return `The centre line of ${name} lies ${formatLength(f.off, units)} beside a line of the print.`;
    case 'unknown':
      return 'A piece that was laid is not cut from this cloth any more.';
  }
}

/** What two wishes of a print do to each other, as a sentence. */
export const missedWords = ({ match, off }: Missed, nameOf: (id: string) => string, units: LengthUnit): string =>
  `${joinWords(`join-${match.code}`)}, ${nameOf(match.a.piece)} to ${nameOf(match.b.piece)}: lines miss each other by ${formatLength(off, units)}, since those of the other seams meet.`;

/** Where lines meet, and how far they miss each other where a side is eased. */
export const meetWords = (m: Match, off: number, nameOf: (id: string) => string, units: LengthUnit): string =>
  `${joinWords(`join-${m.code}`)}, ${nameOf(m.a.piece)} to ${nameOf(m.b.piece)}${off > 1 ? `: at an end up to ${formatLength(off, units, 0)} off` : ''}`;

/** How a cloth lies, in a word. */
export const LIES_WORDS: Record<Lies, string> = { single: 'single', folded: 'folded' };

/** What is there of a cloth against what the lay takes. */
export function enoughWords(cloth: ClothSaid, length: number, units: LengthUnit): string {
  const mm = (v: number): string => formatLength(v, units, 0);
  if (!cloth.owned) return `To be bought: ${mm(buyLength(length, units))}, as it is cut off the bolt.`;
  const over = cloth.owned - length;
  return over >= 0
    ? `Of the ${mm(cloth.owned)} that are there, ${mm(over)} are left.`
    : `The ${mm(cloth.owned)} that are there are ${mm(-over)} too short.`;
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
