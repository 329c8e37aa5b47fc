import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useShow } from '@/api/show'
import { useEngine } from '@/live/engine'
import { places } from '@/router'

/** What is being typed into, as the title of its form; '' for nothing. */
export const form = ref('')

/** "Ports, House desk", and the form that is open there. */
export function placeWords(path: string, name: (id: string) => string, open: string): string {
  const [, first = '', id = ''] = path.split('/')
  const page = places.find((one) => one.path === `/${first}`)?.name ?? (first === 'history' ? 'History' : '')
  const what = open || (id ? name(decodeURIComponent(id)) : '')
  return what ? `${page}: ${what}` : page
}

/** Tells others where this page is, as long as it is open. */
export function useStanding(): void {
  const route = useRoute()
  const show = useShow()
  const engine = useEngine()
  const nameOf = (id: string) =>
    [show.ports, show.universes, show.routes, show.fixtures].flat().find((one) => one.id === id)?.name ?? id
  const here = computed(() => placeWords(route.path, nameOf, form.value).slice(0, 200))
  watch(
    () => [here.value, engine.state],
    () => {
      if (engine.state === 'open') engine.stand(here.value)
    },
    { immediate: true },
  )
  engine.follow(() => ['present'])
}
