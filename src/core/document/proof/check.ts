/** One thing looked over: how often it was looked at, and where it does not hold. */
export interface Check {
  code: 'seams' | 'notches' | 'outline' | 'union' | 'grain' | 'hem' | 'cut' | 'inset';
  /** How many of it were looked at; none is no proof. */
  looked: number;
  faults: { piece: string; edge?: string; value: number }[];
  /** The worst that was found, mm, mm² (union), degrees (grain) or per cent (hem). */
  worst: number;
}
