import { describe, expect, it } from 'vitest'
import { boxOf, drawnOver, moved, numbersOf, pairs, put, rounded, simplified, type Drawn } from '@/kinds/drawn'

describe('a curve that is drawn', () => {
  const line: Drawn = [
    [0, 0],
    [100, 50],
    [255, 255],
  ]

  it('is numbers in pairs, and back', () => {
    expect(pairs([0, 0, 100, 50, 255, 255])).toEqual(line)
    expect(numbersOf(line)).toEqual([0, 0, 100, 50, 255, 255])
    expect(pairs([1, 2, 3])).toEqual([[1, 2]])
    expect(boxOf(line)).toEqual({ left: 0, right: 255, low: 0, high: 255 })
    expect(boxOf([])).toEqual({ left: 0, right: 255, low: 0, high: 255 })
    expect([rounded(0.123456, 1), rounded(123.456, 255), rounded(-1234.6, 65535)]).toEqual([0.123, 123, -1235])
  })

  it('keeps its order: no point passes another, and the ends stay where they are', () => {
    const box = boxOf(line)
    expect(moved(line, 1, 400, 90, box)[1]).toEqual([255, 90])
    expect(moved(line, 1, -5, 900, box)[1]).toEqual([0, 255])
    expect(moved(line, 0, 80, 30, box)[0]).toEqual([0, 30])
    expect(put(line, 50, 9).map(([into]) => into)).toEqual([0, 50, 100, 255])
    expect(put(line, 100, 9)).toHaveLength(3)
  })

  it('of a stroke keeps what it looks like, in few points', () => {
    const stroke: Drawn = Array.from({ length: 101 }, (_, i) => [50 + i, i <= 50 ? i : 100 - i])
    expect(simplified(stroke, 0.5)).toEqual([
      [50, 0],
      [100, 50],
      [150, 0],
    ])
    const after = drawnOver(line, stroke, boxOf(line))
    expect(after).toEqual([
      [0, 0],
      [50, 0],
      [100, 50],
      [150, 0],
      [255, 255],
    ])
  })
})
