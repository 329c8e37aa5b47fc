import { computed, onScopeDispose, ref } from 'vue'

/** After a hand is off, its own value stands so long at most, until the engine says the same. */
const SETTLES = 400
const SAME = 0.004
const clamp = (value: number) => Math.min(1, Math.max(0, value))

/** How a fader meets a finger: it jumps to it, waits until it is met, or goes along with it from where it is. */
export type TakeOver = 'jump' | 'pick-up' | 'scaled'

/**
 * A hand on one way of a control: while it touches it is right at once, and afterwards the engine is.
 *
 * @param live where the engine says that it is, 0 to 1
 * @param send tells the engine where the hand is
 */
export function useHand(live: () => number | null, send: (share: number) => void, takeOver: () => TakeOver = () => 'scaled') {
  const own = ref<number | null>(null)
  const isHeld = ref(false)
  const shown = computed(() => own.value ?? live() ?? 0)
  let from = 0
  let grip = 0
  let isMet = false
  let timer: ReturnType<typeof setTimeout> | undefined

  function grab(finger: number): void {
    clearTimeout(timer)
    from = live() ?? 0
    grip = finger
    isHeld.value = true
    isMet = Math.abs(finger - from) < SAME
    if (takeOver() === 'jump') bring(finger)
  }

  function drag(finger: number): void {
    if (!isHeld.value) return
    if (takeOver() === 'jump') return bring(finger)
    if (takeOver() === 'scaled') return bring(scaled(finger))
    isMet = isMet || (grip - from) * (finger - from) <= 0
    if (isMet) bring(finger)
  }

  /** Full way for a finger that goes to an end, wherever it began: the way that is left on its side is shared out. */
  function scaled(finger: number): number {
    const left = finger >= grip ? 1 - grip : grip
    const room = finger >= grip ? 1 - from : from
    const by = left <= 0 ? 0 : ((finger - grip) / left) * room
    return from + by
  }

  function bring(share: number): void {
    own.value = clamp(share)
    send(own.value)
  }

  function letGo(): void {
    isHeld.value = false
    settle()
  }

  /** The engine has it again, as soon as it says the same, or after a moment. */
  function settle(): void {
    clearTimeout(timer)
    timer = setTimeout(() => (own.value = null), SETTLES)
  }

  function heard(): void {
    const at = live()
    if (!isHeld.value && own.value !== null && at !== null && Math.abs(at - own.value) < SAME) own.value = null
  }

  /** A step by keys, or by a wheel. */
  function nudge(by: number): void {
    bring((own.value ?? live() ?? 0) + by)
    settle()
  }

  function goTo(share: number): void {
    bring(share)
    settle()
  }

  onScopeDispose(() => clearTimeout(timer))
  return { shown, isHeld, grab, drag, letGo, heard, nudge, goTo }
}

const STEPS: Record<string, number> = {
  ArrowUp: 0.01,
  ArrowRight: 0.01,
  ArrowDown: -0.01,
  ArrowLeft: -0.01,
  PageUp: 0.1,
  PageDown: -0.1,
}
const ENDS: Record<string, number> = { Home: 0, End: 1 }

/** What a key does to a slider: null for nothing. */
export function keyed(key: string, isFine = false): { by: number } | { to: number } | null {
  const by = STEPS[key]
  const to = ENDS[key]
  if (by !== undefined) return { by: isFine ? by / 10 : by }
  return to === undefined ? null : { to }
}
