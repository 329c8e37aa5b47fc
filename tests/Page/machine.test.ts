import { describe, expect, it } from 'vitest'
import { amount, houseTime, span } from '@/machine/machine'

describe('figures of the machine', () => {
  it('writes amounts in powers of ten', () => {
    expect([0, 999, 1000, 1_234_567, 99_940_000, 999_600, 5e9, 2.5e12].map(amount)).toEqual([
      '0 B',
      '999 B',
      '1.0 kB',
      '1.2 MB',
      '100 MB',
      '1.0 MB',
      '5.0 GB',
      '2.5 TB',
    ])
  })
  it('writes spans with two units at most', () => {
    expect([-3, 59, 60, 3599, 3600, 172_799, 172_800, 273_600].map(span)).toEqual([
      '0 s',
      '59 s',
      '1 min',
      '59 min',
      '1 h 0 min',
      '47 h 59 min',
      '2 d 0 h',
      '3 d 4 h',
    ])
  })
  it('tells times by the clock of the house, wherever the page is', () => {
    expect(houseTime('2026-11-27T22:05:17.123+09:00')).toBe('27 Nov 22:05:17')
    expect(houseTime('2026-01-02T03:04:05.000-03:30')).toBe('2 Jan 03:04:05')
    expect(houseTime('rubbish')).toBe('rubbish')
  })
})
