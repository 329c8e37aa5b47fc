import type * as said from './messages'

export type { EngineLife, FoundPoint, Hop, ScopeNews, SlotReport, UniverseLife } from './messages'
export type { Stray as Unclaimed, WarningLine as Warning, LentDevice } from './messages'

/** As the engine says it; "unknown" while it does not answer. */
export type PortState = 'alive' | 'unsteady' | 'silent' | 'quiet' | 'waiting' | 'lost' | 'fault' | 'off' | 'unknown'

/** Times of the engine's clock as milliseconds ago. */
export type PortLife = Omit<said.PortLife, 'state'> & {
  state: PortState
  firstAgo: number | null
  heardAgo: number | null
  sentAgo: number | null
}
export type SourceLife = said.SourceLife & { heardAgo: number | null }
export type Sources = Omit<said.Sources, 'sources'> & { sources: SourceLife[] }
export type Neighbour = said.Neighbour & { heardAgo: number }
export interface Finds {
  neighbours: Neighbour[]
  lent: said.LentDevice[]
  unclaimed: said.Stray[]
  services: said.FoundService[]
  unnamed: string
}
export type Hold = said.HeldSlot & { left: number }
/** When it happened by this page's own clock. */
export type TraceEvent = said.TraceEvent & { at: number }
export type Finding = Omit<said.FindingLine, 'state'> & { state: 'right' | 'wrong' | 'open' }
