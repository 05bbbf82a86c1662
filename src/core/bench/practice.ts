/** What people get wrong, to be practised on scraps before it is sewn. */
export const PRACTICES = ['collar-points', 'sandwich-roll', 'mitre', 'set-in-sleeve', 'holes'] as const;
export type PracticeId = (typeof PRACTICES)[number];

/** A scrap to cut: a rectangle, mm. */
export interface Scrap {
  width: number;
  length: number;
  count: number;
}

export interface Practice {
  id: PracticeId;
  scraps: readonly Scrap[];
  /** Steps of a plan it prepares for, by their kinds. */
  before: readonly string[];
  /** What is measured at the end, and what passes, mm; none where it is only looked at. */
  passes: number | null;
}

/** Sizes that a hand can hold and that leave the seam long enough to go wrong. Own figures. */
export const PRACTICE: Record<PracticeId, Practice> = {
  'collar-points': {
    id: 'collar-points',
    scraps: [{ width: 220, length: 90, count: 2 }],
    before: ['sew-part'],
    passes: 1,
  },
  'sandwich-roll': {
    id: 'sandwich-roll',
    scraps: [
      { width: 200, length: 120, count: 2 },
      { width: 200, length: 200, count: 1 },
    ],
    before: ['yoke-roll', 'yoke-sandwich', 'sew-armholes'],
    passes: null,
  },
  mitre: {
    id: 'mitre',
    scraps: [{ width: 200, length: 200, count: 1 }],
    before: ['sew-mitre', 'mark-mitre'],
    passes: 1,
  },
  'set-in-sleeve': {
    id: 'set-in-sleeve',
    scraps: [{ width: 260, length: 200, count: 2 }],
    before: ['ease-cap'],
    passes: 2,
  },
  holes: {
    id: 'holes',
    scraps: [{ width: 180, length: 80, count: 2 }],
    before: ['sew-holes', 'practise-holes'],
    passes: 0.5,
  },
};

/** A piece of cloth as large as it is at its widest. */
interface Rest {
  id: string;
  width: number;
  length: number;
  outline: readonly { x: number; y: number }[];
}

/** Whether a place of a leftover lies in it: by how often a line from there crosses its outline. */
function within(outline: Rest['outline'], x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[i], outline[j]] as [{ x: number; y: number }, { x: number; y: number }];
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

/** How finely places are tried, and looked at along the edge of a scrap, mm. Own figure. */
const FINE = 20;

/** A place where a rectangle lies on a leftover, clear of those that lie there; null where none is found. */
function placeOf(rest: Rest, w: number, l: number, taken: readonly Box[]): Box | null {
  for (let y = 0; y + l <= rest.length; y += FINE)
    for (let x = 0; x + w <= rest.width; x += FINE) {
      const box = { x, y, w, l };
      if (taken.some((t) => x < t.x + t.w && t.x < x + w && y < t.y + t.l && t.y < y + l)) continue;
      if (!rest.outline.length || edgeIn(rest.outline, box)) return box;
    }
  return null;
}
interface Box {
  x: number;
  y: number;
  w: number;
  l: number;
}

function edgeIn(outline: Rest['outline'], { x, y, w, l }: Box): boolean {
  for (let t = 0; t <= 1; t += FINE / Math.max(w, l) / 2)
    for (const [px, py] of [
      [x + t * w, y],
      [x + t * w, y + l],
      [x, y + t * l],
      [x + w, y + t * l],
    ] as const)
      if (!within(outline, px + (px > x + w / 2 ? -0.5 : 0.5), py + (py > y + l / 2 ? -0.5 : 0.5))) return false;
  return true;
}

/** The smallest leftover out of which all scraps of a practice piece can be cut; null where none is large enough. */
export function scrapsFrom<T extends Rest>(rests: readonly T[], scraps: readonly Scrap[]): T | null {
  const area = (r: Rest): number => r.width * r.length;
  const fits = (r: T): boolean => {
    const taken: Box[] = [];
    return scraps.every((s) =>
      Array.from({ length: s.count }).every(() => {
        const box = placeOf(r, s.width, s.length, taken) ?? placeOf(r, s.length, s.width, taken);
        if (box) taken.push(box);
        return box !== null;
      }),
    );
  };
  return [...rests].sort((a, b) => area(a) - area(b)).find(fits) ?? null;
}
