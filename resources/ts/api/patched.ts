/** Slots of pixels: from a slot on, a pixel's colour, and all others after it, until it begins anew. */
export interface PixelSlots {
  map: string
  colours: string[]
  stretches: [slot: number, pixel: number, colour: number][]
}
/** Where each pixel of a map is, and which slots it takes, counted through its universes from 0. */
export interface PixelLayout {
  /** What is wrong with it; "" where it can be shown. */
  problem: string
  counts?: string
  universes?: number
  places?: [across: number, down: number][]
  slots?: number[][]
}
/** What a slot of pixels is: "pixel 12 red". */
export function pixelAt(pixels: PixelSlots, slot: number): string {
  const from = pixels.stretches.filter(([first]) => first <= slot).at(-1)
  if (!from) return 'pixels'
  const at = from[2] + slot - from[0]
  const width = pixels.colours.length
  return `pixel ${from[1] + Math.floor(at / width)} ${pixels.colours[at % width] ?? ''}`
}
/** A fixture, pixels, or what is offered to a desk, in a universe. */
export interface Patched {
  id: string
  name: string
  profile: string
  universe: string
  first: number
  last: number
  shares: { id: string; name: string; meant: boolean }[]
  /** Of pixels: their map, and what their slots are of. */
  pixels?: PixelSlots
  /** Of an offer: its parameters, with their slots from 1 as its first one. */
  offered?: { name: string; slots: number[] }[]
}
/** What a slot of something that has no profile is; none for a fixture. */
export function namedAt(one: Patched, slot: number): string | undefined {
  if (one.pixels) return pixelAt(one.pixels, slot)
  return one.offered && (one.offered.find((placed) => placed.slots.includes(slot - one.first + 1))?.name ?? '')
}
/** What it is called where others say with whom they share slots. */
export const keyOf = (one: Patched) => one.id.replace(/^(pixels|offer):/, '')
/** Where something of the patch is seen. */
export function placeOfPatched(id: string): string {
  const [what, of] = id.split(':')
  if (what === 'pixels' && of) return `/patch-pixels/${of}`
  return what === 'offer' && of ? `/routes-offers/${of}` : `/patch/${id}`
}
/** A parameter at its slots: within a fixture from 1, or in its universe. */
export interface PlacedParameter {
  key: string
  name: string
  slots: number[]
  /** Where it stands in the profile, or in its mode: "cells/0/parameters/2". */
  path: string
  kind: string
  highest: boolean
  never: boolean
  /** Whether its slots are none of the fixture's own: an intensity by which its lights are scaled. */
  virtual: boolean
}
/** Where the virtual intensities of a universe's fixtures lie: beside it. */
export const BESIDE = ':intensity'
export const universeOf = (parameter: PlacedParameter, universe: string) =>
  parameter.virtual ? `${universe}${BESIDE}` : universe
/** What a typed address may mean. */
export interface AddressWay {
  universe: string
  slot: number
  why: string
  numberings: string[]
}
