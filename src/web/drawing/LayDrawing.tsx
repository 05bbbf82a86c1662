import {
  type ComponentProps,
  Fragment,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  useMemo,
  useRef,
  useState,
} from 'react';
import {
  atTable,
  type Cloth,
  doubleTo,
  foldLies,
  grainOf,
  isFar,
  type Lying,
  lost,
  onTable,
  printLines,
  usable,
  wideOf,
} from '../../core/cutting/index.ts';
import { boxRing, flatten, type Point } from '../../core/geometry/index.ts';
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

/**
 * How the cloth is seen on the table by one who stands at its left selvedge, or its fold: its length to the right. From the far side all of it is
 * turned by half. Neither mirrors: a piece is seen as it is cut.
 */
interface View {
  on: (p: Point) => Point;
  /** How far something lies off on the cloth that is seen so far off on the screen. */
  off: (d: Point) => Point;
}

function viewOf(cloth: Cloth, long: number): View {
  const wide = wideOf(cloth);
  return isFar(cloth)
    ? { on: (p) => ({ x: long - p.y, y: p.x }), off: (d) => ({ x: d.y, y: -d.x }) }
    : { on: (p) => ({ x: p.y, y: wide - p.x }), off: (d) => ({ x: -d.y, y: d.x }) };
}

const dataOf = (ring: readonly Point[], { on }: View): string =>
  `M${ring
    .map(on)
    .map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
    .join('L')}`;

/** How wide a scallop is drawn, mm: a sign for it, not its true size. */
const SCALLOP = 24;

const colour = (name: string): string => `var(--chakra-colors-${name})`;

/** A lay as it lies on the table: the cloth with its selvedges or its fold, and the pieces numbered in the order they are cut, large first. */
export function LayDrawing({ cloth, lying, length, owned = 0, faulty, units, height, hand }: Props) {
  const wide = wideOf(cloth);
  // Of several lengths all are seen, also what nothing lies on.
  const last = cloth.more.at(-1);
  const drawn = last ? Math.max(length, last.from + last.length) : length;
  const order = useMemo(() => atTable(lying, cloth), [lying, cloth]);
  const view = useMemo(() => viewOf(cloth, drawn), [cloth, drawn]);
  // Of a cloth whose ends lie on each other half as much lies on the table.
  const there = onTable(cloth, owned);
  const ends = there > 0 && there < length ? there : null;
  return (
    <Frame
      box={{ minX: 0, minY: 0, maxX: Math.max(drawn, wide / 2), maxY: wide }}
      height={height}
      units={units}
      label={`The lay: ${lying.length} pieces on the cloth, its length to the ${isFar(cloth) ? 'left' : 'right'}`}
      place="lay"
    >
      {(unit, hatch) => (
        <>
          <ClothItself {...{ cloth, length, drawn, ends, view, unit }} />
          {order.map(({ lying: q, number }) => (
            <Cut
              key={keyOf(q)}
              q={q}
              number={number}
              faulty={faulty.has(keyOf(q))}
              {...{ view, unit, hatch, units, hand }}
            />
          ))}
          <EdgeWords {...{ cloth, length, drawn, ends, view, unit }} />
        </>
      )}
    </Frame>
  );
}

interface ClothProps {
  cloth: Cloth;
  length: number;
  /** How long it is drawn: of several lengths all of them. */
  drawn: number;
  /** Where what is there of it ends on the lay; null where it does not. */
  ends: number | null;
  view: View;
  unit: number;
}

/** Which of its sides have a finished edge, mm across. */
const scalloped = ({ lies, scallops, width }: Cloth): number[] =>
  lies === 'single' ? { none: [], one: [0], both: [0, width] }[scallops] : [];

