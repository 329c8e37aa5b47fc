<script setup lang="ts">
import { computed, onMounted, onScopeDispose, ref, watch } from 'vue'
import { useSession } from '@/api/session'
import { useLook } from '@/frame/look'
import { draw, hit, rowAt, valueOf } from './draw'
import type { Picture } from './picture'
import { ROW, RULER } from './row'
import { pitchAt } from './drawNotes'
import { isSame, itemsOf, knotsOf, moved, withKnot, withMoment, type Item } from './edit'
import { useEditing } from './editing'
import { useTrackKeys } from './keys'
import { rangeOf } from './line'
import { useFreehand } from './freehand'
import { inksOf } from './inks'
import { atOf, followed, zoomed } from './view'

/** The tracks over time, on a canvas: marks and points are chosen, dragged and set; a press on the ruler goes there. */
const editing = useEditing()
const session = useSession()
const { isDark } = useLook()
const { key } = useTrackKeys()
const canvas = ref<HTMLCanvasElement | null>(null)
const height = ref(400)
let inks: ReturnType<typeof inksOf> | null = null
/** What is dragged: from where, and how far it has come. */
let drag: { x: number; y: number; items: Item[]; by: number; up: number } | null = null
const dragged = ref({ by: 0, up: 0 })

const hand = useFreehand(() => picture.value)
const picture = computed<Picture | null>(() => {
  const timeline = editing.timeline.value
  if (!timeline) return null
  const isMoved = dragged.value.by !== 0 || dragged.value.up !== 0
  return {
    timeline: isMoved && drag ? moved(timeline, drag.items, dragged.value.by, dragged.value.up, rangeNow()) : timeline,
    view: editing.view.value,
    width: editing.width.value,
    height: height.value,
    top: editing.top.value,
    selected: editing.selected.value,
    track: editing.track.value,
    place: editing.place.value,
    unit: editing.unit.value,
    grid: editing.grid.value,
    countsBars: editing.countsBars.value,
    ends: editing.ends.value,
    usual: editing.usual,
    nameOf: editing.nameOf,
    pointName: editing.pointName,
    compared: (timeline.takes ?? []).find((one) => one.id === editing.compared.value) ?? null,
    drawn: hand.drawn.value,
  }
})
function paint(): void {
  const context = canvas.value?.getContext('2d')
  if (!context || !canvas.value || !picture.value) return
  inks ??= inksOf(canvas.value)
  context.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0)
  draw(context, picture.value, inks)
}
function measure(): void {
  const box = canvas.value?.parentElement?.getBoundingClientRect()
  if (!box || !canvas.value) return
  editing.width.value = Math.round(box.width)
  height.value = Math.round(box.height)
  canvas.value.width = Math.round(box.width * devicePixelRatio)
  canvas.value.height = Math.round(box.height * devicePixelRatio)
  paint()
}
const watcher = new ResizeObserver(measure)
onMounted(() => {
  if (canvas.value?.parentElement) watcher.observe(canvas.value.parentElement)
  measure()
  editing.fit()
})
onScopeDispose(() => watcher.disconnect())
watch(picture, paint)
watch(isDark, () => {
  inks = null
  requestAnimationFrame(paint)
})
watch(editing.place, (at) => {
  if (editing.life.value?.isPlaying) editing.view.value = followed(editing.view.value, at, editing.width.value)
})

