<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { asHex, hueOf } from '../colour'
import { keyed } from '../hand'
import { useSurface } from '../surface'
import { knock, wordsOn } from '../traits'

/** Hue across, saturation up. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const SETTLES = 600
const surface = useSurface()
const own = ref<{ hue: number; saturation: number } | null>(null)
const isHeld = ref(false)
const live = computed(() => hueOf(props.life.text || '#ffffff'))
const shown = computed(() => own.value ?? live.value)
let waiting = 0
let frame = 0
watch(
  () => props.life.text,
  () => {
    if (!isHeld.value && waiting === 0) own.value = null
  },
)

function bring(hue: number, saturation: number): void {
  own.value = { hue: ((hue % 1) + 1) % 1, saturation: Math.min(1, Math.max(0, saturation)) }
  if (frame === 0) frame = requestAnimationFrame(say)
}
function say(): void {
  frame = 0
  if (own.value) surface.set(props.control, asHex(own.value.hue, own.value.saturation))
}
function drag(event: PointerEvent): void {
  if (!isHeld.value) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  bring(Math.min(0.999, Math.max(0, (event.clientX - box.left) / box.width)), (box.bottom - event.clientY) / box.height)
}
function grab(event: PointerEvent): void {
  if (props.locked) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  isHeld.value = true
  knock()
  drag(event)
}
function letGo(): void {
  isHeld.value = false
  clearTimeout(waiting)
  waiting = window.setTimeout(() => {
    waiting = 0
    own.value = null
  }, SETTLES)
}
function key(event: KeyboardEvent): void {
  const meant = props.locked ? null : keyed(event.key)
  if (meant === null || !('by' in meant)) return
  event.preventDefault()
  const isUp = event.key === 'ArrowUp' || event.key === 'ArrowDown' || event.key.startsWith('Page')
  bring(shown.value.hue + (isUp ? 0 : meant.by), shown.value.saturation + (isUp ? meant.by : 0))
  letGo()
}
</script>

<template>
  <div class="control colours" :class="control.size">
    <span class="head">
      <span class="words">{{ wordsOn(control, life) }}</span>
      <span class="sample" :style="{ background: asHex(shown.hue, shown.saturation) }" />
    </span>
    <div
      class="field mover"
      role="slider"
      tabindex="0"
      :aria-label="`${control.name}, hue and saturation, with the arrow keys`"
      aria-valuemin="0"
      aria-valuemax="360"
      :aria-valuenow="Math.round(shown.hue * 360)"
      :aria-valuetext="`hue ${Math.round(shown.hue * 360)}, saturation ${Math.round(shown.saturation * 100)} %`"
      :aria-disabled="locked || undefined"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="letGo"
      @keydown="key"
      @contextmenu.prevent
    >
      <span class="spot" :style="{ left: `${shown.hue * 100}%`, bottom: `${shown.saturation * 100}%` }" />
    </div>
  </div>
</template>

<style scoped>
.colours {
  flex-direction: column;
  gap: 6px;
  padding: 8px;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.sample {
  width: 44px;
  min-height: 20px;
  border: 1px solid var(--rule);
}
.field {
  position: relative;
  flex: 1;
  min-height: 44px;
  border: 1px solid var(--rule);
  background: linear-gradient(to top, #fff, transparent), linear-gradient(to right, #f00, #ff0, #0f0, #0ff, #00f, #f0f, #f00);
  overflow: hidden;
}
.spot {
  position: absolute;
  width: 22px;
  height: 22px;
  margin: 0 0 -11px -11px;
  border: 3px solid #000;
  outline: 2px solid #fff;
}
</style>
