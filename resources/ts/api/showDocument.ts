/* Made from schema/show.schema.json by "npm run types". Change the schema, not this file. */

export type Name = string
export type Id = string
export type Slot = number
export type Level = number
export type UdpPort = number
/**
 * Highest wins.
 */
export type Priority = number
export type Address = string

/**
 * A whole show: universes, ports and the routes between them.
 */
export interface ShowDocument {
  format: 'nimble-junction/show'
  version: 2
  name: Name
  /**
   * @maxItems 1024
   */
  universes?: Universe[]
  /**
   * @maxItems 512
   */
  ports?: Port[]
  /**
   * @maxItems 20000
   */
  routes?: Route[]
  /**
   * @maxItems 2000
   */
  copies?: Copy[]
  /**
   * @maxItems 1000
   */
  profiles?: Profile[]
  /**
   * @maxItems 5000
   */
  fixtures?: Fixture[]
  /**
   * @maxItems 2000
   */
  values?: Value[]
  /**
   * Octave number of MIDI note 60: makers differ.
   */
  middleC?: number
}
/**
 * 512 slots of 8 bits.
 */
export interface Universe {
  id: Id
  name: Name
  /**
   * How sources of equal priority share a slot: highest, latest, slot by slot, or the sources of one chosen port only.
   */
  merge?: 'htp' | 'ltp' | 'slot' | 'chosen'
  /**
   * Slots where the latest takes precedence, for merging slot by slot.
   *
   * @maxItems 512
   */
  latest?: SlotSpan[]
  /**
   * The port whose sources alone lead.
   */
  chosen?: string
  /**
   * What becomes of it when its last source is gone: its levels stay, fade to zero, or are no longer sent.
   */
  whenLost?: 'hold' | 'fade' | 'stop'
  /**
   * How long that fade takes.
   */
  fadeSeconds?: number
  /**
   * What that fade ends at; without it, black.
   *
   * @maxItems 512
   */
  look?: LevelSpan[]
  /**
   * @maxItems 512
   */
  shapes?: Shape[]
  /**
   * @maxItems 256
   */
  swaps?: Swap[]
}
/**
 * A run of slots.
 */
export interface SlotSpan {
  first: Slot
  last?: Slot
}
/**
 * A run of slots, all at one level.
 */
export interface LevelSpan {
  first: Slot
  last?: Slot
  level: Level
}
/**
 * What happens to a run of slots on the way out: the curve first, then inversion, then the limits.
 */
