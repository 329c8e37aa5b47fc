<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { keyed, useHand } from '../hand'
import { useSurface } from '../surface'
import { knock, traits, wordsOn, writesValue } from '../traits'

/** A square with two hair lines to its edges: across and up. It can be locked to one way, and moved finely. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const FINE = 0.2
const surface = useSurface()
const springs = computed(() => traits.flag(props.control, 'springs'))
const send = (part: string) => (share: number) => surface.move(props.control, Math.round(share * 10000) / 100, part)
const across = useHand(
  () => props.life.at[0] ?? null,
  send('across'),
  () => 'jump',
)
const up = useHand(
  () => props.life.at[1] ?? null,
  send('up'),
  () => 'jump',
)
watch(
  () => props.life,
  () => {
    across.heard()
    up.heard()
  },
)
/** Of each way, at the end of its line. */
const values = computed(() => props.life.text.split('  '))
const lock = ref<'' | 'across' | 'up'>('')
const isFine = ref(false)
let last: PointerEvent | null = null

function share(event: PointerEvent): [number, number] {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return [(event.clientX - box.left) / box.width, (box.bottom - event.clientY) / box.height]
}
function grab(event: PointerEvent): void {
  if (props.locked) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  knock()
  last = event
  const [x, y] = isFine.value ? [across.shown.value, up.shown.value] : share(event)
  if (lock.value !== 'up') across.grab(x)
  if (lock.value !== 'across') up.grab(y)
}
function drag(event: PointerEvent): void {
  if (!across.isHeld.value && !up.isHeld.value) return
  const [x, y] = share(event)
  if (isFine.value && last) {
    const [fromX, fromY] = share(last)
    across.drag(across.shown.value + (x - fromX) * FINE)
    up.drag(up.shown.value + (y - fromY) * FINE)
  } else {
    across.drag(x)
    up.drag(y)
  }
  last = event
}
function letGo(): void {
  if (!across.isHeld.value && !up.isHeld.value) return
  across.letGo()
  up.letGo()
  if (!springs.value) return
  across.goTo(0.5)
  up.goTo(0.5)
}
function key(event: KeyboardEvent): void {
  const isUp = event.key === 'ArrowUp' || event.key === 'ArrowDown' || event.key.startsWith('Page')
  const hand = isUp ? up : across
  const meant = props.locked ? null : keyed(event.key, event.shiftKey)
  if (meant === null) return
  event.preventDefault()
  if ('by' in meant) hand.nudge(meant.by)
  else hand.goTo(meant.to)
}
const change = (way: 'across' | 'up') => (lock.value = lock.value === way ? '' : way)
</script>

<template>
  <div class="control pad" :class="control.size" role="group" :aria-label="control.name">
    <span class="head">
      <span class="words">{{ wordsOn(control, life) }}</span>
      <span class="ways">
        <button
          type="button"
          :aria-pressed="lock === 'across'"
          :aria-label="`${control.name}: only across`"
          @click="change('across')"
        >
          ↔
        </button>
        <button
          type="button"
          :aria-pressed="lock === 'up'"
          :aria-label="`${control.name}: only up and down`"
          @click="change('up')"
        >
          ↕
        </button>
        <button type="button" :aria-pressed="isFine" @click="isFine = !isFine">fine</button>
      </span>
    </span>
    <div
      class="field mover"
      :class="{ held: across.isHeld.value || up.isHeld.value }"
      tabindex="0"
      role="slider"
      :aria-label="`${control.name}, across and up, with the arrow keys`"
      aria-valuemin="0"
      aria-valuemax="100"
      :aria-valuenow="Math.round(across.shown.value * 100)"
      :aria-valuetext="life.text"
      :aria-disabled="locked || undefined"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="letGo"
      @keydown="key"
      @contextmenu.prevent
    >
      <span class="line upright" :style="{ left: `${across.shown.value * 100}%` }" />
      <span class="line level" :style="{ bottom: `${up.shown.value * 100}%` }" />
      <template v-if="writesValue(control)">
        <span
          class="figures end below"
          :style="{ left: `${across.shown.value * 100}%` }"
          :class="{ after: across.shown.value < 0.5 }"
          >{{ values[0] }}</span
        >
        <span
          class="figures end beside"
          :style="{ bottom: `${up.shown.value * 100}%` }"
          :class="{ over: up.shown.value < 0.5 }"
          >{{ values[1] }}</span
        >
      </template>
    </div>
  </div>
</template>

<style scoped>
.pad {
  flex-direction: column;
  padding: 8px;
  gap: 8px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
.words {
  flex: 1 1 4em;
}
.ways {
  display: flex;
  gap: 6px;
}
.ways button {
  min-width: 44px;
  min-height: 44px;
  border: 1px solid var(--rule);
  background: none;
}
.ways button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--page);
}
.field {
  position: relative;
  flex: 1;
  min-height: 44px;
  border: 1px solid var(--rule);
  background: var(--page);
  overflow: hidden;
}
.line {
  position: absolute;
  background: var(--ink);
}
.held .line {
  background: var(--held);
}
.upright {
  inset: 0 auto;
  width: 2px;
  margin-left: -1px;
}
.level {
  inset: auto 0;
  height: 2px;
  margin-bottom: -1px;
}
.end {
  position: absolute;
  padding: 2px 6px;
  font-size: 14px;
}
.below {
  bottom: 0;
  transform: translateX(-100%);
}
.below.after {
  transform: none;
}
.beside {
  right: 0;
  transform: translateY(100%);
}
.beside.over {
  transform: none;
}
</style>
