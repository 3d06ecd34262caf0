// Answers for the server: every file and page of one build is kept as a whole, so that the program opens and works
// when the server is gone, and never half of one version and half of another. What is kept of jobs is in the store of
// the browser, not here.
/* global self, caches, fetch, Response, URL */

const { version, assets, pages } = self.OFFLINE;
const PREFIX = 'varmek ';
const CACHE = PREFIX + version;
/** An id as the program makes them; any other is left to the server. */
const ID = /^[\w-]{1,100}$/;
const PLACEHOLDER = /^offline-\w+-placeholder$/;

/** Keeps an address, or fails: a copy with a gap is none. */
async function keep(cache, address) {
  const response = await fetch(address, { cache: 'no-store', credentials: 'same-origin' });
  if (!response.ok) throw new Error(`${address}: ${response.status}`);
  await cache.put(address, response);
}

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      // What a try that was broken off left may be of another moment.
      await caches.delete(CACHE);
      const cache = await caches.open(CACHE);
      try {
        for (let i = 0; i < assets.length; i += 12) {
          await Promise.all(assets.slice(i, i + 12).map((address) => keep(cache, address)));
        }
        for (const address of pages) await keep(cache, address);
      } catch (error) {
        await caches.delete(CACHE);
        throw error;
      }
    })(),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      // Tabs that still run the version before find its files until they are loaded anew; older ones go.
      const names = (await caches.keys()).filter((name) => name.startsWith(PREFIX) && name !== CACHE);
      for (const name of names.slice(0, -1)) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

self.addEventListener('message', (event) => {
  if (event.data === 'take over') event.waitUntil(self.skipWaiting());
});

/** The page that was kept for an address, and the ids that belong in it; null for an address of none. */
function pageFor(path) {
  const parts = path.split('/');
  for (const page of pages) {
    const shape = page.split('/');
    if (shape.length !== parts.length) continue;
    const ids = new Map();
    const fits = shape.every((part, i) => {
      if (!PLACEHOLDER.test(part)) return part === parts[i];
      ids.set(part, parts[i]);
      return ID.test(parts[i]);
    });
    if (fits) return { page, ids };
  }
  return null;
}

async function answerPage(request, found) {
  const kept = await caches.match(found.page, { cacheName: CACHE });
  if (!kept) return fetch(request);
  let text = await kept.text();
  for (const [from, to] of found.ids) text = text.replaceAll(from, to);
  return new Response(text, { status: kept.status, headers: kept.headers });
}

async function answerFile(request, path) {
  const kept = (await caches.match(path, { cacheName: CACHE })) ?? (await caches.match(path));
  // Without an address of its own: a worker reads what it is to do from the address that it was asked for by.
  return kept ? new Response(kept.body, { status: kept.status, headers: kept.headers }) : fetch(request);
}

/**
 * Only whole pages are kept, not their changes on the spot. An answer that is none of those has the program load the
 * whole page instead, which is here.
 */
async function answerChange(request) {
  try {
    return await fetch(request);
  } catch (error) {
    // The server is gone: that is what this worker is for.
    if (!(error instanceof TypeError)) throw error;
    return new Response('the server is gone', { headers: { 'Content-Type': 'text/plain' } });
  }
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') {
    // Names of fixed pages go before those with an id, as on the server.
    const found = pages.includes(url.pathname) ? { page: url.pathname, ids: new Map() } : pageFor(url.pathname);
    if (found) event.respondWith(answerPage(request, found));
    return;
  }
  if (request.headers.has('RSC') || url.searchParams.has('_rsc')) {
    event.respondWith(answerChange(request));
    return;
  }
  if (assets.includes(url.pathname)) event.respondWith(answerFile(request, url.pathname));
  else if (url.pathname.startsWith('/_next/static/')) event.respondWith(answerFile(request, url.pathname));
});
