import type { Item } from './edit'
import type { Grid } from './grid'
import type { Take, Timeline, Track } from './parts'
import type { View } from './view'

/** All that a picture of a timeline shows. */
export interface Picture {
  timeline: Timeline
  view: View
  width: number
  height: number
  /** How far the tracks are scrolled up, in pixels. */
  top: number
  selected: Item[]
  track: string
  place: number
  unit: 'seconds' | 'beats'
  grid: Grid
  /** Whether the ruler counts bars. */
  countsBars: boolean
  ends: number
  usual: (track: Track) => [number, number]
  /** What a note is called. */
  nameOf: (track: Track, note: number) => string
  /** What a clip plays, in words. */
  pointName: (point: string) => string
  /** A take whose lines are seen behind those of the tracks. */
  compared?: Take | null
  /** What a hand draws now. */
  drawn?: { track: string; range: [number, number]; top: number; samples: [number, number][] } | null
}

/** With which colours. */
export interface Inks {
  ground: string
  plate: string
  ink: string
  quiet: string
  rule: string
  on: string
  held: string
}
