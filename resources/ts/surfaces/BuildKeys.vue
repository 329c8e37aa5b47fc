<script setup lang="ts">
import { onMounted, onUnmounted, ref } from 'vue'
import type { Control, Page } from '@/api/showDocument'
import { useSession } from '@/api/session'
import { aligned, controlsOf, copied, shifted, without, type Alignment, type Box } from './build'
import { useBuilding } from './building'

/** What is done to the selected controls, by keys and by buttons. */
const props = defineProps<{ page: Page; count: number }>()
const building = useBuilding()
const session = useSession()
const { selected, isLocked } = building
const clipboard = ref<Control[]>([])
const ALIGN: [Alignment, string][] = [
  ['left', 'Same column'],
  ['top', 'Same row'],
  ['width', 'Same width'],
  ['height', 'Same height'],
]
const MOVES: Record<string, Partial<Box>> = {
  ArrowLeft: { column: -1 },
  ArrowRight: { column: 1 },
  ArrowUp: { row: -1 },
  ArrowDown: { row: 1 },
}
const SIZES: Record<string, Partial<Box>> = {
  ArrowLeft: { width: -1 },
  ArrowRight: { width: 1 },
  ArrowUp: { height: -1 },
  ArrowDown: { height: 1 },
}
const chosen = () => controlsOf(props.page).filter((one) => selected.value.has(one.id))

function copy(): void {
  clipboard.value = chosen()
}
function paste(parts = clipboard.value): void {
  if (!building.surface.value || parts.length === 0) return
  const done = copied(building.surface.value, building.at.value, parts)
  if (done.left > 0) building.failed.value = `There was no room for ${done.left} of ${parts.length}.`
  selected.value = new Set(done.ids)
  if (done.ids.length > 0) void building.put(done.surface)
}
function remove(): void {
  const ids = selected.value
  selected.value = new Set()
  building.turnInto(without(props.page, ids))
}
const align = (how: Alignment) => building.turnInto(aligned(props.page, selected.value, how))

/** Nothing is done while somebody types, or uses a control. */
const isElsewhere = (event: KeyboardEvent) =>
  isLocked.value ||
  !session.mayBuild ||
  (event.target as HTMLElement).closest('input, textarea, select, [role=listbox], [role=combobox], .side') !== null

function key(event: KeyboardEvent): void {
  if (isElsewhere(event)) return
  const deed = meant(event)
  if (deed === null) return
  event.preventDefault()
  deed()
}
function meant(event: KeyboardEvent): (() => void) | null {
  if (event.ctrlKey || event.metaKey) {
    const all = () => (selected.value = new Set(controlsOf(props.page).map((one) => one.id)))
    return { c: copy, v: () => paste(), d: () => paste(chosen()), a: all }[event.key] ?? null
  }
  if (selected.value.size === 0) return null
  if (event.key === 'Delete' || event.key === 'Backspace') return remove
  const by = (event.shiftKey ? SIZES : MOVES)[event.key]
  return by ? () => building.turnInto(shifted(props.page, selected.value, by)) : null
}
onMounted(() => addEventListener('keydown', key))
onUnmounted(() => removeEventListener('keydown', key))
</script>

<template>
  <div v-if="session.mayBuild" class="bar" role="toolbar" aria-label="Selected controls">
    <span class="small quiet count">{{ count }} selected</span>
    <button type="button" class="small-button" :disabled="count === 0" @click="paste(chosen())">Duplicate</button>
    <button type="button" class="small-button" :disabled="count === 0" @click="copy">Copy</button>
    <button type="button" class="small-button" :disabled="clipboard.length === 0" @click="paste()">Paste</button>
    <button type="button" class="small-button" :disabled="count === 0" @click="remove">Remove</button>
    <template v-if="count > 1">
      <button v-for="[how, words] in ALIGN" :key="how" type="button" class="small-button" @click="align(how)">{{ words }}</button>
    </template>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.count {
  min-width: 76px;
}
</style>
