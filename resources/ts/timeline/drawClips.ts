import type { Inks, Picture } from './picture'
import { isSame, type Item } from './edit'
import type { Clip, Track } from './parts'
import { ROW } from './row'
import { xOf } from './view'

const PAD = 8
const LONG = 4
const clipsOf = (track: Track): Clip[] => (track.does.kind === 'clips' ? (track.does.clips ?? []) : [])

/** A clip is a frame as long as it is there; its fades are drawn as slopes, a fade out behind its end. */
export function drawClips(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  for (const one of clipsOf(track)) {
    const from = xOf(picture.view, one.at ?? 0)
    const ends = (one.at ?? 0) + (one.long ?? LONG)
    const to = xOf(picture.view, ends)
    const fade = (at: number, seconds: number) => (picture.grid.later(at, seconds) - at) * picture.view.scale
    if (from > picture.width || to + fade(ends, one.fadeOut ?? 0) < 0) continue
    const isChosen = picture.selected.some((item) => isSame(item, { track: track.id, id: one.id }))
    const colour = isChosen ? inks.held : track.colour || inks.on
    const [low, high] = [top + ROW - PAD, top + PAD]
    context.strokeStyle = colour
    context.lineWidth = isChosen ? 3 : 2
    context.beginPath()
    context.moveTo(from, low)
    context.lineTo(Math.min(to, from + fade(one.at ?? 0, one.fadeIn ?? 0)), high)
    context.lineTo(to, high)
    context.lineTo(to + fade(ends, one.fadeOut ?? 0), low)
    context.lineTo(from, low)
    context.stroke()
    context.fillStyle = isChosen ? inks.held : inks.ink
    context.fillText(picture.pointName(one.plays ?? ''), Math.max(4, from + 6), top + ROW / 2)
  }
}

/** The clip at a place; null for none. */
export function hitClip(picture: Picture, track: Track, x: number): Item | null {
  const found = [...clipsOf(track)].reverse().find((one) => {
    const from = xOf(picture.view, one.at ?? 0)
    return x >= from - 3 && x <= from + Math.max(6, (one.long ?? LONG) * picture.view.scale)
  })
  return found ? { track: track.id, id: found.id } : null
}
