import { quoted } from '@/components/csv'
import type { PortOutages } from '@/live/messages'

export interface OutageRow {
  from: Date
  /** "21:04:09", by the clock of whoever looks. */
  clock: string
  /** Milliseconds; null while it lasts. */
  length: number | null
  what: string
  meanwhile: string
}
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' })

/** The engine says times of its own clock: "now" is what that showed when it said so. */
export function outageRows(said: (PortOutages & { at: number }) | undefined): OutageRow[] {
  if (!said) return []
  return said.outages.map((one) => {
    const from = new Date(said.at - (said.now - one.from))
    return {
      from,
      clock: time.format(from),
      length: one.until === null ? null : one.until - one.from,
      what: one.what,
      meanwhile: one.meanwhile,
    }
  })
}


/** For a spreadsheet. */
export function csvOf(port: string, rows: OutageRow[]): string {
  const lines = rows.map((row) =>
    [
      quoted(port),
      row.from.toISOString(),
      row.length === null ? '' : (row.length / 1000).toFixed(1),
      quoted(row.what),
      quoted(row.meanwhile),
    ].join(','),
  )
  return ['port,from,seconds,what,meanwhile', ...lines].join('\r\n') + '\r\n'
}
