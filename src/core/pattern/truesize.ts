import { type Shell, type ShellPiece } from '../document/project.ts';
import { boxOf, mapPath, type Path, type Point, scale } from '../geometry/index.ts';
import { type Finding } from '../result.ts';

/** Largest side of the largest piece of any garment, mm. Own figures: a child's bodice, a bridal train. */
const LEAST = 150;
const MOST = 3000;
/**
 * Units that are taken for one another, and what makes the mistake good. Points and pixels are 72 and 96 to the inch.
 * Common practice; the ratios follow from the inch of 25.4 mm. The
 * likelier first.
 */
export const UNIT_SLIPS = [
  { code: 'cm-as-mm', factor: 10 },
  { code: 'in-as-mm', factor: 25.4 },
  { code: 'px-as-mm', factor: 25.4 / 96 },
  { code: 'mm-as-cm', factor: 1 / 10 },
  { code: 'mm-as-in', factor: 1 / 25.4 },
  { code: 'mm-as-px', factor: 96 / 25.4 },
  { code: 'in-as-cm', factor: 2.54 },
  { code: 'cm-as-in', factor: 1 / 2.54 },
  { code: 'pt-as-px', factor: 96 / 72 },
  { code: 'px-as-pt', factor: 72 / 96 },
] as const;
export type UnitSlip = (typeof UNIT_SLIPS)[number]['code'];

/**
 * A largest piece under 15 cm or over 3 m is a unit mistake more often than a garment: the finding that says so, with the
 * factor that would make it one. Null for a size that a garment may have.
 */
export function oddSize(pieces: { ring: { path: Path }[] }[]): Finding | null {
  const sides = pieces.map((p) => {
    const b = boxOf(p.ring.flatMap((e) => e.path));
    return Math.max(b.maxX - b.minX, b.maxY - b.minY);
  });
  const largest = Math.max(...sides);
  if (!pieces.length || (largest >= LEAST && largest <= MOST)) return null;
  const factor = UNIT_SLIPS.find((u) => largest * u.factor >= 300 && largest * u.factor <= 1800)?.factor;
  return { code: 'size-odd', severity: 'warn', data: { largest, ...(factor && { factor }) } };
}

/** A length taken with a tape is believed to this share. */
const TAPE = 0.015;
/** Nearer than this to its true size a pattern is left as it is (share). */
const TRUE = 0.0005;

/**
 * What every length has to be multiplied by so that one read as `read` mm becomes `said` mm: exactly that of a unit
 * mistaken for another where the two are as near to it as a tape measures, else as said. Null where it is true already.
 */
export function factorFor(read: number, said: number): { factor: number; slip: UnitSlip | null } | null {
  const k = said / read;
  if (!(read > 0) || !(said > 0) || Math.abs(k - 1) < TRUE) return null;
  const slip = UNIT_SLIPS.find((u) => Math.abs(k / u.factor - 1) < TAPE);
  return slip ? { factor: slip.factor, slip: slip.code } : { factor: k, slip: null };
}

function scaledPiece(p: ShellPiece, k: number): ShellPiece {
  const at = (q: Point): Point => scale(q, k);
  const along = (path: Path): Path => mapPath(path, { a: k, b: 0, c: 0, d: k, e: 0, f: 0 });
  return {
    ...p,
    ring: p.ring.map((e) => ({
      ...e,
      path: along(e.path),
      // Where the file draws both lines, the allowance was read from it; else a hand has said it, in true millimetres.
      allowance: e.allowance !== null && p.drawn ? e.allowance * k : e.allowance,
    })),
    grain: { a: at(p.grain.a), b: at(p.grain.b) },
    notches: p.notches.map((n) => ({ ...n, at: n.at * k })),
    lines: p.lines.map((l) => ({ ...l, path: along(l.path) })),
    ...(p.marks && { marks: p.marks.map((m) => ({ ...m, at: at(m.at) })) }),
  };
}

/** The pattern at another size, as a whole: nothing in it is graded. */
export const scaledShell = (shell: Shell, k: number): Shell => ({
  ...shell,
  pieces: shell.pieces.map((p) => scaledPiece(p, k)),
});
