import { ref } from 'vue'
import { call } from '@/api/client'
import type { Profile } from '@/api/show'

const profiles = ref<Profile[]>([])
let asked: Promise<void> | undefined

/** The common profiles that come with the product: they are asked for once. */
export function useLibrary() {
  asked ??= call<{ profiles: Profile[] }>('GET', 'library').then(
    (answer) => {
      profiles.value = answer.profiles
    },
    (refused: unknown) => {
      asked = undefined
      throw refused
    },
  )
  return { profiles, ready: asked }
}
