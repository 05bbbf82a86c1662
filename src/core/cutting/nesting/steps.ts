/** Places at equal distances: one of them, and how far on the next is, mm. */
export interface Steps {
  from: number;
  step: number;
}

/** What is nearer to a step is on it, mm. */
const ON = 1e-6;

/** The first of the places that is not before `v`. */
export const stepFrom = (v: number, { from, step }: Steps): number =>
  from + step * Math.ceil((v - from) / step - ON / step);

/** The nearest place to `v` between two ends: any, or one of the steps; there has to be one. */
export function settled(v: number, least: number, most: number, on: Steps | undefined): number {
  const within = Math.min(most, Math.max(least, v));
  if (!on) return within;
  const near = on.from + on.step * Math.round((within - on.from) / on.step);
  if (near < least - ON) return near + on.step;
  return near > most + ON ? near - on.step : near;
}

/** Whether there is a place between two ends. */
export const hasPlace = (least: number, most: number, on: Steps | undefined): boolean =>
  on ? stepFrom(least, on) <= most + ON : least <= most;

/** How far `v` lies from the nearest of the steps, mm. */
export const offSteps = (v: number, { from, step }: Steps): number => {
  const over = (((v - from) % step) + step) % step;
  return Math.min(over, step - over);
};
