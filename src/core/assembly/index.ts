export * from './build.ts';
export * from './check.ts';
export * from './layers.ts';
export * from './order.ts';
export * from './plan.ts';
export * from './types.ts';
