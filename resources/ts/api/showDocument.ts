/* Made from schema/show.schema.json by "npm run types". Change the schema, not this file. */

export type Id = string
export type FromEnd = MessageIn | Slot
export type ToEnd = MessageOut | Slot1

/**
 * A whole show: universes, ports, routes between them, and what it has of its own.
 */
export interface ShowDocument {
  format: 'nimble-junction/show'
  version: 2
  name: string
  /**
   * Octave number of MIDI note 60: makers differ.
   */
  middleC?: number
  universes?: Universe[]
  ports?: Port[]
  routes?: Route[]
  copies?: Copy[]
  profiles?: Profile[]
  fixtures?: Fixture[]
  groups?: Group[]
  values?: Value[]
}
export interface Universe {
  id: Id
  name: string
  /**
   * How sources of equal priority share a slot: highest, latest, slot by slot, or the sources of one chosen port only.
   */
  merge?: 'htp' | 'ltp' | 'slot' | 'chosen'
  /**
   * For merging slot by slot: parameters of the patch that are no intensity are LTP anyway.
   */
  latest?: SlotSpan[]
  chosen?: Id
  /**
   * What becomes of it when all sources are lost: its levels stay, fade, or are no longer sent.
   */
  whenLost?: 'hold' | 'fade' | 'stop'
  /**
   * How long that fade takes.
   */
  fadeSeconds?: number
  /**
   * Without it, black.
   */
  look?: LevelSpan[]
  shapes?: Shape[]
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
  curve?: 'linear' | 'square' | 'root' | 'smooth' | 'switched'
  inverted?: boolean
  /**
   * Nothing goes below.
   */
  low?: number
  /**
   * Nothing goes above.
   */
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
  /**
   * Senders that it listens to, addresses or networks; without it, all.
   */
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
  /**
   * Our own address to listen at, or the name of a network adapter; 0.0.0.0 for all.
   */
  address?: {
    [k: string]: unknown
  } & string
  port?: number
  enabled?: boolean
  /**
   * Addresses that are asked who is there, broadcast addresses too.
   */
  poll?: string[]
  /**
   * Highest wins.
   */
  priority?: number
  priorities?: SenderPriority[]
  /**
   * Its sources lead only where no others are, whatever their priority.
   */
  lastResort?: boolean
  timeOut?: number
  feeds?: WireUniverse[]
  /**
   * Join the multicast groups of the universes.
   */
  multicast?: boolean
  /**
   * Part of an axis' way that counts as its centre.
   */
  deadZone?: number
  /**
   * Where each axis rests.
   */
  centres?: number[]
}
export interface SenderPriority {
  from: string
  priority: number
}
export interface WireUniverse {
  /**
   * Art-Net port-address from 0, sACN universe from 1, 1 on a DMX line.
   */
  number: number
  universe: Id
}
export interface SendSide {
  to?: string[]
  port?: number
  enabled?: boolean
  /**
   * Our own address to send from, or the name of a network adapter; 0.0.0.0 leaves the choice to the system.
   */
  address?: {
    [k: string]: unknown
  } & string
  /**
   * Most frames a second of each universe.
   */
  perSecond?: number
  /**
   * How many universes the interface has room for; those of the highest rank numbers are not sent.
   */
  lines?: number
  /**
   * Some receivers drop out when unchanged levels come only now and then, as the standard allows.
   */
  fullRate?: boolean
  /**
   * A synchronisation packet follows the frames of one moment.
   */
  sync?: boolean
  carries?: CarriedUniverse[]
  /**
   * Send to the multicast group of each universe.
   */
  multicast?: boolean
  /**
   * Universe discovery every ten seconds; usual with multicast.
   */
  announce?: boolean
  /**
   * Highest wins.
   */
  priority?: number
  /**
   * Universe of our synchronization packets; 0 for none.
   */
  syncUniverse?: number
  sourceName?: string
  slotPriorities?: PrioritySpan[]
  replies?: boolean
  /**
   * A message that is sent all the time.
   */
  heartbeat?: string
  heartbeatSeconds?: number
}
export interface CarriedUniverse {
  /**
   * Art-Net port-address from 0, sACN universe from 1, 1 on a DMX line.
   */
  number: number
  universe: Id
  /**
   * Where an interface has fewer lines than universes, the lowest number goes first.
   */
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
  /**
   * One trigger, or several of which any will do.
   */
  when?: PartOfKind | [PartOfKind, ...PartOfKind[]]
  if?: PartOfKind1[]
  steps?: PartOfKind2[]
  do?: PartOfKind3[]
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
  /**
   * How often it is laid down, end to end.
   */
  repeat?: number
  /**
   * Last slot that it may reach.
   */
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
  /**
   * Each with parameters of its own.
   */
  modes?: Mode[]
  note?: string
}
export interface Parameter {
  name: string
  /**
   * What points call it where that is not its name: it may be renamed then.
   */
  id?: string
  /**
   * How many slots it takes, the coarsest first; without it, as many as are named.
   */
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
  /**
   * Without it, what its role is of, or other.
   */
  kind?: 'intensity' | 'colour' | 'position' | 'beam' | 'control' | 'other'
  /**
   * @deprecated
   * Its kind is intensity.
   */
  intensity?: boolean
  precedence?: 'kind' | 'htp' | 'ltp'
  /**
   * Its value while nobody gives it one, in as many bits as it has.
   */
  default?: number
  /**
   * Where it does no harm; without it, its default.
   */
  safe?: number
  /**
   * It leaves at its default, whatever is sent, unless it is unlocked for once: reset, choice of mode.
   */
  neverDriven?: boolean
  /**
   * What 0 % is on the device, where that is not 0: 1 where 0 means no change.
   */
  from?: number
  /**
   * What 100 % is on the device, where that is not the highest.
   */
  to?: number
  /**
   * 0 % is its highest value.
   */
  inverted?: boolean
  /**
   * %, °, K, Hz, rpm.
   */
  unit?: string
  /**
   * @minItems 2
   */
  physical?: [number, number, ...number[]]
  ranges?: NamedRange[]
}
export interface NamedRange {
  name: string
  /**
   * Lowest value, in as many bits as the parameter has.
   */
  first: number
  last?: number
  /**
   * Hz, °, K, %, rpm; without one it is a name and no measure.
   */
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
}
export interface Fixture {
  id: Id
  name: string
  number?: number
  /**
   * A short word for where it hangs: SL, SR.
   */
  mark?: string
  place?: string
  profile: Id
  mode?: Id
  universe: Id
  first: number
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
  /**
   * Ids of fixtures, like fern-left, or of other groups, like group:ferns.
   */
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
  /**
   * Whether it is what it was after a restart.
   */
  kept?: boolean
}
