import type { Patched } from '@/api/show'

/** A fixture as it lies in one line of the picture of a universe. */
export interface Span {
  fixture: Patched
  first: number
  last: number
  /** From 0: those on the same slots lie below one another. */
  lane: number
  /** Another one has the same slots, and nobody has said that it is meant. */
  isWrong: boolean
  isShared: boolean
}
export interface Line {
  first: number
  last: number
  spans: Span[]
  lanes: number
  /** Slots that are written below: where fixtures begin, and both ends. */
  posts: number[]
}

/** So many slots of a universe lie in one line. */
export const slotsInLine = (width: number) => (width >= 900 ? 512 : width >= 480 ? 256 : 128)

/** The lane of each fixture: the first that is free where it begins. */
export function lanesOf(fixtures: Patched[]): Map<string, number> {
  const ends: number[] = []
  const lanes = new Map<string, number>()
  for (const fixture of [...fixtures].sort((a, b) => a.first - b.first || a.last - b.last)) {
    const free = ends.findIndex((end) => end < fixture.first)
    const lane = free < 0 ? ends.length : free
    ends[lane] = fixture.last
    lanes.set(fixture.id, lane)
  }
  return lanes
}

/** @param room the width of a line in slots' own widths that a number written below takes */
export function linesOf(fixtures: Patched[], inLine: number, room: number): Line[] {
  const lanes = lanesOf(fixtures)
  const lines: Line[] = []
  for (let first = 1; first <= 512; first += inLine) {
    const last = first + inLine - 1
    const here = fixtures.filter((one) => one.first <= last && one.last >= first)
    const spans = here.map((fixture) => ({
      fixture,
      first: Math.max(first, fixture.first),
      last: Math.min(last, fixture.last),
      lane: lanes.get(fixture.id) ?? 0,
      isWrong: fixture.shares.some((one) => !one.meant),
      isShared: fixture.shares.length > 0,
    }))
    lines.push({
      first,
      last,
      spans,
      lanes: Math.max(1, ...spans.map((one) => one.lane + 1)),
      posts: posts(here, first, last, room),
    })
  }
  return lines
}

/** Both ends stand always; a beginning where there is room beside what stands already. */
function posts(fixtures: Patched[], first: number, last: number, room: number): number[] {
  const found = [first, last]
  const fits = (slot: number) => found.every((one) => Math.abs(one - slot) >= room)
  for (const slot of fixtures.map((one) => one.first).filter((one) => one > first)) if (fits(slot)) found.push(slot)
  return found.sort((a, b) => a - b)
}

/** The first slot of the gap that a slot lies in; undefined where a fixture listens. */
export function gapAt(fixtures: Patched[], slot: number): number | undefined {
  if (fixtures.some((one) => one.first <= slot && slot <= one.last)) return undefined
  return Math.max(0, ...fixtures.filter((one) => one.last < slot).map((one) => one.last)) + 1
}
