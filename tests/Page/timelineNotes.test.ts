import { expect, test } from 'vitest'
import { pitchAt, pitchesOf } from '@/timeline/drawNotes'
import { behindItsEnd, endsOf, pasted, pitched, withMoment } from '@/timeline/edit'
import type { Timeline } from '@/timeline/parts'

const song: Timeline = {
  id: 'song',
  name: 'Song',
  length: 4,
  tracks: [
    { id: 'keys', name: 'Keys', does: { kind: 'notes', notes: [{ id: 'a', at: 1, note: 60, velocity: 100, long: 2 }] } },
    {
      id: 'marks',
      name: 'Marks',
      early: 1,
      does: {
        kind: 'triggers',
        triggers: [
          { id: 'm', at: 4.5 },
          { id: 'n', at: 6 },
        ],
      },
    },
    { id: 'shut', name: 'Shut', locked: true, does: { kind: 'notes', notes: [{ id: 'a', at: 1, note: 60 }] } },
  ],
}

test('a note is set down, goes up and down as far as there are notes, and is copied', () => {
  const done = withMoment(song, 'keys', 2, { note: 40, long: 0.1 })
  expect(done?.item.id).toBe('note')
  expect(withMoment(song, 'shut', 2, { note: 40 })).toBeNull()
  expect(withMoment(song, 'marks', 2, { note: 40 })).toBeNull()
  const up = pitched(
    song,
    [
      { track: 'keys', id: 'a' },
      { track: 'shut', id: 'a' },
    ],
    100,
  )
  expect(up.tracks?.map((one) => (one.does.kind === 'notes' ? one.does.notes?.[0]?.note : null))).toEqual([127, null, 60])
  const copied = pasted(song, song, [{ track: 'keys', id: 'a' }], 3)
  const keys = copied.timeline.tracks?.[0]?.does
  expect(keys?.kind === 'notes' ? keys.notes?.map((one) => [one.at, one.note, one.long]) : null).toEqual([
    [1, 60, 2],
    [3, 60, 2],
  ])
})

test('a timeline ends with the last sound, and says what never comes', () => {
  expect(endsOf({ ...song, length: 0 })).toBe(6)
  expect(endsOf({ ...song, length: 0, tracks: song.tracks?.slice(0, 1) ?? [] })).toBe(3)
  expect(behindItsEnd(song)).toBe(1)
})

test('a row shows an octave at least, and tells pitches by their height', () => {
  const [keys] = song.tracks ?? []
  if (!keys) throw new Error('no track')
  const [low, high] = pitchesOf(keys)
  expect(high - low).toBeGreaterThanOrEqual(12)
  expect(low < 60 && high > 60).toBe(true)
  expect(pitchAt(keys, 0, 0)).toBe(high)
  expect(pitchAt(keys, 63, 0)).toBe(low)
})

test('a clip is set down, is as long as it says, and is copied to no other kind of track', () => {
  const clips: Timeline = {
    ...song,
    length: 0,
    tracks: [{ id: 'c', name: 'C', does: { kind: 'clips' } }, ...(song.tracks ?? [])],
  }
  const done = withMoment(clips, 'c', 5)
  expect(done?.item.id).toBe('clip')
  expect(endsOf(done?.timeline ?? clips)).toBe(9)
  const copied = pasted(done?.timeline ?? clips, done?.timeline ?? clips, [{ track: 'c', id: 'clip' }], 20)
  expect(copied.items).toEqual([{ track: 'c', id: 'clip-2' }])
  expect(withMoment(clips, 'keys', 1, { id: 'clip', long: 4 })).toBeNull()
})
