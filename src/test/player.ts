import { type GarmentModel, type Joint, type PlanStep } from '../core/plan/index.ts';
import { handlesByHand } from './handles.ts';

// A second account of which orders can be done, played by brute force: every joint as cells of cloth, every edge as what lies on
// it, step after step. It knows the steps and the garment, and nothing of the checker.

const CELLS = 40;

/** What a step of a kind lays hands on: it is there only once a step of one of these kinds has made it. */
const OBJECT: Readonly<Record<string, readonly string[]>> = {
  'press-darts': ['sew-darts'],
  'press-part': ['turn-part'],
  'press-turned': ['turn', 'pull-through'],
  'catch-facing': ['turn', 'pull-through'],
  topstitch: ['turn-part', 'turn', 'pull-through'],
  'baste-collar': ['turn-part'],
  'sew-edge': ['baste-collar'],
  'bind-slit': ['cut-slit'],
  'press-slit': ['bind-slit'],
  'hem-slit': ['cut-slit'],
  'thread-elastic': ['stitch-casing'],
  'close-casing': ['thread-elastic'],
  'check-zip': ['baste-zip'],
  'press-bags': ['bags-on'],
  'bags-round': ['bags-on'],
  'neaten-bags': ['bags-round'],
  'french-second': ['french-first'],
  'fell-second': ['fell-trim'],
  'press-yoke': ['pull-yoke', 'yoke-sandwich'],
  'pull-yoke': ['yoke-roll'],
  'mark-mitre': ['press-hem'],
  'trim-mitre': ['sew-mitre'],
  'hem-blind': ['sew-mitre', 'trim-mitre'],
  'hem-machine': ['sew-mitre', 'trim-mitre'],
  'hem-rolled': ['sew-mitre', 'trim-mitre'],
  'stitch-tower': ['cut-tower', 'sew-tower'],
  'press-placket': ['sew-placket'],
  'cover-placket': ['sew-placket'],
  'half-press': ['half-cut', 'half-bands'],
  'half-box': ['half-cut', 'half-bands'],
};

interface State {
  /** Passes of every cell of every joint. */
  cells: Map<string, number[]>;
  /** Allowances that lie between layers: no blade comes to them. */
  caught: Set<string>;
  /** Closed flat between two layers, and inside out since. */
  flat: Map<string, { joint: Joint; step: PlanStep }>;
  /** Edges whose allowance lies in a closed edge. */
  closed: Map<string, string>;
  /** What has been done, by kind of step, on which layers. */
  done: PlanStep[];
  shut: boolean;
}

const partOf = (key: string): string => key.slice(0, key.lastIndexOf('/'));
const keysOf = (j: Joint): string[] => [...j.a, ...j.b];
const closesFlat = (s: PlanStep): boolean => s.stack.some((l) => l.swings === 2);

/** Everything that stands against a sequence, in a word each; none where it can be done to the end. */
export function play(steps: PlanStep[], making: GarmentModel, usual: PlanStep[]): string[] {
  const joints = new Map(making.joints.map((j) => [j.id, j]));
  const st: State = {
    cells: new Map(making.joints.map((j) => [j.id, Array(CELLS).fill(0)])),
    caught: new Set(),
    flat: new Map(),
    closed: new Map(),
    done: [],
    shut: false,
  };
  const out: string[] = [];
  for (const [i, s] of steps.entries()) {
    out.push(...objects(st, s, usual), ...against(st, s, steps.slice(i + 1), making, joints));
    act(st, s, making, joints);
  }
  return [...out, ...left(st, making), ...faces(steps, making)];
}

/** What a step acts on that is not there: by what this garment makes at all before it. */
function objects(st: State, s: PlanStep, usual: PlanStep[]): string[] {
  const cut = s.code !== 'cut' && !st.done.some((d) => d.code === 'cut');
  const at = usual.findIndex((d) => d.id === s.id);
  const slit = s.about === 'cuff' && s.sews.length > 0;
  const makes = (d: PlanStep): boolean =>
    (OBJECT[s.code]?.includes(d.code) && shares(d, s)) ||
    (slit && /slit|tower/.test(d.code) && /^(cut|bind|hem|stitch)/.test(d.code));
  const lacks = usual.slice(0, Math.max(0, at)).filter((d) => makes(d) && !st.done.some((x) => x.id === d.id));
  return [...(cut ? ['no cloth is cut yet'] : []), ...lacks.map((d) => `${d.id} has not been done`)];
}

