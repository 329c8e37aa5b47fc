import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { pageAfter, type Changes } from './changes'
import { call, Refused } from './client'
import { BESIDE, namedAt, type AddressWay, type PixelLayout, type PlacedParameter } from './patched'
import type {
  Fixture,
  Group,
  Offer,
  Panel,
  PixelMap,
  Port,
  Profile,
  Copy,
  CueList,
  Desk,
  Look,
  Master,
  Occasion,
  Route,
  Surface,
  Tempo,
  TimeCode,
  Timeline,
  Universe,
  Value,
  Wave,
} from './showDocument'
import type { ListName, ShowPageData } from './showPage'

export type * from './showDocument'
export type * from './showPage'
export type { AddressWay, Patched, PixelLayout, PixelSlots, PlacedParameter } from './patched'
export { pixelAt, universeOf } from './patched'
export interface OtherEndLine {
  side: string
  label: string
  value: string
}
export type Values = Record<string, unknown>
/** How many parts a table adds, changes, and names without changing. */
export interface TableCounts {
  added: number
  changed: number
  same: number
}
/** A field of a part, as its class describes it; what is beside the first line belongs to some types only. */
export interface FieldOfPart {
  name: string
  type: string
  label: string
  default: unknown
  isNeeded: boolean
  onlyAt: string
  onlyWords: string[]
  shownAt: string
  shownWords: string[]
  help: string
  isOlder?: boolean
  /** Folded away in a form until somebody asks for it, or it says something. */
  isRare?: boolean
  low?: number
  high?: number
  suggested?: number | null
  like?: string
  of?: string
  most?: number
  words?: string[]
  titles?: Record<string, string>
  by?: string
  wordsBy?: Record<string, string[]>
  part?: PartDescription
  at?: string
  sides?: Record<string, PartDescription>
}
export interface PartDescription {
  kind: string
  label: string
  fields: FieldOfPart[]
}
/** A part that says of what kind it is, with the fields of that kind. */
export type KindPart = { kind: string } & Values


