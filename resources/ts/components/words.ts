import type { Port, Universe } from '@/api/show'
import type { PortLife } from '@/live/types'

export const protocols = [
  { value: 'art-net', title: 'Art-Net' },
  { value: 'sacn', title: 'sACN' },
  { value: 'osc', title: 'OSC' },
  { value: 'midi', title: 'MIDI' },
  { value: 'dmx-line', title: 'DMX line' },
  { value: 'controller', title: 'Game controller' },
]
export const spellProtocol = (protocol: string) => protocols.find((one) => one.value === protocol)?.title ?? protocol

/** A rate in few words; a desk that sends twice a second is as healthy as one that sends forty times. */
export function spellRate(perSecond: number): string {
  if (Number.isNaN(perSecond)) return '– a second'
  if (perSecond === 0) return '0 a second'
  return perSecond < 10 ? `${perSecond.toFixed(1)} a second` : `${Math.round(perSecond)} a second`
}

export const spellMillis = (millis: number) => (millis < 1000 ? `${Math.round(millis)} ms` : `${(millis / 1000).toFixed(1)} s`)

export function spellAgo(millis: number | null): string {
  if (millis === null) return 'never'
  if (millis < 1500) return 'just now'
  if (millis < 120_000) return `${Math.round(millis / 1000)} s ago`
  return `${Math.round(millis / 60_000)} min ago`
}

/** The universe's numbers on this port, each in the way its protocol counts. */
export function spellNumber(protocol: string, number: number): string {
  if (protocol === 'art-net') return `${number >> 8}:${(number >> 4) & 15}:${number & 15} (${number})`
  return protocol === 'sacn' ? `universe ${number}` : 'line'
}

/** Many numbers as runs: "1–8, 12". */
export function spellRuns(numbers: number[]): string {
  const runs: [number, number][] = []
  for (const number of numbers) {
    const last = runs.at(-1)
    if (last && last[1] === number - 1) last[1] = number
    else runs.push([number, number])
  }
  return runs.map(([first, last]) => (first === last ? `${first}` : `${first}–${last}`)).join(', ')
}

/** The show says that the port is on, and yet it is off. */
export function isSwitchedLive(life: PortLife | undefined, port: Port): boolean {
  const sides = [port.receive, port.send].filter((side) => side !== undefined)
  return life?.state === 'off' && port.enabled !== false && sides.some((side) => side.enabled !== false)
}

export function healthWords(life: PortLife | undefined, port: Port): string {
  if (!life) return 'the engine has not said yet'
  if (life.fault) return life.fault
  if (life.state === 'off')
    return isSwitchedLive(life, port) ? 'switched off while the show runs, by hand or by a route' : 'switched off'
  if (life.state === 'waiting')
    return life.connected.length > 0
      ? `Connected: ${life.connected.join(', ')}. Nothing has been heard yet.`
      : 'Nothing has been heard here yet.'
  if (life.state === 'lost') return `Lost: last heard ${spellAgo(life.heardAgo)} from ${life.from}.`
  if (life.health && life.state !== 'alive') return `${life.health[0]?.toUpperCase()}${life.health.slice(1)}.`
  if (life.health) return `Alive. ${life.health}`
  if (port.receive && life.heard) return `${life.heard}, from ${life.from}, ${spellAgo(life.heardAgo)}`
  return life.sentAgo === null ? 'Nothing sent yet.' : `last sent ${spellAgo(life.sentAgo)}`
}

/** What becomes of a universe whose last source is gone. */
export function lostWords(universe: Universe): string {
  if (universe.whenLost === 'fade')
    return `fading to ${universe.look?.length ? 'its look' : 'black'} over ${universe.fadeSeconds ?? 3} s`
  return universe.whenLost === 'stop' ? 'sending has stopped' : 'the last levels stay'
}

/** How sources that are in control together become one. */
export function mergedWords(universe: Universe): string {
  return { htp: 'merged: highest wins', ltp: 'merged: latest wins', slot: 'merged slot by slot', chosen: 'of the chosen port' }[
    universe.merge ?? 'htp'
  ]
}

export function raisedWords(count: number): string {
  return count === 0 ? 'all at zero' : count === 1 ? '1 slot raised' : `${count} slots raised`
}

export function mergeWords(universe: Universe, portName: (id: string) => string): string {
  if (universe.merge === 'chosen') return `only ${portName(universe.chosen ?? '')}`
  return { htp: 'HTP: highest takes precedence', ltp: 'LTP: latest takes precedence', slot: 'slot by slot: HTP, or LTP' }[
    universe.merge ?? 'htp'
  ]
}

const states: Record<string, string> = {
  alive: 'alive',
  unsteady: 'unsteady',
  silent: 'silent',
  quiet: 'idle',
  waiting: 'nothing yet',
  lost: 'lost',
  fault: 'fault',
  off: 'off',
  held: 'held',
  unknown: 'not known',
}
export const stateWords = (state: string): string => states[state] ?? state
