import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Link, linkUrl } from '@/live/link'
import type { PortLife, Status } from '@/live/messages'
import { after, ago, heldSlot, minutesAfter, nothing, portLife } from '@/live/status'

const life = (changes: Partial<PortLife> = {}): PortLife => ({
  state: 'alive',
  fault: '',
  in: 40,
  out: 0,
  received: 1,
  sent: 0,
  lost: 0,
  gap: 25,
  jitter: 0.5,
  health: '',
  lossTen: 0,
  lossMinute: 0,
  gapTen: null,
  jitterMinute: null,
  jitterEver: null,
  lossEver: 0,
  gapEver: null,
  fitting: 0,
  refused: 0,
  refusals: {},
  senders: {},
  connected: [],
  heard: '',
  from: '',
  firstAt: 1000,
  heardAt: 4000,
  sentAt: null,
  ...changes,
})
const status = (changes: Partial<Status>): Status => ({
  type: 'status',
  n: 1,
  now: 5000,
  whole: false,
  engine: null,
  ports: {},
  universes: {},
  holds: null,
  unclaimed: null,
  ...changes,
})
const universe = { spoken: true, sources: 1, leaders: ['Desk'], priority: 100, raised: 3 }

describe('how everything is, put together of what was said', () => {
  const first = after(
    nothing,
    status({
      whole: true,
      ports: { desk: life(), node: life({ state: 'waiting' }) },
      universes: { palm: universe },
      holds: [],
      unclaimed: [],
    }),
  )

  it('takes what has changed, and keeps the rest as it was', () => {
    const next = after(first, status({ now: 5250, ports: { desk: life({ state: 'lost' }) } }))
    expect([next.ports.desk?.state, next.ports.node?.state, next.now]).toEqual(['lost', 'waiting', 5250])
    expect(next.universes).toBe(first.universes)
    expect(next.ports.node).toBe(first.ports.node)
  })
  it('keeps everything where only time has passed', () => {
    const next = after(first, status({ now: 6000 }))
    expect(next.ports).toBe(first.ports)
    expect(next.now).toBe(6000)
  })
  it('lets go of what is not there any more', () => {
    const next = after(
      { ...first, holds: [{ universe: 'palm', slot: 1, level: 2, by: 'Ada', until: 9000 }] },
      status({ whole: true, ports: { desk: life() } }),
    )
    expect(Object.keys(next.ports)).toEqual(['desk'])
    expect([next.universes, next.holds, next.unclaimed]).toEqual([{}, [], []])
  })
  it('has minutes likewise', () => {
    const minutes = { desk: { in: [1], out: [0] }, node: { in: [0], out: [1] } }
    expect(minutesAfter(minutes, { type: 'minutes', n: 1, whole: false, ports: { desk: { in: [2], out: [0] } } })).toEqual({
      desk: { in: [2], out: [0] },
      node: { in: [0], out: [1] },
    })
    expect(minutesAfter(minutes, { type: 'minutes', n: 1, whole: true, ports: {} })).toEqual({})
  })
})

describe('times of the engine', () => {
  it('are so long ago, and never in the future', () => {
    expect([ago(4000, 5000), ago(6000, 5000), ago(null, 5000)]).toEqual([1000, 0, null])
    expect(portLife(life(), 5000, true)).toMatchObject({ state: 'alive', firstAgo: 4000, heardAgo: 1000, sentAgo: null })
    expect(heldSlot({ universe: 'palm', slot: 1, level: 2, by: 'Ada', until: 65_900 }, 5000).left).toBe(60)
    expect(heldSlot({ universe: 'palm', slot: 1, level: 2, by: 'Ada', until: 4000 }, 5000).left).toBe(0)
  })
  it('say nothing while the engine does not answer: no port is alive then', () => {
    expect(portLife(life(), 5000, false)).toMatchObject({
      state: 'unknown',
      fault: 'Not known: the engine does not answer.',
      in: NaN,
    })
    expect(portLife(life({ state: 'off' }), 5000, false)).toMatchObject({ state: 'off', fault: '' })
  })
})

class FakeSocket {
  static readonly OPEN = 1
  static last: FakeSocket | null = null
  readyState = 1
  binaryType = ''
  sent: Record<string, unknown>[] = []
  onopen: () => void = () => {}
  onclose: (event: { code: number }) => void = () => {}
  onmessage: (event: { data: string | ArrayBuffer }) => void = () => {}
  constructor(readonly url: string) {
    FakeSocket.last = this
  }
  send(text: string): void {
    this.sent.push(JSON.parse(text))
  }
  close(): void {
    this.readyState = 3
  }
  say(message: object): void {
    this.onmessage({ data: JSON.stringify(message) })
  }
}

