import {
  CacheFirst,
  type HandlerWillRespondCallbackParam,
  NetworkFirst,
  type PrecacheEntry,
  Serwist,
  type SerwistPlugin,
} from 'serwist';

/** What a service worker's global scope offers of what is used here. */
declare const self: {
  readonly __SW_MANIFEST: (PrecacheEntry | string)[] | undefined;
  readonly location: Location;
  addEventListener(type: 'activate', listener: (event: ActivateEvent) => void): void;
};
interface ActivateEvent {
  waitUntil(work: Promise<unknown>): void;
}

const PAGES = 'pages';
const DEMO = 'demo';
const DEMO_ADDRESS = '/api/demo';
const PLACES = [
  '/brief',
  '/shelf',
  '/reach',
  '/beside',
  '/lineup',
  '/carry',
  '/ground',
  '/log',
  '/next',
  '/help',
  '/versions',
  '/storage',
];
/** A network slower than this counts as none, s. */
const SLOW_S = 4;

/** A worker's script must not carry the marks of a cached answer, or its own address is lost. */
const plainWorkers: SerwistPlugin = {
  handlerWillRespond: async ({ request, response }: HandlerWillRespondCallbackParam) =>
    request.destination === 'worker'
      ? new Response(response.body, { status: response.status, headers: response.headers })
      : response,
};

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST ?? [],
  precacheOptions: { plugins: [plainWorkers], cleanupOutdatedCaches: true },
  // A page that is open keeps its parts until the person changes over.
  skipWaiting: false,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request }) => request.mode === 'navigate',
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: SLOW_S,
        matchOptions: { ignoreSearch: true, ignoreVary: true },
        plugins: [{ handlerDidError: () => caches.match('/carry', { cacheName: PAGES }) }],
      }),
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
      handler: new CacheFirst({ cacheName: 'built', plugins: [plainWorkers] }),
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname === DEMO_ADDRESS,
      handler: new NetworkFirst({ cacheName: DEMO, networkTimeoutSeconds: SLOW_S }),
    },
  ],
});

// Every place and the demo are kept on the first visit, so that the field needs no second one.
self.addEventListener('activate', (event) => {
  event.waitUntil(Promise.all([keep(PAGES, PLACES), keep(DEMO, [DEMO_ADDRESS])]));
});
async function keep(cacheName: string, addresses: readonly string[]): Promise<void> {
  const cache = await caches.open(cacheName);
  await Promise.allSettled(
    addresses.map(async (address) => {
      const found = await fetch(address, { credentials: 'same-origin' });
      if (found.ok && !found.redirected) await cache.put(address, found);
    }),
  );
}
serwist.addEventListeners();
