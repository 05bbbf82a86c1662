export * from './corners.ts';
export * from './cutline.ts';
export * from './grain.ts';
export * from './ring.ts';
export * from './roles.ts';
export * from './seam.ts';
export * from './shell.ts';
export * from './types.ts';
