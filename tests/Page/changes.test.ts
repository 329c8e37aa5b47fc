import { describe, expect, it } from 'vitest'
import { listAfter, pageAfter, type Changes } from '@/api/changes'
import type { ShowPageData } from '@/api/show'
import { spelled, withValue } from '@/kinds/conflicts'

const list = (...ids: string[]) => ids.map((id) => ({ id, name: id }))
const ids = (parts: readonly { id: string }[]) => parts.map((one) => one.id).join(' ')

describe('a list', () => {
  it.each([
    ['a part is otherwise', { b: { part: { id: 'b', name: 'B' } } }, 'a b c'],
    ['a part is gone', { b: { part: null } }, 'a c'],
    ['a part is new at the end', { d: { part: { id: 'd' }, before: null } }, 'a b c d'],
    ['a part is new before another', { d: { part: { id: 'd' }, before: 'b' } }, 'a d b c'],
    ['a part has moved', { c: { part: { id: 'c' }, before: 'a' } }, 'c a b'],
    [
      'two are new, one before the other',
      { '1': { part: { id: '1' }, before: '2' }, '2': { part: { id: '2' }, before: 'b' } },
      'a 1 2 b c',
    ],
    ['what it stood before is gone meanwhile', { d: { part: { id: 'd' }, before: 'nowhere' } }, 'a b c d'],
  ])('where %s', (_what, changes, after) => {
    expect(ids(listAfter(list('a', 'b', 'c'), changes))).toBe(after)
  })
})

const page = {
  document: {
    format: 'nimble-junction/show',
    version: 2,
    name: 'Old',
    ports: list('desk', 'node'),
    routes: list('doors'),
    universes: list('palm'),
  },
  sentences: { doors: 'When the desk …' },
  routeEnds: {},
  places: { desk: 'here', node: 'there' },
  unsent: { node: ['Palm'] },
  numbering: { palm: ['1'] },
  nextFree: { palm: 1 },
  patch: [
    { id: 'b', universe: 'palm', first: 9 },
    { id: 'c', universe: 'pond', first: 1 },
  ],
  adapters: [{ name: 'lo' }],
  revision: 3,
  undo: null,
  undoBy: null,
  redo: null,
  redoBy: null,
} as unknown as ShowPageData

describe('a page', () => {
  const news = {
    base: 3,
    revision: 4,
    changes: {
      settings: { name: 'New' },
      parts: { ports: { desk: { part: null }, node: { part: { id: 'node', name: 'Node' } } } },
    },
    sentences: { doors: 'When nobody …' },
    routeEnds: {},
    places: { node: 'elsewhere' },
    unsent: {},
    numbering: { palm: ['2'] },
    nextFree: { palm: 5 },
    patch: [{ id: 'a', universe: 'palm', first: 2 }],
    patched: ['palm'],
    adapters: [{ name: 'eth0' }],
    undo: 'delete port "desk"',
    undoBy: 'Ben',
    redo: null,
    redoBy: null,
    id: 'node',
    notice: 'said once',
  } as unknown as Changes
  const after = pageAfter(page, news)
  it('shows what is otherwise, and keeps all else', () => {
    expect(after.document.name).toBe('New')
    expect(after.document.ports).toEqual([{ id: 'node', name: 'Node' }])
    expect(after.document.routes).toBe(page.document.routes)
    expect([after.places, after.unsent, after.sentences, after.numbering, after.nextFree]).toEqual([
      { node: 'elsewhere' },
      {},
      { doors: 'When nobody …' },
      { palm: ['2'] },
      { palm: 5 },
    ])
    expect(after.patch.map((one) => one.id)).toEqual(['a', 'c'])
    expect([after.revision, after.undo, after.undoBy, after.adapters]).toEqual([4, 'delete port "desk"', 'Ben', news.adapters])
    expect(after).not.toHaveProperty('notice')
  })
  it('is not touched itself', () => {
    expect([page.revision, page.document.name, ids(page.document.ports ?? [])]).toEqual([3, 'Old', 'desk node'])
  })
})

describe('both values', () => {
  it('are put together field by field', () => {
    const part = { id: 'a', receive: { port: 1, address: 'x' }, name: 'A' }
    expect(withValue(part, ['receive', 'port'], 2)).toEqual({ id: 'a', receive: { port: 2, address: 'x' }, name: 'A' })
    expect(withValue(part, ['receive', 'port'], null)).toEqual({ id: 'a', receive: { address: 'x' }, name: 'A' })
    expect(withValue(part, ['send', 'to'], ['y'])).toEqual({ ...part, send: { to: ['y'] } })
    expect(withValue(part, ['name'], undefined)).toEqual({ id: 'a', receive: part.receive })
  })
  it('are spelled as they stand in the document', () => {
    expect([spelled(null), spelled('Desk'), spelled(7), spelled(false), spelled([1, 2])]).toEqual([
      'not there',
      'Desk',
      '7',
      'false',
      '[1,2]',
    ])
    expect(spelled('x'.repeat(200))).toHaveLength(80)
  })
})
