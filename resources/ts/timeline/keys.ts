import { useSession } from '@/api/session'
import { moved, pasted, pitched, withMoment, without, type Item } from './edit'
import { useEditing } from './editing'
import type { Knot, Timeline } from './parts'
import { mapped, pastedOnto } from './reshape'
import { zoomed } from './view'

/** What keys do to a timeline while its tracks have the focus. */
export function useTrackKeys() {
  const editing = useEditing()
  const session = useSession()
  const now = () => editing.draw(editing.place.value)

  /** A trigger where it is played: at once, so that it can be set by ear. */
  function set(): void {
    const timeline = editing.timeline.value
    if (!timeline) return
    const tracks = timeline.tracks ?? []
    const track =
      tracks.find((one) => one.id === editing.track.value && one.does.kind === 'triggers') ??
      tracks.find((one) => one.does.kind === 'triggers')
    const done = track ? withMoment(timeline, track.id, now()) : null
    if (editing.turnInto(done?.timeline ?? null, 'There is no track for triggers yet, or it is locked.') && done)
      editing.choose(done.item)
  }
  function remove(): void {
    const timeline = editing.timeline.value
    if (timeline && editing.selected.value.length > 0) editing.turnInto(without(timeline, editing.selected.value))
    editing.selected.value = []
  }
  function copy(): void {
    if (editing.timeline.value) editing.copied.value = { from: editing.timeline.value, items: [...editing.selected.value] }
  }
  function paste(): void {
    const timeline = editing.timeline.value
    const copied = editing.copied.value
    if (!timeline || !copied || copied.items.length === 0) return
    const done = ontoAnother(timeline, copied) ?? pasted(timeline, copied.from, copied.items, now())
    if (editing.turnInto(done.timeline)) editing.selected.value = done.items
  }
  /** What was copied of one level and is set down on another one is as far up as it was; null where it is not so. */
  function ontoAnother(timeline: Timeline, copied: { from: Timeline; items: Item[] }) {
    const [first] = copied.items
    const source = copied.from.tracks?.find((one) => one.id === first?.track)
    const target = timeline.tracks?.find((one) => one.id === editing.track.value)
    const isOne = copied.items.every((one) => one.track === first?.track)
    if (!isOne || !source || !target || target.id === source.id || source.does.kind !== 'levels') return null
    const change = (knot: Knot) => mapped(knot, editing.reach(source), editing.reach(target))
    return pastedOnto(timeline, copied.from, copied.items, now(), target.id, change)
  }
  /** By a little more than nothing, where things are drawn to nothing. */
  function nudge(by: number): void {
    const timeline = editing.timeline.value
    if (timeline) editing.turnInto(moved(timeline, editing.selected.value, by * editing.grain()))
  }
  function lift(by: number): void {
    const timeline = editing.timeline.value
    const track = timeline?.tracks?.find((one) => one.id === editing.track.value)
    if (timeline && track?.does.kind === 'notes') editing.turnInto(pitched(timeline, editing.selected.value, by))
    if (!timeline || track?.does.kind !== 'levels') return
    const [low, high] = editing.usual(track)
    editing.turnInto(moved(timeline, editing.selected.value, 0, (by * (high - low)) / 100, [low, high]))
  }
  function turnTo(by: number): void {
    const tracks = editing.timeline.value?.tracks ?? []
    const here = tracks.findIndex((one) => one.id === editing.track.value)
    const next = tracks[Math.min(tracks.length - 1, Math.max(0, here + by))]
    if (next) {
      editing.track.value = next.id
      editing.selected.value = []
    }
  }
  const zoom = (by: number) => (editing.view.value = zoomed(editing.view.value, by, editing.width.value / 2))

  /** @return what a key does; null for nothing */
  function meant(event: KeyboardEvent): (() => void) | null {
    const plain: Record<string, () => void> = {
      ' ': () => void editing.playing.press(editing.id, editing.life.value?.isPlaying ? 'pause' : 'play'),
      ArrowLeft: () => editing.step(-1),
      ArrowRight: () => editing.step(1),
      ArrowUp: () => turnTo(-1),
      ArrowDown: () => turnTo(1),
      '+': () => zoom(1.5),
      '-': () => zoom(1 / 1.5),
      '0': editing.fit,
      Home: () => void editing.playing.jump(editing.id, 0),
    }
    const builds: Record<string, () => void> = { t: set, Delete: remove, Backspace: remove }
    const shifted: Record<string, () => void> = {
      ArrowLeft: () => nudge(-1),
      ArrowRight: () => nudge(1),
      ArrowUp: () => lift(1),
      ArrowDown: () => lift(-1),
    }
    const control: Record<string, () => void> = { c: copy, v: paste }
    if (event.ctrlKey || event.metaKey) return session.mayBuild ? (control[event.key] ?? null) : null
    if (event.shiftKey && shifted[event.key]) return session.mayBuild ? (shifted[event.key] ?? null) : null
    return plain[event.key] ?? (session.mayBuild ? (builds[event.key] ?? null) : null)
  }
  function key(event: KeyboardEvent): void {
    const deed = meant(event)
    if (!deed) return
    event.preventDefault()
    event.stopPropagation()
    deed()
  }
  return { key, set, remove, copy, paste, zoom }
}
