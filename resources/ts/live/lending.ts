import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { useSession } from '@/api/session'
import { useEngine } from './engine'

export interface Controller {
  name: string
  axes: number[]
  buttons: number[]
}
const KEPT = 'lent'
const stored = (): string[] => {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? '[]')
    return Array.isArray(kept) ? kept.filter((one) => typeof one === 'string') : []
  } catch {
    return []
  }
}
const hex = (bytes: Uint8Array) => Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
const bytesOf = (text: string) => Uint8Array.from(text.match(/../g) ?? [], (pair) => parseInt(pair, 16))

/**
 * MIDI devices and game controllers of this computer, and which of them this
 * page lends to the engine. What is lent is remembered by name, so a page that
 * is loaded again lends it again.
 */
export const useLending = defineStore('lending', () => {
  const engine = useEngine()
  const session = useSession()
  const wanted = ref<string[]>(stored())
  const midi = ref<'unasked' | 'open' | 'refused' | 'missing'>('unasked')
  const inputs = shallowRef<string[]>([])
  const outputs = shallowRef<string[]>([])
  const controllers = shallowRef<Controller[]>([])
  let access: MIDIAccess | null = null
  let polling = false

  const there = computed(() =>
    [...new Set([...inputs.value, ...outputs.value])]
      .map((name) => `midi ${name}`)
      .concat(controllers.value.map((one) => `controller ${one.name}`)),
  )
  const lent = computed(() => wanted.value.filter((key) => there.value.includes(key)))
  const isLent = (kind: string, name: string) => wanted.value.includes(`${kind} ${name}`)

  function turn(kind: string, name: string): void {
    const key = `${kind} ${name}`
    wanted.value = wanted.value.includes(key) ? wanted.value.filter((one) => one !== key) : [...wanted.value, key]
    localStorage.setItem(KEPT, JSON.stringify(wanted.value))
  }

  async function askMidi(): Promise<void> {
    if (!('requestMIDIAccess' in navigator)) {
      midi.value = 'missing'
      return
    }
    try {
      access = await navigator.requestMIDIAccess({ sysex: true }).catch(() => navigator.requestMIDIAccess())
      midi.value = 'open'
      access.onstatechange = lookAtMidi
      lookAtMidi()
    } catch {
      midi.value = 'refused'
    }
  }
  function lookAtMidi(): void {
    const plugged = (ports: Iterable<MIDIPort>) => [...ports].filter((port) => port.state !== 'disconnected')
    for (const input of access?.inputs.values() ?? []) {
      input.onmidimessage = (event) => {
        if (event.data && session.mayOperate && isLent('midi', input.name ?? ''))
          engine.handOn(`midi ${input.name}`, { bytes: hex(event.data) })
      }
    }
    inputs.value = plugged(access?.inputs.values() ?? [])
      .map((port) => port.name ?? '')
      .filter(Boolean)
    outputs.value = plugged(access?.outputs.values() ?? [])
      .map((port) => port.name ?? '')
      .filter(Boolean)
  }
  engine.onLent((device, bytes) => {
    for (const output of access?.outputs.values() ?? []) {
      if (`midi ${output.name}` === device && output.state !== 'disconnected') output.send(bytesOf(bytes))
    }
  })

  /** Controllers are looked at before each picture: the browser gives no event when an axis moves. */
  function lookAtControllers(): void {
    const pads = [...(navigator.getGamepads?.() ?? [])].flatMap((pad) => (pad?.connected ? [pad] : []))
    const now = pads.map((pad) => ({ name: pad.id, axes: [...pad.axes], buttons: pad.buttons.map((button) => button.value) }))
    for (const one of now) {
      const before = controllers.value.find((other) => other.name === one.name)
      const changes = (fresh: number[], old?: number[]) =>
        Object.fromEntries(fresh.map((value, i) => [i, value] as const).filter(([i, value]) => old?.[i] !== value))
      const axes = changes(one.axes, before?.axes)
      const buttons = changes(one.buttons, before?.buttons)
      if (session.mayOperate && isLent('controller', one.name) && Object.keys(axes).length + Object.keys(buttons).length > 0)
        engine.handOn(`controller ${one.name}`, { state: JSON.stringify({ axes, buttons }) })
    }
    if (JSON.stringify(now) !== JSON.stringify(controllers.value)) controllers.value = now
    if (now.length > 0) requestAnimationFrame(lookAtControllers)
    else polling = false
  }
  function beginPolling(): void {
    if (polling) return
    polling = true
    lookAtControllers()
  }

  function start(): void {
    window.addEventListener('gamepadconnected', beginPolling)
    window.addEventListener('gamepaddisconnected', beginPolling)
    beginPolling()
    if (wanted.value.some((key) => key.startsWith('midi '))) void askMidi()
  }
  let said = false
  watch(
    [lent, () => engine.state, () => session.mayOperate] as const,
    ([devices, state]) => {
      if (state === 'open' && session.mayOperate && (devices.length > 0 || said)) {
        said = devices.length > 0
        void engine.lend(devices)
      }
    },
    { immediate: true },
  )

  return { start, askMidi, midi, inputs, outputs, controllers, lent, isLent, turn }
})
