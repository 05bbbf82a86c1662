export * from './check.ts';
export * from './cloth.ts';
export type { Laid, Laying } from './construct.ts';
export { lost } from './lost.ts';
export * from './lying.ts';
export { NoFits } from './nofit.ts';
export * from './outlines.ts';
export * from './parts.ts';
export { afterSteps, laid, within } from './search.ts';
