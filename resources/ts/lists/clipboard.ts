import type { ListName } from '@/api/show'

const FORMAT = 'nimble-junction/parts'

/** Parts as a text that another page, or another show, takes in again. */
export function asClipboardText(list: ListName, parts: object[]): string {
  return JSON.stringify({ format: FORMAT, list, parts }, null, 1)
}

/** The parts in such a text; a sentence that says what is wrong where it is none, or of another list. */
export function fromClipboardText(list: ListName, text: string): object[] | string {
  let found: unknown
  try {
    found = JSON.parse(text)
  } catch {
    return 'This is no text that was copied from a list.'
  }
  const { format, list: of, parts } = (found ?? {}) as { format?: unknown; list?: unknown; parts?: unknown }
  if (format !== FORMAT || !Array.isArray(parts)) return 'This is no text that was copied from a list.'
  return of === list ? (parts as object[]) : `These are ${String(of)}: paste them in their own list.`
}
