import { describe, expect, it } from 'vitest'
import type { Port } from '@/api/show'
import type { PortLife } from '@/live/types'
import { figureRows, figuresCsv } from '@/ports/figures'

const desk = { id: 'desk', name: 'House "desk"', protocol: 'art-net', receive: {} } as unknown as Port
const tablet = { id: 'tablet', name: 'Tablet', protocol: 'osc', receive: {} } as unknown as Port
const life = {
  state: 'alive',
  received: 900,
  sent: 0,
  lost: 3,
  lossTen: 0,
  lossMinute: 1.5,
  lossEver: 0.3,
  gapTen: 30,
  gap: 1200,
  gapEver: 4000,
  jitter: 2,
  jitterMinute: 8,
  jitterEver: 40,
  refused: 1,
} as unknown as PortLife
const millis = (value: number) => `${value} ms`

describe('figures of a port', () => {
  it('stand over ten seconds, a minute and the evening, and what is bad is marked', () => {
    expect(figureRows(desk, life, millis)).toEqual([
      { label: 'Packets lost', cells: ['none', '1.5 %', '3 (0.3 %)'], bad: [false, true, true] },
      { label: 'Longest gap', cells: ['30 ms', '1200 ms', '4000 ms'], bad: [] },
      { label: 'Jitter', cells: ['± 2 ms', '± 8 ms', '± 40 ms'], bad: [] },
    ])
    expect(figureRows(tablet, life, millis).map((row) => row.label)).toEqual(['Longest gap', 'Jitter'])
    expect(figureRows({ ...desk, receive: undefined } as Port, life, millis)).toEqual([])
  })
  it('go into a spreadsheet, a port a line, known or not', () => {
    const lines = figuresCsv([desk, tablet], (id) => (id === 'desk' ? life : undefined)).split('\r\n')
    expect(lines[0]?.split(',')).toHaveLength(15)
    expect(lines[1]).toBe('"House ""desk""",alive,900,0,3,0,1.5,0.3,30,1200,4000,2,8,40,1')
    expect(lines[2]).toBe(`"Tablet"${','.repeat(14)}`)
  })
})
