export * from './items.ts';
export * from './sheets.ts';
export * from './strips.ts';
export * from './svg.ts';
export * from './tiles.ts';
// The PDF writer is named apart (`pdf.ts`): it is heavy, and only the server writes PDF.
