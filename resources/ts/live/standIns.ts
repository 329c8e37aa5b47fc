import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { Link } from './link'

interface DeviceBase { id: string, name: string, address: string, protocol: string }
export interface DeskDevice extends DeviceBase {
  kind: 'desk', to: string, levels: number[], playing: number[], motion: string, cable: boolean, thins: boolean, packets: number, universes: number[], priority?: number
}
export interface LampsDevice extends DeviceBase { kind: 'lamps', alive: boolean, lamps: number[], packets: number }
export interface TabletDevice extends DeviceBase { kind: 'tablet', to: string, osc: string, fader: number, heard: string, sent: number, received: number, cable: boolean }
export type Device = DeskDevice | LampsDevice | TabletDevice

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
    said.value = answer.ok ? '' : answer.error ?? 'The stand-in did not say why.'
  }
  return { start: () => link.start(), state: link.state, there, devices, said, play }
})
