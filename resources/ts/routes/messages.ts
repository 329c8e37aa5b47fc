import type { KindPart, Port } from '@/api/show'

/** How a message of a port that is no OSC is named: its kind, a channel or none, a number or none. */
export interface MessageKind { value: string, title: string, channel: boolean, numbered?: string, from: number, low: number, high: number }

const midi: MessageKind[] = [
  { value: 'note', title: 'Note', channel: true, numbered: 'Note, 0 to 127', from: 0, low: 0, high: 127 },
  { value: 'controller', title: 'Controller', channel: true, numbered: 'Controller, 0 to 127', from: 0, low: 0, high: 127 },
  { value: 'bend', title: 'Pitch bend', channel: true, from: 0, low: 0, high: 16383 },
  { value: 'pressure', title: 'Channel pressure', channel: true, from: 0, low: 0, high: 127 },
  { value: 'key-pressure', title: 'Key pressure', channel: true, numbered: 'Note, 0 to 127', from: 0, low: 0, high: 127 },
  { value: 'program', title: 'Program', channel: true, from: 0, low: 0, high: 127 },
]
const controller: MessageKind[] = [
  { value: 'axis', title: 'Axis', channel: false, numbered: 'Axis, from 1', from: 1, low: -1, high: 1 },
  { value: 'button', title: 'Button', channel: false, numbered: 'Button, from 1', from: 1, low: 0, high: 1 },
]
export function kindsFor(protocol: Port['protocol'] | undefined): MessageKind[] {
  if (protocol === 'midi') return midi
  return protocol === 'controller' ? controller : []
}

/** "/note/1/48" in its parts; null for an address that has none. */
export function partsOf(protocol: Port['protocol'] | undefined, address: string): { kind: MessageKind, channel: number, number: number } | null {
  const [, word = '', ...rest] = address.split('/')
  const kind = kindsFor(protocol).find((one) => one.value === word)
  if (!kind) return null
  const numbers = rest.map(Number)
  return { kind, channel: kind.channel ? numbers[0] || 1 : 1, number: numbers[kind.channel ? 1 : 0] ?? kind.from }
}
export function addressOf(kind: MessageKind, channel: number, number: number): string {
  const numbers = [...(kind.channel ? [channel] : []), ...(kind.numbered ? [number] : [])]
  return `/${[kind.value, ...numbers].join('/')}`
}

/** A part that an address of the page carries; null for none, and for what is none. */
export function partIn(text: unknown): KindPart | null {
  try {
    const part: unknown = typeof text === 'string' ? JSON.parse(text) : null
    return part && typeof part === 'object' && 'kind' in part ? (part as KindPart) : null
  } catch {
    return null
  }
}
