export * from './items.ts';
export * from './paper.ts';
export type { Put } from './puts.ts';
export * from './sheets.ts';
export * from './strips.ts';
export * from './svg.ts';
export * from './tiles.ts';
// Named apart, since only the server uses them: the PDF writer (`pdf.ts`), and what lays sheets on pages (`onpages.ts`).
