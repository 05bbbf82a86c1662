import { type Result } from '../result.ts';
import { assemble, type Imported } from './assemble.ts';
import { type Drawing } from './drawing.ts';
import { readDxf } from './dxf/dxf.ts';
import { type Tell, untold } from './progress.ts';
import { readSvg } from './svg.ts';

/** A kind of drawing that comes as text: how it is told, and how its lines are read. Another kind is one entry more. */
export interface Reader {
  kind: 'svg' | 'dxf';
  /** Whether a text that begins so is one, whatever it is called. */
  speaks: (head: string) => boolean;
  /** What its files are called, where what they hold tells nothing. */
  ending: RegExp;
  /** Its lines in millimetres; `unit` where the file says none. */
  read: (text: string, unit?: string) => Result<Drawing>;
}

const SVG: Reader = { kind: 'svg', speaks: (head) => head.startsWith('<'), ending: /\.svgz?$/i, read: readSvg };
const DXF: Reader = {
  kind: 'dxf',
  speaks: (head) => /^(999|0)\s*[\r\n]/.test(head) || head.startsWith('AutoCAD Binary DXF'),
  ending: /\.dxf$/i,
  read: readDxf,
};

/** All of them; what nothing tells is read as the first. */
export const READERS: readonly [Reader, ...Reader[]] = [SVG, DXF];

/** The reader of a text, by what it holds and not by its name; the name decides only where it holds nothing. */
export function readerOf(text: string, name: string): Reader {
  const head = text
    .slice(0, 2000)
    .replace(/^\uFEFF/, '')
    .trimStart();
  return READERS.find((r) => r.speaks(head)) ?? READERS.find((r) => r.ending.test(name)) ?? READERS[0];
}

function imported(
  reader: Reader,
  text: string,
  unit?: string,
  tell: Tell = untold,
  garment?: string,
): Result<Imported> {
  tell({ stage: 'lines', done: 0, of: 0 });
  const drawing = reader.read(text, unit);
  return drawing.ok ? assemble(drawing.value, tell, garment) : drawing;
}

/** From the text of an SVG file to shell pieces in millimetres of the `garment` said at the start, or the reasons why not. */
export const importSvg = (text: string, unit?: string, tell?: Tell, garment?: string): Result<Imported> =>
  imported(SVG, text, unit, tell, garment);

/** A drawing as text, read as what it is. */
export const importText = (
  text: string,
  name: string,
  unit?: string,
  tell?: Tell,
  garment?: string,
): Result<Imported> => imported(readerOf(text, name), text, unit, tell, garment);
