import type { ValueOfAPoint } from '@/api/showDocument'

/** A value that changes when a look is made anew: what it was, and what it would be. */
export interface Difference {
  point: string
  was: ValueOfAPoint['value'] | undefined
  is: ValueOfAPoint['value'] | undefined
}

/** What would be otherwise: values that change, come, or go. */
export function differences(before: ValueOfAPoint[], after: ValueOfAPoint[]): Difference[] {
  const was = new Map(before.map((one) => [one.point, one.value]))
  const is = new Map(after.map((one) => [one.point, one.value]))
  return [...new Set([...was.keys(), ...is.keys()])]
    .map((point) => ({ point, was: was.get(point), is: is.get(point) }))
    .filter((one) => one.was !== one.is)
}

/** Values of both; where both have a point, that of the second one counts. */
export function merged(first: ValueOfAPoint[], second: ValueOfAPoint[]): ValueOfAPoint[] {
  const values = new Map(first.map((one) => [one.point, one]))
  for (const one of second) values.set(one.point, one)
  return [...values.values()]
}

/** What a point belongs to: its fixture, group or universe. */
export const partOf = (point: string) => point.replace(/^[a-z]+:/, '').replace(/\/.*$/, '')
