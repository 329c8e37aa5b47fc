import type { Values } from '@/api/show'

/** A value as it stands in the document, short enough for a table. */
export function spelled(value: unknown): string {
  if (value === null || value === undefined) return 'not there'
  const text = typeof value === 'string' ? value : JSON.stringify(value)
  return text.length > 80 ? `${text.slice(0, 79)}…` : text
}

/** The part with another value at a path; nothing takes the field out. */
export function withValue(part: Values, [name, ...rest]: string[], value: unknown): Values {
  if (name === undefined) return part
  const inner = part[name]
  const next =
    rest.length > 0 ? withValue(typeof inner === 'object' && inner !== null ? (inner as Values) : {}, rest, value) : value
  return next === null || next === undefined ? without(part, name) : { ...part, [name]: next }
}

export const without = (part: Values, name: string): Values =>
  Object.fromEntries(Object.entries(part).filter(([one]) => one !== name))
