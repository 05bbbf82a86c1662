export * from './bench.ts';
export * from './figures.ts';
export * from './lastchance.ts';
export * from './operations.ts';
export * from './plan.ts';
export * from './planout.ts';
export * from './seams.ts';
export * from './transfer.ts';
