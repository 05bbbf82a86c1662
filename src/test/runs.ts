/** Seed of every random test: the same draws on every machine. */
export const SEED = 20261124;

/** By night each property is tried on this many times as many draws. */
const TIMES = Number(process.env.DRAWS ?? 1);

/** How a property is tried: on so many draws, always the same ones. */
export const runs = (draws: number): { seed: number; numRuns: number; endOnFailure: true } => ({
  seed: SEED,
  numRuns: Math.ceil(draws * TIMES),
  endOnFailure: true,
});
