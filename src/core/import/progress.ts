/** What is being done with a file that comes in, in this order. */
export const STAGES = ['waiting', 'opening', 'pages', 'lines', 'pieces', 'storing'] as const;
export type Stage = (typeof STAGES)[number];

/** How far a stage is: `done` of `of`; both 0 where it cannot be counted. */
export interface Progress {
  stage: Stage;
  done: number;
  of: number;
}

/** Told now and then while a file is read. */
export type Tell = (p: Progress) => void;

export const untold: Tell = () => undefined;
