import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import {
  atTable,
  type Cloth,
  doubleTo,
  foldLies,
  grainOf,
  type Lying,
  lost,
  onTable,
  printLines,
  usable,
  wideOf,
} from '../../core/cutting/index.ts';
import { flatten, type Point } from '../../core/geometry/index.ts';
import { type LengthUnit, MM_PER_INCH } from '../../core/units.ts';
import { Frame } from './Frame.tsx';
import { inkOf } from './Hatches.tsx';
import { Label } from './Label.tsx';
import { pointOn } from './pointOn.ts';

/** What is done with a piece by hand; without it the lay is only looked at. */
export interface Hand {
  move: (q: Lying, to: Point) => void;
  turn: (q: Lying) => void;
  pin: (q: Lying) => void;
}

interface Props {
  cloth: Cloth;
  lying: readonly Lying[];
  length: number;
  /** So much of it is there; 0 where that is not said. */
  owned?: number;
  /** Keys `piece/copy` of what does not lie well. */
  faulty: ReadonlySet<string>;
  units: LengthUnit;
  height: number;
  hand: Hand | null;
}

export const keyOf = (q: { piece: string; copy: number }): string => `${q.piece}/${q.copy}`;

/** On the screen the cloth lies with its length to the right, as on a table. */
const dataOf = (ring: readonly Point[]): string =>
  `M${ring.map((p) => `${p.y.toFixed(1)} ${p.x.toFixed(1)}`).join('L')}`;

/** How wide a scallop is drawn, mm: a sign for it, not its true size. */
const SCALLOP = 24;

const colour = (name: string): string => `var(--chakra-colors-${name})`;

/** A lay as it lies on the table: the cloth with its selvedges or its fold, and the pieces numbered in the order they are cut, large first. */
export function LayDrawing({ cloth, lying, length, owned = 0, faulty, units, height, hand }: Props) {
  const wide = wideOf(cloth);
  const [from, to] = usable(cloth);
  const double = doubleTo(cloth);
  const scalloped = cloth.lies === 'single' ? { none: [], one: [0], both: [0, wide] }[cloth.scallops] : [];
  const plain = foldLies(cloth) ? 'fold' : cloth.lies === 'crosswise' ? 'selvedges' : 'selvedge';
  const left = scalloped.includes(0) ? 'finished edge' : plain;
  // Of a cloth whose ends lie on each other half as much lies on the table.
  const there = onTable(cloth, owned);
  // Of several lengths all are seen, also what nothing lies on.
  const last = cloth.more.at(-1);
  const drawn = last ? Math.max(length, last.from + last.length) : length;
  const order = useMemo(() => atTable(lying, cloth), [lying, cloth]);
  const not = useMemo(() => lost(cloth), [cloth]);
  const flaws = [cloth, ...cloth.more].reduce((t, c) => t + c.flaws.length, 0);
  return (
    <Frame
      box={{ minX: 0, minY: 0, maxX: Math.max(drawn, wide / 2), maxY: wide }}
      height={height}
      units={units}
      label={`The lay: ${lying.length} pieces on the cloth, its length to the right`}
      place="lay"
    >
      {(unit, hatch) => (
        <>
          <rect width={drawn} height={wide} fill={colour('page')} stroke={colour('ink')} strokeWidth={1.4 * unit} />
          <path
            d={`M${cloth.end} ${from}H${drawn - cloth.end}V${to}H${cloth.end}Z`}
            fill="none"
            stroke={colour('rule')}
            strokeWidth={unit}
            strokeDasharray={`${4 * unit} ${3 * unit}`}
          />
          <path d={printOf(cloth, length, wide)} fill="none" stroke={colour('rule')} strokeWidth={0.8 * unit} />
          {not.map((ring, i) => (
            <path
              key={i}
              d={`${dataOf(ring)}Z`}
              fill={colour('rule')}
              fillOpacity={0.5}
              stroke={colour('berry')}
              strokeWidth={1.4 * unit}
            >
              <title>{i < flaws ? 'A flaw' : 'No cloth here, or kept free'}</title>
            </path>
          ))}
          {scalloped.map((y) => (
            <path
              key={y}
              d={`M0 ${y}${`q${SCALLOP / 2} ${y ? SCALLOP / 2 : -SCALLOP / 2} ${SCALLOP} 0`.repeat(Math.floor(drawn / SCALLOP))}`}
              fill="none"
              stroke={colour('quiet')}
              strokeWidth={unit}
            />
          ))}
          {double > 0 && double < wide && (
            <path
              d={`M0 ${double}H${length}`}
              stroke={colour('ink')}
              strokeWidth={1.4 * unit}
              strokeDasharray={`${10 * unit} ${4 * unit}`}
            >
              <title>The upper layer ends here</title>
            </path>
          )}
          {there > 0 && there < length && (
            <path
              d={`M${there} 0V${wide}`}
              stroke={colour('berry')}
              strokeWidth={2 * unit}
              strokeDasharray={`${8 * unit} ${5 * unit}`}
            >
              <title>The cloth that is there ends here</title>
            </path>
          )}
          {order.map(({ lying: q, number }) => (
            <Cut
              key={keyOf(q)}
              q={q}
              number={number}
              faulty={faulty.has(keyOf(q))}
              unit={unit}
              hatch={hatch}
              units={units}
              hand={hand}
            />
          ))}
          <Label x={6 * unit} y={-6 * unit} size={13.5} unit={unit} fill="quiet">
            {cloth.more.length ? `1, ${left}` : left}
          </Label>
          {cloth.more.map((m, i) => (
            <Label key={m.stash} x={m.from + 6 * unit} y={-6 * unit} size={13.5} unit={unit} fill="quiet">
              {i + 2}
            </Label>
          ))}
          <Label x={6 * unit} y={wide + 16 * unit} size={13.5} unit={unit} fill="quiet">
            {scalloped.includes(wide) ? 'finished edge' : double === wide ? 'selvedges' : 'selvedge'}
          </Label>
          {double > 0 && double < wide && (
            <Label x={length - 6 * unit} y={double - 5 * unit} size={13.5} unit={unit} fill="quiet" anchor="end" halo>
              two layers to here
            </Label>
          )}
          {cloth.lies === 'crosswise' && (
            <Label x={length} y={-6 * unit} size={13.5} unit={unit} fill="quiet" anchor="end">
              fold
            </Label>
          )}
          {there > 0 && there < length && (
            <Label x={there} y={-6 * unit} size={13.5} unit={unit} fill="berry" anchor="middle">
              it ends here
            </Label>
          )}
        </>
      )}
    </Frame>
  );
}