function against(st: State, s: PlanStep, rest: PlanStep[], making: GarmentModel, joints: Map<string, Joint>): string[] {
  const out: string[] = [];
  for (const id of s.works) {
    const cells = st.cells.get(id) ?? [];
    const bare = cells.every((c) => c === 0);
    if (bare && s.code !== 'neaten' && rest.some((r) => r.sews.some((x) => x.joint === id)))
      out.push('no seam there yet');
    if (s.station === 'table' && !s.turns && st.caught.has(id)) out.push('its allowances are shut in');
  }
  for (const x of s.sews) {
    const j = joints.get(x.joint);
    // A gap in the middle of a seam touches neither of its ends.
    const middle = x.from > 1e-6 && x.to < 1 - 1e-6;
    if (j) out.push(...needle(st, s, rest, j), ...(middle ? [] : ends(st, s, j, making)));
  }
  if (st.shut && s.station !== 'hand' && withinLayers(s, making, joints, st)) out.push('no way in any more');
  if (s.turns) out.push(...turning(st, s, making));
  return out;
}

function shares(a: PlanStep, b: PlanStep): boolean {
  // Work on seams is on the same seam: one side of a piece can be felled while another waits to be trimmed.
  const [of, on] = [a, b].map((s) => [...s.sews.map((x) => x.joint), ...s.works]) as [string[], string[]];
  if (of.length && on.length) return of.some((j) => on.includes(j));
  return (a.about !== null && a.about === b.about) || !b.pieces.length || a.pieces.some((p) => b.pieces.includes(p));
}

/** Whether the needle gets there: cloth drawn in that is much too long, what a layer is to cover, nothing closed in the way. */
function needle(st: State, s: PlanStep, rest: PlanStep[], j: Joint): string[] {
  const out: string[] = [];
  const [long, short] = [Math.max(j.lengthA, j.lengthB), Math.min(j.lengthA, j.lengthB)];
  const pieces = keysOf(j).map(partOf);
  const draws = (x: PlanStep): boolean => /^gather(-wrist)?$/.test(x.code) && x.pieces.some((p) => pieces.includes(p));
  if (long - short > 0.12 * short && !st.done.some(draws) && rest.some(draws)) out.push('not drawn in yet');
  const under = j.covers;
  if (under && !s.sews.some((x) => x.joint === under) && (st.cells.get(under) ?? []).every((c) => c === 0))
    if (rest.some((r) => r.sews.some((x) => x.joint === under))) out.push('nothing to cover yet');
  const free = s.station === 'hand' || s.reached || j.closing;
  for (const k of free ? [] : keysOf(j)) {
    const by = st.closed.get(k);
    if (by && by !== s.id) out.push('that edge is closed');
  }
  return out;
}

/** Whether a seam's end is still free. */
function ends(st: State, s: PlanStep, j: Joint, making: GarmentModel): string[] {
  const out: string[] = [];
  if (s.station === 'hand' || s.reached || j.closing || s.foot === 'zip') return out;
  // The seam ends at a corner: what was closed across it before leaves no way to its last stitch, but where it stopped short.
  const layers = new Set(s.pieces.map((p) => making.parts.find((q) => q.id === p)?.layer));
  if (layers.size > 1) return out;
  for (const d of st.done) {
    if (!closesFlat(d) || d.stops.some((x) => x.code.startsWith('short'))) continue;
    const edges = new Set(
      d.sews.flatMap((x) =>
        x.from > 1e-6 && x.to < 1 - 1e-6 ? [] : keysOf(making.joints.find((q) => q.id === x.joint) as Joint),
      ),
    );
    const last = (k: string): boolean => lastSewn(st, k, making) === d.id;
    for (const k of keysOf(j))
      for (const n of beside(k, making)) if (edges.has(n) && last(n)) out.push('its end is closed');
  }
  return out;
}

