import { expect, test } from 'vitest'
import type { Timeline } from '@/timeline/parts'
import { cutOut, mapped, pastedOnto, spanOf, stretched, withRoom } from '@/timeline/reshape'
import { asText, fromText, peaksOf } from '@/timeline/sound'

const song: Timeline = {
  id: 'song',
  name: 'Song',
  length: 20,
  markers: [{ id: 'v', at: 12, name: 'Verse' }],
  tracks: [
    {
      id: 'm',
      name: 'M',
      does: {
        kind: 'triggers',
        triggers: [
          { id: 'a', at: 2 },
          { id: 'b', at: 6 },
          { id: 'c', at: 10 },
        ],
      },
    },
    {
      id: 'l',
      name: 'L',
      does: {
        kind: 'levels',
        point: 'look:a',
        knots: [
          { at: 4, value: 0 },
          { at: 8, value: 50 },
        ],
      },
    },
    { id: 'n', name: 'N', does: { kind: 'notes', notes: [{ id: 'x', at: 6, note: 60, long: 2 }] } },
    { id: 's', name: 'S', locked: true, does: { kind: 'triggers', triggers: [{ id: 'a', at: 7 }] } },
    { id: 'w', name: 'W', does: { kind: 'sound', file: 'song.wav', seconds: 20 } },
  ],
}
const times = (timeline: Timeline | null) =>
  (timeline?.tracks ?? []).map((one) => {
    if (one.does.kind === 'levels') return (one.does.knots ?? []).map((two) => two.at)
    if (one.does.kind === 'notes') return (one.does.notes ?? []).map((two) => two.at)
    return one.does.kind === 'triggers' ? (one.does.triggers ?? []).map((two) => two.at) : []
  })
const all = [
  { track: 'm', id: 'b' },
  { track: 'm', id: 'c' },
  { track: 'n', id: 'x' },
]

test('what is chosen is stretched from its first on, and nothing else', () => {
  expect(spanOf(song, all)).toEqual([6, 10])
  expect(times(stretched(song, all, 2))).toEqual([[2, 6, 14], [4, 8], [6], [7], []])
  const notes = stretched(song, all, 0.5)?.tracks?.[2]?.does
  expect(notes?.kind === 'notes' ? notes.notes?.[0]?.long : 0).toBe(1)
  expect(stretched(song, [{ track: 'm', id: 'a' }], 2)).toBeNull()
  expect(stretched(song, all, 0)).toBeNull()
})

test('a time is cut out of every track that is not locked, and room is made', () => {
  const cut = cutOut(song, 5, 9)
  expect(times(cut)).toEqual([[2, 6], [4], [], [7], []])
  expect([cut.length, cut.markers?.[0]?.at]).toEqual([16, 8])
  const room = withRoom(song, 6, 3)
  expect(times(room)).toEqual([[2, 9, 13], [4, 11], [9], [7], []])
  expect([room.length, room.markers?.[0]?.at]).toEqual([23, 15])
  expect(room.tracks?.[4]).toEqual(song.tracks?.[4])
})

test('a level on another parameter is as far up as it was, and jumps where that has steps', () => {
  const from = { range: [0, 100] as [number, number], steps: [] }
  expect(mapped({ at: 1, value: 25, to: 'smooth' }, from, { range: [-180, 180], steps: [] })).toEqual({
    at: 1,
    value: -90,
    to: 'smooth',
  })
  const wheel = {
    range: [0, 255] as [number, number],
    steps: [
      [0, 20],
      [100, 140],
      [200, 255],
    ] as [number, number][],
  }
  expect(mapped({ at: 1, value: 60 }, from, wheel)).toEqual({ at: 1, value: 120, to: 'step' })
  const done = pastedOnto(
    song,
    song,
    [
      { track: 'l', id: '0' },
      { track: 'l', id: '1' },
    ],
    10,
    'l',
    (knot) => ({ ...knot, value: 7 }),
  )
  expect(times(done?.timeline ?? null)[1]).toEqual([4, 8, 10, 14])
  expect(pastedOnto(song, song, [{ track: 'l', id: '0' }], 10, 'm', (knot) => knot)).toBeNull()
})

test('a sound is as loud as its loudest channel, and is kept as text', () => {
  const left = Float32Array.from({ length: 200 }, (_, i) => (i < 100 ? 0.5 : 0))
  const right = Float32Array.from({ length: 200 }, (_, i) => (i < 100 ? 0 : -1))
  const peaks = peaksOf([left, right], 2000)
  expect([...peaks]).toEqual([128, 255])
  expect([...fromText(asText(peaks))]).toEqual([128, 255])
  expect([...fromText('no base64 at all!')]).toEqual([])
  expect(peaksOf([], 44100)).toHaveLength(0)
})
