import type { Parameter } from '@/api/show'

/** The slots of each parameter within its fixture, from 1, the coarsest first: those that it names, or the next ones that are free. */
export function places(parameters: Parameter[]): number[][] {
  const taken = new Set(parameters.flatMap((one) => one.at ?? []))
  let next = 1
  return parameters.map((one) => {
    if (one.at?.length) return one.at
    const width = one.slots ?? 1
    const run = () => Array.from({ length: width }, (_, i) => next + i)
    while (run().some((slot) => taken.has(slot))) next += 1
    const own = run()
    next += width
    return own
  })
}

/** "5 and 7", "3 to 4" or "9". */
export function spellSlots(slots: number[]): string {
  const first = slots[0] ?? 0
  if (slots.length === 1) return String(first)
  const isRun = slots.every((slot, i) => slot === first + i)
  return isRun ? `${first} to ${first + slots.length - 1}` : `${slots.slice(0, -1).join(', ')} and ${slots.at(-1)}`
}

/** "5, 7" as somebody types it; nothing where it is no list of slots. */
export function readSlots(text: string): number[] | undefined {
  const slots = text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number)
  return slots.length > 0 && slots.every((slot) => Number.isInteger(slot) && slot >= 1 && slot <= 512) ? slots : undefined
}
