import { turned } from '../cutting/nesting/turned.ts';
import { type Box, mapPath, type Point } from '../geometry/index.ts';
import { type Item, moveSheet, outlineOfSheet, type Sheet } from './items.ts';
import { type Words, wordsAt, wordsBox } from './placewords.ts';

/** Degrees, from x towards y. */
export const TURNS = [0, 180] as const;
export type Turn = (typeof TURNS)[number];

/** Where a sheet lies on the plane of pages: turned by so much, and the lower corner of its outline's box, mm. */
export interface Put {
  /** Of the sheet. */
  id: string;
  turn: Turn;
  x: number;
  y: number;
}

/** A sheet where it was put. Turned half round, its words read as they did, and take the same room. */
export function sheetAt(s: Sheet, { turn, x, y }: Put): Sheet {
  const over = turn ? turnedSheet(s, turn) : s;
  const ring = outlineOfSheet(over, 0);
  return moveSheet(over, x - Math.min(...ring.map((p) => p.x)), y - Math.min(...ring.map((p) => p.y)));
}

function turnedSheet(s: Sheet, turn: Turn): Sheet {
  const to = (p: Point): Point => turned(p, turn);
  const [right, down] = [to({ x: 1, y: 0 }), to({ x: 0, y: 1 })];
  const m = { a: right.x, b: right.y, c: down.x, d: down.y, e: 0, f: 0 };
  return {
    ...s,
    items: s.items.map((i) => (i.kind === 'path' ? { ...i, path: mapPath(i.path, m) } : turnedWords(i, to))),
    box: turnedBox(s.box, to),
  };
}

function turnedBox(b: Box, to: (p: Point) => Point): Box {
  const [p, q] = [to({ x: b.minX, y: b.minY }), to({ x: b.maxX, y: b.maxY })];
  return {
    ...{ minX: Math.min(p.x, q.x), maxX: Math.max(p.x, q.x) },
    ...{ minY: Math.min(p.y, q.y), maxY: Math.max(p.y, q.y) },
  };
}

function turnedWords(i: Words, to: (p: Point) => Point): Item {
  const atOf = (at: Point): Point => wordsAt(turnedBox(wordsBox({ ...i, at }), to), i);
  return { ...i, at: atOf(i.at), ...(i.or && { or: i.or.map(atOf) }) };
}
