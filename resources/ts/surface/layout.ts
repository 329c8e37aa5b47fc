import type { SurfacePage } from '@/live/messages'

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

/** In the order in which they are read; each as large as it is, or as wide as there is room. */
function flowing(page: SurfacePage, columns: number): Layout {
  const taken: boolean[][] = []
  const places = new Map<string, Place>()
  const inOrder = [...page.controls].sort((a, b) => a.row - b.row || a.column - b.column)
  let last = 1
  for (const one of inOrder) {
    const width = Math.min(one.width, columns)
    const [row, column] = firstRoom(taken, columns, width, one.height)
    for (let y = row; y < row + one.height; y++) {
      const line = (taken[y] ??= [])
      for (let x = column; x < column + width; x++) line[x] = true
    }
    last = Math.max(last, row + one.height)
    places.set(one.id, { column: `${column + 1} / span ${width}`, row: `${row + 1} / span ${one.height}` })
  }
  return { columns, rows: last, places }
}

function firstRoom(taken: boolean[][], columns: number, width: number, height: number): [number, number] {
  const isFree = (row: number, column: number) => {
    for (let y = row; y < row + height; y++) for (let x = column; x < column + width; x++) if (taken[y]?.[x]) return false
    return true
  }
  for (let row = 0; ; row++)
    for (let column = 0; column + width <= columns; column++) if (isFree(row, column)) return [row, column]
}
