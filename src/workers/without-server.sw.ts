import { Serwist, type PrecacheEntry, type SerwistGlobalConfig } from 'serwist';

declare global {
  interface WorkerGlobalScope extends SerwistGlobalConfig {
    readonly __SW_MANIFEST: (PrecacheEntry | string)[] | undefined;
  }
}
declare const self: ServiceWorkerGlobalScope;

/** Shows what this device has with it, whatever address it is shown at. */
const DEVICE_PAGE = '/on-this-device';
/** Pages on which work goes on without a server. */
const BENCH = /^\/job\/[^/]+\/(bench\/[^/]+\/[^/]+|crossings\/[^/]+\/build)$/;
/** A bench does not wait longer than this for a server that does not answer. */
const BENCH_WAIT_MS = 6000;

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST ?? [],
  // A bench that is open goes on with the code that it began with: the next worker takes over when all windows are closed.
  skipWaiting: false,
  clientsClaim: true,
  precacheOptions: {
    cleanupOutdatedCaches: true,
    // What is kept for everybody says nothing of anybody.
    plugins: [
      {
        requestWillFetch: ({ request }) => Promise.resolve(new Request(request, { credentials: 'omit' })),
      },
    ],
  },
});

// The part of a worker's address after # is lost with a kept answer, and the worker does not start without it.
self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return;
  event.stopImmediatePropagation();
  const [address = ''] = event.request.url.split('#');
  event.respondWith(
    (async () => {
      const found = (await serwist.matchPrecache(address)) ?? (await fetch(address));
      return new Response(found.body, { status: found.status, headers: found.headers });
    })(),
  );
});

const late = (ms: number): Promise<never> =>
  new Promise((_, fail) => {
    setTimeout(() => fail(new Error('no answer in time')), ms);
  });

async function page(request: Request, path: string): Promise<Response> {
  const bench = BENCH.test(path);
  try {
    const answer = await (bench ? Promise.race([fetch(request), late(BENCH_WAIT_MS)]) : fetch(request));
    // An application whose database is away answers with a page that waits: a bench does not wait.
    if (!bench || answer.status < 500) return answer;
    return (await serwist.matchPrecache(DEVICE_PAGE)) ?? answer;
  } catch {
    return (await serwist.matchPrecache(DEVICE_PAGE)) ?? Response.error();
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.mode !== 'navigate' || request.method !== 'GET' || origin !== self.location.origin) return;
  if (pathname.startsWith('/api/')) return;
  event.stopImmediatePropagation();
  event.respondWith(page(request, pathname));
});

serwist.addEventListeners();
