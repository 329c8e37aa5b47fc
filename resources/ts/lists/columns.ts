import type { FieldOfPart, PartDescription, Values } from '@/api/show'
import { lookUp, sideOf, type Scope } from '@/kinds/parts'

/** A column of a list's table, as the server derives it from the description of its parts. */
export interface Column {
  path: string
  label: string
  isObject: boolean
}
export type ListDescription = PartDescription & { columns: Column[] }

/** The field at a path like "receive/port", as this part has it; undefined where it has no such field. */
export function fieldAt(
  description: PartDescription,
  part: Values,
  path: string,
): { field: FieldOfPart; outer: Scope } | undefined {
  const scope: Scope = { values: part, fields: description.fields }
  const [name, ...rest] = path.split('/')
  const field = description.fields.find((one) => one.name === name)
  if (!field) return undefined
  if (rest.length === 0) return { field, outer: scope }
  const inner = field.part ?? sideOf(field, scope)
  if (!inner || (field.type === 'side' && part[field.name] === undefined)) return undefined
  const found = fieldAt(inner, (part[field.name] ?? {}) as Values, rest.join('/'))
  return found && { field: found.field, outer: { ...found.outer, outer: scope } }
}

/** What a part has in a column, in words; '' for nothing. */
export function cellOf(description: PartDescription, part: Values, path: string): string {
  const value =
    path.split('/').reduce<unknown>((at, name) => (at as Values | undefined)?.[name], part) ??
    lookUp({ values: part, fields: description.fields }, path)
  if (value === undefined || value === null) return ''
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (Array.isArray(value)) return value.every((one) => typeof one !== 'object') ? value.join(', ') : `${value.length}`
  return typeof value === 'object' ? '' : String(value as string | number)
}
