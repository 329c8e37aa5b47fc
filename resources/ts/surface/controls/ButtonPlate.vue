<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { icons } from '../icons'
import { useSurface } from '../surface'
import { knock, traits, wordsOn, writesValue } from '../traits'

/** A plate with a stripe at its leading edge, which fills the plate while it is on. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const LONG = 600
const surface = useSurface()
const mode = computed(() => traits.text(props.control, 'mode'))
const seconds = computed(() => traits.number(props.control, 'seconds', 1))
const question = computed(() => traits.text(props.control, 'confirm'))
const words = computed(() => (props.life.isOn && traits.text(props.control, 'onText')) || wordsOn(props.control, props.life))
const isDown = ref(false)
const asks = ref(false)
let timer = 0
let wasLong = false

function down(): void {
  if (props.locked || isDown.value) return
  isDown.value = true
  wasLong = false
  knock()
  if (mode.value === 'momentary') surface.set(props.control, 1)
  if (mode.value === 'hold') timer = window.setTimeout(held, seconds.value * 1000)
  else if (props.control.hasLong) timer = window.setTimeout(long, LONG)
}
function held(): void {
  wasLong = true
  isDown.value = false
  knock(30)
  fire()
}
function long(): void {
  wasLong = true
  knock(30)
  surface.press(props.control, 'long')
}
function up(isInside: boolean): void {
  if (!isDown.value) return
  isDown.value = false
  clearTimeout(timer)
  if (mode.value === 'momentary') surface.set(props.control, 0)
  else if (mode.value !== 'hold' && isInside && !wasLong) fire()
}
function fire(): void {
  if (question.value !== '' && !asks.value && !(mode.value === 'toggle' && props.life.isOn)) {
    asks.value = true
    return
  }
  asks.value = false
  surface.press(props.control)
}
function pointerDown(event: PointerEvent): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  down()
}
function pointerUp(event: PointerEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  up(event.clientX >= box.left && event.clientX <= box.right && event.clientY >= box.top && event.clientY <= box.bottom)
}
onScopeDispose(() => up(false))
</script>

<template>
  <div v-if="asks" class="control asks" role="alertdialog" :aria-label="question" :class="control.size">
    <span class="words">{{ question }}</span>
    <span class="answers">
      <button type="button" class="yes" @click="fire">Yes</button>
      <button type="button" class="no" @click="asks = false">No</button>
    </span>
  </div>
  <button
    v-else
    type="button"
    class="control plate mover"
    :class="[control.size, { on: life.isOn, down: isDown }]"
    :aria-pressed="mode === 'once' || mode === 'hold' ? undefined : mode === 'momentary' ? isDown : life.isOn"
    :aria-disabled="locked"
    :aria-describedby="mode === 'hold' ? `hint-${control.id}` : undefined"
    @pointerdown="pointerDown"
    @pointerup="pointerUp"
    @pointercancel="up(false)"
    @keydown.space.prevent="down"
    @keyup.space.prevent="up(true)"
    @keydown.enter.prevent="down"
    @keyup.enter.prevent="up(true)"
    @blur="up(false)"
    @contextmenu.prevent
  >
    <span class="stripe" aria-hidden="true" />
    <svg v-if="mode === 'hold'" class="edge" aria-hidden="true">
      <rect
        x="2"
        y="2"
        pathLength="100"
        :style="{ transitionDuration: isDown ? `${seconds}s` : '0s', strokeDashoffset: isDown ? 0 : 100 }"
      />
    </svg>
    <svg v-if="icons[control.icon]" class="icon" viewBox="0 0 24 24" aria-hidden="true"><path :d="icons[control.icon]" /></svg>
    <span class="words">{{ words }}</span>
    <span v-if="mode === 'hold'" :id="`hint-${control.id}`" class="value">hold</span>
    <span v-else-if="writesValue(control) && life.text" class="value figures">{{ life.text }}</span>
  </button>
</template>

<style scoped>
.plate {
  flex-direction: column;
  justify-content: space-between;
  align-items: flex-start;
  padding-left: calc(8px + var(--room));
  cursor: pointer;
}
.stripe {
  position: absolute;
  inset: 0 auto 0 0;
  width: 8px;
  background: var(--on-control, var(--rule));
}
.plate.on {
  color: var(--on-control-ink, var(--on-ink));
}
.plate.on .stripe {
  width: 100%;
  background: var(--on-control, var(--on));
}
.plate.down {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 3px currentColor;
}
.edge {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.edge rect {
  width: calc(100% - 4px);
  height: calc(100% - 4px);
  fill: none;
  stroke: currentColor;
  stroke-width: 8;
  stroke-dasharray: 100;
  transition: stroke-dashoffset linear;
}
.icon {
  width: 1.8em;
  min-height: 1em;
  fill: currentColor;
}
.asks {
  flex-direction: column;
  justify-content: space-between;
  border-color: var(--held);
}
.answers {
  display: flex;
  gap: 8px;
}
.answers button {
  flex: 1;
  min-height: 44px;
  border: 1px solid currentColor;
  background: none;
}
.answers .yes {
  background: var(--ink);
  color: var(--page);
}
</style>
