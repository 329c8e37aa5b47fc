import { describe, expect, it } from 'vitest'
import { lookingPort, newPort, numbered } from '@/ports/draft'
import { readNumber, readRuns } from '@/ports/numbers'
import { placeMark, readLevel, spellLevel } from '@/components/levels'
import { places, readSlots, spellSlots } from '@/components/slots'
import { healthWords, isSwitchedLive, spellAgo, spellMillis, spellNumber, spellRate, spellRuns } from '@/components/words'
import { addressOf, kindsFor, partsOf } from '@/routes/messages'
import type { Port } from '@/api/show'
import type { PortLife } from '@/live/types'

describe('a port that is off', () => {
  const life = (state: string) => ({ state }) as PortLife
  const port = (part: object) => ({ id: 'a', name: 'A', protocol: 'osc', ...part }) as Port

  it('says whether the show or somebody live has switched it', () => {
    const both = port({ receive: {}, send: { to: ['127.0.0.1'] } })
    expect(isSwitchedLive(life('off'), both)).toBe(true)
    expect(healthWords(life('off'), both)).toContain('while the show runs')
    expect(isSwitchedLive(life('alive'), both)).toBe(false)
    expect(isSwitchedLive(life('off'), port({ enabled: false, receive: {} }))).toBe(false)
    expect(isSwitchedLive(life('off'), port({ receive: { enabled: false } }))).toBe(false)
    expect(healthWords(life('off'), port({ enabled: false, receive: {} }))).toBe('switched off')
  })
})

describe('numbers of universes', () => {
  it('are read as Net:Sub-Net:Universe, 7, 4 and 4 bits of a port-address (Art-Net 4, "Port-Address", from memory)', () => {
    expect(readNumber('0:0:5')).toBe(5)
    expect(readNumber('1:2:3')).toBe(256 + 32 + 3)
    expect(readNumber('127:15:15')).toBe(32767)
    expect(readNumber(' 12 ')).toBe(12)
  })
  it.each(['128:0:0', '0:16:0', '0:0:16', 'five', '1:2', ''])('stay as they are where they cannot be read: %s', (text) => {
    expect(readNumber(text)).toBe(text.trim())
  })
  it('come in runs, at most 512 of them', () => {
    expect(readRuns('1-3, 7')).toEqual([1, 2, 3, 7])
    expect(readRuns('0:0:14-0:1:1')).toEqual([14, 15, 16, 17])
    expect(readRuns('1-512')).toHaveLength(512)
    expect([readRuns('1-513'), readRuns('9-3'), readRuns('x'), readRuns('')]).toEqual([null, null, null, null])
  })
  it('are spelled as each protocol counts, and as runs', () => {
    expect([spellNumber('art-net', 291), spellNumber('sacn', 7), spellNumber('dmx-line', 1)]).toEqual([
      '1:2:3 (291)',
      'universe 7',
      'line',
    ])
    expect(spellRuns([1, 2, 3, 7, 9, 10])).toBe('1–3, 7, 9–10')
  })
  it('are read before a port is stored, with ranks only where room is short', () => {
    const port = {
      protocol: 'art-net',
      receive: { feeds: [{ number: '0:0:5', universe: 'u', rank: 1 }] },
      send: { lines: 1, carries: [{ number: '6', universe: 'u', rank: 2 }] },
    }
    expect(numbered(port)).toEqual({
      protocol: 'art-net',
      receive: { feeds: [{ number: 5, universe: 'u' }] },
      send: { lines: 1, carries: [{ number: 6, universe: 'u', rank: 2 }] },
    })
    expect(numbered({ protocol: 'sacn', send: { carries: [{ number: 6, universe: 'u', rank: 2 }] } })).toEqual({
      protocol: 'sacn',
      send: { carries: [{ number: 6, universe: 'u' }] },
    })
    expect(numbered({ protocol: 'osc', receive: {} })).toEqual({ protocol: 'osc', receive: {} })
  })
  it('are asked for by a port that only looks', () => {
    expect(lookingPort('art-net', ['10.0.0.255'])).toMatchObject({ protocol: 'art-net', receive: { poll: ['10.0.0.255'] } })
    expect(lookingPort('sacn', [])).toMatchObject({ receive: { multicast: true } })
    expect(newPort('osc')).toEqual({ protocol: 'osc', receive: { port: 8000 } })
  })
})

describe('levels', () => {
  it('come back from how they are written: every one in hex and 0 to 255, every per cent', () => {
    for (let level = 0; level < 256; level++) {
      expect(readLevel(spellLevel(level, 'hex'), 'hex')).toBe(level)
      expect(readLevel(spellLevel(level, '0–255'), '0–255')).toBe(level)
    }
    for (let cent = 0; cent <= 100; cent++)
      expect(spellLevel(readLevel(String(cent), 'per cent') as number, 'per cent')).toBe(String(cent))
  })
  it.each([
    ['256', '0–255'],
    ['101', 'per cent'],
    ['G0', 'hex'],
    ['', '0–255'],
    ['-1', '0–255'],
    ['100', 'hex'],
  ] as const)('are refused: %s as %s', (text, format) => {
    expect(readLevel(text, format)).toBeNull()
  })
  it('have sources with letters, but none with the H of held', () => {
    expect([placeMark(1), placeMark(7), placeMark(8), placeMark(25), placeMark(26)]).toEqual(['A', 'G', 'I', 'Z', '26'])
  })
})

describe('slots of parameters', () => {
  it('are those that are named, or the next ones that are free', () => {
    expect(places([{ name: 'pan', slots: 2, at: [1, 4] }, { name: 'tilt', slots: 2 }, { name: 'level' }])).toEqual([
      [1, 4],
      [2, 3],
      [5],
    ])
    expect([spellSlots([5, 7]), spellSlots([3, 4]), spellSlots([9]), spellSlots([1, 3, 5])]).toEqual([
      '5 and 7',
      '3 to 4',
      '9',
      '1, 3 and 5',
    ])
    expect([readSlots('5, 7'), readSlots('0'), readSlots('513'), readSlots('x'), readSlots('')]).toEqual([
      [5, 7],
      undefined,
      undefined,
      undefined,
      undefined,
    ])
  })
})

describe('words', () => {
  it('say rates and times shortly', () => {
    expect([spellRate(0), spellRate(1.25), spellRate(43.6), spellRate(NaN)]).toEqual([
      '0 a second',
      '1.3 a second',
      '44 a second',
      '– a second',
    ])
    expect([spellMillis(12.4), spellMillis(1500)]).toEqual(['12 ms', '1.5 s'])
    expect([spellAgo(null), spellAgo(900), spellAgo(60_000), spellAgo(600_000)]).toEqual([
      'never',
      'just now',
      '60 s ago',
      '10 min ago',
    ])
  })
})

describe('addresses of messages', () => {
  it('come back from their parts, for every kind of MIDI and game controllers', () => {
    for (const protocol of ['midi', 'controller'] as const) {
      for (const kind of kindsFor(protocol)) {
        const address = addressOf(kind, 3, 7)
        const parts = partsOf(protocol, address)
        expect(parts?.kind.value).toBe(kind.value)
        expect(parts && addressOf(parts.kind, parts.channel, parts.number)).toBe(address)
      }
    }
    expect([partsOf('osc', '/note/1/2'), partsOf('midi', '/dance/1')]).toEqual([null, null])
  })
})
