import { type Box, boxRing, chordsCross, flatten, insideRing, joinBoxes, type Point } from '../geometry/index.ts';
import { type Item, LEAST_WORDS, type Sheet } from './items.ts';

export type Words = Extract<Item, { kind: 'text' }>;

/** Sizes of a piece's name that are tried, mm: from one that is read across the room to 7 points, the least that is read. */
const SIZES = [9, 7, 5.5, 4.5, 3.6, 3, LEAST_WORDS];
/** How wide a letter is at most on average, and how far the lines stand apart, in sizes of the name. */
const LETTER = 0.6;
const SECOND = 0.7;
const LEADING = 1.25;
/** Words keep this far from the rim of a page, where its frame and crosses are, mm. */
const FROM_RIM = 9;
/** How places are tried, one way after the other: in steps of so many mm, clear of all lines or only inside the piece. */
const WAYS = [
  { step: 12, clear: true },
  { step: 4, clear: true },
  { step: 4, clear: false },
];

/** The words that say what a piece is: they may stand anywhere in it. */
const isFree = (i: Item): i is Words => i.kind === 'text' && i.free === true;

/** Box of one line of words, a little larger than it is drawn. */
export const wordsBox = (w: Words): Box => {
  const long = w.text.length * w.size * LETTER;
  return w.upward
    ? { minX: w.at.x - w.size, maxX: w.at.x + w.size * 0.3, minY: w.at.y - long, maxY: w.at.y }
    : { minX: w.at.x, maxX: w.at.x + long, minY: w.at.y - w.size, maxY: w.at.y + w.size * 0.3 };
};

/** Where words begin that take such a box. */
export const wordsAt = (b: Box, { size, upward }: Words): Point =>
  upward ? { x: b.minX + size, y: b.maxY } : { x: b.minX, y: b.maxY - size * 0.3 };

const holds = (a: Box, b: Box, rim: number): boolean =>
  b.minX >= a.minX + rim && b.maxX <= a.maxX - rim && b.minY >= a.minY + rim && b.maxY <= a.maxY - rim;
const sidesOf = (points: Point[]): [Point, Point][] =>
  points.map((p, i) => [p, points[(i + 1) % points.length] as Point]);

/** Lines of a piece as chords: its cut line round it, and all that is drawn in it. */
interface Drawn {
  ring: Point[];
  outline: [Point, Point][];
  chords: [Point, Point][];
}

function drawnOf(s: Sheet): Drawn {
  const paths = s.items.flatMap((i) => (i.kind === 'path' ? [i] : []));
  const cut = paths.find((i) => i.stroke === 'cut');
  const chords = paths.flatMap((i) => sidesOf(flatten(i.path, 0.5)).slice(0, -1));
  const ring = cut ? flatten(cut.path, 0.5).slice(0, -1) : [];
  return { ring, outline: sidesOf(ring), chords };
}

/** Whether a box lies in the piece and no line of it goes through. */
function clear(b: Box, { ring, chords }: Drawn): boolean {
  if (!boxRing(b).every((p) => insideRing(ring, p))) return false;
  const sides = sidesOf(boxRing(b));
  return chords.every(
    ([p, q]) =>
      Math.max(p.x, q.x) < b.minX ||
      Math.min(p.x, q.x) > b.maxX ||
      Math.max(p.y, q.y) < b.minY ||
      Math.min(p.y, q.y) > b.maxY ||
      (!(p.x > b.minX && p.x < b.maxX && p.y > b.minY && p.y < b.maxY) &&
        sides.every(([a, c]) => !chordsCross(p, q, a, c))),
  );
}

/** The lines of words as a block with its upper left corner at a place. */
function blockAt(words: Words[], at: Point, size: number, upward: boolean): Words[] {
  const sizes = words.map((_, k) => (k ? Math.max(LEAST_WORDS, size * SECOND) : size));
  const long = Math.max(...words.map((w, k) => w.text.length * (sizes[k] as number) * LETTER));
  return words.map((w, k) => {
    const down = size * (1 + LEADING * k);
    const place = upward ? { x: at.x + down, y: at.y + long } : { x: at.x, y: at.y + down };
    return { ...w, size: sizes[k] as number, upward, at: place };
  });
}

