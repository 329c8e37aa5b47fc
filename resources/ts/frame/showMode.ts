import { computed } from 'vue'
import { call } from '@/api/client'
import { useAttempt } from '@/components/attempt'
import { places, type Place } from '@/router'
import { useEngine } from '@/live/engine'

/** The only page of the frame that is open while the show is locked. */
export const LIVE = '/live'

/** Whether everything but the live page and surfaces is locked, and by whom; the engine tells all pages. */
export function useShowMode() {
  const engine = useEngine()
  const { failed, attempt } = useAttempt()
  const by = computed(() => engine.engine?.showMode ?? '')
  const isOn = computed(() => by.value !== '')
  const open = computed<readonly Place[]>(() => (isOn.value ? places.filter((place) => place.path === LIVE) : places))
  const lock = (code: string) => attempt(() => call('POST', 'show-mode', { code }))
  const unlock = (code: string) => attempt(() => call('DELETE', 'show-mode', { code }))
  return { by, isOn, open, failed, lock, unlock }
}
