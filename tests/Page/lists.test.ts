import { describe, expect, it } from 'vitest'
import { headsOf } from '@/components/csv'
import { asClipboardText, fromClipboardText } from '@/lists/clipboard'
import { cellOf, fieldAt } from '@/lists/columns'
import { chosenRows, itemsOf, moveTarget, selected, statesOf, type Row } from '@/lists/rows'
import { namesOver, stepOf } from '@/universes/grid'
import { lists } from './descriptions'

const row = (id: string, name: string, more: Partial<Row> = {}): Row => ({ id, name, text: '', ...more })
const rows = [
  row('a', 'Palm desk', { text: 'sACN universe 10', state: 'alive', group: 'In' }),
  row('b', 'Fern desk', { text: 'sACN universe 9', state: 'lost', group: 'Out' }),
  row('c', 'Palm lamps', { text: 'DMX line', state: 'alive', group: 'In' }),
]
const ids = (some: Row[]) => some.map((one) => one.id).join('')

describe('the rows of a list', () => {
  it('have every word that is searched for, in any order, and the state that is asked for', () => {
    expect(ids(chosenRows(rows, { search: 'desk palm', state: '', value: null }))).toBe('a')
    expect(ids(chosenRows(rows, { search: ' UNIVERSE ', state: '', value: null }))).toBe('ab')
    expect(ids(chosenRows(rows, { search: '', state: 'alive', value: null }))).toBe('ac')
    expect(ids(chosenRows(rows, { search: 'nothing has this', state: '', value: null }))).toBe('')
  })
  it('are ordered by numbers within texts, and what is empty comes last', () => {
    const value = (one: Row) => one.text.replace('DMX line', '')
    expect(ids(chosenRows(rows, { search: '', state: '', value }))).toBe('bac')
    expect(ids(rows)).toBe('abc')
  })
  it('stand under the headings of their groups, which fold', () => {
    expect(itemsOf(rows, new Set()).map((item) => item.key)).toEqual(['group In', 'row a', 'row c', 'group Out', 'row b'])
    expect(itemsOf(rows, new Set(['In'])).map((item) => item.key)).toEqual(['group In', 'group Out', 'row b'])
    expect(
      itemsOf([row('x', 'X')], new Set()).map((item) => item.key),
      'nobody has a group',
    ).toEqual(['row x'])
    expect(itemsOf([], new Set())).toEqual([])
    expect(statesOf(rows)).toEqual([
      { state: 'alive', count: 2 },
      { state: 'lost', count: 1 },
    ])
  })
})

describe('a selection', () => {
  const order = ['a', 'b', 'c', 'd', 'e']
  const after = (before: string, id: string, from: string | null, keys: { shift?: boolean; ctrl?: boolean }) =>
    [...selected(new Set(before), order, id, from, { shift: false, ctrl: false, ...keys })].sort().join('')
  it('takes one more or one less, or a run, in either direction', () => {
    expect(after('a', 'c', 'a', { ctrl: true })).toBe('ac')
    expect(after('ac', 'c', 'a', { ctrl: true })).toBe('a')
    expect(after('', 'd', 'b', { shift: true })).toBe('bcd')
    expect(after('e', 'a', 'c', { shift: true })).toBe('abc')
    expect(after('e', 'a', 'c', { shift: true, ctrl: true })).toBe('abce')
    expect(after('', 'b', null, { shift: true })).toBe('b')
    expect(after('', 'b', 'gone', { shift: true }), 'where it began is not shown any more').toBe('b')
  })
  it('is moved by one place, past what is not selected, and not past the ends', () => {
    const order = ['a', 'b', 'c', 'd']
    const moved = (some: string, by: -1 | 1) => {
      const target = moveTarget(order, new Set(some), by)
      if (target === undefined) return order.join('')
      const others = order.filter((id) => !some.includes(id))
      const at = target === null ? others.length : others.indexOf(target)
      return [...others.slice(0, at), ...order.filter((id) => some.includes(id)), ...others.slice(at)].join('')
    }
    expect([moved('b', -1), moved('b', 1), moved('bc', -1), moved('bc', 1)]).toEqual(['bacd', 'acbd', 'bcad', 'adbc'])
    expect([moved('a', -1), moved('d', 1), moved('abcd', 1)]).toEqual(['abcd', 'abcd', 'abcd'])
  })
})

describe('what is copied from a list', () => {
  it('is a text that only its own list takes in', () => {
    const text = asClipboardText('ports', [{ id: 'a', name: 'A' }])
    expect(fromClipboardText('ports', text)).toEqual([{ id: 'a', name: 'A' }])
    expect(fromClipboardText('routes', text)).toBe('These are ports: paste them in their own list.')
    expect(fromClipboardText('ports', 'a poem')).toBe('This is no text that was copied from a list.')
    expect(fromClipboardText('ports', '{"parts":[]}')).toBe('This is no text that was copied from a list.')
    expect(fromClipboardText('ports', 'null')).toBe('This is no text that was copied from a list.')
  })
})

describe('columns, as the server derives them', () => {
  const port = { id: 'a', name: 'A', protocol: 'osc', receive: { port: 8001 }, allow: ['10.0.0.7', '10.0.0.8'] }
  it('lead to the field that this part has', () => {
    expect(lists.ports.columns.map((column) => column.path)).toContain('receive/port')
    expect(fieldAt(lists.ports, port, 'receive/port')?.field.type).toBe('whole')
    expect(fieldAt(lists.ports, port, 'receive/multicast'), 'OSC has none').toBeUndefined()
    expect(fieldAt(lists.ports, port, 'send/port'), 'it does not send').toBeUndefined()
    expect(fieldAt(lists.copies, {}, 'from/universe')?.field.type).toBe('universe')
  })
  it('say what stands there, or what it is where nothing is said', () => {
    const cell = (path: string) => cellOf(lists.ports, port, path)
    expect([cell('receive/port'), cell('enabled'), cell('allow'), cell('send/port'), cell('name')]).toEqual([
      '8001',
      'yes',
      '10.0.0.7, 10.0.0.8',
      '',
      'A',
    ])
    expect(cellOf(lists.routes, { id: 'r', do: [{ kind: 'press' }] }, 'do')).toBe('1')
  })
})

describe('the columns of a table', () => {
  it('are named in its first line, whatever stands between them', () => {
    expect(headsOf('Unit;"Name, long";"a ""b"""\r\n1;2;3')).toEqual(['Unit', 'Name, long', 'a "b"'])
    expect(headsOf('\uFEFFid,name,,first\n')).toEqual(['id', 'name', '', 'first'])
    expect(headsOf('a\tb')).toEqual(['a', 'b'])
    expect(headsOf('name')).toEqual(['name'])
  })
})

describe('the grid of slots', () => {
  it('has the name of a fixture over its slots, again in each row that it reaches into', () => {
    const fixture = { id: 'a', name: 'Bar', profile: 'p', universe: 'u', first: 15, last: 34, shares: [] }
    expect(namesOver([fixture], 16)).toEqual({
      15: { name: 'Bar', across: 2 },
      17: { name: 'Bar', across: 16 },
      33: { name: 'Bar', across: 2 },
    })
    expect(namesOver([{ ...fixture, last: 15 }], 16)).toEqual({ 15: { name: 'Bar', across: 1 } })
  })
  it('is walked by keys, a row up and down', () => {
    expect(['ArrowLeft', 'ArrowDown', 'PageUp', 'End', 'a'].map((key) => stepOf(key, 32))).toEqual([-1, 32, -256, 512, undefined])
  })
})
