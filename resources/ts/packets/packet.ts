/** One named piece of a packet, as the server takes it apart. */
export interface Part {
  name: string
  offset: number
  length: number
  meaning: string
  value?: string | number | boolean | null
  list?: boolean
  parts?: Part[]
}

export interface Refusal {
  error: string
  offset: number
  clause: string
}
export interface Dissection {
  format: string | null
  bytes: string
  part?: Part
  fields?: unknown
  refused?: Refusal
}
export interface Format {
  name: string
  title: string
}

/** The bytes that are pointed at. */
export interface Lit {
  offset: number
  length: number
}

/** The smallest piece that a byte belongs to. */
export function partAt(part: Part, byte: number): Part | null {
  for (const inside of part.parts ?? []) {
    const found = partAt(inside, byte)
    if (found) return found
  }
  return byte >= part.offset && byte < part.offset + part.length && (!part.parts || part.parts.length === 0 || !part.list)
    ? part
    : null
}

export const examples = [
  { name: 'OSC: a fader', hex: '2f70616c6d2f6c616e7465726e0000002c6600003f000000' },
  { name: 'MIDI Show Control: GO cue 1 of list 1', hex: 'f07f14020101310031f7' },
  { name: 'Art-Net: four slots', hex: '4172742d4e6574000050000e090001000004ff800100' },
  { name: 'Network MIDI: a note', hex: '80e10007000000640102030403903c64' },
]
