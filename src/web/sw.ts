/// <reference lib="webworker" />
import { matchPrecache, type PrecacheEntry, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkFirst, NetworkOnly } from 'workbox-strategies';

// Keeps Woodbine at hand without a way to it: its pages, and the projects as they were seen last. What is asked is always asked
// there first; changes are never answered from here, they wait in the page until they can be sent.

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: (PrecacheEntry | string)[] };

/** So long an answer is waited for before what was seen last is shown, s. */
const PATIENCE = 4;
const SEEN = 'woodbine-seen';

self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()));

// Any page of it is the same one; a newer one is taken as soon as it is there.
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: 'woodbine-page',
      networkTimeoutSeconds: PATIENCE,
      plugins: [{ handlerDidError: async () => matchPrecache('/index.html') }],
    }),
    { denylist: [/^\/api\//] },
  ),
);
precacheAndRoute(self.__WB_MANIFEST);

const PICTURE = /^\/api\/projects\/[^/]+\/pictures\//;
registerRoute(({ url }) => PICTURE.test(url.pathname), new CacheFirst({ cacheName: SEEN }));

/** What is shown again without a way: the shelf, a project, what is kept over all of them. */
const SHOWN = /^\/api\/(projects|projects\/[^/]+|projects\/[^/]+\/(history|files)|stash|pace|notebook|state)$/;
registerRoute(
  ({ url }) => SHOWN.test(url.pathname),
  new NetworkFirst({ cacheName: SEEN, networkTimeoutSeconds: PATIENCE }),
);

/** A project as a change of it was answered is the newest that was seen of it. */
const CHANGED = /^\/api\/(projects\/[^/]+)(\/(undo|redo))?$/;
const straight = new NetworkOnly();
for (const method of ['PATCH', 'POST'] as const)
  registerRoute(
    ({ url }) => CHANGED.test(url.pathname),
    async ({ event, request, url }) => {
      const answer = await straight.handle({ event, request });
      const path = CHANGED.exec(url.pathname)?.[1];
      if (answer.ok && path && answer.headers.get('content-type')?.includes('json'))
        await (await caches.open(SEEN)).put(new Request(`/api/${path}`), answer.clone());
      return answer;
    },
    method,
  );
