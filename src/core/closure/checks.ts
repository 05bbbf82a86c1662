import { type Decisions } from '../document/project.ts';
import { type FindingCode } from '../findingcodes.ts';
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
  /** From the top of the line to its lower end, mm. */
  length: number;
}

/** What a button covers of the line, mm from its top: the hole from bar to bar where it lies along it, else the button. */
function coversOf(d: Decisions, hole: Hole, b: ButtonMark): { from: number; to: number; hole: boolean } {
  const along = b.hole && b.direction === 'vertical' && hasHoles(d.closure.fastener);
  const half = d.closure.diameter / 2;
  return along
    ? { from: b.at - hole.outer - BAR, to: b.at + hole.inner + BAR, hole: true }
    : { from: b.at - half, to: b.at + half, hole: false };
}

type Warn = (code: FindingCode, data: Record<string, number>, severity?: Finding['severity']) => void;

/** Every hole whole, where it is: on the line, clear of its neighbours, clear of the hem. */
function holesWhole(d: Decisions, { hole, features, buttons, length }: Made, warn: Warn): void {
  const covers = buttons.map((b) => coversOf(d, hole, b));
  covers.forEach((k, i) => {
    const below = k.to - length;
    if (below > 0.05) warn('hole-off-end', { number: i + 1, over: below, hole: k.hole ? 1 : 0 }, 'stop');
    const next = covers[i + 1];
    if (next && next.from < k.to - 0.05)
      warn(
        'holes-overlap',
        { first: i + 1, second: i + 2, over: k.to - next.from, hole: k.hole || next.hole ? 1 : 0 },
        'stop',
      );
  });
  const lowest = covers[covers.length - 1];
  const last = buttons[buttons.length - 1];
  const least = features.hem + HEM_CLEAR;
  if (!lowest || !last || d.closure.pocketBottom || features.hem <= 0) return;
  // The button's centre by the rule; the lower end of a hole that hangs from it has to clear the hem itself.
  const left = length - last.at;
  const hangs = lowest.hole ? length - lowest.to : Number.POSITIVE_INFINITY;
  if (left < least - 0.05) warn('button-near-hem', { bottom: left, least });
  else if (hangs < features.hem - 0.05) warn('hole-in-hem', { left: hangs, hem: features.hem });
}

/** What the placed buttons are too near to, too wide for, or at odds with; warnings, each with the figure that would do. */
export function checksOf(d: Decisions, made: Made): Finding[] {
  const { extension, hole, buttons, gaps } = made;
  const out: Finding[] = [];
  const c = d.closure;
  const piece = buttons[0]?.on?.piece;
  const warn: Warn = (code, data, severity = 'warn') =>
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
  holesWhole(d, made, warn);
  if (!c.stand.hole && !c.breakTop && c.top < c.diameter / 2 + 3)
    warn('button-near-neck', { top: c.top, least: c.diameter / 2 + 3 });
  const [low, high] = [Math.min(...gaps), Math.max(...gaps)];
  if (gaps.length > 1 && c.school === 'equal' && high - low > 0.5)
    warn('gaps-uneven', { least: low, most: high }, 'note');
  return out;
}
