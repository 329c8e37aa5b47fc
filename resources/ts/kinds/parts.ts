import type { FieldOfPart, PartDescription, Values } from '@/api/show'

/** A part, with those around it: whether a field applies can depend on what another one says. */
export interface Scope {
  values: Values
  fields: FieldOfPart[]
  outer?: Scope
}

/** What a field of this part, or else of one around it, says, or is where it is left out. Paths are like "link/kind". */
export function lookUp(scope: Scope, path: string): unknown {
  const [name, ...rest] = path.split('/')
  for (const field of scope.fields) {
    if (field.name !== name || !applies(field, scope)) continue
    const value = scope.values[field.name]
    if (rest.length === 0) return value ?? usual(field, scope)
    if (field.part) return lookUp({ values: (value ?? {}) as Values, fields: field.part.fields, outer: scope }, rest.join('/'))
  }
  return scope.outer ? lookUp(scope.outer, path) : undefined
}

export function applies(field: FieldOfPart, scope: Scope): boolean {
  return field.onlyAt === '' || field.onlyWords.includes(String(lookUp(scope, field.onlyAt)))
}

/** Whether a form shows a field that may stand there: what waits for another word is out of sight. */
export function isShown(field: FieldOfPart, scope: Scope): boolean {
  return applies(field, scope) && (field.shownAt === '' || field.shownWords.includes(String(lookUp(scope, field.shownAt))))
}

/** What a field is where the part does not say. */
export function usual(field: FieldOfPart, scope: Scope): unknown {
  if (field.by && field.wordsBy) return wordsOf(field, scope)[0]
  if (field.like) return lookUp(scope, field.like) === true
  return field.default ?? undefined
}

export function wordsOf(field: FieldOfPart, scope: Scope): string[] {
  return field.by && field.wordsBy ? (field.wordsBy[String(lookUp(scope, field.by))] ?? []) : (field.words ?? [])
}

/** What a part's side is made of, where it has that side at all. */
export function sideOf(field: FieldOfPart, scope: Scope): PartDescription | undefined {
  return field.at ? field.sides?.[String(lookUp(scope, field.at))] : undefined
}

/** What a field of a form shows: what the part says, or what it would be, or what is offered. */
export const shown = (field: FieldOfPart, scope: Scope) =>
  scope.values[field.name] ?? usual(field, scope) ?? field.suggested ?? undefined

/** Fields that a form keeps folded away: few set them, nobody has here, and nothing is wrong with them. */
export const foldedAway = (fields: FieldOfPart[], values: Values, isWrong: (name: string) => boolean): string[] =>
  fields
    .filter(
      (field) => field.isRare && [undefined, field.default].includes(values[field.name] as undefined) && !isWrong(field.name),
    )
    .map((field) => field.name)

const isEmpty = (value: unknown) =>
  value === undefined || value === null || value === '' || (Array.isArray(value) && value.length === 0)

/** The part as the show document has it: only fields that apply, nothing for those that are empty. */
export function tidied(values: Values, fields: FieldOfPart[], outer?: Scope): Values {
  const scope: Scope = { values, fields, outer }
  const tidy: Values = {}
  for (const field of fields) {
    if (!applies(field, scope)) continue
    const value = tidiedValue(field, values[field.name], scope)
    if (!isEmpty(value)) tidy[field.name] = value
  }
  return tidy
}

function tidiedValue(field: FieldOfPart, value: unknown, scope: Scope): unknown {
  if (value === undefined && field.isNeeded) return field.suggested ?? undefined
  if (value === undefined || value === null) return undefined
  const { part } = field
  if (field.type === 'objects' && part) return (value as Values[]).map((one) => tidied(one, part.fields, scope))
  if (field.type === 'object' && part) return orNothing(tidied(value as Values, part.fields, scope))
  if (field.type === 'side') {
    const side = sideOf(field, scope)
    return side && tidied(value as Values, side.fields, scope)
  }
  return typeof value === 'string' ? value.trim() : value
}

const orNothing = (values: Values) => (Object.keys(values).length === 0 ? undefined : values)

/** What stands in a field of a form, as the document has it: nothing for an empty one. */
export function asTyped(field: FieldOfPart, text: string): unknown {
  const written = text.trim()
  if (written === '') return undefined
  switch (field.type) {
    case 'whole':
    case 'number':
      return Number(written)
    case 'numbers':
    case 'list':
      return written
        .split(/[\s,;]+/)
        .filter(Boolean)
        .map(Number)
    case 'texts':
      return written
        .split(/[,;]+/)
        .map((one) => one.trim())
        .filter(Boolean)
    case 'addresses':
      return written.split(/[\s,;]+/).filter(Boolean)
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
