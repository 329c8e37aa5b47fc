import { ref, shallowRef, watch } from 'vue'
import type { TraceEvent } from '@/live/types'

/** What is looked for in the trace; '' for whatever. */
export interface TraceFilter {
  text: string
  kind: string
  port: string
  route: string
  keptOnly: boolean
}
export const everything = (): TraceFilter => ({ text: '', kind: '', port: '', route: '', keptOnly: false })

/** An event is found by all words, in its title, its steps, its time and its bytes (written with or without blanks). */
export function fits(event: TraceEvent, filter: TraceFilter): boolean {
  if (filter.kind !== '' && event.kind !== filter.kind) return false
  if (filter.port !== '' && event.port !== filter.port) return false
  if (filter.route !== '' && !event.hops.some((hop) => hop.route === filter.route)) return false
  const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return true
  const text =
    `${event.title} ${event.hops.map((hop) => `${hop.step} ${hop.words} ${hop.bytes}`).join(' ')} ${clock(event.at)}`.toLowerCase()
  return words.every((word) => text.includes(word)) || event.hops.some((hop) => hop.bytes.includes(words.join('')))
}

/** When something was, to the millisecond, on this machine's clock. */
export function clock(at: number): string {
  const time = new Date(at)
  return `${time.toTimeString().slice(0, 8)}.${String(time.getMilliseconds()).padStart(3, '0')}`
}

/** What names a moment in a link: the run of the engine, and the event's number in it. */
export const momentOf = (run: number, serial: number) => `${Math.round(run)}-${serial}`

/** The event that a link means, or what is nearest to it. */
export function atMoment(events: readonly TraceEvent[], run: number, moment: string): { serial: number | null; isGone: boolean } {
  const [theirs, serial] = moment.split('-').map(Number)
  if (theirs === Math.round(run) && events.some((event) => event.serial === serial))
    return { serial: serial ?? null, isGone: false }
  const oldest = events.at(-1)
  return { serial: oldest?.serial ?? null, isGone: true }
}

export type KeptEvent = TraceEvent & { run: number }
const KEY = 'kept events'
const MOST = 100

function stored(): KeptEvent[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as KeptEvent[]
  } catch {
    return []
  }
}

/** Events that were kept on this machine: they stay when the trace has long forgotten them. */
export function useKept() {
  const kept = shallowRef(stored())
  const full = ref(false)
  watch(kept, (now) => localStorage.setItem(KEY, JSON.stringify(now)))
  const isKept = (event: TraceEvent, run: number) => kept.value.some((one) => one.run === run && one.serial === event.serial)
  function turn(event: TraceEvent, run: number): void {
    full.value = false
    if (isKept(event, run)) kept.value = kept.value.filter((one) => one.run !== run || one.serial !== event.serial)
    else if (kept.value.length >= MOST) full.value = true
    else kept.value = [{ ...event, run }, ...kept.value].sort((a, b) => b.at - a.at)
  }
  return { kept, full, isKept, turn, MOST }
}
