import type { Fixture, Patched, PlacedParameter } from '@/api/show'

/** How many slots a fixture with these parameters takes. */
export const slotsOf = (parameters: PlacedParameter[]) => Math.max(0, ...parameters.flatMap((one) => one.slots))

/** Fixtures that listen to some of so many slots from an address on. */
export const under = (fixtures: Patched[], first: number, slots: number) =>
  fixtures.filter((one) => one.first <= first + slots - 1 && first <= one.last)

/** The next address at which so many slots are free: after the last fixture, or else in the first gap. */
export function freeFor(fixtures: Patched[], slots: number): number | null {
  const last = Math.max(0, ...fixtures.map((one) => one.last))
  if (last + slots <= 512) return last + 1
  const starts = [1, ...fixtures.map((one) => one.last + 1)].sort((a, b) => a - b)
  return starts.find((first) => first + slots - 1 <= 512 && under(fixtures, first, slots).length === 0) ?? null
}

/** The number after the highest one; undefined where fixtures have none. */
export function nextNumber(fixtures: Fixture[]): number | undefined {
  const numbers = fixtures.flatMap((one) => one.number ?? [])
  return numbers.length > 0 ? Math.max(...numbers) + 1 : undefined
}

/** "5" or "5–9". */
export const spanOf = (one: { first: number; last: number }) =>
  one.first === one.last ? `${one.first}` : `${one.first}–${one.last}`
