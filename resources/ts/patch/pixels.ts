import type { PixelLayout } from '@/api/show'

const SLOTS = 512

/** "Pond 1, slots 34 to 36", or two of them where a pixel is split. */
export function spellPixelSlots(slots: number[], universeName: (place: number) => string): string {
  const byUniverse = new Map<number, number[]>()
  for (const slot of slots) {
    const place = Math.floor(slot / SLOTS)
    byUniverse.set(place, [...(byUniverse.get(place) ?? []), (slot % SLOTS) + 1])
  }
  return [...byUniverse]
    .map(([place, own]) => {
      const [first, last] = [own[0], own.at(-1)]
      return `${universeName(place)}, ${own.length === 1 ? `slot ${first}` : `slots ${first} to ${last}`}`
    })
    .join(' and ')
}

export interface Dot {
  number: number
  across: number
  down: number
  /** Of the universe in which it begins. */
  universe: number
}

/** Pixels where they are, and how large a picture of them is. */
export function pictureOf(layout: PixelLayout): { dots: Dot[]; left: number; top: number; width: number; height: number } {
  const places = layout.places ?? []
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)]
  const low = (all: number[]) => all.reduce((least, one) => Math.min(least, one), Infinity)
  const high = (all: number[]) => all.reduce((most, one) => Math.max(most, one), -Infinity)
  return {
    dots: places.map(([across, down], i) => ({
      number: i + 1,
      across,
      down,
      universe: Math.floor((layout.slots?.[i]?.[0] ?? 0) / SLOTS),
    })),
    left: low(xs),
    top: low(ys),
    width: high(xs) - low(xs) + 1,
    height: high(ys) - low(ys) + 1,
  }
}
