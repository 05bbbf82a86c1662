import { type Decisions } from '../../document/project.ts';
import { pathLength } from '../../geometry/index.ts';
import { type Edge, type Piece, type PieceKind } from '../../pattern/index.ts';
import { because, type Finding, type Result } from '../../result.ts';
import { allInOne } from '../facing/edgefacing.ts';
import { derivePiece, onBias, stripRing } from '../shape/derivepiece.ts';
import { withYoke } from '../shape/joinyoke.ts';
import { runLength } from '../shape/oriented.ts';
import { frontZipStrips, RUNS_ON, zipStrips } from './frontinterfacing.ts';
import { interfaceWhole, trimmed, trimReason } from './interfacing.ts';

/** Pieces that are interfaced whole. Common practice. */
const WHOLE: ReadonlySet<PieceKind> = new Set<PieceKind>(['collar', 'stand', 'cuff', 'waistband', 'placket']);

/** How far below the underarm a back stay reaches, mm (handbook figure from memory). */
const STAY_SIDE = 75;

/** A bias strip for one hem, drawn straight: it is shaped to the hem with the iron. Handbook rule from memory. */
function hemStrip(piece: Piece, edges: Edge[], more: number): Piece {
  const length = edges.reduce((s, e) => s + pathLength(e.path), 0);
  const width = (edges[0]?.allowance ?? 0) + more;
  const made = derivePiece(piece, {
    id: `${piece.id}-hem-interfacing`,
    name: `${piece.name} hem strip, bias`,
    material: 'interfacing',
    ring: stripRing(length, width),
    reasons: [because('hem-strip', 'memory', width, { hem: edges[0]?.allowance ?? 0, more })],
  });
  return { ...made, grain: onBias(length, width) };
}

/** A stand is interfaced in both layers, or in one. */
function oneLayer(p: Piece, stand: Decisions['interfacing']['stand'], made: Piece): Piece {
  if (p.kind !== 'stand' || stand === 'both' || made.cut.count < 2) return made;
  return { ...made, cut: { ...made.cut, count: made.cut.count / 2, pair: false } };
}

/** Whether a zip closes the front, as the plan of making has it. */
const closesByZip = (d: Decisions): boolean => d.making.methods.front === 'zip';

/** So far the strip of a front zip runs on into a hood, mm. Common practice. */
const INTO_HOOD = 50;

/** The strips of a front zip: along all of the opening, on into the hood where there is one and into the rib below. */
function alongFront(shell: Piece[], d: Decisions): Piece[] {
  const edges = shell.filter((p) => p.kind !== 'hood' && p.ring.some((e) => e.role === 'front-edge'));
  const [first] = edges;
  if (!first) return [];
  const long = edges.reduce((t, p) => t + runLength(p.ring, 'front-edge'), 0);
  const { hem } = d.lining;
  const above = shell.some((p) => p.kind === 'hood') ? INTO_HOOD : RUNS_ON;
  const below = hem.kind === 'rib' ? hem.ribDepth : RUNS_ON;
  return [frontZipStrips(first, long, d.interfacing.zip, { above, below })];
}

/** Interfacings beside those of the facings: collars, cuffs, bands, hem strips and a stay for the upper back, yoke and all. */
export function moreInterfacings(shell: Piece[], back: Piece | undefined, d: Decisions, findings: Finding[]): Piece[] {
  const i = d.interfacing;
  const made = <T>(r: Result<T>): T[] => {
    if (!r.ok) findings.push(...r.findings);
    return r.ok ? [r.value] : [];
  };
  const out = i.collars
    ? shell
        .filter((p) => WHOLE.has(p.kind))
        .flatMap((p) => made(interfaceWhole(p, p, i.trim)).map((q) => oneLayer(p, i.stand, q)))
    : [];
  const { at } = d.lining.zip;
  const seamed = (p: Piece): boolean => p.ring.some((e) => e.role === at && !e.onFold);
  const zipped = [...(back ? [back] : []), ...shell].find(seamed);
  if (i.zip > 0 && d.lining.zip.length > 0 && zipped) out.push(zipStrips(zipped, d.lining.zip.length, i.zip));
  else if (i.zip > 0 && closesByZip(d)) out.push(...alongFront(shell, d));
  if (i.hems > 0)
    for (const p of shell) {
      const edges = p.ring.filter((e) => (e.role === 'hem' || e.role === 'wrist') && e.allowance > 0);
      if (edges.length) out.push(hemStrip(p, edges, i.hems));
    }
  if (i.stay > 0 && back) {
    const stay = allInOne(back, {
      centre: i.stay,
      side: STAY_SIDE,
      narrower: 0,
      finish: 'overlocked',
      id: 'back-stay-interfacing',
      name: 'Upper back stay',
    });
    const ring = stay.ok ? trimmed(back, stay.value.ring, i.trim, new Set(['inner'])) : stay;
    for (const r of made(ring))
      for (const q of made(stay))
        out.push({
          ...q,
          material: 'interfacing',
          ring: r,
          reasons: [because('back-stay', 'memory', i.stay, { side: STAY_SIDE }), trimReason(i.trim)],
          // Yoke and back are laid together first: the stay lies under both.
          stiffens: back.ring.some((e) => e.from && e.from.piece !== back.id) ? withYoke(back) : back.id,
        });
  }
  return out;
}
