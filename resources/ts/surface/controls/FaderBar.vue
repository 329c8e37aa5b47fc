<script setup lang="ts">
import { computed, watch } from 'vue'
import type { ControlLife, SurfaceControl } from '@/live/messages'
import { keyed, useHand } from '../hand'
import { useSurface } from '../surface'
import { knock, takeOverOf, traits, wordsOn, writesValue } from '../traits'

/** A wide bar, filled to its value: upwards or to the right, from one end or from its middle. */
const props = defineProps<{ control: SurfaceControl; life: ControlLife; locked: boolean; isMeter?: boolean }>()
const surface = useSurface()
const isAcross = computed(() => traits.text(props.control, 'run') === 'right')
const fromMiddle = computed(() => traits.flag(props.control, 'middle'))
const detents = computed(() => traits.list(props.control, 'detents'))
const ends = computed(() =>
  traits.limits(props.control).flatMap((value, i) => (value === null ? [] : [{ value, is: i === 0 ? 'low' : 'high' }])),
)
const hand = useHand(
  () => props.life.at[0] ?? null,
  (share) => surface.move(props.control, Math.round(share * 10000) / 100),
  () => takeOverOf(props.control),
)
watch(() => props.life, hand.heard)
const shown = hand.shown
const start = computed(() => (fromMiddle.value ? Math.min(0.5, shown.value) : 0))
const length = computed(() => (fromMiddle.value ? Math.abs(shown.value - 0.5) : shown.value))
const filled = computed(() =>
  isAcross.value
    ? { transform: `translateX(${start.value * 100}%) scaleX(${length.value})`, transformOrigin: 'left' }
    : { transform: `translateY(${-start.value * 100}%) scaleY(${length.value})`, transformOrigin: 'bottom' },
)
const edge = computed(() => (isAcross.value ? { left: `${shown.value * 100}%` } : { bottom: `${shown.value * 100}%` }))
const mixed = computed(() => props.life.at[0] === null)
const text = computed(() => (mixed.value ? 'mixed' : props.life.text))

function finger(event: PointerEvent): number {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  return isAcross.value ? (event.clientX - box.left) / box.width : (box.bottom - event.clientY) / box.height
}
function grab(event: PointerEvent): void {
  if (props.locked || props.isMeter) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  knock()
  hand.grab(finger(event))
}
function key(event: KeyboardEvent): void {
  const meant = props.locked || props.isMeter ? null : keyed(event.key, event.shiftKey)
  if (meant === null) return
  event.preventDefault()
  if ('by' in meant) hand.nudge(meant.by)
  else hand.goTo(meant.to)
}
</script>

<template>
  <div
    class="control bar"
    :class="[control.size, { across: isAcross, mover: !isMeter, held: hand.isHeld.value }]"
    :role="isMeter ? 'meter' : 'slider'"
    :tabindex="isMeter ? undefined : 0"
    :aria-label="control.name"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="Math.round(shown * 100)"
    :aria-valuetext="text"
    :aria-orientation="isMeter ? undefined : isAcross ? 'horizontal' : 'vertical'"
    :aria-disabled="locked || undefined"
    @pointerdown="grab"
    @pointermove="hand.drag(finger($event))"
    @pointerup="hand.letGo"
    @pointercancel="hand.letGo"
    @keydown="key"
    @contextmenu.prevent
  >
    <span class="filled" :style="filled" />
    <span v-for="one in detents" :key="one" class="notch" :style="isAcross ? { left: `${one}%` } : { bottom: `${one}%` }" />
    <span v-for="one in ends" :key="one.is" class="end figures" :class="one.is">{{ one.value }}</span>
    <span v-if="!isMeter" class="edge" :style="edge" />
    <span class="words">{{ wordsOn(control, { text, called: life.called }) }}</span>
    <span v-if="writesValue(control)" class="value figures">{{ text }}</span>
  </div>
</template>

<style scoped>
.bar {
  flex-direction: column-reverse;
  justify-content: space-between;
  padding: 10px var(--room);
}
.bar.across {
  flex-flow: row wrap;
  align-items: center;
  padding: 0 14px;
}
.filled {
  position: absolute;
  inset: 0;
  background: var(--on-control, var(--fill));
}
.edge {
  position: absolute;
  background: var(--ink);
}
.across .edge {
  top: 0;
  bottom: 0;
  width: 4px;
  margin-left: -2px;
}
.bar:not(.across) .edge {
  left: 0;
  right: 0;
  height: 4px;
  margin-bottom: -2px;
}
.held .edge {
  background: var(--held);
}
.end {
  position: absolute;
  padding: 0 3px;
  border: 0 solid currentColor;
  font-size: 12px;
  line-height: 1.2;
}
.across .end {
  bottom: 0;
}
.across .end.low {
  left: 0;
  border-left-width: 3px;
}
.across .end.high {
  right: 0;
  border-right-width: 3px;
}
.bar:not(.across) .end {
  right: 0;
}
.bar:not(.across) .end.low {
  bottom: 0;
  border-bottom-width: 3px;
}
.bar:not(.across) .end.high {
  top: 0;
  border-top-width: 3px;
}
.notch {
  position: absolute;
  background: var(--quiet);
}
.across .notch {
  bottom: 0;
  height: 10px;
  width: 2px;
}
.bar:not(.across) .notch {
  right: 0;
  width: 10px;
  height: 2px;
}
</style>
