import type { Page, Surface } from '@/api/showDocument'
import type { SurfaceControl, SurfacePage } from '@/live/messages'
import { flowing, layOut, type Layout } from '@/surface/layout'
import { boxOf, columnsOf, controlsOf, freePlace, rowsOf, withPage, type Box } from './build'

/** A page as it is drawn: with everything that a document may leave out. */
export function drawnPage(page: Page, controls: SurfaceControl[]): SurfacePage {
  const turned = page.turned
    ? {
        columns: page.turned.columns,
        rows: page.turned.rows,
        places: (page.turned.places ?? []).map((one) => ({ control: one.control, ...boxOf(one) })),
      }
    : null
  return {
    id: page.id,
    name: page.name,
    columns: columnsOf(page),
    rows: rowsOf(page),
    flows: page.flows ?? true,
    controls,
    turned,
  }
}
const bare = (page: Page) =>
  drawnPage(
    page,
    controlsOf(page).map((one) => ({ id: one.id, ...boxOf(one) }) as SurfaceControl),
  )
export const isTall = (page: Page) => rowsOf(page) >= columnsOf(page)

/** A layout as a document keeps it. */
const asKept = (layout: Layout) => ({
  columns: layout.columns,
  rows: layout.rows,
  places: [...layout.places].map(([control, box]) => ({ control, ...box })),
})

/** A page with a layout of its own for the other orientation, at first as it would be laid by itself. */
export const withTurned = (page: Page): Page => (page.turned ? page : { ...page, turned: asKept(flowing(bare(page))) })

/** A page as it is arranged for the other orientation: everything that is built can be done to that as to any page. */
export function turnedRound(page: Page): Page {
  const layout = layOut(bare(page), !isTall(page))
  const controls = controlsOf(page).map((one) => ({ ...one, ...layout.places.get(one.id) }))
  return { ...page, columns: layout.columns, rows: layout.rows, controls }
}

/** What was done to a page that was turned round: places are those of the other orientation, all else is the page's own. */
export function turnedBack(page: Page, done: Page): Page | null {
  const all = controlsOf(done)
  const turned = {
    columns: columnsOf(done),
    rows: rowsOf(done),
    places: all.map((one) => ({ control: one.id, ...boxOf(one) })),
  }
  const before = new Map<string, Box>(controlsOf(page).map((one) => [one.id, boxOf(one)]))
  const kept = all.filter((one) => before.has(one.id)).map((one) => ({ ...one, ...before.get(one.id) }))
  let result: Page = { ...page, name: done.name, flows: done.flows, turned, controls: kept }
  for (const one of all.filter((control) => !before.has(control.id))) {
    const box = freePlace(result, one.width ?? 1, one.height ?? 1)
    if (!box) return null
    result = { ...result, controls: [...controlsOf(result), { ...one, ...box }] }
  }
  return result
}

/** A surface with one page of it turned round, and back; null where the page itself has no room for what came. */
export const seenTurned = (surface: Surface, at: number): Surface => {
  const page = surface.pages?.[at]
  return page ? withPage(surface, at, turnedRound(page)) : surface
}
export function storedTurned(surface: Surface, at: number, done: Surface): Surface | null {
  const page = surface.pages?.[at]
  const now = (done.pages ?? []).findIndex((one) => one.id === page?.id)
  const changed = done.pages?.[now]
  if (!page || !changed) return done
  const back = turnedBack(page, changed)
  return back && withPage(done, now, back)
}
