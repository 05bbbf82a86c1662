import { curvatureAt } from '../geometry/index.ts';
import { outlineOf, type Piece } from '../pattern/index.ts';
import { type Bench } from './build.ts';

/** Length of the opening left for turning, mm: 120–200 by handbooks, from memory. */
const OPENING = 150;
/** The hem seam stops this far before the facing, so that hem and facing can still be turned up together. */
const HEM_STOP = 25;
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
    const target = p.id === 'front-edge-interfacing' ? p.parent : p.id.replace(/-interfacing$/, '');
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
  if (b.piece('back-lining')?.lines.some((l) => l.kind === 'pleat')) {
    b.add({
      id: 'pleat',
      code: 'baste-pleat',
      section: 'inside',
      station: 'machine',
      pieces: ['back-lining'],
      needs: ['cut'],
      data: { pleat: b.g.decisions.lining.pleat },
    });
  }
}

/** The shell: shoulders, side and underarm seams, sleeves set in the round, hems pressed up while they can lie flat. */
export function shell(b: Bench): void {
  const front = b.shell('front');
  const back = b.shell('back');
  const sleeve = b.shell('sleeve');
  const stays = [front, back].flatMap((p) => (p ? b.ifMade(`stay:${p.id}`) : []));
  b.join(['shell-centre-back'], 'shell', stays);
  b.join(['shell-shoulder'], 'shell', [...stays, ...b.ifMade('press:shell-centre-back')]);
  b.join(['shell-side'], 'shell', []);
  b.join(['shell-underarm'], 'shell', []);
  setSleeve(b, 'shell', sleeve, 'shell-cap', ['press:shell-shoulder', 'press:shell-side', 'press:shell-underarm']);
  const hemmed = [front, back].filter((p): p is Piece => p?.ring.some((e) => e.role === 'hem') ?? false);
  const hem = hemmed[0]?.ring.find((e) => e.role === 'hem')?.allowance ?? 0;
  if (hemmed.length)
    b.add({
      id: 'press-hem',
      code: 'press-hem',
      section: 'shell',
      station: 'iron',
      pieces: hemmed.map((p) => p.id),
      needs: ['cut', ...b.ifMade('press:shell-side')],
      press: 'hem-up',
      cautions: ['iron'],
      data: { depth: hem },
    });
  const wrist = sleeve?.ring.find((e) => e.role === 'wrist')?.allowance ?? 0;
  if (sleeve && wrist)
    b.add({
      id: 'press-wrist',
      code: 'press-wrist',
      section: 'shell',
      station: 'iron',
      pieces: [sleeve.id],
      needs: ['cut', ...b.ifMade('press:shell-underarm')],
      press: 'hem-up',
      cautions: ['iron'],
      data: { depth: wrist },
    });
}

function setSleeve(
  b: Bench,
  section: 'shell' | 'inside',
  sleeve: Piece | undefined,
  seam: string,
  needs: string[],
): void {
  if (!sleeve || !b.seam(seam)) return;
  const ease = b.seam(seam)?.differenceMm ?? 0;
  const gather = `ease:${sleeve.id}`;
  b.add({
    id: gather,
    code: 'ease-cap',
    section,
    station: 'machine',
    pieces: [sleeve.id],
    needs: ['cut'],
    data: { ease },
  });
  b.join([seam], section, [gather, ...b.ifMade(...needs)], { cautions: ['pins', 'thick-seam'] });
}

