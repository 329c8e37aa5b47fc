export type PortState = 'alive' | 'quiet' | 'waiting' | 'lost' | 'fault' | 'off' | 'unknown'

export interface PortLife {
  state: PortState
  fault: string
  in: number
  out: number
  received: number
  sent: number
  lost: number
  gap: number | null
  jitter: number | null
  refused: number
  refusals: Record<string, number>
  senders: Record<string, number>
  connected: string[]
  heard: string
  from: string
  firstAgo: number | null
  heardAgo: number | null
  sentAgo: number | null
}

/** A point of the show, as the engine describes it. */
export interface FoundPoint { point: string, name: string, kind: string, low: number, high: number, unit: string, choices: string[], isSet: boolean, isPressed: boolean, value: number | string | null }

export interface UniverseLife { spoken: boolean, sources: number, leaders: string[], priority: number | null, raised: number }
export interface Hold { universe: string, slot: number, level: number, by: string, left: number }
export interface Unclaimed { ports: string[], protocol: string, number: number, name: string, from: string, count: number }

/** Something that says on the network that it is there. */
export interface Neighbour { key: string, protocol: string, name: string, address: string, details: string, gives: number[], takes: number[], lost: boolean, heardAgo: number }
export interface LentDevice { kind: string, name: string, who: string }
export interface Finds { neighbours: Neighbour[], lent: LentDevice[], unclaimed: Unclaimed[] }

/** What a check of two boxes found; a fix is what its button changes in the port, by path. */
export interface Finding { state: 'right' | 'wrong' | 'open', question: string, words: string, remedy: string, fix: { label: string, changes: Record<string, unknown> } | null }

/** New points of a value over time: each in milliseconds of the engine's clock, and the value. */
export interface ScopeNews { subject: string, now: number, from: number, next: number, points: [number, number][], words: string, rate: number, arrivals: number, step: number, jitter: number }

/** What a person should know of the engine itself; at is seconds since 1970. */
export interface Warning { key: string, words: string, at: number }

export interface Status {
  engine: { show: string, adoptions: number, upSeconds: number, pid: number, runs: string, warnings: Warning[], descriptors: number }
  ports: Record<string, PortLife>
  universes: Record<string, UniverseLife>
  holds: Hold[]
  unclaimed: Unclaimed[]
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
  heardAgo: number
  place: number
}

export interface Sources { universe: string, merge: string, sources: SourceLife[] }

export interface Hop { step: string, words: string, bytes: string, length: number, route: string | null }
export interface TraceEvent { serial: number, kind: string, port: string, title: string, count: number, ago: number, at: number, hops: Hop[] }
export interface SlotReport { level: number, why: string, contributions: { name: string, level: number, priority: number | null, leads: boolean }[] }
