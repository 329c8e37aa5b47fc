import { describe, expect, it } from 'vitest'
import { learnedOf, likelyRange, spellMoved } from '@/kinds/learn'
import { relaxed } from '@/kinds/relax'
import type { Route } from '@/api/show'

const one = (moved: { argument: number; low: number; high: number }[], count = 3) => ({
  address: '/a',
  name: '/a',
  words: '/a 1',
  count,
  movedAt: 0,
  moved,
  ways: [{ words: 'this address at any value', part: { kind: 'osc', port: 'tablet', address: '/a' } }],
  argument: moved.at(-1)?.argument ?? 1,
})

describe('learning', () => {
  it('says how far what moves moved, and which number moved most', () => {
    expect(spellMoved(one([{ argument: 1, low: 0.1, high: 0.9 }], 12))).toBe('moved 0.1 to 0.9, 12 times')
    expect(
      spellMoved(
        one([
          { argument: 1, low: 0, high: 0.1 },
          { argument: 3, low: 2, high: 90 },
        ]),
      ),
    ).toBe('argument 3 moved 2 to 90, 3 times')
    expect(spellMoved(one([{ argument: 1, low: 1, high: 1 }], 1))).toBe('came once')
    expect(spellMoved(one([]))).toBe('came 3 times')
  })
  it('guesses the range of a control by what it did', () => {
    expect(likelyRange(0.2, 0.9)).toEqual([0, 1])
    expect(likelyRange(-0.2, 0.9)).toEqual([-1, 1])
    expect(likelyRange(3, 99)).toEqual([0, 127])
    expect(likelyRange(3.5, 99)).toEqual([3.5, 99])
    expect(likelyRange(0, 400)).toEqual([0, 400])
  })
  it('takes what was picked, by the number that moved most', () => {
    const picked = learnedOf('tablet', one([{ argument: 2, low: 0, high: 5 }]))
    expect(picked).toMatchObject({ port: 'tablet', address: '/a', argument: 2, low: 0, high: 5 })
    expect(picked.ways[0]?.part.kind).toBe('osc')
  })
})

describe('relaxing', () => {
  const route = {
    id: 'r',
    name: 'R',
    when: { kind: 'note-on', port: 'p', note: 60, least: 127 },
    if: [{ kind: 'range', low: 2, high: 5 }],
    do: [],
  } as unknown as Route
  it('changes the one part that was in the way, and keeps the rest', () => {
    expect(relaxed(route, { part: 'when', fields: { least: 100 } })).toMatchObject({ name: 'R', when: { least: 100, note: 60 } })
    expect(relaxed(route, { part: 'if/0', fields: { high: 9 } })).toMatchObject({ if: [{ low: 2, high: 9 }] })
    expect(relaxed({ ...route, enabled: false }, { part: '', fields: { enabled: null } })).not.toHaveProperty('enabled')
    expect(relaxed(route, { part: 'when', fields: { least: null } })?.when).not.toHaveProperty('least')
  })
  it('says nothing where the part is not there any more', () => {
    expect(relaxed(route, { part: 'if/4', fields: { high: 9 } })).toBeNull()
  })
})
