/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { isKept, KEPT_ANSWERS, networkOrKept } from './data/kept-answers.js';

declare const self: ServiceWorkerGlobalScope;

// The app itself, so that it opens without its server.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }),
);

// And what it last showed.
registerRoute(
  ({ request }) => isKept(request),
  async ({ request }) => networkOrKept(request, fetch, await caches.open(KEPT_ANSWERS)),
);

void self.skipWaiting();
clientsClaim();
