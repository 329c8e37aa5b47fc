import { useShow } from '@/api/show'

const USUAL = '%'
/** The unit of the parameter at a path of a profile, or of a mode. */
function unitAt(part: unknown, path: string): string | undefined {
  let at = part
  for (const key of path.split('/')) at = (at as Record<string, unknown> | undefined)?.[key]
  return (at as { unit?: string } | undefined)?.unit
}

/** What points are called, as far as the page knows; the reference itself elsewhere. */
export function usePointNames() {
  const show = useShow()
  function nameOf(point: string): string {
    const [kind = '', rest = ''] = point.split(/:(.*)/s)
    const [id = '', ...parts] = rest.split('/')
    const part = parts.join('/')
    const named = (all: { id: string; name: string }[]) => all.find((one) => one.id === id)?.name ?? id
    switch (kind) {
      case 'fixture':
        return `${named(show.fixtures)}, ${part}`
      case 'group':
        return `${named(show.groups)}, ${part}`
      case 'slot':
        return show.listening(id, Number(part)) || `${named(show.universes)}, slot ${part}`
      case 'look':
        return `Look ${named(show.looks)}`
      case 'list':
        return `List ${named(show.lists)}${part ? `, ${part}` : ''}`
      case 'master':
        return id === 'blackout' ? 'Blackout' : `Master ${named(show.masters)}${part ? `, ${part}` : ''}`
      case 'wave':
        return `Wave ${named(show.waves)}${part ? `, ${part}` : ''}`
      case 'tempo':
        return `Tempo ${named(show.tempos)}${part ? `, ${part}` : ''}`
      case 'value':
        return named(show.values)
      default:
        return point
    }
  }
  /** The unit of a parameter; '' where it has none. */
  function unitOf(point: string): string {
    const found = /^(fixture|group):([^/]+)\/(.+)$/.exec(point)
    if (!found) return ''
    const member = found[1] === 'group' ? show.groups.find((one) => one.id === found[2])?.members?.[0] : found[2]
    const fixture = show.fixtures.find((one) => one.id === member)
    const profile = show.profiles.find((one) => one.id === fixture?.profile)
    const path = show.parametersOf(member ?? '').find((one) => one.key === found[3])?.path
    const mode = profile?.modes?.find((one) => one.id === fixture?.mode)
    return path === undefined ? '' : (unitAt(mode, path) ?? unitAt(profile, path) ?? USUAL)
  }
  /** What a fixture, a group or a universe is called, by its id alone. */
  const placeName = (id: string) => [...show.fixtures, ...show.groups, ...show.universes].find((one) => one.id === id)?.name ?? id
  /** What a part of a list is called. */
  const partName = (list: string, id: string) =>
    ((show.document?.[list as 'looks'] ?? []) as { id: string; name: string }[]).find((one) => one.id === id)?.name ?? id
  return { nameOf, partName, placeName, unitOf }
}
