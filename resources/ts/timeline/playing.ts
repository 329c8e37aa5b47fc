import { computed, onScopeDispose, ref } from 'vue'
import { useEngine } from '@/live/engine'
import type { TimecodeLife, TimelineLife } from '@/live/messages'

/** Where timelines are now, by what the engine said last: between two of its words they go on by themselves. */
export function usePlaying() {
  const engine = useEngine()
  engine.follow(() => ['timelines'])
  const lives = computed(() => new Map((engine.timelines?.news.timelines ?? []).map((one) => [one.id, one])))
  const timecodes = computed(() => engine.timelines?.news.timecodes ?? [])
  const now = () => {
    const said = engine.timelines
    return said === null ? 0 : said.news.now + performance.now() - said.at
  }
  const lifeOf = (id: string): TimelineLife | null => lives.value.get(id) ?? null
  function atOf(id: string): number {
    const life = lifeOf(id)
    if (!life) return 0
    return life.zeroAt === null ? life.at : Math.max(0, (now() - life.zeroAt) / life.unit)
  }
  const timecodeOf = (id: string): TimecodeLife | null => timecodes.value.find((one) => one.id === id) ?? null
  const press = (id: string, verb: string) => engine.pressPoint(`timeline:${id}/${verb}`)
  const jump = (id: string, to: number) => engine.setPoint(`timeline:${id}`, to)
  const set = (id: string, what: 'rate' | 'loop' | 'round', value: number) => engine.setPoint(`timeline:${id}/${what}`, value)
  return { lives, lifeOf, atOf, timecodes, timecodeOf, press, jump, set }
}
export type Playing = ReturnType<typeof usePlaying>

/** A place that goes on with every picture. */
export function usePlace(at: () => number) {
  const place = ref(0)
  let frame = 0
  const look = () => {
    place.value = at()
    frame = requestAnimationFrame(look)
  }
  look()
  onScopeDispose(() => cancelAnimationFrame(frame))
  return place
}
