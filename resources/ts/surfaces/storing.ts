import { ref } from 'vue'
import type { Surface } from '@/api/showDocument'
import { useShow } from '@/api/show'
import { spellRefusal } from '@/components/attempt'

/** Stores a surface as it is built: what is done is seen at once, and one edit after the other is stored. */
export function useBuilding(surface: () => Surface | null) {
  const show = useShow()
  const failed = ref('')
  /** As it will be stored; null where it is as it is stored. */
  const ahead = ref<Surface | null>(null)
  let last: Promise<unknown> = Promise.resolve()
  let count = 0

  async function put(next: Surface): Promise<void> {
    const mine = ++count
    ahead.value = next
    failed.value = ''
    last = last.then(() => store(next))
    show.soon(last)
    await last
    if (mine === count) ahead.value = null
  }
  async function store(next: Surface): Promise<void> {
    const { id, ...rest } = next
    try {
      await show.replace('surfaces', id, rest)
    } catch (error) {
      failed.value = spellRefusal(error)
    }
  }
  return { put, failed, now: () => ahead.value ?? surface() }
}
