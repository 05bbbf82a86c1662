import { type Decisions } from '../../document/project.ts';
import { isRaglan, type Piece } from '../../pattern/index.ts';
import { type Finding } from '../../result.ts';
import { type Bands, facedAt } from '../facing/edgefacings.ts';
import { type Parts } from '../facing/neckfacings.ts';
import { type Hems, type InsidePieces, shellCapEase } from '../pieces.ts';
import { first } from '../shape/find.ts';
import { orient, runLength, type Split } from '../shape/oriented.ts';
import { backLining, frontLining, type LiningPiece, raglanLining, sleeveLining } from './lining.ts';
import { skirtLining } from './skirt.ts';

/** A front or back that is lined to its edge because no facing was asked for. */
function unsplit(piece: Piece | undefined): Split | undefined {
  if (!piece) return undefined;
  // The middle panel of a princess front or back has neither armhole nor side.
  const oriented =
    orient(piece, 'armhole', 'side') ?? orient(piece, 'side', 'hem') ?? orient(piece, 'neckline', 'shoulder');
  if (!oriented) return undefined;
  return { oriented, facing: [], lining: oriented.ring, ends: { first: 0, shoulder: 0 }, cornerRadius: 0 };
}

export function lineAll(
  p: InsidePieces,
  parts: Parts,
  cuffed: boolean,
  d: Decisions,
  findings: Finding[],
  hems: Hems,
): void {
  const take = (made: LiningPiece): Piece | undefined => {
    findings.push(...made.findings);
    return made.piece ?? undefined;
  };
  const faced = d.facing.on && !d.facing.bias.neck;
  const f = faced ? parts.front : unsplit(p.front);
  const b = faced ? parts.back : unsplit(p.back);
  if (f && d.lining.body) {
    const made = frontLining(f, d, !p.sleeve);
    hems.body = made.hem;
    p.frontLining = take(made);
  }
  if (b && d.lining.body) {
    const made = backLining(b, d, !p.sleeve);
    p.backLining = take(made);
    p.backUnderlap = made.under;
  }
  for (const kind of ['front', 'back'] as const) {
    const side = unsplit(p[`${kind}Side`]);
    const named = { id: `${kind}-side-lining`, name: `Side ${kind} lining` };
    if (side && d.lining.body) p[`${kind}SideLining`] = take(frontLining(side, d, !p.sleeve, named));
  }
  if (!p.sleeve || !d.lining.sleeves) return;
  const body = [p.frontLining, p.frontSideLining, p.backLining, p.backSideLining];
  const whole = body.every((q, i) => q || (i % 2 === 1 && !p[i === 1 ? 'frontSide' : 'backSide']));
  const armhole = armholeOf([...body, p.backFacing]);
  const top = isRaglan(p.sleeve) ? raglanTop(p.sleeve, parts, faced) : null;
  const made = top
    ? raglanLining(p.sleeve, top, armholeOf(body) + shellCapEase(p), cuffed, d)
    : sleeveLining(p.sleeve, p.underSleeve, whole && armhole > 0 && !d.lining.self ? armhole : null, cuffed, d);
  hems.wrist = made.hem;
  p.sleeveLining = take(made);
  p.underSleeveLining = made.under;
}

const armholeOf = (pieces: (Piece | undefined)[]): number =>
  pieces.reduce((t, q) => t + (q ? runLength(q.ring, 'armhole') : 0), 0);

/** What the neck facing leaves of a raglan sleeve; all of it where there is none. */
function raglanTop(sleeve: Piece, parts: Parts, faced: boolean): Split | null {
  if (faced) return parts.sleeve ?? null;
  const oriented = orient(sleeve, 'neckline', 'cap');
  return oriented && { oriented, facing: [], lining: oriented.ring, ends: { first: 0, shoulder: 0 }, cornerRadius: 0 };
}

export function lineSkirt(
  p: InsidePieces,
  shell: Piece[],
  bands: Bands,
  d: Decisions,
  findings: Finding[],
  hems: Hems,
): void {
  if (!d.lining.skirt) return;
  p.skirtFront = first(shell, 'skirt-front');
  p.skirtBack = first(shell, 'skirt-back');
  const covered = p.back ? runLength(p.back.ring, 'centre-back') : 0;
  for (const [key, piece] of [
    ['skirtFrontLining', p.skirtFront],
    ['skirtBackLining', p.skirtBack],
  ] as const) {
    if (!piece) continue;
    const made = skirtLining(piece, facedAt(bands, piece, 'waist'), covered, d);
    findings.push(...made.findings);
    p[key] = made.piece ?? undefined;
    if (made.under) p.skirtUnderlap = made.under;
    hems.body ??= made.hem;
  }
}
