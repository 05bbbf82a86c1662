import { type Context } from 'hono';
import { layBody } from '../../contract/http.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';
import { type Works } from '../work/run.ts';
import { body } from './body.ts';

/** Lays any outlines on a strip: the engine by itself, for other programs. */
export async function layRoute(c: Context, works: Works): Promise<Response> {
  const b = await body(c, layBody);
  if (!b.ok) return b.answer;
  const made = await works.lay({ lay: b.value });
  if (made && 'crossed' in made)
    return problem(
      c,
      422,
      'outline',
      `The outline of "${made.crossed}" crosses itself, or has no inside: it cannot be laid.`,
    );
  if (made) return reply(c, 'POST /api/lay', made);
  return problem(
    c,
    422,
    'too-heavy',
    'So many pieces, or pieces of so many corners, take too long to lay. Send fewer.',
  );
}
