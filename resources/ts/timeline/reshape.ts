import { itemsOf, knotsOf, MARKERS, momentsOf, partOf, type Item } from './edit'
import type { Clip, Knot, Moment, PlayedNote, TempoChange, Timeline, Track } from './parts'

const rounded = (at: number) => Number(Math.max(0, at).toFixed(4))
const timesOf = (timeline: Timeline, items: Item[]) =>
  items.map((item) => itemsOf(timeline, item.track).find((one) => one.item.id === item.id)?.at ?? 0)

/** The time from the first to the last of what is chosen; null where that is no time. */
export function spanOf(timeline: Timeline, items: Item[]): [number, number] | null {
  const times = timesOf(timeline, items)
  const [from, to] = [Math.min(...times), Math.max(...times)]
  return times.length > 1 && to > from ? [from, to] : null
}

/** Every part of a track, of an unlocked one, and every marker, as it is changed; null takes it away. */
function eachPart(
  timeline: Timeline,
  change: <T extends { at?: number }>(part: T, item: Item) => T | null,
  only?: Item[],
): Timeline {
  const isMeant = (item: Item) => only === undefined || only.some((one) => one.track === item.track && one.id === item.id)
  const all = <T extends { at?: number }>(parts: T[], item: (part: T, i: number) => Item): T[] =>
    parts.flatMap((part, i) => {
      const at = item(part, i)
      const next = isMeant(at) ? change(part, at) : part
      return next === null ? [] : [next]
    })
  const track = (one: Track): Track => {
    if (one.locked) return one
    const byId = (part: { id: string }): Item => ({ track: one.id, id: part.id })
    if (one.does.kind === 'levels')
      return { ...one, does: { ...one.does, knots: all<Knot>(knotsOf(one), (_, i) => ({ track: one.id, id: String(i) })) } }
    if (one.does.kind === 'notes') return { ...one, does: { ...one.does, notes: all(momentsOf(one) as PlayedNote[], byId) } }
    if (one.does.kind === 'clips') return { ...one, does: { ...one.does, clips: all(momentsOf(one) as Clip[], byId) } }
    if (one.does.kind === 'triggers') return { ...one, does: { ...one.does, triggers: all(momentsOf(one) as Moment[], byId) } }
    return one
  }
  return {
    ...timeline,
    ...(timeline.markers ? { markers: all(timeline.markers, (part) => ({ track: MARKERS, id: part.id })) } : {}),
    tracks: (timeline.tracks ?? []).map(track),
  }
}

/** What is chosen takes so many times as long, from where its first stands. */
export function stretched(timeline: Timeline, items: Item[], by: number): Timeline | null {
  const span = spanOf(timeline, items)
  if (!span || !(by > 0)) return null
  const to = (at: number) => rounded(span[0] + (at - span[0]) * by)
  return eachPart(
    timeline,
    (part) => {
      const long = (part as Partial<PlayedNote>).long
      return { ...part, at: to(part.at ?? 0), ...(long === undefined ? {} : { long: Math.max(0.001, rounded(long * by)) }) }
    },
    items,
  )
}

/** A time is cut out of all tracks that are not locked: what stands in it goes, what stands behind comes nearer. */
export function cutOut(timeline: Timeline, from: number, to: number): Timeline {
  const nearer = (at: number) => rounded(at - (to - from))
  const done = eachPart(timeline, (part) => {
    const at = part.at ?? 0
    if (at >= from && at < to) return null
    return at >= to ? { ...part, at: nearer(at) } : part
  })
  return {
    ...done,
    ...(timeline.changes ? { changes: tempoWithout(timeline.changes, from, to) } : {}),
    ...(timeline.length ? { length: rounded(Math.max(0.01, timeline.length - (to - from))) } : {}),
  }
}

/** Tempos go along; the last one of those that are cut out begins where the cut is. */
function tempoWithout(changes: TempoChange[], from: number, to: number): TempoChange[] {
  const sorted = [...changes].sort((a, b) => a.at - b.at)
  const last = sorted.filter((one) => one.at >= from && one.at < to).at(-1)
  const behind = sorted.filter((one) => one.at >= to).map((one) => ({ ...one, at: rounded(one.at - (to - from)) }))
  const joint = last && behind[0]?.at !== rounded(from) ? [{ ...last, at: rounded(from) }] : []
  return [...sorted.filter((one) => one.at < from), ...joint, ...behind]
}

/** Room is made at a place: what stands there and behind goes on by so much. */
export function withRoom(timeline: Timeline, at: number, long: number): Timeline {
  const later = <T extends { at?: number }>(part: T): T =>
    (part.at ?? 0) >= at ? { ...part, at: rounded((part.at ?? 0) + long) } : part
  return {
    ...eachPart(timeline, later),
    ...(timeline.changes ? { changes: timeline.changes.map(later) } : {}),
    ...(timeline.length ? { length: rounded(timeline.length + long) } : {}),
  }
}

/** Named ranges of what has steps: from, to. */
export interface Reach {
  range: [number, number]
  steps: [number, number][]
}

/** Points of a line on another one: each value as far up as it was; what has steps jumps to the middle of the nearest. */
export function mapped(knot: Knot, from: Reach, to: Reach): Knot {
  const share = from.range[1] === from.range[0] ? 0 : (knot.value - from.range[0]) / (from.range[1] - from.range[0])
  const value = to.range[0] + share * (to.range[1] - to.range[0])
  if (to.steps.length === 0) return { ...knot, value: Number(value.toFixed(4)) }
  const middles = to.steps.map(([low, high]) => (low + high) / 2)
  const nearest = middles.reduce((best, one) => (Math.abs(one - value) < Math.abs(best - value) ? one : best))
  return { ...knot, value: nearest, to: 'step' }
}

/** What was copied of one level, set down on another one. */
export function pastedOnto(
  timeline: Timeline,
  from: Timeline,
  items: Item[],
  at: number,
  track: string,
  change: (knot: Knot) => Knot,
) {
  const first = Math.min(...timesOf(from, items))
  const knots = items.flatMap((item) => {
    const part = partOf(from, item)
    return part && 'value' in part ? [change({ ...part, at: rounded(at + part.at - first) })] : []
  })
  const one = (timeline.tracks ?? []).find((two) => two.id === track)
  if (knots.length === 0 || one?.does.kind !== 'levels' || one.locked) return null
  const there = knotsOf(one)
  return {
    items: knots.map((_, i): Item => ({ track, id: String(there.length + i) })),
    timeline: {
      ...timeline,
      tracks: (timeline.tracks ?? []).map((two) =>
        two.id === track && two.does.kind === 'levels' ? { ...two, does: { ...two.does, knots: [...there, ...knots] } } : two,
      ),
    },
  }
}
