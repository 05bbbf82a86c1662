import { Hono } from 'hono';
import { type Reader } from '../import/run.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';

/** How far a file on its way in is, and giving it up. Its name is the `job` field of the upload. */
export function jobRoutes(reader: Reader): Hono {
  const r = new Hono();
  r.get('/:job', (c) => {
    const progress = reader.progress(c.req.param('job'));
    return progress
      ? reply(c, 'GET /api/jobs/{job}', progress)
      : problem(c, 404, 'job', 'No file of this name is being read.');
  });
  r.delete('/:job', (c) =>
    reader.cancel(c.req.param('job'))
      ? c.body(null, 204)
      : problem(c, 409, 'job', 'The file is no longer being read: it is in, or was refused.'),
  );
  return r;
}
