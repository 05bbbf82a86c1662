import { type Operation } from './types.ts';

/** An operation that does nothing yet. */
export const EMPTY_OPERATION: Omit<Operation, 'id' | 'code' | 'section' | 'station' | 'makes'> = {
  pieces: [],
  about: null,
  seams: [],
  sews: [],
  works: [],
  needs: [],
  cares: [],
  stack: [],
  easeOf: null,
  allowance: null,
  stops: [],
  press: null,
  towards: null,
  turns: null,
  bends: [],
  directions: [],
  marks: [],
  reached: false,
  foot: 'straight',
  thread: 'shell',
  cautions: [],
  hard: false,
  data: {},
  minutes: 0,
};
