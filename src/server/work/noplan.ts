import { problemBody } from '../problem.ts';
import { type Answered } from './ask.ts';

/** Where there is no order of making there is nothing to lay out or to sew. */
export const noPlan = (): Answered =>
  problemBody(422, 'plan', 'There is no order of making for this project: the plan says what is in its way.');
