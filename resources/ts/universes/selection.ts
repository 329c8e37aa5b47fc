import { readLevel, spellLevel } from '@/components/levels'
import { spellRuns } from '@/components/words'

/** What somebody typed: slots, and the level that they are to be held at; null for none. */
export interface Selection {
  slots: number[]
  level: number | null
}
const SLOTS = 512

/**
 * "1-12 + 20 @ 50 %": runs and single slots, joined by + or a comma, and after the @ a level, in per cent or as levels
 * are written now.
 */
export function readSelection(text: string): Selection | string {
  const [which = '', level, ...more] = text.split('@')
  if (more.length > 0) return 'Give one level, after one @.'
  const slots = new Set<number>()
  for (const term of which.split(/[+,]/)) {
    const found = /^\s*(\d{1,3})\s*(?:(?:-|–|to)\s*(\d{1,3})\s*)?$/.exec(term)
    if (!found)
      return term.trim() ? `"${term.trim()}" is no slot: use 1 to 512, or a run like 1-12.` : 'Give slots, like 1-12 + 20.'
    const first = Number(found[1])
    const last = Number(found[2] ?? found[1])
    if (first < 1 || last > SLOTS || last < first) return `${term.trim()} is no run of slots: use 1 to 512, the lower one first.`
    for (let slot = first; slot <= last; slot++) slots.add(slot)
  }
  const sorted = [...slots].sort((a, b) => a - b)
  if (level === undefined) return { slots: sorted, level: null }
  const asked = /^\s*(\d{1,3})\s*%\s*$/.test(level) ? readLevel(level.replace('%', ''), 'per cent') : readLevel(level)
  return asked === null ? `"${level.trim()}" is no level.` : { slots: sorted, level: asked }
}

export const countOf = (slots: number[]) => (slots.length === 1 ? '1 slot' : `${slots.length} slots`)

/** What was understood, said back. */
export function spellSelection({ slots, level }: Selection): string {
  const which = `${slots.length === 1 ? 'Slot' : 'Slots'} ${spellRuns(slots)} (${countOf(slots)})`
  return level === null ? which : `${which} at ${spellLevel(level)}, ${Math.round(level / 2.55)} %`
}

/** As it is typed: "1-12 + 20". */
export const typedSelection = (slots: number[]) => spellRuns(slots).replaceAll('–', '-').replaceAll(', ', ' + ')

/** The first and last slot of each run. */
export function runsOf(slots: number[]): [number, number][] {
  const runs: [number, number][] = []
  for (const slot of slots) {
    const last = runs.at(-1)
    if (last && last[1] === slot - 1) last[1] = slot
    else runs.push([slot, slot])
  }
  return runs
}

/** The next slot that is raised, round and round; undefined where none is. */
export function nextRaised(levels: Uint8Array, from: number, by: 1 | -1): number | undefined {
  for (let step = 1; step <= SLOTS; step++) {
    const slot = ((((from - 1 + by * step) % SLOTS) + SLOTS) % SLOTS) + 1
    if ((levels[slot - 1] ?? 0) > 0) return slot
  }
  return undefined
}
