import { type Decisions } from './project.ts';

/**
 * The choices of another project as this one takes them over: what is said of pieces and edges, how they lie on her cloth, and what is to be printed,
 * belongs to a pattern and stays.
 */
export const takenOver = (own: Decisions, other: Decisions): Decisions => {
  const { joins, reallowed, caps, sewn, strips, cutting, paper, interfacing } = own;
  const said = { joins, reallowed, caps, sewn, strips, cutting, paper };
  return {
    ...other,
    ...said,
    lining: { ...other.lining, inOne: own.lining.inOne },
    making: { ...other.making, sheet: own.making.sheet },
    interfacing: { ...other.interfacing, regions: interfacing.regions },
  };
};