describe('the link', () => {
  beforeEach(() => {
    vi.stubGlobal('WebSocket', FakeSocket)
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(JSON.stringify({ token: 't', live: 'ws://engine', standIns: null }), {
          status: 200,
          headers: { 'Content-Type': 'application/json' },
        }),
      ),
    )
    vi.stubGlobal('document', { cookie: '' })
    vi.stubGlobal('location', { protocol: 'http:', host: 'hall:8080', hostname: 'hall' })
  })
  afterEach(() => {
    vi.unstubAllGlobals()
  })

  async function open(): Promise<{ link: Link; socket: FakeSocket; heard: unknown[] }> {
    const link = new Link((addresses) => addresses.live)
    const heard: unknown[] = []
    link.onMessage = (message) => heard.push(message.type)
    link.subscribe(['status', 'trace'])
    link.start()
    await vi.waitFor(() => {
      if (!FakeSocket.last) throw new Error('no socket yet')
    })
    const socket = FakeSocket.last as FakeSocket
    FakeSocket.last = null
    socket.onopen()
    return { link, socket, heard }
  }

  it('asks for all of it again when a number is missing, and only then', async () => {
    const { socket, heard } = await open()
    expect(socket.sent).toMatchObject([{ do: 'subscribe', topics: ['status', 'trace'] }])
    for (const n of [1, 2, 3]) socket.say({ type: 'status', n })
    expect(socket.sent).toHaveLength(1)
    socket.say({ type: 'status', n: 5 })
    expect(socket.sent.slice(1)).toMatchObject([{ do: 'subscribe', topics: ['status', 'trace'], anew: true }])
    socket.say({ type: 'status', n: 6 })
    expect(socket.sent).toHaveLength(2)
    expect(heard).toEqual(['status', 'status', 'status', 'status', 'status'])
  })

  it('hands answers to whoever asked, and does not count them', async () => {
    const { link, socket, heard } = await open()
    const answer = link.ask({ do: 'press', point: 'value:open' })
    socket.say({ type: 'status', n: 1 })
    socket.say({ type: 'answer', id: socket.sent.at(-1)?.id, ok: false, error: 'Not so.' })
    socket.say({ type: 'status', n: 2 })
    expect(await answer).toMatchObject({ ok: false, error: 'Not so.' })
    expect(heard).toEqual(['status', 'status'])
    expect(socket.sent).toHaveLength(2)
  })

  it('goes to the host, and over TLS, as its page did, unless a whole address is given', () => {
    const byName = { protocol: 'https:', host: 'junction.example', hostname: 'junction.example' }
    const byAddress = { protocol: 'http:', host: '[::1]:8080', hostname: '[::1]' }
    expect(linkUrl('/live', byName)).toBe('wss://junction.example/live')
    expect(linkUrl('/live', byAddress)).toBe('ws://[::1]:8080/live')
    expect(linkUrl(':8081', byAddress)).toBe('ws://[::1]:8081/')
    expect(linkUrl('wss://far.example/live', byAddress)).toBe('wss://far.example/live')
  })

  it('says why it does not open, and nothing once it does', async () => {
    const link = new Link(
      (addresses) => addresses.live,
      0,
      undefined,
      () => Promise.resolve('No engine listens.'),
    )
    link.start()
    await vi.waitFor(() => expect(FakeSocket.last).not.toBeNull())
    const first = FakeSocket.last as FakeSocket
    FakeSocket.last = null
    first.onclose({ code: 1006 })
    await vi.waitFor(() => expect(link.problem.value).toBe('No engine listens.'))
    await vi.waitFor(() => expect(FakeSocket.last).not.toBeNull())
    const second = FakeSocket.last as unknown as FakeSocket
    FakeSocket.last = null
    second.onopen()
    expect(link.problem.value).toBe('')
    second.onclose({ code: 1006 })
    expect(link.problem.value, 'a link that was open comes back by itself').toBe('')
  })

  it('answers everybody when it is lost', async () => {
    const { link, socket } = await open()
    const answer = link.ask({ do: 'press', point: 'value:open' })
    socket.onclose({ code: 1006 })
    expect(await answer).toMatchObject({ ok: false, error: 'The live link was lost before an answer came.' })
    expect(link.state.value).toBe('lost')
  })
})
