/** One part in a list: what is searched, and what it is filtered, ordered and folded by. */
export interface Row {
  id: string
  name: string
  text: string
  state?: string
  group?: string
}
/** What is drawn: a heading that folds, or a row. */
export type Item = { key: string; group: string; count: number; folded: boolean } | { key: string; row: Row }
export interface Choice {
  search: string
  state: string
  value: ((row: Row) => string) | null
}

/** The rows that have every word that is searched for, and the state that is asked for, in the order that is asked for. */
export function chosenRows(rows: Row[], choice: Choice): Row[] {
  const words = choice.search.toLowerCase().split(/\s+/).filter(Boolean)
  const left = rows.filter((row) => {
    const text = words.length === 0 ? '' : `${row.name} ${row.text}`.toLowerCase()
    return (choice.state === '' || row.state === choice.state) && words.every((word) => text.includes(word))
  })
  const { value } = choice
  if (value === null) return left
  const values = new Map(left.map((row) => [row.id, value(row)]))
  return left.sort((a, b) => compared(values.get(a.id) ?? '', values.get(b.id) ?? ''))
}

/** Numbers by their size, also within texts; what is empty comes last. */
function compared(a: string, b: string): number {
  if (a === '' || b === '') return Number(a === '') - Number(b === '')
  return a.localeCompare(b, undefined, { numeric: true, sensitivity: 'base' })
}

/** Each state that rows have, with how many have it. */
export function statesOf(rows: Row[]): { state: string; count: number }[] {
  const counts = new Map<string, number>()
  for (const { state } of rows) if (state !== undefined) counts.set(state, (counts.get(state) ?? 0) + 1)
  return [...counts].map(([state, count]) => ({ state, count }))
}

/** Rows under the headings of their groups, in the order in which groups first appear; without groups just the rows. */
export function itemsOf(rows: Row[], folded: Set<string>): Item[] {
  const groups = new Map<string, Row[]>()
  for (const row of rows) {
    const group = row.group ?? ''
    const found = groups.get(group)
    if (found) found.push(row)
    else groups.set(group, [row])
  }
  const isGrouped = groups.size > 1 || !groups.has('')
  return [...groups].flatMap(([group, members]): Item[] => {
    const isFolded = isGrouped && folded.has(group)
    const drawn = isFolded ? [] : members.map((row): Item => ({ key: `row ${row.id}`, row }))
    return isGrouped && rows.length > 0
      ? [{ key: `group ${group}`, group, count: members.length, folded: isFolded }, ...drawn]
      : drawn
  })
}

/** What is selected after a click: with Ctrl one more or one less, with Shift the run from where it began. */
export function selected(
  before: Set<string>,
  shown: string[],
  id: string,
  from: string | null,
  keys: { shift: boolean; ctrl: boolean },
): Set<string> {
  if (keys.shift && from !== null && shown.includes(from)) {
    const [first, last] = [shown.indexOf(from), shown.indexOf(id)].sort((a, b) => a - b) as [number, number]
    return new Set([...(keys.ctrl ? before : []), ...shown.slice(Math.max(0, first), last + 1)])
  }
  const after = new Set(before)
  if (!after.delete(id)) after.add(id)
  return after
}

/** Before which part those that are selected have to be put to be one place further up or down; undefined where there is no further, null for the end. */
export function moveTarget(order: string[], moved: Set<string>, by: -1 | 1): string | null | undefined {
  const others = order.filter((id) => !moved.has(id))
  const first = order.findIndex((id) => moved.has(id))
  const before = order.slice(0, first).length
  if (by === -1) return before === 0 ? undefined : others[before - 1]
  const last = order.length - 1 - [...order].reverse().findIndex((id) => moved.has(id))
  const passed = order.slice(0, last + 1).filter((id) => !moved.has(id)).length
  if (passed >= others.length) return undefined
  return others[passed + 1] ?? null
}
