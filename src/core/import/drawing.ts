import { type Path, type Point } from '../geometry/index.ts';
import { type Finding } from '../result.ts';

/** What a file's layer says a line is, where the file follows such a convention. */
export type Hint = 'boundary' | 'sew' | 'notch' | 'mirror' | 'grain' | 'internal' | 'cutout' | 'drill' | 'text';

/** How a line is drawn: what tells one size of a nested pattern from another, and a seam line from a cut line. */
export interface Stroke {
  /** `#rrggbb`, or the file's own word; empty when it does not say. */
  colour: string;
  /** Line width in mm, 0 when it does not say. */
  width: number;
  /** Dash and gap lengths in mm; empty for a full line. */
  dash: number[];
}

export const PLAIN_STROKE: Stroke = { colour: '', width: 0, dash: [] };

/** One run of line work from the file, in mm. */
export interface Shape {
  path: Path;
  closed: boolean;
  /** What the file calls it, for messages: its id, label, or kind and number. */
  label: string;
  /** A name a person gave it, if any. */
  name: string | null;
  /** The innermost group it stands in. */
  group: number;
  stroke: Stroke;
  /** The layer it lies on, if the file has layers. */
  layer: string | null;
  hint: Hint | null;
  /** What else the file says of it: its class. */
  said?: string;
}

/** Text in the drawing, at its anchor in mm. */
export interface Caption {
  text: string;
  at: Point;
  group: number;
}

export interface Drawing {
  shapes: Shape[];
  captions: Caption[];
  groupNames: (string | null)[];
  findings: Finding[];
}

/** Lines that look alike: of one layer, colour, width and dash. */
export const styleKey = (s: Shape): string =>
  [s.layer ?? '', s.stroke.colour, s.stroke.width.toFixed(2), s.stroke.dash.map((d) => d.toFixed(1)).join(' ')].join(
    '|',
  );
