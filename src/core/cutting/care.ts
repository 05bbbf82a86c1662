/** What a cloth is made of, as far as it matters in the wash. */
export const FIBRES = ['unsaid', 'cotton', 'linen', 'wool', 'silk', 'viscose', 'synthetic'] as const;
export type Fibre = (typeof FIBRES)[number];

/** How something is washed and ironed: °C at most, the wash gently or by hand, whether it may be tumbled dry. */
export interface Care {
  wash: number;
  gentle: boolean;
  /** °C of the iron's sole. */
  iron: number;
  tumble: boolean;
}

/**
 * Each fibre by itself. The degrees are those of the care labelling code (ISO 3758: washing 30, 40, 60; irons of 110, 150 and 200),
 * from memory; which belongs to which fibre is common practice, for coloured cloth.
 */
const CARE: Record<Exclude<Fibre, 'unsaid'>, Care> = {
  cotton: { wash: 60, gentle: false, iron: 200, tumble: true },
  linen: { wash: 60, gentle: false, iron: 200, tumble: false },
  wool: { wash: 30, gentle: true, iron: 150, tumble: false },
  silk: { wash: 30, gentle: true, iron: 110, tumble: false },
  viscose: { wash: 30, gentle: true, iron: 150, tumble: false },
  synthetic: { wash: 40, gentle: false, iron: 110, tumble: false },
};
/** What is fused comes off above that: common practice. */
const FUSED: Care = { wash: 40, gentle: false, iron: 150, tumble: false };

/** A garment is cared for as the most delicate of what it is made of asks; null where of a cloth it is not said what it is. */
export function careOf(fibres: readonly Fibre[], fused: boolean): Care | null {
  const known = fibres.flatMap((f) => (f === 'unsaid' ? [] : [CARE[f]]));
  if (!known.length || known.length < fibres.length) return null;
  const all = fused ? [...known, FUSED] : known;
  return {
    wash: Math.min(...all.map((c) => c.wash)),
    gentle: all.some((c) => c.gentle),
    iron: Math.min(...all.map((c) => c.iron)),
    tumble: all.every((c) => c.tumble),
  };
}
