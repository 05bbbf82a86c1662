import { type Closure } from '../../core/closure/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';

/** One hole, enlarged: button, opening, bars, centre line and front edge, with its figures. */
export function HoleDrawing({ c, units }: { c: Closure; units: LengthUnit }) {
  const mm = (v: number) => formatLength(v, units);
  const flat = c.hole.direction === 'horizontal';
  const { outer, inner, overall, opening } = c.hole;
  const r = c.choice.diameter / 2;
  const eye = c.hole.keyhole ? 2 : 0;
  // Along the hole: the edge (or the neck) lies towards negative.
  const along = (d: number, off = 0) => (flat ? { x: d, y: off } : { x: off, y: d });
  const end = along(-outer);
  const far = along(inner);
  const reach = Math.max(r, inner) + 14;
  const left = -(c.extension + 4);
  const box = { minX: Math.min(left, -r - 6), maxX: Math.max(reach, 34), minY: -reach, maxY: reach };
  const bar = (d: number) => {
    const [a, b] = [along(d, -2), along(d, 2)];
    return `M${a.x} ${a.y}L${b.x} ${b.y}`;
  };
  return (
    <Frame
      box={box}
      height={250}
      units={units}
      besides={175}
      label={`Buttonhole, opening ${mm(opening)}, over all ${mm(overall)}`}
    >
      {(unit) => (
        <>
          <path
            d={`M${-c.extension} ${box.minY}V${box.maxY}`}
            stroke="var(--chakra-colors-shell)"
            strokeWidth={2.4 * unit}
          />
          <path
            d={`M0 ${box.minY}V${box.maxY}`}
            stroke="var(--chakra-colors-ink)"
            strokeWidth={unit}
            strokeDasharray={`${10 * unit} ${3 * unit} ${2 * unit} ${3 * unit}`}
          />
          <circle
            r={r}
            fill="none"
            stroke="var(--chakra-colors-quiet)"
            strokeWidth={1.2 * unit}
            strokeDasharray={`${4 * unit} ${3 * unit}`}
          />
          <path d={`M${end.x} ${end.y}L${far.x} ${far.y}`} stroke="var(--chakra-colors-berry)" strokeWidth={3 * unit} />
          <path d={`${bar(-outer)}${bar(inner)}`} stroke="var(--chakra-colors-berry)" strokeWidth={2.4 * unit} />
          {eye > 0 && (
            <circle
              cx={end.x}
              cy={end.y}
              r={eye}
              fill="var(--chakra-colors-sheet)"
              stroke="var(--chakra-colors-berry)"
              strokeWidth={2 * unit}
            />
          )}
          <Label x={-c.extension + 5 * unit} y={box.minY + 14 * unit} size={13.5} unit={unit} fill="quiet" halo>
            front edge
          </Label>
          <Label x={4 * unit} y={box.maxY - 4 * unit} size={13.5} unit={unit} fill="quiet" halo>
            centre line
          </Label>
          <Label x={box.maxX + 10 * unit} y={-24 * unit} size={15} unit={unit}>
            opening {mm(opening)}
          </Label>
          <Label x={box.maxX + 10 * unit} y={0} size={15} unit={unit}>
            over all {mm(overall)}
          </Label>
          <Label x={box.maxX + 10 * unit} y={24 * unit} size={15} unit={unit}>
            {mm(outer)} {flat ? 'past the centre' : 'above the centre'}
          </Label>
        </>
      )}
    </Frame>
  );
}
