import { describe, expect, it } from 'vitest'
import type { FieldOfPart, Values } from '@/api/show'
import { applies, asText, asTyped, lookUp, shown, sideOf, tidied, usual, wordsOf, type Scope } from '@/kinds/parts'
import { fieldOf, lists, must } from './descriptions'

const port = (values: Values): Scope => ({ values, fields: lists.ports.fields })
const link = must(fieldOf('ports', 'link').part)
const inside = (values: Values, side: 'receive' | 'send'): Scope => {
  const outer = port(values)
  return { values: values[side] as Values, fields: must(sideOf(fieldOf('ports', side), outer)).fields, outer }
}
const named = (scope: Scope, name: string): FieldOfPart[] =>
  scope.fields.filter((field) => field.name === name && applies(field, scope))

describe('a part of a show, as its class describes it', () => {
  it('knows the link of a protocol where nobody says it', () => {
    expect(lookUp(port({ protocol: 'midi' }), 'link/kind')).toBe('browser')
    expect(lookUp(port({ protocol: 'osc' }), 'link/kind')).toBe('udp')
    expect(lookUp(port({ protocol: 'osc', link: { kind: 'tcp' } }), 'link/kind')).toBe('tcp')
    expect(lookUp(port({ protocol: 'osc' }), 'link/colour')).toBeUndefined()
  })

  it('offers only the links that a protocol has', () => {
    const kind = must(link.fields.find((field) => field.name === 'kind'))
    const scope: Scope = { values: {}, fields: link.fields, outer: port({ protocol: 'dmx-line' }) }
    expect(wordsOf(kind, scope)).toEqual(['udp', 'serial'])
    expect(wordsOf(kind, { ...scope, outer: port({ protocol: 'controller' }) })).toEqual(['browser'])
    expect(wordsOf(fieldOf('values', 'type'), { values: {}, fields: lists.values.fields })).toEqual([
      'switch',
      'number',
      'choice',
      'text',
    ])
  })

  it('asks a side what its protocol and its link have', () => {
    expect(named(inside({ protocol: 'osc', link: { kind: 'tcp' }, send: {} }, 'send'), 'to').map((field) => field.label)).toEqual(
      ['Connect to; empty: whoever connects to us'],
    )
    expect(
      named(inside({ protocol: 'midi', link: { kind: 'session' }, receive: {} }, 'receive'), 'port').map(
        (field) => field.default,
      ),
    ).toEqual([5004])
    expect(named(inside({ protocol: 'midi', link: { kind: 'cable' }, receive: {} }, 'receive'), 'port')).toEqual([])
    expect(sideOf(fieldOf('ports', 'send'), port({ protocol: 'controller' }))).toBeUndefined()
    expect(sideOf(fieldOf('ports', 'name'), port({ protocol: 'sacn' }))).toBeUndefined()
  })

  it('shows what is said, or what it would be, or what is offered', () => {
    const scope = inside({ protocol: 'osc', receive: {} }, 'receive')
    expect(shown(must(named(scope, 'port')[0]), scope)).toBe(8000)
    expect(shown(must(named(scope, 'enabled')[0]), scope)).toBe(true)
    const multicast = inside({ protocol: 'sacn', send: { multicast: true } }, 'send')
    expect(usual(must(named(multicast, 'announce')[0]), multicast)).toBe(true)
    const unicast = inside({ protocol: 'sacn', send: {} }, 'send')
    expect(usual(must(named(unicast, 'announce')[0]), unicast)).toBe(false)
  })
})

