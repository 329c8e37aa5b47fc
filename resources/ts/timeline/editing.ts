import { computed, inject, provide, ref, watch, type InjectionKey } from 'vue'
import { call } from '@/api/client'
import { useSession } from '@/api/session'
import { useShow } from '@/api/show'
import { useAhead } from '@/lists/ahead'
import { useEngine } from '@/live/engine'
import { noteName } from '@/components/notes'
import { endsOf, itemsOf, partOf, type Item } from './edit'
import type { Timeline, Track } from './parts'
import { usePlace, usePlaying } from './playing'
import type { Reach } from './reshape'
import { barWords, gridOf, readBar } from './grid'
import { fitted, grainOf, readTime, snapped, timeWords, type Snap, type View } from './view'

type Editing = ReturnType<typeof makeEditing>
const KEY: InjectionKey<Editing> = Symbol('editing')
const USUAL: [number, number] = [0, 100]

function makeEditing(id: string) {
  const show = useShow()
  const session = useSession()
  const engine = useEngine()
  const { put, afterwards, failed, now } = useAhead<Timeline>(
    'timelines',
    () => show.timelines.find((one) => one.id === id) ?? null,
  )
  const timeline = computed(now)
  const playing = usePlaying()
  const place = usePlace(() => playing.atOf(id))
  const life = computed(() => playing.lifeOf(id))
  const selected = ref<Item[]>([])
  /** The track that is worked on; '' for none. */
  const track = ref('')
  const view = ref<View>({ from: 0, scale: 40 })
  const width = ref(800)
  const top = ref(0)
  const snap = ref<Snap>('tenth')
  const copied = ref<{ from: Timeline; items: Item[] } | null>(null)
  const unit = computed(() => timeline.value?.unit ?? 'seconds')
  const tempo = computed(() => show.tempos.find((one) => one.id === timeline.value?.tempo) ?? show.tempos[0] ?? null)
  /** Frames a second: those of the time code that it follows. */
  const rate = computed(() => {
    const said = show.timecodes.find((one) => one.id === timeline.value?.timecode)?.rate ?? '25'
    return said === '29.97' ? 30_000 / 1001 : Number(said)
  })
  const grid = computed(() =>
    gridOf(unit.value, timeline.value?.changes ?? [], tempo.value?.start ?? 120, tempo.value?.bar ?? 4, rate.value),
  )
  /** Whether places are told by bars: they are where it goes by beats, and where things are drawn to these. */
  const countsBars = computed(() => unit.value === 'beats' || snap.value === 'beat' || snap.value === 'bar')
  const say = (at: number) => (countsBars.value ? barWords(grid.value, at) : timeWords(at))
  /** A place as it is said, typed; null for what is none. */
  const read = (text: string) => (countsBars.value ? readBar(grid.value, text) : readTime(text))
  const ends = computed(() => (timeline.value ? endsOf(timeline.value) : 0))
  const draw = (at: number) => snapped(at, snap.value, grid.value)
  /** What things are drawn to, and moved by with keys; a hundredth where they are drawn to nothing. */
  const grain = (at = place.value) => grainOf(snap.value, grid.value, at)
  const fit = () => (view.value = fitted(ends.value, width.value))

  /** What the points that lines move can be, by reference. */
  const ranges = ref<Record<string, Reach>>({})
  watch(
    () => (timeline.value?.tracks ?? []).map((one) => (one.does.kind === 'levels' ? (one.does.point ?? '') : '')).join(' '),
    (points) => {
      for (const point of points.split(' ').filter((one) => one !== '' && !(one in ranges.value)))
        void engine.findPoints(point).then((found) => {
          const one = found.find((two) => two.point === point)
          if (one) {
            const reach: Reach = { range: [one.low, one.high], steps: one.ranges.map((two) => [two.low, two.high]) }
            ranges.value = { ...ranges.value, [point]: reach }
          }
        })
    },
    { immediate: true },
  )
  const reach = (one: Track): Reach =>
    (one.does.kind === 'levels' ? ranges.value[one.does.point ?? ''] : undefined) ?? { range: USUAL, steps: [] }
  const usual = (one: Track): [number, number] => reach(one).range

  /** What a note is called: as it was agreed, or by its pitch. */
  const nameOf = (one: Track, note: number) => {
    const channel = one.does.kind === 'notes' ? (one.does.channel ?? 1) : 1
    const agreed = (show.document?.notes ?? []).find((two) => two.note === note && (two.channel ?? channel) === channel)
    return agreed?.name ?? noteName(note, show.document?.middleC ?? 4)
  }

  /** What a look, a wave or a timeline is called. */
  const pointName = (point: string) => {
    const [kind, id] = point.split(':')
    const lists = { look: show.looks, wave: show.waves, timeline: show.timelines }
    return lists[kind as keyof typeof lists]?.find((one) => one.id === id)?.name ?? (point || 'nothing yet')
  }

  /** What is stored from now on; null for what cannot be done. */
  function turnInto(next: Timeline | null, why = 'That cannot be done there: the track is locked, or of another kind.'): boolean {
    if (next === null) failed.value = why
    else if (session.mayBuild) void put(next)
    return next !== null
  }
  /** Something that the server does to it as a whole; what it says of it, or null where it refuses. */
  const ask = (what: string, body: object = {}) =>
    afterwards(
      async () => (await show.take(call('POST', `show/timelines/${id}/${what}`, body))) as unknown as Record<string, unknown>,
    )
  /** Whether the next drag on a level draws it. */
  const drawsByHand = ref(false)
  /** The take whose lines are seen behind those of the tracks; '' for none. */
  const compared = ref('')
  function choose(item: Item, adds = false): void {
    track.value = item.track
    const has = selected.value.some((one) => one.track === item.track && one.id === item.id)
    if (!adds) selected.value = [item]
    else
      selected.value = has
        ? selected.value.filter((one) => one.track !== item.track || one.id !== item.id)
        : [...selected.value, item]
  }
  /** The next one on the track, or the one before. */
  function step(by: number): void {
    if (!timeline.value) return
    const all = itemsOf(timeline.value, track.value)
    const here = all.findIndex((one) => one.item.id === selected.value[0]?.id && one.item.track === selected.value[0]?.track)
    const next = all[here < 0 ? (by > 0 ? 0 : all.length - 1) : Math.min(all.length - 1, Math.max(0, here + by))]
    if (next) selected.value = [next.item]
  }
  const part = computed(() => {
    const [one] = selected.value
    return selected.value.length === 1 && one && timeline.value ? partOf(timeline.value, one) : null
  })
  return {
    id,
    timeline,
    playing,
    place,
    life,
    selected,
    track,
    view,
    width,
    top,
    snap,
    copied,
    unit,
    grid,
    countsBars,
    say,
    read,
    ends,
    part,
    draw,
    grain,
    fit,
    usual,
    reach,
    nameOf,
    pointName,
    failed,
    put,
    turnInto,
    ask,
    drawsByHand,
    compared,
    choose,
    step,
  }
}

export function provideEditing(id: string): Editing {
  const editing = makeEditing(id)
  provide(KEY, editing)
  return editing
}
export function useEditing(): Editing {
  const editing = inject(KEY)
  if (!editing) throw new Error('No timeline is open here.')
  return editing
}
