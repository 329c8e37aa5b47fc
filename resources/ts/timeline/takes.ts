import { computed, ref } from 'vue'
import { useEngine } from '@/live/engine'
import type { Orders } from '@/live/messages'
import { useEditing } from './editing'
import type { Take, Track } from './parts'

type Mode = NonNullable<Orders['record']['mode']>
export const MODES: [Mode, string][] = [
  ['touch', 'only while something is touched'],
  ['overdub', 'from the first touch on'],
  ['erase', 'all of the pass'],
]

/** Takes are recorded, kept, laid on the tracks, and let go round. */
export function useTakes() {
  const editing = useEditing()
  const engine = useEngine()
  engine.follow(() => ['recording'])
  const tracks = computed(() =>
    (editing.timeline.value?.tracks ?? []).filter((one) => one.does.kind === 'levels' && one.does.point && !one.locked),
  )
  const unarmed = ref<string[]>([])
  const isArmed = (track: Track) => !unarmed.value.includes(track.id)
  function arm(track: Track, is: boolean): void {
    unarmed.value = is ? unarmed.value.filter((one) => one !== track.id) : [...unarmed.value, track.id]
  }
  const how = ref({ mode: 'touch' as Mode, plays: true, from: '', to: '', countIn: 0, latency: 0, tolerance: 0.5 })

  const news = computed(() => engine.recording?.news ?? null)
  const isHere = computed(() => news.value?.timeline === editing.id)
  const state = computed(() => news.value?.state ?? 'off')
  const isAtWork = computed(() => isHere.value && (state.value === 'running' || state.value === 'counting'))
  const waits = computed(() => isHere.value && state.value === 'done')
  const written = computed(() => (isAtWork.value ? (news.value?.points ?? []).filter((one) => one.isWritten) : []))

  async function record(): Promise<void> {
    const points = tracks.value.filter(isArmed).map((one) => (one.does.kind === 'levels' ? (one.does.point ?? '') : ''))
    const { mode, plays, from, to, countIn, latency } = how.value
    const between = { from: Number(from) || 0, to: Number(to) || 0 }
    await engine.record({ timeline: editing.id, points: [...new Set(points)], mode, plays, ...between, countIn, latency })
    if (engine.said) editing.failed.value = engine.said
  }
  /** It ends, and what was recorded is kept and laid on the tracks at once. */
  async function stop(): Promise<string> {
    await engine.endRecording()
    editing.playing.press(editing.id, 'pause')
    return keep()
  }
  async function keep(): Promise<string> {
    const { takes = [] } = await engine.recorded(how.value.tolerance)
    if (takes.length === 0) {
      await engine.endRecording(true)
      return 'Nothing was touched: there is nothing to keep.'
    }
    const answer = await editing.ask('takes', { takes })
    if (!answer) return ''
    await engine.endRecording(true)
    editing.compared.value = String(answer.take ?? '')
    const lanes = takes.flatMap((one) => one.lanes)
    const values = lanes.reduce((sum, one) => sum + one.samples, 0)
    const knots = lanes.reduce((sum, one) => sum + one.knots.length, 0)
    return `${takes.length === 1 ? 'A take is' : `${takes.length} takes are`} kept: ${values} values became ${knots} points, within ${how.value.tolerance} % of each range.`
  }
  const throwAway = () => engine.endRecording(true)

  const takes = computed(() => editing.timeline.value?.takes ?? [])
  const lay = (take: Take) => editing.ask(`takes/${take.id}/lay`)
  const goRound = (take: Take, beats: number, look: string) => editing.ask(`takes/${take.id}/loop`, { beats, look })
  function change(take: Take, fields: Partial<Take> | null): void {
    const timeline = editing.timeline.value
    if (!timeline) return
    const next = takes.value.flatMap((one) => (one.id !== take.id ? [one] : fields ? [{ ...one, ...fields }] : []))
    editing.turnInto({ ...timeline, takes: next })
  }
  return {
    tracks,
    isArmed,
    arm,
    how,
    state,
    isHere,
    isAtWork,
    waits,
    written,
    record,
    stop,
    keep,
    throwAway,
    takes,
    lay,
    goRound,
    change,
  }
}
export type Takes = ReturnType<typeof useTakes>

/** What a take has, in words. */
export function takeWords(take: Take): string {
  const lanes = take.lanes ?? []
  const points = new Set(lanes.map((one) => one.point ?? '')).size
  const from = Math.min(...lanes.map((one) => one.from))
  const to = Math.max(...lanes.map((one) => one.to))
  const off = Math.max(0, ...lanes.map((one) => one.off ?? 0))
  const long = lanes.length > 0 ? `, ${from.toFixed(1)} to ${to.toFixed(1)}` : ''
  return `${points} ${points === 1 ? 'point' : 'points'}${long}, off by at most ${Number(off.toFixed(2))}`
}
