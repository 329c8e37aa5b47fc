<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Page } from '@/api/showDocument'
import '@/surface/control.css'
import ControlTile from '@/surface/ControlTile.vue'
import { inGrid, isBuiltTall, layOut } from '@/surface/layout'
import { boxOf, columnsOf, controlsOf, rowsOf, shifted, type Box } from './build'
import { useBuilding } from './building'
import { drawn } from './drawn'
import { drawnPage } from './turned'

/** The grid: controls are dragged, sized by their corner, and selected; locked, they work. */
const props = defineProps<{ page: Page }>()
const emit = defineEmits<{ drop: [place: { kind: string; column: number; row: number }] }>()
const building = useBuilding()
const { selected, isLocked, isTurned, preview, live } = building
const grid = ref<HTMLElement | null>(null)
const controls = computed(() => controlsOf(props.page).map((one) => drawn(one, live.news.value)))
/** How far what is dragged has come, in fields. */
const by = ref<Partial<Box>>({})
let from: { x: number; y: number; sizes: boolean } | null = null
const layout = computed(() => {
  const built = drawnPage(props.page, controls.value)
  const seen = preview.value
  return layOut(built, seen === null || isTurned.value ? isBuiltTall(built) : seen.height > seen.width)
})
const isFlowing = computed(() => layout.value.columns !== columnsOf(props.page) || layout.value.rows !== rowsOf(props.page))
const frame = computed(() =>
  preview.value ? { aspectRatio: `${preview.value.width} / ${preview.value.height}`, maxHeight: '100%', maxWidth: '100%' } : {},
)

function placeOf(id: string) {
  const place = layout.value.places.get(id)
  const usual = place ? inGrid(place) : { column: 'auto', row: 'auto' }
  const part = controlsOf(props.page).find((one) => one.id === id)
  if (!part || !selected.value.has(id) || isFlowing.value) return usual
  const box = boxOf(part)
  const moved = {
    column: box.column + (by.value.column ?? 0),
    row: box.row + (by.value.row ?? 0),
    width: Math.max(1, box.width + (by.value.width ?? 0)),
    height: Math.max(1, box.height + (by.value.height ?? 0)),
  }
  return inGrid({ ...moved, column: Math.max(1, moved.column), row: Math.max(1, moved.row) })
}
function fieldSize(): { x: number; y: number } {
  const box = grid.value?.getBoundingClientRect()
  return { x: (box?.width ?? 1) / columnsOf(props.page), y: (box?.height ?? 1) / rowsOf(props.page) }
}
function press(event: PointerEvent, id: string, sizes: boolean): void {
  if (event.shiftKey || event.ctrlKey) {
    const next = new Set(selected.value)
    if (!next.delete(id)) next.add(id)
    selected.value = next
    return
  }
  if (!selected.value.has(id)) selected.value = new Set([id])
  if (isFlowing.value) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  from = { x: event.clientX, y: event.clientY, sizes }
}
function drag(event: PointerEvent): void {
  if (from === null) return
  const size = fieldSize()
  const x = Math.round((event.clientX - from.x) / size.x)
  const y = Math.round((event.clientY - from.y) / size.y)
  by.value = from.sizes ? { width: x, height: y } : { column: x, row: y }
}
function letGo(): void {
  const moved = by.value
  from = null
  by.value = {}
  if (Object.values(moved).some((one) => one !== 0)) building.turnInto(shifted(props.page, selected.value, moved))
}
function dropped(event: DragEvent): void {
  const kind = event.dataTransfer?.getData('application/x-control')
  const box = grid.value?.getBoundingClientRect()
  if (!kind || !box) return
  const size = fieldSize()
  emit('drop', {
    kind,
    column: 1 + Math.floor((event.clientX - box.left) / size.x),
    row: 1 + Math.floor((event.clientY - box.top) / size.y),
  })
}
const ground = (event: PointerEvent) => {
  if (event.target === grid.value) selected.value = new Set()
}
</script>

<template>
  <div class="around">
    <div class="screen surface-look" :style="frame">
      <div
        ref="grid"
        class="grid"
        :class="{ building: !isLocked }"
        :style="{
          gridTemplateColumns: `repeat(${layout.columns}, minmax(0, 1fr))`,
          gridTemplateRows: `repeat(${layout.rows}, minmax(0, 1fr))`,
          '--columns': layout.columns,
          '--rows': layout.rows,
        }"
        @pointerdown="ground"
        @dragover.prevent
        @drop.prevent="dropped"
      >
        <template v-for="one in controls" :key="one.id">
          <ControlTile :control="one" :place="placeOf(one.id)" :inert="!isLocked" />
          <button
            v-if="!isLocked"
            type="button"
            class="grip"
            :class="{ chosen: selected.has(one.id) }"
            :style="{ gridColumn: placeOf(one.id).column, gridRow: placeOf(one.id).row }"
            :aria-label="`${one.name}, ${one.kind}`"
            :aria-pressed="selected.has(one.id)"
            @pointerdown.stop="press($event, one.id, false)"
            @pointermove="drag"
            @pointerup="letGo"
            @pointercancel="letGo"
            @focus="selected.has(one.id) || (selected = new Set([one.id]))"
          >
            <span class="corner" @pointerdown.stop="press($event, one.id, true)" @pointermove="drag" @pointerup="letGo" />
          </button>
        </template>
      </div>
    </div>
    <p v-if="isFlowing" class="small quiet">
      Laid anew for this orientation: controls follow each other. Places are set in the other one, or in a layout of its own (the
      page's settings).
    </p>
    <p v-if="isTurned" class="small quiet">This is the page's own layout for this orientation.</p>
  </div>
</template>

<style scoped>
.around {
  display: flex;
  flex: 1;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 6px;
  min-height: 0;
}
.screen {
  width: 100%;
  height: 100%;
  min-height: 0;
  border: 1px solid var(--rule);
  background: var(--page);
}
.screen[style*='aspect-ratio'] {
  width: auto;
}
.grid {
  display: grid;
  gap: 6px;
  height: 100%;
  padding: 6px;
}
.grid.building {
  background-image:
    linear-gradient(to right, var(--rule) 1px, transparent 1px), linear-gradient(to bottom, var(--rule) 1px, transparent 1px);
  background-repeat: repeat;
  background-size: calc(100% / var(--columns)) calc(100% / var(--rows));
}
.grip {
  position: relative;
  z-index: 1;
  border: 1px dashed transparent;
  background: none;
  cursor: grab;
  touch-action: none;
}
.grip:hover {
  border-color: var(--quiet);
}
.grip.chosen {
  border: 2px solid var(--held);
}
.corner {
  position: absolute;
  right: 0;
  bottom: 0;
  width: 20px;
  height: 20px;
  border-right: 6px solid var(--held);
  border-bottom: 6px solid var(--held);
  cursor: nwse-resize;
  opacity: 0;
}
.grip.chosen .corner {
  opacity: 1;
}
</style>
