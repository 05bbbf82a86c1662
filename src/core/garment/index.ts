export * from './fate.ts';
export * from './layflat.ts';
export * from './openedout.ts';
export * from './panels.ts';
export * from './said.ts';
export * from './seams.ts';
export * from './suggest.ts';
export * from './surface.ts';
