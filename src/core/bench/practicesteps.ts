import { type Point, pathLength, polyline } from '../geometry/index.ts';
import { graded, type Layers, layersFrom, mitreMarks, type Station, type Worked } from '../plan/index.ts';
import { PRACTICE, type PracticeId, type Scrap, type ScrapName } from './practice.ts';

/** What a line on a scrap is: sewn at this step, creased, drawn, or cut. */
export type ScrapLineKind = 'seam' | 'crease' | 'mark' | 'cut';

/** A line on a scrap, as one looks at its wrong side: mm, x from its left edge and y from its lower one. */
export interface ScrapLine {
  on: ScrapName;
  kind: ScrapLineKind;
  path: readonly Point[];
}

export type PracticeFigure =
  | 'allowance'
  | 'stitch'
  | 'from-middle'
  | 'grade-upper'
  | 'grade-under'
  | 'trim'
  | 'turned-under'
  | 'mark-along'
  | 'hollow-deep'
  | 'cap-high'
  | 'ease'
  | 'density'
  | 'times';

/** A step of a practice piece: what is seen on its scraps, the figures that matter, and how its layers lie and turn. */
export interface PracticeStep {
  code: string;
  station: Station;
  /** At most three; lengths in mm, density and times as they are. */
  figures: readonly { code: PracticeFigure; value: number }[];
  lines: readonly ScrapLine[];
  layers: Layers | null;
}

const at = (x: number, y: number): Point => ({ x, y });
/** Corners as x and y in turn. */
const path = (...xy: number[]): Point[] =>
  Array.from({ length: xy.length / 2 }, (_, i) => at(xy[2 * i] as number, xy[2 * i + 1] as number));

/** A scrap, or the half of one that is folded over. */
type Layer = [part: ScrapName | 'corner-over', up: 'right' | 'wrong', swings: 0 | 1 | 2, fused?: boolean];

/** Layers, undermost first. A facing's ink tells apart what lies inside. */
const stacked = (allowance: number, worked: Worked, ...all: Layer[]): Layers =>
  layersFrom(
    all.map(([part, up, swings, fused = false]) => ({
      ply: { part, up, fused, material: INSIDE.has(part) ? ('facing' as const) : ('shell' as const) },
      swings,
    })),
    allowance,
    worked,
  );
const INSIDE: ReadonlySet<Layer[0]> = new Set(['under-collar', 'inner-yoke', 'facing']);

const first = (id: PracticeId): Scrap => PRACTICE[id].scraps[0] as Scrap;

const SEAM = 15;
/** A stitch that turns a corner crisply, mm: common practice. */
const CRISP = 2.5;
const USUAL = 3;
const GRADED: Worked = { press: null, graded: true };

function collarPoints(): PracticeStep[] {
  const { width: w, length: l } = first('collar-points');
  const top = l - SEAM;
  const round = path(SEAM, 0, SEAM, top, w - SEAM, top, w - SEAM, 0);
  const corners = [at(SEAM, top), at(w - SEAM, top)];
  // Across the point, 2 mm from where it is sewn.
  const [off, reach] = [2 / Math.SQRT2, SEAM - 2 / Math.SQRT2];
  const across = corners.map((c, i): Point[] => {
    const out = i === 0 ? -1 : 1;
    return path(c.x + out * (off + reach), c.y + off - reach, c.x + out * (off - reach), c.y + off + reach);
  });
  const both = (kind: ScrapLineKind, p: Point[]): ScrapLine[] => [
    { on: 'upper-collar', kind, path: p },
    { on: 'under-collar', kind, path: p },
  ];
  const middle = { code: 'from-middle' as const, value: w / 2 - SEAM };
  const sewn = stacked(SEAM, GRADED, ['under-collar', 'right', 0], ['upper-collar', 'wrong', 2, true]);
  const [upper = 0, under = 0] = graded(SEAM, 2);
  return [
    { code: 'fuse', station: 'iron', figures: [], lines: [], layers: null },
    {
      ...{ code: 'mark', station: 'table', layers: null },
      figures: [{ code: 'allowance', value: SEAM }, middle],
      lines: [{ on: 'upper-collar', kind: 'mark', path: round }],
    },
    {
      ...{ code: 'sew', station: 'machine', layers: sewn },
      figures: [{ code: 'allowance', value: SEAM }, { code: 'stitch', value: CRISP }, middle],
      lines: both('seam', round),
    },
    {
      ...{ code: 'grade', station: 'table', layers: null },
      figures: [
        { code: 'grade-upper', value: upper },
        { code: 'grade-under', value: under },
        { code: 'trim', value: 2 },
      ],
      lines: across.flatMap((p) => both('cut', p)),
    },
    { code: 'turn', station: 'iron', figures: [], lines: [], layers: sewn },
  ];
}

