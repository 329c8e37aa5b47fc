import { ref, watch } from 'vue'

/** How a row of switches is looked at: that is as it hangs there, and another one for each device. */
export interface SwitchRow {
  /** Switches that count, 9 or 10. */
  count: number
  /** The device counts its addresses from 0. */
  fromZero: boolean
  /** Switch 1 is the rightmost one. */
  fromRight: boolean
  /** On is down. */
  onIsDown: boolean
}
const usual: SwitchRow = { count: 9, fromZero: false, fromRight: false, onIsDown: false }
const key = 'nimble switch row'

function kept(): SwitchRow {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<SwitchRow>) }
  } catch {
    return usual
  }
}
/** As somebody has set it, in this browser. */
export const switchRow = ref<SwitchRow>(typeof localStorage === 'undefined' ? usual : kept())
watch(switchRow, (row) => localStorage.setItem(key, JSON.stringify(row)), { deep: true })

/** Whether each switch is on, the first one first; undefined where so few cannot say it. */
export function switchesOf(address: number, row: SwitchRow): boolean[] | undefined {
  const number = row.fromZero ? address - 1 : address
  if (number >= 2 ** row.count) return undefined
  return Array.from({ length: row.count }, (_, i) => Math.floor(number / 2 ** i) % 2 === 1)
}

/** The address that switches stand at; undefined where there is none from 1 to 512. */
export function addressOf(switches: boolean[], row: SwitchRow): number | undefined {
  const number = switches.reduce((sum, isOn, i) => sum + (isOn ? 2 ** i : 0), row.fromZero ? 1 : 0)
  return number >= 1 && number <= 512 ? number : undefined
}
