/* Made from schema/show.schema.json by "npm run types". Change the schema, not this file. */

export type Id = string
export type Back = ItsValueBackThroughTheSteps | ALampOnOrOff | APageByOSCItsValueNameAndColour
export type Point = string
export type FromEnd = MessageIn | Slot
export type ToEnd = MessageOut | Slot1
export type Layout = Rectangle | Line | Ring | TableOfPlaces
export type OfferedFunction = APointFollows | APointIsSetToOneValue | APointIsPressed | OneOfSeveralPointsIsPressedByItsNumber
export type Follow = ATimeAfterItsGo | WhenItIsComplete | OnTheBeat | AtATimeCode

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
}
export interface Universe {
  id: Id
  name: string
  merge?: 'htp' | 'ltp' | 'slot' | 'chosen'
  latest?: SlotSpan[]
  chosen?: Id
  whenLost?: 'hold' | 'fade' | 'stop'
  fadeSeconds?: number
  look?: LevelSpan[]
  shapes?: Shape[]
  rawLights?: boolean
  swaps?: Swap[]
}
export interface SlotSpan {
  first: number
  last?: number
}
export interface LevelSpan {
  first: number
  last?: number
  level: number
}
export interface Shape {
  first: number
  last?: number
  curve?: 'linear' | 'square' | 'root' | 'logarithmic' | 'smooth' | 'switched'
  inverted?: boolean
  low?: number
  high?: number
}
export interface Swap {
  first: number
  with: number
  count?: number
}
export interface Port {
  id: Id
  name: string
  protocol: 'art-net' | 'sacn' | 'osc' | 'dmx-line' | 'midi' | 'controller'
  link?: PortLink
  enabled?: boolean
  allow?: string[]
  receive?: ReceiveSide
  send?: SendSide
}
export interface PortLink {
  kind?: 'udp' | 'tcp' | 'serial' | 'browser' | 'session' | 'device' | 'cable'
  device?: string
  framing?: 'length' | 'slip'
}
export interface ReceiveSide {
  address?: {
    [k: string]: unknown
  } & string
  port?: number
  enabled?: boolean
  poll?: string[]
  priority?: number
  priorities?: SenderPriority[]
  lastResort?: boolean
  timeOut?: number
  feeds?: WireUniverse[]
  multicast?: boolean
  deadZone?: number
  centres?: number[]
}
export interface SenderPriority {
  from: string
  priority: number
}
export interface WireUniverse {
  number: number
  universe: Id
}
export interface SendSide {
  to?: string[]
  port?: number
  enabled?: boolean
  address?: {
    [k: string]: unknown
  } & string
  perSecond?: number
  lines?: number
  fullRate?: boolean
  sync?: boolean
  carries?: CarriedUniverse[]
  multicast?: boolean
  announce?: boolean
  priority?: number
  syncUniverse?: number
  sourceName?: string
  slotPriorities?: PrioritySpan[]
  replies?: boolean
  heartbeat?: string
  heartbeatSeconds?: number
}
export interface CarriedUniverse {
  number: number
  universe: Id
  rank?: number
}
export interface PrioritySpan {
  first: number
  last?: number
  priority: number
}
export interface Route {
  id: Id
  name: string
  enabled?: boolean
  folder?: string
  note?: string
  when?: PartOfKind | [PartOfKind, ...PartOfKind[]]
  if?: PartOfKind1[]
  steps?: PartOfKind2[]
  do?: PartOfKind3[]
  back?: Back
  from?: FromEnd
  to?: ToEnd
}
export interface PartOfKind {
  kind: string
  [k: string]: unknown
}
export interface PartOfKind1 {
  kind: string
  [k: string]: unknown
}
export interface PartOfKind2 {
  kind: string
  [k: string]: unknown
}
export interface PartOfKind3 {
  kind: string
  [k: string]: unknown
}
export interface ItsValueBackThroughTheSteps {
  kind: 'value'
  of?: Point
  gap?: number
  every?: number
  band?: number
}
export interface ALampOnOrOff {
  kind: 'lamp'
  of?: Point
  gap?: number
  every?: number
  on?: number
  off?: number
  at?: number
  blink?: number
  blinks?: Point
}
export interface APageByOSCItsValueNameAndColour {
  kind: 'page'
  of?: Point
  gap?: number
  every?: number
  band?: number
  name?: string
  nameAddress?: string
  colourAddress?: string
  on?: string
  off?: string
  at?: number
}
export interface MessageIn {
  kind: 'message'
  port: Id
  address: string
  argument?: number
  low?: number
  high?: number
}
export interface Slot {
  kind: 'slot'
  universe: Id
  slot: number
  low?: number
  high?: number
}
export interface MessageOut {
  kind: 'message'
  port: Id
  address: string
  type?: 'float' | 'int'
  low?: number
  high?: number
}
export interface Slot1 {
  kind: 'slot'
  universe: Id
  slot: number
  low?: number
  high?: number
}
export interface Copy {
  id: Id
  name: string
  from: CopySource
  to: CopyTarget
  repeat?: number
  limit?: number
  enabled?: boolean
}
export interface CopySource {
  universe: Id
  first: number
  count?: number
}
export interface CopyTarget {
  universe: Id
  first: number
}
export interface Profile {
  id: Id
  name: string
  maker?: string
  parameters?: Parameter[]
  cells?: Cells[]
  virtualIntensity?: boolean
  modes?: Mode[]
  note?: string
}
export interface Parameter {
  name: string
  id?: string
  slots?: number
  at?: number[]
  role?:
    | 'dimmer'
    | 'red'
    | 'green'
    | 'blue'
    | 'white'
    | 'warm-white'
    | 'cold-white'
    | 'amber'
    | 'lime'
    | 'ultraviolet'
    | 'cyan'
    | 'magenta'
    | 'yellow'
    | 'colour-temperature'
    | 'colour-wheel'
    | 'pan'
    | 'tilt'
    | 'shutter'
    | 'strobe'
    | 'zoom'
    | 'focus'
    | 'iris'
    | 'frost'
    | 'gobo-wheel'
    | 'prism'
    | 'macro'
    | 'reset'
    | 'mode-select'
    | 'fan'
    | 'haze'
  kind?: 'intensity' | 'colour' | 'position' | 'beam' | 'control' | 'other'
  /**
   * @deprecated
   */
  intensity?: boolean
  precedence?: 'kind' | 'htp' | 'ltp'
  default?: number
  safe?: number
  neverDriven?: boolean
  from?: number
  to?: number
  inverted?: boolean
  unit?: string
  /**
   * @minItems 2
   */
  physical?: [number, number, ...number[]]
  ranges?: NamedRange[]
}
export interface NamedRange {
  name: string
  first: number
  last?: number
  unit?: string
  /**
   * @minItems 2
   */
  physical?: [number, number, ...number[]]
  colour?: string
}
export interface Cells {
  id: Id
  name: string
  count: number
  at?: number[]
  every?: number
  /**
   * @minItems 1
   */
  parameters: [Parameter, ...Parameter[]]
}
export interface Mode {
  id: Id
  name: string
  parameters?: Parameter[]
  cells?: Cells[]
  virtualIntensity?: boolean
}
export interface Fixture {
  id: Id
  name: string
  profile: Id
  mode?: Id
  universe: Id
  first: number
  number?: number
  mark?: string
  place?: string
  note?: string
  sharesWith?: Id[]
  calibration?: Calibration
  precedences?: OwnPrecedence[]
}
export interface Calibration {
  panInverted?: boolean
  tiltInverted?: boolean
  swapped?: boolean
  panOffset?: number
  tiltOffset?: number
  panLow?: number
  panHigh?: number
  tiltLow?: number
  tiltHigh?: number
}
export interface OwnPrecedence {
  parameter: string
  precedence?: 'kind' | 'htp' | 'ltp'
}
export interface Group {
  id: Id
  name: string
  members?: string[]
}
export interface Value {
  id: Id
  name: string
  type?: 'switch' | 'number' | 'choice' | 'text'
  low?: number
  high?: number
  choices?: string[]
  start?: boolean | number | string
  kept?: boolean
}
export interface PixelMap {
  id: Id
  name: string
  place?: string
  layout: Layout
  order?: 'rgb' | 'rbg' | 'grb' | 'gbr' | 'brg' | 'bgr' | 'rgbw' | 'grbw' | 'wrgb' | 'rgba' | 'w'
  universes?: Id[]
  first?: number
  perUniverse?: number
  split?: boolean
  gaps?: Gap[]
  sharesWith?: Id[]
  note?: string
}
export interface Rectangle {
  kind: 'rectangle'
  columns?: number
  rows?: number
  corner?: 'top-left' | 'top-right' | 'bottom-left' | 'bottom-right'
  direction?: 'rows' | 'columns'
  zigzag?: boolean
  without?: number[]
}
export interface Line {
  kind: 'line'
  count?: number
  upright?: boolean
  backwards?: boolean
}
export interface Ring {
  kind: 'ring'
  count?: number
  start?: number
  anticlockwise?: boolean
}
export interface TableOfPlaces {
  kind: 'table'
  pixels?: string[]
}
export interface Gap {
  before: number
  pixels?: number
}
export interface Note {
  id: Id
  name: string
  note: number
  channel?: number
}
export interface Offer {
  id: Id
  name: string
  enabled?: boolean
  universe?: Id
  first?: number
  oscPort?: Id
  oscAddress?: string
  midiPort?: Id
  channel?: number
  number?: number
  tells?: boolean
  /**
   * @minItems 1
   */
  parameters: [OfferedParameter, ...OfferedParameter[]]
  sharesWith?: Id[]
  note?: string
}
export interface OfferedParameter {
  name: string
  id?: string
  bits?: '8' | '16'
  functions?: OfferedFunction[]
}
export interface APointFollows {
  kind: 'level'
  point: Point
  low?: number
  high?: number
  whole?: boolean
  first?: number
  last?: number
  name?: string
}
export interface APointIsSetToOneValue {
  kind: 'set'
  point: Point
  value: number | string | boolean
  first?: number
  last?: number
  name?: string
}
export interface APointIsPressed {
  kind: 'press'
  point: Point
  first?: number
  last?: number
  name?: string
}
export interface OneOfSeveralPointsIsPressedByItsNumber {
  kind: 'number'
  /**
   * @minItems 1
   */
  points: [NumberedPoint, ...NumberedPoint[]]
  first?: number
  name?: string
}
export interface NumberedPoint {
  point: Point
}
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
