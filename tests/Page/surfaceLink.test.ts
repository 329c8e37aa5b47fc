import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import type { Control, Page } from '@/api/showDocument'
import { Link } from '@/live/link'
import type { ControlLife, Message, Orders, SurfaceControl, SurfaceNews } from '@/live/messages'
import { surfaceOn } from '@/surface/surface'
import { drawn } from '@/surfaces/drawn'
import { columnsOf, rowsOf } from '@/surfaces/build'

const life = (more: Partial<ControlLife> = {}): ControlLife => ({
  at: [0.5],
  text: '50 %',
  isOn: true,
  isSeen: true,
  canMove: true,
  called: '',
  ...more,
})
const control = (id: string) => ({ id, kind: 'fader', name: id }) as SurfaceControl

/** Pictures are taken when a test says so. */
const pictures: FrameRequestCallback[] = []
const takePicture = () => pictures.splice(0).forEach((one) => one(0))

describe('a surface', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    vi.stubGlobal('window', globalThis)
    vi.stubGlobal('requestAnimationFrame', (one: FrameRequestCallback) => pictures.push(one))
    vi.stubGlobal('cancelAnimationFrame', () => pictures.splice(0))
  })
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.useRealTimers()
    pictures.splice(0)
  })

  function begin(answer: { ok: boolean; error?: string } = { ok: true }) {
    const asked: Orders['touch'][] = []
    const isLive = ref(true)
    const scope = effectScope()
    const ask = (order: Orders['touch']) => {
      asked.push(order)
      return Promise.resolve(answer)
    }
    const surface = scope.run(() => surfaceOn('guide', { isLive, ask })) as ReturnType<typeof surfaceOn>
    return { surface, asked, isLive, end: () => scope.stop() }
  }

  it('takes what it is told of itself, and nothing of others', () => {
    const { surface, end } = begin()
    const news = (id: string) => ({ type: 'surface', n: 1, surface: id, name: id, kiosk: false, pages: [] }) as Message
    surface.take(news('booth'))
    expect(surface.news.value).toBeNull()
    surface.take(news('guide'))
    expect(surface.news.value?.name).toBe('guide')
    surface.take({ type: 'controls', n: 2, surface: 'booth', controls: { a: life() } })
    expect(surface.lives).toEqual({})
    surface.take({ type: 'controls', n: 3, surface: 'guide', controls: { a: life(), b: life({ at: [null] }) } })
    surface.take({ type: 'controls', n: 4, surface: 'guide', controls: { b: life({ text: 'mixed' }) } })
    expect([surface.lives.a?.text, surface.lives.b?.text]).toEqual(['50 %', 'mixed'])
    end()
  })

  it('sends of what moves faster than pictures only the last value, of each way of each control', () => {
    const { surface, asked, end } = begin()
    for (const value of [10, 20, 30]) surface.move(control('a'), value)
    surface.move(control('pad'), 1, 'across')
    surface.move(control('pad'), 2, 'up')
    expect(asked).toEqual([])
    takePicture()
    expect(asked).toEqual([
      { surface: 'guide', control: 'a', value: 30 },
      { surface: 'guide', control: 'pad', part: 'across', value: 1 },
      { surface: 'guide', control: 'pad', part: 'up', value: 2 },
    ])
    takePicture()
    expect(asked).toHaveLength(3)
    end()
  })

  it('sets and presses at once, and what was on its way before is not sent after', () => {
    const { surface, asked, end } = begin()
    surface.move(control('a'), 10)
    surface.set(control('a'), 99)
    surface.press(control('b'), 'long')
    takePicture()
    expect(asked).toEqual([
      { surface: 'guide', control: 'a', value: 99 },
      { surface: 'guide', control: 'b', part: 'long' },
    ])
    end()
  })

  it('refuses what is touched while the link is lost, and never sends it late', () => {
    const { surface, asked, isLive, end } = begin()
    surface.move(control('a'), 10)
    isLive.value = false
    takePicture()
    surface.press(control('b'))
    isLive.value = true
    takePicture()
    expect(asked).toEqual([])
    expect(surface.said.value).toBe('Not connected: that was not sent.')
    vi.advanceTimersByTime(5000)
    expect(surface.said.value).toBe('')
    end()
  })

  it('says why something was refused, and how long the answer took', async () => {
    const { surface, end } = begin({ ok: false, error: 'It can be moved only while House open is on.' })
    expect(surface.latency.value).toBeNull()
    surface.press(control('b'))
    await vi.waitFor(() => expect(surface.said.value).toContain('House open'))
    expect(surface.latency.value).toBeGreaterThanOrEqual(0)
    end()
  })
})

