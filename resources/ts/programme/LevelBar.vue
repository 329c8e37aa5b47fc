<script setup lang="ts">
import { computed, ref } from 'vue'

/** A fader: a wide bar, filled to its value, with the number on it. */
const props = defineProps<{ value: number; label: string; to?: number | null; disabled?: boolean; note?: string }>()
const emit = defineEmits<{ set: [value: number] }>()
const EVERY = 40
const STEP = 1
const FAR = 10
const dragged = ref<number | null>(null)
const shown = computed(() => dragged.value ?? props.value)
const rounded = computed(() => Math.round(shown.value))
let saidAt = 0
let waiting = 0
/** As often as the engine brings it further; the last one always. */
function say(value: number): void {
  clearTimeout(waiting)
  const rest = saidAt + EVERY - performance.now()
  if (rest > 0) {
    waiting = window.setTimeout(() => say(value), rest)
    return
  }
  saidAt = performance.now()
  emit('set', value)
}
function drag(event: PointerEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const value = Math.round(Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * 1000) / 10
  dragged.value = value
  say(value)
}
function press(event: PointerEvent): void {
  if (props.disabled) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  drag(event)
}
function key(event: KeyboardEvent): void {
  const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP, PageUp: FAR, PageDown: -FAR }[event.key]
  const at = { Home: 0, End: 100 }[event.key]
  if (props.disabled || (by === undefined && at === undefined)) return
  event.preventDefault()
  emit('set', at ?? Math.min(100, Math.max(0, Math.round(props.value + (by ?? 0)))))
}
</script>

<template>
  <div
    class="bar"
    role="slider"
    :tabindex="disabled ? -1 : 0"
    :aria-label="label"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="rounded"
    :aria-valuetext="`${rounded} %`"
    :aria-disabled="disabled"
    @pointerdown="press"
    @pointermove="dragged !== null && drag($event)"
    @pointerup="dragged = null"
    @pointercancel="dragged = null"
    @keydown="key"
  >
    <span class="filled" :style="{ width: `${shown}%` }" />
    <span v-if="to !== null && to !== undefined" class="goal" :style="{ left: `${to}%` }" />
    <span class="words"><slot /></span>
    <span class="figures number"
      >{{ rounded }}<template v-if="note">&nbsp;{{ note }}</template></span
    >
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 44px;
  padding: 0 12px;
  border: 1px solid var(--rule);
  background: var(--sunk);
  cursor: ew-resize;
  touch-action: pan-y;
  user-select: none;
  overflow: hidden;
}
.bar[aria-disabled='true'] {
  cursor: default;
}
.filled {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--fill);
}
.goal {
  position: absolute;
  inset: 0 auto;
  width: 2px;
  background: var(--held);
}
.words,
.number {
  position: relative;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-weight: 600;
}
.number {
  white-space: nowrap;
}
</style>
