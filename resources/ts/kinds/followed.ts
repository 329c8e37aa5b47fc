import { computed, ref, watch, type Ref, type WritableComputedRef } from 'vue'

/**
 * What is typed over what stands in the show: fields that nobody has touched follow it (also one's own edit, when it comes back
 * stored), those that were typed stay.
 *
 * @param stands as it is in the show now
 * @param of which part that is: of another one nothing that was typed is kept
 */
export function useFollowed<T extends Record<string, unknown>>(stands: () => T, of: () => string): Ref<T> {
  const draft = ref({ ...stands() }) as Ref<T>
  watch([of, stands] as const, ([part, now], [before, was]) => {
    const isTyped = (field: string) => part === before && JSON.stringify(draft.value[field]) !== JSON.stringify(was[field])
    draft.value = Object.fromEntries(
      Object.entries(now).map(([field, value]) => [field, isTyped(field) ? draft.value[field] : value]),
    ) as T
  })
  return draft
}

/** What is usual as long as nobody has chosen: the show may come, or change, after the form was opened. */
export function useUsual(usual: () => string): WritableComputedRef<string> {
  const chosen = ref<string | null>(null)
  return computed({ get: () => chosen.value ?? usual(), set: (now) => (chosen.value = now) })
}
