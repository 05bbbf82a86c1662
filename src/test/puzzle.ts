import { type Point } from '../core/geometry/index.ts';

/** A rectangle, mm: what its parts fill without a gap, if they are laid as they were. */
export const PUZZLE = { w: 1000, h: 1200 };

/** A rectangle cut again and again across its largest part, each cut through about its middle, in an order of chance. */
export function puzzle(n: number, seed: number): [number, number][][] {
  let s = seed;
  const draw = (): number => {
    s = (s * 48271) % 2147483647;
    return s / 2147483647;
  };
  const size = (r: Point[]): number =>
    Math.abs(
      r.reduce((t, p, i) => t + p.x * (r[(i + 1) % r.length]?.y ?? 0) - (r[(i + 1) % r.length]?.x ?? 0) * p.y, 0),
    );
  const { w, h } = PUZZLE;
  let parts: Point[][] = [
    [
      { x: 0, y: 0 },
      { x: 0, y: h },
      { x: w, y: h },
      { x: w, y: 0 },
    ],
  ];
  while (parts.length < n) {
    parts = parts.sort((a, b) => size(b) - size(a));
    const whole = parts.shift() as Point[];
    const turn = draw() * Math.PI;
    const off = whole.reduce((t, p) => t + p.x * Math.cos(turn) + p.y * Math.sin(turn), 0) / whole.length;
    const side = (p: Point): number => p.x * Math.cos(turn) + p.y * Math.sin(turn) - off;
    const halves: [Point[], Point[]] = [[], []];
    for (const [i, p] of whole.entries()) {
      const q = whole[(i + 1) % whole.length] as Point;
      const [a, b] = [side(p), side(q)];
      halves[a >= 0 ? 0 : 1].push(p);
      if (a >= 0 === b >= 0) continue;
      const t = a / (a - b);
      for (const half of halves) half.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
    }
    parts.push(...halves);
  }
  return parts
    .map((r) => ({ r, at: draw() }))
    .sort((a, b) => a.at - b.at)
    .map(({ r }) => r.map((p): [number, number] => [p.x, p.y]));
}
