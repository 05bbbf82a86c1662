import { type Features } from './features.ts';

export const SHIRT: Partial<Features> = { neck: 'bare', collar: 'band' };
export const TOP: Partial<Features> = { sleeves: 'none', neck: 'bare', lining: 'free', opening: 'zip' };

export interface Case {
  name: string;
  more: Partial<Features>;
  methods: Record<string, string>;
  extras?: string[];
  /** Steps it has, in this order. */
  has: string[];
  /** Steps it has not. */
  not?: string[];
}
