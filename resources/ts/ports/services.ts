import type { Port } from '@/api/show'
import type { FoundService } from '@/live/shapes'

/** What it is called by people. */
export const kindOf = (find: FoundService) =>
  ({ '_apple-midi._udp': 'Network MIDI', '_osc._udp': 'OSC', '_osc._tcp': 'OSC over TCP' })[find.type] ?? find.type

/** A port that speaks to it: a MIDI session that we begin, or OSC that we send. */
export function portFor(find: FoundService): Record<string, unknown> {
  const send = { to: [find.address], port: find.port }
  if (find.protocol === 'midi') return { name: find.name, protocol: 'midi', link: { kind: 'session' }, receive: {}, send }
  const link = find.type === '_osc._tcp' ? { link: { kind: 'tcp' } } : {}
  return { name: find.name, protocol: 'osc', ...link, send }
}

/** A port of ours that speaks to it already. */
export const portAt = (find: FoundService, ports: Port[]) =>
  ports.find(
    (port) =>
      port.protocol === find.protocol &&
      (port.send?.to ?? []).includes(find.address) &&
      (port.send?.port === undefined || port.send.port === find.port),
  )
