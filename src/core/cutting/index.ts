export * from './cutlist.ts';
