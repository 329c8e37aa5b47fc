import { ref, type Ref } from 'vue'
import { useShow, type ListName } from '@/api/show'
import { spellRefusal } from '@/components/attempt'

/** Stores a part as it is built: what is done is seen at once, and one edit after the other is stored. */
export function useAhead<T extends { id: string }>(list: ListName, part: () => T | null) {
  const show = useShow()
  const failed = ref('')
  /** As it will be stored; null where it is as it is stored. */
  const ahead = ref(null) as Ref<T | null>
  let last: Promise<unknown> = Promise.resolve()
  let count = 0

  async function put(next: T): Promise<void> {
    const mine = ++count
    ahead.value = next
    failed.value = ''
    last = last.then(() => store(next))
    show.soon(last)
    await last
    if (mine === count) ahead.value = null
  }
  async function store(next: T): Promise<void> {
    const { id, ...rest } = next
    try {
      await show.replace(list, id, rest)
    } catch (error) {
      failed.value = spellRefusal(error)
    }
  }
  /** Something else that is done to it, as soon as what was built so far is stored. */
  async function afterwards<R>(deed: () => Promise<R>): Promise<R | null> {
    failed.value = ''
    const done = last.then(deed)
    last = done.catch(() => undefined)
    show.soon(last)
    try {
      return await done
    } catch (error) {
      failed.value = spellRefusal(error)
      return null
    }
  }
  return { put, afterwards, failed, now: () => ahead.value ?? part() }
}
