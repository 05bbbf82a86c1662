import { memo } from 'react';
import { boxOf, pathLength, pointAlong } from '../../core/geometry/index.ts';
import { pathData, ringsData } from '../../core/output/svg.ts';
import {
  allEdges,
  type CutLine,
  cutRings,
  type Edge,
  type InternalLine,
  notchTick,
  outlineOf,
  type Piece,
  ringsOf,
} from '../../core/pattern/index.ts';
import { MATERIAL_WORDS } from '../words/index.ts';
import { inkOf } from './Hatches.tsx';
import { Label } from './Label.tsx';

export interface ShapeProps {
  piece: Piece;
  cut: CutLine | undefined;
  /** Drawing units in one screen pixel. */
  unit: number;
  hatch: string;
  /** Keys `piece/edge` drawn heavily. */
  lit?: ReadonlySet<string>;
  /** Drawn faintly, as what lies beneath. */
  ghost?: boolean;
  label?: boolean;
  /** The name stands beside the piece, which is too small to carry it. */
  aside?: boolean;
  /** A number in place of the name, where many small pieces lie side by side. */
  number?: number | undefined;
}

const FOLD_DASH = [12, 3, 2, 3];
const SEAM_DASH = [5, 3];

const dash = (d: number[], unit: number): string => d.map((x) => x * unit).join(' ');

function Notches({ piece, unit }: { piece: Piece; unit: number }) {
  return piece.notches.flatMap((n, i) => {
    const edge = piece.ring.find((e) => e.id === n.edge);
    if (!edge) return [];
    return (n.kind === 'double' ? [-2.5, 2.5] : [0]).map((o) => {
      const t = notchTick(edge, n.at + o, Math.max(8, 6 * unit));
      return (
        <path
          key={`${i}${o}`}
          d={`M${t.a.x} ${t.a.y}L${t.b.x} ${t.b.y}`}
          stroke="var(--chakra-colors-ink)"
          strokeWidth={1.6 * unit}
        />
      );
    });
  });
}

/** Where stitching starts, stops or turns; buttons as a circle with its cross. */
function Marks({ piece, unit }: { piece: Piece; unit: number }) {
  const r = Math.max(3, 4 * unit);
  const look = { fill: 'none', stroke: 'var(--chakra-colors-ink)', strokeWidth: 1.4 * unit };
  return (piece.marks ?? []).map((m, i) => {
    const { x, y } = m.at;
    if (m.kind === 'square') return <rect key={i} x={x - r} y={y - r} width={2 * r} height={2 * r} {...look} />;
    if (m.kind === 'dot') return <circle key={i} cx={x} cy={y} r={0.7 * r} fill="var(--chakra-colors-ink)" />;
    return (
      <g key={i}>
        <circle cx={x} cy={y} r={r} {...look} />
        {m.kind === 'button' && <path d={`M${x - r} ${y}H${x + r}M${x} ${y - r}V${y + r}`} {...look} />}
      </g>
    );
  });
}

function Grain({ piece, unit }: { piece: Piece; unit: number }) {
  const { a, b } = piece.grain;
  const l = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const d = { x: (b.x - a.x) / l, y: (b.y - a.y) / l };
  const wing = (s: number) =>
    `M${b.x} ${b.y}L${b.x - d.x * 9 * unit + d.y * s * 4 * unit} ${b.y - d.y * 9 * unit - d.x * s * 4 * unit}`;
  return (
    <path
      d={`M${a.x} ${a.y}L${b.x} ${b.y}${wing(1)}${wing(-1)}`}
      stroke="var(--chakra-colors-ink)"
      strokeWidth={1.1 * unit}
      fill="none"
      opacity={0.75}
    />
  );
}

/** How many of a piece to cut, in words. */
export const howMany = ({ cut }: Piece): string =>
  cut.onFold
    ? `cut ${cut.count} on fold`
    : cut.pair
      ? 'cut 2, a pair'
      : `cut ${cut.count}${cut.turned ? ', face down' : ''}`;

/** Width of a piece's name on screen, about (px). */
export const nameWidth = (p: Piece): number => (p.name.length + 4) * 7.5 + 14;

