import { type LiveEvent } from '../../contract/index.ts';

/** Null: something may have been missed, before the connection stood or while it was broken. */
type Listener = (e: LiveEvent | null) => void;

const NAME = 'woodbine-changes';
/** The page is let come up first; one that was refused tries again, or lets another tab try (ms). */
const [AFTER, AGAIN] = [1500, 5000];

const listeners = new Set<Listener>();
let begun = false;

const tell = (e: LiveEvent | null): void => {
  for (const l of listeners) l(e);
};

/** Listens to the server, and passes on what it says to the other tabs. Ends when the server is not to be had. */
function source(channel: BroadcastChannel | null): Promise<void> {
  const events = new EventSource('/api/events');
  const pass = (e: LiveEvent | null): void => {
    tell(e);
    channel?.postMessage(e);
  };
  events.addEventListener('change', (m) => {
    const e = JSON.parse(m.data as string) as LiveEvent;
    pass(e.project ? e : null);
  });
  events.addEventListener('begin', () => pass(null));
  return new Promise((done) => {
    events.addEventListener('error', () => {
      // A connection that broke is made again by the browser; one that was refused is not.
      if (events.readyState === EventSource.CLOSED) done();
    });
  });
}

const pause = () => new Promise((done) => setTimeout(done, AGAIN));

/**
 * One tab of a browser listens to the server for all of them: a browser holds few connections to one server. When it is
 * closed another takes its place.
 */
function begin(): void {
  begun = true;
  if (typeof EventSource === 'undefined') return;
  // Beyond the machine itself, without encryption, there are no locks: then each tab listens for itself.
  const alone = !navigator.locks || typeof BroadcastChannel === 'undefined';
  const channel = alone ? null : new BroadcastChannel(NAME);
  if (channel) channel.onmessage = (m) => tell(m.data as LiveEvent | null);
  const turn = (): Promise<void> => (alone ? source(null) : navigator.locks.request(NAME, () => source(channel)));
  const on = (): void => void turn().then(pause).then(on);
  on();
  // What was done between the page's coming up and now.
  tell(null);
}

/** Calls back with every change that is kept, in whatever tab or on whatever device; gives how to leave. */
export function listen(listener: Listener): () => void {
  listeners.add(listener);
  if (!begun) setTimeout(() => begun || begin(), AFTER);
  return () => void listeners.delete(listener);
}
