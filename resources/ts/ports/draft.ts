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

/** A new port listens; whom it speaks to is for a person to say. */
export const newPort = (protocol: Protocol): Values => ({ protocol, receive: {} })

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
