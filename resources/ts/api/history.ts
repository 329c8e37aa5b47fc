import { call } from './client'
import { useShow } from './show'

/** One edit of the history; a point is the name that somebody gave to the show as it was after it. */
export interface EditLine {
  id: number
  revision: number
  by: string
  at: string
  what: string
  kind: 'edit' | 'undo' | 'redo' | 'back'
  undone: boolean
  point: string | null
  joined: number
}
export interface Difference {
  lines: { what: string; differences: { field: string; was: string; is: string }[] }[]
  more: number
}
export interface HistoryPage {
  edits: EditLine[]
  more: boolean
  count: number
  bytes: number
  mostBytes: number
}

export const historyBefore = (id?: number) =>
  call<HistoryPage>('GET', id === undefined ? 'show/history' : `show/history?before=${id}`)
export const difference = (id: number) => call<Difference>('GET', `show/history/${id}`)
export const wayBack = (id: number) => call<Difference>('GET', `show/history/${id}/way-back`)
export const nameEdit = (id: number, point: string | null) => call<EditLine>('PATCH', `show/history/${id}`, { point })
export const goBack = (id: number) => useShow().take(call('POST', `show/history/${id}/go-back`))
export const undoEdit = (id: number) => useShow().take(call('POST', 'show/undo', { edit: id }))
