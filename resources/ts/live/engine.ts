import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch, type WatchSource } from 'vue'
import { useSession } from '@/api/session'
import { Link } from './link'
import type {
  Answers,
  ControlsNews,
  DeskNews,
  Finds as FindsSaid,
  LearnNews,
  MissesNews,
  RouteNews,
  Message,
  MinuteCounts,
  Orders,
  Person,
  PortOutages,
  ProgrammeNews,
  RecordingNews,
  ScopeNews,
  Sources as SourcesSaid,
  SurfaceNews,
  TapesNews,
  TimelinesNews,
  TimetableNews,
  TraceNews,
} from './messages'
import { after, ago, heldSlot, minutesAfter, nothing, portLife } from './status'
import type { Finding, Finds, PortLife, Sources, TraceEvent } from './types'

const TRACE_LENGTH = 500
type Painter = (bytes: Uint8Array) => void

/** What the engine says: status, trace, levels. Levels do not pass through Vue: whoever paints them is called. */
export const useEngine = defineStore('engine', () => {
  const link = new Link((addresses) => addresses.live, 4000)
  const session = useSession()
  const state = link.state
  // Who was logged out elsewhere, or removed, is asked who they are.
  link.staysAway = (code) => {
    if (code === 401) location.assign('/login')
    return code === 401
  }
  const whole = shallowRef(nothing)
  const engine = computed(() => whole.value.engine)
  const ports = computed<Record<string, PortLife>>(() =>
    Object.fromEntries(
      Object.entries(whole.value.ports).map(([id, life]) => [id, portLife(life, whole.value.now, state.value === 'open')]),
    ),
  )
  const universes = computed(() => whole.value.universes)
  const holds = computed(() => whole.value.holds.map((hold) => heldSlot(hold, whole.value.now)))
  const unclaimed = computed(() => whole.value.unclaimed)
  /** How long ago something was by the engine's clock, in milliseconds. */
  const since = (at: number) => ago(at, whole.value.now)
  const minutes = shallowRef<Record<string, MinuteCounts>>({})
  const given = shallowRef<Record<string, SourcesSaid>>({})
  const sources = computed<Record<string, Sources>>(() =>
    Object.fromEntries(
      Object.entries(given.value).map(([id, one]) => [
        id,
        { ...one, sources: one.sources.map((source) => ({ ...source, heardAgo: ago(source.heardAt, whole.value.now) })) },
      ]),
    ),
  )
  const events = shallowRef<TraceEvent[]>([])
  const found = shallowRef<Omit<FindsSaid, 'type' | 'n'>>({
    neighbours: [],
    lent: [],
    unclaimed: [],
    services: [],
    unnamed: '',
  })
  const finds = computed<Finds>(() => ({
    ...found.value,
    neighbours: found.value.neighbours.map((one) => ({ ...one, heardAgo: since(one.heardAt) })),
  }))
  /** When ports were without their senders, by port, with when that was said. */
  const outages = shallowRef<Record<string, PortOutages & { at: number }>>({})
  /** Values of points that are followed, by reference. */
  const points = shallowRef<Record<string, number | string | null>>({})
  /** What moves at a port while it is learned from, by port. */
  const learned = shallowRef<Record<string, LearnNews>>({})
  /** Why nothing happened, of the last minute. */
  const misses = shallowRef<MissesNews | null>(null)
  /** How routes that are followed fare, by id. */
  const routeLives = shallowRef<Record<string, RouteNews>>({})
  const forgetLearned = () => {
    learned.value = {}
  }
  /** What is live of the programme, and when that was said, by this page's clock. */
  const programme = shallowRef<{ news: ProgrammeNews; at: number } | null>(null)
  /** Where timelines are, and when that was said, by this page's clock. */
  const timelines = shallowRef<{ news: TimelinesNews; at: number } | null>(null)
  /** How the recording of a take stands, and when that was said, by this page's clock. */
  const recording = shallowRef<{ news: RecordingNews; at: number } | null>(null)
  /** What the timetable does next, and when that was said, by this page's clock. */
  const timetable = shallowRef<{ news: TimetableNews; at: number } | null>(null)
  /** Lines that are sent to a desk. */
  const desk = shallowRef<DeskNews | null>(null)
  /** Tapes, and what is done with them. */
  const tapes = shallowRef<TapesNews | null>(null)
  /** Who else is here, and where. */
  const present = shallowRef<Person[]>([])
  const said = ref('')
  const newest = new Map<string, Uint8Array>()
  const painters = new Map<string, Set<Painter>>()
  const topics = new Map<string, number>()
  const scopes = new Set<(news: ScopeNews) => void>()
  const surfaceTakers = new Set<(news: SurfaceNews | ControlsNews) => void>()
  const lenders = new Set<(device: string, bytes: string) => void>()

  link.onMessage = (told) => {
    const message = told as unknown as Message
    switch (message.type) {
      case 'welcome':
        events.value = []
        session.became(message.role)
        break
      case 'status':
        whole.value = after(whole.value, message)
        break
      case 'minutes':
        minutes.value = minutesAfter(minutes.value, message)
        break
      case 'sources':
        given.value = { ...given.value, [message.universe]: message }
        break
      case 'trace':
        takeEvents(message)
        break
      case 'finds':
        found.value = message
        break
      case 'outages':
        outages.value = { ...outages.value, [message.port]: { ...message, at: Date.now() } }
        break
      case 'misses':
        misses.value = message
        break
      case 'route':
        routeLives.value = { ...routeLives.value, [message.route]: message }
        break
      case 'learn':
        learned.value = { ...learned.value, [message.port]: message }
        break
      case 'point':
        points.value = { ...points.value, [message.point]: message.value }
        break
      case 'programme':
        programme.value = { news: message, at: performance.now() }
        break
      case 'timelines':
        timelines.value = { news: message, at: performance.now() }
        break
      case 'recording':
        recording.value = { news: message, at: performance.now() }
        break
      case 'timetable':
        timetable.value = { news: message, at: performance.now() }
        break
      case 'desk':
        desk.value = message
        break
      case 'tapes':
        tapes.value = message
        break
      case 'present':
        present.value = message.people
        break
      case 'surface':
      case 'controls':
        surfaceTakers.forEach((take) => take(message))
        break
      case 'scope':
        scopes.forEach((take) => take(message))
        break
      case 'lent':
        lenders.forEach((take) => take(message.device, message.bytes))
        break
    }
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

  function takeEvents(news: TraceNews): void {
    const known = new Map(events.value.map((event) => [event.serial, event]))
    const now = Date.now()
    for (const event of news.events) known.set(event.serial, { ...event, at: now - ago(event.happenedAt, news.now) })
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
    return () => {
      set.delete(painter)
    }
  }

  /** The newest levels of a universe that is followed. */
  const levelsNow = (universe: string) => (newest.get(`levels:${universe}`) ?? new Uint8Array(512)).slice()

  const ask = <K extends keyof Orders>(order: K, fields: Orders[K]) =>
    link.ask({ do: order, ...fields }) as Promise<{ ok: boolean; error?: string } & Partial<Answers[K]>>
  async function command<K extends keyof Orders>(order: K, fields: Orders[K]): Promise<object | null> {
    const answer = await ask(order, fields)
    said.value = answer.ok ? '' : (answer.error ?? 'The engine did not say why.')
    return answer.ok ? answer : null
  }
  function listen<T>(set: Set<T>, taker: T): () => void {
    set.add(taker)
    return () => {
      set.delete(taker)
    }
  }
  const hold = (universe: string, slot: number, level: number, last = slot, seconds?: number) =>
    command('hold', { universe, slot, level, last, seconds })
  /** @param unlock whether it may reach what is never driven, this once */
  const holdParameter = (fixture: string, parameter: string, value: number, unlock = false) =>
    command('hold-parameter', { fixture, parameter, value, unlock })
  const releaseMine = () => command('release', { mine: true })
  const release = (universe?: string, slot?: number, last?: number) => command('release', { universe, slot, last })
  /** What is held of a parameter, by whomever. */
  const releaseParameter = (fixture: string, parameter: string) => command('release', { fixture, parameter })
  const check = (port: string, other: string) =>
    ask('check', { port, other: other || undefined }).then((answer) => ({
      findings: (answer.findings ?? []) as Finding[],
      error: answer.error ?? '',
    }))
  /** What a page says about the devices that it lends, and hands on from them. */
  const lend = (devices: string[]) => command('lend', { devices })
  const handOn = (device: string, what: { bytes: string } | { state: string }) => void ask('lent', { device, ...what })
  const onLent = (taker: (device: string, bytes: string) => void) => listen(lenders, taker)
  const onScope = (taker: (news: ScopeNews) => void) => listen(scopes, taker)
  /** Points whose names hold these words. */
  const findPoints = (text: string) => ask('find', { text }).then((answer) => answer.points ?? [])
  /** How a point is usually offered to a desk: a parameter of an offer. */
  const suggest = (point: string) => ask('suggest', { point })
  /** Which routes take what a trigger waits for. */
  const whoListens = (trigger: object) => ask('listens', { trigger })
  const whyDark = (fixture: string) => ask('why-dark', { fixture }).then((answer) => answer.reasons ?? [])
  const fan = (fixtures: string[], parameter: string, from: number, to: number, spread: 'across' | 'from-middle') =>
    command('fan', { fixtures, parameter, from, to, fan: spread })
  const holdColour = (fixtures: string[], colour: string, pixels: string[] = []) =>
    command('colour', { fixtures, colour, pixels })
  const setPoint = (point: string, value: number | string | boolean) => command('set', { point, value })
  const pressPoint = (point: string) => command('press', { point })
  /** What a look can be made of. */
  const gather = (from: Orders['gather']) => ask('gather', from)
  /** Values of a look or a cue are held for a moment. */
  const preview = (values: Orders['preview']['values']) => command('preview', { values })
  /** What a look, a cue or values would do; nothing is sent. */
  const foresee = (what: Orders['foresee']) => ask('foresee', what)
  /** A guest's page is closed, and its visit is over. */
  const sendAway = (page: number) => command('send-away', { page })
  /** Points are armed and recorded along a timeline. */
  const record = (plan: Orders['record']) => command('record', plan)
  const endRecording = (forgets = false) => command('end-recording', { forgets })
  /** What waits to be kept, as lines that are off by so much of each range at most, in percent. */
  const recorded = (tolerance: number) => ask('recorded', { tolerance })
  /** A line for a desk: what it takes it for; sent, where that is asked for. */
  const typeLine = (desk: string, line: string, sends: boolean) => ask('type-line', { desk, line, sends })
  /** Triggers of a timeline as lines for a desk; nothing is sent. */
  const renderLines = (what: Orders['render-lines']) => ask('render-lines', what)
  const sendLines = (desk: string, lines: string[]) => ask('send-lines', { desk, lines })
  const stopLines = () => ask('stop-lines', {})
  const recordTape = (what: Orders['record-tape']) => ask('record-tape', what)
  const changeTape = (what: Orders['change-tape']) => ask('change-tape', what)
  /** What a surface shows and how it is touched, for a page that draws one. */
  const touch = (order: Orders['touch']) => ask('touch', order)
  const onSurface = (taker: (news: SurfaceNews | ControlsNews) => void) => listen(surfaceTakers, taker)
  /** Others see what is on this page. */
  const stand = (place: string) => void ask('stand', { place })
  /** Events of the trace as a file; its content is Base64. */
  const writeTrace = (format: 'json lines' | 'pcapng', events: number[]) => ask('write-trace', { format, events })
  const explain = (universe: string, slot: number) => ask('explain', { universe, slot })

  return {
    start: () => link.start(),
    state,
    problem: link.problem,
    engine,
    ports,
    universes,
    holds,
    unclaimed,
    minutes,
    sources,
    events,
    finds,
    outages,
    learned,
    forgetLearned,
    misses,
    routeLives,
    present,
    stand,
    sendAway,
    record,
    endRecording,
    recorded,
    typeLine,
    renderLines,
    sendLines,
    stopLines,
    recordTape,
    changeTape,
    touch,
    onSurface,
    said,
    since,
    follow,
    points,
    paint,
    levelsNow,
    hold,
    holdParameter,
    releaseParameter,
    release,
    releaseMine,
    explain,
    writeTrace,
    findPoints,
    suggest,
    whoListens,
    whyDark,
    fan,
    holdColour,
    setPoint,
    pressPoint,
    programme,
    timelines,
    recording,
    timetable,
    desk,
    tapes,
    gather,
    preview,
    foresee,
    check,
    lend,
    handOn,
    onLent,
    onScope,
  }
})
