/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Id, PartOfKind3, Point } from './showParts'

export type TrackKind = Triggers | Level | Notes | Clips | Sound
export type DayMoment = AtATime | ByTheSun
export interface Timeline {
  id: Id
  name: string
  folder?: string
  unit?: 'seconds' | 'beats'
  tempo?: Id
  length?: number
  loop?: boolean
  end?: 'hold' | 'release'
  timecode?: Id
  startsAt?: string
  changes?: TempoChange[]
  group?: string
  priority?: number
  tracks?: Track[]
  markers?: Marker[]
  note?: string
  takes?: Take[]
}
export interface TempoChange {
  at: number
  bpm: number
  bar?: number
}
export interface Track {
  id: Id
  name: string
  does: TrackKind
  colour?: string
  muted?: boolean
  solo?: boolean
  locked?: boolean
  early?: number
}
export interface Triggers {
  kind: 'triggers'
  triggers?: Moment[]
}
export interface Moment {
  id: Id
  at?: number
  name?: string
  do?: PartOfKind3[]
  colour?: string
  isPassing?: boolean
}
export interface Level {
  kind: 'levels'
  point?: Point
  knots?: PointOfALine[]
}
export interface PointOfALine {
  at: number
  value: number
  to?: 'linear' | 'step' | 'smooth' | 'bent'
  bend?: number
}
export interface Notes {
  kind: 'notes'
  port?: Id
  channel?: number
  notes?: PlayedNote[]
}
export interface PlayedNote {
  id: Id
  at?: number
  note: number
  velocity?: number
  long?: number
}
export interface Clips {
  kind: 'clips'
  clips?: Clip[]
}
export interface Clip {
  id: Id
  at?: number
  long?: number
  plays?: Point
  fadeIn?: number
  fadeOut?: number
  from?: number
  loops?: boolean
}
export interface Sound {
  kind: 'sound'
  file?: string
  at?: number
  seconds?: number
  perSecond?: number
  peaks?: string
}
export interface Marker {
  id: Id
  at?: number
  name: string
  isSection?: boolean
}
export interface Take {
  id: Id
  name: string
  lanes?: WhatOnePointDid[]
  note?: string
}
export interface WhatOnePointDid {
  from: number
  to: number
  point?: Point
  knots?: PointOfALine[]
  samples?: number
  off?: number
}
export interface TimeCode {
  id: Id
  name: string
  from?: Id[]
  offset?: number
  lost?: 'stop' | 'frames' | 'on'
  frames?: number
  rate?: '24' | '25' | '29.97' | '30'
  sends?: Id[]
  mmc?: boolean
  osc?: string
  oscSays?: 'seconds' | 'text'
  note?: string
}
export interface Occasion {
  id: Id
  name: string
  folder?: string
  enabled?: boolean
  when: DayMoment
  days?: ('mon' | 'tue' | 'wed' | 'thu' | 'fri' | 'sat' | 'sun')[]
  from?: string
  until?: string
  except?: string[]
  do?: PartOfKind3[]
  missed?: 'skip' | 'do'
  within?: number
  note?: string
}
export interface AtATime {
  kind: 'time'
  at: string
}
export interface ByTheSun {
  kind: 'sun'
  event?: 'sunrise' | 'sunset' | 'dawn' | 'dusk'
  minutes?: number
  latitude: number
  longitude: number
}
export interface Desk {
  id: Id
  name: string
  port: Id
  way?: 'osc' | 'sysex'
  address?: string
  arguments?: string[]
  bytes?: string
  pause?: number
  forms?: FormOfLines[]
  note?: string
}
export interface FormOfLines {
  line: string
  sends?: string
  note?: string
}
