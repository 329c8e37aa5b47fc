import { onMounted, onScopeDispose } from 'vue'

/** Keeps the screen on as long as the page is looked at, where the browser can, and says when it is looked at again. */
export function useAwake(looked: () => void): void {
  let lock: WakeLockSentinel | null = null
  async function seen(): Promise<void> {
    if (document.visibilityState !== 'visible') return
    looked()
    // It is refused on an empty battery, and on pages without TLS: then the screen goes dark as it always does.
    lock = (await navigator.wakeLock?.request('screen').catch(() => null)) ?? null
  }
  const listen = () => void seen()
  onMounted(() => {
    document.addEventListener('visibilitychange', listen)
    addEventListener('online', looked)
    listen()
  })
  onScopeDispose(() => {
    document.removeEventListener('visibilitychange', listen)
    removeEventListener('online', looked)
    void lock?.release()
  })
}
