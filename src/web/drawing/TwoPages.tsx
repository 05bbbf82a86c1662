import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { type Box } from '../../core/geometry/index.ts';
import { pointOn } from './pointOn.ts';

interface Props {
  trim: Box;
  /** Lines of the first page and of the one beside or below it. */
  d: string[];
  /** Whether the second page lies below the first instead of beside it. */
  below: boolean;
  overlap: number;
  onOverlap: (mm: number) => void;
}

/** Two pages over each other: the second is dragged, or moved with the arrow keys, until its lines carry on the first's. */
export function TwoPages({ trim, d, below, overlap, onOverlap }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<{ at: number; overlap: number } | null>(null);
  const [w, h] = [trim.maxX - trim.minX, trim.maxY - trim.minY];
  const shift = (below ? h : w) - overlap;
  const move = below ? `translate(0 ${shift})` : `translate(${shift} 0)`;
  const within = (mm: number): number => Math.round(Math.min(60, Math.max(0, mm)) * 10) / 10;
  const place = (e: PointerEvent): number => {
    const p = pointOn(svg.current, e) ?? { x: 0, y: 0 };
    return below ? p.y : p.x;
  };
  const key = (e: KeyboardEvent) => {
    const by = { ArrowLeft: 1, ArrowUp: 1, ArrowRight: -1, ArrowDown: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    onOverlap(within(overlap + by * (e.shiftKey ? 0.1 : 0.5)));
  };
  const page = (lines: string, colour: string) => (
    <>
      <rect
        x={trim.minX}
        y={trim.minY}
        width={w}
        height={h}
        fill="none"
        stroke="var(--chakra-colors-rule)"
        strokeWidth={0.8}
      />
      <path
        d={lines}
        fill="none"
        stroke={`var(--chakra-colors-${colour})`}
        strokeWidth={1.2}
        clipPath="url(#trimmed)"
      />
    </>
  );
  const size = below ? [w + 8, 2 * h + 8] : [2 * w + 8, h + 8];
  return (
    <div
      role="slider"
      aria-label="Overlap of two pages"
      aria-valuemin={0}
      aria-valuemax={60}
      aria-valuenow={overlap}
      aria-valuetext={`${overlap} mm`}
      tabIndex={0}
      style={{ touchAction: 'none', cursor: below ? 'ns-resize' : 'ew-resize' }}
      onPointerDown={(e) => {
        grip.current = { at: place(e), overlap };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => grip.current && onOverlap(within(grip.current.overlap - (place(e) - grip.current.at)))}
      onPointerUp={() => {
        grip.current = null;
      }}
      onKeyDown={key}
    >
      <svg
        ref={svg}
        aria-hidden
        viewBox={`${trim.minX - 4} ${trim.minY - 4} ${size[0]} ${size[1]}`}
        style={{ width: '100%', maxHeight: 380, display: 'block' }}
      >
        <clipPath id="trimmed">
          <rect x={trim.minX} y={trim.minY} width={w} height={h} />
        </clipPath>
        {page(d[0] ?? '', 'shell')}
        <g transform={move}>{page(d[1] ?? '', 'berry')}</g>
      </svg>
    </div>
  );
}
