import type { Knot } from './parts'

/** The most that a bend bends, as the engine has it. */
const STRONGEST = 3.321928
const late = (way: number, bend: number) => way ** (1 + bend * (STRONGEST - 1))

/** How far a level has come between two points of its line, 0 to 1: as the engine goes. */
export function shareOf(to: Knot['to'], way: number, bend: number): number {
  if (to === 'step') return 0
  if (to === 'smooth') return way * way * (3 - 2 * way)
  if (to === 'bent') return bend < 0 ? late(way, -bend) : 1 - late(1 - way, bend)
  return way
}

/** A line in the order of time, as the engine takes it. */
export const sorted = (knots: Knot[]): Knot[] =>
  knots
    .map((knot, i) => ({ knot, i }))
    .sort((a, b) => (a.knot.at ?? 0) - (b.knot.at ?? 0) || a.i - b.i)
    .map((one) => one.knot)

/** @param knots in the order of time */
export function valueAt(knots: Knot[], at: number): number | null {
  let place = -1
  while (place + 1 < knots.length && (knots[place + 1]?.at ?? 0) <= at) place++
  const from = knots[place]
  if (!from) return null
  const to = knots[place + 1]
  if (!to) return from.value ?? 0
  const way = (at - (from.at ?? 0)) / ((to.at ?? 0) - (from.at ?? 0))
  return (from.value ?? 0) + ((to.value ?? 0) - (from.value ?? 0)) * shareOf(from.to, way, from.bend ?? 0)
}

/** The range that a line is drawn in: that of its points, or a usual one. */
export function rangeOf(knots: Knot[], usual: [number, number]): [number, number] {
  const values = knots.map((one) => one.value ?? 0)
  return [Math.min(usual[0], ...values), Math.max(usual[1], ...values)]
}
