import type * as said from './messages'
import type { Hold, PortLife, PortState } from './types'

/** How everything is, put together of what was said piece by piece; times are of the engine's clock. */
export interface Whole {
  now: number
  engine: said.EngineLife | null
  ports: Record<string, said.PortLife>
  universes: Record<string, said.UniverseLife>
  holds: said.HeldSlot[]
  unclaimed: said.Stray[]
}
export const nothing: Whole = { now: 0, engine: null, ports: {}, universes: {}, holds: [], unclaimed: [] }

/** What is known after another message: it says what has changed, or everything. */
export function after(before: Whole, news: said.Status): Whole {
  const same = <T extends object>(known: T, fresh: T) =>
    news.whole ? fresh : Object.keys(fresh).length > 0 ? { ...known, ...fresh } : known
  return {
    now: news.now,
    engine: news.engine ?? before.engine,
    ports: same(before.ports, news.ports),
    universes: same(before.universes, news.universes),
    holds: news.holds ?? (news.whole ? [] : before.holds),
    unclaimed: news.unclaimed ?? (news.whole ? [] : before.unclaimed),
  }
}

/** The minutes of ports, likewise. */
export const minutesAfter = (before: Record<string, said.MinuteCounts>, news: said.Minutes) =>
  news.whole ? news.ports : { ...before, ...news.ports }

/** How long ago it was, in milliseconds; never less than nothing. */
export function ago(at: number, now: number): number
export function ago(at: number | null, now: number): number | null
export function ago(at: number | null, now: number): number | null {
  return at === null ? null : Math.max(0, now - at)
}

/** A port as pages show it. While the engine does not answer nobody knows how it is: it is not alive. */
export function portLife(life: said.PortLife, now: number, isKnown: boolean): PortLife {
  const shown = {
    ...life,
    state: life.state as PortState,
    firstAgo: ago(life.firstAt, now),
    heardAgo: ago(life.heardAt, now),
    sentAgo: ago(life.sentAt, now),
  }
  if (isKnown) return shown
  const isOff = shown.state === 'off'
  return {
    ...shown,
    state: isOff ? 'off' : 'unknown',
    fault: isOff ? '' : 'Not known: the engine does not answer.',
    in: NaN,
    out: NaN,
  }
}

/** With the whole seconds that are left. */
export const heldSlot = (hold: said.HeldSlot, now: number): Hold => ({
  ...hold,
  left: Math.max(0, Math.floor((hold.until - now) / 1000)),
})
