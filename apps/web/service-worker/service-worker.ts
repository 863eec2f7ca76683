import {
  cleanupOutdatedCaches,
  matchPrecache,
  type PrecacheEntry,
  precacheAndRoute,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: PrecacheEntry[] };

/** The one page of the app: every address of it is this page. */
const PAGE = '/index.html';

// Put there by the build: the page, and all that the crew's screens need.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

/** What may not come from the phone: the API and what describes it. */
const NEVER = [/^\/api\//];

const fromPhone = async (request: Request): Promise<Response> =>
  (await matchPrecache(PAGE)) ?? fetch(request);

// On site the page comes from the phone at once: where the signal is bad, asking for it first would take minutes.
registerRoute(
  new NavigationRoute(({ request }) => fromPhone(request), {
    allowlist: [/^\/on-site(\/|$)/],
    denylist: NEVER,
  }),
);
// Elsewhere it comes as it is now, and from the phone where nobody answers: then the app itself says that it is offline.
registerRoute(
  new NavigationRoute(({ request }) => fetch(request).catch(() => fromPhone(request)), { denylist: NEVER }),
);

// A newer version waits until the page says that it may: in the middle of a task nothing changes under one's hand.
self.addEventListener('message', ({ data }) => {
  if ((data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting();
});
