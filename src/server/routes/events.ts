import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { type LiveEvent } from '../../contract/index.ts';
import { type Store } from '../db/store.ts';
import { problem } from '../problem.ts';

/** A connection that nothing is said on is taken for dead by what lies between: a word now and then, ms. */
const BEAT = 20_000;
/** So many listen at a time: a browser needs one, whatever its tabs. */
const MOST = 100;

/** What is changed, told at once to every browser that listens (server-sent events). */
export function eventRoutes(store: Store): Hono {
  const r = new Hono();
  let listeners = 0;
  r.get('/', (c) => {
    if (listeners >= MOST) return problem(c, 503, 'events', 'Too many listen already. Changes show on the next look.');
    listeners += 1;
    return streamSSE(c, async (stream) => {
      let wake = (): void => undefined;
      const waiting: LiveEvent[] = [];
      const leave = store.listen((e) => {
        waiting.push(e);
        wake();
      });
      stream.onAbort(() => {
        leave();
        wake();
      });
      try {
        await stream.writeSSE({ event: 'begin', data: '' });
        while (!stream.aborted) {
          for (let e = waiting.shift(); e; e = waiting.shift())
            await stream.writeSSE({ event: 'change', data: JSON.stringify(e) });
          const timer = await new Promise<NodeJS.Timeout>((done) => {
            const t = setTimeout(() => done(t), BEAT);
            t.unref();
            wake = () => done(t);
          });
          clearTimeout(timer);
          if (!waiting.length && !stream.aborted) await stream.write(': \n\n');
        }
      } finally {
        leave();
        listeners -= 1;
      }
    });
  });
  return r;
}