/** Facings and lining made up into one inside. A bagged lining leaves its opening in the left sleeve's underarm seam. */
export function inside(b: Bench): void {
  const fused = (id: string) => b.ifMade(`fuse:${id}-interfacing`);
  b.join(['inside-facing-line-front'], 'inside', fused('front-facing'));
  b.join(['inside-facing-line-back'], 'inside', [...fused('back-facing'), ...b.ifMade('pleat')]);
  const flat = b.ifMade('press:inside-facing-line-front', 'press:inside-facing-line-back');
  b.join(
    ['inside-facing-shoulder', 'inside-lining-shoulder'].filter((id) => b.seam(id)),
    'inside',
    [...flat, ...fused('front-facing'), ...fused('back-facing'), ...b.ifMade('pleat')],
  );
  b.join(['inside-lining-side'], 'inside', []);
  const opening = bagged(b) ? [{ code: 'opening', mm: OPENING }] : [];
  b.join(['inside-lining-underarm'], 'inside', [], { stops: opening });
  const shoulders = b.ifMade('press:inside-facing-shoulder', 'press:inside-lining-shoulder');
  setSleeve(b, 'inside', b.piece('sleeve-lining'), 'inside-lining-cap', [
    ...shoulders,
    'press:inside-lining-side',
    'press:inside-lining-underarm',
  ]);
  const facingEdges = ['front-facing', 'back-facing']
    .filter((id) => b.piece(id))
    .flatMap((id) => b.edges(b.piece(id), 'facing-line'));
  if (facingEdges.length && !b.piece('front-lining') && !b.piece('back-lining')) {
    b.add({
      id: 'neaten',
      code: 'neaten-facing',
      section: 'inside',
      station: 'machine',
      pieces: ['front-facing', 'back-facing'].filter((id) => b.piece(id)),
      needs: ['cut', ...shoulders],
      edges: facingEdges,
    });
  }
}

/** Both lining hems held to the shell's: the coat is then closed all round and is turned through an opening. */
export const bagged = (b: Bench): boolean => {
  const l = b.g.decisions.lining;
  return (
    l.on &&
    l.hem.kind === 'joined' &&
    b.seam('closing-hem-front') !== undefined &&
    b.seam('inside-lining-underarm') !== undefined
  );
};

/** Shell and inside joined along front edges and neck, then hems and wrists, turned and closed. */
export function joining(b: Bench): void {
  const edges = ['closing-front-edge', 'closing-neckline-front', 'closing-neckline-back'].filter((id) => b.seam(id));
  const neckSeams = b.ifMade(
    'press:shell-shoulder',
    'press:inside-facing-shoulder',
    'press:inside-lining-shoulder',
    'press:shell-cap',
    'press:inside-lining-cap',
    'press:inside-lining-side',
    'press:shell-side',
    'press-hem',
    'neaten',
  );
  const facing = b.piece('front-facing');
  if (edges.length) {
    if (!bagged(b)) liningHem(b);
    sewEdge(b, edges, [...neckSeams, ...b.ifMade('lining-hem')], facing);
  }
  const held = b.ifMade('understitch');
  wrists(b, held);
  if (bagged(b)) bag(b, held);
  else hangFree(b, held);
}

function sewEdge(b: Bench, ids: string[], needs: string[], facing: Piece | undefined): void {
  const seams = ids.map((id) => b.seam(id)).filter((s) => s !== undefined);
  const sides = seams.flatMap((s) => [...s.a, ...s.b]);
  const first = seams[0];
  b.add({
    id: 'sew-edge',
    code: 'sew-edge',
    section: 'joining',
    station: 'machine',
    pieces: [...new Set(sides.map((s) => s.piece))],
    seams: ids,
    needs,
    edges: [...new Set(sides.map((s) => `${s.piece}/${s.edge}`)), ...b.edges(facing, 'hem')],
    sides: 'right-together',
    allowance: first ? b.allowanceOf(first) : 0,
    stops: facing ? [{ code: 'pivot-at-hem', mm: 0 }] : [],
    cautions: ['pins', 'thick-seam'],
    data: { length: seams.reduce((t, s) => t + s.lengthAMm, 0) },
  });
  b.add({
    id: 'grade',
    code: 'grade-edge',
    section: 'joining',
    station: 'table',
    pieces: [],
    needs: ['sew-edge'],
    cautions: ['blades'],
    data: gradeFigures(b, first ? b.allowanceOf(first) : 15),
  });
  b.add({
    id: 'understitch',
    code: 'understitch',
    section: 'joining',
    station: 'machine',
    pieces: facing ? [facing.id, 'back-facing'] : [],
    needs: ['grade'],
    cautions: ['pins'],
  });
}

