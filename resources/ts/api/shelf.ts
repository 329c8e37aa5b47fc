import { call } from './client'
import { useShow } from './show'

/** A show that is stored. */
export interface ShelfLine {
  id: number
  name: string
  isOpen: boolean
  changedAt: string
  by: string | null
  what: string | null
  archived: boolean
  deletedAt: string | null
  goneAt: string | null
  counts: Record<string, number>
}
/** What opening a show changes for the ports, by their names. */
export interface Opening {
  closes: string[]
  opens: string[]
  changes: string[]
  stays: number
}

export const allShows = () => call<{ shows: ShelfLine[]; keptDays: number }>('GET', 'shows')
export const beginShow = (name: string) => call<ShelfLine>('POST', 'shows', { name })
export const importShow = (json: string) => call<ShelfLine>('POST', 'shows/import', json)
export const duplicateShow = (id: number, name: string) => call<ShelfLine>('POST', `shows/${id}/duplicate`, { name })
export const changeShow = (id: number, fields: { name?: string; archived?: boolean }) =>
  call<ShelfLine>('PATCH', `shows/${id}`, fields)
export const deleteShow = (id: number) => call<ShelfLine>('DELETE', `shows/${id}`)
export const restoreShow = (id: number) => call<ShelfLine>('POST', `shows/${id}/restore`)
export const openingOf = (id: number) => call<Opening>('GET', `shows/${id}/opening`)
export const openShow = (id: number) => useShow().take(call('POST', `shows/${id}/open`))
