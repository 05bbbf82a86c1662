export * from './clip.ts';
export * from './fillet.ts';
export * from './intersect.ts';
export * from './meet.ts';
export * from './offset.ts';
export * from './path.ts';
export * from './segment.ts';
export * from './vector.ts';
