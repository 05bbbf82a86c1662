import { type KeyboardEvent, type MouseEvent, useRef } from 'react';
import {
  apply,
  boxOf,
  directionAlong,
  joinBoxes,
  nearestOn,
  outward,
  type Point,
  pathLength,
  pointAlong,
} from '../../core/geometry/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type CutLine, type Edge, outlineOf, type Piece } from '../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { ROLE_WORDS } from '../words/index.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';
import { PieceShape } from './PieceShape.tsx';
import { pointOn } from './pointOn.ts';
import { unturned, upright } from './upright.ts';

interface Props {
  piece: Piece;
  cut: CutLine | undefined;
  units: LengthUnit;
  height: number;
  selected: string | null;
  onSelect: (edge: string) => void;
  /** A place on the selected edge, mm along it; set by a second click or with Shift and the arrow keys. */
  mark: number | null;
  onMark: (at: number) => void;
  /** Edges named by their shape alone, or not said yet: marked, to be looked at. */
  unsure?: Set<string>;
  /** When given, a click anywhere tells its place on the piece instead of choosing an edge. */
  onSpot?: ((p: Point) => void) | undefined;
  /** Places clicked so far of something that needs several. */
  spots?: Point[];
  /** Asked for by Enter: move on to the questions about the edge. */
  onEnter: () => void;
}

/** One piece, large, whose edges can be clicked or walked along with the arrow keys. */
export function EdgePicker({
  piece: given,
  cut: givenCut,
  units,
  height,
  selected,
  onSelect,
  mark,
  onMark,
  unsure,
  onSpot,
  spots = [],
  onEnter,
}: Props) {
  const { piece, cut, map } = upright(given, givenCut);
  const refs = useRef(new Map<string, SVGPathElement>());
  const box = joinBoxes(boxOf(outlineOf(piece.ring)), boxOf(cut?.outline ?? outlineOf(piece.ring)));
  const side = (box.maxX - box.minX) * 0.3;
  const room = { ...box, minX: box.minX - side, maxX: box.maxX + side };
  const key = (e: KeyboardEvent, i: number) => {
    const by =
      e.key === 'ArrowRight' || e.key === 'ArrowDown' ? 1 : e.key === 'ArrowLeft' || e.key === 'ArrowUp' ? -1 : 0;
    if (by && e.shiftKey) {
      e.preventDefault();
      const length = pathLength((piece.ring[i] as Edge).path);
      onSelect((piece.ring[i] as Edge).id);
      onMark(Math.min(length, Math.max(0, (mark ?? length / 2) + by * 5)));
    } else if (by) {
      e.preventDefault();
      const next = piece.ring[(i + by + piece.ring.length) % piece.ring.length] as Edge;
      onSelect(next.id);
      refs.current.get(next.id)?.focus();
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onSelect((piece.ring[i] as Edge).id);
      onEnter();
    }
  };
  const click = (ev: MouseEvent<SVGPathElement>, e: Edge) => {
    const at = selected === e.id ? placeOf(ev, e) : null;
    if (at === null) onSelect(e.id);
    else onMark(at);
  };
  const say = (e: Edge) =>
    `${ROLE_WORDS[e.role]}${unsure?.has(e.id) ? (e.role === 'plain' ? ' (not said yet)' : ' (a guess)') : ''}, ${formatLength(pathLength(e.path), units)}, ${e.onFold ? 'on the fold' : `allowance ${formatLength(e.allowance, units)}`}`;
  return (
    <Frame box={room} height={height} label={`${piece.name}: choose an edge`} units={units}>
      {(unit, hatch) => (
        <>
          <PieceShape
            piece={piece}
            cut={cut}
            unit={unit}
            hatch={hatch}
            label={false}
            {...(selected && { lit: new Set([`${piece.id}/${selected}`]) })}
          />
          {piece.ring.map((e) =>
            unsure?.has(e.id) ? (
              <path
                key={e.id}
                d={pathData(e.path)}
                fill="none"
                stroke="var(--chakra-colors-honey)"
                strokeOpacity={0.55}
                strokeWidth={9 * unit}
                pointerEvents="none"
              />
            ) : null,
          )}
          {piece.ring.map((e, i) => (
            <path
              key={e.id}
              ref={(el) => {
                if (el) refs.current.set(e.id, el);
              }}
              role="button"
              aria-label={say(e)}
              aria-pressed={selected === e.id}
              tabIndex={selected === e.id || (!selected && i === 0) ? 0 : -1}
              data-edge={e.id}
              d={pathData(e.path)}
              fill="none"
              stroke="transparent"
              strokeWidth={26 * unit}
              style={{ cursor: 'pointer', outlineOffset: 0, ...(selected === e.id && { outline: 'none' }) }}
              pointerEvents="stroke"
              onClick={(ev) => click(ev, e)}
              onKeyDown={(ev) => key(ev, i)}
            />
          ))}
          {mark !== null && (
            <Mark edge={piece.ring.find((e) => e.id === selected)} at={mark} unit={unit} units={units} />
          )}
          {onSpot && (
            // biome-ignore lint/a11y/noStaticElementInteractions: by keyboard the same is done on an edge's own card.
            <rect
              x={room.minX}
              y={room.minY}
              width={room.maxX - room.minX}
              height={room.maxY - room.minY}
              fill="transparent"
              style={{ cursor: 'crosshair' }}
              onClick={(ev) => {
                const p = pointOn(ev.currentTarget, ev);
                if (p) onSpot(unturned(map, p));
              }}
            />
          )}
          {spots.map((p, i) => {
            const at = map ? apply(map, p) : p;
            return (
              <circle key={i} cx={at.x} cy={at.y} r={6 * unit} fill="var(--chakra-colors-honey)" pointerEvents="none" />
            );
          })}
          {piece.ring.map((e) => (
            <EdgeName key={e.id} edge={e} unit={unit} chosen={selected === e.id} />
          ))}
        </>
      )}
    </Frame>
  );
}

