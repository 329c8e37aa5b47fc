import { computed, inject, onScopeDispose, provide, ref, type InjectionKey } from 'vue'
import type { Page, Surface } from '@/api/showDocument'
import { useEngine } from '@/live/engine'
import { provideSurface, surfaceOn } from '@/surface/surface'
import { withPage } from './build'
import { useBuilding as useStore } from './storing'

export type Preview = { name: string; width: number; height: number } | null
type Building = ReturnType<typeof makeBuilding>
const KEY: InjectionKey<Building> = Symbol('building')

function makeBuilding(stored: () => Surface | null, id: string) {
  const engine = useEngine()
  const { put, failed, now } = useStore(stored)
  const surface = computed(now)
  const at = ref(0)
  const selected = ref(new Set<string>())
  const preview = ref<Preview>(null)
  /** Locked, its controls work; unlocked, they are moved about. */
  const isLocked = ref(false)
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
  return { surface, at, page, selected, preview, isLocked, live, failed, put, turnInto }
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
