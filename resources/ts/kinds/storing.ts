import { computed, ref } from 'vue'
import { useBase } from '@/api/base'
import { Refused, within, type Conflict, type Fault } from '@/api/client'
import { useShow, type ListName, type Values } from '@/api/show'
import { halfFilled, storing } from './halfFilled'

/** Stores a part of the show, new or changed, and keeps what the server found wrong with it. */
export function useStoring(list: ListName, adds?: (part: Values) => Promise<{ id?: string }>) {
  const show = useShow()
  const add = (part: Values): Promise<{ id?: string }> => adds?.(part) ?? show.add(list, part)
  const { save } = useBase()
  const faults = ref<Fault[]>([])
  const failed = ref('')
  const busy = ref(false)
  /** Somebody else was faster: both values of each field, for whoever has the form to choose. */
  const conflict = ref<Conflict | null>(null)
  /** What is wrong with a field. */
  const fault = (path: string) => {
    const found = faults.value.find((one) => within(one.path) === path)
    return found ? `${found.problem}. ${found.allowed}` : undefined
  }
  /** Everything that is wrong, each with its place. */
  const wrong = computed(() =>
    faults.value.length > 0
      ? faults.value.map((one) => `${within(one.path).replaceAll('/', ', ') || 'this'}: ${one.problem}. ${one.allowed}`)
      : failed.value
        ? [failed.value]
        : [],
  )

  /** The id of the part, or null where it was refused. */
  async function store(id: string | undefined, part: Values): Promise<string | null> {
    busy.value = storing.value = true
    faults.value = []
    failed.value = ''
    conflict.value = null
    try {
      const stored = id === undefined ? ((await add(part)).id ?? '') : id
      if (id !== undefined) await save((base) => show.replace(list, id, part, base))
      halfFilled.value = ''
      return stored
    } catch (error) {
      failed.value = (error as Error).message
      if (error instanceof Refused) {
        faults.value = error.faults
        conflict.value = error.conflicts[0] ?? null
      }
      return null
    } finally {
      busy.value = storing.value = false
    }
  }
  return { store, fault, wrong, busy, conflict }
}
