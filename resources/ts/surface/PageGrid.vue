<script setup lang="ts">
import { computed, onMounted, onScopeDispose, ref } from 'vue'
import type { SurfacePage } from '@/live/messages'
import ControlTile from './ControlTile.vue'
import { inGrid, layOut } from './layout'

/** A page of controls; a finger that is swiped over its ground turns to the next one. */
const props = defineProps<{ page: SurfacePage }>()
const emit = defineEmits<{ turn: [by: number] }>()
const FAR = 60
const isTall = ref(innerHeight > innerWidth)
const measure = () => (isTall.value = innerHeight > innerWidth)
const layout = computed(() => layOut(props.page, isTall.value))
function placeOf(id: string) {
  const box = layout.value.places.get(id)
  return box ? inGrid(box) : { column: 'auto', row: 'auto' }
}
let from: { x: number; y: number } | null = null

function down(event: PointerEvent): void {
  const isOnControl = (event.target as HTMLElement).closest('.mover, input, button') !== null
  from = isOnControl ? null : { x: event.clientX, y: event.clientY }
}
function up(event: PointerEvent): void {
  if (from === null) return
  const x = event.clientX - from.x
  const isSwipe = Math.abs(x) > FAR && Math.abs(x) > 2 * Math.abs(event.clientY - from.y)
  from = null
  if (isSwipe) emit('turn', x < 0 ? 1 : -1)
}
onMounted(() => addEventListener('resize', measure))
onScopeDispose(() => removeEventListener('resize', measure))
</script>

<template>
  <div
    class="grid"
    :style="{
      gridTemplateColumns: `repeat(${layout.columns}, minmax(0, 1fr))`,
      gridTemplateRows: `repeat(${layout.rows}, minmax(56px, 1fr))`,
    }"
    @pointerdown="down"
    @pointerup="up"
    @pointercancel="from = null"
  >
    <ControlTile v-for="one in page.controls" :key="one.id" :control="one" :place="placeOf(one.id)" />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 8px;
  height: 100%;
  padding: 8px;
  overflow: hidden auto;
  touch-action: pan-y;
}
</style>
