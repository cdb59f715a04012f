/// <reference lib="webworker" />
import { cacheNames, setCacheNameDetails } from 'workbox-core';
import { PrecacheController } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';

/**
 * What keeps Nelvix open without its server: everything that was built and every page, in a cache of
 * its own for each build. A window of the build before goes on finding its pieces; a new build waits
 * until somebody takes it.
 */
declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: { url: string; revision: string | null }[];
};
/** The same for the same sources. */
declare const BUILD: string;
/** Every page by its path. */
declare const ROUTES: readonly string[];

setCacheNameDetails({ prefix: 'nelvix', precache: 'files', suffix: BUILD });
const FILES = 'nelvix-files-';
const DATA = 'nelvix-data-';

/** A response out of a cache keeps the address it was kept under, which has no hash: workers read theirs there. */
const anew = (r: Response) =>
  new Response(r.body, { status: r.status, statusText: r.statusText, headers: r.headers });

const files = new PrecacheController({
  plugins: [
    {
      cachedResponseWillBeUsed: ({ cachedResponse }) =>
        Promise.resolve(cachedResponse ? anew(cachedResponse) : null),
    },
  ],
});
files.addToCacheList(self.__WB_MANIFEST);

/** What the router asks for between pages, kept by the path of the page. */
async function keepData(): Promise<void> {
  const cache = await caches.open(DATA + BUILD);
  for (const route of ROUTES) {
    const data = await fetch(`${route}?_rsc`, { headers: { RSC: '1' }, cache: 'no-store' });
    if (!data.ok || !(data.headers.get('content-type') ?? '').startsWith('text/x-component'))
      throw new Error(`no data of ${route}`);
    const headers = new Headers(data.headers);
    // It is the same whatever page one comes from.
    headers.delete('vary');
    await cache.put(`${route}?_rsc`, new Response(data.body, { headers }));
  }
}

self.addEventListener('install', (e) => {
  const all = async () => {
    await files.install(e);
    await keepData();
    // The first one has nobody to wait for.
    if (!self.registration.active) await self.skipWaiting();
  };
  e.waitUntil(all());
});

self.addEventListener('activate', (e) => {
  const all = async () => {
    await files.activate(e);
    // This build and the one before it: windows of that go on loading their pieces.
    const names = (await caches.keys()).filter((n) => n.startsWith(FILES));
    for (const n of names.filter((x) => x !== cacheNames.precache).slice(0, -1)) {
      await caches.delete(n);
      await caches.delete(n.replace(FILES, DATA));
    }
    await self.clients.claim();
  };
  e.waitUntil(all());
});

self.addEventListener('message', (e) => {
  if ((e.data as { type?: unknown } | null)?.type === 'TAKE') void self.skipWaiting();
});

const kept = (event: ExtendableEvent, request: Request | string, key: string) =>
  files.strategy.handle({ event: event as FetchEvent, request, params: { cacheKey: key } });

/** A page, by its path alone; what is no page leads to the first one when nobody can be asked. */
registerRoute(
  ({ request }) => request.mode === 'navigate',
  async ({ url, event, request }) => {
    const key = files.getCacheKeyForURL(url.pathname);
    if (key) return kept(event, url.pathname, key);
    return fetch(request).catch(() => Response.redirect('/', 302));
  },
);

/** What the router asks for between pages. */
registerRoute(
  ({ request, url, sameOrigin }) =>
    sameOrigin && request.headers.get('RSC') === '1' && ROUTES.includes(url.pathname),
  async ({ url, request }) => {
    const hit = await (await caches.open(DATA + BUILD)).match(`${url.pathname}?_rsc`);
    return hit ? anew(hit) : fetch(request);
  },
);

/** Everything that was built, by its path alone: icons carry a query, workers a hash. */
registerRoute(
  ({ url, sameOrigin, request }) =>
    sameOrigin &&
    !request.headers.has('RSC') &&
    files.getCacheKeyForURL(url.pathname) !== undefined,
  ({ url, event, request }) => kept(event, request, files.getCacheKeyForURL(url.pathname)!),
);

/** Pieces of the build before this one. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
  async ({ url, request }) => {
    const hit = await caches.match(url.origin + url.pathname);
    return hit ? anew(hit) : fetch(request);
  },
);
