import { type Surface } from '../garment/index.ts';
import { type CutLine, type Piece } from '../pattern/index.ts';
import { type ClothSaid, type CuttingChoice, cutFrom } from './cloths.ts';
import { holdsOf, type Match, type Missed, matchesOf, printFaults } from './matching.ts';
import { type LayFault, layFaults } from './nesting/check.ts';
import { type Placed, usable } from './nesting/cloth.ts';
import { type Lying, laidLength, lyingOf } from './nesting/lying.ts';
import { type Hold, isCutSingly, widthOf } from './nesting/parts.ts';

/** What is wider by less, mm, is not. */
const OVER = 0.05;

/** How a cloth stands: what is cut from it, how that lies, and what is wrong with it. Lengths in mm. */
export interface Standing {
  mine: Piece[];
  /** The lay that is kept; undefined where there is none yet. */
  kept: readonly Placed[] | undefined;
  lying: Lying[];
  length: number;
  /** What two layers would cut wrongly: it is cut from one layer, elsewhere. */
  singly: Piece[];
  /** What is wider than can be used of it, and by how much. */
  tooWide: { piece: Piece; over: number }[];
  faults: LayFault[];
  /** Where lines of its print are to meet, and which of these wishes can't hold beside the others. */
  matches: Match[];
  missed: Missed[];
  /** Where the print has to lie on its pieces for that. */
  holds: Map<string, Hold>;
}

interface Cuttable {
  pieces: readonly Piece[];
  cutLines: ReadonlyMap<string, CutLine>;
  surface: Surface;
}

const NOT_HELD: { holds: Map<string, Hold>; missed: Missed[] } = { holds: new Map(), missed: [] };

/** Where its lines are to meet: at the seams that are wished, of pieces that are cut from it. */
const matchesHere = (cloth: ClothSaid, mine: readonly Piece[], surface: Surface): Match[] =>
  matchesOf(surface, mine).filter(
    (m) => cloth.meet.includes(m.code) && [m.a, m.b].every(({ piece }) => mine.some((p) => p.id === piece)),
  );

/** How a cloth stands with the lay that is kept for it; `found`: with one that is only looked for yet, of which no fault is told. */
export function standingOf(
  choice: CuttingChoice,
  cloth: ClothSaid,
  { pieces, cutLines, surface }: Cuttable,
  found?: readonly Placed[],
): Standing {
  const mine = cutFrom(choice, cloth, pieces);
  const kept = choice.lays.find((l) => l.cloth === cloth.id)?.placed;
  const lying = lyingOf(cloth, found ?? kept ?? [], mine, cutLines);
  const length = laidLength(cloth, lying);
  const singly = mine.filter((p) => isCutSingly(p, cloth));
  const [from, to] = usable(cloth);
  const tooWide = mine.flatMap((piece) => {
    const cut = cutLines.get(piece.id);
    const over = cut && !isCutSingly(piece, cloth) ? widthOf(piece, cut, cloth) - (to - from) : 0;
    return over > OVER ? [{ piece, over }] : [];
  });
  const prints = cloth.print.along > 0 || cloth.print.across > 0;
  const matches = prints ? matchesHere(cloth, mine, surface) : [];
  const held = prints ? holdsOf(matches, cloth.centre, { pieces: mine, cutLines }, cloth) : NOT_HELD;
  // What can't meet beside the others is told as such, and is no fault of the lay.
  const meeting = matches.filter((m) => !held.missed.some((x) => x.match === m));
  const faults =
    found || !kept
      ? []
      : [
          ...layFaults({ cloth, placed: [...kept], length }, mine, cutLines),
          ...(prints ? printFaults(lying, meeting, cloth.centre, cloth) : []),
        ];
  return { mine, kept, lying, length, singly, tooWide, faults, matches, ...held };
}
