export * from './buying.ts';
export * from './cloths.ts';
export * from './cutlist.ts';
export * from './matching.ts';
export * from './meets.ts';
export * from './nesting/index.ts';
export * from './standing.ts';
export * from './table.ts';