/** The cloth alone: its edges, what is kept free along them, its print, its flaws. */
function ClothItself({ cloth, length, drawn, ends, view, unit }: ClothProps) {
  const wide = wideOf(cloth);
  const [from, to] = usable(cloth);
  const double = doubleTo(cloth);
  const not = useMemo(() => lost(cloth), [cloth]);
  const flaws = [cloth, ...cloth.more].reduce((t, c) => t + c.flaws.length, 0);
  const lineOf = (...of: Point[]): string => dataOf(of, view);
  const { y, x } = printLines(cloth, length);
  const print = [
    ...y.map((v) => lineOf({ x: 0, y: v }, { x: wide, y: v })),
    ...x.map((v) => lineOf({ x: v, y: 0 }, { x: v, y: length })),
  ];
  const free = boxRing({ minX: from, maxX: to, minY: cloth.end, maxY: drawn - cloth.end });
  const dashed = (a: number, b: number) => ({ fill: 'none', strokeDasharray: `${a * unit} ${b * unit}` });
  return (
    <>
      <rect width={drawn} height={wide} fill={colour('page')} stroke={colour('ink')} strokeWidth={1.4 * unit} />
      <path d={`${lineOf(...free)}Z`} stroke={colour('rule')} strokeWidth={unit} {...dashed(4, 3)} />
      <path d={print.join('')} fill="none" stroke={colour('rule')} strokeWidth={0.8 * unit} />
      {not.map((ring, i) => (
        <path
          key={i}
          d={`${lineOf(...ring)}Z`}
          fill={colour('rule')}
          fillOpacity={0.5}
          stroke={colour('berry')}
          strokeWidth={1.4 * unit}
        >
          <title>{i < flaws ? 'A flaw' : 'No cloth here, or kept free'}</title>
        </path>
      ))}
      {scalloped(cloth).map((at) => {
        const { y: edge } = view.on({ x: at, y: 0 });
        const out = edge > 0 ? SCALLOP / 2 : -SCALLOP / 2;
        const wave = `q${SCALLOP / 2} ${out} ${SCALLOP} 0`.repeat(Math.floor(drawn / SCALLOP));
        return <path key={at} d={`M0 ${edge}${wave}`} fill="none" stroke={colour('quiet')} strokeWidth={unit} />;
      })}
      {double > 0 && double < wide && (
        <path
          d={lineOf({ x: double, y: 0 }, { x: double, y: length })}
          stroke={colour('ink')}
          strokeWidth={1.4 * unit}
          {...dashed(10, 4)}
        >
          <title>The upper layer ends here</title>
        </path>
      )}
      {ends !== null && (
        <path
          d={lineOf({ x: 0, y: ends }, { x: wide, y: ends })}
          stroke={colour('berry')}
          strokeWidth={2 * unit}
          {...dashed(8, 5)}
        >
          <title>The cloth that is there ends here</title>
        </path>
      )}
    </>
  );
}

/** What its edges are, and where layers and lengths end. */
function EdgeWords({ cloth, length, drawn, ends, view, unit }: ClothProps) {
  const wide = wideOf(cloth);
  const double = doubleTo(cloth);
  const crosswise = cloth.lies === 'crosswise';
  const plain = crosswise ? 'selvedges' : 'selvedge';
  const edges = [0, wide].map((x) => {
    const words = x === 0 && foldLies(cloth) ? 'fold' : double === wide ? 'selvedges' : plain;
    return { x, words: scalloped(cloth).includes(x) ? 'finished edge' : words };
  });
  const say = (x: number, y: number, words: ReactNode, more: Partial<ComponentProps<typeof Label>> = {}) => (
    <Label x={x} y={y} size={13.5} unit={unit} fill="quiet" {...more}>
      {words}
    </Label>
  );
  const below = wide + 16 * unit;
  const above = -6 * unit;
  const along = (y: number, x = 0): Point => view.on({ x, y });
  const inner = along(length, double);
  const several = cloth.more.length > 0;
  return (
    <>
      {edges.map(({ x, words }) => {
        const top = along(0, x).y === 0;
        return (
          <Fragment key={x}>{say(6 * unit, top ? above : below, top && several ? `1, ${words}` : words)}</Fragment>
        );
      })}
      {cloth.more.map(({ stash, from }, i) => (
        <Fragment key={stash}>{say(from + 6 * unit, above, i + 2)}</Fragment>
      ))}
      <g transform={`translate(${along(0).x + (isFar(cloth) ? 16 : -6) * unit} ${wide / 2}) rotate(-90)`}>
        {say(0, 0, 'cut end', { anchor: 'middle' })}
      </g>
      {double > 0 &&
        double < wide &&
        say(drawn - 6 * unit, inner.y - 5 * unit, 'two layers to here', { anchor: 'end', halo: true })}
      {crosswise && say(length, above, 'fold', { anchor: 'end' })}
      {ends !== null && say(along(ends).x, above, 'it ends here', { anchor: 'middle', fill: 'berry' })}
    </>
  );
}

