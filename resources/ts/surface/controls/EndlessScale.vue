<script setup lang="ts">
import { ref } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { keyed } from '../hand'
import { useSurface } from '../surface'
import { knock, traits, wordsOn, writesValue } from '../traits'

/** A strip of scale that is pushed sideways under a mark; what it is pushed by is added. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const surface = useSurface()
const shift = ref(0)
const isHeld = ref(false)
let last = 0
let gathered = 0
let frame = 0

function grab(event: PointerEvent): void {
  if (props.locked) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  last = event.clientX
  isHeld.value = true
  knock()
}
function drag(event: PointerEvent): void {
  if (!isHeld.value) return
  const by = event.clientX - last
  last = event.clientX
  turn(by / (event.currentTarget as HTMLElement).clientWidth, by)
}
/** @param share of the whole width */
function turn(share: number, pixels: number): void {
  shift.value += pixels
  gathered += share * traits.number(props.control, 'sensitivity', 0.5) * 100
  if (frame === 0) frame = requestAnimationFrame(say)
}
function say(): void {
  frame = 0
  surface.set(props.control, gathered, 'turn')
  gathered = 0
}
function key(event: KeyboardEvent): void {
  const meant = props.locked ? null : keyed(event.key, event.shiftKey)
  if (meant === null || !('by' in meant)) return
  event.preventDefault()
  turn(meant.by / traits.number(props.control, 'sensitivity', 0.5), meant.by * 200)
}
</script>

<template>
  <div
    class="control endless mover"
    :class="[control.size, { held: isHeld }]"
    role="slider"
    tabindex="0"
    :aria-label="control.name"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="Math.round((life.at[0] ?? 0) * 100)"
    :aria-valuetext="life.text"
    :aria-disabled="locked || undefined"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="isHeld = false"
    @pointercancel="isHeld = false"
    @keydown="key"
    @contextmenu.prevent
  >
    <span class="head">
      <span class="words">{{ wordsOn(control, life) }}</span>
      <span v-if="writesValue(control)" class="value figures">{{ life.at[0] === null ? 'mixed' : life.text }}</span>
    </span>
    <span class="scale" aria-hidden="true" :style="{ backgroundPositionX: `calc(50% + ${shift}px)` }" />
    <span class="mark" aria-hidden="true" />
  </div>
</template>

<style scoped>
.endless {
  flex-direction: column;
  justify-content: space-between;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.scale {
  height: 40%;
  margin: 0 -12px -8px;
  background: repeating-linear-gradient(90deg, var(--quiet) 0 2px, transparent 2px 16px);
  background-size: 160px 100%;
  background-repeat: repeat-x;
}
.mark {
  position: absolute;
  left: 50%;
  bottom: 0;
  width: 4px;
  height: 55%;
  margin-left: -2px;
  background: var(--ink);
}
.held .mark {
  background: var(--held);
}
</style>
