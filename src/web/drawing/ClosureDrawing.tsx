import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { ZONE_NAMES } from '../../contract/findings.ts';
import { type Closure, columnsOf, standHeight } from '../../core/closure/index.ts';
import { addScaled, type Box, boxOf, joinBoxes, type Point, pathLength } from '../../core/geometry/index.ts';
import { pathData } from '../../core/output/svg.ts';
import { type CutLine, outlineOf, type Piece } from '../../core/pattern/index.ts';
import { formatLength, type LengthUnit } from '../../core/units.ts';
import { placeOf } from '../words/index.ts';
import { Frame } from './Frame.tsx';
import { Label } from './Label.tsx';
import { alongOf, linePlace } from './linePlace.ts';
import { PieceShape } from './PieceShape.tsx';
import { upright, uprightClosure } from './upright.ts';

/** What is done with a button in the drawing: moved for a try, left at a place, let go again. */
export interface Moving {
  step: number;
  move: (index: number, at: number) => void;
  drop: (index: number, at: number) => void;
  release: (index: number) => void;
}

interface Props {
  closure: Closure;
  /** The front and its cut line; without them the bare line is drawn. */
  front: Piece | undefined;
  cut: CutLine | undefined;
  units: LengthUnit;
  height: number;
  moving: Moving;
}

/** The stand above the neck seam and the strip to the left of the line where the words stand, mm. */
const STAND_ROOM = 20;
const WORDS = 170;

/** The closing line with every button and hole at its place, numbered, gaps written between them; buttons can be moved. */
export function ClosureDrawing({ closure: given, front: givenFront, cut: givenCut, units, height, moving }: Props) {
  const shown = givenFront ? upright(givenFront, givenCut) : null;
  const closure = shown ? uprightClosure(given, shown.map) : given;
  const band = strip(closure);
  const piece = shown
    ? joinBoxes(boxOf(outlineOf(shown.piece.ring)), boxOf(shown.cut?.outline ?? outlineOf(shown.piece.ring)))
    : band;
  const box = joinBoxes(piece, {
    ...band,
    minX: Math.max(band.minX, piece.minX),
    maxX: Math.max(piece.maxX, band.minX),
  });
  const room = { ...box, minX: box.minX - WORDS };
  const words = closure.buttons.map((b) => placeOf(b.at, units)).join(', ');
  return (
    <Frame
      box={room}
      height={height}
      besides={shown ? 0 : 190}
      label={`Closing line with ${closure.buttons.length} fasteners at ${words} from the neck seam`}
      units={units}
    >
      {(unit, hatch) => (
        <>
          {shown ? (
            <PieceShape piece={shown.piece} cut={shown.cut} unit={unit} hatch={hatch} label={false} />
          ) : (
            <Band box={band} unit={unit} />
          )}
          {shown && <Beyond closure={closure} unit={unit} />}
          {closure.choice.stand.hole && <Stand closure={closure} unit={unit} />}
          <Zones closure={closure} unit={unit} units={units} right={shown ? null : band.maxX} />
          <path
            d={pathData(closure.line)}
            stroke="var(--chakra-colors-ink)"
            strokeWidth={unit}
            strokeDasharray={`${10 * unit} ${3 * unit} ${2 * unit} ${3 * unit}`}
            fill="none"
          />
          {closure.buttons.map((_, i) => (
            <Button key={i} closure={closure} index={i} unit={unit} x={box.minX} units={units} moving={moving} />
          ))}
        </>
      )}
    </Frame>
  );
}

/** The band along a bare line: the extension on one side, the facing's reach on the other. */
function strip(c: Closure): Box {
  const stand = c.choice.stand.hole ? standHeight(c.choice, c.features) + STAND_ROOM / 2 : 0;
  const ends = [linePlace(c, -stand).p, linePlace(c, c.lengthMm).p];
  const outer = Math.max(c.extension, 12);
  const inner = Math.max(c.hole.opening + 22, 45);
  const left = c.side === -1 ? outer : inner;
  const right = c.side === -1 ? inner : outer;
  const xs = ends.map((p) => p.x);
  const ys = ends.map((p) => p.y);
  return { minX: Math.min(...xs) - left, maxX: Math.max(...xs) + right, minY: Math.min(...ys), maxY: Math.max(...ys) };
}

function Band({ box, unit }: { box: Box; unit: number }) {
  return (
    <rect
      x={box.minX}
      y={box.minY}
      width={box.maxX - box.minX}
      height={box.maxY - box.minY}
      fill="var(--chakra-colors-sheet)"
      stroke="var(--chakra-colors-shell)"
      strokeWidth={1.6 * unit}
    />
  );
}

