/* Made by bin/live-types of the classes in engine/Said, engine/Topic and engine/Order. Change those, not these files. */
import type { ArmedPoint, ControlLife, DeskWords, EngineLife, FoundService, HeldSlot, LearnCandidate, LentDevice, ListLife, LookLife, MasterLife, MinuteCounts, NearLine, Neighbour, OccasionLife, OutageLine, Person, PortLife, SourceLife, Stray, SurfacePage, TapeLife, TempoLife, TimecodeLife, TimelineLife, TraceEvent, UnansweredLine, UniverseLife, WaveLife } from './shapes'

export interface ControlsNews {
  type: 'controls'
  n: number
  surface: string
  controls: Record<string, ControlLife>
}

export interface DeskNews {
  type: 'desk'
  n: number
  desk: string
  count: number
  sent: number
  isRunning: boolean
  why: string
  said: DeskWords[]
}

export interface Finds {
  type: 'finds'
  n: number
  neighbours: Neighbour[]
  lent: LentDevice[]
  unclaimed: Stray[]
  services: FoundService[]
  unnamed: string
}

export interface LearnNews {
  type: 'learn'
  n: number
  port: string
  now: number
  candidates: LearnCandidate[]
  more: number
}

export interface LentNews {
  type: 'lent'
  n: number
  device: string
  bytes: string
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

export interface PointNews {
  type: 'point'
  n: number
  point: string
  value: string | number | null
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

export interface RecordingNews {
  type: 'recording'
  n: number
  now: number
  state: string
  timeline: string
  startsAt: number
  points: ArmedPoint[]
  passes: number
  why: string
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

export interface SurfaceNews {
  type: 'surface'
  n: number
  surface: string
  name: string
  kiosk: boolean
  pages: SurfacePage[]
}

export interface TapesNews {
  type: 'tapes'
  n: number
  recording: string
  seconds: number
  packets: number
  why: string
  tapes: TapeLife[]
}

export interface TimelinesNews {
  type: 'timelines'
  n: number
  now: number
  timelines: TimelineLife[]
  timecodes: TimecodeLife[]
}

export interface TimetableNews {
  type: 'timetable'
  n: number
  time: number | null
  zone: string
  occasions: OccasionLife[]
}

export interface TraceNews {
  type: 'trace'
  n: number
  now: number
  revision: number
  events: TraceEvent[]
}

export interface Welcome {
  type: 'welcome'
  n: number
  user: string
  role: string
}

/** What the engine says unasked. */
export type Message = Welcome | Status | Minutes | Finds | TraceNews | Sources | ScopeNews | PointNews | Present | PortOutages | LearnNews | MissesNews | RouteNews | ProgrammeNews | SurfaceNews | ControlsNews | TimelinesNews | RecordingNews | TimetableNews | DeskNews | TapesNews | LentNews

export type TopicName = 'status' | 'minutes' | 'finds' | 'trace' | 'levels' | 'sources' | 'scope' | 'points' | 'present' | 'outages' | 'learn' | 'misses' | 'route' | 'programme' | 'surface' | 'timelines' | 'recording' | 'timetable' | 'desk' | 'tapes'

export type * from './answers'
export type * from './shapes'
