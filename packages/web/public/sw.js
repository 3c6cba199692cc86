// Keeps the app's own files, so that a reload works with the server gone. Data never goes through here.
const CACHE = 'zetalysis-shell-1';

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return;
  if (request.mode === 'navigate') event.respondWith(pageFirstFromServer(request));
  else if (url.pathname.startsWith('/assets/')) event.respondWith(assetFirstFromCache(request));
});

// One page serves every address; its nonce and its policy header are kept together.
async function pageFirstFromServer(request) {
  const cache = await caches.open(CACHE);
  try {
    const response = await fetch(request);
    if (response.ok) await cache.put('/', response.clone());
    return response;
  } catch (error) {
    const kept = await cache.match('/');
    if (kept) return kept;
    throw error;
  }
}

// Asset names carry their contents' hash: what is kept is never stale.
async function assetFirstFromCache(request) {
  const cache = await caches.open(CACHE);
  const kept = await cache.match(request);
  if (kept) return kept;
  const response = await fetch(request);
  if (response.ok) await cache.put(request, response.clone());
  return response;
}
