import { ref } from 'vue'
import { call } from '@/api/client'
import { useAttempt } from '@/components/attempt'

export interface Person {
  id: number
  name: string
  role: Role
}
export type Role = 'builder' | 'operator' | 'viewer'
export const ROLES: { value: Role; title: string; may: string }[] = [
  { value: 'builder', title: 'Builder', may: 'changes the show, and who may log in' },
  { value: 'operator', title: 'Operator', may: 'runs it: looks, cues, holds, surfaces' },
  { value: 'viewer', title: 'Viewer', may: 'sees all, and moves nothing' },
]

/** Who may log in; each deed answers with all of them as they are then. */
export function usePeople() {
  const people = ref<Person[]>([])
  const { failed, attempt } = useAttempt()
  const ask = (method: string, path: string, body?: object) =>
    attempt(async () => {
      people.value = (await call<{ users: Person[] }>(method, path, body)).users
    })
  const load = () => ask('GET', 'users')
  const add = (name: string, role: Role, password: string) => ask('POST', 'users', { name, role, password })
  const setRole = (id: number, role: Role) => ask('PATCH', `users/${id}`, { role })
  const setPassword = (id: number, password: string) => ask('PATCH', `users/${id}`, { password })
  const logOut = (id: number) => ask('DELETE', `users/${id}/logins`)
  const remove = (id: number) => ask('DELETE', `users/${id}`)
  return { people, failed, load, add, setRole, setPassword, logOut, remove }
}
