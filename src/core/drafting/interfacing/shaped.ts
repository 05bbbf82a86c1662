import { type Decisions } from '../../document/project.ts';
import {
  cubic,
  directionAlong,
  distance,
  endOf,
  nearestOn,
  outward,
  type Path,
  pointAlong,
  reversePath,
  scale,
  stretch,
} from '../../geometry/index.ts';
import { clockwise, type Edge, type Piece, type Role, rolesMissing } from '../../pattern/index.ts';
import { because, ok, type Result, refuse } from '../../result.ts';
import { type Drafted, type Garment } from '../drafted.ts';
import { laidUpTo } from '../facing/across.ts';
import { splitPiece } from '../facing/neckfacings.ts';
import { cutAcross } from '../shape/cutacross.ts';
import { derivePiece } from '../shape/derivepiece.ts';
import { alone } from '../shape/laytogether.ts';
import { cutRun, run, runLength, type Split } from '../shape/oriented.ts';
import { interfaceWhole, trimmed, trimReason } from './interfacing.ts';

/** A shaped front interfacing reaches so far below the underarm, mm (handbook figure from memory). */
const BELOW_UNDERARM = 75;
/** It falls to the facing line over so much, mm. Common practice. */
const FALL = 130;
/** What it goes over from the opening to the side. */
const UPPER: Role[] = ['front-edge', 'neckline', 'shoulder', 'armhole'];

type Trim = Decisions['interfacing']['trim'];

/** Where it ends: the line from the hem up the facing line and over to the side, and the side above that. */
interface Shape {
  facingLine: Edge;
  line: Path;
  upperSide: Edge[];
}

function shapeOf({ oriented: { ring, sign }, lining }: Split): Shape | null {
  const side = run(ring, 'side');
  const facingLine = lining.find((e) => e.role === 'facing-line');
  if (!facingLine || runLength(ring, 'side') < BELOW_UNDERARM + 30 || !run(ring, 'armhole').length) return null;
  const upperSide = cutRun(side, 0, BELOW_UNDERARM);
  const from = endOf((upperSide[upperSide.length - 1] as Edge).path);
  // The facing line runs from the hem up: it is joined some way below the level of the side.
  const level = nearestOn(facingLine.path, from).at;
  const to = Math.max(5, level - FALL);
  const target = pointAlong(facingLine.path, to);
  const third = distance(from, target) / 3;
  const inward = scale(outward(directionAlong(side[0]?.path ?? facingLine.path, BELOW_UNDERARM)), -sign);
  const up = directionAlong(facingLine.path, to);
  const curve: Path = [
    cubic(
      target,
      { x: target.x + up.x * third, y: target.y + up.y * third },
      { x: from.x + inward.x * third, y: from.y + inward.y * third },
      from,
    ),
  ];
  return { facingLine, line: [...stretch(facingLine.path, 0, to), ...curve], upperSide };
}

const named = { name: 'Front interfacing, shaped', material: 'interfacing' as const };
const reasonsOf = (trim: Trim) => [because('front-shaped', 'memory', BELOW_UNDERARM), trimReason(trim)];

/** The ring of it on one piece, its inner edge free. */
function shapeRing({ oriented: { ring }, facing }: Split, { facingLine, line, upperSide }: Shape): Edge[] {
  const inner: Edge = { ...facingLine, id: 'inner', role: 'inner', allowance: 0, path: reversePath(line) };
  const upper = ring.filter((e) => UPPER.includes(e.role));
  return clockwise([...upper, ...upperSide, inner, ...facing.filter((e) => e.role === 'hem')]);
}

/**
 * Interfacing of a whole front shaped as a tailor's: shoulder and armhole whole, to 75 below the underarm, from there
 * falling to the facing line and down it to the hem. Handbook rule from memory. Refuses a front without a side seam long
 * enough.
 */
export function shapedFront(front: Piece, split: Split, trim: Trim): Result<Piece> {
  const shape = shapeOf(split);
  if (!shape) return refuse(rolesMissing(front, [...UPPER, 'side', 'hem']));
  const made = trimmed(front, shapeRing(split, shape), trim, new Set(['inner']));
  if (!made.ok) return made;
  const reasons = reasonsOf(trim);
  return ok(derivePiece(front, { ...named, id: 'front-interfacing', ring: made.value, reasons, stiffens: front.id }));
}

/**
 * The same of a front cut into panels: they are laid together until the side is there, the shape is drawn over all of them
 * and each has its share, as it is fused before the panels are sewn. Null where no panel brings a side.
 */
export function shapedPanels(g: Garment, x: Drafted, d: Decisions): Result<Piece>[] | null {
  const laid = laidUpTo(g, x.laid?.laid ?? alone(x.shell), d, ['armhole', 'side']);
  const split = laid && splitPiece(laid.piece, d, false);
  const shape = split?.ok && shapeOf(split.value);
  if (!laid || !split?.ok || !shape) return null;
  const line = { ...shape.facingLine, path: shape.line };
  const whole: Split = { ...split.value, facing: shapeRing(split.value, shape), lining: [line] };
  return laid.parts.flatMap((part): Result<Piece>[] => {
    const of = g.drafted.find((y) => y.shell.id === part.piece.id);
    const across = cutAcross(laid, part, whole);
    if (!of || across.kind === 'clear') return [];
    const id = `${of.base}-interfacing`;
    const { trim } = d.interfacing;
    if (across.kind === 'covered')
      return [interfaceWhole({ ...of.shell, id: of.base, name: of.title }, of.shell, trim)];
    const rings = [across.split.facing, ...(across.split.more ?? [])];
    return rings.map((share, k): Result<Piece> => {
      const free = new Set(share.flatMap((e) => (e.role === 'facing-line' ? [e.id] : [])));
      const ring = trimmed(of.shell, clockwise(share), trim, free);
      if (!ring.ok) return ring;
      const own = { id: k ? `${id}-${k + 1}` : id, name: `${of.title} interfacing, shaped`, stiffens: of.shell.id };
      return ok(derivePiece(of.shell, { ...named, ...own, ring: ring.value, reasons: reasonsOf(trim) }));
    });
  });
}
