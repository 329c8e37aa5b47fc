import { computed, inject, onScopeDispose, provide, ref, shallowReactive, shallowRef, type InjectionKey, type Ref } from 'vue'
import { Link } from '@/live/link'
import type { ControlLife, Message, Orders, SurfaceControl, SurfaceNews } from '@/live/messages'
import { tokenFor } from './door'

/** The engine says something once a second at least: silent for so long, it counts as gone. */
const PATIENCE = 1500
const SENT_AWAY = 4403
const NO_TOKEN = 403
const SAID_FOR = 4000
export const nothing: ControlLife = { at: [], text: '', isOn: false, isSeen: true, canMove: true, called: '' }

export type Surface = ReturnType<typeof surfaceOn>
const KEY: InjectionKey<Surface> = Symbol('surface')

/** What carries a surface: a link of its own, or that of a page which draws one. */
export interface Carrier {
  isLive: Ref<boolean>
  ask: (order: Orders['touch']) => Promise<{ ok: boolean; error?: string }>
}

/** What a surface is, and what its controls show, as it is told; and the way to touch them. */
export function surfaceOn(id: string, carrier: Carrier) {
  const news = shallowRef<SurfaceNews | null>(null)
  const lives = shallowReactive<Record<string, ControlLife>>({})
  const said = ref('')
  /** Milliseconds from the last touch to its answer. */
  const latency = ref<number | null>(null)
  const waiting = new Map<string, { control: string; part: string; value: number | string }>()
  let frame = 0
  let silence = 0

  const { isLive } = carrier

  function take(message: Message): void {
    if (message.type === 'surface' && message.surface === id) news.value = message
    if (message.type !== 'controls' || message.surface !== id) return
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
    const given = { ...(part === '' ? {} : { part }), ...(value === undefined ? {} : { value }) }
    const answer = await carrier.ask({ surface: id, control, ...given })
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
    take,
    press,
    set,
    move,
  }
}

/** A surface on a page of its own, with a link of its own. */
export function makeSurface(id: string, closed: (isSentAway: boolean) => void) {
  const link = new Link(
    (addresses) => addresses.live,
    PATIENCE,
    () => tokenFor(id),
  )
  const isLive = computed(() => link.state.value === 'open')
  const surface = surfaceOn(id, { isLive, ask: (order) => link.ask({ do: 'touch', ...order }) })
  link.onMessage = (told) => {
    const message = told as unknown as Message
    // People of the show are seen to be here; guests are known by their surface.
    if (message.type === 'welcome' && message.role !== 'guest') void link.ask({ do: 'stand', place: `/s/${id}` })
    surface.take(message)
  }
  link.staysAway = (code) => {
    if (code !== SENT_AWAY && code !== NO_TOKEN) return false
    closed(code === SENT_AWAY)
    return true
  }
  link.subscribe([`surface:${id}`])
  return { ...surface, start: () => link.start(), wakeUp: () => link.wakeUp() }
}

export const provideSurface = (surface: Surface) => provide(KEY, surface)

export function useSurface(): Surface {
  const surface = inject(KEY)
  if (!surface) throw new Error('There is no surface around this control.')
  return surface
}
