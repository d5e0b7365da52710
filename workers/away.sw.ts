/// <reference lib="webworker" />
import { ExpirationPlugin } from "workbox-expiration";
import type { WorkboxPlugin } from "workbox-core/types";
import { registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";
import { AWAY_CACHES, isDeskPage, isDeskThing, isScript, keyOfScript } from "./away-paths";

/**
 * What the desk needs while the server is away: its page, its scripts, its rack and pictures, as they were last fetched. Nothing else goes through
 * here, nothing that is sent ever does, and what is not sent yet lies in the page's own store, which no version of this touches.
 */
declare const self: ServiceWorkerGlobalScope;

self.addEventListener("install", () => void self.skipWaiting());
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

/** How long the server is waited for before what was kept is shown, s. */
const PATIENCE_S = 4;
const [page, things, scripts] = AWAY_CACHES;

/** What is no whole answer (somebody is sent to sign in, a picture is gone) takes the place of nothing that was kept. */
const whole: WorkboxPlugin = {
  cacheWillUpdate: ({ response }) => Promise.resolve(response.status === 200 ? response : null),
};

registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === "navigate" && isDeskPage(url.pathname),
  new NetworkFirst({
    cacheName: page,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [whole, new ExpirationPlugin({ maxEntries: 30 })],
  }),
);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && isDeskThing(url.pathname),
  new NetworkFirst({
    cacheName: things,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [whole, new ExpirationPlugin({ maxEntries: 120, purgeOnQuotaError: true })],
  }),
);
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && isScript(url.pathname),
  // Named by what is in them: what was kept is what would come.
  new CacheFirst({
    cacheName: scripts,
    plugins: [
      { cacheKeyWillBeUsed: ({ request }) => Promise.resolve(keyOfScript(request.url)) },
      new ExpirationPlugin({ maxEntries: 600 }),
    ],
  }),
);
