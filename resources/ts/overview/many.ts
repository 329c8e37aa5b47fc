import type { Port, Route, Universe } from '@/api/show'
import { spellProtocol, spellRate, spellRuns } from '@/components/words'
import type { PortLife, PortState } from '@/live/types'
import type { UniverseLife } from '@/live/messages'

/** One line of a lane of a large show. */
export interface LaneRow {
  node: string
  name: string
  to: string
  state: PortState | null
  words: string
  wrong: boolean
  group: string
}
export type LaneItem = { key: string; heading: string; count: number; folded: boolean } | { key: string; row: LaneRow }

/** More ports and universes together than this are shown one line each. */
export const MANY = 28

const isWrong = (state: PortState) => ['fault', 'lost', 'silent', 'unsteady'].includes(state)
const numbersOf = (links: { number: number }[] | undefined) => (links?.length ? spellRuns(links.map((one) => one.number)) : '')

export function portRow(port: Port, side: 'in' | 'out', life: PortLife | undefined): LaneRow {
  const state = life?.state ?? 'waiting'
  const rate = side === 'in' ? life?.in : life?.out
  const numbers = numbersOf(side === 'in' ? port.receive?.feeds : port.send?.carries)
  return {
    node: `${side}:${port.id}`,
    name: port.name,
    to: `/ports/${port.id}`,
    state,
    words: isWrong(state) ? state : [numbers, rate ? spellRate(rate) : ''].filter(Boolean).join(' · '),
    wrong: isWrong(state),
    group: spellProtocol(port.protocol),
  }
}

export function universeRow(universe: Universe, life: UniverseLife | undefined): LaneRow {
  const isLost = life !== undefined && life.spoken && life.leaders.length === 0 && life.sources > 0
  return {
    node: `universe:${universe.id}`,
    name: universe.name,
    to: `/universes/${universe.id}`,
    state: null,
    words: isLost ? 'all sources lost' : life?.raised ? `${life.raised} raised` : '',
    wrong: isLost,
    group: life?.spoken ? 'With sources' : 'No source yet',
  }
}

export const routeRow = (route: Route): LaneRow => ({
  node: `route:${route.id}`,
  name: route.name,
  to: `/routes/${route.id}`,
  state: null,
  words: route.enabled === false ? 'off' : 'route',
  wrong: false,
  group: 'Routes',
})

/** What has every word that is searched for and lies on the path that is looked at; wrong things under a heading of their own on top. */
export function laneItems(rows: LaneRow[], search: string, path: Set<string> | null, folded: Set<string>): LaneItem[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const shown = rows.filter(
    (row) =>
      (path === null || path.has(row.node)) &&
      words.every((word) => `${row.name} ${row.group} ${row.words}`.toLowerCase().includes(word)),
  )
  const groups = new Map<string, LaneRow[]>()
  for (const row of [...shown.filter((one) => one.wrong), ...shown.filter((one) => !one.wrong)]) {
    const heading = row.wrong ? 'Wrong' : row.group
    const members = groups.get(heading)
    if (members) members.push(row)
    else groups.set(heading, [row])
  }
  return [...groups].flatMap(([heading, members]): LaneItem[] => {
    const isFolded = folded.has(heading)
    return [
      { key: `heading ${heading}`, heading, count: members.length, folded: isFolded },
      ...(isFolded ? [] : members.map((row): LaneItem => ({ key: row.node, row }))),
    ]
  })
}
