import { type Piece } from '../pattern/index.ts';
import { type Finding, stop } from '../result.ts';
import { type Operation } from './types.ts';

/**
 * Looks at a finished sequence without knowing how it was made: nothing used before it exists, every seam sewn once,
 * every raw edge of cloth taken care of once, a way left open to turn the coat and closed afterwards.
 */
export function checkSequence(steps: Operation[], pieces: Piece[]): Finding[] {
  const out: Finding[] = [];
  const made = new Set<string>();
  const seams = new Map<string, number>();
  const cared = new Map<string, number>();
  for (const s of steps) {
    for (const n of s.needs) if (!made.has(n)) out.push(stop('used-before-made', undefined, { step: s.id, need: n }));
    for (const m of s.makes) made.add(m);
    for (const q of s.seams) seams.set(q, (seams.get(q) ?? 0) + 1);
    for (const e of s.edges) cared.set(e, (cared.get(e) ?? 0) + 1);
  }
  for (const [seam, times] of seams) if (times !== 1) out.push(stop('seam-sewn-twice', undefined, { seam, times }));
  out.push(...edgesLeft(pieces, cared), ...turning(steps));
  return out;
}

function edgesLeft(pieces: Piece[], cared: Map<string, number>): Finding[] {
  const out: Finding[] = [];
  for (const p of pieces) {
    if (p.material === 'interfacing') continue;
    if (p.ring.every((e) => !cared.has(`${p.id}/${e.id}`))) {
      out.push({ code: 'piece-not-planned', severity: 'note', where: { piece: p.id }, data: { name: p.name } });
      continue;
    }
    for (const e of p.ring) {
      const times = cared.get(`${p.id}/${e.id}`) ?? 0;
      if (!e.onFold && times === 0)
        out.push({
          ...stop('edge-left-raw', { piece: p.id, edge: e.id }, { name: p.name, role: e.role }),
          severity: 'warn',
        });
    }
  }
  return out;
}

/** Whatever is turned needs an opening made before and closed after, or an edge that is finished later. */
function turning(steps: Operation[]): Finding[] {
  const turn = steps.findIndex((s) => s.code === 'turn');
  if (turn < 0) return [];
  const opened = steps.findIndex((s) => s.stops.some((p) => p.code === 'opening'));
  const later = steps.findIndex(
    (s, i) => i > turn && (s.code === 'close-opening' || s.code === 'lining-hem' || s.code === 'shell-hem'),
  );
  const out: Finding[] = [];
  const freeHem = steps.some((s, i) => i > turn && s.code === 'shell-hem');
  if ((opened < 0 || opened > turn) && !freeHem) out.push(stop('no-way-to-turn', undefined, {}));
  if (later < 0) out.push(stop('opening-never-closed', undefined, {}));
  return out;
}
