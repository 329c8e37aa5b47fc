import { describe, expect, it } from 'vitest'
import { columnsFor, runBetween } from '@/universes/grid'
import { nextRaised, readSelection, runsOf, spellSelection, typedSelection } from '@/universes/selection'

describe('a selection', () => {
  it.each([
    ['20', [20], null],
    ['1-3', [1, 2, 3], null],
    ['1 – 3', [1, 2, 3], null],
    ['1 to 3', [1, 2, 3], null],
    ['1-3 + 20 @ 50 %', [1, 2, 3, 20], 127],
    ['20, 1-2 @128', [1, 2, 20], 128],
    ['5 + 5 @ 0', [5], 0],
    ['512 @ 100%', [512], 255],
  ])('"%s" is understood', (text, slots, level) => {
    expect(readSelection(text)).toEqual({ slots, level })
  })
  it.each([
    ['0', '0 is no run of slots: use 1 to 512, the lower one first.'],
    ['513', '513 is no run of slots: use 1 to 512, the lower one first.'],
    ['9-3', '9-3 is no run of slots: use 1 to 512, the lower one first.'],
    ['lamp', '"lamp" is no slot: use 1 to 512, or a run like 1-12.'],
    ['1 +', 'Give slots, like 1-12 + 20.'],
    ['1 @ 300', '"300" is no level.'],
    ['1 @ 120 %', '"120 %" is no level.'],
    ['1 @ 5 @ 6', 'Give one level, after one @.'],
  ])('"%s" is not, and it is said why', (text, why) => {
    expect(readSelection(text)).toBe(why)
  })
  it('is said back', () => {
    expect(spellSelection({ slots: [1, 2, 3, 20], level: 128 })).toBe('Slots 1–3, 20 (4 slots) at 128, 50 %')
    expect(spellSelection({ slots: [7], level: null })).toBe('Slot 7 (1 slot)')
  })
  it('comes back from how it is typed', () => {
    for (const slots of [[1], [1, 2, 3, 20], [5, 7, 9, 10, 511, 512]])
      expect(readSelection(typedSelection(slots))).toEqual({ slots, level: null })
    expect(runsOf([1, 2, 3, 20])).toEqual([
      [1, 3],
      [20, 20],
    ])
  })
})

describe('the grid', () => {
  it('has as many columns as fit', () => {
    expect([358, 700, 1349].map(columnsFor)).toEqual([8, 16, 32])
    for (const columns of [8, 16, 32]) expect(512 % columns).toBe(0)
  })
  it('draws runs either way', () => {
    expect([runBetween(3, 5), runBetween(5, 3), runBetween(4, 4)]).toEqual([[3, 4, 5], [3, 4, 5], [4]])
  })
  it('goes from one raised slot to the next, round and round', () => {
    const levels = new Uint8Array(512)
    levels[4] = levels[99] = 1
    expect([nextRaised(levels, 1, 1), nextRaised(levels, 5, 1), nextRaised(levels, 100, 1), nextRaised(levels, 5, -1)]).toEqual([
      5, 100, 5, 100,
    ])
    expect(nextRaised(new Uint8Array(512), 1, 1)).toBeUndefined()
  })
})
