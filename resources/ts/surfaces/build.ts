import type { Control, Page, Surface } from '@/api/showDocument'

/** Where a control stands, in fields of the grid; column and row from 1. */
export interface Box {
  column: number
  row: number
  width: number
  height: number
}

/** What each kind takes when it is new. */
const SIZES: Record<string, [number, number]> = {
  button: [1, 1],
  fader: [1, 3],
  knob: [1, 2],
  endless: [2, 1],
  pad: [2, 3],
  stepper: [2, 1],
  selector: [2, 1],
  text: [2, 1],
  meter: [1, 3],
  colour: [2, 2],
  slots: [2, 1],
  label: [2, 1],
  clock: [2, 1],
  notes: [2, 1],
}
export const columnsOf = (page: Page) => page.columns ?? 6
export const rowsOf = (page: Page) => page.rows ?? 4
export const controlsOf = (page: Page) => page.controls ?? []
export const boxOf = (one: Partial<Box>): Box => ({
  column: one.column ?? 1,
  row: one.row ?? 1,
  width: one.width ?? 1,
  height: one.height ?? 1,
})
const overlap = (a: Box, b: Box) =>
  a.column < b.column + b.width && b.column < a.column + a.width && a.row < b.row + b.height && b.row < a.row + a.height
export const fits = (page: Page, box: Box) =>
  box.column >= 1 &&
  box.row >= 1 &&
  box.width >= 1 &&
  box.height >= 1 &&
  box.column + box.width - 1 <= columnsOf(page) &&
  box.row + box.height - 1 <= rowsOf(page)

/** Whether boxes can stand on a page, with the controls that stay. */
export function areFree(page: Page, boxes: Box[], without: Set<string>): boolean {
  const others = controlsOf(page)
    .filter((one) => !without.has(one.id))
    .map(boxOf)
  return boxes.every(
    (box, i) =>
      fits(page, box) && !others.some((other) => overlap(box, other)) && !boxes.slice(0, i).some((other) => overlap(box, other)),
  )
}

/** The first place with room for so much, as it is read; smaller where there is no room for all of it; null where the page is full. */
export function freePlace(page: Page, width: number, height: number): Box | null {
  for (const [w, h] of [
    [Math.min(width, columnsOf(page)), Math.min(height, rowsOf(page))],
    [1, 1],
  ] as const) {
    for (let row = 1; row + h - 1 <= rowsOf(page); row++) {
      for (let column = 1; column + w - 1 <= columnsOf(page); column++) {
        const box = { column, row, width: w, height: h }
        if (areFree(page, [box], new Set())) return box
      }
    }
  }
  return null
}

/** An id that no control of the surface has: "fader", "fader-2". */
export function freeId(surface: Surface, wanted: string): string {
  const base =
    wanted
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 50) || 'control'
  const taken = new Set((surface.pages ?? []).flatMap((page) => controlsOf(page).map((one) => one.id)))
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!taken.has(id)) return id
  }
}

const withControls = (page: Page, controls: Control[]): Page => ({ ...page, controls })
export const withPage = (surface: Surface, at: number, page: Page): Surface => ({
  ...surface,
  pages: (surface.pages ?? []).map((one, i) => (i === at ? page : one)),
})

/** A new control at a place, or at the first free one; null where there is no room. */
export function added(
  surface: Surface,
  at: number,
  kind: string,
  label: string,
  does: object,
  place?: { column: number; row: number },
) {
  const page = surface.pages?.[at]
  if (!page) return null
  const [width, height] = SIZES[kind] ?? [1, 1]
  const there = place ? { ...place, width, height } : null
  const small = place ? { ...place, width: 1, height: 1 } : null
  const box =
    [there, small].find((one) => one !== null && areFree(page, [one], new Set())) ??
    (place ? null : freePlace(page, width, height))
  if (!box) return null
  const id = freeId(surface, kind)
  const control = {
    id,
    name: id === kind ? label : `${label} ${id.slice(kind.length + 1)}`,
    does: { kind, ...does },
    ...box,
  } as Control
  return { id, surface: withPage(surface, at, withControls(page, [...controlsOf(page), control])) }
}

/** Controls moved, or made larger or smaller, by so many fields; null where there is no room. */
export function shifted(page: Page, ids: Set<string>, by: Partial<Box>): Page | null {
  const moved = controlsOf(page).map((one) => {
    if (!ids.has(one.id)) return one
    const box = boxOf(one)
    return {
      ...one,
      column: box.column + (by.column ?? 0),
      row: box.row + (by.row ?? 0),
      width: box.width + (by.width ?? 0),
      height: box.height + (by.height ?? 0),
    }
  })
  const boxes = moved.filter((one) => ids.has(one.id)).map(boxOf)
  return areFree(page, boxes, ids) ? withControls(page, moved) : null
}

export type Alignment = 'left' | 'top' | 'width' | 'height'
const FIELD: Record<Alignment, keyof Box> = { left: 'column', top: 'row', width: 'width', height: 'height' }

/** All of them as the first of them; null where they would lie on each other. */
export function aligned(page: Page, ids: Set<string>, how: Alignment): Page | null {
  const first = controlsOf(page).find((one) => ids.has(one.id))
  if (!first) return null
  const field = FIELD[how]
  const to = boxOf(first)[field]
  const moved = controlsOf(page).map((one) => (ids.has(one.id) ? { ...one, [field]: to } : one))
  return areFree(page, moved.filter((one) => ids.has(one.id)).map(boxOf), ids) ? withControls(page, moved) : null
}

/** Controls set down once more, each at the first place with room. */
export function copied(surface: Surface, at: number, controls: Control[]): { ids: string[]; surface: Surface; left: number } {
  let result = surface
  const ids: string[] = []
  for (const one of controls) {
    const page = result.pages?.[at]
    const box = page && freePlace(page, one.width ?? 1, one.height ?? 1)
    if (!page || !box) continue
    const id = freeId(result, one.id.replace(/-\d+$/, ''))
    ids.push(id)
    result = withPage(result, at, withControls(page, [...controlsOf(page), { ...one, ...box, id }]))
  }
  return { ids, surface: result, left: controls.length - ids.length }
}

export const without = (page: Page, ids: Set<string>): Page =>
  withControls(
    page,
    controlsOf(page).filter((one) => !ids.has(one.id)),
  )
/** Another control in the place of the one with its id. */
export const changed = (page: Page, control: Control): Page =>
  withControls(
    page,
    controlsOf(page).map((one) => (one.id === control.id ? { ...control, ...boxOf(one) } : one)),
  )

/** How small a grid may become, for what stands on it. */
export function smallest(page: Page): { columns: number; rows: number } {
  const boxes = controlsOf(page).map(boxOf)
  return {
    columns: Math.max(1, ...boxes.map((one) => one.column + one.width - 1)),
    rows: Math.max(1, ...boxes.map((one) => one.row + one.height - 1)),
  }
}
