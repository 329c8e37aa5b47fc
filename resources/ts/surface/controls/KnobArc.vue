<script setup lang="ts">
import { computed, watch } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { keyed, useHand } from '../hand'
import { useSurface } from '../surface'
import { knock, traits, wordsOn, writesValue } from '../traits'

/** A flat arc, filled to its value: turned at its rim, or dragged from its middle upwards and to the right. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean }>()
const RADIUS = 40
const SPAN = 270
const WAY = 220
const surface = useSurface()
const hand = useHand(
  () => props.life.at[0] ?? null,
  (share) => surface.move(props.control, Math.round(share * 10000) / 100),
  () => 'jump',
)
watch(() => props.life, hand.heard)
const shown = hand.shown
const limits = computed(() => traits.limits(props.control))
const detents = computed(() => traits.list(props.control, 'detents'))
let turns = false
let last = 0
let at = 0

const spot = (share: number, radius = RADIUS) => {
  const angle = ((share * SPAN - 225) * Math.PI) / 180
  return { x: 50 + radius * Math.cos(angle), y: 50 + radius * Math.sin(angle) }
}
function arc(to: number): string {
  const from = spot(0)
  const end = spot(to)
  return `M ${from.x} ${from.y} A ${RADIUS} ${RADIUS} 0 ${to * SPAN > 180 ? 1 : 0} 1 ${end.x} ${end.y}`
}

/** Where the finger is: as an angle at the rim, else as a way up and to the right. */
function finger(event: PointerEvent): number {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const x = event.clientX - box.left - box.width / 2
  const y = event.clientY - box.top - box.height / 2
  return turns ? (Math.atan2(y, x) * 180) / Math.PI / SPAN : (x - y) / WAY
}
function grab(event: PointerEvent): void {
  if (props.locked) return
  const field = event.currentTarget as HTMLElement
  const box = field.getBoundingClientRect()
  field.setPointerCapture(event.pointerId)
  const away = Math.hypot(event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2)
  turns = away > Math.min(box.width, box.height) / 4
  last = finger(event)
  at = shown.value
  knock()
  hand.grab(at)
}
function drag(event: PointerEvent): void {
  if (!hand.isHeld.value) return
  const now = finger(event)
  const whole = 360 / SPAN
  let by = now - last
  if (turns && by > whole / 2) by -= whole
  if (turns && by < -whole / 2) by += whole
  last = now
  at = Math.min(1, Math.max(0, at + by))
  hand.drag(at)
}
function key(event: KeyboardEvent): void {
  const meant = props.locked ? null : keyed(event.key, event.shiftKey)
  if (meant === null) return
  event.preventDefault()
  if ('by' in meant) hand.nudge(meant.by)
  else hand.goTo(meant.to)
}
</script>

<template>
  <div
    class="control knob mover"
    :class="[control.size, { held: hand.isHeld.value }]"
    role="slider"
    tabindex="0"
    :aria-label="control.name"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="Math.round(shown * 100)"
    :aria-valuetext="life.text"
    :aria-disabled="locked || undefined"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="hand.letGo"
    @pointercancel="hand.letGo"
    @keydown="key"
    @contextmenu.prevent
  >
    <span class="words">{{ wordsOn(control, life) }}</span>
    <svg viewBox="0 0 100 100" aria-hidden="true">
      <path class="way" :d="arc(1)" />
      <path v-if="shown > 0.002" class="filled" :d="arc(shown)" />
      <line
        v-for="one in detents"
        :key="one"
        class="notch"
        :x1="spot(one / 100, 46).x"
        :y1="spot(one / 100, 46).y"
        :x2="spot(one / 100, 34).x"
        :y2="spot(one / 100, 34).y"
      />
      <text v-if="limits[0] !== null" x="16" y="94" text-anchor="middle" class="figures end">{{ limits[0] }}</text>
      <text v-if="limits[1] !== null" x="84" y="94" text-anchor="middle" class="figures end">{{ limits[1] }}</text>
      <text v-if="writesValue(control)" x="50" y="56" text-anchor="middle" class="figures">
        {{ life.at[0] === null ? 'mixed' : life.text }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.knob {
  flex-direction: column;
  align-items: center;
  gap: 4px;
}
.words {
  align-self: flex-start;
}
svg {
  flex: 1;
  min-height: 0;
  max-width: 100%;
}
path {
  fill: none;
  stroke-width: 12;
}
.way {
  stroke: var(--rule);
  stroke-width: 4;
}
.filled {
  stroke: var(--on-control, var(--on));
}
.held .filled {
  stroke: var(--held);
}
.notch {
  stroke: var(--quiet);
  stroke-width: 2;
}
text {
  fill: currentColor;
  font-size: 15px;
}
.end {
  font-size: 9px;
}
</style>
