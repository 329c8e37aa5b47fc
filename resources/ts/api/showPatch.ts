/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
import type { Id, Point } from './showParts'

export type Layout = Rectangle | Line | Ring | TableOfPlaces
export type OfferedFunction = APointFollows | APointIsSetToOneValue | APointIsPressed | OneOfSeveralPointsIsPressedByItsNumber
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
