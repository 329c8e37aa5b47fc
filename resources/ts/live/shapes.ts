/* Made by bin/live-types of the classes in engine/Said, engine/Topic and engine/Order. Change those, not these files. */

export interface ArmedPoint {
  point: string
  name: string
  isWritten: boolean
}

export interface ControlLife {
  at: (number | null)[]
  text: string
  isOn: boolean
  isSeen: boolean
  canMove: boolean
  called: string
}

export interface DeskWords {
  isOurs: boolean
  words: string
}

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
  showMode: string
}

export interface FoundService {
  type: string
  protocol: string
  name: string
  address: string
  port: number
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

export interface LearnWay {
  words: string
  part: Record<string, unknown>
}

export interface LentDevice {
  kind: string
  name: string
  who: string
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

export interface OccasionLife {
  id: string
  words: string
  isOn: boolean
  next: number | null
  last: number | null
}

export interface OutageLine {
  from: number
  until: number | null
  what: string
  meanwhile: string
}

export interface Person {
  page: number
  name: string
  role: string
  place: string
  address: string
  cameAt: number
  touchedAt: number | null
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

export interface Relax {
  part: string
  fields: Record<string, unknown>
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

export interface Stray {
  ports: string[]
  protocol: string
  number: number
  name: string
  from: string
  count: number
}

export interface SurfaceControl {
  id: string
  kind: string
  name: string
  text: string
  size: string
  icon: string
  column: number
  row: number
  width: number
  height: number
  colour: string
  ground: string
  inkOn: string
  inkOff: string
  showsValue: boolean
  hasLong: boolean
  traits: Record<string, unknown>
}

export interface SurfacePage {
  id: string
  name: string
  columns: number
  rows: number
  flows: boolean
  controls: SurfaceControl[]
  turned: SurfaceTurned | null
}

export interface SurfacePlace {
  control: string
  column: number
  row: number
  width: number
  height: number
}

export interface SurfaceTurned {
  columns: number
  rows: number
  places: SurfacePlace[]
}

export interface TapeLife {
  id: string
  name: string
  made: number
  bytes: number
  seconds: number
  packets: number
  from: number
  to: number
  loops: boolean
  parts: TapePartLife[]
  at: number | null
}

export interface TapePartLife {
  id: string
  name: string
  from: number
  to: number
  isPlayed: boolean
}

export interface TempoLife {
  id: string
  bpm: number
  source: string
  leader: string
  isCarriedOn: boolean
  zeroAt: number | null
}

export interface TimecodeLife {
  id: string
  time: string
  rate: string
  leader: string
  isRunning: boolean
  isCarriedOn: boolean
  speed: number
}

export interface TimelineLife {
  id: string
  isOn: boolean
  isPlaying: boolean
  at: number
  zeroAt: number | null
  unit: number
  rate: number
  loops: boolean
  isRound: boolean
  section: string
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