/** Name and cut count: beside the grainline, along it on a narrow piece, across one that lies wide, beside the piece where it is small (`aside`). */
function Name({
  piece,
  unit,
  aside,
  number,
}: {
  piece: Piece;
  unit: number;
  aside: boolean;
  number: number | undefined;
}) {
  const mid = { x: (piece.grain.a.x + piece.grain.b.x) / 2, y: (piece.grain.a.y + piece.grain.b.y) / 2 };
  const box = boxOf(outlineOf(piece.ring));
  const tight = !aside && (box.maxX - mid.x) / unit < piece.name.length * 8 + 50;
  const lying = tight && box.maxX - box.minX > box.maxY - box.minY;
  const narrow = tight && !lying;
  const at = aside
    ? `translate(${box.maxX + 14 * unit} ${box.minY + 26 * unit})`
    : narrow
      ? `translate(${mid.x - 7 * unit} ${mid.y}) rotate(-90)`
      : lying
        ? `translate(${(box.minX + box.maxX) / 2} ${(box.minY + box.maxY) / 2 - 2 * unit})`
        : `translate(${mid.x + 10 * unit} ${mid.y})`;
  const { letter } = MATERIAL_WORDS[piece.material];
  if (number !== undefined)
    return (
      <Label x={mid.x} y={mid.y + 5 * unit} size={15} unit={unit} weight={700} anchor="middle" halo>
        {letter}
        {number}
      </Label>
    );
  const how = howMany(piece);
  const anchor = tight ? 'middle' : 'start';
  return (
    <g transform={at}>
      <Label x={0} y={0} size={14.5} unit={unit} weight={650} anchor={anchor} halo>
        {letter} · {piece.name}
      </Label>
      <Label x={0} y={narrow ? 25 * unit : 17 * unit} size={13} unit={unit} anchor={anchor} halo>
        {how}
      </Label>
    </g>
  );
}

/** One piece: hatched by its material, cut line full, seam line dashed, fold in long and short dashes. */
export const PieceShape = memo(function PieceShape(props: ShapeProps) {
  const { piece, cut, unit, hatch, lit, ghost, label = true, aside = false, number } = props;
  const ink = inkOf(piece.material);
  const seam = ringsData(ringsOf(piece).map(outlineOf));
  const edge = (e: Edge) => {
    const on = lit?.has(`${piece.id}/${e.id}`);
    const style = on
      ? { stroke: 'var(--chakra-colors-berry)', strokeWidth: 5 * unit }
      : {
          stroke: ink,
          strokeWidth: (e.onFold ? 2 : 1.3) * unit,
          strokeDasharray: dash(e.onFold ? FOLD_DASH : SEAM_DASH, unit),
        };
    return <path key={e.id} d={pathData(e.path)} fill="none" {...style} />;
  };
  if (ghost) return <path d={seam} fill="none" stroke={ink} strokeWidth={1.2 * unit} opacity={0.55} />;
  return (
    <g>
      {cut && (
        <path
          d={ringsData(cutRings(cut))}
          fill="var(--chakra-colors-sheet)"
          stroke={ink}
          strokeWidth={1.6 * unit}
          strokeLinejoin="round"
        />
      )}
      <path d={seam} fill={`url(#${hatch}-${piece.material})`} stroke="none" />
      {piece.lines.map((l, i) => (
        <InnerLine key={i} line={l} unit={unit} />
      ))}
      {allEdges(piece).map(edge)}
      <Notches piece={piece} unit={unit} />
      <Marks piece={piece} unit={unit} />
      <Grain piece={piece} unit={unit} />
      {label && <Name piece={piece} unit={unit} aside={aside} number={number} />}
    </g>
  );
});

/** A line drawn inside a piece; one to cut along on one half alone says so beside it. */
function InnerLine({ line: l, unit }: { line: InternalLine; unit: number }) {
  const middle = l.on && pointAlong(l.path, pathLength(l.path) / 2);
  return (
    <>
      <path
        d={pathData(l.path)}
        fill="none"
        stroke={l.on ? 'var(--chakra-colors-ink)' : 'var(--chakra-colors-quiet)'}
        strokeWidth={unit}
        strokeDasharray={dash([2, 3], unit)}
      />
      {middle && (
        <g transform={`translate(${middle.x - 5 * unit} ${middle.y}) rotate(-90)`}>
          <Label x={0} y={0} size={13} unit={unit} anchor="middle" halo>
            {l.on} half only
          </Label>
        </g>
      )}
    </>
  );
}