/** The step that has sewn an edge to what closes it; null while it hangs open. */
function lastSewn(st: State, key: string, making: GarmentModel): string | null {
  const by = st.done.filter((d) =>
    d.sews.some((x) => {
      const j = making.joints.find((q) => q.id === x.joint);
      return j && keysOf(j).includes(key) && !(x.from > 1e-6 && x.to < 1 - 1e-6);
    }),
  );
  // A closed edge stays what it is; an open seam may be closed later.
  const closing = by.find((d) =>
    d.sews.some((x) => making.joints.some((q) => q.id === x.joint && q.closing && keysOf(q).includes(key))),
  );
  return closing && closesFlat(closing) ? closing.id : null;
}

/** Edges that meet an edge at its ends. */
function beside(key: string, making: GarmentModel): string[] {
  const p = making.parts.find((q) => q.id === partOf(key));
  const i = p?.ring.findIndex((e) => `${p.id}/${e.id}` === key) ?? -1;
  if (!p || i < 0 || p.ring[i]?.onFold) return [];
  return [p.ring.at(i - 1), p.ring[(i + 1) % p.ring.length]].flatMap((e) =>
    e && !e.onFold && p.ring.length > 1 ? [`${p.id}/${e.id}`] : [],
  );
}

/** Sewing or pressing between the layers. */
function withinLayers(s: PlanStep, making: GarmentModel, joints: Map<string, Joint>, st: State): boolean {
  const covered = (k: string): boolean => making.parts.find((p) => p.id === partOf(k))?.covered ?? false;
  const own = s.sews.map((x) => x.joint);
  const inside = [...s.works, ...own].some((id) => {
    const j = joints.get(id);
    return j && !j.closing && keysOf(j).every(covered);
  });
  const open = making.joints.some(
    (j) => j.closing && !own.includes(j.id) && (st.cells.get(j.id) ?? []).every((c) => c === 0),
  );
  return inside || (s.reached && own.length > 0 && !open);
}

/** An opening to turn a garment through, mm: handbook figures from memory. */
const WAY_OUT = { thin: 120, medium: 150, thick: 200 };

/** The longest opening of these layers, mm: edges that nothing is sewn to yet, or a stretch left open in a seam. */
function widest(st: State, within: Set<string>, making: GarmentModel): number {
  const enclosed = new Set(st.done.flatMap((d) => d.cares.filter((c) => c.how === 'enclosed').map((c) => c.edge)));
  const touched = making.joints.filter((j) => (st.cells.get(j.id) ?? []).some((c) => c > 0));
  const taken = new Set([...enclosed, ...touched.flatMap(keysOf)]);
  const FLAP = /collar|stand|hood|cuff|waistband|placket/;
  const parts = making.parts.filter((p) => within.has(p.id));
  const flaps = parts.every((p) => FLAP.test(p.kind));
  const open = new Map<string, number>();
  for (const p of parts.filter((q) => FLAP.test(q.kind) === flaps))
    for (const e of p.ring) {
      if (e.onFold || taken.has(`${p.id}/${e.id}`)) continue;
      const on = e.role === 'hem' || e.role === 'waist' ? `${p.layer} ${e.role}` : `${p.id} ${e.role}`;
      open.set(on, (open.get(on) ?? 0) + e.length);
    }
  // A cell may be cut by an opening's end: one more than is seen.
  const gap = (j: Joint): number => {
    const bare = (st.cells.get(j.id) ?? []).filter((c) => c === 0).length;
    const meant = Math.round((making.open[j.id] ?? 0) * CELLS);
    return bare > meant ? ((bare + 1) / CELLS) * j.lengthA : 0;
  };
  const gaps = touched.filter((j) => j.a.every((k) => within.has(partOf(k))) && !making.passes[j.id]).map(gap);
  return Math.max(0, ...open.values(), ...gaps);
}

