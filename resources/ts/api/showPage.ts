import type { Patched, PlacedParameter } from './patched'
import type { ShowDocument } from './showDocument'

/** The lists of a show. */
export type ListName = Exclude<keyof ShowDocument, 'format' | 'version' | 'name' | 'middleC'>
export interface Adapter {
  name: string
  address: string
  netmask: string
  broadcast: string
}

/** What a route runs between, by ids: ports that it hears and speaks at, universes that it looks at and sets. */
export interface RouteEnds {
  hears: string[]
  says: string[]
  looks: string[]
  sets: string[]
  addresses: string[]
}
/** What a page is told of the show. */
export interface ShowPageData {
  document: ShowDocument
  routeEnds: Record<string, RouteEnds>
  sentences: Record<string, string>
  numbering: Record<string, string[]>
  places: Record<string, string>
  unsent: Record<string, string[]>
  patch: Patched[]
  /** By profile and mode, '' for one alone. */
  footprints: Record<string, Record<string, PlacedParameter[]>>
  nextFree: Record<string, number | null>
  adapters: Adapter[]
  revision: number
  undo: string | null
  undoBy: string | null
  redo: string | null
  redoBy: string | null
  notice?: string | null
  undone?: string
  undoneBy?: string
  redone?: string
  redoneBy?: string
  id?: string
  ids?: string[]
}
