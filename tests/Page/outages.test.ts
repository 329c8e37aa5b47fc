import { describe, expect, it } from 'vitest'
import { csvOf, outageRows } from '@/ports/outages'

const said = {
  type: 'outages' as const,
  n: 4,
  port: 'desk',
  now: 90_000,
  at: Date.UTC(2026, 10, 26, 20, 0, 30),
  outages: [
    { from: 85_000, until: null, what: 'Desk into Palm House', meanwhile: '' },
    { from: 30_000, until: 42_500, what: 'Desk into "Pond"', meanwhile: 'the last levels stay' },
  ],
}

describe('outages', () => {
  it('are told by the clock of whoever looks', () => {
    const rows = outageRows(said)
    expect(rows.map((row) => [row.from.toISOString(), row.length])).toEqual([
      ['2026-11-26T20:00:25.000Z', null],
      ['2026-11-26T19:59:30.000Z', 12_500],
    ])
    expect(outageRows(undefined)).toEqual([])
  })
  it('go into a spreadsheet', () => {
    expect(csvOf('House "desk"', outageRows(said)).split('\r\n')).toEqual([
      'port,from,seconds,what,meanwhile',
      '"House ""desk""",2026-11-26T20:00:25.000Z,,"Desk into Palm House",""',
      '"House ""desk""",2026-11-26T19:59:30.000Z,12.5,"Desk into ""Pond""","the last levels stay"',
      '',
    ])
  })
})
