/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Copy, Note, Port, Route, Universe, Value } from './showParts'
import type { CueList, Look, Master, Tempo, Wave } from './showProgramme'
import type { Panel, Surface } from './showSurfaces'
import type { Desk, Occasion, TimeCode, Timeline } from './showTimelines'
import type { Fixture, Group, Offer, PixelMap, Profile } from './showPatch'

export interface ShowDocument {
  format: 'nimble-junction/show'
  version: 2
  name: string
  middleC?: number
  universes?: Universe[]
  ports?: Port[]
  routes?: Route[]
  copies?: Copy[]
  profiles?: Profile[]
  fixtures?: Fixture[]
  groups?: Group[]
  values?: Value[]
  pixels?: PixelMap[]
  notes?: Note[]
  offers?: Offer[]
  looks?: Look[]
  lists?: CueList[]
  masters?: Master[]
  waves?: Wave[]
  tempos?: Tempo[]
  surfaces?: Surface[]
  panels?: Panel[]
  timelines?: Timeline[]
  timecodes?: TimeCode[]
  occasions?: Occasion[]
  desks?: Desk[]
}

export type * from './showParts'
export type * from './showProgramme'
export type * from './showSurfaces'
export type * from './showTimelines'
export type * from './showPatch'
