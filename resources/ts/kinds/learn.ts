import type { LearnCandidate, LearnWay } from '@/live/messages'

/** What was picked: the number that moved most, and how far. */
export interface Learned {
  port: string
  address: string
  argument: number
  low: number
  high: number
  /** What a route may wait for, the usual way first. */
  ways: LearnWay[]
}

/** What was picked of a candidate: its number that moved most. */
export function learnedOf(port: string, one: LearnCandidate): Learned {
  const moved = one.moved.find((number) => number.argument === one.argument)
  return {
    port,
    address: one.address,
    argument: one.argument,
    low: moved?.low ?? 0,
    high: moved?.high ?? 1,
    ways: one.ways,
  }
}

const spell = (value: number) => String(Math.round(value * 1000) / 1000)

/** "moved 0.1 to 0.9, 12 times"; what never moved says that it came. */
export function spellMoved(one: LearnCandidate): string {
  const times = one.count === 1 ? 'once' : `${one.count} times`
  const most = one.moved.find((number) => number.argument === one.argument) ?? one.moved[0]
  if (!most || most.high === most.low) return `came ${times}`
  const which = one.moved.length > 1 ? `argument ${most.argument} ` : ''
  return `${which}moved ${spell(most.low)} to ${spell(most.high)}, ${times}`
}

/** The range that a control most likely has, by what it did: 0 to 1, 0 to 127, or just what was seen. */
export function likelyRange(low: number, high: number): [number, number] {
  if (low >= 0 && high <= 1) return [0, 1]
  if (low >= -1 && high <= 1) return [-1, 1]
  if (Number.isInteger(low) && Number.isInteger(high) && low >= 0 && high <= 127) return [0, 127]
  return [low, high]
}
