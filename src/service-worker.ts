import {
  CacheFirst,
  ExpirationPlugin,
  NetworkFirst,
  type PrecacheEntry,
  Serwist,
  type SerwistPlugin,
  StaleWhileRevalidate,
} from 'serwist'

declare const self: ServiceWorkerGlobalScope & { readonly precached: (PrecacheEntry | string)[] }

/** the server is waited for so long before what it said last is shown, s */
const PATIENCE_S = 8
const DAY_S = 86_400

/**
 * A web worker reads from its own address how it is to begin. A kept answer names the address that it was kept under,
 * and would hide that: so it is given as one without an address, which takes the one that was asked for.
 */
const ownAddress: SerwistPlugin = {
  cachedResponseWillBeUsed: async ({ event, cachedResponse }) =>
    cachedResponse && event instanceof FetchEvent && event.request.destination === 'worker'
      ? new Response(cachedResponse.body, cachedResponse)
      : (cachedResponse ?? null),
}

const never = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Pyraxis</title><body style="font:16px sans-serif;margin:2rem;max-width:32rem"><h1>Not on this device yet</h1>
<p>The server is not to be reached, and this page was never opened here while it was. Pages that were are kept:
<a href="/">the yard</a>.</p></body></html>`

/**
 * Pages that were opened here open again without the server, with what was last known; the application's own files are
 * all kept. What is written goes to the server alone: the page keeps its changes until that takes them.
 */
const worker = new Serwist({
  precacheEntries: self.precached,
  precacheOptions: { plugins: [ownAddress] },
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      // files that are taken out are always the server's
      matcher: ({ request, sameOrigin, url }) =>
        sameOrigin && request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
      handler: new NetworkFirst({
        cacheName: 'pages',
        networkTimeoutSeconds: PATIENCE_S,
        plugins: [
          // a page that says that the server is in trouble is not kept in place of one that works
          { cacheWillUpdate: async ({ response }) => (response.status === 200 ? response : null) },
          new ExpirationPlugin({ maxEntries: 120, maxAgeSeconds: 60 * DAY_S }),
        ],
      }),
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
      handler: new CacheFirst({
        cacheName: 'own files',
        plugins: [ownAddress, new ExpirationPlugin({ maxEntries: 400 })],
      }),
    },
    {
      matcher: ({ url, sameOrigin, request }) =>
        sameOrigin && request.method === 'GET' && /^\/api\/jobs\/[^/]+\/photos\//.test(url.pathname),
      handler: new CacheFirst({ cacheName: 'pictures', plugins: [new ExpirationPlugin({ maxEntries: 200 })] }),
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname === '/icon.svg',
      handler: new StaleWhileRevalidate({ cacheName: 'own files' }),
    },
  ],
})

worker.setCatchHandler(async ({ request }) =>
  request.mode === 'navigate'
    ? new Response(never, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } })
    : Response.error(),
)
worker.addEventListeners()
