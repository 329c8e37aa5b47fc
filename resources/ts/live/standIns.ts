import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { Link } from './link'

interface DeviceBase {
  id: string
  name: string
  address: string
  protocol: string
  habits?: Record<string, boolean>
}
export interface DeskDevice extends DeviceBase {
  kind: 'desk'
  to: string
  levels: number[]
  playing: number[]
  motion: string
  cable: boolean
  thins: boolean
  packets: number
  universes: number[]
  priority?: number
}
export interface LampsDevice extends DeviceBase {
  kind: 'lamps'
  alive: boolean
  lamps: number[]
  packets: number
}
export interface TabletDevice extends DeviceBase {
  kind: 'tablet'
  to: string
  osc: string
  fader: number
  heard: string
  sent: number
  received: number
  cable: boolean
}
export interface MediaDevice extends DeviceBase {
  kind: 'media'
  portAddress: number
  osc: number
  feedback: string
  layers: { clip: number; opacity: number; across: number; up: number; size: number; effect: number }[]
  packets: number
  heard: string
}
export interface LaserDevice extends DeviceBase {
  kind: 'laser'
  first: number
  alive: boolean
  lit: boolean
  shape: string
  levels: Record<string, number>
  packets: number
}
export interface PresentationDevice extends DeviceBase {
  kind: 'presentation'
  open: boolean
  slides: string[]
  slide: number
  note: number
  repeats: boolean
  sent: number
}
export interface WorkstationDevice extends DeviceBase {
  kind: 'workstation'
  open: boolean
  playing: boolean
  timeCode: string
  beat: number
  tempo: number
  fader: number
  sent: number
}
export interface LecternDevice extends DeviceBase {
  kind: 'lectern'
  open: boolean
  faders: number[]
  lit: boolean[]
  turned: number[]
  touched: number | null
  moves: number
  sent: number
}
export interface CueDeskDevice extends DeviceBase {
  kind: 'cue-desk'
  midi: string
  open: boolean
  device: number
  cues: { number: string; name: string }[]
  at: number
  running: boolean
  heard: string
  taken: number
}
export interface PixelsDevice extends DeviceBase {
  kind: 'pixels'
  alive: boolean
  columns: number
  /** Red, green and blue in 24 bits, row by row from the top left. */
  lamps: number[]
  packets: number
}
export type Device =
  | DeskDevice
  | LampsDevice
  | PixelsDevice
  | TabletDevice
  | MediaDevice
  | LaserDevice
  | PresentationDevice
  | WorkstationDevice
  | LecternDevice
  | CueDeskDevice

/** The simulated devices: what they show, and how to play them. */
export const useStandIns = defineStore('stand-ins', () => {
  const there = ref(true)
  const link = new Link((addresses) => {
    there.value = addresses.standIns !== null
    return addresses.standIns
  })
  const devices = shallowRef<Device[]>([])
  const said = ref('')
  link.onMessage = (message) => {
    if (message.type === 'stand-ins') devices.value = message.devices as Device[]
  }
  async function play(device: string, control: string, values: Record<string, unknown> = {}): Promise<void> {
    const answer = await link.ask({ device, control, values })
    said.value = answer.ok ? '' : (answer.error ?? 'The stand-in did not say why.')
  }
  return { start: () => link.start(), state: link.state, there, devices, said, play }
})