/** Where the closing runs on past the front, on to a skirt; or ends before it does, as a half placket. */
function Beyond({ closure, unit }: { closure: Closure; unit: number }) {
  const own = pathLength(closure.line);
  if (Math.abs(closure.lengthMm - own) < 1) return null;
  const [a, b] = [linePlace(closure, Math.min(own, closure.lengthMm)), linePlace(closure, closure.lengthMm)];
  const side = (p: Point, out: number): Point => addScaled(p, a.edge, out);
  const stroke = { stroke: 'var(--chakra-colors-shell)', strokeWidth: 1.4 * unit, fill: 'none' };
  if (closure.lengthMm < own) {
    const [from, to] = [side(b.p, closure.extension), side(b.p, -40)];
    return <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} {...stroke} />;
  }
  const corners = [side(a.p, closure.extension), side(b.p, closure.extension), side(b.p, -60), side(a.p, -60)];
  return (
    <g>
      <path
        d={`M${corners.map((q) => `${q.x} ${q.y}`).join('L')}Z`}
        {...stroke}
        strokeDasharray={`${6 * unit} ${4 * unit}`}
      />
      <path d={`M${a.p.x} ${a.p.y}L${b.p.x} ${b.p.y}`} {...stroke} strokeDasharray={`${10 * unit} ${3 * unit}`} />
    </g>
  );
}

/** The stand's front end above the neck seam, where its hole lies. */
function Stand({ closure, unit }: { closure: Closure; unit: number }) {
  const height = standHeight(closure.choice, closure.features);
  const { p, down, edge } = linePlace(closure, 0);
  const at = (out: number, up: number): Point => addScaled(addScaled(p, edge, out), down, -up);
  const outer = closure.extension;
  const corners = [at(-60, 0), at(outer, 0), at(outer, height * 0.45), at(outer * 0.55, height), at(-60, height)];
  return (
    <g>
      <path
        d={`M${corners.map((q) => `${q.x} ${q.y}`).join('L')}`}
        fill="var(--chakra-colors-sheet)"
        stroke="var(--chakra-colors-shell)"
        strokeWidth={1.4 * unit}
      />
      <Label x={at(-24, 0).x} y={at(0, height * 0.4).y} size={13} unit={unit} fill="quiet">
        stand
      </Label>
    </g>
  );
}

interface ZonesProps {
  closure: Closure;
  unit: number;
  units: LengthUnit;
  /** Where words beside the line begin; inside the piece where there is one. */
  right: number | null;
}

/** What is kept clear, and the levels that want a button. */
function Zones({ closure, unit, units, right }: ZonesProps) {
  const { zones, levels } = closure.problem;
  const inward = -closure.side;
  return (
    <g>
      {zones.map((z, i) => {
        const [a, b] = [
          linePlace(closure, Math.max(0, z.from)).p,
          linePlace(closure, Math.min(closure.lengthMm, z.to)).p,
        ];
        const x = right ?? a.x + (inward === 1 ? 155 : -345);
        return (
          <g key={i}>
            <rect
              x={Math.min(a.x - 40, a.x - 40)}
              y={a.y}
              width={right ? right - a.x + 40 : 190}
              height={Math.max(unit, b.y - a.y)}
              fill="var(--chakra-colors-honey)"
              opacity={0.22}
            />
            <Label x={x + 6 * unit} y={(a.y + b.y) / 2 + 4 * unit} size={13.5} unit={unit} fill="honey" halo>
              clear: {ZONE_NAMES[z.code]}
            </Label>
          </g>
        );
      })}
      {levels.map((l) => {
        const { p } = linePlace(closure, l.at);
        const end = right ?? p.x + 150;
        return (
          <g key={l.code}>
            <path
              d={`M${p.x - 40} ${p.y}H${end}`}
              stroke="var(--chakra-colors-leaf-solid)"
              strokeWidth={1.4 * unit}
              strokeDasharray={`${6 * unit} ${4 * unit}`}
            />
            <Label x={end + 6 * unit} y={p.y + 4 * unit} size={13.5} unit={unit} fill="leaf-fg" halo>
              {closure.features.bust?.from === 'underarm' && !closure.choice.bust.own ? 'chest' : 'bust'} level,{' '}
              {formatLength(l.at, units)}
            </Label>
          </g>
        );
      })}
    </g>
  );
}

interface ButtonProps {
  closure: Closure;
  index: number;
  unit: number;
  x: number;
  units: LengthUnit;
  moving: Moving;
}

