<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { useShow } from '@/api/show'
import { levelFormat, placeMark, spellLevel } from '@/components/levels'
import { useEngine } from '@/live/engine'
import { useColumns } from './columns'
import { namesOver, runBetween, stepOf } from './grid'

/** `shown` is the key of the levels to show: what leaves, or what one source sends. */
const props = defineProps<{ universe: string; shown: string; frozen: boolean; against: Uint8Array | null; raisedOnly: boolean }>()
const slot = defineModel<number>({ required: true })
const picked = defineModel<number[]>('picked', { required: true })
const emit = defineEmits<{ write: [digit: string]; release: []; hold: [] }>()
const engine = useEngine()
const show = useShow()
const grid = ref<HTMLElement | null>(null)
const columns = useColumns(grid)
let cells: HTMLElement[] = []
const beginning = computed(() => namesOver(show.patchOf(props.universe), columns.value))
const patched = computed(() => Object.keys(beginning.value).length > 0)
let levels = new Uint8Array(512)
let winners = new Uint8Array(512)
let stops: (() => void)[] = []

const letter = (mark: number) => (mark === 0 ? '' : mark === 255 ? 'H' : placeMark(mark))
/** 512 cells at 30 pictures a second: only those that changed are touched, and Vue is not asked. */
function paintLevels(next: Uint8Array, all = false): void {
  if (props.frozen && !all) return
  for (let i = 0; i < 512; i++) {
    const level = next[i] ?? 0
    const cell = cells[i]
    if (!cell || (!all && level === levels[i])) continue
    cell.style.setProperty('--level', `${(level / 2.55).toFixed(1)}%`)
    const text = cell.children[2]
    if (text) text.textContent = spellLevel(level)
    cell.classList.toggle('raised', level > 0)
    if (props.against) compare(cell, i, level)
  }
  levels = next.slice()
}
/** What the kept snapshot has, where it has something else. */
function compare(cell: HTMLElement, i: number, level: number): void {
  const was = props.against?.[i] ?? level
  const mark = cell.children[3]
  if (mark) mark.textContent = was === level ? '' : `was ${spellLevel(was)}`
  cell.classList.toggle('differs', was !== level)
}
watch(
  () => props.against,
  () => cells.forEach((cell, i) => compare(cell, i, levels[i] ?? 0)),
)
watch(
  () => props.frozen,
  (now) => {
    if (!now) follow()
  },
)
function paintWinners(next: Uint8Array, all = false): void {
  for (let i = 0; i < 512; i++) {
    const cell = cells[i]
    if (!cell || (!all && next[i] === winners[i])) continue
    const mark = letter(next[i] ?? 0)
    if (cell.children[1]) cell.children[1].textContent = mark
    cell.classList.toggle('held', mark === 'H')
  }
  winners = next.slice()
}
function follow(): void {
  stops.forEach((stop) => stop())
  paintLevels(new Uint8Array(512), true)
  paintWinners(new Uint8Array(512), true)
  stops = [engine.paint(props.shown, paintLevels), engine.paint(`winners:${props.universe}`, paintWinners)]
}
/** The cells are other ones when their rows are longer or shorter. */
function begin(): void {
  cells = [...(grid.value?.querySelectorAll<HTMLElement>('[role="gridcell"]') ?? [])]
  follow()
  markChosen(slot.value)
  markPicked(picked.value)
}
onMounted(begin)
watch(columns, () => nextTick(begin))
onUnmounted(() => stops.forEach((stop) => stop()))
watch(() => [props.universe, props.shown], follow)
watch(levelFormat, () => paintLevels(levels, true))

/** The cells belong to the painting above, so the chosen one is marked by hand too. */
function markChosen(now: number, before?: number): void {
  const old = before === undefined ? undefined : cells[before - 1]
  old?.classList.remove('chosen')
  old?.setAttribute('tabindex', '-1')
  old?.removeAttribute('aria-selected')
  const cell = cells[now - 1]
  cell?.classList.add('chosen')
  cell?.setAttribute('tabindex', '0')
  cell?.setAttribute('aria-selected', 'true')
}
watch(slot, markChosen)
function markPicked(slots: number[]): void {
  cells.forEach((cell, i) => cell.classList.toggle('picked', slots.length > 1 && slots.includes(i + 1)))
}
watch(picked, markPicked)

function choose(next: number): void {
  slot.value = Math.min(512, Math.max(1, next))
  cells[slot.value - 1]?.focus()
}
function pressed(event: KeyboardEvent): void {
  const step = stepOf(event.key, columns.value)
  if (step !== undefined) choose(slot.value + step)
  else if (event.key === 'Delete' || event.key === 'Backspace') emit('release')
  else if (event.key === 'Enter') emit('hold')
  else if (
    /^[0-9a-f]$/i.test(event.key) &&
    !event.ctrlKey &&
    !event.metaKey &&
    (levelFormat.value === 'hex' || /\d/.test(event.key))
  )
    emit('write', event.key)
  else return
  event.preventDefault()
}
const slotAt = (event: MouseEvent) => Number((event.target as HTMLElement).closest<HTMLElement>('[data-slot]')?.dataset.slot ?? 0)
/** From where a run is drawn; 0 while none is. */
let drawnFrom = 0
function down(event: MouseEvent): void {
  const at = slotAt(event)
  if (at === 0 || event.button !== 0) return
  if (event.shiftKey) picked.value = runBetween(slot.value, at)
  else {
    drawnFrom = at
    picked.value = []
    choose(at)
  }
}
function drawn(event: MouseEvent): void {
  const at = slotAt(event)
  if (drawnFrom === 0 || at === 0 || (event.buttons & 1) === 0) return
  if (at !== drawnFrom || picked.value.length > 0) picked.value = runBetween(drawnFrom, at)
}
function up(): void {
  drawnFrom = 0
}
</script>

<template>
  <div
    ref="grid"
    class="grid"
    :class="{ patched, only: raisedOnly }"
    :style="{ '--columns': columns }"
    role="grid"
    aria-label="Slots 1 to 512"
    :aria-rowcount="512 / columns"
    :aria-colcount="columns"
    @keydown="pressed"
    @mousedown="down"
    @mouseover="drawn"
    @mouseup="up"
  >
    <div v-for="row in 512 / columns" :key="`${columns} ${row}`" role="row" class="cells">
      <div
        v-for="column in columns"
        :key="column"
        role="gridcell"
        class="cell"
        tabindex="-1"
        :data-slot="(row - 1) * columns + column"
      >
        <span class="number">{{ (row - 1) * columns + column }}</span><span class="winner"></span><span class="level">0</span
        ><span class="was"></span
        ><span
          v-if="beginning[(row - 1) * columns + column]"
          class="fixture"
          :style="{ width: `${beginning[(row - 1) * columns + column]?.across}00%` }"
          >{{ beginning[(row - 1) * columns + column]?.name }}</span
        >
      </div>
    </div>
  </div>
</template>

<style scoped src="./slotGrid.css"></style>
