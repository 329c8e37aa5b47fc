/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Id, PartOfKind3, Point } from './showParts'

export type Follow = ATimeAfterItsGo | WhenItIsComplete | OnTheBeat | AtATimeCode
export interface Look {
  id: Id
  name: string
  set?: string
  press?: 'toggle' | 'latched' | 'momentary' | 'once'
  fadeIn?: number
  fadeOut?: number
  delay?: number
  kinds?: TimeOfAKind[]
  priority?: number
  values?: ValueOfAPoint[]
  do?: PartOfKind3[]
  note?: string
}
export interface TimeOfAKind {
  kind: 'intensity' | 'colour' | 'position' | 'beam' | 'control' | 'other'
  fade?: number
  delay?: number
  jumps?: boolean
}
export interface ValueOfAPoint {
  point: Point
  value: number | string | boolean
}
export interface CueList {
  id: Id
  name: string
  number?: string
  tracking?: boolean
  end?: 'none' | 'loop' | 'bounce'
  priority?: number
  cues?: Cue[]
  begins?: boolean
  mscPort?: Id
  mscDevice?: number
  mscPath?: string
  mscFormat?:
    | 'any'
    | 'lighting'
    | 'moving-lights'
    | 'colour-changers'
    | 'strobes'
    | 'lasers'
    | 'chasers'
    | 'sound'
    | 'music'
    | 'cd-players'
    | 'eprom-playback'
    | 'audio-tape-machines'
    | 'intercoms'
    | 'amplifiers'
    | 'audio-effects-devices'
    | 'equalisers'
    | 'machinery'
    | 'rigging'
    | 'flys'
    | 'lifts'
    | 'turntables'
    | 'trusses'
    | 'robots'
    | 'animation'
    | 'floats'
    | 'breakaways'
    | 'barges'
    | 'video'
    | 'video-tape-machines'
    | 'video-cassette-machines'
    | 'video-disc-players'
    | 'video-switchers'
    | 'video-effects'
    | 'video-character-generators'
    | 'video-still-stores'
    | 'video-monitors'
    | 'projection'
    | 'film-projectors'
    | 'slide-projectors'
    | 'video-projectors'
    | 'dissolvers'
    | 'shutter-controls'
    | 'process-control'
    | 'hydraulic-oil'
    | 'h2o'
    | 'co2'
    | 'compressed-air'
    | 'natural-gas'
    | 'fog'
    | 'smoke'
    | 'cracked-haze'
    | 'pyro'
    | 'fireworks'
    | 'explosions'
    | 'flame'
    | 'smoke-pots'
    | 'all-types'
  note?: string
}
export interface Cue {
  number: string
  name?: string
  look?: Id
  up?: number
  down?: number
  delay?: number
  follow?: Follow
  note?: string
  values?: ValueOfAPoint[]
  kinds?: TimeOfAKind[]
  assert?: boolean
  block?: boolean
  do?: PartOfKind3[]
}
export interface ATimeAfterItsGo {
  kind: 'after'
  seconds: number
}
export interface WhenItIsComplete {
  kind: 'complete'
  seconds?: number
}
export interface OnTheBeat {
  kind: 'beat'
  beats?: number
  tempo?: Id
}
export interface AtATimeCode {
  kind: 'timecode'
  port: Id
  at: string
}
export interface Master {
  id: Id
  name: string
  over?: 'all' | 'programme' | 'lists' | 'looks' | 'universes' | 'groups' | 'fixtures'
  lists?: Id[]
  looks?: Id[]
  universes?: Id[]
  groups?: Id[]
  fixtures?: Id[]
  curve?: 'linear' | 'square' | 'logarithmic'
  low?: number
  high?: number
  start?: number
  time?: number
  linked?: Id[]
  note?: string
}
export interface Wave {
  id: Id
  name: string
  shape?: 'sine' | 'triangle' | 'ramp-up' | 'ramp-down' | 'square' | 'steps' | 'smooth' | 'drawn'
  width?: number
  points?: number[]
  mode?: 'add' | 'multiply' | 'replace'
  centre?: number
  size?: number
  unit?: 'hertz' | 'beats'
  rate?: number
  tempo?: Id
  phase?: number
  on?: PointThatIsMoved[]
  offset?: number
  spread?: 'order' | 'middle' | 'mirrored' | 'random'
  seed?: number
  begins?: boolean
  priority?: number
  note?: string
}
export interface PointThatIsMoved {
  point: Point
}
export interface Tempo {
  id: Id
  name: string
  start?: number
  bar?: number
  clocks?: Id[]
  holds?: number
  sends?: Id[]
}
