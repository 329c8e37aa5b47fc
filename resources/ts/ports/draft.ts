import type { Port, PrioritySpan } from '@/api/show'
import { readNumber } from './numbers'

export type Protocol = Port['protocol']
export type LinkKind = NonNullable<Port['link']>['kind']
export interface LinkDraft { number: string | number, universe: string, rank?: number }

/** A port as the form holds it: both sides are always there, and a switch says which are meant. */
export interface PortDraft {
  name: string
  protocol: Protocol
  enabled: boolean
  receives: boolean
  sends: boolean
  link: { kind: LinkKind, device: string, framing: 'length' | 'slip' }
  allow: string
  receive: { enabled: boolean, address: string, port: number, multicast: boolean, priority: number, lastResort: boolean, feeds: LinkDraft[], poll: string, priorities: string, deadZone: number, centres: number[] }
  send: {
    enabled: boolean, address: string, to: string, port: number, multicast: boolean, perSecond: number, priority: number, sourceName: string, carries: LinkDraft[]
    lines: number | string, sync: boolean, syncUniverse: number, slotPriorities: PrioritySpan[], announce: boolean, replies: boolean, heartbeat: string, heartbeatSeconds: number
  }
}

export const usualPorts: Record<Protocol, { receive: number, send: number }> = {
  'art-net': { receive: 6454, send: 6454 },
  sacn: { receive: 5568, send: 5568 },
  osc: { receive: 8000, send: 9000 },
  'dmx-line': { receive: 5120, send: 5120 },
  midi: { receive: 5004, send: 5004 },
  controller: { receive: 1, send: 1 },
}

/** Over what a port of each protocol may go, the usual one first. */
export const kindsOf: Record<Protocol, { value: LinkKind, title: string, device?: string }[]> = {
  'art-net': [{ value: 'udp', title: 'UDP' }],
  sacn: [{ value: 'udp', title: 'UDP' }],
  osc: [{ value: 'udp', title: 'UDP' }, { value: 'tcp', title: 'TCP' }],
  'dmx-line': [{ value: 'udp', title: 'UDP: a line of the stand-ins' }, { value: 'serial', title: 'A serial device with an RS-485 driver', device: 'Serial device, like /dev/ttyUSB0' }],
  midi: [
    { value: 'browser', title: 'A device that a page lends', device: 'Name that the browser shows' },
    { value: 'session', title: 'A network session (RTP-MIDI)' },
    { value: 'device', title: 'A device file or FIFO of this machine', device: 'Path, like /dev/snd/midiC1D0' },
    { value: 'cable', title: 'A virtual cable of this machine', device: 'Name of the cable: small letters, digits, hyphens' },
  ],
  controller: [{ value: 'browser', title: 'A controller that a page lends', device: 'Name that the browser shows' }],
}
export const carriesLevels = (protocol: Protocol) => protocol === 'art-net' || protocol === 'sacn' || protocol === 'dmx-line'
export const hasDevice = (draft: PortDraft) => kindsOf[draft.protocol].find((one) => one.value === draft.link.kind)?.device

export function draftOf(port: Port | null, protocol: Protocol = 'art-net'): PortDraft {
  const spoken = port?.protocol ?? protocol
  const usual = usualPorts[spoken]
  const { receive, send } = port ?? {}
  return {
    name: port?.name ?? '',
    protocol: spoken,
    enabled: port?.enabled ?? true,
    receives: port ? receive !== undefined : true,
    sends: port ? send !== undefined : spoken === 'osc',
    link: { kind: kindsOf[spoken][0]?.value ?? 'udp', device: '', framing: 'length', ...port?.link },
    allow: (port?.allow ?? []).join(', '),
    receive: { enabled: true, address: '0.0.0.0', port: usual.receive, multicast: false, priority: 100, lastResort: false, deadZone: 0.1, ...receive, centres: [...receive?.centres ?? []], poll: (receive?.poll ?? []).join(', '), priorities: (receive?.priorities ?? []).map((one) => `${one.from} ${one.priority}`).join(', '), feeds: (receive?.feeds ?? []).map((link) => ({ ...link })) },
    send: {
      enabled: true, address: '0.0.0.0', port: usual.send, multicast: false, perSecond: 44, priority: 100, sourceName: 'Nimble Junction', lines: '', sync: false, syncUniverse: 0, announce: send?.multicast ?? false, replies: false, heartbeat: '', heartbeatSeconds: 1, ...send,
      slotPriorities: (send?.slotPriorities ?? []).map((span) => ({ ...span })), to: (send?.to ?? []).join(', '), carries: (send?.carries ?? []).map((link) => ({ ...link })),
    },
  }
}

