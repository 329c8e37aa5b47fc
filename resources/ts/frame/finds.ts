import { computed, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '@/api/session'
import { useShow, type ListName, type Port } from '@/api/show'
import { useDescriptions } from '@/kinds/kinds'
import { useEngine } from '@/live/engine'
import { places } from '@/router'
import { useLook } from './look'
import { useReleasing } from './releasing'

/** Something that the palette finds: by its kind, its name, and what else is said of it. */
export interface Find {
  kind: string
  name: string
  more?: string
  run: () => void
}
export const MOST_FOUND = 12

/** All words must be somewhere in what is said of it; whoever has them in the name comes first. */
export function matching(everything: readonly Find[], text: string): Find[] {
  const asked = text.trim().toLowerCase()
  const words = asked.split(/\s+/).filter(Boolean)
  const exactly: Find[] = []
  const inName: Find[] = []
  const elsewhere: Find[] = []
  for (const one of everything) {
    const name = `${one.kind} ${one.name}`.toLowerCase()
    // What is called just so comes first: "add a route" never undoes one that was added.
    if (asked !== '' && one.name.toLowerCase() === asked) exactly.push(one)
    else if (words.every((word) => name.includes(word))) inName.push(one)
    else if (one.more) {
      const whole = `${name} ${one.more.toLowerCase()}`
      if (words.every((word) => whole.includes(word))) elsewhere.push(one)
    }
  }
  return [...exactly, ...inName, ...elsewhere]
}

/** What a number at the end means: a slot of each universe that the words before it fit. */
export function slotIn(text: string): { words: string; slot: number } | null {
  const found = /^(.*?)\s*\b(\d{1,3})$/.exec(text.trim())
  const slot = Number(found?.[2])
  return found && slot >= 1 && slot <= 512 ? { words: found[1] ?? '', slot } : null
}

/** Where the parts of each list are seen; what they are called, their classes say. */
const pages: Partial<Record<ListName, (id: string) => string>> = {
  ports: (id) => `/ports/${id}`,
  universes: (id) => `/universes/${id}`,
  fixtures: (id) => `/patch/${id}`,
  groups: (id) => `/patch-groups/${id}`,
  offers: (id) => `/routes-offers/${id}`,
  pixels: (id) => `/patch-pixels/${id}`,
  profiles: (id) => `/patch-profiles/${id}`,
  routes: (id) => `/routes/${id}`,
  looks: (id) => `/programme/${id}`,
  lists: (id) => `/programme-lists/${id}`,
  masters: (id) => `/programme-masters/${id}`,
  waves: (id) => `/programme-waves/${id}`,
  tempos: (id) => `/programme-tempo/${id}`,
  timelines: (id) => `/timeline-edit/${id}`,
  timecodes: (id) => `/timeline-codes/${id}`,
  desks: (id) => `/timeline-desks/${id}`,
  occasions: (id) => `/timeline-day/${id}`,
  surfaces: (id) => `/surfaces/${id}`,
  panels: (id) => `/surfaces-panels/${id}`,
  values: () => '/show',
}

export function useFinds(text: Ref<string>, emit: { step: (way: 'undo' | 'redo') => void; keys: () => void; trace: () => void }) {
  const router = useRouter()
  const show = useShow()
  const session = useSession()
  const engine = useEngine()
  const descriptions = useDescriptions()
  const { releaseAll } = useReleasing()
  const { isDark, changeTheme, levelFormat, nextFormat } = useLook()
  const go = (path: string) => () => void router.push(path)

  /** What else is said of a part: its addresses, its numbers on the wire, its sentence. */
  const saidOf: Partial<Record<ListName, (id: string) => string>> = {
    ports: (id) => `${show.data?.places[id] ?? ''} ${(show.ports.find((one) => one.id === id)?.send?.to ?? []).join(' ')}`,
    universes: (id) => (show.data?.numbering[id] ?? []).join(' '),
    routes: (id) => show.data?.sentences[id] ?? '',
  }
  const slots = computed(
    () => new Map((show.data?.patch ?? []).map((one) => [one.id, `slot ${one.first} of ${show.universeName(one.universe)}`])),
  )
  const parts = computed<Find[]>(() =>
    Object.entries(pages).flatMap(([list, path]) => {
      const name = list as ListName
      const kind = descriptions.value?.lists[name].label.toLowerCase() ?? ''
      const all = (show.document?.[name] ?? []) as { id: string; name: string }[]
      return all.map((one) => ({
        kind,
        name: one.name,
        more: name === 'fixtures' ? slots.value.get(one.id) : saidOf[name]?.(one.id),
        run: go(path(one.id)),
      }))
    }),
  )
  const turn = (port: Port, side: 'receive' | 'send' | null, on: boolean) => () => {
    const part = JSON.parse(JSON.stringify(port)) as Port
    const at = side === null ? part : part[side]
    if (at) at.enabled = on
    show.replace('ports', port.id, { ...part, id: undefined }).catch((error: Error) => {
      show.said = error.message
    })
  }
  const portActions = computed<Find[]>(() =>
    show.ports.flatMap((port) => [
      { kind: 'check', name: `Check connection: ${port.name}`, run: go(`/ports/${port.id}?check=1`) },
      ...(session.mayBuild
        ? [
            port.enabled === false
              ? { kind: 'action', name: `Switch on: ${port.name}`, run: turn(port, null, true) }
              : { kind: 'action', name: `Switch off: ${port.name}`, run: turn(port, null, false) },
            ...(port.send && port.receive
              ? [
                  port.send.enabled === false
                    ? { kind: 'action', name: `Send again: ${port.name}`, run: turn(port, 'send', true) }
                    : { kind: 'action', name: `Stop sending: ${port.name}`, run: turn(port, 'send', false) },
                ]
              : []),
          ]
        : []),
    ]),
  )
  const operating = computed<Find[]>(() =>
    session.mayOperate
      ? [
          ...show.values
            .filter((value) => (value.type ?? 'switch') === 'switch')
            .map((value) => ({
              kind: 'point',
              name: `Turn over: ${value.name}`,
              run: () => void engine.pressPoint(`value:${value.id}`),
            })),
          ...show.routes
            .filter((route) => route.from?.kind !== 'slot')
            .map((route) => ({
              kind: 'point',
              name: `Run: ${route.name}`,
              run: () => void engine.pressPoint(`route:${route.id}`),
            })),
          ...show.universes.map((one) => ({
            kind: 'action',
            name: `Hold slots by hand: ${one.name}`,
            run: go(`/universes/${one.id}?slot=1`),
          })),
          ...show.fixtures.map((one) => ({
            kind: 'action',
            name: `Light it: ${one.name}`,
            run: () => void engine.setPoint(`light:${one.id}`, 1),
          })),
          { kind: 'action', name: 'Release what I hold by hand', run: () => void engine.releaseMine() },
          { kind: 'action', name: 'Release everything held by hand', run: releaseAll },
        ]
      : [],
  )
  const building = computed<Find[]>(() => {
    if (!session.mayBuild) return []
    const { undo, redo } = show.data ?? {}
    return [
      ...(undo ? [{ kind: 'action', name: `Undo: ${undo}`, run: () => emit.step('undo') }] : []),
      ...(redo ? [{ kind: 'action', name: `Redo: ${redo}`, run: () => emit.step('redo') }] : []),
      { kind: 'action', name: 'Add a port', run: go('/ports?add=1') },
      { kind: 'action', name: 'Add a route', run: go('/routes?add=1') },
      { kind: 'action', name: 'Open, duplicate or import a show', run: go('/show') },
    ]
  })
  const own = computed<Find[]>(() => [
    { kind: 'action', name: 'Export the show', run: () => location.assign('/api/show/export') },
    { kind: 'action', name: isDark.value ? 'Light theme' : 'Dark theme', run: changeTheme },
    { kind: 'action', name: `Levels as ${levelFormat.value}: change`, run: nextFormat },
    { kind: 'action', name: 'Trace: open or close', run: emit.trace },
    { kind: 'action', name: 'List of keys', run: emit.keys },
    { kind: 'action', name: 'Log out', run: () => void session.logout() },
  ])
  /** What came in lately and is named by no route perhaps: it is looked at over time. */
  const heard = computed<Find[]>(() => {
    const found = new Map<string, Find>()
    for (const event of engine.events) {
      const address = event.kind === 'message' ? /\/[^\s,]+/.exec(event.title)?.[0] : undefined
      const subject = `message:${event.port}:1:${address}`
      if (address && !found.has(subject))
        found.set(subject, {
          kind: 'heard',
          name: `${address} at ${show.portName(event.port)}`,
          run: () => void router.push({ path: '/scope', query: { watch: [subject] } }),
        })
    }
    return [...found.values()]
  })
  const slotFinds = computed<Find[]>(() => {
    const asked = slotIn(text.value)
    if (!asked) return []
    const words = asked.words
      .toLowerCase()
      .replace(/\bslot\b/, '')
      .trim()
    return show.universes
      .filter((one) => one.name.toLowerCase().includes(words))
      .slice(0, 4)
      .map((one) => ({
        kind: 'slot',
        name: `Slot ${asked.slot} of ${one.name}`,
        run: go(`/universes/${one.id}?slot=${asked.slot}`),
      }))
  })
  const everything = computed<Find[]>(() => [
    ...places.map((place) => ({ kind: 'page', name: place.name, run: go(place.path) })),
    ...parts.value,
    ...portActions.value,
    ...operating.value,
    ...building.value,
    ...own.value,
    ...heard.value,
  ])
  const found = computed(() => {
    const all = matching(everything.value, text.value)
    // A number alone is more often a universe on the wire than a slot.
    return slotIn(text.value)?.words ? [...slotFinds.value, ...all] : [...all, ...slotFinds.value]
  })
  return { found }
}
