import type { Inks, Picture } from './picture'
import type { Track } from './parts'
import { ROW } from './row'
import { fromText } from './sound'
import { atOf, xOf } from './view'

const PAD = 6

/** A sound is as high as it is loud, about the middle of its row. */
export function drawSound(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  if (track.does.kind !== 'sound') return
  const { at = 0, file = '', seconds = 0, perSecond = 20, peaks = '' } = track.does
  const loud = fromText(peaks)
  const began = picture.grid.secondsAt(at)
  const placeIn = (place: number) => (picture.grid.secondsAt(place) - began) * perSecond
  const from = Math.max(0, Math.floor(xOf(picture.view, at)))
  const to = Math.min(picture.width, Math.ceil(xOf(picture.view, picture.grid.later(at, seconds))))
  context.fillStyle = track.colour || inks.quiet
  for (let x = from; x < to; x++) {
    const first = Math.floor(placeIn(atOf(picture.view, x)))
    const last = Math.floor(placeIn(atOf(picture.view, x + 1)))
    let most = 0
    for (let i = Math.max(0, first); i <= last; i++) most = Math.max(most, loud[i] ?? 0)
    const high = Math.max(1, (most / 255) * (ROW - 2 * PAD))
    context.fillRect(x, top + (ROW - high) / 2, 1, high)
  }
  context.fillStyle = inks.ink
  context.fillText(file, Math.max(4, xOf(picture.view, at) + 4), top + 10)
}
