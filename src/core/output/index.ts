export * from './items.ts';
export * from './pdf.ts';
export * from './sheets.ts';
export * from './svg.ts';
export * from './tiles.ts';
