import { call } from '@/api/client'
import type { FieldOfKind, KindOfPart, KindPart } from '@/api/show'

let asked: Promise<Record<string, KindOfPart[]>> | null = null

/** What every kind of part looks like in a form, as the server's classes describe it; asked for once. */
export function allKinds(): Promise<Record<string, KindOfPart[]>> {
  asked ??= call<Record<string, KindOfPart[]>>('GET', 'kinds')
  return asked
}

/** A new part of a kind, with what its fields are where nobody says otherwise. */
export function fresh(kind: KindOfPart): KindPart {
  const part: KindPart = { kind: kind.kind }
  for (const field of kind.fields) {
    if (field.type === 'parts') part[field.name] = []
    else if (field.default !== null && field.default !== '') part[field.name] = field.default
  }
  return part
}

/** What a field of a form holds, as the document has it: nothing for an empty one that is not needed. */
export function asTyped(field: FieldOfKind, text: string): unknown {
  const written = text.trim()
  if (written === '') return undefined
  switch (field.type) {
    case 'whole':
    case 'number':
      return Number(written)
    case 'numbers':
    case 'list':
      return written.split(/[\s,;]+/).filter(Boolean).map(Number)
    case 'value':
      return Number.isNaN(Number(written)) ? written : Number(written)
    default:
      return text
  }
}

/** How a field's value is written in a form. */
export function asText(value: unknown): string {
  if (value === undefined || value === null) return ''
  return Array.isArray(value) ? value.join(', ') : String(value)
}
