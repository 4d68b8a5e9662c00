/// <reference lib="webworker" />
import { type PrecacheEntry, type RouteHandlerCallbackOptions, Serwist } from 'serwist';
import { pageOf } from '../../routes.mjs';

declare const self: ServiceWorkerGlobalScope & { __SW_MANIFEST: (PrecacheEntry | string)[] };

/**
 * Keeps the whole application, so that it opens, reloads and works with no server. Pages come out of what was kept with
 * this version of the application, never mixed with another's; a newer version waits until the person takes it.
 */
const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true, ignoreURLParametersMatching: [/.*/] },
  // What is running is not pulled away from under a hand.
  skipWaiting: false,
  clientsClaim: true,
  disableDevLogs: true,
});

const kept = async (url: string, request: Request): Promise<Response> =>
  (await serwist.matchPrecache(url)) ?? fetch(request);

/** A page, asked for by its address. */
serwist.registerCapture(
  ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate',
  async ({ url, request }: RouteHandlerCallbackOptions) => {
    const page = pageOf(url.pathname);
    return page ? kept(page, request) : fetch(request);
  },
);

/** A page's content, asked for by the application itself on its way from view to view. */
serwist.registerCapture(
  ({ request, sameOrigin }) => sameOrigin && request.headers.get('rsc') === '1',
  async ({ url, request }: RouteHandlerCallbackOptions) => {
    const page = pageOf(url.pathname);
    // Asked for in parts beforehand: the whole is at hand, parts are not needed.
    if (request.headers.has('next-router-segment-prefetch')) return new Response(null, { status: 204 });
    return page ? kept(`/_page${page === '/' ? '/index' : page}.rsc`, request) : fetch(request);
  },
);

/**
 * The script of a worker. A worker takes its address from the answer it is loaded by, and what was kept has the address
 * without the part after the #, in which its bundle says what it is to load. An answer made here has no address, and
 * leaves the worker the one it was asked by.
 */
async function workerScript(request: Request): Promise<Response> {
  const found = await kept(request.url.replace(/#.*/, ''), request);
  return new Response(found.body, { status: found.status, statusText: found.statusText, headers: found.headers });
}

self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return;
  event.stopImmediatePropagation();
  event.respondWith(workerScript(event.request));
});

self.addEventListener('message', (event) => {
  if (event.data === 'take-over') void self.skipWaiting();
});
serwist.addEventListeners();
