import type { KindPart, Route, Values } from '@/api/show'
import { without } from './conflicts'
import type { Relax } from '@/live/messages'

const withFields = (part: KindPart, fields: Record<string, unknown>): KindPart => {
  const relaxed: KindPart = { ...part }
  for (const [name, value] of Object.entries(fields)) {
    if (value === null) delete relaxed[name]
    else relaxed[name] = value
  }
  return relaxed
}

/** A route that would have taken what it nearly took; null where it is not made so any more. */
export function relaxed(route: Route, relax: Relax): Values | null {
  const part = without(route as Route & Values, 'id')
  const [list, number] = relax.part.split('/')
  if (!list) return withFields(part as unknown as KindPart, relax.fields)
  const found = part[list]
  const at = Number(number ?? 0)
  if (number === undefined && found && !Array.isArray(found))
    return { ...part, [list]: withFields(found as KindPart, relax.fields) }
  const parts = Array.isArray(found) ? (found as KindPart[]) : []
  if (!parts[at]) return null
  return { ...part, [list]: parts.map((one, i) => (i === at ? withFields(one, relax.fields) : one)) }
}
