import {
  NetworkFirst,
  NetworkOnly,
  Serwist,
  type PrecacheEntry,
  type SerwistPlugin,
  type SerwistGlobalConfig,
} from 'serwist';

/** Put in front of this script by the server: every file of the app, and the page `/offline`. */
declare const self: SerwistGlobalConfig & { readonly __SW_MANIFEST: (PrecacheEntry | string)[] };

/** How long the server is waited for before what the browser holds is taken, s. */
const WAIT_S = 8;

/**
 * What is kept, without the address it was kept under: a web worker then has the address it was asked
 * for, with the part behind # that tells it what to run.
 */
const unnamed: NonNullable<SerwistPlugin['handlerWillRespond']> = async ({ response }) =>
  new Response(response.body, response);

/**
 * Keeps the app's own files, so that it starts with the server away. Builds are not kept here: they
 * are in the outbox, and `/offline` opens them from there.
 */
new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true, plugins: [{ handlerWillRespond: unnamed }] },
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request }) => request.mode === 'navigate',
      handler: new NetworkOnly({ networkTimeoutSeconds: WAIT_S }),
    },
    {
      matcher: ({ url, request }) =>
        request.method === 'GET' && ['/api/parts', '/api/retired'].includes(url.pathname),
      handler: new NetworkFirst({ cacheName: 'part-lists', networkTimeoutSeconds: WAIT_S }),
    },
    {
      matcher: ({ url, request }) =>
        request.method === 'GET' && /^\/api\/builds\/[^/]+\/photos(\/|$)/.test(url.pathname),
      handler: new NetworkFirst({ cacheName: 'photos', networkTimeoutSeconds: WAIT_S }),
    },
    {
      matcher: ({ url }) => url.pathname.startsWith('/feeds/'),
      handler: new NetworkFirst({ cacheName: 'feeds', networkTimeoutSeconds: WAIT_S }),
    },
  ],
  fallbacks: {
    entries: [{ url: '/offline', matcher: ({ request }) => request.mode === 'navigate' }],
  },
}).addEventListeners();
