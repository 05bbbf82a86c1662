import { type ReactNode, useId } from 'react';
import { type Box } from '../../core/geometry/index.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Hatches } from './Hatches.tsx';
import { Label } from './Label.tsx';
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
  children: (unit: number, hatch: string) => ReactNode;
}

/** An SVG that shows `box` (mm) with a scale bar; `unit` tells its content how many mm one screen pixel is. */
export function Frame({ box, height, label, units, bare = false, besides = 0, children }: Props) {
  const { ref, width } = useWidth<HTMLDivElement>();
  const hatch = useId().replace(/[^\w]/g, '');
  const pad = bare ? 4 : 26;
  const w = box.maxX - box.minX;
  const h = box.maxY - box.minY;
  const unit = Math.max(w / Math.max(1, width - 2 * pad - besides), h / Math.max(1, height - 2 * pad - 22));
  const shownHeight = Math.min(height, h / unit + 2 * pad + 22);
  const x0 = box.minX - (width * unit - w - besides * unit) / 2;
  const y0 = box.minY - pad * unit;
  return (
    <div ref={ref} style={{ width: '100%' }}>
      <svg
        role="group"
        aria-label={label}
        width="100%"
        height={shownHeight}
        viewBox={`${x0} ${y0} ${width * unit} ${shownHeight * unit}`}
        style={{ display: 'block' }}
      >
        <Hatches unit={unit} name={hatch} />
        {children(unit, hatch)}
        {!bare && <ScaleBar unit={unit} units={units} x={x0 + 12 * unit} y={y0 + (shownHeight - 10) * unit} />}
      </svg>
    </div>
  );
}

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
