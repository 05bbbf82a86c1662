/**
 * What Woodbine has to tell about the data itself, kept until the sewist has read it. `code` and `data` make the sentence
 * (in the contract), as with findings.
 */
export interface Notice {
  id: string;
  code: string;
  data: Record<string, number | string>;
  at: string;
}
