/** Title and instruction; `{key}` is a length of the step's numbers, `{#key}` a plain number, `{seam}` the seam it is about. */
export type Line = [title: string, how: string];
