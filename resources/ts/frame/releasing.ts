import { computed, ref } from 'vue'
import { useSession } from '@/api/session'
import { useEngine } from '@/live/engine'

/** Whether somebody is being asked what to release: the same question wherever it began. */
const asks = ref(false)

/** Releases everything that is held by hand; where others hold something too, it is asked first. */
export function useReleasing() {
  const engine = useEngine()
  const session = useSession()
  const others = computed(() => engine.holds.filter((hold) => hold.by !== session.user?.name).length)
  function releaseAll(): void {
    if (others.value > 0) asks.value = true
    else void engine.release()
  }
  return { asks, others, releaseAll }
}
