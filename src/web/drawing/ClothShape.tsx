import { lost, plainCloth, type StashCloth } from '../../core/cutting/index.ts';
import { boxRing, type Point } from '../../core/geometry/index.ts';

/** How large it is drawn at most, px. */
const SIZE = { w: 180, h: 110 };

const ring = (points: readonly Point[]): string => `M${points.map((p) => `${p.y} ${p.x}`).join('L')}Z`;

/** A cloth of the stash as it is shaped, its length to the right, what lacks of it crossed out. */
export function ClothShape({ cloth }: { cloth: StashCloth }) {
  const { width, length, outline, flaws } = cloth;
  const scale = Math.max(length / SIZE.w, width / SIZE.h);
  const whole = boxRing({ minX: 0, maxX: width, minY: 0, maxY: length });
  return (
    <svg
      width={Math.max(4, length / scale)}
      height={Math.max(4, width / scale)}
      viewBox={`0 0 ${length} ${width}`}
      role="img"
    >
      <title>{`The shape of ${cloth.name}`}</title>
      <path
        d={ring(outline.length ? outline : whole)}
        fill="var(--chakra-colors-leaf-muted)"
        stroke="var(--chakra-colors-ink)"
        strokeWidth={1.4 * scale}
      />
      {lost(plainCloth(width, { flaws })).map((r, i) => (
        <path
          key={i}
          d={ring(r)}
          fill="var(--chakra-colors-page)"
          stroke="var(--chakra-colors-berry)"
          strokeWidth={scale}
        />
      ))}
    </svg>
  );
}
