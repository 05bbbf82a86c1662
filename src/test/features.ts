import fc from 'fast-check';
import { BULKS, type Decisions, usualDecisions } from '../core/document/project.ts';
import { type Bulk, EXTRA_IDS, METHODS } from '../core/plan/index.ts';

// Garments by their features alone, without geometry: pieces as rings of named edges with plausible lengths.
export interface Features {
  opening: 'front' | 'zip' | 'none';
  backSeam: boolean;
  sleeves: 'none' | 'set-in' | 'raglan';
  yoke: boolean;
  collar: 'none' | 'stand' | 'band' | 'one-piece' | 'hood';
  neck: 'facing' | 'lapel' | 'in-one' | 'bias' | 'bare';
  lining: 'none' | 'joined' | 'free' | 'rib' | 'edge';
  cuffs: boolean;
  skirt: boolean;
  waistband: boolean;
  legs: boolean;
  vent: boolean;
  pockets: boolean;
  darts: boolean;
  placket: boolean;
  buttons: boolean;
  bulk: Bulk;
  lace: boolean;
  strap: number;
}

const flag = fc.boolean();

export const features: fc.Arbitrary<Features> = fc.record({
  opening: fc.constantFrom('front', 'front', 'zip', 'none'),
  backSeam: flag,
  sleeves: fc.constantFrom('none', 'set-in', 'raglan'),
  yoke: flag,
  collar: fc.constantFrom('none', 'stand', 'band', 'one-piece', 'hood'),
  neck: fc.constantFrom('facing', 'facing', 'lapel', 'in-one', 'bias', 'bare'),
  lining: fc.constantFrom('none', 'joined', 'free', 'rib', 'edge'),
  cuffs: flag,
  skirt: flag,
  waistband: flag,
  legs: flag,
  vent: flag,
  pockets: flag,
  darts: flag,
  placket: flag,
  buttons: flag,
  bulk: fc.constantFrom(...BULKS),
  lace: flag,
  strap: fc.integer({ min: 20, max: 140 }),
});

const byTopic = new Map<string, string[]>();
for (const m of METHODS) byTopic.set(m.topic, [...(byTopic.get(m.topic) ?? []), m.id]);

/** Any choice of method in some of the topics, and any extras. */
export const choices: fc.Arbitrary<Decisions['making']> = fc
  .tuple(
    fc.record(
      Object.fromEntries([...byTopic].map(([t, ids]) => [t, fc.option(fc.constantFrom(...ids), { nil: undefined })])),
    ),
    fc.subarray(EXTRA_IDS, { maxLength: 4 }),
  )
  .map(([methods, extras]) => ({
    ...usualDecisions().making,
    methods: Object.fromEntries(Object.entries(methods).filter(([, m]) => m !== undefined)) as Record<string, string>,
    extras,
  }));

/** A jacket with sleeves, its front faced, its lining joined. */
export const PLAIN: Features = {
  opening: 'front',
  backSeam: false,
  sleeves: 'set-in',
  yoke: false,
  collar: 'none',
  neck: 'facing',
  lining: 'joined',
  cuffs: false,
  skirt: false,
  waistband: false,
  legs: false,
  vent: false,
  pockets: false,
  darts: false,
  placket: false,
  buttons: true,
  bulk: 'medium',
  lace: false,
  strap: 110,
};
