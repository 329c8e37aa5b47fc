import type { Port } from '@/api/show'
import { spellNumber } from '@/components/words'
import { usualPorts } from './draft'

export const linkWords: Record<string, string> = {
  udp: 'UDP', tcp: 'TCP', browser: 'lent by a page', session: 'network session', device: 'device file', cable: 'virtual cable', serial: 'serial device',
}

/** Where a port's two sides are, in few words. */
export function placeWords(port: Port, universeName: (id: string) => string): string {
  const kind = port.link?.kind ?? 'udp'
  if (port.link?.device) return [`${linkWords[kind]} ${port.link.device}`, ...universeWords(port, universeName)].join(', ')
  const over = kind === 'udp' ? '' : ` (${linkWords[kind]})`
  const listens = port.receive ? [`listens at ${port.receive.address ?? '0.0.0.0'}:${port.receive.port ?? usualPorts[port.protocol].receive}${over}`] : []
  const to = port.send?.to?.join(', ') || (port.send?.multicast ? 'multicast' : port.send?.replies ? 'the last sender' : 'whoever is connected')
  const sends = port.send ? [`sends to ${to}${to === 'multicast' || port.send.to?.length ? `:${port.send.port ?? usualPorts[port.protocol].send}` : ''}${over}`] : []
  return [...listens, ...sends, ...universeWords(port, universeName)].join(', ')
}

function universeWords(port: Port, universeName: (id: string) => string): string[] {
  return [
    ...(port.receive?.feeds ?? []).map((link) => `${spellNumber(port.protocol, link.number)} → ${universeName(link.universe)}`),
    ...(port.send?.carries ?? []).map((link) => `${universeName(link.universe)} → ${spellNumber(port.protocol, link.number)}`),
  ]
}
