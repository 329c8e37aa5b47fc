import type { Clip, Knot, Marker, Moment, PlayedNote, Timeline, Track } from './parts'

/** What is selected: a moment by its id, a point of a line by its place, a marker by its id. */
export interface Item {
  track: string
  id: string
}
export type Part = Standing | Knot | Marker
export const isSame = (a: Item, b: Item) => a.track === b.track && a.id === b.id
export const MARKERS = 'markers:'

/** What stands at moments, by its id: triggers, notes or clips. */
export type Standing = Moment | PlayedNote | Clip
export const momentsOf = (track: Track): Standing[] => {
  if (track.does.kind === 'triggers') return track.does.triggers ?? []
  if (track.does.kind === 'clips') return track.does.clips ?? []
  return track.does.kind === 'notes' ? (track.does.notes ?? []) : []
}
export const notesOf = (track: Track): PlayedNote[] => (track.does.kind === 'notes' ? (track.does.notes ?? []) : [])
const isOfMoments = (track: Track) => track.does.kind !== 'levels'
export const knotsOf = (track: Track): Knot[] => (track.does.kind === 'levels' ? (track.does.knots ?? []) : [])
const tracksOf = (timeline: Timeline) => timeline.tracks ?? []
const withTrack = (timeline: Timeline, id: string, change: (track: Track) => Track): Timeline => ({
  ...timeline,
  tracks: tracksOf(timeline).map((one) => (one.id === id ? change(one) : one)),
})
const withMoments = (track: Track, all: Standing[]): Track => {
  if (track.does.kind === 'clips') return { ...track, does: { ...track.does, clips: all as Clip[] } }
  if (track.does.kind === 'notes') return { ...track, does: { ...track.does, notes: all as PlayedNote[] } }
  return track.does.kind === 'triggers' ? { ...track, does: { kind: 'triggers', triggers: all as Moment[] } } : track
}
const withKnots = (track: Track, knots: Knot[]): Track =>
  track.does.kind === 'levels' ? { ...track, does: { ...track.does, knots } } : track

