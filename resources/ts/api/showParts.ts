/* Made from schema/show.schema.json by "npm run types". Change the schema, not these files. */
export type Id = string
export type Back = ItsValueBackThroughTheSteps | ALampOnOrOff | APageByOSCItsValueNameAndColour
export type Point = string
export type FromEnd = MessageIn | Slot
export type ToEnd = MessageOut | Slot1
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
export interface Note {
  id: Id
  name: string
  note: number
  channel?: number
}
