/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: { url: string; revision: string | null }[] };

// Every file of the app is kept at the first visit, also those of places that were not opened yet. A new version waits until
// all tabs of the old one are closed: a tab goes on with the files it was made for.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
clientsClaim();

// The page may be newer than this worker: its files came with the worker that waits.
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/assets/'),
  async ({ request }) => (await caches.match(request)) ?? fetch(request),
);

/** One page serves every address; its nonce and its policy header are kept together. Data never goes through here. */
const page = new NetworkFirst({
  cacheName: 'zetalysis-page',
  networkTimeoutSeconds: 4,
  plugins: [
    { cacheKeyWillBeUsed: () => Promise.resolve('/') },
    // A proxy that says no for the server is not the page.
    { cacheWillUpdate: ({ response }) => Promise.resolve(response.ok ? response : null) },
    {
      fetchDidSucceed: ({ response }) =>
        response.status >= 500 ? Promise.reject(new Error('away')) : Promise.resolve(response),
    },
  ],
});
registerRoute(new NavigationRoute(page, { denylist: [/^\/api\//] }));

// The page is kept before anybody is without the server.
self.addEventListener('install', (event) => {
  event.waitUntil(caches.open('zetalysis-page').then((cache) => cache.add('/')));
});
