import { describe, expect, it } from 'vitest'
import { between, changed, copied, followOf, followText, moved, renumbered, sorted, timecodePort } from '@/programme/cues'
import { foreseenLine, foreseenSentence } from '@/programme/foresee'
import { leftOf, shareOf } from '@/programme/live'
import { followWords, listSentence, lookSentence, masterSentence, usesOf } from '@/programme/sentences'
import { differences, merged } from '@/programme/values'

const cues = (...numbers: string[]) => numbers.map((number) => ({ number, name: `cue ${number}` }))
const numbersOf = (all: { number: string }[] | null) => all?.map((one) => one.number).join(' ')

describe('a number for a cue', () => {
  it.each([
    [undefined, undefined, '1'],
    ['3', undefined, '4'],
    ['2.5', undefined, '3'],
    ['2', '3', '2.5'],
    ['2', '2.5', '2.3'],
    ['2', '2.1', '2.05'],
    ['2', '5', '3'],
    ['2.5', '3', '2.8'],
    [undefined, '2', '1'],
    [undefined, '1', '0.5'],
    [undefined, '0', null],
    ['1', '1.001', null],
  ])('between %s and %s is %s', (before, after, expected) => {
    expect(between(before, after)).toBe(expected)
  })
  it('always lies between the two, and is found until there is no room in three digits', () => {
    let [low, high] = ['1', '2']
    for (let i = 0; i < 30; i++) {
      const found = between(low, high)
      if (found === null) {
        expect(Number(high) - Number(low)).toBeLessThan(0.0021)
        return
      }
      expect(Number(found)).toBeGreaterThan(Number(low))
      expect(Number(found)).toBeLessThan(Number(high))
      ;[low, high] = i % 2 ? [found, high] : [low, found]
    }
    throw new Error('it never ended')
  })
})

describe('cues', () => {
  it('are moved, copied and numbered anew, always in the order of their numbers', () => {
    const all = cues('1', '2', '2.5', '10')
    expect(numbersOf(sorted(cues('10', '2', '1')))).toBe('1 2 10')
    const down = moved(all, 0, 2)
    expect(numbersOf(down)).toBe('2 2.5 3 10')
    expect(down?.[2]?.name).toBe('cue 1')
    expect(numbersOf(copied(all, [0, 1]))).toBe('1 2 2.3 2.4 2.5 10')
    expect(numbersOf(renumbered(all))).toBe('1 2 3 4')
    expect(moved(cues('1', '1.001', '1.002'), 2, 1)).toBeNull()
  })
  it('have a field changed together, and an empty one left out', () => {
    const all = changed(cues('1', '2', '3'), [0, 2], 'up', 4)
    expect(all.map((one) => one.up)).toEqual([4, undefined, 4])
    expect(changed(all, [0], 'up', undefined)[0]).toEqual({ number: '1', name: 'cue 1' })
  })
  it.each([
    ['', undefined, ''],
    ['4', { kind: 'after', seconds: 4 }, '4'],
    ['c', { kind: 'complete' }, 'c'],
    ['c+2.5', { kind: 'complete', seconds: 2.5 }, 'c+2.5'],
    ['b', { kind: 'beat', beats: 1 }, 'b1'],
    ['B 4', { kind: 'beat', beats: 4 }, 'b4'],
    ['@01:00:10:00 desk', { kind: 'timecode', port: 'desk', at: '01:00:10:00' }, '@01:00:10:00 desk'],
    ['complete 3', { kind: 'complete', seconds: 3 }, 'c+3'],
  ])('follow as "%s" says', (typed, follow, text) => {
    expect(followOf(typed)).toEqual(follow)
    expect(followText(follow as Parameters<typeof followText>[0])).toBe(text)
  })
  it('refuse a follow that is none', () => {
    expect(followOf('soon')).toBeNull()
    expect(followOf('-3')).toBeNull()
    expect(followOf('@01:00:10:00')).toBeNull()
  })
  it('follow the time code of the port that others follow, or of the only one', () => {
    const ports = [
      { id: 'desk', protocol: 'midi', receive: {} },
      { id: 'keys', protocol: 'midi', receive: {} },
      { id: 'page', protocol: 'osc', receive: {} },
    ]
    const follow = { kind: 'timecode' as const, port: 'keys', at: '01:00:00:00' }
    expect([timecodePort([], ports), timecodePort([], ports.slice(1)), timecodePort([{ number: '1', follow }], ports)]).toEqual([
      '',
      'keys',
      'keys',
    ])
    expect(followOf('@02:00:00;02', 'keys')).toEqual({ kind: 'timecode', port: 'keys', at: '02:00:00;02' })
    expect(followWords({ number: '1', follow })).toBe('at time code 01:00:00:00')
  })
})

