import type { Patched } from './patched'
import type { ShowDocument } from './showDocument'
import type { ListName, ShowPageData } from './showPage'

/** What has become of a part: null is gone; "before" is said of what is new or has moved, null at the end of its list. */
export interface PartChange {
  part: { id: string; name?: string } | null
  before?: string | null
}
/** What was changed since the revision "base", and all that a page shows otherwise because of it. */
export interface Changes extends Omit<ShowPageData, 'document'> {
  base: number
  changes: { settings: Partial<ShowDocument>; parts: Partial<Record<ListName, Record<string, PartChange>>> }
  patched: string[]
}
type Part = { id: string }

/** A list of the document after some of its parts were changed. */
export function listAfter<T extends Part>(list: readonly T[], changes: Record<string, PartChange>): T[] {
  const parts = new Map(list.map((part) => [part.id, part]))
  const moved: [T, string | null][] = []
  for (const [id, change] of Object.entries(changes)) {
    if (change.part === null) parts.delete(id)
    else if (change.before === undefined && parts.has(id)) parts.set(id, change.part as unknown as T)
    else {
      parts.delete(id)
      moved.push([change.part as unknown as T, change.before ?? null])
    }
  }
  const after = [...parts.values()]
  // What another one stands before has to be there first: an object does not keep the order of ids that are numbers.
  for (let waiting = moved; waiting.length > 0;) {
    const next = waiting.find(([, before]) => before === null || after.some((one) => one.id === before)) ?? waiting[0]
    if (!next) break
    const at = next[1] === null ? -1 : after.findIndex((one) => one.id === next[1])
    after.splice(at < 0 ? after.length : at, 0, next[0])
    waiting = waiting.filter((one) => one !== next)
  }
  return after
}

function documentAfter(document: ShowDocument, changes: Changes['changes']): ShowDocument {
  const after: Record<string, unknown> = { ...document, ...changes.settings }
  for (const [list, parts] of Object.entries(changes.parts))
    after[list] = listAfter((document[list as ListName] ?? []) as Part[], parts)
  return after as unknown as ShowDocument
}

/** What is known by id, with what is new of it, as far as the part is still there. */
function known<T>(before: Record<string, T>, news: Record<string, T>, parts: readonly Part[] | undefined): Record<string, T> {
  const there = new Set((parts ?? []).map((part) => part.id))
  return Object.fromEntries(Object.entries({ ...before, ...news }).filter(([id]) => there.has(id)))
}

/** A page after what was changed since. */
export function pageAfter(page: ShowPageData, news: Changes): ShowPageData {
  const document = documentAfter(page.document, news.changes)
  const unsent = { ...page.unsent }
  for (const port of Object.keys(news.places)) delete unsent[port]
  const patch = [...page.patch.filter((one) => !news.patched.includes(one.universe)), ...news.patch]
  return {
    document,
    revision: news.revision,
    undo: news.undo,
    undoBy: news.undoBy,
    redo: news.redo,
    redoBy: news.redoBy,
    adapters: news.adapters,
    sentences: known(page.sentences, news.sentences, document.routes),
    routeEnds: known(page.routeEnds, news.routeEnds, document.routes),
    places: known(page.places, news.places, document.ports),
    unsent: known(unsent, news.unsent, document.ports),
    numbering: known(page.numbering, news.numbering, document.universes),
    footprints: known(page.footprints, news.footprints, document.profiles),
    nextFree: known(page.nextFree, news.nextFree, document.universes),
    patch: news.patched.length > 0 ? patch.sort(byAddress) : page.patch,
  }
}

function byAddress(a: Patched, b: Patched): number {
  return a.universe < b.universe ? -1 : a.universe > b.universe ? 1 : a.first - b.first
}
