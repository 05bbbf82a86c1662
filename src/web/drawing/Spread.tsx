import { Text } from '@chakra-ui/react';
import { useMemo } from 'react';
import { type Box, boxOf, joinBoxes } from '../../core/geometry/index.ts';
import { outlineData } from '../../core/output/svg.ts';
import { type CutLine, outlineOf, type Piece } from '../../core/pattern/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { MATERIAL_WORDS } from '../words/index.ts';
import { Frame } from './Frame.tsx';
import { howMany, nameWidth, PieceShape } from './PieceShape.tsx';
import { upright } from './upright.ts';

export interface SpreadProps {
  pieces: Piece[];
  cutLines: Map<string, CutLine>;
  units: LengthUnit;
  height: number;
  label: string;
  lit?: ReadonlySet<string>;
  /** Pieces drawn faintly beneath those made from them, in place. */
  ghosts?: Piece[];
  /** Outlines of other choices, drawn over the pieces that come from the same parent. */
  held?: Piece[];
  /** Can be enlarged and moved; what it is called, so that it stays as it was left. */
  place?: string;
  /** Without names and scale bar, for a small picture. */
  plain?: boolean;
}

interface Shown {
  piece: Piece;
  cut: CutLine | undefined;
}

interface Group {
  pieces: Shown[];
  ghosts: Piece[];
  held: Piece[];
  box: Box;
  x: number;
  /** Whether its one piece is too small to carry its name, and the room in pixels that is kept beside it then. */
  aside: boolean;
  room: number;
  numbered: boolean;
}

const GAP = 45;
const NONE: Piece[] = [];

/** Pieces of one parent stay where they lie on it; groups stand side by side. */
function groupsOf(pieces: Piece[], cutLines: Map<string, CutLine>, ghosts: Piece[], held: Piece[]): Group[] {
  const over = new Set(ghosts.map((g) => g.id));
  const sets = new Map<string, Piece[]>();
  for (const p of pieces) {
    const key = p.parent && over.has(p.parent) ? p.parent : p.id;
    sets.set(key, [...(sets.get(key) ?? []), p]);
  }
  let x = 0;
  return [...sets].map(([key, set]) => {
    const shown = set.map((p): Shown => upright(p, cutLines.get(p.id)));
    const under = ghosts.filter((g) => g.id === key).map((g) => upright(g, undefined).piece);
    const other = held.filter((h) => h.parent === key).map((h) => upright(h, undefined).piece);
    const boxes = [
      ...shown.map((s) => boxOf(s.cut?.outline ?? outlineOf(s.piece.ring))),
      ...under.map((g) => boxOf(outlineOf(g.ring))),
    ];
    const box = boxes.reduce(joinBoxes);
    const group = {
      pieces: shown,
      ghosts: under,
      held: other,
      box,
      x: x - box.minX,
      aside: false,
      room: 0,
      numbered: false,
    };
    x += box.maxX - box.minX + GAP;
    return group;
  });
}

/** A piece under this share of the tallest one's height, in both directions, has its name beside it. */
const SMALL = 0.3;

/** Most width that is kept for names beside pieces (px). */
const MOST_ROOM = 260;

/** Keeps room beside small pieces for their names. */
function withRoom(groups: Group[]): Group[] {
  const tallest = Math.max(...groups.map((g) => g.box.maxY - g.box.minY));
  const roomy = groups.map((g, i) => {
    const [only] = g.pieces;
    const own = only && boxOf(only.cut?.outline ?? outlineOf(only.piece.ring));
    const isSmall = (b: Box): boolean => Math.max(b.maxX - b.minX, b.maxY - b.minY) < SMALL * tallest;
    const aside = own !== undefined && isSmall(own);
    // Over the faint shell of a larger piece there is room enough, save beside the last.
    const free = g.ghosts.length > 0 && !isSmall(g.box) && i < groups.length - 1;
    return { ...g, aside, room: aside && !free ? nameWidth(only?.piece as Piece) : 0 };
  });
  // Names beside many small pieces would leave no width for the pieces themselves: then they are numbered.
  return sum(roomy) <= MOST_ROOM ? roomy : roomy.map((g) => ({ ...g, aside: false, room: 0, numbered: true }));
}

const sum = (groups: Group[]): number => groups.reduce((t, g) => t + g.room, 0);

/** Pieces laid out side by side at one scale, hung from one line. */
export function Spread({
  pieces,
  cutLines,
  units,
  height,
  label,
  lit,
  ghosts = NONE,
  held = NONE,
  plain = false,
  place,
}: SpreadProps) {
  const groups = useMemo(() => withRoom(groupsOf(pieces, cutLines, ghosts, held)), [pieces, cutLines, ghosts, held]);
  if (!groups.length) return null;
  const box: Box = {
    minX: 0,
    minY: 0,
    maxX: Math.max(...groups.map((g) => g.box.maxX + g.x)),
    maxY: Math.max(...groups.map((g) => g.box.maxY - g.box.minY)),
  };
  const numbered = !plain && groups.some((g) => g.numbered);
  const numbers = new Map(groups.flatMap((g) => g.pieces).map((s, i) => [s.piece.id, i + 1]));
  const frame = (
    <Frame
      box={box}
      height={height}
      label={label}
      units={units}
      bare={plain}
      besides={plain ? 0 : sum(groups)}
      {...(place && { place })}
    >
      {(unit, hatch) =>
        groups.map((g, i) => (
          <g
            key={g.pieces[0]?.piece.id}
            transform={`translate(${g.x + (plain ? 0 : sum(groups.slice(0, i)) * unit)} ${-g.box.minY})`}
          >
            {g.ghosts.map((p) => (
              <PieceShape key={p.id} piece={p} cut={undefined} unit={unit} hatch={hatch} ghost />
            ))}
            {g.pieces.map(({ piece, cut }) => (
              <PieceShape
                key={piece.id}
                piece={piece}
                cut={cut}
                unit={unit}
                hatch={hatch}
                label={!plain}
                aside={g.aside}
                number={numbered ? numbers.get(piece.id) : undefined}
                {...(lit && { lit })}
              />
            ))}
            {g.held.map((p) => (
              <path
                key={p.id}
                d={outlineData(outlineOf(p.ring))}
                fill="none"
                stroke="var(--chakra-colors-ink)"
                strokeWidth={1.6 * unit}
                strokeDasharray={`${2 * unit} ${3 * unit}`}
              />
            ))}
          </g>
        ))
      }
    </Frame>
  );
  if (!numbered) return frame;
  return (
    <>
      {frame}
      <Text fontSize="15px" mb="2">
        {groups
          .flatMap((g) => g.pieces)
          .map(
            ({ piece }) =>
              `${MATERIAL_WORDS[piece.material].letter}${numbers.get(piece.id)} ${piece.name}, ${howMany(piece)}`,
          )
          .join(' · ')}
      </Text>
    </>
  );
}
