import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keyTable, useKeys } from '@/frame/keys'

type Pressed = Partial<KeyboardEvent> & { within?: string }

let listener: ((event: KeyboardEvent) => void) | undefined
const acted: string[] = []
const prevented = vi.fn()

/** A key, pressed on an element that lies within what the selector says, or on the page itself. */
function press(key: string, pressed: Pressed = {}): void {
  const target = {
    closest: (selectors: string) => (pressed.within !== undefined && selectors.split(', ').includes(pressed.within) ? {} : null),
  }
  listener?.({
    key,
    ctrlKey: false,
    metaKey: false,
    shiftKey: false,
    altKey: false,
    defaultPrevented: false,
    timeStamp: 0,
    preventDefault: prevented,
    ...pressed,
    target,
  } as unknown as KeyboardEvent)
}

beforeEach(() => {
  acted.length = 0
  prevented.mockClear()
  vi.stubGlobal('window', {
    addEventListener: (_: string, heard: typeof listener) => (listener = heard),
    removeEventListener: () => (listener = undefined),
  })
})
afterEach(() => vi.unstubAllGlobals())

describe('the keys', () => {
  const known = ['Ctrl+Z', 'Ctrl+Shift+Z', 'Ctrl+Y', 'Ctrl+K', 'T', '/', 'G 1']
  const keys = useKeys((key) => {
    acted.push(key)
    return known.includes(key)
  })
  it.each<[string, Pressed, string]>([
    ['t', {}, 'T'],
    ['X', { shiftKey: true }, 'Shift+X'],
    ['X', {}, 'X'],
    ['?', { shiftKey: true }, '?'],
    ['1', {}, '1'],
    ['z', { ctrlKey: true }, 'Ctrl+Z'],
    ['z', { metaKey: true }, 'Ctrl+Z'],
    ['Z', { ctrlKey: true, shiftKey: true }, 'Ctrl+Shift+Z'],
    ['y', { ctrlKey: true }, 'Ctrl+Y'],
    ['ArrowDown', {}, 'ArrowDown'],
    ['k', { ctrlKey: true, within: 'input' }, 'Ctrl+K'],
  ])('%s with %o is %s', (key, pressed, name) => {
    keys.listen()
    press(key, pressed)
    keys.stop()
    expect(acted).toEqual([name])
    expect(prevented).toHaveBeenCalledTimes(known.includes(name) ? 1 : 0)
  })
  it.each<[string, string, Pressed]>([
    ['while somebody writes', '1', { within: 'input' }],
    ['in an area of text', 'z', { within: 'textarea', ctrlKey: true }],
    ['in the grid of slots, which has keys of its own', '5', { within: '[role="grid"]' }],
    ['in an open list', 't', { within: '.v-overlay__content' }],
    ['with Alt, which belongs to the browser', 't', { altKey: true }],
    ['where somebody has taken it already', 't', { defaultPrevented: true }],
  ])('are nothing %s', (_, key, pressed) => {
    keys.listen()
    press(key, pressed)
    keys.stop()
    expect([acted, prevented.mock.calls.length]).toEqual([[], 0])
  })
  it.each([
    [['g', '1'], ['G 1'], 2],
    [['1'], ['1'], 0],
    [['g', '1', '1'], ['G 1', '1'], 2],
    [['g', 'g', '1'], ['G 1'], 3],
    [['g', 't', '1'], ['T', '1'], 2],
    [['G', 'Shift', '1'], ['G 1'], 2],
  ])('%j are %j: only a digit after G goes anywhere', (pressed, names, used) => {
    keys.listen()
    for (const key of pressed) press(key)
    keys.stop()
    expect([acted, prevented.mock.calls.length]).toEqual([names, used])
  })
  it('wait two seconds for the digit, and no longer', () => {
    keys.listen()
    press('g', { timeStamp: 1000 })
    press('1', { timeStamp: 3000 })
    press('g', { timeStamp: 5000 })
    press('1', { timeStamp: 7001 })
    keys.stop()
    expect(acted).toEqual(['G 1', '1'])
  })
  it('are listened to no longer than the page is there', () => {
    keys.listen()
    keys.stop()
    press('t')
    expect(acted).toEqual([])
  })
  it('stand in the list of keys, each once', () => {
    const said = keyTable.map((line) => line.key)
    expect(new Set(said).size).toBe(said.length)
    expect(said).toContain('Ctrl+Shift+Z or Ctrl+Y')
  })
})
