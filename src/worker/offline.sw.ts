/// <reference lib="webworker" />
/**
 * The service worker: answers for the server out of the copy kept in the browser (`offline-copy.ts`). Pages ask it to look for a
 * newer edition and tell it when to take one.
 */
import { OfflineCopy } from './offline-copy';

declare const self: ServiceWorkerGlobalScope;

const copy = new OfflineCopy(self.caches, (path, init) => fetch(path, init));

self.addEventListener('install', (e) => e.waitUntil(copy.look().then(() => self.skipWaiting())));
self.addEventListener('activate', (e) => e.waitUntil(self.clients.claim()));

/** Whether any window of the program is open. */
async function nobody(): Promise<boolean> {
  return (await self.clients.matchAll({ type: 'window', includeUncontrolled: true })).length === 0;
}

async function page(request: Request): Promise<Response> {
  const { serves, newest } = await copy.stand();
  // Nobody is in the middle of anything: begun anew with the newest.
  if (serves !== newest && (await nobody())) await copy.take();
  return (await copy.page()) ?? fetch(request);
}

self.addEventListener('fetch', (e) => {
  const { request } = e;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return;
  // Screens have no ending, files have one.
  if (/\.\w+$/.test(url.pathname)) e.respondWith(copy.file(url.pathname).then((found) => found ?? fetch(request)));
  else if (request.mode === 'navigate') e.respondWith(page(request));
});

/** What a page may ask. */
type Asked = 'stand' | 'look' | 'take';

self.addEventListener('message', (e) => {
  const asked = e.data as Asked;
  if (asked !== 'stand' && asked !== 'look' && asked !== 'take') return;
  e.waitUntil(
    copy[asked]().then(
      (stand) => e.ports[0]?.postMessage({ stand }),
      (why: unknown) => e.ports[0]?.postMessage({ failed: why instanceof Error ? why.message : String(why) }),
    ),
  );
});
