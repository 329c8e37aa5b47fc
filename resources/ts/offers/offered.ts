import type { Values } from '@/api/show'

export const widthOf = (parameters: Values[]) => parameters.reduce((sum, one) => sum + (one.bits === '16' ? 2 : 1), 0)
export const highestOf = (bits: unknown) => (bits === '16' ? 65535 : 255)
/** The slots of each parameter, as they are written: "481–482". */
export function slotsOf(parameters: Values[], first: number): string[] {
  let at = first
  return parameters.map((one) => {
    const from = at
    at += widthOf([one])
    return at - from === 1 ? String(from) : `${from}–${at - 1}`
  })
}
/** A list with one of them moved up or down; as it is where there is no place. */
export function moved<T>(list: T[], at: number, by: -1 | 1): T[] {
  const [one, other] = [list[at], list[at + by]]
  if (one === undefined || other === undefined) return list
  return list.map((each, i) => (i === at ? other : i === at + by ? one : each))
}
