/** Every epsilon of the project, in millimetres unless a name says otherwise. Change them here and nowhere else. */

/** Two points closer than this are the same point. */
export const SAME_POINT = 1e-6;
/** Ends of an outline's segments up to this far apart (mm) are one point, moved by rounding; a larger step is a fault. */
export const WELD = 0.01;
/** A segment up to this long (mm) in an outline that was computed is left over where two runs meet, and goes. */
export const HAIR = 0.05;
/** How far a chord may stray from its curve when a curve has to be flattened (clipping, area checks, hit tests). */
export const FLATTEN = 0.02;
/** Chords this coarse are enough to find where curves cross; the crossing itself is then refined on the curves. */
export const SEARCH_CHORD = 0.15;
/** How far a fitted offset curve may stray from the true offset. */
export const OFFSET_FIT = 0.01;
/** How far a few curves that stand for many short drawn lines may stray from them. */
export const LIGHTEN = 0.01;
/** Relative precision asked of arc lengths. */
export const LENGTH_RELATIVE = 1e-9;
/** A gap in a drawn outline up to this is closed without asking, and reported. */
export const HEAL_GAP = 0.5;
/** A segment of an outline up to this long is rounding, not drawing. */
export const SLIVER = 0.005;
/** Clipping works on integers: one unit of the clipper is 1/CLIP_SCALE mm. */
export const CLIP_SCALE = 1e4;
/** A seam whose sides differ by no more passes as equal (1/16"). Common practice. */
export const SEAM_PASSES = 1.5;
/** A turn sharper than this parts two edges of an outline (radians). */
export const CORNER_ANGLE = (25 * Math.PI) / 180;
/** An outline enclosing less than this (mm²) is not a piece. */
export const LEAST_AREA = 1;
/** A mitre may reach this many times the larger allowance before it is cut across. */
export const MITRE_LIMIT = 6;
