import { describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Control, Page, Surface } from '@/api/showDocument'
import type { SurfaceControl, SurfacePage } from '@/live/messages'
import { asHex, hueOf } from '@/surface/colour'
import { keyed, useHand, type TakeOver } from '@/surface/hand'
import { layOut } from '@/surface/layout'
import { wordsOn, writesValue } from '@/surface/traits'
import { added, aligned, areFree, copied, freeId, freePlace, shifted, smallest, without } from '@/surfaces/build'

const control = (id: string, column: number, row: number, width = 1, height = 1): Control => ({
  id,
  name: id,
  does: { kind: 'button' },
  column,
  row,
  width,
  height,
})
const page = (...controls: Control[]): Page => ({ id: 'p', name: 'Page', columns: 4, rows: 3, controls })
const surface = (one: Page): Surface => ({ id: 's', name: 'Surface', pages: [one] })
const places = (one: Page | null | undefined) =>
  (one?.controls ?? []).map((c) => [c.id, c.column, c.row, c.width, c.height].join(' '))

describe('building a page', () => {
  it('puts a new control at the first place with room, smaller where there is none for all of it, and says when it is full', () => {
    const first = added(surface(page(control('a', 1, 1, 3, 1))), 0, 'fader', 'Fader', {})
    expect(places(first?.surface.pages?.[0])).toEqual(['a 1 1 3 1', 'fader 4 1 1 3'])
    const second = added(first?.surface ?? surface(page()), 0, 'pad', 'Pad', {})
    expect(second?.id).toBe('pad')
    expect(places(second?.surface.pages?.[0]).at(-1)).toBe('pad 1 2 1 1')
    expect(added(surface(page(control('a', 1, 1, 4, 3))), 0, 'button', 'Button', {})).toBeNull()
  })
  it('drops one where the finger let it go, if there is room', () => {
    const there = surface(page(control('a', 1, 1)))
    expect(places(added(there, 0, 'fader', 'Fader', {}, { column: 2, row: 3 })?.surface.pages?.[0]).at(-1)).toBe('fader 2 3 1 1')
    expect(added(there, 0, 'fader', 'Fader', {}, { column: 1, row: 1 })).toBeNull()
  })
  it('moves and sizes what is selected together, and not onto others or over the edge', () => {
    const before = page(control('a', 1, 1), control('b', 2, 1), control('c', 4, 1))
    expect(places(shifted(before, new Set(['a', 'b']), { column: 1 }))).toEqual(['a 2 1 1 1', 'b 3 1 1 1', 'c 4 1 1 1'])
    expect(shifted(before, new Set(['a', 'b']), { column: 2 })).toBeNull()
    expect(shifted(before, new Set(['a']), { row: -1 })).toBeNull()
    expect(places(shifted(before, new Set(['b']), { width: 1, height: 2 }))?.[1]).toBe('b 2 1 2 3')
    expect(shifted(before, new Set(['b']), { width: -1 })).toBeNull()
  })
  it('aligns to the first that is selected', () => {
    const before = page(control('a', 2, 1), control('b', 3, 2), control('c', 4, 3))
    expect(places(aligned(before, new Set(['a', 'b', 'c']), 'left'))).toEqual(['a 2 1 1 1', 'b 2 2 1 1', 'c 2 3 1 1'])
    expect(places(aligned(before, new Set(['b', 'c']), 'top'))).toEqual(['a 2 1 1 1', 'b 3 2 1 1', 'c 4 2 1 1'])
    expect(aligned(page(control('a', 1, 1), control('b', 1, 2)), new Set(['a', 'b']), 'top')).toBeNull()
  })
  it('copies with ids and places of their own, as many as there is room for', () => {
    const done = copied(surface(page(control('a', 1, 1, 4, 1))), 0, [
      control('a', 1, 1, 4, 1),
      control('a', 1, 1, 4, 1),
      control('a', 1, 1, 4, 1),
    ])
    expect(done.ids).toEqual(['a-2', 'a-3'])
    expect(done.left).toBe(1)
    expect(freeId(done.surface, 'A')).toBe('a-4')
    expect(freePlace(done.surface.pages?.[0] ?? page(), 1, 1)).toBeNull()
  })
  it('knows how small a grid may become, and takes out what is removed', () => {
    const before = page(control('a', 1, 1), control('b', 3, 2, 1, 2))
    expect(smallest(before)).toEqual({ columns: 3, rows: 3 })
    expect(smallest(without(before, new Set(['b'])))).toEqual({ columns: 1, rows: 1 })
    expect(areFree(before, [{ column: 3, row: 1, width: 1, height: 2 }], new Set())).toBe(false)
  })
})

