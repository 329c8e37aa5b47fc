import { call } from '@/api/client'
import type { TapeLife } from '@/live/messages'
import { timeWords } from './view'

/** A capture of somebody else's becomes a tape, called as its file. */
export const takeCapture = (file: File) =>
  call<{ id: string; packets: number; seconds: number }>(
    'POST',
    `tapes?name=${encodeURIComponent(file.name.replace(/\.pcap(ng)?$/i, ''))}`,
    file,
  )

/** How long it is, how much is on it, when it was made. */
export function tapeWords(tape: TapeLife): string {
  const size = tape.bytes < 1e6 ? `${Math.max(1, Math.round(tape.bytes / 1e3))} kB` : `${(tape.bytes / 1e6).toFixed(1)} MB`
  return `${timeWords(tape.seconds, 1)}, ${tape.packets} packets, ${size}, made ${new Date(tape.made * 1000).toLocaleString('en-GB')}`
}
