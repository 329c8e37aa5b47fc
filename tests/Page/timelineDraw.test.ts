import { gridOf } from '@/timeline/grid'
import { describe, expect, it } from 'vitest'
import type { Timeline } from '@/api/showTimelines'
import { draw, hit, rowAt, valueOf, yOf } from '@/timeline/draw'
import type { Inks, Picture } from '@/timeline/picture'
import { ROW, RULER } from '@/timeline/row'
import { MARKERS } from '@/timeline/edit'

const song: Timeline = {
  id: 'song',
  name: 'Song',
  markers: [
    { id: 'verse', at: 5, name: 'Verse', isSection: true },
    { id: 'cough', at: 8, name: 'Cough' },
  ],
  tracks: [
    {
      id: 'marks',
      name: 'Marks',
      colour: '#ff0000',
      does: {
        kind: 'triggers',
        triggers: [
          { id: 'a', at: 2, name: 'Doors open wide' },
          { id: 'b', at: 2.2, name: 'Dusk' },
          { id: 'c', at: 9, name: 'Own', colour: '#00ff00' },
        ],
      },
    },
    {
      id: 'line',
      name: 'Line',
      does: {
        kind: 'levels',
        point: 'look:doors',
        knots: [
          { at: 1, value: 0 },
          { at: 4, value: 100, to: 'step' },
        ],
      },
    },
  ],
}
const picture = (more: Partial<Picture> = {}): Picture => ({
  timeline: song,
  view: { from: 0, scale: 50 },
  width: 500,
  height: 300,
  top: 0,
  selected: [],
  track: '',
  place: 3,
  unit: 'seconds',
  grid: gridOf('seconds', [], 120, 4),
  countsBars: false,
  ends: 9,
  usual: () => [0, 100],
  nameOf: (_, note) => `n${note}`,
  pointName: (point) => point,
  ...more,
})
const inks: Inks = { ground: 'ground', plate: 'plate', ink: 'ink', quiet: 'quiet', rule: 'rule', on: 'on', held: 'held' }

/** What was drawn: rectangles with their colour, and texts with their place. */
function drawn(more: Partial<Picture> = {}) {
  const rects: string[] = []
  const texts: string[] = []
  const points: string[] = []
  let inDrawing = ''
  const context = {
    fillStyle: '',
    strokeStyle: '',
    globalAlpha: 1,
    fillRect: (x: number, y: number, width: number, height: number) =>
      rects.push(`${context.fillStyle} ${x} ${y} ${width} ${height}`),
    fillText: (text: string, x: number, y: number) =>
      texts.push(`${text} ${context.fillStyle} ${Math.round(x)} ${Math.round(y)}`),
    measureText: (text: string) => ({ width: text.length * 6 }),
    moveTo: (x: number, y: number) => (inDrawing = `${x} ${Math.round(y)}`),
    lineTo: (x: number, y: number) => {
      if (inDrawing !== '') points.push(inDrawing)
      inDrawing = ''
      points.push(`${x} ${Math.round(y)}`)
    },
    save: () => undefined,
    restore: () => undefined,
    beginPath: () => undefined,
    rect: () => undefined,
    clip: () => undefined,
    stroke: () => undefined,
    setLineDash: () => undefined,
  }
  draw(context as unknown as CanvasRenderingContext2D, picture(more), inks)
  return { rects, texts, points }
}

describe('a timeline that is drawn', () => {
  it('has marks as posts with their names, which do not lie on each other', () => {
    const { rects, texts } = drawn()
    expect(rects).toContain(`#ff0000 99 ${RULER + 4} 3 ${ROW - 8}`)
    expect(rects).toContain(`#00ff00 449 ${RULER + 4} 3 ${ROW - 8}`)
    expect(texts).toContain(`Doors open wide ink 106 ${RULER + 14}`)
    expect(texts).toContain(`Dusk ink 116 ${RULER + 31}`)
  })
  it('shows what is chosen, where it is played, and where it ends', () => {
    const { rects, texts } = drawn({ selected: [{ track: 'marks', id: 'a' }], track: 'line' })
    expect(rects).toContain(`held 99 ${RULER + 4} 4 ${ROW - 8}`)
    expect(texts).toContain(`Doors open wide held 106 ${RULER + 14}`)
    expect(rects).toContain('held 149 0 2 300')
    expect(rects).toContain(`rule 450 ${RULER} 2 300`)
    expect(rects).toContain(`plate 0 ${RULER + ROW} 500 ${ROW}`)
  })
  it('has sections as rules through all of it, and markers on the ruler alone', () => {
    const { rects, texts } = drawn()
    expect(rects).toContain('quiet 250 0 2 300')
    expect(rects).toContain(`quiet 400 0 1 ${RULER}`)
    expect(texts).toContain('Verse ink 256 10')
  })
  it('draws a line from its first point on, and a jump upright', () => {
    const { points } = drawn({ view: { from: 0, scale: 50 } })
    expect(points[0]).toBe(`50 ${RULER + 2 * ROW - 8}`)
    const jump = drawn({
      timeline: {
        ...song,
        tracks: [
          {
            id: 'l',
            name: 'L',
            does: {
              kind: 'levels',
              knots: [
                { at: 0, value: 0, to: 'step' },
                { at: 2, value: 100 },
              ],
            },
          },
        ],
      },
    })
    expect(jump.points).toContain(`100 ${RULER + ROW - 8}`)
    expect(jump.points).toContain(`100 ${RULER + 8}`)
  })
  it('leaves out what is out of sight', () => {
    const { texts } = drawn({ view: { from: 100, scale: 50 } })
    expect(texts.some((one) => one.startsWith('Dusk') || one.startsWith('Verse'))).toBe(false)
    expect(drawn({ top: 3 * ROW }).texts.some((one) => one.startsWith('Dusk'))).toBe(false)
  })
})

describe('what lies under a finger', () => {
  it('is a mark of the row, near enough', () => {
    expect(hit(picture(), 103, RULER + 20)).toEqual({ track: 'marks', id: 'a' })
    expect(hit(picture(), 300, RULER + 20)).toBeNull()
    expect(hit(picture(), 103, RULER + 5 * ROW)).toBeNull()
  })
  it('is a point of a line where the line is, and not above or below it', () => {
    const y = yOf([0, 100], 100, RULER + ROW)
    expect(hit(picture(), 203, y + 4)).toEqual({ track: 'line', id: '1' })
    expect(hit(picture(), 203, y + 40)).toBeNull()
  })
  it('is a marker on the upper half of the ruler; the lower half is for going there', () => {
    expect(hit(picture(), 402, 8)).toEqual({ track: MARKERS, id: 'cough' })
    expect(hit(picture(), 402, RULER - 6)).toBeNull()
  })
  it('goes along with rows that are scrolled', () => {
    expect(rowAt(picture({ top: ROW }), RULER + 5)).toBe(1)
    expect(hit(picture({ top: ROW }), 203, yOf([0, 100], 100, RULER))).toEqual({ track: 'line', id: '1' })
  })
  it('is a value by its height, both ways', () => {
    for (const value of [0, 30, 100]) expect(valueOf([0, 100], yOf([0, 100], value, 98), 98)).toBeCloseTo(value)
    expect(yOf([5, 5], 5, 0)).toBe(ROW - 8)
  })
})
