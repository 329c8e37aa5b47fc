import { onScopeDispose, ref, watch, type Ref } from 'vue'

const EVERY = 60_000
const IDLE = 300_000
const FAR = 6

/**
 * What a screen that stands alone needs: no way back, no menu, and no picture that burns itself in: it moves by some
 * pixels each minute, and is darker when nobody has touched it for a while.
 */
export function useKiosk(isKiosk: Ref<boolean>) {
  const shift = ref({ x: 0, y: 0 })
  const isIdle = ref(false)
  let place = 0
  let moves = 0
  let idle = 0

  const stay = () => history.pushState(null, '', location.href)
  const noMenu = (event: Event) => event.preventDefault()
  function touched(): void {
    isIdle.value = false
    clearTimeout(idle)
    idle = window.setTimeout(() => (isIdle.value = true), IDLE)
  }
  function move(): void {
    place = (place + 1) % 9
    shift.value = { x: ((place % 3) - 1) * FAR, y: (Math.floor(place / 3) - 1) * FAR }
  }
  function begin(): void {
    stay()
    addEventListener('popstate', stay)
    addEventListener('contextmenu', noMenu)
    addEventListener('pointerdown', touched, true)
    moves = window.setInterval(move, EVERY)
    touched()
  }
  function end(): void {
    removeEventListener('popstate', stay)
    removeEventListener('contextmenu', noMenu)
    removeEventListener('pointerdown', touched, true)
    clearInterval(moves)
    clearTimeout(idle)
    isIdle.value = false
    shift.value = { x: 0, y: 0 }
  }
  watch(isKiosk, (is) => (is ? begin() : end()))
  onScopeDispose(end)
  return { shift, isIdle }
}
