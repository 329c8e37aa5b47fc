import { call } from '@/api/client'
import type { Addresses } from '@/live/link'

/** The door of a surface: who is in, and how the others get in. */
export interface Entry {
  entry: 'in' | 'code' | 'closed'
  name: string
}

export const entryOf = (surface: string) => call<Entry>('GET', `surfaces/${surface}/entry`)
export const enter = (surface: string, code: string) => call<Entry>('POST', `surfaces/${surface}/entry`, { code })
/** Whether it is the code that lets out of a kiosk. */
export const wayOut = (surface: string, code: string) => call<Entry>('POST', `surfaces/${surface}/way-out`, { code })
export const leave = (surface: string) => call<Entry>('DELETE', `surfaces/${surface}/entry`)
export const tokenFor = (surface: string) => call<Addresses>('POST', `surfaces/${surface}/token`)