describe('a page on a screen', () => {
  const drawn = (id: string, column: number, row: number, width = 1, height = 1) =>
    ({ id, column, row, width, height }) as SurfaceControl
  const built: SurfacePage = {
    id: 'p',
    name: 'Page',
    columns: 6,
    rows: 3,
    flows: true,
    turned: null,
    controls: [drawn('title', 1, 1, 6), drawn('left', 1, 2, 2, 2), drawn('right', 5, 2, 2, 1), drawn('low', 5, 3, 2, 1)],
  }
  it('stands as it was built where the orientation is the same, or where it does not flow', () => {
    expect(layOut(built, false).places.get('right')).toEqual({ column: 5, row: 2, width: 2, height: 1 })
    expect(layOut({ ...built, flows: false }, true).columns).toBe(6)
  })
  it('follows in the order in which it is read in the other one, and nothing lies on anything', () => {
    const laid = layOut(built, true)
    expect(laid.columns).toBe(3)
    expect(laid.places.get('title')).toEqual({ column: 1, row: 1, width: 3, height: 1 })
    const taken = new Set<string>()
    for (const [id, place] of laid.places) {
      const { column, row, width, height } = place
      expect(column + width - 1).toBeLessThanOrEqual(3)
      expect(row + height - 1).toBeLessThanOrEqual(laid.rows)
      for (let x = column; x < column + width; x++)
        for (let y = row; y < row + height; y++) {
          expect(taken.has(`${x} ${y}`), id).toBe(false)
          taken.add(`${x} ${y}`)
        }
    }
  })
})

describe('a hand on a fader', () => {
  function hand(takeOver: TakeOver, live = 0.5) {
    const sent: number[] = []
    const scope = effectScope()
    const at = { value: live }
    const one = scope.run(() =>
      useHand(
        () => at.value,
        (share) => sent.push(Math.round(share * 1000) / 1000),
        () => takeOver,
      ),
    ) as ReturnType<typeof useHand>
    return { one, sent, at, end: () => scope.stop() }
  }
  it('is jumped to', () => {
    const { one, sent, end } = hand('jump')
    one.grab(0.9)
    one.drag(0.8)
    expect(sent).toEqual([0.9, 0.8])
    end()
  })
  it('waits until the finger meets the value', () => {
    const { one, sent, end } = hand('pick-up')
    one.grab(0.9)
    one.drag(0.7)
    expect(sent).toEqual([])
    expect(one.shown.value).toBe(0.5)
    one.drag(0.45)
    one.drag(0.6)
    expect(sent).toEqual([0.45, 0.6])
    end()
  })
  it('goes along without a jump, and reaches both ends', () => {
    const { one, sent, end } = hand('scaled', 0.2)
    one.grab(0.6)
    one.drag(0.6)
    one.drag(0.8)
    one.drag(1)
    one.drag(0.3)
    one.drag(0)
    expect(sent).toEqual([0.2, 0.6, 1, 0.1, 0])
    end()
  })
  it('is right at once while it touches, and the engine is right afterwards', () => {
    vi.useFakeTimers()
    const { one, at, end } = hand('jump')
    one.grab(0.9)
    at.value = 0.3
    one.heard()
    expect(one.shown.value).toBe(0.9)
    one.letGo()
    expect(one.shown.value).toBe(0.9)
    vi.advanceTimersByTime(500)
    expect(one.shown.value).toBe(0.3)
    end()
    vi.useRealTimers()
  })
  it('is moved by keys', () => {
    expect(keyed('ArrowUp')).toEqual({ by: 0.01 })
    expect(keyed('ArrowUp', true)).toEqual({ by: 0.001 })
    expect(keyed('End')).toEqual({ to: 1 })
    expect(keyed('a')).toBeNull()
  })
})

describe('a colour', () => {
  it('is known in six places, and comes back as it went', () => {
    expect([0, 1 / 6, 2 / 6, 3 / 6, 4 / 6, 5 / 6].map((hue) => asHex(hue, 1))).toEqual([
      '#ff0000',
      '#ffff00',
      '#00ff00',
      '#00ffff',
      '#0000ff',
      '#ff00ff',
    ])
    expect(asHex(0.3, 0)).toBe('#ffffff')
    for (let hue = 0; hue < 1; hue += 0.0371)
      for (const saturation of [0.2, 0.5, 1]) {
        const back = hueOf(asHex(hue, saturation))
        expect(Math.min(Math.abs(back.hue - hue), 1 - Math.abs(back.hue - hue))).toBeLessThan(0.01)
        expect(back.saturation).toBeCloseTo(saturation, 1)
      }
  })
})

describe('what stands on a control', () => {
  const labelled = (text: string) => ({ name: 'Fern', text, showsValue: true }) as SurfaceControl
  it('is its name, or its text with the value in it, which is then not written twice', () => {
    expect(wordsOn(labelled(''), { text: '40 %', called: '' })).toBe('Fern')
    expect(wordsOn(labelled('Ferns at {value}'), { text: '40 %', called: '' })).toBe('Ferns at 40 %')
    expect(wordsOn(labelled('{name}: {value}'), { text: '40 %', called: 'Moss' })).toBe('Moss: 40 %')
    expect(writesValue(labelled('Ferns at {value}'))).toBe(false)
    expect(writesValue(labelled(''))).toBe(true)
  })
})
