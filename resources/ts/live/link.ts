import { ref, type Ref } from 'vue'
import { call, Refused } from '@/api/client'

export interface Addresses {
  token: string
  live: string
  standIns: string | null
}
export type LinkState = 'connecting' | 'open' | 'lost'
type Answer = { ok: boolean; error?: string; [field: string]: unknown }

/** A whole address, from a path of the page's own host, another port of it, or what is whole already. */
export function linkUrl(address: string, page: Pick<Location, 'protocol' | 'host' | 'hostname'>): string {
  const scheme = page.protocol === 'https:' ? 'wss' : 'ws'
  if (address.startsWith('/')) return `${scheme}://${page.host}${address}`
  if (address.startsWith(':')) return `${scheme}://${page.hostname}${address}/`
  return address
}

const FIRST_WAIT = 250
const LONGEST_WAIT = 2000
const OPENING = 5000

/** A WebSocket that shows a fresh token each time, comes back by itself, and says how it is. */
export class Link {
  readonly state: Ref<LinkState> = ref('connecting')
  /** Why it does not open, in words; '' while that is not known. */
  readonly problem = ref('')
  onMessage: (message: { type: string; [field: string]: unknown }) => void = () => {}
  onBytes: (bytes: Uint8Array) => void = () => {}
  /** The other end has closed with this code, or refuses a token with this status: whether the link is to stay away. */
  staysAway: (code: number) => boolean = () => false
  private socket: WebSocket | null = null
  private wait = FIRST_WAIT
  private topics = ''
  private number = 0
  private readonly asked = new Map<number, (answer: Answer) => void>()
  private wanted = false
  private heardAt = 0
  private askedWhyAt = 0
  private waiting: ReturnType<typeof setTimeout> | undefined

  /** Number of the last message that was said unasked: the next one has the next. */
  private told = 0

  /** @param patience milliseconds of silence after which the other end counts as dead, though the connection stands; 0 for never */
  constructor(
    private readonly choose: (addresses: Addresses) => string | null,
    private readonly patience = 0,
    private readonly token = () => call<Addresses>('POST', 'live-token'),
    private readonly why = () => call<{ problem: string }>('POST', 'live-check').then((answer) => answer.problem),
  ) {}

  start(): void {
    if (this.wanted) return
    this.wanted = true
    void this.connect()
    if (this.patience > 0) setInterval(() => this.look(), Math.min(1000, this.patience / 4))
    // A page that the browser keeps for the way back is not here; when it is shown again it comes back.
    globalThis.addEventListener?.('pagehide', () => this.socket?.close())
  }

  /** Gives a command; the answer says whether it was carried out. */
  ask(command: Record<string, unknown>): Promise<Answer> {
    if (this.socket?.readyState !== WebSocket.OPEN)
      return Promise.resolve({ ok: false, error: 'The live link is down: it comes back by itself, then try again.' })
    const id = ++this.number
    this.socket.send(JSON.stringify({ ...command, id }))
    return new Promise((resolve) => this.asked.set(id, resolve))
  }

  subscribe(topics: string[]): void {
    const wanted = JSON.stringify(topics)
    if (wanted === this.topics) return
    this.topics = wanted
    if (this.state.value === 'open') void this.ask({ do: 'subscribe', topics })
  }

  private async connect(): Promise<void> {
    try {
      const addresses = await this.token()
      const url = this.choose(addresses)
      if (url === null) return
      // As a subprotocol the token stands in no log of addresses.
      this.listen(new WebSocket(linkUrl(url, location), ['junction', addresses.token]))
    } catch (refused) {
      this.problem.value = (refused as Error).message
      this.again(refused instanceof Refused ? refused.status : 0)
    }
  }

  /** A browser says nothing of why a link does not open: the web server tries the same door, and says what it met. */
  private async askWhy(): Promise<void> {
    if (Date.now() - this.askedWhyAt < LONGEST_WAIT * 2) return
    this.askedWhyAt = Date.now()
    const problem = await this.why().catch(() => '')
    if (this.state.value !== 'open') this.problem.value = problem
  }

  private listen(socket: WebSocket): void {
    this.socket = socket
    socket.binaryType = 'arraybuffer'
    // What hangs takes connections, and says nothing: a browser would wait for minutes.
    const opening = setTimeout(() => socket.close(), OPENING)
    socket.onopen = () => {
      clearTimeout(opening)
      this.wait = FIRST_WAIT
      this.told = 0
      this.heardAt = Date.now()
      this.state.value = 'open'
      this.problem.value = ''
      if (this.topics) void this.ask({ do: 'subscribe', topics: JSON.parse(this.topics) })
    }
    socket.onmessage = ({ data }) => {
      this.heardAt = Date.now()
      if (typeof data !== 'string') return this.onBytes(new Uint8Array(data))
      const message = JSON.parse(data)
      if (message.type !== 'answer') return this.take(message)
      this.asked.get(message.id)?.(message)
      this.asked.delete(message.id)
    }
    socket.onclose = ({ code }) => {
      clearTimeout(opening)
      if (this.socket !== socket) return
      const hasOpened = this.state.value === 'open'
      this.again(code)
      if (!hasOpened && this.wanted) void this.askWhy()
    }
  }

  /** What is said piece by piece makes no whole once a piece is missing: then all of it is asked for again. */
  private take(message: { type: string; n?: number; [field: string]: unknown }): void {
    const isMissing = message.n !== undefined && message.n !== this.told + 1
    this.told = message.n ?? this.told
    this.onMessage(message)
    if (isMissing && this.topics) void this.ask({ do: 'subscribe', topics: JSON.parse(this.topics), anew: true })
  }

  /** An engine that hangs keeps its connections, and says nothing. */
  private look(): void {
    if (this.state.value !== 'open' || Date.now() - this.heardAt < this.patience) return
    const silent = this.socket
    this.socket = null
    silent?.close()
    this.again()
  }

  /** Comes back at once, whatever it waits for: the page was asleep, and is looked at again. */
  wakeUp(): void {
    if (!this.wanted || this.state.value === 'connecting') return
    if (this.state.value === 'open' && Date.now() - this.heardAt < this.patience) return
    const socket = this.socket
    this.socket = null
    socket?.close()
    this.wait = 0
    this.again()
    this.wait = FIRST_WAIT
  }

  private again(code = 0): void {
    this.state.value = 'lost'
    for (const answer of this.asked.values()) answer({ ok: false, error: 'The live link was lost before an answer came.' })
    this.asked.clear()
    clearTimeout(this.waiting)
    if (this.staysAway(code)) {
      this.wanted = false
      return
    }
    this.waiting = setTimeout(() => void this.connect(), this.wait)
    this.wait = Math.min(this.wait * 2, LONGEST_WAIT)
  }
}
