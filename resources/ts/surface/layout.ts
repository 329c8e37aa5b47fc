import type { SurfaceControl, SurfacePage } from '@/live/messages'

/** Where a control stands on the grid that is shown. */
export interface Place {
  column: string
  row: string
}
export interface Layout {
  columns: number
  rows: number
  places: Map<string, Place>
}

/** A page as it was built, or, on a screen of the other orientation, its controls one after the other. */
export function layOut(page: SurfacePage, isTall: boolean): Layout {
  const isBuiltTall = page.rows >= page.columns
  if (!page.flows || page.columns === page.rows || isTall === isBuiltTall) return asBuilt(page)
  return flowing(page, page.rows)
}

function asBuilt(page: SurfacePage): Layout {
  const places = new Map(
    page.controls.map((one) => [one.id, { column: `${one.column} / span ${one.width}`, row: `${one.row} / span ${one.height}` }]),
  )
  return { columns: page.columns, rows: page.rows, places }
}

/** Band by band, as they stand below each other; each as large as it is, or as wide as there is room. */
function flowing(page: SurfacePage, columns: number): Layout {
  const places = new Map<string, Place>()
  let top = 0
  for (const band of bandsOf(page.controls)) {
    const taken: boolean[][] = []
    let last = 0
    for (const one of band) {
      const width = Math.min(one.width, columns)
      const [row, column] = firstRoom(taken, columns, width, one.height)
      take(taken, row, column, width, one.height)
      last = Math.max(last, row + one.height)
      places.set(one.id, { column: `${column + 1} / span ${width}`, row: `${top + row + 1} / span ${one.height}` })
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
