import type { Port } from '@/api/show'
import { quoted } from '@/components/csv'
import type { PortLife } from '@/live/types'

export interface FigureRow {
  label: string
  cells: string[]
  bad: boolean[]
}
const losing = (port: Port) => ['art-net', 'sacn'].includes(port.protocol) || port.link?.kind === 'session'
const percent = (share: number) => (share === 0 ? 'none' : `${share} %`)

/** What is known of a port over ten seconds, a minute and since the engine started. */
export function figureRows(port: Port, life: PortLife, millis: (value: number) => string): FigureRow[] {
  const rows: FigureRow[] = []
  if (!port.receive) return rows
  if (losing(port)) {
    const shares = [life.lossTen, life.lossMinute, life.lossEver]
    const cells = shares.map(percent)
    if (life.lost > 0) cells[2] = `${life.lost} (${life.lossEver < 0.1 ? 'under 0.1' : life.lossEver} %)`
    rows.push({ label: 'Packets lost', cells, bad: [life.lossTen > 0, life.lossMinute > 0, life.lost > 0] })
  }
  const row = (label: string, values: (number | null)[], sign: string) => {
    if (values.some((value) => value !== null))
      rows.push({ label, cells: values.map((value) => (value === null ? '' : sign + millis(value))), bad: [] })
  }
  row('Longest gap', [life.gapTen, life.gap, life.gapEver], '')
  row('Jitter', [life.jitter, life.jitterMinute, life.jitterEver], '± ')
  return rows
}

const columns: [string, (life: PortLife) => number | string | null][] = [
  ['state', (life) => life.state],
  ['received', (life) => life.received],
  ['sent', (life) => life.sent],
  ['lost', (life) => life.lost],
  ['lost 10 s (%)', (life) => life.lossTen],
  ['lost minute (%)', (life) => life.lossMinute],
  ['lost evening (%)', (life) => life.lossEver],
  ['gap 10 s (ms)', (life) => life.gapTen],
  ['gap minute (ms)', (life) => life.gap],
  ['gap evening (ms)', (life) => life.gapEver],
  ['jitter 10 s (ms)', (life) => life.jitter],
  ['jitter minute (ms)', (life) => life.jitterMinute],
  ['jitter evening (ms)', (life) => life.jitterEver],
  ['refused', (life) => life.refused],
]

/** All ports, a line each (RFC 4180). */
export function figuresCsv(ports: Port[], lifeOf: (id: string) => PortLife | undefined): string {
  const lines = [['port', ...columns.map(([name]) => name)].join(',')]
  for (const port of ports) {
    const life = lifeOf(port.id)
    lines.push([quoted(port.name), ...columns.map(([, read]) => (life ? (read(life) ?? '') : ''))].join(','))
  }
  return `${lines.join('\r\n')}\r\n`
}