/** Whether what was closed flat comes right side out: no tube or ring in the way, and an opening to pull it through. */
function turning(st: State, s: PlanStep, making: GarmentModel): string[] {
  const within = new Set(s.turns?.parts);
  const closed = [...st.flat.values()].filter((f) => keysOf(f.joint).every((k) => within.has(partOf(k))));
  if (!closed.length) return [];
  if (widest(st, within, making) < (s.turns?.how === 'part' ? 25 : WAY_OUT[making.bulk]))
    return ['no opening to turn it through'];
  if (s.turns?.how === 'part') return [];
  const shut = new Set(closed.flatMap((f) => keysOf(f.joint)));
  const sewn = making.joints.filter((j) => !j.closing && (st.cells.get(j.id) ?? []).some((c) => c > 0));
  return handlesByHand(making, sewn, shut) ? ['it cannot be turned'] : [];
}

function act(st: State, s: PlanStep, making: GarmentModel, joints: Map<string, Joint>): void {
  for (const { joint, from, to } of s.sews) {
    const j = joints.get(joint);
    const cells = st.cells.get(joint);
    if (!j || !cells) continue;
    if (j.covers && !s.sews.some((x) => x.joint === j.covers)) st.caught.add(j.covers);
    cells.forEach((_, i) => {
      if ((i + 0.5) / CELLS >= from && (i + 0.5) / CELLS < to) cells[i] = (cells[i] ?? 0) + 1;
    });
    const asked = making.passes[joint] ?? 1;
    if (asked > 1 && cells.some((c) => c >= asked)) st.caught.add(joint);
    if (j.closing && closesFlat(s)) {
      for (const k of keysOf(j)) st.closed.set(k, s.id);
      if (!s.reached && s.station !== 'hand') st.flat.set(joint, { joint: j, step: s });
    }
  }
  if (s.turns)
    for (const [id, f] of st.flat)
      if (keysOf(f.joint).every((k) => s.turns?.parts.includes(partOf(k)))) {
        st.flat.delete(id);
        st.caught.add(id);
      }
  // What was sewn between the layers of a part is inside it once that is turned.
  if (s.turns?.how === 'part')
    for (const d of st.done)
      if (d.about && d.about === s.about && d.cares.some((c) => c.how === 'enclosed'))
        for (const x of d.sews) st.caught.add(x.joint);
  if (s.code === 'close-opening') st.shut = true;
  st.done.push(s);
}

/** What is wrong with the garment once all is done. */
function left(st: State, making: GarmentModel): string[] {
  const out: string[] = [];
  for (const j of making.joints) {
    const asked = making.passes[j.id] ?? 1;
    const mouth = making.mouths[j.id];
    (st.cells.get(j.id) ?? []).forEach((count, i) => {
      const at = (i + 0.5) / CELLS;
      const open = at > 1 - (making.open[j.id] ?? 0) || (mouth && at > mouth.from && at < mouth.to);
      if (count !== (open ? 0 : asked)) out.push(`${j.id} is sewn ${count} times`);
    });
  }
  if (st.flat.size) out.push('inside out');
  const safe = new Set(st.done.flatMap((d) => d.cares.filter((c) => c.how !== 'seamed').map((c) => c.edge)));
  const seamed = new Set(st.done.flatMap((d) => d.cares.map((c) => c.edge)));
  for (const p of making.parts) {
    const keys = p.ring.filter((e) => !e.onFold).map((e) => `${p.id}/${e.id}`);
    if (keys.every((k) => !seamed.has(k))) continue;
    if (keys.some((k) => !safe.has(k) && !(p.covered && seamed.has(k)))) out.push(`${p.id} is raw`);
  }
  return out;
}

/** Right sides that look the wrong way where layers were joined. */
function faces(steps: PlanStep[], making: GarmentModel): string[] {
  const outward = (id: string): boolean => {
    const p = making.parts.find((q) => q.id === id);
    return p?.layer === 'outer' || (making.lace && p?.material === 'lining');
  };
  return steps.flatMap((s) => {
    const laid = s.stack.filter((l) => !l.hem && making.parts.some((p) => p.id === l.part));
    const shown = laid.map((l) => (l.up === 'right') !== (l.swings === 1));
    return laid.some((l, i) => (shown[i] === shown[0]) !== (outward(l.part) === outward(laid[0]?.part ?? '')))
      ? ['a layer looks the wrong way']
      : [];
  });
}
