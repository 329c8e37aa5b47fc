/* Made by bin/live-types of the classes in engine/Said, engine/Topic and engine/Order. Change those, not this file. */

export interface EngineLife {
  show: string
  adoptions: number
  startedAt: number
  pid: number
  runs: string
  warnings: WarningLine[]
  descriptors: number
  routesOff: string[]
  routesAlone: string[]
}

export interface FindingFix {
  label: string
  changes: Record<string, unknown>
}

export interface FindingLine {
  state: string
  question: string
  words: string
  remedy: string
  fix: FindingFix | null
}

export interface Findings {
  findings: FindingLine[]
}

export interface Finds {
  type: 'finds'
  n: number
  neighbours: Neighbour[]
  lent: LentDevice[]
  unclaimed: Stray[]
}

export interface Foreseen {
  points: ForeseenPoint[]
  same: number
  more: number
}

export interface ForeseenPoint {
  point: string
  name: string
  unit: string
  now: string | number | null
  then: string | number
  wanted: string | number | null
  isAsWanted: boolean
  why: string
}

export interface FoundPoint {
  point: string
  name: string
  kind: string
  low: number
  high: number
  unit: string
  choices: string[]
  isSet: boolean
  isPressed: boolean
  value: string | number | null
}

export interface FoundPoints {
  points: FoundPoint[]
}

export interface Gathered {
  values: GatheredValue[]
}

export interface GatheredValue {
  point: string
  value: number
  name: string
  kind: string
  unit: string
}

export interface HeldSlot {
  universe: string
  slot: number
  level: number
  by: string
  until: number
}

export interface Hop {
  step: string
  words: string
  bytes: string
  length: number
  route: string | null
  relax: Relax | null
}

export interface LearnCandidate {
  address: string
  name: string
  words: string
  count: number
  movedAt: number
  moved: Moved[]
  ways: LearnWay[]
  argument: number
}

export interface LearnNews {
  type: 'learn'
  n: number
  port: string
  now: number
  candidates: LearnCandidate[]
  more: number
}

export interface LearnWay {
  words: string
  part: Record<string, unknown>
}

export interface LentDevice {
  kind: string
  name: string
  who: string
}

export interface LentNews {
  type: 'lent'
  n: number
  device: string
  bytes: string
}

export interface ListLife {
  id: string
  cue: string
  next: string
  isLoaded: boolean
  state: string
  rate: number
  from: number | null
  until: number | null
  follows: number | null
}

export interface ListeningRoute {
  id: string
  name: string
  enabled: boolean
}

export interface ListeningRoutes {
  routes: ListeningRoute[]
  more: number
}

export interface LookLife {
  id: string
  level: number
  until: number
}

export interface MasterLife {
  id: string
  level: number
  share: number
  to: number | null
  flashes: boolean
  isAlone: boolean
}

export interface MinuteCounts {
  in: number[]
  out: number[]
}

export interface Minutes {
  type: 'minutes'
  n: number
  whole: boolean
  ports: Record<string, MinuteCounts>
}

export interface MissesNews {
  type: 'misses'
  n: number
  now: number
  came: UnansweredLine[]
  near: NearLine[]
}

export interface Moved {
  argument: number
  low: number
  high: number
}

export interface NearLine {
  route: string
  what: string
  reason: string
  count: number
  cameAt: number
  relax: Relax | null
}

export interface Neighbour {
  key: string
  protocol: string
  name: string
  address: string
  details: string
  gives: number[]
  takes: number[]
  lost: boolean
  heardAt: number
}

export interface OutageLine {
  from: number
  until: number | null
  what: string
  meanwhile: string
}

export interface Person {
  name: string
  role: string
  place: string
}

export interface PointNews {
  type: 'point'
  n: number
  point: string
  value: string | number | null
}

export interface PortLife {
  state: string
  fault: string
  in: number
  out: number
  received: number
  sent: number
  lost: number
  gap: number | null
  jitter: number | null
  health: string
  lossTen: number
  lossMinute: number
  lossEver: number
  gapTen: number | null
  gapEver: number | null
  jitterMinute: number | null
  jitterEver: number | null
  fitting: number
  refused: number
  refusals: Record<string, number>
  senders: Record<string, number>
  connected: string[]
  heard: string
  from: string
  firstAt: number | null
  heardAt: number | null
  sentAt: number | null
}

export interface PortOutages {
  type: 'outages'
  n: number
  port: string
  now: number
  outages: OutageLine[]
}

export interface Present {
  type: 'present'
  n: number
  people: Person[]
}

export interface ProgrammeNews {
  type: 'programme'
  n: number
  now: number
  looks: LookLife[]
  lists: ListLife[]
  masters: MasterLife[]
  waves: WaveLife[]
  tempos: TempoLife[]
  blackout: boolean
  leftLit: number
  fadeTime: number
}

export interface ReasonLine {
  keepsDark: boolean
  words: string
  remedy: string
  list: string
  id: string
  release: string
}

export interface Reasons {
  reasons: ReasonLine[]
}

