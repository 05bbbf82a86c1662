import { type Bench } from './build.ts';

/** Staystitching lies this far inside the allowance from the seam line (1/8"). Common practice. */
const STAY_INSIDE = 3;

/** Cutting, fusing, staystitching, gathering ease: what every piece needs before it is joined. */
export function prepare(b: Bench): void {
  const all = [...b.g.shell, ...b.g.inside];
  b.add({
    id: 'cut',
    code: 'cut',
    section: 'prepare',
    station: 'table',
    pieces: all.map((p) => p.id),
    cautions: ['blades'],
  });
  fuseAll(b);
  staystitch(b);
  if (b.piece('back-lining')?.lines.some((l) => l.kind === 'pleat')) {
    b.add({
      id: 'pleat',
      code: 'baste-pleat',
      section: 'inside',
      station: 'machine',
      pieces: b.linings().filter((id) => id !== 'front-lining'),
      needs: ['cut'],
      data: { pleat: b.g.decisions.lining.pleat },
    });
  }
}

/** A test square, then each interfacing on its own piece. */
function fuseAll(b: Bench): void {
  const all = [...b.g.shell, ...b.g.inside];
  const interfacings = b.g.inside.filter((p) => p.material === 'interfacing');
  if (interfacings.length)
    b.add({
      id: 'test-fuse',
      code: 'test-fuse',
      section: 'prepare',
      station: 'iron',
      needs: ['cut'],
      cautions: ['iron', 'fumes'],
    });
  for (const p of interfacings) {
    const base = p.id.replace(/-interfacing$/, '');
    const target = all.some((q) => q.id === base) ? base : p.parent;
    b.add({
      id: `fuse:${p.id}`,
      code: 'fuse',
      section: 'prepare',
      station: 'iron',
      pieces: [target ?? '', p.id],
      needs: ['cut', 'test-fuse'],
      sides: 'wrong-up',
      cautions: ['iron', 'fumes'],
    });
  }
}

/** Necks, straight after fusing and before anything can stretch them. */
function staystitch(b: Bench): void {
  for (const kind of ['front', 'back'] as const) {
    const p = b.shell(kind);
    const neck = p?.ring.find((e) => e.role === 'neckline');
    if (!p || !neck) continue;
    const needs = ['cut', ...(kind === 'front' ? b.ifMade('fuse:front-edge-interfacing') : [])];
    b.add({
      id: `stay:${p.id}`,
      code: 'staystitch',
      section: 'prepare',
      station: 'machine',
      pieces: [p.id],
      needs,
      allowance: Math.max(0, neck.allowance - STAY_INSIDE),
      cautions: ['pins'],
      data: { inside: STAY_INSIDE },
    });
  }
}
