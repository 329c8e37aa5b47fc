import { onScopeDispose, ref } from 'vue'
import { call } from '@/api/client'

export interface Vitals {
  version: string
  pid: number
  startedAt: number
  show: string
  universes: number
  pages: number
  descriptors: number
  memory: number
  late: number
  faults: number
  runs: string
  ports: Record<string, { name: string; state: string }>
}
export interface Machine {
  version: string
  php: string
  engine: Vitals | null
  troubles: string[]
  room: number | null
}
export interface HouseEvent {
  at: string
  kind: string
  words: string
  by?: string
  port?: string
}
export interface Kept {
  name: string
  bytes: number
  at: number
}

export const KINDS: Record<string, string> = {
  lost: 'Lost',
  found: 'Found',
  fault: 'Fault',
  alarm: 'Alarm',
  edit: 'Edit',
  login: 'Login',
  people: 'People',
  restart: 'Restart',
  backup: 'Backup',
}

/** "1.2 MB", in powers of ten, as disks are sold. */
export function amount(bytes: number): string {
  const units = ['B', 'kB', 'MB', 'GB', 'TB']
  let value = bytes
  let unit = 0
  while (value >= 999.5 && unit < units.length - 1) {
    value /= 1000
    unit++
  }
  return `${unit === 0 || value >= 99.5 ? Math.round(value) : value.toFixed(1)} ${units[unit]}`
}

/** "3 d 4 h", "12 min", "40 s": the two largest units at most. */
export function span(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds))
  if (whole < 60) return `${whole} s`
  if (whole < 3600) return `${Math.floor(whole / 60)} min`
  const hours = Math.floor(whole / 3600)
  if (hours < 48) return `${hours} h ${Math.floor((whole % 3600) / 60)} min`
  return `${Math.floor(hours / 24)} d ${hours % 24} h`
}

/** "27 Nov 22:05:17", by the clock of the house, as the line says it. */
export function houseTime(at: string): string {
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
  const found = /^\d{4}-(\d\d)-(\d\d)T(\d\d:\d\d:\d\d)/.exec(at)
  return found ? `${Number(found[2])} ${months[Number(found[1]) - 1]} ${found[3]}` : at
}

/** Asks again every so many milliseconds, for as long as the page is looked at. */
export function useAgain(ask: () => Promise<unknown>, every: number): () => Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isOver = false
  async function now(): Promise<void> {
    clearTimeout(timer)
    if (!document.hidden) await ask()
    if (!isOver) timer = setTimeout(() => void now(), every)
  }
  void now()
  onScopeDispose(() => {
    isOver = true
    clearTimeout(timer)
  })
  return now
}

export function useMachine() {
  const machine = ref<Machine | null>(null)
  useAgain(async () => {
    machine.value = await call<Machine>('GET', 'machine').catch(() => null)
  }, 5000)
  return machine
}

export function useEvents() {
  const events = ref<HouseEvent[]>([])
  const kind = ref('')
  const text = ref('')
  const look = useAgain(async () => {
    const asked = new URLSearchParams({ most: '200' })
    if (kind.value) asked.set('kind', kind.value)
    if (text.value.trim()) asked.set('text', text.value.trim())
    const answer = await call<{ events: HouseEvent[] }>('GET', `events?${asked}`).catch(() => null)
    if (answer) events.value = answer.events
  }, 3000)
  return { events, kind, text, look }
}
