import { type Decisions } from '../project.ts';
import { type Finding } from '../result.ts';
import { BAR, FACING_BEYOND_HOLE, HOLE_EDGE, type Hole } from './buttonhole.ts';
import { columnsOf } from './choices.ts';
import { EDGE_CLEAR, hasHoles } from './fasteners.ts';
import { type Features } from './features.ts';
import { type ButtonMark } from './model.ts';
import { leastExtension } from './wishes.ts';

/** Lowest button above the hem depth, mm. From memory. */
const HEM_CLEAR = 25;
interface Made {
  extension: number;
  hole: Hole;
  features: Features;
  buttons: ButtonMark[];
  gaps: number[];
}

/** What the placed buttons are too near to, too wide for, or at odds with; warnings, each with the figure that would do. */
export function checksOf(d: Decisions, { extension, hole, features, buttons, gaps }: Made): Finding[] {
  const out: Finding[] = [];
  const c = d.closure;
  const piece = buttons[0]?.on?.piece;
  const warn = (code: string, data: Record<string, number>, severity: Finding['severity'] = 'warn') =>
    out.push({ code, severity, ...(piece && { where: { piece } }), data });
  const clear = EDGE_CLEAR[c.fastener];
  const least = leastExtension(c);
  if (extension < least - 0.05) warn('extension-narrow', { extension, least });
  if (c.band > 0 && c.diameter + clear > c.band)
    warn('button-wider-than-band', { diameter: c.diameter, width: c.band, most: Math.max(0, c.band - clear) }, 'stop');
  if (c.kind === 'double' && c.double.across < c.diameter / 2 + 4)
    warn('columns-close', { across: c.double.across, least: c.diameter / 2 + 4 });
  const across = hole.direction === 'horizontal' && hasHoles(c.fastener);
  const column = columnsOf(c).outer;
  const left = extension - column - hole.outer - BAR;
  if (across && left < HOLE_EDGE && extension >= least - 0.05)
    warn('hole-near-edge', { left: Math.max(0, left), least: HOLE_EDGE });
  const inner = across ? hole.inner : 0;
  const width = extension - column + inner + FACING_BEYOND_HOLE;
  if (piece && d.facing.on && d.facing.front < width) warn('facing-narrow', { width: d.facing.front, least: width });
  if (!c.pocketBottom && c.bottom < features.hem + HEM_CLEAR)
    warn('button-near-hem', { bottom: c.bottom, least: features.hem + HEM_CLEAR });
  if (!c.stand.hole && !c.breakTop && c.top < c.diameter / 2 + 3)
    warn('button-near-neck', { top: c.top, least: c.diameter / 2 + 3 });
  const [low, high] = [Math.min(...gaps), Math.max(...gaps)];
  if (gaps.length > 1 && c.school === 'equal' && high - low > 0.5)
    warn('gaps-uneven', { least: low, most: high }, 'note');
  return out;
}
