import { computed, onScopeDispose, ref, watch } from 'vue'
import { useEngine } from '@/live/engine'
import type { ListLife, LookLife, MasterLife } from '@/live/messages'

/** How often what moves is drawn anew. */
const TICK = 100

/** How far something is between two times, 0 to 1. */
export const shareOf = (from: number | null, until: number | null, now: number) =>
  from === null || until === null || until <= from ? 1 : Math.min(1, Math.max(0, (now - from) / (until - from)))

/** Seconds as people read them on the way: 12.3, 1:05; '' for none left. */
export function leftOf(until: number | null, now: number): string {
  const left = until === null ? 0 : (until - now) / 1000
  if (left <= 0.05) return ''
  if (left < 60) return `${left.toFixed(1)} s`
  const whole = Math.round(left)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/** A number with as many digits behind the point as it needs, two at most. */
export const short = (value: number) => String(Math.round(value * 100) / 100)

/** What is live of the programme, with a clock that runs as long as anything is on its way. */
export function useProgramme() {
  const engine = useEngine()
  engine.follow(() => ['programme'])
  const news = computed(() => engine.programme?.news ?? null)
  const now = ref(0)
  const look = () => {
    const said = engine.programme
    now.value = said === null ? 0 : said.news.now + performance.now() - said.at
  }
  const lastAt = computed(() =>
    Math.max(
      0,
      ...(news.value?.looks ?? []).map((one) => one.until),
      ...(news.value?.lists ?? []).flatMap((one) => [one.until ?? 0, one.follows ?? 0]),
    ),
  )
  let ticking = 0
  const stop = () => {
    clearInterval(ticking)
    ticking = 0
  }
  watch(
    () => engine.programme,
    () => {
      look()
      if (ticking !== 0 || lastAt.value <= now.value) return
      ticking = window.setInterval(() => {
        look()
        if (lastAt.value < now.value - TICK) stop()
      }, TICK)
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  const byId = <T extends { id: string }>(all: T[] | undefined) => new Map((all ?? []).map((one) => [one.id, one]))
  const looks = computed<Map<string, LookLife>>(() => byId(news.value?.looks))
  const lists = computed<Map<string, ListLife>>(() => byId(news.value?.lists))
  const masters = computed<Map<string, MasterLife>>(() => byId(news.value?.masters))
  const isDark = computed(() => news.value?.blackout === true)
  return { news, now, looks, lists, masters, isDark }
}
