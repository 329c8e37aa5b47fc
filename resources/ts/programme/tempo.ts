import { computed, onScopeDispose, ref, watch } from 'vue'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'

const MINUTE = 60_000
/** Less than this is no other place of the beat. */
const LATE = 8

/** Beats since the first one, with their parts. */
export const beatsAt = (now: number, zeroAt: number, bpm: number) => ((now - zeroAt) * bpm) / MINUTE

/** The place in the bar, from 1. */
export const placeInBar = (beats: number, bar: number) => (((Math.floor(beats) % bar) + bar) % bar) + 1

/** A tempo as it is, and its beat as it falls. Without a name, the first one. */
export function useTempo(id: () => string | undefined) {
  const engine = useEngine()
  const show = useShow()
  engine.follow(() => ['programme'])
  const tempo = computed(() => show.tempos.find((one) => id() === undefined || one.id === id()))
  const life = computed(() => engine.programme?.news.tempos.find((one) => one.id === tempo.value?.id) ?? null)
  const beat = ref(0)
  let waiting = 0
  function look(): void {
    clearTimeout(waiting)
    const said = engine.programme
    const { zeroAt, bpm } = life.value ?? { zeroAt: null, bpm: 0 }
    if (said === null || zeroAt === null || bpm <= 0) return
    const beats = beatsAt(said.news.now + performance.now() - said.at, zeroAt, bpm) + LATE / MINUTE
    beat.value = placeInBar(beats, tempo.value?.bar ?? 4)
    waiting = window.setTimeout(look, Math.max(LATE, ((1 - (beats - Math.floor(beats))) * MINUTE) / bpm))
  }
  watch(() => [life.value?.zeroAt, life.value?.bpm, tempo.value?.bar], look, { immediate: true })
  onScopeDispose(() => clearTimeout(waiting))
  const source = computed(() => {
    if (!life.value) return ''
    const { source: from, leader, isCarriedOn } = life.value
    if (from === 'clock') return `clock of ${show.portName(leader)}`
    if (isCarriedOn) return 'the clock is lost: carried on'
    return from === 'message' ? 'said by a message' : 'by hand'
  })
  return { tempo, life, beat, source }
}
