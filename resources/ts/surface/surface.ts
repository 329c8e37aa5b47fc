import { computed, inject, onScopeDispose, provide, ref, shallowReactive, shallowRef, type InjectionKey } from 'vue'
import { Link } from '@/live/link'
import type { ControlLife, ControlsNews, Message, SurfaceControl, SurfaceNews } from '@/live/messages'
import { tokenFor } from './door'

/** The engine says something once a second at least: silent for so long, it counts as gone. */
const PATIENCE = 1500
const SENT_AWAY = 4403
const NO_TOKEN = 403
const SAID_FOR = 4000
export const nothing: ControlLife = { at: [], text: '', isOn: false, isSeen: true, canMove: true }

export type Surface = ReturnType<typeof makeSurface>
const KEY: InjectionKey<Surface> = Symbol('surface')

/** One surface, live: how it is built, what its controls show, and the way to touch them. */
export function makeSurface(id: string, closed: (isSentAway: boolean) => void) {
  const link = new Link(
    (addresses) => addresses.live,
    PATIENCE,
    () => tokenFor(id),
  )
  const news = shallowRef<SurfaceNews | null>(null)
  const lives = shallowReactive<Record<string, ControlLife>>({})
  const said = ref('')
  /** Milliseconds from the last touch to its answer. */
  const latency = ref<number | null>(null)
  const waiting = new Map<string, { control: string; part: string; value: number | string }>()
  let frame = 0
  let silence = 0

  link.onMessage = (told) => {
    const message = told as unknown as Message
    if (message.type === 'surface') news.value = message
    else if (message.type === 'controls') take(message)
  }
  link.staysAway = (code) => {
    if (code !== SENT_AWAY && code !== NO_TOKEN) return false
    closed(code === SENT_AWAY)
    return true
  }
  link.subscribe([`surface:${id}`])

  const isLive = computed(() => link.state.value === 'open')

  function take(message: ControlsNews): void {
    for (const [control, life] of Object.entries(message.controls)) lives[control] = life
  }

  function say(words: string): void {
    said.value = words
    clearTimeout(silence)
    silence = window.setTimeout(() => (said.value = ''), SAID_FOR)
  }

  async function send(control: string, part: string, value?: number | string): Promise<void> {
    if (!isLive.value) {
      say('Not connected: that was not sent.')
      return
    }
    const from = performance.now()
    const answer = await link.ask({ do: 'touch', surface: id, control, part, ...(value === undefined ? {} : { value }) })
    latency.value = performance.now() - from
    if (!answer.ok) say(answer.error ?? 'The engine did not say why.')
  }

  const press = (control: SurfaceControl, part = '') => void send(control.id, part)
  /** At once, whatever is on its way. */
  const set = (control: SurfaceControl, value: number | string, part = '') => {
    waiting.delete(`${control.id}/${part}`)
    void send(control.id, part, value)
  }

  /** As often as there are pictures: of what moves faster only the last value goes. Nothing waits for a link that is lost. */
  function move(control: SurfaceControl, value: number, part = ''): void {
    waiting.set(`${control.id}/${part}`, { control: control.id, part, value })
    if (frame === 0) frame = requestAnimationFrame(flush)
  }

  function flush(): void {
    frame = 0
    const all = [...waiting.values()]
    waiting.clear()
    for (const one of all) void send(one.control, one.part, one.value)
  }

  onScopeDispose(() => cancelAnimationFrame(frame))
  return {
    id,
    news,
    lives,
    said,
    latency,
    isLive,
    state: link.state,
    start: () => link.start(),
    wakeUp: () => link.wakeUp(),
    press,
    set,
    move,
  }
}

export const provideSurface = (surface: Surface) => provide(KEY, surface)

export function useSurface(): Surface {
  const surface = inject(KEY)
  if (!surface) throw new Error('There is no surface around this control.')
  return surface
}
