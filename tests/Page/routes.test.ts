import { describe, expect, it } from 'vitest'
import type { Route } from '@/api/show'
import { groupOf } from '@/routes/grouping'
import { partIn, triggersOf, waitAlike } from '@/routes/messages'

const short = {
  id: 'a',
  name: 'A',
  from: { kind: 'message', port: 'slides', address: '/note/1/49' },
  to: { kind: 'slot', universe: 'palm', slot: 9 },
} as Route
const long = {
  id: 'b',
  name: 'B',
  folder: 'Talk',
  when: { kind: 'note-on', port: 'slides', note: 49 },
  do: [{ kind: 'set', point: 'fixture:lantern/level' }],
} as unknown as Route

describe('routes', () => {
  it('finds who waits for the same control, in whatever form', () => {
    const [one] = triggersOf(short)
    const [other] = triggersOf(long)
    expect(one).toMatchObject({ kind: 'note', port: 'slides', channel: 1, note: 49 })
    expect(one && other && waitAlike(one, other)).toBe(true)
    expect(waitAlike({ kind: 'note', port: 'p', note: 49, channel: 1 }, { kind: 'note', port: 'p', note: 49, channel: 2 })).toBe(
      false,
    )
    expect(waitAlike({ kind: 'note', port: 'p', note: 49 }, { kind: 'note', port: 'q', note: 49 })).toBe(false)
    expect(waitAlike({ kind: 'clock', port: 'p' }, { kind: 'clock', port: 'p' })).toBe(false)
    expect(triggersOf({ ...short, from: short.to, to: short.from } as Route)).toEqual([])
  })
  it('groups by where it comes from and where it goes', () => {
    expect([groupOf(short, 'port'), groupOf(short, 'target'), groupOf(short, 'folder')]).toEqual(['slides', 'palm', ''])
    expect([groupOf(long, 'trigger'), groupOf(long, 'target'), groupOf(long, 'folder')]).toEqual(['note-on', 'lantern', 'Talk'])
  })
  it('reads a part from an address of the page, and nothing from nonsense', () => {
    expect(partIn('{"kind":"osc"}')).toEqual({ kind: 'osc' })
    for (const text of ['{', '7', '{}', undefined, ['x']]) expect(partIn(text)).toBeNull()
  })
})