function rangeNow(): [number, number] {
  const track = editing.timeline.value?.tracks?.find((one) => one.id === drag?.items[0]?.track)
  return track && track.does.kind === 'levels' ? rangeOf(knotsOf(track), editing.usual(track)) : [-1e9, 1e9]
}
const trackAt = (y: number) => (picture.value ? ((editing.timeline.value?.tracks ?? [])[rowAt(picture.value, y)] ?? null) : null)
function down(event: PointerEvent): void {
  if (!picture.value || !canvas.value) return
  canvas.value.focus()
  if (session.mayBuild && hand.begin(event.offsetX, event.offsetY)) {
    canvas.value.setPointerCapture(event.pointerId)
    return
  }
  const found = hit(picture.value, event.offsetX, event.offsetY)
  if (!found && event.offsetY < RULER) {
    void editing.playing.jump(editing.id, Math.max(0, editing.draw(atOf(editing.view.value, event.offsetX))))
    return
  }
  const track = trackAt(event.offsetY)
  if (!found) {
    editing.selected.value = []
    editing.track.value = track?.id ?? ''
    return
  }
  const adds = event.shiftKey || event.ctrlKey
  if (adds || !editing.selected.value.some((one) => isSame(one, found))) editing.choose(found, adds)
  if (!session.mayBuild) return
  canvas.value.setPointerCapture(event.pointerId)
  drag = { x: event.offsetX, y: event.offsetY, items: [...editing.selected.value], by: 0, up: 0 }
}
/** The first of what is dragged is drawn to the grid; all else goes along. */
function move(event: PointerEvent): void {
  if (hand.drawn.value) hand.add(event.offsetX, event.offsetY)
  if (!drag || !editing.timeline.value) return
  const first = drag.items[0]
  const at = first ? (itemsOf(editing.timeline.value, first.track).find((one) => isSame(one.item, first))?.at ?? 0) : 0
  const by = editing.draw(at + (event.offsetX - drag.x) / editing.view.value.scale) - at
  const [low, high] = rangeNow()
  const up = ((drag.y - event.offsetY) / (ROW - 16)) * (high - low)
  const isFar = Math.abs(event.offsetX - drag.x) > 3 || Math.abs(event.offsetY - drag.y) > 3
  drag.by = isFar ? by : 0
  drag.up = isFar && high < 1e9 ? Math.round(up * 10) / 10 : 0
  dragged.value = { by: drag.by, up: drag.up }
}
function letGo(): void {
  if (hand.drawn.value) void hand.end()
  const done = drag
  const range = rangeNow()
  drag = null
  dragged.value = { by: 0, up: 0 }
  if (done && (done.by !== 0 || done.up !== 0) && editing.timeline.value)
    editing.turnInto(moved(editing.timeline.value, done.items, done.by, done.up, range))
}
/** A mark, or a point of a line, where it is clicked twice. */
function add(event: MouseEvent): void {
  const timeline = editing.timeline.value
  const track = trackAt(event.offsetY)
  if (
    !timeline ||
    !track ||
    track.does.kind === 'sound' ||
    !picture.value ||
    !session.mayBuild ||
    hit(picture.value, event.offsetX, event.offsetY)
  )
    return
  const at = editing.draw(atOf(editing.view.value, event.offsetX))
  const top = RULER + rowAt(picture.value, event.offsetY) * ROW - editing.top.value
  const range = rangeOf(knotsOf(track), editing.usual(track))
  const value = Math.round(Math.min(range[1], Math.max(range[0], valueOf(range, event.offsetY, top))) * 10) / 10
  const note = track.does.kind === 'notes' ? { note: pitchAt(track, event.offsetY, top), long: editing.grain(at) } : {}
  const done = track.does.kind === 'levels' ? withKnot(timeline, track.id, at, value) : withMoment(timeline, track.id, at, note)
  if (editing.turnInto(done?.timeline ?? null) && done) editing.choose(done.item)
}
function wheel(event: WheelEvent): void {
  if (event.ctrlKey) editing.view.value = zoomed(editing.view.value, event.deltaY < 0 ? 1.2 : 1 / 1.2, event.offsetX)
  else if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY))
    editing.view.value = {
      ...editing.view.value,
      from: Math.max(0, editing.view.value.from + (event.deltaX || event.deltaY) / editing.view.value.scale),
    }
  else editing.top.value = Math.max(0, Math.min(lowest(), editing.top.value + event.deltaY))
}
const lowest = () => Math.max(0, (editing.timeline.value?.tracks ?? []).length * ROW + RULER - height.value)
/** What is chosen, for those who hear and do not see. */
const words = computed(() => {
  const [one] = editing.selected.value
  if (!editing.timeline.value || !one) return ''
  const found = itemsOf(editing.timeline.value, one.track).find((two) => isSame(two.item, one))
  const more = editing.selected.value.length - 1
  return found ? `${found.name}, at ${editing.say(found.at)}${more > 0 ? `, and ${more} more` : ''}` : ''
})
</script>

<template>
  <div class="around">
    <canvas
      ref="canvas"
      tabindex="0"
      role="application"
      aria-label="Tracks. Arrow keys go from mark to mark and from track to track; with Shift they move what is chosen. T sets a trigger where it is played, Space plays."
      @pointerdown="down"
      @pointermove="move"
      @pointerup="letGo"
      @pointercancel="letGo"
      @dblclick="add"
      @wheel.prevent="wheel"
      @keydown="key"
    />
    <p class="d-sr-only" role="status">{{ words }}</p>
  </div>
</template>

<style scoped>
.around {
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}
canvas {
  position: absolute;
  width: 100%;
  height: 100%;
  touch-action: none;
}
</style>
