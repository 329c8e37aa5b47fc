import { barMarks, nearest, type Grid } from './grid'

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

/** Marks of the ruler, and what stands at them: times, or bars and beats. */
export function ruler(view: View, width: number, counts: 'time' | Grid): { at: number; x: number; text: string }[] {
  if (counts !== 'time')
    return barMarks(counts, view.from, atOf(view, width), RULED / view.scale).map((one) => ({ ...one, x: xOf(view, one.at) }))
  const step = STEPS.find((one) => one * view.scale >= RULED) ?? (STEPS.at(-1) as number)
  const marks = []
  for (let n = Math.ceil(view.from / step - 1e-9); xOf(view, n * step) <= width; n++) {
    const at = n * step
    marks.push({ at, x: xOf(view, at), text: timeWords(at, step < 1 ? 2 : 0) })
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

/** "1:05.5" or "65.5" as seconds; null for what is neither. */
export function readTime(text: string): number | null {
  const parts = text.trim().split(':')
  if (parts.length > 3 || parts.some((one) => !/^\d+(\.\d*)?$/.test(one.trim()))) return null
  return parts.reduce((sum, one) => sum * 60 + Number(one), 0)
}

/** What things are drawn to. */
export type Snap = 'off' | 'second' | 'tenth' | 'frame' | 'beat' | 'bar'
/** How far it is from one of these to the next at a place, in the timeline's unit; a hundredth for nothing. */
export function grainOf(snap: Snap, grid: Grid, at: number): number {
  if (snap === 'beat' || snap === 'bar') {
    const beat = grid.beatAt(at)
    const bar = grid.barAt(beat)
    return snap === 'beat' ? grid.placeOf(beat + 1) - grid.placeOf(beat) : grid.placeOf(bar.to) - grid.placeOf(bar.from)
  }
  if (snap === 'frame') return grid.later(at, 1 / grid.rate) - at
  return { off: 0.01, second: 1, tenth: 0.1 }[snap]
}
export function snapped(at: number, snap: Snap, grid: Grid): number {
  const exact =
    snap === 'beat' || snap === 'bar' || snap === 'frame'
      ? nearest(grid, at, snap)
      : to(at, snap === 'off' ? 0.001 : grainOf(snap, grid, at))
  return Math.max(0, Number(exact.toFixed(4)))
}
const to = (at: number, step: number) => Math.round(at / step) * step
