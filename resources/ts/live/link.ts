import { ref, type Ref } from 'vue'
import { call } from '@/api/client'

export interface Addresses {
  token: string
  live: string
  standIns: string | null
}
export type LinkState = 'connecting' | 'open' | 'lost'
type Answer = { ok: boolean; error?: string; [field: string]: unknown }

const FIRST_WAIT = 250
const LONGEST_WAIT = 2000

/** A WebSocket that shows a fresh token each time, comes back by itself, and says how it is. */
export class Link {
  readonly state: Ref<LinkState> = ref('connecting')
  onMessage: (message: { type: string; [field: string]: unknown }) => void = () => {}
  onBytes: (bytes: Uint8Array) => void = () => {}
  private socket: WebSocket | null = null
  private wait = FIRST_WAIT
  private topics = ''
  private number = 0
  private readonly asked = new Map<number, (answer: Answer) => void>()
  private wanted = false
  private heardAt = 0

  /** Number of the last message that was said unasked: the next one has the next. */
  private told = 0

  /** @param patience milliseconds of silence after which the other end counts as dead, though the connection stands; 0 for never */
  constructor(
    private readonly choose: (addresses: Addresses) => string | null,
    private readonly patience = 0,
  ) {}

  start(): void {
    if (this.wanted) return
    this.wanted = true
    void this.connect()
    if (this.patience > 0) setInterval(() => this.look(), 1000)
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
      const addresses = await call<Addresses>('POST', 'live-token')
      const url = this.choose(addresses)
      if (url === null) return
      this.listen(new WebSocket(`${url}?token=${encodeURIComponent(addresses.token)}`))
    } catch {
      this.again()
    }
  }

  private listen(socket: WebSocket): void {
    this.socket = socket
    socket.binaryType = 'arraybuffer'
    socket.onopen = () => {
      this.wait = FIRST_WAIT
      this.told = 0
      this.heardAt = Date.now()
      this.state.value = 'open'
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
    socket.onclose = () => {
      if (this.socket === socket) this.again()
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

  private again(): void {
    this.state.value = 'lost'
    for (const answer of this.asked.values()) answer({ ok: false, error: 'The live link was lost before an answer came.' })
    this.asked.clear()
    setTimeout(() => void this.connect(), this.wait)
    this.wait = Math.min(this.wait * 2, LONGEST_WAIT)
  }
}