/** The lines of its print, as far as they come again. */
function printOf(cloth: Cloth, length: number, wide: number): string {
  const { y, x } = printLines(cloth, length);
  return [...y.map((v) => `M${v} 0V${wide}`), ...x.map((v) => `M0 ${v}H${length}`)].join('');
}

interface CutProps {
  q: Lying;
  number: number;
  faulty: boolean;
  unit: number;
  hatch: string;
  units: LengthUnit;
  hand: Hand | null;
}

/** One cut of a piece: dragged by the pointer, moved by the arrow keys, turned by R. */
function Cut({ q, number, faulty, unit, hatch, units, hand }: CutProps) {
  const [held, setHeld] = useState<Point | null>(null);
  const start = useRef<Point | null>(null);
  const seam = useMemo(() => q.place(q.shape.ring.flatMap((e) => flatten(e.path))), [q]);
  const [a, b] = useMemo(() => grainOf(q), [q]);
  const at = middleOf(q.ring);
  const where = (e: PointerEvent<SVGGElement>): Point => {
    const p = pointOn(e.currentTarget.ownerSVGElement, e);
    return { x: p?.y ?? 0, y: p?.x ?? 0 };
  };
  const step = units === 'mm' ? 10 : MM_PER_INCH / 2;
  const keys = (e: KeyboardEvent): void => {
    const by = e.shiftKey ? step / 10 : step;
    const go: Record<string, Point> = {
      ArrowRight: { x: 0, y: by },
      ArrowLeft: { x: 0, y: -by },
      ArrowDown: { x: by, y: 0 },
      ArrowUp: { x: -by, y: 0 },
    };
    const d = go[e.key];
    if (d) hand?.move(q, { x: q.x + d.x, y: q.y + d.y });
    else if (e.key.toLowerCase() === 'r' && !e.ctrlKey && !e.metaKey) hand?.turn(q);
    else if (e.key.toLowerCase() === 'p' && !e.ctrlKey && !e.metaKey) hand?.pin(q);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const ink = faulty ? colour('berry') : inkOf(q.shape.material);
  return (
    <g
      data-cut={keyOf(q)}
      {...(hand && {
        role: 'button',
        tabIndex: 0,
        'aria-label': `${number}: ${q.shape.name}${faulty ? ', does not lie well' : ''}${q.pinned ? ', pinned' : ''}. Arrows move it, R turns it, P pins it.`,
        onDoubleClick: () => hand.pin(q),
        onKeyDown: keys,
        onPointerDown: (e: PointerEvent<SVGGElement>) => {
          e.stopPropagation();
          e.currentTarget.setPointerCapture(e.pointerId);
          start.current = where(e);
        },
        onPointerMove: (e: PointerEvent<SVGGElement>) => {
          if (!start.current) return;
          e.stopPropagation();
          const p = where(e);
          setHeld({ x: p.x - start.current.x, y: p.y - start.current.y });
        },
        onPointerUp: () => {
          start.current = null;
          if (held) hand.move(q, { x: q.x + held.x, y: q.y + held.y });
          setHeld(null);
        },
        onPointerCancel: () => {
          start.current = null;
          setHeld(null);
        },
      })}
      transform={held ? `translate(${held.y} ${held.x})` : undefined}
      style={hand ? { cursor: held ? 'grabbing' : 'grab', touchAction: 'none' } : undefined}
    >
      <path
        d={`${dataOf(q.ring)}Z`}
        fill={`url(#${hatch}-${q.shape.material})`}
        stroke={ink}
        strokeWidth={(faulty ? 3 : 1.4) * unit}
      />
      <path
        d={`${dataOf(seam)}Z`}
        fill="none"
        stroke={ink}
        strokeWidth={0.7 * unit}
        strokeDasharray={`${4 * unit} ${3 * unit}`}
      />
      <path
        d={`${dataOf([a, b])}m${-6 * unit} ${-3 * unit}l${6 * unit} ${3 * unit}l${-6 * unit} ${3 * unit}`}
        fill="none"
        stroke={colour('quiet')}
        strokeWidth={unit}
      />
      <Label x={at.y} y={at.x + 5 * unit} size={15} unit={unit} anchor="middle" weight={650} halo>
        {number}
      </Label>
      {q.pinned && (
        <circle
          cx={at.y}
          cy={at.x - 14 * unit}
          r={5 * unit}
          fill={colour('berry')}
          stroke={colour('page')}
          strokeWidth={unit}
        />
      )}
      <title>{q.shape.name}</title>
    </g>
  );
}

const middleOf = (ring: readonly Point[]): Point => {
  const n = ring.length || 1;
  return { x: ring.reduce((t, p) => t + p.x, 0) / n, y: ring.reduce((t, p) => t + p.y, 0) / n };
};
