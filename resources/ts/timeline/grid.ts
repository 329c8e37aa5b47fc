import type { TempoChange } from './parts'

/** Beats and bars of a timeline: by its tempo map, or by the one tempo that it has. */
export interface Grid {
  unit: 'seconds' | 'beats'
  beatAt: (at: number) => number
  /** The place of a beat, in the timeline's unit. */
  placeOf: (beat: number) => number
  /** Seconds from the beginning to a place. */
  secondsAt: (at: number) => number
  /** Where it is so many seconds after a place. */
  later: (at: number, seconds: number) => number
  barAt: (beat: number) => Bar
  /** Frames a second. */
  rate: number
  /** Where its tempo changes, and to what. */
  changes: { at: number; bpm: number }[]
}
/** A bar: its number from 1, the beat at which it begins, and the one at which the next does. */
export interface Bar {
  number: number
  from: number
  to: number
}
interface Span {
  seconds: number
  beat: number
  /** Beats a second. */
  rate: number
}
/** Bars of one length, from a beat on. */
interface Run {
  beat: number
  bar: number
  number: number
}
const NEAR = 1e-6

export function gridOf(unit: 'seconds' | 'beats', changes: TempoChange[], bpm: number, bar: number, rate = 25): Grid {
  const sorted = [...changes].sort((a, b) => a.at - b.at)
  const spans: Span[] = []
  const runs: Run[] = []
  for (const one of sorted.length > 0 ? sorted : [{ at: 0, bpm: Math.max(1, bpm), bar }]) {
    const last = spans.at(-1)
    const rate = one.bpm / 60
    if (!last) spans.push(unit === 'beats' ? { seconds: one.at / rate, beat: one.at, rate } : { seconds: one.at, beat: 0, rate })
    else if (unit === 'beats') spans.push({ seconds: last.seconds + (one.at - last.beat) / last.rate, beat: one.at, rate })
    else spans.push({ seconds: one.at, beat: last.beat + (one.at - last.seconds) * last.rate, rate })
    withBars(runs, spans.at(-1)?.beat ?? 0, one.bar ?? 4)
  }
  const spanAt = (is: (span: Span) => number, at: number) =>
    spans[
      Math.max(
        0,
        lastPlace(spans, (span) => is(span) <= at),
      )
    ] as Span
  const beatOf = (seconds: number) => {
    const span = spanAt((one) => one.seconds, seconds)
    return span.beat + (seconds - span.seconds) * span.rate
  }
  const secondsOf = (beat: number) => {
    const span = spanAt((one) => one.beat, beat)
    return span.seconds + (beat - span.beat) / span.rate
  }
  const inBeats = unit === 'beats'
  return {
    unit,
    beatAt: (at) => (inBeats ? at : beatOf(at)),
    placeOf: (beat) => (inBeats ? beat : secondsOf(beat)),
    secondsAt: (at) => (inBeats ? secondsOf(at) : at),
    later: (at, seconds) => (inBeats ? beatOf(secondsOf(at) + seconds) : at + seconds),
    barAt: (beat) => barAt(runs, beat),
    rate,
    changes: sorted.map((one) => ({ at: one.at, bpm: one.bpm })),
  }
}

/** A bar begins where the first tempo does, and where bars become longer or shorter. */
function withBars(runs: Run[], beat: number, bar: number): void {
  const last = runs.at(-1)
  if (!last) runs.push({ beat: 0, bar, number: 1 })
  else if (last.bar !== bar)
    runs.push({ beat, bar, number: last.number + Math.max(0, Math.ceil((beat - last.beat) / last.bar - NEAR)) })
}

/** The place of the last that is so; -1 for none. */
function lastPlace<T>(all: T[], isSo: (one: T) => boolean): number {
  let place = all.length - 1
  while (place >= 0 && !isSo(all[place] as T)) place--
  return place
}

function barAt(runs: Run[], beat: number): Bar {
  const place = Math.max(
    0,
    lastPlace(runs, (run) => run.beat <= beat + NEAR),
  )
  const run = runs[place] as Run
  const count = Math.floor((beat - run.beat) / run.bar + NEAR)
  const from = run.beat + count * run.bar
  return { number: run.number + count, from, to: Math.min(from + run.bar, runs[place + 1]?.beat ?? Infinity) }
}

/** A place as bars and beats of a bar, from 1: "3.2". */
export function barWords(grid: Grid, at: number): string {
  const beat = grid.beatAt(at)
  const bar = grid.barAt(beat)
  return `${bar.number}.${Number((beat - bar.from + 1).toFixed(2))}`
}

/** "3.2" as a place: the second beat of the third bar; null for what is no bar. */
export function readBar(grid: Grid, text: string): number | null {
  const found = /^(\d{1,5})(?:\.(\d+(?:\.\d+)?))?$/.exec(text.trim())
  if (!found) return null
  let bar = grid.barAt(0)
  for (let left = 100_000; left > 0 && bar.number < Number(found[1]); left--) bar = grid.barAt(bar.to)
  return Math.max(0, grid.placeOf(bar.from + Number(found[2] ?? 1) - 1))
}

/** The beat, the beginning of a bar, or the frame that is nearest. */
export function nearest(grid: Grid, at: number, what: 'beat' | 'bar' | 'frame'): number {
  if (what === 'frame') return grid.later(0, Math.round((grid.secondsAt(at) - grid.secondsAt(0)) * grid.rate) / grid.rate)
  const beat = grid.beatAt(at)
  if (what === 'beat') return grid.placeOf(Math.round(beat))
  const bar = grid.barAt(beat)
  return grid.placeOf(beat - bar.from < bar.to - beat ? bar.from : bar.to)
}

const BEATS = [0.25, 0.5, 1]
const BARS = [1, 2, 4, 8, 16, 64, 256, 1024]
const MOST_MARKS = 2000

/** Places of beats and bars that are at least so far apart, in the timeline's unit, from one place to another. */
export function barMarks(grid: Grid, from: number, to: number, apart: number): { at: number; text: string }[] {
  const middle = grid.beatAt((from + to) / 2)
  const beatLong = grid.placeOf(middle + 1) - grid.placeOf(middle)
  const here = grid.barAt(middle)
  const every = BEATS.find((one) => one * beatLong >= apart)
  const bars = BARS.find((one) => one * (here.to - here.from) * beatLong >= apart) ?? (BARS.at(-1) as number)
  const marks: { at: number; text: string }[] = []
  let bar = grid.barAt(grid.beatAt(from))
  for (let left = MOST_MARKS * 10; left > 0 && marks.length < MOST_MARKS && grid.placeOf(bar.from) <= to; left--) {
    const isMeant = every !== undefined || (bar.number - 1) % bars === 0
    for (let beat = bar.from; isMeant && beat < bar.to - NEAR; beat += every ?? Infinity) {
      const at = grid.placeOf(beat)
      if (at >= from && at <= to) marks.push({ at, text: `${bar.number}.${Number((beat - bar.from + 1).toFixed(2))}` })
    }
    bar = grid.barAt(bar.to)
  }
  return marks
}
