import { type Point } from '../../core/geometry/index.ts';

/** Where on a drawing a pointer is, in the drawing's own units; null where it is not shown. */
export function pointOn(
  drawn: SVGGraphicsElement | null | undefined,
  at: { clientX: number; clientY: number },
): Point | null {
  const m = drawn?.getScreenCTM();
  if (!m) return null;
  const p = new DOMPoint(at.clientX, at.clientY).matrixTransform(m.inverse());
  return { x: p.x, y: p.y };
}
