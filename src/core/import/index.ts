import { type Result } from '../result.ts';
import { assemble, type Imported } from './assemble.ts';
import { readDxf } from './dxf/dxf.ts';
import { type Tell, untold } from './progress.ts';
import { readSvg } from './svg.ts';

export * from './assemble.ts';
export * from './drawing.ts';
export * from './outline.ts';
export * from './pdf/index.ts';
export * from './photo/index.ts';
export * from './progress.ts';
export * from './svg.ts';
export * from './svgpath.ts';

/** From the text of an SVG file to shell pieces in millimetres of the `garment` said at the start, or the reasons why not. */
export function importSvg(text: string, unit?: string, tell: Tell = untold, garment?: string): Result<Imported> {
  tell({ stage: 'lines', done: 0, of: 0 });
  const drawing = readSvg(text, unit);
  return drawing.ok ? assemble(drawing.value, tell, garment) : drawing;
}

/** From the text of an ASCII DXF file to shell pieces. */
export function importDxf(text: string, unit?: string, tell: Tell = untold, garment?: string): Result<Imported> {
  tell({ stage: 'lines', done: 0, of: 0 });
  const drawing = readDxf(text, unit);
  return drawing.ok ? assemble(drawing.value, tell, garment) : drawing;
}

/** What kind of drawing a text is, by what it holds and not by its name; the name decides only where it holds nothing. */
export function kindOfText(text: string, name: string): 'svg' | 'dxf' {
  const head = text
    .slice(0, 2000)
    .replace(/^\uFEFF/, '')
    .trimStart();
  if (head.startsWith('<')) return 'svg';
  if (/^(999|0)\s*[\r\n]/.test(head) || head.startsWith('AutoCAD Binary DXF')) return 'dxf';
  return /\.dxf$/i.test(name) ? 'dxf' : 'svg';
}

/** A drawing as text, read as what it is. */
export const importText = (
  text: string,
  name: string,
  unit?: string,
  tell: Tell = untold,
  garment?: string,
): Result<Imported> => (kindOfText(text, name) === 'dxf' ? importDxf : importSvg)(text, unit, tell, garment);
