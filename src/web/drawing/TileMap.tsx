import { type Sheet, type Tiling, tileName } from '../../core/output/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';
import { useTall } from './useTall.ts';

/** The plane of paper with its pages and what falls on each. */
export function TileMap({ tiling, units }: { tiling: Tiling; units: LengthUnit }) {
  const last = tiling.tiles.map((t) => t.box);
  const box = {
    minX: 0,
    minY: 0,
    maxX: Math.max(...last.map((b) => b.maxX)),
    maxY: Math.max(...last.map((b) => b.maxY)),
  };
  const tall = useTall(270, 420);
  return (
    <Frame box={box} height={tall} place="pages" label={`Map of ${tiling.tiles.length} pages`} units={units}>
      {(unit) => (
        <>
          {tiling.tiles.map((t) => (
            <g key={`${t.row}-${t.column}`}>
              <rect
                x={t.box.minX}
                y={t.box.minY}
                width={t.box.maxX - t.box.minX}
                height={t.box.maxY - t.box.minY}
                fill="none"
                stroke="var(--chakra-colors-rule)"
                strokeWidth={unit}
              />
              <Label x={t.box.minX + 4 * unit} y={t.box.minY + 14 * unit} size={12} unit={unit} fill="quiet">
                {tileName(t.row, t.column)}
              </Label>
            </g>
          ))}
          {tiling.sheets.map((s) => (
            <g key={s.id}>
              <title>{s.name}</title>
              {s.items.map((i, k) =>
                i.kind === 'path' && (i.stroke === 'cut' || i.stroke === 'mark') ? (
                  <path
                    key={k}
                    d={pathData(i.path)}
                    fill="none"
                    stroke="var(--chakra-colors-ink)"
                    strokeWidth={1.3 * unit}
                  />
                ) : null,
              )}
            </g>
          ))}
          {tiling.sheets.map((s) => (
            <Name key={s.id} sheet={s} unit={unit} />
          ))}
        </>
      )}
    </Frame>
  );
}

/** Across where there is room, else along the piece. */
function Name({ sheet, unit }: { sheet: Sheet; unit: number }) {
  const { minX, minY, maxX, maxY } = sheet.box;
  const narrow = (maxX - minX) / unit < sheet.name.length * 7.5 && maxY - minY > maxX - minX;
  if (Math.max(maxX - minX, maxY - minY) / unit < sheet.name.length * 6) return null;
  return (
    <g transform={`translate(${(minX + maxX) / 2} ${(minY + maxY) / 2}) rotate(${narrow ? -90 : 0})`}>
      <Label x={0} y={0} size={12.5} unit={unit} anchor="middle" halo>
        {sheet.name}
      </Label>
    </g>
  );
}
