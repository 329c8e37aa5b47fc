import type { Patched } from '@/api/show'

/** Where a fixture begins, or goes on in another row: its name lies over its slots. */
export function namesOver(fixtures: Patched[], columns: number): Record<number, { name: string; across: number }> {
  const found: Record<number, { name: string; across: number }> = {}
  for (const fixture of fixtures) {
    for (let slot = fixture.first; slot <= fixture.last;) {
      const end = Math.min(fixture.last, Math.ceil(slot / columns) * columns)
      found[slot] = { name: fixture.name, across: end - slot + 1 }
      slot = end + 1
    }
  }
  return found
}

/** How many slots a key goes on by; undefined for other keys. */
export function stepOf(key: string, columns: number): number | undefined {
  const steps: Record<string, number> = {
    ArrowLeft: -1,
    ArrowRight: 1,
    ArrowUp: -columns,
    ArrowDown: columns,
    PageUp: -columns * 8,
    PageDown: columns * 8,
    Home: -512,
    End: 512,
  }
  return steps[key]
}

/** So many columns fit: half the usual on a phone, twice as many on a wide screen. */
export const columnsFor = (width: number) => (width >= 1270 ? 32 : width >= 520 ? 16 : 8)

/** All slots from one to the other, whichever is the lower one. */
export function runBetween(one: number, other: number): number[] {
  const first = Math.min(one, other)
  return Array.from({ length: Math.abs(one - other) + 1 }, (_, i) => first + i)
}