interface CutProps {
  q: Lying;
  number: number;
  faulty: boolean;
  view: View;
  unit: number;
  hatch: string;
  units: LengthUnit;
  hand: Hand | null;
}

/** One cut of a piece: dragged by the pointer, moved by the arrow keys, turned by R. */
function Cut({ q, number, faulty, view, unit, hatch, units, hand }: CutProps) {
  const [held, setHeld] = useState<Point | null>(null);
  const start = useRef<Point | null>(null);
  const seam = useMemo(() => q.place(q.shape.ring.flatMap((e) => flatten(e.path))), [q]);
  const [a, b] = useMemo(() => grainOf(q), [q]);
  const at = view.on(middleOf(q.ring));
  // The grain's arrow points away from the cut end.
  const ahead = view.on(b).x > view.on(a).x ? -6 * unit : 6 * unit;
  const arrow = `m${ahead} ${-3 * unit}l${-ahead} ${3 * unit}l${ahead} ${3 * unit}`;
  const where = (e: PointerEvent<SVGGElement>): Point => {
    return pointOn(e.currentTarget.ownerSVGElement, e) ?? { x: 0, y: 0 };
  };
  const moveBy = (seen: Point): void => {
    const d = view.off(seen);
    hand?.move(q, { x: q.x + d.x, y: q.y + d.y });
  };
  const step = units === 'mm' ? 10 : MM_PER_INCH / 2;
  const keys = (e: KeyboardEvent): void => {
    const by = e.shiftKey ? step / 10 : step;
    const go: Record<string, Point> = {
      ArrowRight: { x: by, y: 0 },
      ArrowLeft: { x: -by, y: 0 },
      ArrowDown: { x: 0, y: by },
      ArrowUp: { x: 0, y: -by },
    };
    const d = go[e.key];
    if (d) moveBy(d);
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
          if (held) moveBy(held);
          setHeld(null);
        },
        onPointerCancel: () => {
          start.current = null;
          setHeld(null);
        },
      })}
      transform={held ? `translate(${held.x} ${held.y})` : undefined}
      style={hand ? { cursor: held ? 'grabbing' : 'grab', touchAction: 'none' } : undefined}
    >
      <path
        d={`${dataOf(q.ring, view)}Z`}
        fill={`url(#${hatch}-${q.shape.material})`}
        stroke={ink}
        strokeWidth={(faulty ? 3 : 1.4) * unit}
      />
      <path
        d={`${dataOf(seam, view)}Z`}
        fill="none"
        stroke={ink}
        strokeWidth={0.7 * unit}
        strokeDasharray={`${4 * unit} ${3 * unit}`}
      />
      <path d={`${dataOf([a, b], view)}${arrow}`} fill="none" stroke={colour('quiet')} strokeWidth={unit} />
      <Label x={at.x} y={at.y + 5 * unit} size={15} unit={unit} anchor="middle" weight={650} halo>
        {number}
      </Label>
      {q.pinned && (
        <circle
          cx={at.x}
          cy={at.y - 14 * unit}
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
