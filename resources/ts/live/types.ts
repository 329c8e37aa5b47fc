export type PortState = 'alive' | 'quiet' | 'waiting' | 'lost' | 'fault' | 'off'

export interface PortLife {
  state: PortState
  fault: string
  in: number
  out: number
  received: number
  sent: number
  refused: number
  refusals: Record<string, number>
  senders: Record<string, number>
  heard: string
  from: string
  heardAgo: number | null
  sentAgo: number | null
}

export interface UniverseLife { spoken: boolean, sources: number, leaders: string[], priority: number | null, raised: number }
export interface Hold { universe: string, slot: number, level: number, by: string, left: number }
export interface Unclaimed { ports: string[], name: string, from: string, count: number }

export interface Status {
  engine: { show: string, adoptions: number, upSeconds: number, pid: number }
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
  heardAgo: number
  place: number
}

export interface Sources { universe: string, merge: 'htp' | 'ltp', sources: SourceLife[] }

export interface Hop { step: string, words: string, bytes: string, length: number, route: string | null }
export interface TraceEvent { serial: number, kind: string, port: string, title: string, count: number, ago: number, at: number, hops: Hop[] }
export interface SlotReport { level: number, why: string, contributions: { name: string, level: number, priority: number | null, leads: boolean }[] }
