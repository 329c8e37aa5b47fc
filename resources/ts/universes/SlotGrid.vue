<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useShow } from '@/api/show'
import { levelFormat, placeMark, spellLevel } from '@/components/levels'
import { useEngine } from '@/live/engine'
import { namesOver, stepOf } from './grid'

/** `shown` is the key of the levels to show: what leaves, or what one source sends. */
const props = defineProps<{ universe: string; shown: string; frozen: boolean; against: Uint8Array | null }>()
const slot = defineModel<number>({ required: true })
const emit = defineEmits<{ write: [digit: string]; release: []; hold: [] }>()
const COLUMNS = 16
const engine = useEngine()
const show = useShow()
const grid = ref<HTMLElement | null>(null)
const cells: HTMLElement[] = []
const beginning = computed(() => namesOver(show.patchOf(props.universe), COLUMNS))
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
onMounted(() => {
  grid.value?.querySelectorAll<HTMLElement>('[role="gridcell"]').forEach((cell) => cells.push(cell))
  follow()
  markChosen(slot.value)
})
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

function choose(next: number): void {
  slot.value = Math.min(512, Math.max(1, next))
  cells[slot.value - 1]?.focus()
}
function pressed(event: KeyboardEvent): void {
  const step = stepOf(event.key, COLUMNS)
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
function clicked(event: MouseEvent): void {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-slot]')
  if (cell) choose(Number(cell.dataset.slot))
}
</script>

<template>
  <div
    ref="grid"
    class="grid"
    :class="{ patched }"
    role="grid"
    aria-label="Slots 1 to 512"
    aria-rowcount="32"
    :aria-colcount="COLUMNS"
    @keydown="pressed"
    @click="clicked"
  >
    <div v-for="row in 32" :key="row" role="row" class="cells">
      <div
        v-for="column in COLUMNS"
        :key="column"
        role="gridcell"
        class="cell"
        tabindex="-1"
        :data-slot="(row - 1) * COLUMNS + column"
      >
        <span class="number">{{ (row - 1) * COLUMNS + column }}</span><span class="winner"></span><span class="level">0</span
        ><span class="was"></span
        ><span
          v-if="beginning[(row - 1) * COLUMNS + column]"
          class="fixture"
          :style="{ width: `${beginning[(row - 1) * COLUMNS + column]?.across}00%` }"
          >{{ beginning[(row - 1) * COLUMNS + column]?.name }}</span
        >
      </div>
    </div>
  </div>
</template>

<style scoped>
.cells {
  display: grid;
  grid-template-columns: repeat(16, 1fr);
}
.cell {
  position: relative;
  height: 38px;
  border-right: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  padding: 2px 4px;
  font-family: var(--figures);
  font-variant-numeric: tabular-nums;
  cursor: pointer;
  background: linear-gradient(var(--fill), var(--fill)) left bottom / 100% var(--level, 0%) no-repeat;
  scroll-margin: 40px;
}
.number {
  position: absolute;
  left: 4px;
  top: 1px;
  font-size: 11px;
  color: var(--quiet);
}
.winner {
  position: absolute;
  right: 4px;
  top: 1px;
  font-size: 11px;
  font-weight: 600;
}
.level {
  position: absolute;
  right: 4px;
  bottom: 0;
  font-size: 14px;
  color: var(--quiet);
}
.raised .level {
  color: rgb(var(--v-theme-on-background));
  font-weight: 600;
}
.raised .number {
  color: rgb(var(--v-theme-on-background));
}
.was {
  position: absolute;
  left: 4px;
  bottom: 2px;
  font-size: 10px;
  color: var(--held);
}
.differs {
  background-color: color-mix(in srgb, var(--held) 22%, transparent);
}
.patched .cell {
  height: 50px;
}
.fixture {
  position: absolute;
  left: 0;
  top: 16px;
  z-index: 1;
  font-family: var(--words);
  font-size: 11px;
  font-weight: 600;
  line-height: 13px;
  padding: 0 3px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  border-top: 1px solid currentColor;
  background: rgb(var(--v-theme-background));
  pointer-events: none;
}
.held {
  box-shadow: inset 0 -3px 0 var(--held);
}
.chosen {
  outline: 2px solid rgb(var(--v-theme-on-background));
  outline-offset: -2px;
}
.grid {
  border-left: 1px solid var(--rule);
  border-top: 1px solid var(--rule);
}
</style>
