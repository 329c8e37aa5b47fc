import type { Port, Values } from '@/api/show'
import { readNumber } from './numbers'

export type Protocol = Port['protocol']

/** A universe on the wire as it is typed: its number may still be Net:Sub-Net:Universe. */
export interface LinkDraft {
  number: string | number
  universe: string
  rank?: number
}

/** New ports that only look who is there: nodes that answer polls, senders that tell their universes. */
export type Look = 'art-net' | 'sacn'

/** What a new port is made of: the show that it comes into. */
export interface Around {
  universes: { id: string }[]
  ports: Port[]
}
const FIRST_OSC = 8000

/**
 * A new port listens, with what works at once: the first universe by the number
 * that most begin with, a port number that none of ours has. A DMX line begins
 * as a line that is sent. Whom it speaks to is for a person to say.
 */
export function newPort(protocol: Protocol, around: Around = { universes: [], ports: [] }): Values {
  const universe = around.universes[0]?.id
  const links = universe === undefined ? [] : [{ number: freeUniverse(protocol, around.ports), universe }]
  if (protocol === 'dmx-line') return { protocol, send: { carries: links } }
  if (protocol === 'art-net' || protocol === 'sacn') return { protocol, receive: { feeds: links } }
  return protocol === 'osc' ? { protocol, receive: { port: freeNumber(around.ports) } } : { protocol, receive: {} }
}

/** The first universe on the wire that no other port of this protocol listens to; a line has one alone. */
function freeUniverse(protocol: Protocol, ports: Port[]): number {
  const same = ports.filter((one) => one.protocol === protocol)
  const taken = new Set(
    same.flatMap((one) => (one.receive as { feeds?: LinkDraft[] } | undefined)?.feeds ?? []).map((one) => Number(one.number)),
  )
  let number = protocol === 'art-net' ? 0 : 1
  while (protocol !== 'dmx-line' && taken.has(number)) ++number
  return number
}

/** From the usual one on, the first number that no port of ours listens at. */
function freeNumber(ports: Port[]): number {
  const taken = new Set(ports.map((one) => (one.receive as { port?: number } | undefined)?.port))
  let number = FIRST_OSC
  while (taken.has(number)) ++number
  return number
}

export function lookingPort(look: Look, broadcasts: string[]): Values {
  return look === 'art-net'
    ? { protocol: look, name: 'Art-Net', receive: { poll: broadcasts } }
    : { protocol: look, name: 'sACN', receive: { multicast: true } }
}

/** The port with the numbers of its universes read, and ranks only where there is too little room for all. */
export function numbered(port: Values): Values {
  const receive = port.receive as Values | undefined
  const send = port.send as Values | undefined
  const read = (links: unknown, isRanked: boolean) =>
    (links as LinkDraft[] | undefined)?.map(({ number, universe, rank }) => ({
      number: readNumber(number),
      universe,
      ...(isRanked && rank ? { rank } : {}),
    }))
  return {
    ...port,
    ...(receive?.feeds ? { receive: { ...receive, feeds: read(receive.feeds, false) } } : {}),
    ...(send?.carries ? { send: { ...send, carries: read(send.carries, send.lines !== undefined) } } : {}),
  }
}
