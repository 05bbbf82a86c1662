/** Seed of every random test: the same draws on every machine. */
export const SEED = 20261124;

/** By night each property is tried on this many times as many draws as it names; by day on a fifth of them. */
const TIMES = Number(process.env.DRAWS ?? 0.2);
/** Fewer draws than this prove nothing. */
const LEAST = 3;

/** How a property is tried: on so many draws, always the same ones; `all` where each kind of case has to come up by day too. */
export const runs = (draws: number, all = false): { seed: number; numRuns: number; endOnFailure: true } => ({
  seed: SEED,
  numRuns: Math.max(Math.min(draws, LEAST), Math.ceil(draws * (all ? Math.max(1, TIMES) : TIMES))),
  endOnFailure: true,
});

/** As many cases as are looked for among the draws that are tried, of so many among all. */
export const among = (count: number): number => count * Math.min(1, TIMES);
