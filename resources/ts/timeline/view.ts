/** What of a timeline is seen: from a time on, so many pixels a second or beat. */
export interface View {
  from: number
  scale: number
}
const LEAST = 0.02
const MOST = 2000
/** Pixels that two marks of the ruler are apart, at least. */
const RULED = 70
const STEPS = [0.04, 0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 1800, 3600, 7200]

export const xOf = (view: View, at: number) => (at - view.from) * view.scale
export const atOf = (view: View, x: number) => view.from + x / view.scale

/** Closer or farther; what is under a place stays there. */
export function zoomed(view: View, by: number, x: number): View {
  const scale = Math.min(MOST, Math.max(LEAST, view.scale * by))
  return { scale, from: Math.max(0, atOf(view, x) - x / scale) }
}

/** All of it on so many pixels. */
export const fitted = (ends: number, width: number): View => ({
  from: 0,
  scale: Math.min(MOST, Math.max(LEAST, (width - 24) / Math.max(ends, 1))),
})

/** What is played stays in sight: it is turned over like a page. */
export function followed(view: View, at: number, width: number): View {
  const x = xOf(view, at)
  return x >= 0 && x <= width - 40 ? view : { ...view, from: Math.max(0, at - 40 / view.scale) }
}

/** Marks of the ruler, and what stands at them. */
export function ruler(view: View, width: number, unit: 'seconds' | 'beats', bar = 4): { at: number; x: number; text: string }[] {
  const beats = [0.25, 0.5, 1, bar, bar * 2, bar * 4, bar * 8, bar * 16, bar * 64, bar * 256]
  const steps = unit === 'beats' ? beats : STEPS
  const step = steps.find((one) => one * view.scale >= RULED) ?? (steps.at(-1) as number)
  const marks = []
  for (let n = Math.ceil(view.from / step - 1e-9); xOf(view, n * step) <= width; n++) {
    const at = n * step
    marks.push({ at, x: xOf(view, at), text: unit === 'beats' ? barWords(at, bar) : timeWords(at, step < 1 ? 2 : 0) })
  }
  return marks
}

/** A time as people read it: 7.25, 1:05.0, 1:02:03. */
export function timeWords(at: number, digits = 2): string {
  const rounded = Math.max(0, Math.round(at * 10 ** digits)) / 10 ** digits
  const hours = Math.floor(rounded / 3600)
  const minutes = Math.floor(rounded / 60) % 60
  const seconds = (rounded - 3600 * hours - 60 * minutes).toFixed(digits)
  if (hours === 0 && minutes === 0) return seconds
  const padded = seconds.padStart(digits === 0 ? 2 : digits + 3, '0')
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${padded}` : `${minutes}:${padded}`
}

/** Beats as bars and beats of a bar, from 1: "3.2". */
export function barWords(at: number, bar: number): string {
  const beat = at % bar
  return `${Math.floor(at / bar) + 1}.${Number((beat + 1).toFixed(2))}`
}

/** "1:05.5" or "65.5" as seconds; null for what is neither. */
export function readTime(text: string): number | null {
  const parts = text.trim().split(':')
  if (parts.length > 3 || parts.some((one) => !/^\d+(\.\d*)?$/.test(one.trim()))) return null
  return parts.reduce((sum, one) => sum * 60 + Number(one), 0)
}

/** What things are drawn to. */
export type Snap = 'off' | 'second' | 'tenth' | 'frame' | 'beat' | 'bar'
/** How far it is from one of these to the next, in the timeline's unit. */
export function grainOf(snap: Snap, bpm: number, bar: number, unit: 'seconds' | 'beats'): number {
  const beat = unit === 'beats' ? 1 : 60 / Math.max(1, bpm)
  return { off: 0.01, second: 1, tenth: 0.1, frame: 0.04, beat, bar: beat * bar }[snap]
}
export function snapped(at: number, snap: Snap, bpm: number, bar: number, unit: 'seconds' | 'beats'): number {
  const step = snap === 'off' ? 0.001 : grainOf(snap, bpm, bar, unit)
  return Math.max(0, Number((Math.round(at / step) * step).toFixed(4)))
}
