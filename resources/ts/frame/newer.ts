import { ref } from 'vue'
import type { Router } from 'vue-router'
import { isOlder } from '@/api/edition'

const LOADED = 'loaded whole'
/** A page that does not come though it was just loaded whole does not come by being loaded again. */
const AGAIN = 20_000

const isNewer = ref(false)
const missing = ref('')

/** After an upgrade a page from before says so. `missing` is what is wrong with a page that does not come; '' for nothing. */
export const useNewer = () => ({ isNewer, missing })

/** The link is there again: whoever ran before may run as another version. */
export async function lookForNewer(): Promise<void> {
  isNewer.value = await isOlder()
}

/** A page whose script has gone with an older version is loaded whole, once. */
export function loadWholeWhatIsMissing(router: Router): void {
  let refused: unknown = null
  addEventListener('vite:preloadError', (event) => (refused = event.payload))
  router.onError((error, to) => {
    if (error !== refused) return
    if (Date.now() - Number(sessionStorage.getItem(LOADED) ?? 0) < AGAIN) {
      missing.value = `The page ${to.fullPath} does not come from the server. Is the installation whole? Install it again.`
      return
    }
    sessionStorage.setItem(LOADED, String(Date.now()))
    location.assign(to.fullPath)
  })
  router.afterEach(() => (missing.value = ''))
}
