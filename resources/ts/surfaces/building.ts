import { computed, inject, onScopeDispose, provide, ref, type InjectionKey } from 'vue'
import type { Page, Surface } from '@/api/showDocument'
import { useAhead } from '@/lists/ahead'
import { useEngine } from '@/live/engine'
import { provideSurface, surfaceOn } from '@/surface/surface'
import { withPage } from './build'
import { isTall, seenTurned, storedTurned, withTurned } from './turned'

/** As it was built, laid anew by itself, or in a layout of its own. */
export type OtherWay = 'built' | 'anew' | 'own'
export type Preview = { name: string; width: number; height: number } | null
type Building = ReturnType<typeof makeBuilding>
const KEY: InjectionKey<Building> = Symbol('building')

function makeBuilding(stored: () => Surface | null, id: string) {
  const engine = useEngine()
  const { put: store, failed, now } = useAhead('surfaces', stored)
  const at = ref(0)
  const selected = ref(new Set<string>())
  const preview = ref<Preview>(null)
  /** Its page has a layout of its own for the screen that it is seen on: that one is built then. */
  const isTurned = computed(() => {
    const page = now()?.pages?.[at.value]
    const seen = preview.value
    return page?.turned !== undefined && seen !== null && seen.height > seen.width !== isTall(page)
  })
  const surface = computed(() => {
    const whole = now()
    return whole && isTurned.value ? seenTurned(whole, at.value) : whole
  })
  async function put(next: Surface): Promise<void> {
    const whole = now()
    const back = whole && isTurned.value ? storedTurned(whole, at.value, next) : next
    if (back) await store(back)
    else failed.value = 'There is no room for that on the page as it was built: make its grid larger first.'
  }
  /** Locked, its controls work; unlocked, they are moved about. */
  const isTried = ref(false)
  const isLocked = computed(() => isTried.value || now()?.locked === true)
  const live = surfaceOn(id, { isLive: computed(() => engine.state === 'open'), ask: engine.touch })
  engine.follow(() => [`surface:${id}`])
  onScopeDispose(engine.onSurface(live.take))
  provideSurface(live)

  const page = computed(() => surface.value?.pages?.[at.value] ?? null)
  /** The page of now becomes another one; null for one that has no room for that. */
  function turnInto(
    next: Page | null,
    why = 'There is no room for that: something else stands there, or the grid ends.',
  ): boolean {
    if (next === null) failed.value = why
    else if (surface.value) void put(withPage(surface.value, at.value, next))
    return next !== null
  }
  /** What becomes of the page on a screen of the other orientation. */
  async function layOther(how: OtherWay): Promise<void> {
    const whole = now()
    const one = whole?.pages?.[at.value]
    if (!whole || !one) return
    const next = how === 'own' ? withTurned(one) : { ...one, turned: undefined, flows: how === 'anew' }
    await store(withPage(whole, at.value, next))
  }
  return { surface, at, page, selected, preview, isTurned, isTried, isLocked, live, failed, put, turnInto, layOther }
}

export function provideBuilding(stored: () => Surface | null, id: string): Building {
  const building = makeBuilding(stored, id)
  provide(KEY, building)
  return building
}

export function useBuilding(): Building {
  const building = inject(KEY)
  if (!building) throw new Error('Nothing is being built here.')
  return building
}
