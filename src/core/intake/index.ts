import { type Result } from '../result.ts';
import { assemble, type Intake } from './assemble.ts';
import { readSvg } from './svg.ts';

export * from './assemble.ts';
export * from './drawing.ts';
export * from './outline.ts';
export * from './svg.ts';
export * from './svgpath.ts';

/** From the text of an SVG file to shell pieces in millimetres, or the reasons why not. */
export function intakeSvg(text: string, unit?: string): Result<Intake> {
  const drawing = readSvg(text, unit);
  return drawing.ok ? assemble(drawing.value) : drawing;
}
