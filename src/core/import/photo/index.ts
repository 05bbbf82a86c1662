import { type Point } from '../../geometry/index.ts';
import { ok, type Result, refuse, stop } from '../../result.ts';
import { assemble, type Imported } from '../assemble.ts';
import { PLAIN_STROKE } from '../drawing.ts';
import { type Calibration, calibrate, type PictureSize, placeOnTable } from './calibrate.ts';
import { fitOutline, type Traced } from './fit.ts';

export * from './calibrate.ts';
export * from './fit.ts';
export * from './homography.ts';

/** A piece traced in a picture: known corners, and points along its edge, in pixels of the picture. */
export interface Trace {
  name: string;
  /** Known points, in the picture and on the table (mm); the first four go round a rectangle. */
  picture: Point[];
  table: Point[];
  points: Traced[];
  /** Size of the picture; where it is known the bend of the lens can be found. */
  size?: PictureSize;
}

export interface TracedPiece extends Imported {
  residual: number;
}

/** From a trace to a shell piece at true size; the picture itself is not needed for it. */
export function importTrace(t: Trace): Result<TracedPiece> {
  if (t.points.length < 3) return refuse(stop('too-few-points', undefined, { count: t.points.length }));
  const c = calibrate(t.picture, t.table, t.size);
  if (!c.ok) return c;
  const fitted = fitOutline(onTable(c.value, t.points));
  const shape = {
    path: fitted.path,
    closed: true,
    label: t.name,
    name: t.name,
    group: 0,
    stroke: PLAIN_STROKE,
    layer: null,
    hint: null,
  };
  const made = assemble({ shapes: [shape], captions: [], groupNames: [null], findings: [] });
  return made.ok ? ok({ ...made.value, residual: fitted.residual }) : made;
}

export const onTable = (c: Calibration, points: Traced[]): Traced[] =>
  points.map((p) => ({ ...placeOnTable(c, p), corner: p.corner }));