/** One button: dragged along the line, or moved by the arrow keys; Delete lets it go again. */
function Button({ closure, index, unit, x, units, moving }: ButtonProps) {
  const b = closure.buttons[index] as Closure['buttons'][number];
  // The drawing may shift while words about it come and go: what counts is where it stood when the button was taken.
  const grip = useRef<{ by: number; map: DOMMatrix } | null>(null);
  const fixed = b.held === 'sewn';
  const along = (e: PointerEvent, map: DOMMatrix): number =>
    alongOf(closure, new DOMPoint(e.clientX, e.clientY).matrixTransform(map));
  const whole = (at: number): number => Math.round(at / moving.step) * moving.step;
  const onKey = (e: KeyboardEvent) => {
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (by) {
      e.preventDefault();
      moving.drop(index, whole(b.at) + by * moving.step * (e.shiftKey ? 10 : 1));
    }
    if (e.key === 'Delete' || e.key === 'Backspace') moving.release(index);
  };
  return (
    <g
      role="slider"
      tabIndex={fixed ? -1 : 0}
      aria-label={`Button ${index + 1}`}
      aria-orientation="vertical"
      aria-valuenow={Math.round(b.at)}
      aria-valuemin={-300}
      aria-valuemax={Math.round(closure.lengthMm)}
      aria-valuetext={`${placeOf(b.at, units)}${b.held === 'yours' ? ', held by you' : fixed ? ', sewn' : ''}`}
      aria-disabled={fixed}
      data-button={index}
      style={{ cursor: fixed ? 'not-allowed' : 'ns-resize', touchAction: 'none', userSelect: 'none' }}
      onKeyDown={fixed ? undefined : onKey}
      onPointerDown={(e) => {
        if (fixed) return;
        const map = e.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
        if (!map) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        grip.current = { by: along(e, map) - b.at, map };
      }}
      onPointerMove={(e) => {
        const g = grip.current;
        if (g) moving.move(index, whole(along(e, g.map) - g.by));
      }}
      onPointerUp={(e) => {
        const g = grip.current;
        if (!g) return;
        const at = whole(along(e, g.map) - g.by);
        grip.current = null;
        if (Math.abs(at - b.at) > 1e-6 || b.held === 'yours') moving.drop(index, at);
      }}
    >
      <Fastener closure={closure} index={index} unit={unit} />
      <Figures closure={closure} index={index} unit={unit} x={x} units={units} />
    </g>
  );
}

const SYMBOL = { no: '', yours: 'held', sewn: 'sewn' } as const;

/** Button and hole, with further columns of a double-breasted front. */
function Fastener({ closure, index, unit }: Pick<ButtonProps, 'closure' | 'index' | 'unit'>) {
  const b = closure.buttons[index] as Closure['buttons'][number];
  const { choice, hole } = closure;
  const { p, down, edge } = linePlace(closure, b.at);
  const { outer, all } = columnsOf(choice);
  const centre = addScaled(p, edge, outer);
  const out = b.direction === 'horizontal' ? edge : { x: -down.x, y: -down.y };
  const [a, z] = [addScaled(centre, out, hole.outer), addScaled(centre, out, -hole.inner)];
  const stroke = b.held === 'no' ? 'ink' : b.held === 'sewn' ? 'good' : 'leaf-solid';
  return (
    <>
      <rect x={p.x - 22 * unit} y={p.y - 12 * unit} width={44 * unit} height={24 * unit} fill="transparent" />
      {all.map((s) => {
        const q = addScaled(p, edge, s);
        return (
          <circle
            key={s}
            cx={q.x}
            cy={q.y}
            r={Math.max(choice.diameter / 2, 4 * unit)}
            fill="var(--chakra-colors-sheet)"
            stroke={`var(--chakra-colors-${stroke})`}
            strokeWidth={(b.held === 'no' ? 1.4 : 2.6) * unit}
          />
        );
      })}
      {b.hole && (
        <path
          d={`M${a.x} ${a.y}L${z.x} ${z.y}`}
          stroke="var(--chakra-colors-berry)"
          strokeWidth={3.2 * unit}
          strokeLinecap="round"
          strokeDasharray={closure.choice.kind === 'hidden' ? `${4 * unit} ${4 * unit}` : undefined}
        />
      )}
      <path
        d={`M${centre.x - 4 * unit} ${centre.y}h${8 * unit}M${centre.x} ${centre.y - 4 * unit}v${8 * unit}`}
        stroke="var(--chakra-colors-ink)"
        strokeWidth={unit}
      />
    </>
  );
}

function Figures({ closure, index, unit, x, units }: Omit<ButtonProps, 'moving'>) {
  const b = closure.buttons[index] as Closure['buttons'][number];
  const next = closure.buttons[index + 1];
  const { p } = linePlace(closure, b.at);
  const middle = next ? (p.y + linePlace(closure, next.at).p.y) / 2 : 0;
  const left = x - 14 * unit;
  return (
    <>
      <path
        d={`M${left} ${p.y}H${p.x - (closure.choice.diameter / 2 + 3 * unit)}`}
        stroke="var(--chakra-colors-quiet)"
        strokeWidth={0.6 * unit}
        strokeDasharray={`${2 * unit} ${3 * unit}`}
      />
      <Label x={left - 4 * unit} y={p.y + 5 * unit} size={15.5} unit={unit} anchor="end">
        {b.held !== 'no' && (
          <tspan style={{ fontSize: 12.5 * unit }} dx={-2 * unit}>
            {SYMBOL[b.held]}{' '}
          </tspan>
        )}
        <tspan style={{ fontWeight: 700 }}>{index + 1}</tspan>
        <tspan dx={9 * unit}>{placeOf(b.at, units)}</tspan>
      </Label>
      {next && next.at - b.at > 34 * unit && (
        <Label x={left - 4 * unit} y={middle + 5 * unit} size={13.5} unit={unit} anchor="end" fill="quiet">
          ↕ {formatLength(closure.gaps[index] ?? 0, units)}
        </Label>
      )}
    </>
  );
}
