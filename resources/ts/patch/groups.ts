import type { Group } from '@/api/show'

const other = (member: string) => (member.startsWith('group:') ? member.slice(6) : '')

/** Ids of a group's fixtures, each once, in their order, groups within groups written out. */
export function fixturesOf(id: string, groups: Group[], seen: string[] = []): string[] {
  const group = groups.find((one) => one.id === id)
  const found = (group?.members ?? []).flatMap((member) => {
    const inner = other(member)
    if (inner === '') return [member]
    return seen.includes(inner) || inner === id ? [] : fixturesOf(inner, groups, [...seen, id])
  })
  return [...new Set(found)]
}
