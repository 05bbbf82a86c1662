export * from './check.ts';
export * from './cloth.ts';
export * from './parts.ts';
export { laid } from './search.ts';
