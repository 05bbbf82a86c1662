import { type KeyboardEvent, useRef } from 'react';
import { boxOf, joinBoxes, pathLength } from '../../core/geometry/index.ts';
import { type CutLine, type Edge, type Piece, outlineOf } from '../../core/pattern/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type LengthUnit, formatLength } from '../../core/units.ts';
import { ROLE_WORDS } from '../words/index.ts';
import { Frame } from './Frame.tsx';
import { PieceShape, middleOf } from './PieceShape.tsx';

interface Props {
  piece: Piece;
  cut: CutLine | undefined;
  units: LengthUnit;
  height: number;
  selected: string | null;
  onSelect: (edge: string) => void;
  /** Asked for by Enter: move on to the questions about the edge. */
  onEnter: () => void;
}

/** One piece, large, whose edges can be clicked or walked along with the arrow keys. */
export function EdgePicker({ piece, cut, units, height, selected, onSelect, onEnter }: Props) {
  const refs = useRef(new Map<string, SVGPathElement>());
  const box = joinBoxes(boxOf(outlineOf(piece.ring)), boxOf(cut?.outline ?? outlineOf(piece.ring)));
  const centre = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const key = (e: KeyboardEvent, i: number) => {
    const by = e.key === 'ArrowRight' || e.key === 'ArrowDown' ? 1 : e.key === 'ArrowLeft' || e.key === 'ArrowUp' ? -1 : 0;
    if (by) {
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
  const say = (e: Edge) => `${ROLE_WORDS[e.role]}, ${formatLength(pathLength(e.path), units)}, ${e.onFold ? 'on the fold' : `allowance ${formatLength(e.allowance, units)}`}`;
  return (
    <Frame box={box} height={height} label={`${piece.name}: choose an edge`} units={units}>
      {(unit, hatch) => (
        <>
          <PieceShape piece={piece} cut={cut} unit={unit} hatch={hatch} {...(selected && { lit: new Set([`${piece.id}/${selected}`]) })} />
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
              style={{ cursor: 'pointer', outlineOffset: 0 }}
              pointerEvents="stroke"
              onClick={() => onSelect(e.id)}
              onKeyDown={(ev) => key(ev, i)}
            />
          ))}
          {piece.ring.map((e) => {
            const m = middleOf(e);
            const left = m.x < centre.x;
            const dx = Math.abs(m.x - centre.x) > (box.maxX - box.minX) * 0.25 ? (left ? 14 : -14) * unit : 0;
            const dy = m.y < centre.y ? 20 * unit : -12 * unit;
            return (
              <text
                key={e.id}
                x={m.x + dx}
                y={m.y + (dx ? 0 : dy)}
                fontSize={13.5 * unit}
                textAnchor={dx === 0 ? 'middle' : left ? 'start' : 'end'}
                fill={selected === e.id ? 'var(--chakra-colors-berry)' : 'var(--chakra-colors-ink)'}
                fontWeight={selected === e.id ? 700 : 500}
                stroke="var(--chakra-colors-sheet)"
                strokeWidth={4 * unit}
                paintOrder="stroke"
                style={{ pointerEvents: 'none' }}
              >
                {ROLE_WORDS[e.role]}
              </text>
            );
          })}
        </>
      )}
    </Frame>
  );
}
