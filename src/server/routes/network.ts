import { Hono } from 'hono';
import { networkBody } from '../../contract/index.ts';
import { type AppParts } from '../parts.ts';
import { problem } from '../problem.ts';
import { reply } from '../reply.ts';
import { body } from './body.ts';

/** The switch that opens Woodbine to the home network: on the machine itself alone. */
export function networkRoutes({ network }: AppParts): Hono {
  const r = new Hono();
  const answer = () => ({ can: network !== undefined, on: network?.open ?? true, links: network?.links() ?? [] });
  r.get('/', (c) => reply(c, 'GET /api/network', answer()));
  r.post('/', async (c) => {
    if (!network)
      return problem(
        c,
        403,
        'network',
        'Only on the machine that Woodbine runs on can it be opened to the network or shut.',
      );
    const b = await body(c, networkBody);
    if (!b.ok) return b.answer;
    try {
      await network.turn(b.value.on);
    } catch {
      return problem(c, 503, 'network', 'The network could not be opened: this machine does not allow it.');
    }
    return reply(c, 'POST /api/network', answer());
  });
  return r;
}
