import { type ProjectDocument, type ShellPiece } from '../core/document/project.ts';
import { emptyDocument } from '../core/document/usual.ts';
import { boxOf, cubic, joinBoxes, line, mapPath, type Path, type Point } from '../core/geometry/index.ts';
import { type PieceKind, type Role } from '../core/pattern/index.ts';

// Patterns drawn by figures, each edge with what it truly is. Made up.

/** An edge of a drawn piece: what it is, and its way from the corner before: a line, or a curve by its handles. */
type Step = readonly [Role, ...number[]];
export interface Drawn {
  name: string;
  kind: PieceKind;
  edges: { role: Role; path: Path }[];
  /** Grainline, lower end first. */
  grain: [Point, Point];
  text?: string;
}
export interface Garment {
  name: string;
  garment: string;
  pieces: Drawn[];
}

const p = (x: number, y: number): Point => ({ x, y });

/** A piece from its first corner round: each step ends in its last two numbers; six numbers are a curve. */
export function piece(name: string, kind: PieceKind, from: [number, number], steps: Step[], text?: string): Drawn {
  let at = p(...from);
  const edges = steps.map(([role, ...n]) => {
    const path: Path = [];
    for (let i = 0; i < n.length; ) {
      const curved = n.length - i >= 6;
      const [a, b, c, d, e, f] = n.slice(i) as [number, number, number, number, number, number];
      const to = curved ? p(e, f) : p(a, b);
      path.push(curved ? cubic(at, p(a, b), p(c, d), to) : line(at, to));
      at = to;
      i += curved ? 6 : 2;
    }
    return { role, path };
  });
  const box = edges.map((e) => boxOf(e.path)).reduce(joinBoxes);
  const x = (box.minX + box.maxX) / 2;
  const y = (k: number): number => box.minY + (box.maxY - box.minY) * k;
  return { name, kind, edges, grain: [p(x, y(0.7)), p(x, y(0.35))], ...(text && { text }) };
}

/** The garment as it would be read and put right by hand: every role and kind true, a fold where the words say so. */
export function documentOf(g: Garment): ProjectDocument {
  let x = 0;
  const pieces = g.pieces.map((d, i): ShellPiece => {
    const box = d.edges.map((e) => boxOf(e.path)).reduce(joinBoxes);
    const move = { a: 1, b: 0, c: 0, d: 1, e: x - box.minX, f: 0 };
    x += box.maxX - box.minX + 40;
    const fold = d.text?.includes('fold') ?? false;
    const ring = d.edges.map((e, k) => ({
      id: `e${k + 1}`,
      role: e.role,
      confidence: 1,
      path: mapPath(e.path, move),
      allowance: null,
      corner: null,
      onFold: fold && (e.role === 'centre-back' || e.role === 'centre-front'),
    }));
    const grain = mapPath([line(...d.grain)], move)[0] as Path[number];
    const said = /cut (\d)/.exec(d.text ?? '')?.[1];
    const count = said ? Number(said) : fold ? 1 : 2;
    return {
      id: `p${i + 1}`,
      name: d.name,
      kind: d.kind,
      ring,
      count,
      grain: { a: grain.a, b: grain.b },
      notches: [],
      lines: [],
    };
  });
  return { ...emptyDocument(g.name, g.garment), shell: { fileName: 'pile.svg', lines: 'seam', pieces } };
}
