import { holeEnds, type Small } from '../../core/closure/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';

/** A small closing laid flat: its strip, holes and buttons, both ends. */
export function SmallDrawing({ s, units }: { s: Small; units: LengthUnit }) {
  const { length, width, diameter, kind, shoulder } = s.choice;
  const box = { minX: 0, minY: -10, maxX: length, maxY: width + 14 };
  const collar = kind === 'collar' || kind === 'hood';
  const places = [...new Set(s.spots.filter((p) => p.over).map((p) => p.x))];
  const label = `${length > 0 ? formatLength(length, units) : ''} long, fastened at ${places.map((x) => formatLength(x, units)).join(', ')}`;
  return (
    <Frame box={box} height={190} units={units} label={label}>
      {(unit) => (
        <>
          <rect
            x={0}
            y={0}
            width={length}
            height={width}
            fill="var(--chakra-colors-sheet)"
            stroke="var(--chakra-colors-shell)"
            strokeWidth={1.6 * unit}
          />
          {collar && (
            <path
              d={`M${shoulder} 0V${width}`}
              stroke="var(--chakra-colors-quiet)"
              strokeWidth={unit}
              strokeDasharray={`${5 * unit} ${4 * unit}`}
            />
          )}
          {collar && (
            <>
              <Label x={4 * unit} y={-4 * unit} size={13} unit={unit} fill="quiet">
                centre back
              </Label>
              <Label x={shoulder} y={-4 * unit} size={13} unit={unit} fill="quiet" anchor="middle">
                shoulder seam
              </Label>
            </>
          )}
          {s.spots.map((p, i) => {
            const ends = holeEnds(s, p);
            return (
              <g key={i}>
                {(p.under || !s.hole) && (
                  <circle
                    cx={p.x}
                    cy={p.y}
                    r={diameter / 2}
                    fill="none"
                    stroke="var(--chakra-colors-ink)"
                    strokeWidth={1.3 * unit}
                    strokeDasharray={p.over ? undefined : `${4 * unit} ${3 * unit}`}
                  />
                )}
                {ends && (
                  <path
                    d={`M${ends[0].x} ${ends[0].y}L${ends[1].x} ${ends[1].y}`}
                    stroke="var(--chakra-colors-berry)"
                    strokeWidth={3 * unit}
                    strokeLinecap="round"
                  />
                )}
              </g>
            );
          })}
          {places.map((x) => (
            <Label key={x} x={x} y={width + 15 * unit} size={13.5} unit={unit} anchor="middle">
              {formatLength(x, units)}
            </Label>
          ))}
        </>
      )}
    </Frame>
  );
}
