import { pathLength } from '../geometry/index.ts';
import { type Edge, type InternalLine, type Piece, type Role, reverseRing } from '../pattern/index.ts';
import { type Decisions, type HemChoice } from '../project.ts';
import { because, type Finding, type Reason, refuse, stop } from '../result.ts';
import { type LiningHem, liningHem } from './hem.ts';
import { makePiece } from './make.ts';
import { moveRun, orient, run } from './oriented.ts';
import { fitCap, raiseUnderarm } from './raise.ts';
import { type Split } from './split.ts';

export interface LiningPiece {
  piece: Piece | null;
  findings: Finding[];
  hem: LiningHem | null;
}

interface Hemmed {
  ring: Edge[];
  hem: LiningHem | null;
  findings: Finding[];
}

/** The lining's lower edge moved to where the hem rule puts it, with the allowance the rule asks. */
function hemmed(ring: Edge[], role: Role, choice: HemChoice, shell: Piece, sign: 1 | -1): Hemmed {
  const edge = run(shell.ring, role)[0];
  if (!edge) return { ring, hem: null, findings: [] };
  const made = liningHem(choice, edge.allowance);
  if (!made.ok)
    return {
      ring,
      hem: null,
      findings: made.findings.map((f) => ({ ...f, where: { piece: shell.id, edge: edge.id } })),
    };
  const { line, allowance } = made.value;
  const moved = moveRun(ring, role, -line, sign).map((e) => (e.role === role ? { ...e, allowance } : e));
  const n = moved.length;
  const corner = choice.kind === 'free' ? ('mirrored' as const) : ('mitred' as const);
  const squaredOff = moved.map((e, i) => (e.role === role || moved[(i + 1) % n]?.role === role ? { ...e, corner } : e));
  return { ring: squaredOff, hem: made.value, findings: [] };
}

const raiseReasons = (l: Decisions['lining']): Reason[] => [
  because('raise', 'memory', l.raise, { raise: l.raise }),
  because('let-out', 'memory', l.out, { out: l.out }),
];

/** Front lining: what the facing leaves, underarm raised, hem placed. */
export function frontLining(split: Split, d: Decisions): LiningPiece {
  const { piece, sign } = split.oriented;
  const raised = raiseUnderarm(split.lining, 'armhole', 'side', sign, d.lining.raise, d.lining.out);
  const h = hemmed(raised, 'hem', d.lining.hem, piece, sign);
  const reasons = [...raiseReasons(d.lining), ...(h.hem ? [h.hem.reason] : [])];
  const made = makePiece(piece, {
    id: 'front-lining',
    name: 'Front lining',
    material: 'lining',
    ring: h.ring,
    reasons,
  });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/** Back lining: as the front's, and half the centre-back pleat added beyond the centre back (fold or seam). */
export function backLining(split: Split, d: Decisions): LiningPiece {
  const { piece, sign } = split.oriented;
  const raised = raiseUnderarm(split.lining, 'armhole', 'side', sign, d.lining.raise, d.lining.out);
  const h = hemmed(raised, 'hem', d.lining.hem, piece, sign);
  const centre = run(h.ring, 'centre-back').flatMap((e) => e.path);
  const ring = moveRun(h.ring, 'centre-back', d.lining.pleat / 2, sign);
  const lines: InternalLine[] = d.lining.pleat > 0 && centre.length ? [{ kind: 'pleat', path: centre }] : [];
  const pleat = because('centre-back-pleat', 'memory', d.lining.pleat, { half: d.lining.pleat / 2 });
  const reasons = [pleat, ...raiseReasons(d.lining), ...(h.hem ? [h.hem.reason] : [])];
  const made = makePiece(piece, { id: 'back-lining', name: 'Back lining', material: 'lining', ring, reasons, lines });
  return { piece: made, findings: h.findings, hem: h.hem };
}

/**
 * Sleeve lining: underarm raised at both ends of the cap, hem placed, and the cap's height changed until it is longer
 * than the lining's armhole by the chosen ease (handbook range from memory: 10–20 mm).
 */
export function sleeveLining(sleeve: Piece, armhole: number | null, d: Decisions): LiningPiece {
  const o = orient(sleeve, 'cap', 'underarm');
  if (!o || run(sleeve.ring, 'wrist').length === 0) {
    const roles = 'cap, underarm, wrist';
    return { piece: null, hem: null, ...refusal('roles-missing', sleeve, { roles }) };
  }
  const { raise, out } = d.lining;
  const one = raiseUnderarm(o.ring, 'cap', 'underarm', o.sign, raise, out);
  const both = reverseRing(raiseUnderarm(reverseRing(one), 'cap', 'underarm', o.sign === 1 ? -1 : 1, raise, out));
  const h = hemmed(both, 'wrist', d.lining.wrist, sleeve, o.sign);
  const findings = [...h.findings];
  const reasons = [...raiseReasons(d.lining), ...(h.hem ? [h.hem.reason] : [])];
  let ring = h.ring;
  if (armhole !== null) {
    const fitted = fitCap(ring, armhole + d.lining.capEase);
    if (fitted) {
      ring = fitted.ring;
      reasons.push(because('cap-ease', 'memory', d.lining.capEase, { armhole, change: fitted.heightChange }));
    } else {
      const cap = run(ring, 'cap').reduce((s, e) => s + pathLength(e.path), 0);
      findings.push(...refusal('cap-cannot-fit', sleeve, { cap, armhole, ease: d.lining.capEase }).findings);
    }
  }
  const made = makePiece(sleeve, { id: 'sleeve-lining', name: 'Sleeve lining', material: 'lining', ring, reasons });
  return { piece: made, findings, hem: h.hem };
}

const refusal = (code: string, piece: Piece, data: Record<string, string | number>) =>
  refuse(stop(code, { piece: piece.id }, { name: piece.name, ...data }));