/** Where on the edge was clicked, mm along it. */
function placeOf(ev: MouseEvent<SVGPathElement>, e: Edge): number | null {
  const p = pointOn(ev.currentTarget, ev);
  return p && nearestOn(e.path, p).at;
}

/** The marked place, with its distance from the edge's start. */
function Mark({ edge, at, unit, units }: { edge: Edge | undefined; at: number; unit: number; units: LengthUnit }) {
  if (!edge) return null;
  const p = pointAlong(edge.path, at);
  const n = outward(directionAlong(edge.path, at));
  return (
    <g pointerEvents="none">
      <circle
        cx={p.x}
        cy={p.y}
        r={7 * unit}
        fill="var(--chakra-colors-honey)"
        stroke="var(--chakra-colors-sheet)"
        strokeWidth={2 * unit}
      />
      <Label
        x={p.x - n.x * 16 * unit}
        y={p.y - n.y * 16 * unit + 5 * unit}
        size={14}
        unit={unit}
        anchor={n.x > 0.3 ? 'end' : n.x < -0.3 ? 'start' : 'middle'}
        weight={650}
        halo
      >
        {formatLength(at, units)}
      </Label>
    </g>
  );
}

/** The edge's name outside the piece, across its allowance. */
function EdgeName({ edge, unit, chosen }: { edge: Edge; unit: number; chosen: boolean }) {
  const half = pathLength(edge.path) / 2;
  const m = pointAlong(edge.path, half);
  const n = outward(directionAlong(edge.path, half));
  const off = Math.max(0, edge.allowance) + 11 * unit;
  const level = Math.abs(n.x) < 0.5;
  const drop = level ? (n.y > 0 ? 11 : 0) : 5;
  return (
    <Label
      x={m.x + n.x * off}
      y={m.y + n.y * off + drop * unit}
      size={15}
      unit={unit}
      anchor={level ? 'middle' : n.x > 0 ? 'start' : 'end'}
      fill={chosen ? 'berry' : 'ink'}
      weight={chosen ? 700 : 500}
      halo
    >
      {ROLE_WORDS[edge.role]}
    </Label>
  );
}
