import { onMounted, onScopeDispose, watch, type Ref } from 'vue'
import { isOlder } from '@/api/edition'

/** So long nobody has touched it: whoever plays is not interrupted. */
const STILL = 10_000

/** A screen that stands alone all season loads itself anew after an upgrade, as soon as nobody touches it. */
export function useRenewed(isLive: Ref<boolean>) {
  let touchedAt = -Infinity
  let down = 0
  let waiting = 0
  const touched = (event: PointerEvent) => {
    touchedAt = performance.now()
    down = Math.max(0, down + (event.type === 'pointerdown' ? 1 : -1))
  }
  const kinds = ['pointerdown', 'pointerup', 'pointercancel'] as const

  function load(): void {
    const left = STILL - (performance.now() - touchedAt)
    // A page that fills the screen because somebody pressed a button for it would fill it no more.
    if (down > 0 || left > 0 || document.fullscreenElement) waiting = window.setTimeout(load, Math.max(1000, left))
    else location.reload()
  }
  let hasBeenLive = false
  watch(isLive, async (is) => {
    if (!is) return
    const isAgain = hasBeenLive
    hasBeenLive = true
    if (isAgain && waiting === 0 && (await isOlder())) load()
  })
  onMounted(() => kinds.forEach((kind) => addEventListener(kind, touched, true)))
  onScopeDispose(() => {
    clearTimeout(waiting)
    kinds.forEach((kind) => removeEventListener(kind, touched, true))
  })
}
