import type { Tempo, Wave } from '@/api/showDocument'
import { short } from './live'

const POINTS = 160
const TURNS = 2

/** A picture of two turns, as points from 0 to 1 across and −1 to 1 up. What is random is only hinted at: the engine has it. */
export function pictured(wave: Wave): [number, number][] {
  return Array.from({ length: POINTS + 1 }, (_, i) => {
    const x = i / POINTS
    return [x, heightAt(wave, x * TURNS)] as [number, number]
  })
}

function heightAt(wave: Wave, turns: number): number {
  const part = turns - Math.floor(turns)
  switch (wave.shape ?? 'sine') {
    case 'sine':
      return Math.sin(2 * Math.PI * part)
    case 'triangle':
      return part < 0.25 ? 4 * part : part < 0.75 ? 2 - 4 * part : 4 * part - 4
    case 'ramp-up':
      return 2 * part - 1
    case 'ramp-down':
      return 1 - 2 * part
    case 'square':
      return part < (wave.width ?? 50) / 100 ? 1 : -1
    case 'drawn':
      return drawnAt(wave.points ?? [], part)
    case 'steps':
      return hint(Math.floor(turns * 4))
    case 'smooth': {
      const at = turns * 4
      const rest = at - Math.floor(at)
      const [from, to] = [hint(Math.floor(at)), hint(Math.floor(at) + 1)]
      return from + ((to - from) * (1 - Math.cos(Math.PI * rest))) / 2
    }
  }
}
const hints = [0.1, 0.8, -0.5, 0.4, -0.9, -0.1, 0.7, -0.3]
const hint = (at: number) => hints[at % hints.length] ?? 0
function drawnAt(points: number[], part: number): number {
  if (points.length === 0) return 0
  const at = part * points.length
  const from = points[Math.floor(at) % points.length] ?? 0
  const to = points[(Math.floor(at) + 1) % points.length] ?? 0
  return (from + (to - from) * (at - Math.floor(at))) / 50 - 1
}

const shapes = {
  sine: 'a sine',
  triangle: 'a triangle',
  'ramp-up': 'a ramp up',
  'ramp-down': 'a ramp down',
  square: 'a square',
  steps: 'random steps',
  smooth: 'smooth random',
  drawn: 'a drawn wave',
} as const
const modes = { add: 'added to', multiply: 'multiplied with', replace: 'in place of' } as const

/** What a wave does, in a sentence. */
export function waveSentence(wave: Wave, nameOf: (point: string) => string): string {
  const on = (wave.on ?? []).map((one) => nameOf(one.point))
  const what =
    on.length === 0 ? 'nothing yet' : on.length > 3 ? `${on.slice(0, 3).join(', ')} and ${on.length - 3} more` : on.join(', ')
  const rate = wave.rate ?? 0.5
  const often =
    wave.unit === 'beats' ? `one turn in ${short(rate)} ${rate === 1 ? 'beat' : 'beats'}` : `${short(rate)} turns a second`
  const spread = wave.offset ? `, spread over ${short(wave.offset)}°` : ''
  const size = `${short(wave.centre ?? 0)} ± ${short(wave.size ?? 20)} %`
  return `${shapes[wave.shape ?? 'sine'].replace(/^./, (one) => one.toUpperCase())}, ${often}, ${size}, ${modes[wave.mode ?? 'add']} ${what}${spread}.`
}

/** What says how fast a tempo is, in a sentence. */
export function tempoWords(tempo: Tempo, portName: (id: string) => string): string {
  const clocks = (tempo.clocks ?? []).map(portName)
  const follows =
    clocks.length > 0
      ? `Follows the clock of ${clocks.join(', then ')}, else messages, else a hand`
      : 'Follows messages, else a hand'
  const sends = (tempo.sends ?? []).map(portName)
  return `${follows}; ${tempo.bar ?? 4} beats a bar${sends.length > 0 ? `; its clock goes to ${sends.join(', ')}` : ''}.`
}