const allOf = (words: Words[]): Box => words.map(wordsBox).reduce(joinBoxes);

/** Places in steps over a range, the ones nearest to `wish` first. */
function places(least: number, most: number, wish: number, step: number): number[] {
  if (most < least) return [];
  const n = Math.floor((most - least) / step);
  return Array.from({ length: n + 1 }, (_, i) => least + i * step).sort(
    (a, b) => Math.abs(a - wish) - Math.abs(b - wish),
  );
}

/** Where a block would have to begin so that it lies in the piece's box and on the page, nearest to `wish` first. */
function starts(probe: Box, page: Box, piece: Box, wish: Point, step: number): Point[] {
  const along = (low: 'minX' | 'minY', high: 'maxX' | 'maxY', at: number): number[] =>
    places(
      Math.max(page[low] + FROM_RIM, piece[low]) - probe[low],
      Math.min(page[high] - FROM_RIM, piece[high]) - probe[high],
      at,
      step,
    );
  const xs = along('minX', 'maxX', wish.x);
  return along('minY', 'maxY', wish.y).flatMap((y) => xs.map((x) => ({ x, y })));
}

/** The largest block of these words that lies in the piece and on one page; null where none does. */
function found(words: Words[], drawn: Drawn, pages: Box[], piece: Box): Words[] | null {
  const { at: wish, upward: first = false } = words[0] as Words;
  for (const way of WAYS)
    for (const size of SIZES)
      for (const upward of [first, !first]) {
        const probe = allOf(blockAt(words, { x: 0, y: 0 }, size, upward));
        for (const page of pages)
          for (const at of starts(probe, page, piece, wish, way.step)) {
            const block = blockAt(words, at, size, upward);
            if (clear(allOf(block), way.clear ? drawn : { ...drawn, chords: drawn.outline })) return block;
          }
      }
  return null;
}

/** Steps in which words slide along an edge, mm. */
const SLIDE = 12;

/** Words beside an edge stand where one page holds them; those that read along one slide, within the piece's ends. */
function slid(i: Item, sheet: Sheet, pages: Box[]): Item {
  if (i.kind !== 'text' || i.free || pages.some((p) => holds(p, wordsBox(i), 2))) return i;
  const other = i.or?.map((at) => ({ ...i, at })).find((m) => pages.some((p) => holds(p, wordsBox(m), 2)));
  if (other || !i.upward) return other ?? i;
  const box = wordsBox(i);
  const long = box.maxY - box.minY;
  const ys = pages.flatMap((p) =>
    places(Math.max(p.minY, sheet.box.minY) + long + 3, Math.min(p.maxY, sheet.box.maxY) - 3, i.at.y, SLIDE),
  );
  const moved = ys
    .sort((a, b) => Math.abs(a - i.at.y) - Math.abs(b - i.at.y))
    .map((y): Words => ({ ...i, at: { x: i.at.x, y } }));
  return moved.find((m) => pages.some((p) => holds(p, wordsBox(m), 2))) ?? i;
}

/**
 * A sheet whose piece's words lie on one page, so that no join cuts them, clear of its lines: left as they are where they
 * do, else moved, smaller where they must be. Where there is no such place they stay.
 */
export function placeWords(given: Sheet, pages: Box[]): Sheet {
  const sheet = { ...given, items: given.items.map((i) => slid(i, given, pages)) };
  const words = sheet.items.filter(isFree);
  const drawn = drawnOf(sheet);
  if (!words.length || !drawn.ring.length) return sheet;
  const inside = words.flatMap((w) => boxRing(wordsBox(w))).every((p) => insideRing(drawn.ring, p));
  if (inside && pages.some((p) => holds(p, allOf(words), 2))) return sheet;
  const near = pages.filter(
    (p) => p.minX < sheet.box.maxX && p.maxX > sheet.box.minX && p.minY < sheet.box.maxY && p.maxY > sheet.box.minY,
  );
  // In a small piece the last lines give way to the first.
  const made = words
    .map((_, k) => words.slice(0, words.length - k))
    .reduce<Words[] | null>((had, some) => had ?? found(some, drawn, near, sheet.box), null);
  return made ? { ...sheet, items: [...sheet.items.filter((i) => !isFree(i)), ...made] } : sheet;
}