describe('a link that is not to come back', () => {
  class FakeSocket {
    static readonly OPEN = 1
    static all: FakeSocket[] = []
    readyState = 1
    binaryType = ''
    onopen: () => void = () => {}
    onclose: (event: { code: number }) => void = () => {}
    onmessage: (event: { data: string }) => void = () => {}
    constructor(readonly url: string) {
      FakeSocket.all.push(this)
    }
    send(): void {}
    close(): void {
      this.readyState = 3
    }
  }
  beforeEach(() => {
    vi.useFakeTimers()
    FakeSocket.all = []
    vi.stubGlobal('WebSocket', FakeSocket)
    vi.stubGlobal('location', { protocol: 'https:', host: 'hall', hostname: 'hall' })
  })
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.useRealTimers()
  })
  async function open(patience = 0) {
    const addresses = { token: 't', live: 'ws://engine', standIns: null }
    const link = new Link(
      (one) => one.live,
      patience,
      () => Promise.resolve(addresses),
    )
    const codes: number[] = []
    link.staysAway = (code) => {
      codes.push(code)
      return code === 4403
    }
    link.start()
    await vi.advanceTimersByTimeAsync(1)
    FakeSocket.all[0]?.onopen()
    return { link, codes }
  }

  it('stays away when it was sent away, and comes back from anything else', async () => {
    const { link, codes } = await open()
    FakeSocket.all[0]?.onclose({ code: 1006 })
    await vi.advanceTimersByTimeAsync(3000)
    expect(FakeSocket.all).toHaveLength(2)
    FakeSocket.all[1]?.onopen()
    FakeSocket.all[1]?.onclose({ code: 4403 })
    await vi.advanceTimersByTimeAsync(10_000)
    expect(FakeSocket.all).toHaveLength(2)
    expect(codes).toEqual([1006, 4403])
    link.start()
    await vi.advanceTimersByTimeAsync(10)
    expect(FakeSocket.all, 'a code was typed').toHaveLength(3)
  })

  it('wakes up at once after a sleep, and leaves alone what has just been heard', async () => {
    const { link } = await open(1500)
    link.wakeUp()
    await vi.advanceTimersByTimeAsync(10)
    expect(FakeSocket.all).toHaveLength(1)
    vi.setSystemTime(Date.now() + 60_000)
    link.wakeUp()
    await vi.advanceTimersByTimeAsync(10)
    expect(FakeSocket.all).toHaveLength(2)
    expect(link.state.value).toBe('lost')
    FakeSocket.all[1]?.onopen()
    expect(link.state.value).toBe('open')
  })

  it('counts as lost within two seconds when nothing is said', async () => {
    const { link } = await open(1500)
    await vi.advanceTimersByTimeAsync(1990)
    expect(link.state.value).toBe('lost')
  })
})

describe('a control while it is built', () => {
  const part = (more: object = {}): Control =>
    ({ id: 'a', name: 'Fern', does: { kind: 'fader', run: 'right' }, column: 2, row: 3, width: 4, ...more }) as Control
  const known = {
    id: 'a',
    kind: 'fader',
    name: 'Old',
    colour: '#102030',
    inkOn: '#ffffff',
    column: 9,
    row: 9,
    width: 9,
    height: 9,
    traits: { run: 'up' },
  } as unknown as SurfaceControl
  const news = (one: SurfaceControl) => ({ pages: [{ controls: [one] }] }) as unknown as SurfaceNews

  it('stands where it was put a moment ago, and has the colours that the engine knows', () => {
    expect(drawn(part(), news(known))).toMatchObject({
      name: 'Fern',
      column: 2,
      row: 3,
      width: 4,
      height: 1,
      colour: '#102030',
      traits: { run: 'up' },
    })
  })
  it('is drawn by what it is made of as long as the engine has not heard of it', () => {
    expect(drawn(part(), null)).toMatchObject({ kind: 'fader', size: 'medium', showsValue: true, traits: { run: 'right' } })
    expect(drawn(part({ does: { kind: 'button' } }), news(known))).toMatchObject({ kind: 'button', colour: '' })
  })
  it('has a page of a usual size where the document says none', () => {
    const page: Page = { id: 'p', name: 'Page' }
    expect([columnsOf(page), rowsOf(page)]).toEqual([6, 4])
  })
})
