import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { allAnswered, call } from './client'

export interface User {
  name: string
  role: 'builder' | 'operator' | 'viewer'
  /** Of the program that serves the page. */
  version: string
}

/** Who is logged in, and what they may do. */
export const useSession = defineStore('session', () => {
  const user = ref<User | null>(null)
  const known = ref(false)

  async function load(): Promise<void> {
    if (known.value) return
    user.value = (await call<{ user: User | null }>('GET', 'session')).user
    known.value = true
  }
  async function login(name: string, password: string): Promise<void> {
    user.value = (await call<{ user: User }>('POST', 'session', { name, password })).user
  }
  /** Why nobody was logged out who wanted to be; '' where that is not so. */
  const failed = ref('')
  async function logout(): Promise<void> {
    failed.value = ''
    await allAnswered()
    try {
      await call('DELETE', 'session')
    } catch (error) {
      failed.value = `You are still logged in. ${(error as Error).message}`
      return
    }
    // A fresh start: nothing of one person stays for the next.
    location.assign('/login')
  }
  /** What one may has changed: the engine says so as it lets a page in. */
  function became(role: string): void {
    const known = (['builder', 'operator', 'viewer'] as const).find((one) => one === role)
    if (known && user.value && user.value.role !== known) user.value = { ...user.value, role: known }
  }
  const mayBuild = computed(() => user.value?.role === 'builder')
  const mayOperate = computed(() => user.value !== null && user.value.role !== 'viewer')
  return { user, failed, load, login, logout, became, mayBuild, mayOperate }
})
