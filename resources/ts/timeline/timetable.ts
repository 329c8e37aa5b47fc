import { computed, onScopeDispose, ref } from 'vue'
import { useEngine } from '@/live/engine'

/** How long until something, in two of its larger units: "3 h 5 min". */
export function untilWords(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds))
  const units: [number, string][] = [
    [86_400, 'd'],
    [3600, 'h'],
    [60, 'min'],
    [1, 's'],
  ]
  const first = units.findIndex(([size]) => whole >= size)
  if (first < 0) return '0 s'
  let left = whole
  return units
    .slice(first, first + 2)
    .map(([size, unit]) => {
      const count = Math.floor(left / size)
      left -= count * size
      return count > 0 ? `${count} ${unit}` : ''
    })
    .filter((one) => one)
    .join(' ')
}

/** A moment on the clock of the house: "Fri 27 Nov, 19:30:00". */
export function momentWords(unix: number, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(unix * 1000)
  const of = (type: string) => parts.find((one) => one.type === type)?.value ?? ''
  return `${of('weekday')} ${of('day')} ${of('month')}, ${of('hour')}:${of('minute')}:${of('second')}`
}

/** What comes next, by what the engine said last and by the time that has passed since. */
export function useTimetable() {
  const engine = useEngine()
  engine.follow(() => ['timetable'])
  const tick = ref(0)
  const timer = setInterval(() => tick.value++, 500)
  onScopeDispose(() => clearInterval(timer))
  const zone = computed(() => engine.timetable?.news.zone ?? 'UTC')
  const time = computed(() => {
    const said = engine.timetable
    return tick.value < 0 || !said || said.news.time === null ? null : said.news.time + (performance.now() - said.at) / 1000
  })
  const lives = computed(() => engine.timetable?.news.occasions ?? [])
  const lifeOf = (id: string) => lives.value.find((one) => one.id === id) ?? null
  const inWords = (id: string) => {
    const next = lifeOf(id)?.next
    return next === null || next === undefined || time.value === null ? '' : `in ${untilWords(next - time.value)}`
  }
  const next = computed(() => lives.value.find((one) => one.next !== null) ?? null)
  return { zone, time, lives, lifeOf, inWords, next }
}
