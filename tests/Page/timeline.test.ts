import { describe, expect, it } from 'vitest'
import type { Timeline } from '@/api/showTimelines'
import {
  changed,
  endsOf,
  itemsOf,
  MARKERS,
  moved,
  partOf,
  pasted,
  withKnot,
  withMarker,
  withMoment,
  withNewTrack,
  without,
} from '@/timeline/edit'
import { shareOf, sorted, valueAt } from '@/timeline/line'
import { barWords, gridOf } from '@/timeline/grid'
import { atOf, fitted, followed, readTime, ruler, snapped, timeWords, xOf, zoomed } from '@/timeline/view'

const song = (): Timeline => ({
  id: 'song',
  name: 'Song',
  tracks: [
    {
      id: 'marks',
      name: 'Marks',
      does: {
        kind: 'triggers',
        triggers: [
          { id: 'mark', at: 2, name: 'Doors' },
          { id: 'mark-2', at: 1 },
        ],
      },
    },
    {
      id: 'line',
      name: 'Line',
      does: {
        kind: 'levels',
        point: 'look:doors',
        knots: [
          { at: 0.5, value: 0 },
          { at: 3, value: 90, to: 'smooth' },
        ],
      },
    },
    { id: 'kept', name: 'Kept', locked: true, does: { kind: 'triggers', triggers: [{ id: 'a', at: 1 }] } },
  ],
})
const ats = (timeline: Timeline, track: string) => itemsOf(timeline, track).map((one) => `${one.item.id} ${one.at}`)

describe('what is on a timeline', () => {
  it('stands in the order of time, whatever the order in the document', () => {
    expect(ats(song(), 'marks')).toEqual(['mark-2 1', 'mark 2'])
    expect(itemsOf(song(), 'line').map((one) => one.name)).toEqual(['point at 0', 'point at 90'])
    expect(endsOf(song())).toBe(3)
    expect(endsOf({ ...song(), length: 9 })).toBe(9)
    expect(endsOf({ id: 'x', name: 'X' })).toBe(0)
  })
  it('is moved together, and never before the beginning, within its range, and not on a locked track', () => {
    const items = [
      { track: 'marks', id: 'mark-2' },
      { track: 'line', id: '1' },
      { track: 'kept', id: 'a' },
    ]
    const later = moved(song(), items, 1.5, 30, [0, 100])
    expect([ats(later, 'marks'), ats(later, 'line'), ats(later, 'kept')]).toEqual([
      ['mark 2', 'mark-2 2.5'],
      ['0 0.5', '1 4.5'],
      ['a 1'],
    ])
    expect(partOf(later, { track: 'line', id: '1' })).toMatchObject({ value: 100, to: 'smooth' })
    expect(ats(moved(song(), items, -5), 'marks')).toEqual(['mark-2 0', 'mark 2'])
  })
  it('is set down with an id of its own', () => {
    const more = withMoment(song(), 'marks', 4)
    expect([more?.item.id, more && ats(more.timeline, 'marks').at(-1)]).toEqual(['mark-3', 'mark-3 4'])
    expect(withMoment(song(), 'kept', 4)).toBeNull()
    expect(withMoment(song(), 'line', 4)).toBeNull()
    const point = withKnot(song(), 'line', 0.5, 40)
    expect(point && partOf(point.timeline, point.item)).toMatchObject({ at: 0.5, value: 40 })
    expect(point && itemsOf(point.timeline, 'line')).toHaveLength(2)
    const marked = withMarker(withMarker(song(), 1, true).timeline, 2, true)
    expect(itemsOf(marked.timeline, MARKERS).map((one) => one.name)).toEqual(['Section 1', 'Section 2'])
    expect(withNewTrack(song(), 'levels', 'Fern', 'master:ferns').timeline.tracks?.at(-1)).toEqual({
      id: 'level',
      name: 'Fern',
      does: { kind: 'levels', point: 'master:ferns' },
    })
  })
  it('is taken away, changed, and copied with its distances', () => {
    const both = [
      { track: 'marks', id: 'mark' },
      { track: 'line', id: '0' },
    ]
    const less = without(song(), [...both, { track: 'kept', id: 'a' }])
    expect([ats(less, 'marks'), ats(less, 'line'), ats(less, 'kept')]).toEqual([['mark-2 1'], ['0 3'], ['a 1']])
    const one = { track: 'marks', id: 'mark' }
    const other = changed(song(), one, { id: 'x', at: 2, name: 'Dusk' })
    expect(partOf(other, one)).toEqual({ id: 'mark', at: 2, name: 'Dusk' })
    const twice = pasted(song(), song(), both, 10)
    expect(ats(twice.timeline, 'marks').at(-1)).toBe('mark-3 11.5')
    expect(partOf(twice.timeline, { track: 'marks', id: 'mark-3' })).toMatchObject({ name: 'Doors' })
    expect(ats(twice.timeline, 'line')).toEqual(['0 0.5', '1 3', '2 10'])
  })
})

