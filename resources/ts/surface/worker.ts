import { cleanupOutdatedCaches, precacheAndRoute, PrecacheFallbackPlugin } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkOnly } from 'workbox-strategies'

/** What is kept on the phone, put in where this is built; and the page that stands in for one that does not come. */
declare const KEPT: { url: string; revision: string | null }[]
declare const SHELL: string
declare const self: { skipWaiting(): Promise<void>; addEventListener(type: 'install', then: () => void): void }

/** So many seconds the show's machine may take before the page says that it does not answer. */
const PATIENCE = 6

/** A server that answers with a fault of its own counts as one that does not answer: no guest reads its error page. */
const noFaults = {
  fetchDidSucceed: async ({ response }: { response: Response }) => {
    if (response.status >= 500) throw new Error(`The server answered ${response.status}.`)
    return response
  },
}

precacheAndRoute(KEPT)
cleanupOutdatedCaches()
self.addEventListener('install', () => void self.skipWaiting())
registerRoute(
  new NavigationRoute(
    new NetworkOnly({ networkTimeoutSeconds: PATIENCE, plugins: [noFaults, new PrecacheFallbackPlugin({ fallbackURL: SHELL })] }),
    { allowlist: [/^\/s\/[a-z0-9-]+$/] },
  ),
)
