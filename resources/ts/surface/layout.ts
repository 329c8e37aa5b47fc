import type { SurfaceControl, SurfacePage, SurfacePlace } from '@/live/messages'

/** Fields of a grid that a control takes; column and row from 1. */
export type Box = Omit<SurfacePlace, 'control'>
export interface Layout {
  columns: number
  rows: number
  places: Map<string, Box>
}

/** As a style sheet says it. */
export const inGrid = (box: Box) => ({ column: `${box.column} / span ${box.width}`, row: `${box.row} / span ${box.height}` })

/** Whether a page was built for a screen that stands upright. */
export const isBuiltTall = (page: { columns: number; rows: number }) => page.rows >= page.columns

/**
 * A page as it was built; on a screen of the other orientation by the layout that it has for that, or, where it has none
 * and is to be laid anew, its controls one after the other.
 */
export function layOut(page: SurfacePage, isTall: boolean): Layout {
  if (isTall === isBuiltTall(page)) return asBuilt(page)
  if (page.turned) return placed(page.controls, page.turned)
  return page.flows && page.columns !== page.rows ? flowing(page) : asBuilt(page)
}

const boxOf = ({ column, row, width, height }: Box): Box => ({ column, row, width, height })

function asBuilt(page: SurfacePage): Layout {
  return { columns: page.columns, rows: page.rows, places: new Map(page.controls.map((one) => [one.id, boxOf(one)])) }
}

/** By a layout of its own; what has no place in it takes the first free one, and rows are added where there is none. */
function placed(controls: SurfaceControl[], turned: { columns: number; rows: number; places: SurfacePlace[] }): Layout {
  const known = new Map(turned.places.map((one) => [one.control, boxOf(one)]))
  const places = new Map<string, Box>()
  const taken: boolean[][] = []
  for (const one of controls) {
    const box = known.get(one.id)
    if (box === undefined) continue
    places.set(one.id, box)
    take(taken, box.row - 1, box.column - 1, box.width, box.height)
  }
  let rows = turned.rows
  for (const one of controls.filter((control) => !known.has(control.id))) {
    const width = Math.min(one.width, turned.columns)
    const [row, column] = firstRoom(taken, turned.columns, width, one.height)
    take(taken, row, column, width, one.height)
    rows = Math.max(rows, row + one.height)
    places.set(one.id, { column: column + 1, row: row + 1, width, height: one.height })
  }
  return { columns: turned.columns, rows, places }
}

/** Band by band, as they stand below each other; each as large as it is, or as wide as there is room. */
export function flowing(page: SurfacePage): Layout {
  const columns = page.rows
  const places = new Map<string, Box>()
  let top = 0
  for (const band of bandsOf(page.controls)) {
    const taken: boolean[][] = []
    let last = 0
    for (const one of band) {
      const width = Math.min(one.width, columns)
      const [row, column] = firstRoom(taken, columns, width, one.height)
      take(taken, row, column, width, one.height)
      last = Math.max(last, row + one.height)
      places.set(one.id, { column: column + 1, row: top + row + 1, width, height: one.height })
    }
    top += last
  }
  return { columns, rows: Math.max(1, top), places }
}

/** Controls that stand beside each other, with those beside these: from the left, those on top first. */
function bandsOf(controls: SurfaceControl[]): SurfaceControl[][] {
  const bands: { end: number; controls: SurfaceControl[] }[] = []
  for (const one of [...controls].sort((a, b) => a.row - b.row || a.column - b.column)) {
    const last = bands.at(-1)
    const end = one.row + one.height
    if (last === undefined || one.row >= last.end) {
      bands.push({ end, controls: [one] })
      continue
    }
    last.end = Math.max(last.end, end)
    last.controls.push(one)
  }
  return bands.map((band) => band.controls.sort((a, b) => a.column - b.column || a.row - b.row))
}

function take(taken: boolean[][], row: number, column: number, width: number, height: number): void {
  for (let y = row; y < row + height; y++) {
    const line = (taken[y] ??= [])
    for (let x = column; x < column + width; x++) line[x] = true
  }
}

function firstRoom(taken: boolean[][], columns: number, width: number, height: number): [number, number] {
  const isFree = (row: number, column: number) => {
    for (let y = row; y < row + height; y++) for (let x = column; x < column + width; x++) if (taken[y]?.[x]) return false
    return true
  }
  for (let row = 0; ; row++)
    for (let column = 0; column + width <= columns; column++) if (isFree(row, column)) return [row, column]
}