describe('a line', () => {
  it('goes as the engine goes', () => {
    // The same figures as in LongTimelineTest.
    const knots = sorted([
      { at: 4, value: 0 },
      { at: 0, value: 10, to: 'step' },
      { at: 1, value: 20 },
      { at: 2, value: 40, to: 'smooth' },
      { at: 3, value: 0, to: 'bent', bend: -1 },
    ])
    expect(valueAt(knots, -0.001)).toBeNull()
    expect([0, 0.99, 1, 1.5, 2, 2.25, 2.5, 3, 9].map((at) => valueAt(knots, at))).toEqual([10, 10, 20, 30, 40, 33.75, 20, 0, 0])
    expect(shareOf('bent', 0.5, -1)).toBeCloseTo(0.1, 5)
    expect(shareOf('bent', 0.5, 1)).toBeCloseTo(0.9, 5)
  })
})

describe('what is seen of it', () => {
  it('is found at the same place both ways, and zooms around a place', () => {
    const view = { from: 10, scale: 50 }
    expect(atOf(view, xOf(view, 12.5))).toBeCloseTo(12.5)
    const closer = zoomed(view, 2, 100)
    expect(atOf(closer, 100)).toBeCloseTo(atOf(view, 100))
    expect(zoomed({ from: 0, scale: 50 }, 0.5, 400).from).toBe(0)
    expect(xOf(fitted(60, 624), 60)).toBeCloseTo(600)
  })
  it('is turned over where the place that is played goes out of sight', () => {
    const view = { from: 0, scale: 10 }
    expect(followed(view, 20, 300)).toBe(view)
    expect(followed(view, 27, 300).from).toBe(23)
    expect(followed({ from: 50, scale: 10 }, 3, 300).from).toBe(0)
  })
  it('has a ruler whose marks are never too near', () => {
    for (const scale of [0.05, 1, 7, 33, 400]) {
      const marks = ruler({ from: 3, scale }, 900, 'time')
      expect(marks.length).toBeLessThan(15)
      expect(marks.every((one) => one.x >= 0 && one.x <= 900)).toBe(true)
    }
    expect(ruler({ from: 0, scale: 20 }, 400, gridOf('beats', [], 120, 4)).map((one) => one.text)).toEqual([
      '1.1',
      '2.1',
      '3.1',
      '4.1',
      '5.1',
      '6.1',
    ])
  })
  it('says times as people read them, and reads them', () => {
    expect([timeWords(7.25), timeWords(65, 1), timeWords(3723, 0), timeWords(59.999)]).toEqual([
      '7.25',
      '1:05.0',
      '1:02:03',
      '1:00.00',
    ])
    expect(barWords(gridOf('beats', [], 120, 4), 9)).toBe('3.2')
    expect(['7', '1:05.5', '1:02:03', 'x', '1:-2', ''].map(readTime)).toEqual([7, 65.5, 3723, null, null, null])
  })
  it('is drawn to seconds, frames, beats and bars', () => {
    const seconds = gridOf('seconds', [], 120, 4)
    expect(snapped(1.26, 'tenth', seconds)).toBe(1.3)
    expect(snapped(1.27, 'frame', seconds)).toBe(1.28)
    expect(snapped(1.3, 'beat', seconds)).toBe(1.5)
    expect(snapped(3.1, 'bar', seconds)).toBe(4)
    expect(snapped(3.1, 'bar', gridOf('beats', [], 120, 4))).toBe(4)
    expect(snapped(1.23456, 'off', seconds)).toBe(1.235)
    expect(snapped(-4, 'second', seconds)).toBe(0)
  })
})
