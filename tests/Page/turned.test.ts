import { describe, expect, it } from 'vitest'
import type { Control, Page, Surface } from '@/api/showDocument'
import type { SurfaceControl } from '@/live/messages'
import { layOut } from '@/surface/layout'
import { added, shifted, without } from '@/surfaces/build'
import { drawnPage, seenTurned, storedTurned, turnedBack, turnedRound, withTurned } from '@/surfaces/turned'

const control = (id: string, column: number, row: number, width = 1): Control => ({
  id,
  name: id,
  does: { kind: 'button' },
  column,
  row,
  width,
  height: 1,
})
const page = (...controls: Control[]): Page => ({ id: 'p', name: 'Page', controls })

describe('a layout of its own for the other orientation', () => {
  const before: Page = { ...page(control('a', 1, 1, 2), control('b', 1, 2), control('c', 2, 2)), columns: 4, rows: 2 }
  const own = withTurned(before)
  const placeOf = (whole: Page, id: string) => whole.turned?.places?.find((one) => one.control === id)
  it('begins as the page would be laid by itself', () => {
    expect(own.turned).toMatchObject({ columns: 2, rows: 2 })
    expect(placeOf(own, 'c')).toEqual({ control: 'c', column: 2, row: 2, width: 1, height: 1 })
    expect(withTurned(own)).toBe(own)
  })
  it('is built like any page, and the page itself stays as it is', () => {
    const seen = { ...turnedRound(own), rows: 5 }
    const moved = shifted(seen, new Set(['a']), { row: 3 })
    const done = moved && turnedBack(own, moved)
    expect(done && placeOf(done, 'a')).toMatchObject({ row: 4, width: 2 })
    expect(done?.turned).toMatchObject({ columns: 2, rows: 5 })
    expect([done?.columns, done?.rows, done?.controls]).toEqual([before.columns, before.rows, before.controls])
  })
  it('gives what is new a place in both, and takes what is removed from both', () => {
    const surface: Surface = { id: 's', name: 'S', pages: [own] }
    const seen = seenTurned({ ...surface, pages: [{ ...own, turned: { ...own.turned, columns: 2, rows: 4 } }] }, 0)
    const more = added(seen, 0, 'label', 'Label', {})
    const stored = more && storedTurned(surface, 0, more.surface)
    const [now] = stored?.pages ?? []
    expect(now?.controls?.find((one) => one.id === 'label')).toMatchObject({ column: 3, row: 1, width: 2 })
    expect(now && placeOf(now, 'label')).toMatchObject({ column: 1, row: 3, width: 2 })
    const less = turnedBack(own, without(turnedRound(own), new Set(['b'])))
    expect([less?.controls?.length, less && placeOf(less, 'b')]).toEqual([2, undefined])
  })
  it('has no room for what the page itself has none for', () => {
    const full: Page = { ...withTurned({ ...page(control('a', 1, 1)), columns: 1, rows: 1 }) }
    const seen = seenTurned({ id: 's', name: 'S', pages: [{ ...full, turned: { columns: 3, rows: 3, places: [] } }] }, 0)
    const more = added(seen, 0, 'button', 'Button', {})
    expect(more && storedTurned({ id: 's', name: 'S', pages: [full] }, 0, more.surface)).toBeNull()
  })
  it('lays what it does not name into the first free place, with rows for it', () => {
    const laid = layOut(
      drawnPage(
        { ...own, turned: { columns: 2, rows: 1, places: [{ control: 'b', column: 1, row: 1, width: 2 }] } },
        (own.controls ?? []) as unknown as SurfaceControl[],
      ),
      true,
    )
    expect([laid.rows, laid.places.get('a'), laid.places.get('c')]).toMatchObject([3, { row: 2 }, { row: 3 }])
  })
  it('goes with a page that is deleted, and follows one that changes places', () => {
    const surface: Surface = { id: 's', name: 'S', pages: [own, { id: 'q', name: 'Q' }] }
    const [first, second] = seenTurned(surface, 0).pages ?? []
    expect(storedTurned(surface, 0, { ...surface, pages: second ? [second] : [] })?.pages).toEqual([second])
    const swapped = storedTurned(surface, 0, { ...surface, pages: first && second ? [second, first] : [] })
    expect(swapped?.pages?.[1]).toMatchObject({ id: own.id, columns: 4, turned: { columns: 2 } })
  })
})