/** Steps of the grading and the spacing of clips round the tightest part of the neck: a quarter of its radius, 6–20 mm. */
function gradeFigures(b: Bench, allowance: number): Record<string, number> {
  const necks = [b.shell('front'), b.shell('back')].flatMap((p) =>
    p ? outlineOf(p.ring.filter((e) => e.role === 'neckline')) : [],
  );
  const tightest = Math.max(
    1e-6,
    ...necks.flatMap((s) => [0.1, 0.3, 0.5, 0.7, 0.9].map((t) => Math.abs(curvatureAt(s, t)))),
  );
  return {
    wide: Math.round(allowance * 0.66),
    narrow: Math.round(allowance * 0.4),
    radius: 1 / tightest,
    every: Math.min(20, Math.max(6, 0.25 / tightest)),
  };
}

function wrists(b: Bench, held: string[]): void {
  const sleeve = b.shell('sleeve');
  const lining = b.piece('sleeve-lining');
  const seam = b.seam('closing-wrist');
  if (seam && sleeve && lining) {
    const needs = [...held, ...b.ifMade('press:shell-cap', 'press:inside-lining-cap', 'press-wrist')];
    b.add({
      id: 'sew-wrist',
      code: 'sew-wrist',
      section: 'joining',
      station: 'machine',
      pieces: [sleeve.id, lining.id],
      seams: [seam.id],
      needs,
      edges: [...b.edges(sleeve, 'wrist'), ...b.edges(lining, 'wrist')],
      sides: 'right-together',
      allowance: b.g.decisions.lining.wrist.seam,
      cautions: ['pins'],
      data: { a: seam.lengthAMm, b: seam.lengthBMm },
    });
    return;
  }
  if (lining)
    b.add({
      id: 'lining-wrist',
      code: 'lining-wrist',
      section: 'inside',
      station: 'machine',
      pieces: [lining.id],
      needs: b.ifMade('press:inside-lining-underarm', 'cut'),
      edges: b.edges(lining, 'wrist'),
      data: turns(b.g.decisions.lining.wrist),
    });
  if (sleeve)
    b.add({
      id: 'shell-wrist',
      code: 'shell-wrist',
      section: 'finish',
      station: 'hand',
      pieces: [sleeve.id],
      needs: [...held, ...b.ifMade('press-wrist', 'press:shell-cap', 'lining-wrist')],
      edges: b.edges(sleeve, 'wrist'),
      cautions: ['pins'],
    });
}

const turns = (h: { turn1: number; turn2: number }): Record<string, number> => ({ turn1: h.turn1, turn2: h.turn2 });

function liningHem(b: Bench): void {
  const hems = ['front-lining', 'back-lining'].filter((id) => b.piece(id));
  if (!hems.length) return;
  b.add({
    id: 'lining-hem',
    code: 'lining-hem',
    section: 'inside',
    station: 'machine',
    pieces: hems,
    needs: ['cut', ...b.ifMade('press:inside-lining-side', 'press:inside-facing-line-front')],
    edges: hems.flatMap((id) => b.edges(b.piece(id), 'hem')),
    cautions: ['pins'],
    data: turns(b.g.decisions.lining.hem),
  });
}

const shellHems = (b: Bench): string[] => [b.shell('front'), b.shell('back')].flatMap((p) => b.edges(p, 'hem'));

