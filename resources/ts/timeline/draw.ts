import type { Item } from './edit'
import { drawClips, hitClip } from './drawClips'
import { drawNotes, hitNote } from './drawNotes'
import { drawSound } from './drawSound'
import { isSame, knotsOf, MARKERS, momentsOf } from './edit'
import { rangeOf, sorted, valueAt } from './line'
import type { Moment, Track } from './parts'
import type { Inks, Picture } from './picture'
import { ROW, RULER } from './row'
import { ruler, xOf } from './view'

const PAD = 8
/** Names of marks are not written nearer than so many pixels to each other. */
const NEAR = 6
/** How high the line of tempos is. */
const TEMPOS = 18

export const rowAt = (picture: Picture, y: number) => Math.floor((y - RULER + picture.top) / ROW)
const topOf = (picture: Picture, row: number) => RULER + row * ROW - picture.top
export function yOf(range: [number, number], value: number, top: number): number {
  const share = range[1] === range[0] ? 0 : (value - range[0]) / (range[1] - range[0])
  return top + ROW - PAD - share * (ROW - 2 * PAD)
}
export function valueOf(range: [number, number], y: number, top: number): number {
  return range[0] + ((top + ROW - PAD - y) / (ROW - 2 * PAD)) * (range[1] - range[0])
}

/** The whole picture: rows, sections, marks, lines, and where it is played. */
export function draw(context: CanvasRenderingContext2D, picture: Picture, inks: Inks): void {
  const { width, height, view } = picture
  context.fillStyle = inks.ground
  context.fillRect(0, 0, width, height)
  context.font = '12px Overpass, sans-serif'
  context.textBaseline = 'middle'
  const tracks = picture.timeline.tracks ?? []
  tracks.forEach((track, row) => drawRow(context, picture, inks, track, row))
  drawRuler(context, picture, inks)
  drawTempos(context, picture, inks)
  const end = xOf(view, picture.ends)
  if (end < width && picture.ends > 0) {
    context.fillStyle = inks.rule
    context.fillRect(end, RULER, 2, height)
  }
  const x = xOf(view, picture.place)
  if (x >= -2 && x <= width) {
    context.fillStyle = inks.held
    context.fillRect(Math.round(x) - 1, 0, 2, height)
  }
}

function drawRuler(context: CanvasRenderingContext2D, picture: Picture, inks: Inks): void {
  const { view, width, height } = picture
  context.fillStyle = inks.plate
  context.fillRect(0, 0, width, RULER)
  for (const mark of ruler(view, width, picture.countsBars ? picture.grid : 'time')) {
    context.fillStyle = inks.rule
    context.fillRect(Math.round(mark.x), RULER - 8, 1, height)
    context.fillStyle = inks.quiet
    context.fillText(mark.text, mark.x + 4, RULER - 9)
  }
  for (const marker of picture.timeline.markers ?? []) {
    const x = Math.round(xOf(view, marker.at ?? 0))
    if (x < -200 || x > width) continue
    const isChosen = picture.selected.some((one) => isSame(one, { track: MARKERS, id: marker.id }))
    context.fillStyle = isChosen ? inks.held : inks.quiet
    context.fillRect(x, 0, marker.isSection ? 2 : 1, marker.isSection ? height : RULER)
    context.fillStyle = isChosen ? inks.held : inks.ink
    context.fillText(marker.name, x + 6, 10)
  }
}

/** Along the lower edge stands where the tempo changes, and to what. */
function drawTempos(context: CanvasRenderingContext2D, picture: Picture, inks: Inks): void {
  if (picture.grid.changes.length === 0) return
  const top = picture.height - TEMPOS
  context.fillStyle = inks.plate
  context.fillRect(0, top, picture.width, TEMPOS)
  let free = 0
  for (const change of picture.grid.changes) {
    const x = Math.round(xOf(picture.view, change.at))
    if (x < -100 || x > picture.width) continue
    context.fillStyle = inks.quiet
    context.fillRect(x, top, 2, TEMPOS)
    if (x < free) continue
    const words = `${Number(change.bpm.toFixed(2))} beats a minute`
    context.fillText(words, x + 6, top + TEMPOS / 2 + 1)
    free = x + 6 + context.measureText(words).width + NEAR
  }
}

function drawRow(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, row: number): void {
  const top = topOf(picture, row)
  if (top > picture.height || top + ROW < RULER) return
  context.save()
  context.beginPath()
  context.rect(0, Math.max(top, RULER), picture.width, ROW)
  context.clip()
  if (picture.track === track.id) {
    context.fillStyle = inks.plate
    context.fillRect(0, top, picture.width, ROW)
  }
  context.globalAlpha = track.muted ? 0.4 : 1
  if (track.does.kind === 'triggers') drawMarks(context, picture, inks, track, top)
  else if (track.does.kind === 'notes') drawNotes(context, picture, inks, track, top)
  else if (track.does.kind === 'clips') drawClips(context, picture, inks, track, top)
  else if (track.does.kind === 'sound') drawSound(context, picture, inks, track, top)
  else {
    drawCompared(context, picture, inks, track, top)
    drawLine(context, picture, inks, track, top)
    drawHand(context, picture, inks, track)
  }
  context.globalAlpha = 1
  context.fillStyle = inks.rule
  context.fillRect(0, top + ROW - 1, picture.width, 1)
  context.restore()
}

