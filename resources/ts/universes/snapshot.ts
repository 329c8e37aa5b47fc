import { ref, shallowRef, watch, type Ref } from 'vue'
import { useEngine } from '@/live/engine'

export interface Kept {
  levels: Uint8Array
  at: string
}

/** A kept picture of a universe to compare with, and whether the picture on the page stands still. */
export function useSnapshot(universe: Ref<string>) {
  const engine = useEngine()
  const frozen = ref(false)
  const kept = shallowRef<Kept | null>(null)
  const differing = ref(0)
  watch(universe, () => {
    frozen.value = false
    kept.value = null
  })
  let stop = () => {}
  watch(
    universe,
    (now) => {
      stop()
      stop = engine.paint(`levels:${now}`, (levels) => {
        let count = 0
        if (kept.value) for (let i = 0; i < 512; i++) if (levels[i] !== kept.value.levels[i]) count++
        differing.value = count
      })
    },
    { immediate: true },
  )
  function keep(): void {
    kept.value = { levels: engine.levelsNow(universe.value), at: new Date().toTimeString().slice(0, 8) }
    differing.value = 0
  }
  return { frozen, kept, differing, keep, end: () => stop() }
}
