import type { KindPart, Route } from '@/api/show'

export const groupings = [
  { value: 'folder', title: 'by folder' },
  { value: 'port', title: 'by port' },
  { value: 'target', title: 'by target' },
  { value: 'trigger', title: 'by trigger' },
] as const
export type Grouping = (typeof groupings)[number]['value']

const listOf = (parts: unknown): KindPart[] => (Array.isArray(parts) ? (parts as KindPart[]) : parts ? [parts as KindPart] : [])
const universeOf = (point: unknown) => String(point ?? '').replace(/^(\w+):([^/]+).*$/, '$2')

/** The heading that a route stands under; ids become names by whoever shows it. */
export function groupOf(route: Route, by: Grouping): string {
  const cause = listOf(route.when ?? route.from)[0]
  const deed = listOf(route.do ?? route.to)[0]
  if (by === 'port') return String(cause?.port ?? (cause?.kind === 'slot' ? (cause.universe ?? universeOf(cause.point)) : ''))
  if (by === 'target') return String(deed?.port ?? deed?.universe ?? universeOf(deed?.point))
  if (by === 'trigger') return String(cause?.kind ?? '')
  return route.folder ?? ''
}
