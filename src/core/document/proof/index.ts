import { offsetPath, pathLength, ringsArea, union } from '../../geometry/index.ts';
import { flatRing, grainDirection, notchesMeet, type WalkedSeam } from '../../pattern/index.ts';
import { type Kept, remembered } from '../../remember.ts';
import { type Computed } from '../compute.ts';
import { type Check } from './check.ts';
import { cutDistances } from './cutdistance.ts';
import { insets, outlines } from './outlines.ts';

export type { Check } from './check.ts';

/** How far grainlines may lie from each other (degrees), a piece's area from that of its parts (mm²). */
const GRAIN_OFF = 0.1;
const AREA_OFF = 5;
/** More than this share of a hem's length cannot be eased in where it lands (3 %, handbook figure from memory). */
const HEM_OFF = 3;
const NOTCH_OFF = 1;

const fits = (s: WalkedSeam): boolean => s.verdict === 'matches' || s.verdict === 'ease-as-meant';

/** Every derived seam walked to its partner. */
function seams(c: Computed): Check {
  const inside = c.seams.filter((s) => s.group !== 'shell');
  const off = inside.filter((s) => !fits(s));
  const beyond = (s: WalkedSeam): number => Math.abs(s.differenceMm - s.easeMm);
  return {
    code: 'seams',
    looked: inside.length,
    faults: off.map((s) => ({ piece: s.a[0]?.piece ?? '', ...(s.a[0] && { edge: s.a[0].edge }), value: beyond(s) })),
    worst: Math.max(0, ...inside.map(beyond)),
  };
}

/** Notches of the inside land on those of what they are sewn to. */
function notches(c: Computed): Check {
  const found = c.seams
    .filter((s) => s.group !== 'shell' && s.easeOf === undefined)
    .flatMap((s) => {
      const apart = notchesMeet(s, c.pieces);
      return apart === null ? [] : [{ seam: s, apart }];
    });
  return {
    code: 'notches',
    looked: found.length,
    faults: found.filter((f) => f.apart > NOTCH_OFF).map((f) => ({ piece: f.seam.a[0]?.piece ?? '', value: f.apart })),
    worst: Math.max(0, ...found.map((f) => f.apart)),
  };
}

/** Facing and lining as they were parted are together the shell, before any ease: areas by polygon clipping. */
function wholeness(c: Computed): Check {
  const found = c.splits.map((s) => {
    const whole = ringsArea([flatRing(s.piece.ring)]);
    const both = ringsArea(union([s.facing, s.lining, ...(s.more ?? [])].map(flatRing)));
    return { piece: s.piece.id, value: Math.abs(Math.abs(both) - Math.abs(whole)) };
  });
  return {
    code: 'union',
    looked: found.length,
    faults: found.filter((f) => f.value > AREA_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** Grainlines of the inside run as their shell's; strips on the bias are meant to differ. */
function grains(c: Computed): Check {
  const found = c.inside
    .filter((p) => !p.reasons.some((r) => r.rule === 'hem-strip' || r.rule === 'bias-length'))
    .flatMap((p) => {
      const parent = c.shell.find((s) => s.id === p.parent);
      if (!parent) return [];
      const [a, b] = [grainDirection(p), grainDirection(parent)];
      const off = (Math.asin(Math.min(1, Math.abs(a.x * b.y - a.y * b.x))) * 180) / Math.PI;
      return [{ piece: p.id, value: off }];
    });
  return {
    code: 'grain',
    looked: found.length,
    faults: found.filter((f) => f.value > GRAIN_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** The raw edge of a turned hem against the place it lands on: what is longer has to be eased in. */
function hems(c: Computed): Check {
  // Where a cuff is sewn on, the wrist is no hem.
  const cuffed = c.shell.some((p) => p.kind === 'cuff');
  const found = c.shell.flatMap((p) =>
    (cuffed ? (['hem'] as const) : (['hem', 'wrist'] as const)).flatMap((role) => {
      const edges = p.ring.filter((e) => e.role === role && !e.onFold && e.allowance > 0);
      const depth = edges[0]?.allowance ?? 0;
      if (!edges.length) return [];
      const path = edges.flatMap((e) => e.path);
      const [raw, place] = [pathLength(offsetPath(path, depth)), pathLength(offsetPath(path, -depth))];
      // Mirrored corners shorten both alike; what is left comes from the hem's own curve.
      const over = ((raw - place) / place) * 100;
      return [{ piece: p.id, edge: edges[0]?.id ?? '', value: Math.abs(over) }];
    }),
  );
  return {
    code: 'hem',
    looked: found.length,
    faults: found.filter((f) => f.value > HEM_OFF),
    worst: Math.max(0, ...found.map((f) => f.value)),
  };
}

/** All that is looked over when the inside is drafted: a short list that holds, or says where it does not. */
export const proofOf = (c: Computed): Check[] => remembered(known, c, '', () => looked(c));

const known: Kept<Computed, Check[]> = new WeakMap();
const looked = (c: Computed): Check[] =>
  [seams(c), notches(c), outlines(c), wholeness(c), grains(c), hems(c), cutDistances(c), insets(c)].filter(
    (k) => k.looked > 0,
  );
