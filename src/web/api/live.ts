import { type LiveEvent } from '../../contract/index.ts';

type Listener = (e: LiveEvent) => void;

const NAME = 'woodbine-changes';
/** The page is let come up first, ms. */
const AFTER = 1500;

const listeners = new Set<Listener>();
let begun = false;

const tell = (e: LiveEvent): void => {
  for (const l of listeners) l(e);
};

/** Listens to the server, and passes on what it says to the other tabs. */
function source(channel: BroadcastChannel | null): void {
  const events = new EventSource('/api/events');
  events.addEventListener('change', (m) => {
    const e = JSON.parse(m.data as string) as LiveEvent;
    tell(e);
    channel?.postMessage(e);
  });
}

/**
 * One tab of a browser listens to the server for all of them: a browser holds few connections to one server. When it is
 * closed another takes its place.
 */
function begin(): void {
  begun = true;
  if (typeof EventSource === 'undefined') return;
  // Beyond the machine itself, without encryption, there are no locks: then each tab listens for itself.
  if (!navigator.locks || typeof BroadcastChannel === 'undefined') {
    source(null);
    return;
  }
  const channel = new BroadcastChannel(NAME);
  channel.onmessage = (m) => tell(m.data as LiveEvent);
  void navigator.locks.request(NAME, () => {
    source(channel);
    return new Promise(() => undefined);
  });
}

/** Calls back with every change that is kept, in whatever tab or on whatever device; gives how to leave. */
export function listen(listener: Listener): () => void {
  listeners.add(listener);
  if (!begun) setTimeout(() => begun || begin(), AFTER);
  return () => void listeners.delete(listener);
}
