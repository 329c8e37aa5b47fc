import type { Inks, Picture } from './picture'
import { isSame, notesOf, type Item } from './edit'
import type { Track } from './parts'
import { ROW } from './row'
import { xOf } from './view'

const PAD = 6
/** A row shows at least so many semitones. */
const LEAST = 12

/** The lowest and the highest pitch that a row shows: all of its notes, and some room. */
export function pitchesOf(track: Track): [number, number] {
  const notes = notesOf(track).map((one) => one.note)
  if (notes.length === 0) return [54, 66]
  const [low, high] = [Math.min(...notes) - 1, Math.max(...notes) + 1]
  const more = Math.max(0, LEAST - (high - low)) / 2
  return [Math.max(0, Math.floor(low - more)), Math.min(127, Math.ceil(high + more))]
}
const thick = ([low, high]: [number, number]) => (ROW - 2 * PAD) / (high - low + 1)
const yOfNote = (range: [number, number], note: number, top: number) => top + ROW - PAD - (note - range[0] + 1) * thick(range)

/** The pitch at a place of a row. */
export function pitchAt(track: Track, y: number, top: number): number {
  const range = pitchesOf(track)
  return Math.min(range[1], Math.max(range[0], range[0] + Math.floor((top + ROW - PAD - y) / thick(range))))
}

/** A note is a bar as long as it sounds, higher where it is higher, with its name where there is room. */
export function drawNotes(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  const range = pitchesOf(track)
  const high = Math.max(3, thick(range) - 1)
  let free = 0
  for (const one of [...notesOf(track)].sort((a, b) => (a.at ?? 0) - (b.at ?? 0))) {
    const x = xOf(picture.view, one.at ?? 0)
    const wide = Math.max(3, (one.long ?? 0.25) * picture.view.scale)
    if (x > picture.width || x + wide < 0) continue
    const y = yOfNote(range, one.note, top)
    const isChosen = picture.selected.some((item) => isSame(item, { track: track.id, id: one.id }))
    context.globalAlpha = (track.muted ? 0.4 : 1) * (0.4 + 0.6 * ((one.velocity ?? 100) / 127))
    context.fillStyle = isChosen ? inks.held : track.colour || inks.on
    context.fillRect(x, y, wide, high)
    context.globalAlpha = track.muted ? 0.4 : 1
    const name = picture.nameOf(track, one.note)
    if (x < free) continue
    context.fillStyle = isChosen ? inks.held : inks.ink
    context.fillText(name, x + 2, Math.max(top + 8, y - 7))
    free = x + context.measureText(name).width + 8
  }
}

/** The note under a place; null for none. */
export function hitNote(picture: Picture, track: Track, x: number, y: number, top: number): Item | null {
  const range = pitchesOf(track)
  const found = [...notesOf(track)].reverse().find((one) => {
    const from = xOf(picture.view, one.at ?? 0)
    const above = yOfNote(range, one.note, top)
    return (
      x >= from - 3 &&
      x <= from + Math.max(3, (one.long ?? 0.25) * picture.view.scale) + 3 &&
      y >= above - 3 &&
      y <= above + Math.max(3, thick(range)) + 3
    )
  })
  return found ? { track: track.id, id: found.id } : null
}
