import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch, type WatchSource } from 'vue'
import { Link } from './link'
import type { Finding, Finds, Hold, PortLife, ScopeNews, Sources, Status, TraceEvent, Unclaimed, UniverseLife, FoundPoint } from './types'

const TRACE_LENGTH = 500
type Painter = (bytes: Uint8Array) => void
const silenced = (life: PortLife): PortLife => ({ ...life, state: life.state === 'off' ? 'off' : 'unknown', fault: life.state === 'off' ? '' : 'Not known: the engine does not answer.', in: NaN, out: NaN })

/** What the engine says: status, trace, levels. Levels do not pass through Vue: whoever paints them is called. */
export const useEngine = defineStore('engine', () => {
  const link = new Link((addresses) => addresses.live, 4000)
  const state = link.state
  const engine = shallowRef<Status['engine'] | null>(null)
  const told = shallowRef<Record<string, PortLife>>({})
  /** While the engine does not answer nobody knows how the ports are: none of them is alive. */
  const ports = computed<Record<string, PortLife>>(() => (state.value === 'open' ? told.value : Object.fromEntries(Object.entries(told.value).map(([id, life]) => [id, silenced(life)]))))
  const universes = shallowRef<Record<string, UniverseLife>>({})
  const holds = shallowRef<Hold[]>([])
  const unclaimed = shallowRef<Unclaimed[]>([])
  const minutes = shallowRef<Record<string, { in: number[], out: number[] }>>({})
  const sources = shallowRef<Record<string, Sources>>({})
  const events = shallowRef<TraceEvent[]>([])
  const finds = shallowRef<Finds>({ neighbours: [], lent: [], unclaimed: [] })
  const said = ref('')
  const newest = new Map<string, Uint8Array>()
  const painters = new Map<string, Set<Painter>>()
  const topics = new Map<string, number>()
  const scopes = new Set<(news: ScopeNews) => void>()
  const lenders = new Set<(device: string, bytes: string) => void>()

  link.onMessage = (message) => {
    if (message.type === 'welcome') events.value = []
    else if (message.type === 'status') {
      const status = message as unknown as Status
      engine.value = status.engine
      told.value = status.ports
      universes.value = status.universes
      holds.value = status.holds
      unclaimed.value = status.unclaimed
    } else if (message.type === 'minutes') minutes.value = message.ports as typeof minutes.value
    else if (message.type === 'sources') sources.value = { ...sources.value, [message.universe as string]: message as unknown as Sources }
    else if (message.type === 'trace') takeEvents(message.events as TraceEvent[])
    else if (message.type === 'finds') finds.value = message as unknown as Finds
    else if (message.type === 'scope') scopes.forEach((take) => take(message as unknown as ScopeNews))
    else if (message.type === 'lent') lenders.forEach((take) => take(message.device as string, message.bytes as string))
  }
  link.onBytes = (bytes) => {
    const length = bytes[1] ?? 0
    const universe = new TextDecoder().decode(bytes.subarray(2, 2 + length))
    let key = `${bytes[0] === 1 ? 'levels' : bytes[0] === 2 ? 'winners' : 'source'}:${universe}`
    let start = 2 + length
    if (bytes[0] === 3) key += `:${bytes[start++]}`
    const levels = bytes.subarray(start)
    newest.set(key, levels)
    painters.get(key)?.forEach((paint) => paint(levels))
  }

  function takeEvents(fresh: TraceEvent[]): void {
    const known = new Map(events.value.map((event) => [event.serial, event]))
    const now = Date.now()
    for (const event of fresh) known.set(event.serial, { ...event, at: now - event.ago })
    events.value = [...known.values()].sort((a, b) => b.serial - a.serial).slice(0, TRACE_LENGTH)
  }

  function count(topic: string, by: number): void {
    const left = (topics.get(topic) ?? 0) + by
    if (left > 0) topics.set(topic, left)
    else topics.delete(topic)
  }

  /** Subscribes to topics for as long as the calling component lives. */
  function follow(wanted: WatchSource<string[]>): void {
    let mine: string[] = []
    const change = (next: string[]) => {
      mine.forEach((topic) => count(topic, -1))
      next.forEach((topic) => count(topic, 1))
      mine = next
      link.subscribe([...topics.keys()])
    }
    watch(wanted, change, { immediate: true })
    onScopeDispose(() => change([]))
  }

  /** Calls paint with new bytes under a key ("levels:ID", "winners:ID", "source:ID:PLACE") until the component goes. */
  function paint(key: string, painter: Painter): () => void {
    const set = painters.get(key) ?? new Set()
    painters.set(key, set.add(painter))
    const last = newest.get(key)
    if (last) painter(last)
    return () => { set.delete(painter) }
  }

  /** The newest levels of a universe that is followed. */
  const levelsNow = (universe: string) => (newest.get(`levels:${universe}`) ?? new Uint8Array(512)).slice()

  async function command(what: Record<string, unknown>): Promise<Record<string, unknown> | null> {
    const answer = await link.ask(what)
    said.value = answer.ok ? '' : answer.error ?? 'The engine did not say why.'
    return answer.ok ? answer : null
  }
  function listen<T>(set: Set<T>, taker: T): () => void {
    set.add(taker)
    return () => { set.delete(taker) }
  }
  const hold = (universe: string, slot: number, level: number, last = slot, seconds?: number) => command({ do: 'hold', universe, slot, level, last, seconds })
  const holdParameter = (fixture: string, parameter: string, value: number, seconds?: number) => command({ do: 'hold', fixture, parameter, value, seconds })
  const release = (universe?: string, slot?: number, last?: number) => command({ do: 'release', universe, slot, last })
  const check = (port: string, other: string) => link.ask({ do: 'check', port, other: other || undefined }).then((answer) => (answer.ok ? { findings: answer.findings as Finding[], error: '' } : { findings: [], error: answer.error ?? '' }))
  /** What a page says about the devices that it lends, and hands on from them. */
  const lend = (devices: string[]) => command({ do: 'lend', devices })
  const handOn = (device: string, what: { bytes: string } | { state: string }) => void link.ask({ do: 'lent', device, ...what })
  const onLent = (taker: (device: string, bytes: string) => void) => listen(lenders, taker)
  const onScope = (taker: (news: ScopeNews) => void) => listen(scopes, taker)
  /** Points whose names hold these words. */
  const findPoints = (text: string) => link.ask({ do: 'find', text }).then((answer) => (answer.ok ? answer.points as FoundPoint[] : []))
  const setPoint = (point: string, value: number | string | boolean) => command({ do: 'set', point, value })
  const pressPoint = (point: string) => command({ do: 'press', point })
  const explain = (universe: string, slot: number) => link.ask({ do: 'explain', universe, slot })

  return { start: () => link.start(), state, engine, ports, universes, holds, unclaimed, minutes, sources, events, finds, said, follow, paint, levelsNow, hold, holdParameter, release, explain, findPoints, setPoint, pressPoint, check, lend, handOn, onLent, onScope }
})
