export * from './carry.ts';
export * from './derive.ts';
export * from './hem.ts';
export * from './interfacing.ts';
export * from './oriented.ts';
export * from './raise.ts';
export * from './split.ts';
