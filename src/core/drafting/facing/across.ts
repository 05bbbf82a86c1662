import { type Decisions } from '../../document/project.ts';
import { type Join, type JoinCode } from '../../garment/index.ts';
import { type Edge, type Piece, type Role } from '../../pattern/index.ts';
import { type Result } from '../../result.ts';
import { type Drafted, type Garment } from '../drafted.ts';
import { alone, type Laid, layTogether } from '../shape/laytogether.ts';
import { type Split } from '../shape/oriented.ts';

/** Seams that a facing goes on across in one; at all others it is parted. Common practice. */
const ACROSS: ReadonlySet<JoinCode> = new Set<JoinCode>(['panel', 'yoke', 'waist', 'other']);
const FACED: ReadonlySet<Role> = new Set<Role>(['neckline', 'front-edge']);
/** What a facing line comes out at; a seam beside it may have to be crossed to get there. */
const FOOT: ReadonlySet<Role> = new Set<Role>(['shoulder', 'hem', 'centre-back', 'centre-front']);
/** No facing goes along more panels than this, nor over more beside them. */
const MOST = 12;
const WIDER = 4;

/** Seams of pieces that lie already to others, at the ends of the edges of these roles, and at which end of the seam. */
interface Way {
  join: Join;
  other: Piece;
  near: 'start' | 'end';
}

function waysOn(g: Garment, laid: Laid, roles: ReadonlySet<Role>): Way[] {
  const { ring } = laid.piece;
  const n = ring.length;
  const there = new Set(laid.parts.map((p) => p.piece.id));
  return ring.flatMap((e, i): Way[] => {
    if (!roles.has(e.role)) return [];
    return ([1, -1] as const).flatMap((step) => {
      const beside = ring[(i + step + n) % n] as Edge;
      // Run clockwise, a seam that follows begins here, and one that comes before ends here.
      const near = step === 1 ? 'start' : 'end';
      return roles.has(beside.role) ? [] : partners(g, beside, there).map((w) => ({ ...w, near }));
    });
  });
}

/** The pieces beyond a seam's edge that do not lie there yet. */
function partners(g: Garment, e: Edge, there: ReadonlySet<string>): { join: Join; other: Piece }[] {
  const { from } = e;
  if (!from || e.onFold) return [];
  return g.joins
    .filter((j) => ACROSS.has(j.code))
    .flatMap((join) =>
      [join.a, join.b].flatMap((side, k) => {
        if (!side.some((x) => x.piece === from.piece && x.edge === from.edge)) return [];
        const ids = new Set((k ? join.a : join.b).map((x) => x.piece));
        return g.drafted
          .filter((x) => ids.has(x.shell.id) && !there.has(x.shell.id))
          .map((x) => ({ join, other: x.shell }));
      }),
    );
}

/** How wide the band is within which what is laid together has to fit, mm. */
const bandOf = (d: Decisions): number => Math.max(d.facing.front, d.facing.shoulder, d.facing.back);

/** Whether a ring's faced edges went on when more was laid to it. */
const facedEdges = (p: Piece): number => p.ring.filter((e) => FACED.has(e.role)).length;

/**
 * All panels along the neck and opening that a piece is part of, laid together from seam to seam, so that its facing is
 * drawn on them in one: a front below its yoke, a skirt below its bodice. Common practice.
 */
export function laidAlong(g: Garment, x: Drafted, d: Decisions): Laid {
  let laid = alone(x.shell);
  for (let i = 0; i < MOST; i++) {
    const next = waysOn(g, laid, FACED)
      .filter((w) => w.other.ring.some((e) => FACED.has(e.role)))
      .map((w) => layTogether(laid, w.other, w.join, w.near, bandOf(d)))
      .find((l) => l && facedEdges(l.piece) > facedEdges(laid.piece) && goesOn(l));
    if (!next) return laid;
    laid = next;
  }
  return laid;
}

/** Whether the edges that are faced hang together: they follow each other round the ring. */
function goesOn({ piece: { ring } }: Laid): boolean {
  const n = ring.length;
  return ring.filter((e, i) => FACED.has(e.role) && !FACED.has((ring[(i + n - 1) % n] as Edge).role)).length === 1;
}

/**
 * The same with panels beyond the seams beside it, for a facing that finds no room on its own: the tailor lays the next one
 * to it. The first that makes room is taken.
 */
export function laidWider(
  g: Garment,
  start: Laid,
  d: Decisions,
  split: (p: Piece) => Result<Split> | null,
): { laid: Laid; split: Split } | null {
  let laid = start;
  // What goes along several panels can as well be cut in parts: it is not tried for long.
  const most = start.parts.length > 1 ? 2 : WIDER;
  for (let i = 0; i < most; i++) {
    const wider = waysOn(g, laid, FOOT).flatMap((w) => layTogether(laid, w.other, w.join, w.near, bandOf(d)) ?? []);
    for (const l of wider) {
      const made = split(l.piece);
      if (made?.ok) return { laid: l, split: made.value };
    }
    const [first] = wider;
    if (!first) return null;
    laid = first;
  }
  return null;
}

/** The most panels that lie between an opening and the side of a body. */
const TO_SIDE = 6;
const BESIDE: ReadonlySet<Role> = new Set<Role>([...FOOT, 'armhole']);

/**
 * Panels laid on to what lies until it has edges of all these roles, as a front cut into panels until its side is there; null
 * where no panel brings them.
 */
export function laidUpTo(g: Garment, start: Laid, d: Decisions, roles: Role[]): Laid | null {
  let laid = start;
  for (let i = 0; i < TO_SIDE; i++) {
    if (roles.every((r) => laid.piece.ring.some((e) => e.role === r))) return laid;
    const [next] = waysOn(g, laid, BESIDE).flatMap((w) => layTogether(laid, w.other, w.join, w.near, bandOf(d)) ?? []);
    if (!next) return null;
    laid = next;
  }
  return null;
}