describe('what is live', () => {
  it('is as far as its time says', () => {
    expect([shareOf(1000, 3000, 2000), shareOf(1000, 3000, 9000), shareOf(null, null, 5)]).toEqual([0.5, 1, 1])
    expect([leftOf(4500, 1000), leftOf(66_000, 1000), leftOf(1000, 4000), leftOf(null, 0)]).toEqual(['3.5 s', '1:05', '', ''])
  })
})

describe('a look', () => {
  const look = { id: 'doors', name: 'Doors', set: 'Palm', fadeIn: 2, delay: 1, values: [] }
  it('is a sentence', () => {
    expect(lookSentence(look)).toBe(
      'A press turns it on or off, in place of the others of Palm; it fades in over 2 s after 1 s, and out over the common fade time.',
    )
  })
  it('is changed by what differs, and keeps what it has', () => {
    const before = [
      { point: 'a:a/1', value: 1 },
      { point: 'a:b/1', value: 2 },
    ]
    const after = merged(before, [
      { point: 'a:b/1', value: 3 },
      { point: 'a:c/1', value: 4 },
    ])
    expect(differences(before, after)).toEqual([
      { point: 'a:b/1', was: 2, is: 3 },
      { point: 'a:c/1', was: undefined, is: 4 },
    ])
    expect(differences(before, before)).toEqual([])
  })
  it('is found where it is used', () => {
    const document = {
      lists: [{ id: 'walk', name: 'Walk', cues: [{ number: '2', look: 'doors' }, { number: '3' }] }],
      masters: [{ id: 'm', name: 'M', over: 'looks', looks: ['doors'] }],
      routes: [
        { id: 'r', name: 'R', do: [{ kind: 'press', point: 'look:doors' }] },
        { id: 'q', name: 'Q', do: [{ kind: 'press', point: 'look:doors-2' }] },
      ],
      looks: [look, { id: 'two', name: 'Two', values: [{ point: 'look:doors/active', value: 1 }] }],
    } as unknown as Parameters<typeof usesOf>[0]
    expect(usesOf(document, 'look:doors', 'doors').map((use) => use.words)).toEqual([
      'Walk, cue 2',
      'Look Two',
      'Master M',
      'Route R',
    ])
  })
})

describe('lists and masters', () => {
  it('are sentences', () => {
    expect(listSentence({ id: 'a', name: 'A', tracking: true, end: 'loop', begins: true, number: '2' })).toBe(
      'Tracking: what a cue does not name stays as earlier cues left it. After the last cue it begins again. It goes by itself when the engine starts. Show control calls it list 2.',
    )
    expect(followWords({ number: '1', follow: { kind: 'complete', seconds: 2 } })).toBe('complete + 2 s')
    const named = (_list: string, id: string) => id.toUpperCase()
    expect(masterSentence({ id: 'm', name: 'M', over: 'groups', groups: ['ferns'], curve: 'square', low: 10 }, named)).toBe(
      'Scales the intensities of FERNS, as it leaves, from 10 to 100 %, square curve.',
    )
    expect(masterSentence({ id: 'm', name: 'M', over: 'programme' }, named)).toBe(
      'Scales the intensities of our own looks and lists, before it is merged with desks.',
    )
  })
})

describe('what would leave', () => {
  const point = (now: number | null, then: number, wanted: number | null) => ({
    point: 'fixture:a/level',
    unit: '%',
    now,
    then,
    wanted,
    isAsWanted: wanted === null || wanted === then,
    why: 'House desk: the highest.',
  })
  it('says what changes, what is missed, and what stays', () => {
    const seen = { points: [point(0, 60, 60), point(80, 80, 40), point(10, 5, null)], same: 2, more: 0 }
    expect(foreseenSentence(seen)).toBe(
      '2 values would change. 1 would not be what it says: somebody else has it, or masters take some away. 2 more stay as they are.',
    )
    expect(foreseenSentence({ points: [point(0, 60, 60)], same: 1, more: 7 })).toBe(
      '8 values would change. 1 more stays as it is. The first 1 are shown.',
    )
    expect([foreseenSentence({ points: [], same: 0, more: 0 }), foreseenSentence({ points: [], same: 3, more: 0 })]).toEqual([
      'It gives nothing.',
      'Nothing would change: all is as it says already.',
    ])
  })
  it('has lines in units, with what was meant where that is something else', () => {
    expect(foreseenLine(point(80, 80, 40))).toMatchObject({
      now: '80 %',
      then: '80 %',
      meant: 'it says 40 %; this is from House desk',
    })
    expect(foreseenLine(point(null, 5, null))).toMatchObject({ now: '', then: '5 %', meant: '' })
  })
})
