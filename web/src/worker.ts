import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { createHandlerBoundToURL, type PrecacheEntry, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst, NetworkOnly } from 'workbox-strategies';
import { SYNC, sendAll } from './field/phone';
import { ALONG } from './field/along';

/** What of the worker's surroundings is used here; the page's own library of types has no place for it beside the page's. */
interface Surroundings {
  __WB_MANIFEST: (string | PrecacheEntry)[];
  skipWaiting(): Promise<void>;
  addEventListener(type: 'sync', act: (event: Sync) => void): void;
}
interface Sync {
  tag: string;
  waitUntil(done: Promise<unknown>): void;
}
declare const self: Surroundings;

/** So long a weak signal is waited for where the phone has an answer of its own. */
const WEAK_SIGNAL_S = 6;
const MOST_ANSWERS = 1_500;
const AWAY = [401, 502, 503, 504];

// At once, also at the first visit: whoever opened the walk once can go out with it.
void self.skipWaiting();
clientsClaim();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//, /\.\w+$/] }),
);

/** What is asked outdoors, and what the phone took along for it. */
const OUTDOORS =
  /^\/api\/(me|people|sites|sites\/\d+|sites\/\d+\/(field|days)|days\/\d+(\/sheet|\/notes)?|visits\/\d+\/sheet)$/;
/** A draft is the phone's own business; a picture and progress are too large or too short-lived to keep. */
const NEVER = /^\/api\/(.*\/draft|photos\/.*|jobs\/.*|openapi)$/;

/** A server that is away, or that waits for somebody to sign in, is as good as no signal: what was taken along will do. */
const orWhatWasTaken = {
  fetchDidSucceed: ({ response }: { response: Response }) =>
    AWAY.includes(response.status) ? Promise.reject(new Error('away')) : Promise.resolve(response),
};
const keptBy = (networkTimeoutSeconds?: number) =>
  new NetworkFirst({
    cacheName: ALONG,
    networkTimeoutSeconds,
    plugins: [orWhatWasTaken, new ExpirationPlugin({ maxEntries: MOST_ANSWERS })],
  });

const ours = (url: URL, pattern: RegExp) => pattern.test(url.pathname);
registerRoute(({ url }) => ours(url, NEVER), new NetworkOnly());
registerRoute(({ url }) => ours(url, OUTDOORS), keptBy(WEAK_SIGNAL_S));
// All else is shown as of earlier only when there is no signal at all: a slow answer is still the true one.
registerRoute(({ url }) => ours(url, /^\/api\//), keptBy());

// The browser says that there is signal again, whether a page is open or not.
self.addEventListener('sync', (event) => {
  if (event.tag === SYNC)
    event.waitUntil(
      sendAll().then((round) => {
        if (round.stopped) throw new Error('not all is sent');
      }),
    );
});
