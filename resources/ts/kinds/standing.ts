import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { FieldOfPart, Values } from '@/api/show'
import { tidied } from './parts'

/**
 * A form that stands beside what it is about: stored by its button, or as soon as something else is chosen, so that what was
 * filled in is not lost.
 *
 * @param part as it is stored now; what somebody else makes of it meanwhile is taken over, unless something was filled in
 * @param may whether it may be stored at all
 */
export function useStanding(part: () => object, fields: () => FieldOfPart[], may: () => boolean, put: (values: Values) => void) {
  const base = ref<Values>({ ...part() })
  const draft = ref<Values>(base.value)
  const written = (values: Values) => JSON.stringify(tidied(values, fields()))
  const isChanged = computed(() => written(draft.value) !== written(base.value))
  watch(part, (now) => {
    if (isChanged.value) return
    base.value = { ...now }
    draft.value = base.value
  })
  function store(): void {
    base.value = draft.value
    put(tidied(draft.value, fields()))
  }
  onBeforeUnmount(() => {
    if (isChanged.value && may()) store()
  })
  return { draft, isChanged, store }
}
