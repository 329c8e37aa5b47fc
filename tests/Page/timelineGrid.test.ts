import { describe, expect, it } from 'vitest'
import { barMarks, barWords, gridOf, nearest, readBar } from '@/timeline/grid'
import { cutOut, withRoom } from '@/timeline/reshape'
import type { Timeline } from '@/timeline/parts'

/** Beats and bars of a tempo map, counted by hand. */
const song = gridOf(
  'seconds',
  [
    { at: 9, bpm: 60, bar: 3 },
    { at: 7, bpm: 120, bar: 4 },
  ],
  100,
  4,
)
const dance = gridOf(
  'beats',
  [
    { at: 0, bpm: 60 },
    { at: 4, bpm: 120 },
  ],
  100,
  4,
)

describe('a tempo map', () => {
  it('counts beats of a song from where its first tempo begins, and back before it', () => {
    expect([6, 7, 8, 9, 10].map(song.beatAt)).toEqual([-2, 0, 2, 4, 5])
    expect([-2, 2, 5].map(song.placeOf)).toEqual([6, 8, 10])
    expect([song.secondsAt(8), song.later(8, 3)]).toEqual([8, 11])
  })
  it('says how long beats of a timeline by beats take', () => {
    expect([2, 4, 6, 8].map(dance.secondsAt)).toEqual([2, 4, 5, 6])
    expect([dance.later(2, 3), dance.later(4, 1)]).toEqual([6, 6])
  })
  it('begins a bar where bars become shorter', () => {
    expect([7, 8, 9, 11.5, 12, 6].map((at) => barWords(song, at))).toEqual(['1.1', '1.3', '2.1', '2.3.5', '3.1', '0.3'])
  })
  it('reads bars as it says them', () => {
    for (const text of ['1.1', '1.3', '2.1', '3.2', '7.3']) expect(barWords(song, readBar(song, text) ?? -1)).toBe(text)
    expect([readBar(song, '2'), readBar(song, 'x'), readBar(song, '1:05')]).toEqual([9, null, null])
  })
  it('draws to its beats and bars, whatever the tempo is there', () => {
    expect([nearest(song, 7.3, 'beat'), nearest(song, 9.6, 'beat'), nearest(song, 8.2, 'bar'), nearest(song, 11.4, 'bar')]).toEqual([
      7.5, 10, 9, 12,
    ])
  })
  it('draws to the frames of its time code, by seconds and by beats', () => {
    const drop = gridOf('seconds', [], 120, 4, 30_000 / 1001)
    expect(nearest(drop, 10, 'frame')).toBeCloseTo((300 * 1001) / 30_000, 9)
    expect(nearest(gridOf('seconds', [], 120, 4, 24), 1.03, 'frame')).toBeCloseTo(25 / 24, 9)
    expect(nearest(gridOf('beats', [{ at: 0, bpm: 120 }], 90, 4), 1.05, 'frame')).toBeCloseTo(1.04, 9)
  })
  it('marks beats where there is room for them, bars otherwise, and never without end', () => {
    expect(barMarks(song, 7, 10, 0.5).map((one) => [one.at, one.text])).toEqual([
      [7, '1.1'],
      [7.5, '1.2'],
      [8, '1.3'],
      [8.5, '1.4'],
      [9, '2.1'],
      [10, '2.2'],
    ])
    expect(barMarks(dance, 0, 64, 7).map((one) => one.text)).toEqual(['1.1', '3.1', '5.1', '7.1', '9.1', '11.1', '13.1', '15.1', '17.1'])
    expect(barMarks(gridOf('beats', [], 120, 0.25), 0, 86_400, 0.1).length).toBeLessThanOrEqual(2000)
  })
})

describe('time that is cut out or made room for', () => {
  const timeline: Timeline = {
    id: 'song',
    name: 'Song',
    tracks: [],
    changes: [
      { at: 0, bpm: 100 },
      { at: 4, bpm: 110 },
      { at: 5, bpm: 120 },
      { at: 9, bpm: 130 },
    ],
  }
  const tempos = (one: Timeline) => one.changes?.map((change) => [change.at, change.bpm])
  it('takes tempos along, and keeps the one that counts behind the cut', () => {
    expect(tempos(cutOut(timeline, 3, 6))).toEqual([
      [0, 100],
      [3, 120],
      [6, 130],
    ])
    expect(tempos(cutOut(timeline, 3, 9))).toEqual([
      [0, 100],
      [3, 130],
    ])
    expect(tempos(withRoom(timeline, 4, 2))).toEqual([
      [0, 100],
      [6, 110],
      [7, 120],
      [11, 130],
    ])
  })
})
