import { type ReactNode } from 'react';

interface Props {
  x: number;
  y: number;
  /** Size of the letters in screen pixels. */
  size: number;
  /** Drawing units in one screen pixel. */
  unit: number;
  anchor?: 'start' | 'middle' | 'end';
  fill?: string;
  weight?: number;
  /** A rim in the colour of the sheet, so that lines beneath do not cross the letters. */
  halo?: boolean;
  children: ReactNode;
}

/** Words in a drawing. The size goes by style: the page's reset would override an attribute. */
export function Label({
  x,
  y,
  size,
  unit,
  anchor = 'start',
  fill = 'ink',
  weight = 450,
  halo = false,
  children,
}: Props) {
  const rim = halo
    ? { stroke: 'var(--chakra-colors-sheet)', strokeWidth: 4 * unit, paintOrder: 'stroke' as const }
    : { stroke: 'none' };
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={`var(--chakra-colors-${fill})`}
      {...rim}
      style={{ fontSize: size * unit, fontWeight: weight, pointerEvents: 'none' }}
    >
      {children}
    </text>
  );
}