/** An id that nobody of these has: "mark", "mark-2". */
export function freeId(wanted: string, taken: string[]): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted}-${n}`
    if (!taken.includes(id)) return id
  }
}

const nameOf = (one: Standing) => {
  if ('note' in one) return `note ${one.note}`
  return 'name' in one ? one.name || 'trigger' : 'plays' in one || 'long' in one ? (one as Clip).plays || 'clip' : 'trigger'
}
/** Everything that can be selected, in the order of time, of one track or of the markers. */
export function itemsOf(timeline: Timeline, track: string): { item: Item; at: number; name: string }[] {
  const one = tracksOf(timeline).find((two) => two.id === track)
  const all =
    track === MARKERS
      ? (timeline.markers ?? []).map((marker) => ({ item: { track, id: marker.id }, at: marker.at ?? 0, name: marker.name }))
      : one?.does.kind === 'levels'
        ? knotsOf(one).map((knot, i) => ({
            item: { track, id: String(i) },
            at: knot.at ?? 0,
            name: `point at ${knot.value ?? 0}`,
          }))
        : momentsOf(one ?? ({ does: { kind: 'triggers' } } as Track)).map((moment) => ({
            item: { track, id: moment.id },
            at: moment.at ?? 0,
            name: nameOf(moment),
          }))
  return all.sort((a, b) => a.at - b.at)
}

/** How far what is selected may be moved back, before one of it is at the beginning. */
const earliest = (timeline: Timeline, items: Item[]) =>
  Math.min(...items.map((item) => itemsOf(timeline, item.track).find((one) => isSame(one.item, item))?.at ?? Infinity))

/** Moved by so much, and of lines up or down by so much; nothing goes before the beginning. */
export function moved(timeline: Timeline, items: Item[], by: number, up = 0, range: [number, number] = [-1e9, 1e9]): Timeline {
  const shift = Math.max(by, -earliest(timeline, items))
  const has = (track: string, id: string) => items.some((one) => one.track === track && one.id === id)
  const to = (at: number | undefined) => Number(Math.max(0, (at ?? 0) + shift).toFixed(4))
  const within = (value: number) => Number(Math.min(range[1], Math.max(range[0], value)).toFixed(4))
  return {
    ...timeline,
    ...(timeline.markers
      ? { markers: timeline.markers.map((one) => (has(MARKERS, one.id) ? { ...one, at: to(one.at) } : one)) }
      : {}),
    tracks: tracksOf(timeline).map((track) => {
      if (track.locked || !items.some((one) => one.track === track.id)) return track
      if (isOfMoments(track))
        return withMoments(
          track,
          momentsOf(track).map((one) => (has(track.id, one.id) ? { ...one, at: to(one.at) } : one)),
        )
      return withKnots(
        track,
        knotsOf(track).map((one, i) =>
          has(track.id, String(i)) ? { ...one, at: to(one.at), value: within((one.value ?? 0) + up) } : one,
        ),
      )
    }),
  }
}

export function without(timeline: Timeline, items: Item[]): Timeline {
  const has = (track: string, id: string) => items.some((one) => one.track === track && one.id === id)
  return {
    ...timeline,
    ...(timeline.markers ? { markers: timeline.markers.filter((one) => !has(MARKERS, one.id)) } : {}),
    tracks: tracksOf(timeline).map((track) => {
      if (track.locked) return track
      return isOfMoments(track)
        ? withMoments(
            track,
            momentsOf(track).filter((one) => !has(track.id, one.id)),
          )
        : withKnots(
            track,
            knotsOf(track).filter((_, i) => !has(track.id, String(i))),
          )
    }),
  }
}

const NOTE = { note: 60, velocity: 100, long: 0.25 }
const CLIP = { long: 4 }
/** Of which kind of track something is that was copied. */
const kindOf = (like: object) => ('note' in like ? 'notes' : 'plays' in like || 'long' in like ? 'clips' : 'triggers')
/** A moment set down; with what it does, or still without. On a track of notes it is a note. */
export function withMoment(
  timeline: Timeline,
  track: string,
  at: number,
  like: Partial<Moment> | Partial<PlayedNote> | Partial<Clip> = {},
) {
  const one = tracksOf(timeline).find((two) => two.id === track)
  if (!one || one.locked || one.does.kind === 'levels' || one.does.kind === 'sound') return null
  if (Object.keys(like).length > 0 && kindOf(like) !== one.does.kind) return null
  const kind = one.does.kind
  const id = freeId(
    like.id?.replace(/-\d+$/, '') ?? { notes: 'note', clips: 'clip', triggers: 'mark' }[kind],
    momentsOf(one).map((moment) => moment.id),
  )
  return {
    item: { track, id },
    timeline: withTrack(timeline, track, (t) =>
      withMoments(t, [...momentsOf(t), { ...(kind === 'notes' ? NOTE : kind === 'clips' ? CLIP : {}), ...like, id, at }]),
    ),
  }
}

/** A point set down on a line; where one is already, that one is moved. */
export function withKnot(timeline: Timeline, track: string, at: number, value: number) {
  const one = tracksOf(timeline).find((two) => two.id === track)
  if (one?.does.kind !== 'levels' || one.locked) return null
  const knots = knotsOf(one)
  const there = knots.findIndex((knot) => Math.abs((knot.at ?? 0) - at) < 1e-6)
  const next = there >= 0 ? knots.map((knot, i) => (i === there ? { ...knot, value } : knot)) : [...knots, { at, value }]
  return {
    item: { track, id: String(there >= 0 ? there : knots.length) },
    timeline: withTrack(timeline, track, (t) => withKnots(t, next)),
  }
}

export function withMarker(timeline: Timeline, at: number, isSection: boolean) {
  const markers = timeline.markers ?? []
  const id = freeId(
    isSection ? 'section' : 'marker',
    markers.map((one) => one.id),
  )
  const name = `${isSection ? 'Section' : 'Marker'} ${markers.filter((one) => (one.isSection ?? false) === isSection).length + 1}`
  const marker: Marker = { id, at, name, ...(isSection ? { isSection } : {}) }
  return { item: { track: MARKERS, id }, timeline: { ...timeline, markers: [...markers, marker] } }
}

/** Notes higher or lower by so many semitones, as far as there are any. */
export function pitched(timeline: Timeline, items: Item[], by: number): Timeline {
  const pitch = (one: PlayedNote) => Math.min(127, Math.max(0, one.note + by))
  return {
    ...timeline,
    tracks: tracksOf(timeline).map((track) => {
      const mine = items.filter((one) => one.track === track.id)
      if (track.locked || mine.length === 0 || track.does.kind !== 'notes') return track
      return withMoments(
        track,
        notesOf(track).map((one) => (mine.some((item) => item.id === one.id) ? { ...one, note: pitch(one) } : one)),
      )
    }),
  }
}

/** One moment, point or marker otherwise. */
export function changed(timeline: Timeline, item: Item, part: Part): Timeline {
  if (item.track === MARKERS)
    return { ...timeline, markers: (timeline.markers ?? []).map((one) => (one.id === item.id ? (part as Marker) : one)) }
  return withTrack(timeline, item.track, (track) =>
    isOfMoments(track)
      ? withMoments(
          track,
          momentsOf(track).map((one) => (one.id === item.id ? { ...(part as Moment), id: one.id } : one)),
        )
      : withKnots(
          track,
          knotsOf(track).map((one, i) => (String(i) === item.id ? (part as Knot) : one)),
        ),
  )
}

export function partOf(timeline: Timeline, item: Item): Part | null {
  if (item.track === MARKERS) return (timeline.markers ?? []).find((one) => one.id === item.id) ?? null
  const track = tracksOf(timeline).find((one) => one.id === item.track)
  if (!track) return null
  return isOfMoments(track)
    ? (momentsOf(track).find((one) => one.id === item.id) ?? null)
    : (knotsOf(track)[Number(item.id)] ?? null)
}

/** What was copied, set down again: the first of it at a time, everything else as far from it as it was. */
export function pasted(timeline: Timeline, from: Timeline, items: Item[], at: number): { items: Item[]; timeline: Timeline } {
  const shift = at - earliest(from, items)
  let result = timeline
  const added: Item[] = []
  for (const item of items) {
    const part = partOf(from, item)
    const to = Number(((part?.at ?? 0) + shift).toFixed(4))
    if (part === null || item.track === MARKERS) continue
    const isKnot = 'value' in part
    const done = isKnot ? withKnot(result, item.track, to, part.value ?? 0) : withMoment(result, item.track, to, part as Standing)
    if (!done) continue
    result = isKnot ? changed(done.timeline, done.item, { ...part, at: to }) : done.timeline
    added.push(done.item)
  }
  return { items: added, timeline: result }
}

export function withNewTrack(timeline: Timeline, kind: Track['does']['kind'], name: string, point = '') {
  const id = freeId(
    kind === 'levels' ? 'level' : kind,
    tracksOf(timeline).map((one) => one.id),
  )
  const does: Track['does'] = kind === 'levels' ? { kind, ...(point ? { point } : {}) } : { kind }
  return { id, timeline: { ...timeline, tracks: [...tracksOf(timeline), { id, name, does }] } }
}
export const withoutTrack = (timeline: Timeline, id: string): Timeline => ({
  ...timeline,
  tracks: tracksOf(timeline).filter((one) => one.id !== id),
})
export const withTrackFields = (timeline: Timeline, id: string, fields: Partial<Track>): Timeline =>
  withTrack(timeline, id, (track) => ({ ...track, ...fields }))

/** How many triggers lie behind a length that it is given: they never come. */
export function behindItsEnd(timeline: Timeline): number {
  const length = timeline.length ?? 0
  if (length === 0) return 0
  return tracksOf(timeline).flatMap((track) => momentsOf(track).filter((one) => (one.at ?? 0) - (track.early ?? 0) > length))
    .length
}

/** Where it ends: as far as it says, or as its last track goes. */
export function endsOf(timeline: Timeline): number {
  if (timeline.length) return timeline.length
  const end = (one: Standing | Knot) => (one.at ?? 0) + ('long' in one ? (one.long ?? 0) : 0)
  const sound = (track: Track) => (track.does.kind === 'sound' ? (track.does.at ?? 0) + (track.does.seconds ?? 0) : 0)
  return Math.max(
    0,
    ...tracksOf(timeline).flatMap((track) => [sound(track), ...[...momentsOf(track), ...knotsOf(track)].map(end)]),
  )
}