function sandwichRoll(): PracticeStep[] {
  const [narrow, large] = PRACTICE['sandwich-roll'].scraps as [Scrap, Scrap];
  const w = narrow.width;
  const near = (on: ScrapName, y: number, kind: ScrapLineKind = 'seam'): ScrapLine => ({
    on,
    kind,
    path: path(0, y, w, y),
  });
  const joined = [near('outer-yoke', SEAM), near('inner-yoke', SEAM), near('back', large.length - SEAM)];
  const far = [near('outer-yoke', narrow.length - SEAM), near('inner-yoke', narrow.length - SEAM)];
  const three = stacked(SEAM, GRADED, ['inner-yoke', 'right', 1], ['back', 'right', 0], ['outer-yoke', 'wrong', 1]);
  const two = stacked(SEAM, GRADED, ['outer-yoke', 'right', 0], ['inner-yoke', 'wrong', 2]);
  const seam = [
    { code: 'allowance' as const, value: SEAM },
    { code: 'stitch' as const, value: USUAL },
  ];
  const dashed = joined.map((l) => ({ ...l, kind: 'mark' as const }));
  return [
    { code: 'lay', station: 'table', figures: [{ code: 'allowance', value: SEAM }], lines: dashed, layers: three },
    { code: 'sew', station: 'machine', figures: seam, lines: joined, layers: three },
    { code: 'press', station: 'iron', figures: [], lines: [], layers: three },
    { code: 'roll', station: 'table', figures: [], lines: [], layers: null },
    { code: 'close', station: 'machine', figures: seam, lines: far, layers: two },
    { code: 'pull', station: 'table', figures: [], lines: [], layers: null },
  ];
}

/** How deep both edges are turned under, mm. */
const TURNED = 40;
const TRIMMED = 6;

function mitre(): PracticeStep[] {
  const { width: w, length: l } = first('mitre');
  const { alongHem: along } = mitreMarks({ hem: TURNED, side: TURNED, angle: Math.PI / 2 });
  const on = 'corner' as const;
  const creases: ScrapLine[] = [path(0, TURNED, w, TURNED), path(TURNED, 0, TURNED, l)].map((p) => ({
    on,
    kind: 'crease',
    path: p,
  }));
  const across = (sum: number): Point[] => path(sum, 0, 0, sum);
  const mark = { code: 'mark-along' as const, value: along };
  const folded = stacked(
    TRIMMED,
    { press: 'open', graded: false },
    ['corner', 'right', 0],
    ['corner-over', 'wrong', 1],
  );
  return [
    {
      code: 'press',
      station: 'iron',
      figures: [{ code: 'turned-under', value: TURNED }],
      lines: creases,
      layers: null,
    },
    {
      ...{ code: 'mark', station: 'table', layers: null },
      figures: [mark],
      lines: [...creases, { on, kind: 'mark', path: across(along) }],
    },
    {
      ...{ code: 'fold', station: 'table', layers: null },
      figures: [mark],
      lines: [
        { on, kind: 'crease', path: path(0, 0, 1.5 * along, 1.5 * along) },
        { on, kind: 'mark', path: across(along) },
      ],
    },
    {
      ...{ code: 'sew', station: 'machine', layers: folded },
      figures: [mark, { code: 'stitch', value: CRISP }],
      lines: [{ on, kind: 'seam', path: across(along) }],
    },
    {
      ...{ code: 'trim', station: 'table', layers: folded },
      figures: [{ code: 'trim', value: TRIMMED }],
      lines: [{ on, kind: 'cut', path: across(along - TRIMMED * Math.SQRT2) }],
    },
  ];
}

/** How deep the hollow is and how much longer the cap, mm: as a sleeve head has it. Own figures, the ease common practice. */
const [HOLLOW, EASE] = [60, 15];

