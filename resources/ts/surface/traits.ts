import type { ControlLife, SurfaceControl } from '@/live/messages'
import type { TakeOver } from './hand'

/** What the kind of a control has besides, as the engine says it. */
const text = (control: SurfaceControl, name: string) => String(control.traits[name] ?? '')
const flag = (control: SurfaceControl, name: string) => control.traits[name] === true
const number = (control: SurfaceControl, name: string, usual: number) => {
  const value = control.traits[name]
  return typeof value === 'number' ? value : usual
}
/** Where its way is cut short of the point's own: in the unit of the point; null for an end that is the point's. */
const limits = (control: SurfaceControl) =>
  ['low', 'high'].map((name) => (typeof control.traits[name] === 'number' ? Number(control.traits[name]) : null))
const list = (control: SurfaceControl, name: string) => {
  const value = control.traits[name]
  return Array.isArray(value) ? value.filter((one): one is number => typeof one === 'number') : []
}
export const traits = { text, flag, number, list, limits }
export const takeOverOf = (control: SurfaceControl) => (text(control, 'takeOver') || 'scaled') as TakeOver

/** What stands on a control. */
export function wordsOn(control: SurfaceControl, life: Pick<ControlLife, 'text' | 'called'>): string {
  if (control.text === '') return control.name
  return control.text.replaceAll('{value}', life.text).replaceAll('{name}', life.called || control.name)
}

/** Whether its value has to be written besides. */
export const writesValue = (control: SurfaceControl) => control.showsValue && !control.text.includes('{value}')

/** A short knock, where the machine can. */
export function knock(milliseconds = 8): void {
  navigator.vibrate?.(milliseconds)
}
