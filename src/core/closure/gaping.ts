/**
 * An estimate of where a front gapes. It is one of *the edge between two buttons, drawn out by the body*: at bust level
 * the garment lacks `lack` of the ease that lets a closed front lie easy; that pull falls off to nothing within REACH up
 * and down (a raised cosine), and an edge held at two buttons under a pull q bows like a slack string, w″ = −q. Cloth,
 * interfacing and posture are not in it. It compares spacings; it predicts no millimetres. Derived here.
 */
export interface Gape {
  /** Bow along the line, sampled every few mm; 1 is a gap of 80 mm at bust level in a garment with no ease at all. */
  line: { at: number; bow: number }[];
  /** The most between each two buttons. */
  gaps: number[];
  worst: number;
}

/** Ease at the bust with which a closed front lies easy, mm. Handbook figure from memory (75–100 for woven cloth). */
export const EASY = 80;
/** How far up and down from bust level the pull reaches, mm. Own estimate: about to the armhole's middle and the waist. */
export const REACH = 150;
/** The gap the estimate is measured by, mm. */
const MEASURE = 80;

/** Share of the easy ease that is lacking: 0 where there is enough, 1 where there is none, more where it is too small. */
export const lackOf = (body: number, garment: number): number => Math.max(0, 1 - (garment - body) / EASY);

const pull = (y: number, bust: number): number =>
  Math.abs(y - bust) >= REACH ? 0 : (1 + Math.cos((Math.PI * (y - bust)) / REACH)) / 2;

/** Bow of a slack string between two buttons under the pull, by summing w″ = −q twice; at `n` + 1 places. */
function bows(a: number, b: number, bust: number, n: number): number[] {
  const h = (b - a) / n;
  const w = new Array<number>(n + 1).fill(0);
  let slope = 0;
  for (let i = 1; i <= n; i++) {
    const before = slope;
    slope -= pull(a + (i - 0.5) * h, bust) * h;
    w[i] = (w[i - 1] as number) + ((before + slope) / 2) * h;
  }
  // The chord sets the far end to nothing.
  return w.map((v, i) => v - ((w[n] as number) * i) / n);
}

const UNIT = MEASURE ** 2 / 8;

/** The estimate for buttons at given places; null where the measures are not given or nothing pulls. */
export function gape(at: number[], bust: number, body: number, garment: number): Gape | null {
  if (!(body > 0) || !(garment > 0)) return null;
  const lack = lackOf(body, garment);
  const line: Gape['line'] = [];
  const gaps = at.slice(1).map((b, i) => {
    const a = at[i] as number;
    const n = Math.max(8, Math.round((b - a) / 4));
    const w = bows(a, b, bust, n).map((v) => (Math.max(0, v) * lack) / UNIT);
    w.forEach((bow, k) => {
      if (i === 0 || k > 0) line.push({ at: a + ((b - a) * k) / n, bow });
    });
    return Math.max(...w);
  });
  return { line, gaps, worst: Math.max(0, ...gaps) };
}
