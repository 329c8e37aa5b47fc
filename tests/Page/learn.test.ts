import { describe, expect, it } from 'vitest'
import { likelyRange, spellMoved } from '@/kinds/learn'

const one = (moved: { argument: number; low: number; high: number }[], count = 3) => ({
  address: '/a',
  words: '/a 1',
  count,
  movedAt: 0,
  moved,
})

describe('learning', () => {
  it('says how far what moves moved, and which number moved most', () => {
    expect(spellMoved(one([{ argument: 1, low: 0.1, high: 0.9 }], 12))).toBe('moved 0.1 to 0.9, 12 times')
    expect(
      spellMoved(
        one([
          { argument: 1, low: 0, high: 0.1 },
          { argument: 3, low: 2, high: 90 },
        ]),
      ),
    ).toBe('argument 3 moved 2 to 90, 3 times')
    expect(spellMoved(one([{ argument: 1, low: 1, high: 1 }], 1))).toBe('came once')
    expect(spellMoved(one([]))).toBe('came 3 times')
  })
  it('guesses the range of a control by what it did', () => {
    expect(likelyRange(0.2, 0.9)).toEqual([0, 1])
    expect(likelyRange(-0.2, 0.9)).toEqual([-1, 1])
    expect(likelyRange(3, 99)).toEqual([0, 127])
    expect(likelyRange(3.5, 99)).toEqual([3.5, 99])
    expect(likelyRange(0, 400)).toEqual([0, 400])
  })
})
