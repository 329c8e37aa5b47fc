import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { atMoment, clock, everything, fits, momentOf, useKept } from '@/frame/trace'
import type { TraceEvent } from '@/live/types'

const event = (serial: number, over: Partial<TraceEvent> = {}): TraceEvent => ({
  serial,
  kind: 'message',
  port: 'tablet',
  title: '/palm/lantern 0.5',
  count: 1,
  happenedAt: 0,
  at: new Date(2026, 10, 26, 20, 15, 3, 42).getTime(),
  hops: [
    { step: 'heard', words: 'Tablet heard 24 bytes', bytes: '2f70616c6d', length: 5, route: null, relax: null },
    { step: 'matched', words: 'the lantern takes it', bytes: '', length: 0, route: 'lantern', relax: null },
  ],
  ...over,
})
const only = (over: Partial<ReturnType<typeof everything>>) => ({ ...everything(), ...over })

describe('the trace', () => {
  it('is searched by words, time and bytes', () => {
    for (const text of ['LANTERN palm', 'takes', '20:15:03.042', '2f7061', '2F 70 61', ''])
      expect(fits(event(1), only({ text })), text).toBe(true)
    for (const text of ['balcony', 'lantern balcony', '2f 71']) expect(fits(event(1), only({ text })), text).toBe(false)
  })
  it('is filtered by kind, port and route', () => {
    expect(fits(event(1), only({ kind: 'message', port: 'tablet', route: 'lantern' }))).toBe(true)
    expect(fits(event(1), only({ kind: 'refused' }))).toBe(false)
    expect(fits(event(1), only({ port: 'desk' }))).toBe(false)
    expect(fits(event(1), only({ route: 'doors' }))).toBe(false)
  })
  it('says the time to the millisecond', () => {
    expect(clock(event(1).at)).toBe('20:15:03.042')
  })
  it('finds the moment of a link, or says that it is gone', () => {
    const events = [event(9), event(8), event(7)]
    expect(atMoment(events, 1234.6, momentOf(1234.6, 8))).toEqual({ serial: 8, isGone: false })
    expect(atMoment(events, 1234.6, momentOf(1234.6, 3))).toEqual({ serial: 7, isGone: true })
    expect(atMoment(events, 99, momentOf(1234.6, 8))).toEqual({ serial: 7, isGone: true })
    expect(atMoment([], 99, 'nonsense')).toEqual({ serial: null, isGone: true })
  })
})

describe('kept events', () => {
  beforeEach(() => localStorage.setItem('kept events', '[]'))
  it('outlast the page, and are let go of', async () => {
    const first = useKept()
    first.turn(event(4), 10)
    await nextTick()
    const again = useKept()
    expect(again.kept.value.map((one) => [one.run, one.serial])).toEqual([[10, 4]])
    expect(again.isKept(event(4), 10)).toBe(true)
    expect(again.isKept(event(4), 11)).toBe(false)
    again.turn(event(4), 10)
    expect(again.kept.value).toEqual([])
  })
  it('are bounded, and say so', () => {
    const all = useKept()
    for (let i = 0; i <= all.MOST; ++i) all.turn(event(i), 1)
    expect(all.kept.value.length).toBe(all.MOST)
    expect(all.full.value).toBe(true)
  })
  it('begin anew where what is stored cannot be read', () => {
    localStorage.setItem('kept events', '{broken')
    expect(useKept().kept.value).toEqual([])
  })
})
