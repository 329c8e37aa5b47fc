/* Made by bin/live-types of the classes in engine/Said, engine/Topic and engine/Order. Change those, not these files. */

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

export interface Foreseen {
  points: ForeseenPoint[]
  same: number
  more: number
}

export interface ForeseenPoint {
  point: string
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
  ranges: FoundRange[]
}

export interface FoundPoints {
  points: FoundPoint[]
}

export interface FoundRange {
  low: number
  high: number
  name: string
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

export interface LineVerdict {
  typed: string
  at: number | null
  isRight: boolean
  whole: string
  sends: string
  place: number
  problem: string
  allowed: string
  meant: string
}

export interface LineVerdicts {
  lines: LineVerdict[]
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

export interface RecordedKnot {
  at: number
  value: number
  to: string
}

export interface RecordedLane {
  from: number
  to: number
  point: string
  knots: RecordedKnot[]
  samples: number
  off: number
}

export interface RecordedTake {
  lanes: RecordedLane[]
}

export interface RecordedTakes {
  timeline: string
  takes: RecordedTake[]
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

export interface Suggestion {
  part: Record<string, unknown>
}

export interface TraceFile {
  name: string
  content: string
  events: number
  missing: number
}

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
  'touch': { surface: string, control: string, part?: string, value?: number | string | boolean }
  'send-away': { page: number }
  'record': { timeline: string, points?: string[], mode?: string, plays?: boolean, from?: number, to?: number, countIn?: number, latency?: number, still?: number }
  'end-recording': { forgets?: boolean }
  'recorded': { tolerance?: number }
  'type-line': { desk: string, line?: string, sends?: boolean }
  'render-lines': { desk: string, timeline: string, template: string }
  'send-lines': { desk: string, lines?: string[] }
  'stop-lines': object
  'record-tape': { name?: string, ports?: string[], ends?: boolean }
  'change-tape': { tape?: string, name?: string, from?: number, to?: number, removes?: boolean, part?: string, forgets?: string }
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
  'touch': object
  'send-away': object
  'record': object
  'end-recording': object
  'recorded': RecordedTakes
  'type-line': LineVerdict
  'render-lines': LineVerdicts
  'send-lines': object
  'stop-lines': object
  'record-tape': object
  'change-tape': object
}
