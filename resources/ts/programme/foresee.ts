import type { Foreseen, ForeseenPoint } from '@/live/messages'

const written = (value: ForeseenPoint['now'], unit: string) => (value === null ? '' : `${value}${unit ? ` ${unit}` : ''}`)

/** A line of what would leave: as it is, as it would be, and what was meant where that is something else. */
export function foreseenLine(one: ForeseenPoint) {
  return {
    point: one.point,
    now: written(one.now, one.unit),
    then: written(one.then, one.unit),
    meant: one.isAsWanted ? '' : `it says ${written(one.wanted, one.unit)}; this is from ${one.why.split(': ')[0]}`,
    why: one.why,
  }
}

/** All of it in a sentence. */
export function foreseenSentence(seen: Foreseen): string {
  if (seen.points.length === 0) return seen.same === 0 ? 'It gives nothing.' : 'Nothing would change: all is as it says already.'
  const changing = seen.points.filter((one) => one.now !== one.then).length + seen.more
  const missed = seen.points.filter((one) => !one.isAsWanted).length
  return [
    `${changing === 1 ? '1 value' : `${changing} values`} would change.`,
    missed > 0 &&
      `${missed} would not be what it says: somebody else has ${missed === 1 ? 'it' : 'them'}, or masters take some away.`,
    seen.same > 0 && `${seen.same} more ${seen.same === 1 ? 'stays as it is' : 'stay as they are'}.`,
    seen.more > 0 && `The first ${seen.points.length} are shown.`,
  ]
    .filter(Boolean)
    .join(' ')
}
