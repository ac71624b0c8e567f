import { NetworkFirst, NetworkOnly, Serwist, type PrecacheEntry } from 'serwist';
import { pageFor, SHELLS } from './shells';

/** The little of a service worker's own scope that is used here: a page's types know none of it. */
interface ServiceWorkerScope {
  readonly __SW_MANIFEST: (PrecacheEntry | string)[] | undefined;
  addEventListener(
    type: 'install',
    listener: (event: { waitUntil(work: Promise<unknown>): void }) => void,
  ): void;
  addEventListener(
    type: 'fetch',
    listener: (event: { readonly request: Request; respondWith(answer: Promise<Response>): void }) => void,
  ): void;
}
declare const self: ServiceWorkerScope;

const PAGES = 'yemko-pages';

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST ?? [],
  // A new build waits until the user agrees: see `OfflineReady`.
  precacheOptions: {
    plugins: [
      {
        // A worker reads from its address what it is to load, and a kept answer would bring its own address along, without
        // that part: a new answer has none.
        handlerWillRespond: async ({ request, response }) =>
          request.destination === 'worker'
            ? new Response(response.body, { status: response.status, headers: response.headers })
            : response,
      },
    ],
  },
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      // What the server alone can answer is asked of it alone.
      matcher: ({ url }) => url.pathname.startsWith('/api/'),
      handler: new NetworkOnly(),
    },
    {
      matcher: ({ url }) => url.pathname === '/icon.svg' || url.pathname === '/manifest.webmanifest',
      handler: new NetworkFirst({ cacheName: 'yemko-icons' }),
    },
  ],
});

/** The pages themselves, one of each kind: which project it is, the page reads from its address. */
self.addEventListener('install', (event) => {
  event.waitUntil(
    caches.open(PAGES).then((cache) =>
      Promise.all(
        SHELLS.map(async (shell) => {
          const answer = await fetch(shell, { cache: 'no-store' });
          if (answer.ok) await cache.put(shell, answer);
        }),
      ),
    ),
  );
});

/** From the server while it answers, else from what was kept. */
self.addEventListener('fetch', (event) => {
  const { request } = event;
  if (request.mode !== 'navigate' || request.method !== 'GET') return;
  const shell = pageFor(new URL(request.url).pathname);
  if (shell === null) return;
  event.respondWith(
    (async () => {
      const cache = await caches.open(PAGES);
      try {
        return await withinTime(fetch(request), 4000);
      } catch {
        return (await cache.match(shell, { ignoreVary: true })) ?? Response.error();
      }
    })(),
  );
});

/** An answer that takes longer counts as none. */
function withinTime(answer: Promise<Response>, milliseconds: number): Promise<Response> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('slow')), milliseconds);
    answer.then(
      (found) => {
        clearTimeout(timer);
        resolve(found);
      },
      (error: Error) => {
        clearTimeout(timer);
        reject(error);
      },
    );
  });
}

serwist.addEventListeners();
