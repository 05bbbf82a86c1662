/** Facts of a finding. */
export type Data = Record<string, number | string>;
/** The sentence of a finding from its facts; `mm` says one of them as a length in the sewist's unit. */
export type Say = (d: Data, mm: (key: string) => string) => string;
