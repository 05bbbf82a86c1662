import { type Bench } from './build.ts';
import { OPENING } from './inside.ts';

/** The hem seam stops this far before the facing, so that hem and facing can still be turned up together. */
const HEM_STOP = 25;

/** Wrists of sleeve and lining joined, or each hemmed on its own. */
export function wrists(b: Bench, held: string[]): void {
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

/** The free lining's own hem. */
export function liningHem(b: Bench): void {
  const hems = b.linings();
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

/** Hem of shell and lining joined, turned through the opening, the opening closed. */
export function bag(b: Bench, held: string[]): void {
  const seams = ['closing-hem-front', 'closing-hem-back'].filter((id) => b.seam(id));
  const linings = b.linings();
  const edges = [...shellHems(b), ...linings.flatMap((id) => b.edges(b.piece(id), 'hem'))];
  const length = seams.reduce((t, id) => t + (b.seam(id)?.lengthAMm ?? 0), 0);
  const shellIds = [b.shell('front'), b.shell('back')].flatMap((p) => (p ? [p.id] : []));
  b.add({
    id: 'sew-hem',
    code: 'sew-hem',
    section: 'joining',
    station: 'machine',
    pieces: [...shellIds, ...linings],
    seams: b.withUnder(seams).map((s) => s.id),
    needs: [...held, ...b.ifMade('sew-wrist', 'press:inside-lining-side', 'press-hem', 'sew-vent')],
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
    data: { stop: HEM_STOP },
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

/** Turned through the open hem; the shell hemmed by hand, the free lining held by chains. */
export function hangFree(b: Bench, held: string[]): void {
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
