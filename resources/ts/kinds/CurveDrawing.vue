<script setup lang="ts">
import { computed, ref } from 'vue'
import { boxOf, drawnOver, moved, numbersOf, pairs, put, rounded, type Box, type Drawn } from './drawn'

/** Points of a curve, to be drawn: one is dragged, or added by a press between; a stroke draws many; arrow keys move one. */
const points = defineModel<number[]>({ required: true })
const WIDE = 360
const TALL = 150
const EDGE = 10
const STEP = 0.01
const drawn = computed(() => pairs(points.value))
/** Stays as it was while something is dragged. */
const held = ref<Box | null>(null)
const box = computed(() => held.value ?? boxOf(drawn.value))
const dragged = ref<number | null>(null)
const stroke = ref<Drawn>([])
const across = (into: number) => EDGE + ((into - box.value.left) / (box.value.right - box.value.left)) * (WIDE - 2 * EDGE)
const down = (out: number) => TALL - EDGE - ((out - box.value.low) / (box.value.high - box.value.low)) * (TALL - 2 * EDGE)
const line = (of: Drawn) => of.map(([into, out]) => `${across(into)},${down(out)}`).join(' ')
const change = (to: Drawn) => {
  points.value = numbersOf(to)
}
function under(event: PointerEvent): [number, number] {
  const area = (event.currentTarget as SVGSVGElement).getBoundingClientRect()
  const x = ((event.clientX - area.left) / area.width) * WIDE
  const y = ((event.clientY - area.top) / area.height) * TALL
  const share = (at: number, of: number) => Math.min(1, Math.max(0, (at - EDGE) / (of - 2 * EDGE)))
  const { left, right, low, high } = box.value
  return [left + share(x, WIDE) * (right - left), high - share(y, TALL) * (high - low)]
}
function press(event: PointerEvent): void {
  held.value = boxOf(drawn.value)
  const at = Number((event.target as Element).getAttribute('data-point') ?? -1)
  if (at >= 0) dragged.value = at
  else stroke.value = [under(event)]
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent): void {
  const [into, out] = under(event)
  if (dragged.value !== null) change(moved(drawn.value, dragged.value, into, out, box.value))
  else if (stroke.value.length) stroke.value = put(stroke.value, into, out)
}
function lift(): void {
  const [one] = stroke.value
  const { left, right, low, high } = box.value
  if (stroke.value.length > 2) change(drawnOver(drawn.value, stroke.value, box.value))
  else if (one) change(put(drawn.value, rounded(one[0], right - left), rounded(one[1], high - low)))
  dragged.value = held.value = null
  stroke.value = []
}
const take = (at: number) => {
  if (drawn.value.length > 2) change(drawn.value.filter((_, i) => i !== at))
}
function key(event: KeyboardEvent, at: number): void {
  const [into, out] = drawn.value[at] ?? [0, 0]
  const { left, right, low, high } = box.value
  const steps: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
  }
  const step = steps[event.key]
  if (event.key === 'Delete') take(at)
  if (!step && event.key !== 'Delete') return
  event.preventDefault()
  if (step) change(moved(drawn.value, at, into + step[0] * STEP * (right - left), out + step[1] * STEP * (high - low), box.value))
}
</script>

<template>
  <div class="wide">
    <svg
      :viewBox="`0 0 ${WIDE} ${TALL}`"
      role="group"
      aria-label="The curve"
      @pointerdown.prevent="press"
      @pointermove="move"
      @pointerup="lift"
      @pointercancel="lift"
    >
      <polyline class="line" :points="line(drawn)" />
      <polyline class="stroke" :points="line(stroke)" />
      <circle
        v-for="([into, out], i) in drawn"
        :key="i"
        :data-point="i"
        :cx="across(into)"
        :cy="down(out)"
        r="6"
        tabindex="0"
        role="slider"
        :aria-label="`Point ${i + 1}`"
        :aria-valuenow="out"
        :aria-valuetext="`${into} becomes ${out}`"
        @keydown="key($event, i)"
        @dblclick="take(i)"
      />
    </svg>
    <p class="quiet small">
      Draw it, or drag a point; a press adds one, Delete takes one out. In {{ box.left }} to {{ box.right }}, out {{ box.low }} to
      {{ box.high }}.
    </p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--sunk);
  border: 1px solid var(--rule);
  touch-action: none;
  cursor: crosshair;
}
.line,
.stroke {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.5;
}
.stroke {
  stroke-dasharray: 3 3;
}
circle {
  fill: rgb(var(--v-theme-primary));
  cursor: grab;
}
circle:focus-visible {
  outline: 2px solid currentColor;
}
</style>
