import type { Cue } from '@/api/showDocument'

const DIGITS = 3
const FIRST = '1'
const written = (value: number) => String(Math.round(value * 1000) / 1000)

/** A number for a cue between two others, as short as there is one; null where there is no room left. */
export function between(before: string | undefined, after: string | undefined): string | null {
  if (before === undefined) return after === undefined ? FIRST : below(Number(after))
  const low = Number(before)
  const next = Math.floor(low) + 1
  if (after === undefined) return written(next)
  const high = Number(after)
  if (next < high) return written(next)
  for (let digits = 1; digits <= DIGITS; digits++) {
    const step = 10 ** -digits
    const middle = Math.round((low + high) / 2 / step) * step
    for (const value of [middle, Math.floor(low / step + 1e-9) * step + step]) {
      const rounded = Number(value.toFixed(DIGITS))
      if (rounded > low && rounded < high) return written(rounded)
    }
  }
  return null
}
const below = (high: number) => (high > 1 ? written(Math.ceil(high) - 1) : high > 0 ? between('0', written(high)) : null)

/** In the order of their numbers. */
export const sorted = (cues: Cue[]) => [...cues].sort((a, b) => Number(a.number) - Number(b.number))

/** All of them numbered anew. */
export const renumbered = (cues: Cue[], first = 1, step = 1): Cue[] =>
  cues.map((cue, i) => ({ ...cue, number: written(first + i * step) }))

/** A cue that was at one place stands at another, with a number between its neighbours there; null where there is no room. */
export function moved(cues: Cue[], from: number, to: number): Cue[] | null {
  const left = cues.filter((_, i) => i !== from)
  const cue = cues[from]
  const number = between(left[to - 1]?.number, left[to]?.number)
  if (!cue || number === null) return null
  return sorted([...left, { ...cue, number }])
}

/** Some of them once more, behind the last of these. */
export function copied(cues: Cue[], places: number[]): Cue[] | null {
  let all = cues
  let last = cues[Math.max(...places)]?.number
  for (const place of [...places].sort((a, b) => a - b)) {
    const cue = cues[place]
    const behind = all.find((one) => Number(one.number) > Number(last))?.number
    const number = between(last, behind)
    if (!cue || number === null) return null
    all = sorted([...all, { ...cue, number }])
    last = number
  }
  return all
}

/** The same field of several cues; an empty one is left out. */
export const changed = (cues: Cue[], places: number[], field: keyof Cue, value: unknown): Cue[] =>
  cues.map((cue, i) => {
    if (!places.includes(i)) return cue
    const now = { ...cue, [field]: value }
    if (value === undefined || value === '') Reflect.deleteProperty(now, field)
    return now
  })

/** When the next one goes, as it is typed: "4" after go, "c" when complete, "c+2" two seconds later, "b4" four beats later, "@01:00:00:00" at a time code, nothing for by hand. */
export function followOf(text: string, port = ''): Cue['follow'] | null {
  const code = /^@\s*(\d\d:\d\d:\d\d[:;]\d\d)(?:\s+([a-z0-9-]{1,60}))?$/.exec(text.trim())
  if (code) return code[2] || port ? { kind: 'timecode', port: code[2] ?? port, at: code[1] ?? '' } : null
  const beats = /^b\s*(\d{1,5})?$/i.exec(text.trim())
  if (beats) return { kind: 'beat', beats: Number(beats[1] ?? 1) }
  const found = /^(c(?:omplete)?)?\s*\+?\s*(\d+(?:\.\d+)?)?$/i.exec(text.trim())
  if (!found) return null
  if (found[1]) return found[2] ? { kind: 'complete', seconds: Number(found[2]) } : { kind: 'complete' }
  return found[2] ? { kind: 'after', seconds: Number(found[2]) } : undefined
}
/** The port whose time code is meant where none is named: the one that others of the list follow, or the only one that there can be. */
export function timecodePort(cues: Cue[], ports: { id: string; protocol: string; receive?: unknown }[]): string {
  const named = cues.map((cue) => cue.follow).find((follow) => follow?.kind === 'timecode')
  const able = ports.filter((one) => ['midi', 'art-net'].includes(one.protocol) && one.receive)
  return named?.kind === 'timecode' ? named.port : able.length === 1 ? (able[0]?.id ?? '') : ''
}
export function followText(follow: Cue['follow']): string {
  if (!follow) return ''
  if (follow.kind === 'beat') return `b${follow.beats ?? 1}`
  if (follow.kind === 'timecode') return `@${follow.at} ${follow.port}`
  if (follow.kind === 'after') return String(follow.seconds)
  return follow.seconds ? `c+${follow.seconds}` : 'c'
}