/** New ports that only look who is there: nodes that answer polls, senders that tell their universes. */
export type Look = 'art-net' | 'sacn'
export function lookDraft(look: Look, broadcasts: string[]): PortDraft {
  const draft = draftOf(null, look)
  draft.name = look === 'art-net' ? 'Art-Net' : 'sACN'
  if (look === 'art-net') draft.receive.poll = broadcasts.join(', ')
  else draft.receive.multicast = true
  return draft
}

/** "192.168.1.20 150, 192.168.1.21 90": an address, and its number. */
const pairs = (text: string) => text.split(/[,;]+/).filter((one) => one.trim()).map((one) => {
  const [from, priority] = one.trim().split(/[\s=:]+/)
  return { from, priority: Number(priority ?? NaN) }
})
const list = (text: string) => text.split(/[\s,;]+/).filter(Boolean)
const links = (drafts: LinkDraft[], ranked: boolean) => drafts.map((link) => ({ number: readNumber(link.number), universe: link.universe, ...(ranked && link.rank ? { rank: Number(link.rank) } : {}) }))

/** The port as the show document writes it; only fields that its protocol and its link have. */
export function portOf(draft: PortDraft): object {
  const { protocol, receive, send, link } = draft
  const levels = carriesLevels(protocol)
  const device = hasDevice(draft) !== undefined
  const sacn = protocol === 'sacn'
  const allow = list(draft.allow)
  const has = <T extends object>(when: boolean, fields: T) => (when ? fields : {})
  return {
    name: draft.name,
    protocol,
    enabled: draft.enabled,
    ...has(link.kind !== kindsOf[protocol][0]?.value || device, { link: { kind: link.kind, ...has(device, { device: link.device.trim() }), ...has(link.kind === 'tcp', { framing: link.framing }) } }),
    ...has(allow.length > 0, { allow }),
    ...has(draft.receives, { receive: {
      enabled: receive.enabled,
      ...has(!device, { address: receive.address.trim(), port: Number(receive.port) }),
      ...has(sacn, { multicast: receive.multicast }),
      ...has(levels && !sacn, { priority: Number(receive.priority) }),
      ...has(protocol === 'art-net' && receive.priorities.trim() !== '', { priorities: pairs(receive.priorities) }),
      ...has(levels && receive.lastResort, { lastResort: true }),
      ...has(protocol === 'art-net' && list(receive.poll).length > 0, { poll: list(receive.poll) }),
      ...has(protocol === 'controller', { deadZone: Number(receive.deadZone), centres: receive.centres }),
      ...has(levels, { feeds: links(receive.feeds, false) }),
    } }),
    ...has(draft.sends && protocol !== 'controller', { send: {
      enabled: send.enabled,
      ...has(!device, { address: send.address.trim(), to: list(send.to), port: Number(send.port) }),
      ...has(sacn, { multicast: send.multicast, priority: Number(send.priority), sourceName: send.sourceName, announce: send.announce }),
      ...has(sacn && Number(send.syncUniverse) > 0, { syncUniverse: Number(send.syncUniverse) }),
      ...has(sacn && send.slotPriorities.length > 0, { slotPriorities: send.slotPriorities }),
      ...has(protocol === 'art-net' && send.sync, { sync: true }),
      ...has(protocol === 'osc' && send.replies, { replies: true }),
      ...has(protocol === 'osc' && send.heartbeat.trim() !== '', { heartbeat: send.heartbeat.trim(), heartbeatSeconds: Number(send.heartbeatSeconds) }),
      ...has(levels, { perSecond: Number(send.perSecond), carries: links(send.carries, true) }),
      ...has(levels && String(send.lines ?? '').trim() !== '', { lines: Number(send.lines) }),
    } }),
  }
}
