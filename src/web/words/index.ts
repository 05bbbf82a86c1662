export * from './cures.ts';
export * from './pattern.ts';
export * from './plan.ts';
export * from './reading.ts';
export * from './reasons.ts';
