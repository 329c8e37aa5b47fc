/* Made from schema/show.schema.json by "npm run types". Change the schema, not this file. */

export type Name = string
export type Id = string
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
  version: 1
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
}
/**
 * 512 slots of 8 bits.
 */
export interface Universe {
  id: Id
  name: Name
  /**
   * How sources of equal priority share a slot.
   */
  merge?: 'htp' | 'ltp'
  /**
   * What becomes of it when its last source is gone: its levels stay, fade to zero, or are no longer sent.
   */
  whenLost?: 'hold' | 'fade' | 'stop'
  /**
   * How long that fade takes.
   */
  fadeSeconds?: number
}
/**
 * One end of a link. Gives receive, send or both.
 */
export interface Port {
  id: Id
  name: Name
  protocol: 'art-net' | 'sacn' | 'osc' | 'dmx-line'
  enabled?: boolean
  receive?: ReceiveSide
  send?: SendSide
}
export interface ReceiveSide {
  enabled?: boolean
  /**
   * Our own address to listen at.
   */
  address?: string
  port?: UdpPort
  /**
   * sACN only: join the groups of the universes.
   */
  multicast?: boolean
  priority?: Priority
  /**
   * Its sources lead only where no others are, whatever their priority.
   */
  lastResort?: boolean
  /**
   * @maxItems 1024
   */
  feeds?: UniverseLink[]
}
/**
 * A universe's number on the wire (Art-Net port-address 0-32767, sACN universe 1-63999, 1 on a DMX line) and the universe of the show that it is.
 */
export interface UniverseLink {
  number: number
  universe: Id
}
export interface SendSide {
  enabled?: boolean
  /**
   * Our own address to send from.
   */
  address?: string
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
}
/**
 * When this arrives, send that.
 */
export interface Route {
  id: Id
  name: Name
  enabled?: boolean
  from: MessageEnd | SlotEnd
  to: MessageEnd | SlotEnd
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
