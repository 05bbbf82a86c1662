import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { flatten, type Path, type Point } from '../../core/geometry/index.ts';
import { type Traced } from '../../core/import/index.ts';
import { pointOn } from './pointOn.ts';

interface Props {
  picture: { url: string; width: number; height: number };
  /** Known points: the four corners first, then crossings of a grid. */
  known: Point[];
  points: Traced[];
  /** What a click sets. */
  setting: 'known' | 'edge';
  /** The fitted outline on the table, and where a place of the table lies in the picture. */
  outline: { path: Path; see: (p: Point) => Point } | null;
  onAdd: (p: Point) => void;
  onMove: (index: number, p: Point) => void;
  onDrop: () => void;
  onPoints: (p: Traced[]) => void;
}

/** Half the width of what the loupe shows, in pixels of the picture, by the picture's size. */
const LOUPE = 1 / 40;

/** The picture with corners and points to be set and dragged, and a loupe that follows the pointer. */
export function PhotoTable({ picture, known, points, setting, outline, onAdd, onMove, onDrop, onPoints }: Props) {
  const corners = known.slice(0, 4);
  const [at, setAt] = useState<Point | null>(null);
  const [held, setHeld] = useState<{ corner: boolean; index: number } | null>(null);
  const size = Math.max(picture.width, picture.height);
  const dot = size / 160;
  const placeOf = (e: PointerEvent<SVGSVGElement>): Point => pointOn(e.currentTarget, e) ?? { x: 0, y: 0 };
  const near = (p: Point, q: Point): boolean => Math.hypot(p.x - q.x, p.y - q.y) < 2.2 * dot;
  const down = (e: PointerEvent<SVGSVGElement>) => {
    const p = placeOf(e);
    const point = points.findIndex((q) => near(p, q));
    const corner = known.findIndex((q) => near(p, q));
    if (point >= 0) setHeld({ corner: false, index: point });
    else if (corner >= 0) setHeld({ corner: true, index: corner });
    else if (setting === 'known') onAdd(p);
    else onPoints([...points, { ...p, corner: e.shiftKey }]);
    e.currentTarget.focus();
  };
  const move = (e: PointerEvent<SVGSVGElement>) => {
    const p = placeOf(e);
    setAt(p);
    if (held?.corner) onMove(held.index, p);
    else if (held) onPoints(points.map((q, i) => (i === held.index ? { ...q, ...p } : q)));
  };
  const key = (e: KeyboardEvent) => {
    const last = points[points.length - 1];
    const step = e.shiftKey ? 10 : 1;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const shift = by[e.key];
    if (e.key === 'Backspace') {
      if (setting === 'edge' && points.length) onPoints(points.slice(0, -1));
      else onDrop();
    } else if (e.key.toLowerCase() === 'c' && last)
      onPoints([...points.slice(0, -1), { ...last, corner: !last.corner }]);
    else if (shift && last) onPoints([...points.slice(0, -1), { ...last, x: last.x + shift[0], y: last.y + shift[1] }]);
    else return;
    e.preventDefault();
  };
  const drawn = outline ? flatten(outline.path, 0.3).map(outline.see) : [];
  const line = drawn.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${p.y}`).join('');
  const marks = (
    <>
      {corners.length > 1 && (
        <polygon
          points={corners.map((p) => `${p.x},${p.y}`).join(' ')}
          fill="none"
          stroke="var(--chakra-colors-honey)"
          strokeWidth={dot / 3}
          strokeDasharray={`${dot} ${dot}`}
        />
      )}
      {line && <path d={line} fill="none" stroke="var(--chakra-colors-berry)" strokeWidth={dot / 3} />}
      {known.map((p, i) => (
        <circle
          key={`c${i}`}
          cx={p.x}
          cy={p.y}
          r={i < 4 ? dot : dot / 2}
          fill="none"
          stroke="var(--chakra-colors-honey)"
          strokeWidth={dot / 2.5}
        />
      ))}
      {points.map((p, i) =>
        p.corner ? (
          <rect
            key={`p${i}`}
            x={p.x - dot * 0.8}
            y={p.y - dot * 0.8}
            width={dot * 1.6}
            height={dot * 1.6}
            fill="none"
            stroke="var(--chakra-colors-berry)"
            strokeWidth={dot / 2.5}
          />
        ) : (
          <circle
            key={`p${i}`}
            cx={p.x}
            cy={p.y}
            r={dot * 0.8}
            fill="none"
            stroke="var(--chakra-colors-berry)"
            strokeWidth={dot / 2.5}
          />
        ),
      )}
    </>
  );
  const half = size * LOUPE;
  return (
    <Frame>
      <svg
        role="application"
        aria-label={`Picture with ${known.length} known points and ${points.length} points of the edge`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the picture takes clicks and keys.
        tabIndex={0}
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        style={{
          width: '100%',
          maxHeight: 620,
          touchAction: 'none',
          cursor: 'crosshair',
          background: 'var(--chakra-colors-rule)',
        }}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={() => setHeld(null)}
        onPointerLeave={() => setAt(null)}
        onKeyDown={key}
      >
        <image href={picture.url} width={picture.width} height={picture.height} />
        {marks}
      </svg>
      {at && (
        <svg
          aria-hidden
          viewBox={`${at.x - half} ${at.y - half} ${2 * half} ${2 * half}`}
          style={{
            position: 'absolute',
            top: 10,
            right: 10,
            width: 170,
            height: 170,
            borderRadius: '50%',
            border: '3px solid var(--chakra-colors-sheet)',
            background: 'var(--chakra-colors-sheet)',
            pointerEvents: 'none',
          }}
        >
          <image href={picture.url} width={picture.width} height={picture.height} />
          {marks}
          <path
            d={`M${at.x - half} ${at.y}h${2 * half}M${at.x} ${at.y - half}v${2 * half}`}
            stroke="var(--chakra-colors-ink)"
            strokeWidth={half / 90}
          />
        </svg>
      )}
    </Frame>
  );
}

const Frame = ({ children }: { children: React.ReactNode }) => <div style={{ position: 'relative' }}>{children}</div>;