export interface Shape {
  first: Slot
  last?: Slot
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
/**
 * Two runs of slots that change places as they come in: from there on all slots are those of the output.
 */
export interface Swap {
  first: Slot
  with: Slot
  count?: number
}
/**
 * One end of a link. Gives receive, send or both.
 */
export interface Port {
  id: Id
  name: Name
  protocol: 'art-net' | 'sacn' | 'osc' | 'dmx-line' | 'midi' | 'controller'
  enabled?: boolean
  link?: PortLink
  /**
   * Senders that it listens to, addresses or networks; without it, all.
   *
   * @maxItems 64
   */
  allow?: string[]
  receive?: ReceiveSide
  send?: SendSide
}
/**
 * Over what a port reaches its other end: UDP or TCP (OSC), a browser's device or a session, a device or a cable of this machine (MIDI), a serial interface (DMX line).
 */
export interface PortLink {
  kind: 'udp' | 'tcp' | 'browser' | 'session' | 'device' | 'cable' | 'serial'
  /**
   * Path of the device, name of the cable, or name that a browser gives it.
   */
  device?: string
  /**
   * OSC over TCP: four bytes of length (OSC 1.0) or SLIP (OSC 1.1).
   */
  framing?: 'length' | 'slip'
}
export interface ReceiveSide {
  enabled?: boolean
  /**
   * Our own address to listen at, or the name of a network adapter; 0.0.0.0 for all.
   */
  address?: {
    [k: string]: unknown
  } & string
  port?: UdpPort
  /**
   * sACN only: join the groups of the universes.
   */
  multicast?: boolean
  priority?: Priority
  /**
   * Art-Net only: priorities of single senders.
   *
   * @maxItems 64
   */
  priorities?: SenderPriority[]
  /**
   * Its sources lead only where no others are, whatever their priority.
   */
  lastResort?: boolean
  /**
   * @maxItems 1024
   */
  feeds?: UniverseLink[]
  /**
   * Art-Net only: addresses that are asked who is there, broadcast addresses too.
   *
   * @maxItems 16
   */
  poll?: Address[]
  /**
   * Game controllers only: part of an axis' way that counts as its centre.
   */
  deadZone?: number
  /**
   * Game controllers only: where each axis rests.
   *
   * @maxItems 16
   */
  centres?: number[]
}
/**
 * What comes from this address has a priority of its own.
 */
export interface SenderPriority {
  from: Address
  priority: number
}
/**
 * A universe's number on the wire (Art-Net port-address 0-32767, sACN universe 1-63999, 1 on a DMX line) and the universe of the show that it is.
 */
export interface UniverseLink {
  number: number
  universe: Id
  /**
   * Where an interface has fewer lines than universes, the lowest number goes first.
   */
  rank?: number
}
export interface SendSide {
  enabled?: boolean
  /**
   * Our own address to send from, or the name of a network adapter; 0.0.0.0 leaves the choice to the system.
   */
  address?: {
    [k: string]: unknown
  } & string
  /**
   * @maxItems 64
   */
  to?: Address[]
  port?: UdpPort
  /**
   * sACN only: send to the group of each universe.
   */
  multicast?: boolean
  /**
   * Most frames a second of each universe.
   */
  perSecond?: number
  priority?: Priority
  sourceName?: string
  /**
   * @maxItems 1024
   */
  carries?: UniverseLink[]
  /**
   * How many universes the interface has room for; those of the highest rank numbers are not sent.
   */
  lines?: number
  /**
   * Art-Net only: a synchronisation packet follows the frames of one moment.
   */
  sync?: boolean
  /**
   * sACN only: universe of our synchronization packets; 0 for none.
   */
  syncUniverse?: number
  /**
   * sACN only: priorities of single slots.
   *
   * @maxItems 512
   */
  slotPriorities?: PrioritySpan[]
  /**
   * sACN only: universe discovery every ten seconds; usual with multicast.
   */
  announce?: boolean
  /**
   * OSC only: also to whoever spoke to us last.
   */
  replies?: boolean
  /**
   * OSC only: a message that is sent all the time.
   */
  heartbeat?: string
  heartbeatSeconds?: number
}
/**
 * A run of slots, all with one priority; 0 says that they are not sent.
 */
export interface PrioritySpan {
  first: Slot
  last?: Slot
  priority: number
}
/**
 * When this arrives, send that.
 */
export interface Route {
  id: Id
  name: Name
  enabled?: boolean
  folder?: Name
  /**
   * One trigger, or several of which any will do.
   */
  when?: PartOfKind | [PartOfKind, ...PartOfKind[]]
  /**
   * @maxItems 100
   */
  if?: PartOfKind1[]
  /**
   * @maxItems 100
   */
  steps?: PartOfKind2[]
  /**
   * @minItems 1
   * @maxItems 100
   */
  do?: [PartOfKind3, ...PartOfKind3[]]
  from?: MessageEnd | SlotEnd
  to?: MessageEnd | SlotEnd
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
/**
 * An OSC message at a port, and the range of its number.
 */
export interface MessageEnd {
  kind: 'message'
  port: Id
  address: string
  /**
   * Counted from 1; where messages arrive.
   */
  argument?: number
  /**
   * How the number is sent.
   */
  type?: 'float' | 'int'
  low?: number
  high?: number
}
/**
 * One slot of a universe, and the range of its level.
 */
export interface SlotEnd {
  kind: 'slot'
  universe: Id
  slot: number
  low?: number
  high?: number
}
/**
 * Part of a universe that is carried to another place, there or in another universe.
 */
export interface Copy {
  id: Id
  name: Name
  enabled?: boolean
  from: {
    universe: Id
    first: Slot
    count?: number
  }
  to: {
    universe: Id
    first: Slot
  }
  /**
   * How often it is laid down, end to end.
   */
  repeat?: number
  /**
   * Last slot that it may reach.
   */
  limit?: number
}
/**
 * What each slot of a kind of fixture means.
 */
export interface Profile {
  id: Id
  name: Name
  /**
   * @minItems 1
   * @maxItems 512
   */
  parameters: [Parameter, ...Parameter[]]
}
/**
 * One thing about a fixture that can be set.
 */
export interface Parameter {
  name: string
  /**
   * 1 to 4 slots, the coarsest first: 8 to 32 bits.
   */
  slots?: number
  /**
   * Its slots within the fixture, from 1, the coarsest first; left out, the next ones that are free.
   *
   * @maxItems 4
   */
  at?: number[]
  /**
   * Highest takes precedence; for everything else the latest does.
   */
  intensity?: boolean
}
/**
 * Something that listens to a run of slots.
 */
export interface Fixture {
  id: Id
  name: Name
  profile: Id
  universe: Id
  first: Slot
}
/**
 * A value of the show's own, which routes and people set and read.
 */
export interface Value {
  id: Id
  name: Name
  type?: 'switch' | 'number' | 'choice' | 'text'
  /**
   * What it is at first.
   */
  start?: boolean | number | string
  low?: number
  high?: number
  /**
   * @maxItems 100
   */
  choices?: string[]
  /**
   * Whether it is what it was after a restart.
   */
  kept?: boolean
}