/** A curve that rises and falls once over the width between two edges: where it begins and ends, level. */
function wave(wide: number, from: number, high: number): Point[] {
  const n = 64;
  return Array.from({ length: n + 1 }, (_, i) =>
    at(20 + (i / n) * (wide - 40), from + high * Math.sin((Math.PI * i) / n) ** 2),
  );
}

const lengthOf = (p: Point[]): number => pathLength(polyline(p));

/** How high a wave is that is longer than another by so much, mm; found by halving. */
function highFor(wide: number, length: number): number {
  let [low, high] = [HOLLOW, 3 * HOLLOW];
  while (high - low > 0.01) {
    const mid = (low + high) / 2;
    if (lengthOf(wave(wide, 0, mid)) < length) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

function setInSleeve(): PracticeStep[] {
  const { width: w, length: l } = first('set-in-sleeve');
  // The armhole is hollowed out of the upper edge, the cap stands up from the lower half.
  const hollow = wave(w, l - SEAM, -HOLLOW);
  const high = highFor(w, lengthOf(hollow) + EASE);
  const cap = wave(w, l - SEAM - 15 - high, high);
  const inside = cap.slice(8, -8).map((p) => at(p.x, p.y + 5));
  const both = (kind: ScrapLineKind): ScrapLine[] => [
    { on: 'sleeve', kind, path: cap },
    { on: 'armhole', kind, path: hollow },
  ];
  const ease = { code: 'ease' as const, value: EASE };
  const sewn = stacked(
    SEAM,
    { press: { towards: 'sleeve' }, graded: false },
    ['armhole', 'right', 0],
    ['sleeve', 'wrong', 1],
  );
  return [
    {
      ...{ code: 'draw', station: 'table', layers: null },
      figures: [{ code: 'hollow-deep', value: HOLLOW }, { code: 'cap-high', value: Math.round(high) }, ease],
      lines: both('mark'),
    },
    {
      ...{ code: 'ease', station: 'machine', layers: null },
      figures: [{ code: 'stitch', value: 4 }, ease],
      lines: [
        { on: 'sleeve', kind: 'mark', path: cap },
        { on: 'sleeve', kind: 'seam', path: inside },
      ],
    },
    {
      code: 'steam',
      station: 'iron',
      figures: [ease],
      lines: [{ on: 'sleeve', kind: 'mark', path: cap }],
      layers: null,
    },
    {
      ...{ code: 'sew', station: 'machine', layers: sewn },
      figures: [{ code: 'allowance', value: SEAM }, { code: 'stitch', value: USUAL }, ease],
      lines: both('seam'),
    },
    { code: 'press', station: 'iron', figures: [], lines: both('mark'), layers: sewn },
  ];
}

function holes(): PracticeStep[] {
  const { width: w, length: l } = first('holes');
  // As long as the button needs: on the drawing the usual one of a coat.
  const hole = (from: number, kind: ScrapLineKind): ScrapLine => ({
    on: 'front',
    kind,
    path: path(from, l / 2, from + 26, l / 2),
  });
  const [one, other] = [w / 4 - 13, (3 * w) / 4 - 13];
  const laid = stacked(0, GRADED, ['facing', 'wrong', 0, true], ['front', 'right', 0, true]);
  const density = { code: 'density' as const, value: 0.5 };
  return [
    { code: 'lay', station: 'table', figures: [], lines: [hole(one, 'mark'), hole(other, 'mark')], layers: laid },
    { code: 'under', station: 'buttonhole', figures: [density], lines: [hole(one, 'seam')], layers: null },
    { code: 'over', station: 'buttonhole', figures: [density], lines: [hole(other, 'seam')], layers: null },
    { code: 'cut', station: 'table', figures: [], lines: [hole(one, 'cut'), hole(other, 'cut')], layers: null },
    { code: 'try', station: 'hand', figures: [{ code: 'times', value: 10 }], lines: [], layers: null },
  ];
}

const STEPS: Record<PracticeId, () => PracticeStep[]> = {
  ...{ 'collar-points': collarPoints, 'sandwich-roll': sandwichRoll, mitre, 'set-in-sleeve': setInSleeve, holes },
};

/** The steps of a practice piece, each with what is drawn of it. */
export const practiceSteps = (id: PracticeId): PracticeStep[] => STEPS[id]();
