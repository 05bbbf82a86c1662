export * from './check.ts';
export * from './cloth.ts';
export type { Laying } from './construct.ts';
export * from './lying.ts';
export * from './outlines.ts';
export * from './parts.ts';
export { laid } from './search.ts';
