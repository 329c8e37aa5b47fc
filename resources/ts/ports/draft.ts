import type { Port } from '@/api/show'

type Protocol = Port['protocol']
export interface LinkDraft { number: number, universe: string }

/** A port as the form holds it: both sides are always there, and a switch says which are meant. */
export interface PortDraft {
  name: string
  protocol: Protocol
  enabled: boolean
  receives: boolean
  sends: boolean
  receive: { enabled: boolean, address: string, port: number, multicast: boolean, priority: number, lastResort: boolean, feeds: LinkDraft[] }
  send: { enabled: boolean, address: string, to: string, port: number, multicast: boolean, perSecond: number, priority: number, sourceName: string, carries: LinkDraft[] }
}

export const usualPorts: Record<Protocol, { receive: number, send: number }> = {
  'art-net': { receive: 6454, send: 6454 },
  sacn: { receive: 5568, send: 5568 },
  osc: { receive: 8000, send: 9000 },
  'dmx-line': { receive: 5120, send: 5120 },
}

export function draftOf(port: Port | null, protocol: Protocol = 'art-net'): PortDraft {
  const spoken = port?.protocol ?? protocol
  const usual = usualPorts[spoken]
  return {
    name: port?.name ?? '',
    protocol: spoken,
    enabled: port?.enabled ?? true,
    receives: port ? port.receive !== undefined : true,
    sends: port ? port.send !== undefined : spoken === 'osc',
    receive: { enabled: true, address: '0.0.0.0', port: usual.receive, multicast: false, priority: 100, lastResort: false, ...port?.receive, feeds: (port?.receive?.feeds ?? []).map((link) => ({ ...link })) },
    send: { enabled: true, address: '0.0.0.0', port: usual.send, multicast: false, perSecond: 44, priority: 100, sourceName: 'Nimble Junction', ...port?.send, to: (port?.send?.to ?? []).join(', '), carries: (port?.send?.carries ?? []).map((link) => ({ ...link })) },
  }
}

/** The port as the show document writes it; only fields that its protocol has. */
export function portOf(draft: PortDraft): Omit<Port, 'id'> {
  const { protocol, receive, send } = draft
  const levels = protocol !== 'osc'
  const sacn = protocol === 'sacn'
  return {
    name: draft.name,
    protocol,
    enabled: draft.enabled,
    ...(draft.receives ? { receive: {
      enabled: receive.enabled, address: receive.address.trim(), port: Number(receive.port),
      ...(sacn ? { multicast: receive.multicast } : {}),
      ...(levels && !sacn ? { priority: Number(receive.priority) } : {}),
      ...(levels && receive.lastResort ? { lastResort: true } : {}),
      ...(levels ? { feeds: receive.feeds.map((link) => ({ number: Number(link.number), universe: link.universe })) } : {}),
    } } : {}),
    ...(draft.sends ? { send: {
      enabled: send.enabled, address: send.address.trim(), to: send.to.split(/[\s,;]+/).filter(Boolean), port: Number(send.port),
      ...(sacn ? { multicast: send.multicast, priority: Number(send.priority), sourceName: send.sourceName } : {}),
      ...(levels ? { perSecond: Number(send.perSecond), carries: send.carries.map((link) => ({ number: Number(link.number), universe: link.universe })) } : {}),
    } } : {}),
  }
}
