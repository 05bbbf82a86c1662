export * from './buttonhole.ts';
export * from './derive.ts';
export * from './placement.ts';
