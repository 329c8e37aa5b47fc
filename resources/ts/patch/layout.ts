import type { Parameter, Profile } from '@/api/show'
import { places } from '@/components/slots'

/** While it is built it may be without parameters. */
export type CellBlock = Omit<NonNullable<Profile['cells']>[number], 'parameters'> & { parameters: Parameter[] }
/** What the slots of a mode mean, or those of a profile that has one alone. */
export interface Meanings {
  parameters?: Parameter[]
  cells?: CellBlock[]
  virtualIntensity?: boolean
}
export interface Layout {
  /** Slots of each parameter, from 1. */
  own: number[][]
  /** Of each block: where its cells begin, and the slots of the parameters of the first one. */
  cells: { starts: number[]; first: number[][] }[]
  slots: number
}

/** Where every parameter lies, as the profile is being built. */
export function layoutOf(meanings: Meanings): Layout {
  const own = places(meanings.parameters ?? [])
  let last = Math.max(0, ...own.flat())
  const cells = (meanings.cells ?? []).map((block) => {
    const inside = places(block.parameters)
    const width = Math.max(0, ...inside.flat())
    const starts = startsOf(block, last + 1, width)
    last = Math.max(last, ...starts.map((start) => start - 1 + width))
    return { starts, first: inside.map((slots) => slots.map((slot) => (starts[0] ?? 1) - 1 + slot)) }
  })
  return { own, cells, slots: last }
}

function startsOf(block: CellBlock, next: number, width: number): number[] {
  if (block.count > 1 && block.at?.length === block.count) return block.at
  const first = block.at?.[0] ?? next
  return Array.from({ length: block.count }, (_, i) => first + i * (block.every ?? width))
}

/** Rows after some of them were moved one place up or down, those that touch an end staying there. */
export function movedRows<T>(rows: T[], picked: Set<number>, by: -1 | 1): { rows: T[]; picked: Set<number> } {
  const order = rows.map((_, i) => i)
  const walk = by < 0 ? order : [...order].reverse()
  const now = [...order]
  for (const i of walk.filter((one) => picked.has(one))) {
    const at = now.indexOf(i)
    const other = now[at + by]
    if (other === undefined || picked.has(other)) continue
    now[at] = other
    now[at + by] = i
  }
  return {
    rows: now.map((i) => rows[i] as T),
    picked: new Set(now.flatMap((i, place) => (picked.has(i) ? [place] : []))),
  }
}

/** Rows after some of them were dropped before another one. */
export function droppedRows<T>(rows: T[], picked: Set<number>, before: number): { rows: T[]; picked: Set<number> } {
  const moved = rows.filter((_, i) => picked.has(i))
  const left = rows.slice(0, before).filter((_, i) => !picked.has(i))
  const right = rows.slice(before).filter((_, i) => !picked.has(before + i))
  return {
    rows: [...left, ...moved, ...right],
    picked: new Set(moved.map((_, i) => left.length + i)),
  }
}
