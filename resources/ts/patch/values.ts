import type { Parameter, Profile } from '@/api/show'

export type Range = NonNullable<Parameter['ranges']>[number]

/** What a profile does not say: an intensity beside the slots, full unless somebody gives one. */
const virtual: Parameter = { name: 'intensity', slots: 2, role: 'dimmer' }

/** The parameter of a profile that stands at a path, like "cells/0/parameters/2", in one of its modes. */
export function parameterAt(profile: Profile, mode: string | undefined, path: string): Parameter | undefined {
  if (path === '') return virtual
  const meanings = profile.modes?.length ? (profile.modes.find((one) => one.id === mode) ?? profile.modes[0]) : profile
  const [list, first, , inner] = path.split('/')
  if (list === 'cells') return meanings?.cells?.[Number(first)]?.parameters[Number(inner)]
  return meanings?.parameters?.[Number(first)]
}

const widthOf = (parameter: Parameter) => parameter.slots ?? Math.max(1, parameter.at?.length ?? 0)
const endsOf = (parameter: Parameter): [number, number] => [parameter.from ?? 0, parameter.to ?? 256 ** widthOf(parameter) - 1]
const physicalOf = (parameter: Parameter) => (parameter.physical ?? [0, 100]) as [number, number]

/** How far a value in its unit is on its way from the first to the last, 0 to 1. */
export function shareOf(parameter: Parameter, value: number): number {
  const [low, high] = physicalOf(parameter)
  return Math.max(0, Math.min(1, (value - low) / (high - low)))
}

/** A value of the device, in as many bits as it has, as it is said in its unit. */
export function inUnit(parameter: Parameter, raw: number): number {
  const [from, to] = endsOf(parameter)
  const [low, high] = physicalOf(parameter)
  const share = (Math.max(from, Math.min(to, raw)) - from) / (to - from)
  return low + (parameter.inverted ? 1 - share : share) * (high - low)
}

/** The value of the device that stands for one in its unit. */
export function rawOf(parameter: Parameter, value: number): number {
  const [from, to] = endsOf(parameter)
  const share = shareOf(parameter, value)
  return from + Math.round((parameter.inverted ? 1 - share : share) * (to - from))
}

export const rangeMiddle = (parameter: Parameter, range: Range) =>
  inUnit(parameter, Math.floor((range.first + (range.last ?? range.first)) / 2))

export function rangeAt(parameter: Parameter, value: number | undefined): Range | undefined {
  if (value === undefined) return undefined
  const raw = rawOf(parameter, value)
  return parameter.ranges?.find((one) => one.first <= raw && raw <= (one.last ?? one.first))
}

/** "92.5°", "50 %", or what a named range makes of it: "12.7 Hz". */
export function spellValue(parameter: Parameter, value: number | undefined): string {
  if (value === undefined) return '–'
  const range = rangeAt(parameter, value)
  if (range?.unit) {
    const raw = rawOf(parameter, value)
    const [low, high] = range.physical ?? [0, 100]
    const last = range.last ?? range.first
    const share = last === range.first ? 0 : (raw - range.first) / (last - range.first)
    return withUnit(Number(low) + share * (Number(high) - Number(low)), range.unit)
  }
  return withUnit(value, parameter.unit ?? '%')
}

const withUnit = (value: number, unit: string) =>
  `${Math.abs(value) >= 1000 ? Math.round(value) : Math.round(value * 10) / 10}${unit === '°' ? '' : ' '}${unit}`
