import { expect, test } from 'vitest'
import { momentWords, untilWords } from '@/timeline/timetable'

test('how long it is until something is said in its two larger units', () => {
  expect(untilWords(0.2)).toBe('0 s')
  expect(untilWords(59.6)).toBe('1 min')
  expect(untilWords(185)).toBe('3 min 5 s')
  expect(untilWords(7_200)).toBe('2 h')
  expect(untilWords(7_260)).toBe('2 h 1 min')
  expect(untilWords(3 * 86_400 + 59 * 60)).toBe('3 d')
  expect(untilWords(-5)).toBe('0 s')
})

test('a moment is said by the clock of the house, also over summer time', () => {
  expect(momentWords(Date.UTC(2026, 10, 27, 18, 30) / 1000, 'Europe/Berlin')).toBe('Fri 27 Nov, 19:30:00')
  expect(momentWords(Date.UTC(2026, 6, 1, 22, 0, 5) / 1000, 'Europe/Berlin')).toBe('Thu 2 Jul, 00:00:05')
})
