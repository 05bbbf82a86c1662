import { Button, Flex } from '@chakra-ui/react';
import { Minus, Plus } from 'lucide-react';
import { memo, type ReactNode, type RefObject, useEffect, useId, useLayoutEffect, useRef } from 'react';
import { type Box } from '../../core/geometry/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Hatches } from './Hatches.tsx';
import { Label } from './Label.tsx';
import { type Looking, useView } from './useView.ts';
import { useWidth } from './useWidth.ts';

interface Props {
  box: Box;
  /** Height the drawing may take, px. */
  height: number;
  label: string;
  units: LengthUnit;
  /** Without scale bar. */
  bare?: boolean;
  /** Room the content takes at the right besides `box`, in screen pixels. */
  besides?: number;
  /** Can be enlarged and moved; what it is called, so that it stays as it was left. */
  place?: string;
  children: (unit: number, hatch: string) => ReactNode;
}

/** An SVG that shows `box` (mm) with a scale bar; `unit` tells its content how many mm one screen pixel is. */
export function Frame({ box, height, label, units, bare = false, besides = 0, place, children }: Props) {
  const { ref, width } = useWidth<HTMLDivElement>();
  const hatch = useId().replace(/[^\w]/g, '');
  const look = useView(place);
  const { scale, x, y } = look.view;
  const pad = bare ? 4 : 26;
  const w = box.maxX - box.minX;
  const h = box.maxY - box.minY;
  const whole = Math.max(w / Math.max(1, width - 2 * pad - besides), h / Math.max(1, height - 2 * pad - 22));
  const shownHeight = Math.min(height, h / whole + 2 * pad + 22);
  const unit = whole / scale;
  const left = box.minX - (width * whole - w - besides * whole) / 2;
  const x0 = left + (x - 0.5 / scale) * width * whole;
  const y0 = box.minY - pad * whole + (y - 0.5 / scale) * shownHeight * whole;
  const svg = useRef<SVGSVGElement>(null);
  useWheel(svg, look.onWheel);
  return (
    <div ref={ref} style={{ width: '100%', position: 'relative' }}>
      <svg
        ref={svg}
        role="group"
        aria-label={place ? `${label}. Plus and minus enlarge, arrows move, 0 shows all.` : label}
        {...(place && {
          tabIndex: 0,
          onKeyDown: look.onKeyDown,
          onPointerDown: look.onPointerDown,
          onPointerMove: look.onPointerMove,
          onPointerUp: look.onPointerUp,
        })}
        width="100%"
        height={shownHeight}
        viewBox={`${x0} ${y0} ${width * unit} ${shownHeight * unit}`}
        style={{ display: 'block', ...(scale > 1 && { cursor: 'grab', touchAction: 'none' }) }}
      >
        <Hatches unit={unit} name={hatch} />
        {children(unit, hatch)}
        {!bare && <ScaleBar unit={unit} units={units} x={x0 + 12 * unit} y={y0 + (shownHeight - 10) * unit} />}
      </svg>
      {place && <ZoomButtons scaled={scale > 1} zoom={look.zoom} fit={look.fit} />}
    </div>
  );
}

/** Listens to the wheel so that the page does not zoom: React's own listener may not keep it from that. */
function useWheel(svg: RefObject<SVGSVGElement | null>, onWheel: (e: WheelEvent) => void): void {
  const latest = useRef(onWheel);
  useLayoutEffect(() => {
    latest.current = onWheel;
  });
  useEffect(() => {
    const el = svg.current;
    const turn = (e: WheelEvent): void => latest.current(e);
    el?.addEventListener('wheel', turn, { passive: false });
    return () => el?.removeEventListener('wheel', turn);
  }, [svg]);
}

/** Larger, smaller, all of it. */
const ZoomButtons = memo(({ scaled, zoom, fit }: Pick<Looking, 'zoom' | 'fit'> & { scaled: boolean }) => {
  const button = { minW: '44px', h: '44px', px: '2', variant: 'outline', borderColor: 'rule', bg: 'sheet' } as const;
  return (
    <Flex position="absolute" right="8px" bottom="8px" gap="6px" _print={{ display: 'none' }}>
      <Button {...button} aria-label="Smaller" disabled={!scaled} onClick={() => zoom(-1)}>
        <Minus size={18} aria-hidden />
      </Button>
      <Button {...button} aria-label="Larger" onClick={() => zoom(1)}>
        <Plus size={18} aria-hidden />
      </Button>
      <Button {...button} aria-label="All of it" disabled={!scaled} onClick={fit}>
        Fit
      </Button>
    </Flex>
  );
});

function ScaleBar({ unit, units, x, y }: { unit: number; units: LengthUnit; x: number; y: number }) {
  const steps = units === 'mm' ? [10, 20, 50, 100, 200, 500] : [25.4, 50.8, 101.6, 254, 508];
  const length = steps.find((s) => s / unit > 70) ?? (steps[steps.length - 1] as number);
  const words = units === 'mm' ? `${length / 10} cm` : `${Math.round(length / 25.4)} in`;
  return (
    <g aria-hidden stroke="var(--chakra-colors-quiet)" strokeWidth={1.4 * unit}>
      <path d={`M${x} ${y - 5 * unit}V${y}H${x + length}V${y - 5 * unit}`} fill="none" />
      <Label x={x + length + 6 * unit} y={y} size={14} unit={unit} fill="quiet">
        {words}
      </Label>
    </g>
  );
}
