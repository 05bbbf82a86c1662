import { type Decisions, type HemChoice } from '../../document/project.ts';
import { because, ok, type Reason, type Result, refuse, stop } from '../../result.ts';

/** Where the lining's lower edge lies. Heights in mm above the shell's finished hem, upward positive. */
export interface LiningHem {
  /** The lining's seam line (joined) or finished edge (free). */
  line: number;
  /** Allowance below it: the seam to the hem, or the two turns. */
  allowance: number;
  /** Joined: cloth to spare in the fold (the jump pleat). Free: 0. */
  slack: number;
  reason: Reason;
}

/**
 * Joined with a jump pleat. The lining is sewn with seam s to the raw edge of a shell hem of depth H, so its upper end is
 * held at H − s; with its seam line drawn at height L the slack is (H − s) − L and the fold hangs to (H − s + L)/2.
 * For a clearance c therefore L = 2c − (H − s). Derived.
 */
export function joinedHem(depth: number, seam: number, clearance: number): Result<LiningHem> {
  const held = depth - seam;
  const most = held - 2;
  if (held <= 0) return refuse(stop('hem-too-shallow', undefined, { depth, seam }));
  if (clearance < 0 || clearance > most)
    return refuse(stop('jump-pleat-impossible', undefined, { clearance, most, depth, seam }));
  const line = 2 * clearance - held;
  const reason = because('jump-pleat', 'derived', line, { c: clearance, H: depth, s: seam });
  return ok({ line, allowance: seam, slack: held - line, reason });
}

/**
 * Hanging free. The lining is finished at height c and turned t1 + t2, so its cut edge lies at c − (t1 + t2), and
 * R = h + c − t1 − t2 comes off a lining cut like a shell with hem allowance h. Derived.
 */
export function freeHem(shellAllowance: number, above: number, turn1: number, turn2: number): Result<LiningHem> {
  if (turn1 < 0 || turn2 <= 0 || above < 0)
    return refuse(stop('free-hem-impossible', undefined, { above, turn1, turn2 }));
  const off = shellAllowance + above - turn1 - turn2;
  const reason = because('free-hem', 'derived', off, { h: shellAllowance, c: above, t1: turn1, t2: turn2 });
  return ok({ line: above, allowance: turn1 + turn2, slack: 0, reason });
}

/** Sewn edge to edge, to the shell or to the two edges of a rib: shell-length, with the shell's own allowance. */
const toEdge = (kind: 'rib' | 'edge', allowance: number): Result<LiningHem> =>
  ok({ line: 0, allowance, slack: 0, reason: because(`to-${kind}`, 'practice', allowance) });

/**
 * Where the lining's lower edge lies for the choice made. A hem that is faced has the facing's width for its depth: the
 * lining is then sewn to the facing's raw edge (mm; null where it is turned).
 */
export function liningHem(choice: HemChoice, shellAllowance: number, faced: number | null = null): Result<LiningHem> {
  if (choice.kind === 'joined') return joinedHem(faced ?? shellAllowance, choice.seam, choice.clearance);
  if (choice.kind === 'free') return freeHem(shellAllowance, choice.above, choice.turn1, choice.turn2);
  return toEdge(choice.kind, shellAllowance);
}

/** Width of the facing along a hem or wrist, where it is faced and not turned. */
export const facedHem = (d: Decisions, role: 'hem' | 'wrist'): number | null =>
  d.facing.on && d.facing.bands[role] > 0 ? d.facing.bands[role] : null;

/**
 * Lining cut back beside a zip, a vent's folding side or any edge whose allowance A turns in: joined with s1 on the shell
 * and s2 on the lining it is cut back by R = 2A − s1 − s2 from the shell's cut edge. Derived.
 */
export const cutBack = (turned: number, shellSeam: number, liningSeam: number): number =>
  2 * turned - shellSeam - liningSeam;
