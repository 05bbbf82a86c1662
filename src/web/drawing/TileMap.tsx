import { useMemo } from 'react';
import { type Sheet, type Tiling, arrangeFor, tileName } from '../../core/output/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';

/** The plane of paper with its pages and what falls on each. */
export function TileMap({ sheets, tiling, units }: { sheets: Sheet[]; tiling: Tiling; units: LengthUnit }) {
  const placed = useMemo(() => arrangeFor(sheets, tiling.paper), [sheets, tiling.paper]);
  const last = tiling.tiles.map((t) => t.box);
  const box = { minX: 0, minY: 0, maxX: Math.max(...last.map((b) => b.maxX)), maxY: Math.max(...last.map((b) => b.maxY)) };
  return (
    <Frame box={box} height={560} label={`Map of ${tiling.tiles.length} pages`} units={units}>
      {(unit) => (
        <>
          {tiling.tiles.map((t) => (
            <g key={`${t.row}-${t.column}`}>
              <rect x={t.box.minX} y={t.box.minY} width={t.box.maxX - t.box.minX} height={t.box.maxY - t.box.minY} fill="none" stroke="var(--chakra-colors-rule)" strokeWidth={unit} />
              <text x={t.box.minX + 6 * unit} y={t.box.minY + 15 * unit} fontSize={12 * unit} fill="var(--chakra-colors-quiet)">
                {tileName(t.row, t.column)}
              </text>
            </g>
          ))}
          {placed.map((s) => (
            <g key={s.id}>
              <title>{s.name}</title>
              {s.items.map((i, k) =>
                i.kind === 'path' && (i.stroke === 'cut' || i.stroke === 'mark') ? (
                  <path key={k} d={pathData(i.path)} fill="none" stroke="var(--chakra-colors-ink)" strokeWidth={1.3 * unit} />
                ) : null,
              )}
              <text x={(s.box.minX + s.box.maxX) / 2} y={(s.box.minY + s.box.maxY) / 2} fontSize={11.5 * unit} textAnchor="middle" fill="var(--chakra-colors-ink)" stroke="var(--chakra-colors-sheet)" strokeWidth={3 * unit} paintOrder="stroke">
                {s.name}
              </text>
            </g>
          ))}
        </>
      )}
    </Frame>
  );
}
