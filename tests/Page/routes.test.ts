import { describe, expect, it } from 'vitest'
import type { Route } from '@/api/show'
import { groupOf } from '@/routes/grouping'
import { partIn } from '@/routes/messages'

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
  it('groups by where it comes from and where it goes', () => {
    expect([groupOf(short, 'port'), groupOf(short, 'target'), groupOf(short, 'folder')]).toEqual(['slides', 'palm', ''])
    expect([groupOf(long, 'trigger'), groupOf(long, 'target'), groupOf(long, 'folder')]).toEqual(['note-on', 'lantern', 'Talk'])
  })
  it('reads a part from an address of the page, and nothing from nonsense', () => {
    expect(partIn('{"kind":"osc"}')).toEqual({ kind: 'osc' })
    for (const text of ['{', '7', '{}', undefined, ['x']]) expect(partIn(text)).toBeNull()
  })
})
