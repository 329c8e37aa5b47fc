import { describe, expect, it } from 'vitest'
import type { Port, Route, Universe } from '@/api/show'
import { readSubject } from '@/scope/subjects'
import { makeGraph, pathThrough } from '@/overview/graph'

const ports = [
  { id: 'desk', name: 'Desk', protocol: 'art-net', receive: { feeds: [{ number: 0, universe: 'palm' }] } },
  { id: 'lamps', name: 'Lamps', protocol: 'sacn', send: { carries: [{ number: 1, universe: 'palm' }] } },
  { id: 'tablet', name: 'Tablet', protocol: 'osc', receive: { port: 8000 }, send: { port: 9000 } },
] as Port[]
const universes = [
  { id: 'palm', name: 'Palm House' },
  { id: 'fern', name: 'Fern Gallery' },
] as Universe[]
const routes = [
  { id: 'in', name: 'In' },
  { id: 'out', name: 'Out' },
  { id: 'new', name: 'New' },
] as Route[]
const ends = {
  in: { hears: ['tablet'], says: [], looks: [], sets: ['palm'], addresses: ['/a'] },
  out: { hears: [], says: ['tablet'], looks: ['fern'], sets: [], addresses: [] },
}

describe('the lanes of a show', () => {
  const graph = makeGraph(ports, universes, routes, ends)
  it('have a route in the lane of the universe that it sets, or else looks at', () => {
    expect(graph.inRoutes.get('palm')?.map((route) => route.id)).toEqual(['in'])
    expect(graph.outRoutes.get('fern')?.map((route) => route.id)).toEqual(['out'])
    expect([graph.inputs.length, graph.outputs.length]).toEqual([2, 2])
  })
  it('lead from a node back to where it is from and on to where it goes, and nowhere else', () => {
    expect([...pathThrough(graph.edges, 'in:tablet')].sort()).toEqual(['in:tablet', 'out:lamps', 'route:in', 'universe:palm'])
    expect([...pathThrough(graph.edges, 'out:lamps')].sort()).toEqual([
      'in:desk',
      'in:tablet',
      'out:lamps',
      'route:in',
      'universe:palm',
    ])
    expect([...pathThrough(graph.edges, 'route:new')]).toEqual(['route:new'])
  })
  it('end where copies lead in a circle', () => {
    const circle = [
      { from: 'a', to: 'b' },
      { from: 'b', to: 'a' },
    ]
    expect([...pathThrough(circle, 'a')].sort()).toEqual(['a', 'b'])
  })
})

describe('what the scope watches', () => {
  it.each([
    ['slot:palm-house:5', { kind: 'slot', holder: 'palm-house', place: 5 }],
    ['message:tablet:2:/palm/lantern', { kind: 'message', holder: 'tablet', place: 2, address: '/palm/lantern' }],
    ['point:value:house-open', { kind: 'point', holder: 'value:house-open' }],
    ['point:fixture:lantern/pan', { kind: 'point', holder: 'fixture:lantern/pan' }],
  ])('%s', (subject, read) => {
    expect(readSubject(subject)).toMatchObject({ subject, ...read })
  })
  it.each(['', 'slot:palm', 'message:tablet:1:lamp', 'point:', 'point:Value:x', 'weather'])('not %s', (subject) => {
    expect(readSubject(subject)).toBeNull()
  })
})