export interface Relax {
  part: string
  fields: Record<string, unknown>
}

export interface RouteNews {
  type: 'route'
  n: number
  route: string
  now: number
  firedAt: number | null
  fired: number
  near: NearLine | null
  echoes: number
  round: string
}

export interface ScopeNews {
  type: 'scope'
  n: number
  subject: string
  from: number
  next: number
  now: number
  points: [number, number][]
  words: string
  rate: number
  arrivals: number
  step: number
  jitter: number
}

export interface SlotContribution {
  name: string
  level: number
  priority: number | null
  leads: boolean
}

export interface SlotReport {
  level: number
  why: string
  contributions: SlotContribution[]
}

export interface SourceLife {
  name: string
  protocol: string
  port: string
  address: string
  priority: number | null
  slots: number
  frames: number
  outOfOrder: number
  lost: number
  rate: number | null
  gap: number
  jitter: number
  bySlot: boolean
  lastResort: boolean
  preview: boolean
  heardAt: number | null
  place: number
}

export interface Sources {
  type: 'sources'
  n: number
  universe: string
  merge: string
  sources: SourceLife[]
}

export interface Status {
  type: 'status'
  n: number
  now: number
  whole: boolean
  engine: EngineLife | null
  ports: Record<string, PortLife>
  universes: Record<string, UniverseLife>
  holds: HeldSlot[] | null
  unclaimed: Stray[] | null
}

export interface Stray {
  ports: string[]
  protocol: string
  number: number
  name: string
  from: string
  count: number
}

export interface Suggestion {
  part: Record<string, unknown>
}

export interface TempoLife {
  id: string
  bpm: number
  source: string
  leader: string
  isCarriedOn: boolean
  zeroAt: number | null
}

export interface TraceEvent {
  serial: number
  kind: string
  port: string
  title: string
  count: number
  happenedAt: number
  hops: Hop[]
}

export interface TraceFile {
  name: string
  content: string
  events: number
  missing: number
}

export interface TraceNews {
  type: 'trace'
  n: number
  now: number
  revision: number
  events: TraceEvent[]
}

export interface UnansweredLine {
  port: string
  address: string
  words: string
  from: string
  count: number
  cameAt: number
  why: string
  route: string
  ways: LearnWay[]
}

export interface UniverseLife {
  spoken: boolean
  sources: number
  leaders: string[]
  priority: number | null
  raised: number
}

export interface WarningLine {
  key: string
  words: string
  at: number
}

export interface WaveLife {
  id: string
  isOn: boolean
  rate: number
  size: number
  centre: number
  phase: number
}

export interface Welcome {
  type: 'welcome'
  n: number
  user: string
  role: string
}

/** What the engine says unasked. */
export type Message = Welcome | Status | Minutes | Finds | TraceNews | Sources | ScopeNews | PointNews | Present | PortOutages | LearnNews | MissesNews | RouteNews | ProgrammeNews | LentNews

export type TopicName = 'status' | 'minutes' | 'finds' | 'trace' | 'levels' | 'sources' | 'scope' | 'points' | 'present' | 'outages' | 'learn' | 'misses' | 'route' | 'programme'

/** What a page can ask for, by the word after "do". */
export interface Orders {
  'subscribe': { topics?: string[], anew?: boolean }
  'hold': { universe: string, slot: number, last?: number, level: number, seconds?: number }
  'hold-parameter': { fixture: string, parameter: string, value: number, seconds?: number, unlock?: boolean }
  'fan': { fixtures?: string[], parameter: string, from: number, to: number, fan?: string }
  'colour': { fixtures?: string[], colour: string, pixels?: string[] }
  'release': { universe?: string, slot?: number, last?: number, mine?: boolean, fixture?: string, parameter?: string }
  'explain': { universe: string, slot: number }
  'lend': { devices?: string[] }
  'lent': { device: string, bytes?: string, state?: string }
  'set': { point: string, value: number | string | boolean }
  'press': { point: string }
  'find': { text?: string }
  'check': { port: string, other?: string }
  'stand': { place: string }
  'write-trace': { format: string, events?: number[] }
  'why-dark': { fixture: string }
  'suggest': { point: string }
  'listens': { trigger: object }
  'gather': { from?: string, port?: string, fixtures?: string[], kind?: string, lit?: boolean, look?: string }
  'preview': { values?: object[], seconds?: number }
  'foresee': { look?: string, list?: string, cue?: string, values?: object[] }
}

/** What the answers to them have beside "ok". */
export interface Answers {
  'subscribe': object
  'hold': object
  'hold-parameter': object
  'fan': object
  'colour': object
  'release': object
  'explain': SlotReport
  'lend': object
  'lent': object
  'set': object
  'press': object
  'find': FoundPoints
  'check': Findings
  'stand': object
  'write-trace': TraceFile
  'why-dark': Reasons
  'suggest': Suggestion
  'listens': ListeningRoutes
  'gather': Gathered
  'preview': object
  'foresee': Foreseen
}
