import { type Closure } from '../../core/closure/index.ts';
import { boxOf, directionAlong, joinBoxes, outward, pointAlong } from '../../core/geometry/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type CutLine, outlineOf, type Piece } from '../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';
import { PieceShape } from './PieceShape.tsx';
import { upright, uprightClosure } from './upright.ts';

interface Props {
  closure: Closure;
  front: Piece;
  cut: CutLine | undefined;
  units: LengthUnit;
}

/** The front with every button and hole at its place, numbered, gaps written between them. */
export function ClosureDrawing({ closure: given, front: givenFront, cut: givenCut, units }: Props) {
  const { piece: front, cut, map } = upright(givenFront, givenCut);
  const closure = uprightClosure(given, map);
  const box = joinBoxes(boxOf(outlineOf(front.ring)), boxOf(cut?.outline ?? outlineOf(front.ring)));
  const room = { ...box, minX: box.minX - 170 };
  const words = closure.buttons.map((b) => formatLength(b.at, units)).join(', ');
  return (
    <Frame
      box={room}
      height={640}
      label={`Front with ${closure.buttons.length} buttons at ${words} from the neck seam`}
      units={units}
    >
      {(unit, hatch) => (
        <>
          <PieceShape piece={front} cut={cut} unit={unit} hatch={hatch} label={false} />
          <Zone closure={closure} unit={unit} />
          <path
            d={pathData(closure.line)}
            stroke="var(--chakra-colors-ink)"
            strokeWidth={unit}
            strokeDasharray={`${10 * unit} ${3 * unit} ${2 * unit} ${3 * unit}`}
            fill="none"
          />
          {closure.buttons.map((b, i) => (
            <Button key={b.at} closure={closure} index={i} unit={unit} x={box.minX} units={units} />
          ))}
        </>
      )}
    </Frame>
  );
}

function Zone({ closure, unit }: { closure: Closure; unit: number }) {
  if (!closure.clear) return null;
  const a = pointAlong(closure.line, closure.clear.from);
  const b = pointAlong(closure.line, closure.clear.to);
  return (
    <g>
      <rect x={a.x - 40} y={a.y} width={190} height={b.y - a.y} fill="var(--chakra-colors-honey)" opacity={0.22} />
      <Label x={a.x + 155} y={(a.y + b.y) / 2 + 4 * unit} size={13.5} unit={unit} fill="honey" halo>
        clear for the belt
      </Label>
    </g>
  );
}

function Button({
  closure,
  index,
  unit,
  x,
  units,
}: {
  closure: Closure;
  index: number;
  unit: number;
  x: number;
  units: LengthUnit;
}) {
  const b = closure.buttons[index] as Closure['buttons'][number];
  const next = closure.buttons[index + 1];
  const across = outward(directionAlong(closure.line, b.at));
  const radius = (closure.hole.opening - 3) / 2;
  const left = x - 14 * unit;
  return (
    <g>
      <circle
        cx={b.centre.x}
        cy={b.centre.y}
        r={radius}
        fill="var(--chakra-colors-sheet)"
        stroke="var(--chakra-colors-ink)"
        strokeWidth={1.4 * unit}
      />
      <path
        d={`M${b.a.x} ${b.a.y}L${b.b.x} ${b.b.y}`}
        stroke="var(--chakra-colors-berry)"
        strokeWidth={3.4 * unit}
        strokeLinecap="round"
      />
      <path
        d={`M${b.centre.x - across.x * 5} ${b.centre.y}h${across.x * 10}M${b.centre.x} ${b.centre.y - 5}v10`}
        stroke="var(--chakra-colors-ink)"
        strokeWidth={unit}
      />
      <path
        d={`M${left} ${b.centre.y}H${b.centre.x - radius - 3 * unit}`}
        stroke="var(--chakra-colors-quiet)"
        strokeWidth={0.6 * unit}
        strokeDasharray={`${2 * unit} ${3 * unit}`}
      />
      <Label x={left - 4 * unit} y={b.centre.y + 5 * unit} size={15.5} unit={unit} anchor="end">
        <tspan style={{ fontWeight: 700 }}>{index + 1}</tspan>
        <tspan dx={9 * unit}>{formatLength(b.at, units)}</tspan>
      </Label>
      {next && (
        <Label
          x={left - 4 * unit}
          y={(b.centre.y + next.centre.y) / 2 + 5 * unit}
          size={13.5}
          unit={unit}
          anchor="end"
          fill="quiet"
        >
          ↕ {formatLength(closure.gaps[index] ?? 0, units)}
        </Label>
      )}
    </g>
  );
}
