import type { Cue, CueList, Look, Master, ShowDocument } from '@/api/showDocument'
import { short } from './live'

const presses = {
  toggle: 'A press turns it on or off',
  latched: 'A press turns it on',
  momentary: 'It is on as long as it is pressed',
  once: 'A press runs it once',
} as const
const time = (seconds: number | undefined) => (seconds === undefined ? 'the common fade time' : `${short(seconds)} s`)

/** What a look does, in a sentence. */
export function lookSentence(look: Look): string {
  const set = look.set ? `, in place of the others of ${look.set}` : ''
  const delay = look.delay ? ` after ${short(look.delay)} s` : ''
  return `${presses[look.press ?? 'toggle']}${set}; it fades in over ${time(look.fadeIn)}${delay}, and out over ${time(look.fadeOut)}.`
}

/** When the next cue goes. */
export function followWords(cue: Cue): string {
  const follow = cue.follow
  if (!follow) return ''
  if (follow.kind === 'beat') return (follow.beats ?? 1) === 1 ? 'on the next beat' : `${follow.beats} beats later`
  if (follow.kind === 'timecode') return `at time code ${follow.at}`
  if (follow.kind === 'after') return `${short(follow.seconds)} s after go`
  return follow.seconds ? `complete + ${short(follow.seconds)} s` : 'when complete'
}

const overs = {
  all: 'all that leaves',
  programme: 'our own looks and lists',
  lists: 'lists',
  looks: 'looks',
  universes: 'universes',
  groups: 'groups',
  fixtures: 'fixtures',
} as const

/** What a master is over, in a sentence. */
export function masterSentence(master: Master, nameOf: (list: string, id: string) => string): string {
  const over = master.over ?? 'all'
  const chosen = over === 'all' || over === 'programme' ? [] : (master[over] ?? []).map((id) => nameOf(over, id))
  const what = chosen.length > 0 ? chosen.join(', ') : overs[over]
  const range =
    master.low || (master.high ?? 100) < 100 ? `, from ${short(master.low ?? 0)} to ${short(master.high ?? 100)} %` : ''
  const curve = (master.curve ?? 'linear') === 'linear' ? '' : `, ${master.curve} curve`
  const when = ['lists', 'looks', 'programme'].includes(over) ? 'before it is merged with desks' : 'as it leaves'
  return `Scales the intensities of ${what}, ${when}${range}${curve}.`
}

export interface Use {
  path: string
  words: string
}

/** Where something is used: cues, masters, routes, offers and looks that name it. */
export function usesOf(document: ShowDocument | undefined, point: string, id: string): Use[] {
  if (!document) return []
  const names = (part: unknown) => {
    const text = JSON.stringify(part)
    return text.includes(`"${point}"`) || text.includes(`"${point}/`)
  }
  const kind = point.split(':')[0]
  const cues = (document.lists ?? []).flatMap((list) =>
    (list.cues ?? [])
      .filter((cue) => (kind === 'look' && cue.look === id) || names(cue))
      .map((cue) => ({ path: `/programme-lists/${list.id}`, words: `${list.name}, cue ${cue.number}` })),
  )
  const of = (list: 'looks' | 'masters' | 'waves' | 'routes' | 'offers', path: string, what: string) =>
    ((document[list] ?? []) as { id: string; name: string }[])
      .filter((one) => names(one) || (list === 'masters' && kind === 'look' && (one as Master).looks?.includes(id)))
      .map((one) => ({ path: `${path}/${one.id}`, words: `${what} ${one.name}` }))
  return [
    ...cues,
    ...of('looks', '/programme', 'Look'),
    ...of('masters', '/programme-masters', 'Master'),
    ...of('waves', '/programme-waves', 'Wave'),
    ...of('routes', '/routes', 'Route'),
    ...of('offers', '/routes-offers', 'Offer'),
  ]
}

const ends = {
  none: 'The last cue stays.',
  loop: 'After the last cue it begins again.',
  bounce: 'It runs forth and back.',
} as const

/** What a list does, in a sentence or two. */
export function listSentence(list: CueList): string {
  const tracking = list.tracking
    ? 'Tracking: what a cue does not name stays as earlier cues left it.'
    : 'Not tracking: a cue is all that this list gives.'
  const begins = list.begins ? ' It goes by itself when the engine starts.' : ''
  const priority = list.priority === undefined ? '' : ` Priority ${list.priority}.`
  const number = list.number ? ` Show control calls it list ${list.number}.` : ''
  return `${tracking} ${ends[list.end ?? 'none']}${begins}${priority}${number}`
}
