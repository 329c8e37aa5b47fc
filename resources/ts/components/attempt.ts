import { ref, type Ref } from 'vue'
import { Refused, within } from '@/api/client'

/** Why something was refused, in words; each fault with the field that it is about. */
export function spellRefusal(error: unknown): string {
  if (!(error instanceof Refused) || error.faults.length === 0) return (error as Error).message
  return error.faults.map((fault) => `${within(fault.path) || 'this'}: ${fault.problem}. ${fault.allowed}`).join(' ')
}

/** Runs what may be refused, and keeps why it was. */
export function useAttempt(): { failed: Ref<string>; attempt: (what: () => Promise<unknown>) => Promise<boolean> } {
  const failed = ref('')
  async function attempt(what: () => Promise<unknown>): Promise<boolean> {
    failed.value = ''
    try {
      await what()
      return true
    } catch (error) {
      failed.value = spellRefusal(error)
      return false
    }
  }
  return { failed, attempt }
}