describe('a part as the document has it', () => {
  const sound: Values[] = [
    {
      name: 'A',
      protocol: 'art-net',
      receive: { port: 6454, feeds: [{ number: 0, universe: 'u' }], priorities: [{ from: '10.0.0.7', priority: 150 }] },
    },
    {
      name: 'B',
      protocol: 'midi',
      link: { kind: 'session' },
      receive: { address: '10.0.0.1', port: 5006 },
      send: { to: ['10.0.0.9'], port: 5020 },
    },
    { name: 'C', protocol: 'osc', link: { kind: 'tcp', framing: 'slip' }, receive: { port: 8100 }, send: { port: 8100 } },
    {
      name: 'D',
      protocol: 'controller',
      link: { kind: 'browser', device: 'Stick' },
      receive: { deadZone: 0.2, centres: [0, 0.1] },
    },
    {
      name: 'E',
      protocol: 'sacn',
      allow: ['10.0.0.0/8'],
      send: {
        multicast: true,
        slotPriorities: [{ first: 1, last: 4, priority: 200 }],
        carries: [{ number: 1, universe: 'u', rank: 2 }],
      },
    },
  ]
  it.each(sound)('stays what it is where nothing is wrong with it: $name', (part) => {
    expect(tidied(part, lists.ports.fields)).toEqual(part)
  })

  it('leaves out what does not apply, what is not known and what is empty', () => {
    const before = {
      name: ' Tablet ',
      protocol: 'osc',
      colour: 'red',
      link: { kind: 'udp', device: '/dev/x', framing: 'slip' },
      allow: [],
      receive: { port: 8000, poll: ['10.0.0.255'] },
      send: { to: [], port: 9000, heartbeat: '' },
    }
    expect(tidied(before, lists.ports.fields)).toEqual({
      name: 'Tablet',
      protocol: 'osc',
      link: { kind: 'udp' },
      receive: { port: 8000 },
      send: { port: 9000 },
    })
    expect(tidied({ name: 'Stick', protocol: 'controller', send: {} }, lists.ports.fields)).toEqual({
      name: 'Stick',
      protocol: 'controller',
    })
  })

  it('takes what is offered where a field has to be there', () => {
    expect(tidied({ name: 'T', protocol: 'osc', receive: {}, send: { to: ['10.0.0.9'] } }, lists.ports.fields)).toEqual({
      name: 'T',
      protocol: 'osc',
      receive: { port: 8000 },
      send: { to: ['10.0.0.9'], port: 9000 },
    })
    expect(tidied({ name: 'T', protocol: 'sacn', receive: {} }, lists.ports.fields), 'a default need not be said').toEqual({
      name: 'T',
      protocol: 'sacn',
      receive: {},
    })
  })

  it('has the fields of its type only', () => {
    expect(tidied({ name: 'V', type: 'switch', low: 1, choices: ['a'], start: true }, lists.values.fields)).toEqual({
      name: 'V',
      type: 'switch',
      start: true,
    })
    expect(tidied({ name: 'V', type: 'choice', low: 1, choices: ['a'], start: 'a' }, lists.values.fields)).toEqual({
      name: 'V',
      type: 'choice',
      choices: ['a'],
      start: 'a',
    })
  })
})

describe('what somebody types', () => {
  const field = (type: string): FieldOfPart => ({
    name: 'x',
    type,
    label: 'X',
    default: null,
    isNeeded: false,
    onlyAt: '',
    onlyWords: [],
    shownAt: '',
    shownWords: [],
    help: '',
  })
  it.each([
    ['whole', ' 12 ', 12],
    ['number', '0.5', 0.5],
    ['number', '', undefined],
    ['numbers', '0, 127', [0, 127]],
    ['list', '1 2;3', [1, 2, 3]],
    ['texts', '10.0.0.1, two words', ['10.0.0.1', 'two words']],
    ['addresses', '10.0.0.1 10.0.0.2', ['10.0.0.1', '10.0.0.2']],
    ['value', '1', 1],
    ['value', 'on', 'on'],
    ['text', ' as it is ', ' as it is '],
    ['text', '   ', undefined],
  ])('%s: "%s"', (type, text, typed) => {
    expect(asTyped(field(type), text)).toEqual(typed)
  })

  it('is written back as it was', () => {
    expect([asText(undefined), asText(null), asText([1, 2]), asText(0), asText(false)]).toEqual(['', '', '1, 2', '0', 'false'])
  })
})
