import { type ScrapLine, type ScrapLineKind, type ScrapName } from '../../core/bench/index.ts';
import { type Point } from '../../core/geometry/index.ts';

const colour = (name: string): string => `var(--chakra-colors-${name})`;

/** How a line of this step is drawn, px on the screen. */
const LOOK: Record<ScrapLineKind, { stroke: string; width: number; dash?: readonly number[] }> = {
  seam: { stroke: colour('berry'), width: 5 },
  mark: { stroke: colour('berry'), width: 2, dash: [7, 5] },
  crease: { stroke: colour('ink'), width: 1.5, dash: [12, 4, 2, 4] },
  cut: { stroke: colour('honey'), width: 3 },
};
const SEWN: (typeof LOOK)[ScrapLineKind] = { stroke: colour('leaf-solid'), width: 3 };
const CREASED = { ...LOOK.crease, stroke: colour('quiet'), width: 1 };

interface Props {
  /** Each with its sides, mm, and what it is called. */
  scraps: readonly { as: ScrapName; width: number; length: number; words: string }[];
  lines: readonly ScrapLine[];
  /** What was sewn and creased before. */
  before: readonly ScrapLine[];
  height: number;
}

/** Between two scraps, mm. */
const APART = 30;

/** The scraps side by side, seen from the wrong side: green what is sewn, berry what this step sews or draws, dashes creases, amber cuts. */
export function ScrapsDrawing({ scraps, lines, before, height }: Props) {
  const high = Math.max(...scraps.map((s) => s.length));
  const wide = scraps.reduce((t, s) => t + s.width + APART, -APART);
  const unit = Math.max((high + 30) / height, wide / 460);
  const from = scraps.map((_, i) => scraps.slice(0, i).reduce((t, s) => t + s.width + APART, 0));
  const data = (path: readonly Point[], x: number): string =>
    `M${path.map((p) => `${(x + p.x).toFixed(1)} ${(high - p.y).toFixed(1)}`).join('L')}`;
  return (
    <svg
      viewBox={`${-4 * unit} ${-4 * unit} ${wide + 8 * unit} ${high + 28 * unit}`}
      width="100%"
      style={{ maxHeight: height, display: 'block' }}
      role="img"
      aria-label={`The scraps from their wrong side: ${scraps.map((s) => s.words).join(', ')}. Green what is sewn before this step, berry what it is about.`}
    >
      {scraps.map((s, i) => (
        <g key={s.as}>
          <rect
            x={from[i]}
            y={high - s.length}
            width={s.width}
            height={s.length}
            fill={colour('shell')}
            fillOpacity={0.09}
            stroke={colour('quiet')}
            strokeWidth={unit}
          />
          {[
            ...before.map((l) => ({ ...l, look: l.kind === 'seam' ? SEWN : CREASED })),
            ...lines.map((l) => ({ ...l, look: LOOK[l.kind] })),
          ]
            .filter((l) => l.on === s.as)
            .map(({ path, look }, k) => (
              <path
                key={k}
                d={data(path, from[i] ?? 0)}
                fill="none"
                stroke={look.stroke}
                strokeWidth={look.width * unit}
                {...(look.dash && { strokeDasharray: look.dash.map((d) => d * unit).join(' ') })}
              />
            ))}
          <text
            x={(from[i] ?? 0) + s.width / 2}
            y={high + 20 * unit}
            textAnchor="middle"
            fill={colour('ink')}
            style={{ fontSize: 16 * unit }}
          >
            {s.words}
          </text>
        </g>
      ))}
    </svg>
  );
}