/** The current show as it is stored, and every way to change it. */
export const useShow = defineStore('show', () => {
  const data = shallowRef<ShowPageData | null>(null)
  const said = ref('')
  /** What was said is about an edit that may have been a slip. */
  const offersUndo = ref(false)

  /** Edits that are on their way: whoever takes a step back means the last of them. */
  let underWay: Promise<unknown> = Promise.resolve()
  /** What is seen is not stored yet. */
  const isStoring = ref(false)
  function take(promise: Promise<ShowPageData | Changes>): Promise<ShowPageData | Changes> {
    const taken = taking(promise)
    soon(taken)
    return taken
  }
  /** An edit is on its way, or will be as soon as one before it is stored. */
  function soon(edit: Promise<unknown>): void {
    const all = Promise.allSettled([underWay, edit]).then(() => {
      if (underWay === all) isStoring.value = false
    })
    isStoring.value = true
    underWay = all
  }
  async function taking(promise: Promise<ShowPageData | Changes>): Promise<ShowPageData | Changes> {
    const answer = await promise
    await put(answer)
    offersUndo.value = false
    said.value = answer.undone
      ? `Undone: ${answer.undone} (by ${answer.undoneBy}).`
      : answer.redone
        ? `Done again: ${answer.redone} (by ${answer.redoneBy}).`
        : ''
    if (answer.notice) said.value = `${said.value} ${answer.notice}`.trim()
    return answer
  }
  /** An answer is the show of now, or what was changed since a revision: of another one than ours it is of no use. */
  async function put(answer: ShowPageData | Changes): Promise<void> {
    if (!('changes' in answer)) data.value = answer
    else if (data.value?.revision === answer.base) data.value = pageAfter(data.value, answer)
    else if ((data.value?.revision ?? 0) < answer.revision) await begin()
  }
  /** All of it is asked for, which may be the show of a moment ago, and then what was changed since. */
  async function begin(): Promise<void> {
    await load()
    if (data.value) await lookOnce()
  }
  /** Looks again, and says nothing; an answer that a newer edit has overtaken is left. */
  async function load(): Promise<void> {
    const before = data.value
    const answer = await call<ShowPageData>('GET', 'show')
    if (data.value === before) data.value = answer
  }
  let following: Promise<void> | null = null
  let mayBeNewer = false
  /**
   * Somebody may have changed something: what that is comes, and nothing else. One after the other: of two questions at
   * once the second is answered from where the first began, and what it says would be lost.
   */
  function follow(): Promise<void> {
    mayBeNewer = true
    following ??= followOn().finally(() => {
      following = null
    })
    return following
  }
  async function followOn(): Promise<void> {
    while (mayBeNewer) {
      mayBeNewer = false
      await lookOnce()
    }
  }
  async function lookOnce(): Promise<void> {
    const before = data.value
    if (before === null) return begin()
    const answer = await call<ShowPageData | Changes>('GET', `show/changes?since=${before.revision}`)
    if (data.value === before) await put(answer)
    else if ((data.value?.revision ?? 0) < answer.revision) mayBeNewer = true
  }
  const otherEnd = (port: string) => call<{ lines: OtherEndLine[] }>('GET', `show/ports/${port}/other-end`)
  const add = (list: ListName, part: object) => take(call('POST', `show/${list}`, part))
  const seen = () => data.value?.revision
  /** @param base the revision that the form was opened at */
  const replace = (list: ListName, id: string, part: object, base = seen()) => take(call('PUT', `show/${list}/${id}`, part, base))
  /** Several parts of a list in one edit. */
  const batch = (
    list: ListName,
    what: { ids?: string[]; set?: Values; remove?: true; add?: object[]; before?: string | null },
  ) => {
    const done = take(call('POST', `show/${list}/batch`, what, seen()))
    return what.remove ? deleted(done, list, what.ids ?? []) : done
  }
  /** A table for a spreadsheet is taken in; what it would do is asked for first. */
  const tryTable = (list: ListName, csv: string, columns: Record<string, string> = {}) =>
    call<TableCounts>('POST', `show/${list}/table?try=1&columns=${encodeURIComponent(JSON.stringify(columns))}`, csv)
  const takeTable = (list: ListName, csv: string, columns: Record<string, string> = {}) =>
    take(call('POST', `show/${list}/table?columns=${encodeURIComponent(JSON.stringify(columns))}`, csv, seen()))
  const remove = (list: ListName, id: string) =>
    deleted(take(call('DELETE', `show/${list}/${id}`, undefined, seen())), list, [id])
  /** What was deleted is named, and the way back offered. */
  async function deleted<T>(done: Promise<T>, list: ListName, ids: string[]): Promise<T> {
    const parts = (document.value?.[list] ?? []) as { id: string; name: string }[]
    const name = ids.length === 1 ? `"${parts.find((one) => one.id === ids[0])?.name ?? ids[0]}"` : `${ids.length} ${list}`
    const answer = await done
    said.value = `Deleted: ${name}. ${said.value}`.trim()
    offersUndo.value = true
    return answer
  }
  const settle = (settings: { name?: string; middleC?: number }) => take(call('PATCH', 'show', settings, seen()))
  /** A port for something that was found on the network. */
  const takeUp = (find: object) => take(call('POST', 'show/take-up', find))
  const importJson = (json: string) => take(call('POST', 'show/import', json))
  /** Takes back the edit that is shown as the last one, and no other; or does again what was taken back last. */
  async function takeStep(way: 'undo' | 'redo'): Promise<ShowPageData | Changes> {
    try {
      return await take(call<ShowPageData | Changes>('POST', `show/${way}`, undefined, seen()))
    } catch (error) {
      if (error instanceof Refused && error.status === 409) await follow()
      throw error
    }
  }
  /** One after the other: whoever presses twice means the edit before as well, and whoever has just edited means that. */
  let latest: Promise<unknown> = Promise.resolve()
  function step(way: 'undo' | 'redo'): Promise<ShowPageData | Changes> {
    const now = Promise.allSettled([latest, underWay]).then(() => takeStep(way))
    latest = now
    return now
  }
  const undo = () => step('undo')
  const redo = () => step('redo')

  const document = computed(() => data.value?.document)
  const universes = computed<Universe[]>(() => document.value?.universes ?? [])
  const ports = computed<Port[]>(() => document.value?.ports ?? [])
  const routes = computed<Route[]>(() => document.value?.routes ?? [])
  const copies = computed<Copy[]>(() => document.value?.copies ?? [])
  const values = computed<Value[]>(() => document.value?.values ?? [])
  const profiles = computed<Profile[]>(() => document.value?.profiles ?? [])
  const fixtures = computed<Fixture[]>(() => document.value?.fixtures ?? [])
  const footprintOf = (profile: string, mode = ''): PlacedParameter[] => {
    const modes = data.value?.footprints[profile] ?? {}
    return modes[mode] ?? Object.values(modes)[0] ?? []
  }
  /** The parameters of a fixture, with their slots in its universe. */
  const parametersOf = (id: string): PlacedParameter[] => {
    const fixture = fixtures.value.find((one) => one.id === id)
    if (!fixture) return []
    return footprintOf(fixture.profile, fixture.mode).map((one) => ({
      ...one,
      slots: one.slots.map((slot) => fixture.first - 1 + slot),
    }))
  }
  /** What listens to a slot: "Lantern, level"; '' where nothing is known to. */
  const listening = (universe: string, slot: number) =>
    patchOf(universe.replace(BESIDE, ''))
      .filter((one) => one.first <= slot && slot <= one.last)
      .flatMap((one) => {
        const named = namedAt(one, slot)
        if (named !== undefined) return [`${one.name}, ${named}`]
        return parametersOf(one.id)
          .filter((placed) => placed.slots.includes(slot) && placed.virtual === universe.endsWith(BESIDE))
          .map((placed) => `${one.name}, ${placed.name}`)
      })
      .join(' and ')
  /** Several fixtures at once: many made, moved, swapped, renumbered, cloned. */
  const deed = (what: object) => take(call('POST', 'show/fixtures/deed', what, seen()))
  /** Many routes at once: renumbered, on another channel, at another port. */
  const reroute = (what: object) => take(call('POST', 'show/routes/deed', what, seen()))
  const trySheet = (csv: string) => call<TableCounts>('POST', 'show/routes/sheet?try=1', csv)
  const takeSheet = (csv: string) => take(call('POST', 'show/routes/sheet', csv, seen()))
  /** A fixture type (GDTF) becomes a profile; what of it was not understood is answered too. */
  const takeType = (file: Blob) => take(call('POST', 'show/profiles/type', file)) as Promise<{ id?: string; left?: string[] }>
  /** The fixtures of a scene (MVR), with their profiles. */
  const takeScene = (file: Blob) =>
    take(call('POST', 'show/scene', file)) as Promise<{ added?: Record<string, number>; left?: string[] }>
  const layoutOf = (map: object) => call<PixelLayout>('POST', 'show/pixels/layout', map)
  const readAddress = (text: string, here: string) =>
    call<{ ways: AddressWay[]; problem: string }>(
      'GET',
      `show/address?text=${encodeURIComponent(text)}&here=${encodeURIComponent(here)}`,
    )
  const pixels = computed<PixelMap[]>(() => document.value?.pixels ?? [])
  const looks = computed<Look[]>(() => document.value?.looks ?? [])
  const lists = computed<CueList[]>(() => document.value?.lists ?? [])
  const masters = computed<Master[]>(() => document.value?.masters ?? [])
  const waves = computed<Wave[]>(() => document.value?.waves ?? [])
  const tempos = computed<Tempo[]>(() => document.value?.tempos ?? [])
  const timelines = computed<Timeline[]>(() => document.value?.timelines ?? [])
  const timecodes = computed<TimeCode[]>(() => document.value?.timecodes ?? [])
  const desks = computed<Desk[]>(() => document.value?.desks ?? [])
  const occasions = computed<Occasion[]>(() => document.value?.occasions ?? [])
  const panels = computed<Panel[]>(() => document.value?.panels ?? [])
  const surfaces = computed<Surface[]>(() => document.value?.surfaces ?? [])
  const offers = computed<Offer[]>(() => document.value?.offers ?? [])
  const groups = computed<Group[]>(() => document.value?.groups ?? [])
  const patchOf = (universe: string) => (data.value?.patch ?? []).filter((one) => one.universe === universe)
  const universeName = (id: string) => universes.value.find((one) => one.id === id)?.name ?? id
  const portName = (id: string) => ports.value.find((one) => one.id === id)?.name ?? id
  return {
    data,
    said,
    offersUndo,
    isStoring,
    load,
    begin,
    follow,
    take,
    soon,
    otherEnd,
    add,
    replace,
    remove,
    batch,
    tryTable,
    takeTable,
    settle,
    takeUp,
    importJson,
    undo,
    redo,
    document,
    universes,
    ports,
    routes,
    copies,
    values,
    profiles,
    fixtures,
    groups,
    pixels,
    offers,
    looks,
    lists,
    masters,
    waves,
    tempos,
    surfaces,
    panels,
    timelines,
    timecodes,
    occasions,
    desks,
    layoutOf,
    patchOf,
    footprintOf,
    parametersOf,
    listening,
    deed,
    reroute,
    trySheet,
    takeSheet,
    readAddress,
    takeType,
    takeScene,
    universeName,
    portName,
  }
})
