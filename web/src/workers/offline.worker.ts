/// <reference lib="webworker" />
import { precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';

/* Opens the pages while the server is silent. Answers of the API pass it by: what is on record is asked of the server each time. */

declare const self: ServiceWorkerGlobalScope;
/** The built files by name and digest, written in where the pages are built; null for a name that holds its own. */
declare const BUILT: readonly { readonly url: string; readonly revision: string | null }[];

/** How long the server may take with a page before the one kept here is shown, s. */
const PATIENCE = 4;
const PAGE = '/';

precacheAndRoute([...BUILT]);
// The page is no file among the others: the server gives each a nonce of its own. One copy opens every address.
const page = new NetworkFirst({
  cacheName: 'tug-mark-page',
  networkTimeoutSeconds: PATIENCE,
  plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve(PAGE) }],
});
registerRoute(new NavigationRoute(page, { denylist: [/^\/api\//] }));

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open('tug-mark-page').then((kept) => kept.add(PAGE)));
});
// A page that is being opened has nothing of the former build in hand, and asks for the change.
self.addEventListener('message', ({ data }) => {
  if (data === 'take over') void self.skipWaiting();
});
self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim());
});