/** A mark is a post with its name beside it; names that would lie on each other take the next line, or are left out. */
function drawMarks(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  const free = [0, 0, 0]
  const marks = [...(momentsOf(track) as Moment[])].sort((a, b) => (a.at ?? 0) - (b.at ?? 0))
  for (const one of marks) {
    const x = Math.round(xOf(picture.view, one.at ?? 0))
    if (x < -300 || x > picture.width + 4) continue
    const isChosen = picture.selected.some((item) => isSame(item, { track: track.id, id: one.id }))
    const colour = one.colour || track.colour || inks.on
    context.fillStyle = isChosen ? inks.held : colour
    context.fillRect(x - 1, top + 4, isChosen ? 4 : 3, ROW - 8)
    const line = free.findIndex((until) => until <= x)
    const name = one.name ?? ''
    if (line < 0 || name === '') continue
    context.fillStyle = isChosen ? inks.held : inks.ink
    context.fillText(name, x + 6, top + 14 + line * 17)
    free[line] = x + context.measureText(name).width + NEAR + 6
  }
}

function drawLine(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  const knots = sorted(knotsOf(track))
  const range = rangeOf(knots, picture.usual(track))
  const colour = track.colour || inks.on
  const [first] = knots
  if (first) {
    context.strokeStyle = colour
    context.lineWidth = 2
    context.beginPath()
    const from = Math.max(0, Math.floor(xOf(picture.view, first.at ?? 0)))
    let before: number | null = null
    for (let x = from; x <= picture.width; x += 1) {
      const value = valueAt(knots, picture.view.from + x / picture.view.scale)
      if (value === null) continue
      const y = yOf(range, value, top)
      if (before === null) context.moveTo(x, y)
      else if (Math.abs(y - before) > ROW / 3) {
        // A jump is drawn upright.
        context.lineTo(x, before)
        context.lineTo(x, y)
      } else context.lineTo(x, y)
      before = y
    }
    context.stroke()
  }
  knotsOf(track).forEach((knot, i) => {
    const x = xOf(picture.view, knot.at ?? 0)
    if (x < -6 || x > picture.width + 6) return
    const y = yOf(range, knot.value ?? 0, top)
    const isChosen = picture.selected.some((item) => isSame(item, { track: track.id, id: String(i) }))
    context.fillStyle = isChosen ? inks.held : colour
    context.fillRect(x - (isChosen ? 5 : 3), y - (isChosen ? 5 : 3), isChosen ? 10 : 6, isChosen ? 10 : 6)
    if (isChosen) {
      context.fillStyle = inks.ink
      context.fillText(String(knot.value ?? 0), x + 8, Math.max(top + 10, y))
    }
  })
}

/** Lines of a take lie behind, broken. */
function drawCompared(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track, top: number): void {
  const point = track.does.kind === 'levels' ? track.does.point : undefined
  const range = rangeOf(knotsOf(track), picture.usual(track))
  context.strokeStyle = inks.ink
  context.lineWidth = 1
  context.setLineDash([4, 4])
  for (const lane of picture.compared?.lanes ?? []) {
    if (!point || lane.point !== point) continue
    path(
      context,
      (lane.knots ?? []).map((knot) => [xOf(picture.view, knot.at), yOf(range, knot.value, top)]),
    )
  }
  context.setLineDash([])
}

function drawHand(context: CanvasRenderingContext2D, picture: Picture, inks: Inks, track: Track): void {
  const drawn = picture.drawn
  if (!drawn || drawn.track !== track.id) return
  context.strokeStyle = inks.held
  context.lineWidth = 3
  path(
    context,
    drawn.samples.map(([at, value]) => [xOf(picture.view, at), yOf(drawn.range, value, drawn.top)]),
  )
}

function path(context: CanvasRenderingContext2D, places: [number, number][]): void {
  context.beginPath()
  places.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)))
  context.stroke()
}

/** What lies under a place of the picture; null for nothing. */
export function hit(picture: Picture, x: number, y: number): Item | null {
  const near = (at: number | undefined, far: number) => Math.abs(xOf(picture.view, at ?? 0) - x) <= far
  if (y < RULER) {
    const marker = (picture.timeline.markers ?? []).find((one) => near(one.at, 6))
    return marker && y < RULER / 2 ? { track: MARKERS, id: marker.id } : null
  }
  const track = (picture.timeline.tracks ?? [])[rowAt(picture, y)]
  if (!track) return null
  if (track.does.kind === 'clips') return hitClip(picture, track, x)
  if (track.does.kind === 'notes') return hitNote(picture, track, x, y, topOf(picture, rowAt(picture, y)))
  if (track.does.kind === 'triggers') {
    const found = [...momentsOf(track)].reverse().find((one) => near(one.at, 6))
    return found ? { track: track.id, id: found.id } : null
  }
  const knots = knotsOf(track)
  const range = rangeOf(knots, picture.usual(track))
  const top = topOf(picture, rowAt(picture, y))
  const place = knots.reduce(
    (found, one, i) => (near(one.at, 8) && Math.abs(yOf(range, one.value ?? 0, top) - y) <= 10 ? i : found),
    -1,
  )
  return place < 0 ? null : { track: track.id, id: String(place) }
}
