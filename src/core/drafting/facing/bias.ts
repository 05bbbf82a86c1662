import { type Decisions } from '../../document/project.ts';
import { pathLength } from '../../geometry/index.ts';
import { allEdges, type Edge, type Piece, type PieceKind, type Role } from '../../pattern/index.ts';
import { because, type Finding, type Reason } from '../../result.ts';
import { times } from '../ribs.ts';
import { derivePiece, onBias, stripRing } from '../shape/derivepiece.ts';

/** A bias strip for one opening: how it is cut, mm. */
export interface BiasCut {
  /** Length of the edge it goes round, and of the strip: shorter on a hollow edge, its ends or join added. */
  edge: number;
  length: number;
  width: number;
}

/** What is folded under at the free edge of a strip that is turned inside, mm. Common practice. */
const UNDER = 6;
/** Each end of a strip, or its join: a seam of this (mm). Common practice. */
const END = 10;

/**
 * Wrapped: the edge's allowance is trimmed away and a strip of four times the finished width goes round it. Turned inside: the
 * edge keeps its seam, and the strip is seam + width + turn-under wide. It is cut shorter than a hollow edge by `shorter`
 * per cent (2–5, handbook figure from memory), so that it lies flat. Common practice.
 */
export function biasCut(edge: number, seam: number, bias: Decisions['facing']['bias']): BiasCut {
  const width = bias.school === 'wrapped' ? 4 * bias.finished : seam + bias.finished + UNDER;
  return { edge, length: edge * (1 - bias.shorter / 100) + 2 * END, width };
}

/**
 * How long a strip of `width` mm a rectangle of cloth yields when it is cut on the bias and joined, mm: its area over the
 * width, less a seam at each of the joins. A strip across the cloth is as long as its shorter side times √2 at most.
 */
export function biasYield(across: number, down: number, width: number): number {
  const short = Math.min(across, down);
  const one = (short - width / Math.SQRT2) * Math.SQRT2;
  if (one <= 0) return 0;
  const whole = (across * down) / width;
  const joins = Math.max(0, Math.ceil(whole / one) - 1);
  return Math.max(0, whole - joins * 2 * END);
}

const sum = (edges: Edge[]): number => edges.reduce((s, e) => s + pathLength(e.path), 0);

interface Opening {
  id: string;
  name: string;
  role: Role;
  /** How many such openings the garment has. */
  count: number;
}

/** Pieces whose necks and armholes are bound. */
const CARRIERS: ReadonlySet<PieceKind> = new Set<PieceKind>(['front', 'back', 'yoke']);

const NECK: Opening = { id: 'neck-bias', name: 'Neck bias strip', role: 'neckline', count: 1 };
const ARMHOLE: Opening = { id: 'armhole-bias', name: 'Armhole bias strip', role: 'armhole', count: 2 };

/** The bias strips that were asked for in place of shaped facings, and what they ask of the shell. */
export function biasStrips(shell: Piece[], d: Decisions): { pieces: Piece[]; findings: Finding[] } {
  const { bias } = d.facing;
  const sleeveless = !shell.some((p) => p.kind === 'sleeve');
  const wanted = [...(bias.neck ? [NECK] : []), ...(bias.armhole && sleeveless ? [ARMHOLE] : [])];
  const pieces: Piece[] = [];
  const findings: Finding[] = [];
  for (const o of wanted) {
    const along = (p: Piece): Edge[] => allEdges(p).filter((e) => e.role === o.role);
    const carriers = shell.filter((p) => (CARRIERS.has(p.kind) || p.openings) && along(p).length);
    const edges = carriers.flatMap(along);
    const [parent, first] = [carriers[0], edges[0]];
    if (!parent || !first) continue;
    // A neck goes round both halves, of which a piece cut as a pair or on the fold shows one; an armhole lies in one.
    const edge = carriers.reduce((t, p) => t + sum(along(p)) * (o.role === 'neckline' ? times(p) : 1), 0);
    const cut = biasCut(edge, first.allowance, bias);
    pieces.push(strip(parent, o, cut, first.allowance, bias));
    if (bias.school === 'wrapped' && edges.some((e) => e.allowance > 0))
      findings.push({
        code: 'trim-for-binding',
        severity: 'note',
        where: { piece: parent.id, edge: first.id },
        data: { role: o.role, allowance: Math.max(...edges.map((e) => e.allowance)) },
      });
  }
  return { pieces, findings };
}

function strip(parent: Piece, o: Opening, cut: BiasCut, seam: number, bias: Decisions['facing']['bias']): Piece {
  const ring = stripRing(cut.length, cut.width);
  const reasons: Reason[] = [
    bias.school === 'wrapped'
      ? because('bias-wrapped', 'practice', cut.width, { finished: bias.finished })
      : because('bias-turned', 'practice', cut.width, { finished: bias.finished, seam, under: UNDER }),
    because('bias-length', 'memory', cut.length, { edge: cut.edge, percent: bias.shorter, end: END }),
    because('bias-yield', 'derived', biasYield(300, 300, cut.width), { side: 300 }),
  ];
  const made = derivePiece(parent, { id: o.id, name: o.name, material: 'facing', ring, reasons });
  return {
    ...made,
    cut: { count: o.count, pair: false, onFold: false },
    grain: onBias(cut.length, cut.width),
  };
}