function bag(b: Bench, held: string[]): void {
  const seams = ['closing-hem-front', 'closing-hem-back'].filter((id) => b.seam(id));
  const linings = ['front-lining', 'back-lining'].filter((id) => b.piece(id));
  const edges = [...shellHems(b), ...linings.flatMap((id) => b.edges(b.piece(id), 'hem'))];
  const length = seams.reduce((t, id) => t + (b.seam(id)?.lengthAMm ?? 0), 0);
  const shellIds = [b.shell('front'), b.shell('back')].flatMap((p) => (p ? [p.id] : []));
  b.add({
    id: 'sew-hem',
    code: 'sew-hem',
    section: 'joining',
    station: 'machine',
    pieces: [...shellIds, ...linings],
    seams,
    needs: [...held, ...b.ifMade('sew-wrist', 'press:inside-lining-side', 'press-hem')],
    edges,
    sides: 'right-together',
    allowance: b.g.decisions.lining.hem.seam,
    stops: [{ code: 'stop-before-facing', mm: HEM_STOP }],
    cautions: ['pins'],
    data: { length },
  });
  b.add({
    id: 'turn',
    code: 'turn',
    section: 'joining',
    station: 'table',
    needs: ['sew-hem', ...b.ifMade('sew-wrist', 'lining-wrist')],
    data: { opening: OPENING },
  });
  b.add({
    id: 'tack-hem',
    code: 'tack-hem',
    section: 'finish',
    station: 'hand',
    needs: ['turn', ...b.ifMade('shell-wrist')],
    cautions: ['pins'],
  });
  b.add({
    id: 'close-opening',
    code: 'close-opening',
    section: 'finish',
    station: 'machine',
    pieces: ['sleeve-lining'],
    needs: ['tack-hem'],
    data: { opening: OPENING },
  });
}

function hangFree(b: Bench, held: string[]): void {
  if (held.length)
    b.add({
      id: 'turn',
      code: 'turn',
      section: 'joining',
      station: 'table',
      needs: [...held, ...b.ifMade('sew-wrist')],
      data: { opening: 0 },
    });
  const hem = b.shell('front')?.ring.find((e) => e.role === 'hem')?.allowance ?? 0;
  const shellIds = [b.shell('front'), b.shell('back')].flatMap((p) => (p ? [p.id] : []));
  if (shellIds.length)
    b.add({
      id: 'shell-hem',
      code: 'shell-hem',
      section: 'finish',
      station: 'hand',
      pieces: shellIds,
      needs: ['cut', ...b.ifMade('turn', 'press-hem')],
      edges: shellHems(b),
      cautions: ['pins'],
      data: { depth: hem },
    });
  if (b.made('lining-hem'))
    b.add({
      id: 'chains',
      code: 'thread-chains',
      section: 'finish',
      station: 'hand',
      needs: b.ifMade('shell-hem', 'lining-hem'),
    });
}

/** Last pressing, then buttonholes practised, sewn, cut, and buttons. */
export function finish(b: Bench): void {
  const done = b.ifMade('close-opening', 'turn', 'shell-hem', 'shell-wrist', 'chains', 'tack-hem');
  if (!done.length) return;
  b.add({
    id: 'press-all',
    code: 'press-all',
    section: 'finish',
    station: 'iron',
    needs: done,
    press: 'edges-roll',
    cautions: ['iron'],
  });
  const { buttons, hole } = b.g;
  if (!buttons || !hole) return;
  const front = b.shell('front')?.id ?? '';
  const data = { buttons, opening: hole.opening, overall: hole.overall };
  b.add({
    id: 'practise',
    code: 'practise-holes',
    section: 'finish',
    station: 'buttonhole',
    needs: ['press-all'],
    data,
  });
  b.add({
    id: 'mark-holes',
    code: 'mark-holes',
    section: 'finish',
    station: 'table',
    pieces: [front],
    needs: ['press-all'],
    data,
  });
  b.add({
    id: 'holes',
    code: 'sew-holes',
    section: 'finish',
    station: 'buttonhole',
    pieces: [front],
    needs: ['practise', 'mark-holes'],
    cautions: ['thick-seam'],
    data,
  });
  b.add({
    id: 'cut-holes',
    code: 'cut-holes',
    section: 'finish',
    station: 'table',
    pieces: [front],
    needs: ['holes'],
    cautions: ['ripper'],
    data,
  });
  b.add({
    id: 'buttons',
    code: 'sew-buttons',
    section: 'finish',
    station: 'hand',
    pieces: [front],
    needs: ['cut-holes'],
    cautions: ['small-parts'],
    data,
  });
}
