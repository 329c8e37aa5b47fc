import { Refused } from './client'
import { useShow } from './show'

/**
 * For a form: what it saves is refused when somebody else has changed the same part since it was opened.
 * Once that was said, saving again is meant: it is then taken as begun now.
 */
export function useBase(): { save: <T>(what: (base: number | undefined) => Promise<T>) => Promise<T>; begin: () => void } {
  const show = useShow()
  let base = show.data?.revision
  /** The form shows another part now. */
  function begin(): void {
    base = show.data?.revision
  }
  async function save<T>(what: (base: number | undefined) => Promise<T>): Promise<T> {
    try {
      return await what(base)
    } catch (error) {
      if (error instanceof Refused && error.status === 409) {
        await show.follow()
        begin()
      }
      throw error
    }
  }
  return { save, begin }
}
